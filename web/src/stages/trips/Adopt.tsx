/** The two buttons that take a set of parts over, with what still has to be checked. */

import type { PatchOp } from "../../data/client";
import { useSaid } from "../../shell/person";
import { useAdopt } from "./adopt";

export function Adopt({ ops, name, onHere }: { ops: PatchOp[]; name: string; onHere: () => void }) {
  const say = useSaid();
  const { here, beside } = useAdopt();
  return (
    <div className="my-2 flex flex-col gap-1">
      <button type="button" className="btn btn-main" disabled={beside.isPending} onClick={() => beside.mutate({ name, ops })}>
        Make it a variant beside this one
      </button>
      <button
        type="button"
        className="btn btn-slate"
        onClick={async () => {
          if (await here(ops, name)) onHere();
        }}
      >
        Put it into this variant
      </button>
      {beside.error && <p role="alert">{beside.error.message}</p>}
      <p className="m-0 text-[11.5px] text-chalk-dim">
        {say(
          "Cables and fuses follow the parts: look at Wiring afterwards. Fixing on the roof, weight and mains work have rules of their own; mains and gas by licensed trades where the law says so.",
        )}
      </p>
    </div>
  );
}

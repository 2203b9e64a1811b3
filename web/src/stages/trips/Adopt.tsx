/** The two buttons that take a set of parts over, with what still has to be checked. */

import type { PatchOp } from "../../data/client";
import { useSaid } from "../../shell/person";
import { says } from "../../words/trips";
import { useAdopt } from "./adopt";

export function Adopt({ ops, name, onHere }: { ops: PatchOp[]; name: string; onHere: () => void }) {
  const say = useSaid();
  const { here, beside } = useAdopt();
  return (
    <div className="my-2 flex flex-col gap-1">
      <button type="button" className="btn btn-main" disabled={beside.isPending} onClick={() => beside.mutate({ name, ops })}>
        {says("make-variant-beside-one")}
      </button>
      <button
        type="button"
        className="btn btn-slate"
        onClick={async () => {
          if (await here(ops, name)) onHere();
        }}
      >
        {says("put-into-variant")}
      </button>
      {beside.error && <p role="alert">{beside.error.message}</p>}
      <p className="m-0 text-[11.5px] text-chalk-dim">{say(says("cables-fuses-follow-parts"))}</p>
    </div>
  );
}

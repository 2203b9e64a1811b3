/** Bays: spaces that things stand in, with how warm they are. */
import { useState } from "react";
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { Unfold } from "../../parts/Unfold";
import { useSaid } from "../../shell/person";
import { says } from "../../words/fit";
import { useFit } from "./data";
import { EXTENT } from "./extent";
import { BAY_KINDS, THERMAL } from "./words";

type Bay = Schemas["FitBay"] & { name: string };

export function Bays() {
  const say = useSaid();
  const fit = useFit();
  const list = useItems<Bay>("/fit/bays", (fit.doc.bays ?? []) as Bay[], says("bay"), (id) =>
    (fit.doc.places ?? []).flatMap((p, i) => (p.bay === id ? [{ op: "replace" as const, path: `/fit/places/${i}/bay`, value: null }] : [])),
  );
  const [open, setOpen] = useState<string | null>(null);
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("bays")}</h3>
      {!list.items.length && <p className="my-1 text-[12px] text-chalk-dim">{say(says("none-everything-stands-living"))}</p>}
      <Unfold items={list.items} remove={says("remove-bay")} onRemove={(x) => void list.remove(x)} open={open} onOpen={setOpen}>
        {(b) => (
          <Fields
            specs={[
              words("name", says("name")),
              choice("kind", says("is"), BAY_KINDS),
              choice("thermal", says("warmth"), THERMAL),
              ...EXTENT,
              flag("sealed_inside", says("gas-tight-towards-inside")),
              flag("enclosed", says("closed-all-round")),
              ...(b.enclosed
                ? [quantity("vent_cm2" as const, says("each-of-two-vents"), "surface", "cm²", { scale: 1e4, clearable: true, placeholder: says("none") })]
                : []),
            ]}
            item={b}
            onSet={(key, value, label) => void list.set(b, { [key]: value }, label)}
          />
        )}
      </Unfold>
      <button
        type="button"
        className="btn btn-slate mt-1"
        onClick={() =>
          void list
            .add({
              kind: "garage",
              thermal: "unheated",
              x0_m: 0,
              x1_m: Math.min(1.2, fit.part.body.length),
              y0_m: -fit.part.body.half,
              y1_m: fit.part.body.half,
              z0_m: 0,
              z1_m: 0.7,
            })
            .then((id) => id && setOpen(id))
        }
      >
        {says("add-bay")}
      </button>
    </>
  );
}

/** Doors and what can't be moved, as they were measured; until then those of the kind of vehicle. */
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { choice, Fields, quantity, words } from "../../parts/Fields";
import { says } from "../../words/fit";
import { useFit } from "./data";
import { EXTENT } from "./extent";
import { OBSTACLES, SIDES } from "./words";

type Door = Schemas["DoorDoc"] & { name: string };
type Obstacle = Schemas["Obstacle"] & { name: string };

export function Immovables() {
  const fit = useFit();
  const body = fit.doc.body ?? {};
  const doors = useItems<Door>("/fit/body/doors", (body.doors ?? []) as Door[], says("door"));
  const obstacles = useItems<Obstacle>("/fit/body/obstacles", (body.obstacles ?? []) as Obstacle[], says("obstacle"));
  const take = () =>
    void fit.edit(
      [
        {
          op: "replace",
          path: "/fit/body/doors",
          value: fit.part.body.doors.map((d) => ({
            id: d.id,
            name: d.name,
            side: d.side,
            x0_m: ["left", "right"].includes(d.side) ? d.a : null,
            x1_m: ["left", "right"].includes(d.side) ? d.b : null,
            clear_width_m: Math.round(1000 * d.width) / 1000,
            clear_height_m: Math.round(1000 * d.height) / 1000,
            sill_z_m: d.sill,
          })),
        },
        {
          op: "replace",
          path: "/fit/body/obstacles",
          value: fit.part.body.obstacles.map((o) => ({
            id: o.id,
            name: o.name,
            kind: o.kind,
            ...Object.fromEntries(["x0_m", "x1_m", "y0_m", "y1_m", "z0_m", "z1_m"].map((k, i) => [k, o.box[i]])),
          })),
        },
      ],
      says("doors-wheel-arches-measured"),
    );
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("doors-what-cant-moved")}</h3>
      {body.doors == null || body.obstacles == null ? (
        <>
          <p className="my-1 text-[12px] text-[#d3b6e6]">
            {says("typical-vehicle", {
              value: [...fit.part.body.doors, ...fit.part.body.obstacles].map((x) => x.name.toLowerCase()).join(", ") || says("none"),
            })}
          </p>
          <button type="button" className="btn btn-slate" onClick={take}>
            {says("measure-them")}
          </button>
        </>
      ) : (
        <>
          {doors.items.map((d) => (
            <details key={d.id}>
              <summary className="cursor-pointer">{d.name}</summary>
              <Fields
                specs={[
                  words("name", says("name")),
                  choice("side", says("wall"), SIDES),
                  ...(d.side === "left" || d.side === "right"
                    ? [quantity("x0_m", says("begins-rear"), "length", "m"), quantity("x1_m", says("ends-rear"), "length", "m")]
                    : []),
                  quantity("clear_width_m", says("clear-width"), "length", "m"),
                  quantity("clear_height_m", says("clear-height"), "length", "m"),
                  quantity("sill_z_m", says("sill-over-floor"), "length", "m"),
                ]}
                item={d}
                onSet={(key, value, label) =>
                  void doors.set(
                    d,
                    key === "side" && (value === "left" || value === "right")
                      ? { side: value, x0_m: d.x0_m ?? 1, x1_m: d.x1_m ?? 1 + d.clear_width_m }
                      : { [key]: value },
                    label,
                  )
                }
              />
              <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void doors.remove(d)}>
                {says("remove-door")}
              </button>
            </details>
          ))}
          {obstacles.items.map((o) => (
            <details key={o.id}>
              <summary className="cursor-pointer">{o.name}</summary>
              <Fields
                specs={[words("name", says("name")), choice("kind", says("is"), OBSTACLES), ...EXTENT]}
                item={o}
                onSet={(key, value, label) => void obstacles.set(o, { [key]: value }, label)}
              />
              <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void obstacles.remove(o)}>
                {says("remove")}
              </button>
            </details>
          ))}
          <div className="mt-1 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-slate"
              onClick={() => void doors.add({ side: "rear", clear_width_m: 0.8, clear_height_m: 1.5, x0_m: null, x1_m: null, sill_z_m: 0 })}
            >
              {says("add-door")}
            </button>
            <button
              type="button"
              className="btn btn-slate"
              onClick={() => void obstacles.add({ kind: "rib", x0_m: 1, x1_m: 1.05, y0_m: 0.7, y1_m: 0.8, z0_m: 0, z1_m: 1.5 })}
            >
              {says("add-rib-other-obstacle")}
            </button>
          </div>
        </>
      )}
    </>
  );
}

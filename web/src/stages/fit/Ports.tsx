/** Where runs are joined to a thing, if that isn't its middle: measured from its own lower corner as it stands upright. */
import type { Schemas } from "../../data/client";
import { Fields, quantity } from "../../parts/Fields";
import { says } from "../../words/fit";
import { useFit } from "./data";
import type { Thing } from "./geometry";
import { PORTS } from "./words";

type Size = Schemas["SizeDoc"];
const AT = [
  quantity("x_m", says("rear-2"), "length", "m"),
  quantity("y_m", says("right-2"), "length", "m"),
  quantity("z_m", says("over-bottom"), "length", "m"),
];

export function Ports({ t, size }: { t: Thing; size: Pick<Size, "ports"> }) {
  const fit = useFit();
  const ports = size.ports ?? [];
  const set = (next: typeof ports, what: string) => void fit.setSize(t, { ports: next }, what);
  const free = PORTS.filter((o) => !ports.some((p) => p.of === o.value));
  return (
    <>
      {ports.map((p, i) => {
        const word = PORTS.find((o) => o.value === p.of)!.word;
        return (
          <fieldset key={p.of} className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
            <legend className="text-[12px] text-chalk-dim">{says("where-joined-stands-upright", { word })}</legend>
            <Fields specs={AT} item={p} onSet={(key, value, label) => set(ports.with(i, { ...p, [key]: value }), `${word} ${label}`)} />
            <button
              type="button"
              className="text-[12px] text-chalk-dim underline"
              onClick={() =>
                set(
                  ports.filter((_, j) => j !== i),
                  says("joined-middle", { word }),
                )
              }
            >
              {says("middle-again")}
            </button>
          </fieldset>
        );
      })}
      {free.length > 0 && (
        <div className="my-1 flex flex-wrap items-baseline gap-2 text-[12px]">
          <span className="text-chalk-dim">{says("measured-where-joined")}</span>
          {free.map((o) => (
            <button
              key={o.value}
              type="button"
              className="underline decoration-dotted underline-offset-2"
              onClick={() =>
                set([...ports, { of: o.value, x_m: t.size[0]! / 2, y_m: t.size[1]! / 2, z_m: t.size[2]! }], says("measured-where-joined-2", { word: o.word }))
              }
            >
              {o.word}
            </button>
          ))}
        </div>
      )}
    </>
  );
}

/** Cables that are no circuits of a board: from the panels, the inlet and the inverter, bonds and earths, the trailer's own lights. */

import type { Schemas } from "../../data/client";
import { freshId } from "../../data/patch";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { ItemMark } from "../../parts/Findings";
import { Quantity } from "../../parts/Quantity";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { sizeFields } from "./edit";

type Cable = Schemas["OtherCable"];
const OWN = [
  { kind: "trailer_lights", word: says("trailer-lights") },
  { kind: "chassis_bond", word: says("chassis-bond") },
  { kind: "gas_bond", word: says("bond-gas-pipe") },
  { kind: "hull_bond", word: says("bond-hull") },
] as const;

export function OtherCables() {
  const say = useSaid();
  const { design, report, edit } = useVariant();
  const { units } = usePerson();
  const cables = (design.wiring?.others ?? []) as Cable[];
  const parts = Object.entries(report.wiring.others);
  const set = (id: string, kind: string, fields: object, what: string) => {
    const at = cables.findIndex((c) => c.id === id);
    const array = kind === "panels" && id.startsWith("pv-") && at < 0 ? id.slice(3) : null;
    const ops =
      at >= 0
        ? Object.entries(fields).map(([k, value]) => ({ op: "replace" as const, path: `/wiring/others/${at}/${k}`, value }))
        : [
            {
              op: "add" as const,
              path: "/wiring/others/-",
              value: {
                id: freshId(
                  kind,
                  cables.map((c) => c.id),
                ),
                kind,
                array,
                ...fields,
              },
            },
          ];
    void edit(ops, what);
  };
  const add = (kind: string) => set("", kind, {}, says("added-cable"));
  const free = OWN.filter((o) => !parts.some(([, p]) => p.kind === o.kind));
  if (!parts.length && !report.wiring.mains && !Object.keys(report.wiring.circuits).length) return null;
  return (
    <section aria-label={says("other-cables")} className="px-3 py-2">
      <div className="mb-1 flex flex-wrap items-baseline gap-3">
        <h2 className="m-0 font-display text-[15px] font-semibold">{says("other-cables")}</h2>
        <span className="text-[12px] text-dim">{say(says("panels-inlet-inverter-bonds"), "wiring")}</span>
        {free.length > 0 && (
          <select className="field" aria-label={says("add-another-cable")} value="" onChange={(e) => e.target.value && add(e.target.value)}>
            <option value="">{says("add")}</option>
            {free.map((o) => (
              <option key={o.kind} value={o.kind}>
                {o.word}
              </option>
            ))}
          </select>
        )}
      </div>
      {parts.length > 0 && (
        <table className="w-full border-collapse text-[13px]">
          <thead className="text-[11px] text-dim">
            <tr>
              {[
                says("head-finding"),
                says("head-code"),
                says("head-cable"),
                says("head-length"),
                says("head-size"),
                says("head-flows"),
                says("head-carries"),
                says("protected"),
                says("take-out"),
              ].map((h, i) => (
                <th key={i} scope="col" className="px-1 text-left font-semibold">
                  {i === 0 || i === 8 ? <span className="sr-only">{h}</span> : h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {parts.map(([id, p]) => {
              const c = cables.find((x) => x.id === id);
              return (
                <tr key={id} className="border-t border-line/60">
                  <td className="w-6 px-1 text-center">
                    <ItemMark subject={`other:${id}`} />
                  </td>
                  <td className="num px-1">{p.code}</td>
                  <th scope="row" className="px-1 py-1 text-left font-normal">
                    {p.name} <span className="block text-[12px] text-dim">{say(p.from_to, "wiring")}</span>
                  </th>
                  <td className="w-24 px-1">
                    <Quantity
                      className="w-full"
                      label={says("length-2", { name: p.name })}
                      value={c?.length_m ?? null}
                      dimension="length"
                      unit="m"
                      clearable
                      placeholder={show(p.length_m, "m", units)}
                      onCommit={(q) => set(id, p.kind, { length_m: q?.value ?? null }, says("length-2", { name: p.name }))}
                    />
                  </td>
                  <td className="w-28 px-1">
                    <Quantity
                      className="w-full"
                      label={says("size-2", { name: p.name })}
                      value={null}
                      text={c?.awg ? `${c.awg} AWG` : c?.area_mm2 ? say(`${c.area_mm2} mm²`, "wiring") : ""}
                      dimension="area"
                      unit="mm²"
                      clearable
                      placeholder={p.best_text}
                      onCommit={(q) => set(id, p.kind, sizeFields(q), says("size-2", { name: p.name }))}
                    />
                  </td>
                  <td className="num px-1">{p.current_a == null ? says("fault-only") : show(p.current_a, "A")}</td>
                  <td className="num px-1">{p.ampacity_a == null ? "–" : show(p.ampacity_a, "A")}</td>
                  <td className="px-1">
                    {say(p.protection, "wiring")}
                    {p.protection_a != null && <span className="num">{`, ${show(p.protection_a, "A")}`}</span>}
                  </td>
                  <td className="px-1 text-right">
                    {c ? (
                      <button
                        type="button"
                        className="text-[12px] underline"
                        aria-label={says("remove", { name: p.name })}
                        onClick={() => void edit([{ op: "remove", path: `/wiring/others/${cables.indexOf(c)}` }], says("removed", { name: p.name }))}
                      >
                        {says("remove-2")}
                      </button>
                    ) : (
                      <button
                        type="button"
                        className="text-[12px] underline"
                        onClick={() => set(id, p.kind, { area_mm2: p.best_area_mm2, awg: p.best_awg }, `${p.name}: ${p.best_text}`)}
                      >
                        {says("use", { best_text: p.best_text })}
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}

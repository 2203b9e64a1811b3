/** The mains side in the slate: how it is protected, switched over and bonded, and the leads where it is plugged together. */

import { useState } from "react";
import { show } from "../../data/show";
import { parseQuantity, readNumber } from "../../data/units";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty } from "../../parts/Property";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { SHEDDING } from "./words";

const STYLES = [
  { value: "wired", word: says("hard-wired") },
  { value: "leads", word: says("plug-leads") },
] as const;
const POLES = [
  { value: "double", word: says("double-pole") },
  { value: "single", word: says("single-pole") },
] as const;
const TRANSFERS = [
  { value: "automatic", word: says("automatic") },
  { value: "changeover", word: says("switch") },
  { value: "separate", word: says("kept-separate") },
  { value: "joined", word: says("joined") },
] as const;
const BONDS = [
  { value: "relay", word: says("relay") },
  { value: "permanent", word: says("permanent") },
  { value: "none", word: says("none-2") },
] as const;

const RCD_TYPES = [
  { value: "", word: says("not-entered") },
  { value: "ac", word: says("ac") },
  { value: "a", word: "A" },
  { value: "f", word: "F" },
  { value: "b", word: "B" },
] as const;
const GALVANIC = [
  { value: "", word: says("not-entered") },
  { value: "none", word: says("nothing") },
  { value: "isolator", word: says("galvanic-isolator") },
  { value: "transformer", word: says("isolating-transformer") },
] as const;

/** "2 at 8; 5 at 14" or "2; 5 ft" as leads in stock, a bare length in the reader's unit; null when it makes no sense. */
export function stockOf(text: string, unit: "m" | "ft" = "m"): { length_m: number; cost: number }[] | null {
  try {
    return text
      .split(";")
      .map((p) => p.trim())
      .filter(Boolean)
      .map((p) => {
        const [length, price, ...more] = p.split(/\s+at\s+/);
        const length_m = parseQuantity(length ?? "", "length", unit).value;
        const cost = price === undefined ? length_m : readNumber(price);
        if (more.length || !(length_m > 0) || !(cost >= 0)) throw new RangeError(p);
        return { length_m, cost };
      });
  } catch {
    return null;
  }
}

/** The leads that can be had, in one field. */
function Stock({ value, onSet }: { value: { length_m: number; cost?: number }[]; onSet: (stock: { length_m: number; cost: number }[]) => void }) {
  const { units } = usePerson();
  const [refused, setRefused] = useState(false);
  const text = value.map((s) => says("at", { length: units === "us" ? show(s.length_m, "m", units) : String(s.length_m), cost: s.cost ?? 0 })).join("; ");
  return (
    <Property label={says("lead-lengths-you-can")} note={refused ? says("not-understood-example") : says("example")}>
      <input
        key={text}
        className="field-slate num w-full"
        aria-label={says("lead-lengths-you-can")}
        aria-invalid={refused}
        defaultValue={text}
        placeholder="1; 2; 3; 5; 10"
        onBlur={(e) => {
          const stock = stockOf(e.target.value, units === "us" ? "ft" : "m");
          setRefused(stock === null);
          if (stock && e.target.value !== text) onSet(stock);
        }}
      />
    </Property>
  );
}

/** What stays on first when more would run than the supply carries, in order. */
function Keep({ value, onSet }: { value: string[]; onSet: (keep: string[]) => void }) {
  const { design } = useVariant();
  const on = new Set((design.wiring?.circuits ?? []).filter((c) => c.kind === "ac").flatMap((c) => c.appliances ?? []));
  const all = (design.life?.appliances ?? []).filter((a) => on.has(a.id));
  if (all.length < 2) return null;
  return (
    <section aria-label={says("what-stays")}>
      <ol className="m-0 list-decimal pl-5">
        {value.map((id, i) => (
          <li key={id} className="py-0.5">
            <span className="flex justify-between gap-2">
              <span className="truncate">{says("stays", { name: all.find((a) => a.id === id)?.name ?? id })}</span>
              <span className="flex gap-2">
                {i > 0 && (
                  <button
                    type="button"
                    className="text-[12px] text-chalk-dim underline"
                    onClick={() => onSet([...value.slice(0, i - 1), id, value[i - 1]!, ...value.slice(i + 1)])}
                  >
                    {says("earlier")}
                  </button>
                )}
                <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => onSet(value.filter((x) => x !== id))}>
                  {says("drop")}
                </button>
              </span>
            </span>
          </li>
        ))}
      </ol>
      <select className="field-slate w-full" aria-label={says("keep")} value="" onChange={(e) => e.target.value && onSet([...value, e.target.value])}>
        <option value="">{value.length ? says("then") : says("what-stays-first")}</option>
        {all
          .filter((a) => !value.includes(a.id))
          .map((a) => (
            <option key={a.id} value={a.id}>
              {a.name}
            </option>
          ))}
      </select>
    </section>
  );
}

export function MainsSide() {
  const say = useSaid();
  const { design, report, edit } = useVariant();
  const m = design.wiring?.mains;
  const part = report.wiring.mains;
  if (!part) return null;
  const set = (key: string, value: unknown, what: string) =>
    void edit(
      [m ? { op: "replace", path: `/wiring/mains/${key}`, value } : { op: "replace", path: "/wiring/mains", value: { poles: part.usual_poles, [key]: value } }],
      says("mains-2", { what }),
    );
  const codes = report.wiring.circuits;
  return (
    <section aria-label={say(says("mains-side"), "wiring")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say(says("mains-side"), "wiring")}</h3>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        {say(says("design-aid-only-mains"), "wiring")}
        {say(report.licensed)}
        {say(says("press-test-button-each"), "wiring")}
      </p>
      <HeadroomBar label={says("current-supply")} need={part.supply_a} have={part.limit_a} unit="A" margin={0.1} />
      <SlateFig k="mains/supply_a" />
      <SlateFig k="mains/limit_a" />
      <ChoiceProperty
        label={says("when-too-much-runs")}
        value={m?.shedding ?? "none"}
        options={SHEDDING}
        onSet={(v) => set("shedding", v, says("load-shedding"))}
      />
      {part.shed.length > 0 && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {says("together-may-run-off", { together: part.together.join(", ") || says("nothing"), shed: part.shed.join(", ") })}
        </p>
      )}
      <Keep value={m?.keep ?? []} onSet={(keep) => set("keep", keep, says("what-stays-2"))} />
      <ChoiceProperty label={says("made")} value={m?.style ?? "wired"} options={STYLES} onSet={(v) => set("style", v, says("made"))} />
      <FlagProperty
        label={says("shore-power", { residual_device: part.residual_device.replace(/^a /, "") })}
        note={part.usual_poles === "double" ? says("cutting-all-live-conductors") : says("ma-outlets")}
        value={m?.rcd ?? true}
        onSet={(on) => set("rcd", on, says("residual-current-device"))}
      />
      <FlagProperty
        label={says("another-behind-inverter")}
        value={m?.inverter_rcd ?? true}
        onSet={(on) => set("inverter_rcd", on, says("device-behind-inverter"))}
      />
      <ChoiceProperty label={says("breakers")} value={m?.poles ?? "double"} options={POLES} onSet={(v) => set("poles", v, says("poles-breakers"))} />
      {design.region === "au" && (
        <FlagProperty
          label={say(says("sockets-double-pole-switches"), "wiring")}
          value={m?.sockets_double_pole ?? true}
          onSet={(on) => set("sockets_double_pole", on, says("socket-switches"))}
        />
      )}
      <ChoiceProperty label={says("shore-inverter")} value={m?.transfer ?? "automatic"} options={TRANSFERS} onSet={(v) => set("transfer", v, "change-over")} />
      <ChoiceProperty
        label={say(says("inverters-neutral-earth-bond"), "wiring")}
        value={m?.bond ?? "relay"}
        options={BONDS}
        onSet={(v) => set("bond", v, says("neutral-earth-bond"))}
      />
      <QuantityProperty
        label={say(says("earth-chassis"), "wiring")}
        note={say(says("mm-more"), "wiring")}
        value={m ? m.chassis_bond_mm2 : 4}
        dimension="area"
        unit="mm²"
        clearable
        placeholder={says("no-bond")}
        onSet={(v) => set("chassis_bond_mm2", v, says("earth-chassis"))}
      />
      <ChoiceProperty
        label={says("device-type")}
        value={m?.rcd_type ?? ""}
        options={RCD_TYPES}
        onSet={(v) => set("rcd_type", v || null, says("type-residual-current-device"))}
      />
      <QuantityProperty
        label={says("breaker-inlet")}
        value={m?.inlet_breaker_a}
        dimension="current"
        unit="A"
        clearable
        placeholder={says("none-entered")}
        onSet={(v) => set("inlet_breaker_a", v, says("breaker-inlet"))}
      />
      <QuantityProperty
        label={say(says("hook-up-lead-length"), "wiring")}
        value={m?.hookup_length_m}
        dimension="length"
        unit="m"
        clearable
        placeholder={says("usual")}
        onSet={(v) => set("hookup_length_m", v, says("hook-up-lead"))}
      />
      <QuantityProperty
        label={say(says("hook-up-lead-size"), "wiring")}
        value={m?.hookup_mm2}
        dimension="area"
        unit="mm²"
        clearable
        placeholder={report.wire_series === "awg" ? "10 AWG" : say("2.5 mm²", "wiring")}
        onSet={(v) => set("hookup_mm2", v, says("size-hook-up-lead"))}
      />
      <FlagProperty label={says("surge-protector-inlet")} value={m?.surge ?? false} onSet={(on) => set("surge", on, says("surge-protector"))} />
      {(design.vehicle?.preset === "boat" || m?.galvanic) && (
        <ChoiceProperty
          label={say(says("between-shores-earth-hull"), "wiring")}
          value={m?.galvanic ?? ""}
          options={GALVANIC}
          onSet={(v) => set("galvanic", v || null, says("galvanic-isolator-2"))}
        />
      )}
      {m?.style === "leads" && (
        <>
          <QuantityProperty
            label={says("leads")}
            value={m.lead_mm2}
            dimension="area"
            unit="mm²"
            clearable
            placeholder={report.wire_series === "awg" ? "14 AWG" : say("1.5 mm²", "wiring")}
            onSet={(v) => set("lead_mm2", v, says("size-leads"))}
          />
          <QuantityProperty
            label={says("leads-joined-most")}
            value={m.leads_joined_count}
            dimension="count"
            unit=""
            onSet={(v) => set("leads_joined_count", Math.round(v ?? 1), says("leads-joined"))}
          />
          <Stock value={m.stock ?? []} onSet={(stock) => set("stock", stock, says("lead-lengths"))} />
          <p className="my-1 text-[12px] text-chalk-dim">{says("splitters-where-leads-branch", { splitter_count: part.splitter_count })}</p>
          <ul className="m-0 list-none p-0">
            {Object.entries(part.legs).map(([id, leg]) => (
              <li key={id} className="border-b border-slate-2 py-0.5">
                <div className="flex justify-between gap-2">
                  <span>{codes[id]?.code}</span>
                  <span className="num">{leg.leads_m.length ? say(`${leg.leads_m.join(" + ")} m`, "wiring") : says("no-lead-reaches")}</span>
                </div>
                <SlateFig k={`mains/${id}/drop_frac`} label={says("lost-supply")} />
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** The mains side in the slate: how it is protected, switched over and bonded, and the leads where it is plugged together. */

import { useState } from "react";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { SHEDDING } from "./words";

const STYLES = [
  { value: "wired", word: "hard-wired" },
  { value: "leads", word: "plug-in leads" },
] as const;
const POLES = [
  { value: "double", word: "double-pole" },
  { value: "single", word: "single-pole" },
] as const;
const TRANSFERS = [
  { value: "automatic", word: "automatic" },
  { value: "changeover", word: "by a switch" },
  { value: "separate", word: "kept separate" },
  { value: "joined", word: "joined" },
] as const;
const BONDS = [
  { value: "relay", word: "by relay" },
  { value: "permanent", word: "permanent" },
  { value: "none", word: "none" },
] as const;

const RCD_TYPES = [
  { value: "", word: "not entered" },
  { value: "ac", word: "AC" },
  { value: "a", word: "A" },
  { value: "f", word: "F" },
  { value: "b", word: "B" },
] as const;
const GALVANIC = [
  { value: "", word: "not entered" },
  { value: "none", word: "nothing" },
  { value: "isolator", word: "a galvanic isolator" },
  { value: "transformer", word: "an isolating transformer" },
] as const;

/** "2 at 8; 5 at 14" or "2; 5" as leads in stock; null when it makes no sense. */
export function stockOf(text: string): { length_m: number; cost: number }[] | null {
  const parts = text
    .split(";")
    .map((p) => p.trim())
    .filter(Boolean)
    .map((p) => p.match(/^(\d+(?:[.,]\d+)?)\s*m?(?:\s+at\s+(\d+(?:[.,]\d+)?))?$/));
  if (parts.some((p) => !p || Number(p[1]?.replace(",", ".")) <= 0)) return null;
  const number = (t: string | undefined) => Number((t ?? "0").replace(",", "."));
  return parts.map((p) => ({ length_m: number(p?.[1]), cost: p?.[2] ? number(p[2]) : number(p?.[1]) }));
}

/** The leads that can be had, in one field. */
function Stock({ value, onSet }: { value: { length_m: number; cost?: number }[]; onSet: (stock: { length_m: number; cost: number }[]) => void }) {
  const [refused, setRefused] = useState(false);
  const text = value.map((s) => `${s.length_m} at ${s.cost ?? 0}`).join("; ");
  return (
    <Property label="lead lengths you can buy, with price" note={refused ? "not understood; for example 2 at 8; 5 at 14" : "for example 2 at 8; 5 at 14"}>
      <input
        key={text}
        className="field-slate num w-full"
        aria-label="lead lengths you can buy, with price"
        aria-invalid={refused}
        defaultValue={text}
        placeholder="1; 2; 3; 5; 10"
        onBlur={(e) => {
          const stock = stockOf(e.target.value);
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
    <section aria-label="What stays on">
      <ol className="m-0 list-decimal pl-5">
        {value.map((id, i) => (
          <li key={id} className="py-0.5">
            <span className="flex justify-between gap-2">
              <span className="truncate">{all.find((a) => a.id === id)?.name ?? id} stays on</span>
              <span className="flex gap-2">
                {i > 0 && (
                  <button
                    type="button"
                    className="text-[12px] text-chalk-dim underline"
                    onClick={() => onSet([...value.slice(0, i - 1), id, value[i - 1]!, ...value.slice(i + 1)])}
                  >
                    earlier
                  </button>
                )}
                <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => onSet(value.filter((x) => x !== id))}>
                  drop
                </button>
              </span>
            </span>
          </li>
        ))}
      </ol>
      <select className="field-slate w-full" aria-label="Keep on" value="" onChange={(e) => e.target.value && onSet([...value, e.target.value])}>
        <option value="">{value.length ? "and then…" : "what stays on first…"}</option>
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
      `mains: ${what}`,
    );
  const codes = report.wiring.circuits;
  return (
    <section aria-label={say("Mains side", "wiring")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say("Mains side", "wiring")}</h3>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        {say("A design aid only. Mains can kill: design, connection, inspection and certificate belong to the electrician. ", "wiring")}
        {say(report.licensed)}
        {say(" Press the test button at each hook-up.", "wiring")}
      </p>
      <HeadroomBar label="current from the supply" need={part.supply_a} have={part.limit_a} unit="A" margin={0.1} />
      <SlateFig k="mains/supply_a" />
      <SlateFig k="mains/limit_a" />
      <ChoiceProperty label="when too much runs" value={m?.shedding ?? "none"} options={SHEDDING} onSet={(v) => set("shedding", v, "load shedding")} />
      {part.shed.length > 0 && (
        <p className="my-1 text-[12px] text-chalk-dim">
          Together may run: {part.together.join(", ") || "nothing"}. Off meanwhile: {part.shed.join(", ")}.
        </p>
      )}
      <Keep value={m?.keep ?? []} onSet={(keep) => set("keep", keep, "what stays on")} />
      <ChoiceProperty label="made as" value={m?.style ?? "wired"} options={STYLES} onSet={(v) => set("style", v, "made as")} />
      <FlagProperty
        label={`${part.residual_device.replace(/^a /, "")} on shore power`}
        note={part.usual_poles === "double" ? "cutting all live conductors" : "4 to 6 mA at the outlets"}
        value={m?.rcd ?? true}
        onSet={(on) => set("rcd", on, "residual-current device")}
      />
      <FlagProperty label="another behind the inverter" value={m?.inverter_rcd ?? true} onSet={(on) => set("inverter_rcd", on, "device behind the inverter")} />
      <ChoiceProperty label="breakers" value={m?.poles ?? "double"} options={POLES} onSet={(v) => set("poles", v, "poles of the breakers")} />
      {design.region === "au" && (
        <FlagProperty
          label={say("sockets with double-pole switches", "wiring")}
          value={m?.sockets_double_pole ?? true}
          onSet={(on) => set("sockets_double_pole", on, "socket switches")}
        />
      )}
      <ChoiceProperty label="shore and inverter" value={m?.transfer ?? "automatic"} options={TRANSFERS} onSet={(v) => set("transfer", v, "change-over")} />
      <ChoiceProperty
        label={say("inverter’s neutral-earth bond", "wiring")}
        value={m?.bond ?? "relay"}
        options={BONDS}
        onSet={(v) => set("bond", v, "neutral-earth bond")}
      />
      <QuantityProperty
        label={say("earth to chassis", "wiring")}
        note={say("4 mm² or more", "wiring")}
        value={m ? m.chassis_bond_mm2 : 4}
        dimension="area"
        unit="mm²"
        clearable
        placeholder="no bond"
        onSet={(v) => set("chassis_bond_mm2", v, "earth to chassis")}
      />
      <ChoiceProperty
        label="that device is of type"
        value={m?.rcd_type ?? ""}
        options={RCD_TYPES}
        onSet={(v) => set("rcd_type", v || null, "type of the residual-current device")}
      />
      <QuantityProperty
        label="breaker at the inlet"
        value={m?.inlet_breaker_a}
        dimension="current"
        unit="A"
        clearable
        placeholder="none entered"
        onSet={(v) => set("inlet_breaker_a", v, "breaker at the inlet")}
      />
      <QuantityProperty
        label={say("hook-up lead, length", "wiring")}
        value={m?.hookup_length_m}
        dimension="length"
        unit="m"
        clearable
        placeholder="usual"
        onSet={(v) => set("hookup_length_m", v, "hook-up lead")}
      />
      <QuantityProperty
        label={say("hook-up lead, size", "wiring")}
        value={m?.hookup_mm2}
        dimension="area"
        unit="mm²"
        clearable
        placeholder={report.wire_series === "awg" ? "10 AWG" : say("2.5 mm²", "wiring")}
        onSet={(v) => set("hookup_mm2", v, "size of the hook-up lead")}
      />
      <FlagProperty label="surge protector at the inlet" value={m?.surge ?? false} onSet={(on) => set("surge", on, "surge protector")} />
      {(design.vehicle?.preset === "boat" || m?.galvanic) && (
        <ChoiceProperty
          label={say("between shore’s earth and hull", "wiring")}
          value={m?.galvanic ?? ""}
          options={GALVANIC}
          onSet={(v) => set("galvanic", v || null, "galvanic isolator")}
        />
      )}
      {m?.style === "leads" && (
        <>
          <QuantityProperty
            label="leads"
            value={m.lead_mm2}
            dimension="area"
            unit="mm²"
            clearable
            placeholder={report.wire_series === "awg" ? "14 AWG" : say("1.5 mm²", "wiring")}
            onSet={(v) => set("lead_mm2", v, "size of the leads")}
          />
          <QuantityProperty
            label="leads joined at most"
            value={m.leads_joined_count}
            dimension="count"
            unit=""
            onSet={(v) => set("leads_joined_count", Math.round(v ?? 1), "leads joined")}
          />
          <Stock value={m.stock ?? []} onSet={(stock) => set("stock", stock, "lead lengths")} />
          <p className="my-1 text-[12px] text-chalk-dim">{part.splitter_count} splitters where leads branch.</p>
          <ul className="m-0 list-none p-0">
            {Object.entries(part.legs).map(([id, leg]) => (
              <li key={id} className="border-b border-slate-2 py-0.5">
                <div className="flex justify-between gap-2">
                  <span>{codes[id]?.code}</span>
                  <span className="num">{leg.leads_m.length ? say(`${leg.leads_m.join(" + ")} m`, "wiring") : "no lead reaches"}</span>
                </div>
                <SlateFig k={`mains/${id}/drop_frac`} label="lost from the supply" />
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** Raceways as a ledger, and one of them in the slate: its size, what lies in it, what is beside it. */
import { type ReactNode, useCallback } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig, SlateFig } from "../../parts/Fig";
import { FindingList, ItemMark } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { type Column, Ledger } from "../../parts/Ledger";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { type Raceway, useRaceways } from "./routes";
import { RACEWAY_KINDS, SIGNALS } from "./words";

const inside = (r: Raceway) =>
  r.inner_diameter_mm != null ? `⌀ ${r.inner_diameter_mm} mm` : r.width_mm != null && r.height_mm != null ? `${r.width_mm} × ${r.height_mm} mm` : "";

/** Fields that another kind cannot have are cleared with the change. */
const asKind = (kind: string): Partial<Raceway> => ({
  kind: kind as Raceway["kind"],
  ...(kind !== "conduit" ? { inner_diameter_mm: null } : {}),
  ...(kind !== "trunking" ? { width_mm: null, height_mm: null } : {}),
});

export function RacewayLedger({ fresh, onFresh, empty }: { fresh: string | null; onFresh: (id: string | null) => void; empty: ReactNode }) {
  const { report } = useVariant();
  const { units } = usePerson();
  const { items, set, remove, move, duplicate, add } = useRaceways();
  const hand = useHand();
  const part = (r: Raceway) => report.wiring.raceways[r.id];
  const columns: Column<Raceway>[] = [
    { key: "name", label: "raceway", width: "28%", kind: "text", show: (r) => r.name, value: (r) => r.name, set: (r, name) => void set(r, { name }, "name") },
    {
      key: "kind",
      label: "made as",
      width: "14%",
      kind: "choice",
      options: RACEWAY_KINDS,
      show: (r) => RACEWAY_KINDS.find((k) => k.value === r.kind)?.word,
      value: (r) => r.kind ?? "conduit",
      set: (r, v) => void set(r, asKind(v), "made as"),
    },
    { key: "inside", label: "inside", width: "12%", align: "right", kind: "computed", show: (r) => inside(r) || <span className="text-dim">not entered</span> },
    {
      key: "length",
      label: "length",
      width: "10%",
      align: "right",
      kind: "quantity",
      show: (r) => show(r.length_m, "m", units),
      value: (r) => r.length_m,
      dimension: "length",
      unit: "m",
      clearable: true,
      set: (r, q) => void set(r, { length_m: q?.value ?? null }, "length"),
    },
    {
      key: "holds",
      label: "circuits in it",
      width: "22%",
      kind: "computed",
      show: (r) => part(r)?.codes.join(" ") || <span className="text-dim">none yet</span>,
    },
    {
      key: "full",
      label: "full",
      width: "10%",
      align: "right",
      kind: "computed",
      show: (r) => (
        <span className={part(r)?.ok === false ? "font-semibold text-rust" : ""}>
          <Fig k={`raceways/${r.id}/fill_frac`} />
        </span>
      ),
    },
  ];
  return (
    <Ledger
      label="Raceways"
      rows={items}
      columns={columns}
      id={useCallback((r: Raceway) => r.id, [])}
      selected={hand.kind === "raceway" ? hand.id : undefined}
      onSelect={(r) => hand.pick("raceway", r.id)}
      onAdd={async () => onFresh(await add())}
      onRemove={(r) => void remove(r)}
      onDuplicate={(r) => onFresh(duplicate(r))}
      onMove={(r, by) => void move(r, by)}
      mark={(r) => <ItemMark subject={r.id} />}
      focusNew={fresh}
      empty={empty}
    />
  );
}

function Signals({ r }: { r: Raceway }) {
  const { set } = useRaceways();
  const signals = r.signals ?? [];
  const put = (i: number, fields: object) => void set(r, { signals: signals.map((s, k) => (k === i ? { ...s, ...fields } : s)) }, "signal cables");
  return (
    <section aria-label="Signal cables">
      <h3 className="mb-1 mt-3 font-display text-[14px]">Signal cables in it</h3>
      {signals.map((s, i) => (
        <div key={i} className="border-b border-slate-2 py-1">
          <ChoiceProperty label="what" value={s.kind} options={SIGNALS} onSet={(kind) => put(i, { kind })} />
          <QuantityProperty
            label="from the power cables"
            value={s.gap_mm}
            dimension="length"
            unit="mm"
            clearable
            placeholder="touching"
            onSet={(v) => put(i, { gap_mm: v == null ? null : Math.round(v * 1000) })}
          />
          <FlagProperty label="screened" value={s.screened ?? false} onSet={(screened) => put(i, { screened })} />
          <button
            type="button"
            className="text-[12px] text-chalk-dim underline"
            onClick={() => void set(r, { signals: signals.filter((_, k) => k !== i) }, "took a signal cable out")}
          >
            take out
          </button>
        </div>
      ))}
      <select
        className="field-slate w-full"
        aria-label="Put a signal cable into it"
        value=""
        onChange={(e) =>
          e.target.value && void set(r, { signals: [...signals, { kind: e.target.value as "usb", count: 1, screened: false }] }, "a signal cable")
        }
      >
        <option value="">put a signal cable into it…</option>
        {SIGNALS.map((s) => (
          <option key={s.value} value={s.value}>
            {s.word}
          </option>
        ))}
      </select>
    </section>
  );
}

export function RacewaySlate({ r }: { r: Raceway }) {
  const say = useSaid();
  const { report, design } = useVariant();
  const { set, lay, remove } = useRaceways();
  const part = report.wiring.raceways[r.id];
  const mm = (
    key: "inner_diameter_mm" | "width_mm" | "height_mm" | "clip_spacing_mm" | "gas_distance_mm" | "flue_distance_mm",
    label: string,
    more: object = {},
  ) => (
    <QuantityProperty
      label={label}
      value={r[key]}
      dimension="length"
      unit="mm"
      clearable
      onSet={(v) => void set(r, { [key]: v == null ? null : Math.round(v * 10000) / 10 }, label)}
      {...more}
    />
  );
  const count = (key: "metal_holes_count" | "grommets_count", label: string) => (
    <QuantityProperty label={label} value={r[key]} dimension="count" unit="" onSet={(v) => void set(r, { [key]: Math.round(v ?? 0) }, label)} />
  );
  return (
    <Slate title={r.name} sub={`${part?.cable_count ?? 0} cables`}>
      <FindingList findings={report.findings.filter((f) => f.subject === r.id)} />
      {part?.fill_frac != null && part.limit_frac != null && (
        <HeadroomBar label="how full it is" need={part.fill_frac} have={part.limit_frac} unit="%" margin={0} />
      )}
      <SlateFig k={`raceways/${r.id}/fill_frac`} />
      <SlateFig k={`raceways/${r.id}/required_inner_diameter_mm`} />
      <TextProperty label="name" value={r.name} maxLength={120} onSet={(name) => name.trim() && void set(r, { name: name.trim() }, "name")} />
      <ChoiceProperty label="made as" value={r.kind ?? "conduit"} options={RACEWAY_KINDS} onSet={(v) => void set(r, asKind(v), "made as")} />
      {(r.kind ?? "conduit") === "conduit" &&
        mm("inner_diameter_mm", "inside diameter", { note: part?.suggested_mm != null ? say(`${part.suggested_mm} mm would do`, "wiring") : undefined })}
      {r.kind === "trunking" && mm("width_mm", "inside width")}
      {r.kind === "trunking" && mm("height_mm", "inside height")}
      <QuantityProperty label="length" value={r.length_m} dimension="length" unit="m" clearable onSet={(v) => void set(r, { length_m: v }, "length")} />
      {r.kind !== "open" && (
        <FlagProperty
          label={say("a partition between mains and low voltage", "wiring")}
          note={say("or all insulation in it made for mains", "wiring")}
          value={r.partition ?? false}
          onSet={(partition) => void set(r, { partition }, "partition")}
        />
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">Circuits in it</h3>
      {(design.wiring?.circuits ?? []).map((c) => (
        <FlagProperty
          key={c.id}
          label={`${report.wiring.circuits[c.id]?.code ?? ""} ${c.name}`}
          value={c.raceways?.includes(r.id) ?? false}
          onSet={(on) => void lay(c, r.id, on)}
        />
      ))}
      <Signals r={r} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Its way</h3>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        {say("Before drilling, look at both sides: fuel, gas, brake lines, airbags, beams of the curtain. Nothing passes through a gas locker.", "wiring")}
      </p>
      <FlagProperty label="runs upright" value={r.upright ?? false} onSet={(upright) => void set(r, { upright }, "upright")} />
      {mm("clip_spacing_mm", "clips apart", { placeholder: "not entered" })}
      {count("metal_holes_count", "holes through metal")}
      {count("grommets_count", "with a grommet or trim")}
      {mm("gas_distance_mm", "from a gas pipe beside it", { note: say("100 mm or more", "wiring"), placeholder: "none there" })}
      <FlagProperty
        label={say("passes a gas locker", "wiring")}
        value={r.in_gas_locker ?? false}
        onSet={(in_gas_locker) => void set(r, { in_gas_locker }, "gas locker")}
      />
      {mm("flue_distance_mm", "from a flame or flue", { note: say("300 mm or more", "wiring"), placeholder: "none there" })}
      <TextProperty label="note" area value={r.note ?? ""} onSet={(note) => void set(r, { note }, "note")} />
      <button type="button" className="btn btn-slate mt-2" onClick={() => void remove(r)}>
        Remove this raceway
      </button>
    </Slate>
  );
}

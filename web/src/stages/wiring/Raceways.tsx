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
import { says } from "../../words/wiring";
import { type Raceway, useRaceways } from "./routes";
import { RACEWAY_KINDS, SIGNALS } from "./words";

const inside = (r: Raceway) =>
  r.inner_diameter_mm != null
    ? says("mm-2", { inner_diameter_mm: r.inner_diameter_mm })
    : r.width_mm != null && r.height_mm != null
      ? `${r.width_mm} × ${r.height_mm} mm`
      : "";

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
    {
      key: "name",
      label: says("raceway"),
      width: "28%",
      kind: "text",
      show: (r) => r.name,
      value: (r) => r.name,
      set: (r, name) => void set(r, { name }, says("name")),
    },
    {
      key: "kind",
      label: says("made"),
      width: "14%",
      kind: "choice",
      options: RACEWAY_KINDS,
      show: (r) => RACEWAY_KINDS.find((k) => k.value === r.kind)?.word,
      value: (r) => r.kind ?? "conduit",
      set: (r, v) => void set(r, asKind(v), says("made")),
    },
    {
      key: "inside",
      label: says("inside"),
      width: "12%",
      align: "right",
      kind: "computed",
      show: (r) => inside(r) || <span className="text-dim">{says("not-entered")}</span>,
    },
    {
      key: "length",
      label: says("length"),
      width: "10%",
      align: "right",
      kind: "quantity",
      show: (r) => show(r.length_m, "m", units),
      value: (r) => r.length_m,
      dimension: "length",
      unit: "m",
      clearable: true,
      set: (r, q) => void set(r, { length_m: q?.value ?? null }, says("length")),
    },
    {
      key: "holds",
      label: says("circuits"),
      width: "22%",
      kind: "computed",
      show: (r) => part(r)?.codes.join(" ") || <span className="text-dim">{says("none-yet")}</span>,
    },
    {
      key: "full",
      label: says("full"),
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
      label={says("raceways")}
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
  const put = (i: number, fields: object) => void set(r, { signals: signals.map((s, k) => (k === i ? { ...s, ...fields } : s)) }, says("signal-cables"));
  return (
    <section aria-label={says("signal-cables-2")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("signal-cables-3")}</h3>
      {signals.map((s, i) => (
        <div key={i} className="border-b border-slate-2 py-1">
          <ChoiceProperty label={says("what-3")} value={s.kind} options={SIGNALS} onSet={(kind) => put(i, { kind })} />
          <QuantityProperty
            label={says("power-cables")}
            value={s.gap_mm}
            dimension="length"
            unit="mm"
            clearable
            placeholder={says("touching")}
            onSet={(v) => put(i, { gap_mm: v == null ? null : Math.round(v * 1000) })}
          />
          <FlagProperty label={says("screened")} value={s.screened ?? false} onSet={(screened) => put(i, { screened })} />
          <button
            type="button"
            className="text-[12px] text-chalk-dim underline"
            onClick={() => void set(r, { signals: signals.filter((_, k) => k !== i) }, says("took-signal-cable-out"))}
          >
            {says("take-out")}
          </button>
        </div>
      ))}
      <select
        className="field-slate w-full"
        aria-label={says("put-signal-cable-into")}
        value=""
        onChange={(e) =>
          e.target.value && void set(r, { signals: [...signals, { kind: e.target.value as "usb", count: 1, screened: false }] }, says("signal-cable"))
        }
      >
        <option value="">{says("put-signal-cable-into-2")}</option>
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
    <Slate title={r.name} sub={says("cables", { cable_count: part?.cable_count ?? 0 })}>
      <FindingList findings={report.findings.filter((f) => f.subject === r.id)} />
      {part?.fill_frac != null && part.limit_frac != null && (
        <HeadroomBar label={says("how-full")} need={part.fill_frac} have={part.limit_frac} unit="%" margin={0} />
      )}
      <SlateFig k={`raceways/${r.id}/fill_frac`} />
      <SlateFig k={`raceways/${r.id}/required_inner_diameter_mm`} />
      <TextProperty label={says("name")} value={r.name} maxLength={120} onSet={(name) => name.trim() && void set(r, { name: name.trim() }, says("name"))} />
      <ChoiceProperty label={says("made")} value={r.kind ?? "conduit"} options={RACEWAY_KINDS} onSet={(v) => void set(r, asKind(v), says("made"))} />
      {(r.kind ?? "conduit") === "conduit" &&
        mm("inner_diameter_mm", says("inside-diameter"), {
          note: part?.suggested_mm != null ? say(says("mm-would-do", { suggested_mm: part.suggested_mm }), "wiring") : undefined,
        })}
      {r.kind === "trunking" && mm("width_mm", says("inside-width"))}
      {r.kind === "trunking" && mm("height_mm", says("inside-height"))}
      <QuantityProperty
        label={says("length")}
        value={r.length_m}
        dimension="length"
        unit="m"
        clearable
        onSet={(v) => void set(r, { length_m: v }, says("length"))}
      />
      {r.kind !== "open" && (
        <FlagProperty
          label={say(says("partition-between-mains-low"), "wiring")}
          note={say(says("all-insulation-made-mains"), "wiring")}
          value={r.partition ?? false}
          onSet={(partition) => void set(r, { partition }, says("partition"))}
        />
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("circuits-2")}</h3>
      {(design.wiring?.circuits ?? []).map((c) => (
        <FlagProperty
          key={c.id}
          label={`${report.wiring.circuits[c.id]?.code ?? ""} ${c.name}`}
          value={c.raceways?.includes(r.id) ?? false}
          onSet={(on) => void lay(c, r.id, on)}
        />
      ))}
      <Signals r={r} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("way")}</h3>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">{say(says("before-drilling-look-both"), "wiring")}</p>
      <FlagProperty label={says("runs-upright")} value={r.upright ?? false} onSet={(upright) => void set(r, { upright }, says("upright"))} />
      {mm("clip_spacing_mm", says("clips-apart"), { placeholder: says("not-entered") })}
      {count("metal_holes_count", says("holes-through-metal"))}
      {count("grommets_count", says("grommet-trim"))}
      {mm("gas_distance_mm", says("gas-pipe-beside"), { note: say(says("mm-more-2"), "wiring"), placeholder: says("none-there") })}
      <FlagProperty
        label={say(says("passes-gas-locker"), "wiring")}
        value={r.in_gas_locker ?? false}
        onSet={(in_gas_locker) => void set(r, { in_gas_locker }, says("gas-locker"))}
      />
      {mm("flue_distance_mm", says("flame-flue"), { note: say(says("mm-more-3"), "wiring"), placeholder: says("none-there") })}
      <TextProperty label={says("note")} area value={r.note ?? ""} onSet={(note) => void set(r, { note }, says("note"))} />
      <button type="button" className="btn btn-slate mt-2" onClick={() => void remove(r)}>
        {says("remove-raceway")}
      </button>
    </Slate>
  );
}

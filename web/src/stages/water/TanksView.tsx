/** Tanks: shapes, heights, gauges, how they are held, and what joins them. */
import { useState } from "react";
import { show, sizeOf, smallLength, type UnitSystem } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, type FieldSpec, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/water";
import { BOX, type Join, type Prism, useJoins, useTanks, useWater, type WaterTank } from "./edit";
import { heats, lineOf } from "./lineOf";
import { Sentence } from "./Sentence";
import { WaterPicture } from "./WaterPicture";
import { FILLS, HELD, HOLDS, PLACES, SENDERS, SHAPES, VIEWS, wordOf } from "./words";

const CAUTION = says("litre-kilogram-low-near");
const metres = <K extends string>(key: K, label: string, more: object = {}) => quantity(key, label, "length", "m", more);

function partSpecs(p: Prism): FieldSpec<Prism>[] {
  const of: Record<Prism["shape"], FieldSpec<Prism>[]> = {
    box: [metres("length_m", says("long-along-vehicle")), metres("width_m", says("wide")), metres("height_m", says("high"))],
    cylinder_vertical: [metres("diameter_m", says("across")), metres("height_m", says("high"))],
    cylinder_horizontal: [metres("diameter_m", says("across")), metres("length_m", says("long"))],
    polygon: [metres("length_m", says("long-along-vehicle"))],
  };
  return [
    choice("shape", says("shape"), SHAPES),
    choice("op", says("it-is"), [
      { value: "add", word: says("part-of-tank") },
      { value: "cut", word: says("cut-out") },
    ]),
    ...of[p.shape],
    metres("base_z_m", says("begins-over-tanks-zero")),
  ];
}

/** A part's sizes for another shape, keeping what still fits. */
export function reshaped(p: Prism, shape: string): Prism {
  const tall = p.height_m ?? p.diameter_m ?? 0.3;
  const long = p.length_m ?? p.diameter_m ?? 0.6;
  const wide = p.width_m ?? p.diameter_m ?? 0.4;
  const base = { shape, op: p.op, base_z_m: p.base_z_m } as Prism;
  if (shape === "box") return { ...base, length_m: long, width_m: wide, height_m: tall };
  if (shape === "cylinder_vertical") return { ...base, diameter_m: wide, height_m: tall };
  if (shape === "cylinder_horizontal") return { ...base, diameter_m: tall, length_m: long };
  return {
    ...base,
    length_m: long,
    vertices_yz_m: [
      [0, 0],
      [wide, 0],
      [wide, tall / 2],
      [wide / 2, tall],
      [0, tall],
    ],
  };
}

/** The corners of a drawn section as text: "0 0, 500 0, 500 200" in the unit that sizes are read in, and back; null where it can't be read. */
export function readSection(text: string, units: UnitSystem = "metric"): number[][] | null {
  const one = units === "us" ? 0.0254 : 0.001;
  const points = text
    .split(/[,;\n]+/)
    .map((p) => p.trim())
    .filter(Boolean)
    .map((p) => p.split(/\s+/).map(Number));
  return points.length >= 3 && points.every((p) => p.length === 2 && p.every(Number.isFinite)) ? points.map((p) => p.map((v) => v * one)) : null;
}

function Section({ p, onSet }: { p: Prism; onSet: (points: number[][]) => void }) {
  const [bad, setBad] = useState(false);
  const { units } = usePerson();
  const label = says("section-corners-across-up", { unit: smallLength(units) });
  const text = (p.vertices_yz_m ?? []).map((v) => v.map((c) => sizeOf([c], units, 2)).join(" ")).join(", ");
  return (
    <label className="block py-0.5">
      <span className="text-[12px] text-chalk-dim">{label}</span>
      <input
        key={text}
        className={`field-slate num w-full ${bad ? "!border-rust" : ""}`}
        defaultValue={text}
        aria-label={label}
        aria-invalid={bad}
        onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
        onBlur={(e) => {
          const points = readSection(e.target.value, units);
          setBad(!points);
          if (points && e.target.value !== text) onSet(points);
        }}
      />
      {bad && (
        <span role="alert" className="text-[12px] text-[#f3b3a4]">
          {says("three-corners-more")}
        </span>
      )}
    </label>
  );
}

function TankSlate({ t }: { t: WaterTank & { name: string } }) {
  const say = useSaid();
  const { design, report, edit } = useVariant();
  const { set, remove, items } = useTanks();
  const { units } = usePerson();
  const p = report.water.tanks[t.id];
  const index = items.findIndex((x) => x.id === t.id);
  const parts = (prisms: Prism[], what: string) => void set(t, { prisms }, what);
  const s = t.sender;
  return (
    <Slate title={t.name} sub={wordOf(HOLDS, t.holds ?? "fresh")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `tank:${t.id}`)} />
      {(["full_l", "usable_l", "dead_l", "mass_full_kg"] as const).map((k) => (
        <SlateFig key={k} k={`tanks/${t.id}/${k}`} />
      ))}
      {p && !p.problem && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {say(
            says("middle-over-floor-full", {
              cg_z_m: show(p.cg_z_m, "m", units),
              need_x_n: p.need_x_n / 1000,
              need_y_n: p.need_y_n / 1000,
              need_z_n: p.need_z_n / 1000,
              has_drain_min: p.drain_min != null,
              drain_min: p.drain_min != null ? (p.drain_min < 10 ? p.drain_min.toFixed(1) : p.drain_min.toFixed(0)) : "",
            }),
          )}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          choice("holds", says("holds"), HOLDS),
          choice("place", says("stands"), PLACES),
          metres("x_m", says("front")),
          metres("z_m", says("zero-over-floor")),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("shape-2")}</h3>
      {t.prisms.map((q, i) => (
        <fieldset key={i} className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
          <legend className="text-[12px] text-chalk-dim">{says("part", { i: i + 1 })}</legend>
          <Fields
            specs={partSpecs(q)}
            item={q}
            onSet={(key, value, label) =>
              parts(
                t.prisms.map((x, n) => (n === i ? (key === "shape" ? reshaped(x, String(value)) : { ...x, [key]: value }) : x)),
                says("part-2", { i: i + 1, label }),
              )
            }
          />
          {q.shape === "polygon" && (
            <Section
              p={q}
              onSet={(vertices_yz_m) =>
                parts(
                  t.prisms.map((x, n) => (n === i ? { ...x, vertices_yz_m } : x)),
                  says("part-section", { i: i + 1 }),
                )
              }
            />
          )}
          {t.prisms.length > 1 && (
            <button
              type="button"
              className="text-[12px] text-chalk-dim underline"
              onClick={() =>
                parts(
                  t.prisms.filter((_, n) => n !== i),
                  says("part-taken-out", { i: i + 1 }),
                )
              }
            >
              {says("take-part-out", { i: i + 1 })}
            </button>
          )}
        </fieldset>
      ))}
      <div className="flex gap-2">
        <button type="button" className="btn btn-slate" onClick={() => parts([...t.prisms, { ...BOX, length_m: 0.4 }], says("one-more-part"))}>
          {says("add-part")}
        </button>
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => parts([...t.prisms, { ...BOX, op: "cut", length_m: 0.3, width_m: 0.15, height_m: 0.15 }], says("part-cut-out"))}
        >
          {says("cut-one-out")}
        </button>
      </div>
      <Fields
        specs={[
          metres("outlet_z_m", says("outlet-over-zero"), { clearable: true, placeholder: says("floor") }),
          metres("max_level_z_m", says("full"), { clearable: true, placeholder: says("top") }),
          quantity("tank_mass_kg", says("empty-tank"), "mass", "kg"),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("vent-filler-fixing")}</h3>
      <Fields
        specs={[
          mm("vent_mm", says("vent-inside"), { clearable: true, placeholder: says("none") }),
          flag("vent_high", says("ends-above-filler-top")),
          choice("fill_by", says("filled"), FILLS),
          mm("fill_mm", says("filler-inside"), { clearable: true, placeholder: says("not-entered") }),
          {
            key: "restraint_x_n",
            label: says("fixing-holds-forward-n"),
            kind: "quantity",
            dimension: "force",
            unit: "N",
            clearable: true,
            placeholder: says("not-entered"),
          },
          {
            key: "restraint_y_n",
            label: says("sideways-n"),
            kind: "quantity",
            dimension: "force",
            unit: "N",
            clearable: true,
            placeholder: says("not-entered"),
          },
          { key: "restraint_z_n", label: says("up-n"), kind: "quantity", dimension: "force", unit: "N", clearable: true, placeholder: says("not-entered") },
          metres("undivided_m", says("longest-room-without-wall"), { clearable: true, placeholder: says("length-2") }),
          flag("food_grade", says("marked-drinking-water")),
          flag("budgeted", says("full-mass-budget")),
          flag("leak_tray", says("drained-tray-sensor-under")),
          flag("over_electrics", says("stands-over-electrics")),
          mm("drain_mm", says("drain-inside"), { clearable: true, placeholder: says("not-entered") }),
          flag("drain_valve", says("drain-valve-lowest-point")),
          flag("full_sensor", says("sensor")),
          mm("foam_mm", says("foam-round")),
          quantity("heater_w", says("heater"), "power", "W"),
          ...(t.heater_w ? [lineOf(design.life?.appliances, heats)] : []),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("gauge")}</h3>
      {s ? (
        <>
          <Fields
            specs={[
              choice("kind", says("sender"), SENDERS),
              ...(s.kind === "stepped"
                ? []
                : [
                    quantity("empty_signal", says("reads-empty"), "count", ""),
                    quantity("full_signal", says("reads-full"), "count", ""),
                    metres("empty_z_m", says("empty"), { clearable: true, placeholder: says("tanks-floor") }),
                    metres("full_z_m", says("full"), { clearable: true, placeholder: says("full-level") }),
                    ...(s.kind === "resistive" ? [quantity("cable_resistance_ohm", says("cable"), "count", "")] : []),
                  ]),
            ]}
            item={s}
            onSet={(key, value, label) => {
              const next = { ...s, [key]: value };
              if (key === "kind" && value === "stepped" && !s.step_z_m?.length && p) {
                next.step_z_m = [0.25, 0.5, 0.75, 1].map((f) => Number((p.bottom_z_m - (t.z_m ?? 0) + f * (p.top_z_m - p.bottom_z_m) * 0.95).toFixed(3)));
              }
              void edit([{ op: "replace", path: `/water/tanks/${index}/sender`, value: next }], says("gauge-2", { name: t.name, label }));
            }}
          />
          {p?.gauge && p.gauge.rows.length > 0 && (
            <table className="my-1 w-full text-[12px]" aria-label={says("calibration-gauge")}>
              <thead>
                <tr className="text-left text-chalk-dim">
                  <th className="font-normal">{says("usable")}</th>
                  <th className="text-right font-normal">{say(says("litres"))}</th>
                  <th className="text-right font-normal">{says("level")}</th>
                  <th className="text-right font-normal">{says("reads", { unit: p.gauge.unit })}</th>
                </tr>
              </thead>
              <tbody className="num">
                {p.gauge.rows.map((r) => (
                  <tr key={r.fill_frac}>
                    <td>{Math.round(100 * r.fill_frac)} %</td>
                    <td className="text-right">{show(r.volume_l, "L", units)}</td>
                    <td className="text-right">{say(`${Math.round(1000 * r.level_z_m)} mm`)}</td>
                    <td className="text-right">{r.signal.toFixed(p.gauge!.unit === "V" ? 2 : 0)}</td>
                  </tr>
                ))}
              </tbody>
              <caption className="caption-bottom text-left text-chalk-dim">
                {says("cant-see-last", {
                  l_first: say(says("l-first", { blind_low_l: p.gauge.blind_low_l })),
                  l: say(`${p.gauge.blind_high_l.toFixed(1)} L.`),
                })}
              </caption>
            </table>
          )}
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set(t, { sender: null }, says("no-gauge"))}>
            {says("no-gauge")}
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set(t, { sender: { kind: "resistive", empty_signal: 0, full_signal: 190 } as never }, says("gauge-3"))}
        >
          {says("add-gauge")}
        </button>
      )}
      <TakeOut remove={() => remove(t)}>{says("remove-tank")}</TakeOut>
    </Slate>
  );
}

function JoinSlate({ j }: { j: Join & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useJoins();
  const { items } = useTanks();
  const { units } = usePerson();
  const p = report.water.joins[j.id];
  return (
    <Slate title={j.name} sub={says("joins-tanks", { tanks_count: j.tanks.length })}>
      <FindingList findings={report.findings.filter((f) => f.subject === `join:${j.id}`)} />
      {p && (
        <p className="my-1 text-[12px]">
          {says("all-reach-outlet-stay", {
            total_l: show(p.total_l, "L", units),
            usable_l: show(p.usable_l, "L", units),
            unusable_l: show(p.unusable_l, "L", units),
            mm: say(`${(1000 * p.draw_difference_m).toFixed(0)} mm`),
            has_balance_min: p.balance_min != null,
            balance_min: p.balance_min ?? 0,
          })}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          metres("z_m", says("over-floor")),
          mm("inner_diameter_mm", says("bore")),
          metres("length_m", says("length")),
          flag("common_vent", says("vents-end-together-above")),
        ]}
        item={j}
        onSet={(key, value, label) => void set(j, { [key]: value }, label)}
      />
      <fieldset className="m-0 mt-1 border-0 p-0">
        <legend className="text-[12px] text-chalk-dim">{says("joins-pump-draws-first")}</legend>
        {items.map((t) => (
          <label key={t.id} className="flex items-start gap-2 py-0.5">
            <input
              type="checkbox"
              className="mt-1"
              checked={j.tanks.includes(t.id)}
              disabled={j.tanks.includes(t.id) && j.tanks.length <= 2}
              onChange={(e) => void set(j, { tanks: e.target.checked ? [...j.tanks, t.id] : j.tanks.filter((x) => x !== t.id) }, t.name)}
            />
            {t.name}
          </label>
        ))}
      </fieldset>
      <TakeOut remove={() => remove(j)}>{says("part-these-tanks")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report } = useVariant();
  const { w, part, set } = useWater();
  const { units } = usePerson();
  const joins = useJoins();
  const hand = useHand();
  const free = (w.tanks ?? []).filter((t) => t.holds === "fresh" && !(w.joins ?? []).some((j) => j.tanks.includes(t.id)));
  return (
    <Slate title={says("water")} sub={says("tanks")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(tank|join):/.test(f.subject))} />
      <p className="my-1 text-[12px] text-chalk-dim">{says("every-tank-full", { mass_full_kg: show(part.mass_full_kg, "kg", units) })}</p>
      <Fields specs={[choice("restraint_school", says("fixings-hold"), HELD)]} item={w} onSet={(key, value, label) => void set(key, value, label)} />
      {(w.joins ?? []).map((j) => (
        <button key={j.id} type="button" className="my-1 block underline decoration-dotted underline-offset-2" onClick={() => hand.pick("join", j.id)}>
          {j.name}
        </button>
      ))}
      {free.length >= 2 && (
        <button
          type="button"
          className="btn btn-slate my-1"
          onClick={() => {
            const low = Math.min(...free.map((t) => part.tanks[t.id]?.bottom_z_m ?? 0));
            void joins.add({ tanks: free.map((t) => t.id).slice(0, 6), z_m: Number(low.toFixed(3)) }).then((id) => id && hand.pick("join", id));
          }}
        >
          {says("join-fresh-tanks", { free_count: free.length })}
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function TanksView() {
  const { part } = useWater();
  const { units } = usePerson();
  const hand = useHand();
  const tanks = useTanks();
  const joins = useJoins();
  const { create, held: t } = useMaking(tanks, "tank", () => ({ prisms: [BOX], holds: "fresh" }));
  const j = hand.kind === "join" ? joins.items.find((x) => x.id === hand.id) : undefined;
  const columns: Column<WaterTank & { name: string }>[] = [
    nameColumn(tanks, says("tank"), "28%"),
    {
      key: "holds",
      label: says("holds"),
      width: "16%",
      kind: "choice",
      options: HOLDS,
      show: (x) => wordOf(HOLDS, x.holds ?? "fresh"),
      value: (x) => x.holds ?? "fresh",
      set: (x, v) => void tanks.set(x, { holds: v as WaterTank["holds"] }, says("holds")),
    },
    {
      key: "place",
      label: says("stands"),
      width: "18%",
      kind: "choice",
      options: PLACES,
      show: (x) => wordOf(PLACES, x.place ?? "inside"),
      value: (x) => x.place ?? "inside",
      set: (x, v) => void tanks.set(x, { place: v as WaterTank["place"] }, says("stands")),
    },
    { key: "full", label: says("full-2"), width: "12%", align: "right", kind: "computed", show: (x) => show(part.tanks[x.id]?.full_l, "L", units) },
    { key: "usable", label: says("usable"), width: "12%", align: "right", kind: "computed", show: (x) => show(part.tanks[x.id]?.usable_l, "L", units) },
    { key: "mass", label: says("mass"), width: "14%", align: "right", kind: "computed", show: (x) => show(part.tanks[x.id]?.mass_full_kg, "kg", units) },
  ];
  return (
    <Bench
      title={says("water")}
      sentence={<Sentence />}
      picture={<WaterPicture open={[]} onOpen={() => undefined} taps={undefined} what="tanks" />}
      tools={
        <>
          <StageViews stage={says("water")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-tank-n")}
          </button>
        </>
      }
      ledger={<ItemLedger label={says("tanks-2")} list={tanks} kind="tank" columns={columns} onAdd={create} empty={says("no-tank-yet-measure")} />}
      slate={t ? <TankSlate t={t} /> : j ? <JoinSlate j={j} /> : <Whole />}
    />
  );
}

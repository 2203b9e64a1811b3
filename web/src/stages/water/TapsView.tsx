/** Taps: the pump, the runs and what comes out of each tap for any of them open. */

import { useState } from "react";
import { below } from "../../data/lists";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { beginsColumn, lengthColumn } from "../../parts/columns";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { Fittings } from "../../parts/Fittings";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/water";
import { type PipeRun, PUMP, useFilters, useRuns, useWater, type WaterFilter } from "./edit";
import { lineOf, pumps } from "./lineOf";
import { Sentence } from "./Sentence";
import { useTaps, WaterPicture } from "./WaterPicture";
import { FILTER_AT, FILTERS, FITTINGS, OUTLETS, PLACES, PUMPS, VIEWS, wordOf } from "./words";

const CAUTION = says("switch-pump-off-when");
const kpa = <K extends string>(key: K, label: string, more: object = {}) => quantity(key, label, "pressure", "kPa", { scale: 0.001, ...more });

function RunSlate({ r }: { r: PipeRun & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { items, set, remove } = useRuns();
  const { units } = usePerson();
  const tap = report.water.taps[r.id];
  const mine = below(r.id, items);
  return (
    <Slate title={r.name} sub={r.outlet === "none" ? says("run-goes") : wordOf(OUTLETS, r.outlet)}>
      <FindingList findings={report.findings.filter((f) => f.subject === `run:${r.id}` || f.subject === `pipe:${r.id}`)} />
      {tap && (
        <p className="my-1 text-[12px]">
          {says("alone-gets-open-most", {
            alone_l_min: show(tap.alone_l_min, "L/min", units, 2),
            wanted_l_min: show(tap.wanted_l_min, "L/min", units, 2),
            has_shared_with: Boolean(tap.shared_with),
            shared_with: tap.shared_with ?? "",
            shared_l_min: show(tap.shared_l_min, "L/min", units, 2),
            m: say(`${(report.water.velocities[r.id] ?? 0).toFixed(1)} m/s.`),
          })}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          choice(
            "parent",
            says("begins"),
            items.filter((x) => !mine.has(x.id)).map((x) => ({ value: x.id, word: x.name })),
            { none: says("tanks-outlet-pump") },
          ),
          mm("inner_diameter_mm", says("bore"), { note: say(says("inside-pipe-mm-has")) }),
          quantity("length_m", says("length"), "length", "m"),
          quantity("rise_m", says("rises"), "length", "m"),
          choice("outlet", says("end-3"), OUTLETS),
          ...(r.outlet === "none"
            ? []
            : [quantity("wanted_l_min", says("wanted"), "flow", "L/min"), kpa("rated_kpa", says("pressure"), { note: say(says("tap-kpa-shower")) })]),
          flag("hot", says("hot-water-2")),
          quantity("x_m", says("end-front"), "length", "m"),
        ]}
        item={r}
        onSet={(key, value, label) => void set(r, { [key]: value }, label)}
      />
      <Fittings known={FITTINGS} fittings={r.fittings} onSet={(fittings, label) => void set(r, { fittings }, label)} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("pipe-2")}</h3>
      <Fields
        specs={[
          choice("place", says("lies"), PLACES),
          kpa("rating_kpa", says("made")),
          quantity("rating_c", says("made"), "temperature", "°C"),
          flag("food_grade", says("marked-drinking-water")),
          flag("hidden_joint", says("joint-without-hatch")),
          flag("over_electrics", says("joint-over-electrics")),
          flag("drain_valve", says("drain-valve-low-point")),
        ]}
        item={r}
        onSet={(key, value, label) => void set(r, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(r)}>{says("remove-run")}</TakeOut>
    </Slate>
  );
}

function FilterSlate({ f }: { f: WaterFilter & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useFilters();
  const life = report.water.filters[f.id];
  return (
    <Slate title={f.name} sub={wordOf(FILTER_AT, f.at)}>
      <FindingList findings={report.findings.filter((x) => x.subject === `filter:${f.id}`)} />
      {life && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {life.days == null
            ? says("no-end-sight")
            : say(says("good-days-ended-kpa", { days: life.days, limited_by: life.limited_by ?? "", drop_kpa: life.drop_kpa }))}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          choice("kind", says("kind"), FILTERS),
          choice("at", says("sits"), FILTER_AT),
          quantity("micron", says("finest-m"), "count", ""),
          quantity("rated_l", says("good"), "volume", "L", { clearable: true, placeholder: says("not-entered") }),
          quantity("rated_months", says("good-months"), "count", "", { clearable: true, placeholder: says("not-entered") }),
          quantity("rated_flow_l_min", says("rated-flow"), "flow", "L/min"),
          kpa("clean_kpa", says("takes-clean-flow")),
          quantity("used_days", says("use-days"), "count", "", { clearable: true, placeholder: says("not-entered") }),
        ]}
        item={f}
        onSet={(key, value, label) => void set(f, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(f)}>{says("remove-filter")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { design, report, edit } = useVariant();
  const { w, part, set } = useWater();
  const filters = useFilters();
  const hand = useHand();
  const p = w.pump;
  const q = part.pump;
  const put = (base: string, what: string) => (key: string, value: unknown, label: string) =>
    void edit([{ op: "replace", path: `/water/${base}/${key}`, value }], `${what}: ${label}`);
  const [open_, shut] = [p?.points.at(-1), p?.points[0]];
  return (
    <Slate title={says("water")} sub={says("pressure-side")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(run|pump|filter|hookup)/.test(f.subject))} />
      {p ? (
        <>
          <SlateFigs ks={["water/pump_flow_l_min", "water/pump_pressure_kpa", "water/pump_current_a", "water/pump_energy_wh"]} />
          {q?.cycles_per_hour != null && q.run_time_s != null && (
            <p className="my-1 text-[12px] text-chalk-dim">
              {says("time-times-hour-accumulator", {
                tap_half_open: say(says("tap-half-open-runs")),
                run_time_s: q.run_time_s,
                cycles_per_hour: q.cycles_per_hour,
                l_between: say(says("l-between", { drawdown_l: q.drawdown_l ?? 0 })),
              })}
            </p>
          )}
          <Fields
            specs={[
              words("name", says("name")),
              choice("kind", says("kind"), PUMPS),
              lineOf(design.life?.appliances, pumps),
              kpa("cut_in_kpa", says("switches"), { clearable: true, placeholder: says("no-switch") }),
              kpa("cut_out_kpa", says("switches-off"), { clearable: true, placeholder: says("no-switch") }),
              quantity("accumulator_l", says("accumulator"), "volume", "L", { clearable: true, placeholder: says("none") }),
              kpa("precharge_kpa", says("precharge"), { clearable: true, placeholder: say(says("cut-less-kpa")) }),
              flag("strainer", says("strainer-before")),
              flag("shutoff", says("shut-off-valve-before")),
              flag("level_stop", says("stops-when-tank-empty")),
              flag("runs_dry", says("may-run-dry")),
              flag("leak_tray", says("drained-tray-sensor-under")),
              flag("over_electrics", says("stands-over-electrics")),
            ]}
            item={p}
            onSet={put("pump", says("pump"))}
          />
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("curve")}</h3>
          {p.points.map((pt, i) => (
            <div key={i} className="border-b border-slate-2">
              <Fields
                specs={[
                  ...(i === 0
                    ? []
                    : [quantity("flow_l_min", i === p.points.length - 1 ? says("open-flow") : says("flow-point", { i: i + 1 }), "flow", "L/min")]),
                  ...(i === p.points.length - 1 ? [] : [kpa("pressure_kpa", i === 0 ? says("shut-pressure") : says("pressure-point", { i: i + 1 }))]),
                ]}
                item={pt}
                onSet={(key, value, label) => void edit([{ op: "replace", path: `/water/pump/points/${i}/${key}`, value }], says("pumps-curve", { label }))}
              />
            </div>
          ))}
          <p className="my-1 text-[12px] text-chalk-dim">
            {says("running-pump-without-switch", {
              kpa_shut: say(says("kpa-shut", { pressure_kpa: shut?.pressure_kpa ?? 0 })),
              l_min_open: say(says("l-min-open", { flow_l_min: open_?.flow_l_min ?? 0 })),
            })}
          </p>
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("pump", null, says("no-pump"))}>
            {says("no-pump")}
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set("pump", { ...PUMP, appliance: design.life?.appliances?.find(pumps)?.id ?? null }, says("pump-2"))}
        >
          {says("add-pump")}
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("filters")}</h3>
      {filters.items.map((f) => (
        <button key={f.id} type="button" className="my-0.5 block underline decoration-dotted underline-offset-2" onClick={() => hand.pick("filter", f.id)}>
          {f.name}
        </button>
      ))}
      <button type="button" className="btn btn-slate my-1" onClick={() => void filters.add({ kind: "carbon" }).then((id) => id && hand.pick("filter", id))}>
        {says("add-filter")}
      </button>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say(says("inlet-pitchs-water"))}</h3>
      {w.hookup ? (
        <>
          <Fields
            specs={[kpa("limiter_kpa", says("limiter"), { clearable: true, placeholder: says("none") }), flag("check_valve", say(says("check-valve")))]}
            item={w.hookup}
            onSet={put("hookup", says("water-inlet"))}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("hookup", null, says("no-water-inlet"))}>
            {says("no-inlet")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("hookup", { limiter_kpa: 310, check_valve: true }, says("water-inlet-2"))}>
          {says("add-inlet")}
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function TapsView() {
  const say = useSaid();
  const { report } = useVariant();
  const { w, part } = useWater();
  const { units } = usePerson();
  const hand = useHand();
  const runs = useRuns();
  const filters = useFilters();
  const outlets = runs.items.filter((r) => r.outlet !== "none");
  const [chosen, setOpen] = useState<string[]>([]);
  const open = chosen.filter((id) => outlets.some((r) => r.id === id));
  const toggle = (id: string) => setOpen(open.includes(id) ? open.filter((x) => x !== id) : [...open, id]);
  const taps = useTaps(open);
  const last = runs.items.find((r) => r.parent == null);
  const { create, held: r } = useMaking(runs, "run", () => (last ? { parent: last.id, outlet: "sink" } : { name: says("main") }));
  const f = hand.kind === "filter" ? filters.items.find((x) => x.id === hand.id) : undefined;
  const now = open.length ? taps.data : undefined;
  const columns: Column<PipeRun & { name: string }>[] = [
    nameColumn(runs, says("run"), "24%"),
    beginsColumn(runs, "18%", "pump"),
    {
      key: "bore",
      label: says("bore"),
      width: "10%",
      align: "right",
      kind: "quantity",
      dimension: "length",
      unit: "mm",
      show: (x) => show(x.inner_diameter_mm, "mm", units),
      value: (x) => x.inner_diameter_mm,
      set: (x, q) => q && void runs.set(x, { inner_diameter_mm: q.value * 1000 }, says("bore")),
    },
    lengthColumn(runs, "10%", units),
    {
      key: "wants",
      label: says("needs"),
      width: "12%",
      align: "right",
      kind: "computed",
      show: (x) => (x.outlet === "none" ? "" : show(x.wanted_l_min, "L/min", units, 2)),
    },
    {
      key: "gets",
      label: open.length ? says("now") : says("gets-alone"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => (now ? show(now.flow_l_min[x.id], "L/min", units, 2) : part.taps[x.id] ? show(part.taps[x.id]!.alone_l_min, "L/min", units, 2) : ""),
    },
    {
      key: "pressure",
      label: says("end-3"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => (now ? say(`${Math.round(now.end_kpa[x.id] ?? 0)} kPa`) : ""),
    },
  ];
  return (
    <Bench
      title={says("water")}
      sentence={<Sentence />}
      picture={<WaterPicture open={open} onOpen={toggle} taps={now} what="taps" />}
      tools={
        <>
          <StageViews stage={says("water")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-run-n")}
          </button>
          {open.length > 0 && (
            <button type="button" className="btn" onClick={() => setOpen([])}>
              {says("shut-all")}
            </button>
          )}
          {outlets.length > 1 && open.length < outlets.length && (
            <button type="button" className="btn" onClick={() => setOpen(outlets.map((x) => x.id))}>
              {says("open-all")}
            </button>
          )}
          {taps.error && (
            <span role="alert" className="text-rust">
              {taps.error.message}
            </span>
          )}
          {!w.pump && report.water.pump == null && runs.items.length > 0 && <span className="text-dim">{says("pump-missing-add-slate")}</span>}
        </>
      }
      ledger={<ItemLedger label={says("runs-water")} list={runs} kind="run" columns={columns} onAdd={create} empty={say(says("no-run-yet-first"))} />}
      slate={r ? <RunSlate r={r} /> : f ? <FilterSlate f={f} /> : <Whole />}
    />
  );
}

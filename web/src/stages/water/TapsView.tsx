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
import { type PipeRun, PUMP, useFilters, useRuns, useWater, type WaterFilter } from "./edit";
import { Sentence } from "./Sentence";
import { useTaps, WaterPicture } from "./WaterPicture";
import { FILTER_AT, FILTERS, FITTINGS, OUTLETS, PLACES, PUMPS, VIEWS, wordOf } from "./words";

const CAUTION = "Switch the pump off when you drive or leave: a burst hose empties the tank. Water sideways of electrics, or under them, never above.";
const kpa = <K extends string>(key: K, label: string, more: object = {}) => quantity(key, label, "pressure", "kPa", { scale: 0.001, ...more });

function RunSlate({ r }: { r: PipeRun & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { items, set, remove } = useRuns();
  const { units } = usePerson();
  const tap = report.water.taps[r.id];
  const mine = below(r.id, items);
  return (
    <Slate title={r.name} sub={r.outlet === "none" ? "a run that goes on" : wordOf(OUTLETS, r.outlet)}>
      <FindingList findings={report.findings.filter((f) => f.subject === `run:${r.id}` || f.subject === `pipe:${r.id}`)} />
      {tap && (
        <p className="my-1 text-[12px]">
          Alone it gets {show(tap.alone_l_min, "L/min", units, 2)} of {show(tap.wanted_l_min, "L/min", units, 2)}
          {tap.shared_with && `, with “${tap.shared_with}” open ${show(tap.shared_l_min, "L/min", units, 2)}`}. At most{" "}
          {say(`${(report.water.velocities[r.id] ?? 0).toFixed(1)} m/s.`)}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          choice(
            "parent",
            "begins at",
            items.filter((x) => !mine.has(x.id)).map((x) => ({ value: x.id, word: x.name })),
            { none: "the tank’s outlet, with the pump" },
          ),
          mm("inner_diameter_mm", "bore", { note: say("inside: pipe of 15 mm has 11.6, of 12 mm 9") }),
          quantity("length_m", "length", "length", "m"),
          quantity("rise_m", "rises", "length", "m"),
          choice("outlet", "at its end", OUTLETS),
          ...(r.outlet === "none"
            ? []
            : [quantity("wanted_l_min", "wanted", "flow", "L/min"), kpa("rated_kpa", "at a pressure of", { note: say("tap 30 kPa, shower 60 to 100") })]),
          flag("hot", "hot water"),
          quantity("x_m", "its end, from the front", "length", "m"),
        ]}
        item={r}
        onSet={(key, value, label) => void set(r, { [key]: value }, label)}
      />
      <Fittings known={FITTINGS} fittings={r.fittings} onSet={(fittings, label) => void set(r, { fittings }, label)} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Pipe</h3>
      <Fields
        specs={[
          choice("place", "lies", PLACES),
          kpa("rating_kpa", "made for"),
          quantity("rating_c", "made for", "temperature", "°C"),
          flag("food_grade", "marked for drinking water"),
          flag("hidden_joint", "a joint without a hatch"),
          flag("over_electrics", "a joint over electrics"),
          flag("drain_valve", "a drain valve at its low point"),
        ]}
        item={r}
        onSet={(key, value, label) => void set(r, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(r)}>Remove this run</TakeOut>
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
            ? "No end in sight."
            : say(`Good for ${life.days.toFixed(0)} days, ended by ${life.limited_by}; ${life.drop_kpa.toFixed(0)} kPa when clean.`)}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          choice("kind", "kind", FILTERS),
          choice("at", "sits", FILTER_AT),
          quantity("micron", "finest, µm", "count", ""),
          quantity("rated_l", "good for", "volume", "L", { clearable: true, placeholder: "not entered" }),
          quantity("rated_months", "good for, months", "count", "", { clearable: true, placeholder: "not entered" }),
          quantity("rated_flow_l_min", "rated flow", "flow", "L/min"),
          kpa("clean_kpa", "takes, clean, at that flow"),
          quantity("used_days", "in use for, days", "count", "", { clearable: true, placeholder: "not entered" }),
        ]}
        item={f}
        onSet={(key, value, label) => void set(f, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(f)}>Remove this filter</TakeOut>
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
  const pumps = (design.life?.appliances ?? []).filter((a) => a.kind === "pump" || /pump/i.test(a.name ?? ""));
  const [open_, shut] = [p?.points.at(-1), p?.points[0]];
  return (
    <Slate title="Water" sub="the pressure side">
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(run|pump|filter|hookup)/.test(f.subject))} />
      {p ? (
        <>
          <SlateFigs ks={["water/pump_flow_l_min", "water/pump_pressure_kpa", "water/pump_current_a", "water/pump_energy_wh"]} />
          {q?.cycles_per_hour != null && q.run_time_s != null && (
            <p className="my-1 text-[12px] text-chalk-dim">
              {say("With a tap half open it runs ")}
              {q.run_time_s.toFixed(1)} s at a time, {q.cycles_per_hour.toFixed(0)} times an hour; the accumulator gives{" "}
              {say(`${(q.drawdown_l ?? 0).toFixed(2)} L between.`)}
            </p>
          )}
          <Fields
            specs={[
              words("name", "name"),
              choice("kind", "kind", PUMPS),
              choice(
                "appliance",
                "which appliance in Daily use",
                pumps.map((a) => ({ value: a.id, word: a.name })),
                { none: "none" },
              ),
              kpa("cut_in_kpa", "switches on at", { clearable: true, placeholder: "no switch" }),
              kpa("cut_out_kpa", "switches off at", { clearable: true, placeholder: "no switch" }),
              quantity("accumulator_l", "accumulator", "volume", "L", { clearable: true, placeholder: "none" }),
              kpa("precharge_kpa", "its precharge", { clearable: true, placeholder: say("cut-in less 14 kPa") }),
              flag("strainer", "a strainer before it"),
              flag("shutoff", "a shut-off valve before it"),
              flag("level_stop", "it stops when the tank is empty"),
              flag("runs_dry", "it may run dry"),
              flag("leak_tray", "a drained tray or sensor under it"),
              flag("over_electrics", "it stands over electrics"),
            ]}
            item={p}
            onSet={put("pump", "pump")}
          />
          <h3 className="mb-1 mt-3 font-display text-[14px]">Its curve</h3>
          {p.points.map((pt, i) => (
            <div key={i} className="border-b border-slate-2">
              <Fields
                specs={[
                  ...(i === 0 ? [] : [quantity("flow_l_min", i === p.points.length - 1 ? "open flow" : `flow, point ${i + 1}`, "flow", "L/min")]),
                  ...(i === p.points.length - 1 ? [] : [kpa("pressure_kpa", i === 0 ? "shut pressure" : `pressure, point ${i + 1}`)]),
                ]}
                item={pt}
                onSet={(key, value, label) => void edit([{ op: "replace", path: `/water/pump/points/${i}/${key}`, value }], `pump’s curve: ${label}`)}
              />
            </div>
          ))}
          <p className="my-1 text-[12px] text-chalk-dim">
            The running pump without its switch: {say(`${shut?.pressure_kpa.toFixed(0)} kPa shut, `)}
            {say(`${open_?.flow_l_min.toFixed(0)} L/min open.`)}
          </p>
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("pump", null, "no pump")}>
            no pump
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("pump", { ...PUMP, appliance: pumps[0]?.id ?? null }, "a pump")}>
          Add a pump
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">Filters</h3>
      {filters.items.map((f) => (
        <button key={f.id} type="button" className="my-0.5 block underline decoration-dotted underline-offset-2" onClick={() => hand.pick("filter", f.id)}>
          {f.name}
        </button>
      ))}
      <button type="button" className="btn btn-slate my-1" onClick={() => void filters.add({ kind: "carbon" }).then((id) => id && hand.pick("filter", id))}>
        Add a filter
      </button>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{say("Inlet for the pitch’s water")}</h3>
      {w.hookup ? (
        <>
          <Fields
            specs={[kpa("limiter_kpa", "limiter", { clearable: true, placeholder: "none" }), flag("check_valve", say("a check valve"))]}
            item={w.hookup}
            onSet={put("hookup", "water inlet")}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("hookup", null, "no water inlet")}>
            no inlet
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("hookup", { limiter_kpa: 310, check_valve: true }, "a water inlet")}>
          Add an inlet
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
  const { create, held: r } = useMaking(runs, "run", () => (last ? { parent: last.id, outlet: "sink" } : { name: "Main" }));
  const f = hand.kind === "filter" ? filters.items.find((x) => x.id === hand.id) : undefined;
  const now = open.length ? taps.data : undefined;
  const columns: Column<PipeRun & { name: string }>[] = [
    nameColumn(runs, "run", "24%"),
    beginsColumn(runs, "18%", "pump"),
    {
      key: "bore",
      label: "bore",
      width: "10%",
      align: "right",
      kind: "quantity",
      dimension: "length",
      unit: "mm",
      show: (x) => show(x.inner_diameter_mm, "mm", units),
      value: (x) => x.inner_diameter_mm,
      set: (x, q) => q && void runs.set(x, { inner_diameter_mm: q.value * 1000 }, "bore"),
    },
    lengthColumn(runs, "10%", units),
    {
      key: "wants",
      label: "needs",
      width: "12%",
      align: "right",
      kind: "computed",
      show: (x) => (x.outlet === "none" ? "" : show(x.wanted_l_min, "L/min", units, 2)),
    },
    {
      key: "gets",
      label: open.length ? "now" : "gets alone",
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => (now ? show(now.flow_l_min[x.id], "L/min", units, 2) : part.taps[x.id] ? show(part.taps[x.id]!.alone_l_min, "L/min", units, 2) : ""),
    },
    {
      key: "pressure",
      label: "at its end",
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => (now ? say(`${Math.round(now.end_kpa[x.id] ?? 0)} kPa`) : ""),
    },
  ];
  return (
    <Bench
      title="Water"
      sentence={<Sentence />}
      picture={<WaterPicture open={open} onOpen={toggle} taps={now} what="taps" />}
      tools={
        <>
          <StageViews stage="Water" views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            Add a run (n)
          </button>
          {open.length > 0 && (
            <button type="button" className="btn" onClick={() => setOpen([])}>
              Shut all
            </button>
          )}
          {outlets.length > 1 && open.length < outlets.length && (
            <button type="button" className="btn" onClick={() => setOpen(outlets.map((x) => x.id))}>
              Open all
            </button>
          )}
          {taps.error && (
            <span role="alert" className="text-rust">
              {taps.error.message}
            </span>
          )}
          {!w.pump && report.water.pump == null && runs.items.length > 0 && <span className="text-dim">A pump is missing: add it on the slate.</span>}
        </>
      }
      ledger={
        <ItemLedger
          label="Runs of water"
          list={runs}
          kind="run"
          columns={columns}
          onAdd={create}
          empty={say("No run yet. The first one goes from the tank’s outlet through the pump to where the pipes part; then one to each tap.")}
        />
      }
      slate={r ? <RunSlate r={r} /> : f ? <FilterSlate f={f} /> : <Whole />}
    />
  );
}

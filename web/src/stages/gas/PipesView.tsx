/** Pipes: regulator, hoses, solenoid, and the runs to each appliance with their pressures. */

import { useCallback } from "react";
import { below } from "../../data/lists";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { beginsColumn, lengthColumn } from "../../parts/columns";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { Fittings } from "../../parts/Fittings";
import { ItemLedger, nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/gas";
import { type GasPipe, type Hose, useGas, useHoses, usePipes } from "./edit";
import { PipePicture } from "./PipePicture";
import { Sentence } from "./Sentence";
import { DRIVING, FITTINGS, JOINTS, MATERIALS, MOUNTS, REGIMES, VIEWS } from "./words";

const CAUTION = says("you-may-plan-run");

function RunSlate({ p }: { p: GasPipe & { name: string } }) {
  const say = useSaid();
  const { design, report } = useVariant();
  const { g, part } = useGas();
  const { items, set, remove } = usePipes();
  const run = part.pipes?.runs[p.id];
  const mine = below(p.id, items);
  const fed = new Set(items.filter((x) => x.id !== p.id).map((x) => x.appliance));
  return (
    <Slate title={p.name} sub={p.appliance ? says("run-appliance") : says("run-goes")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `gas-run:${p.id}`)} />
      {run && (
        <p className="my-1 text-[12px]">
          {say(says("kg-h-through", { flow_kg_h: run.flow_kg_h }))}
          {say(says("mm-take", { inner_diameter_mm: run.inner_diameter_mm }))}
          {say(`${run.drop_mbar.toFixed(2)} mbar; `)}
          {say(says("mbar-lost-end", { lost_mbar: run.lost_mbar }))}
          {say(says("mbar-stand-there-reynolds", { end_mbar: run.end_mbar }))}
          {Math.round(run.reynolds)}: {REGIMES[run.regime]}.
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          choice(
            "parent",
            says("begins"),
            items.filter((x) => !mine.has(x.id)).map((x) => ({ value: x.id, word: x.name })),
            { none: says("regulator-2") },
          ),
          choice(
            "appliance",
            says("feeds"),
            (g.appliances ?? []).filter((a) => !fed.has(a.id)).map((a) => ({ value: a.id, word: a.name })),
            { none: says("goes") },
          ),
          mm("inner_diameter_mm", says("bore"), {
            clearable: true,
            placeholder: says("bothys-size"),
            note: say(design.region === "us" ? says("inside-tube-has-mm") : says("inside-pipe-mm-has")),
          }),
          quantity("length_m", says("length"), "length", "m"),
          choice("material", says("pipe"), MATERIALS),
          choice("joint", says("joints"), JOINTS),
        ]}
        item={p}
        onSet={(key, value, label) => void set(p, { [key]: value }, label)}
      />
      <Fittings known={FITTINGS} fittings={p.fittings} onSet={(fittings, label) => void set(p, { fittings }, label)} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("way-2")}</h3>
      <Fields
        specs={[
          quantity("clip_m", says("clips-every"), "length", "m", { clearable: true, placeholder: says("not-entered") }),
          flag("grommets", says("grommet-each-panel")),
          mm("to_cable_mm", says("nearest-cable"), { clearable: true, placeholder: says("not-entered") }),
          flag("crosses_cable", says("only-crosses")),
          ...(p.crosses_cable ? [flag("cable_cover", says("cover-between"))] : []),
          mm("to_hot_mm", says("exhaust-heat"), { clearable: true, placeholder: says("not-entered") }),
          flag("shielded", says("shield-between")),
          flag("hidden_joint", says("joint-void-under-floor")),
        ]}
        item={p}
        onSet={(key, value, label) => void set(p, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(p)}>{says("remove-run")}</TakeOut>
    </Slate>
  );
}

function HoseSlate({ h }: { h: Hose }) {
  const { report } = useVariant();
  const { set, remove } = useHoses();
  return (
    <Slate title={h.name} sub={h.high_pressure ? says("hose-before-regulator") : says("hose-after-regulator")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `hose:${h.id}`)} />
      <Fields
        specs={[
          words("name", says("name")),
          flag("high_pressure", says("before-regulator")),
          quantity("length_m", says("length"), "length", "m"),
          quantity("age_years", says("age-date-years"), "count", "", { clearable: true, placeholder: says("no-date-2") }),
          flag("slides", says("vessel-slide-out")),
          flag("cracked", says("surface-cracked")),
          flag("through_wall", says("passes-wall-floor-void")),
        ]}
        item={h}
        onSet={(key, value, label) => void set(h, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(h)}>{says("remove-hose")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { design, report } = useVariant();
  const { g, part, set, put } = useGas();
  const hoses = useHoses();
  const hand = useHand();
  const { r, s } = { r: g.regulator, s: g.solenoid };
  const off = (key: string, word: string) => (
    <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set(key, null, word)}>
      {word}
    </button>
  );
  return (
    <Slate title={says("gas")} sub={says("regulator-hoses-pipes")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && /^(gas-run|hose|regulator|solenoid)/.test(f.subject))} />
      <SlateFigs ks={["gas/worst_mbar", "gas/pipe_mm", "gas/peak_kg_h", "gas/regulator_min_kg_h", "gas/solenoid_wh"]} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("regulator-3")}</h3>
      {r ? (
        <>
          <Fields
            specs={[
              words("name", says("name")),
              quantity("nominal_mbar", says("gives"), "pressure", "mbar", {
                scale: 0.01,
                clearable: true,
                placeholder: say(says("mbar-regions", { nominal_mbar: part.nominal_mbar })),
              }),
              quantity("capacity_kg_h", says("capacity-kg-h"), "throughput", "kg/h"),
              quantity("age_years", says("age-date-years"), "count", "", { clearable: true, placeholder: says("not-entered") }),
              choice("mount", says("sits"), MOUNTS),
              flag("crash_safe", says("shuts-crash")),
              flag("hose_break", says("valves-shut-when-hose")),
            ]}
            item={r}
            onSet={put("regulator", says("regulator"))}
          />
          {off("regulator", says("no-regulator"))}
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set("regulator", { nominal_mbar: part.nominal_mbar, capacity_kg_h: part.regulator_size_kg_h }, says("regulator-4"))}
        >
          {says("add-regulator")}
        </button>
      )}
      <Fields specs={[choice("while_driving", says("while-driving-valve"), DRIVING)]} item={g} onSet={(key, value, label) => void set(key, value, label)} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("hoses")}</h3>
      {hoses.items.map((h) => (
        <button key={h.id} type="button" className="my-0.5 block underline decoration-dotted underline-offset-2" onClick={() => hand.pick("hose", h.id)}>
          {h.name}
        </button>
      ))}
      <button type="button" className="btn btn-slate my-1" onClick={() => void hoses.add({ age_years: 0 }).then((id) => id && hand.pick("hose", id))}>
        {says("add-hose")}
      </button>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("main-solenoid")}</h3>
      {s ? (
        <>
          <Fields
            specs={[
              flag("normally_closed", says("closed-without-current")),
              quantity("hold_w", says("holds"), "power", "W"),
              quantity("open_h_day", says("open-hours-day"), "count", ""),
              flag("by_alarm", says("gas-alarm-shuts-too")),
              choice(
                "appliance",
                says("which-appliance-daily-use"),
                (design.life?.appliances ?? []).map((a) => ({ value: a.id, word: a.name })),
                { none: says("none"), note: says("circuit-then-gets-switch") },
              ),
            ]}
            item={s}
            onSet={put("solenoid", says("solenoid"))}
          />
          <p className="my-1 text-[12px] text-chalk-dim">{part.on_panel ? says("switch-panel-works") : says("no-switch-panel-works")}</p>
          {off("solenoid", says("no-solenoid"))}
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set("solenoid", { normally_closed: true, hold_w: 1, open_h_day: 2, by_alarm: true }, says("solenoid-2"))}
        >
          {says("add-solenoid")}
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function PipesView() {
  const say = useSaid();
  const { g, part } = useGas();
  const { units } = usePerson();
  const hand = useHand();
  const pipes = usePipes();
  const hoses = useHoses();
  const add = pipes.add;
  const first = pipes.items.find((p) => p.parent == null);
  const unfed = (g.appliances ?? []).find((a) => !pipes.items.some((p) => p.appliance === a.id));
  const create = useCallback(async () => {
    const to =
      first && unfed
        ? { name: says("to", { unfed: unfed.name }).slice(0, 120), parent: first.id, appliance: unfed.id, fittings: { tee_branch: 1, valve_appliance: 1 } }
        : first
          ? { parent: first.id }
          : { name: says("main"), length_m: 2, fittings: { valve_ball: 1 } };
    const id = await add({ grommets: true, ...to });
    if (id) hand.pick("run", id);
  }, [add, first, unfed, hand.pick]);
  useCall("bothy:new", create);
  const p = hand.kind === "run" ? pipes.items.find((x) => x.id === hand.id) : undefined;
  const h = hand.kind === "hose" ? hoses.items.find((x) => x.id === hand.id) : undefined;
  const run = (x: GasPipe) => part.pipes?.runs[x.id];
  const columns: Column<GasPipe & { name: string }>[] = [
    nameColumn(pipes, says("run"), "24%"),
    beginsColumn(pipes, "18%", "regulator"),
    lengthColumn(pipes, "10%", units),
    {
      key: "bore",
      label: says("bore"),
      width: "12%",
      align: "right",
      kind: "quantity",
      dimension: "length",
      unit: "mm",
      show: (x) =>
        x.inner_diameter_mm != null ? (
          show(x.inner_diameter_mm, "mm", units)
        ) : run(x) ? (
          <i className="text-heather" title={says("bothys-size")}>
            {say(`${run(x)!.inner_diameter_mm} mm`)}
          </i>
        ) : (
          ""
        ),
      value: (x) => x.inner_diameter_mm ?? null,
      set: (x, q) => void pipes.set(x, { inner_diameter_mm: q ? q.value * 1000 : null }, says("bore")),
    },
    {
      key: "flow",
      label: says("flow"),
      width: "10%",
      align: "right",
      kind: "computed",
      show: (x) => (run(x) ? say(`${run(x)!.flow_kg_h.toFixed(2)} kg/h`) : ""),
    },
    {
      key: "drop",
      label: says("takes"),
      width: "12%",
      align: "right",
      kind: "computed",
      show: (x) => (run(x) ? say(`${run(x)!.drop_mbar.toFixed(2)} mbar`) : ""),
    },
    {
      key: "end",
      label: says("end-3"),
      width: "12%",
      align: "right",
      kind: "computed",
      show: (x) => (run(x) ? say(`${run(x)!.end_mbar.toFixed(2)} mbar`) : ""),
    },
  ];
  return (
    <Bench
      title={says("gas")}
      sentence={<Sentence />}
      picture={<PipePicture />}
      tools={
        <>
          <StageViews stage={says("gas")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-run-n")}
          </button>
        </>
      }
      ledger={
        <ItemLedger label={says("gas-runs")} list={pipes} kind="run" subject="gas-run" columns={columns} onAdd={create} empty={says("no-run-yet-first")} />
      }
      slate={p ? <RunSlate p={p} /> : h ? <HoseSlate h={h} /> : <Whole />}
    />
  );
}

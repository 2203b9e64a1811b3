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
import { type GasPipe, type Hose, useGas, useHoses, usePipes } from "./edit";
import { PipePicture } from "./PipePicture";
import { Sentence } from "./Sentence";
import { DRIVING, FITTINGS, JOINTS, MATERIALS, MOUNTS, REGIMES, VIEWS } from "./words";

const CAUTION =
  "You may plan, run empty sleeves and mount appliances unconnected. Joining pipe, connecting, commissioning, converting jets and altering a regulator are the fitter’s, unless the region gives you the right.";

function RunSlate({ p }: { p: GasPipe & { name: string } }) {
  const say = useSaid();
  const { design, report } = useVariant();
  const { g, part } = useGas();
  const { items, set, remove } = usePipes();
  const run = part.pipes?.runs[p.id];
  const mine = below(p.id, items);
  const fed = new Set(items.filter((x) => x.id !== p.id).map((x) => x.appliance));
  return (
    <Slate title={p.name} sub={p.appliance ? "a run to an appliance" : "a run that goes on"}>
      <FindingList findings={report.findings.filter((f) => f.subject === `gas-run:${p.id}`)} />
      {run && (
        <p className="my-1 text-[12px]">
          {say(`${run.flow_kg_h.toFixed(2)} kg/h through `)}
          {say(`${run.inner_diameter_mm} mm take `)}
          {say(`${run.drop_mbar.toFixed(2)} mbar; `)}
          {say(`${run.lost_mbar.toFixed(2)} mbar are lost to its end, `)}
          {say(`${run.end_mbar.toFixed(2)} mbar stand there. Reynolds number `)}
          {Math.round(run.reynolds)}: {REGIMES[run.regime]}.
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          choice(
            "parent",
            "begins at",
            items.filter((x) => !mine.has(x.id)).map((x) => ({ value: x.id, word: x.name })),
            { none: "the regulator" },
          ),
          choice(
            "appliance",
            "feeds",
            (g.appliances ?? []).filter((a) => !fed.has(a.id)).map((a) => ({ value: a.id, word: a.name })),
            { none: "goes on" },
          ),
          mm("inner_diameter_mm", "bore", {
            clearable: true,
            placeholder: "Bothy’s size",
            note: say(design.region === "us" ? "inside: tube of 3/8 in has 7.9 mm, of 1/2 in 10.9 mm" : "inside: pipe of 8 mm has 6 mm, of 10 mm 8 mm"),
          }),
          quantity("length_m", "length", "length", "m"),
          choice("material", "pipe", MATERIALS),
          choice("joint", "joints", JOINTS),
        ]}
        item={p}
        onSet={(key, value, label) => void set(p, { [key]: value }, label)}
      />
      <Fittings known={FITTINGS} fittings={p.fittings} onSet={(fittings, label) => void set(p, { fittings }, label)} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Way</h3>
      <Fields
        specs={[
          quantity("clip_m", "clips every", "length", "m", { clearable: true, placeholder: "not entered" }),
          flag("grommets", "a grommet at each panel"),
          mm("to_cable_mm", "to the nearest cable", { clearable: true, placeholder: "not entered" }),
          flag("crosses_cable", "it only crosses it"),
          ...(p.crosses_cable ? [flag("cable_cover", "with a cover between")] : []),
          mm("to_hot_mm", "to exhaust or heat", { clearable: true, placeholder: "not entered" }),
          flag("shielded", "a shield between"),
          flag("hidden_joint", "a joint in a void or under the floor"),
        ]}
        item={p}
        onSet={(key, value, label) => void set(p, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(p)}>Remove this run</TakeOut>
    </Slate>
  );
}

function HoseSlate({ h }: { h: Hose }) {
  const { report } = useVariant();
  const { set, remove } = useHoses();
  return (
    <Slate title={h.name} sub={h.high_pressure ? "hose before the regulator" : "hose after the regulator"}>
      <FindingList findings={report.findings.filter((f) => f.subject === `hose:${h.id}`)} />
      <Fields
        specs={[
          words("name", "name"),
          flag("high_pressure", "before the regulator"),
          quantity("length_m", "length", "length", "m"),
          quantity("age_years", "age from its date, years", "count", "", { clearable: true, placeholder: "no date on it" }),
          flag("slides", "to a vessel on a slide-out"),
          flag("cracked", "its surface is cracked"),
          flag("through_wall", "it passes a wall, floor or void"),
        ]}
        item={h}
        onSet={(key, value, label) => void set(h, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(h)}>Remove this hose</TakeOut>
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
    <Slate title="Gas" sub="regulator, hoses, pipes">
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && /^(gas-run|hose|regulator|solenoid)/.test(f.subject))} />
      <SlateFigs ks={["gas/worst_mbar", "gas/pipe_mm", "gas/peak_kg_h", "gas/regulator_min_kg_h", "gas/solenoid_wh"]} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Regulator</h3>
      {r ? (
        <>
          <Fields
            specs={[
              words("name", "name"),
              quantity("nominal_mbar", "gives", "pressure", "mbar", {
                scale: 0.01,
                clearable: true,
                placeholder: say(`${part.nominal_mbar} mbar, the region’s`),
              }),
              quantity("capacity_kg_h", "capacity, kg/h", "count", ""),
              quantity("age_years", "age from its date, years", "count", "", { clearable: true, placeholder: "not entered" }),
              choice("mount", "sits", MOUNTS),
              flag("crash_safe", "shuts in a crash"),
              flag("hose_break", "valves that shut when a hose breaks"),
            ]}
            item={r}
            onSet={put("regulator", "regulator")}
          />
          {off("regulator", "no regulator")}
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set("regulator", { nominal_mbar: part.nominal_mbar, capacity_kg_h: part.regulator_size_kg_h }, "a regulator")}
        >
          Add a regulator
        </button>
      )}
      <Fields specs={[choice("while_driving", "while driving the valve is", DRIVING)]} item={g} onSet={(key, value, label) => void set(key, value, label)} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Hoses</h3>
      {hoses.items.map((h) => (
        <button key={h.id} type="button" className="my-0.5 block underline decoration-dotted underline-offset-2" onClick={() => hand.pick("hose", h.id)}>
          {h.name}
        </button>
      ))}
      <button type="button" className="btn btn-slate my-1" onClick={() => void hoses.add({ age_years: 0 }).then((id) => id && hand.pick("hose", id))}>
        Add a hose
      </button>
      <h3 className="mb-1 mt-3 font-display text-[14px]">Main solenoid</h3>
      {s ? (
        <>
          <Fields
            specs={[
              flag("normally_closed", "closed without current"),
              quantity("hold_w", "holds with", "power", "W"),
              quantity("open_h_day", "open, hours a day", "count", ""),
              flag("by_alarm", "the gas alarm shuts it too"),
              choice(
                "appliance",
                "which appliance in Daily use",
                (design.life?.appliances ?? []).map((a) => ({ value: a.id, word: a.name })),
                { none: "none", note: "its circuit then gets a switch on the panel in Wiring" },
              ),
            ]}
            item={s}
            onSet={put("solenoid", "solenoid")}
          />
          <p className="my-1 text-[12px] text-chalk-dim">{part.on_panel ? "A switch of the panel works it." : "No switch of the panel works it yet."}</p>
          {off("solenoid", "no solenoid")}
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set("solenoid", { normally_closed: true, hold_w: 1, open_h_day: 2, by_alarm: true }, "a solenoid")}
        >
          Add a solenoid
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
        ? { name: `To ${unfed.name}`.slice(0, 120), parent: first.id, appliance: unfed.id, fittings: { tee_branch: 1, valve_appliance: 1 } }
        : first
          ? { parent: first.id }
          : { name: "Main", length_m: 2, fittings: { valve_ball: 1 } };
    const id = await add({ grommets: true, ...to });
    if (id) hand.pick("run", id);
  }, [add, first, unfed, hand.pick]);
  useCall("bothy:new", create);
  const p = hand.kind === "run" ? pipes.items.find((x) => x.id === hand.id) : undefined;
  const h = hand.kind === "hose" ? hoses.items.find((x) => x.id === hand.id) : undefined;
  const run = (x: GasPipe) => part.pipes?.runs[x.id];
  const columns: Column<GasPipe & { name: string }>[] = [
    nameColumn(pipes, "run", "24%"),
    beginsColumn(pipes, "18%", "regulator"),
    lengthColumn(pipes, "10%", units),
    {
      key: "bore",
      label: "bore",
      width: "12%",
      align: "right",
      kind: "quantity",
      dimension: "length",
      unit: "mm",
      show: (x) =>
        x.inner_diameter_mm != null ? (
          show(x.inner_diameter_mm, "mm", units)
        ) : run(x) ? (
          <i className="text-heather" title="Bothy’s size">
            {say(`${run(x)!.inner_diameter_mm} mm`)}
          </i>
        ) : (
          ""
        ),
      value: (x) => x.inner_diameter_mm ?? null,
      set: (x, q) => void pipes.set(x, { inner_diameter_mm: q ? q.value * 1000 : null }, "bore"),
    },
    { key: "flow", label: "flow", width: "10%", align: "right", kind: "computed", show: (x) => (run(x) ? say(`${run(x)!.flow_kg_h.toFixed(2)} kg/h`) : "") },
    { key: "drop", label: "takes", width: "12%", align: "right", kind: "computed", show: (x) => (run(x) ? say(`${run(x)!.drop_mbar.toFixed(2)} mbar`) : "") },
    {
      key: "end",
      label: "at its end",
      width: "12%",
      align: "right",
      kind: "computed",
      show: (x) => (run(x) ? say(`${run(x)!.end_mbar.toFixed(2)} mbar`) : ""),
    },
  ];
  return (
    <Bench
      title="Gas"
      sentence={<Sentence />}
      picture={<PipePicture />}
      tools={
        <>
          <StageViews stage="Gas" views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            Add a run (n)
          </button>
        </>
      }
      ledger={
        <ItemLedger
          label="Gas runs"
          list={pipes}
          kind="run"
          subject="gas-run"
          columns={columns}
          onAdd={create}
          empty={"No run yet. The first goes from the regulator to where the pipes part; then one to each appliance."}
        />
      }
      slate={p ? <RunSlate p={p} /> : h ? <HoseSlate h={h} /> : <Whole />}
    />
  );
}

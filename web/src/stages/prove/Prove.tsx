/** Stage 11, Prove: does it do what the design says? The ladder of commissioning, the test sheet, the finder and practice. */

import { useCallback, useState } from "react";
import { Link } from "react-router";
import { percent, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { BeingBuilt } from "../../parts/BeingBuilt";
import { Fig, SlateFig } from "../../parts/Fig";
import { FindingList, ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { TextProperty } from "../../parts/Property";
import { Token } from "../../parts/Token";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { useSite } from "../../shell/useSite";
import { StageViews } from "../../shell/ViewSwitch";
import { useStageView } from "../../shell/views";
import { says } from "../../words/prove";
import { Bands, VerdictMark } from "./Bands";
import { type Commissioning, useCommissioning, useFinder, useLive, useStarts, VIEWS, WHO } from "./data";
import { type SheetRow, useReadings, VERDICTS } from "./edit";
import { FinderPicture, FinderView, useSearch } from "./FinderView";
import { InService } from "./InService";
import { Ladder } from "./Ladder";
import { LiveView } from "./LiveView";
import { LOOP_VERDICTS, LoopLedger, LoopSentence } from "./Loops";
import { PracticePicture, PracticeView, usePractice } from "./PracticeView";
import { RecordLedger } from "./Record";
import { SiteLadder } from "./SiteLadder";
import { StepForm } from "./StepForm";
import { StepLedger } from "./StepLedger";

function Sentence({ c }: { c: Commissioning | undefined }) {
  const { id, design, report } = useVariant();
  const shut = c?.rungs.find((r) => r.id === "s5");
  const m = design.prove.meter;
  const p = report.prove;
  return (
    <>
      <BeingBuilt />
      {shut?.state === "locked" && (
        <>
          <Link to={`/v/${id}/prove`} className="underline">
            {says("locked-until-dead-tests")}
          </Link>
          .{" "}
        </>
      )}
      {says("circuits-read-passed", { read: p.read, testable: p.testable, passed: p.passed })}{" "}
      {p.unanswered > 0 && (
        <Link to={`/v/${id}/worklist?severity=question`} className="underline">
          {says("question-questions-not-answered", { unanswered: p.unanswered })}
        </Link>
      )}{" "}
      {says("voltmeter-good")}{" "}
      <Token
        path="/prove/meter/volt_accuracy_frac"
        label={says("voltmeters-accuracy")}
        dimension="fraction"
        unit=""
        value={m.volt_accuracy_frac}
        shown={`± ${percent(m.volt_accuracy_frac, 1)}`}
      />{" "}
      {says("showing")}{" "}
      <Token
        path="/prove/meter/volt_resolution_v"
        label={says("voltmeters-last-digit")}
        dimension="voltage"
        unit="V"
        value={m.volt_resolution_v}
        shown={show(m.volt_resolution_v, "V")}
      />
      {says("ammeter-good")}{" "}
      <Token
        path="/prove/meter/current_accuracy_frac"
        label={says("ammeters-accuracy")}
        dimension="fraction"
        unit=""
        value={m.current_accuracy_frac}
        shown={`± ${percent(m.current_accuracy_frac, 1)}`}
      />{" "}
      {says("showing")}{" "}
      <Token
        path="/prove/meter/current_resolution_a"
        label={says("ammeters-last-digit")}
        dimension="current"
        unit="A"
        value={m.current_resolution_a}
        shown={show(m.current_resolution_a, "A")}
      />
      .
    </>
  );
}

function LadderSentence({ c }: { c: Commissioning | undefined }) {
  const say = useSaid();
  const next = c?.steps.find((x) => x.id === c.next);
  return (
    <>
      <BeingBuilt />
      {!c
        ? says("making-ladder")
        : c.total === 0
          ? says("nothing-prove-yet")
          : c.passed === c.total
            ? says("all-steps-proved", { total: c.total })
            : says("steps-proved-failed-prove", {
                passed: c.passed,
                total: c.total,
                has_failed: Boolean(c.failed),
                failed: c.failed,
                has_again: Boolean(c.again),
                again: c.again,
              })}
      {next && (
        <>
          {" "}
          {says("next")} <b>{say(`${next.stage.toUpperCase()} ${next.title}`, "wiring")}</b>
          {next.state === "fail" ? says("which-failed-find-cause") : "."}
        </>
      )}
    </>
  );
}

function LadderSlate({ c, rung }: { c: Commissioning; rung: string | null }) {
  const say = useSaid();
  const hand = useHand();
  const r = c.rungs.find((x) => x.id === rung);
  const next = c.steps.find((x) => x.id === c.next);
  return (
    <Slate
      title={r ? say(`${r.id.toUpperCase()} ${r.title}`, "wiring") : says("test")}
      sub={r ? say(says("by-2", { who: WHO[r.who] ?? r.who })) : says("one-stage-after-other")}
    >
      {r && (
        <>
          {r.why && <p className="my-1 border-l-2 border-gorse pl-2">{say(r.why, "wiring")}</p>}
          <p className="my-1 border-l-2 border-rust pl-2">
            {say(says("stop-if"))}
            {say(r.stop, "wiring")}
          </p>
        </>
      )}
      {next && (
        <p className="my-2">
          {says("next")}{" "}
          <button type="button" className="underline" onClick={() => hand.pick("step", next.id)}>
            {say(next.title, "wiring")}
          </button>
        </p>
      )}
      <InService c={c} />
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        {says("nothing-simulated-ever-proves", { before_first_power: say(says("before-first-power-main"), "wiring"), licensed: say(c.licensed) })}
      </p>
    </Slate>
  );
}

function ProveSlate() {
  const say = useSaid();
  const { report } = useVariant();
  const { of, set, clear } = useReadings();
  const hand = useHand();
  const row = hand.kind === "circuit" ? report.prove.rows.find((r) => r.circuit === hand.id) : undefined;
  const loop = report.wiring.loops[hand.id];
  if (!row && loop)
    return (
      <Slate title={`${loop.code} ${loop.name}`} sub={says("loop-3", { verdict: LOOP_VERDICTS[loop.verdict ?? ""] ?? says("not-read") })}>
        <FindingList findings={report.findings.filter((f) => f.subject === loop.circuit && f.stage === "prove")} empty={says("loop-design-says")} />
      </Slate>
    );
  if (!row)
    return (
      <Slate title={says("test")} sub={says("one-circuit-time-order")}>
        <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
          {say(says("before-first-power-main-fuse"), "wiring")}
          {say(report.licensed)}
        </p>
        <FindingList findings={report.findings.filter((f) => f.stage === "prove")} empty={says("no-reading-fails")} />
      </Slate>
    );
  const reading = of(row.circuit);
  return (
    <Slate title={`${row.code} ${row.name}`} sub={row.verdict ? VERDICTS[row.verdict] : says("not-read-yet-2")}>
      <FindingList findings={report.findings.filter((f) => f.subject === row.circuit && f.stage === "prove")} />
      <p className="my-1">{say(row.how, "wiring")}</p>
      {row.missing && <p className="text-[#f0c445]">{says("cant-tested-yet", { missing: row.missing })}</p>}
      {(["expected_a", "low_a", "high_a", "expected_v"] as const).map((k) => (
        <SlateFig key={k} k={`prove/${row.circuit}/${k}`} />
      ))}
      {row.low_v != null && (
        <p className="my-1">
          {says("volts-load")}{" "}
          <span className="num">{says("to-3", { low_v: show(row.low_v, "V", "metric", 4), high_v: show(row.high_v, "V", "metric", 4) })}</span>
        </p>
      )}
      {loop?.verdict && (
        <p className="my-1">
          {says("loop-before-power", { measured_mohm: loop.measured_mohm ?? "", m: say(says("m-2"), "wiring"), verdict: LOOP_VERDICTS[loop.verdict] ?? "" })}
        </p>
      )}
      {reading && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("reading")}</h3>
          <p className="m-0 text-chalk-dim">
            {reading.taken_at && says("taken", { taken_at: reading.taken_at })} {reading.taken_by && says("by-3", { taken_by: reading.taken_by })}
            {row.judged_revision != null && says("judged-against-revision", { judged_revision: row.judged_revision })}
            {row.outdated ? says("what-expected-has-changed") : ""}
          </p>
          <TextProperty label={says("by")} value={reading.taken_by ?? ""} maxLength={80} onSet={(t) => void set(row, { taken_by: t })} />
          <TextProperty label={says("note")} area value={reading.note ?? ""} onSet={(t) => void set(row, { note: t })} />
          <button type="button" className="btn btn-slate mt-1" onClick={() => void clear(row)}>
            {says("strike-reading")}
          </button>
        </>
      )}
    </Slate>
  );
}

const HINT: Record<string, string> = {
  loops: says("type-what-meter-shows"),
  readings: says("volts-bank-load-same"),
  record: says("all-was-taken-down"),
};

export function Component() {
  const say = useSaid();
  const { report, id } = useVariant();
  const { of, set, clear } = useReadings();
  const hand = useHand();
  const site = useSite();
  const { view, turnTo } = useStageView(VIEWS);
  const made = useCommissioning();
  const starts = useStarts();
  const live = useLive(view === "live");
  const practice = usePractice(view === "practice");
  const [asked, setRung] = useState<string | null>(null);
  const [drawn, setDrawn] = useState(false);
  const [search, setSearch] = useSearch();
  const found = useFinder(search.start, search.answers, search.licensed);
  const loops = view === "loops";
  const rowId = useCallback((r: SheetRow) => r.circuit, []);
  const stageOf = (id: string | null | undefined) => made.data?.steps.find((x) => x.id === id)?.stage ?? null;
  // the rung that was pressed; without one, that of the step in hand, else that of the next step
  const rung = asked === "all" ? null : (asked ?? stageOf(hand.kind === "step" ? hand.id : null) ?? stageOf(made.data?.next));
  const step = hand.kind === "step" ? made.data?.steps.find((x) => x.id === hand.id) : undefined;
  const find = (stepId: string) => {
    setSearch({ start: starts.data?.by_step[stepId] ?? null, answers: [] });
    turnTo("finder");
  };
  if (site && (view === "ladder" || !made.data))
    return made.data ? (
      <SiteLadder c={made.data} onFind={find} />
    ) : (
      <main aria-label={says("test")} className="p-4">
        <p role="status">{made.error ? (made.error as Error).message : says("making-ladder")}</p>
      </main>
    );
  const volts = (key: "source_voltage_v" | "load_voltage_v", label: string): Column<SheetRow> => ({
    key,
    label,
    width: "11%",
    align: "right",
    kind: "quantity",
    show: (r) => show(of(r.circuit)?.[key], "V", "metric", 4),
    value: (r) => of(r.circuit)?.[key],
    text: (r) => (of(r.circuit)?.[key] != null ? `${of(r.circuit)?.[key]} V` : ""),
    dimension: "voltage",
    unit: "V",
    clearable: true,
    set: (r, q) => void set(r, { [key]: q?.value ?? null }),
  });
  const columns: Column<SheetRow>[] = [
    { key: "code", label: says("code"), width: "5%", kind: "computed", show: (r) => r.code },
    {
      key: "name",
      label: says("circuit"),
      width: "27%",
      kind: "computed",
      show: (r) => <span className="font-sans text-peat">{r.name}</span>,
      title: (r) => say(r.how, "wiring"),
    },
    {
      key: "expected_a",
      label: says("expect"),
      width: "10%",
      align: "right",
      kind: "computed",
      show: (r) => (r.missing ? <span title={r.missing}>{says("not-yet")}</span> : <Fig k={`prove/${r.circuit}/expected_a`} />),
    },
    {
      key: "current_a",
      label: says("amps-read"),
      width: "10%",
      align: "right",
      kind: "quantity",
      show: (r) => show(of(r.circuit)?.current_a, "A"),
      value: (r) => of(r.circuit)?.current_a,
      text: (r) => (of(r.circuit)?.current_a != null ? `${of(r.circuit)?.current_a} A` : ""),
      dimension: "current",
      unit: "A",
      clearable: true,
      set: (r, q) => void set(r, { current_a: q?.value ?? null }),
    },
    volts("source_voltage_v", says("volts-bank")),
    {
      key: "expected_v",
      label: says("expect"),
      width: "11%",
      align: "right",
      kind: "computed",
      show: (r) => (r.expected_v != null ? <Fig k={`prove/${r.circuit}/expected_v`} digits={4} /> : "–"),
    },
    volts("load_voltage_v", says("volts-load-2")),
    {
      key: "verdict",
      label: says("verdict"),
      width: "12%",
      kind: "computed",
      show: (r) =>
        r.verdict ? (
          <span className="text-peat">
            <VerdictMark verdict={r.verdict} /> {VERDICTS[r.verdict]}
            {r.outdated ? says("older") : ""}
          </span>
        ) : (
          ""
        ),
    },
  ];
  const c = made.data;
  const picture =
    view === "ladder" && c ? (
      <Ladder c={c} rung={rung} drawn={drawn} onRung={(id) => setRung(id ?? "all")} />
    ) : view === "finder" && search.start && found.data?.elements.length ? (
      <FinderPicture f={found.data} />
    ) : view === "practice" ? (
      <PracticePicture p={practice} />
    ) : report.prove.rows.length && view === "readings" ? (
      <Bands />
    ) : undefined;
  return (
    <Bench
      title={says("test")}
      sentence={loops ? <LoopSentence /> : view === "readings" ? <Sentence c={c} /> : <LadderSentence c={c} />}
      picture={picture}
      tools={
        <>
          <StageViews stage={says("test")} views={VIEWS} />
          {rung && view === "ladder" ? (
            <button type="button" className="btn" onClick={() => setRung("all")}>
              {says("all-stages")}
            </button>
          ) : (
            <span className="text-dim">{HINT[view] ?? ""}</span>
          )}
          {view === "ladder" && c && (
            <button type="button" className="btn" aria-pressed={drawn} onClick={() => setDrawn(!drawn)}>
              {drawn ? says("marks") : says("drawing")}
            </button>
          )}
          <span className="flex-1" />
          {view === "ladder" ? (
            <Link className="btn no-underline" to={`/v/${id}/print/ladder${rung ? `?rung=${rung}` : ""}`}>
              {says("print-ladder", { has_rung: Boolean(rung), to_upper_case: rung ? rung.toUpperCase() : "" })}
            </Link>
          ) : (
            <Link className="btn no-underline" to={`/v/${id}/print/sheet`}>
              {says("print-test-sheet")}
            </Link>
          )}
        </>
      }
      ledger={
        view === "record" ? (
          <RecordLedger />
        ) : view === "ladder" ? (
          c ? (
            <StepLedger c={c} rung={rung} />
          ) : (
            <p className="p-3" role="status">
              {made.error ? (made.error as Error).message : says("making-ladder")}
            </p>
          )
        ) : view === "finder" ? (
          <FinderView
            s={search}
            set={setSearch}
            f={search.start ? found.data : undefined}
            error={found.error as Error | null}
            onMended={() => {
              setSearch({ start: null, answers: [] });
              turnTo("ladder");
            }}
          />
        ) : view === "live" ? (
          <LiveView live={live.data} error={live.error as Error | null} />
        ) : view === "practice" ? (
          <PracticeView p={practice} />
        ) : loops ? (
          <LoopLedger />
        ) : (
          <Ledger
            label={says("test-sheet")}
            rows={report.prove.rows}
            columns={columns}
            id={rowId}
            selected={hand.kind === "circuit" ? hand.id : undefined}
            onSelect={(r) => hand.pick("circuit", r.circuit)}
            onRemove={(r) => void clear(r)}
            mark={(r) => <ItemMark subject={r.circuit} stage={says("prove")} />}
            empty={says("nothing-test-yet-sheet")}
          />
        )
      }
      slate={
        step && c ? (
          <Slate
            title={say(step.title, "wiring")}
            sub={say(
              says("by-4", { to_upper_case: step.stage.toUpperCase(), title: c.rungs.find((r) => r.id === step.stage)?.title ?? "", who: step.who }),
              "wiring",
            )}
          >
            <StepForm key={step.id} s={step} onFind={find} />
          </Slate>
        ) : c && (view === "ladder" || view === "finder" || view === "practice" || view === "live") ? (
          <LadderSlate c={c} rung={view === "ladder" ? rung : null} />
        ) : (
          <ProveSlate />
        )
      }
    />
  );
}

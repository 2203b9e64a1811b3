/** Stage 11, Prove: does it do what the design says? The test sheet, its readings and their verdicts. */

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
import { Bands, VerdictMark } from "./Bands";
import { type SheetRow, useReadings, VERDICTS } from "./edit";
import { LOOP_VERDICTS, LoopLedger, LoopSentence } from "./Loops";
import { RecordLedger } from "./Record";
import { SiteSheet } from "./SiteSheet";

function Sentence() {
  const { id, design, report } = useVariant();
  const m = design.prove.meter;
  const p = report.prove;
  return (
    <>
      <BeingBuilt />
      {p.read} of {p.testable} circuits read, {p.passed} passed.{" "}
      {p.unanswered > 0 && (
        <Link to={`/v/${id}/worklist?severity=question`} className="underline">
          {p.unanswered} {p.unanswered === 1 ? "question is" : "questions are"} not answered and counted as missing.
        </Link>
      )}{" "}
      Voltmeter good to{" "}
      <Token
        path="/prove/meter/volt_accuracy_frac"
        label="voltmeter's accuracy"
        dimension="fraction"
        unit=""
        value={m.volt_accuracy_frac}
        shown={`± ${percent(m.volt_accuracy_frac, 1)}`}
      />{" "}
      showing{" "}
      <Token
        path="/prove/meter/volt_resolution_v"
        label="voltmeter's last digit"
        dimension="voltage"
        unit="V"
        value={m.volt_resolution_v}
        shown={show(m.volt_resolution_v, "V")}
      />
      , ammeter good to{" "}
      <Token
        path="/prove/meter/current_accuracy_frac"
        label="ammeter's accuracy"
        dimension="fraction"
        unit=""
        value={m.current_accuracy_frac}
        shown={`± ${percent(m.current_accuracy_frac, 1)}`}
      />{" "}
      showing{" "}
      <Token
        path="/prove/meter/current_resolution_a"
        label="ammeter's last digit"
        dimension="current"
        unit="A"
        value={m.current_resolution_a}
        shown={show(m.current_resolution_a, "A")}
      />
      .
    </>
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
      <Slate title={`${loop.code} ${loop.name}`} sub={`loop ${LOOP_VERDICTS[loop.verdict ?? ""] ?? "not read"}`}>
        <FindingList findings={report.findings.filter((f) => f.subject === loop.circuit && f.stage === "prove")} empty="Its loop is as the design says." />
      </Slate>
    );
  if (!row)
    return (
      <Slate title="Test" sub="one circuit at a time, in the order of the sheet">
        <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
          {say("Before first power: main fuse out, every loop checked, polarity right, a second person there. Mains tests are licensed work. ", "wiring")}
          {report.licensed}
        </p>
        <FindingList findings={report.findings.filter((f) => f.stage === "prove")} empty="No reading fails." />
      </Slate>
    );
  const reading = of(row.circuit);
  return (
    <Slate title={`${row.code} ${row.name}`} sub={row.verdict ? VERDICTS[row.verdict] : "not read yet"}>
      <FindingList findings={report.findings.filter((f) => f.subject === row.circuit && f.stage === "prove")} />
      <p className="my-1">{row.how}</p>
      {row.missing && <p className="text-[#f0c445]">Can't be tested yet: {row.missing}.</p>}
      {(["expected_a", "low_a", "high_a", "expected_v"] as const).map((k) => (
        <SlateFig key={k} k={`prove/${row.circuit}/${k}`} />
      ))}
      {row.low_v != null && (
        <p className="my-1">
          Volts at the load: <span className="num">{`${show(row.low_v, "V", "metric", 4)} to ${show(row.high_v, "V", "metric", 4)}`}</span>
        </p>
      )}
      {loop?.verdict && (
        <p className="my-1">
          Its loop before power: {loop.measured_mohm}
          {say(" mΩ, ", "wiring")}
          {LOOP_VERDICTS[loop.verdict]}.
        </p>
      )}
      {reading && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">Reading</h3>
          <p className="m-0 text-chalk-dim">
            {reading.taken_at && `taken ${reading.taken_at}`} {reading.taken_by && `by ${reading.taken_by}`}
            {row.judged_revision != null && `, judged against revision ${row.judged_revision}`}
            {row.outdated ? ": what is expected has changed since" : ""}
          </p>
          <TextProperty label="by" value={reading.taken_by ?? ""} maxLength={80} onSet={(t) => void set(row, { taken_by: t })} />
          <TextProperty label="note" area value={reading.note ?? ""} onSet={(t) => void set(row, { note: t })} />
          <button type="button" className="btn btn-slate mt-1" onClick={() => void clear(row)}>
            Strike this reading
          </button>
        </>
      )}
    </Slate>
  );
}

const VIEWS = [
  ["loops", "Before power: loops"],
  ["readings", "With power: readings"],
  ["record", "Record"],
] as const;
const HINT = {
  loops: "Type what the meter shows: “120 mohm”, “0.3 ohm”.",
  readings: "“4.1 A”, “12.6”. Volts at bank and load in the same moment, load on.",
  record: "All that was taken down, newest first. Undo never takes it back.",
};

export function Component() {
  const { report, id } = useVariant();
  const { of, set, clear } = useReadings();
  const hand = useHand();
  const site = useSite();
  const [view, setView] = useState<"loops" | "readings" | "record">("readings");
  const loops = view === "loops";
  const rowId = useCallback((r: SheetRow) => r.circuit, []);
  if (site) return <SiteSheet />;
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
    { key: "code", label: "code", width: "5%", kind: "computed", show: (r) => r.code },
    {
      key: "name",
      label: "circuit",
      width: "27%",
      kind: "computed",
      show: (r) => <span className="font-sans text-peat">{r.name}</span>,
      title: (r) => r.how,
    },
    {
      key: "expected_a",
      label: "expect",
      width: "10%",
      align: "right",
      kind: "computed",
      show: (r) => (r.missing ? <span title={r.missing}>not yet</span> : <Fig k={`prove/${r.circuit}/expected_a`} />),
    },
    {
      key: "current_a",
      label: "amps read",
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
    volts("source_voltage_v", "volts at bank"),
    {
      key: "expected_v",
      label: "expect",
      width: "11%",
      align: "right",
      kind: "computed",
      show: (r) => (r.expected_v != null ? <Fig k={`prove/${r.circuit}/expected_v`} digits={4} /> : "–"),
    },
    volts("load_voltage_v", "volts at load"),
    {
      key: "verdict",
      label: "verdict",
      width: "12%",
      kind: "computed",
      show: (r) =>
        r.verdict ? (
          <span className="text-peat">
            <VerdictMark verdict={r.verdict} /> {VERDICTS[r.verdict]}
            {r.outdated ? ", older" : ""}
          </span>
        ) : (
          ""
        ),
    },
  ];
  return (
    <Bench
      title="Test"
      sentence={loops ? <LoopSentence /> : <Sentence />}
      picture={report.prove.rows.length && view === "readings" ? <Bands /> : undefined}
      tools={
        <>
          <span className="flex" role="group" aria-label="Which test">
            {VIEWS.map(([key, word]) => (
              <button
                key={key}
                type="button"
                className={`btn px-2 ${view === key ? "!border-gorse font-semibold" : ""}`}
                aria-pressed={view === key}
                onClick={() => setView(key)}
              >
                {word}
              </button>
            ))}
          </span>
          <span className="text-dim">{HINT[view]}</span>
          <span className="flex-1" />
          <Link className="btn no-underline" to={`/v/${id}/print/sheet`}>
            Print the test sheet
          </Link>
        </>
      }
      ledger={
        view === "record" ? (
          <RecordLedger />
        ) : loops ? (
          <LoopLedger />
        ) : (
          <Ledger
            label="Test sheet"
            rows={report.prove.rows}
            columns={columns}
            id={rowId}
            selected={hand.kind === "circuit" ? hand.id : undefined}
            onSelect={(r) => hand.pick("circuit", r.circuit)}
            onRemove={(r) => void clear(r)}
            mark={(r) => <ItemMark subject={r.circuit} stage="prove" />}
            empty="Nothing to test yet: the sheet follows from the circuits in Wiring (key 5)."
          />
        )
      }
      slate={<ProveSlate />}
    />
  );
}

/** The test sheet with one hand free: one circuit at a time, what to do, three big fields, and the verdict at once. */
import { useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Quantity } from "../../parts/Quantity";
import { useSaid } from "../../shell/person";
import { VerdictMark } from "./Bands";
import { type Reading, type SheetRow, useReadings, VERDICTS } from "./edit";
import { LoopCards } from "./Loops";

const FIELDS: {
  key: keyof Pick<Reading, "source_voltage_v" | "load_voltage_v" | "current_a">;
  label: string;
  dimension: string;
  unit: string;
  loadOnly: boolean;
}[] = [
  { key: "source_voltage_v", label: "Volts at the bank", dimension: "voltage", unit: "V", loadOnly: true },
  { key: "load_voltage_v", label: "Volts at the load", dimension: "voltage", unit: "V", loadOnly: true },
  { key: "current_a", label: "Amps", dimension: "current", unit: "A", loadOnly: false },
];

function Card({ row }: { row: SheetRow }) {
  const { report } = useVariant();
  const say = useSaid();
  const { of, set, clear } = useReadings();
  const reading = of(row.circuit);
  const findings = report.findings.filter((f) => f.subject === row.circuit && f.stage === "prove");
  return (
    <section aria-label={`${row.code} ${row.name}`} className="border border-line bg-sheet p-3">
      <h2 className="m-0 font-display text-[20px] font-semibold">
        {row.code} {row.name}
      </h2>
      <p className="my-1">{row.how}</p>
      {row.missing ? (
        <p className="text-gorse-ink">Can't be tested yet: {row.missing}.</p>
      ) : (
        <>
          <p className="my-2">
            Expected{" "}
            <strong className="num">
              {show(row.low_a, "A")} to {show(row.high_a, "A")}
            </strong>
            {row.low_v != null && (
              <>
                {" "}
                and{" "}
                <strong className="num">
                  {show(row.low_v, "V", "metric", 4)} to {show(row.high_v, "V", "metric", 4)}
                </strong>{" "}
                at the load
              </>
            )}
            .
          </p>
          {FIELDS.filter((f) => !f.loadOnly || row.low_v != null).map((f) => (
            <div key={f.key} className="my-1.5 grid grid-cols-[1fr_9rem] items-center gap-2">
              <span>{f.label}</span>
              <Quantity
                className="w-full [&_input]:h-12 [&_input]:text-[20px]"
                label={`${f.label}, ${row.code}`}
                value={reading?.[f.key]}
                dimension={f.dimension}
                unit={f.unit}
                clearable
                onCommit={(q) => void set(row, { [f.key]: q?.value ?? null })}
              />
            </div>
          ))}
          {row.verdict && (
            <p className="my-2 text-[20px] font-semibold" role="status">
              <VerdictMark verdict={row.verdict} /> {VERDICTS[row.verdict]}
            </p>
          )}
          {findings.map((f) => (
            <p key={f.id} className="my-1 border-l-2 border-rust pl-2">
              {say(f.message, f.stage)} {say(f.remedy, f.stage)}
            </p>
          ))}
          {reading && (
            <button type="button" className="btn min-h-11" onClick={() => void clear(row)}>
              Clear this reading
            </button>
          )}
        </>
      )}
    </section>
  );
}

export function SiteSheet() {
  const { report } = useVariant();
  const rows = report.prove.rows;
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      rows.findIndex((r) => !r.verdict && !r.missing),
    ),
  );
  const [loops, setLoops] = useState(false);
  const row = rows[Math.min(at, rows.length - 1)];
  if (!row)
    return (
      <main aria-label="Test" className="p-4">
        <h1 className="m-0 font-display text-[20px]">Test</h1>
        <p>No circuit to test yet; make them in Wiring.</p>
      </main>
    );
  return (
    <main aria-label="Test" className="flex flex-col gap-3 p-3">
      <h1 className="sr-only">Test</h1>
      <div className="grid grid-cols-2" role="group" aria-label="Which test">
        <button type="button" className={`btn h-12 ${loops ? "!border-gorse font-semibold" : ""}`} aria-pressed={loops} onClick={() => setLoops(true)}>
          Before power
        </button>
        <button type="button" className={`btn h-12 ${loops ? "" : "!border-gorse font-semibold"}`} aria-pressed={!loops} onClick={() => setLoops(false)}>
          With power
        </button>
      </div>
      {loops ? (
        <LoopCards />
      ) : (
        <>
          <p className="m-0">
            {report.prove.read} of {report.prove.testable} read, {report.prove.passed} passed.
          </p>
          <label className="grid gap-1">
            <span className="text-[14px] text-dim">circuit</span>
            <select className="field h-12" value={row.circuit} onChange={(e) => setAt(rows.findIndex((r) => r.circuit === e.target.value))}>
              {rows.map((r) => (
                <option key={r.circuit} value={r.circuit}>
                  {r.code} {r.name}
                  {r.verdict ? `: ${VERDICTS[r.verdict]}` : ""}
                </option>
              ))}
            </select>
          </label>
          <Card key={row.circuit} row={row} />
          <div className="grid grid-cols-2 gap-3">
            <button type="button" className="btn h-12" disabled={at <= 0} onClick={() => setAt(at - 1)}>
              Before
            </button>
            <button type="button" className="btn btn-main h-12" disabled={at >= rows.length - 1} onClick={() => setAt(at + 1)}>
              Next
            </button>
          </div>
          <p className="m-0 border-l-2 border-rust pl-2 text-[15px]">
            One circuit at a time, everything else off. Smell, heat or a reading above the cable's rating: switch off first, think afterwards.
          </p>
        </>
      )}
    </main>
  );
}

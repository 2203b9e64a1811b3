/** Gates: what lies behind each surface, with its evidence; closing is refused while something is open. */
import { useState } from "react";
import { Link } from "react-router";
import { useVariant } from "../../data/variant";
import { Photos } from "../../parts/Photos";
import { Term } from "../../parts/Term";
import { useTerm } from "../../shell/person";
import { says } from "../../words/build";
import { type Build, type Gate, useDayWord, useLog } from "./data";
import { behindWord, CHECKS } from "./words";

type Item = Gate["items"][number];
const TICKS = [
  ["done", says("done-2")],
  ["tested", says("tested")],
  ["labelled", says("labelled")],
  ["photo", says("photographed")],
] as const;

function Row({ x, gate }: { x: Item; gate: Gate }) {
  const log = useLog();
  const term = useTerm();
  const { report } = useVariant();
  const entry = log.seen.find((s) => s.id === x.id);
  const [waive, setWaive] = useState<{ why: string; who: string } | null>(null);
  const circuit = x.id.includes(":circuit-") ? x.id.split(":circuit-")[1] : null;
  const fixed = (key: (typeof TICKS)[number][0]) => (key === "done" && x.done && !entry?.done) || (key === "tested" && x.tested && !entry?.tested);
  return (
    <>
      <tr className="border-b border-line/60 align-top">
        <td className={`px-2 py-0.5 ${x.severity === "danger" ? "text-rust" : ""}`}>
          {term(x.name)}
          <span className="block text-[11px] text-dim">{term(behindWord(x.kind))}</span>
        </td>
        {TICKS.map(([key, word], i) => {
          const asked = x.wants[i === 0 ? 0 : i === 1 ? 1 : i === 2 ? 3 : 4];
          return (
            <td key={key} className="px-2 text-center">
              {asked ? (
                <input
                  type="checkbox"
                  aria-label={`${x.name}: ${term(word)}`}
                  checked={x[key]}
                  disabled={fixed(key) || !!gate.closed_on}
                  onChange={(e) => void log.see(x.id, { ...entry, [key]: e.target.checked }, says("not", { name: x.name, checked: e.target.checked, word }))}
                />
              ) : (
                "–"
              )}
            </td>
          );
        })}
        <td className="px-2 text-[12px]">
          {x.missing.length ? (
            <span className={x.severity === "danger" ? "text-rust" : x.severity === "fault" ? "font-semibold" : "text-dim"}>
              <Term>{x.missing.map((m) => CHECKS[m] ?? m).join(", ")}</Term>
            </span>
          ) : (
            says("all-there")
          )}
          {x.waived && <span className="block text-[11px] text-dim">{says("waived", { waived: x.waived })}</span>}
          {circuit && x.missing.includes("not-tested") && report.wiring.circuits[circuit] && (
            <span className="block text-[11px]">
              <Link className="underline" to={`../prove?hand=circuit:${circuit}`}>
                {says("test")}
              </Link>
            </span>
          )}
          {x.wants[4] && <Photos subject={x.id} zone={gate.zone} name={x.name} />}
          {x.severity === "fault" && !gate.closed_on && !waive && (
            <button type="button" className="block text-[11px] underline" onClick={() => setWaive({ why: "", who: "" })}>
              {says("waive-reason")}
            </button>
          )}
        </td>
      </tr>
      {waive && (
        <tr>
          <td colSpan={6} className="px-2 pb-2">
            <form
              className="flex flex-wrap gap-1"
              onSubmit={(e) => {
                e.preventDefault();
                if (waive.why.trim().length < 3 || !waive.who.trim()) return;
                void log
                  .see(x.id, { ...entry, waived: waive.why.trim(), who: waive.who.trim() }, says("waived-2", { name: x.name }))
                  .then(() => setWaive(null));
              }}
            >
              <input
                className="field min-w-40 flex-1"
                aria-label={says("reason")}
                placeholder={says("why-closed-all-same")}
                value={waive.why}
                maxLength={400}
                onChange={(e) => setWaive({ ...waive, why: e.target.value })}
              />
              <input
                className="field w-40"
                aria-label={says("name-2")}
                placeholder={says("your-name")}
                value={waive.who}
                maxLength={80}
                onChange={(e) => setWaive({ ...waive, who: e.target.value })}
              />
              <button type="submit" className="btn" disabled={waive.why.trim().length < 3 || !waive.who.trim()}>
                {says("waive")}
              </button>
              <button type="button" className="btn" onClick={() => setWaive(null)}>
                {says("leave")}
              </button>
            </form>
          </td>
        </tr>
      )}
    </>
  );
}

export function GatesView({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const log = useLog();
  const [open, setOpen] = useState<string | null>(null);
  const [who, setWho] = useState("");
  const gate = b.gates.find((g) => g.zone === open) ?? b.gates.find((g) => !g.closed_on) ?? b.gates[0];
  if (!gate) return <p className="p-3">{says("no-surface-closed-build")}</p>;
  const danger = gate.items.filter((x) => x.severity === "danger").length;
  return (
    <div className="p-2">
      <div role="group" aria-label={says("surface")} className="mb-2 flex flex-wrap gap-1">
        {b.gates.map((g) => (
          <button
            key={g.zone}
            type="button"
            aria-pressed={g === gate}
            className={`border px-2 py-0.5 text-[13px] ${g === gate ? "border-gorse font-semibold" : "border-line"}`}
            onClick={() => setOpen(g.zone)}
          >
            {g.name} {g.closed_on ? says("closed") : g.blocking ? says("open", { blocking: g.blocking }) : says("ready")}
          </button>
        ))}
      </div>
      {gate.closed_on ? (
        <p className="my-1 text-[14px]">
          {says("closed-2", { closed_on: dayWord(gate.closed_on, true), closed_by: gate.closed_by || says("nobody-named") })}{" "}
          <button
            type="button"
            className="underline"
            onClick={() => void log.close(gate.zone, { opened: true, who: gate.closed_by }, says("opened-again", { gate: gate.name }))}
          >
            {says("was-opened-again")}
          </button>
        </p>
      ) : gate.blocking > 0 ? (
        <p className="my-1 border-l-2 border-rust pl-2 text-[14px]" role="status">
          {says("dont-close-thing-things", { blocking: gate.blocking, some_danger: danger > 0, danger })}
        </p>
      ) : (
        <form
          className="my-1 flex flex-wrap items-center gap-2 text-[14px]"
          onSubmit={(e) => {
            e.preventDefault();
            if (who.trim()) void log.close(gate.zone, { opened: false, who: who.trim() }, says("closed-3", { gate: gate.name }));
          }}
        >
          <span>{gate.verdict === "close" ? says("may-closed") : says("may-closed-read-notes")}</span>
          <input
            className="field w-40"
            aria-label={says("closed-4")}
            placeholder={says("your-name")}
            value={who}
            maxLength={80}
            onChange={(e) => setWho(e.target.value)}
          />
          <button type="submit" className="btn" disabled={!who.trim()}>
            {says("close", { gate: gate.name.toLowerCase() })}
          </button>
        </form>
      )}
      {gate.wall && (
        <p className="my-1 text-[13px]">
          <Link className="underline" to={`../fit?view=wall&wall=${gate.wall}`}>
            {says("where-each-runs")}
          </Link>
        </p>
      )}
      <table className="w-full border-collapse text-[13px]" aria-label={says("behind", { gate: gate.name.toLowerCase() })}>
        <thead>
          <tr className="border-b border-line text-left text-[11px] text-dim">
            <th className="px-2 py-1">{says("behind-2")}</th>
            {TICKS.map(([, w]) => (
              <th key={w} className="px-2 py-1 text-center">
                <Term>{w}</Term>
              </th>
            ))}
            <th className="px-2 py-1">{says("still")}</th>
          </tr>
        </thead>
        <tbody>
          {gate.items.map((x) => (
            <Row key={x.id} x={x} gate={gate} />
          ))}
          {!gate.items.length && (
            <tr>
              <td colSpan={6} className="p-3">
                {says("nothing-known-lie-behind")}
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

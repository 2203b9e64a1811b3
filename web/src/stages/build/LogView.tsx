/** The log of the work, the curve of what was planned and done, and the money by service. */

import { PlainNumber } from "../../parts/PlainNumber";
import { useMoney, useSaid } from "../../shell/person";
import { says } from "../../words/build";
import { AsBuilt } from "./AsBuilt";
import { type Build, hoursWord, useDayWord, useLog, usePlan } from "./data";
import { PunchList } from "./PunchList";
import { serviceWord } from "./words";

/** Hours that are done against hours that were spent and what lies ahead. */
export function Curve({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const c = b.curve;
  if (c.days.length < 2) return <p className="p-3 text-[14px]">{says("curve-begins-first-entry")}</p>;
  const at = (d: string) => new Date(`${d.slice(0, 10)}T12:00`).getTime();
  const from = at(c.days[0]!);
  const to = Math.max(...c.days.map(at), from + 86400e3);
  const most = Math.max(1, ...c.planned, ...c.spent);
  const x = (d: string) => 44 + ((at(d) - from) / (to - from)) * 640;
  const y = (h: number) => 168 - (h / most) * 150;
  const line = (days: string[], v: number[]) => days.map((d, i) => `${i ? "L" : "M"}${x(d).toFixed(1)} ${y(v[i]!).toFixed(1)}`).join("");
  const n = c.earned.length;
  return (
    <svg viewBox="0 0 700 190" className="block h-full w-full text-peat" role="img" aria-label={says("hours-done-spent-ahead")}>
      <path d={line(c.days, c.planned)} fill="none" stroke="#2c6e86" strokeWidth="1.4" strokeDasharray="5 4" />
      <path d={line(c.days.slice(0, n), c.earned)} fill="none" stroke="#2c6e86" strokeWidth="2.6" />
      <path d={line(c.days.slice(0, n), c.spent)} fill="none" stroke="#a8391f" strokeWidth="2" />
      <line x1="44" x2="690" y1="168" y2="168" stroke="currentColor" strokeWidth="0.8" />
      {[0, 0.5, 1].map((f) => (
        <text key={f} x="40" y={y(f * most) + 4} fontSize="11" textAnchor="end" fill="currentColor">
          {Math.round(f * most)} h
        </text>
      ))}
      <text x="44" y="184" fontSize="11" fill="currentColor">
        {dayWord(c.days[0])}
      </text>
      <text x="690" y="184" fontSize="11" textAnchor="end" fill="currentColor">
        {dayWord(c.days.at(-1))}
      </text>
      <text x="60" y="16" fontSize="11.5" fill="currentColor">
        <tspan fill="#2c6e86" fontWeight="700">
          {says("done-2")}
        </tspan>{" "}
        {says("dashed-planned")}{" "}
        <tspan fill="#a8391f" fontWeight="700">
          {says("spent")}
        </tspan>
      </text>
    </svg>
  );
}

/** Money that is set aside for a service; empty: none. */
function BudgetField({ service, value }: { service: string; value: number | null }) {
  const { doc, set } = usePlan();
  const { [service]: _, ...rest } = (doc.budgets ?? {}) as Record<string, number>;
  return (
    <PlainNumber
      label={says("budget-2", { service })}
      like="1200"
      value={value}
      onSet={(n) => void set("budgets", n == null ? rest : { ...rest, [service]: n }, says("budget-3", { service }))}
    />
  );
}

export function LogLedger({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const say = useSaid();
  const log = useLog();
  const { money } = useMoney();
  const m = b.money;
  const most = Math.max(1, ...m.rows.map((r) => Math.max(r.planned, r.budget ?? 0) + 0.001));
  return (
    <div className="grid gap-4 p-3 min-[1100px]:grid-cols-2">
      <section aria-label={says("log")}>
        <h2 className="m-0 mb-1 font-display text-[16px]">{says("log")}</h2>
        <p className="my-1 text-[13px]">
          {says("librarys-hours-done-were", { done_h: hoursWord(b.done_h), reduce: hoursWord(b.tasks.reduce((s, t) => s + t.spent_h, 0)) })}
          {b.pace.weight > 0.05 && <>{says("each", { factor: b.pace.factor, low: b.pace.low, high: b.pace.high })}</>}.
        </p>
        {b.strays.length > 0 && (
          <p className="my-1 border-l-2 border-gorse pl-2 text-[13px]">{says("done-no-longer-design", { strays: b.strays.join(", ") })}</p>
        )}
        <table className="w-full border-collapse text-[13px]">
          <tbody>
            {[...log.log].reverse().map((e) => (
              <tr key={e.id} className="border-b border-line/60">
                <td className="whitespace-nowrap px-1 py-0.5 align-top">{dayWord(e.on)}</td>
                <td className="px-1">
                  {say(e.name)}
                  {e.note && <span className="block text-[12px] text-dim">{e.note}</span>}
                </td>
                <td className="num whitespace-nowrap px-1 text-right">{hoursWord(e.hours)}</td>
                <td className="num px-1 text-right">{(e.done_frac ?? 1) >= 1 ? says("done-2") : `${Math.round(100 * (e.done_frac ?? 0))} %`}</td>
                <td className="px-1 text-right">
                  <button type="button" className="text-[11px] underline" onClick={() => void log.strike(e)}>
                    {says("strike")}
                  </button>
                </td>
              </tr>
            ))}
            {!log.log.length && (
              <tr>
                <td className="p-2">{says("nothing-written-down-yet")}</td>
              </tr>
            )}
          </tbody>
        </table>
      </section>
      <div className="grid content-start gap-4">
        <PunchList />
        <AsBuilt />
      </div>
      <section aria-label={says("money")}>
        <h2 className="m-0 mb-1 font-display text-[16px]">{says("money")}</h2>
        <p className="my-1 text-[13px]">
          {say(
            says("forecast-spent-ordered-rest", {
              forecast: money(m.forecast),
              spent: money(m.spent),
              ordered: money(m.ordered),
              has_budget: m.budget != null,
              budget: m.budget != null ? money(m.budget) : "",
              some_unknown: m.unknown > 0,
              unknown: m.unknown,
            }),
          )}
        </p>
        {m.rows.length > 0 && (
          <div className="grid grid-cols-[6rem_1fr_5rem_6rem] gap-2 text-[11px] text-dim" aria-hidden="true">
            <span>{says("service")}</span>
            <span>{says("spent-ordered-open-budget")}</span>
            <span className="text-right">{says("forecast-2")}</span>
            <span>{says("budget")}</span>
          </div>
        )}
        {m.rows
          .filter((r) => r.planned + r.ordered + r.spent > 0 || r.budget != null)
          .map((r) => (
            <div key={r.service} className="my-1 grid grid-cols-[6rem_1fr_5rem_6rem] items-center gap-2 text-[13px]">
              <span>{serviceWord(r.service)}</span>
              <span
                className="relative flex h-3 border border-line"
                role="img"
                aria-label={says("spent-ordered-open", { service: r.service, spent: money(r.spent), ordered: money(r.ordered), open: money(r.open) })}
              >
                <span className="bg-loch" style={{ width: `${(100 * r.spent) / most}%` }} />
                <span style={{ width: `${(100 * r.ordered) / most}%`, background: "repeating-linear-gradient(45deg,#2c6e86 0 3px,transparent 3px 6px)" }} />
                <span className="border-r border-line" style={{ width: `${(100 * r.open) / most}%` }} />
                {r.budget != null && (
                  <span
                    className={`absolute inset-y-[-3px] w-[3px] ${r.forecast > r.budget ? "bg-rust" : "bg-moss"}`}
                    style={{ left: `min(calc(100% - 3px), ${(100 * r.budget) / most}%)` }}
                  />
                )}
              </span>
              <span className={`num text-right ${r.budget != null && r.forecast > r.budget ? "text-rust" : ""}`}>{money(r.forecast)}</span>
              <BudgetField service={r.service} value={r.budget} />
            </div>
          ))}
      </section>
    </div>
  );
}

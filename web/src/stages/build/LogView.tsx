/** The log of the work, the curve of what was planned and done, and the money by service. */
import { PlainNumber } from "../../parts/PlainNumber";
import { useMoney, useSaid } from "../../shell/person";
import { AsBuilt } from "./AsBuilt";
import { type Build, dayWord, hoursWord, useLog, usePlan } from "./data";
import { PunchList } from "./PunchList";

/** Hours that are done against hours that were spent and what lies ahead. */
export function Curve({ b }: { b: Build }) {
  const c = b.curve;
  if (c.days.length < 2) return <p className="p-3 text-[14px]">The curve begins with the first entry of the log.</p>;
  const at = (d: string) => new Date(`${d.slice(0, 10)}T12:00`).getTime();
  const from = at(c.days[0]!);
  const to = Math.max(...c.days.map(at), from + 86400e3);
  const most = Math.max(1, ...c.planned, ...c.spent);
  const x = (d: string) => 44 + ((at(d) - from) / (to - from)) * 640;
  const y = (h: number) => 168 - (h / most) * 150;
  const line = (days: string[], v: number[]) => days.map((d, i) => `${i ? "L" : "M"}${x(d).toFixed(1)} ${y(v[i]!).toFixed(1)}`).join("");
  const n = c.earned.length;
  return (
    <svg viewBox="0 0 700 190" className="block h-full w-full text-peat" role="img" aria-label="Hours done, spent and ahead">
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
          done
        </tspan>{" "}
        (dashed: planned),{" "}
        <tspan fill="#a8391f" fontWeight="700">
          spent
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
      label={`Budget of ${service}`}
      like="1200"
      value={value}
      onSet={(n) => void set("budgets", n == null ? rest : { ...rest, [service]: n }, `budget of ${service}`)}
    />
  );
}

export function LogLedger({ b }: { b: Build }) {
  const say = useSaid();
  const log = useLog();
  const { money } = useMoney();
  const m = b.money;
  const most = Math.max(1, ...m.rows.map((r) => Math.max(r.planned, r.budget ?? 0) + 0.001));
  return (
    <div className="grid gap-4 p-3 min-[1100px]:grid-cols-2">
      <section aria-label="Log">
        <h2 className="m-0 mb-1 font-display text-[16px]">Log</h2>
        <p className="my-1 text-[13px]">
          {hoursWord(b.done_h)} of the library’s hours are done, {hoursWord(b.tasks.reduce((s, t) => s + t.spent_h, 0))} were spent
          {b.pace.weight > 0.05 && (
            <>
              : {b.pace.factor.toFixed(2)} for each ({b.pace.low.toFixed(2)} to {b.pace.high.toFixed(2)})
            </>
          )}
          .
        </p>
        {b.strays.length > 0 && <p className="my-1 border-l-2 border-gorse pl-2 text-[13px]">Done, and no longer in the design: {b.strays.join(", ")}.</p>}
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
                <td className="num px-1 text-right">{(e.done_frac ?? 1) >= 1 ? "done" : `${Math.round(100 * (e.done_frac ?? 0))} %`}</td>
                <td className="px-1 text-right">
                  <button type="button" className="text-[11px] underline" onClick={() => void log.strike(e)}>
                    strike
                  </button>
                </td>
              </tr>
            ))}
            {!log.log.length && (
              <tr>
                <td className="p-2">Nothing is written down yet: begin a task under Today.</td>
              </tr>
            )}
          </tbody>
        </table>
      </section>
      <div className="grid content-start gap-4">
        <PunchList />
        <AsBuilt />
      </div>
      <section aria-label="Money">
        <h2 className="m-0 mb-1 font-display text-[16px]">Money</h2>
        <p className="my-1 text-[13px]">
          Forecast {money(m.forecast)}: {money(m.spent)} spent, {money(m.ordered)} ordered, the rest open with 15 % on top
          {m.budget != null && `; budget ${money(m.budget)}`}. {m.unknown > 0 && `${m.unknown} lines have no price yet.`}
        </p>
        {m.rows.length > 0 && (
          <div className="grid grid-cols-[6rem_1fr_5rem_6rem] gap-2 text-[11px] text-dim" aria-hidden="true">
            <span>service</span>
            <span>spent, ordered, open; its budget as a mark</span>
            <span className="text-right">forecast</span>
            <span>budget</span>
          </div>
        )}
        {m.rows
          .filter((r) => r.planned + r.ordered + r.spent > 0 || r.budget != null)
          .map((r) => (
            <div key={r.service} className="my-1 grid grid-cols-[6rem_1fr_5rem_6rem] items-center gap-2 text-[13px]">
              <span>{r.service}</span>
              <span
                className="relative flex h-3 border border-line"
                role="img"
                aria-label={`${r.service}: ${money(r.spent)} spent, ${money(r.ordered)} ordered, ${money(r.open)} open`}
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

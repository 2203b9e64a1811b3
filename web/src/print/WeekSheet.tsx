/** The coming week on paper: what is done on which day, with what it takes, what it lacks and what to beware of. */
import { useSearchParams } from "react-router";
import { useSaid } from "../shell/person";
import { hoursWord, localDay, type Task, useBuild, useDay, useDayWord } from "../stages/build/data";
import { LICENCE_WORD, PPE } from "../stages/build/words";
import { says } from "../words/print";
import { cell, Heads } from "./paper";

const DAYS = 7;

export function WeekSheet() {
  const dayWord = useDayWord();
  const day = useDay();
  const [params] = useSearchParams();
  const made = useBuild();
  const say = useSaid();
  if (!made.data) return <p role="status">{made.error ? (made.error as Error).message : says("planning")}</p>;
  const b = made.data;
  const first = new Date(`${params.get("from") ?? day}T12:00`);
  const days = Array.from({ length: DAYS }, (_, i) => {
    const d = new Date(first);
    d.setDate(d.getDate() + i);
    return localDay(d);
  });
  const on = (iso: string): [Task, string[]][] =>
    b.tasks.flatMap((t): [Task, string[]][] => {
      const mine = t.pieces.filter(([s]) => s!.slice(0, 10) === iso).map(([s, e]) => says("to-4", { s: s!.slice(11, 16), e: e!.slice(11, 16) }));
      return mine.length ? [[t, mine]] : [];
    });
  const order = b.shopping.filter((x) => x.order_by && x.order_by <= days.at(-1)! && x.status === "planned");
  return (
    <>
      <p className="text-[12px]">
        {says("done-plan-nothing-left", {
          days: dayWord(days[0]),
          days_2: dayWord(days.at(-1), true),
          has_end: Boolean(b.end),
          end: b.end ? dayWord(b.end, true) : "",
        })}
      </p>
      <table className="w-full border-collapse text-[11px]">
        <Heads heads={[says("when-2"), says("what"), says("takes"), says("conditions-beware"), says("done")]} />
        <tbody>
          {days.flatMap((iso) => {
            const rows = on(iso);
            if (!rows.length)
              return [
                <tr key={iso}>
                  <td className={cell}>{dayWord(iso)}</td>
                  <td className={cell} colSpan={4}>
                    {says("nobody-works-plan")}
                  </td>
                </tr>,
              ];
            return rows.map(([t, hours], i) => (
              <tr key={`${iso}-${t.id}`}>
                <td className={`${cell} whitespace-nowrap`}>
                  {i === 0 && <strong>{dayWord(iso)}</strong>}
                  <div className="num">{hours.join(", ")}</div>
                </td>
                <td className={cell}>
                  <strong>{t.name}</strong>
                  {LICENCE_WORD[t.licence] && <div>{LICENCE_WORD[t.licence]}</div>}
                  {t.ask && <div>{says("ask", { ask: t.ask })}</div>}
                </td>
                <td className={cell}>
                  {[t.tools.join(", "), t.parts.join(", ")].filter(Boolean).join("; ")}
                  <div>{hoursWord(t.hours)}</div>
                </td>
                <td className={cell}>
                  {[say(t.conditions), t.ppe.length ? says("wear", { ppe: t.ppe.map((x) => PPE[x] ?? x).join(", ") }) : "", say(t.note)]
                    .filter(Boolean)
                    .join("; ")}
                </td>
                <td className={`${cell} w-10`} />
              </tr>
            ));
          })}
        </tbody>
      </table>
      {order.length > 0 && (
        <>
          <h2 className="mb-1 mt-3 text-[13px]">{says("ordered-then")}</h2>
          <ul className="m-0 columns-2 pl-4 text-[11px]">
            {order.map((x) => (
              <li key={x.key}>
                {say(x.name)}, {say(x.packs)}, {dayWord(x.order_by)}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

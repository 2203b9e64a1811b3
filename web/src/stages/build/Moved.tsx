/** What a change moved in the plan: the finish, and which tasks begin on another day, with the reason of the new one. */
import { useState } from "react";
import { useSaid } from "../../shell/person";
import { says } from "../../words/build";
import { type Build, type Task, useDayWord } from "./data";

type Move = { t: Task; was: string };

/** Tasks that are in both plans and begin on another day, the furthest moved first. */
export function movesOf(was: Build, now: Build): Move[] {
  const before = new Map(was.tasks.map((t) => [t.id, t]));
  const far = (m: Move) => Math.abs(new Date(m.t.start!).getTime() - new Date(m.was).getTime());
  return now.tasks
    .flatMap((t) => {
      const old = before.get(t.id);
      return old?.start && t.start && t.state !== "done" && old.start.slice(0, 10) !== t.start.slice(0, 10) ? [{ t, was: old.start }] : [];
    })
    .sort((a, b) => far(b) - far(a));
}

export function Moved({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const say = useSaid();
  const [plans, setPlans] = useState<{ now: Build; was: Build | null }>({ now: b, was: null });
  if (plans.now !== b) setPlans({ now: b, was: plans.now.today === b.today ? plans.now : null });
  const was = plans.was;
  if (!was) return null;
  const moves = movesOf(was, b);
  if (!moves.length && was.end === b.end) return null;
  return (
    <div role="status" aria-label={says("what-moved")} className="border-b border-line bg-gorse/10 px-3 py-1 text-[13px]">
      {was.end === b.end ? (
        says("finish-stays")
      ) : (
        <>
          {says("finish-moved", { end: dayWord(was.end, true) })} <b>{dayWord(b.end, true)}</b>
        </>
      )}
      {moves.length > 0 && (
        <details className="inline">
          <summary className="ml-1 inline cursor-pointer underline">{says("task-begins-tasks-begin", { moves_count: moves.length })}</summary>
          <ul className="m-0 pl-5">
            {moves.slice(0, 12).map((m) => (
              <li key={m.t.id}>
                {say(m.t.name)}: {dayWord(m.was)} → {dayWord(m.t.start)}
                {m.t.reasons[0] && <span className="text-dim">, {say(m.t.reasons[0])}</span>}
              </li>
            ))}
          </ul>
        </details>
      )}{" "}
      <button type="button" className="underline" onClick={() => setPlans({ now: b, was: null })}>
        {says("close-2")}
      </button>
    </div>
  );
}

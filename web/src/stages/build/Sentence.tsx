/** Build in one sentence. */

import { says } from "../../words/build";
import type { Build } from "./data";
import { hoursWord, useDayWord } from "./data";

export function Sentence({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const left = b.tasks.filter((t) => t.state !== "done").length;
  const open = b.gates.filter((g) => !g.closed_on && g.blocking > 0).length;
  const late = b.shopping.filter((x) => x.urgency === "late").length;
  if (!left)
    return (
      <>
        {says("all-tasks-done", { tasks_count: b.tasks.length })} <b>{hoursWord(b.tasks.reduce((s, t) => s + t.spent_h, 0))}</b>
        {says("what-left-prove-hand")}
      </>
    );
  return (
    <>
      {says("tasks-left-about", { left, tasks_count: b.tasks.length })} <b>{hoursWord(b.work_h)}</b>
      {b.pace.weight > 0.2 && <> {says("librarys-time", { factor: b.pace.factor })}</>}
      {says("done-3")} <b>{dayWord(b.end, true)}</b> {says("plan")}
      {open > 0 && <>{says("surface-surfaces-cant-closed", { open })}</>}
      {late > 0 && <>{says("thing-things-ordered-once", { late })}</>}.
    </>
  );
}

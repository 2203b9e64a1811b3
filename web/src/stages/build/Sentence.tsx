/** Build in one sentence. */
import type { Build } from "./data";
import { dayWord, hoursWord } from "./data";

export function Sentence({ b }: { b: Build }) {
  const left = b.tasks.filter((t) => t.state !== "done").length;
  const open = b.gates.filter((g) => !g.closed_on && g.blocking > 0).length;
  const late = b.shopping.filter((x) => x.urgency === "late").length;
  if (!left)
    return (
      <>
        All {b.tasks.length} tasks are done, in <b>{hoursWord(b.tasks.reduce((s, t) => s + t.spent_h, 0))}</b>; what is left is to prove it and hand it over.
      </>
    );
  return (
    <>
      {left} of {b.tasks.length} tasks are left, about <b>{hoursWord(b.work_h)}</b>
      {b.pace.weight > 0.2 && <> at {b.pace.factor.toFixed(2)} of the library’s time</>}; done on <b>{dayWord(b.end, true)}</b> by the plan
      {open > 0 && (
        <>
          ; {open} {open === 1 ? "surface" : "surfaces"} can’t be closed yet
        </>
      )}
      {late > 0 && (
        <>
          ; {late} {late === 1 ? "thing is" : "things are"} to be ordered at once
        </>
      )}
      .
    </>
  );
}

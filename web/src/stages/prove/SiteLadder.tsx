/** The ladder with one hand free: one step at a time, big fields, the next one always in reach. */

import { useMemo, useState } from "react";
import { useSaid } from "../../shell/person";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/prove";
import { type Commissioning, VIEWS, WHO } from "./data";
import { InService } from "./InService";
import { StateMark } from "./marks";
import { StepForm } from "./StepForm";

export function SiteLadder({ c, onFind }: { c: Commissioning; onFind: (step: string) => void }) {
  const say = useSaid();
  // it stays on the step in hand after it is taken down: its verdict is to be seen before the next one comes
  const [at, setAt] = useState<string | null>(c.next);
  const [rung, setRung] = useState<string | null>(null);
  const step = c.steps.find((s) => s.id === (at ?? c.next)) ?? c.steps[0];
  const stage = rung ?? step?.stage ?? "s0";
  const rows = useMemo(() => c.steps.filter((s) => s.stage === stage), [c.steps, stage]);
  if (!step) return <p className="p-4">{says("nothing-prove-yet-steps")}</p>;
  const i = c.steps.indexOf(step);
  const go = (n: number) => {
    const s = c.steps[n];
    if (s) {
      setAt(s.id);
      setRung(s.stage);
    }
  };
  const r = c.rungs.find((x) => x.id === step.stage);
  return (
    <main aria-label={says("test")} className="flex flex-col gap-3 p-3 pb-24">
      <h1 className="sr-only">{says("test")}</h1>
      <label className="grid gap-1">
        <span className="text-[14px] text-dim">
          {says("proved-failed", { passed: c.passed, total: c.total, has_failed: Boolean(c.failed), failed: c.failed })}
        </span>
        <select
          className="field h-12"
          aria-label={says("stage-ladder")}
          value={stage}
          onChange={(e) => {
            setRung(e.target.value);
            setAt(c.steps.find((s) => s.stage === e.target.value && s.state !== "pass")?.id ?? c.steps.find((s) => s.stage === e.target.value)?.id ?? null);
          }}
        >
          {c.rungs
            .filter((x) => x.total > 0)
            .map((x) => (
              <option key={x.id} value={x.id}>
                {says("locked-2", {
                  to_upper_case: x.id.toUpperCase(),
                  title: say(x.title, "wiring"),
                  passed: x.passed,
                  total: x.total,
                  is_locked: x.state === "locked",
                })}
              </option>
            ))}
        </select>
      </label>
      <section aria-label={say(step.title, "wiring")} className="border border-line bg-sheet p-3">
        <h2 className="m-0 font-display text-[20px] font-semibold">
          <StateMark state={step.state} size={18} /> {say(step.title, "wiring")}
        </h2>
        <StepForm key={step.id} s={step} big onFind={onFind} />
      </section>
      {r && (
        <p className="m-0 border-l-2 border-rust pl-2 text-[15px]">
          {say(says("stop-if-2", { stop: r.stop[0]?.toLowerCase() ?? "", stop_2: r.stop.slice(1), who: WHO[r.who] ?? r.who }), "wiring")}
        </p>
      )}
      <details>
        <summary className="cursor-pointer">{says("all-steps", { to_upper_case: stage.toUpperCase() })}</summary>
        <ul className="m-0 list-none p-0">
          {rows.map((s) => (
            <li key={s.id}>
              <button type="button" className="min-h-11 w-full border-0 border-b border-line bg-transparent text-left" onClick={() => setAt(s.id)}>
                <StateMark state={s.state} /> {say(s.title, "wiring")}
              </button>
            </li>
          ))}
        </ul>
      </details>
      {(c.in_service || c.rungs.some((x) => x.id === "s5" && x.state === "locked")) && (
        <div className="bg-slate px-2 text-chalk">
          <InService c={c} />
        </div>
      )}
      <StageViews stage={says("test")} views={VIEWS} />
      <div className="fixed inset-x-0 bottom-0 grid grid-cols-3 gap-2 border-t border-line bg-bench p-2">
        <button type="button" className="btn h-12" disabled={i <= 0} onClick={() => go(i - 1)}>
          {says("before")}
        </button>
        <button
          type="button"
          className="btn h-12"
          disabled={!c.next || c.next === step.id}
          onClick={() => c.next && go(c.steps.findIndex((s) => s.id === c.next))}
        >
          {says("do")}
        </button>
        <button type="button" className="btn btn-main h-12" disabled={i >= c.steps.length - 1} onClick={() => go(i + 1)}>
          {says("next-2")}
        </button>
      </div>
    </main>
  );
}

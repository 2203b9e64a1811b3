/** An order of the tasks that ends sooner, searched for at a press; and the plan that is kept to compare with. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, take } from "../../data/client";
import { says } from "../../words/build";
import { type Build, useDay, useDayWord, usePlan } from "./data";

const days = (n: number) => says("day-days", { n: Math.round(Math.abs(n)) });

export function Better({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const { id, stamp, set } = usePlan();
  const day = useDay();
  const [wanted, setWanted] = useState(false);
  const found = useQuery({
    queryKey: ["better", id, stamp, day],
    queryFn: ({ signal }) => take(api.GET("/api/variants/{variant_id}/build/better", { params: { path: { variant_id: id }, query: { today: day } }, signal })),
    enabled: wanted,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const taken = b.ordered && (
    <p className="my-1 text-[12px] text-chalk-dim">
      {says("tasks-go-order-was")}{" "}
      <button type="button" className="underline" onClick={() => void set("order", [], says("tasks-their-urgency-again"))}>
        {says("go-urgency-again")}
      </button>
    </p>
  );
  if (!wanted)
    return (
      <>
        {taken}
        <button type="button" className="btn btn-slate my-1" onClick={() => setWanted(true)}>
          {says("could-done-sooner")}
        </button>
      </>
    );
  if (found.isFetching)
    return (
      <p role="status" className="my-1 text-[13px]">
        {says("trying-other-orders-up")}{" "}
        <button type="button" className="underline" onClick={() => setWanted(false)}>
          {says("cancel")}
        </button>
      </p>
    );
  if (!found.data)
    return <p className="my-1 text-[13px]">{says("could-not-searched", { has_error: Boolean(found.error), message: (found.error as Error).message })}</p>;
  const f = found.data;
  const bound = f.bound ? says("whatever-order-isnt-done", { bound: dayWord(f.bound, true) }) : "";
  return (
    <div className="my-1 text-[13px]" role="status">
      {taken}
      {f.order.length ? (
        <>
          <p className="my-1">
            {says("done")} <b>{dayWord(f.end, true)}</b>
            {says("sooner-another-order-tasks", { saved_days: days(f.saved_days), moved: f.moved, bound })}
          </p>
          <button
            type="button"
            className="btn btn-slate"
            onClick={() => void set("order", f.order, says("order-ends-sooner", { saved_days: days(f.saved_days) }))}
          >
            {says("use-order")}
          </button>
        </>
      ) : (
        <p className="my-1">
          {f.now ? says("no-order-ends-sooner", { tries: f.tries || says("all") }) : says("nothing-left-plan")}
          {f.now && bound}
        </p>
      )}
    </div>
  );
}

/** The plan that is kept to compare with: drawn behind the weeks, and how far the end has moved since. */
export function Kept({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const { set } = usePlan();
  const then = b.baseline;
  const keep = () => {
    const tasks = Object.fromEntries(
      b.tasks.flatMap((t) => (t.start && t.end && t.state !== "done" ? [[t.id, [t.start.slice(0, 16), t.end.slice(0, 16)]]] : [])),
    );
    void set("baseline", { day: b.today, end: b.end?.slice(0, 16) ?? "", tasks }, says("kept-plan-compare"));
  };
  return (
    <p className="my-1 text-[13px]">
      {then ? (
        <>
          {says("kept-done", { day: dayWord(then.day, true), end: dayWord(then.end, true) })}
          {then.days != null && Math.abs(then.days) >= 0.5 ? (
            <>
              {says("now")}{" "}
              <b>
                {days(then.days)} {then.days > 0 ? says("later") : says("sooner")}
              </b>
            </>
          ) : (
            says("was")
          )}
          .{" "}
          <button type="button" className="underline" onClick={keep}>
            {says("keep-todays-instead")}
          </button>{" "}
          <button type="button" className="underline" onClick={() => void set("baseline", null, says("no-plan-compare"))}>
            {says("forget")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={keep}>
          {says("keep-plan-compare")}
        </button>
      )}
    </p>
  );
}

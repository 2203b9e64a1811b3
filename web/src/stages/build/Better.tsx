/** An order of the tasks that ends sooner, searched for at a press; and the plan that is kept to compare with. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, take } from "../../data/client";
import { type Build, dayWord, useDay, usePlan } from "./data";

const days = (n: number) => `${Math.round(Math.abs(n))} ${Math.round(Math.abs(n)) === 1 ? "day" : "days"}`;

export function Better({ b }: { b: Build }) {
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
      The tasks go in an order that was searched for.{" "}
      <button type="button" className="underline" onClick={() => void set("order", [], "tasks by their urgency again")}>
        Go by urgency again
      </button>
    </p>
  );
  if (!wanted)
    return (
      <>
        {taken}
        <button type="button" className="btn btn-slate my-1" onClick={() => setWanted(true)}>
          Could it be done sooner?
        </button>
      </>
    );
  if (found.isFetching)
    return (
      <p role="status" className="my-1 text-[13px]">
        Trying other orders, up to twenty seconds…{" "}
        <button type="button" className="underline" onClick={() => setWanted(false)}>
          cancel
        </button>
      </p>
    );
  if (!found.data) return <p className="my-1 text-[13px]">It could not be searched{found.error ? `: ${(found.error as Error).message}` : ""}.</p>;
  const f = found.data;
  const bound = f.bound ? ` Whatever the order, it isn’t done before ${dayWord(f.bound, true)}.` : "";
  return (
    <div className="my-1 text-[13px]" role="status">
      {taken}
      {f.order.length ? (
        <>
          <p className="my-1">
            Done on <b>{dayWord(f.end, true)}</b>, {days(f.saved_days)} sooner, by another order: {f.moved} tasks begin on another day.{bound}
          </p>
          <button type="button" className="btn btn-slate" onClick={() => void set("order", f.order, `an order that ends ${days(f.saved_days)} sooner`)}>
            Use this order
          </button>
        </>
      ) : (
        <p className="my-1">
          {f.now ? `No order of ${f.tries || "all"} ends sooner.` : "Nothing is left to plan."}
          {f.now && bound}
        </p>
      )}
    </div>
  );
}

/** The plan that is kept to compare with: drawn behind the weeks, and how far the end has moved since. */
export function Kept({ b }: { b: Build }) {
  const { set } = usePlan();
  const then = b.baseline;
  const keep = () => {
    const tasks = Object.fromEntries(
      b.tasks.flatMap((t) => (t.start && t.end && t.state !== "done" ? [[t.id, [t.start.slice(0, 16), t.end.slice(0, 16)]]] : [])),
    );
    void set("baseline", { day: b.today, end: b.end?.slice(0, 16) ?? "", tasks }, "kept this plan to compare with");
  };
  return (
    <p className="my-1 text-[13px]">
      {then ? (
        <>
          Kept on {dayWord(then.day, true)}, to be done on {dayWord(then.end, true)}
          {then.days != null && Math.abs(then.days) >= 0.5 ? (
            <>
              : now{" "}
              <b>
                {days(then.days)} {then.days > 0 ? "later" : "sooner"}
              </b>
            </>
          ) : (
            ": as it was"
          )}
          .{" "}
          <button type="button" className="underline" onClick={keep}>
            Keep today’s instead
          </button>{" "}
          <button type="button" className="underline" onClick={() => void set("baseline", null, "no plan to compare with")}>
            Forget it
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={keep}>
          Keep this plan to compare with
        </button>
      )}
    </p>
  );
}

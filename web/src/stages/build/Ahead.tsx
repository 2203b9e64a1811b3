/** The days ahead: a forecast taken from the service on this machine or typed, which the plan and the cures go by as far as it reaches. */
import { useState } from "react";
import { api, type Schemas, take } from "../../data/client";
import { Quantity } from "../../parts/Quantity";
import { says } from "../../words/build";
import { localDay, useDay, useDayWord, usePlan } from "./data";

type Coming = Schemas["ComingDay"];

export function Ahead() {
  const dayWord = useDayWord();
  const { id, doc, edit } = usePlan();
  const day = useDay();
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const coming = doc.coming ?? [];
  const put = (days: Coming[], from: string, what: string) =>
    edit(
      [
        { op: "replace", path: "/build/coming", value: days },
        { op: "replace", path: "/build/coming_from", value: from },
      ],
      what,
    );
  const fetchIt = async () => {
    setBusy(true);
    setWrong(null);
    try {
      const made = await take(api.GET("/api/variants/{variant_id}/build/forecast", { params: { path: { variant_id: id }, query: { today: day } } }));
      await put(made.days, made.source, says("forecast-days", { days_count: made.days.length }));
    } catch (e) {
      setWrong((e as Error).message);
    }
    setBusy(false);
  };
  const add = () => {
    const last = coming.at(-1);
    const next = new Date(`${last ? last.day : day}T12:00`);
    if (last) next.setDate(next.getDate() + 1);
    void put(
      [...coming, { day: localDay(next), low_c: last?.low_c ?? 5, high_c: last?.high_c ?? 12, rain_frac: last?.rain_frac ?? 0 }],
      doc.coming_from ?? "",
      says("day-forecast"),
    );
  };
  const set = (i: number, fields: Partial<Coming>) =>
    void put(
      coming.map((c, k) => (k === i ? { ...c, ...fields } : c)),
      "typed",
      says("forecast", { day: dayWord(coming[i]!.day) }),
    );
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("days-ahead")}</h3>
      {coming.length > 0 ? (
        <table className="w-full text-[12px]" aria-label={says("forecast-days-ahead")}>
          <thead>
            <tr className="text-left text-chalk-dim">
              <th>{says("day")}</th>
              <th>{says("low")}</th>
              <th>{says("high")}</th>
              <th>{says("rain")}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {coming.map((c, i) => (
              <tr key={c.day}>
                <td className="whitespace-nowrap pr-1">{dayWord(c.day)}</td>
                <td>
                  <Quantity
                    slate
                    className="w-16"
                    label={says("low-2", { day: c.day })}
                    dimension="temperature"
                    unit="°C"
                    value={c.low_c}
                    onCommit={(q) => q && set(i, { low_c: q.value, high_c: Math.max(q.value, c.high_c) })}
                  />
                </td>
                <td>
                  <Quantity
                    slate
                    className="w-16"
                    label={says("high-2", { day: c.day })}
                    dimension="temperature"
                    unit="°C"
                    value={c.high_c}
                    onCommit={(q) => q && set(i, { high_c: q.value, low_c: Math.min(q.value, c.low_c) })}
                  />
                </td>
                <td>
                  <label className={(c.rain_frac ?? 0) >= 0.5 ? "text-[#9cc8dd]" : ""}>
                    <input
                      type="checkbox"
                      aria-label={says("wet", { day: c.day })}
                      checked={(c.rain_frac ?? 0) >= 0.5}
                      onChange={(e) => set(i, { rain_frac: e.target.checked ? 0.8 : 0.1 })}
                    />{" "}
                    {Math.round(100 * (c.rain_frac ?? 0))} %
                  </label>
                </td>
                <td>
                  {i === coming.length - 1 && (
                    <button
                      type="button"
                      className="underline"
                      aria-label={says("remove", { day: c.day })}
                      onClick={() => void put(coming.slice(0, -1), doc.coming_from ?? "", says("removed-day-forecast"))}
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="my-1 text-[12px] text-chalk-dim">{says("what-usual-each-month")}</p>
      )}
      {doc.coming_from && coming.length > 0 && (
        <p className="my-1 text-[12px] text-chalk-dim">{says("after-what-usual-month", { coming_from: doc.coming_from })}</p>
      )}
      {wrong && (
        <p role="alert" className="my-1 text-[12px] text-[#f3b3a4]">
          {wrong}
        </p>
      )}
      <div className="flex flex-wrap gap-1">
        <button type="button" className="btn btn-slate mt-1" disabled={busy} onClick={() => void fetchIt()}>
          {busy ? says("asking") : says("take-forecast")}
        </button>
        <button type="button" className="btn btn-slate mt-1" disabled={coming.length >= 16} onClick={add}>
          {says("add-day")}
        </button>
        {coming.length > 0 && (
          <button type="button" className="btn btn-slate mt-1" onClick={() => void put([], "", says("forgot-forecast"))}>
            {says("forget-forecast")}
          </button>
        )}
      </div>
    </>
  );
}

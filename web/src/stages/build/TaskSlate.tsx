/** A task in hand: why this date, what it takes, and what was done of it. */
import { useState } from "react";
import { Link } from "react-router";
import { useVariant } from "../../data/variant";
import { Photos } from "../../parts/Photos";
import { Property } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/build";
import { AirFields, measured, NO_AIR } from "./AirFields";
import { hoursWord, type Task, useDayWord, useLog, usePlan, useWhenWord } from "./data";
import { Items } from "./Items";
import { LICENCE_WORD, PPE } from "./words";

const DRAWING: Record<string, { to: string; word: string }> = {
  wall_left: { to: "fit?view=wall&wall=left", word: says("left-wall-what-runs") },
  wall_right: { to: "fit?view=wall&wall=right", word: says("right-wall-what-runs") },
  ceiling: { to: "fit?view=wall&wall=ceiling", word: says("ceiling-what-runs-behind") },
  floor: { to: "fit?view=wall&wall=floor", word: says("floor-what-runs") },
  roof: { to: "fit?view=roof", word: says("roof-plan-templates") },
};
const BY_SERVICE: Record<string, { to: string; word: string }> = {
  dc: { to: "wiring", word: says("wiring-cables-fuses") },
  ac: { to: "wiring", word: says("wiring-mains-side") },
  solar: { to: "fit?view=roof", word: says("roof-plan") },
  water: { to: "water?view=taps", word: says("water-runs-taps") },
  gas: { to: "gas?view=pipes", word: says("gas-pipes") },
  heat: { to: "warmth?view=heating", word: says("heat-air") },
  vent: { to: "warmth?view=air", word: says("air") },
};

export function LogForm({ t, big }: { t: Task; big?: boolean }) {
  const say = useSaid();
  const log = useLog();
  const [hours, setHours] = useState("");
  const [note, setNote] = useState("");
  const [air, setAir] = useState(NO_AIR);
  const [wrong, setWrong] = useState<string | null>(null);
  const field = big ? "field h-11 text-[18px]" : "field-slate";
  const put = async (done: number) => {
    const h = Number(hours.replace(",", "."));
    if (!hours.trim() || !Number.isFinite(h) || h < 0 || h > 200) return setWrong(says("hours-number-like"));
    const withAir = measured(air);
    if (typeof withAir === "string") return setWrong(withAir);
    setWrong(null);
    if (await log.add(t, h, done, note.trim(), withAir)) {
      setHours("");
      setNote("");
      setAir(NO_AIR);
    }
  };
  return (
    <form
      className="my-1 flex flex-wrap items-center gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        void put(1);
      }}
    >
      <input
        className={`${field} w-16`}
        aria-label={says("hours", { name: t.name })}
        placeholder={says("hours-2")}
        inputMode="decimal"
        value={hours}
        onChange={(e) => setHours(e.target.value)}
      />
      <input
        className={`${field} min-w-0 flex-1`}
        aria-label={says("note", { name: t.name })}
        placeholder={says("note-2")}
        value={note}
        maxLength={400}
        onChange={(e) => setNote(e.target.value)}
      />
      <AirFields t={t} air={air} onSet={setAir} big={big} />
      <button type="submit" className={big ? "btn h-11" : "btn btn-slate"}>
        {says("done-4")}
      </button>
      <button type="button" className={big ? "btn h-11" : "btn btn-slate"} onClick={() => void put(Math.max(0.5, Math.min(0.9, t.done || 0.5)))}>
        {says("half-done")}
      </button>
      {wrong && (
        <span role="alert" className="w-full text-[12px] text-[#f3b3a4]">
          {say(wrong)}
        </span>
      )}
    </form>
  );
}

export function TaskSlate({ t }: { t: Task }) {
  const whenWord = useWhenWord();
  const dayWord = useDayWord();
  const { id } = useVariant();
  const plan = usePlan();
  const log = useLog();
  const say = useSaid();
  const mine = log.log.filter((e) => e.task === t.id);
  const drawing = DRAWING[t.zone] ?? BY_SERVICE[t.service];
  return (
    <Slate
      title={say(t.name)}
      sub={says("done-begun-not-begun", {
        is_done: t.state === "done",
        is_begun: !(t.state === "done") ? t.state === "begun" : false,
        hours: hoursWord(t.hours || t.likely_h),
        people: t.people,
      })}
    >
      {t.impossible && <p className="my-1 border-l-2 border-rust pl-2 text-[13px]">{t.impossible}</p>}
      {t.state !== "done" && t.start && (
        <>
          <h3 className="mb-1 mt-2 font-display text-[14px]">{says("why-date")}</h3>
          <p className="my-1 text-[13px]">
            {says("to-3", { start: whenWord(t.start), end: whenWord(t.end) })}
            {t.ready && t.ready > (t.end ?? "") && <>{says("cured", { ready: whenWord(t.ready) })}</>}
          </p>
          <ul className="m-0 pl-4 text-[12px]">
            {t.reasons.map((r) => (
              <li key={r}>{say(r)}</li>
            ))}
          </ul>
          {t.critical && <p className="my-1 text-[12px] text-[#f0c445]">{says("end-hangs")}</p>}
        </>
      )}
      <Items t={t} />
      <Photos subject={t.id} zone={t.zone} name={t.name} />
      {t.note && <p className="my-2 border-l-2 border-gorse pl-2 text-[13px]">{say(t.note)}</p>}
      {LICENCE_WORD[t.licence] && <p className="my-1 text-[13px]">{say(says("only-where-local-rules", { licence: LICENCE_WORD[t.licence] ?? "" }))}</p>}
      {t.state !== "done" && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("write-down")}</h3>
          <LogForm t={t} />
          <Property label={says("not-before")}>
            <input
              type="date"
              className="field-slate w-full"
              aria-label={says("not-before")}
              value={t.pinned ?? ""}
              onChange={(e) => void plan.pin(t, e.target.value || null)}
            />
          </Property>
        </>
      )}
      {mine.length > 0 && (
        <ul className="m-0 list-none p-0 text-[12px]">
          {mine.map((e) => (
            <li key={e.id} className="flex justify-between gap-2 border-b border-slate-2 py-0.5">
              <span>
                {dayWord(e.on)}: {hoursWord(e.hours)}, {Math.round(100 * (e.done_frac ?? 1))} % {e.temp_c != null && say(says("c", { temp_c: e.temp_c }))}
                {e.note && `· ${e.note}`}
              </span>
              <button type="button" className="text-chalk-dim underline" onClick={() => void log.strike(e)}>
                {says("strike")}
              </button>
            </li>
          ))}
        </ul>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("takes")}</h3>
      <dl className="m-0 grid grid-cols-[5.5rem_1fr] gap-x-2 text-[12px]">
        {(
          [
            ["tools", t.tools.join(", ")],
            ["parts", t.parts.join(", ")],
            ["wear", t.ppe.map((x) => PPE[x] ?? x).join(", ")],
            ["conditions", say(t.conditions)],
            ["keep", t.record === "none" ? "" : t.record],
            [says("waits"), t.waits.join(", ")],
          ] as const
        )
          .filter(([, v]) => v)
          .map(([k, v]) => (
            <div key={k} className="contents">
              <dt className="text-chalk-dim">{k}</dt>
              <dd className="m-0">{v}</dd>
            </div>
          ))}
      </dl>
      {drawing && (
        <p className="my-2 text-[13px]">
          <Link className="underline decoration-dotted underline-offset-2" to={`/v/${id}/${drawing.to}`}>
            {drawing.word}
          </Link>
        </p>
      )}
      {t.state === "open" && !t.id.startsWith("own-") && (
        <button
          type="button"
          className="btn btn-slate mt-1"
          onClick={() => void plan.set("own_way", [...(plan.doc.own_way ?? []), t.id], says("left-out", { name: t.name }))}
        >
          {says("leave-out-plan")}
        </button>
      )}
    </Slate>
  );
}

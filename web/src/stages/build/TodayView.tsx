/** Today: what can be done now, each with what it takes; start, pause, done with one thumb. */
import { useEffect, useState } from "react";
import { useVariant } from "../../data/variant";
import { Photos } from "../../parts/Photos";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/build";
import { AirFields, measured, NO_AIR } from "./AirFields";
import { type Build, hoursWord, type Task, useDayWord, useLog } from "./data";
import { Items } from "./Items";
import { LogForm } from "./TaskSlate";
import { LICENCE_WORD, PPE } from "./words";

type Running = { task: string; since: number };

/** The task that runs now, kept over a reload. */
function useTimer(): [Running | null, (r: Running | null) => void] {
  const { id } = useVariant();
  const key = `bothy:timer:${id}`;
  const [running, setRunning] = useState<Running | null>(() => {
    try {
      return JSON.parse(localStorage.getItem(key) ?? "null") as Running | null;
    } catch {
      return null;
    }
  });
  const set = (r: Running | null) => {
    setRunning(r);
    try {
      if (r) localStorage.setItem(key, JSON.stringify(r));
      else localStorage.removeItem(key);
    } catch {
      /* kept in this page only */
    }
  };
  return [running, set];
}

function Since({ at }: { at: number }) {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const t = setInterval(() => setNow(Date.now()), 15_000);
    return () => clearInterval(t);
  }, []);
  const min = Math.max(0, Math.round((now - at) / 60_000));
  return (
    <span className="num">
      {Math.floor(min / 60)}:{String(min % 60).padStart(2, "0")}
    </span>
  );
}

function Card({ t, lacks, running, start, stop }: { t: Task; lacks: string[]; running: Running | null; start: () => void; stop: () => number }) {
  const log = useLog();
  const say = useSaid();
  const hand = useHand();
  const mine = running?.task === t.id;
  const [air, setAir] = useState(NO_AIR);
  const [wrong, setWrong] = useState<string | null>(null);
  const done = () => {
    const withAir = measured(air);
    setWrong(typeof withAir === "string" ? withAir : null);
    if (typeof withAir !== "string") void log.add(t, stop(), 1, "", withAir);
  };
  return (
    <li className={`border bg-sheet p-3 ${mine ? "border-gorse" : "border-line"}`} aria-label={say(t.name)}>
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 className="m-0 font-display text-[18px] font-semibold">
          <button type="button" className="border-0 bg-transparent p-0 text-left" onClick={() => hand.pick("task", t.id)}>
            {say(t.name)}
          </button>
        </h2>
        <span className="num text-[14px]">
          {hoursWord(t.hours)}
          {t.people > 1 && says("people-2", { people: t.people })}
        </span>
      </div>
      {LICENCE_WORD[t.licence] && <p className="my-1 text-[13px]">{say(LICENCE_WORD[t.licence] ?? "")}</p>}
      {t.note && <p className="my-1 border-l-2 border-gorse pl-2 text-[14px]">{say(t.note)}</p>}
      <p className="my-1 text-[13px] text-dim">
        {[t.tools.join(", "), t.ppe.length ? says("wear", { ppe: t.ppe.map((x) => PPE[x] ?? x).join(", ") }) : "", say(t.conditions)]
          .filter(Boolean)
          .join(" · ")}
      </p>
      {lacks.length > 0 && <p className="my-1 text-[13px] text-rust">{says("lacks", { lacks: say(lacks.join("; ")) })}</p>}
      <div className="mt-2 flex flex-wrap gap-2">
        {mine ? (
          <>
            <button
              type="button"
              className="btn h-11 min-w-24"
              onClick={() => void log.add(t, stop(), t.items.some((x) => x.done) ? t.done : Math.max(t.done, 0.5))}
            >
              {says("pause")} <Since at={running.since} />
            </button>
            <button type="button" className="btn h-11 min-w-24 border-gorse font-semibold" onClick={done}>
              {says("done-4")}
            </button>
            <AirFields t={t} air={air} onSet={setAir} big />
            {wrong && (
              <span role="alert" className="w-full text-[13px] text-rust">
                {wrong}
              </span>
            )}
          </>
        ) : (
          <button type="button" className="btn h-11 min-w-24 border-gorse font-semibold" disabled={running != null} onClick={start}>
            {t.state === "begun" ? says("go") : says("start")}
          </button>
        )}
      </div>
      <Items t={t} big />
      <Photos subject={t.id} zone={t.zone} name={t.name} big />
      {!mine && (
        <details className="mt-1 text-[13px]">
          <summary className="cursor-pointer">{says("write-hours-down")}</summary>
          <LogForm t={t} big />
        </details>
      )}
    </li>
  );
}

export function TodayView({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const say = useSaid();
  const [running, setRunning] = useTimer();
  const byId = new Map(b.tasks.map((t) => [t.id, t]));
  const ids = [...(running && byId.get(running.task)?.state !== "done" && !b.now.tasks.includes(running.task) ? [running.task] : []), ...b.now.tasks];
  const tasks = ids.flatMap((k) => byId.get(k) ?? []);
  const next = b.tasks.filter((t) => t.state !== "done" && t.start && !ids.includes(t.id)).sort((x, y) => x.start!.localeCompare(y.start!))[0];
  return (
    <div className="p-3">
      <p className="m-0 mb-2 text-[14px]">
        <b>{dayWord(b.now.day)}</b>:{" "}
        {b.now.hours > 0
          ? says("work-people", { hours: hoursWord(b.now.hours), several_people: b.now.people > 1, people: b.now.people })
          : says("nobody-works-today-plan")}
        . {say(b.now.weather)}.
      </p>
      {tasks.length ? (
        <ul className="m-0 grid list-none gap-2 p-0">
          {tasks.map((t) => (
            <Card
              key={t.id}
              t={t}
              lacks={b.now.lacks[t.id] ?? []}
              running={running}
              start={() => setRunning({ task: t.id, since: Date.now() })}
              stop={() => {
                const h = running ? (Date.now() - running.since) / 3.6e6 : 0;
                setRunning(null);
                return Math.max(0.01, h);
              }}
            />
          ))}
        </ul>
      ) : (
        <p className="text-[14px]">
          {b.tasks.every((t) => t.state === "done")
            ? says("everything-done")
            : says("nothing-can-begun-today", { next: next?.name ?? "–", start: dayWord(next?.start) })}
        </p>
      )}
    </div>
  );
}

/** The plan as a picture: zones as rows, weeks across; work solid, cures hatched, gates as upright bars, trades as flags. */

import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from "react";
import { MONTH } from "../../data/show";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/build";
import { type Build, localDay, type Task, useDayWord, useWhenWord } from "./data";
import { ZONES } from "./words";

const DAY = 86400e3;
const ROW = 15;
const LEFT = 92;
const at = (iso: string) => new Date(iso.length > 10 ? iso : `${iso}T00:00`).getTime();

/** Rows of a zone so that no two tasks lie over each other. */
function stacked(tasks: Task[]): Task[][] {
  const rows: { until: number; tasks: Task[] }[] = [];
  for (const t of [...tasks].sort((a, b) => a.start!.localeCompare(b.start!))) {
    const end = Math.max(at(t.end!), t.ready ? at(t.ready) : 0);
    const row = rows.find((r) => r.until <= at(t.start!));
    if (row) {
      row.tasks.push(t);
      row.until = end;
    } else rows.push({ until: end, tasks: [t] });
  }
  return rows.map((r) => r.tasks);
}

const dayOf = (ms: number) => localDay(new Date(ms));

/** Days that are shown; 0: the whole plan. */
type Span = 0 | 7 | 28;
const SPANS: [Span, string][] = [
  [0, says("whole-plan")],
  [28, says("four-weeks")],
  [7, says("week-day")],
];

type Drag = { t: Task; from: number; day: string | null };
type Props = { b: Build; p50?: string | null; p80?: string | null; onPin?: (t: Task, day: string | null) => void };

export function Weeks({ b, p50, p80, onPin }: Props) {
  const dayWord = useDayWord();
  const whenWord = useWhenWord();
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const hand = useHand();
  const say = useSaid();
  const [span, setSpan] = useState<Span>(0);
  const [page, setPage] = useState(0);
  const all = b.tasks.filter((t) => t.start && t.end && t.state !== "done");
  const begin = at(b.today < b.start ? b.start : b.today);
  const last = Math.max(...all.map((t) => Math.max(at(t.end!), t.ready ? at(t.ready) : 0)), p80 ? at(p80) : 0, begin + 14 * DAY) + 3 * DAY;
  const from = span ? at(dayOf(begin + page * span * DAY + DAY / 2)) : begin;
  const to = span ? from + span * DAY : last;
  const planned = span ? all.filter((t) => at(t.start!) < to && Math.max(at(t.end!), t.ready ? at(t.ready) : 0) > from) : all;
  const named = span === 7; // each task has a row of its own, with its name
  const wide = 1000;
  const x = (ms: number) => LEFT + ((ms - from) / (to - from)) * (wide - LEFT - 8);
  const zones = useMemo(
    () =>
      Object.keys(ZONES)
        .map((z) => {
          const mine = planned.filter((t) => t.zone === z).sort((a, b) => a.start!.localeCompare(b.start!));
          return { z, rows: named ? mine.map((t) => [t]) : stacked(mine) };
        })
        .filter((g) => g.rows.length),
    [planned, named],
  );
  let y = 34;
  const placed = zones.map((g) => {
    const top = y;
    y += g.rows.length * ROW + 6;
    return { ...g, top, bottom: y - 6 };
  });
  const height = y + 22;
  const months: { m: number; from: number; to: number }[] = [];
  const d = new Date(from);
  d.setDate(1);
  while (d.getTime() < to) {
    const first = Math.max(from, d.getTime());
    const m = d.getMonth();
    d.setMonth(m + 1);
    months.push({ m, from: first, to: Math.min(to, d.getTime()) });
  }
  const ticks: number[] = [];
  const w = new Date(from);
  if (!span) w.setDate(w.getDate() + ((8 - w.getDay()) % 7 || 7));
  for (; w.getTime() < to; w.setDate(w.getDate() + (span ? 1 : 7))) ticks.push(w.getTime());
  /** The moment under the pointer, on the scale of the picture. */
  const momentAt = (e: PointerEvent) => {
    const m = svg.current?.getScreenCTM?.();
    if (!m) return null;
    return from + (((e.clientX - m.e) / m.a - LEFT) / (wide - LEFT - 8)) * (to - from);
  };
  // a task that is held goes with the pointer by whole days, never before the first day of the plan
  const moved = (t: Task, by: number) => dayOf(Math.max(begin, at(t.start!.slice(0, 10)) + Math.round(by / DAY) * DAY + DAY / 2));
  const keys = (e: KeyboardEvent, t: Task) => {
    if (e.key === "Enter" || e.key === " ") {
      e.preventDefault();
      hand.pick("task", t.id);
    } else if (onPin && (e.key === "ArrowLeft" || e.key === "ArrowRight")) {
      e.preventDefault();
      const step = (e.shiftKey ? 7 : 1) * (e.key === "ArrowLeft" ? -1 : 1);
      onPin(t, dayOf(Math.max(begin, at(t.pinned ?? t.start!.slice(0, 10)) + step * DAY + DAY / 2)));
    } else if (onPin && t.pinned && (e.key === "Delete" || e.key === "Backspace")) {
      e.preventDefault();
      onPin(t, null);
    }
  };
  const closes = new Set(b.gates.flatMap((g) => g.closes));
  const pages = span ? Math.ceil((last - begin) / (span * DAY)) : 1;
  return (
    <>
      <div className="mb-1 flex flex-wrap items-center gap-1 text-[12px]">
        {SPANS.map(([s, word]) => (
          <button
            key={s}
            type="button"
            className="btn"
            aria-pressed={span === s}
            onClick={() => {
              setSpan(s);
              setPage(0);
            }}
          >
            {word}
          </button>
        ))}
        {span > 0 && (
          <>
            <button type="button" className="btn" aria-label={says("earlier")} disabled={page === 0} onClick={() => setPage(page - 1)}>
              ‹
            </button>
            <span>{says("to-4", { from: dayWord(dayOf(from)), to: dayWord(dayOf(to - DAY / 2)) })}</span>
            <button type="button" className="btn" aria-label={says("later-2")} disabled={page >= pages - 1} onClick={() => setPage(page + 1)}>
              ›
            </button>
            {planned.length === 0 && <span>{says("nothing-planned-these-days")}</span>}
          </>
        )}
      </div>
      <svg
        ref={svg}
        viewBox={`0 0 ${wide} ${height}`}
        onPointerMove={(e) => {
          const now = drag && momentAt(e);
          if (!drag || now == null) return;
          const by = now - drag.from;
          setDrag({ ...drag, day: Math.abs(by) < DAY / 2 ? null : moved(drag.t, by) });
        }}
        onPointerUp={() => {
          if (drag?.day) onPin?.(drag.t, drag.day);
          setDrag(null);
        }}
        onPointerLeave={() => setDrag(null)}
        className="block w-full min-w-[720px] text-peat"
        role="group"
        aria-label={says("plan-zones-weeks")}
      >
        <defs>
          <clipPath id="build-window">
            <rect x={LEFT - 2} y="0" width={wide - LEFT + 2} height={height} />
          </clipPath>
          <pattern id="build-cure" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" x2="0" y1="0" y2="5" stroke="#d9a400" strokeWidth="1.6" />
          </pattern>
        </defs>
        {months.map((m) => {
          const sky = b.sky[m.m]!;
          const width = x(m.to) - x(m.from);
          return (
            <g key={m.from}>
              <rect x={x(m.from)} y="0" width={width} height="26" fill={m.m % 2 ? "#e9ece3" : "#f1f3ec"} />
              <text x={x(m.from) + 3} y="11" fontSize="10.5" fontWeight="600" fill="currentColor">
                {MONTH[m.m]}
              </text>
              {width > 62 && (
                <text x={x(m.from) + 3} y="22" fontSize="9" fill="currentColor">
                  {says("wet-2", {
                    c: say(says("c-2", { low_c: Math.round(sky.low_c), high_c: Math.round(sky.high_c) })),
                    rain_days: Math.round(sky.rain_days),
                  })}
                </text>
              )}
            </g>
          );
        })}
        {ticks.map((ms) => (
          <g key={ms}>
            <line x1={x(ms)} x2={x(ms)} y1="26" y2={height - 16} stroke="var(--color-line)" strokeWidth="0.7" />
            {span > 0 && (
              <text x={x(ms) + 3} y={height - 6} fontSize="10" fill="currentColor">
                {span === 7 ? dayWord(dayOf(ms)) : new Date(ms).getDate()}
              </text>
            )}
          </g>
        ))}
        {placed.map((g) => (
          <g key={g.z}>
            <text x="4" y={g.top + 11} fontSize="11" fontWeight="600" fill="currentColor">
              {ZONES[g.z]}
            </text>
            <line x1="0" x2={wide} y1={g.bottom + 3} y2={g.bottom + 3} stroke="var(--color-line)" strokeWidth="0.7" />
            {g.rows.flatMap((row, i) =>
              row.map((t) => {
                const top = g.top + i * ROW;
                const on = hand.kind === "task" && hand.id === t.id;
                const end = at(t.end!);
                const told = says("not-before-2", {
                  name: say(t.name),
                  start: whenWord(t.start),
                  end: whenWord(t.end),
                  has_pinned: Boolean(t.pinned),
                  pinned: t.pinned ? dayWord(t.pinned) : "",
                });
                return (
                  <g
                    key={t.id}
                    clipPath="url(#build-window)"
                    role="button"
                    tabIndex={0}
                    aria-label={told}
                    aria-pressed={on}
                    className="cursor-pointer"
                    aria-keyshortcuts="ArrowLeft ArrowRight Delete"
                    onClick={() => hand.pick("task", t.id)}
                    onKeyDown={(e) => keys(e, t)}
                    onPointerDown={(e) => {
                      const now = onPin ? momentAt(e) : null;
                      if (now != null && e.button === 0) setDrag({ t, from: now, day: null });
                    }}
                  >
                    <title>{told}</title>
                    {b.baseline?.tasks[t.id] && at(b.baseline.tasks[t.id]![1]!) >= from && (
                      <rect
                        x={x(Math.max(from, at(b.baseline.tasks[t.id]![0]!)))}
                        y={top + 10}
                        width={Math.max(2.5, x(Math.min(to, at(b.baseline.tasks[t.id]![1]!))) - x(Math.max(from, at(b.baseline.tasks[t.id]![0]!))))}
                        height="3.5"
                        fill="currentColor"
                        opacity="0.35"
                        data-testid="kept"
                      >
                        <title>{says("kept", { day: dayWord(b.baseline.day) })}</title>
                      </rect>
                    )}
                    <rect x={x(at(t.start!)) - 1} y={top} width={Math.max(5, x(end) - x(at(t.start!)) + 2)} height="12" fill="transparent" />
                    <line x1={x(at(t.start!))} x2={x(end)} y1={top + 6} y2={top + 6} stroke="currentColor" strokeWidth="0.6" strokeDasharray="2 2" />
                    {t.pieces.map(([s, e]) => (
                      <rect
                        key={s}
                        x={x(at(s!))}
                        y={top + 1}
                        width={Math.max(2.5, x(at(e!)) - x(at(s!)))}
                        height="10"
                        fill={t.licence !== "none" ? "#77588a" : t.critical ? "#a8391f" : "#2c6e86"}
                      />
                    ))}
                    {t.ready && at(t.ready) > end && (
                      <rect
                        x={x(end)}
                        y={top + 2}
                        width={Math.max(1, x(Math.min(to, at(t.ready))) - x(end))}
                        height="8"
                        fill="url(#build-cure)"
                        data-testid="cure"
                      />
                    )}
                    {span === 7 && (
                      <text
                        x={x(end) < wide - 260 ? x(end) + 5 : Math.max(LEFT, x(at(t.start!))) + 3}
                        y={top + 10}
                        fontSize="10"
                        fill="currentColor"
                        stroke="var(--color-sheet)"
                        strokeWidth="3"
                        paintOrder="stroke"
                      >
                        {say(t.name)}
                      </text>
                    )}
                    {t.ask && <path d={`M${x(at(t.start!))} ${top + 11}v-12l7 3l-7 3`} fill="#77588a" stroke="none" />}
                    {t.pinned && at(t.pinned) >= from && (
                      <path d={`M${x(at(t.pinned))} ${top}l4 5h-8z`} fill="#d9a400" stroke="currentColor" strokeWidth="0.5" data-testid="pin" />
                    )}
                    {drag?.t.id === t.id && drag.day && (
                      <g pointerEvents="none" data-testid="ghost">
                        <rect
                          x={x(at(drag.day))}
                          y={top}
                          width={Math.max(5, x(end) - x(at(t.start!)))}
                          height="12"
                          fill="none"
                          stroke="#d9a400"
                          strokeWidth="1.6"
                          strokeDasharray="3 2"
                        />
                        <text x={Math.min(wide - 120, x(at(drag.day)))} y={top - 2} fontSize="10.5" fontWeight="600" fill="currentColor">
                          {says("not-before-3", { day: dayWord(drag.day) })}
                        </text>
                      </g>
                    )}
                    {on && (
                      <rect
                        x={x(at(t.start!)) - 2}
                        y={top - 1}
                        width={Math.max(7, x(end) - x(at(t.start!)) + 4)}
                        height="14"
                        fill="none"
                        stroke="#d9a400"
                        strokeWidth="2"
                      />
                    )}
                    {closes.has(t.id) && (
                      <line x1={x(end)} x2={x(end)} y1={g.top - 2} y2={g.bottom + 1} stroke="currentColor" strokeWidth="2.4" data-testid="gate" />
                    )}
                  </g>
                );
              }),
            )}
          </g>
        ))}
        {b.end && at(b.end) >= from && at(b.end) <= to && (
          <g>
            <line x1={x(at(b.end))} x2={x(at(b.end))} y1="26" y2={height - 14} stroke="currentColor" strokeWidth="1.4" />
            <text x={Math.min(wide - 4, x(at(b.end)))} y={height - 3} fontSize="10.5" textAnchor="end" fill="currentColor">
              {says("plan-2", { end: dayWord(b.end) })}
            </text>
          </g>
        )}
        {p50 && p80 && !span && (
          <g data-testid="rope">
            <line x1={x(at(p50))} x2={x(at(p80))} y1={height - 18} y2={height - 18} stroke="#a8391f" strokeWidth="3" strokeDasharray="5 2" />
            <text x={Math.min(wide - 4, x(at(p80)))} y={height - 22} fontSize="9.5" textAnchor="end" fill="#a8391f">
              {say(says("even-chance-four-five"))}
            </text>
          </g>
        )}
      </svg>
    </>
  );
}

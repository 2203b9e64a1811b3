/** The day: every appliance over 24 hours, its hours draggable, and the load curve at the bank under them. */
import { scaleLinear } from "d3-scale";
import { useState } from "react";
import type { Appliance } from "../../data/client";
import { clock, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { says } from "../../words/life";
import { useApplianceEdits } from "./edit";

type Window = { from_h: number; to_h: number };
type Grip = "move" | "from" | "to";
type Drag = { appliance: string; index: number; grip: Grip; startX: number; first: Window; now: Window };

const ROW = 17;
const LEFT = 150;
const RIGHT = 14;
const CURVE = 96;
const STEP_H = 0.25;

const snap = (h: number) => Math.round(h / STEP_H) * STEP_H;
const wrap = (h: number) => ((h % 24) + 24) % 24;

/** A window after one of its grips went by some hours; the least length is a quarter of an hour. */
export function shifted(w: Window, grip: Grip, by: number): Window {
  const length = (wrap(w.to_h - w.from_h) || 24) as number;
  if (grip === "move") return { from_h: wrap(snap(w.from_h + by)), to_h: wrap(snap(w.from_h + by) + length) };
  if (grip === "from") {
    const cut = Math.max(STEP_H, Math.min(24, length - by));
    return { from_h: wrap(snap(w.from_h + length - cut)), to_h: w.to_h };
  }
  return { from_h: w.from_h, to_h: wrap(snap(w.from_h + Math.max(STEP_H, Math.min(24, length + by)))) };
}

/** The one or two pieces of a window that lie inside the day. */
export function pieces(w: Window): [number, number][] {
  if (w.to_h > w.from_h) return [[w.from_h, w.to_h]];
  if (w.to_h === 0 || w.from_h === 24) return [[wrap(w.from_h), 24]];
  return [
    [w.from_h, 24],
    [0, w.to_h],
  ];
}

export function DayRibbon({ season }: { season: string }) {
  const { report } = useVariant();
  const { list, set } = useApplianceEdits();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const [drag, setDrag] = useState<Drag | null>(null);
  const x = scaleLinear([0, 24], [LEFT, width - RIGHT]);
  const perHour = x(1) - x(0);
  const use = report.life.seasons.find((s) => s.season === season) ?? report.life.seasons[0];
  const hourly = use?.hourly_wh ?? [];
  const top = Math.max(1, ...hourly);
  const y = scaleLinear([0, top], [CURVE - 18, 12]);
  const rows = list.filter((a) => a.count !== 0);

  const save = (a: Appliance, index: number, w: Window) => {
    const windows = (a.windows ?? []).map((old, i) => (i === index ? w : old));
    void set(a, { windows }, says("runs", { windows: windows.map((v) => says("to", { from_h: clock(v.from_h), to_h: clock(v.to_h) })).join(", ") }));
  };
  const grab = (a: Appliance, index: number, grip: Grip) => (e: React.PointerEvent) => {
    const first = a.windows?.[index];
    if (!first) return;
    e.preventDefault();
    e.stopPropagation();
    hand.pick("appliance", a.id);
    (e.target as Element).setPointerCapture(e.pointerId);
    setDrag({ appliance: a.id, index, grip, startX: e.clientX, first, now: first });
  };
  const pull = (e: React.PointerEvent) => {
    if (drag) setDrag({ ...drag, now: shifted(drag.first, drag.grip, (e.clientX - drag.startX) / perHour) });
  };
  const let_go = (a: Appliance) => {
    if (!drag) return;
    if (drag.now.from_h !== drag.first.from_h || drag.now.to_h !== drag.first.to_h) save(a, drag.index, drag.now);
    setDrag(null);
  };
  const keys = (a: Appliance, index: number) => (e: React.KeyboardEvent) => {
    const w = a.windows?.[index];
    if (!w) return;
    if (e.key === "ArrowLeft" || e.key === "ArrowRight") {
      const by = (e.key === "ArrowLeft" ? -1 : 1) * 0.5;
      save(a, index, shifted(w, e.shiftKey ? "to" : "move", by));
    } else if (e.key === "Delete" || e.key === "Backspace") void set(a, { windows: (a.windows ?? []).filter((_, i) => i !== index) }, says("runs-any-time"));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };

  return (
    <div ref={box} className="relative">
      <svg width={width} height={rows.length * ROW + 22} className="block touch-none select-none" role="group" aria-label={says("when-each-appliance-runs")}>
        {[0, 3, 6, 9, 12, 15, 18, 21, 24].map((h) => (
          <g key={h}>
            <line x1={x(h)} x2={x(h)} y1="16" y2={rows.length * ROW + 20} stroke="var(--color-line)" strokeWidth={h % 12 === 0 ? 1 : 0.5} />
            <text x={x(h)} y="11" fontSize="10" textAnchor="middle" fill="var(--color-dim)" className="num">
              {h}
            </text>
          </g>
        ))}
        {rows.map((a, r) => {
          const mid = 20 + r * ROW + ROW / 2;
          const on = hand.kind === "appliance" && hand.id === a.id;
          const watts = report.life.appliances[a.id]?.power_w ?? 0;
          const thick = Math.max(4, Math.min(ROW - 3, 3.2 * Math.log10(1 + watts * (a.count ?? 1))));
          return (
            <g key={a.id}>
              {on && <rect x="0" y={mid - ROW / 2} width={width} height={ROW} fill="var(--color-gorse)" opacity="0.15" />}
              <text x="8" y={mid + 4} fontSize="11.5" fill="currentColor" className="cursor-pointer" onClick={() => hand.pick("appliance", a.id)}>
                {a.name.length > 23 ? `${a.name.slice(0, 22)}…` : a.name}
              </text>
              {!a.windows?.length && (
                <line x1={x(0)} x2={x(24)} y1={mid} y2={mid} stroke="currentColor" strokeWidth="1.5" strokeDasharray="1 4" opacity="0.7">
                  <title>{says("any-time-day", { name: a.name })}</title>
                </line>
              )}
              {a.windows?.map((saved, i) => {
                const w = drag?.appliance === a.id && drag.index === i ? drag.now : saved;
                return (
                  <g
                    key={i}
                    role="slider"
                    tabIndex={0}
                    aria-label={says("runs-arrows-move-shift", { name: a.name, from_h: clock(w.from_h), to_h: clock(w.to_h) })}
                    aria-valuenow={w.from_h}
                    aria-valuemin={0}
                    aria-valuemax={24}
                    aria-valuetext={says("to", { from_h: clock(w.from_h), to_h: clock(w.to_h) })}
                    onKeyDown={keys(a, i)}
                    onPointerMove={pull}
                    onPointerUp={() => let_go(a)}
                  >
                    <title>{says("drag-move-drag-end", { name: a.name, from_h: clock(w.from_h), to_h: clock(w.to_h) })}</title>
                    {pieces(w).map(([from, to]) => (
                      <rect
                        key={from}
                        x={x(from)}
                        y={mid - thick / 2}
                        width={Math.max(2, x(to) - x(from))}
                        height={thick}
                        fill={on ? "var(--color-gorse)" : "currentColor"}
                        opacity={a.supply === "ac" ? 1 : 0.62}
                        className="cursor-grab"
                        onPointerDown={grab(a, i, "move")}
                      />
                    ))}
                    <rect
                      x={x(wrap(w.from_h)) - 3}
                      y={mid - ROW / 2}
                      width="7"
                      height={ROW}
                      fill="transparent"
                      className="cursor-ew-resize"
                      onPointerDown={grab(a, i, "from")}
                    />
                    <rect
                      x={x(w.to_h === 0 ? 24 : w.to_h) - 4}
                      y={mid - ROW / 2}
                      width="7"
                      height={ROW}
                      fill="transparent"
                      className="cursor-ew-resize"
                      onPointerDown={grab(a, i, "to")}
                    />
                  </g>
                );
              })}
            </g>
          );
        })}
      </svg>
      <div className="sticky bottom-0 border-t border-line bg-sheet">
        <svg width={width} height={CURVE} className="block" role="img" aria-label={says("load-bank-hour-most", { season, top: show(top, "Wh") })}>
          <text x="8" y="22" fontSize="11.5" fill="currentColor">
            {says("bank")}
          </text>
          <text x="8" y="37" fontSize="11.5" fill="currentColor">
            {says("each-hour", { season })}
          </text>
          <text x={LEFT - 6} y={y(top) + 4} fontSize="10" textAnchor="end" fill="var(--color-dim)" className="num">
            {show(top, "Wh")}
          </text>
          <line x1={LEFT} x2={width - RIGHT} y1={y(0)} y2={y(0)} stroke="currentColor" strokeWidth="0.8" />
          {hourly.map((wh, h) => (
            <rect key={h} x={x(h) + 0.5} y={y(wh)} width={Math.max(1, perHour - 1)} height={y(0) - y(wh)} fill="currentColor" opacity="0.55">
              <title>{says("to-2", { h: clock(h), h_2: clock(h + 1), wh: show(wh, "Wh") })}</title>
            </rect>
          ))}
          {[0, 6, 12, 18, 24].map((h) => (
            <text key={h} x={x(h)} y={CURVE - 5} fontSize="10" textAnchor="middle" fill="var(--color-dim)" className="num">
              {h}
            </text>
          ))}
        </svg>
      </div>
    </div>
  );
}

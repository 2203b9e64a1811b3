/** A side, the rear or the floor to scale, seen from outside (the floor from above): members, doors, what stands behind, and each cut. Cuts are dragged, and
 * moved by keys. */
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { useSaid } from "../../shell/person";
import { says } from "../../words/fit";
import { type Face, type Four, milli, type SideThing, snapped } from "./sides";

export function SidePicture({
  face,
  things,
  selected,
  marked,
  onPick,
  onDrop,
  onLift,
}: {
  face: Face;
  things: SideThing[];
  selected?: string;
  marked?: ReadonlySet<string>;
  onPick?: (key: string) => void;
  onDrop?: (t: SideThing, u: number, v: number) => void;
  onLift?: (t: SideThing) => void;
}) {
  const say = useSaid();
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ t: SideThing; x: number; y: number; moved: boolean } | null>(null);
  const [ghost, setGhost] = useState<{ t: SideThing; u: number; v: number } | null>(null);
  const [u0, u1, v0, v1] = face.rect as Four;
  const floor = face.id === "floor";
  // on the floor the front is on the left, as on the roof; a side is drawn as one stands before it
  const flipped = face.front_left || floor;
  const x = (u: number) => (flipped ? u1 - u : u - u0) + 0.15;
  const y = (v: number) => (floor ? v - v0 : v1 - v) + 0.12;
  const [w, h] = [u1 - u0 + 0.3, v1 - v0 + 0.42];
  const span = (r: Four) => ({ x: Math.min(x(r[0]), x(r[1])), y: Math.min(y(r[2]), y(r[3])), width: r[1] - r[0], height: r[3] - r[2] });
  const here = things.filter((t) => t.rect && t.face === face.id);
  const at = (e: PointerEvent) => {
    const m = svg.current?.getScreenCTM()?.inverse();
    const p = m ? new DOMPoint(e.clientX, e.clientY).matrixTransform(m) : { x: 0, y: 0 };
    return { x: flipped ? u1 + 0.15 - p.x : p.x + u0 - 0.15, y: floor ? p.y - 0.12 + v0 : v1 + 0.12 - p.y };
  };
  const move = (e: PointerEvent) => {
    const d = drag.current;
    if (!d) return;
    const p = at(e);
    if (!d.moved && Math.hypot(p.x - d.x, p.y - d.y) < 0.01) return;
    d.moved = true;
    setGhost({ t: d.t, ...snapped(d.t, d.t.u_m + p.x - d.x, d.t.v_m + p.y - d.y, face, here) });
  };
  const drop = () => {
    const d = drag.current;
    drag.current = null;
    if (d?.moved && ghost) onDrop?.(d.t, ghost.u, ghost.v);
    setGhost(null);
  };
  const keys = (e: KeyboardEvent, t: SideThing) => {
    const step = e.shiftKey ? 0.001 : 0.01;
    const along = flipped ? -step : step;
    const up = floor ? -step : step;
    const by = { ArrowLeft: [-along, 0], ArrowRight: [along, 0], ArrowUp: [0, up], ArrowDown: [0, -up] }[e.key];
    if (by) {
      e.preventDefault();
      e.stopPropagation();
      onDrop?.(t, milli(t.u_m + by[0]!), milli(t.v_m + by[1]!));
    } else if (e.key === "Delete") {
      e.preventDefault();
      e.stopPropagation();
      onLift?.(t);
    } else if (e.key === "Enter" || e.key === " ") {
      e.preventDefault();
      onPick?.(t.key);
    }
  };
  const shape = (t: SideThing, u: number, v: number) => {
    const [a, b] = [t.length_mm / 2000, t.height_mm / 2000];
    return { ...span([u - a, u + a, v - b, v + b]), rx: Math.min(t.radius_mm / 1000, a, b) };
  };
  const ends = floor
    ? [says("front"), says("rear-3")]
    : face.id === "rear"
      ? [says("left-side"), says("right-side")]
      : face.front_left
        ? [says("front"), says("rear-3")]
        : [says("rear-3"), says("front")];
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${w.toFixed(3)} ${h.toFixed(3)}`}
      className="block h-full w-full touch-none select-none text-peat"
      preserveAspectRatio="xMidYMid meet"
      role="group"
      aria-label={says("seen-above-seen-outside", { face: face.name, floor })}
      data-pane="sides"
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={() => {
        drag.current = null;
        setGhost(null);
      }}
    >
      <defs>
        <pattern id="side-bar" width="0.03" height="0.03" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
          <line x1="0" x2="0" y1="0" y2="0.03" stroke="currentColor" strokeWidth="0.006" opacity="0.5" />
        </pattern>
        <pattern id="side-never" width="0.05" height="0.05" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" x2="0" y1="0" y2="0.05" stroke="var(--color-rust)" strokeWidth="0.012" />
        </pattern>
      </defs>
      <rect {...span(face.rect as Four)} rx="0.05" fill="var(--color-sheet)" stroke="currentColor" strokeWidth="0.018" />
      {face.behind.map((b) => (
        <rect
          key={b.id}
          {...span([Math.max(u0, b.rect[0]!), Math.min(u1, b.rect[1]!), Math.max(v0, b.rect[2]!), Math.min(v1, b.rect[3]!)] as Four)}
          fill="#2c6e861a"
          stroke="currentColor"
          strokeWidth="0.004"
          strokeDasharray="0.02 0.02"
        >
          <title>{says("behind", { name: b.name })}</title>
        </rect>
      ))}
      {face.doors.map((d) => (
        <g key={d.id}>
          <rect {...span(d.rect as Four)} fill="none" stroke="currentColor" strokeWidth="0.01" strokeDasharray="0.06 0.05" />
          <text x={span(d.rect as Four).x + 0.04} y={span(d.rect as Four).y + 0.1} fontSize="0.075" fill="currentColor" opacity="0.7">
            {d.name}
          </text>
        </g>
      ))}
      {face.bars.map((b) => (
        <rect
          key={b.id}
          {...span(b.rect as Four)}
          fill={["pillar", "rail", "cross_member", "other"].includes(b.kind) ? "url(#side-bar)" : "url(#side-never)"}
          stroke={b.assumed ? "none" : "currentColor"}
          strokeWidth="0.006"
        >
          <title>{b.name + (b.assumed ? says("taken-stand-under-rib") : "")}</title>
        </rect>
      ))}
      {floor && <line x1={0.1} x2={w - 0.1} y1={y(0)} y2={y(0)} stroke="currentColor" strokeWidth="0.005" strokeDasharray="0.12 0.03 0.02 0.03" />}
      {here.map((t) => {
        const on = t.key === selected;
        const bad = marked?.has(t.key);
        const s = shape(t, t.u_m, t.v_m);
        const named = say(t.name.length > 30 ? `${t.name.slice(0, 29)}…` : t.name);
        const told = say(`${t.name}: ${Math.round(t.length_mm)} × ${Math.round(t.height_mm)} mm`);
        return (
          <g
            key={t.key}
            role="button"
            tabIndex={0}
            aria-label={t.name.length > 30 ? `${named} (${told})` : told}
            aria-pressed={on}
            data-thing={t.key}
            className={onDrop ? "cursor-move" : ""}
            opacity={ghost?.t.key === t.key ? 0.35 : 1}
            onKeyDown={(e) => keys(e, t)}
            onFocus={() => onPick?.(t.key)}
            onPointerDown={(e) => {
              if (e.button !== 0) return;
              onPick?.(t.key);
              if (!onDrop) return;
              svg.current?.setPointerCapture(e.pointerId);
              drag.current = { t, ...at(e), moved: false };
            }}
          >
            <circle cx={x(t.u_m)} cy={y(t.v_m)} r={Math.max(0.06, s.height / 2)} fill="transparent" />
            <rect
              {...s}
              fill={t.kept ? "#56615214" : "#d9a40030"}
              stroke={bad ? "var(--color-rust)" : on ? "var(--color-gorse)" : "currentColor"}
              strokeWidth={on || bad ? 0.022 : 0.01}
              strokeDasharray={t.kept ? "0.05 0.03" : undefined}
            />
            <path d={`M${x(t.u_m) - 0.03} ${y(t.v_m)}h0.06M${x(t.u_m)} ${y(t.v_m) - 0.03}v0.06`} stroke="currentColor" strokeWidth="0.006" />
            {(on || here.every((o) => o === t || Math.hypot(o.u_m - t.u_m, o.v_m - t.v_m) > 0.35)) && (
              <text x={x(t.u_m)} y={s.y - 0.03} fontSize="0.07" textAnchor="middle" fill="currentColor" aria-hidden="true" className="pointer-events-none">
                {named}
              </text>
            )}
            <title>{told}</title>
          </g>
        );
      })}
      {ghost && (
        <g className="pointer-events-none" data-testid="ghost">
          <rect {...shape(ghost.t, ghost.u, ghost.v)} fill="#d9a40055" stroke="var(--color-gorse)" strokeWidth="0.022" />
          <text x={x(ghost.u)} y={y(ghost.v) - ghost.t.height_mm / 2000 - 0.04} fontSize="0.08" textAnchor="middle" fill="currentColor">
            {say(`${ghost.u.toFixed(2)} m, ${ghost.v.toFixed(2)} m`)}
          </text>
        </g>
      )}
      <text x={0.15} y={h - 0.06} fontSize="0.09" fill="currentColor">
        {ends[0]}
      </text>
      <text x={w - 0.15} y={h - 0.06} fontSize="0.09" textAnchor="end" fill="currentColor">
        {say(says("m-m", { ends: ends[1] ?? "", u1: u1 - u0, v1: v1 - v0 }))}
      </text>
    </svg>
  );
}

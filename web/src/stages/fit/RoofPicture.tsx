/** The roof from above, to scale: ribs, what is under the skin, what lies where, cut-outs, beads and shadows. Things are dragged, and moved by keys. */
import { Fragment, type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import type { Schemas } from "../../data/client";
import { useSaid } from "../../shell/person";
import { says } from "../../words/fit";
import { points } from "./frame";
import { type Four, inTheWay, type RoofThing, rectAt, shadowOf, snappedSpot } from "./roof";

const FILL: Record<string, string> = {
  panel: "#2c6e8640",
  flexible: "#2c6e8628",
  fan: "#77588a33",
  rooflight: "#d9a40033",
  air_conditioner: "#56615233",
  hatch: "#d9a40033",
  walkway: "url(#roof-walk)",
};

type Ghost = { t: RoofThing; rect: Four };
/** As much of a name as its box holds, in whole words: all of it, else what tells it from its kin ("panel 3"), else how it begins ("Roof cooler"). */
export function shortOf(name: string, holds: number) {
  if (name.length <= holds) return name;
  const last = name.split(", ").at(-1)!;
  if (last.length <= holds && /\d$/.test(last)) return last;
  const words = name.split(" ");
  for (let from = 1; from < words.length; from++) {
    const rest = words.slice(from).join(" ");
    if (rest.length <= holds && /[a-z]/i.test(rest[0]!) && /\d$/.test(rest)) return rest;
  }
  const first = words.filter((_, n) => words.slice(0, n + 1).join(" ").length <= holds);
  while (first.length && /^(?:\d.*|over|of|and|on|for|the|×)$/.test(first.at(-1)!)) first.pop();
  return first.length > 1 ? first.join(" ").replace(/,$/, "") : ""; // one word of several (“Old”) tells nothing
}

export type Sun = { elevation: number; bearing: number } | null;

export function RoofPicture({
  roof,
  things,
  selected,
  marked,
  sun,
  beads,
  onPick,
  onDrop,
  onTurn,
  onLift,
}: {
  roof: Schemas["RoofShapePart"];
  things: RoofThing[];
  selected?: string;
  marked?: ReadonlySet<string>;
  sun?: Sun;
  beads?: boolean;
  onPick?: (key: string) => void;
  onDrop?: (t: RoofThing, x: number, y: number) => void;
  onTurn?: (t: RoofThing) => void;
  onLift?: (t: RoofThing) => void;
}) {
  const say = useSaid();
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ t: RoofThing; from: Four; x: number; y: number; moved: boolean } | null>(null);
  const [ghost, setGhost] = useState<Ghost | null>(null);
  const [px, setPx] = useState(150);
  const [x0, x1, y0, y1] = roof.rect as Four;
  const laid = things.filter((t) => t.rect);
  const lo = Math.min(x0, ...laid.map((t) => t.rect![0]!)) - 0.12;
  const hi = Math.max(x1, ...laid.map((t) => t.rect![1]!)) + 0.12;
  const half = Math.max(y1, ...laid.map((t) => Math.max(Math.abs(t.rect![2]!), Math.abs(t.rect![3]!)))) + 0.12;
  const u = (x: number) => hi - x;
  const v = (y: number) => half + y;
  const [w, h] = [hi - lo, 2 * half + 0.16];
  useEffect(() => {
    const el = svg.current;
    if (!el) return;
    const see = new ResizeObserver(() => setPx(Math.min(el.clientWidth / w, el.clientHeight / h) || 150));
    see.observe(el);
    return () => see.disconnect();
  }, [w, h]);
  const span = (r: Four) => ({ x: u(r[1]), y: v(r[2]), width: r[1] - r[0], height: r[3] - r[2] });
  const at = (e: PointerEvent) => {
    const m = svg.current?.getScreenCTM()?.inverse();
    const p = m ? new DOMPoint(e.clientX, e.clientY).matrixTransform(m) : { x: 0, y: 0 };
    return { x: hi - p.x, y: p.y - half };
  };
  const move = (e: PointerEvent) => {
    const d = drag.current;
    if (!d) return;
    const p = at(e);
    const [dx, dy] = [p.x - d.x, p.y - d.y];
    if (!d.moved && Math.hypot(dx, dy) < 0.01) return;
    d.moved = true;
    const r: Four = [d.from[0] + dx, d.from[1] + dx, d.from[2] + dy, d.from[3] + dy];
    const s = snappedSpot(d.t, r, roof, things);
    setGhost({ t: d.t, rect: rectAt(d.t, { x_m: s.x, y_m: s.y, turned: d.t.turned }) });
  };
  const drop = () => {
    const d = drag.current;
    drag.current = null;
    if (d?.moved && ghost) onDrop?.(d.t, Math.round(1000 * ghost.rect[0]) / 1000, Math.round(1000 * ghost.rect[2]) / 1000);
    setGhost(null);
  };
  const keys = (e: KeyboardEvent, t: RoofThing) => {
    const step = e.shiftKey ? 0.001 : 0.01;
    const by = { ArrowLeft: [step, 0], ArrowRight: [-step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[e.key];
    if (by && t.rect) {
      e.preventDefault();
      e.stopPropagation();
      onDrop?.(t, Math.round(1000 * (t.rect[0]! + by[0]!)) / 1000, Math.round(1000 * (t.rect[2]! + by[1]!)) / 1000);
    } else if (e.key === "r" || e.key === "R") {
      e.preventDefault();
      e.stopPropagation();
      onTurn?.(t);
    } else if (e.key === "Delete") {
      e.preventDefault();
      e.stopPropagation();
      onLift?.(t);
    } else if (e.key === "Enter" || e.key === " ") {
      e.preventDefault();
      onPick?.(t.key);
    }
  };
  const wrong = ghost ? inTheWay(ghost.t, ghost.rect, roof, things) : null;
  const text = 11 / px;
  const panels = laid.filter((t) => t.kind === "panel" || t.kind === "flexible");
  const face = panels.length ? Math.max(...panels.map((t) => t.top_m)) : 0;
  const tall = laid.filter((t) => !panels.includes(t) && t.top_m > face + 0.005 && t.kind !== "walkway" && t.kind !== "gland");
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${w.toFixed(3)} ${h.toFixed(3)}`}
      className="block h-full w-full touch-none select-none text-peat"
      preserveAspectRatio="xMidYMid meet"
      role="group"
      aria-label={says("roof-above-front-left")}
      data-pane="roof"
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={() => {
        drag.current = null;
        setGhost(null);
      }}
    >
      <defs>
        <pattern id="roof-rib" width="0.03" height="0.03" patternUnits="userSpaceOnUse" patternTransform="rotate(60)">
          <line x1="0" x2="0" y1="0" y2="0.03" stroke="currentColor" strokeWidth="0.006" opacity="0.5" />
        </pattern>
        <pattern id="roof-below" width="0.05" height="0.05" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" x2="0" y1="0" y2="0.05" stroke="var(--color-rust)" strokeWidth="0.012" />
        </pattern>
        <clipPath id="roof-edge">
          <rect {...span(roof.rect as Four)} rx="0.09" />
        </clipPath>
        <pattern id="roof-walk" width="0.08" height="0.08" patternUnits="userSpaceOnUse">
          <circle cx="0.04" cy="0.04" r="0.012" fill="currentColor" opacity="0.35" />
        </pattern>
      </defs>
      <rect {...span(roof.rect as Four)} rx="0.09" fill="var(--color-sheet)" stroke="currentColor" strokeWidth="0.02" />
      {roof.ribs.map((r) => (
        <rect key={r.id} {...span([r.x0, r.x1, y0 + 0.03, y1 - 0.03])} fill="url(#roof-rib)">
          <title>{say(says("mm-high", { id: r.id.replace("-", " "), height_mm: r.height_mm }))}</title>
        </rect>
      ))}
      {roof.ribs.map((r) => (
        <text key={r.id} x={u((r.x0 + r.x1) / 2)} y={v(y1) + 1.3 * text} fontSize={0.9 * text} textAnchor="middle" fill="currentColor" opacity="0.7">
          {r.id.replace("rib-", "")}
        </text>
      ))}
      <line x1={u(x1) + 0.02} x2={u(x0) - 0.02} y1={v(0)} y2={v(0)} stroke="currentColor" strokeWidth="0.006" strokeDasharray="0.12 0.03 0.02 0.03" />
      {roof.below.map((b) => (
        <rect key={b.id} {...span(b.rect as Four)} fill="url(#roof-below)" stroke="var(--color-rust)" strokeWidth="0.008">
          <title>{say(b.name)}</title>
        </rect>
      ))}
      {laid.map((t) => {
        const r = t.rect as Four;
        const s = span(r);
        const on = t.key === selected;
        const bad = marked?.has(t.key);
        const told = say(`${t.name}: ${Math.round(1000 * (r[1] - r[0]))} × ${Math.round(1000 * (r[3] - r[2]))} mm, ${t.mass_kg.toFixed(1)} kg`);
        const holds = Math.floor((s.width - 0.03) / (text * 0.56));
        return (
          <Fragment key={t.key}>
            <g
              role="button"
              tabIndex={0}
              aria-label={told}
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
                drag.current = { t, from: r, ...at(e), moved: false };
              }}
            >
              <rect
                {...s}
                rx={t.kind === "gland" || t.kind === "vent" ? Math.min(s.width, s.height) / 2 : 0.01}
                fill={FILL[t.kind] ?? "#5661521f"}
                stroke={bad ? "var(--color-rust)" : on ? "var(--color-gorse)" : "currentColor"}
                strokeWidth={on || bad ? 0.025 : 0.01}
                strokeDasharray={t.kept ? "0.05 0.03" : undefined}
              />
              {t.cut?.hole && (
                <rect
                  {...span(t.cut.hole as Four)}
                  rx={Math.min(t.cut.radius_mm, t.cut.length_mm / 2, t.cut.width_mm / 2) / 1000}
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="0.008"
                  strokeDasharray="0.02 0.02"
                />
              )}
              <title>{told}</title>
            </g>
            {holds > 5 && s.height * px > 14 && (
              <text aria-hidden="true" x={s.x + 0.03} y={s.y + 1.2 * text} fontSize={text} fill="currentColor" className="pointer-events-none">
                {shortOf(t.name, holds)}
              </text>
            )}
          </Fragment>
        );
      })}
      {(beads ? laid : laid.filter((t) => t.key === selected)).flatMap((t) =>
        (t.held?.lines ?? []).map((line, i) => (
          <polyline
            key={`${t.key}/${i}`}
            points={points(line.map((p) => [u(p[0]!), v(p[1]!)]))}
            fill="none"
            stroke="var(--color-gorse)"
            strokeWidth="0.014"
            className="pointer-events-none"
            data-testid="bead"
          />
        )),
      )}
      {sun &&
        tall.map((t) => (
          <polygon
            key={t.key}
            points={points(shadowOf(t.rect as Four, t.top_m - face, sun.elevation, sun.bearing).map(([x, y]) => [u(x), v(y)]))}
            fill="#20261f"
            opacity="0.28"
            clipPath="url(#roof-edge)"
            className="pointer-events-none"
            data-testid="shadow"
          />
        ))}
      {ghost && (
        <g className="pointer-events-none" data-testid="ghost" data-missing={wrong ? wrong.mm : 0}>
          <rect
            {...span(ghost.rect)}
            fill={wrong ? "#a8391f55" : "#d9a40055"}
            stroke={wrong ? "var(--color-rust)" : "var(--color-gorse)"}
            strokeWidth="0.025"
          />
          <text
            x={span(ghost.rect).x}
            y={Math.max(1.2 * text, span(ghost.rect).y - 0.03)}
            fontSize={1.2 * text}
            fill={wrong ? "var(--color-rust)" : "currentColor"}
          >
            {wrong ? say(`${wrong.mm} mm: ${wrong.what}`) : says("free")}
          </text>
        </g>
      )}
      <text x={u(x1)} y={h - 0.03} fontSize={text} fill="currentColor">
        {says("front")}
      </text>
      <text x={u(x0)} y={h - 0.03} fontSize={text} textAnchor="end" fill="currentColor">
        {say(says("rear-m-m", { x1: x1 - x0, y1: y1 - y0 }))}
      </text>
    </svg>
  );
}

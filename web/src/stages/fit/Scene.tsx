/** The vehicle drawn to scale with what stands in it: plan, sides, roof, under the floor, section at the cursor. Things are dragged. */
import { Fragment, useEffect, useRef, useState } from "react";
import { useSaid } from "../../shell/person";
import { says } from "../../words/fit";
import { area, dashes, FILL, frameOf, type Look, names, outside, points, spanU } from "./frame";
import { type Body, type Box, boxAt, endOf, missing, type PlaceDoc, posed, snapped, type Thing, within } from "./geometry";
import { Outline } from "./Outline";

type Ghost = { key: string; place: PlaceDoc };
type Line = { id: string; name: string; service: string; lines: number[][][]; on: boolean };
export type SceneProps = {
  body: Body;
  things: Thing[];
  placeOf: (key: string) => PlaceDoc | undefined;
  selected?: string;
  marked?: ReadonlySet<string>;
  onPick?: (key: string) => void;
  /** A thing is being moved: where to, many times a second; null when it is let go of. */
  onGhost?: (ghost: Ghost | null) => void;
  onDrop?: (place: PlaceDoc) => void;
  onTurn?: (t: Thing) => void;
  onLift?: (t: Thing) => void;
  lines?: Line[];
  net?: { id: string; a: number[]; b: number[]; layer: string }[];
  /** Room that is there only while the vehicle stands open. */
  rooms?: Body["rooms"];
  /** Where the section is cut, m from the rear. */
  cut?: number;
  loads?: { x: number; text: string }[];
};

/** One pane of the scene. */
export function Pane({ look, label, ...p }: SceneProps & { look: Look | "section"; label: string }) {
  const say = useSaid();
  const cut = p.cut ?? endOf(p.body) / 2;
  const f = frameOf(look, p.body, p.things, cut, p.rooms);
  const svg = useRef<SVGSVGElement>(null);
  const [px, setPx] = useState(100);
  useEffect(() => {
    const box = svg.current;
    if (!box) return;
    const measure = () => {
      const scale = Math.min(box.clientWidth / f.w, box.clientHeight / f.h);
      if (scale > 0) setPx(scale);
    };
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(box);
    return () => watch.disconnect();
  }, [f.w, f.h]);
  const drag = useRef<{ key: string; from: PlaceDoc; u: number; v: number; moved: boolean } | null>(null);
  const [ghost, setGhost] = useState<Ghost | null>(null);
  const at = (e: { clientX: number; clientY: number }) => {
    const m = svg.current?.getScreenCTM()?.inverse();
    if (!m) return { u: 0, v: 0 };
    const q = new DOMPoint(e.clientX, e.clientY).matrixTransform(m);
    return { u: q.x, v: q.y };
  };
  const shown = p.things.filter((t) => t.box && t.kind !== "removed" && f.shows(t));
  // furniture and what is large lies under what is small
  const order = [...shown].sort((a, b) => Number(b.hollow) - Number(a.hollow) || area(f, b) - area(f, a));
  const held = ghost ? p.things.find((t) => t.key === ghost.key) : undefined;
  const ghostBox = ghost && held ? boxAt(held, ghost.place) : null;
  const wrong =
    ghost && held && ghostBox
      ? missing(
          held,
          ghostBox,
          posed(held, ghost.place.up ?? "top", ghost.place.yaw_deg ?? 0).clear,
          p.body,
          p.things,
          !!ghost.place.bay || held.on_roof || !!p.rooms?.some((r) => within(ghostBox, r.box as Box)),
        )
      : null;

  const move = (e: React.PointerEvent) => {
    const d = drag.current;
    if (!d) return;
    const q = at(e);
    const [du, dv] = [q.u - d.u, q.v - d.v];
    if (!d.moved && Math.hypot(du, dv) < 0.015) return;
    d.moved = true;
    const t = p.things.find((x) => x.key === d.key)!;
    const by = (i: number) => du * f.right[i]! + dv * f.down[i]!;
    const place = snapped(t, { ...d.from, x_m: d.from.x_m + by(0), y_m: d.from.y_m + by(1), z_m: (d.from.z_m ?? 0) + by(2) }, p.body, p.things);
    const next = { key: d.key, place };
    setGhost(next);
    p.onGhost?.(next);
  };
  const drop = () => {
    const d = drag.current;
    drag.current = null;
    if (d?.moved && ghost) p.onDrop?.(ghost.place);
    setGhost(null);
    p.onGhost?.(null);
  };
  const keys = (e: React.KeyboardEvent, t: Thing) => {
    const place = p.placeOf(t.key);
    if (!place) return;
    const step = e.shiftKey ? 0.001 : 0.01;
    const moves: Record<string, [number, number, number]> = {
      ArrowRight: f.right,
      ArrowLeft: f.right.map((x) => -x) as [number, number, number],
      ArrowDown: f.down,
      ArrowUp: f.down.map((x) => -x) as [number, number, number],
      PageUp: [0, 0, 1],
      PageDown: [0, 0, -1],
    };
    const by = moves[e.key];
    const done = () => {
      e.preventDefault();
      e.stopPropagation();
    };
    if (by) {
      done();
      const r = (m: number) => Math.round(m * 1000) / 1000;
      p.onDrop?.({ ...place, x_m: r(place.x_m + by[0] * step), y_m: r(place.y_m + by[1] * step), z_m: r((place.z_m ?? 0) + by[2] * step) });
    } else if (e.key === "r" || e.key === "R") {
      done();
      p.onTurn?.(t);
    } else if (e.key === "Delete" || e.key === "Backspace") {
      done();
      p.onLift?.(t);
    } else if (e.key === "Enter" || e.key === " ") {
      done();
      p.onPick?.(t.key);
    }
  };
  const text = 10 / px;
  const written = names(order, f, text, px);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${f.w.toFixed(3)} ${f.h.toFixed(3)}`}
      className="block h-full w-full touch-none select-none text-peat"
      preserveAspectRatio="xMidYMid meet"
      role="group"
      aria-label={label}
      data-pane={look}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={() => {
        drag.current = null;
        setGhost(null);
        p.onGhost?.(null);
      }}
    >
      <defs>
        <pattern id="fit-wood" width="0.08" height="0.08" patternUnits="userSpaceOnUse" patternTransform="rotate(30)">
          <rect width="0.08" height="0.08" fill="#b8a98418" />
          <line x1="0" x2="0" y1="0" y2="0.08" stroke="#8a7a5055" strokeWidth="0.008" />
        </pattern>
        <pattern id="fit-arch" width="0.05" height="0.05" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" x2="0" y1="0" y2="0.05" stroke="currentColor" strokeWidth="0.008" />
        </pattern>
      </defs>
      {p.rooms?.map((r) => (
        <rect
          key={r.name}
          {...spanU(f, outside(r.box as Box, p.body))}
          fill="none"
          stroke="currentColor"
          strokeWidth="0.012"
          strokeDasharray="0.06 0.04"
          data-room={r.name}
        >
          <title>{r.name}</title>
        </rect>
      ))}
      <Outline look={look} body={p.body} f={f} cut={cut} />
      {look !== "under" &&
        p.body.obstacles
          .filter((o) => look !== "section" || ((o.box as Box)[0] <= cut && (o.box as Box)[1] >= cut))
          .filter((o) => (look === "left" ? (o.box as Box)[3] > 0 : look === "right" ? (o.box as Box)[2] < 0 : true))
          .map((o) => (
            <rect key={o.id} {...spanU(f, o.box as Box)} fill="url(#fit-arch)" stroke="currentColor" strokeWidth="0.008">
              <title>{o.name}</title>
            </rect>
          ))}
      {p.net?.map((e) => (
        <line
          key={e.id}
          x1={f.u(e.a[0]!, e.a[1]!, e.a[2]!)}
          y1={f.v(e.a[0]!, e.a[1]!, e.a[2]!)}
          x2={f.u(e.b[0]!, e.b[1]!, e.b[2]!)}
          y2={f.v(e.b[0]!, e.b[1]!, e.b[2]!)}
          stroke="var(--color-line)"
          strokeWidth="0.012"
        />
      ))}
      {order.map((t) => {
        const b = t.box as Box;
        const r = spanU(f, b);
        const on = p.selected === t.key;
        const bad = p.marked?.has(t.key);
        const short = written.get(t.key);
        const told = say(`${t.name}, ${t.what}: ${t.size.map((x) => Math.round(1000 * x)).join(" × ")} mm, ${t.mass_kg.toFixed(1)} kg`);
        return (
          <Fragment key={t.key}>
            <g
              role="button"
              tabIndex={0}
              aria-label={told}
              aria-pressed={on}
              data-thing={t.key}
              className={p.onDrop ? "cursor-move" : "cursor-pointer"}
              opacity={ghost?.key === t.key ? 0.35 : 1}
              onKeyDown={(e) => keys(e, t)}
              onFocus={() => p.onPick?.(t.key)}
              onPointerDown={(e) => {
                if (e.button !== 0) return;
                p.onPick?.(t.key);
                const from = p.placeOf(t.key);
                if (!p.onDrop || !from) return;
                svg.current?.setPointerCapture(e.pointerId);
                drag.current = { key: t.key, from, ...at(e), moved: false };
              }}
            >
              <rect
                {...r}
                fill={FILL[t.kind] ?? FILL.other}
                stroke={bad ? "var(--color-rust)" : on ? "var(--color-gorse)" : "currentColor"}
                strokeWidth={on || bad ? 0.025 : 0.01}
              />
              <title>{told}</title>
            </g>
            {/* apart from the button: a shortened name beside the whole one would be read twice */}
            {short && (
              <text
                aria-hidden="true"
                x={r.x + 0.02}
                y={r.y + 1.05 * text}
                fontSize={text}
                fill="currentColor"
                opacity={ghost?.key === t.key ? 0.35 : 1}
                className="pointer-events-none"
              >
                {short}
              </text>
            )}
          </Fragment>
        );
      })}
      {p.lines?.flatMap((l) =>
        l.lines.map((way, i) => (
          <polyline
            key={`${l.id}/${i}`}
            points={points(way.map((q) => [f.u(q[0]!, q[1]!, q[2]!), f.v(q[0]!, q[1]!, q[2]!)]))}
            fill="none"
            stroke={l.on ? "var(--color-gorse)" : "currentColor"}
            strokeWidth={l.on ? 0.035 : 0.012}
            strokeDasharray={dashes(l.service)}
            opacity={l.on ? 1 : 0.5}
            className="pointer-events-none"
          />
        )),
      )}
      {ghost && held && ghostBox && (
        <g className="pointer-events-none" data-testid="ghost" data-missing={wrong ? wrong.mm : 0}>
          <rect
            {...spanU(f, ghostBox)}
            fill={wrong ? "#a8391f55" : "#d9a40055"}
            stroke={wrong ? "var(--color-rust)" : "var(--color-gorse)"}
            strokeWidth="0.025"
          />
          <text
            x={spanU(f, ghostBox).x}
            y={Math.max(1.2 * text, spanU(f, ghostBox).y - 0.03)}
            fontSize={1.2 * text}
            fill={wrong ? "var(--color-rust)" : "currentColor"}
          >
            {wrong ? say(says("mm-missing", { mm: wrong.mm, what: wrong.what })) : says("free")}
          </text>
        </g>
      )}
      {p.loads?.map((l) => (
        <g key={l.x}>
          <path d={`M${f.u(l.x, 0, 0)} ${f.v(0, 0, 0) + 0.3}v0.12m-0.04 -0.04l0.04 0.04l0.04 -0.04`} stroke="currentColor" fill="none" strokeWidth="0.012" />
          <text x={f.u(l.x, 0, 0)} y={f.v(0, 0, 0) + 0.55} fontSize="0.11" textAnchor="middle" fill="currentColor">
            {l.text}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** The vehicle drawn to scale with what stands in it: plan, sides, roof, under the floor, section at the cursor, and seen slantwise. Things are dragged. */
import { Fragment, type ReactNode, useEffect, useRef, useState } from "react";
import { useSaid } from "../../shell/person";
import { type Body, type Box, boxAt, endOf, hullAt, missing, type PlaceDoc, posed, slanted, snapped, type Thing } from "./geometry";

export type Look = "plan" | "left" | "right" | "roof" | "under" | "slant";
export const LOOKS: Record<Look, string> = {
  plan: "plan and side",
  left: "left side",
  right: "right side",
  roof: "roof",
  under: "under the floor",
  slant: "slantwise",
};
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
  /** Where the section is cut, m from the rear. */
  cut?: number;
  loads?: { x: number; text: string }[];
};

const FILL: Record<string, string> = {
  furniture: "url(#fit-wood)",
  bed: "url(#fit-wood)",
  battery: "#d9a40044",
  tank: "#2c6e8633",
  water: "#2c6e8633",
  fridge: "#5661521f",
  heat: "#a8391f2b",
  gas: "#77588a33",
  electrics: "#d9a40029",
  sink: "#2c6e8622",
  seat: "#5661521a",
  loose: "#5661521a",
  other: "#5661521a",
};
const SERVICE: Record<string, string> = { dc: "", data: "1 3", mains: "9 3", water: "3 2", waste: "12 6", gas: "2 2 2 6", duct: "14 4 2 4" };

/** How a pane shows the vehicle: from metres to its own units and back. */
type Frame = {
  u: (x: number, y: number, z: number) => number;
  v: (x: number, y: number, z: number) => number;
  w: number;
  h: number;
  /** What a step to the right and a step down change, as (x, y, z) for each unit. */
  right: [number, number, number];
  down: [number, number, number];
  shows: (t: Thing) => boolean;
};

/** A wheel as it is hinted at under the floor, m. */
const WHEEL = { z: -0.14, r: 0.13, below: -0.27 };

function frameOf(look: Look | "section", body: Body, things: Thing[], cut: number): Frame {
  const boxes = things.flatMap((t) => (t.box ? [t.box as Box] : []));
  const x0 = Math.min(-0.15, ...boxes.map((b) => b[0] - 0.05));
  const x1 = Math.max(endOf(body) + 0.15, ...boxes.map((b) => b[1] + 0.05), body.cab ? endOf(body) + 1.0 : 0);
  const half = Math.max(body.half, ...boxes.map((b) => Math.max(Math.abs(b[2]), Math.abs(b[3])))) + 0.12;
  const z0 = Math.min(-0.2, ...boxes.map((b) => b[4] - 0.06));
  const z1 = Math.max(body.height + 0.15, ...boxes.map((b) => b[5] + 0.06));
  const flat = {
    u: (x: number) => x1 - x,
    v: (_: number, y: number) => half + y,
    w: x1 - x0,
    h: 2 * half,
    right: [-1, 0, 0] as const,
    down: [0, 1, 0] as const,
  };
  const upright = (front: "left" | "right") => ({
    u: (x: number) => (front === "left" ? x1 - x : x - x0),
    v: (_: number, __: number, z: number) => z1 - z,
    w: x1 - x0,
    h: z1 - Math.min(z0, WHEEL.below - 0.02),
    right: [front === "left" ? -1 : 1, 0, 0] as const,
    down: [0, 0, -1] as const,
  });
  const inside = (t: Thing) => !t.on_roof && (t.box ? (t.box as Box)[5] > 0 : true);
  const made = {
    plan: { ...flat, shows: inside },
    roof: { ...flat, shows: (t: Thing) => t.on_roof },
    under: { ...flat, shows: (t: Thing) => !!t.box && (t.box as Box)[5] <= 0.001 },
    left: { ...upright("left"), shows: (t: Thing) => !!t.box && (t.on_roof || (t.box as Box)[3] > 0) },
    right: { ...upright("right"), shows: (t: Thing) => !!t.box && (t.on_roof || (t.box as Box)[2] < 0) },
    section: {
      u: (_: number, y: number) => half - y,
      v: (_: number, __: number, z: number) => z1 - z,
      w: 2 * half,
      h: z1 - z0,
      right: [0, -1, 0] as const,
      down: [0, 0, -1] as const,
      shows: (t: Thing) => !!t.box && (t.box as Box)[0] - 0.001 <= cut && (t.box as Box)[1] + 0.001 >= cut,
    },
    slant: { ...flat, shows: () => true },
  }[look];
  return made as unknown as Frame;
}

const points = (list: [number, number][]) => list.map(([a, b]) => `${a.toFixed(3)},${b.toFixed(3)}`).join(" ");

function Outline({ look, body, f, cut }: { look: Look | "section"; body: Body; f: Frame; cut: number }) {
  const s = body.stations;
  const line = { fill: "none", stroke: "currentColor", strokeWidth: 0.018 };
  if (look === "section") {
    const zs = [0, ...body.levels.filter((z) => z > 0)];
    const h = hullAt(body, cut, 0).height;
    const heights = [...zs.filter((z) => z < h), h];
    const left = heights.map((z) => [f.u(0, hullAt(body, cut, z).left, z), f.v(0, 0, z)] as [number, number]);
    const right = heights.map((z) => [f.u(0, -hullAt(body, cut, z).right, z), f.v(0, 0, z)] as [number, number]);
    return (
      <>
        <polygon points={points([...left, ...right.reverse()])} {...line} />
        <line
          x1={f.u(0, 0, 0)}
          x2={f.u(0, 0, 0)}
          y1={f.v(0, 0, h)}
          y2={f.v(0, 0, 0)}
          stroke="currentColor"
          strokeWidth="0.006"
          strokeDasharray="0.1 0.03 0.02 0.03"
        />
      </>
    );
  }
  if (look === "left" || look === "right") {
    const sill = s.map((q) => [f.u(q.x, 0, 0), f.v(0, 0, q.height)] as [number, number]);
    const wheels = [body.rear_x, body.second_x, body.front_x].filter((x): x is number => x != null && f.u(x, 0, 0) > 0 && f.u(x, 0, 0) < f.w);
    return (
      <>
        <polygon points={points([[f.u(s[0]!.x, 0, 0), f.v(0, 0, 0)], ...sill, [f.u(s[s.length - 1]!.x, 0, 0), f.v(0, 0, 0)]])} {...line} />
        {wheels.map((x) => (
          <circle key={x} cx={f.u(x, 0, 0)} cy={f.v(0, 0, WHEEL.z)} r={WHEEL.r} {...line} strokeWidth="0.012" />
        ))}
        {body.doors
          .filter((d) => d.side === look)
          .map((d) => (
            <rect
              key={d.id}
              x={Math.min(f.u(d.a, 0, 0), f.u(d.b, 0, 0))}
              width={Math.abs(d.b - d.a)}
              y={f.v(0, 0, d.sill + d.height)}
              height={d.height}
              {...line}
              strokeWidth="0.008"
              strokeDasharray="0.05 0.04"
            />
          ))}
      </>
    );
  }
  const at = Math.min(1, body.levels.length - 1);
  const left = s.map((q) => [f.u(q.x, 0, 0), f.v(0, q.left[at]!, 0)] as [number, number]);
  const right = s.map((q) => [f.u(q.x, 0, 0), f.v(0, -q.right[at]!, 0)] as [number, number]);
  const last = endOf(body);
  return (
    <>
      {body.cab && (
        <path
          d={`M${f.u(last, 0, 0)} ${f.v(0, -body.half, 0)}Q${f.u(last + 0.95, 0, 0)} ${f.v(0, -body.half, 0)} ${f.u(last + 0.95, 0, 0)} ${f.v(0, 0, 0)}Q${f.u(last + 0.95, 0, 0)} ${f.v(0, body.half, 0)} ${f.u(last, 0, 0)} ${f.v(0, body.half, 0)}`}
          {...line}
          strokeWidth="0.008"
        />
      )}
      <polygon points={points([...left, ...right.reverse()])} {...line} />
      <line
        x1={f.u(s[0]!.x, 0, 0) + 0.08}
        x2={f.u(last, 0, 0) - 0.08}
        y1={f.v(0, 0, 0)}
        y2={f.v(0, 0, 0)}
        stroke="currentColor"
        strokeWidth="0.006"
        strokeDasharray="0.1 0.03 0.02 0.03"
      />
      {body.doors.map((d) =>
        d.side === "left" || d.side === "right" ? (
          <line
            key={d.id}
            x1={f.u(d.a, 0, 0)}
            x2={f.u(d.b, 0, 0)}
            y1={f.v(0, (d.side === "left" ? 1 : -1) * body.half, 0)}
            y2={f.v(0, (d.side === "left" ? 1 : -1) * body.half, 0)}
            stroke="var(--color-sheet)"
            strokeWidth="0.05"
          />
        ) : d.side === "rear" ? (
          <line key={d.id} x1={f.u(0, 0, 0)} x2={f.u(0, 0, 0)} y1={f.v(0, d.a, 0)} y2={f.v(0, d.b, 0)} stroke="var(--color-sheet)" strokeWidth="0.05" />
        ) : null,
      )}
    </>
  );
}

const spanU = (f: Frame, b: Box) => {
  const us = [f.u(b[0], b[2], b[4]), f.u(b[1], b[3], b[5])];
  const vs = [f.v(b[0], b[2], b[4]), f.v(b[1], b[3], b[5])];
  return { x: Math.min(...us), y: Math.min(...vs), width: Math.abs(us[1]! - us[0]!), height: Math.abs(vs[1]! - vs[0]!) };
};

/** One pane of the scene. */
export function Pane({ look, label, ...p }: SceneProps & { look: Look | "section"; label: string }) {
  const say = useSaid();
  const cut = p.cut ?? endOf(p.body) / 2;
  const f = frameOf(look, p.body, p.things, cut);
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
      ? missing(held, ghostBox, posed(held, ghost.place.up ?? "top", ghost.place.yaw_deg ?? 0).clear, p.body, p.things, !!ghost.place.bay || held.on_roof)
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
      <Outline look={look} body={p.body} f={f} cut={cut} />
      {look !== "roof" &&
        look !== "under" &&
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
            strokeDasharray={
              (SERVICE[l.service] ?? "")
                .split(" ")
                .filter(Boolean)
                .map((n) => (Number(n) * 0.012).toFixed(3))
                .join(" ") || undefined
            }
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
            {wrong ? say(`${wrong.mm} mm missing: ${wrong.what}`) : "free"}
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

/** What is written of each name: as much as its box holds, the largest first; none over another, and none of which only a stump would be left. */
function names(things: Thing[], f: Frame, size: number, px: number): Map<string, string> {
  const out = new Map<string, string>();
  const taken: [number, number, number, number][] = [];
  for (const t of things) {
    const r = spanU(f, t.box as Box);
    const holds = Math.floor((r.width - 0.02) / (size * 0.56));
    if (r.width * px <= 30 || r.height * px <= 13 || (holds < t.name.length && holds < 6)) continue;
    const short = t.name.slice(0, holds).replace(/[ ,]+$/, "");
    const box: [number, number, number, number] = [r.x, r.x + 0.02 + short.length * size * 0.56, r.y, r.y + 1.2 * size];
    if (taken.some((b) => b[0] < box[1] && box[0] < b[1] && b[2] < box[3] && box[2] < b[3])) continue;
    taken.push(box);
    out.set(t.key, short);
  }
  return out;
}

const area = (f: Frame, t: Thing) => {
  const r = spanU(f, t.box as Box);
  return r.width * r.height;
};

/** All of it seen slantwise, turned in quarters. */
export function Slant({ body, things, selected, turn, onPick }: Pick<SceneProps, "body" | "things" | "selected" | "onPick"> & { turn: number }) {
  const s = body.stations;
  const at = Math.min(1, body.levels.length - 1);
  const floor: [number, number, number][] = [
    ...s.map((q) => [q.x, q.left[0]!, 0] as [number, number, number]),
    ...[...s].reverse().map((q) => [q.x, -q.right[0]!, 0] as [number, number, number]),
  ];
  const rim: [number, number, number][] = [
    ...s.map((q) => [q.x, q.left[at]!, q.height] as [number, number, number]),
    ...[...s].reverse().map((q) => [q.x, -q.right[at]!, q.height] as [number, number, number]),
  ];
  const put = (list: [number, number, number][]) => list.map(([x, y, z]) => slanted(x, y, z, turn));
  const all = [
    ...put(floor),
    ...put(rim),
    ...things.flatMap((t) =>
      t.box ? put([corner(t.box as Box, 0, 0, 0), corner(t.box as Box, 1, 1, 1), corner(t.box as Box, 0, 1, 1), corner(t.box as Box, 1, 0, 0)]) : [],
    ),
  ];
  const us = all.map((q) => q[0]);
  const vs = all.map((q) => q[1]);
  const [u0, u1, v0, v1] = [Math.min(...us) - 0.1, Math.max(...us) + 0.1, Math.min(...vs) - 0.1, Math.max(...vs) + 0.1];
  // which sides of a box are seen: those towards the onlooker
  const towards = [
    [0, 1],
    [0, 0],
    [1, 0],
    [1, 1],
  ][turn % 4] as [number, number];
  const depth = (b: Box) => {
    const [, v] = slanted((b[0] + b[1]) / 2, (b[2] + b[3]) / 2, 0, turn);
    return v + b[4] * 0.01;
  };
  const drawn = things
    .filter((t) => t.box && !t.small && t.kind !== "removed")
    .sort((a, b) => depth(a.box as Box) - depth(b.box as Box) || (a.box as Box)[4] - (b.box as Box)[4]);
  return (
    <svg
      viewBox={`${u0} ${v0} ${u1 - u0} ${v1 - v0}`}
      className="block h-full w-full text-peat"
      preserveAspectRatio="xMidYMid meet"
      role="group"
      aria-label="The vehicle seen slantwise"
    >
      <polygon points={points(put(floor))} fill="none" stroke="currentColor" strokeWidth="0.018" />
      <polygon points={points(put(rim))} fill="none" stroke="currentColor" strokeWidth="0.008" strokeDasharray="0.06 0.05" />
      {s.map((q) => (
        <g key={q.x} stroke="currentColor" strokeWidth="0.006" strokeDasharray="0.06 0.05">
          {[
            put([
              [q.x, q.left[0]!, 0],
              [q.x, q.left[at]!, q.height],
            ]),
            put([
              [q.x, -q.right[0]!, 0],
              [q.x, -q.right[at]!, q.height],
            ]),
          ].map((w) => (
            <line key={w[0]![0]} x1={w[0]![0]} y1={w[0]![1]} x2={w[1]![0]} y2={w[1]![1]} />
          ))}
        </g>
      ))}
      {drawn.map((t) => {
        const b = t.box as Box;
        const on = t.key === selected;
        const [i, j] = towards;
        const top = put([corner(b, 0, 0, 1), corner(b, 1, 0, 1), corner(b, 1, 1, 1), corner(b, 0, 1, 1)]);
        const end = put([corner(b, i, 0, 0), corner(b, i, 1, 0), corner(b, i, 1, 1), corner(b, i, 0, 1)]);
        const flank = put([corner(b, 0, j, 0), corner(b, 1, j, 0), corner(b, 1, j, 1), corner(b, 0, j, 1)]);
        return (
          <g
            key={t.key}
            role="button"
            tabIndex={0}
            aria-label={t.name}
            aria-pressed={on}
            onClick={() => onPick?.(t.key)}
            onFocus={() => onPick?.(t.key)}
            className="cursor-pointer"
          >
            {[top, end, flank].map((face, n) => (
              <polygon
                key={n}
                points={points(face)}
                fill={t.on_roof ? "none" : "var(--color-sheet)"}
                strokeDasharray={t.on_roof ? "0.05 0.04" : undefined}
                stroke={on ? "var(--color-gorse)" : "currentColor"}
                strokeWidth={on ? 0.022 : 0.008}
              />
            ))}
            {!t.on_roof && <polygon points={points(top)} fill={FILL[t.kind] ?? FILL.other} />}
            <title>{t.name}</title>
          </g>
        );
      })}
    </svg>
  );
}

const corner = (b: Box, i: number, j: number, k: number): [number, number, number] => [b[i]!, b[2 + j]!, b[4 + k]!];

/** A row of small choices over a picture. */
export function Choices<V extends string>({
  label,
  options,
  value,
  onSet,
  children,
}: {
  label: string;
  options: Record<V, string>;
  value: V;
  onSet: (v: V) => void;
  children?: ReactNode;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-1 text-[12px]">
      {(Object.keys(options) as V[]).map((k) => (
        <button
          key={k}
          type="button"
          aria-pressed={k === value}
          className={`border px-1.5 py-0 ${k === value ? "border-gorse font-semibold" : "border-line"}`}
          onClick={() => onSet(k)}
        >
          {options[k]}
        </button>
      ))}
      {children}
    </div>
  );
}

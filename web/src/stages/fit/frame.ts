/** How a pane of the drawing shows the vehicle: looks, scale, fills, strokes and which names have room. */

import { says } from "../../words/fit";
import { type Body, type Box, endOf, type Thing } from "./geometry";

export type Look = "plan" | "left" | "right" | "under" | "slant";
export const LOOKS: Record<Look, string> = {
  plan: says("plan-side"),
  left: says("left-side"),
  right: says("right-side"),
  under: says("under-floor"),
  slant: says("slantwise"),
};

export const FILL: Record<string, string> = {
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

/** Strokes of each service, in the order of an svg's dash list; a plain line is low voltage. */
const STROKES: Record<string, number[]> = { data: [1, 3], mains: [9, 3], water: [3, 2], waste: [12, 6], gas: [2, 2, 2, 6], duct: [14, 4, 2, 4] };

export const dashes = (service: string) => STROKES[service]?.map((n) => (n * 0.012).toFixed(3)).join(" ");

/** How a pane shows the vehicle: from metres to its own units and back. */
export type Frame = {
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
export const WHEEL = { z: -0.14, r: 0.13, below: -0.27 };

export function frameOf(look: Look | "section", body: Body, things: Thing[], cut: number, rooms: Body["rooms"] = []): Frame {
  const boxes = [...things.flatMap((t) => (t.box ? [t.box as Box] : [])), ...rooms.map((r) => r.box as Box)];
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

export const points = (list: [number, number][]) => list.map(([a, b]) => `${a.toFixed(3)},${b.toFixed(3)}`).join(" ");

export const spanU = (f: Frame, b: Box) => {
  const us = [f.u(b[0], b[2], b[4]), f.u(b[1], b[3], b[5])];
  const vs = [f.v(b[0], b[2], b[4]), f.v(b[1], b[3], b[5])];
  return { x: Math.min(...us), y: Math.min(...vs), width: Math.abs(us[1]! - us[0]!), height: Math.abs(vs[1]! - vs[0]!) };
};

/** What is written of each name: as much as its box holds, the largest first; none over another, and none of which only a stump would be left. */
export function names(things: Thing[], f: Frame, size: number, px: number): Map<string, string> {
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

export const area = (f: Frame, t: Thing) => {
  const r = spanU(f, t.box as Box);
  return r.width * r.height;
};

/** Of a room that opens, the part that lies outside the closed vehicle. */
export function outside(room: Box, body: Body): Box {
  const [x0, x1, y0, y1, z0, z1] = room;
  const first = body.stations[0]!.x;
  if (y1 > body.half) return [x0, x1, body.half, y1, z0, z1];
  if (y0 < -body.half) return [x0, x1, y0, -body.half, z0, z1];
  if (x0 < first) return [x0, first, y0, y1, z0, z1];
  return [x0, x1, y0, y1, Math.min(z1, body.height), z1];
}

/** Geometry while something is dragged: turned sizes, snapping, and what is in the way. The core decides; this answers between two of its answers. */
import type { Schemas } from "../../data/client";
import { says } from "../../words/fit";

export type Thing = Schemas["ThingPart"];
export type Body = Schemas["BodyPart"];
export type PlaceDoc = Schemas["PlaceDoc"];
/** x0, x1, y0, y1, z0, z1 in m. */
export type Box = [number, number, number, number, number, number];

const FACES = ["rear", "front", "right", "left", "bottom", "top"] as const;
type Face = (typeof FACES)[number];
const TIPPED: Record<string, Face[]> = {
  top: ["rear", "front", "right", "left", "bottom", "top"],
  front: ["top", "bottom", "right", "left", "rear", "front"],
  rear: ["bottom", "top", "right", "left", "front", "rear"],
  left: ["rear", "front", "top", "bottom", "right", "left"],
  right: ["rear", "front", "bottom", "top", "left", "right"],
  bottom: ["rear", "front", "left", "right", "top", "bottom"],
};
const YAW: Record<number, number[]> = { 0: [0, 1, 2, 3], 90: [3, 2, 0, 1], 180: [1, 0, 3, 2], 270: [2, 3, 1, 0] };
const AXIS: Record<Face, number> = { rear: 0, front: 0, right: 1, left: 1, bottom: 2, top: 2 };

/** Size along x, y, z of a thing that is turned, and its clearances at the vehicle's faces. */
export function posed(t: Thing, up: string, yaw: number): { size: [number, number, number]; clear: Box } {
  const tipped = TIPPED[up] ?? TIPPED.top!;
  const faces = [...(YAW[yaw] ?? YAW[0]!).map((i) => tipped[i]!), tipped[4]!, tipped[5]!];
  const along = (f: Face) => t.size[AXIS[f]]!;
  return { size: [along(faces[1]!), along(faces[3]!), along(faces[5]!)], clear: faces.map((f) => t.clearance[FACES.indexOf(f)]!) as Box };
}

export const boxAt = (t: Thing, p: Pick<PlaceDoc, "x_m" | "y_m" | "z_m" | "up" | "yaw_deg">): Box => {
  const { size } = posed(t, p.up ?? "top", p.yaw_deg ?? 0);
  const z = p.z_m ?? 0;
  return [p.x_m, p.x_m + size[0], p.y_m, p.y_m + size[1], z, z + size[2]];
};

export const penetration = (a: Box, b: Box) =>
  Math.min(Math.min(a[1], b[1]) - Math.max(a[0], b[0]), Math.min(a[3], b[3]) - Math.max(a[2], b[2]), Math.min(a[5], b[5]) - Math.max(a[4], b[4]));

const level = (levels: number[], halves: number[], z: number) => {
  const last = levels.length - 1;
  if (z <= levels[0]!) return halves[0]!;
  if (z >= levels[last]!) return halves[last]!;
  const k = levels.findIndex((l) => l > z);
  const t = (z - levels[k - 1]!) / (levels[k]! - levels[k - 1]!);
  return halves[k - 1]! + t * (halves[k]! - halves[k - 1]!);
};

/** Half-widths left and right and the ceiling at a point, m. */
export function hullAt(b: Body, x: number, z: number): { left: number; right: number; height: number } {
  const s = b.stations;
  const one = (i: number) => ({ left: level(b.levels, s[i]!.left, z), right: level(b.levels, s[i]!.right, z), height: s[i]!.height });
  if (x <= s[0]!.x) return one(0);
  if (x >= s[s.length - 1]!.x) return one(s.length - 1);
  const i = s.findIndex((q) => q.x > x);
  const t = (x - s[i - 1]!.x) / (s[i]!.x - s[i - 1]!.x);
  const [p, q] = [one(i - 1), one(i)];
  return { left: p.left + t * (q.left - p.left), right: p.right + t * (q.right - p.right), height: p.height + t * (q.height - p.height) };
}

/** The least of them over a range. */
export function hullOver(b: Body, x0: number, x1: number, z0: number, z1: number) {
  const xs = [x0, x1, ...b.stations.map((s) => s.x).filter((x) => x > x0 && x < x1)];
  const zs = [z0, z1, ...b.levels.filter((z) => z > z0 && z < z1)];
  const at = xs.flatMap((x) => zs.map((z) => hullAt(b, x, z)));
  return { left: Math.min(...at.map((h) => h.left)), right: Math.min(...at.map((h) => h.right)), height: Math.min(...at.map((h) => h.height)) };
}

export const within = (a: Box, f: Box, by = 0.003) => {
  const z1 = f[4] <= a[4] && a[4] < f[5] && a[5] > f[5] ? f[5] : a[5]; // lies in its top, as a hob does
  return f[0] - a[0] <= by && a[1] - f[1] <= by && f[2] - a[2] <= by && a[3] - f[3] <= by && f[4] - a[4] <= by && z1 - f[5] <= by;
};

export type Missing = { mm: number; what: string } | null;

/** What is in the way of a thing at a box, and how many millimetres are missing; null where it stands free. */
export function missing(t: Thing, box: Box, clear: Box, body: Body, others: Thing[], free: boolean): Missing {
  let worst: Missing = null;
  const say = (m: number, what: string) => {
    if (m > 0.0005 && (!worst || m * 1000 > worst.mm)) worst = { mm: Math.max(1, Math.round(m * 1000)), what };
  };
  if (!free) {
    const h = hullOver(body, box[0], box[1], Math.max(0, box[4]), Math.max(0, box[5]));
    const first = body.stations[0]!.x;
    const last = body.stations[body.stations.length - 1]!.x;
    say(Math.max(first - box[0], box[1] - last, box[3] - h.left, -box[2] - h.right, -box[4], box[5] - h.height), says("vehicles-wall"));
    for (const o of body.obstacles) say(penetration(box, o.box as Box), o.name);
  }
  const grown: Box = [box[0] - clear[0], box[1] + clear[1], box[2] - clear[2], box[3] + clear[3], box[4] - clear[4], box[5] + clear[5]];
  for (const o of others) {
    if (!o.box || o.key === t.key || o.on_roof !== t.on_roof) continue;
    const b = o.box as Box;
    if ((o.hollow && within(box, b)) || (t.hollow && within(b, box)) || (t.small && o.hollow) || (o.small && t.hollow)) continue;
    const p = penetration(box, b);
    say(p, o.name);
    if (p <= 0.0005 && !o.small && !o.hollow) say(penetration(grown, b), says("clearance", { name: o.name }));
  }
  return worst;
}

const SNAP = 0.03;

/** The corner of a thing pulled to what is near: neighbours' faces, wheel arches, the wall, the floor. */
export function snapped(t: Thing, p: PlaceDoc, body: Body, others: Thing[]): PlaceDoc {
  const { size } = posed(t, p.up ?? "top", p.yaw_deg ?? 0);
  const boxes = [
    ...others.filter((o) => o.box && o.key !== t.key && o.on_roof === t.on_roof).map((o) => o.box as Box),
    ...body.obstacles.map((o) => o.box as Box),
  ];
  const pull = (at: number, length: number, faces: number[]) => {
    let best = at;
    let near = SNAP;
    for (const f of faces)
      for (const to of [f, f - length])
        if (Math.abs(to - at) < near) {
          near = Math.abs(to - at);
          best = to;
        }
    return Math.round(best * 1000) / 1000;
  };
  const first = body.stations[0]!.x;
  const last = body.stations[body.stations.length - 1]!.x;
  const x = pull(p.x_m, size[0], [first, last, ...boxes.flatMap((b) => [b[0], b[1]])]);
  const z = pull(p.z_m ?? 0, size[2], [0, ...boxes.flatMap((b) => [b[4], b[5]])]);
  const h = hullOver(body, x, x + size[0], Math.max(0, z), Math.max(0, z + size[2]));
  const y = pull(p.y_m, size[1], [h.left, -h.right, ...boxes.flatMap((b) => [b[2], b[3]])]);
  return { ...p, x_m: x, y_m: y, z_m: z };
}

/** The corners of a box, seen slantwise: quarter turns round it, u to the right and v down, in m. */
export function slanted(x: number, y: number, z: number, turn: number): [number, number] {
  const [a, b] = [
    [-x, y],
    [-y, -x],
    [x, -y],
    [y, x],
  ][turn % 4] as [number, number];
  return [(a - b) * 0.866, (a + b) * 0.5 - z];
}

/** Where the inside ends at the front, m from the rear-most inside face. */
export const endOf = (b: Body) => b.stations[b.stations.length - 1]!.x;

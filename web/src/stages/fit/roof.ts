/** The roof plan as the page uses it: what lies where, what is in its way while it is moved, and the edits, each one undoable. */
import type { PatchOp, Schemas } from "../../data/client";
import { freshId } from "../../data/patch";
import { says } from "../../words/fit";
import { useFit } from "./data";

export type RoofThing = Schemas["RoofThingPart"];
export type Spot = Schemas["Spot"];
export type Four = [number, number, number, number];

const EDGE: Record<string, number> = { walkway: 0, rail: 0, gland: 0, aerial: 0, flexible: 0.03 };
const OPENS = new Set(["fan", "rooflight", "hatch"]);
const LOOSE = new Set(["walkway", "rail", "gland"]);

export const FRESH_SPOT: Omit<Spot, "of" | "x_m" | "y_m"> = {
  turned: false,
  held: null,
  gap_m: null,
  front_closed: false,
  bead_m: null,
  bolts: 0,
  kept: false,
  framed: false,
  by: "typed",
};

/** Size along and across the vehicle as it lies. */
export const extent = (t: RoofThing, turned: boolean): [number, number] => (turned ? [t.size[1]!, t.size[0]!] : [t.size[0]!, t.size[1]!]);

export const rectAt = (t: RoofThing, s: { x_m: number; y_m: number; turned?: boolean }): Four => {
  const [a, b] = extent(t, !!s.turned);
  return [s.x_m, s.x_m + a, s.y_m, s.y_m + b];
};

export const between = (a: Four, b: Four) => Math.max(b[0] - a[1], a[0] - b[1], b[2] - a[3], a[2] - b[3]);

/** What is in the way of a thing on the roof, and by how many mm; null: it is free. The core judges it again once it is let go of. */
export function inTheWay(t: RoofThing, r: Four, roof: Schemas["RoofShapePart"], others: RoofThing[], cut = true): { mm: number; what: string } | null {
  const e = EDGE[t.kind] ?? 0.05;
  const [x0, x1, y0, y1] = roof.rect as Four;
  const over = Math.max(x0 + e - r[0], r[1] - x1 + e, y0 + e - r[2], r[3] - y1 + e);
  if (over > 0.0005) return { mm: Math.ceil(1000 * over), what: says("edge") };
  for (const o of others) {
    if (o.key === t.key || !o.rect) continue;
    if ([t.kind, o.kind].includes("gland") && [t.kind, o.kind].includes("panel")) continue;
    const need = LOOSE.has(t.kind) || LOOSE.has(o.kind) ? 0 : OPENS.has(t.kind) || OPENS.has(o.kind) ? 0.05 : 0.02;
    const there = between(r, o.rect as Four);
    if (there < need - 0.0005) return { mm: Math.ceil(1000 * (need - there)), what: o.name };
  }
  if (cut && t.cut && !t.kept && !t.framed) {
    const half = (t.turned ? t.cut.width_mm : t.cut.length_mm) / 2000;
    const mid = (r[0] + r[1]) / 2;
    for (const rib of roof.ribs) {
      const deep = Math.min(rib.x1, mid + half) - Math.max(rib.x0, mid - half);
      if (deep > 0.0005) return { mm: Math.ceil(1000 * deep), what: rib.id.replace("-", " ") };
    }
  }
  return null;
}

const near = (v: number, stops: number[], reach: number) => stops.reduce((best, s) => (Math.abs(s - v) < Math.abs(best - v) ? s : best), v + reach * 1.0001);

/** A spot pulled to the edge, the centre line and its neighbours where they are nearer than 25 mm. */
export function snappedSpot(t: RoofThing, r: Four, roof: Schemas["RoofShapePart"], others: RoofThing[]): { x: number; y: number } {
  const e = EDGE[t.kind] ?? 0.05;
  const [x0, x1, y0, y1] = roof.rect as Four;
  const [a, b] = [r[1] - r[0], r[3] - r[2]];
  const xs = [x0 + e, x1 - e - a];
  const ys = [y0 + e, y1 - e - b, -b / 2];
  for (const o of others) {
    if (o.key === t.key || !o.rect) continue;
    const gap = OPENS.has(t.kind) || OPENS.has(o.kind) ? 0.05 : 0.02;
    const q = o.rect as Four;
    xs.push(q[1] + gap, q[0] - gap - a, q[0], q[1] - a);
    ys.push(q[3] + gap, q[2] - gap - b, q[2], q[3] - b);
  }
  const pull = (v: number, stops: number[]) => {
    const s = near(v, stops, 0.025);
    return Math.abs(s - v) <= 0.025 ? s : Math.round(v * 200) / 200;
  };
  return { x: pull(r[0], xs), y: pull(r[2], ys) };
}

/** The outline of a rectangle and of its shadow, m: sun's height and bearing from the nose in degrees. */
export function shadowOf(r: Four, height: number, elevation: number, bearing: number): [number, number][] {
  const l = Math.max(0, height) / Math.tan((elevation * Math.PI) / 180);
  const b = (bearing * Math.PI) / 180;
  const [dx, dy] = [-l * Math.cos(b), l * Math.sin(b)];
  const pts: [number, number][] = [];
  for (const x of [r[0], r[1]]) for (const y of [r[2], r[3]]) pts.push([x, y], [x + dx, y + dy]);
  pts.sort((p, q) => p[0] - q[0] || p[1] - q[1]);
  const half = (run: [number, number][]) => {
    const out: [number, number][] = [];
    for (const p of run) {
      while (out.length > 1) {
        const [o, q] = [out[out.length - 2]!, out[out.length - 1]!];
        if ((q[0] - o[0]) * (p[1] - o[1]) - (q[1] - o[1]) * (p[0] - o[0]) > 0) break;
        out.pop();
      }
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...half(pts), ...half([...pts].reverse())];
}

export function useRoof() {
  const fit = useFit();
  const { edit, report } = fit;
  const part = report.roof;
  const doc = fit.doc.roof ?? {};
  const spots = doc.spots ?? [];
  const spotOf = (key: string) => spots.find((s) => s.of === key);
  const put = (t: RoofThing, fields: Partial<Spot>, what: string) => {
    const i = spots.findIndex((s) => s.of === t.key);
    if (i >= 0)
      return edit(
        [
          { op: "test", path: `/fit/roof/spots/${i}/of`, value: t.key },
          { op: "replace", path: `/fit/roof/spots/${i}`, value: { ...FRESH_SPOT, ...spots[i], ...fields, by: "typed" } },
        ],
        `${what} ${t.name}`,
      );
    const [a, b] = extent(t, false);
    const [x0, x1] = part.shape.rect as Four;
    // an array laid out panel by panel gives its old place up
    const old = (fit.doc.places ?? []).findIndex((p) => p.of === t.of);
    const ops: PatchOp[] = old >= 0 ? [{ op: "remove", path: `/fit/places/${old}` }] : [];
    const at = { x_m: Math.round(1000 * Math.max(x0 + 0.05, (x0 + x1 - a) / 2)) / 1000, y_m: Math.round(-500 * b) / 1000 };
    return edit([...ops, { op: "add", path: "/fit/roof/spots/-", value: { ...FRESH_SPOT, ...at, ...fields, of: t.key } }], `${what} ${t.name}`);
  };
  const lift = (t: RoofThing) => {
    const i = spots.findIndex((s) => s.of === t.key);
    if (i < 0) return Promise.resolve(false);
    return edit(
      [
        { op: "test", path: `/fit/roof/spots/${i}/of`, value: t.key },
        { op: "remove", path: `/fit/roof/spots/${i}` },
      ],
      says("took-off-roof", { name: t.name }),
    );
  };
  const setCut = (t: RoofThing, fields: Partial<Schemas["CutDoc"]>, what: string) => {
    const cuts = doc.cuts ?? [];
    const i = cuts.findIndex((c) => c.of === t.key);
    const c = t.cut!;
    const value = {
      length_mm: c.length_mm,
      width_mm: c.width_mm,
      radius_mm: c.radius_mm,
      clamp_min_mm: c.clamp_min_mm,
      clamp_max_mm: c.clamp_max_mm,
      gasket_mm: c.gasket_mm,
      ...(cuts[i] ?? {}),
      measured: true,
      of: t.key,
      ...fields,
    };
    return edit(i < 0 ? [{ op: "add", path: "/fit/roof/cuts/-", value }] : [{ op: "replace", path: `/fit/roof/cuts/${i}`, value }], `${t.name}: ${what}`);
  };
  /** Size, mass, cut-out and clamp of a part, as one change; the part in hand is measured all the same. */
  const setPart = (t: RoofThing, p: Schemas["OpeningPart"]) => {
    const ops: PatchOp[] = [];
    const [length, width, height] = p.size_mm.map((x) => x / 1000) as [number, number, number];
    const own = (doc.own ?? []).findIndex((o) => `roof:${o.id}` === t.key);
    const kin = t.of ? part.things.filter((x) => x.of === t.of).length : 1; // a line of several has one mass for all of them
    const size = { length_m: length, width_m: width, height_m: height, mass_kg: p.mass_kg * kin };
    const thing = t.of ?? t.key;
    const sizes = fit.doc.sizes ?? [];
    const at = sizes.findIndex((s) => s.of === thing);
    if (own >= 0) ops.push({ op: "replace", path: `/fit/roof/own/${own}`, value: { ...doc.own![own], ...size } });
    else if (at >= 0) ops.push({ op: "replace", path: `/fit/sizes/${at}`, value: { ...sizes[at], ...size } });
    else ops.push({ op: "add", path: "/fit/sizes/-", value: { clearance_m: {}, of: thing, ...size } });
    const cuts = doc.cuts ?? [];
    const i = cuts.findIndex((c) => c.of === t.key);
    const value = {
      of: t.key,
      length_mm: p.cut_length_mm,
      width_mm: p.cut_width_mm,
      radius_mm: p.radius_mm,
      clamp_min_mm: p.clamp_min_mm,
      clamp_max_mm: p.clamp_max_mm,
      gasket_mm: p.gasket_mm,
      measured: true,
    };
    ops.push(i < 0 ? { op: "add", path: "/fit/roof/cuts/-", value } : { op: "replace", path: `/fit/roof/cuts/${i}`, value });
    return edit(ops, says("sizes-2", { name: t.name, name_2: p.name }));
  };
  const set = (key: string, value: unknown, what: string) => edit([{ op: "replace", path: `/fit/roof/${key}`, value }], what);
  const addOwn = async (kind: string, name: string, size: Partial<Schemas["RoofOwn"]>) => {
    const own = doc.own ?? [];
    const id = freshId(
      name,
      own.map((o) => o.id!),
    );
    const n = own.filter((o) => o.kind === kind).length;
    const value = { id, name: n ? `${name} ${n + 1}` : name, kind, length_m: 0.4, width_m: 0.4, height_m: 0.05, mass_kg: 0, by: "typed", ...size };
    return (await edit([{ op: "add", path: "/fit/roof/own/-", value }], says("added-2", { name: name.toLowerCase() }))) ? `roof:${id}` : null;
  };
  const removeOwn = (key: string) => {
    const own = doc.own ?? [];
    const i = own.findIndex((o) => `roof:${o.id}` === key);
    const at = spots.findIndex((s) => s.of === key);
    const cut = (doc.cuts ?? []).findIndex((c) => c.of === key);
    return edit(
      [
        ...(at < 0 ? [] : [{ op: "remove" as const, path: `/fit/roof/spots/${at}` }]),
        ...(cut < 0 ? [] : [{ op: "remove" as const, path: `/fit/roof/cuts/${cut}` }]),
        { op: "remove", path: `/fit/roof/own/${i}` },
      ],
      says("removed-2", { name: own[i]?.name ?? key }),
    );
  };
  return {
    ...fit,
    roof: part,
    roofDoc: doc,
    spotOf,
    putSpot: put,
    liftSpot: lift,
    setCut,
    setPart,
    setRoof: set,
    addOwnRoof: addOwn,
    removeOwnRoof: removeOwn,
  };
}

/** Openings of sides, rear and floor: what the picture draws, and the changes that are made to them. */
import type { PatchOp, Schemas } from "../../data/client";
import { freshId } from "../../data/patch";
import { says } from "../../words/fit";
import { useFit } from "./data";

export type SideThing = Schemas["SideThingPart"];
export type Face = Schemas["FacePart"];
export type Four = [number, number, number, number];
type Cut = Schemas["SideCut"];
export const FACE_WORDS = { left: says("left-side-2"), right: says("right-side-2"), rear: says("rear-4"), floor: says("floor") } as const;
export type FaceKey = keyof typeof FACE_WORDS;
/** A thousandth of a metre is as fine as anybody marks. */
export const milli = (x: number) => Math.round(1000 * x) / 1000;

/** The middle of a cut pulled to the edges and middles of its neighbours and clear of pillars, where they are nearer than 20 mm. */
export function snapped(t: SideThing, u: number, v: number, face: Face, others: SideThing[]): { u: number; v: number } {
  const [a, b] = [t.length_mm / 2000, t.height_mm / 2000];
  const us: number[] = [];
  const vs: number[] = [];
  for (const p of face.bars) us.push(p.rect[0]! - a, p.rect[1]! + a);
  for (const o of others) {
    if (o.key === t.key || !o.rect) continue;
    us.push((o.rect[0]! + o.rect[1]!) / 2);
    vs.push((o.rect[2]! + o.rect[3]!) / 2, o.rect[3]! - b, o.rect[2]! + b);
  }
  if (face.id === "floor") vs.push(0);
  const pull = (x: number, stops: number[]) => {
    const near = stops.reduce<number | null>((best, s) => (Math.abs(s - x) <= 0.02 && (best == null || Math.abs(s - x) < Math.abs(best - x)) ? s : best), null);
    return milli(near ?? Math.round(x * 200) / 200);
  };
  return { u: pull(u, us), v: pull(v, vs) };
}

/** An opening set out where it could begin, with the usual size of its kind. */
const fresh = (t: SideThing) => ({
  of: t.key,
  face: t.face,
  u_m: t.u_m,
  v_m: t.v_m,
  length_mm: t.length_mm,
  height_mm: t.height_mm,
  radius_mm: Math.min(t.radius_mm, t.length_mm / 2, t.height_mm / 2),
  clamp_min_mm: null,
  clamp_max_mm: null,
  measured: false,
  framed: false,
  kept: false,
});

export function useSides() {
  const fit = useFit();
  const { edit, report } = fit;
  const part = report.sides;
  const doc = fit.doc.sides ?? {};
  const cuts = doc.cuts ?? [];
  const put = (t: SideThing, fields: Partial<Cut>, what: string) => {
    const i = cuts.findIndex((c) => c.of === t.key);
    if (i >= 0)
      return edit(
        [
          { op: "test", path: `/fit/sides/cuts/${i}/of`, value: t.key },
          { op: "replace", path: `/fit/sides/cuts/${i}`, value: { ...cuts[i], ...fields, by: "typed" } },
        ],
        `${what} ${t.name}`,
      );
    const value = { ...fresh(t), by: "typed", ...fields };
    return edit([{ op: "add", path: "/fit/sides/cuts/-", value }], `${what} ${t.name}`);
  };
  const lift = (t: SideThing) => {
    const i = cuts.findIndex((c) => c.of === t.key);
    if (i < 0) return Promise.resolve(false);
    return edit(
      [
        { op: "test", path: `/fit/sides/cuts/${i}/of`, value: t.key },
        { op: "remove", path: `/fit/sides/cuts/${i}` },
      ],
      says("took-out", { name: t.name, face: FACE_WORDS[t.face as FaceKey].toLowerCase() }),
    );
  };
  /** All that isn't set out, each where it could begin, as one change. */
  const setOutAll = () => {
    const ops: PatchOp[] = part.things
      .filter((t) => !t.set_out)
      .map((t) => ({
        op: "add",
        path: "/fit/sides/cuts/-",
        value: { ...fresh(t), by: "proposal" },
      }));
    return ops.length ? edit(ops, says("set-out-openings", { ops_count: ops.length })) : Promise.resolve(false);
  };
  const set = (key: string, value: unknown, what: string) => edit([{ op: "replace", path: `/fit/sides/${key}`, value }], what);
  const add = async (kind: string, name: string) => {
    const own = doc.own ?? [];
    const id = freshId(
      name,
      own.map((o) => o.id!),
    );
    const n = own.filter((o) => o.kind === kind).length;
    const value = { id, name: n ? `${name} ${n + 1}` : name, kind };
    return (await edit([{ op: "add", path: "/fit/sides/own/-", value }], says("added-2", { name: name.toLowerCase() }))) ? `hole:${id}` : null;
  };
  const remove = (key: string) => {
    const own = doc.own ?? [];
    const i = own.findIndex((o) => `hole:${o.id}` === key);
    const at = cuts.findIndex((c) => c.of === key);
    return edit(
      [...(at < 0 ? [] : [{ op: "remove" as const, path: `/fit/sides/cuts/${at}` }]), { op: "remove", path: `/fit/sides/own/${i}` }],
      says("removed-2", { name: own[i]?.name ?? key }),
    );
  };
  return { ...fit, sides: part, sidesDoc: doc, putCut: put, liftCut: lift, setOutAll, setSides: set, addHole: add, removeHole: remove };
}

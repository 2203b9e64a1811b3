/** Layout and weight as the page uses it: the part of the report, the document, and its edits, each one undoable. */
import { useCallback, useMemo } from "react";
import type { PatchOp, Schemas } from "../../data/client";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { says } from "../../words/fit";
import type { PlaceDoc, Thing } from "./geometry";
import { posed } from "./geometry";

export type Own = Schemas["OwnThing"];
export type Piece = Schemas["PiecePart"];

/** A fresh place with every field said, so that each can be replaced. */
export const FRESH: Omit<PlaceDoc, "of" | "x_m" | "y_m"> = {
  bay: null,
  z_m: 0,
  yaw_deg: 0,
  up: "top",
  fixing: null,
  fixing_count: null,
  tray: false,
  shield: false,
  hatch: false,
  open: null,
  by: "typed",
};

export function useFit() {
  const v = useVariant();
  const { design, report, edit } = v;
  const doc = design.fit ?? {};
  const places = doc.places ?? [];
  const part = report.fit;
  const byKey = useMemo(() => new Map(part.things.map((t) => [t.key, t])), [part.things]);
  const placeOf = useCallback((key: string) => places.find((p) => p.of === key), [places]);

  /** The change that stands a thing somewhere. */
  const putOps = useCallback(
    (p: PlaceDoc): PatchOp[] => {
      const i = places.findIndex((q) => q.of === p.of);
      const value = { ...FRESH, ...p, by: "typed" as const };
      if (i < 0) return [{ op: "add", path: "/fit/places/-", value }];
      return [
        { op: "test", path: `/fit/places/${i}/of`, value: p.of },
        { op: "replace", path: `/fit/places/${i}`, value },
      ];
    },
    [places],
  );
  const put = (p: PlaceDoc, what = "moved") => edit(putOps(p), `${what} ${byKey.get(p.of)?.name ?? p.of}`);
  const lift = (key: string) => {
    const i = places.findIndex((q) => q.of === key);
    if (i < 0) return Promise.resolve(false);
    return edit(
      [
        { op: "test", path: `/fit/places/${i}/of`, value: key },
        { op: "remove", path: `/fit/places/${i}` },
      ],
      says("took-out-place", { name: byKey.get(key)?.name ?? key }),
    );
  };
  /** Where a thing would stand at first: in the middle, or on the roof. */
  const start = (t: Thing): PlaceDoc => {
    const { size } = posed(t, "top", 0);
    const x = Math.max(0, (part.body.length - size[0]) / 2);
    return { ...FRESH, of: t.key, x_m: round(x), y_m: round(-size[1] / 2), z_m: t.on_roof ? round(part.body.height + 0.06) : 0 };
  };
  const setPlace = (t: Thing, fields: Partial<PlaceDoc>, what: string) => put({ ...(placeOf(t.key) ?? start(t)), ...fields }, `${what}:`);
  const setSize = (t: Thing, fields: Partial<Schemas["SizeDoc"]>, what: string) => {
    const sizes = doc.sizes ?? [];
    const i = sizes.findIndex((s) => s.of === t.key);
    const value = { length_m: null, width_m: null, height_m: null, mass_kg: null, clearance_m: {}, ...(sizes[i] ?? {}), of: t.key, ...fields };
    return edit(i < 0 ? [{ op: "add", path: "/fit/sizes/-", value }] : [{ op: "replace", path: `/fit/sizes/${i}`, value }], `${t.name}: ${what}`);
  };
  const setOwn = (own: Schemas["OwnThing"], fields: Partial<Schemas["OwnThing"]>, what: string) =>
    edit([{ op: "replace", path: `/fit/own/${(doc.own ?? []).indexOf(own)}`, value: { ...own, ...fields } }], `${own.name}: ${what}`);
  const addOwn = async (piece: Piece) => {
    const own = doc.own ?? [];
    const id = freshId(
      piece.name,
      own.map((o) => o.id),
    );
    const value = { ...piece, id, hollow: !["bed", "seat", "luggage", "removed"].includes(piece.kind), flammable: false, by: "typed" };
    return (await edit([{ op: "add", path: "/fit/own/-", value }], says("added", { piece: piece.name }))) ? `own:${id}` : null;
  };
  const removeOwn = (key: string) => {
    const own = doc.own ?? [];
    const i = own.findIndex((o) => `own:${o.id}` === key);
    const at = places.findIndex((p) => p.of === key);
    const size = (doc.sizes ?? []).findIndex((s) => s.of === key);
    return edit(
      [
        ...(at < 0 ? [] : [{ op: "remove" as const, path: `/fit/places/${at}` }]),
        ...(size < 0 ? [] : [{ op: "remove" as const, path: `/fit/sizes/${size}` }]),
        { op: "remove", path: `/fit/own/${i}` },
      ],
      says("removed-2", { name: own[i]?.name ?? key }),
    );
  };
  return { ...v, doc, part, byKey, placeOf, putOps, put, lift, start, setPlace, setSize, setOwn, addOwn, removeOwn };
}

export const round = (m: number) => Math.round(m * 1000) / 1000;

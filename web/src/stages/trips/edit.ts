/** Edits of the itinerary. */
import type { Schemas } from "../../data/client";
import { insertAfter, moveItem, removeItem, setFields } from "../../data/lists";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { says } from "../../words/trips";

export type Leg = Schemas["Leg"];
const BASE = "/trips/legs";

export function useLegEdits() {
  const { design, edit } = useVariant();
  const legs = design.trips?.legs ?? [];
  const ids = legs.map((l) => l.id);
  return {
    legs,
    set: (l: Leg, fields: Partial<Leg>, what: string) => edit(setFields(BASE, legs, l.id, fields), `${l.place}: ${what}`),
    remove: (l: Leg) => edit(removeItem(BASE, legs, l.id), says("took-out-trip", { place: l.place })),
    move: (l: Leg, by: -1 | 1) => edit(moveItem(BASE, legs, l.id, by), says("moved", { place: l.place })),
    duplicate: (l: Leg) => {
      const id = freshId(l.place, ids);
      void edit(insertAfter(BASE, legs, l.id, { ...l, id }), says("again", { place: l.place }));
      return id;
    },
    /** A leg at a place; the first one also says when the trip begins. */
    add: async (place: string, start: string): Promise<string | null> => {
      const id = freshId(place, ids);
      const first = design.trips?.start_date == null ? [{ op: "replace" as const, path: "/trips/start_date", value: start }] : [];
      const ok = await edit([...first, { op: "add", path: `${BASE}/-`, value: { id, place, days_count: legs.length ? 2 : 7 } }], says("trip-4", { place }));
      return ok ? id : null;
    },
  };
}

/** The first day of a month, this year or next, as the trip's first guess. */
export function firstOf(month: number, today = new Date()): string {
  const year = today.getFullYear() + (month <= today.getMonth() ? 1 : 0);
  return `${year}-${String(month).padStart(2, "0")}-01`;
}

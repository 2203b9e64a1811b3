/** Edits of the places of one's own. */
import type { Schemas } from "../../data/client";
import { removeItem, setFields } from "../../data/lists";
import { usePlaces } from "../../data/places";
import { useVariant } from "../../data/variant";
import { says } from "../../words/trips";

export type OwnPlace = Schemas["OwnPlace"];
const BASE = "/trips/places";

/** A key for a place that nothing has yet. */
export function placeKey(name: string, taken: string[]): string {
  const stem =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "_")
      .replace(/^_+|_+$/g, "")
      .slice(0, 34) || "place";
  for (let n = 1; ; n++) {
    const key = n === 1 ? stem : `${stem}_${n}`;
    if (!taken.includes(key)) return key;
  }
}

export function useOwnPlaces() {
  const { design, edit } = useVariant();
  const table = usePlaces();
  const items = design.trips?.places ?? [];
  const taken = [...items.map((p) => p.id), ...(table.data ?? []).map((p) => p.place)];
  return {
    items,
    taken,
    used: new Set([...(design.trips?.legs ?? []).map((l) => l.place), design.trips?.live?.place]),
    set: (p: OwnPlace, fields: Partial<OwnPlace>, what: string) => edit(setFields(BASE, items, p.id, fields), `${p.name}: ${what}`),
    remove: (p: OwnPlace) => edit(removeItem(BASE, items, p.id), says("removed-place", { name: p.name })),
    add: async (place: Omit<OwnPlace, "id"> & { id?: string }) => {
      const id = placeKey(place.id ?? place.name, taken);
      return (await edit([{ op: "add", path: `${BASE}/-`, value: { ...place, id } }], says("place-3", { place: place.name }))) ? id : null;
    },
  };
}

/** Every place a leg may name: one's own first, then the table's. */
export function usePlaceOptions() {
  const { design } = useVariant();
  const table = usePlaces();
  const own = (design.trips?.places ?? []).map((p) => ({ value: p.id, word: says("own", { name: p.name }) }));
  const known = (table.data ?? []).map((p) => ({ value: p.place, word: `${p.name} ${p.country}` }));
  const nameOf = (key: string) => design.trips?.places?.find((p) => p.id === key)?.name ?? table.data?.find((p) => p.place === key)?.name ?? key;
  return { options: [...own, ...known], nameOf, known: table.data ?? [] };
}

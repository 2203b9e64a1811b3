/** Edits of raceways and lighting zones. */
import type { Circuit, PatchOp, Schemas } from "../../data/client";
import { insertAfter, moveItem, removeItem, setFields } from "../../data/lists";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";

export type Raceway = Schemas["Raceway"];
export type Zone = Schemas["LightZone"];
type Item = { id: string; name: string };

/** Edits of one of the two lists; what else names an item is cleared with it. */
function useList<T extends Item>(base: string, items: T[], word: string, unlink: (id: string) => PatchOp[] = () => []) {
  const { edit } = useVariant();
  const ids = items.map((x) => x.id);
  return {
    items,
    set: (x: T, fields: Partial<T>, what: string) => edit(setFields(base, items, x.id, fields), `${x.name}: ${what}`),
    remove: (x: T) => edit([...unlink(x.id), ...removeItem(base, items, x.id)], `removed ${x.name}`),
    move: (x: T, by: -1 | 1) => edit(moveItem(base, items, x.id, by), `moved ${x.name}`),
    duplicate: (x: T) => {
      const id = freshId(x.name, ids);
      void edit(insertAfter(base, items, x.id, { ...x, id, by: "typed" }), `another ${x.name}`);
      return id;
    },
    add: async (fields: object = {}) => {
      const id = freshId(word, ids);
      const ok = await edit([{ op: "add", path: `${base}/-`, value: { id, name: `${word} ${items.length + 1}`, ...fields } }], `added a ${word.toLowerCase()}`);
      return ok ? id : null;
    },
  };
}

export function useRaceways() {
  const { design, edit } = useVariant();
  const circuits = design.wiring?.circuits ?? [];
  const without = (id: string): PatchOp[] =>
    circuits.flatMap((c, i) =>
      c.raceways?.includes(id) ? [{ op: "replace" as const, path: `/wiring/circuits/${i}/raceways`, value: c.raceways.filter((r) => r !== id) }] : [],
    );
  const list = useList<Raceway>("/wiring/raceways", design.wiring?.raceways ?? [], "Raceway", without);
  return {
    ...list,
    /** Lay a circuit into a raceway, or take it out. */
    lay: (c: Circuit, id: string, on: boolean) => {
      const now = (c.raceways ?? []).filter((r) => r !== id);
      return edit(setFields("/wiring/circuits", circuits, c.id, { raceways: on ? [...now, id] : now }), `${c.name}: ${on ? "into" : "out of"} a raceway`);
    },
  };
}

export function useZones() {
  const { design, edit } = useVariant();
  const zones = design.wiring?.zones ?? [];
  const list = useList<Zone>("/wiring/zones", zones, "Zone");
  return {
    ...list,
    /** Put a light into a zone; it leaves the one it was in. Null takes it out of all. */
    put: (light: string, into: string | null) => {
      const ops: PatchOp[] = zones.flatMap((z, i) => {
        const now = z.lights ?? [];
        const next = z.id === into ? [...now.filter((x) => x !== light), light] : now.filter((x) => x !== light);
        return next.length === now.length && z.id !== into ? [] : [{ op: "replace" as const, path: `/wiring/zones/${i}/lights`, value: next }];
      });
      return edit(ops, "moved a light to another zone");
    },
  };
}

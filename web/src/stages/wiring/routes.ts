/** Edits of raceways and lighting zones. */
import type { Circuit, PatchOp, Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { setFields } from "../../data/lists";
import { useVariant } from "../../data/variant";
import { says } from "../../words/wiring";

export type Raceway = Schemas["Raceway"];
export type Zone = Schemas["LightZone"];
export function useRaceways() {
  const { design, edit } = useVariant();
  const circuits = design.wiring?.circuits ?? [];
  const without = (id: string): PatchOp[] =>
    circuits.flatMap((c, i) =>
      c.raceways?.includes(id) ? [{ op: "replace" as const, path: `/wiring/circuits/${i}/raceways`, value: c.raceways.filter((r) => r !== id) }] : [],
    );
  const list = useItems<Raceway>("/wiring/raceways", design.wiring?.raceways ?? [], says("raceway-2"), without);
  return {
    ...list,
    /** Lay a circuit into a raceway, or take it out. */
    lay: (c: Circuit, id: string, on: boolean) => {
      const now = (c.raceways ?? []).filter((r) => r !== id);
      return edit(setFields("/wiring/circuits", circuits, c.id, { raceways: on ? [...now, id] : now }), says("into-out-raceway", { name: c.name, on }));
    },
  };
}

export function useZones() {
  const { design, edit } = useVariant();
  const zones = design.wiring?.zones ?? [];
  const list = useItems<Zone>("/wiring/zones", zones, says("zone-2"));
  return {
    ...list,
    /** Put a light into a zone; it leaves the one it was in. Null takes it out of all. */
    put: (light: string, into: string | null) => {
      const ops: PatchOp[] = zones.flatMap((z, i) => {
        const now = z.lights ?? [];
        const next = z.id === into ? [...now.filter((x) => x !== light), light] : now.filter((x) => x !== light);
        return next.length === now.length && z.id !== into ? [] : [{ op: "replace" as const, path: `/wiring/zones/${i}/lights`, value: next }];
      });
      return edit(ops, says("moved-light-another-zone"));
    },
  };
}

/** Edits of the panels; a circuit that leads from the controller of its own goes with an array. */

import { useCatalogue } from "../../data/catalogue";
import { withoutCircuits } from "../../data/circuits";
import type { PatchOp, Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { indexOf } from "../../data/lists";
import { useVariant } from "../../data/variant";
import { says } from "../../words/power";
import { fitArray } from "./parts";

export type SolarArray = Schemas["SolarArray"];
export type SolarController = Schemas["SolarController"];

export function useArrays() {
  const { design, edit } = useVariant();
  const catalogue = useCatalogue();
  const arrays = (design.power?.arrays ?? []) as (SolarArray & { name: string })[];
  const gone = (id: string): PatchOp[] => withoutCircuits(design, (c) => c.array === id);
  const list = useItems<SolarArray & { name: string }>("/power/arrays", arrays, says("panels"), gone);
  const at = (id: string) => `/power/arrays/${indexOf(arrays, id)}`;
  return {
    ...list,
    /** Another array with panels of the catalogue (the first kind, until another is chosen). */
    make: (fields: object = {}) => {
      const part = catalogue.data?.find((p) => p.kind === "panel");
      return list.add({ ...fitArray(null, part ?? null), name: says("panels-4", { arrays_count: arrays.length + 1 }), ...fields });
    },
    /** How it stands: on the ground it gets legs and faces the noon sun, until somebody says otherwise. */
    stand: (a: SolarArray & { name: string }, deploy: string) =>
      list.set(
        a,
        { deploy: deploy as SolarArray["deploy"], ...(deploy === "ground" ? { azimuth_deg: null, tilt_deg: a.tilt_deg || 45 } : {}) },
        says("how-stands"),
      ),
    /** Put a field of the array, or of its own controller. */
    put: (a: SolarArray, path: string, value: unknown, what: string) => edit([{ op: "replace", path: `${at(a.id)}/${path}`, value }], `${a.name}: ${what}`),
    /** A controller of its own, or back to the one that the rest share. */
    control: (a: SolarArray, controller: object | null) =>
      edit(
        [...(controller ? [] : gone(a.id)), { op: "replace", path: `${at(a.id)}/controller`, value: controller }],
        controller ? says("controller-own", { name: a.name }) : says("shared-controller", { name: a.name }),
      ),
  };
}

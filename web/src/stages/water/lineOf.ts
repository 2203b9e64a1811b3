/** The field that says which line of Daily use stands for a pump or a heater of Water. */
import type { Schemas } from "../../data/client";
import { choice } from "../../parts/Fields";
import { says } from "../../words/water";

type Appliance = Schemas["Appliance"];

/** A choice among the appliances that `fits`. */
export function lineOf(appliances: readonly Appliance[] | undefined, fits: (a: Appliance) => boolean) {
  return choice(
    "appliance",
    says("which-appliance-daily-use"),
    (appliances ?? []).filter(fits).map((a) => ({ value: a.id, word: a.name })),
    { none: says("none") },
  );
}

/** Whether an appliance may be a heater of water; what heats the room is another kind. */
export const heats = (a: Appliance) => /heat|boiler|element|pad/i.test(a.name ?? "");

/** Whether an appliance may be a pump. */
export const pumps = (a: Appliance) => a.kind === "pump" || /pump/i.test(a.name ?? "");

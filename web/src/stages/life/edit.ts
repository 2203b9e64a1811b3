/** Edits of the appliance ledger. */
import { ApiError, type Appliance, api, take } from "../../data/client";
import { insertAfter, moveItem, removeItem, setFields } from "../../data/lists";
import { freshId } from "../../data/patch";
import { parseQuantity } from "../../data/units";
import { useVariant } from "../../data/variant";
import type { Read } from "../../parts/Ledger";
import { says } from "../../words/life";

const BASE = "/life/appliances";

export function useApplianceEdits() {
  const { design, edit } = useVariant();
  const list = design.life?.appliances ?? [];
  const ids = list.map((a) => a.id);
  return {
    list,
    set: (a: Appliance, fields: Record<string, unknown>, what: string) => edit(setFields(BASE, list, a.id, fields), `${a.name}: ${what}`),
    remove: (a: Appliance) => {
      const circuits = design.wiring?.circuits ?? [];
      const freed = circuits.flatMap((c, i) => {
        const on = c.appliances ?? [];
        return on.includes(a.id) ? [{ op: "replace" as const, path: `/wiring/circuits/${i}/appliances`, value: on.filter((x) => x !== a.id) }] : [];
      });
      const dark = (design.wiring?.zones ?? []).flatMap((z, i) =>
        z.lights?.includes(a.id) ? [{ op: "replace" as const, path: `/wiring/zones/${i}/lights`, value: z.lights.filter((x) => x !== a.id) }] : [],
      );
      const kept = design.wiring?.mains?.keep ?? [];
      const dropped = kept.includes(a.id) ? [{ op: "replace" as const, path: "/wiring/mains/keep", value: kept.filter((x) => x !== a.id) }] : [];
      const named: [string, string | null | undefined][] = [
        ...(design.warmth?.heaters ?? []).map((h, i): [string, string | null | undefined] => [`/warmth/heaters/${i}`, h.appliance]),
        ["/warmth/cooler", design.warmth?.cooler?.appliance],
        ["/water/pump", design.water?.pump?.appliance],
        ["/water/hot", design.water?.hot?.appliance],
        ...(design.water?.tanks ?? []).map((t, i): [string, string | null | undefined] => [`/water/tanks/${i}`, t.appliance]),
        ["/gas/solenoid", design.gas?.solenoid?.appliance],
      ];
      const unnamed = named.filter(([, of]) => of === a.id).map(([at]) => ({ op: "replace" as const, path: `${at}/appliance`, value: null }));
      return edit([...freed, ...dark, ...dropped, ...unnamed, ...removeItem(BASE, list, a.id)], says("removed", { name: a.name }));
    },
    duplicate: (a: Appliance) => {
      const id = freshId(a.name, ids);
      void edit(insertAfter(BASE, list, a.id, { ...a, id }), says("another", { name: a.name }));
      return id;
    },
    move: (a: Appliance, by: -1 | 1) => edit(moveItem(BASE, list, a.id, by), says("moved", { name: a.name })),
    /** Adds appliances from fields; returns their ids. */
    add: async (many: Record<string, unknown>[], what: string): Promise<string[]> => {
      const taken = [...ids];
      const made = many.map((fields) => {
        const id = freshId(String(fields.name ?? "appliance"), taken);
        taken.push(id);
        return { ...fields, id };
      });
      const ok = await edit(
        made.map((value) => ({ op: "add", path: `${BASE}/-`, value })),
        what,
      );
      return ok ? made.map((m) => m.id) : [];
    },
  };
}

/** What the core makes of a text in one cell of an appliance. */
export async function readCell(field: "power" | "use" | "windows", text: string, appliance: Partial<Appliance>): Promise<Read> {
  try {
    return (await take(api.POST("/api/appliances/cell", { body: { field, text, appliance } }))) as Read;
  } catch (e) {
    if (!(e instanceof ApiError) || !e.unreachable || field === "windows") throw e;
    return awayCell(field, text);
  }
}

const POWERS = { power_w: null, current_a: null, voltage_v: null, energy_24h_wh: null, charge_energy_wh: null };
const USES = { hours_per_day: null, duty_frac: null, uses_per_day: null, minutes_per_use: null };

/** A plain power or time, read here while the core is away. */
function awayCell(field: "power" | "use", text: string): Read {
  try {
    if (field === "power") {
      const q = parseQuantity(text, "power");
      return { fields: { ...POWERS, power_w: q.value }, understood: q.understood };
    }
    if (text.includes("%")) {
      const q = parseQuantity(text, "fraction");
      return { fields: { ...USES, duty_frac: q.value }, understood: says("day-3", { value: Math.round(100 * q.value) }) };
    }
    const q = parseQuantity(text, "time");
    return { fields: { ...USES, hours_per_day: q.value }, understood: q.understood };
  } catch {
    throw new ApiError(422, "text", says("bothy-away-only-plain"));
  }
}

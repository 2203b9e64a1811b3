/** The parts of the supply: their place in the design, words, and how a catalogue part becomes one. */
import type { Design, PatchOp, Schemas } from "../../data/client";
import { freshId } from "../../data/patch";
import { show } from "../../data/show";
import { says } from "../../words/power";

export type PartId = "bank" | "inverter" | "solar" | "controller" | "driving" | "shore" | "generator";
type CataloguePart = Schemas["CatalogueItem"];

export const PARTS: { id: PartId; word: string; kind: string; own: Record<string, unknown>; blurb: string }[] = [
  {
    id: "bank",
    word: says("bank-3"),
    kind: "battery",
    own: { name: says("own-bank"), chemistry: "lifepo4", unit_voltage_v: 12.8, unit_charge_ah: 100 },
    blurb: says("stores-energy-sized-stay"),
  },
  {
    id: "inverter",
    word: says("inverter-2"),
    kind: "inverter",
    own: { name: says("own-inverter"), rating_w: 1000 },
    blurb: says("only-appliances-want-mains"),
  },
  {
    id: "solar",
    word: says("solar-array"),
    kind: "panel",
    own: { name: says("own-panels"), panel_power_w: 100, vmp_v: 18, imp_a: 5.56, voc_v: 21.6, isc_a: 6 },
    blurb: says("panels-strings"),
  },
  {
    id: "controller",
    word: says("solar-controller"),
    kind: "controller",
    own: { name: says("own-controller"), max_voltage_v: 100, max_charge_current_a: 30 },
    blurb: says("between-panels-bank"),
  },
  { id: "driving", word: says("driving-charge"), kind: "dcdc", own: { name: says("own-dc-dc-charger"), rating_a: 30 }, blurb: says("vehicles-alternator") },
  { id: "shore", word: says("shore-charger"), kind: "charger", own: { name: says("own-charger"), charger_current_a: 30 }, blurb: says("hook-up") },
  {
    id: "generator",
    word: says("generator"),
    kind: "generator",
    own: { name: says("own-generator"), rating_w: 1600 },
    blurb: says("hours-leg-trip-gives"),
  },
];

/** Kinds of battery that a bank of one's own may be made of: chemistry and voltage of a unit are never guessed. */
export const OWN_BANKS = [
  { value: "lifepo4 12.8", word: says("lithium-iron-phosphate-v") },
  { value: "lifepo4 25.6", word: says("lithium-iron-phosphate-v-2") },
  { value: "agm 12", word: says("agm-lead-v") },
  { value: "gel 12", word: says("gel-lead-v") },
  { value: "flooded 12", word: says("flooded-lead-v") },
  { value: "flooded 6", word: says("flooded-lead-v-2") },
  { value: "nmc 14.6", word: says("lithium-nmc-cells-v") },
  { value: "nmc 25.5", word: says("lithium-nmc-cells-v-2") },
] as const;

/** Operations that put in a bank of one's own, of a kind in OWN_BANKS. */
export function ownBank(kind: string): PatchOp[] {
  const [chemistry, volts] = kind.split(" ");
  return [
    {
      op: "replace",
      path: "/power/bank",
      value: { name: says("own-bank"), chemistry, unit_voltage_v: Number(volts), unit_charge_ah: 100, by: "typed", owned: true },
    },
  ];
}

/** An array in words: its name, how many panels of which power, how many in series. */
export const arrayWords = (a: Schemas["SolarArray"]) =>
  says("series-2", {
    name: a.name,
    series_count: (a.series_count ?? 1) * (a.parallel_count ?? 1),
    panel_power_w: show(a.panel_power_w, "W"),
    series_count_2: a.series_count ?? 1,
  });

/** What is fitted of a part, in words; null when nothing is. */
export function fitted(design: Design, id: PartId): string | null {
  const p = design.power ?? {};
  if (id === "bank")
    return p.bank
      ? says("at", {
          name: p.bank.name,
          unit_charge_ah: show(p.bank.unit_charge_ah * (p.bank.parallel_count ?? 1), "Ah"),
          unit_voltage_v: show((p.bank.unit_voltage_v ?? 12.8) * (p.bank.series_count ?? 1), "V"),
        })
      : null;
  if (id === "inverter") return p.inverter ? `${p.inverter.name}: ${show(p.inverter.rating_w, "W")}` : null;
  if (id === "solar") {
    return p.arrays?.length ? p.arrays.map(arrayWords).join("; ") : null;
  }
  if (id === "controller")
    return p.controller ? `${p.controller.name}: ${show(p.controller.max_voltage_v, "V")}, ${show(p.controller.max_charge_current_a, "A")}` : null;
  if (id === "driving") return p.driving ? `${p.driving.name}: ${show(p.driving.rating_a, "A")}` : null;
  if (id === "generator") return p.generator ? `${p.generator.name}: ${show(p.generator.rating_w, "W")}` : null;
  return p.shore ? `${p.shore.name}: ${show(p.shore.charger_current_a, "A")}` : null;
}

/** Operations that put a part (from the catalogue, or the person's own) into its place. */
export function fitPart(design: Design, id: PartId, part: CataloguePart | null): PatchOp[] {
  const own = PARTS.find((p) => p.id === id)!.own;
  const mass = part ? { [id === "bank" || id === "solar" ? "unit_mass_kg" : "mass_kg"]: part.mass_kg } : {};
  const value = { ...(part ? { name: part.name, part: part.key, ...part.data } : own), ...mass, by: "typed" };
  if (id !== "solar") return [{ op: "replace", path: `/power/${id}`, value }];
  const taken = (design.power?.arrays ?? []).map((a) => a.id);
  return [{ op: "add", path: "/power/arrays/-", value: { ...fitArray(null, part), id: freshId("roof", taken) } }];
}

/** An array with panels of the catalogue, or the person's own; where it lies, its strings and its controller stay as they were. */
export function fitArray(array: Schemas["SolarArray"] | null, part: CataloguePart | null): Record<string, unknown> {
  const own = PARTS.find((p) => p.id === "solar")!.own;
  return { ...array, ...(part ? { name: part.name, part: part.key, ...part.data, unit_mass_kg: part.mass_kg } : own), by: "typed" };
}

/** A catalogue part as a value of the design. */
export const asFitted = (part: CataloguePart) => ({ name: part.name, part: part.key, ...part.data, mass_kg: part.mass_kg, by: "typed" });

/** Operations that take a part out again. */
export function unfit(id: PartId): PatchOp[] {
  return [{ op: "replace", path: `/power/${id}`, value: null }];
}

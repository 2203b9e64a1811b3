/** The parts of the supply: their place in the design, words, and how a catalogue part becomes one. */
import type { Design, PatchOp, Schemas } from "../../data/client";
import { freshId } from "../../data/patch";
import { show } from "../../data/show";

export type PartId = "bank" | "inverter" | "solar" | "controller" | "driving" | "shore" | "generator";
type CataloguePart = Schemas["CatalogueItem"];

export const PARTS: { id: PartId; word: string; kind: string; own: Record<string, unknown>; blurb: string }[] = [
  {
    id: "bank",
    word: "Bank",
    kind: "battery",
    own: { name: "Own bank", chemistry: "lifepo4", unit_voltage_v: 12.8, unit_charge_ah: 100 },
    blurb: "stores energy; sized for the stay, the cold and the largest current",
  },
  { id: "inverter", word: "Inverter", kind: "inverter", own: { name: "Own inverter", rating_w: 1000 }, blurb: "only for appliances that want mains" },
  {
    id: "solar",
    word: "Solar array",
    kind: "panel",
    own: { name: "Own panels", panel_power_w: 100, vmp_v: 18, imp_a: 5.56, voc_v: 21.6, isc_a: 6 },
    blurb: "panels in strings",
  },
  {
    id: "controller",
    word: "Solar controller",
    kind: "controller",
    own: { name: "Own controller", max_voltage_v: 100, max_charge_current_a: 30 },
    blurb: "between the panels and the bank",
  },
  { id: "driving", word: "Driving charge", kind: "dcdc", own: { name: "Own DC-DC charger", rating_a: 30 }, blurb: "from the vehicle's alternator" },
  { id: "shore", word: "Shore charger", kind: "charger", own: { name: "Own charger", charger_current_a: 30 }, blurb: "from a hook-up" },
  {
    id: "generator",
    word: "Generator",
    kind: "generator",
    own: { name: "Own generator", rating_w: 1600 },
    blurb: "for the hours that a leg of the trip gives it",
  },
];

/** Kinds of battery that a bank of one's own may be made of: chemistry and voltage of a unit are never guessed. */
export const OWN_BANKS = [
  { value: "lifepo4 12.8", word: "lithium iron phosphate, 12.8 V" },
  { value: "lifepo4 25.6", word: "lithium iron phosphate, 25.6 V" },
  { value: "agm 12", word: "AGM lead, 12 V" },
  { value: "gel 12", word: "gel lead, 12 V" },
  { value: "flooded 12", word: "flooded lead, 12 V" },
  { value: "flooded 6", word: "flooded lead, 6 V" },
  { value: "nmc 14.6", word: "lithium NMC, 4 cells, 14.6 V" },
  { value: "nmc 25.5", word: "lithium NMC, 7 cells, 25.5 V" },
] as const;

/** Operations that put in a bank of one's own, of a kind in OWN_BANKS. */
export function ownBank(kind: string): PatchOp[] {
  const [chemistry, volts] = kind.split(" ");
  return [
    {
      op: "replace",
      path: "/power/bank",
      value: { name: "Own bank", chemistry, unit_voltage_v: Number(volts), unit_charge_ah: 100, by: "typed", owned: true },
    },
  ];
}

/** An array in words: its name, how many panels of which power, how many in series. */
export const arrayWords = (a: Schemas["SolarArray"]) =>
  `${a.name}: ${(a.series_count ?? 1) * (a.parallel_count ?? 1)} × ${show(a.panel_power_w, "W")}, ${a.series_count ?? 1} in series`;

/** What is fitted of a part, in words; null when nothing is. */
export function fitted(design: Design, id: PartId): string | null {
  const p = design.power ?? {};
  if (id === "bank")
    return p.bank
      ? `${p.bank.name}: ${show(p.bank.unit_charge_ah * (p.bank.parallel_count ?? 1), "Ah")} at ${show((p.bank.unit_voltage_v ?? 12.8) * (p.bank.series_count ?? 1), "V")}`
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

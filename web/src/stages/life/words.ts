/** Words for the Life stage: choices, and how an appliance's power and use are written in a cell. */
import type { Appliance } from "../../data/client";
import { clock } from "../../data/show";
import { pairs } from "../../parts/choices";
import { says } from "../../words/life";

export const SUPPLIES = [
  { value: "dc", word: says("dc") },
  { value: "converter", word: says("adapter") },
  { value: "ac", word: says("mains-2") },
] as const;
export const ZONES = pairs({
  kitchen: says("kitchen"),
  living: says("living-area"),
  bed: says("bed"),
  washroom: says("washroom"),
  garage: says("garage"),
  cab: says("cab"),
  roof: says("roof"),
  outside: says("outside-2"),
});
/** Where an appliance is, in a sentence. */
export const WHERE: Record<string, string> = {
  kitchen: says("in-kitchen"),
  living: says("in-living-area"),
  bed: says("at-bed"),
  washroom: says("in-washroom"),
  garage: says("in-garage"),
  cab: says("in-cab"),
  roof: says("on-roof"),
  outside: says("outside-2"),
};
export const KINDS = pairs({
  light: says("light"),
  cooling: says("cooling"),
  heating: says("heating"),
  pump: says("pump"),
  fan: says("fan"),
  electronics: says("electronics"),
  socket: says("socket"),
  cooking: says("cooking"),
  tool: says("tool"),
  safety: says("alarm-safety"),
  medical: says("medical"),
  other: says("other"),
});
export const TRUSTS = [
  { value: "measured", word: says("measured") },
  { value: "label", word: says("label") },
  { value: "duty", word: says("label-duty") },
  { value: "catalogue", word: says("catalogue-2") },
] as const;
export const SEASONS = ["winter", "shoulder", "summer"] as const;
/** How a season is called. */
const SEASON: Record<string, string> = { winter: says("in-winter"), shoulder: says("spring-autumn"), summer: says("in-summer") };
export const seasonWord = (season: string): string => SEASON[season] ?? season;

const n = (x: number) => String(Number(x.toPrecision(6)));

/** The power of an appliance in the form it was given. */
export function powerText(a: Appliance): string {
  if (a.power_w != null) return `${n(a.power_w)} W`;
  if (a.current_a != null) return `${n(a.current_a)} A @ ${n(a.voltage_v ?? 0)} V`;
  if (a.energy_24h_wh != null) return `${n(a.energy_24h_wh)} Wh/24 h`;
  return says("battery-wh", { charge_energy_wh: n(a.charge_energy_wh ?? 0) });
}

/** The use of an appliance in the form it was given; a label energy holds its own time. */
export function writtenUse(a: Appliance): string {
  if (a.hours_per_day != null) return `${n(a.hours_per_day)} h`;
  if (a.duty_frac != null) return `${n(100 * a.duty_frac)} %`;
  if (a.uses_per_day != null) return `${n(a.uses_per_day)} × ${n(a.minutes_per_use ?? 0)} min`;
  const charges = n(a.charges_per_day ?? 1);
  return a.charge_energy_wh != null ? says("charge-charges", { charges, is_1: charges === "1" }) : says("label-2");
}

export function windowsText(a: Appliance): string {
  return (a.windows ?? []).map((w) => `${clock(w.from_h)}-${clock(w.to_h)}`).join(", ");
}

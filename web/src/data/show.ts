import { says } from "../words/data";
import { IN_US } from "./said";

/** Numbers in words: SI to what the person reads, metric or US. Only display; every sum is done in the core. */
export type UnitSystem = "metric" | "us";

/** Units of a figure that a reader of US units has another for; bare mm² are copper, and stay. */
const US = {
  ...Object.fromEntries(Object.entries(IN_US).filter(([unit]) => unit !== "mm²")),
  g: { unit: "oz", from: (x: number) => x / 28.349523125 }, // a figure's grams; in a sentence “5 g” may be an acceleration
} as typeof IN_US;

/** Watts of heat, free areas of vents and winds, as the core tells them from watts of electricity, copper and other speeds. */
export const HEAT_W = "W of heat";
export const OPENING_MM2 = "mm² of opening";
export const WIND_M_S = "m/s of wind";

/** The unit a person of this system reads for an SI unit. */
export function unitFor(unit: string, system: UnitSystem): string {
  return (system === "us" ? (US[unit]?.unit ?? unit) : unit).replace(/ of (?:heat|opening|wind)$/, "");
}

/** A number with at most `digits` significant digits, no exponent for ordinary sizes. */
export function figure(value: number, digits = 3): string {
  if (!Number.isFinite(value)) return "–";
  const size = Math.abs(value);
  if (size >= 1000) return Math.round(value).toLocaleString("en-GB").replace(/,/g, "\u202f").replace(/^-/, "−");
  if (size > 0 && size < 0.001) return value.toExponential(1);
  return String(Number(value.toPrecision(digits))).replace(/^-/, "−");
}

/** A value with its unit. Fractions without a unit read as a plain number. */
export function show(value: number | null | undefined, unit = "", system: UnitSystem = "metric", digits = 3): string {
  if (value === null || value === undefined) return "–";
  if (unit === "days" && value !== 0 && Math.abs(value) < 1) return show(24 * value, "h", system, digits);
  if (unit === "h" && value !== 0 && Math.abs(value) < 1) return `${figure(60 * value, Math.min(digits, 3))}\u00a0min`;
  if (unit === "%") return `${figure(100 * value, digits)}\u00a0%`;
  const us = system === "us" ? US[unit] : undefined;
  const text = figure(us ? us.from(value) : value, digits);
  const word = unit === "days" && value === 1 ? "day" : unitFor(unit, system);
  return word ? `${text}\u00a0${word}` : text;
}

/** A value as it is shown, without its unit, which stands over its column. */
export const amount = (value: number, unit: string, system: UnitSystem, digits?: number): string => show(value, unit, system, digits).split("\u00a0")[0] ?? "";

/** A temperature in °C for a picture, in whole degrees of its reader: “−5°”, “23°”. */
export const degrees = (celsius: number, system: UnitSystem): string => `${Math.round(system === "us" ? celsius * 1.8 + 32 : celsius)}°`.replace("-", "−");

/** Hours of the day as people write them: 7.5 -> 7:30. */
export function clock(hours: number): string {
  const minutes = Math.round(hours * 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;
}

export const percent = (fraction: number, digits = 0): string => `${(100 * fraction).toFixed(digits)}\u00a0%`;
export const MONTHS = [
  says("january"),
  says("february"),
  says("march"),
  says("april"),
  says("may"),
  says("june"),
  says("july"),
  says("august"),
  says("september"),
  says("october"),
  says("november"),
  says("december"),
];
/** The same, short. */
export const MONTH = [
  says("jan"),
  says("feb"),
  says("mar"),
  says("apr"),
  says("may-short"),
  says("jun"),
  says("jul"),
  says("aug"),
  says("sep"),
  says("oct"),
  says("nov"),
  says("dec"),
];
/** The unit that sizes of things and cut-outs are read in. */
export const smallLength = (system: UnitSystem): string => (system === "us" ? "in" : "mm");
/** A cut as it is marked: its sides and the radius of its corners, from millimetres, in that unit. */
export const cutOf = (length_mm: number, width_mm: number, radius_mm: number, system: UnitSystem): string => {
  const [length, width, radius] = [length_mm, width_mm, radius_mm].map((x) => sizeOf([x / 1000], system, 2));
  return `${length} × ${width}, r ${radius}`;
};
/** Sides in metres as one size in that unit; inches to a tenth, or finer where something is cut to it. */
export const sizeOf = (metres: number[], system: UnitSystem, digits = 1): string =>
  metres.map((m) => (system === "us" ? (m / 0.0254).toFixed(digits) : Math.round(1000 * m))).join("×");

/** A day of the year: “16 May”, from 2027-05-16. */
export const dayMonth = (iso: string) => `${Number(iso.slice(8, 10))} ${MONTH[Number(iso.slice(5, 7)) - 1]}`;

/** A day with its year: “16 May 2027”. */
export const dayYear = (iso: string) => `${dayMonth(iso)} ${iso.slice(0, 4)}`;

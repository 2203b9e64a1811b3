/** A sentence of the core as its reader has it: in the person's units, the region's terms, and numbers written in one way. The same as core/words/said.py. */
import words from "../../generated/words.json";
import type { UnitSystem } from "./show";

export type RegionKey = "uk" | "eu" | "us" | "au";

type Turn = { unit: string; from: (x: number) => number };
const times =
  (k: number) =>
  (x: number): number =>
    x * k;
export const IN_US: Record<string, Turn> = {
  km: { unit: "mi", from: times(1 / 1.609344) },
  "km/h": { unit: "mph", from: times(1 / 1.609344) },
  m: { unit: "ft", from: times(1 / 0.3048) },
  cm: { unit: "in", from: times(1 / 2.54) },
  mm: { unit: "in", from: times(1 / 25.4) },
  "m²": { unit: "ft²", from: times(1 / 0.09290304) },
  "cm²": { unit: "in²", from: times(1 / 6.4516) },
  "mm²": { unit: "in²", from: times(1 / 645.16) },
  "m³": { unit: "ft³", from: times(1 / 0.028316846592) },
  "m³/h": { unit: "CFM", from: times(1 / 1.69901082) },
  kg·m: { unit: "lb·ft", from: times(1 / 0.45359237 / 0.3048) },
  N·m: { unit: "lb·ft", from: times(1 / 1.3558179483) },
  "m/s": { unit: "ft/s", from: times(1 / 0.3048) },
  L: { unit: "gal", from: times(1 / 3.785411784) },
  mL: { unit: "fl oz", from: times(1 / 29.5735295625) },
  "L/min": { unit: "gal/min", from: times(1 / 3.785411784) },
  "g of water": { unit: "oz of water", from: times(1 / 28.349523125) },
  "g of water per m²": { unit: "grains of water per ft²", from: times(15.4323584 * 0.09290304) },
  "g/h": { unit: "oz/h", from: times(1 / 28.349523125) },
  kg: { unit: "lb", from: times(1 / 0.45359237) },
  "kg/h": { unit: "lb/h", from: times(1 / 0.45359237) },
  "°C": { unit: "°F", from: (x) => x * 1.8 + 32 },
  K: { unit: "°F", from: times(1.8) },
  kPa: { unit: "psi", from: times(1 / 6.894757293168) },
  bar: { unit: "psi", from: times(14.5037737730209) },
  mbar: { unit: "inWC", from: times(1 / 2.4908891) },
  kN: { unit: "lbf", from: times(1 / 0.0044482216152605) },
  N: { unit: "lbf", from: times(1 / 4.4482216152605) },
  "W/(m²K)": { unit: "BTU/(h·ft²·°F)", from: times(1 / 5.678263341) },
  "W/(m·K)": { unit: "BTU·in/(h·ft²·°F)", from: times(6.933471799) },
  "m²K/W": { unit: "h·ft²·°F/BTU", from: times(5.678263341) },
  "W/K": { unit: "BTU/(h·°F)", from: times(1 / 0.5275279) },
  "kg/m²": { unit: "lb/ft²", from: times(0.204816144) },
  "kg/m³": { unit: "lb/ft³", from: times(0.062427961) },
  "/kg": { unit: "/lb", from: times(1 / 2.2046226218) },
  "m/s of wind": { unit: "mph of wind", from: times(1 / 0.44704) },
  "mm² of opening": { unit: "in²", from: times(1 / 645.16) },
  "W of heat": { unit: "BTU/h", from: times(3.4121416) },
  "kW of heat": { unit: "BTU/h", from: times(3412.1416) },
};
/** Metres below which a length is read in inches: half a foot is nobody’s measure. */
const SHORT_M = 0.6;
const INCHES: Turn = { unit: "in", from: times(1 / 0.0254) };
const UNITS = Object.keys(IN_US)
  .sort((a, b) => b.length - a.length)
  .map((u) => u.replace(/[/()]/g, "\\$&"))
  .join("|");
const NUMBER = "[-−]?\\d[\\d\\u202f,]*(?:\\.\\d+)?";
/** One or several numbers with one unit: “60 mm”, “15 to 35 °C”, “0.60 × 0.35 × 0.60 m”. */
const SAID = new RegExp(`(?<![\\w.,])(${NUMBER}(?:(?: to | × | and | of |–)${NUMBER})*)(\\s?)(${UNITS})(?![\\w\\u00c0-\\u03ff²³/·(])`, "g");
/** Stages whose square millimetres are copper: read as such, or as a gauge, everywhere. */
const COPPER = new Set(["wiring", "power", "prove"]);

/** Digits that a number shows: as exact as it was, at least two. 75 kg are 165 lb, not 170; 1000 mm are 39.4 in. */
function digitsOf(text: string, out: number): number {
  const digits = text.replace(/[^\d]/g, "").replace(/^0+/, "");
  const count = digits.length - (digits.length > 3 && digits.endsWith("0") ? 1 : 0);
  const leads = out ? Number(Math.abs(out).toExponential(6).slice(0, 4)) : 9;
  const finer = digits !== "" && leads < Number(`${digits[0]}.${digits.slice(1, 3) || 0}`);
  return Math.max(2, Math.min(4, count + (finer && count < 3 ? 1 : 0)));
}

/** A difference of temperature: “5 °C warmer” to who reads Celsius. */
const KELVIN = /(?<=\d[\s\u202f\xa0])K(?![\p{L}\d_²³/·(])/gu;

const valueIn = (text: string) => Number(text.replace(/[\u202f,]/g, "").replace("−", "-"));

function number(text: string, turn: Turn): string {
  const out = turn.from(valueIn(text));
  const digits = digitsOf(text, out);
  if ((turn.unit === "BTU/h" || turn.unit === "lbf") && Math.abs(out) >= 100) return Number(out.toPrecision(3)).toLocaleString("en-US").replace("-", "−");
  if (Math.abs(out) >= 1000 || turn.unit === "°F") return Math.round(out).toLocaleString("en-US").replace("-", "−");
  const shown = String(Number(out.toPrecision(digits)));
  return shown.replace("-", "−");
}

type Swap = { finder: RegExp; names: Map<string, string> };
const swaps = new Map<RegionKey, Swap>();
const plain = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
/** How a term begins that takes “an”: a vowel, or a letter that is spoken with one before it (“an RCD”). */
const VOWEL = /^(?:[AEFHILMNORSX][A-Z]+\b|[aeiou]|[AEIO][a-z])/;

function swapOf(region: RegionKey): Swap {
  let swap = swaps.get(region);
  if (!swap) {
    const turned = words.terms.filter((t) => t[region] !== t.base).map((t) => t.base.toLowerCase());
    // what stays is found too where it holds a word that turns: a galvanic isolator is no isolator
    const found = words.terms.filter((t) => turned.some((base) => t.base.toLowerCase().includes(base)));
    const names = new Map(found.map((t) => [t.base.toLowerCase(), t[region]]));
    const each = [...names.keys()].sort((a, b) => b.length - a.length).map(plain);
    swap = {
      names,
      finder: new RegExp(
        each.length ? `(?<![\\p{L}\\d_-])(an? )?(?<![\\p{L}\\d_-])(${each.join("|")})((?:(?<=[sx])|(?<=[cs]h))es|s)?(?![\\p{L}\\d_-])` : "(?!)",
        "giu",
      ),
    };
    swaps.set(region, swap);
  }
  return swap;
}

/** More than one of it: what stands before brackets at its end takes the ending, and sibilants an “e”. */
function plural(term: string): string {
  const at = term.endsWith(")") ? term.indexOf(" (") : -1;
  const head = at < 0 ? term : term.slice(0, at);
  return `${head}${/(?:ch|sh|s|x)$/.test(head) ? "es" : "s"}${at < 0 ? "" : term.slice(at)}`;
}

function inRegion(text: string, region: RegionKey): string {
  const { finder, names } = swapOf(region);
  return text.replace(finder, (_: string, article: string | undefined, base: string, more: string | undefined) => {
    const name = names.get(base.toLowerCase()) ?? base;
    let out = more ? plural(name) : name;
    if (base[0] !== base[0]?.toLowerCase()) out = (out[0] ?? "").toUpperCase() + out.slice(1);
    return article ? `${article[0]}${VOWEL.test(out) ? "n" : ""} ${out}` : out;
  });
}

/** Numbers in one way: a thin space between thousands and before per cent, a true minus. */
const typeset = (text: string) =>
  text
    .replace(/(?<=\d),(?=\d{3}(?!\d))/g, "\u202f")
    .replace(/(?<![\p{L}\d_.–-])-(?=\d)/gu, "−")
    .replace(/(?<=\d) ?%(?![\p{L}\d_])/gu, "\u202f%");

const MONTHS = "January|February|March|April|May|June|July|August|September|October|November|December|Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept|Sep|Oct|Nov|Dec";
/** A day of the year: “Sun 16 May 2027”, “25 to 28 April”. */
const DAY = new RegExp(
  `(?:\\b((?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)(?:day|sday|nesday|rsday|urday)?),? )?(?<![\\p{L}\\d_.,/])(\\d{1,2})((?: to |–| and )\\d{1,2})? (${MONTHS})\\b(?: (\\d{4})\\b)?`,
  "gu",
);

/** Days as an American has them: “Sun, May 16, 2027”, “April 25 to 28”. */
const monthFirst = (text: string) =>
  text.replace(
    DAY,
    (_: string, weekday: string | undefined, day: string, more: string | undefined, month: string, year: string | undefined) =>
      `${weekday ? `${weekday}, ` : ""}${month} ${day}${more ?? ""}${year ? `, ${year}` : ""}`,
  );

const kept = new Map<string, string>();

const longestFirst = (texts: Set<string>) => [...texts].sort((a, b) => b.length - a.length || (a < b ? -1 : 1));

/** Names in plain data (what stands under “name”) that hold an amount with a unit, the longest first: they stay as they were typed. */
export function namesWithAmounts(data: unknown): string[] {
  const found = new Set<string>();
  const walk = (at: unknown) => {
    if (typeof at !== "object" || at === null) return;
    const name = (at as { name?: unknown }).name;
    if (typeof name === "string" && name.search(SAID) >= 0) found.add(name);
    for (const inner of Object.values(at)) walk(inner);
  };
  walk(data);
  return longestFirst(found);
}

/** Keys under which sentences of one's own stand, and from how many characters on typed words are one: a shorter one may be a term. */
const OWN_WORDS = ["note", "description", "reason", "owner", "where", "open", "manuals"];
const A_SENTENCE = 10;

/** What was typed in a design and would be read otherwise by its reader, the longest first. */
export function staysAsTyped(data: unknown, system: UnitSystem, region: RegionKey): string[] {
  const found = new Set(system === "us" ? namesWithAmounts(data) : []);
  const keep = (text: unknown) => {
    if (typeof text !== "string" || text.length < A_SENTENCE) return;
    if (inRegion(text, region) !== text || (system === "us" && text.search(SAID) >= 0)) found.add(text);
  };
  const walk = (at: unknown) => {
    if (typeof at !== "object" || at === null) return;
    for (const key of OWN_WORDS) {
      const own = (at as Record<string, unknown>)[key];
      if (typeof own === "object" && own !== null) Object.values(own).forEach(keep);
      else keep(own);
    }
    for (const inner of Object.values(at)) walk(inner);
  };
  walk(data);
  return longestFirst(found);
}

let split: [names: readonly string[], by: RegExp] = [[], /(“[^”]*”)/];
function splitBy(names: readonly string[]): RegExp {
  if (split[0] !== names) {
    split = [names, new RegExp(`(${["“[^”]*”", ...names.map(plain)].join("|")})`)];
    kept.clear();
  }
  return split[1];
}
const NONE: readonly string[] = [];

/** A sentence for its reader. `stage` says what it is about: copper stays in mm². What stands in quotation marks is a name, and stays; so do `names`. */
export function said(text: string, system: UnitSystem, stage = "", region: RegionKey = "uk", names: readonly string[] = NONE): string {
  const by = splitBy(names);
  const key = `${system} ${region} ${COPPER.has(stage)} ${text}`;
  let out = kept.get(key);
  if (out === undefined) {
    const told = (piece: string) => typeset(inRegion(system === "us" ? inUnits(piece, stage) : piece.replace(KELVIN, "°C"), region));
    out = text
      .split(by)
      .map((piece, i) => (i % 2 ? piece : region === "us" ? monthFirst(told(piece)) : told(piece)))
      .join("");
    if (kept.size > 20_000) kept.clear(); // what is shown again and again is soon there again
    kept.set(key, out);
  }
  return out;
}

function inUnits(piece: string, stage: string): string {
  return piece.replace(SAID, (whole: string, numbers: string, gap: string, unit: string) => {
    const usual = IN_US[unit];
    if (!usual || (COPPER.has(stage) && (unit === "mm²" || unit.endsWith("W of heat")))) return whole; // heat at a joint is what the meter says
    const parts = numbers.split(/( to | × | and | of |–)/);
    const count = unit !== "mm" && parts.length === 3 && parts[1] === " × " && /^\d+$/.test(parts[0] ?? ""); // “2 × 0.26 m” are two of them
    const stays = (n: number) => n % 2 === 1 || (count && n === 0);
    const turn = unit === "m" && parts.every((p, n) => stays(n) || Math.abs(valueIn(p)) < SHORT_M) ? INCHES : usual;
    const turned = parts.map((p, n) => (stays(n) ? p : number(p, turn)));
    return `${turned.join("")}${gap || "\u00a0"}${turn.unit}`;
  });
}

/** An amount in the region's currency, without small change. */
export function money(amount: number | null | undefined, region: RegionKey): string {
  if (amount == null) return "–";
  const digits = Math.abs(Math.round(amount)).toLocaleString("en-GB").replace(/,/g, "\u202f");
  return `${Math.round(amount) < 0 ? "−" : ""}${words.currency[region]}${digits}`;
}

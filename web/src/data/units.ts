/**
 * The core's grammar of quantities, for when the server is away: the same tables (written by the core), the same cases in
 * both tests. Where the server answers, its answer counts.
 */
import grammar from "../../generated/units.json";
import { says } from "../words/data";

/** What can be read from a text: the kinds of quantity of the grammar. */
export type Dimension = keyof typeof grammar.units;
export type Understood = { value: number; unit: string; understood: string; awg: string | null };
type Table = Record<string, number>;
const UNITS = grammar.units as Record<string, Table>;
const SI = grammar.si as Record<string, string>;
const EXAMPLES = grammar.examples as Record<string, string>;
const COMPOUND = grammar.compound as Record<string, Record<string, string>>;
const AWG = grammar.awg as Table;
const FRACTIONS = grammar.fractions as Record<string, string>;

/** The text is no quantity of its kind; the message says what would be. */
export class NotUnderstood extends Error {}

const GROUPED = String.raw`\d{1,3}(?:[\s'’]\d{3})+(?:[.,]\d+)?`;
const PLAIN = String.raw`\d[\d.,]*\d|\d|[.,]\d+`;
const NUMBER = new RegExp(
  String.raw`^\s*(?<sign>[-+−–])?\s*(?:(?<whole>\d+)(?:\s+|\s*-\s*)(?=\d+\s*/\s*\d))?(?:(?<num>\d+)\s*/\s*(?<den>\d+)|(?<dec>(?:${GROUPED}|${PLAIN})(?:[eE][-+]?\d+)?))\s*(?<unit>[^\d\s].*?|)\s*$`,
);
const TWO =
  /^\s*(?<sign>[-+−–])?\s*(?<a>[\d.,/]+|\d+\s+\d+\s*\/\s*\d+)\s*(?<ua>[^\d\s.,/-]+)[\s,-]*(?<b>\d[\d.,]*(?:[\s-]+\d+\s*\/\s*\d+)?|\d+\s*\/\s*\d+)\s*(?<ub>[^\d.,/-]*?)\s*$/;
const AWG_TEXT = /^\s*(?:awg\s*#?\s*(\d{1,2}(?:\/0)?)|#?(\d{1,2}(?:\/0)?)\s*(?:awg|ga|gauge))\s*$/i;

type Groups = Record<string, string | undefined>;

function plainText(text: string): string {
  let out = text;
  for (const [sign, written] of Object.entries(FRACTIONS))
    out = out.replace(new RegExp(String.raw`(?<=\d)\s*${sign}`, "g"), ` ${written}`).replaceAll(sign, written);
  return out
    .replace(/[\u00a0\u2000-\u200a\u202f\u205f]/g, " ")
    .replace(/[″”“]/g, '"')
    .replace(/[′’‘]/g, "'")
    .replaceAll("''", '"')
    .replace(/[−–]/g, "-");
}

/** What a meter shows, and people type, where there is no way through. */
const OVER_RANGE = ["ol", "o.l", "o.l.", "0l", "0.l", "open"];

/** A unit with mega written out: MΩ and mΩ are a thousand million apart, and only the size of a letter tells them. */
const megaApart = (unit: string) => unit.replace(/(?<![A-Za-z])M(?=\s?(?:[\u03a9\u2126]|[oO][hH][mM]))/g, "meg");

/** A quantity as it is said back: ohms and seconds where the unit of the core would be hard to read. */
function saidOf(value: number, dimension: Dimension): string {
  if (dimension === "resistance" && Math.abs(value) >= 1e6) return Math.abs(value) >= 1e9 ? shown(value / 1e9, "MΩ") : shown(value / 1e6, "kΩ");
  if (dimension === "time" && value !== 0 && Math.abs(value) < 1 / 60) return shown(3600 * value, "s");
  return shown(value, SI[dimension]!);
}

/** A decimal number with point or comma, thousands apart; NaN where it is none. */
export function readNumber(text: string): number {
  let s = text.trim();
  const grouped = (head: string, sep: string) => {
    const groups = head.split(sep);
    return groups.slice(1).every((g) => g.length === 3) && groups[0]!.length >= 1 && groups[0]!.length <= 3;
  };
  if (/[\s'’]/.test(s)) {
    if (!new RegExp(`^${GROUPED}(?:[eE][-+]?\\d+)?$`).test(s)) return Number.NaN;
    return float(s.replace(/[\s'’]/g, "").replaceAll(",", "."));
  }
  const commas = s.split(",").length - 1;
  const points = s.split(".").length - 1;
  if (commas && points) {
    const sep = s.lastIndexOf(".") > s.lastIndexOf(",") ? "," : ".";
    if (!grouped(s.slice(0, s.lastIndexOf(sep === "," ? "." : ",")), sep)) return Number.NaN;
    s = s.replaceAll(sep, "").replaceAll(",", ".");
  } else if (commas > 1 || points > 1) {
    const sep = commas ? "," : ".";
    if (!grouped(s, sep)) return Number.NaN;
    s = s.replaceAll(sep, "");
  } else if (/^[1-9]\d{0,2},\d{3}$/.test(s)) s = s.replace(",", "");
  else s = s.replaceAll(",", ".");
  return float(s);
}

const float = (s: string): number => (/^[-+]?(\d+\.?\d*|\.\d+)([eE][-+]?\d+)?$/.test(s) ? Number(s) : Number.NaN);
const a = (word: string) => says("an-a", { word: "aeiou".includes(word[0]!), word_2: word });
const refuse = (text: string, dimension: Dimension, why: string) =>
  new NotUnderstood(says("write-example", { text: text.length <= 40 ? text : `${text.slice(0, 37)}…`, why, dimension: EXAMPLES[dimension] ?? "" }));

/** A number in four digits at most, as the core shows it. */
function shown(value: number, unit: string): string {
  if (value && (Math.abs(value) >= 1e7 || Math.abs(value) < 1e-3)) {
    const [mantissa, power] = value.toExponential(2).split("e") as [string, string];
    const exponent = Number(power);
    if (exponent >= -4 && exponent < 3) return `${Number(value.toPrecision(3))} ${unit}`.trim();
    return `${Number(mantissa)}e${exponent < 0 ? "-" : "+"}${String(Math.abs(exponent)).padStart(2, "0")} ${unit}`.trim();
  }
  const rounded = value ? halfEven(value, Math.abs(value) < 10000 ? 4 : Math.floor(Math.log10(Math.abs(value))) + 1) : value;
  const [whole, rest] = Math.abs(rounded).toString().split(".") as [string, string | undefined];
  const text = `${rounded < 0 || Object.is(rounded, -0) ? "-" : ""}${whole.replace(/\B(?=(\d{3})+$)/g, "\u202f")}${rest ? `.${rest}` : ""}`;
  return `${text} ${unit}`.trim();
}

/** Rounded to so many digits as the core rounds: what lies exactly between goes to the even digit. */
function halfEven(value: number, digits: number): number {
  const up = Number(value.toPrecision(digits));
  const exact = Math.abs(value).toPrecision(60).replace(".", "").replace(/e.*$/, "").replace(/^0+/, "");
  if (!/^50*$/.test(exact.slice(digits)) || Number(exact[digits - 1]) % 2 === 1) return up;
  const step = 10 ** (Math.floor(Math.log10(Math.abs(value))) - digits + 1);
  return Number((up - Math.sign(value) * step).toPrecision(digits));
}

function numberOf(g: Groups): number {
  let number: number;
  if (g.num) {
    if (Number(g.den) === 0) return Number.NaN;
    number = Number(g.whole ?? 0) + Number(g.num) / Number(g.den);
  } else number = readNumber(g.dec ?? "");
  return g.sign && "-−–".includes(g.sign) ? -number : number;
}

function compound(typed: string, text: string, dimension: Dimension): Understood | null {
  const m = TWO.exec(text)?.groups as Groups | undefined;
  const large = m?.ua?.trim().toLowerCase();
  if (!m || !large || !(large in COMPOUND[dimension]!)) return null;
  const units = UNITS[dimension]!;
  let small = m.ub?.trim().toLowerCase() || COMPOUND[dimension]![large]!;
  if (dimension === "time" && small === "m") small = "min";
  if (!(small in units) || units[small]! >= units[large]!) throw refuse(typed, dimension, says("has-unknown-part", { b: m.b ?? "", ub: m.ub ?? "" }).trimEnd());
  const first = NUMBER.exec(m.a!)?.groups as Groups | undefined;
  const second = NUMBER.exec(m.b!)?.groups as Groups | undefined;
  const x = first && !first.unit ? numberOf(first) : Number.NaN;
  const y = second && !second.unit ? numberOf(second) : Number.NaN;
  if (Number.isNaN(x) || Number.isNaN(y)) throw refuse(typed, dimension, says("not-number"));
  const whole = x === Math.trunc(x);
  if (y * units[small]! >= units[large]! * (1 - 1e-12) || !whole)
    throw refuse(typed, dimension, whole ? says("has-after-whole-which", { b: m.b ?? "", small, large }) : says("has-part-too", { large, small }));
  const value = (x * units[large]! + y * units[small]!) * (m.sign && "-−–".includes(m.sign) ? -1 : 1);
  const words: Record<string, string> = { "'": "ft", '"': "in" };
  const said = `${Number(x.toPrecision(6))} ${words[large] ?? large} ${shown(y, words[small] ?? small)}`;
  return { value, unit: SI[dimension]!, understood: `${said} = ${shown(value, SI[dimension]!)}`, awg: null };
}

/** What a text means as a quantity; a bare number takes `unit`. Throws {@link NotUnderstood}. */
export function parseQuantity(typed: string, dimension: Dimension, unit?: string): Understood {
  const units = UNITS[dimension];
  if (!units) throw new NotUnderstood(says("unknown-kind-quantity", { dimension }));
  if (typed.length > 60) throw refuse(typed, dimension, says("too-long-quantity"));
  if (!typed.trim()) throw refuse(typed, dimension, says("empty"));
  const text = plainText(typed);
  const si = SI[dimension]!;
  if (dimension === "resistance" && OVER_RANGE.includes(text.trim().toLowerCase()))
    return { value: 1e12, unit: si, understood: says("over-meters-range-open"), awg: null };
  const two = dimension in COMPOUND ? compound(typed, text, dimension) : null;
  if (two) return two;
  const awg = dimension === "area" ? AWG_TEXT.exec(text) : null;
  if (awg) {
    const size = (awg[1] ?? awg[2])!;
    if (!(size in AWG)) throw refuse(text, dimension, says("not-awg-size-sold"));
    const area = (Math.PI / 4) * (0.127 * 92 ** ((36 - AWG[size]!) / 39)) ** 2;
    return { value: area, unit: "mm²", understood: `${size} AWG (${area.toFixed(2)} mm²)`, awg: size };
  }
  if (text.includes("@") && (dimension === "power" || dimension === "energy")) {
    const cut = text.indexOf("@");
    const first = parseQuantity(text.slice(0, cut), dimension === "power" ? "current" : "charge");
    const volts = parseQuantity(text.slice(cut + 1), "voltage");
    const value = first.value * volts.value;
    return { value, unit: si, understood: `${shown(first.value, first.unit)} × ${shown(volts.value, "V")} = ${shown(value, si)}`, awg: null };
  }
  const m = NUMBER.exec(text)?.groups as Groups | undefined;
  if (!m) throw refuse(text, dimension, says("has-no-number-start"));
  const number = numberOf(m);
  if (Number.isNaN(number)) throw refuse(text, dimension, says("not-number"));
  const word =
    megaApart(m.unit ?? "")
      .trim()
      .toLowerCase() || megaApart(unit || si).toLowerCase();
  const factor = units[word];
  if (factor === undefined) {
    const other = word && Object.keys(UNITS).find((d) => word in UNITS[d]!);
    throw refuse(
      text,
      dimension,
      other ? says("not", { other: a(other), dimension: a(dimension) }) : says("has-unknown-unit", { unit: (m.unit ?? "").trim().slice(0, 12) }),
    );
  }
  const value = ["°f", "f", "degf"].includes(word) ? (number - 32) / 1.8 : number * factor;
  if (!Number.isFinite(value)) throw refuse(text, dimension, says("not-finite-number"));
  return { value, unit: si, understood: saidOf(value, dimension), awg: null };
}

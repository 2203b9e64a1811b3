/** What the pages say stands in catalogues in the Fluent format, one a folder, in the language that the server speaks. The like of core/words/catalogues.py. */
import { FluentBundle, type FluentFunction, FluentNumber, FluentResource, type Message } from "@fluent/bundle";

/** A language for tests: every text in marks, its vowels doubled, so that what stands in no catalogue and what breaks when words grow shows. */
const PSEUDO = "en-x-pseudo";

type Pattern = NonNullable<Message["value"]>;
type Element = Exclude<Pattern, string>[number];
type Put = Record<string, string | number | boolean>;

const digitsOf = (named: Record<string, unknown>) => Number(named.digits ?? 0);
/** How a text writes a number: `{ FIX($length_m, digits: 1) } m`. A number comes in with all its digits. */
const FUNCTIONS: Record<string, FluentFunction> = {
  FIX: ([x], named) => Number(x).toFixed(digitsOf(named)),
  GROUPED: ([x]) => Math.round(Number(x)).toLocaleString("en-GB").replace(/,/g, "\u202f"),
  SHORT: ([x]) => String(Number(Number(x).toPrecision(3))),
};

const chooses = (value: Pattern): boolean => typeof value !== "string" && value.some((e) => typeof e !== "string" && e.type === "select");

function stretched(value: Pattern): Pattern {
  const words = (text: string) => text.replace(/[aeiou]/g, "$&$&");
  const inner = (v: Pattern): Pattern => (typeof v === "string" ? words(v) : v.map(element));
  const element = (e: Element): Element =>
    typeof e === "string" ? words(e) : e.type === "select" ? { ...e, variants: e.variants.map((v) => ({ ...v, value: inner(v.value as Pattern) })) } : e;
  const out = inner(value);
  return typeof out === "string" ? `⟦${out}⟧` : ["⟦", ...out, "⟧"];
}

/** Finds a text of a catalogue. The type of `T` has every key with what is put into its text: see generated/texts.d.ts. */
export type Says<T> = <K extends keyof T & string>(key: K, ...put: T[K] extends null ? [] : [T[K]]) => string;

/** The texts of one catalogue. An unknown key and what a text asks for and wasn’t given throw: the type check finds both. */
export function speaker<T>(source: string, language: string = globalThis.document?.documentElement.lang ?? "en"): Says<T> {
  const bundle = new FluentBundle("en-GB", { functions: FUNCTIONS, useIsolating: false });
  const resource = new FluentResource(source);
  if (language === PSEUDO) for (const message of resource.body) if (message.value !== null) message.value = stretched(message.value);
  bundle.addResource(resource);
  return (key, ...[put]) => {
    const value = bundle.getMessage(key)?.value;
    if (value == null) throw new Error(`“${key}” is no text of this catalogue`);
    if (typeof value === "string") return value;
    const numbers = chooses(value); // what a text chooses by stays a number
    const written = Object.entries((put ?? {}) as Put).map(([k, v]) => [
      k,
      typeof v === "boolean"
        ? v
          ? "yes"
          : "no"
        : typeof v === "number" && numbers
          ? new FluentNumber(v, { useGrouping: false, maximumFractionDigits: 15 })
          : String(v),
    ]);
    return bundle.formatPattern(value, Object.fromEntries(written));
  };
}

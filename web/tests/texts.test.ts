// @vitest-environment node
/** All that the pages say stands in catalogues: nothing escapes them, nothing in them is idle, and they are written as texts are. */
import { FluentResource } from "@fluent/bundle";
import { describe, expect, it } from "vitest";
import { speaker } from "../src/words/speaker";
import { asked as askedIn, fields, source as written } from "../texts.mjs";
import { asked, escaped, escapedIn, sources } from "./texts";

const SOURCES = sources();
const TEXTS = new Map(fields().map((f) => [f, new FluentResource(written(f)).body]));
type Value = (typeof TEXTS extends Map<string, (infer M)[]> ? M : never)["value"];

/** The words of a text, every variant of it, with a mark for what is put in. */
const words = (value: Value): string =>
  typeof value === "string" || value === null
    ? (value ?? "")
    : value.map((e) => (typeof e === "string" ? e : e.type === "select" ? e.variants.map((v) => words(v.value as Value)).join("|") : "{}")).join("");

describe("texts of the pages", () => {
  it("stand in no source", () => {
    expect(SOURCES.flatMap((s) => escaped(s).map((p) => `${s.fileName}:${p.line}: ${p.words}`))).toEqual([]);
  });
  it.each([
    ["const a = <p>No tank yet.</p>;", ["No tank yet."]],
    ["const a = <button title='Add a tank'>+</button>;", ["Add a tank"]],
    ["const a = `$" + "{n} of $" + "{m} parts came`;", ["{} of {} parts came"]],
    ["const a = <p className='text-dim my-1'>{says('no-tank')}</p>;", []],
    ["if (x === 'on the roof') go();", []],
    ["import x from './a b c';", []],
    ["const url = `/api/variants/$" + "{id}/trip`;", []],
  ])("are found where they escaped: %s", (program, found) => {
    expect(escapedIn(program)).toEqual(found);
  });
  it("are each asked for, and each key that is asked for has its text", () => {
    const wanted = new Map<string, Set<string>>();
    for (const s of SOURCES) {
      const { field, keys } = asked(s);
      if (keys.length) wanted.set(field, new Set([...(wanted.get(field) ?? []), ...keys]));
    }
    expect([...wanted.keys()].sort()).toEqual([...TEXTS.keys()]);
    for (const [field, body] of TEXTS) {
      const keys = body.map((m) => m.id);
      expect(new Set(keys).size, `${field}: a key stands twice`).toBe(keys.length);
      expect(
        keys.filter((k) => !wanted.get(field)?.has(k)),
        `${field}: texts that nobody asks for`,
      ).toEqual([]);
      expect(
        [...(wanted.get(field) ?? [])].filter((k) => !keys.includes(k)),
        `${field}: keys without a text`,
      ).toEqual([]);
    }
  });
  it("are whole files of texts: no line of them is lost in reading", () => {
    for (const f of TEXTS.keys()) {
      const lines = written(f)
        .split("\n")
        .filter((l) => /^[a-z][\w-]* =/.test(l));
      expect(TEXTS.get(f)).toHaveLength(lines.length);
    }
  });
  it("keep to the guide: no thing wants or asks, nothing is “not said”, terms of the trade, per cent", () => {
    const rules =
      /\bwants?\b|\bask(?:s|ed) for\b|\bnot said\b|n’t said\b|\bis said\b|\bunt?il (?:you say|said)\b|\bfor (?:long|hours|ever)\b|\bby night\b|\bin the mean\b|\bweathers\b|\bdead short\b|\b(?:tenth|fifth)s?\b|\bis the most\b/;
    const wrong = [...TEXTS].flatMap(([f, body]) => body.filter((m) => rules.test(words(m.value))).map((m) => `${f}: ${words(m.value)}`));
    expect(wrong).toEqual([]);
  });
  it("hold words, not looks, and none of the workshop’s own names", () => {
    const wrong = [...TEXTS].flatMap(([f, body]) =>
      body
        .filter((m) => /\bbtn\b|\[&|text-\[|\bw-full\b|\b[Ll]edgers?\b|\b[Ss]lates?\b|Bothy would/.test(words(m.value)))
        .map((m) => `${f}: ${words(m.value)}`),
    );
    expect(wrong).toEqual([]);
  });
  it("use the marks of print, and numbers in functions", () => {
    const wrong = [...TEXTS].flatMap(([f, body]) =>
      body.filter((m) => /['"]|(?<=\d) - (?=\d)|\.\.\./.test(words(m.value))).map((m) => `${f}: ${words(m.value)}`),
    );
    expect(wrong).toEqual([]);
    const choosers = [...TEXTS.values()]
      .flat()
      .flatMap((m) => (Array.isArray(m.value) ? m.value : []).filter((e) => typeof e !== "string" && e.type === "select"));
    for (const e of choosers)
      if (typeof e !== "string" && e.type === "select")
        expect(["no,yes", "one,other"]).toContain(
          e.variants
            .map((v) => v.key.value)
            .sort()
            .join(","),
        );
  });
});

describe("a speaker", () => {
  const SAMPLE = `tank = Tank
holds = { $name } holds { FIX($volume_l, digits: 1) } L{ $frost ->
    [yes] { " " }and freezes
   *[no] { "" }
}
days = { $n } { $n ->
    [one] day
   *[other] days
}
`;
  type Sample = { tank: null; holds: { name: string; volume_l: number; frost: boolean }; days: { n: number } };
  it("puts in names, numbers as the text writes them, and what chooses words", () => {
    const says = speaker<Sample>(SAMPLE, "en");
    expect(says("tank")).toBe("Tank");
    expect(says("holds", { name: "Grey", volume_l: 12.345, frost: false })).toBe("Grey holds 12.3 L");
    expect([1, 2, 1200].map((n) => says("days", { n }))).toEqual(["1 day", "2 days", "1200 days"]);
  });
  it("refuses an unknown key and a text without what it asks for", () => {
    const says = speaker<Record<string, null>>(SAMPLE, "en");
    expect(() => says("boat")).toThrow("“boat” is no text");
    expect(() => says("days")).toThrow();
  });
  it("speaks the language of the tests in marks and with doubled vowels, what is put in as it was", () => {
    const says = speaker<Sample>(SAMPLE, "en-x-pseudo");
    expect(says("tank")).toBe("⟦Taank⟧");
    expect(says("holds", { name: "Grey", volume_l: 12, frost: true })).toBe("⟦Grey hoolds 12.0 L aand freeeezees⟧");
    expect(says("days", { n: 1 })).toBe("⟦1 daay⟧");
  });
  it("finds all that a text asks for, in every variant", () => {
    const kinds = new Map(new FluentResource(SAMPLE).body.map((m) => [m.id, Object.fromEntries(askedIn(m.value))]));
    expect(kinds.get("holds")).toEqual({ name: "string | number", volume_l: "number", frost: "boolean" });
    expect(kinds.get("days")).toEqual({ n: "number" });
  });
});

import { describe, expect, it } from "vitest";
import { type Dimension, NotUnderstood, parseQuantity } from "../src/data/units";
import fixture from "./fixtures/units.json";

type Case = { text: string; dimension: string; unit: string | null; value?: number; understood?: string; awg?: string | null; refused?: string };
const CASES = fixture.cases as Case[];

describe("a quantity read while the server is away", () => {
  it("is read as the core reads it, to the last digit and word", () => {
    const wrong: unknown[] = [];
    for (const c of CASES) {
      try {
        const q = parseQuantity(c.text, c.dimension as Dimension, c.unit ?? undefined);
        const near = c.value !== undefined && Math.abs(q.value - c.value) <= 1e-12 * Math.abs(c.value);
        if (!near || q.understood !== c.understood || q.awg !== c.awg) wrong.push([c, q]);
      } catch (e) {
        if (!(e instanceof NotUnderstood) || e.message !== c.refused) wrong.push([c, String(e)]);
      }
    }
    expect(wrong).toEqual([]);
    expect(CASES.length).toBeGreaterThan(1500);
  });
});

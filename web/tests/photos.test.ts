import { describe, expect, it } from "vitest";
import { BATCH, keepAll } from "../src/parts/manyPhotos";

const files = (n: number) => Array.from({ length: n }, (_, i) => ({ name: `p${i}.jpg` }));
const sent = (f: { name: string }) => Promise.resolve({ sha256: f.name, width: 4, height: 3 });

async function run(
  n: number,
  over: Partial<Parameters<typeof keepAll<{ name: string }, { sha256: string; width: number; height: number }>>[2]> = {},
  known: string[] = [],
) {
  const batches: number[] = [];
  const seen: string[] = [];
  const wrong = await keepAll(files(n), known, {
    send: sent,
    record: async (made) => {
      batches.push(made.length);
      seen.push(...made.map((m) => m.sha256));
      return true;
    },
    stopped: () => false,
    at: () => {},
    ...over,
  });
  return { wrong, batches, seen };
}

describe("many photographs at once", () => {
  it("writes three hundred down in batches, in their order, none twice", async () => {
    const { wrong, batches, seen } = await run(300);
    expect(wrong).toEqual([]);
    expect(batches).toEqual(Array(300 / BATCH).fill(BATCH));
    expect(seen).toEqual(files(300).map((f) => f.name));
  });
  it("names what is no picture and keeps the others", async () => {
    const send = (f: { name: string }) => (f.name === "p7.jpg" ? Promise.reject(new Error("p7.jpg is no picture")) : sent(f));
    const { wrong, seen } = await run(60, { send });
    expect(wrong).toEqual(["p7.jpg is no picture"]);
    expect(seen).toHaveLength(59);
  });
  it("leaves out what is there already, and the same picture twice", async () => {
    const { seen } = await run(10, { send: (f) => sent({ name: f.name === "p9.jpg" ? "p8.jpg" : f.name }) }, ["p3.jpg"]);
    expect(seen).toEqual(["p0.jpg", "p1.jpg", "p2.jpg", "p4.jpg", "p5.jpg", "p6.jpg", "p7.jpg", "p8.jpg"]);
  });
  it("says how many were kept and not written down, and goes on", async () => {
    let n = 0;
    const { wrong } = await run(60, { record: async () => n++ !== 0 });
    expect(wrong).toEqual([`${BATCH} photographs were kept and not written down; choose them again`]);
    expect(n).toBe(3);
  });
  it("stopped, it writes down what was sent", async () => {
    let at = 0;
    const { seen } = await run(300, { at: (k) => (at = k), stopped: () => at >= 30 });
    expect(seen).toHaveLength(30);
  });
});

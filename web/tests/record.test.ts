import { describe, expect, it } from "vitest";
import { type Entry, fromId, KIND, ofWhat, said, type Telling } from "../src/stages/prove/record";

const METRIC: Telling = { units: "metric", region: "uk", steps: new Map([["s4-loop", { title: "Loop of the fridge", unit: "mΩ" }]]) };
const US: Telling = { ...METRIC, units: "us", region: "us" };
const entry = (kind: string, payload: Record<string, unknown> | null, subject = "x"): Entry => ({
  number: 1,
  kind,
  subject,
  payload,
  corrects: null,
  revision: 1,
  author: "you",
  made_at: "2027-03-06T09:00:00+00:00",
});

describe("an entry of the record", () => {
  const CASES: [kind: string, payload: Record<string, unknown>, says: string][] = [
    ["reading", { source_voltage_v: 12.8, current_a: 4.0512, shunt_a: 3.9, loop_mohm: null }, "bank 12.8 V, 4.051 A, monitor 3.9 A"],
    ["water_test", { start_kpa: 330, end_kpa: 322, duration_min: 60 }, "330 kPa to 322 kPa in 60 min"],
    ["gas_test", { start_mbar: 150, end_mbar: 149.5, duration_min: 5 }, "150 mbar to 149.5 mbar in 5 min"],
    ["gas_check", { kind: "working", value: 29.6 }, "all burning 29.6 mbar"],
    ["pre_trip", { seen: ["shut", "hose"] }, "valve shut, cylinder strapped; hose: date and surface"],
    ["weighing", { front_kg: 1620, rear_kg: 1710, left_kg: 1650 }, "front 1 620 kg, rear 1 710 kg, left side 1 650 kg"],
    ["log", { hours: 2.5, done_frac: 0.5, items: ["a", "b"] }, "2.5 h, 50 %, 2 ticked"],
    ["log", { hours: 0, done_frac: null, items: [] }, "done"],
    ["seen", { done: true, tested: true, labelled: false, photo: true, waived: "" }, "done, tested, photographed"],
    ["seen", { done: false, waived: "hidden by the bed" }, "waived: hidden by the bed"],
    ["closing", { opened: false }, "closed"],
    ["closing", { opened: true }, "opened again"],
    ["purchase", { status: "received", expected: 3, received: 2, damaged: 1, price: 1560 }, "received, 2 of 3 came, 1 damaged, £1 560"],
    ["stock", { amount: 7.28, unit: "m", place: "on the reel" }, "7.28 m, on the reel"],
    ["quote", { supplier: "Made up", price: 262, lead_days: 1 }, "Made up, £262, 1 day"],
    ["punch", { done_on: "", must: true }, "to mend before it is driven"],
    ["punch", { done_on: "2027-03-01" }, "mended"],
    ["as_built", { designed: "6 mm²", built: "10 mm²" }, "designed 6 mm², built 10 mm²"],
    ["paper", { number: "17", licence: "" }, "number 17"],
    ["paper", { number: "", licence: "" }, "entered"],
    ["service", { odometer_km: 500, cost: 80 }, "done, at 500 km, £80"],
    ["step", { id: "s4-loop", ok: true, value: 91.25 }, "as it should be, 91.25 mΩ"],
    ["step", { id: "other", ok: false, value: null, simulated: true }, "not as it should be, simulated"],
    ["repair", { cause: "loose_joint" }, "loose joint"],
    ["photo", { note: "before the lining" }, "before the lining"],
  ];
  it.each(CASES)("%s %j says %s", (kind, payload, says) => {
    expect(said(entry(kind, payload), METRIC).replace(/[\u00a0\u202f]/g, " ")).toBe(says);
  });
  it("is told in the reader's units and money", () => {
    expect(said(entry("weighing", { front_kg: 1000, rear_kg: 500 }), US)).toMatch(/^front 2.205.lb, rear 1.102.lb$/);
    expect(said(entry("water_test", { start_kpa: 330, end_kpa: 322, duration_min: 60 }), US)).toMatch(/psi to .*psi in 60.min$/);
    expect(said(entry("quote", { supplier: "Made up", price: 262, lead_days: 3 }), US)).toBe("Made up, $262, 3 days");
  });
  it("is never empty: struck, noted, or with its note", () => {
    expect(said(entry("reading", null), METRIC)).toBe("struck");
    expect(said(entry("reading", {}), METRIC)).toBe("noted");
    expect(said(entry("something new", { note: "by hand" }), METRIC)).toBe("by hand");
    expect(said(entry("closing", { opened: false, note: "at last" }), METRIC)).toBe("closed, at last");
  });
  it("has a word for each kind, and is of something with a name", () => {
    for (const [kind] of CASES) expect(KIND[kind]).toMatch(/^[a-z ]+$/);
    const circuits = new Map([["fridge", "Fridge"]]);
    expect(ofWhat(entry("reading", {}, "fridge"), circuits, METRIC)).toBe("Fridge");
    expect(ofWhat(entry("step", {}, "s4-loop"), circuits, METRIC)).toBe("Loop of the fridge");
    expect(ofWhat(entry("log", { name: "Cut the roof" }, "e1"), circuits, METRIC)).toBe("Cut the roof");
    expect(ofWhat(entry("gas_check", {}, "full-load"), circuits, METRIC)).toBe("gas");
    expect(ofWhat(entry("seen", {}, "floor:rust"), circuits, METRIC)).toBe("floor, rust");
    expect(ofWhat(entry("photo", { subject: "wall:left" }, "p1"), circuits, METRIC)).toBe("wall, left");
    expect(fromId("a_b-c")).toBe("a b c");
  });
});

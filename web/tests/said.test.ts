/** Sentences in the reader's units. */
import { describe, expect, test } from "vitest";
import { money, namesWithAmounts, type RegionKey, said, staysAsTyped } from "../src/data/said";
import type { UnitSystem } from "../src/data/show";
import gas from "./fixtures/gas.json";
import fixture from "./fixtures/said.json";
import warmth from "./fixtures/warmth.json";
import water from "./fixtures/water.json";
import wiring from "./fixtures/wiring.json";

const us = (text: string, stage = "warmth") =>
  said(text, "us", stage)
    .replace(/(?<=\d)\u202f(?=\d)/g, ",")
    .replace(/[\u00a0\u202f]/g, " ");

type Case = { text: string; stage: string; units: UnitSystem; region: RegionKey; said: string };

test("a sentence is the same here as in the core, for every reader", () => {
  const cases = fixture.cases as Case[];
  expect(cases.length).toBeGreaterThan(900);
  expect(cases.filter((c) => said(c.text, c.units, c.stage, c.region) !== c.said)).toEqual([]);
});

test("typed names that hold an amount stay, here as in the core", () => {
  const rows = fixture.kept as Omit<Case, "stage">[];
  expect(rows.map((c) => said(c.text, c.units, "", c.region, fixture.names))).toEqual(rows.map((c) => c.said));
  const design = {
    power: { bank: { name: "Bank 100 Ah" } },
    life: { appliances: [{ name: "Fridge 50 L" }, { name: "A 2 m hose" }, { name: "Kettle", note: "2 L" }] },
  };
  expect(namesWithAmounts(design)).toEqual(["Fridge 50 L", "A 2 m hose"]);
  expect(namesWithAmounts(null)).toEqual([]);
});

test.each([
  ["us", "us", ["at the rear, grey lid", "label the grey tank", "2 m from the hob"]],
  ["metric", "us", ["at the rear, grey lid", "label the grey tank", "2 m from the hob"]],
  ["us", "uk", ["2 m from the hob"]],
  ["metric", "uk", []],
] as const)("one's own sentences stay as they were typed: %s, %s", (units, region, stays) => {
  const where = { shore: "at the rear, grey lid" };
  const design = { handover: { where, open: ["label the grey tank"], manuals: { x: "tap" } }, fit: { note: "2 m from the hob" } };
  expect(staysAsTyped(design, units, region)).toEqual(stays);
  expect(said("at the rear, grey lid", units, "", region, stays)).toBe("at the rear, grey lid");
});

test("money is in the region's currency", () => {
  expect(money(1240, "uk")).toBe("£1\u202f240");
  expect(money(-3.6, "us")).toBe("−$4");
  expect(money(null, "au")).toBe("–");
});

describe("a sentence for a reader of US units", () => {
  test.each([
    ["The exhaust ends 300 mm from an opening; at least 500 mm.", "The exhaust ends 11.8 in from an opening; at least 19.7 in."],
    ["Cells get to -5 °C under the floor.", "Cells get to 23 °F under the floor."],
    ["An engine space reaches 60 to 90 °C.", "An engine space reaches 140 to 194 °F."],
    ["The pipe freezes at −0.4 °C.", "The pipe freezes at 31 °F."],
    ["6 K under the coldest month’s mean minimum", "11 °F under the coldest month’s mean minimum"],
    ["The fresh tank (102 L) is empty; 14 L are missing.", "The fresh tank (26.9 gal) is empty; 3.7 gal are missing."],
    ["2.0 of 4 L/min.", "0.53 of 1.1 gal/min."],
    ["A fan of 1,400 m³/h at 40 Pa.", "A fan of 824 CFM at 40 Pa."],
    ["The pump reaches 280 kPa shut.", "The pump reaches 40.6 psi shut."],
    ["30 mbar on its plate", "12 inWC on its plate"],
    ["The shell loses 1,430 W of heat; the fan draws 30 W.", "The shell loses 4,880 BTU/h; the fan draws 30 W."],
    ["The stove gives up to 4.5 kW of heat.", "The stove gives up to 15,400 BTU/h."],
    ["4,500 N lift it into 12 m/s of wind.", "1,010 lbf lift it into 27 mph of wind."],
    ["U is 0.80 W/(m²K), the wool 20 kg/m³.", "U is 0.141 BTU/(h·ft²·°F), the wool 1.25 lb/ft³."],
    ["At 1,200 m it soots.", "At 3,937 ft it soots."],
    ["1,250 kg are known so far.", "2,756 lb are known so far."],
    ["the locker has 0.60 × 0.35 × 0.60 m.", "the locker has 1.97 × 1.15 × 1.97 ft."],
    ["1 × 0.26 m across", "1 × 10.2 in across"],
    ["at most 0.175 m", "at most 6.89 in"],
    ["0.3 to 1.5 m", "0.98 to 4.9 ft"],
    ["0.6 m", "2 ft"],
    ["400 mm² at 0 m; 1,000 mm² within 1 m.", "0.62 in² at 0 in; 1.55 in² within 3.3 ft."],
    ["Alice Springs is 279 km away.", "Alice Springs is 173 mi away."],
  ])("%s", (metric, wanted) => {
    expect(us(metric)).toBe(wanted);
  });

  test.each([
    "It draws 16.2 A at 12.8 V: 207 W, 4.6 % lost, 25.8 kA.",
    "IEC 60364-5-52, EN 1949, M8, 230 V, 30 mA, 47 Ω",
    "Beside “Hose 2 m” and “Tank 40 L”.",
  ])("leaves what has no other unit: %s", (text) => expect(us(text)).toBe(text));

  test("keeps copper in mm² where it is copper", () => {
    expect(us("Fit 2 × 95 mm² over 3 m.", "wiring")).toBe("Fit 2 × 95 mm² over 9.8 ft.");
  });

  test("a reader of metric units reads what was written", () => {
    expect(said("300 mm at −5 °C", "metric")).toBe("300 mm at −5 °C");
  });

  test("no finding of the demos is left with a metric unit that the reader has another for", () => {
    const all: { id: string; message: string; remedy: string; stage: string }[] = [...gas.findings, ...warmth.findings, ...water.findings, ...wiring.findings];
    expect(all.length).toBeGreaterThan(20);
    for (const f of all) {
      const read = said(`${f.message} ${f.remedy}`, "us", f.stage).replace(/“[^”]*”/g, "");
      expect(read, f.id).not.toMatch(/\d\s?(km|m|cm|mm|m²|L|mL|L\/min|kg|°C|kPa|mbar|m³\/h)(?![\w²³/·(])/);
      if (!["wiring", "power", "prove"].includes(f.stage)) expect(read, f.id).not.toMatch(/\d\s?mm²/);
    }
  });
});

import { describe, expect, it } from "vitest";
import { clock, degrees, figure, HEAT_W, OPENING_MM2, percent, show, unitFor } from "../src/data/show";
import { type Dimension, parseQuantity } from "../src/data/units";

describe("numbers as people read them", () => {
  it.each([
    [0, "0"],
    [0.04567, "0.0457"],
    [4.6296, "4.63"],
    [123.4, "123"],
    [1234.5, "1\u202f235"],
    [1234567, "1\u202f234\u202f567"],
    [0.0001, "1.0e-4"],
    [Number.NaN, "–"],
    [Number.POSITIVE_INFINITY, "–"],
    [-5, "−5"],
  ])("%s reads %s", (value, text) => {
    expect(figure(value)).toBe(text);
  });

  it("shows units, and a dash for nothing", () => {
    expect(show(12.8, "V")).toBe("12.8\u00a0V");
    expect(show(null, "V")).toBe("–");
    expect(show(undefined)).toBe("–");
    expect(show(2)).toBe("2");
  });

  it("shows fractions as per cent", () => {
    expect(show(0.0534, "%")).toBe("5.34\u00a0%");
    expect(percent(0.005, 1)).toBe("0.5\u00a0%");
  });

  it("turns to US units only where there is one", () => {
    expect(show(3.048, "m", "us")).toBe("10\u00a0ft");
    expect(show(20, "°C", "us")).toBe("68\u00a0°F");
    expect(show(12, "V", "us")).toBe("12\u00a0V");
    expect(unitFor("kg", "us")).toBe("lb");
    expect(unitFor("kg", "metric")).toBe("kg");
  });

  it("says what a unit is of only where readers differ", () => {
    expect([unitFor(HEAT_W, "us"), unitFor(HEAT_W, "metric")]).toEqual(["BTU/h", "W"]);
    expect([unitFor(OPENING_MM2, "us"), unitFor(OPENING_MM2, "metric")]).toEqual(["in²", "mm²"]);
    expect([show(6, "mm²", "us"), show(6451.6, OPENING_MM2, "us"), show(6451.6, OPENING_MM2)]).toEqual(["6\u00a0mm²", "10\u00a0in²", "6\u202f452\u00a0mm²"]);
  });

  it("says temperatures in a picture in whole degrees of the reader", () => {
    expect([-5, 0, 20.4].map((c) => degrees(c, "metric"))).toEqual(["−5°", "0°", "20°"]);
    expect([-5, 0, 20, -30].map((c) => degrees(c, "us"))).toEqual(["23°", "32°", "68°", "−22°"]);
  });

  it("writes hours as a clock", () => {
    expect(clock(7.5)).toBe("7:30");
    expect(clock(0)).toBe("0:00");
    expect(clock(22.25)).toBe("22:15");
  });
});

describe("what is shown can be typed back", () => {
  // a unit of a figure -> the kind of quantity that its field takes, and what one of it is in that field's own unit
  const FIELDS: Record<string, [dimension: Dimension, scale: number]> = {
    m: ["length", 1],
    mm: ["length", 1e-3],
    "m²": ["surface", 1],
    kg: ["mass", 1],
    "°C": ["temperature", 1],
    L: ["volume", 1],
    "L/min": ["flow", 1],
    "m³/h": ["airflow", 1],
    kPa: ["pressure", parseQuantity("1 kPa", "pressure").value],
    mbar: ["pressure", parseQuantity("1 mbar", "pressure").value],
    W: ["power", 1],
    [HEAT_W]: ["power", 1],
    N: ["force", 1],
    "W/(m²K)": ["transmittance", 1],
    "W/K": ["conductance", 1],
    "/kg": ["price", 1],
    V: ["voltage", 1],
    A: ["current", 1],
    Wh: ["energy", 1],
    Ah: ["charge", 1],
  };
  it.each(["metric", "us"] as const)("in %s", (system) => {
    for (const [unit, [dimension, scale]] of Object.entries(FIELDS))
      for (const value of [0.37, 1, 4.2, 18.5, 96, 512]) {
        const text = show(value, unit, system, 12);
        expect(Math.abs(parseQuantity(text, dimension).value / scale / value - 1), `${value} ${unit} as ${text}`).toBeLessThan(1e-3);
      }
  });
  it("a pound is less than a kilogram, a foot less than a metre", () => {
    expect(show(10, "kg", "us", 5)).toBe("22.046\u00a0lb");
    expect(show(1, "mm", "us", 4)).toBe("0.03937\u00a0in");
    expect(show(100, "kPa", "us", 4)).toBe("14.5\u00a0psi");
    expect(show(25, "mbar", "us", 3)).toBe("10\u00a0inWC");
    expect(show(100, "m³/h", "us", 3)).toBe("58.9\u00a0CFM");
    expect(show(10, "L", "us", 3)).toBe("2.64\u00a0gal");
    expect(show(2, "m²", "us", 3)).toBe("21.5\u00a0ft²");
    expect(show(1000, HEAT_W, "us", 4)).toBe("3\u202f412\u00a0BTU/h");
    expect(show(1000, HEAT_W, "metric", 4)).toBe("1\u202f000\u00a0W");
  });
});

import { describe, expect, it } from "vitest";
import { clock, figure, percent, show, unitFor } from "../src/data/show";

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
    [-5, "-5"],
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

  it("writes hours as a clock", () => {
    expect(clock(7.5)).toBe("7:30");
    expect(clock(0)).toBe("0:00");
    expect(clock(22.25)).toBe("22:15");
  });
});

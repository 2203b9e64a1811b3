import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { Answer } from "../src/sums/Answer";
import { Fields } from "../src/sums/Form";
import { pairsOf, readingOf, resolved, type Schema, split, withValue } from "../src/sums/schema";

afterEach(cleanup);

const schema: Schema = {
  type: "object",
  properties: {
    current_a: { type: "number" },
    length_m: { type: "number" },
    region: { type: "string", enum: ["uk", "us"], default: "uk" },
    tinned: { type: "boolean", default: false },
    max_drop_v: { anyOf: [{ type: "number" }, { type: "null" }], default: null },
    loads: { type: "array", items: { $ref: "#/$defs/Load" } },
  },
  required: ["current_a", "length_m"],
  $defs: { Load: { type: "object", properties: { id: { type: "string" }, power_w: { type: "number" } }, required: ["id"] } },
};
const words = {
  current_a: { label: "current", unit: "A" },
  length_m: { label: "length", unit: "m" },
  power_w: { label: "power", unit: "W" },
  loads: { label: "loads", unit: "" },
  drop_frac: { label: "drop", unit: "%" },
};

describe("reading a contract", () => {
  it("sees through references and 'or null'", () => {
    expect(resolved({ $ref: "#/$defs/Load" }, schema).properties).toHaveProperty("power_w");
    expect(resolved(schema.properties!.max_drop_v!, schema).type).toBe("number");
  });

  it("shows at once what is needed, in the example or said", () => {
    expect(split(schema, { tinned: true }, { max_drop_v: 1 })).toEqual({ first: ["current_a", "length_m", "tinned", "max_drop_v"], more: ["region", "loads"] });
  });

  it.each([
    ["current_a", "current", 1],
    ["covered_length_mm", "length", 1000],
    ["inrush_time_s", "time", 3600],
    ["drop_frac", "fraction", 1],
    ["ambient_temp_c", "temperature", 1],
    ["voc_coeff_per_k", "count", 1],
    ["area_mm2", "area", 1],
    ["mean_irradiance_w_m2", "count", 1],
    ["anything", "count", 1],
  ])("%s is written as a %s", (key, dimension, factor) => {
    expect(readingOf(key)).toMatchObject({ dimension, factor });
  });

  it("drops what was cleared", () => {
    expect(withValue({ a: 1 }, "a", null)).toEqual({});
    expect(withValue({ a: 1 }, "b", 2)).toEqual({ a: 1, b: 2 });
  });
});

const choices = { blocked_cold: "blocked by cold", uk: "United Kingdom" };

describe("the form", () => {
  const show = (value: Record<string, unknown>, wrong: string | null = null) => {
    const set = vi.fn();
    render(
      <Fields
        schema={schema}
        root={schema}
        words={words}
        choices={choices}
        value={value}
        example={{ loads: [] }}
        wrong={wrong}
        onTyping={() => undefined}
        onSet={set}
      />,
    );
    return set;
  };

  it("asks for what is needed", () => {
    show({ current_a: 6 });
    expect((screen.getByLabelText("current") as HTMLInputElement).value).toBe("6 A");
    expect(screen.getByText(/needed/)).toBeTruthy();
  });

  it("keeps the usual values folded away until asked for", () => {
    const set = show({ current_a: 6, length_m: 2 });
    expect(screen.queryByLabelText("region")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: /3 more/ }));
    fireEvent.change(screen.getByLabelText("region"), { target: { value: "us" } });
    expect(set).toHaveBeenLastCalledWith({ current_a: 6, length_m: 2, region: "us" });
    fireEvent.change(screen.getByLabelText("tinned"), { target: { value: "true" } });
    expect(set).toHaveBeenLastCalledWith({ current_a: 6, length_m: 2, tinned: true });
  });

  it("adds and removes items of a list", () => {
    const set = show({ current_a: 6, length_m: 2, loads: [{ id: "loads 1", power_w: 5 }] });
    fireEvent.click(screen.getByRole("button", { name: "Add one" }));
    expect(set).toHaveBeenLastCalledWith(
      expect.objectContaining({
        loads: [
          { id: "loads 1", power_w: 5 },
          { id: "load 2", power_w: 5 },
        ],
      }),
    );
    fireEvent.click(screen.getByRole("button", { name: "Remove loads 1" }));
    expect(set).toHaveBeenLastCalledWith(expect.objectContaining({ loads: [] }));
  });
});

describe("the answer", () => {
  const figure = {
    label: "Voltage drop",
    value: 0.64,
    unit: "V",
    expression: "ΔU = I·R/1000",
    source: [{ kind: "own" as const, text: "Ohm's law", method: null }],
    origin: "computed" as const,
    note: "",
    inputs: [],
  };

  it("opens the working of a figure", () => {
    render(
      <Answer
        item={{ words, choices }}
        answer={{
          output: { drop_v: 0.64, drop_frac: 0.053, ok: false, rules: ["wire-drop"], size: null, list: [1, 2], status: "blocked_cold" },
          working: { drop_v: figure },
          rules: { "wire-drop": "Voltage drop too high" },
        }}
      />,
    );
    expect(screen.queryByText("ΔU = I·R/1000")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "Voltage drop" }));
    expect(screen.getByText("ΔU = I·R/1000")).toBeTruthy();
    expect(screen.getByText("5.3 %")).toBeTruthy();
    expect(screen.getByText("no")).toBeTruthy();
    expect(screen.getByText("1, 2")).toBeTruthy();
    expect(screen.getByText("Voltage drop too high"), "a rule by its title").toBeTruthy();
    expect(screen.getByText("blocked by cold"), "a choice by its words").toBeTruthy();
  });

  it("lists the entries of a map, each with its own working", () => {
    render(
      <Answer
        item={{ words, choices }}
        answer={{ output: { drop_v: { main_feed: 0.64, pump: 0.1 }, sizes: {} }, working: { "drop_v/main_feed": figure }, rules: {} }}
      />,
    );
    expect(screen.queryByRole("button", { name: "pump" })).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "main feed" }));
    expect(screen.getByText("ΔU = I·R/1000")).toBeTruthy();
    expect(screen.getByText("none")).toBeTruthy();
  });
});

describe("pairs", () => {
  it.each([
    ["blade_mini 10; class_t 1", { blade_mini: 10, class_t: 1 }],
    ["class t: 5", { class_t: 5 }],
    ["a=2,5;", { a: 2.5 }],
    ["", {}],
    ["blade mini", null],
  ])("reads %s", (text, map) => expect(pairsOf(text)).toEqual(map));

  it("are taken when they make sense and refused in place when not", () => {
    const set = vi.fn();
    const pieces: Schema = { type: "object", properties: { pieces: { type: "object", additionalProperties: { type: "integer" } } }, required: ["pieces"] };
    render(
      <Fields schema={pieces} root={pieces} words={words} choices={choices} value={{}} example={{}} wrong={null} onTyping={() => undefined} onSet={set} />,
    );
    fireEvent.blur(screen.getByLabelText("pieces"), { target: { value: "many" } });
    expect(set).not.toHaveBeenCalled();
    expect(screen.getByText(/a name and a number/)).toBeTruthy();
    fireEvent.blur(screen.getByLabelText("pieces"), { target: { value: "blade mini 10" } });
    expect(set).toHaveBeenLastCalledWith({ pieces: { blade_mini: 10 } });
  });
});

/** Searching by any name of a thing. */
import { describe, expect, test } from "vitest";
import { searchFor } from "../src/data/kin";

describe("a search", () => {
  test.each([
    ["breaker panel", "X Mains board"],
    ["consumer unit", "X Mains board"],
    ["gfci missing", "Residual-current device missing"],
    ["faucet", "Tap of the galley"],
    ["shore power", "Hook-up every night"],
    ["ampacity", "Current-carrying capacity"],
    ["volt drop too", "Voltage drop too high"],
    ["tap", "Tap of the galley"],
    ["", "anything"],
  ])("for “%s” finds “%s”", (typed, text) => {
    expect(searchFor(typed)(text)).toBe(true);
  });
  test.each([
    ["breaker panel", "Solar panel"],
    ["faucet", "Fridge"],
    ["ampacity fridge", "Current-carrying capacity"],
  ])("for “%s” does not find “%s”", (typed, text) => {
    expect(searchFor(typed)(text)).toBe(false);
  });
});

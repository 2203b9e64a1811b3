import { describe, expect, it } from "vitest";
import type { Design, PatchOp } from "../src/data/client";
import { concerns, isOpen } from "../src/data/findings";
import { insertAfter, moveItem, removeItem, setFields } from "../src/data/lists";
import { applied, at, freshId, indexed, meets, named, withIndexes, withNames } from "../src/data/patch";

const design = {
  schema_version: 1,
  life: {
    people: 2,
    appliances: [
      { id: "lamp", name: "Lamp" },
      { id: "fridge", name: "Fridge" },
    ],
  },
  facts: { readings: [{ circuit: "c1", current_a: 1 }] },
  accepted: [{ finding: "x:y", reason: "so" }],
} as unknown as Design;

describe("paths by id", () => {
  it("names items of lists by their id", () => {
    expect(named(design, "/life/appliances/1/name")).toBe("/life/appliances/fridge/name");
    expect(named(design, "/facts/readings/0/current_a")).toBe("/facts/readings/c1/current_a");
    expect(named(design, "/accepted/0")).toBe("/accepted/x:y");
    expect(named(design, "/life/appliances/-")).toBe("/life/appliances/-");
    expect(named(design, "/life/people")).toBe("/life/people");
  });

  it("finds them again by index, and says when they are gone", () => {
    expect(indexed(design, "/life/appliances/fridge/name")).toBe("/life/appliances/1/name");
    expect(indexed(design, "/life/appliances/-")).toBe("/life/appliances/-");
    expect(indexed(design, "/life/appliances/kettle/name")).toBeNull();
    expect(indexed(design, "/life/appliances/1")).toBe("/life/appliances/1");
  });

  it("follows an item that moved", () => {
    const ops: PatchOp[] = [{ op: "replace", path: "/life/appliances/0/name", value: "Spot" }];
    const kept = withNames(design, ops);
    const moved = applied(design, [{ op: "move", from: "/life/appliances/0", path: "/life/appliances/1" }])!;
    expect(withIndexes(moved, kept)).toEqual([{ op: "replace", path: "/life/appliances/1/name", value: "Spot" }]);
  });

  it("gives up when the item is gone", () => {
    const kept = withNames(design, [{ op: "replace", path: "/life/appliances/0/name", value: "Spot" }]);
    const without = applied(design, [{ op: "remove", path: "/life/appliances/0" }])!;
    expect(withIndexes(without, kept)).toBeNull();
  });

  it("finds the indexes of later operations after the earlier ones", () => {
    const ops: PatchOp[] = [
      { op: "remove", path: "/life/appliances/0" },
      { op: "replace", path: "/life/appliances/0/name", value: "Cold store" },
    ];
    expect(withIndexes(design, ops)).toEqual(ops);
  });
});

describe("applying", () => {
  it("leaves the given design alone", () => {
    const after = applied(design, [{ op: "replace", path: "/life/people", value: 3 }]);
    expect(at(after, "/life/people")).toBe(3);
    expect(at(design, "/life/people")).toBe(2);
  });

  it("is null when an operation does not fit", () => {
    expect(applied(design, [{ op: "replace", path: "/life/appliances/9/name", value: "x" }])).toBeNull();
    expect(applied(design, [{ op: "test", path: "/life/people", value: 7 }])).toBeNull();
  });

  it("reads values at a path", () => {
    expect(at(design, "/life/appliances/1/name")).toBe("Fridge");
    expect(at(design, "/no/where")).toBeUndefined();
  });
});

describe("meeting of two changes", () => {
  it.each([
    ["/life/people", "/life/people", true],
    ["/life/appliances/lamp", "/life/appliances/lamp/name", true],
    ["/life/appliances/lamp/name", "/life/appliances/lamp", true],
    ["/life/appliances/lamp/name", "/life/appliances/lamp/power_w", false],
    ["/life/appliances/lamp", "/life/appliances/lamp2", false],
  ])("%s and %s: %s", (mine, theirs, met) => {
    expect(meets(mine, theirs)).toBe(met);
  });
});

describe("lists", () => {
  const list = [{ id: "a" }, { id: "b" }, { id: "c" }];

  it("sets several fields of one item", () => {
    expect(setFields("/x", list, "b", { n: 1, m: null })).toEqual([
      { op: "replace", path: "/x/1/n", value: 1 },
      { op: "replace", path: "/x/1/m", value: null },
    ]);
    expect(setFields("/x", list, "z", { n: 1 })).toEqual([]);
  });

  it("moves within its ends", () => {
    expect(moveItem("/x", list, "b", -1)).toEqual([{ op: "move", from: "/x/1", path: "/x/0" }]);
    expect(moveItem("/x", list, "a", -1)).toEqual([]);
    expect(moveItem("/x", list, "c", 1)).toEqual([]);
  });

  it("removes and inserts", () => {
    expect(removeItem("/x", list, "c")).toEqual([{ op: "remove", path: "/x/2" }]);
    expect(removeItem("/x", list, "z")).toEqual([]);
    expect(insertAfter("/x", list, "a", { id: "d" })).toEqual([{ op: "add", path: "/x/1", value: { id: "d" } }]);
  });

  it("makes free ids", () => {
    expect(freshId("Water pump 10 L/min", [])).toBe("water-pump-10-l-min");
    expect(freshId("Lamp", ["lamp", "lamp-2"])).toBe("lamp-3");
    expect(freshId("☕", [])).toBe("item");
    expect(freshId("x".repeat(300), []).length).toBeLessThanOrEqual(40);
  });
});

describe("findings", () => {
  const finding = { subject: "inverter", related: ["feed"], severity: "fault", accepted: null } as never;

  it("concern their subject and what is related", () => {
    expect(concerns(finding, "inverter")).toBe(true);
    expect(concerns(finding, "feed")).toBe(true);
    expect(concerns(finding, "lamp")).toBe(false);
  });

  it("stay open as dangers even when answered", () => {
    expect(isOpen({ severity: "danger", accepted: "yes" } as never)).toBe(true);
    expect(isOpen({ severity: "fault", accepted: "yes" } as never)).toBe(false);
    expect(isOpen(finding)).toBe(true);
  });
});

/** Openings of sides, rear and floor on Curlew: what is drawn, moved, set out, measured and looked at. */
import { fireEvent, screen, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { Component as Fit } from "../src/stages/fit/Fit";
import { snapped } from "../src/stages/fit/sides";
import laid from "./fixtures/laid.json";
import { mount, state } from "./mounted";
import { onDesign } from "./onstage";

const fixture = laid as unknown as {
  sides: {
    things: { key: string; name: string; set_out: boolean; u_m: number; v_m: number; face: string }[];
    faces: { id: string; bars: { rect: number[] }[] }[];
  };
  fit: { sides: { cuts: { of: string }[]; members: object[] } };
};
const part = { things: [], walls: [], bays: [], unplaced: [], routes: [], axles: [] };
const PARTS = [
  { key: "a", kind: "filler", maker: "Fenwater", name: "Filler 80", cut_length_mm: 80, cut_width_mm: 80, radius_mm: 40, clamp_min_mm: 1, clamp_max_mm: 70 },
  { key: "b", kind: "fan", maker: "Ottermere", name: "Fan", cut_length_mm: 356, cut_width_mm: 356, radius_mm: 20, clamp_min_mm: 2, clamp_max_mm: 60 },
];
const { slate, ops } = onDesign({ design: { fit: laid.fit }, report: { fit: part, sides: laid.sides }, figures: {}, findings: [] } as never, {
  "GET /api/fit/openings": PARTS,
});
const open = async (where = "") => {
  mount(<Fit />, `/v/v/fit?view=sides${where}`);
  return screen.findByRole("grid", { name: "Openings" });
};
const at = (of: string) => fixture.fit.sides.cuts.findIndex((c) => c.of === of);
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole("button", { name }));

describe("the picture", () => {
  it("draws a side as one stands before it, with what is cut, pillars and doors", async () => {
    await open("&face=right");
    const drawn = screen.getByRole("group", { name: "Right side, seen from outside" });
    const window = within(drawn).getByRole("button", { name: /^Window, bunk: 600 × 400 mm$/ });
    expect(drawn.querySelectorAll("title")[0]?.textContent).toMatch(/^behind: /);
    const rect = window.querySelector("rect")!;
    // the rear is on the left of a right side: 0.40 m of the middle less 0.30 m, and 0.15 m of margin
    expect(Number(rect.getAttribute("x"))).toBeCloseTo(0.4 - 0.3 + 0.15, 3);
    press(/^left side/);
    expect(screen.getByRole("group", { name: "Left side, seen from outside" })).toBeTruthy();
  });
  it("moves a cut by keys as it is seen, and takes it away", async () => {
    await open("&face=left");
    const n = at("window:window-table");
    const window = screen.getByRole("button", { name: /^Window, table: / });
    fireEvent.keyDown(window, { key: "ArrowRight" });
    const [, moved] = (await ops()) as { value: { u_m: number } }[];
    const was = fixture.sides.things.find((t) => t.key === "window:window-table")!;
    expect(moved!.value.u_m, "to the right is to the rear on a left side").toBeCloseTo(was.u_m - 0.01, 6);
    fireEvent.keyDown(window, { key: "Delete" });
    expect(await ops(2)).toEqual([
      { op: "test", path: `/fit/sides/cuts/${n}/of`, value: "window:window-table" },
      { op: "remove", path: `/fit/sides/cuts/${n}` },
    ]);
  });
  it("pulls a cut to its neighbours, the centre line and clear of a pillar", () => {
    const t = { key: "a", length_mm: 100, height_mm: 100, rect: null } as never;
    const face = { id: "floor", bars: [{ rect: [1, 1.1, -0.5, 0.5] }] } as never;
    expect(snapped(t, 0.94, 0.012, face, [])).toEqual({ u: 0.95, v: 0 });
    expect(snapped(t, 0.5, 0.3, face, [])).toEqual({ u: 0.5, v: 0.3 });
    const other = { key: "b", rect: [0.2, 0.4, 0.2, 0.4] } as never;
    expect(snapped(t, 0.31, 0.29, { id: "left", bars: [] } as never, [other])).toEqual({ u: 0.3, v: 0.3 });
  });
});

describe("an opening in hand", () => {
  it("says how it is laid, and gives its templates and the order of work", async () => {
    await open("&hand=opening:window:window-bunk");
    expect(slate().textContent).toContain("1150 mm above the finished floor");
    expect(slate().textContent).toContain("Both numbers must agree");
    const links = within(slate())
      .getAllByRole("link")
      .map((a) => a.getAttribute("href"));
    expect(links).toContain("/api/variants/v/fit/template/pdf?of=window%3Awindow-bunk&below=true");
    expect(slate().textContent).toContain("the bottom stays open so that water runs out");
  });
  it("has the floor's own order of work", async () => {
    await open("&hand=opening:flue:heater");
    expect(slate().textContent).toContain("On ramps or stands, never on a jack alone");
    expect(slate().textContent).toContain("left of the centre line");
  });
  it("takes a part's sizes as one edit, of its kind alone", async () => {
    await open("&hand=opening:filler:fresh");
    const select = await within(slate()).findByLabelText("Take a part’s sizes");
    expect(within(select).queryByRole("option", { name: /Fan/ })).toBeNull();
    fireEvent.change(select, { target: { value: "a" } });
    const [, op] = (await ops()) as { value: object }[];
    expect(op!.value).toMatchObject({ of: "filler:fresh", length_mm: 80, height_mm: 80, radius_mm: 40, clamp_max_mm: 70, measured: true });
  });
});

describe("the list", () => {
  beforeEach(() => {
    const sides = structuredClone(laid.sides) as typeof fixture.sides;
    for (const t of sides.things) t.set_out = false;
    Object.assign(state.report, { sides });
    Object.assign((state.design as unknown as { fit: object }).fit, { sides: { ...laid.fit.sides, cuts: [], members: null, floor_looked: false } });
  });
  it("sets all out where each could begin, as one edit", async () => {
    await open();
    press(/^Set out 9$/);
    const made = (await ops()) as { op: string; path: string; value: { of: string; u_m: number; by: string } }[];
    expect(made).toHaveLength(9);
    expect(new Set(made.map((o) => o.path))).toEqual(new Set(["/fit/sides/cuts/-"]));
    const first = fixture.sides.things[0]!;
    expect(made[0]!.value).toMatchObject({ of: first.key, face: first.face, u_m: first.u_m, by: "proposal" });
  });
  it("adds one of its own, and says that nobody looked under the floor", async () => {
    await open("&face=floor");
    expect(slate().textContent).toContain("Nobody looked");
    fireEvent.change(screen.getByLabelText("Add an opening"), { target: { value: "cable" } });
    expect(await ops()).toEqual([{ op: "add", path: "/fit/sides/own/-", value: { id: "cable-or-pipe", name: "Cable or pipe", kind: "cable" } }]);
    fireEvent.click(within(slate()).getByRole("button", { name: /^I looked/ }));
    const [op] = (await ops(2)) as { path: string }[];
    expect(op!.path).toBe("/fit/sides/members");
    fireEvent.click(within(slate()).getByLabelText(/somebody lay under it/));
    expect(await ops(3)).toEqual([{ op: "replace", path: "/fit/sides/floor_looked", value: true }]);
  });
});

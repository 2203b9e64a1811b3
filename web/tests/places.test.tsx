/** Geometry of the layout between two answers of the core, and a thing that moves when the vehicle is opened. */
import { fireEvent, screen, within } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { Component as Fit } from "../src/stages/fit/Fit";
import { frameOf, outside } from "../src/stages/fit/frame";
import { type Box, boxAt, hullAt, missing, type PlaceDoc, penetration, posed, snapped, type Thing } from "../src/stages/fit/geometry";
import { mount } from "./mounted";
import { onDesign } from "./onstage";

const station = (x: number, half: number) => ({ x, left: [half, half, half - 0.2], right: [half, half, half - 0.2], height: 1.9 });
const BODY = {
  measured: true,
  levels: [0.1, 1, 1.8],
  stations: [station(0, 0.9), station(4, 0.9)],
  length: 4,
  half: 0.9,
  height: 1.9,
  bare: [4.1, 1.9, 2],
  linings: {},
  obstacles: [{ id: "arch", name: "Wheel arch", kind: "wheel_arch", box: [0.8, 1.6, 0.6, 0.9, 0, 0.35] }],
  doors: [],
  rear_x: 1,
  front_x: 5,
  second_x: null,
  coupling_x: null,
  track: 1.7,
  floor: 0.65,
  cab: true,
  kind: "axles",
  assumed: [],
  rooms: [{ name: "Slide-out 1", box: [1.2, 2.8, -0.9, 1.4, 0, 1.4] }],
} as never;
const thing = (key: string, name: string, size: number[], box: Box | null, more: object = {}): Thing =>
  ({
    key,
    name,
    what: "bench",
    size,
    mass_kg: 10,
    contents_kg: 0,
    group: "fixed",
    clearance: [0, 0.4, 0, 0, 0, 0],
    why: "service",
    up: ["top"],
    size_from: "typed",
    mass_from: "typed",
    small: false,
    on_roof: false,
    hollow: false,
    kind: "furniture",
    box,
    open_box: null,
    clear: box && [0, 0.4, 0, 0, 0, 0],
    inside: "",
    ...more,
  }) as never;
const SOFA = thing("own:sofa", "Sofa", [0.8, 0.5, 0.5], [2, 2.8, 0.3, 0.8, 0, 0.5], { open_box: [2, 2.8, 0.8, 1.3, 0, 0.5] });
const CRATE = thing("own:crate", "Crate", [0.4, 0.4, 0.4], [3, 3.4, -0.2, 0.2, 0, 0.4]);
const at = (x_m: number, y_m: number, more: object = {}) => ({ of: "own:sofa", x_m, y_m, z_m: 0, ...more }) as PlaceDoc;

describe("geometry", () => {
  it("turns size and clearances with the pose", () => {
    expect(posed(SOFA, "top", 90)).toEqual({ size: [0.5, 0.8, 0.5], clear: [0, 0, 0, 0.4, 0, 0] });
    expect(posed(SOFA, "front", 0).size).toEqual([0.5, 0.5, 0.8]);
    expect(boxAt(SOFA, at(1, -0.3, { yaw_deg: 90 }))).toEqual([1, 1.5, -0.3, 0.5, 0, 0.5]);
  });
  it("knows how wide the body is between two levels", () => {
    expect(hullAt(BODY, 2, 1.4).left).toBeCloseTo(0.8, 9);
    expect(hullAt(BODY, 9, 5)).toEqual({ left: 0.7, right: 0.7, height: 1.9 });
  });
  it("says what is missing: the wall, a wheel arch, a neighbour, its clearance, and nothing where it is free", () => {
    const none: Box = [0, 0, 0, 0, 0, 0];
    const wants: Box = [0, 0.4, 0, 0, 0, 0];
    const said = (box: Box, clear = none, outside = false) => missing(SOFA, box, clear, BODY, [SOFA, CRATE], outside);
    expect(said([2, 2.8, 0.45, 0.95, 0, 0.5])).toEqual({ mm: 50, what: "the vehicle’s wall" });
    expect(said([2, 2.8, 0.45, 0.95, 0, 0.5], none, true), "in a room that opens there is no wall").toBeNull();
    expect(said([0.4, 1.2, 0.3, 0.8, 0, 0.5])?.what).toBe("Wheel arch");
    expect(said([2.5, 3.3, -0.1, 0.4, 0, 0.5])?.what).toBe("Crate");
    expect(said([2.1, 2.9, -0.2, 0.3, 0, 0.5], wants)).toEqual({ mm: 300, what: "clearance to Crate" });
    expect(said([2, 2.8, 0.3, 0.8, 0, 0.5])).toBeNull();
  });
  it("pulls to the wall, the floor and neighbours from 30 mm on", () => {
    expect(snapped(SOFA, at(2.19, 0.38, { z_m: 0.02 }), BODY, [SOFA, CRATE])).toMatchObject({ x_m: 2.2, y_m: 0.4, z_m: 0 });
    expect(snapped(SOFA, at(1.9, 0.1), BODY, [SOFA])).toMatchObject({ x_m: 1.9, y_m: 0.1 });
  });
  it("is as deep in another as the shortest way out", () => {
    expect(penetration([0, 1, 0, 1, 0, 1], [0.9, 2, 0, 1, 0, 1])).toBeCloseTo(0.1, 9);
    expect(penetration([0, 1, 0, 1, 0, 1], [1.5, 2, 0, 1, 0, 1])).toBeLessThan(0);
  });
  it("draws of a room only what lies outside", () => {
    expect(outside([1.2, 2.8, -0.9, 1.4, 0, 1.4], BODY)).toEqual([1.2, 2.8, 0.9, 1.4, 0, 1.4]);
    expect(outside([1.2, 2.8, -1.3, 0.9, 0, 1.4], BODY)).toEqual([1.2, 2.8, -1.3, -0.9, 0, 1.4]);
    expect(outside([-0.5, 4, -0.5, 0.5, 0, 1.4], BODY)).toEqual([-0.5, 0, -0.5, 0.5, 0, 1.4]);
    expect(outside([1, 3, -0.6, 0.6, 0, 2.6], BODY)).toEqual([1, 3, -0.6, 0.6, 1.9, 2.6]);
  });
  it("widens the drawing for what moves out", () => {
    const closed = frameOf("plan", BODY, [SOFA], 2);
    expect(frameOf("plan", BODY, [SOFA], 2, (BODY as { rooms: never }).rooms).h).toBeCloseTo(closed.h + 2 * (1.4 - 0.9), 9);
  });
});

const place = { ...at(2, 0.3), open: { x_m: 2, y_m: 0.8, z_m: 0 } };
const weight = { rows: [], loadings: [{ id: "travel", name: "Travelling" }], worst: "travel", weighed: [] };
const fit = { begun: true, body: BODY, things: [SOFA, CRATE], placed: 2, clashes: [], routes: [], edges: [], walls: [], out: [], weight, furniture: [] };
const own = [{ id: "sofa", name: "Sofa", kind: "bench", length_m: 0.8, width_m: 0.5, height_m: 0.5, mass_kg: 10 }];
const { ops, press } = onDesign(
  { design: { fit: { places: [place, { of: "own:crate", x_m: 3, y_m: -0.2 }], own } }, report: { fit }, figures: {}, findings: [] } as never,
  { "GET /api/variants/v/fit/found": { job: null, revision: null, run: null } },
);

describe("a vehicle that opens", () => {
  beforeEach(() => {
    const nothing = () => undefined;
    vi.stubGlobal(
      "ResizeObserver",
      class {
        observe = nothing;
        disconnect = nothing;
      },
    );
  });
  it("draws its room and moves a thing where it is then", async () => {
    mount(<Fit />, "/v/v/fit?hand=thing:own:sofa");
    const states = await screen.findByRole("group", { name: "State of the vehicle" });
    const plan = () => screen.getByRole("group", { name: "plan of the vehicle, to scale" });
    expect(plan().querySelector("[data-room]")).toBeNull();
    fireEvent.click(within(states).getByRole("button", { name: "standing open" }));
    expect(plan().querySelector('[data-room="Slide-out 1"] title')?.textContent).toBe("Slide-out 1");
    fireEvent.keyDown(within(plan()).getByRole("button", { name: /^Sofa/ }), { key: "ArrowDown" });
    const [, moved] = (await ops()) as { value: PlaceDoc }[];
    expect(moved!.value).toMatchObject({ x_m: 2, y_m: 0.3, open: { x_m: 2, y_m: 0.81, z_m: 0 } });
    fireEvent.keyDown(within(plan()).getByRole("button", { name: /^Sofa/ }), { key: "Delete" });
    const [, stays] = (await ops(2)) as { value: PlaceDoc }[];
    expect(stays!.value, "Delete takes out where it is when open, not the thing").toMatchObject({ x_m: 2, open: null });
  });
  it("is entered in the slate", async () => {
    mount(<Fit />, "/v/v/fit?hand=thing:own:crate");
    await screen.findByRole("button", { name: "It moves when the vehicle is opened" });
    press("It moves when the vehicle is opened");
    const [, moved] = (await ops()) as { value: PlaceDoc }[];
    expect(moved!.value.open).toEqual({ x_m: 3, y_m: -0.2, z_m: 0 });
  });
});

/** Wiring's ledger and slates on two boards as the core reports them (tests/web_fixture.py): what they say, and which operations they make. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { Component as Wiring } from "../src/stages/wiring/Wiring";
import fixture from "./fixtures/wiring.json";
import { mount, state } from "./mounted";
import { onDesign } from "./onstage";

const read = (body: { text: string }) => {
  const value = Number.parseFloat(body.text);
  return { value, unit: "", understood: body.text, awg: body.text.includes("AWG") ? String(value) : null };
};
const { slate, ops, press, change } = onDesign(fixture as never, {
  "POST /api/quantity": read,
  "GET /api/variants/v/proposals": [],
  "GET /api/variants/v/diagram": fixture.diagram,
  "GET /api/regions": [],
});
const at = (id: string) => fixture.design.wiring.circuits.findIndex((c) => c.id === id);
const replace = (path: string, value: unknown) => ({ op: "replace", path: `/wiring/${path}`, value });
const type = (label: string | RegExp, text: string) => {
  const field = within(slate()).getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: "Enter" });
};
const pick = async (name: string) => {
  fireEvent.click(within(screen.getByRole("grid", { name: "Circuits" })).getByRole("gridcell", { name }));
  await waitFor(() => expect(within(slate()).getByRole("heading", { name: new RegExp(name) })).toBeTruthy());
};

describe("the ledger of circuits", () => {
  it("counts circuits and boards, and marks a length that is assumed", () => {
    mount(<Wiring />);
    expect(document.body.textContent).toContain("12 V, 3 circuits on 2 boards, cable by mm², 1 length assumed until it is measured");
    const lamp = within(screen.getByRole("grid", { name: "Circuits" })).getByRole("row", { name: /Lamp feed/ });
    expect(within(lamp).getByTitle("assumed until it is measured along the route").textContent).toContain("4.3");
    expect(slate().textContent).toContain("Fuse first, at the source");
  });
  it("adds a circuit on the first board of direct current, and a board with a free letter", async () => {
    mount(<Wiring />);
    fireEvent.click(screen.getByRole("button", { name: /Add a circuit/ }));
    expect(await ops()).toEqual([{ op: "add", path: "/wiring/circuits/-", value: { id: "circuit", name: "Circuit 4", board: "a" } }]);
    fireEvent.click(screen.getByRole("button", { name: "Add a board" }));
    expect(JSON.stringify(await ops(2))).toContain('"letter":"C"');
  });
  it("shows the boards as buttons, each with the worst of its findings", async () => {
    mount(<Wiring />);
    fireEvent.click(screen.getByRole("button", { name: /^A Main board/ }));
    await waitFor(() => expect(within(slate()).getByRole("heading", { name: "A Main board" })).toBeTruthy());
    expect(slate().textContent).toContain("1 of 12 ways, direct current");
    fireEvent.click(screen.getByRole("button", { name: /^B Rear board/ }));
    await waitFor(() => expect(slate().textContent).toContain("1 of 6 ways"));
    press(/^Its feeder: M1 Feeder of the rear/);
    await waitFor(() => expect(within(slate()).getByRole("heading", { name: /Feeder of the rear/ })).toBeTruthy());
  });
  it("turns to raceways and lighting zones and back", () => {
    mount(<Wiring />);
    for (const [button, empty] of [
      [/^Raceways/, /No raceway yet/],
      [/^Lighting/, /No lighting zone yet/],
    ] as const) {
      fireEvent.click(within(screen.getByRole("group", { name: "Table of" })).getByRole("button", { name: button }));
      expect(screen.getByText(empty)).toBeTruthy();
    }
    fireEvent.click(within(screen.getByRole("group", { name: "Table of" })).getByRole("button", { name: /^Circuits/ }));
    expect(screen.getByRole("grid", { name: "Circuits" })).toBeTruthy();
  });
});

describe("a circuit in hand", () => {
  it("lists its findings with their remedies and its figures", async () => {
    mount(<Wiring />);
    await pick("Fridge");
    const found = fixture.findings.filter((f) => f.subject === "fridge");
    for (const f of found) expect(slate().textContent).toContain(f.title);
    expect(within(slate()).getAllByRole("button", { name: "Fit 10 mm² and 7.5 A" }).length).toBeGreaterThan(0);
    expect(within(slate()).getByLabelText("length, one way")).toHaveProperty("value", "9 m");
  });
  it("is sized by mm² or by gauge, and never by both", async () => {
    mount(<Wiring />);
    await pick("Fridge");
    type("size", "6 mm²");
    expect(await ops()).toEqual([replace(`circuits/${at("fridge")}/area_mm2`, 6), replace(`circuits/${at("fridge")}/awg`, null)]);
    type("size", "10 AWG");
    expect(await ops(2)).toEqual([replace(`circuits/${at("fridge")}/awg`, "10"), replace(`circuits/${at("fridge")}/area_mm2`, null)]);
  });
  it("loses its rating with its protection", async () => {
    mount(<Wiring />);
    await pick("Fridge");
    change("protection", "none");
    expect(await ops()).toEqual([replace(`circuits/${at("fridge")}/protection`, "none"), replace(`circuits/${at("fridge")}/fuse_a`, null)]);
  });
  it("takes an appliance from the circuit that it was on", async () => {
    mount(<Wiring />);
    await pick("Fridge");
    const on = within(slate()).getByRole("region", { name: "On this circuit" });
    fireEvent.change(within(on).getByLabelText("Put an appliance on this circuit"), { target: { value: "lamp" } });
    expect(await ops()).toEqual([replace(`circuits/${at("lamp-feed")}/appliances`, []), replace(`circuits/${at("fridge")}/appliances`, ["fridge", "lamp"])]);
    fireEvent.click(within(on).getAllByRole("button", { name: "take off" })[0]!);
    expect(((await ops(2)) as { path: string }[])[0]?.path).toBe(`/wiring/circuits/${at("fridge")}/appliances`);
  });
  it("is fed from another board, measured, doubled and removed", async () => {
    mount(<Wiring />);
    await pick("Lamp feed");
    change("fed from", "b");
    expect(await ops()).toEqual([replace(`circuits/${at("lamp-feed")}/board`, "b")]);
    type("length, one way", "4 m");
    expect(await ops(2)).toEqual([replace(`circuits/${at("lamp-feed")}/length_m`, 4)]);
    type("equal cables in parallel", "2");
    expect(await ops(3)).toEqual([replace(`circuits/${at("lamp-feed")}/parallel_count`, 2)]);
    press("Remove this circuit");
    expect(await ops(4)).toEqual([{ op: "remove", path: `/wiring/circuits/${at("lamp-feed")}` }]);
  });
  it("asks a breaker for its mark and a feeder for no appliances", async () => {
    mount(<Wiring />);
    await pick("Lamp feed");
    expect(within(slate()).queryByLabelText("breaker marked")).toBeNull();
    change("protection", "breaker");
    await ops();
    expect(await within(slate()).findByLabelText("breaker marked")).toBeTruthy();
    await pick("Feeder of the rear");
    expect(within(slate()).queryByRole("region", { name: "On this circuit" })).toBeNull();
  });
});

describe("a board in hand", () => {
  const board = async (name: RegExp) => {
    fireEvent.click(screen.getByRole("button", { name }));
    await waitFor(() => expect(within(slate()).getByLabelText("letter")).toBeTruthy());
  };
  it("keeps its letter large, its ways whole and its box", async () => {
    mount(<Wiring />);
    await board(/^B Rear board/);
    const letter = within(slate()).getByLabelText("letter");
    fireEvent.change(letter, { target: { value: "d" } });
    fireEvent.blur(letter);
    expect(await ops()).toEqual([replace("boards/1/letter", "D")]);
    type("ways", "7.6");
    expect(await ops(2)).toEqual([replace("boards/1/way_count", 8)]);
    expect(within(slate()).queryByLabelText(/a barrier between mains/)).toBeNull();
    const box = within(slate()).getByLabelText("box it stands in");
    fireEvent.change(box, { target: { value: "Cupboard" } });
    fireEvent.blur(box);
    await ops(3);
    expect(await within(slate()).findByLabelText(/a barrier between mains/)).toBeTruthy();
  });
  it("without a feeder offers to add one", async () => {
    Object.assign(state.design.wiring, { circuits: structuredClone(fixture.design.wiring.circuits).filter((c) => c.kind !== "feeder") });
    mount(<Wiring />);
    await board(/^B Rear board/);
    press("Add its feeder");
    expect(JSON.stringify(await ops())).toContain('"kind":"feeder"');
  });
  it("that is removed leaves its circuits on the busbar", async () => {
    mount(<Wiring />);
    await board(/^B Rear board/);
    press("Remove this board");
    const made = (await ops()) as { op: string; path: string; value?: unknown }[];
    expect(made.at(-1)).toEqual({ op: "remove", path: "/wiring/boards/1" });
    expect(made).toContainEqual(replace(`circuits/${at("fridge")}/board`, null));
  });
});

describe("without circuits", () => {
  it("it says what follows from what", () => {
    Object.assign(state.design.wiring, { circuits: [], boards: [] });
    Object.assign(state.report, { findings: [] });
    mount(<Wiring />);
    expect(document.body.textContent).toContain("No circuit yet. Take Bothy’s proposal below");
    expect(slate().textContent).toContain("No circuit yet, so nothing to find.");
  });
});

/** Panels of Power on Curlew as the core reports it: a line an array, controllers of their own, and the parts that say more once something is said. */
import { fireEvent, screen, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { withoutCircuits } from "../src/data/circuits";
import { Component as Power } from "../src/stages/power/Power";
import fixture from "./fixtures/curlew.json";
import { mount, state } from "./mounted";
import { onDesign } from "./onstage";

const PANEL = {
  key: "panel-100",
  kind: "panel",
  maker: "Skarnfold",
  name: "Rigid panel 100 W",
  mass_kg: 6.4,
  data: { panel_power_w: 100, vmp_v: 18.6, imp_a: 5.38, voc_v: 22.3, isc_a: 5.75 },
};
const SMALL = {
  key: "mppt-75-10",
  kind: "controller",
  maker: "Tolvane",
  name: "MPPT 75 V 10 A",
  mass_kg: 0.5,
  data: { controller_type: "mppt", max_voltage_v: 75, max_charge_current_a: 10 },
};
const read = (body: { text: string }) => ({ value: Number.parseFloat(body.text), unit: "", understood: body.text, awg: null });
const { slate, ops, press, change } = onDesign(fixture as never, {
  "POST /api/quantity": read,
  "GET /api/catalogue": [PANEL, SMALL],
  "GET /api/variants/v/proposals": [],
});
const first = fixture.design.power.arrays[0]!;
const OWN = { ...SMALL.data, name: SMALL.name, part: SMALL.key, mass_kg: 0.5, by: "typed" };
/** The design and the report as they are mounted, more loosely typed. */
type Loose = { power: Record<string, Record<string, unknown>> & { arrays: object[] }; wiring: { circuits: object[] } };
const design = () => state.design as unknown as Loose;
type Op = { op: string; path: string; value?: unknown };
const path = (end: string) => `/power/arrays/0/${end}`;
/** The first array, taken in hand from the ledger. */
const hold = async () => {
  fireEvent.click(within(screen.getByRole("grid", { name: "Panels" })).getByText(first.name));
  await within(slate()).findByText("A mean day of its worst month");
};

describe("Panels", () => {
  it("says what each array is, the controller it is on and what it brings", async () => {
    mount(<Power />);
    const line = within(screen.getByRole("grid", { name: "Panels" }))
      .getByText(first.name)
      .closest("tr")!;
    const part = fixture.report.power.arrays.roof;
    expect(line.textContent).toContain("fixed on the roof");
    expect(line.textContent).toContain(part.controller);
    expect(line.textContent).toContain(`${Math.round(part.solar_wh.winter)}`);
    await hold();
    expect(slate().textContent).toContain("live whenever there is light");
    expect(slate().textContent).toContain("Open-circuit voltage in the coldest dawn");
    expect(within(slate()).getByLabelText(/^controller/)).toHaveProperty("value", "");
  });
  it("adds panels beside those that are there", async () => {
    mount(<Power />);
    fireEvent.click(screen.getByRole("button", { name: "Add panels (n)" }));
    const op = ((await ops()) as Op[])[0]!;
    expect(op.path).toBe("/power/arrays/-");
    expect(op.value).toMatchObject({ id: "panels", name: "Panels 2", by: "typed" });
  });
  it("gives an array a controller of its own, and takes it back with the circuit that led from it", async () => {
    mount(<Power />);
    await hold();
    await within(slate()).findByRole("option", { name: "its own: MPPT 75 V 10 A" });
    change(/^controller/, "mppt-75-10");
    expect(await ops()).toEqual([{ op: "replace", path: path("controller"), value: OWN }]);
  });
  it("on the ground it gets legs and faces the noon sun", async () => {
    mount(<Power />);
    await hold();
    change(/^stands/, "ground");
    const sent = (await ops()) as Op[];
    expect(Object.fromEntries(sent.map((o) => [o.path, o.value]))).toEqual({ [path("deploy")]: "ground", [path("azimuth_deg")]: null, [path("tilt_deg")]: 45 });
  });
  it("shade is chosen by what throws it; other panels keep the place and the strings", async () => {
    mount(<Power />);
    await hold();
    change(/^shade/, "morning");
    const value = ((await ops()) as { value: number[] }[])[0]?.value;
    expect(value?.slice(8, 12)).toEqual([0.8, 0.8, 0, 0]);
    await within(slate()).findByRole("option", { name: "Rigid panel 100 W (Skarnfold)" });
    change("from the catalogue", "panel-100");
    const sent = (await ops(2)) as Op[];
    const now = Object.fromEntries(sent.map((o) => [o.path.replace(path(""), ""), o.value]));
    expect(now).toMatchObject({ panel_power_w: 100, name: "Rigid panel 100 W", series_count: first.series_count });
  });
});

describe("Panels on the ground", () => {
  it("say what lies about, and that they face the noon sun", async () => {
    Object.assign(design().power.arrays[0]!, { deploy: "ground", tilt_deg: 45, azimuth_deg: null });
    mount(<Power />);
    await hold();
    expect(slate().textContent).toContain("pinched in a door it can short");
    expect(within(slate()).getByLabelText(/^faces, ° from north/)).toHaveProperty("placeholder", "the noon sun");
    expect(within(slate()).queryByLabelText(/radius of a curved roof/)).toBeNull();
  });
});

describe("An array with a controller of its own", () => {
  beforeEach(() => {
    const { power, wiring } = design();
    power.arrays[0] = { ...power.arrays[0], controller: { ...OWN, max_input_current_a: null, profile: null } };
    wiring.circuits.push({ id: "solar-own", name: "Solar charge, roof", kind: "solar", array: first.id, board: null });
    Object.assign((state.report as unknown as typeof fixture.report).power.arrays.roof, { controller: SMALL.name });
  });
  it("shows its data sheet, changes it, and goes back to the shared one", async () => {
    mount(<Power />);
    await hold();
    expect(slate().textContent).toContain("on MPPT 75 V 10 A");
    fireEvent.click(within(slate()).getByText("its data sheet and settings"));
    fireEvent.click(within(slate()).getByLabelText(/it equalises/));
    expect(await ops()).toEqual([{ op: "replace", path: path("controller/profile"), value: { absorption_v: null, equalise: true, compensates: false } }]);
    change(/^controller/, "");
    const sent = (await ops(2)) as Op[];
    expect(sent.at(-1)).toEqual({ op: "replace", path: path("controller"), value: null });
    expect(sent[0]).toMatchObject({ op: "remove" });
    expect(sent[0]!.path).toMatch(/^\/wiring\/circuits\/\d+$/);
  });
  it("is taken out with its circuit", async () => {
    mount(<Power />);
    await hold();
    press("Remove");
    const sent = (await ops()) as Op[];
    expect(sent.map((o) => o.op)).toEqual(["remove", "remove"]);
    expect(sent.at(-1)!.path).toBe("/power/arrays/0");
  });
});

describe("Circuits that go", () => {
  it("leave from the last to the first, what switched them is unbound, and what was read of them stays", () => {
    const design = {
      wiring: { circuits: [{ id: "a" }, { id: "b" }, { id: "c" }], panel: { things: [{ id: "t", circuit: "c" }] } },
      facts: { readings: [{ circuit: "a" }, { circuit: "b" }] },
    };
    expect(withoutCircuits(design as never, (c) => c.id !== "b")).toEqual([
      { op: "replace", path: "/wiring/panel/things/0/circuit", value: null },
      { op: "remove", path: "/wiring/circuits/2" },
      { op: "remove", path: "/wiring/circuits/0" },
    ]);
  });
});

describe("Parts that say more once something is said", () => {
  const take = (name: string) =>
    fireEvent.click(within(screen.getByRole("table", { name: "Supply" })).getByRole("button", { name: new RegExp(`${name}: change$`) }));
  it("a heated bank says when it warms, and what its box loses", async () => {
    Object.assign(design().power.bank!, { heater_power_w: 80, heater_when: "on_charge" });
    mount(<Power />);
    take("Bank");
    await within(slate()).findByLabelText("warms the cells");
    change("warms the cells", "kept_warm");
    expect(await ops()).toEqual([{ op: "replace", path: "/power/bank/heater_when", value: "kept_warm" }]);
    expect(within(slate()).getByLabelText(/bank loses to the air/)).toHaveProperty("placeholder", "1.5, bare");
  });
  it("a generator on gas has a bottle, or lives on the vessels", async () => {
    const generator = { name: "Set", rating_w: 900, fuel: "gas", shares: false, store: null, full_per_h: null, mass_kg: null };
    Object.assign(design().power, { generator });
    mount(<Power />);
    take("Generator");
    await within(slate()).findByLabelText("size of its own cylinder");
    fireEvent.click(within(slate()).getByLabelText(/from the gas vessels/));
    expect(await ops()).toEqual([{ op: "replace", path: "/power/generator/shares", value: true }]);
    change("fuel", "petrol");
    expect(await ops(2)).toEqual([
      { op: "replace", path: "/power/generator/shares", value: false },
      { op: "replace", path: "/power/generator/fuel", value: "petrol" },
    ]);
  });
  it("an inverter stands in a hot cabinet of Heat and air", async () => {
    Object.assign(state.design, { warmth: { cabinets: [{ id: "box", name: "Electrics" }] } });
    mount(<Power />);
    take("Inverter");
    await within(slate()).findByRole("option", { name: "Electrics" });
    change(/^stands in/, "box");
    expect(await ops()).toEqual([{ op: "replace", path: "/power/inverter/cabinet", value: "box" }]);
  });
});

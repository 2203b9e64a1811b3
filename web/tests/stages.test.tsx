/** Vehicle, Life, Power and Prove on Curlew as the core reports it (tests/web_fixture.py): what they say, and which operations they make. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { said } from "../src/data/said";
import { Component as Life } from "../src/stages/life/Life";
import { Component as Power } from "../src/stages/power/Power";
import { Component as Prove } from "../src/stages/prove/Prove";
import { Component as Vehicle } from "../src/stages/vehicle/Vehicle";
import fixture from "./fixtures/curlew.json";
import { calls, mount, serve, state } from "./mounted";
import { onDesign } from "./onstage";

const PART = {
  key: "bank-own",
  kind: "battery",
  maker: "Emberlow",
  name: "Lithium 280 Ah",
  mass_kg: 28,
  data: { chemistry: "lifepo4", unit_voltage_v: 12.8, unit_charge_ah: 280, unit_max_discharge_a: 200, cold_charge_cutoff: true },
};
const read = (body: { text: string }) => ({ value: Number.parseFloat(body.text), unit: "", understood: body.text, awg: null });
const LADDER = { rungs: [], steps: [], next: null, total: 0, passed: 0, failed: 0, again: 0, licensed: "", in_service: "" };
const ANSWERS = {
  "GET /api/variants/v/commissioning": LADDER,
  "POST /api/quantity": read,
  "GET /api/catalogue": [PART],
  "GET /api/variants/v/proposals": [],
};
const { slate, sent, ops, press, change } = onDesign(fixture as never, ANSWERS);
const replace = (path: string, value: unknown) => [{ op: "replace", path, value }];
/** Types into a field of the slate and presses Enter. */
const type = (label: string, text: string) => {
  const field = within(slate()).getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: "Enter" });
};

/** A place for the bank in the picture, by its title. */
const place = (title: string) => [...document.querySelectorAll('g[role="button"]')].find((g) => g.querySelector("title")?.textContent === title)!;

describe("Vehicle", () => {
  it("states the vehicle in one sentence and to scale", () => {
    mount(<Vehicle />);
    expect(document.body.textContent).toMatch(/A long high van.* in the United Kingdom.*, inside 4\.4.m.* long, .* the bank stands under the floor/);
    expect(screen.getByRole("group", { name: "Plan and side section of a long high van, to scale" })).toBeTruthy();
    expect(place("Bank under the floor, chosen").getAttribute("aria-pressed")).toBe("true");
    expect(slate().textContent).toContain("payload used so far");
  });
  it("puts the bank elsewhere by press and by key", async () => {
    mount(<Vehicle />);
    fireEvent.click(place("Bank in the garage"));
    expect(await ops()).toEqual(replace("/vehicle/bank_place", "garage"));
    fireEvent.keyDown(place("Bank inside, in the warm"), { key: "Enter" });
    expect(await ops(2)).toEqual(replace("/vehicle/bank_place", "warm_inside"));
  });
  it("takes the boxes of smart alternator and starter battery, and says what is assumed", async () => {
    mount(<Vehicle />);
    const basics = screen.getByRole("table", { name: "Vehicle basics" });
    fireEvent.click(within(basics).getByLabelText("starter battery topped up"));
    expect(await ops()).toEqual(replace("/vehicle/starter_trickle", true));
    fireEvent.click(within(within(basics).getByRole("row", { name: /^smart alternator/ })).getByRole("checkbox"));
    expect(await ops(2)).toEqual(replace("/vehicle/smart_alternator", false));
    for (const a of fixture.report.assumptions) expect(slate().textContent).toContain(said(a.why, "metric"));
  });
  it("a choice in the table is changed where it stands", async () => {
    mount(<Vehicle />);
    const basics = screen.getByRole("table", { name: "Vehicle basics" });
    fireEvent.click(within(within(basics).getByRole("row", { name: /^vehicle’s own voltage/ })).getByRole("button"));
    fireEvent.change(await within(basics).findByRole("combobox", { name: "vehicle’s own voltage" }), { target: { value: "24" } });
    expect(await ops()).toEqual(replace("/vehicle/vehicle_voltage_v", 24));
  });
});

describe("Daily use", () => {
  it("lists what a day takes by season, and what takes most", () => {
    mount(<Life />);
    const heads = within(slate())
      .getAllByRole("heading", { level: 3 })
      .map((h) => h.textContent);
    expect(heads).toEqual(["winter", "spring or autumn", "summer (not in the plan)", `What takes most, in ${fixture.report.life.worst}`]);
    expect(within(screen.getByRole("grid", { name: "Appliances" })).getAllByRole("row")).toHaveLength(fixture.design.life.appliances.length + 1);
  });
  it("takes an appliance in hand from the list of the largest, and changes it", async () => {
    mount(<Life />);
    const largest = Object.entries(fixture.report.life.appliances).sort(([, a], [, b]) => b.bank_energy_wh - a.bank_energy_wh)[0]![0];
    const name = fixture.design.life.appliances.find((a) => a.id === largest)!.name;
    const at = fixture.design.life.appliances.findIndex((a) => a.id === largest);
    press(new RegExp(`^${name}`));
    await waitFor(() => expect(within(slate()).getByRole("heading", { name })).toBeTruthy());
    expect(slate().textContent).toMatch(/\d+\s% of what a winter day takes\./);
    change("where the value is from", "measured");
    expect(await ops()).toEqual(replace(`/life/appliances/${at}/trust`, "measured"));
    type("in winter", "0.5");
    expect(await ops(2)).toEqual(replace(`/life/appliances/${at}/season_factors`, expect.objectContaining({ winter: 0.5 })));
    type("on a driving day", "0");
    expect(await ops(3)).toEqual(replace(`/life/appliances/${at}/day_factors`, expect.objectContaining({ driving: 0 })));
  });
  it("turns the curve to another season, and pastes a list in place of the ledger", () => {
    mount(<Life />);
    fireEvent.click(screen.getByRole("button", { name: "summer" }));
    expect(screen.getByRole("button", { name: "summer" }).getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(screen.getByRole("button", { name: "Paste or import…" }));
    expect(screen.queryByRole("grid", { name: "Appliances" })).toBeNull();
  });
  it("removes an appliance and frees what names it", async () => {
    Object.assign(state.design.wiring, { circuits: [{ id: "c", name: "C", appliances: ["fridge", "kettle"] }] });
    mount(<Life />);
    const cell = screen.getByRole("gridcell", { name: "Front fridge 90 L" });
    const supply = within(cell.closest("tr")!).getAllByRole("gridcell").at(-1)!;
    fireEvent.click(supply);
    fireEvent.keyDown(supply, { key: "Delete" });
    expect(await ops()).toEqual([
      { op: "replace", path: "/wiring/circuits/0/appliances", value: ["kettle"] },
      { op: "remove", path: "/life/appliances/0" },
    ]);
  });
  it("frees a water heater and a tank heater that name the appliance which goes", async () => {
    Object.assign(state.design, { water: { hot: { appliance: "fridge" }, tanks: [{ id: "a" }, { id: "b", appliance: "fridge" }] } });
    mount(<Life />);
    const supply = within(screen.getByRole("gridcell", { name: "Front fridge 90 L" }).closest("tr")!)
      .getAllByRole("gridcell")
      .at(-1)!;
    fireEvent.click(supply);
    fireEvent.keyDown(supply, { key: "Delete" });
    expect((await ops()) as unknown[]).toEqual(
      expect.arrayContaining([
        { op: "replace", path: "/water/hot/appliance", value: null },
        { op: "replace", path: "/water/tanks/1/appliance", value: null },
      ]),
    );
  });
  it("says what to do while nothing is there", () => {
    Object.assign(state.design.life, { appliances: [] });
    mount(<Life />);
    expect(screen.getByText(/What will run in the vehicle\?/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Add an appliance" }));
    expect(screen.getByRole("form", { name: "New appliance" })).toBeTruthy();
  });
});

/** Takes a part of the supply in hand. */
const take = (part: string) =>
  fireEvent.click(within(screen.getByRole("table", { name: "Supply" })).getByRole("button", { name: new RegExp(`, ${part}: change$`) }));

describe("Power", () => {
  it("says what is there, what limits it, and each season's balance", () => {
    mount(<Power />);
    expect(document.body.textContent).toContain("system with a bank of 600\u00a0Ah");
    expect(slate().textContent).toContain("what limits it: inverter breaker: needs 207 A, has 90 A");
    const seasons = screen.getByRole("region", { name: "Need against have by season" });
    expect(within(seasons).getByRole("row", { name: /^winter/ }).textContent).toContain("40 %");
    expect(within(seasons).getByRole("button", { name: "winter" }).getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(within(seasons).getByRole("button", { name: "spring or autumn" }));
    expect(document.body.textContent).toContain("A spring or autumn day needs");
  });
  it("takes each part in hand with its caution, and changes it", async () => {
    mount(<Power />);
    for (const [part, caution] of [
      ["Inverter", "can kill"],
      ["Driving charge", "Both ends of that cable"],
      ["Shore charger", "licensed work"],
      ["Generator", "Outdoors only"],
      ["Bank", "thousands of amps"],
    ] as const) {
      take(part);
      await waitFor(() => expect(slate().textContent).toContain(caution));
    }
    fireEvent.click(await within(slate()).findByLabelText(/refuses charge below freezing/));
    expect(await ops()).toEqual(replace("/power/bank/cold_charge_cutoff", !fixture.design.power.bank.cold_charge_cutoff));
    change("take-off", "busbar");
    expect(await ops(2)).toEqual(replace("/power/bank/wiring", "busbar"));
    press("Remove");
    expect(await ops(3)).toEqual(replace("/power/bank", null));
  });
  it("an inverter by the clock gets hours with the choice", async () => {
    mount(<Power />);
    take("Inverter");
    await within(slate()).findByLabelText("switched on");
    change("switched on", "scheduled");
    expect(await ops()).toEqual([...replace("/power/inverter/on_h", 8), ...replace("/power/inverter/mode", "scheduled")]);
  });
  it("absorption is set by what the menu says", async () => {
    mount(<Power />);
    take("Shore charger");
    fireEvent.click(await within(slate()).findByLabelText(/it equalises/));
    expect(await ops()).toEqual(replace("/power/shore/profile", expect.objectContaining({ equalise: true })));
  });
  it("takes a part from the catalogue", async () => {
    mount(<Power />);
    take("Bank");
    await within(slate()).findByRole("option", { name: "Lithium 280 Ah (Emberlow)" });
    change("from the catalogue", "bank-own");
    expect(JSON.stringify(await ops())).toContain('"unit_charge_ah":280');
  });
  it("without appliances it says where to begin", () => {
    Object.assign(state.design.life, { appliances: [] });
    mount(<Power />);
    expect(document.body.textContent).toContain("Nothing is used yet, so nothing can be sized.");
  });
});

/** Prove, turned to its readings. */
const onReadings = () => {
  mount(<Prove />);
  fireEvent.click(screen.getByRole("button", { name: "With power" }));
};

describe("Test", () => {
  it("counts what was read and shows the failing circuit with what to do", async () => {
    onReadings();
    expect(document.body.textContent).toContain("22 of 22 circuits read, 20 passed.");
    expect(within(slate()).getByText(/main fuse out, every loop checked/)).toBeTruthy();
    fireEvent.click(screen.getByRole("gridcell", { name: "Water pump 10 L/min" }));
    await waitFor(() => expect(within(slate()).getByRole("heading", { name: /A6 Water pump/ })).toBeTruthy());
    expect(slate().textContent).toContain("fails");
    press("Strike this reading");
    const at = fixture.design.facts.readings.findIndex((r) => r.circuit === "water-pump-10-l-min");
    expect(await ops()).toEqual([{ op: "remove", path: `/facts/readings/${at}` }]);
  });
  it("turns to the loops before power and back", () => {
    onReadings();
    fireEvent.click(screen.getByRole("button", { name: "Loops" }));
    expect(screen.queryByRole("grid", { name: "Test sheet" })).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "With power" }));
    expect(screen.getByRole("grid", { name: "Test sheet" })).toBeTruthy();
  });
  it("shows all that was taken down, what corrects what, and what was struck", async () => {
    const entry = (number: number, more: object) => ({
      number,
      kind: "reading",
      subject: "gone",
      payload: null,
      corrects: null,
      revision: 1,
      author: "you",
      made_at: "2026-11-29T10:00:00+00:00",
      ...more,
    });
    serve({
      ...ANSWERS,
      "GET /api/variants/v/evidence": [
        entry(5, { corrects: 4 }),
        entry(4, { payload: { circuit: "gone", current_a: 4.0512, loop_mohm: 231 } }),
        entry(3, { kind: "gas_check", payload: { kind: "flame_failure", value: 28 } }),
        entry(2, { kind: "water_test", payload: { name: "First", start_kpa: 330, end_kpa: 322, duration_min: 60 } }),
        entry(1, { kind: "pre_trip", subject: "vehicle", payload: { seen: [] } }),
      ],
    });
    onReadings();
    fireEvent.click(screen.getByRole("button", { name: "Record" }));
    const grid = await screen.findByRole("grid", { name: "Record" });
    const rows = within(grid)
      .getAllByRole("row")
      .slice(1)
      .map((r) => r.textContent);
    expect(rows[0]).toContain("struckcorrects 4, r1");
    expect(rows[1]).toContain("4.051\u00a0A, loop 231\u00a0mΩ");
    expect(within(grid).getByText(/4.051.A, loop 231.mΩ/).className).toContain("line-through");
    expect(rows[2]).toContain("flame failure after 28\u00a0s");
    expect(rows[3]).toContain("First330\u00a0kPa to 322\u00a0kPa in 60\u00a0min");
    expect(rows[4]).toContain("nothing ticked");
  });
  it("of a plan that is not built says whose the readings are, and builds it at a press", async () => {
    Object.assign(state.recorded, { building: false, building_name: "as built" });
    onReadings();
    expect(screen.getByRole("note").textContent).toContain("“as planned” is a plan. Readings and tests belong to the variant that is being built: “as built”.");
    fireEvent.click(screen.getByRole("button", { name: "Build “as planned” instead" }));
    await waitFor(() => expect(calls.some((c) => c.method === "PUT" && c.path === "/api/variants/v/building")).toBe(true));
  });
  it("keeps who read it and a note", async () => {
    onReadings();
    fireEvent.click(screen.getByRole("gridcell", { name: "Water pump 10 L/min" }));
    const by = await within(slate()).findByLabelText("by");
    fireEvent.change(by, { target: { value: "Ada" } });
    fireEvent.blur(by);
    const made = (await ops()) as { path: string; value: string }[];
    expect(made.map((o) => o.path.split("/").at(-1))).toEqual(["taken_by", "taken_at"]);
    expect(made[0]?.value).toBe("Ada");
  });
  it("has nothing to test before there are circuits", () => {
    Object.assign((state.report as unknown as { prove: object }).prove, { rows: [], read: 0, testable: 0, passed: 0 });
    onReadings();
    expect(screen.getByText(/Nothing to test yet/)).toBeTruthy();
    expect(sent()).toHaveLength(0);
  });
});

describe("what a person asks for by key", () => {
  it("n adds an appliance in Daily use, and the form can be left", async () => {
    mount(<Life />);
    window.dispatchEvent(new Event("bothy:new"));
    const form = await screen.findByRole("form", { name: "New appliance" });
    fireEvent.keyDown(form, { key: "Escape" });
    await waitFor(() => expect(screen.queryByRole("form", { name: "New appliance" })).toBeNull());
    expect(calls.some((c) => c.method === "PATCH")).toBe(false);
  });
});

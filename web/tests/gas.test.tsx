/** Gas's views on a report of the core (tests/web_fixture.py): what they say, and which operations they make. */
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { GasSheets } from "../src/print/GasSheets";
import { CookingView } from "../src/stages/gas/CookingView";
import type { GasPipe } from "../src/stages/gas/edit";
import { Component as Gas, viewOf } from "../src/stages/gas/Gas";
import { LockerView } from "../src/stages/gas/LockerView";
import { PapersView } from "../src/stages/gas/PapersView";
import { reach, rowsOf } from "../src/stages/gas/PipePicture";
import { PipesView } from "../src/stages/gas/PipesView";
import { UseView } from "../src/stages/gas/UseView";
import { VesselsView } from "../src/stages/gas/VesselsView";
import { wordOf } from "../src/stages/gas/words";
import { useApplianceEdits } from "../src/stages/life/edit";
import { useHeaters } from "../src/stages/warmth/edit";
import fixture from "./fixtures/gas.json";
import { mount, serve, state } from "./mounted";
import { onStage } from "./onstage";

const { slate, ops, press, change } = onStage("gas", fixture);
const set = (path: string, value: unknown) => [{ op: "replace", path: `/gas/${path}`, value }];

describe("use and days", () => {
  it("says first of all who may do the work, then what is burnt and how long it lasts", () => {
    mount(<UseView />);
    expect(screen.getByRole("note", { name: "Who may do this work" }).textContent).toContain("United Kingdom: Your own private vehicle");
    expect(screen.getByRole("note").textContent).toContain("If you smell gas: get everybody out");
    expect(screen.getByRole("img", { name: /g of gas a day; the vessels last \d+ days, the target is 14/ })).toBeTruthy();
    expect(within(screen.getByRole("grid", { name: "Gas appliances" })).getAllByRole("row").length).toBe(fixture.design.appliances.length + 1);
  });
  it("adds an appliance, changes it, and frees its run when it is taken out", async () => {
    mount(<UseView />);
    fireEvent.click(screen.getByRole("button", { name: "Add an appliance (n)" }));
    expect(await ops()).toEqual([{ op: "add", path: "/gas/appliances/-", value: expect.objectContaining({ kind: "hob_burner", count: 2 }) }]);
    fireEvent.click(screen.getByRole("gridcell", { name: "Hob, two burners" }));
    fireEvent.click(await within(slate()).findByLabelText("used to warm the room"));
    expect(await ops(2)).toEqual(set("appliances/0/heats_room", true));
    change("lit by", "mains");
    expect(await ops(3)).toEqual(set("appliances/0/igniter", "mains"));
    press("Remove this appliance");
    expect(await ops(4)).toEqual([
      { op: "replace", path: "/gas/pipes/1/appliance", value: null },
      { op: "remove", path: "/gas/appliances/0" },
    ]);
  });
  it("asks a heater for its flue and not a hob, and shows its findings", async () => {
    mount(<UseView />);
    fireEvent.click(screen.getByRole("gridcell", { name: "Space heater" }));
    expect(await within(slate()).findByLabelText(/room-sealed/)).toBeTruthy();
    expect(within(slate()).getByText("Appliance takes its air from the room")).toBeTruthy();
    expect(within(slate()).queryByLabelText("used to warm the room")).toBeNull();
  });
});

describe("vessels", () => {
  it("draws what comes out in the cold, and lists the way", () => {
    mount(<VesselsView />);
    expect(screen.getByRole("img", { name: /at −5\s°C propane 100\s%, butane 0\s%/ })).toBeTruthy();
    expect(slate().textContent).toContain("The United Kingdom, 18 days");
    expect(slate().textContent).toContain("outlet fits, exchange yes, pump no");
  });
  it("changes the gas, counts vessels whole, and takes one out", async () => {
    mount(<VesselsView />);
    change("gas", "butane");
    expect(await ops()).toEqual(set("gas", "butane"));
    fireEvent.click(screen.getByRole("gridcell", { name: "Spare in the garage" }));
    fireEvent.click(await within(slate()).findByLabelText("an 80 % stop valve"));
    expect(await ops(2)).toEqual(set("vessels/1/stop_80", true));
    change("stands", "locker");
    expect(await ops(3)).toEqual(set("vessels/1/place", "locker"));
    press("Remove this vessel");
    expect(await ops(4)).toEqual([{ op: "remove", path: "/gas/vessels/1" }]);
  });
  it("adds a cylinder", async () => {
    mount(<VesselsView />);
    fireEvent.click(screen.getByRole("button", { name: "Add a vessel (n)" }));
    expect(await ops()).toEqual([{ op: "add", path: "/gas/vessels/-", value: { id: "cylinder", name: "Cylinder 3" } }]);
  });
});

describe("locker and air", () => {
  it("shows need against have, with the vents' finding on the slate", () => {
    mount(<LockerView />);
    expect(screen.getByRole("img", { name: /locker, low 7840 of 10000 mm²/ })).toBeTruthy();
    expect(within(slate()).getByText("Locker vents too small")).toBeTruthy();
  });
  it("turns a vent round and back, and opens a low point", async () => {
    mount(<LockerView />);
    fireEvent.click(screen.getByRole("gridcell", { name: "Floor grille" }));
    fireEvent.click(await within(slate()).findByLabelText("round"));
    expect(await ops()).toEqual([
      { op: "replace", path: "/gas/locker/vents/0/width_mm", value: null },
      { op: "replace", path: "/gas/locker/vents/0/height_mm", value: null },
      { op: "replace", path: "/gas/locker/vents/0/diameter_mm", value: 80 },
    ]);
    await waitFor(() => expect(within(slate()).getByLabelText("across")).toBeTruthy());
    fireEvent.click(within(slate()).getByLabelText("round"));
    expect(((await ops(2)) as { path: string }[]).map((o) => o.path.split("/").at(-1))).toEqual(["diameter_mm", "width_mm", "height_mm"]);
    press("Remove this vent");
    expect(await ops(3)).toEqual([{ op: "remove", path: "/gas/locker/vents/0" }]);
  });
  it("keeps low points, the alarm, and a locker", async () => {
    mount(<LockerView />);
    press("Galley base");
    fireEvent.click(await within(slate()).findByRole("button", { name: "Remove this point" }));
    expect(await ops()).toEqual([{ op: "remove", path: "/gas/low_points/0" }]);
    press("no alarm");
    expect(await ops(2)).toEqual(set("lpg_alarm", null));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Add a gas alarm" }));
    expect(await ops(3)).toEqual(set("lpg_alarm", { height_m: 0.15 }));
    press("no locker");
    expect(await ops(4)).toEqual(set("locker", null));
    fireEvent.click(await screen.findByRole("button", { name: "Add a locker (n)" }));
    expect(((await ops(5)) as { path: string }[])[0]?.path).toBe("/gas/locker");
  });
});

describe("pipes", () => {
  it("draws the tree with the pressure at each end", () => {
    mount(<PipesView />);
    expect(screen.getByRole("img", { name: /Gas pipes with everything burning: .*To the hob 29\.5 mbar/ })).toBeTruthy();
    const pipes = fixture.design.pipes as unknown as GasPipe[];
    expect([...rowsOf(pipes)]).toEqual([
      ["to-hob", 0],
      ["to-oven", 1],
      ["main", 0.5],
    ]);
    expect(reach(pipes[2]!, pipes)).toBeCloseTo(4.1);
  });
  it("lays the next run to an appliance that none feeds", async () => {
    mount(<PipesView />);
    fireEvent.click(screen.getByRole("button", { name: "Add a run (n)" }));
    expect(await ops()).toEqual([
      { op: "add", path: "/gas/pipes/-", value: expect.objectContaining({ name: "To Space heater", parent: "main", appliance: "heater" }) },
    ]);
  });
  it("does not offer a run its own branches, nor appliances that are fed", async () => {
    mount(<PipesView />);
    fireEvent.click(screen.getAllByRole("gridcell", { name: "Main, locker to galley" })[0]!);
    const begins = await within(slate()).findByLabelText("begins at");
    expect(
      within(begins)
        .getAllByRole("option")
        .map((o) => o.textContent),
    ).toEqual(["the regulator"]);
    expect(
      within(within(slate()).getByLabelText("feeds"))
        .getAllByRole("option")
        .map((o) => o.textContent),
    ).toEqual(["goes on", "Space heater"]);
    press("Remove this run");
    expect(await ops()).toEqual([
      { op: "replace", path: "/gas/pipes/1/parent", value: null },
      { op: "replace", path: "/gas/pipes/2/parent", value: null },
      { op: "remove", path: "/gas/pipes/0" },
    ]);
  });
  it("changes hose, regulator and solenoid", async () => {
    mount(<PipesView />);
    press("Pigtail, cylinder to regulator");
    fireEvent.click(await within(slate()).findByLabelText("its surface is cracked"));
    expect(await ops()).toEqual(set("hoses/0/cracked", true));
    press("Remove this hose");
    expect(await ops(2)).toEqual([{ op: "remove", path: "/gas/hoses/0" }]);
    change("sits", "cylinder");
    expect(await ops(3)).toEqual(set("regulator/mount", "cylinder"));
    press("no regulator");
    expect(await ops(4)).toEqual(set("regulator", null));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Add a regulator" }));
    expect(await ops(5)).toEqual(set("regulator", { nominal_mbar: 30, capacity_kg_h: 0.8 }));
    press("no solenoid");
    expect(await ops(6)).toEqual(set("solenoid", null));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Add a solenoid" }));
    expect(await ops(7)).toEqual(set("solenoid", expect.objectContaining({ normally_closed: true })));
  });
  it("takes the solenoid's line into Daily use with one press", async () => {
    mount(<PipesView />);
    press("First step: its line in “Daily use”");
    expect(((await ops()) as { path: string }[]).map((o) => o.path)).toEqual(["/life/appliances/-", "/gas/solenoid/appliance"]);
  });
});

describe("ways to cook", () => {
  it("compares seven ways and keeps the choice", async () => {
    mount(<CookingView />);
    expect(within(screen.getByRole("grid", { name: "Ways to cook" })).getAllByRole("row")).toHaveLength(8);
    expect(screen.getByRole("img", { name: /gas hob: 23 minutes, 68\sg a day; .*induction: 19 minutes, 40 Ah a day/ })).toBeTruthy();
    change("cooking is", "alcohol");
    expect(await ops()).toEqual(set("cooking", "alcohol"));
    fireEvent.click(await within(slate()).findByLabelText("its canister is filled outside and cold"));
    expect(await ops(2)).toEqual(set("alcohol_cold_outside", true));
  });
});

describe("tests and papers", () => {
  it("says which test counts, and ticks the look before a trip", async () => {
    mount(<PapersView />);
    expect(screen.getByRole("region", { name: "Papers" }).textContent).toContain("none that counts for what is there now");
    fireEvent.click(screen.getByLabelText("alarms pressed"));
    expect(((await ops()) as { value: string[] }[])[0]?.value).toEqual(["shut", "hose", "regulator", "drain", "alarms"]);
  });
  it("keeps a test with what was tested, and says what its drop stands for", async () => {
    mount(<PapersView />);
    fireEvent.click(screen.getByRole("button", { name: "Add a leak test (n)" }));
    expect(await ops()).toEqual([
      { op: "add", path: "/facts/gas_tests/-", value: expect.objectContaining({ id: "leak-test", start_mbar: 150, system: fixture.report.marks }) },
    ]);
    fireEvent.click(screen.getByRole("gridcell", { name: "After the summer" }));
    await waitFor(() => expect(slate().textContent).toContain("Fell by 7.00 mbar"));
    expect(slate().textContent).toContain("g/h of gas at working pressure");
    fireEvent.click(within(slate()).getByLabelText("signed by that person"));
    expect(await ops(2)).toEqual([{ op: "replace", path: "/facts/gas_tests/1/signed", value: true }]);
    press("It was tested as it is now");
    expect(await ops(3)).toEqual([{ op: "replace", path: "/facts/gas_tests/1/system", value: fixture.report.marks }]);
    press("Remove this record");
    expect(await ops(4)).toEqual([{ op: "remove", path: "/facts/gas_tests/1" }]);
  });
  it("keeps readings and the certificate", async () => {
    mount(<PapersView />);
    press("Add: all off");
    expect(await ops()).toEqual([{ op: "add", path: "/facts/gas_checks/-", value: { id: "lock-up", kind: "lock_up", value: 30 } }]);
    fireEvent.click(within(slate()).getAllByRole("button", { name: "remove this reading" })[0]!);
    expect(await ops(2)).toEqual([{ op: "remove", path: "/facts/gas_checks/0" }]);
    change("installed by", "owner");
    expect(await ops(3)).toEqual(set("installer", "owner"));
    press("no certificate");
    expect(await ops(4)).toEqual(set("certificate", null));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Add a certificate" }));
    expect(await ops(5)).toEqual(set("certificate", { months_ago: 0 }));
  });
});

describe("the stage", () => {
  it("opens the view on which a finding is worked on", () => {
    const seen = (s: string) => viewOf(s);
    expect(["vessel:a", "gas", "country:MA"].map(seen)).toEqual(["vessels", "vessels", "vessels"]);
    expect(["locker", "gas-vent:v", "low:p", "room", "gas-alarm"].map(seen)).toEqual(Array(5).fill("locker"));
    expect(["gas-run:m", "hose:h", "regulator", "solenoid"].map(seen)).toEqual(Array(4).fill("pipes"));
    expect(["cooking", "papers", "gas-test:t", "gas-tests", "check:c", "gas-appliance:a"].map(seen)).toEqual([
      "cooking",
      "papers",
      "papers",
      "papers",
      "papers",
      "use",
    ]);
    mount(<Gas />);
    expect(screen.getByRole("grid", { name: "Gas appliances" })).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Ways to cook" }));
    expect(screen.getByRole("grid", { name: "Ways to cook" })).toBeTruthy();
  });
  it("says what to do where there is no gas", () => {
    Object.assign(state.design, { gas: {} });
    state.recorded.facts.gas_tests = [];
    Object.assign(state.report, {
      gas: {
        ...structuredClone(fixture.report),
        aboard: false,
        burns: {},
        vessels: {},
        pipes: null,
        locker: null,
        room: null,
        days: null,
        countries: [],
        tests: [],
        checks: {},
      },
    });
    for (const [View, words] of [
      [UseView, /Turn to “Ways to cook” first/],
      [VesselsView, /No vessel yet/],
      [LockerView, /No locker yet. It is sealed/],
      [PipesView, /No run yet/],
      [PapersView, /No test yet/],
    ] as const) {
      mount(<View />);
      expect(screen.getAllByText(words).length).toBeGreaterThan(0);
      expect(document.body.textContent).toContain("There is no gas on board");
      cleanup();
    }
    mount(<GasSheets />);
    expect(screen.getByText(/nothing to print/)).toBeTruthy();
    expect(wordOf([{ value: "a", word: "b" }], "c")).toBe("c");
  });
  it("prints the card, the tree, dates, the way, and the fitter's sheet", () => {
    mount(<GasSheets />);
    expect(screen.getByText("If it smells of gas")).toBeTruthy();
    for (const title of [
      "Appliances",
      "Vessels",
      "Runs",
      "Dates",
      "On the way",
      "The fitter’s test sheet",
      "Leak tests on record",
      "Readings on record",
      "Before a trip",
    ])
      expect(screen.getByRole("region", { name: title })).toBeTruthy();
    expect(screen.getByRole("img", { name: /Gas pipes/ })).toBeTruthy();
  });
});

describe("the ledgers by key", () => {
  const row = async (grid: string, name: string) => {
    const cell = within(screen.getByRole("grid", { name: grid })).getByRole("gridcell", { name });
    fireEvent.click(cell);
    await waitFor(() => expect(within(slate()).getByRole("heading", { name })).toBeTruthy());
    return cell;
  };
  it("removes, copies and moves the line in hand, and records are not copied", async () => {
    mount(<VesselsView />);
    const cell = await row("Gas vessels", "Spare in the garage");
    fireEvent.keyDown(cell, { key: "d", ctrlKey: true });
    expect(await ops()).toEqual([{ op: "add", path: "/gas/vessels/2", value: expect.objectContaining({ id: "spare-in-the-garage", by: "typed", count: 2 }) }]);
    fireEvent.keyDown(await row("Gas vessels", "Propane 6 kg"), { key: "ArrowDown", altKey: true });
    expect(await ops(2)).toEqual([{ op: "move", from: "/gas/vessels/0", path: "/gas/vessels/1" }]);
    cleanup();
    serve();
    mount(<PapersView />);
    const verdict = within(screen.getByRole("grid", { name: "Leak tests" })).getByRole("gridcell", { name: "holds" });
    fireEvent.click(verdict);
    fireEvent.keyDown(verdict, { key: "d", ctrlKey: true });
    fireEvent.keyDown(verdict, { key: "Delete" });
    expect(await ops()).toEqual([{ op: "remove", path: "/facts/gas_tests/0" }]);
  });
  it("makes a new line on the call of the key n, with what the view begins with", async () => {
    mount(<UseView />);
    window.dispatchEvent(new Event("bothy:new"));
    expect(await ops()).toEqual([{ op: "add", path: "/gas/appliances/-", value: expect.objectContaining({ name: "Hob" }) }]);
    cleanup();
    serve();
    mount(<LockerView />);
    window.dispatchEvent(new Event("bothy:new"));
    expect(await ops()).toEqual([{ op: "add", path: "/gas/locker/vents/-", value: expect.objectContaining({ position: "low", free_frac: 0.7 }) }]);
  });
  it("types a name, an input and a bore in place", async () => {
    serve({ "POST /api/quantity": () => ({ value: 1800, unit: "W", understood: "1800 W", awg: null }) });
    mount(<UseView />);
    const cell = within(screen.getByRole("grid", { name: "Gas appliances" })).getByRole("gridcell", { name: "1\u202f600\u00a0W" });
    fireEvent.click(cell);
    fireEvent.keyDown(cell, { key: "Enter" });
    const field = await within(screen.getByRole("grid", { name: "Gas appliances" })).findByRole("textbox");
    fireEvent.change(field, { target: { value: "1.8 kW" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(await ops()).toEqual(set("appliances/0/heat_input_w", 1800));
  });
});

describe("what names a thing elsewhere", () => {
  it("is cleared when the thing is taken out", async () => {
    Object.assign(state.design, {
      warmth: { heaters: [{ id: "boiler", name: "Boiler", fuel: "propane", max_w: 2000, appliance: "lamp" }], cooler: { name: "Cooler", appliance: "lamp" } },
      water: { pump: { name: "Pump", points: [], appliance: "lamp" } },
      gas: {
        ...structuredClone(fixture.design),
        solenoid: { appliance: "lamp" },
        appliances: [{ id: "h", name: "H", kind: "space_heater", heater: "boiler" }],
      },
    });
    function Both() {
      const heaters = useHeaters();
      const life = useApplianceEdits();
      return (
        <>
          <button type="button" onClick={() => void heaters.remove(heaters.items[0]!)}>
            boiler out
          </button>
          <button type="button" onClick={() => void life.remove(life.list[0]!)}>
            lamp out
          </button>
        </>
      );
    }
    mount(<Both />);
    fireEvent.click(screen.getByText("lamp out"));
    expect(((await ops()) as { path: string }[]).map((o) => o.path)).toEqual([
      "/wiring/circuits/0/appliances",
      "/warmth/heaters/0/appliance",
      "/warmth/cooler/appliance",
      "/water/pump/appliance",
      "/gas/solenoid/appliance",
      "/life/appliances/0",
    ]);
    fireEvent.click(screen.getByText("boiler out"));
    expect(((await ops(2)) as { path: string }[]).map((o) => o.path)).toEqual(["/gas/appliances/0/heater", "/warmth/heaters/0"]);
  });
});

/** Water's views on a report of the core (tests/web_fixture.py): what they say, and which operations they make. */
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { below } from "../src/data/lists";
import { WaterSheets } from "../src/print/WaterSheets";
import { CareView } from "../src/stages/water/CareView";
import { DaysView } from "../src/stages/water/DaysView";
import type { PipeRun, Prism } from "../src/stages/water/edit";
import { HotView, hours } from "../src/stages/water/HotView";
import { readSection, reshaped, TanksView } from "../src/stages/water/TanksView";
import { TapsView } from "../src/stages/water/TapsView";
import { viewOf, Component as Water } from "../src/stages/water/Water";
import { heightOf } from "../src/stages/water/WaterPicture";
import { wordOf } from "../src/stages/water/words";
import fixture from "./fixtures/water.json";
import { calls, mount, serve, state } from "./mounted";
import { onStage } from "./onstage";

const OPEN = {
  open: ["shower"],
  flow_l_min: { main: 5, sink: 0, wash: 5, basin: 0, shower: 5, outside: 0 },
  end_kpa: { main: 150, shower: 60 },
  velocity_m_s: {},
  total_l_min: 5,
  pump_kpa: 200,
  pump_a: 3.7,
  cycling: false,
};
const { slate, ops, press } = onStage("water", fixture, { "GET /api/variants/v/taps": OPEN });

describe("days", () => {
  it("says what ends the stay, and lists every store", () => {
    mount(<DaysView />);
    expect(document.body.textContent).toContain("then the grey water is full");
    expect(within(screen.getByRole("grid", { name: "Stores" })).getAllByRole("row").length).toBe(fixture.report.stores.length + 1);
    expect(screen.getByRole("img", { name: /2[34][.\d]*.L a day; fresh water 4\.3 days/ })).toBeTruthy();
  });
  it("changes habits, jugs and where the grey water goes", async () => {
    mount(<DaysView />);
    fireEvent.change(within(slate()).getByLabelText("the shower"), { target: { value: "recirculating" } });
    expect(await ops()).toEqual([{ op: "replace", path: "/water/use/shower_type", value: "recirculating" }]);
    fireEvent.change(within(slate()).getByLabelText("grey water goes to"), { target: { value: "container" } });
    expect(await ops(2)).toEqual([{ op: "replace", path: "/water/grey_to", value: "container" }]);
    press("no toilet");
    expect(await ops(3)).toEqual([{ op: "replace", path: "/water/toilet", value: null }]);
    fireEvent.click(await within(slate()).findByRole("button", { name: "Add a toilet" }));
    expect(await ops(4)).toEqual([{ op: "replace", path: "/water/toilet", value: { kind: "cassette" } }]);
  });
});

describe("tanks", () => {
  it("draws each tank with its litres and picks it up by click and by key", () => {
    mount(<TanksView />);
    const picture = screen.getByRole("group", { name: /Water from the side/ });
    const tank = within(picture).getByRole("button", { name: /Fresh, over the wheel arch\s+102\sL/ });
    fireEvent.keyDown(tank, { key: "Enter" });
    expect(within(slate()).getByRole("heading", { name: /Fresh, over the wheel arch/ })).toBeTruthy();
    expect(within(slate()).getByRole("table", { name: "Calibration of the gauge" }).textContent).toContain("It can’t see the last 5.5 L");
  });
  it("changes a part, adds one, cuts one out and takes one away", async () => {
    mount(<TanksView />);
    fireEvent.click(screen.getByRole("gridcell", { name: "Fresh, over the wheel arch" }));
    await within(slate()).findByText("Part 1");
    fireEvent.change(within(slate()).getAllByLabelText("shape")[0]!, { target: { value: "cylinder_vertical" } });
    expect(((await ops()) as { value: Prism[] }[])[0]?.value[0]).toEqual({
      shape: "cylinder_vertical",
      op: "add",
      base_z_m: 0,
      diameter_m: 0.42,
      height_m: 0.34,
    });
    press("Add a part");
    expect(((await ops(2)) as { value: Prism[] }[])[0]?.value).toHaveLength(3);
    press("Cut one out");
    expect(((await ops(3)) as { value: Prism[] }[])[0]?.value.at(-1)?.op).toBe("cut");
    press("take part 2 out");
    expect(((await ops(4)) as { value: Prism[] }[])[0]?.value).toHaveLength(3);
    press("no gauge");
    expect(await ops(5)).toEqual([{ op: "replace", path: "/water/tanks/0/sender", value: null }]);
  });
  it("adds a tank with n's button, and leaves out of a crossover what is taken out", async () => {
    const t = (id: string) => ({ ...structuredClone(fixture.design.tanks[0]!), id, name: id });
    Object.assign(state.design, {
      water: {
        ...structuredClone(fixture.design),
        tanks: [t("a"), t("b"), t("c")],
        joins: [{ id: "j", name: "Crossover", tanks: ["a", "b", "c"], z_m: 0, inner_diameter_mm: 25, length_m: 1 }],
      },
    });
    mount(<TanksView />);
    fireEvent.click(screen.getByRole("button", { name: "Add a tank (n)" }));
    expect(await ops()).toEqual([{ op: "add", path: "/water/tanks/-", value: expect.objectContaining({ holds: "fresh" }) }]);
    fireEvent.click(screen.getByRole("gridcell", { name: "b" }));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Remove this tank" }));
    expect(await ops(2)).toEqual([
      { op: "replace", path: "/water/joins/0/tanks", value: ["a", "c"] },
      { op: "remove", path: "/water/tanks/1" },
    ]);
  });
  it("reads a drawn section, and keeps what fits when the shape changes", () => {
    expect(readSection("0 0, 500 0, 500 200")).toEqual([
      [0, 0],
      [0.5, 0],
      [0.5, 0.2],
    ]);
    expect(readSection("0 0, 20 0, 20 10", "us")).toEqual([
      [0, 0],
      [0.508, 0],
      [0.508, 0.254],
    ]);
    expect(readSection("0 0, 500")).toBeNull();
    expect(readSection("a b, c d, e f")).toBeNull();
    const box: Prism = { shape: "box", op: "add", base_z_m: 0.1, length_m: 1, width_m: 0.4, height_m: 0.3 };
    expect(reshaped(box, "polygon").vertices_yz_m).toHaveLength(5);
    expect(reshaped(reshaped(box, "cylinder_horizontal"), "box")).toMatchObject({ length_m: 1, height_m: 0.3 });
  });
});

describe("taps", () => {
  it("opens a tap, says its flow and the pump's current, and shuts it again", async () => {
    mount(<TapsView />);
    const tap = screen.getByRole("button", { name: /^Shower/ });
    expect(tap.getAttribute("aria-pressed")).toBe("false");
    fireEvent.keyDown(tap, { key: " " });
    await waitFor(() => expect(screen.getByRole("button", { name: /^Shower\s*5\sL\/min/ }).getAttribute("aria-pressed")).toBe("true"));
    expect(document.body.textContent).toContain("200 kPa 3.7 A");
    expect(calls.some((c) => c.path.startsWith("/api/variants/v/taps"))).toBe(true);
    fireEvent.click(screen.getByRole("button", { name: "Shut all" }));
    expect(screen.queryByText("200 kPa 3.7 A")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "Open all" }));
    await waitFor(() => expect(screen.getByRole("button", { name: /^Galley tap\s*0\sL\/min starves/ })).toBeTruthy());
  });
  it("changes fittings and takes a run out without losing what hangs on it", async () => {
    mount(<TapsView />);
    fireEvent.click(screen.getAllByRole("gridcell", { name: "Branch to the washroom" })[0]!);
    await within(slate()).findByText("Fittings");
    const begins = within(slate()).getByLabelText("begins at");
    expect(within(begins).queryByRole("option", { name: "Shower" })).toBeNull();
    press("Remove this run");
    expect(await ops()).toEqual([
      { op: "replace", path: "/water/runs/3/parent", value: "main" },
      { op: "replace", path: "/water/runs/4/parent", value: "main" },
      { op: "remove", path: "/water/runs/2" },
    ]);
  });
  it("adds filters, an inlet, and a pump where there is none", async () => {
    mount(<TapsView />);
    press("Add a filter");
    expect(await ops()).toEqual([{ op: "add", path: "/water/filters/-", value: expect.objectContaining({ kind: "carbon" }) }]);
    cleanup();
    Object.assign(state.design, { water: { ...structuredClone(fixture.design), pump: null, hookup: null } });
    serve();
    mount(<TapsView />);
    press("Add a pump");
    expect(await ops()).toEqual([{ op: "replace", path: "/water/pump", value: expect.objectContaining({ cut_in_kpa: 140 }) }]);
    press("Add an inlet");
    expect(await ops(2)).toEqual([{ op: "replace", path: "/water/hookup", value: { limiter_kpa: 310, check_valve: true } }]);
  });
  it("knows what hangs on a run and how high its end is", () => {
    const runs = fixture.design.runs as unknown as PipeRun[];
    expect([...below("wash", runs)].sort()).toEqual(["basin", "shower", "wash"]);
    expect(heightOf(runs.find((r) => r.id === "shower")!, runs, 0.08)).toBeCloseTo(0.08 + 0.1 + 0.2 + 1.3);
  });
});

describe("hot, waste, frost", () => {
  it("says what the boiler gives and how long the grey tank stands the cold", () => {
    mount(<HotView />);
    const picture = screen.getByRole("img", { name: /Hot water: from 10 to 65 °C in 8 min/ });
    expect(picture.getAttribute("aria-label")).toContain("Grey, under the floor at 0 °C after 3.5 h");
    expect([hours(null), hours(0.4), hours(5), hours(20), hours(72)]).toEqual(["never", "24 min", "5.0 h", "20 h", "3.0 days"]);
  });
  it("changes the heater, a waste and the winter", async () => {
    mount(<HotView />);
    fireEvent.change(within(slate()).getByLabelText("heated by"), { target: { value: "gas" } });
    expect(await ops()).toEqual([{ op: "replace", path: "/water/hot/source", value: "gas" }]);
    fireEvent.change(within(slate()).getByLabelText("in frost it is"), { target: { value: "drain" } });
    expect(await ops(2)).toEqual([{ op: "replace", path: "/water/winter", value: "drain" }]);
    fireEvent.click(screen.getByRole("gridcell", { name: "Shower waste" }));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Remove this waste" }));
    expect(await ops(3)).toEqual([{ op: "remove", path: "/water/drains/2" }]);
  });
});

describe("what Water takes from the battery", () => {
  const boiler = { id: "boiler", name: "Boiler", kind: "heating" };
  const lines = () => ({ appliances: [boiler, { id: "pump", name: "Pump", kind: "pump" }] });
  it("asks which line of Daily use an element on the inverter is, and not of one on the hook-up", async () => {
    Object.assign(state.design, { life: lines() });
    mount(<HotView />);
    expect(within(slate()).queryByLabelText("which appliance in Daily use")).toBeNull();
    cleanup();
    Object.assign(state.design, {
      water: { ...structuredClone(fixture.design), hot: { ...fixture.design.hot, source: "element", element_supply: "inverter" } },
    });
    mount(<HotView />);
    const field = within(slate()).getByLabelText("which appliance in Daily use");
    expect([...field.querySelectorAll("option")].map((o) => o.textContent)).toEqual(["none", "Boiler"]);
    fireEvent.change(field, { target: { value: "boiler" } });
    expect(await ops()).toEqual([{ op: "replace", path: "/water/hot/appliance", value: "boiler" }]);
  });
  it("asks it of a tank that is heated alone", async () => {
    const [first, ...others] = structuredClone(fixture.design.tanks);
    Object.assign(state.design, { life: lines(), water: { ...structuredClone(fixture.design), tanks: [{ ...first, heater_w: 60 }, ...others] } });
    mount(<TanksView />);
    fireEvent.click(screen.getByRole("gridcell", { name: "Fresh, over the wheel arch" }));
    fireEvent.change(await within(slate()).findByLabelText("which appliance in Daily use"), { target: { value: "boiler" } });
    expect(await ops()).toEqual([{ op: "replace", path: "/water/tanks/0/appliance", value: "boiler" }]);
    fireEvent.click(screen.getByRole("gridcell", { name: "Grey, under the floor" }));
    await waitFor(() => expect(within(slate()).queryByLabelText("which appliance in Daily use")).toBeNull());
  });
});

describe("care and tests", () => {
  it("gives the dose and ticks the shower's list", async () => {
    mount(<CareView />);
    expect(screen.getByRole("region", { name: "Sanitising" }).textContent).toContain("144 mL of the product");
    fireEvent.click(screen.getByLabelText("extract vent"));
    const value = ((await ops()) as { path: string; value: string[] }[])[0];
    expect(value?.path).toBe("/water/shower_done");
    expect(value?.value).not.toContain("extract");
  });
  it("keeps a test as a record with its verdict", async () => {
    mount(<CareView />);
    expect(within(screen.getByRole("grid", { name: "Pressure tests" })).getByText("holds")).toBeTruthy();
    fireEvent.click(screen.getByRole("gridcell", { name: "Before the lining went on" }));
    fireEvent.change(await within(slate()).findByLabelText("with"), { target: { value: "air" } });
    expect(await ops()).toEqual([
      { op: "replace", path: "/facts/water_tests/0/medium", value: "air" },
      { op: "replace", path: "/facts/water_tests/0/gas_volume_l", value: 1 },
    ]);
  });
  it("prints tanks, taps, dose, drain-down and tests", () => {
    mount(<WaterSheets />);
    for (const title of ["Stores", "Tanks", "Pipes and taps", "Sanitising sheet", "Drain-down for winter", "Pressure tests"])
      expect(screen.getByRole("region", { name: title })).toBeTruthy();
    cleanup();
    Object.assign(state.design, { water: { ...structuredClone(fixture.design), tanks: [], runs: [], jug_count: 0 } });
    mount(<WaterSheets />);
    expect(screen.getByText(/nothing to print/)).toBeTruthy();
  });
});

describe("the stage", () => {
  it("leads from what a finding is about to its view", () => {
    expect(["tank:fresh", "join:j", "run:sink", "pump", "hot", "drain:d", "pipe:x", "care", "test:t", "shower", "water", "toilet"].map(viewOf)).toEqual([
      "tanks",
      "tanks",
      "taps",
      "taps",
      "hot",
      "hot",
      "hot",
      "care",
      "care",
      "care",
      "days",
      "days",
    ]);
  });
  it("turns between its views", () => {
    mount(<Water />);
    fireEvent.click(screen.getByRole("button", { name: "Taps" }));
    expect(screen.getByRole("button", { name: "Add a run (n)" })).toBeTruthy();
    expect(wordOf([{ value: "a", word: "one" }], "b")).toBe("b");
  });
});

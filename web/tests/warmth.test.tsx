/** Warmth's views on a report of the core (tests/web_fixture.py): what they say, and which operations they make. */
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { AirView } from "../src/stages/warmth/AirView";
import { DuctPicture, inOrder } from "../src/stages/warmth/DuctPicture";
import { DuctsView } from "../src/stages/warmth/DuctsView";
import type { WallLayer, WarmDuct } from "../src/stages/warmth/edit";
import { HeatingView, heaterFields } from "../src/stages/warmth/HeatingView";
import { moved, WallProfile } from "../src/stages/warmth/Layers";
import { flows, ShellPicture } from "../src/stages/warmth/ShellPicture";
import { dampWords, ShellView } from "../src/stages/warmth/ShellView";
import { SummerView } from "../src/stages/warmth/SummerView";
import { viewOf, Component as Warmth } from "../src/stages/warmth/Warmth";
import { wordOf } from "../src/stages/warmth/words";
import fixture from "./fixtures/warmth.json";
import { calls, hand, mount, serve, state } from "./mounted";

const plain = structuredClone(state);
const MATERIALS = [
  { key: "plywood", name: "Plywood", conductivity_w_mk: 0.13, density_kg_m3: 500, mu: 70, notes: "" },
  { key: "mineral_wool", name: "Mineral wool", conductivity_w_mk: 0.037, density_kg_m3: 30, mu: 1, notes: "" },
  { key: "vapour_foil", name: "Vapour foil", conductivity_w_mk: 0.2, density_kg_m3: 950, mu: 100000, notes: "" },
];
const PRESET = {
  build_up: { id: "foam-bonded", name: "Closed-cell foam", layers: [{ id: "l1", material: "plywood", thickness_mm: 4 }], skin: "steel_skin", skin_mm: 0.8 },
  u_w_m2k: 1.33,
  thickness_mm: 42.8,
  floor: false,
};
const HEATER = {
  key: "heat-gas-4",
  kind: "heater",
  maker: "Emberlow",
  name: "Gas heater 4 kW",
  mass_kg: 15,
  data: {
    heater_kind: "combined",
    fuel: "propane",
    max_w: 4000,
    min_w: 2000,
    efficiency_frac: 0.9,
    air_flow_m3_h: 290,
    outlet_count: 4,
    run_min_w: 12,
    run_max_w: 45,
    start_energy_wh: 0.4,
  },
};
const COOLER = {
  key: "cool-portable",
  kind: "cooler",
  maker: "Windhover Works",
  name: "Portable cooler 2 kW",
  mass_kg: 25,
  data: { capacity_w: 2000, eer: 2.3, volts: 230, compressor: "fixed", fan_power_w: 40, hose_flow_m3_h: 300 },
};

/** Puts the fixture under the mounted design. */
function lay(): void {
  Object.assign(state.design, { warmth: structuredClone(fixture.design) });
  Object.assign(state.report, {
    warmth: structuredClone(fixture.report),
    vehicle: fixture.vehicle,
    figures: { ...plain.report.figures, ...fixture.figures },
    findings: structuredClone(fixture.findings),
  });
  Object.assign(state.report.stages, { warmth: { stones: 2, dangers: 0, faults: 2 } });
}

beforeEach(() => {
  localStorage.clear();
  lay();
  serve({ "GET /api/materials": MATERIALS, "GET /api/build-ups": [PRESET], "GET /api/catalogue": [HEATER, COOLER] });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  Object.assign(state, structuredClone(plain));
});

const slate = () => screen.getByRole("complementary");
/** The operations of every edit so far. */
const sent = () => calls.filter((c) => c.method === "PATCH").map((c) => c.body.ops);
const ops = async (count = 1) => {
  await waitFor(() => expect(sent()).toHaveLength(count));
  return sent().at(-1);
};

describe("what a surface's heat and damp are in words and bands", () => {
  const s = fixture.report.surfaces;
  it("takes the watts of the hour of the day that is looked at", () => {
    const winter = flows(s as never, "winter", 3).find((r) => r.id === "roof");
    const summer = flows(s as never, "summer", 12).find((r) => r.id === "roof");
    expect(winter?.w).toBe(s.roof.winter_w[3]);
    expect(summer?.w).toBe(s.roof.summer_w[12]);
  });
  it("says the worst of the damp first", () => {
    const dry = { ...s.left, wet: false, mould: false, inside_g_m2_day: 0 };
    expect(dampWords(dry as never)).toBe("dry");
    expect(dampWords({ ...dry, mould: true } as never)).toBe("mould may grow");
    expect(dampWords({ ...dry, inside_g_m2_day: 2.34 } as never)).toBe("damp inside");
    expect(dampWords({ ...dry, inside_g_m2_day: 40, mould: true } as never)).toBe("wet inside");
    expect(dampWords({ ...dry, wet: true, inside_g_m2_day: 40 } as never)).toBe("water runs");
  });
  it("draws a band for each surface, which picks it up by click and by key", () => {
    mount(<ShellPicture season="winter" hour={6} />);
    const bands = within(screen.getByRole("group", { name: /Heat through the shell/ })).getAllByRole("button");
    expect(bands.length).toBeGreaterThanOrEqual(Object.keys(s).length);
    const band = screen.getByRole("button", { name: /^right side \d+\sW$/ });
    fireEvent.keyDown(band, { key: "Enter" });
    expect(screen.getByText(/inside$/).textContent).toContain("19");
  });
  it("shows the temperature without cooling on the hottest day", () => {
    mount(<ShellPicture season="summer" hour={14} />);
    expect(screen.getByText(/without cooling$/).textContent).toContain("°C");
    expect(screen.getByText(/to take away$/)).toBeTruthy();
  });
});

describe("layers", () => {
  const layers = ["a", "b", "c"].map((id) => ({ id, material: "plywood", thickness_mm: 4 })) as WallLayer[];
  it("are moved to where they are dropped, and stay where that is nowhere", () => {
    expect(moved(layers, 0, 2)?.map((l) => l.id)).toEqual(["b", "c", "a"]);
    expect(moved(layers, 2, 0)?.map((l) => l.id)).toEqual(["c", "a", "b"]);
    expect(moved(layers, 1, 1)).toBeNull();
    expect(moved(layers, 0, 3)).toBeNull();
    expect(moved(layers, -1, 0)).toBeNull();
  });
  it("mark the plane that gets wet with its grams", () => {
    const planes = fixture.report.build_ups["shelf-wall/horizontal"].planes;
    mount(<WallProfile planes={planes as never} dew={12} />);
    const picture = screen.getByRole("img", { name: /condenses at 12.0 °C/ });
    expect(within(picture).getByText(/^33\.\d g$/)).toBeTruthy();
  });
});

describe("the shell's view", () => {
  it("lists every surface with its build-up, U-value, loss and damp", async () => {
    mount(<ShellView />);
    const rows = within(screen.getByRole("grid", { name: "Surfaces" })).getAllByRole("row");
    expect(rows).toHaveLength(Object.keys(fixture.report.surfaces).length + 1);
    const right = rows.find((r) => r.textContent?.includes("right side"));
    expect(right?.textContent).toContain("Old shelf wall");
    expect(right?.textContent).toContain("wet inside");
    expect(slate().textContent).toContain("What one change is worth");
  });
  it("lays a preset on a surface in one edit, under a free id", async () => {
    mount(<ShellView />);
    fireEvent.click(screen.getByRole("button", { name: /^left side / }));
    const choice = await within(slate()).findByLabelText("build-up");
    await waitFor(() => expect(within(choice).getByText(/new: Closed-cell foam/)).toBeTruthy());
    fireEvent.change(choice, { target: { value: "preset:foam-bonded" } });
    expect(await ops()).toEqual([
      { op: "add", path: "/warmth/build_ups/-", value: expect.objectContaining({ id: "foam-bonded", by: "typed" }) },
      { op: "replace", path: "/warmth/surfaces/2/build_up", value: "foam-bonded" },
    ]);
  });
  it("says something of a surface that had no line yet", async () => {
    mount(<ShellView />);
    fireEvent.click(screen.getByRole("button", { name: /^firewall \d/ }));
    fireEvent.change(await within(slate()).findByLabelText("before it at night"), { target: { value: "curtain" } });
    expect(await ops()).toEqual([{ op: "add", path: "/warmth/surfaces/-", value: { id: "cab_firewall", cover: "curtain" } }]);
  });
  it("moves a layer outwards, changes one and takes one out", async () => {
    mount(<ShellView />);
    fireEvent.click(screen.getByRole("button", { name: "Old shelf wall, fibre left in" }));
    const list = await within(slate()).findByRole("list", { name: "Layers" });
    await waitFor(() => expect(within(list).getByRole("button", { name: "Mineral wool" })).toBeTruthy());
    fireEvent.click(within(list).getByRole("button", { name: "Move Plywood outwards" }));
    const first = (await ops()) as { value: WallLayer[] }[];
    expect(first[0]?.value.map((l) => l.material)).toEqual(["mineral_wool", "plywood"]);
    fireEvent.click(within(list).getByRole("button", { name: "Mineral wool" }));
    fireEvent.change(within(list).getByLabelText("material"), { target: { value: "vapour_foil" } });
    const second = (await ops(2)) as { value: WallLayer[] }[];
    expect(second[0]?.value.map((l) => l.material)).toEqual(["vapour_foil", "plywood"]);
    fireEvent.click(within(list).getByRole("button", { name: "take this layer out" }));
    const third = (await ops(3)) as { value: WallLayer[] }[];
    expect(third[0]?.value.map((l) => l.material)).toEqual(["plywood"]);
  });
  it("moves a layer by keys, and by dragging it onto another", async () => {
    mount(<ShellView />);
    fireEvent.click(screen.getByRole("button", { name: "Old shelf wall, fibre left in" }));
    const list = await within(slate()).findByRole("list", { name: "Layers" });
    const wool = await within(list).findByRole("button", { name: "Mineral wool" });
    fireEvent.keyDown(wool, { key: "ArrowUp", altKey: true });
    const up = (await ops()) as { value: WallLayer[] }[];
    expect(up[0]?.value.map((l) => l.material)).toEqual(["mineral_wool", "plywood"]);
    const [one, two] = within(list).getAllByRole("listitem");
    fireEvent.dragStart(one!);
    fireEvent.dragOver(two!);
    fireEvent.drop(two!);
    const back = (await ops(2)) as { value: WallLayer[] }[];
    expect(back[0]?.value.map((l) => l.material)).toEqual(["plywood", "mineral_wool"]);
  });
  it("removes a build-up and frees the surface that had it", async () => {
    mount(<ShellView />);
    fireEvent.click(screen.getByRole("button", { name: "Old shelf wall, fibre left in" }));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Remove this build-up" }));
    expect(await ops()).toEqual([
      { op: "replace", path: "/warmth/surfaces/3/build_up", value: null },
      { op: "remove", path: "/warmth/build_ups/4" },
    ]);
  });
  it("sets the schools against damp side by side on the build-up in hand", async () => {
    mount(<ShellView />);
    fireEvent.click(screen.getByRole("button", { name: "Old shelf wall, fibre left in" }));
    const table = await within(slate()).findByRole("table", { name: /Approaches against damp/ });
    const rows = within(table).getAllByRole("row").slice(1);
    expect(rows.map((r) => r.textContent)).toEqual([
      expect.stringMatching(/^as it is3\d\.\d g1\d\d gwets$/),
      expect.stringMatching(/^with one taped foil on the warm side0\.\d g0\.\d gwets$/),
      expect.stringMatching(/^open to vapour, no membrane \(so it is\)/),
    ]);
  });
  it("lets a wall slide out and a roof lift, changes them and takes them back", async () => {
    mount(<ShellView />);
    fireEvent.click(within(slate()).getByRole("button", { name: "Add a slide-out" }));
    expect(await ops()).toEqual([
      { op: "replace", path: "/warmth/slide_outs", value: [expect.objectContaining({ id: "slide-out", on: "left", depth_m: 0.5 })] },
    ]);
    fireEvent.change(within(slate()).getByLabelText("in the"), { target: { value: "rear" } });
    expect(await ops(2)).toEqual([{ op: "replace", path: "/warmth/slide_outs", value: [expect.objectContaining({ id: "slide-out", on: "rear" })] }]);
    fireEvent.click(within(slate()).getByRole("button", { name: "Remove slide-out 1" }));
    expect(await ops(3)).toEqual([{ op: "replace", path: "/warmth/slide_outs", value: [] }]);
    fireEvent.click(within(slate()).getByRole("button", { name: "Add a pop-top" }));
    expect(await ops(4)).toEqual([{ op: "replace", path: "/warmth/pop_top", value: expect.objectContaining({ shape: "wedge", lined: false }) }]);
    fireEvent.click(await within(slate()).findByRole("button", { name: "Remove the pop-top" }));
    expect(await ops(5)).toEqual([{ op: "replace", path: "/warmth/pop_top", value: null }]);
  });
  it("adds an opening, and closes one up", async () => {
    mount(<ShellView />);
    fireEvent.click(screen.getByRole("button", { name: /Add an opening/ }));
    expect(await ops()).toEqual([{ op: "add", path: "/warmth/openings/-", value: expect.objectContaining({ name: "Window", on: "left" }) }]);
    fireEvent.click(screen.getByRole("button", { name: /^Window, table \d/ }));
    fireEvent.click(await within(slate()).findByRole("button", { name: "Close this opening up" }));
    expect(await ops(2)).toEqual([{ op: "remove", path: "/warmth/openings/1" }]);
  });
});

describe("heating", () => {
  it("copies a catalogue heater's values, with four outlets of two warmths", () => {
    expect(heaterFields(HEATER as never)).toMatchObject({
      kind: "combined",
      fuel: "propane",
      max_w: 4000,
      outlet_biases: [1.1, 1.1, 0.9, 0.9],
      room_sealed: true,
    });
    expect(heaterFields({ ...HEATER, data: { ...HEATER.data, heater_kind: "stove", outlet_count: 1 } } as never)).toMatchObject({
      outlet_biases: [1],
      room_sealed: false,
    });
  });
  it("shows the year, the warm-up and the heater's figures", async () => {
    mount(<HeatingView />);
    expect(screen.getByRole("img", { name: /Heat by month/ }).textContent).toContain("warming up with");
    fireEvent.click(within(screen.getByRole("grid", { name: "Heaters" })).getByText("Diesel air heater 2 kW"));
    expect(await within(slate()).findByText("its tank lasts")).toBeTruthy();
    const choice = within(slate()).getByLabelText("from the catalogue");
    await waitFor(() => expect(within(choice).getByText(/Gas heater/)).toBeTruthy());
    fireEvent.change(choice, { target: { value: "heat-gas-4" } });
    const made = (await ops()) as { path: string; value: unknown }[];
    expect(made.find((o) => o.path.endsWith("/max_w"))).toEqual({ op: "replace", path: "/warmth/heaters/0/max_w", value: 4000 });
  });
  it("writes what was measured of the exhaust under its heater", async () => {
    mount(<HeatingView />);
    fireEvent.click(within(screen.getByRole("grid", { name: "Heaters" })).getByText("Diesel air heater 2 kW"));
    fireEvent.change(await within(slate()).findByLabelText("it ends"), { target: { value: "under" } });
    expect(await ops()).toEqual([{ op: "replace", path: "/warmth/heaters/0/routes/exhaust_end", value: "under" }]);
  });
});

describe("ducts and loop", () => {
  const duct = (id: string, parent: string | null = null) => ({ id, name: id, parent, length_m: 1 }) as WarmDuct;
  it("orders runs as the tree grows", () => {
    const tree = inOrder([duct("b", "trunk"), duct("trunk"), duct("c"), duct("a", "trunk"), duct("a1", "a")]);
    expect(tree.map((x) => `${x.depth}${x.d.id}`)).toEqual(["0trunk", "1b", "1a", "2a1", "0c"]);
  });
  it("draws what arrives of what is needed", () => {
    mount(<DuctPicture />);
    expect(screen.getByRole("button", { name: /^Table, by the step .*m³\/h.*\d+\sW of \d+\sW/ })).toBeTruthy();
    expect(screen.getByRole("button", { name: /^Trunk under the bench/ })).toBeTruthy();
  });
  it("says what to do first where there is nothing to draw", () => {
    Object.assign(state.design, { warmth: { ...fixture.design, heaters: [], ducts: [] } });
    mount(<DuctPicture />);
    expect(screen.getByText(/add one in the view Heating first/)).toBeTruthy();
  });
  it("never lets a run branch off itself or what hangs on it", async () => {
    mount(<DuctsView />);
    fireEvent.click(within(screen.getByRole("grid", { name: "Runs" })).getAllByText("Trunk under the bench")[0]!);
    const parent = await within(slate()).findByLabelText("branches off");
    expect(
      within(parent)
        .getAllByRole("option")
        .map((o) => o.textContent),
    ).toEqual(["the heater"]);
  });
  it("takes a trunk out and leaves its branches at the heater", async () => {
    mount(<DuctsView />);
    fireEvent.click(within(screen.getByRole("grid", { name: "Runs" })).getAllByText("Trunk under the bench")[0]!);
    fireEvent.click(await within(slate()).findByRole("button", { name: "Remove this run" }));
    const made = (await ops()) as { op: string; path: string }[];
    expect(made.filter((o) => o.op === "replace").map((o) => o.path)).toEqual([1, 2, 3, 4].map((i) => `/warmth/ducts/${i}/parent`));
    expect(made.at(-1)).toEqual({ op: "remove", path: "/warmth/ducts/0" });
  });
  it("shows the loop's flow, head and hot water, and lists its zones", async () => {
    mount(<DuctsView />);
    expect(slate().textContent).toMatch(/L\/min; [\d.]+ m of head, the pump gives/);
    expect(slate().textContent).toContain("Hot water at");
    fireEvent.click(screen.getByRole("button", { name: "coolant loop" }));
    fireEvent.click(within(screen.getByRole("grid", { name: "Zones of the loop" })).getByText("Fan coil, step"));
    expect(await within(slate()).findByText(/its valve must take/)).toBeTruthy();
  });
  it("says whether the drying cupboard dries in time", () => {
    mount(<DuctsView />);
    expect(slate().textContent).toMatch(/g of water an hour at \d+ °C: dry in \d\.\d h/);
  });
});

describe("air and summer", () => {
  it("draws the damp of day and night, and the stale air by morning", () => {
    mount(<AirView />);
    const air = fixture.report.air;
    const [day, night] = [Math.round(100 * air.day_rh_frac), Math.round(100 * air.night_rh_frac)];
    const name = new RegExp(`^Humidity ${day}\\s% by day and ${night}\\s% at night; carbon dioxide ${Math.round(air.co2_at_end_ppm)}\\sppm by morning$`);
    expect(screen.getByRole("img", { name })).toBeTruthy();
    expect(slate().textContent).toContain("fixed vents, high");
  });
  it("gives a vent that becomes a fan a flow of its own", async () => {
    mount(<AirView />);
    fireEvent.click(within(screen.getByRole("grid", { name: "Fans and vents" })).getByText("Roof vent over the galley"));
    fireEvent.change(await within(slate()).findByLabelText("kind"), { target: { value: "wall_fan" } });
    expect(await ops()).toEqual([
      { op: "replace", path: "/warmth/vents/0/flow_max_m3_h", value: 150 },
      { op: "replace", path: "/warmth/vents/0/kind", value: "wall_fan" },
    ]);
  });
  it("turns the ledger to the alarms and back", () => {
    mount(<AirView />);
    fireEvent.click(screen.getByRole("button", { name: "alarms" }));
    expect(within(screen.getByRole("grid", { name: "Alarms" })).getByText("1850 mm")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "fans and vents" }));
    expect(screen.getByRole("grid", { name: "Fans and vents" })).toBeTruthy();
  });
  it("takes a cooler from the catalogue with its hose, and none at all", async () => {
    mount(<SummerView />);
    const choice = within(slate()).getByLabelText("from the catalogue");
    await waitFor(() => expect(within(choice).getByText(/Portable cooler/)).toBeTruthy());
    fireEvent.change(choice, { target: { value: "cool-portable" } });
    expect(await ops()).toEqual([
      { op: "replace", path: "/warmth/cooler", value: expect.objectContaining({ supply: "inverter", hose_flow_m3_h: 300, from_h: 12, by: "typed" }) },
    ]);
    fireEvent.change(within(slate()).getByLabelText("from the catalogue"), { target: { value: "" } });
    expect(await ops(2)).toEqual([{ op: "replace", path: "/warmth/cooler", value: null }]);
  });
  it("says what a hot cabinet needs and how cold a bay gets", async () => {
    mount(<SummerView />);
    fireEvent.click(within(screen.getByRole("grid", { name: "Hot cabinets" })).getByText("Inverter cupboard"));
    expect((await within(slate()).findByText(/mm² free low and high/)).textContent).toContain("or a fan of");
    fireEvent.click(screen.getByRole("button", { name: "cold bays" }));
    fireEvent.click(within(screen.getByRole("grid", { name: "Cold bays" })).getByText("Grey tank, underfloor"));
    expect(await within(slate()).findAllByText(/hold 3 °C\.$/)).not.toHaveLength(0);
  });
});

describe("the stage", () => {
  it("leads from what a finding is about to its view", () => {
    expect(["heater:h", "duct:a", "ducts", "loop", "loopzone:z", "drying"].map(viewOf)).toEqual(["heating", "ducts", "ducts", "ducts", "ducts", "ducts"]);
    expect(["vent:v", "air", "alarm:a", "cool", "cooler", "cabinet:c", "bay:b"].map(viewOf)).toEqual([
      "air",
      "air",
      "air",
      "summer",
      "summer",
      "summer",
      "summer",
    ]);
    expect(["shell", "surface:left", "build:b"].map(viewOf)).toEqual(["shell", "shell", "shell"]);
  });
  it("turns between its views and keeps to the sentence", () => {
    mount(<Warmth />);
    for (const view of ["Heating", "Ducts and loop", "Air and damp", "Summer", "Shell"]) {
      fireEvent.click(screen.getByRole("button", { name: view }));
      expect(screen.getByRole("button", { name: view }).getAttribute("aria-pressed")).toBe("true");
      expect(screen.getByRole("main").textContent).toContain("a quilted curtain before the cab");
    }
    expect(hand.revision).toBe(1);
  });
  it("has a word for every choice, and the value itself for an unknown one", () => {
    expect(wordOf([{ value: "a", word: "A" }], "a")).toBe("A");
    expect(wordOf([{ value: "a", word: "A" }], "b")).toBe("b");
  });
});

/** Prove on Curlew's ladder: rungs and steps, what is recorded, the search for a fault, and a rig played by keys. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { layOut } from "../src/stages/prove/CircuitDrawing";
import { drawingOf, stepsOf } from "../src/stages/prove/Drawing";
import { type Commissioning, inUnit, rightOf, type Step, worst } from "../src/stages/prove/data";
import { doubtOf } from "../src/stages/prove/FinderView";
import { spread } from "../src/stages/prove/PipeDrawing";
import { PlanPicture, spotOf } from "../src/stages/prove/PlanPicture";

import { Component as Prove } from "../src/stages/prove/Prove";
import curlew from "./fixtures/curlew.json";
import fixture from "./fixtures/prove.json";
import { calls, mount, serve, state } from "./mounted";
import { onDesign } from "./onstage";

const made = fixture.commissioning as unknown as { steps: Step[]; rungs: { id: string }[]; next: string };
const ANSWERS = {
  "POST /api/quantity": (body: { text: string }) => ({ value: Number.parseFloat(body.text), unit: "", understood: body.text, awg: null }),
  "GET /api/variants/v/commissioning": fixture.commissioning,
  "GET /api/variants/v/finder": fixture.starts,
  "POST /api/variants/v/finder": (body: { answers: unknown[] }) => (body.answers.length ? fixture.found : fixture.search),
  "GET /api/variants/v/rigs": fixture.rigs,
  "POST /api/variants/v/rigs": (body: { guess: unknown; acts: unknown[]; rig: string }) =>
    body.guess ? fixture.scored : body.rig === "lamp" ? fixture.rig : fixture.pipes,
};
const { slate, ops, press } = onDesign(curlew as never, ANSWERS);
const PUMP = { id: "water-pump-10-l-min", name: "Water pump 10 L/min", board: "house" };
const withCircuit = () => {
  Object.assign(state.design.wiring, { boards: [{ id: "house", name: "House board" }], circuits: [PUMP] });
  Object.assign(state.report.wiring, { circuits: { [PUMP.id]: { code: "A6" } } });
};
const withFacts = () => Object.assign(state.design.facts, structuredClone(fixture.facts));
const stepOf = (id: string) => made.steps.find((s) => s.id === id)!;
const asked = () => calls.filter((c) => c.path === "/api/variants/v/finder" && c.method === "POST").map((c) => c.body.answers);

describe("the ladder", () => {
  it("says how far it is, and opens at the stage of what comes next", async () => {
    withFacts();
    mount(<Prove />);
    const rungs = await screen.findByRole("group", { name: "Stages of commissioning" });
    expect(within(rungs).getAllByRole("button")).toHaveLength(17);
    expect(within(rungs).getByRole("button", { pressed: true }).textContent).toContain("S5");
    expect(screen.getByText(/which failed: find the cause/)).toBeTruthy();
    const grid = screen.getByRole("grid", { name: "Steps" });
    expect(within(grid).getAllByRole("row").length - 1).toBe(made.steps.filter((s) => s.stage === "s5").length);
    fireEvent.click(screen.getByRole("button", { name: "All stages" }));
    fireEvent.click(within(rungs).getByRole("button", { name: /^S11/ }));
    expect(within(slate()).getByText(/^First:/)).toBeTruthy();
  });
  it("lights each circuit by the worst of its steps", async () => {
    withCircuit();
    mount(<Prove />);
    const lit = await screen.findByRole("group", { name: "What is proved" });
    expect(within(lit).getByRole("button", { name: "A6 Water pump 10 L/min: failed" })).toBeTruthy();
    expect(within(lit).getByRole("heading", { name: "House board" })).toBeTruthy();
    expect(within(lit).getByRole("button", { name: "Busbars, main fuse, isolator: passed" })).toBeTruthy();
    fireEvent.click(within(lit).getByRole("button", { name: "A6 Water pump 10 L/min: failed" }));
    await waitFor(() => expect(slate().textContent).toContain("91 mΩ more than it should"));
    press("Find the cause");
    expect(await screen.findByRole("list", { name: "Causes" })).toBeTruthy();
  });
  it("takes down a look with who looked, and asks the licensed person for both", async () => {
    mount(<Prove />);
    await screen.findByRole("grid", { name: "Steps" });
    fireEvent.click(screen.getByRole("button", { name: /^S0/ }));
    fireEvent.click(screen.getByRole("gridcell", { name: "Busbars, main fuse, isolator" }));
    fireEvent.change(await within(slate()).findByLabelText("Done by"), { target: { value: "Ada" } });
    press("As it should be");
    const at = fixture.facts.steps.findIndex((s) => s.id === "s0-buses");
    expect(await ops()).toEqual([{ op: "replace", path: `/facts/steps/${at}`, value: expect.objectContaining({ id: "s0-buses", ok: true, who: "Ada" }) }]);
    fireEvent.click(screen.getByRole("button", { name: /^S2/ }));
    fireEvent.click(screen.getByRole("gridcell", { name: "Covers, glands, clips" }));
    await within(slate()).findByLabelText("Licence");
    press("As it should be");
    expect(within(slate()).getByRole("alert").textContent).toContain("only the licensed person records it");
    fireEvent.change(within(slate()).getByLabelText("Licence"), { target: { value: "L-1" } });
    press("As it should be");
    expect(await ops(2)).toEqual([expect.objectContaining({ value: expect.objectContaining({ id: "s2-look", who: "Ada", licence: "L-1" }) })]);
  });
  it("keeps a value in the unit of its step, and plain numbers beside it", async () => {
    mount(<Prove />);
    await screen.findByRole("grid", { name: "Steps" });
    fireEvent.click(screen.getByRole("button", { name: /^S8/ }));
    fireEvent.click(screen.getByRole("gridcell", { name: /volts in the sun/ }));
    const sun = await within(slate()).findByLabelText("Light in the panel’s plane, W/m²");
    fireEvent.change(sun, { target: { value: "much" } });
    fireEvent.blur(sun);
    expect(within(slate()).getByRole("alert").textContent).toContain("A number");
    fireEvent.change(sun, { target: { value: "640" } });
    fireEvent.blur(sun);
    expect(await ops()).toEqual([expect.objectContaining({ value: expect.objectContaining({ irradiance_w_m2: 640 }) })]);
  });
  it("with one hand: what is to do, and on to the next", async () => {
    const phone = { matches: true, addEventListener: () => undefined, removeEventListener: () => undefined };
    Object.assign(window, { matchMedia: () => phone });
    mount(<Prove />);
    expect(await screen.findByRole("region", { name: stepOf(made.next).title })).toBeTruthy();
    const at = made.steps.findIndex((s) => s.id === made.next);
    fireEvent.click(screen.getByRole("button", { name: "Next" }));
    expect(screen.getByRole("region", { name: made.steps[at + 1]!.title })).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "To do" }));
    expect(screen.getByRole("region", { name: stepOf(made.next).title })).toBeTruthy();
    fireEvent.change(screen.getByRole("combobox", { name: "Stage of the ladder" }), { target: { value: "s11" } });
    expect(screen.getByText(/^First:/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "As it should be" })).toBeNull();
    delete (window as { matchMedia?: unknown }).matchMedia;
  });
});

describe("a vehicle that has been in use already", () => {
  const locked = {
    ...fixture.commissioning,
    rungs: fixture.commissioning.rungs.map((r) => (r.id === "s5" ? { ...r, state: "locked" } : r)),
  };
  it("is measured on somebody's word, with what shows it", async () => {
    serve({ ...ANSWERS, "GET /api/variants/v/commissioning": locked });
    mount(<Prove />);
    await screen.findByRole("grid", { name: "Steps" });
    press("It has been in use already…");
    press("Say so");
    expect(within(slate()).getByRole("alert").textContent).toBe("Who says so?");
    fireEvent.change(within(slate()).getByLabelText("Who says so"), { target: { value: "Ada" } });
    press("Say so");
    expect(within(slate()).getByRole("alert").textContent).toContain("What shows it?");
    fireEvent.change(within(slate()).getByLabelText("What shows it"), { target: { value: "lived in since 2019" } });
    press("Say so");
    expect(await ops()).toEqual([
      { op: "add", path: "/facts/steps/-", value: expect.objectContaining({ id: "in-service", ok: true, who: "Ada", note: "lived in since 2019" }) },
    ]);
  });
  it("shows whose word it is, and takes it back", async () => {
    Object.assign(state.recorded.facts, { steps: [{ id: "in-service", ok: true, who: "Ada", note: "lived in since 2019" }] });
    serve({ ...ANSWERS, "GET /api/variants/v/commissioning": { ...locked, in_service: "Ada: lived in since 2019" } });
    mount(<Prove />);
    await screen.findByRole("grid", { name: "Steps" });
    expect(slate().textContent).toContain("In use already, says Ada: lived in since 2019");
    press("strike it");
    expect(await ops()).toEqual([{ op: "remove", path: "/facts/steps/0" }]);
  });
});

describe("the finder", () => {
  const begin = async () => {
    mount(<Prove />);
    fireEvent.click(screen.getByRole("button", { name: "Find a fault" }));
    fireEvent.change(await screen.findByLabelText("Search what is wrong"), { target: { value: "pump 10" } });
    fireEvent.click(screen.getByRole("button", { name: "A6 Water pump 10 L/min: dark, weak, or its fuse goes" }));
    await screen.findByRole("list", { name: "Causes" });
  };
  it("begins with a symptom, asks for the test that tells most, and takes the answer", async () => {
    await begin();
    const best = fixture.search.tests.find((t) => t.id === fixture.search.best)!;
    const field = screen.getByLabelText(best.title);
    fireEvent.change(field, { target: { value: "0.047 V" } });
    fireEvent.keyDown(field, { key: "Enter" });
    await waitFor(() => expect(asked().at(-1)).toEqual([{ test: best.id, reading: 0.047, outcome: null }]));
    expect(await screen.findByText(/Then prove it again from S0/)).toBeTruthy();
    expect(screen.getAllByText(/Ruled out/).length).toBeGreaterThan(0);
    fireEvent.click(screen.getByRole("button", { name: "Take the last answer back" }));
    await waitFor(() => expect(asked().at(-1)).toEqual([]));
  });
  it("records the repair and voids what it touched", async () => {
    withFacts();
    await begin();
    const best = fixture.search.tests.find((t) => t.id === fixture.search.best)!;
    const field = screen.getByLabelText(best.title);
    fireEvent.change(field, { target: { value: "0.05 V" } });
    fireEvent.keyDown(field, { key: "Enter" });
    fireEvent.change(await screen.findByLabelText("Mended by"), { target: { value: "Ada" } });
    fireEvent.click(screen.getByRole("button", { name: "Record it, prove again" }));
    const at = fixture.facts.readings.findIndex((r) => r.circuit === "water-pump-10-l-min");
    expect(await ops()).toEqual([
      {
        op: "add",
        path: "/facts/repairs/-",
        value: expect.objectContaining({ subject: "water-pump-10-l-min", cause: "minus-joint", stage: "s0", who: "Ada" }),
      },
      { op: "remove", path: `/facts/readings/${at}` },
    ]);
  });
  it("says what went wrong with a search", async () => {
    serve({ ...ANSWERS, "POST /api/variants/v/finder": { status: 422, body: { error: { key: "start", message: "nothing that can be searched" } } } });
    mount(<Prove />);
    fireEvent.click(screen.getByRole("button", { name: "Find a fault" }));
    expect(await screen.findByLabelText("Search what is wrong")).toBeTruthy();
    fireEvent.change(screen.getByLabelText("Search what is wrong"), { target: { value: "submarine" } });
    expect(screen.getByText(/Nothing like that/)).toBeTruthy();
  });
});

describe("practice", () => {
  it("is played by keys: probes, acts, a guess and the score", async () => {
    mount(<Prove />);
    fireEvent.click(screen.getByRole("button", { name: "Practice" }));
    expect(await screen.findByText(fixture.rig.complaint)).toBeTruthy();
    const drawing = screen.getByRole("group", { name: /with two probes/ });
    fireEvent.keyDown(within(drawing).getByRole("button", { name: "behind the fuse" }), { key: "Enter" });
    expect((screen.getByLabelText("red probe") as HTMLSelectElement).value).toBe("fuse-out");
    fireEvent.change(screen.getByLabelText("Seed"), { target: { value: "42" } });
    fireEvent.click(screen.getByRole("button", { name: /^Volts/ }));
    const plays = () => calls.filter((c) => c.path === "/api/variants/v/rigs" && c.method === "POST");
    await waitFor(() => expect(plays().at(-1)!.body.acts).toEqual([{ act: "volts", a: "fuse-out", b: "load-minus" }]));
    expect(screen.getByText(/Ohms on a live circuit/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText("Which part"), { target: { value: "fuse" } });
    fireEvent.click(screen.getByRole("button", { name: /the fuse is blown/ }));
    const score = await screen.findByRole("region", { name: "Score" });
    expect(score.textContent).toContain(`${Math.round(fixture.scored.score.score)} of 100`);
    expect(score.textContent).toContain(fixture.scored.score.truth);
    fireEvent.click(within(score).getByRole("button", { name: "The same again" }));
    await waitFor(() => expect(plays().at(-1)!.body).toEqual(expect.objectContaining({ seed: 42, acts: [], guess: null })));
  });
});

describe("practice on pipes", () => {
  const begin = async () => {
    mount(<Prove />);
    fireEvent.click(screen.getByRole("button", { name: "Practice" }));
    await screen.findByText(fixture.rig.complaint);
    await screen.findByRole("option", { name: /Sink and shower/ });
    fireEvent.change(screen.getByLabelText("Rig"), { target: { value: "galley-shower" } });
    await screen.findByText(fixture.pipes.complaint);
    return screen.getByRole("group", { name: /with a gauge/ });
  };
  const last = () => {
    const body = calls.filter((c) => c.path === "/api/variants/v/rigs" && c.method === "POST").at(-1)!.body as { acts: unknown[] };
    return body.acts.at(-1);
  };
  it("turns taps and valves and moves the gauge on the drawing, by keys", async () => {
    const drawing = await begin();
    expect(within(drawing).getByRole("button", { name: "pipe to the sink: shut" })).toBeTruthy();
    fireEvent.keyDown(within(drawing).getByRole("button", { name: "sink tap: shut" }), { key: "Enter" });
    await waitFor(() => expect(last()).toEqual({ act: "outlet", a: "sink", b: "" }));
    fireEvent.click(within(drawing).getByRole("button", { name: "pump: open" }));
    await waitFor(() => expect(last()).toEqual({ act: "supply", a: "", b: "" }));
    fireEvent.keyDown(within(drawing).getByRole("button", { name: "gauge at shower" }), { key: " " });
    expect((screen.getByLabelText("Read the gauge: where") as HTMLSelectElement).value).toBe("wash");
    fireEvent.click(screen.getByRole("button", { name: /^Read the gauge/ }));
    await waitFor(() => expect(last()).toEqual({ act: "gauge", a: "wash", b: "" }));
  });
  it("asks which part, and says what was seen", async () => {
    await begin();
    fireEvent.change(screen.getByLabelText("Dry paper round the joints: which"), { target: { value: "wash" } });
    fireEvent.click(screen.getByRole("button", { name: /^Dry paper/ }));
    await waitFor(() => expect(last()).toEqual({ act: "joints", a: "wash", b: "" }));
    expect(screen.getByRole("status").textContent).toContain(fixture.pipes.acts.at(-1)!.said);
    expect(screen.queryByLabelText("red probe")).toBeNull();
    expect(screen.getByText(/let off its pressure/)).toBeTruthy();
  });
  it("spreads the tree from the store to the outlets", () => {
    const at = spread(fixture.pipes.nodes, fixture.pipes.elements as never);
    expect(at.get("store")!.x).toBeLessThan(at.get("pump")!.x);
    expect(at.get("sink")!.x).toBe(at.get("shower")!.x);
    expect(at.get("sink")!.y).not.toBe(at.get("shower")!.y);
    expect(at.get("main")!.y).toBeCloseTo((at.get("sink")!.y + at.get("shower")!.y) / 2);
  });
});

describe("the plan of what is proved", () => {
  const report = {
    fit: {
      body: { length: 4, half: 0.8, front_x: 3.2, rear_x: 0.4, second_x: null },
      things: [
        { key: "warmth:heater", box: [2, 2.4, 0.2, 0.6, 0, 0.3], on_roof: false },
        { key: "life:co-alarm", box: [1, 1.1, -0.7, -0.6, 1, 1.1], on_roof: false },
        { key: "life:spare", box: null, on_roof: false },
      ],
    },
    roof: { things: [{ key: "vent:high", rect: [3, 3.2, -0.1, 0.1] }] },
    sides: {
      things: [
        { key: "air:low", set_out: true, face: "floor", u_m: 1.5, v_m: -0.2 },
        { key: "air:side", set_out: true, face: "right", u_m: 0.5, v_m: 1.2 },
      ],
    },
  };
  const step = (id: string, subject: string, state = "open") => ({ id, stage: "s12", title: `${subject}: free`, subject, state });
  it("finds a thing in the vehicle, on the roof and in a wall", () => {
    const at = (subject: string) => spotOf(subject, report as never);
    expect(at("heater")).toEqual({ x: 2.2, y: 0.4 });
    expect(at("co")!.x).toBeCloseTo(1.05);
    expect(at("high")!.x).toBeCloseTo(3.1);
    expect(at("low")).toEqual({ x: 1.5, y: -0.2 });
    expect(at("side")).toEqual({ x: 0.5, y: -0.8 });
    expect([at("spare"), at("moon"), at("")]).toEqual([null, null, null]);
  });
  it("draws each at its place with the worst of its states, and the rest in a row", () => {
    Object.assign(state.report, report);
    const steps = [step("a", "high", "pass"), step("b", "high", "fail"), step("c", "moon")];
    mount(<PlanPicture c={{ steps } as never} rung="s12" />);
    const drawn = screen.getByRole("group", { name: "What is proved, on the plan" });
    expect(within(drawn).getAllByRole("button")).toHaveLength(2);
    const high = within(drawn).getByRole("button", { name: /^high: failed/ });
    fireEvent.keyDown(high, { key: "Enter" });
    expect(within(drawn).getByRole("button", { name: /^high/ }).getAttribute("aria-pressed")).toBe("true");
    expect(within(drawn).queryAllByTestId("axle")).toHaveLength(0);
  });
  it("draws the axles where the vehicle is weighed", () => {
    Object.assign(state.report, report);
    mount(<PlanPicture c={{ steps: [{ ...step("s15-weigh", "vehicle"), stage: "s15" }] } as never} rung="s15" />);
    expect(screen.getAllByTestId("axle")).toHaveLength(2);
  });
});

describe("small things", () => {
  it("draws a circuit as a ring and pipes in a row", () => {
    const ring = layOut(fixture.search.nodes, fixture.search.elements as never);
    expect(ring.ring).toBe(true);
    expect(ring.at.get("load-plus")!.y).toBeLessThan(ring.at.get("load-minus")!.y);
    expect(ring.at.get("bank-plus")!.x).toBe(ring.at.get("bank-minus")!.x);
    const row = layOut([], [{ id: "a", name: "a", kind: "resistor", a: "source", b: "x", text: "" }] as never);
    expect(row.ring).toBe(false);
    expect(row.at.get("source")!.x).toBeLessThan(row.at.get("x")!.x);
  });
  it("sums the doubt on a part", () => {
    const doubt = doubtOf(fixture.search as never);
    expect(Object.values(doubt).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 2);
  });
  it("says what is right in the unit of the step", () => {
    const s = (low: number | null, high: number | null, unit: string) => rightOf({ low, high, unit } as Step);
    expect(s(1, null, "MΩ")).toBe("at least 1 MΩ");
    expect(s(null, 0.3, "s")).toBe("at most 0.3 s");
    expect(s(3.75, 6.25, "A")).toBe("3.75 to 6.25 A");
    expect(inUnit(2e6, "MΩ")).toBe("over the range");
    expect(worst(["pass", "again", "fail"])).toBe("fail");
    expect(worst(["pass", "pass"])).toBe("pass");
    expect(worst(["pass", "open"])).toBe("open");
  });
});

describe("live", () => {
  const lane = (more: object = {}) => ({
    device: "shunt-1",
    kind: "battery_monitor",
    key: "voltage_v",
    name: "Bank, volts",
    unit: "V",
    value: 13.214,
    expected: 13.0,
    low: 12.8,
    high: 13.2,
    state: "ok",
    flags: [],
    ago_s: 0.4,
    simulated: true,
    points: [
      [3, 13.1],
      [0.4, 13.21],
    ],
    ...more,
  });
  const live = (more: object = {}) => ({
    connected: true,
    always: false,
    port: 47600,
    simulated: true,
    lanes: [lane(), lane({ key: "soc_frac", name: "Bank, charge", unit: "", value: 0.8, state: "offset", flags: ["offset", "noise"] })],
    devices: [],
    alarms: [{ id: "soc-low", title: "Bank below 20 %", severity: "advice", since_s: 61, seen: false, todo: "Charge it." }],
    told: ["the clock of shunt-1 is +90 s off; its readings don’t count"],
    ...more,
  });
  const open = async (part: object, day: object = []) => {
    serve({
      ...ANSWERS,
      "GET /api/variants/v/live": part,
      "GET /api/variants/v/live/day": day,
      "POST /api/variants/v/live/failure": {},
      "POST /api/variants/v/live/seen": {},
      "PUT /api/variants/v/live/always": {},
      "DELETE /api/variants/v/live/values": {},
    });
    mount(<Prove />);
    fireEvent.click(screen.getByRole("button", { name: "Live" }));
  };
  it("marks what is simulated, says what is off, and lets an alarm be seen", async () => {
    await open(live());
    const volts = await screen.findByRole("region", { name: "Bank, volts" });
    expect(volts.textContent).toContain("simulated");
    expect(volts.textContent).toContain("13.21");
    expect(screen.getByRole("region", { name: "Bank, charge" }).textContent).toContain("off, noisy");
    expect(screen.getByText(/A screen is no alarm/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Seen" }));
    await waitFor(() => expect(calls.find((c) => c.path.endsWith("/live/seen"))?.body).toEqual({ alarm: "soc-low" }));
    fireEvent.change(screen.getByLabelText("Spoil Bank, volts"), { target: { value: "stuck" } });
    await waitFor(() => expect(calls.find((c) => c.path.endsWith("/live/failure"))?.body).toEqual({ device: "shunt-1", key: "voltage_v", stuck: true }));
  });
  it("shows a day, listens although nobody looks, and forgets only when told twice", async () => {
    const points = [
      [7200, 13.0],
      [7140, 13.1],
      [600, 12.9],
      [540, 12.8],
    ];
    const expected = [
      [86400, 12.5, 13.0, 13.5],
      [0, 12.5, 13.0, 13.5],
    ];
    await open(live(), [{ device: "shunt-1", key: "voltage_v", points, expected }]);
    const volts = await screen.findByRole("region", { name: "Bank, volts" });
    expect(volts.querySelectorAll("polyline")).toHaveLength(1);
    fireEvent.click(screen.getByRole("button", { name: "day" }));
    await waitFor(() => expect(volts.querySelectorAll("polyline"), "nothing was said between: two lines").toHaveLength(2));
    expect(within(volts).getByRole("img", { name: "Bank, volts, the last day, as expected" })).toBeTruthy();
    fireEvent.click(screen.getByLabelText("listen although nobody looks"));
    await waitFor(() => expect(calls.find((c) => c.path.endsWith("/live/always"))?.body).toEqual({ on: true }));
    fireEvent.click(screen.getByRole("button", { name: "Forget…" }));
    expect(calls.some((c) => c.path.endsWith("/live/values"))).toBe(false);
    fireEvent.click(screen.getByRole("button", { name: "Forget all kept values" }));
    await waitFor(() => expect(calls.some((c) => c.path.endsWith("/live/values"))).toBe(true));
  });
  it("says how to begin where nobody answers, and shows no alarm of it", async () => {
    await open(
      live({ connected: false, simulated: false, lanes: [lane({ value: null, simulated: false, points: [], state: "dropout", flags: ["dropout"] })] }),
    );
    expect(await screen.findByText("./bothy devices")).toBeTruthy();
    expect(screen.queryByRole("list", { name: "Alarms" })).toBeNull();
    expect(screen.queryByLabelText("Spoil Bank, volts")).toBeNull();
  });
});

describe("the drawing of what is proved", () => {
  const steps = [
    { id: "s1-loop:pump", stage: "s1", subject: "pump", state: "pass" },
    { id: "s5-circuit:pump", stage: "s5", subject: "pump", state: "fail" },
    { id: "s9-flow:shower", stage: "s9", subject: "shower", state: "open" },
    { id: "s10-flame:hob", stage: "s10", subject: "hob", state: "locked" },
    { id: "s4-idle", stage: "s4", subject: "bank", state: "pass" },
  ] as Step[];
  const c = { steps } as Commissioning;
  it("is the circuits, the water or the gas, and none where there is no drawing", () => {
    expect(["s0", "s8", "s9", "s10", "s11", null].map(drawingOf)).toEqual(["circuits", "circuits", "water", "gas", "plan", "circuits"]);
  });
  it("finds the steps of a thing: of the stage that is looked at, else of all of its drawing", () => {
    const ids = (rung: string | null, ref: string) => stepsOf(c, rung, ref).map((s) => s.id);
    expect(ids("s5", "circuit:pump")).toEqual(["s5-circuit:pump"]);
    expect(ids(null, "circuit:pump")).toEqual(["s1-loop:pump", "s5-circuit:pump"]);
    expect(ids(null, "water:shower")).toEqual(["s9-flow:shower"]);
    expect(ids("s10", "gas:hob")).toEqual(["s10-flame:hob"]);
    expect(ids("s4", "power:bank")).toEqual(["s4-idle"]);
    expect(ids(null, "circuit:fridge")).toEqual([]);
  });
});

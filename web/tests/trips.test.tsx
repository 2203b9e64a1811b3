import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { firstOf } from "../src/stages/trips/edit";
import { bankFlow, Lanes, rangeOf } from "../src/stages/trips/Lanes";
import { moment, sentenceOf, type TripRun } from "../src/stages/trips/run";
import { TripSlate } from "../src/stages/trips/TripSlate";
import { Component as Trips } from "../src/stages/trips/Trips";
import { calls, mount, serve, state } from "./mounted";

const lane = (low: number, mid: number, high: number) => ({ p10: [low, low], p50: [mid, mid / 2], p90: [high, high] });
const day = (date: string, short: number) => ({
  date,
  leg: "a",
  place: "London",
  sun_wh: 500,
  sources_wh: 480,
  load_wh: 900,
  missing_wh: 0,
  least_soc_p10: 0.41,
  short_frac: short,
  kt_p50: 0.4,
  mean_c_p50: 12,
});
const run = {
  draw_count: 50,
  seed: 1,
  day_count: 2,
  per_day: 1,
  floor_frac: 0.2,
  soc: lane(0.4, 0.6, 0.8),
  sun_w: lane(0, 50, 90),
  load_w: lane(20, 40, 60),
  cabin_c: lane(12, 15, 19),
  fed_w: lane(10, 70, 90),
  histories: { p10: [0.5, 0.4], p50: [0.6, 0.6], p90: [0.8, 0.7] },
  days: [day("2026-10-12", 0), day("2026-10-13", 0.5)],
  events: [{ draw: 3, time_d: 1.5, what: "loads shed" }],
  short_days_frac: 0.25,
  error_frac: 0.02,
  trips_short_frac: 0.5,
  least_soc_p10: 0.24,
  least_soc_p50: 0.3,
  least_soc_p90: 0.4,
  first_short_d: 1.25,
  first_short_p50_d: 1.5,
  sun_wh_day: 500,
  driving_wh_day: 0,
  shore_wh_day: 0,
  load_wh_day: 900,
  curtailed_wh_day: 10,
  missing_wh_day: 120,
  refused_cold_h: 0,
  most_ac_w: 0,
  balance_error_wh: 0,
  buys: [
    { what: "one more panel", short_days_frac: 0.2, change_frac: -0.05, error_frac: 0.01, missing_wh_day: 90, change_wh_day: -30 },
    { what: "one more battery", short_days_frac: 0.24, change_frac: -0.01, error_frac: 0.01, missing_wh_day: 118, change_wh_day: -2 },
  ],
  findings: [],
  assumed: ["approximate climate"],
} as unknown as TripRun;
const leg = { id: "a", place: "london", days_count: 2, drive_h: 3, shore: false };
const places = [
  { place: "london", name: "London", country: "GB" },
  { place: "cardiff", name: "Cardiff", country: "GB" },
];
const sent = () => calls.filter((c) => c.method === "PATCH").flatMap((c) => c.body.ops as { op: string; path: string; value?: unknown }[]);

beforeEach(() => {
  Object.assign(state.design, {
    trips: { start_date: "2026-10-12", legs: [leg], draw_count: 50, short_days_frac: 0.02, soc_start_frac: 1 },
    power: { bank: { name: "Bank" } },
  });
  Object.assign(state.report, { life: { place_name: "London" } });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("what a run says", () => {
  it("names the least charge and the first shortage, or that there is none", () => {
    expect(sentenceOf(run)).toContain("In 9 of 10 trips like this the bank never falls below 24 %.");
    expect(sentenceOf(run)).toMatch(/on 25 % of the days, in half of them first on Tue,? 13 Oct,? 12:00/);
    expect(sentenceOf({ ...run, short_days_frac: 0, first_short_d: null, first_short_p50_d: null })).toContain(
      "What must run always runs; the least needed loads are switched off when it gets low: 120 Wh a day are missing.",
    );
    const shed = { ...run, short_days_frac: 0, shed: ["Television", "Kettle", "Laptop", "Awning light"], shed_first_d: 1.5 } as TripRun;
    expect(sentenceOf(shed)).toMatch(/Television, Kettle, Laptop and more are switched off when it gets low, first on .*: 120 Wh a day are missing/);
    expect(sentenceOf({ ...run, short_days_frac: 0, missing_wh_day: 0 })).toContain("Everything runs in all of 50 simulated trips.");
  });

  it("tells moments and ranges", () => {
    expect(moment(run, 0.25)).toContain("06:00");
    expect(rangeOf(run.soc, 0, 100, "%")).toBe("60 % (40 to 80)");
    expect(rangeOf({ p10: [5], p50: [5], p90: [5] }, 0, 1, "W")).toBe("5 W");
  });

  it("tells what the bank takes or gives", () => {
    expect(bankFlow(run, 0)).toBe("into the bank 30 W");
    expect(bankFlow({ ...run, load_w: lane(90, 100, 110) } as TripRun, 0)).toBe("out of the bank 30 W");
  });

  it("guesses the next first of a month", () => {
    expect(firstOf(10, new Date(2026, 5, 1))).toBe("2026-10-01");
    expect(firstOf(3, new Date(2026, 5, 1))).toBe("2027-03-01");
  });
});

describe("the lanes", () => {
  it("are scrubbed with the arrows and say what flows", () => {
    serve();
    mount(<Lanes run={run} dim={false} />);
    const slider = screen.getByRole("slider", { name: "Moment of the trip" });
    fireEvent.keyDown(slider, { key: "ArrowRight" });
    expect(screen.getByText(/charge 30 % \(40 to 80\)/)).toBeTruthy();
    fireEvent.keyDown(slider, { key: "Home" });
    expect(screen.getByText(/charge 60 % \(40 to 80\) · sun 50 W \(0 to 90\) · other sources 20 W .* into the bank 30 W/)).toBeTruthy();
    expect(slider.getAttribute("aria-valuetext")).toContain("charge 60\u202f%");
    fireEvent.keyDown(slider, { key: "Escape" });
    expect(screen.getByText(/Point at a moment/)).toBeTruthy();
    expect(screen.getByText("first short in half of the trips")).toBeTruthy();
  });
});

describe("snow, a heated bank and a generator", () => {
  const generator = {
    planned_h: 8,
    run_h: 6.5,
    made_kwh: 4.2,
    fuel: "petrol",
    unit: "L",
    burnt: 3.1,
    store: 5,
    level: [5, 1.9],
    first_d: 1.5,
    short_frac: 0.6,
  };
  const answers = {
    "GET /api/variants/v/trip/thorough": { job: null, revision: null, run: null },
    "POST /api/quantity": (b: { text: string }) => ({ value: Number(b.text), unit: "h" }),
  };
  const cold = { ...run, generator, bank_heater_wh_day: 210, snow_days: 3.4, snow_wh_day: 55 } as unknown as TripRun;
  it("says what the generator burns and when it is dry, and draws what is left", () => {
    serve(answers);
    mount(<TripSlate run={cold} error={null} />);
    const words = screen.getByRole("region", { name: "Generator on the way" }).textContent;
    expect(words).toMatch(/runs 6\.5.h of 8.h and makes 4\.2 kWh from about 3\.1.L of petrol; in half of the simulated trips the fuel is out on Tue,? 13 Oct/);
    cleanup();
    mount(<Lanes run={cold} dim={false} />);
    fireEvent.keyDown(screen.getByRole("slider", { name: "Moment of the trip" }), { key: "End" });
    expect(screen.getByText(/· generator 1\.9.L/)).toBeTruthy();
  });
  it("is silent about a generator without hours, and says that fuel is not limited", () => {
    serve(answers);
    mount(<TripSlate run={run} error={null} />);
    expect(screen.queryByRole("region", { name: "Generator on the way" })).toBeNull();
    expect(screen.queryByText("days with snow on the panels")).toBeNull();
    cleanup();
    mount(<TripSlate run={{ ...cold, generator: { ...generator, store: null, first_d: null, short_frac: 0 } } as unknown as TripRun} error={null} />);
    expect(screen.getByRole("region", { name: "Generator on the way" }).textContent).toContain("not limited until you enter");
  });
  it("says what snow and the bank's heater take, and asks for the hour of the broom", async () => {
    Object.assign((state.design as unknown as { trips: object }).trips, { snow: true });
    serve(answers);
    mount(<TripSlate run={cold} error={null} />);
    const values = (what: string) => screen.getByText(what).nextElementSibling?.textContent;
    expect(values("the bank’s own heater, a day")).toContain("210");
    expect(values("days with snow on the panels")).toBe("3.4");
    expect(values("sun lost to it, a day")).toContain("55");
    const hour = screen.getByLabelText(/swept off at/);
    fireEvent.change(hour, { target: { value: "9" } });
    fireEvent.keyDown(hour, { key: "Enter" });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/snow_cleared_h", value: 9 }));
    fireEvent.click(screen.getByLabelText(/snow lies on the panels/));
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/snow", value: false }));
  });
});

describe("where schools differ", () => {
  const answers = {
    "GET /api/variants/v/trip/thorough": { job: null, revision: null, run: null },
    "POST /api/quantity": (b: { text: string }) => ({ value: Number(b.text), unit: "" }),
  };
  const trips = () => (state.design as unknown as { trips: object }).trips;
  const years = [
    { year: 2020, short_days: 0, least_soc: 0.5 },
    { year: 2021, short_days: 2, least_soc: 0.21 },
  ];
  it("each is one edit, and clearing one gives back the usual", async () => {
    Object.assign(trips(), { schools: { weather_source: "drawn", kt_autocorr: 0.45, source_order: "sun_first", shed: "tiers", albedo_frac: 0.2 } });
    serve(answers);
    mount(<TripSlate run={run} error={null} />);
    expect(screen.queryByLabelText(/^weather(?!s)/)).toBeNull();
    fireEvent.change(screen.getByLabelText(/^which goes first/), { target: { value: "hookup_first" } });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/schools/source_order", value: "hookup_first" }));
    fireEvent.change(screen.getByLabelText(/^ground around/), { target: { value: "0.8" } });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/schools/albedo_frac", value: 0.8 }));
    fireEvent.click(screen.getByLabelText(/^times are in summer time/));
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/schools/summer_time", value: true }));
    const like = screen.getByLabelText(/^a day is like the one before/);
    fireEvent.change(like, { target: { value: "" } });
    fireEvent.keyDown(like, { key: "Enter" });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/schools/kt_autocorr", value: null }));
  });
  it("a file of several years may be replayed; its years stand with the worst first", async () => {
    Object.assign(trips(), { schools: { weather_source: "drawn" }, places: [{ id: "file_hut", name: "Hut", weather: { years: [{ year: 2020 }] } }] });
    serve(answers);
    mount(<TripSlate run={{ ...run, years, autonomy_d: 1.75 } as unknown as TripRun} error={null} />);
    const lines = within(screen.getByRole("region", { name: "Year by year" })).getAllByRole("listitem");
    expect(lines.map((l) => l.textContent)).toEqual(["2021: short on 2 of 2 days, least charge 21 %", "2020: nothing short, least charge 50 %"]);
    expect(screen.getByText("a full bank with no source at all").nextElementSibling?.textContent).toMatch(/1\.8|1\.75/);
    fireEvent.change(screen.getByLabelText(/^weather(?!s)/), { target: { value: "replay" } });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/schools/weather_source", value: "replay" }));
  });
});

describe("the stage", () => {
  const answers = { "GET /api/variants/v/trip": run, "GET /api/places": places, "GET /api/variants/v/trip/thorough": { job: null, revision: null, run: null } };

  it("lists the places with what runs short there, and adds one", async () => {
    serve(answers);
    mount(<Trips />);
    const row = (await screen.findByText("0.5 of 2")).closest("tr") as HTMLElement;
    expect(within(row).getByText("41 %")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Add a place (n)" }));
    await waitFor(() => expect(sent()).toContainEqual({ op: "add", path: "/trips/legs/-", value: { id: "london", place: "london", days_count: 2 } }));
  });

  it("a leg with a drive may be driven again that day, and every day", async () => {
    serve({ ...answers, "POST /api/quantity": (b: { text: string }) => ({ value: Number.parseFloat(b.text), unit: "h" }) });
    mount(<Trips />);
    fireEvent.click((await screen.findByText("0.5 of 2")).closest("tr")!.querySelector("td")!);
    const slate = screen.getByRole("complementary");
    const again = await within(slate).findByLabelText(/^driving again/);
    expect(within(slate).queryByLabelText(/^and that at/)).toBeNull();
    fireEvent.change(again, { target: { value: "1.5" } });
    fireEvent.keyDown(again, { key: "Enter" });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/legs/0/again_h", value: 1.5 }));
    fireEvent.click(within(slate).getByLabelText(/^so every day of it/));
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/legs/0/drive_daily", value: true }));
    await within(slate).findByLabelText(/^driving, each day/);
  });

  it("begins with a week at home", async () => {
    Object.assign(state.design, { trips: { legs: [], start_date: null }, life: { ...state.design.life, place: "cardiff", from_month: 10 } });
    serve(answers);
    mount(<Trips />);
    fireEvent.click((await screen.findAllByRole("button", { name: "Add a place" }))[0]!);
    await waitFor(() => expect(sent().map((o) => o.path)).toEqual(["/trips/start_date", "/trips/legs/-"]));
    expect(sent()[1]!.value).toMatchObject({ place: "cardiff", days_count: 7 });
  });

  it("says that a bank is missing instead of running", async () => {
    Object.assign(state.design, { power: { bank: null } });
    serve(answers);
    mount(<Trips />);
    expect(await screen.findByRole("status")).toBeTruthy();
    expect(calls.some((c) => c.path.endsWith("/trip"))).toBe(false);
  });
});

describe("the slate", () => {
  it("says what one more part would buy, and when it cannot be told", async () => {
    serve({ "GET /api/variants/v/trip/thorough": { job: null, revision: null, run: null } });
    mount(<TripSlate run={run} error={null} />);
    expect(screen.getByText("-5.0 points")).toBeTruthy();
    expect(screen.getByText("no measurable difference")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Simulate 50 trips" }));
    await waitFor(() => expect(calls.some((c) => c.method === "POST" && c.path === "/api/variants/v/trip/jobs")).toBe(true));
  });

  it("shows a job while it runs, cancels it, and marks an older result", async () => {
    const job = { id: "j", kind: "trip", state: "running", revision: 1, done: 20, whole: 50, error: null, created_at: "2026-10-01T00:00:00" };
    serve({ "GET /api/variants/v/trip/thorough": { job, revision: 9, run } });
    mount(<TripSlate run={run} error={null} />);
    expect(await screen.findByText("40 %")).toBeTruthy();
    expect(screen.getByText(/Of revision 9, before later changes/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Cancel" }));
    await waitFor(() => expect(calls.some((c) => c.path === "/api/jobs/j/cancel")).toBe(true));
  });
});

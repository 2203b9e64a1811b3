import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { tripState } from "../src/shell/Path";
import { itineraryOps } from "../src/stages/trips/BringInItinerary";
import { FindParts } from "../src/stages/trips/FindParts";
import { Lanes } from "../src/stages/trips/Lanes";
import { MonthLedger, monthWords } from "../src/stages/trips/Live";
import { Measured } from "../src/stages/trips/Measured";
import { PlacesView } from "../src/stages/trips/PlacesView";
import { placeKey } from "../src/stages/trips/places";
import type { TripRun } from "../src/stages/trips/run";
import { changeWords, SideBySide } from "../src/stages/trips/SideBySide";
import { Component as Trips } from "../src/stages/trips/Trips";
import { calls, mount, serve, state, where } from "./mounted";

const lane = (low: number, mid: number, high: number) => ({ p10: [low, low], p50: [mid, mid], p90: [high, high] });
const run = {
  draw_count: 50,
  day_count: 2,
  per_day: 1,
  floor_frac: 0.2,
  soc: lane(0.4, 0.6, 0.8),
  sun_w: lane(0, 50, 90),
  load_w: lane(20, 40, 60),
  cabin_c: lane(12, 15, 19),
  fed_w: lane(10, 70, 90),
  histories: {},
  days: [
    { date: "2026-10-12", leg: "a", place: "London", sun_wh: 1, sources_wh: 1, load_wh: 1, missing_wh: 0, least_soc_p10: 0.4, short_frac: 0 },
    { date: "2026-10-13", leg: "a", place: "London", sun_wh: 1, sources_wh: 1, load_wh: 1, missing_wh: 0, least_soc_p10: 0.4, short_frac: 0 },
  ],
  months: [{ month: "2026-10", days: 2, short_frac: 0.25, sun_wh_day: 500, load_wh_day: 900, missing_wh_day: 60, worst_week_wh: 400, least_soc_p10: 0.4 }],
  events: [],
  short_days_frac: 0,
  error_frac: 0,
  least_soc_p10: 0.4,
  least_soc_p50: 0.5,
  least_soc_p90: 0.6,
  first_short_d: null,
  first_short_p50_d: null,
  sun_wh_day: 1,
  driving_wh_day: 0,
  shore_wh_day: 0,
  load_wh_day: 1,
  curtailed_wh_day: 0,
  missing_wh_day: 0,
  buys: [],
  findings: [],
  assumed: [],
} as unknown as TripRun;

const set = (key: string, price: number | null, mass: number, short: number, more: object = {}) => ({
  key,
  words: [`panels of ${key}`, `bank of ${key}`],
  array_w: 400,
  bank_wh: 2560,
  price: price,
  mass_kg: mass,
  short_days_frac: short,
  error_frac: 0.01,
  missing_wh_day: 12,
  least_soc_p10: 0.3,
  meets: short <= 0.02,
  shown: true,
  patch: [{ op: "replace", path: "/power/driving", value: null }],
  ...more,
});
const sizing = {
  goal: "cost",
  target_frac: 0.02,
  front: [set("cheap", 500, 30, 0.4), set("middle", 900, 45, 0.2, { shown: false }), set("good", 1500, 60, 0.01)],
  best: "good",
  now: set("now", 1700, 80, 0.3, { patch: [] }),
  cloud: [[1000, 50, 0.5]],
  dropped: { roof: 1200, cold: 3 },
  lifted: [],
  binding: "If the roof were no limit: more panels.",
  set_count: 4321,
  simulated_count: 999,
  draw_count: 50,
  day_count: 2,
  findings: [],
};
const searched = { job: null, revision: 1, run: sizing };
const parts = [
  {
    key: "lfp-100",
    kind: "battery",
    maker: "Skarnfold",
    name: "Lithium",
    mass_kg: 11,
    price: 390,
    length_mm: 0,
    width_mm: 0,
    data: { chemistry: "lifepo4", unit_voltage_v: 12.8, unit_charge_ah: 100 },
  },
  {
    key: "panel-175",
    kind: "panel",
    maker: "Corrie Glass",
    name: "Panel",
    mass_kg: 10,
    price: 118,
    length_mm: 1480,
    width_mm: 670,
    data: { panel_power_w: 175 },
  },
];
const leg = { id: "a", place: "london", days_count: 2 };
const places = [{ place: "london", name: "London", country: "GB" }];
const answers = {
  "GET /api/variants/v/trip": run,
  "GET /api/places": places,
  "GET /api/catalogue": parts,
  "GET /api/variants/v/trip/thorough": { job: null, revision: null, run: null },
  "GET /api/variants/v/sizing": searched,
};
const sent = () => calls.filter((c) => c.method === "PATCH").flatMap((c) => c.body.ops as { op: string; path: string; value?: unknown }[]);

beforeEach(() => {
  Object.assign(state.design, {
    trips: { start_date: "2026-10-12", legs: [leg], places: [], live: null, draw_count: 50, short_days_frac: 0.02, soc_start_frac: 1 },
    power: { bank: { name: "Bank" } },
    sizing: { goal: "cost", panels_most: 8, voltages: [], chemistries: [], makers: [], own: [], own_only: false },
  });
  Object.assign(state.report, { life: { place_name: "London" } });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("find parts", () => {
  it("names the answer, lists what is shown, and the rest when asked", async () => {
    serve(answers);
    mount(<FindParts />);
    expect(await screen.findByText(/For the least money: panels of good; bank of good\. £1.500, 60.kg, short on 1.% of the days/)).toBeTruthy();
    const grid = screen.getByRole("grid", { name: "Sets of parts" });
    expect(within(grid).getByText("as it is:")).toBeTruthy();
    expect(within(grid).getByText("found:")).toBeTruthy();
    expect(within(grid).queryByText(/panels of middle/)).toBeNull();
    fireEvent.click(screen.getByLabelText("show all 3 best trade-offs"));
    expect(within(grid).getByText(/panels of middle/)).toBeTruthy();
    expect(screen.getByText("If the roof were no limit: more panels.")).toBeTruthy();
    expect(screen.getByText("1,200 left out: no room on the roof")).toBeTruthy();
  });

  it("takes a set over into a new variant, and goes there", async () => {
    serve({ ...answers, "POST /api/variants/v/copy": { id: "new" } });
    mount(<FindParts />);
    fireEvent.click((await screen.findAllByText(/panels of cheap/)).at(-1)!);
    expect(await screen.findByText("A set of parts")).toBeTruthy();
    expect(screen.getByText(/−£1.200, −50.kg/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Make it a variant beside this one" }));
    await waitFor(() => expect(where).toBe("/v/new/trips"));
    const call = calls.find((c) => c.path === "/api/variants/v/copy");
    expect(call?.body).toEqual({ name: "panels of cheap", ops: [{ op: "replace", path: "/power/driving", value: null }] });
  });

  it("puts a set into this variant by an edit that can be undone", async () => {
    serve(answers);
    mount(<FindParts />);
    fireEvent.click((await screen.findAllByText(/panels of cheap/)).at(-1)!);
    fireEvent.click(await screen.findByRole("button", { name: "Put it into this variant" }));
    await waitFor(() => expect(sent()).toEqual([{ op: "replace", path: "/power/driving", value: null }]));
  });

  it("offers nothing to take over of what is there already", async () => {
    serve(answers);
    mount(<FindParts />);
    fireEvent.click(await screen.findByText("as it is:"));
    expect(await screen.findByText("As it is")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Put it into this variant" })).toBeNull();
  });

  it("marks an older answer, and says when no set does", async () => {
    serve({ ...answers, "GET /api/variants/v/sizing": { job: null, revision: 7, run: { ...sizing, best: null } } });
    mount(<FindParts />);
    expect(await screen.findByText(/Of revision 7, before later changes/)).toBeTruthy();
    expect(screen.getByText(/No set keeps to 2.% of the days/)).toBeTruthy();
  });

  it("starts a search and shows how far it is", async () => {
    const job = { id: "j", kind: "sizing", state: "running", revision: 1, done: 250, whole: 1000, error: null, created_at: "2026-10-01T00:00:00" };
    let asked = 0;
    serve({ ...answers, "GET /api/variants/v/sizing": () => ({ job: asked++ ? job : null, revision: null, run: null }) });
    mount(<FindParts />);
    fireEvent.click(await screen.findByRole("button", { name: "Search" }));
    await waitFor(() => expect(calls.some((c) => c.method === "POST" && c.path === "/api/variants/v/sizing/jobs")).toBe(true));
    expect(await screen.findByText("25 %")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Cancel" }));
    await waitFor(() => expect(calls.some((c) => c.path === "/api/jobs/j/cancel")).toBe(true));
  });

  it("writes wishes into the design", async () => {
    serve(answers);
    mount(<FindParts />);
    fireEvent.change(await screen.findByLabelText("best is"), { target: { value: "mass" } });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/sizing/goal", value: "mass" }));
    fireEvent.change(screen.getByLabelText("system voltage"), { target: { value: "12,24" } });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/sizing/voltages", value: [12, 24] }));
    fireEvent.click(screen.getByText("Batteries of all kinds"));
    fireEvent.click(screen.getByLabelText("lead-acid, gel"));
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/sizing/chemistries", value: ["lifepo4", "nmc", "agm", "flooded"] }));
  });

  it("begins a part of one's own as a copy of one of the catalogue", async () => {
    serve(answers);
    mount(<FindParts />);
    fireEvent.click(await screen.findByText("Parts of your own (0)"));
    const add = screen.getByRole("button", { name: "+ battery" });
    await waitFor(() => expect((add as HTMLButtonElement).disabled).toBe(false));
    fireEvent.click(add);
    await waitFor(() =>
      expect(sent()).toContainEqual({
        op: "add",
        path: "/sizing/own/-",
        value: expect.objectContaining({ kind: "battery", name: "My battery", price: 390, unit_charge_ah: 100, cold_charge_cutoff: false }),
      }),
    );
    expect(await screen.findByText("a battery of your own, for the search")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Remove this part" }));
    await waitFor(() => expect(sent().some((o) => o.op === "remove" && o.path.startsWith("/sizing/own/"))).toBe(true));
  });
});

const row = (key: string, kind: string, more: object = {}) => ({
  key,
  kind,
  name: `Supply ${key}`,
  risk: kind === "school" ? "It may freeze." : "",
  words: [`parts of ${key}`],
  price: 1000,
  mass_kg: 50,
  short_days_frac: 0.1,
  error_frac: 0.01,
  change_frac: null,
  differs_known: false,
  missing_wh_day: 5,
  curtailed_wh_day: 10,
  solar_frac: 0.8,
  least_soc_p10: 0.3,
  first_short_d: 1.5,
  generator_h: 3,
  cycles_year: 60,
  dangers: 0,
  faults: 1,
  problem: null,
  patch: kind === "school" ? [{ op: "replace", path: "/power/bank", value: { name: "Lead" } }] : [],
  ...more,
});

describe("side by side", () => {
  it("tells a difference only where there is one", () => {
    expect(changeWords({ change_frac: null, differs_known: false })).toBe("");
    expect(changeWords({ change_frac: 0.01, differs_known: false })).toBe("no difference");
    expect(changeWords({ change_frac: -0.125, differs_known: true })).toBe("−12.5 points");
    expect(changeWords({ change_frac: 0.02, differs_known: true })).toBe("+2.0 points");
  });

  const rows = [
    row("this", "this"),
    row("lead", "school", { change_frac: 0.2, differs_known: true, short_days_frac: 0.3 }),
    row("v2", "variant", { problem: "bank: is missing", short_days_frac: null }),
  ];

  it("lists them, and says what one risks", async () => {
    serve({ ...answers, "GET /api/variants/v/beside": { rows, held: ["the same simulated trips"], draw_count: 50, day_count: 2 } });
    mount(<SideBySide />);
    expect(await screen.findByText(/none runs short less often than this variant/)).toBeTruthy();
    expect(screen.getByText("the same simulated trips")).toBeTruthy();
    expect(screen.getByText("+20.0 points")).toBeTruthy();
    fireEvent.click(screen.getByText("parts of lead"));
    expect(await screen.findByText("It may freeze.")).toBeTruthy();
    expect(screen.getByText(/A generator runs outdoors/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Put it into this variant" }));
    await waitFor(() => expect(sent()).toEqual([{ op: "replace", path: "/power/bank", value: { name: "Lead" } }]));
    fireEvent.click(screen.getByText("parts of v2"));
    expect(await screen.findByText("It can’t be run: bank: is missing")).toBeTruthy();
  });

  it("names the surest when it can be told apart", async () => {
    const better = [rows[0], row("mppt", "school", { short_days_frac: 0.02, change_frac: -0.08, differs_known: true })];
    serve({ ...answers, "GET /api/variants/v/beside": { rows: better, held: [], draw_count: 50, day_count: 2 } });
    mount(<SideBySide />);
    expect(await screen.findByText(/“Supply mppt” runs short least often: on 2.% of the days/)).toBeTruthy();
  });

  it("asks for nothing while a bank is missing", async () => {
    Object.assign(state.design, { power: { bank: null } });
    serve(answers);
    mount(<SideBySide />);
    expect(await screen.findByText(/First a bank is needed/)).toBeTruthy();
    expect(calls.some((c) => c.path.endsWith("/beside"))).toBe(false);
  });
});

describe("places", () => {
  it("gives a key that nothing has yet", () => {
    expect(placeKey("Loch Ness", [])).toBe("loch_ness");
    expect(placeKey("Loch Ness", ["loch_ness", "loch_ness_2"])).toBe("loch_ness_3");
    expect(placeKey("…", [])).toBe("place");
  });

  it("adds a place, and keeps one that the trip needs", async () => {
    Object.assign(state.design, {
      trips: { ...(state.design as never as { trips: object }).trips, places: [{ id: "london", name: "Mooring", lat_deg: 51, lon_deg: 0 }] },
    });
    serve(answers);
    mount(<PlacesView />);
    fireEvent.click(await screen.findByText("Mooring"));
    expect((await screen.findByRole("button", { name: "In the trip: take its legs out first" })) as HTMLButtonElement).toHaveProperty("disabled", true);
    fireEvent.click(screen.getByRole("button", { name: "Add a place (n)" }));
    await waitFor(() =>
      expect(sent()).toContainEqual({ op: "add", path: "/trips/places/-", value: expect.objectContaining({ id: "place_2", name: "Place 2" }) }),
    );
  });

  it("reads a weather file, asks what is open, and takes it", async () => {
    const place = { id: "file_yard", name: "Yard", lat_deg: 50, lon_deg: 8, elevation_m: 100, utc_offset_h: 1, weather: null };
    const open = { kind: "csv", headings: ["a", "b"], columns: {}, asks: ["its latitude"], place: null, day_count: 0, findings: [], summary: "" };
    serve({
      ...answers,
      "POST /api/weather/read": (body: { lat_deg?: number }) => (body.lat_deg ? { ...open, asks: [], place, day_count: 365, summary: "Yard: all well" } : open),
    });
    mount(<PlacesView />);
    fireEvent.click(await screen.findByRole("button", { name: "Import a weather file" }));
    const take = screen.getByRole("button", { name: "Add as a place" }) as HTMLButtonElement;
    expect(take.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText("Weather file"), { target: { files: [new File(["a;b\n1;2"], "yard.csv")] } });
    expect(await screen.findByText("Still to be told: its latitude.")).toBeTruthy();
    const field = screen.getByLabelText("latitude °N");
    fireEvent.change(field, { target: { value: "50" } });
    fireEvent.blur(field);
    expect(await screen.findByText("Yard: all well")).toBeTruthy();
    expect(calls.filter((c) => c.path === "/api/weather/read").at(-1)?.body).toMatchObject({ lat_deg: 50, name: "yard" });
    fireEvent.click(take);
    await waitFor(() => expect(sent()).toContainEqual({ op: "add", path: "/trips/places/-", value: expect.objectContaining({ id: "file_yard" }) }));
  });

  it("refuses a file that is too large before it is read", async () => {
    serve(answers);
    mount(<PlacesView />);
    fireEvent.click(await screen.findByRole("button", { name: "Import a weather file" }));
    const big = new File(["x"], "big.epw");
    Object.defineProperty(big, "size", { value: 13_000_000 });
    fireEvent.change(screen.getByLabelText("Weather file"), { target: { files: [big] } });
    expect(await screen.findByText("big.epw has 13.0 MB; a weather file has at most 12 MB.")).toBeTruthy();
    expect(calls.some((c) => c.path === "/api/weather/read")).toBe(false);
  });
});

describe("an itinerary", () => {
  it("takes the place of the legs, with the places it needs once each", () => {
    const own = { id: "camp", name: "Camp" };
    const ops = itineraryOps(
      [{ id: "old" }],
      [
        { fields: { place: "camp", days_count: 2 }, own_place: own, date: "2026-10-12" },
        { fields: { place: "london", days_count: 1 }, own_place: null, date: "2026-10-14" },
        { fields: { place: "camp", days_count: 1 }, own_place: own, date: null },
      ],
    );
    expect(ops.map((o) => o.path)).toEqual(["/trips/places/-", "/trips/legs", "/trips/live", "/trips/start_date"]);
    expect((ops[1] as { value: { id: string }[] }).value.map((l) => l.id)).toEqual(["camp", "london", "camp-2"]);
    expect(ops[3]).toMatchObject({ value: "2026-10-12" });
    expect(itineraryOps([{ id: "camp" }], [{ fields: { place: "camp" }, own_place: own, date: null }]).map((o) => o.path)).toEqual([
      "/trips/legs",
      "/trips/live",
    ]);
  });
});

describe("living at one place", () => {
  it("is begun and left with a button", async () => {
    serve(answers);
    mount(<Trips />);
    fireEvent.click(await screen.findByRole("button", { name: "Just live there" }));
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/trips/live", value: { place: "london" } }));
  });

  it("shows the months", () => {
    serve();
    mount(<MonthLedger run={run} />);
    expect(monthWords("2027-01")).toBe("January 2027");
    expect(screen.getByText("October 2026")).toBeTruthy();
    expect(screen.getByText(/^25.%$/)).toBeTruthy();
  });
});

describe("measured", () => {
  const beside = {
    first: "2026-10-12T00:00",
    last: "2026-10-14T00:00",
    hours: 48,
    overlap_h: 48,
    soc: [0.5, null],
    load_w: [60, null],
    sun_w: [null, null],
    fit: {
      row_count: 48,
      mean_measured_w: 60,
      base_w: 40,
      fridge_mean_w: 20,
      duty_frac: 0.4,
      rmse_w: 3,
      r2_frac: 0.9,
      simulated_bias_w: -15,
      simulated_bias_frac: -0.25,
      simulated_rmse_w: 16,
    },
    no_fit: null,
    solar_ratio: 0.9,
    takes_over: ["Fridge: runs 40% of the time"],
    patch: [{ op: "replace", path: "/life/people", value: 3 }],
    findings: [],
  };

  it("says how far off the run is and takes the fit over", async () => {
    serve({ ...answers, "GET /api/variants/v/measured": { name: "autumn.csv", beside, problem: null } });
    mount(<Measured />);
    expect(await screen.findByText(/autumn.csv: over 48 hours the run uses 25 % less than was measured/)).toBeTruthy();
    expect(screen.getByText("40 % of the time")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Use the fitted values" }));
    await waitFor(() => expect(sent()).toEqual([{ op: "replace", path: "/life/people", value: 3 }]));
    fireEvent.click(screen.getByRole("button", { name: "Forget this log" }));
    await waitFor(() => expect(calls.some((c) => c.method === "DELETE" && c.path === "/api/variants/v/measured")).toBe(true));
  });

  it("says that a log of another time does not lie in the trip, or why it can't be run", async () => {
    serve({
      ...answers,
      "GET /api/variants/v/measured": {
        name: "old.csv",
        beside: { ...beside, overlap_h: 0, fit: null, no_fit: "the cabin is the same in every row" },
        problem: null,
      },
    });
    mount(<Measured />);
    expect(await screen.findByText(/no hour of it lies in the trip/)).toBeTruthy();
    expect(screen.getByText("No fit: the cabin is the same in every row.")).toBeTruthy();
    cleanup();
    serve({ ...answers, "GET /api/variants/v/measured": { name: "old.csv", beside: null, problem: "bank: is missing" } });
    mount(<Measured />);
    expect(await screen.findByText(/It can’t be laid over a run: bank: is missing/)).toBeTruthy();
  });

  it("asks for columns, then keeps the log", async () => {
    const open = {
      headings: ["t", "v", "a"],
      columns: { time: "t" },
      asks: ["whether a positive current charges or discharges the bank"],
      notes: [],
      lines: 3,
      first: null,
      last: null,
    };
    const told = { ...open, asks: [], notes: ["2 times stand twice; their mean is taken"], first: "2026-10-12T00:00", last: "2026-10-13T00:00" };
    serve({
      ...answers,
      "GET /api/variants/v/measured": { name: null, beside: null, problem: null },
      "POST /api/log/read": (body: { positive?: string }) => (body.positive ? told : open),
      "PUT /api/variants/v/measured": told,
    });
    mount(<Measured />);
    fireEvent.click(await screen.findByRole("button", { name: "Import a log" }));
    fireEvent.change(screen.getByLabelText("Log file"), { target: { files: [new File(["t;v;a"], "log.csv")] } });
    expect(await screen.findByText(/Still to be told: whether a positive current/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText("a positive current"), { target: { value: "charges" } });
    expect(await screen.findByText("2 times stand twice; their mean is taken")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Import 3 lines" }));
    await waitFor(() => expect(calls.find((c) => c.method === "PUT")?.body).toMatchObject({ name: "log.csv", positive: "charges" }));
  });

  it("draws the log over the lanes", () => {
    serve();
    const { container } = mount(<Lanes run={run} dim={false} measured={beside} />);
    expect(container.querySelectorAll("path[data-measured]").length).toBe(3);
    expect(screen.getByText(/Red: measured charge and use/)).toBeTruthy();
  });
});

describe("the views", () => {
  it("are turned to by their buttons and kept in the address", async () => {
    serve({
      ...answers,
      "GET /api/variants/v/beside": { rows: [], held: [], draw_count: 1, day_count: 1 },
      "GET /api/variants/v/measured": { name: null, beside: null, problem: null },
    });
    mount(<Trips />);
    for (const [word, text] of [
      ["Find parts", /For the least money/],
      ["Side by side", /Approaches side by side/],
      ["Places", /Places of your own/],
      ["Measured", /After moving in/],
    ] as const) {
      fireEvent.click(await screen.findByRole("button", { name: word }));
      expect(await screen.findByText(text)).toBeTruthy();
      expect(screen.getByRole("button", { name: word }).getAttribute("aria-pressed")).toBe("true");
    }
    fireEvent.click(screen.getByRole("button", { name: "Trip" }));
    expect(await screen.findByRole("button", { name: "Add a place (n)" })).toBeTruthy();
  });
});

describe("the path", () => {
  it("piles up the cairn of Trips from its run", () => {
    const f = (severity: string, accepted: string | null = null) => ({ stage: "trips", severity, accepted }) as never;
    expect(tripState([], false, false)).toEqual({ dangers: 0, faults: 0, stones: 0 });
    expect(tripState([], true, false).stones).toBe(1);
    expect(tripState([f("note")], true, true).stones).toBe(3);
    expect(tripState([f("fault"), f("danger")], true, true)).toEqual({ dangers: 1, faults: 1, stones: 2 });
    expect(tripState([f("fault", "known")], true, true).stones).toBe(3);
  });
});

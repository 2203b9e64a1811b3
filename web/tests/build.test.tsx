/** Build on a small van: the weeks with what was kept, a sooner order, money by service, the days ahead. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { WeekSheet } from "../src/print/WeekSheet";
import { Component as BuildStage } from "../src/stages/build/Build";
import laid from "./fixtures/laid.json";
import { calls, mount, serve, state } from "./mounted";
import { onDesign } from "./onstage";

const BETTER = { now: "2027-06-30T17:00", end: "2027-06-12T17:00", bound: "2027-06-01T17:00", saved_days: 18, gap: 0.1, tries: 900, moved: 12 };
const ANSWERS = {
  "GET /api/variants/v/build": laid.plan,
  "GET /api/variants/v/build/better": { ...BETTER, order: ["deep-clean", "strip-out"] },
  "GET /api/variants/v/build/forecast": { source: "the met office of the test", days: [{ day: "2027-03-07", low_c: 1, high_c: 8, rain_frac: 0.2 }] },
  "POST /api/quantity": (body: { text: string }) => ({ value: Number.parseFloat(body.text), unit: "°C", understood: body.text, awg: null }),
};
const FACTS = { log: [], stock: [], quotes: [], purchases: [], seen: [], closings: [], photos: [], punch: [], as_built: [] };
const { slate, ops, sent } = onDesign({ design: { build: laid.build, facts: FACTS }, report: {}, figures: {}, findings: [] } as never, ANSWERS);
const open = async (view: string) => {
  mount(<BuildStage />, `/v/v/build?day=2027-03-06&view=${view}`);
  await waitFor(() => expect(screen.queryByText("Planning…")).toBeNull());
};
const press = (name: string | RegExp) => fireEvent.click(within(slate()).getByRole("button", { name }));

describe("the plan", () => {
  it("shows under the weeks what was kept, and how far the end moved since", async () => {
    await open("weeks");
    expect(screen.getAllByTestId("kept")).toHaveLength(1);
    expect(slate().textContent).toMatch(/Kept on Mon 1 Feb 2027, to be done on Sat 1 May 2027: now \d+ days (later|sooner)/);
    press("Forget it");
    expect(await ops()).toEqual([{ op: "replace", path: "/build/baseline", value: null }]);
    press("Keep today’s instead");
    const [op] = (await ops(2)) as { value: { day: string; tasks: Record<string, string[]> } }[];
    expect(op!.value.day).toBe("2027-03-06");
    expect(Object.values(op!.value.tasks).every(([from, to]) => from! <= to!)).toBe(true);
    expect(Object.keys(op!.value.tasks).length).toBeGreaterThan(10);
  });
  it("asks for an order that ends sooner, and takes it as one edit", async () => {
    await open("weeks");
    press("Could it be done sooner?");
    expect(await within(slate()).findByText(/18 days sooner/)).toBeTruthy();
    expect(slate().textContent).toContain("12 tasks begin on another day");
    expect(slate().textContent).toContain("isn’t done before Tue 1 Jun 2027");
    press("Use this order");
    expect(await ops()).toEqual([{ op: "replace", path: "/build/order", value: ["deep-clean", "strip-out"] }]);
  });
  it("says so when no order is sooner, and when it can't be searched", async () => {
    serve({ ...ANSWERS, "GET /api/variants/v/build/better": { ...BETTER, saved_days: 0, order: [] } });
    await open("weeks");
    press("Could it be done sooner?");
    expect(await within(slate()).findByText(/No order of 900 ends sooner/)).toBeTruthy();
  });
});

describe("money by service", () => {
  it("is set aside, shows what is over, and is taken away by an empty field", async () => {
    await open("log");
    const money = screen.getByRole("region", { name: "Money" });
    const field = within(money).getByLabelText("Budget of workshop") as HTMLInputElement;
    expect(field.value).toBe("40");
    fireEvent.change(field, { target: { value: "lots" } });
    fireEvent.blur(field);
    expect(field.getAttribute("aria-invalid")).toBe("true");
    fireEvent.change(field, { target: { value: "1250,50" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(await ops()).toEqual([{ op: "replace", path: "/build/budgets", value: { workshop: 1250.5 } }]);
    fireEvent.change(field, { target: { value: "" } });
    fireEvent.blur(field);
    expect(await ops(2)).toEqual([{ op: "replace", path: "/build/budgets", value: {} }]);
  });
});

describe("the days ahead", () => {
  it("are taken from the service as one edit with who says so", async () => {
    await open("weeks");
    press("Take the forecast");
    expect(await ops()).toEqual([
      { op: "replace", path: "/build/coming", value: [{ day: "2027-03-07", low_c: 1, high_c: 8, rain_frac: 0.2 }] },
      { op: "replace", path: "/build/coming_from", value: "the met office of the test" },
    ]);
  });
  it("say when nobody answers, and are typed day by day", async () => {
    serve({ ...ANSWERS, "GET /api/variants/v/build/forecast": { status: 503, body: { error: { key: "forecast", message: "no forecast service answers" } } } });
    await open("weeks");
    press("Take the forecast");
    expect((await within(slate()).findByRole("alert")).textContent).toContain("no forecast service answers");
    press("Add a day");
    const [op] = (await ops()) as { value: { day: string; low_c: number }[] }[];
    expect(op!.value.map((d) => d.day)).toEqual(["2027-03-06", "2027-03-07"]);
    const low = within(slate()).getByLabelText("Low of 2027-03-06");
    fireEvent.change(low, { target: { value: "12 °C" } });
    fireEvent.keyDown(low, { key: "Enter" });
    await waitFor(() => expect(calls.some((c) => c.path === "/api/quantity")).toBe(true));
    const [second] = (await ops(2)) as { value: { low_c: number; high_c: number }[] }[];
    expect(second!.value[0], "the high goes with a low above it").toMatchObject({ low_c: 12, high_c: 12 });
  });
});

describe("what is in stock", () => {
  const cable = laid.plan.shopping.find((x) => x.status === "planned")!;
  const cut = (place: string) => [
    { source: "offcut", stock: "old", place, length_m: 4, pieces: [{ of: "A1+", length_m: 3.2 }], left_m: 0.8, keep: true },
    { source: "pack", stock: "", place: "", length_m: 5, pieces: [{ of: "A2+", length_m: 4.8 }], left_m: 0.2, keep: false },
  ];
  const withStock = (more: object) => {
    const plan = { ...laid.plan, shopping: laid.plan.shopping.map((x) => (x.key === cable.key ? { ...x, unit: "m", ...more } : x)) };
    serve({ ...ANSWERS, "GET /api/variants/v/build": plan });
  };
  it("is cut by a list that says from where, and what is left goes back with its place in one edit", async () => {
    withStock({ cuts: cut("shelf 2") });
    mount(<BuildStage />, `/v/v/build?day=2027-03-06&view=shopping&hand=buy:${cable.key}`);
    await waitFor(() => expect(slate().textContent).toContain("Offcut of 4.00 m, shelf 2: A1+ 3.20 m; left 0.80 m"));
    expect(slate().textContent).toContain("New, 5 m: A2+ 4.80 m; left 0.20 m");
    fireEvent.change(within(slate()).getByLabelText("Where the offcuts lie"), { target: { value: " blue box " } });
    press("All cut: keep 1 offcut");
    const done = (await ops()) as { op: string; path: string; value: Record<string, unknown> }[];
    expect(done.map((o) => [o.op, o.path])).toEqual([
      ["add", "/facts/stock/-"],
      ["add", "/facts/purchases/-"],
    ]);
    expect(done[0]!.value).toMatchObject({ line: cable.key, amount: 0.8, unit: "m", place: "blue box", on: "2027-03-06" });
    expect(done[1]!.value).toMatchObject({ id: cable.key, status: "fitted" });
  });
  it("is added to a line with where it lies, and not without an amount", async () => {
    withStock({ cuts: [] });
    mount(<BuildStage />, `/v/v/build?day=2027-03-06&view=shopping&hand=buy:${cable.key}`);
    const amount = await waitFor(() => within(slate()).getByLabelText(`In stock of ${cable.name}`));
    expect(within(slate()).getByRole("button", { name: "Add to stock" }).hasAttribute("disabled")).toBe(true);
    fireEvent.change(amount, { target: { value: "2.5 m" } });
    fireEvent.keyDown(amount, { key: "Enter" });
    fireEvent.change(within(slate()).getByLabelText("Where it lies"), { target: { value: "hook" } });
    await waitFor(() => expect(within(slate()).getByRole("button", { name: "Add to stock" }).hasAttribute("disabled")).toBe(false));
    press("Add to stock");
    const [op] = (await ops()) as { path: string; value: Record<string, unknown> }[];
    expect(op).toMatchObject({ path: "/facts/stock/-", value: { line: cable.key, amount: 2.5, unit: "m", place: "hook" } });
  });
  it("says so while there is nothing", async () => {
    await open("shopping");
    fireEvent.click(screen.getByRole("button", { name: "In stock…" }));
    expect(within(screen.getByRole("region", { name: "In stock" })).getByText(/Nothing yet/)).toBeTruthy();
  });
});

describe("the list", () => {
  it("stands by the day to order, what has none last, and by shop", async () => {
    const [a, b, c] = laid.plan.shopping as [(typeof laid.plan.shopping)[0], (typeof laid.plan.shopping)[0], (typeof laid.plan.shopping)[0]];
    const quote = { supplier: "Anvil & Sons", price: 5, lead_days: 2, until: "", holds: true };
    const shopping = [
      { ...a, name: "First on the list", order_by: null, quote: null },
      { ...b, name: "Second", order_by: "2027-05-02", quote },
      { ...c, name: "Third", order_by: "2027-04-01", quote: null },
    ];
    serve({ ...ANSWERS, "GET /api/variants/v/build": { ...laid.plan, shopping } });
    await open("shopping");
    const names = () => [...(document.body.textContent ?? "").matchAll(/First on the list|Second|Third/g)].map((m) => m[0]);
    expect(names()).toEqual(["First on the list", "Second", "Third"]);
    const order = screen.getByLabelText("In the order of");
    fireEvent.change(order, { target: { value: "order" } });
    expect(names()).toEqual(["Third", "Second", "First on the list"]);
    fireEvent.change(order, { target: { value: "shop" } });
    expect(names()[0]).toBe("Second");
    expect(document.body.textContent).toContain("Anvil & Sons");
  });
  it("says until when a thing may go back and how long it is under warranty", async () => {
    const [a] = laid.plan.shopping;
    const shopping = [{ ...a!, status: "received", return_by: "2027-03-07", warranty_until: "2029-03-06" }];
    serve({ ...ANSWERS, "GET /api/variants/v/build": { ...laid.plan, shopping } });
    mount(<BuildStage />, `/v/v/build?day=2027-03-06&view=shopping&hand=buy:${a!.key}`);
    await waitFor(() => expect(slate().textContent).toContain("It may go back until Sun 7 Mar, one day more."));
    expect(slate().textContent).toContain("Under warranty until Tue 6 Mar 2029.");
  });
});

describe("quotes", () => {
  const line = laid.plan.shopping[0]!;
  const quote = { id: line.key, supplier: "A shop", price: 88.5, lead_days: 1, in_stock: false, pack: "", on: "2027-03-06", until: "2027-03-20" };
  const offer = {
    source: "A shop",
    separator: "",
    columns: {},
    ignored_columns: [],
    lines: [{ number: 1, status: "taken", text: "", understood: "", problem: null, key: line.key, name: line.name, guide: 80, quote }],
    left: ["Something else"],
    taken: 1,
    wrong: 0,
  };
  it("are asked for, looked at, and kept as one edit", async () => {
    serve({ ...ANSWERS, "GET /api/variants/v/build/quotes": offer });
    await open("shopping");
    fireEvent.click(screen.getByRole("button", { name: "Quotes…" }));
    fireEvent.click(screen.getByRole("button", { name: "Ask the supplier" }));
    const keep = await screen.findByRole("button", { name: "Keep 1 quote" });
    const shown = screen.getByRole("region", { name: "Quotes" });
    expect(shown.textContent).toContain("1 line without a quote");
    expect(shown.textContent).toContain("1 day, to be ordered in");
    fireEvent.click(keep);
    expect(await ops()).toEqual([{ op: "add", path: "/facts/quotes/-", value: quote }]);
  });
  it("say when no supplier answers", async () => {
    serve({ ...ANSWERS, "GET /api/variants/v/build/quotes": { status: 503, body: { error: { key: "quotes", message: "no supplier’s service answers" } } } });
    await open("shopping");
    fireEvent.click(screen.getByRole("button", { name: "Quotes…" }));
    fireEvent.click(screen.getByRole("button", { name: "Ask the supplier" }));
    expect((await screen.findByRole("alert")).textContent).toContain("no supplier’s service answers");
  });
});

describe("the air of a cure", () => {
  it("is kept with the entry, in the reader's words, and a humidity that is none is refused", async () => {
    const curing = laid.plan.tasks.find((t) => t.cure && t.state !== "done")!;
    mount(<BuildStage />, `/v/v/build?day=2027-03-06&view=tasks&hand=task:${curing.id}`);
    const hours = await waitFor(() => within(slate()).getByLabelText(`Hours of ${curing.name}`));
    fireEvent.change(hours, { target: { value: "2" } });
    const humid = within(slate()).getByLabelText(`Humidity at ${curing.name}, %`);
    fireEvent.change(humid, { target: { value: "650" } });
    press("Done");
    expect((await within(slate()).findByRole("alert")).textContent).toContain("1 to 100");
    const warm = within(slate()).getByLabelText(`Temperature at ${curing.name}`);
    fireEvent.change(warm, { target: { value: "14 °C" } });
    fireEvent.keyDown(warm, { key: "Enter" });
    await waitFor(() => expect((within(slate()).getByLabelText(`Temperature at ${curing.name}`) as HTMLInputElement).value).toContain("14"));
    fireEvent.change(humid, { target: { value: "65 %" } });
    press("Done");
    const [op] = (await ops()) as { value: Record<string, unknown> }[];
    expect(op!.value).toMatchObject({ task: curing.id, hours: 2, temp_c: 14, rh_frac: 0.65 });
  });
});

describe("small things to mend", () => {
  it("are written down with where they are, ticked off and struck", async () => {
    await open("log");
    const region = screen.getByRole("region", { name: "Small things to mend" });
    const add = within(region).getByRole("button", { name: "Add" });
    expect(add.hasAttribute("disabled")).toBe(true);
    fireEvent.change(within(region).getByLabelText("Something to mend"), { target: { value: " Rattle behind the fridge " } });
    fireEvent.change(within(region).getByLabelText("Where it is"), { target: { value: "cabinet" } });
    fireEvent.click(within(region).getByRole("checkbox", { name: "before it is handed over" }));
    fireEvent.click(add);
    const [op] = (await ops()) as { path: string; value: Record<string, unknown> }[];
    expect(op).toMatchObject({ path: "/facts/punch/-", value: { name: "Rattle behind the fridge", zone: "cabinet", must: true, on: "2027-03-06" } });
  });
  it("that are mended say when", async () => {
    const facts = { ...FACTS, punch: [{ id: "p", name: "Drip", must: true, zone: "", on: "", done_on: "" }] };
    Object.assign(state.design, { facts });
    Object.assign(state.recorded, { facts });
    await open("log");
    const region = screen.getByRole("region", { name: "Small things to mend" });
    expect(region.textContent).toContain("before it is handed over");
    fireEvent.click(within(region).getByRole("checkbox", { name: /Drip/ }));
    expect(await ops()).toEqual([{ op: "replace", path: "/facts/punch/0", value: expect.objectContaining({ id: "p", done_on: "2027-03-06" }) }]);
  });
});

describe("built otherwise", () => {
  const danger = {
    id: "x:c1",
    rule: "x",
    severity: "danger",
    title: "The fuse is too large",
    message: "40 A protect a cable for 20 A.",
    subject: "c1",
    subject_name: "Lamp feed",
  };
  const choose = async () => {
    Object.assign(state.design, { wiring: { boards: [], circuits: [{ id: "c1", name: "Lamp feed", fuse_a: 10, length_m: 3, area_mm2: 2.5 }] } });
    await open("log");
    const region = screen.getByRole("region", { name: "Built otherwise" });
    fireEvent.change(within(region).getByLabelText("What was built otherwise"), { target: { value: "circuit:c1" } });
    fireEvent.change(within(region).getByLabelText("Which of its values"), { target: { value: "fuse_a" } });
    const field = within(region).getByLabelText("fuse as built");
    fireEvent.change(field, { target: { value: "40 A" } });
    fireEvent.keyDown(field, { key: "Enter" });
    await waitFor(() => expect(within(region).getByRole("button", { name: "What does it change?" }).hasAttribute("disabled")).toBe(false));
    fireEvent.change(within(region).getByLabelText("Why"), { target: { value: "the box had no 10 A" } });
    fireEvent.click(within(region).getByRole("button", { name: "What does it change?" }));
    return region;
  };
  it("shows the findings that come of it before the design follows, and keeps what was designed", async () => {
    serve({ ...ANSWERS, "POST /api/variants/v/preview": { change: { gone: [], figures: {}, sections: { findings: [danger] } } } });
    const region = await choose();
    expect(await within(region).findByText(/The fuse is too large/)).toBeTruthy();
    fireEvent.click(within(region).getByRole("button", { name: "It was built so all the same" }));
    const [entry] = (await ops(2)) as { path: string; value: object }[];
    expect(sent()[0]).toEqual([{ op: "replace", path: "/wiring/circuits/0/fuse_a", value: 40 }]);
    expect(entry).toMatchObject({
      path: "/facts/as_built/-",
      value: { of: "circuit:c1", name: "Lamp feed", value: "fuse", designed: "10 A", built: "40 A", reason: "the box had no 10 A", on: "2027-03-06" },
    });
  });
  it("says so when nothing bad comes of it", async () => {
    serve({ ...ANSWERS, "POST /api/variants/v/preview": { change: { gone: [], figures: {}, sections: { findings: [] } } } });
    const region = await choose();
    expect(await within(region).findByText("This change brings no danger or problem.")).toBeTruthy();
    expect(within(region).getByRole("button", { name: "It was built so" })).toBeTruthy();
  });
});

describe("the weeks closer", () => {
  it("show a week by day with names, and turn to the next", async () => {
    await open("weeks");
    fireEvent.click(screen.getByRole("button", { name: "a week, by day" }));
    const picture = screen.getByRole("group", { name: "The plan by zones and weeks" });
    const shown = () =>
      within(picture)
        .getAllByRole("button")
        .map((x) => x.getAttribute("aria-label")!.split(",")[0]);
    const first = shown();
    expect(first.length).toBeGreaterThan(0);
    expect(first.length).toBeLessThan(laid.plan.tasks.length);
    const words = [...picture.querySelectorAll("text")].map((x) => x.textContent ?? "");
    expect(words).toEqual(expect.arrayContaining(["Sat 6 Mar", "Fri 12 Mar"]));
    expect(words.some((x) => x.startsWith(first[0]!))).toBe(true);
    expect(screen.getByRole("button", { name: "Earlier" }).hasAttribute("disabled")).toBe(true);
    fireEvent.click(screen.getByRole("button", { name: "Later" }));
    expect(picture.textContent).toContain("Sat 13 Mar");
    expect(shown()).not.toEqual(first);
    fireEvent.click(screen.getByRole("button", { name: "whole plan" }));
    expect(shown().length).toBeGreaterThan(first.length);
  });
});

describe("the week on paper", () => {
  it("says for each day what is done when, and what must be ordered", async () => {
    mount(<WeekSheet />, "/v/v/print/week?day=2027-03-06");
    await waitFor(() => expect(screen.queryByText("Planning…")).toBeNull());
    const begun = laid.plan.tasks.find((t) => t.pieces.some(([s]) => s!.startsWith("2027-03-06")))!;
    expect(document.body.textContent).toContain("Sat 6 Mar");
    expect(document.body.textContent).toContain(begun.name);
    expect(document.body.textContent).toContain(`${begun.pieces[0]![0]!.slice(11, 16)} to `);
    expect(screen.getAllByText("nobody works by the plan").length).toBeGreaterThan(0);
  });
});

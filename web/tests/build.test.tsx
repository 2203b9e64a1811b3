/** Build on a small van: the weeks with what was kept, a sooner order, money by service, the days ahead. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { Component as BuildStage } from "../src/stages/build/Build";
import laid from "./fixtures/laid.json";
import { calls, mount, serve } from "./mounted";
import { onDesign } from "./onstage";

const BETTER = { now: "2027-06-30T17:00", end: "2027-06-12T17:00", bound: "2027-06-01T17:00", saved_days: 18, gap: 0.1, tries: 900, moved: 12 };
const ANSWERS = {
  "GET /api/variants/v/build": laid.plan,
  "GET /api/variants/v/build/better": { ...BETTER, order: ["deep-clean", "strip-out"] },
  "GET /api/variants/v/build/forecast": { source: "the met office of the test", days: [{ day: "2027-03-07", low_c: 1, high_c: 8, rain_frac: 0.2 }] },
  "POST /api/quantity": (body: { text: string }) => ({ value: Number.parseFloat(body.text), unit: "°C", understood: body.text, awg: null }),
};
const { slate, ops } = onDesign({ design: { build: laid.build }, report: {}, figures: {}, findings: [] } as never, ANSWERS);
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

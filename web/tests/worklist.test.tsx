/** The worklist: groups, before and after in one line, several remedies as one change, answers, filters, keyboard. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Design, Finding } from "../src/data/client";
import { changes, doing, placeWords, together, valueWord } from "../src/data/worklist";
import { Component as Worklist } from "../src/stages/worklist/Worklist";
import { finding, mount } from "./mounted";
import { onDesign } from "./onstage";

const one = (id: string, more: object = {}) => finding(id, "fault", { rests_on: [], answers: [], ...more });
const set = (path: string, value: unknown) => ({ op: "replace", path, value });
const CIRCUIT = "/wiring/circuits/0";
const findings = [
  one("thin", { severity: "danger", fix: { label: "Fit 4 mm²", patch: [{ op: "test", path: `${CIRCUIT}/id`, value: "c1" }, set(`${CIRCUIT}/area_mm2`, 4)] } }),
  one("fuse", { fix: { label: "Fit 10 A", patch: [{ op: "test", path: `${CIRCUIT}/id`, value: "c1" }, set(`${CIRCUIT}/fuse_a`, 10)] } }),
  one("gas-test", { stage: "gas", subject: "test", subject_name: "Leak test" }),
  one("far", { severity: "advice", rests_on: ["length of Lamp"] }),
  one("where", { severity: "question", title: "Is there an isolator?", answers: [{ label: "Yes, for 300 A", patch: [set("/wiring/isolator_a", 300)] }] }),
  one("loud", { severity: "advice", accepted: "it is in the garage" }),
  one("nice", { severity: "note" }),
];
/** As the server names and measures fields. */
const LABELS = { area_mm2: { label: "cross-section", unit: "mm²" }, awg: { label: "wire size", unit: "" }, length_m: { label: "length", unit: "m" } };
const design = {
  wiring: { boards: [], circuits: [{ id: "c1", name: "Lamp", area_mm2: 2.5, fuse_a: 15, awg: null }] },
  accepted: [{ finding: "loud", reason: "it is in the garage", by: "you", at: "now" }],
};
const { ops } = onDesign({ design, report: {}, figures: {}, findings }, { "GET /api/labels": LABELS, preview: { change: { findings } } });

describe("what is to be done", () => {
  it("asks for what isn't said, presses what is definite, sends gas to its trade, builds the rest", () => {
    expect(findings.map((f) => doing(f as unknown as Finding))).toEqual(["press", "press", "trade", "build", "say", "kept", "know"]);
  });
  it("tells a change in one line: old and new with the unit of the key, what stays is left out", () => {
    const d = design as unknown as Design;
    expect(changes(d, [set(`${CIRCUIT}/area_mm2`, 4), set(`${CIRCUIT}/fuse_a`, 15)] as never, "metric", LABELS)).toEqual([
      "cross-section 2.5\u00a0mm² → 4\u00a0mm²",
    ]);
    expect(changes(d, [set(`${CIRCUIT}/awg`, "10"), set(`${CIRCUIT}/length_m`, 3)] as never, "us", LABELS)).toEqual([
      "wire size not entered → 10 AWG",
      "length not entered → 9.84\u00a0ft",
    ]);
    expect(
      changes(
        d,
        [
          { op: "add", path: "/wiring/circuits/-", value: { name: "Pump" } },
          { op: "remove", path: CIRCUIT },
        ] as never,
        "metric",
        LABELS,
      ),
    ).toEqual(["+ Pump", "− Lamp"]);
  });
  it("names a field by its key until its label is there", () => {
    expect(changes(design as unknown as Design, [set(`${CIRCUIT}/parallel_count`, 2)] as never, "metric", {})).toEqual(["parallel count not entered → 2"]);
  });
  it("names a place by its field and the thing round it, and a value in its unit", () => {
    const d = design as unknown as Design;
    const name = (d.wiring?.circuits ?? [])[0]?.name;
    expect(placeWords(d, `${CIRCUIT}/length_m`, LABELS)).toEqual({ what: `${LABELS.length_m?.label} of “${name}”`, unit: "m" });
    expect(placeWords(d, "/life/people", LABELS).what).toBe("people");
    expect(placeWords(d, "/life/drive_h_per_day", LABELS).what, "before the labels have come").toBe("drive h per day");
    expect([valueWord(3.048, "m", "us"), valueWord(3, "h", "metric"), valueWord(null, "m", "us"), valueWord(true, "", "us")]).toEqual([
      "10\u00a0ft",
      "3\u00a0h",
      "not entered",
      "yes",
    ]);
  });
  it("tells a choice by its words, and a thing that is named by its name, also one that comes with the change", () => {
    const d = design as unknown as Design;
    const line = { op: "add", path: "/life/appliances/-", value: { id: "water-heater", name: "Heater of “Grey”" } };
    expect(changes(d, [line, set("/water/tanks/0/appliance", "water-heater")] as never, "metric", LABELS)).toEqual([
      "+ Heater of “Grey”",
      "appliance not entered → Heater of “Grey”",
    ]);
    expect(changes(d, [set(`${CIRCUIT}/installation`, "free_air"), set("/gas/solenoid/circuit", "c1")] as never, "metric", {})).toEqual([
      "installation not entered → free air",
      "circuit not entered → Lamp",
    ]);
    expect(valueWord("nobody_wrote_this", "", "metric"), "a key that has no words yet").toBe("nobody wrote this");
  });
  it("puts remedies together without doubles, removals last and from the end", () => {
    const gone = (i: number) => one(`g${i}`, { fix: { label: "out", patch: [{ op: "remove", path: `/wiring/circuits/${i}` }] } });
    const all = together([findings[0], gone(2), gone(11), findings[1]] as unknown as Finding[]);
    expect(all.map((o) => o.path)).toEqual([`${CIRCUIT}/id`, `${CIRCUIT}/area_mm2`, `${CIRCUIT}/fuse_a`, "/wiring/circuits/11", "/wiring/circuits/2"]);
  });
});

describe("the list", () => {
  const section = (name: string) => screen.getByRole("region", { name });
  it("says how many are open and groups them by what to do, each change by the names of its fields", async () => {
    mount(<Worklist />);
    expect(screen.getByRole("main").textContent).toContain("1 danger, 2 problems, 1 piece of advice, 1 question open in this design.");
    expect(within(section("Press it")).getAllByRole("listitem").length).toBe(2);
    expect(within(section("Call a licensed trade")).getByText("gas-test title")).toBeTruthy();
    expect(within(section("Build it")).getByText("Rests on what is only assumed: length of Lamp.")).toBeTruthy();
    expect(within(section("Accepted with a reason")).getByText(/it is in the garage/)).toBeTruthy();
    const change = () => within(section("Press it")).getAllByTestId("before-after")[0]?.textContent;
    await waitFor(() => expect(change()).toBe("cross-section 2.5\u00a0mm² → 4\u00a0mm²"));
  });
  it("applies what is ticked as one change", async () => {
    mount(<Worklist />);
    fireEvent.click(screen.getByLabelText("Tick all of them"));
    fireEvent.click(screen.getByRole("button", { name: "Apply 2 as one change" }));
    expect(((await ops()) as { op: string }[]).filter((o) => o.op !== "test")).toEqual([set(`${CIRCUIT}/area_mm2`, 4), set(`${CIRCUIT}/fuse_a`, 10)]);
  });
  it("answers a question with one press, keeps with a reason and opens again", async () => {
    mount(<Worklist />);
    fireEvent.click(screen.getByRole("button", { name: "Yes, for 300 A" }));
    expect(await ops()).toEqual([set("/wiring/isolator_a", 300)]);
    fireEvent.click(within(section("Accepted with a reason")).getByRole("button", { name: "Reopen" }));
    expect(await ops(2)).toEqual([{ op: "remove", path: "/accepted/0" }]);
    fireEvent.click(within(section("Build it")).getByRole("button", { name: "Accept with a reason…" }));
    fireEvent.change(screen.getByLabelText("Reason"), { target: { value: "measured twice" } });
    fireEvent.click(screen.getByRole("button", { name: "Keep" }));
    expect(((await ops(3)) as { value: object }[])[0]?.value).toMatchObject({ finding: "far", reason: "measured twice" });
  });
  it("filters by severity, stage and words, and goes from line to line by arrows", () => {
    mount(<Worklist />);
    fireEvent.change(screen.getByLabelText("Of stage"), { target: { value: "gas" } });
    expect(screen.getAllByRole("listitem").length).toBe(1);
    fireEvent.change(screen.getByLabelText("Of stage"), { target: { value: "" } });
    fireEvent.change(screen.getByLabelText("Severity"), { target: { value: "fault" } });
    expect(screen.getAllByRole("listitem").length).toBe(2);
    fireEvent.change(screen.getByLabelText("Words"), { target: { value: "nothing of it" } });
    expect(screen.getByText("Nothing fits these filters.")).toBeTruthy();
    fireEvent.change(screen.getByLabelText("Words"), { target: { value: "" } });
    const links = screen.getAllByRole("link");
    links[0]?.focus();
    fireEvent.keyDown(links[0] as HTMLElement, { key: "ArrowDown" });
    expect(document.activeElement).toBe(links[1]);
  });
});

/** A stage's views on its fixture: what every test of them needs before and after, and how it looks at the slate and at what was sent. */
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, expect, vi } from "vitest";
import { calls, serve, state } from "./mounted";

type Fixture = { design: object; facts: object; report: object; vehicle: object; figures: object; findings: object[] };
const plain = structuredClone(state);

/** One stage of a design; everything else stays as it is mounted. */
export function onStage(stage: "warmth" | "water" | "gas", fixture: Fixture, answers: Record<string, unknown> = {}) {
  const whole = {
    ...fixture,
    design: { [stage]: fixture.design, facts: fixture.facts },
    report: { [stage]: fixture.report, vehicle: fixture.vehicle, region_name: "United Kingdom", licensed: "Mains work: a qualified electrician." },
  };
  const around = onDesign(whole, answers);
  beforeEach(() => Object.assign(state.report.stages, { [stage]: { stones: 2, dangers: 1, faults: 2 } }));
  return around;
}

/** Parts of a design and of its report, as a fixture has them. */
export function onDesign(fixture: Omit<Fixture, "vehicle" | "facts">, answers: Record<string, unknown> = {}) {
  beforeEach(() => {
    localStorage.clear();
    Object.assign(state.design, structuredClone(fixture.design));
    state.recorded.facts = structuredClone(state.design.facts);
    Object.assign(state.report, structuredClone(fixture.report), {
      figures: { ...plain.report.figures, ...fixture.figures },
      findings: structuredClone(fixture.findings),
    });
    serve(answers);
  });
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    Object.assign(state, structuredClone(plain));
  });
  const slate = () => screen.getByRole("complementary");
  const sent = () => calls.filter((c) => c.method === "PATCH").map((c) => c.body.ops);
  return {
    slate,
    sent,
    /** What the latest edit sent, once there are so many. */
    ops: async (count = 1) => {
      await waitFor(() => expect(sent()).toHaveLength(count));
      return sent().at(-1);
    },
    press: (name: string | RegExp) => fireEvent.click(within(slate()).getByRole("button", { name })),
    change: (label: string | RegExp, value: string) => fireEvent.change(within(slate()).getByLabelText(label), { target: { value } }),
  };
}

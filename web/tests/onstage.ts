/** A stage's views on its fixture: what every test of them needs before and after, and how it looks at the slate and at what was sent. */
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, expect, vi } from "vitest";
import { calls, serve, state } from "./mounted";

type Fixture = { design: object; report: object; vehicle: object; figures: object; findings: object[] };
const plain = structuredClone(state);

export function onStage(stage: "warmth" | "water" | "gas", fixture: Fixture, answers: Record<string, unknown> = {}) {
  beforeEach(() => {
    localStorage.clear();
    Object.assign(state.design, { [stage]: structuredClone(fixture.design) });
    Object.assign(state.report, {
      [stage]: structuredClone(fixture.report),
      vehicle: fixture.vehicle,
      region_name: "United Kingdom",
      figures: { ...plain.report.figures, ...fixture.figures },
      findings: structuredClone(fixture.findings),
    });
    Object.assign(state.report.stages, { [stage]: { stones: 2, dangers: 1, faults: 2 } });
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

/** Mounts parts of the application on a small made-up design, with a server that answers from a table. */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { createMemoryRouter, RouterProvider, useLocation } from "react-router";
import { vi } from "vitest";
import type { Design } from "../src/data/client";
import { applied } from "../src/data/patch";
import { useVariant, type VariantHand, VariantProvider } from "../src/data/variant";
import { HandProvider } from "../src/shell/hand";

export type Call = { method: string; path: string; body: Record<string, unknown> };
export const calls: Call[] = [];
export let hand: VariantHand;
export let where = "";

const figure = (label: string, value: number, unit: string, inputs: unknown[] = []) => ({
  label,
  value,
  unit,
  expression: `how ${label} is reached`,
  source: [{ kind: "method" as const, text: "Fuse", method: "wiring.fuse" }],
  origin: "computed",
  note: "",
  inputs,
});
const input = (name: string, label: string, value: number, unit: string, key: string | null, origin = "typed", note = "") => ({
  name,
  label,
  value,
  unit,
  origin,
  note,
  key,
});

export const finding = (id: string, severity: string, more: object = {}) => ({
  id,
  rule: id,
  severity,
  stage: "wiring",
  subject: "c1",
  subject_name: "A1 Lamp",
  title: `${id} title`,
  message: `${id} message`,
  remedy: "do this",
  source: [{ kind: "method" as const, text: "Fuse", method: "wiring.fuse" }],
  figures: [],
  related: [],
  fix: null,
  accepted: null,
  ...more,
});

/** Figures of the design that is mounted, with their workings. */
export const workings = {
  "circuits/lamp/drop_v": figure("voltage drop", 0.64, "V", [
    input("current_a", "current", 4.6, "A", "current"),
    input("length_m", "length", 7.5, "m", null, "typed", "one way"),
  ]),
  current: figure("current", 4.6, "A", [input("power_w", "power", 51, "W", null, "assumed", "from its kind")]),
};

export const state = {
  project_id: "p",
  project_name: "Tern",
  id: "v",
  name: "as planned",
  revision: 1,
  can_undo: true,
  can_redo: false,
  design: {
    schema_version: 1,
    region: "uk",
    vehicle: { payload_kg: null, inside_length_m: 4 },
    life: { people: 2, appliances: [{ id: "lamp", name: "Lamp", kind: "light", power_w: 12, hours_per_day: 4, count: 1 }] },
    wiring: { boards: [], circuits: [{ id: "c1", name: "Lamp feed", appliances: ["lamp"] }] },
    prove: {},
    facts: { readings: [], water_tests: [], gas_tests: [], gas_checks: [], pre_trip: [] },
    accepted: [] as unknown[],
  },
  recorded: { building: true, building_name: "as planned", number: 0, facts: { readings: [], water_tests: [], gas_tests: [], gas_checks: [], pre_trip: [] } },
  report: {
    licensed: "Mains work: a qualified electrician.",
    stages: { wiring: { stones: 2, dangers: 1, faults: 1 }, life: { stones: 4, dangers: 0, faults: 0 } },
    assumptions: [{ path: "/vehicle/payload_kg", label: "payload", value: 1000, unit: "kg", why: "typical of a panel van" }],
    wiring: { circuits: { c1: { code: "A1" } } },
    findings: [
      finding("danger-one", "danger", { fix: { label: "Fit 5 A", patch: [{ op: "replace", path: "/life/people", value: 4 }] } }),
      finding("fault-one", "fault", { figures: ["drop"] }),
      finding("note-one", "note"),
    ],
    figures: workings,
  },
};

/** Answers by "METHOD path"; anything else is an empty success. PATCH of the variant makes the next revision. */
export function serve(answers: Record<string, unknown> = {}): void {
  calls.length = 0;
  let revision = 1;
  let design = state.design as never as Design;
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      const path = new URL(request.url).pathname;
      const body = request.method === "GET" ? {} : ((await request.json().catch(() => ({}))) as Record<string, unknown>);
      calls.push({ method: request.method, path, body });
      const known = answers[`${request.method} ${path}`];
      const made = typeof known === "function" ? known(body) : known;
      const edited = () => {
        revision += 1;
        if (request.method === "PATCH") design = applied(design, body.ops as never) ?? design;
        const recorded = { ...state.recorded, facts: design.facts };
        return { revision, can_undo: true, can_redo: false, design, recorded, change: { sections: {}, figures: {}, gone: [] }, taken: body.ids ?? ["all"] };
      };
      const refused = made && typeof made === "object" && "status" in made && "body" in made ? (made as { status: number; body: unknown }) : null;
      if (refused) return new Response(JSON.stringify(refused.body), { status: refused.status, headers: { "content-type": "application/json" } });
      return new Response(JSON.stringify(made ?? (path.startsWith("/api/variants/v") && request.method !== "GET" ? edited() : [])), {
        headers: { "content-type": "application/json" },
      });
    }),
  );
}

function Probe() {
  hand = useVariant();
  where = useLocation().pathname;
  return null;
}

export function mount(children: ReactNode, at = "/v/v/wiring") {
  const router = createMemoryRouter(
    [
      {
        path: "/v/:variantId/*",
        element: (
          <VariantProvider id="v" first={structuredClone(state) as never}>
            <HandProvider>
              <Probe />
              {children}
            </HandProvider>
          </VariantProvider>
        ),
      },
      { path: "*", element: <Elsewhere /> },
    ],
    { initialEntries: [at] },
  );
  return render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
}

function Elsewhere() {
  where = useLocation().pathname;
  return null;
}

export const edits = () => calls.filter((c) => c.method === "PATCH").map((c) => (c.body.ops as { path: string; value: unknown }[])[0]!);

import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Circuit } from "../src/data/client";
import { Exports } from "../src/parts/Exports";
import { BringInAppliances } from "../src/stages/life/BringInAppliances";
import { LoopLedger } from "../src/stages/prove/Loops";
import { BringInCircuits, circuitOps } from "../src/stages/wiring/BringInCircuits";
import { Making } from "../src/stages/wiring/Making";
import { RacewayLedger, RacewaySlate } from "../src/stages/wiring/Raceways";
import { ZoneLedger, ZoneSlate } from "../src/stages/wiring/Zones";
import { calls, mount, serve, state } from "./mounted";

const sent = () => calls.filter((c) => c.method === "PATCH").flatMap((c) => c.body.ops as { op: string; path: string; value?: unknown }[]);
const raceway = { id: "way", name: "Left wall", kind: "conduit", inner_diameter_mm: 17, signals: [] };
const zone = { id: "z", name: "Living", lights: ["lamp"], control: "one", places: [{ id: "p1", name: "Switch panel", on_plate: true }] };

beforeEach(() => {
  Object.assign(state.design.wiring, {
    raceways: [raceway],
    zones: [zone],
    circuits: [
      { id: "c1", name: "Lamp feed", appliances: ["lamp"], raceways: ["way"] },
      { id: "c2", name: "Fan feed", appliances: [], raceways: [] },
    ],
  });
  Object.assign(state.report.wiring, {
    raceways: { way: { codes: ["A1"], cable_count: 2, fill_frac: 0.4, limit_frac: 0.31, ok: false, suggested_mm: 22 } },
    lighting: { zones: { z: { way_m: null, between_count: null, codes: ["A1"], watts: 12 } }, from_door: [], from_bed: ["Living: By the bed"] },
    loops: {},
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("raceways", () => {
  it("are listed with what lies in them, and one more is added", async () => {
    serve();
    mount(<RacewayLedger fresh={null} onFresh={() => undefined} empty="none" />);
    const row = screen.getByText("Left wall").closest("tr") as HTMLElement;
    expect(within(row).getByText("A1")).toBeTruthy();
    expect(within(row).getByText("⌀ 17 mm")).toBeTruthy();
  });

  it("take a circuit in and out, and lose their size with their kind", async () => {
    serve();
    mount(<RacewaySlate r={raceway as never} />);
    fireEvent.click(screen.getByLabelText(/Fan feed/));
    await waitFor(() => expect(sent()).toEqual([{ op: "replace", path: "/wiring/circuits/1/raceways", value: ["way"] }]));
    fireEvent.click(screen.getByLabelText(/Lamp feed/));
    await waitFor(() => expect(sent().at(-1)).toEqual({ op: "replace", path: "/wiring/circuits/0/raceways", value: [] }));
    fireEvent.change(screen.getByLabelText("made as"), { target: { value: "open" } });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/wiring/raceways/0/inner_diameter_mm", value: null }));
  });

  it("leave the circuits when they are removed", async () => {
    serve();
    mount(<RacewaySlate r={raceway as never} />);
    fireEvent.click(screen.getByRole("button", { name: "Remove this raceway" }));
    await waitFor(() =>
      expect(sent()).toEqual([
        { op: "replace", path: "/wiring/circuits/0/raceways", value: [] },
        { op: "remove", path: "/wiring/raceways/0" },
      ]),
    );
  });

  it("hold signal cables", async () => {
    serve();
    mount(<RacewaySlate r={raceway as never} />);
    fireEvent.change(screen.getByLabelText("Put a signal cable into it"), { target: { value: "ethernet" } });
    await waitFor(() => expect(sent()[0]).toMatchObject({ path: "/wiring/raceways/0/signals", value: [{ kind: "ethernet" }] }));
  });
});

describe("lighting zones", () => {
  it("show their lights and what switches them", () => {
    serve();
    mount(<ZoneLedger fresh={null} onFresh={() => undefined} empty="none" />);
    const row = screen.getByText("Living").closest("tr") as HTMLElement;
    expect(within(row).getByText("Lamp")).toBeTruthy();
    expect(within(row).getByText("Switch panel")).toBeTruthy();
  });

  it("become change-over with a second place", async () => {
    serve();
    mount(<ZoneSlate z={zone as never} />);
    fireEvent.click(screen.getByRole("button", { name: "Another place" }));
    await waitFor(() => expect(sent()[0]).toEqual({ op: "replace", path: "/wiring/zones/0/control", value: "change_over" }));
    expect((sent()[1]!.value as unknown[]).length).toBe(2);
  });

  it("give a light away and keep their places in step with their switching", async () => {
    serve();
    mount(<ZoneSlate z={{ ...zone, control: "change_over", places: [zone.places[0], { id: "p2", name: "By the bed" }] } as never} />);
    fireEvent.click(screen.getByRole("checkbox", { name: /^Lamp/ }));
    await waitFor(() => expect(sent()[0]).toEqual({ op: "replace", path: "/wiring/zones/0/lights", value: [] }));
    fireEvent.change(screen.getByLabelText("switched by"), { target: { value: "one" } });
    await waitFor(() => expect((sent().find((o) => o.path.endsWith("/places"))?.value as unknown[]).length).toBe(1));
  });
});

describe("circuits from a table", () => {
  const circuits = [
    { id: "a", name: "A", appliances: ["lamp", "fan"] },
    { id: "b", name: "B", appliances: [] },
  ] as unknown as Circuit[];

  it("change what they match, add what is new, and move an appliance off its old circuit", () => {
    const ops = circuitOps(circuits, [
      { match: "b", fields: { name: "B", length_m: 3, appliances: ["fan"] } },
      { match: null, fields: { name: "New one", fuse_a: 5 } },
    ]);
    expect(ops).toEqual([
      { op: "replace", path: "/wiring/circuits/0/appliances", value: ["lamp"] },
      { op: "replace", path: "/wiring/circuits/1/name", value: "B" },
      { op: "replace", path: "/wiring/circuits/1/length_m", value: 3 },
      { op: "replace", path: "/wiring/circuits/1/appliances", value: ["fan"] },
      { op: "add", path: "/wiring/circuits/-", value: { name: "New one", fuse_a: 5, id: "new-one" } },
    ]);
  });

  it("are shown line by line before anything changes, and taken in one edit", async () => {
    const lines = [
      { number: 2, status: "taken", text: "Pump", understood: "new: Pump", problem: null, match: null, fields: { name: "Pump" } },
      { number: 3, status: "wrong", text: "x", understood: "", problem: "there is no board “Q”", match: null, fields: null },
    ];
    const answer = { separator: ";", columns: { name: "circuit" }, ignored_columns: [], lines, taken: 1, wrong: 1 };
    serve({ "POST /api/variants/v/circuits/preview": answer });
    let closed = false;
    mount(
      <BringInCircuits
        first="circuit;length"
        onClose={() => {
          closed = true;
        }}
      />,
    );
    expect(await screen.findByText(/there is no board/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Import 1 circuit, leave out 1" }));
    await waitFor(() => expect(closed).toBe(true));
    expect(sent()).toEqual([{ op: "add", path: "/wiring/circuits/-", value: { name: "Pump", id: "pump" } }]);
  });
});

describe("appliances that are brought in", () => {
  it("ask whether a line is on the mains, and what a column holds that is not known", async () => {
    const line = {
      number: 2,
      status: "taken",
      text: "Winch;900",
      understood: "1 × Winch: 900 W, ac",
      problem: null,
      mains: true,
      appliance: { name: "Winch" },
    };
    serve({ "POST /api/appliances/preview": { separator: ";", columns: { name: "Thing" }, ignored_columns: ["Zug"], lines: [line], taken: 1, wrong: 0 } });
    mount(<BringInAppliances first="Thing;Zug" onClose={() => {}} onAdded={() => {}} />);
    fireEvent.click(await screen.findByLabelText("mains?"));
    const asked = () => calls.filter((c) => c.path === "/api/appliances/preview").at(-1)?.body;
    await waitFor(() => expect(asked()).toMatchObject({ mains: { 2: false }, columns: {} }));
    fireEvent.change(screen.getByLabelText("“Zug” is"), { target: { value: "power" } });
    await waitFor(() => expect(asked()).toMatchObject({ columns: { Zug: "power" }, mains: { 2: false } }));
  });
});

describe("how it is made", () => {
  it("keeps unsaid apart from no", async () => {
    serve();
    mount(<Making />);
    fireEvent.change(screen.getByLabelText("posts, busbars and studs covered"), { target: { value: "no" } });
    await waitFor(() => expect(sent()).toEqual([{ op: "replace", path: "/wiring/live_covered", value: false }]));
  });
});

describe("the loop test", () => {
  it("shows the window and takes a reading", async () => {
    const loop = { circuit: "c1", code: "A1", name: "Lamp feed", expected_mohm: 106.4, low_mohm: 74.5, high_mohm: 153, resolvable: true, loaded_drop_v: 0.1 };
    serve({ "GET /api/variants/v/lists": { loops: [{ ...loop, measured_mohm: 400, verdict: "high" }] } });
    mount(<LoopLedger />);
    const row = (await screen.findByText("Lamp feed")).closest("tr") as HTMLElement;
    expect(within(row).getByText("74.5 to 153 mΩ")).toBeTruthy();
    expect(within(row).getByText("too high")).toBeTruthy();
  });
});

describe("taking away", () => {
  it("says what it is making, and what went wrong", async () => {
    vi.stubGlobal("fetch", async () => new Response(JSON.stringify({ error: { key: "pdf", message: "no paper" } }), { status: 503 }));
    mount(<Exports items={[{ word: "Diagram, PDF", pdf: "diagram" }]} />);
    fireEvent.keyDown(screen.getByRole("button", { name: /^Export/ }), { key: "Enter" });
    fireEvent.click(await screen.findByRole("menuitem", { name: "Diagram, PDF" }));
    expect((await screen.findByRole("alert")).textContent).toBe("no paper");
  });
});

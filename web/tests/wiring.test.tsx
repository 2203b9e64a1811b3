import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Circuit, Finding } from "../src/data/client";
import { turns } from "../src/data/preview";
import { FindingList } from "../src/parts/Findings";
import { Labels } from "../src/print/Labels";
import { Lists } from "../src/print/Lists";
import { DiagramPicture, wayOf } from "../src/stages/wiring/DiagramPicture";
import { MainsSide, stockOf } from "../src/stages/wiring/MainsSide";
import { PanelPicture } from "../src/stages/wiring/PanelPicture";
import { PanelSlate } from "../src/stages/wiring/PanelSlate";
import { onGrid } from "../src/stages/wiring/panel";
import { slidOps, WhatIf } from "../src/stages/wiring/WhatIf";
import { calls, edits, hand, mount, serve, state } from "./mounted";

const part = {
  code: "A1",
  length_m: 4,
  drop_v: 0.3,
  path_drop_v: 0.5,
  worst_v: 11.4,
  heat_w: 1.2,
  ampacity_a: 18,
  current_a: 4,
  window_low_a: 5,
  window_high_a: 18,
  ratings: [5, 7.5, 10, 15],
  fuse_a: 5,
  best_area_mm2: 1.5,
};
const c1 = { id: "c1", name: "Lamp feed", appliances: ["lamp"], area_mm2: 1.5, length_m: 4 } as unknown as Circuit;
const change = (findings: unknown[], over: object = {}) => ({
  change: { sections: { findings, wiring: { circuits: { c1: { ...part, ...over } } } }, figures: {}, gone: [] },
});
const findings = state.report.findings as unknown as Finding[];

beforeEach(() => {
  localStorage.clear();
  Object.assign(state.report.wiring.circuits, { c1: part });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("what comes and goes", () => {
  it("counts dangers and faults alone", () => {
    const fresh = { ...findings[0]!, id: "fresh" };
    const { comes, goes } = turns(findings, [fresh, { ...findings[2]!, id: "only a note" }]);
    expect(comes.map((f) => f.id)).toEqual(["fresh"]);
    expect(goes.map((f) => f.id)).toEqual(["danger-one", "fault-one"]);
  });
});

describe("what if", () => {
  it("makes operations of what was slid and of nothing else", () => {
    const other = { ...c1, id: "c0" };
    expect(slidOps(c1, [other, c1], {}, false, null)).toEqual([]);
    expect(slidOps(c1, [other, c1], { length: 6, size: 5, load: 20 }, false, { index: 2 })).toEqual([
      { op: "replace", path: "/wiring/circuits/1/length_m", value: 6 },
      { op: "replace", path: "/wiring/circuits/1/area_mm2", value: 4 },
      { op: "replace", path: "/wiring/circuits/1/awg", value: null },
      { op: "replace", path: "/life/appliances/2/power_w", value: 20 },
    ]);
    expect(slidOps(c1, [c1], { size: 3 }, true, null)).toContainEqual({ op: "replace", path: "/wiring/circuits/0/awg", value: "14" });
  });

  it("shows what would move, keeps nothing until told, and then keeps it in one edit", async () => {
    serve({ "POST /api/variants/v/preview": change([findings[2]], { path_drop_v: 0.2, drop_v: 0.1 }) });
    mount(<WhatIf c={c1} />);
    fireEvent.click(screen.getByRole("button", { name: /What if/ }));
    fireEvent.change(screen.getByLabelText("size of the cable"), { target: { value: "6" } });
    expect(await screen.findByText(/goes: danger-one title/)).toBeTruthy();
    const row = screen.getByText("lost from busbar to appliance").closest("tr")!;
    expect(within(row).getByText("0.5 V")).toBeTruthy();
    expect(within(row).getByText("0.2 V")).toBeTruthy();
    expect(edits()).toEqual([]);
    fireEvent.click(screen.getByRole("button", { name: "Keep it" }));
    await waitFor(() => expect(edits()).toContainEqual(expect.objectContaining({ path: "/wiring/circuits/0/area_mm2", value: 6 })));
    expect(hand.saving).toBeTruthy();
  });

  it("goes back to what it is", async () => {
    serve({ "POST /api/variants/v/preview": change(findings) });
    mount(<WhatIf c={c1} />);
    fireEvent.click(screen.getByRole("button", { name: /What if/ }));
    fireEvent.change(screen.getByLabelText("length, one way"), { target: { value: "7" } });
    expect(await screen.findByText(/No danger or problem comes or goes/)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Back to what it is" }));
    expect(screen.getByText(/nothing is kept until you press a button below/)).toBeTruthy();
    expect((screen.getByLabelText("length, one way") as HTMLInputElement).value).toBe("4");
  });
});

describe("a remedy", () => {
  it("that brings a fault says so first and wants a second press", async () => {
    serve({ "POST /api/variants/v/preview": change([...findings, { ...findings[1]!, id: "fresh", title: "Something new" }]) });
    mount(<FindingList findings={findings.slice(0, 1)} />);
    fireEvent.click(screen.getByRole("button", { name: "Fit 5 A" }));
    expect((await screen.findByRole("alert")).textContent).toContain("It would also bring problem: Something new");
    expect(edits()).toEqual([]);
    fireEvent.click(screen.getByRole("button", { name: "Fit 5 A all the same" }));
    await waitFor(() => expect(edits()).toEqual([{ op: "replace", path: "/life/people", value: 4 }]));
  });

  it("that brings nothing is applied at once", async () => {
    serve({ "POST /api/variants/v/preview": change(findings.slice(1)) });
    mount(<FindingList findings={findings.slice(0, 1)} />);
    fireEvent.click(screen.getByRole("button", { name: "Fit 5 A" }));
    await waitFor(() => expect(edits()).toEqual([{ op: "replace", path: "/life/people", value: 4 }]));
    expect(calls.filter((c) => c.path.endsWith("/preview"))).toHaveLength(1);
  });
});

const lists = {
  labels: [{ circuit: "c1", code: "A1", board: "A1 · 5 A · Lamp", wires: ["A1+ 5A Lamp", "A1− Lamp"] }],
  cables: [{ size: "1.5 mm²", colour: "red", need_m: 4.7, longest_m: 4.7, pack_m: null, pack_count: null }],
  terminals: [{ size: "1.5 mm²", kind: "ring", stud: "M4", strip: "6 mm", pull_n: "40 N", count: 4 }],
  fuses: [{ family: "blade", rating_a: 5, fitted: 1, spare: 2 }],
  relays: [{ code: "A1", name: "Lamp", rating_a: 12 }],
  conduits: [
    { name: "Left wall", kind: "conduit", inside: "17 mm", length_m: 3, codes: ["A1"], cable_count: 2, fill_frac: 0.05, limit_frac: 0.31, suggested_mm: 7.5 },
  ],
  loops: [
    {
      circuit: "c1",
      code: "A1",
      name: "Lamp",
      expected_mohm: 106.4,
      low_mohm: 74.5,
      high_mohm: 153,
      resolvable: false,
      loaded_drop_v: 0.1,
      measured_mohm: null,
      verdict: null,
    },
  ],
  open: ["A2 Later"],
};

describe("lists and labels", () => {
  it("hold every list, say what is missing and where no pack is long enough", async () => {
    serve({ "GET /api/variants/v/lists": lists });
    mount(<Lists />);
    expect(await screen.findByText(/their cable is not chosen yet: A2 Later/)).toBeTruthy();
    expect(screen.getByText("no pack is long enough")).toBeTruthy();
    for (const name of ["Cable to buy", "Terminals and lugs", "Fuses and spares"]) expect(screen.getByRole("region", { name })).toBeTruthy();
    expect(screen.getByRole("region", { name: /Loop test/ }).textContent).toContain("106");
  });

  it("print each wire label twice, once for each end", async () => {
    serve({ "GET /api/variants/v/lists": lists });
    mount(<Labels />);
    expect(await screen.findAllByText("A1+ 5A Lamp")).toHaveLength(2);
    expect(screen.getAllByText("A1 · 5 A · Lamp")).toHaveLength(1);
  });

  it.each([
    ["lists", <Lists key="a" />],
    ["labels", <Labels key="b" />],
  ])("say when there are no %s yet", async (_, page) => {
    serve({ "GET /api/variants/v/lists": { ...lists, labels: [], open: [] } });
    mount(page);
    expect(await screen.findByText(/No circuit has its cable yet/)).toBeTruthy();
  });
});

describe("the mains side", () => {
  it.each([
    [
      "2 at 8; 5 at 14",
      [
        { length_m: 2, cost: 8 },
        { length_m: 5, cost: 14 },
      ],
    ],
    [
      "1; 2,5",
      [
        { length_m: 1, cost: 1 },
        { length_m: 2.5, cost: 2.5 },
      ],
    ],
    ["", []],
    ["0", null],
    ["two", null],
    ["2 at cheap", null],
    ["2 at 8 at 9", null],
  ])("reads leads from %s", (text, stock) => expect(stockOf(text)).toEqual(stock));
  it("reads an American's leads in feet, and metres where they are said", () => {
    const stock = stockOf("25 at 30; 3 m at 9", "ft");
    expect(stock?.map((s) => [Number(s.length_m.toFixed(2)), s.cost])).toEqual([
      [7.62, 30],
      [3, 9],
    ]);
  });

  const mains = (over: object | null) => {
    Object.assign(state.report.wiring, {
      mains: {
        usual_poles: "double",
        residual_device: "a 30 mA device",
        supply_a: 5,
        limit_a: 16,
        legs: { c1: { leads_m: [], current_a: 4, drop_frac: 0 } },
        unreachable: ["c1"],
        splitter_count: 2,
        together: ["Kettle"],
        shed: ["Oven"],
      },
    });
    Object.assign(state.design.wiring, { mains: over });
  };

  it("warns, shows the supply, and starts from the region's usual side", async () => {
    serve();
    mains(null);
    mount(<MainsSide />);
    expect(screen.getByText(/Mains can kill/)).toBeTruthy();
    expect(screen.getByText("needs 5 A, has 16 A")).toBeTruthy();
    fireEvent.click(screen.getByLabelText(/30 mA device on shore power/));
    await waitFor(() => expect(edits()).toEqual([{ op: "replace", path: "/wiring/mains", value: { poles: "double", rcd: false } }]));
  });

  it("takes lead lengths, refuses what is none, and says where none reaches", async () => {
    serve();
    mains({ style: "leads", stock: [] });
    mount(<MainsSide />);
    expect(screen.getByText("no lead reaches")).toBeTruthy();
    const field = screen.getByLabelText("lead lengths you can buy, with price");
    fireEvent.blur(field, { target: { value: "many" } });
    expect(screen.getByText(/not understood/)).toBeTruthy();
    fireEvent.blur(field, { target: { value: "3 at 9" } });
    await waitFor(() => expect(edits()).toEqual([{ op: "replace", path: "/wiring/mains/stock", value: [{ length_m: 3, cost: 9 }] }]));
  });
});

describe("the diagram", () => {
  const line = (ref: string, service: string) => ({
    id: ref,
    ref,
    service,
    points: [
      [0, 0],
      [9, 0],
    ],
    label: ref,
    flow: "",
    bare: false,
  });
  const node = (ref: string, kind: string, more: object = {}) => ({ id: ref, ref, kind, x: 0, y: 0, w: 90, h: 60, title: ref, sub: "", note: "", ...more });
  const ways = ["main", "feed", "c1", "other"];
  const drawn = {
    width: 100,
    height: 50,
    lines: ways.flatMap((id) => [line(`circuit:${id}`, "dc"), line(`return:${id}`, "return")]),
    nodes: [node("circuit:c1", "circuit"), node("board:a", "board"), node("bus", "bus")],
    marks: [{ id: "m", ref: "circuit:c1", kind: "fuse", x: 5, y: 0, title: "fuse, 5 A" }],
    breaks: [],
    folded: [],
  };

  function wired() {
    Object.assign(state.report.wiring, { circuits: { c1: { ...part, way: ["main", "feed", "c1"] } } });
    Object.assign(state.design.wiring, {
      circuits: [
        { id: "main", kind: "main" },
        { id: "feed", kind: "feeder", board: "a" },
        { ...c1, board: "a" },
        { id: "other", board: "b" },
      ],
    });
  }

  it("follows the circuit in the hand from the post to its end and back, and grows", async () => {
    serve({ "GET /api/variants/v/diagram": drawn });
    wired();
    const followed = wayOf(state.report as never, state.design as never, "c1");
    expect([...followed].sort()).toEqual(
      ["board:a", "circuit:c1", "circuit:feed", "circuit:main", "power:bank", "return:c1", "return:feed", "return:main"].sort(),
    );
    const { container } = mount(<DiagramPicture />);
    await screen.findByRole("group", { name: /Single-line diagram/ });
    expect(container.querySelectorAll("[data-way]")).toHaveLength(0);
    fireEvent.click(container.querySelector("svg [role=button]")!);
    expect(container.querySelectorAll("[data-way]")).toHaveLength(6);
    expect(container.querySelectorAll('[data-way][data-service="return"]')).toHaveLength(3);
    const svg = container.querySelector("svg[role=group]") as SVGElement;
    fireEvent.click(screen.getByRole("button", { name: "Larger" }));
    expect(svg.style.width).toContain("150%");
    fireEvent.click(screen.getByRole("button", { name: "Smaller" }));
    expect(svg.style.width).toContain("100%");
  });

  it("asks for a board folded, by mouse and by key, and unfolds it again", async () => {
    sessionStorage.clear();
    const asked: string[] = [];
    serve({ "GET /api/variants/v/diagram": drawn });
    const known = globalThis.fetch;
    vi.stubGlobal("fetch", (r: Request) => {
      if (r.url.includes("/diagram")) asked.push(new URL(r.url).searchParams.getAll("fold").join());
      return known(r);
    });
    wired();
    mount(<DiagramPicture />);
    fireEvent.keyDown(await screen.findByRole("button", { name: "Hide board:a" }), { key: "Enter" });
    await waitFor(() => expect(asked.at(-1)).toBe("board:a"));
    fireEvent.click(screen.getByRole("button", { name: "Show" }));
    await waitFor(() => expect(sessionStorage.getItem("bothy.folded.v")).toBe("[]"));
  });

  it("says so when it cannot be fetched", async () => {
    vi.stubGlobal("fetch", async () => new Response(JSON.stringify({ error: { key: "x", message: "no diagram today" } }), { status: 500 }));
    wired();
    mount(<DiagramPicture />);
    expect((await screen.findByRole("alert")).textContent).toContain("no diagram today");
  });
});

describe("the switch panel", () => {
  const shape = (id: string, x: number, over: object = {}) => ({
    id,
    kind: "rocker",
    word: "rocker switch",
    label: id,
    lines: [id],
    x_mm: x,
    y_mm: 50,
    cut_mm: [21, 37],
    front_mm: [24, 50],
    label_y_mm: 22,
    circuit_code: "A1",
    wrong: false,
    ...over,
  });
  const things = [
    { id: "lamp", kind: "rocker", label: "lamp", circuit: "c1", x_mm: 40, y_mm: 50 },
    { id: "volts", kind: "voltmeter", label: "", circuit: null, x_mm: 90, y_mm: 50 },
  ];
  const plate = (panel: object | null) => {
    Object.assign(state.design.wiring, { panel, circuits: [{ id: "c1", name: "Lamp feed", kind: "load", appliances: ["lamp"] }] });
    Object.assign(state.report.wiring, {
      panel: panel && {
        width_mm: 200,
        height_mm: 100,
        ok: true,
        smallest_edge_mm: 28,
        smallest_gap_mm: 5,
        shapes: [shape("lamp", 40), shape("volts", 90, { cut_mm: [29], front_mm: [38], wrong: true })],
      },
    });
  };

  const sent = () => calls.filter((c) => c.method === "PATCH").flatMap((c) => c.body.ops as unknown[]);

  it("keeps to its grid and its plate", () => {
    expect([onGrid(12.4, 100), onGrid(-3, 100), onGrid(140, 100)]).toEqual([12, 0, 100]);
  });

  it("is moved by the arrows, by one and by ten", async () => {
    serve();
    plate({ width_mm: 200, height_mm: 100, things });
    mount(<PanelPicture />);
    const lamp = screen.getByRole("button", { name: /^lamp, A1, rocker switch, 40 from the left, 50 from below$/ });
    fireEvent.keyDown(lamp, { key: "ArrowRight" });
    await waitFor(() =>
      expect(sent()).toEqual([
        { op: "replace", path: "/wiring/panel/things/0/x_mm", value: 41 },
        { op: "replace", path: "/wiring/panel/things/0/y_mm", value: 50 },
      ]),
    );
    fireEvent.keyDown(lamp, { key: "ArrowUp", shiftKey: true });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/wiring/panel/things/0/y_mm", value: 60 }));
    expect(screen.getByRole("button", { name: /volts.*clashes$/ })).toBeTruthy();
  });

  it("starts with a part put on a plate that is not there yet", async () => {
    serve();
    plate(null);
    mount(<PanelSlate />);
    fireEvent.change(screen.getByLabelText("Put on the plate"), { target: { value: "dimmer" } });
    await waitFor(() =>
      expect(sent()[0]).toMatchObject({ path: "/wiring/panel", value: { width_mm: 240, things: [{ id: "dimmer", kind: "dimmer", circuit: null }] } }),
    );
  });

  it("binds, labels and takes off what is in hand", async () => {
    serve();
    plate({ width_mm: 200, height_mm: 100, things });
    mount(
      <>
        <PanelPicture />
        <PanelSlate />
      </>,
    );
    fireEvent.click(screen.getByRole("button", { name: /^volts/ }));
    fireEvent.change(screen.getByLabelText("switches or feeds"), { target: { value: "c1" } });
    await waitFor(() => expect(sent()).toContainEqual({ op: "replace", path: "/wiring/panel/things/1/circuit", value: "c1" }));
    fireEvent.click(screen.getByRole("button", { name: "Remove from the panel" }));
    await waitFor(() => expect(sent()).toContainEqual({ op: "remove", path: "/wiring/panel/things/1" }));
  });
});

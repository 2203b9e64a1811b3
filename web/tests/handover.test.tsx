/** Hand over on a small book: its pages, where things are, signatures, maintenance with all that was done, the files. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { PersonProvider } from "../src/shell/person";
import { Component as Handover } from "../src/stages/handover/Handover";
import { calls, mount, serve, state } from "./mounted";
import { onDesign } from "./onstage";

const block = (kind: string, more: object) => ({ kind, text: "", items: [], head: [], rows: [], ...more });
const page = (id: string, title: string, blocks: object[], missing: object[] = []) => ({ id, title, made_of: "tests", missing, blocks });
const care = (id: string, more: object = {}) => ({
  id,
  name: `Look at the ${id}`,
  every: "12 months or 10,000 km",
  once: false,
  last: null,
  due: null,
  km_left: null,
  counter: null,
  unit: "",
  count_left: null,
  use: null,
  limit: null,
  status: "never_done",
  how: "By hand.",
  cost: 0,
  ...more,
});
const BOOK = {
  name: "Tern",
  variant: "as planned",
  today: "2027-06-01",
  source: [],
  held_back: ["mains: Installation certificate"],
  pages: [
    page(
      "isolation",
      "Switch it off",
      [block("warning", { text: "Everybody out first." }), block("picture", { text: "layout" })],
      [
        { text: "Where the battery is switched off", to: "handover" },
        { text: "It was never weighed", to: "fit?view=weight" },
      ],
    ),
    page("circuits", "Circuits", [block("table", { head: ["code", "cable", "length"], rows: [["A1", "2.5 mm²", "3.0 m"]] })]),
    page("emergency", "In an emergency", [
      block("heading", { text: "Fire" }),
      block("steps", { items: ["Out.", "Call."] }),
      block("points", { items: ["Low."] }),
    ]),
    page("manuals", "Manuals", [
      block("table", {
        head: ["device", "its manual"],
        rows: [
          ["Inverter", "not entered"],
          ["Pump", "tab 2"],
        ],
      }),
    ]),
    page("photos", "Photographs", [block("picture", { text: `photo:${"ab".repeat(32)}` }), block("text", { text: "left wall" })]),
  ],
  papers: [
    {
      id: "mains",
      name: "Installation certificate",
      system: "mains",
      by: "a licensed electrician",
      needed: true,
      signed_by: "",
      licence: "",
      number: "",
      on: "",
      signature: "",
    },
    {
      id: "dc",
      name: "Declaration",
      system: "dc",
      by: "the builder",
      needed: false,
      signed_by: "Ada",
      licence: "",
      number: "",
      on: "2027-05-30",
      signature: "cd".repeat(32),
    },
  ],
  care: [
    care("joints", { last: "2027-05-01", due: "2027-07-05", km_left: 1700, status: "ok", cost: 30 }),
    care("first", { once: true, every: "500 km", status: "soon" }),
    care("seals", { status: "overdue", last: "2026-01-01", due: "2026-07-01" }),
    care("filter", { status: "ok", last: "2027-05-01", due: "2027-06-26", counter: "filter_l", unit: "L", count_left: 500, use: 20, limit: "count" }),
  ],
};
const ANSWERS = {
  "GET /api/variants/v/book": BOOK,
  "POST /api/quantity": (body: { text: string }) => ({ value: 1000 * Number.parseFloat(body.text), unit: "m", understood: body.text, awg: null }),
};
const { slate, ops, press, sent } = onDesign(
  {
    design: { handover: { where: { battery_switch: "by the door" }, manuals: { Pump: "tab 2" } }, facts: { papers: [], services: [] } },
    report: {},
    figures: {},
    findings: [],
  },
  ANSWERS,
);
const open = async (title: string | RegExp) => {
  mount(<Handover />);
  const pages = await screen.findByRole("navigation", { name: "Pages of the book" });
  fireEvent.click(within(pages).getByRole("button", { name: title }));
};

describe("the book", () => {
  it("says how far it is, what is missing, and leads there", async () => {
    await open(/Switch it off/);
    const main = screen.getByRole("main");
    expect(main.textContent).toContain("4 of 5 pages are written; 2 things are missing; 1 system waits for a licensed signature; 2 pieces of maintenance due.");
    const shown = screen.getByRole("article", { name: "Switch it off" });
    expect(within(shown).getByText("Everybody out first.")).toBeTruthy();
    const links = within(shown)
      .getAllByRole("link", { name: "Go there" })
      .map((a) => a.getAttribute("href"));
    expect(links).toEqual(["/v/v/handover", "/v/v/fit?view=weight"]);
    expect(slate().textContent).toContain("Not to be handed over yet: mains: Installation certificate");
  });
  it("calls nothing due before anything was ever done", async () => {
    const kept = BOOK.care;
    BOOK.care = kept.map((c) => ({ ...c, last: null, status: "never_done" }));
    await open(/Switch it off/);
    expect(screen.getByRole("main").textContent).toContain("; 4 pieces of maintenance begin once the vehicle is in use.");
    BOOK.care = kept;
  });
  it("shows steps in order, points, tables and photographs", async () => {
    await open(/In an emergency/);
    const shown = screen.getByRole("article", { name: "In an emergency" });
    expect(within(shown).getByRole("heading", { name: "Fire" })).toBeTruthy();
    expect(
      within(shown)
        .getAllByRole("listitem")
        .map((x) => x.textContent),
    ).toEqual(["Out.", "Call.", "Low."]);
    fireEvent.click(screen.getByRole("button", { name: /Photographs/ }));
    expect(screen.getByRole("img", { name: "left wall" }).getAttribute("src")).toBe(`/api/photos/${"ab".repeat(32)}?thumb=true`);
  });
  it("turns lengths for a reader of feet, and never a cable’s size", async () => {
    localStorage.setItem("bothy.person", JSON.stringify({ units: "us" }));
    mount(
      <PersonProvider>
        <Handover />
      </PersonProvider>,
    );
    fireEvent.click(await screen.findByRole("button", { name: /Circuits/ }));
    const cells = within(screen.getByRole("article", { name: "Circuits" }))
      .getAllByRole("cell")
      .map((c) => c.textContent);
    expect(cells[1]).toBe("2.5 mm²");
    expect(cells[2]).toMatch(/^9\.8\sft$/);
  });
  it("takes where a thing is, and where its manual is, as one edit each", async () => {
    await open(/Manuals/);
    const field = within(slate()).getByLabelText("Inverter");
    fireEvent.change(field, { target: { value: " folder " } });
    fireEvent.blur(field);
    expect(await ops()).toEqual([{ op: "replace", path: "/handover/manuals", value: { Pump: "tab 2", Inverter: "folder" } }]);
    const battery = within(slate()).getByLabelText("battery switch");
    fireEvent.change(battery, { target: { value: "" } });
    fireEvent.blur(battery);
    expect(await ops(2)).toEqual([{ op: "replace", path: "/handover/where", value: {} }]);
  });
});

describe("papers", () => {
  it("want the name, and the licence where one is needed", async () => {
    await open(/Switch it off/);
    const form = within(slate()).getByLabelText("mains: name").closest("form")!;
    fireEvent.submit(form);
    expect(within(form).getByRole("alert").textContent).toContain("name of whoever signs");
    fireEvent.change(within(form).getByLabelText("mains: name"), { target: { value: "E. Lectrician" } });
    fireEvent.submit(form);
    expect(within(form).getByRole("alert").textContent).toContain("licence");
    expect(sent()).toHaveLength(0);
    fireEvent.change(within(form).getByLabelText("mains: licence"), { target: { value: "L1" } });
    fireEvent.submit(form);
    const [op] = (await ops()) as { path: string; value: object }[];
    expect(op).toMatchObject({ op: "add", path: "/facts/papers/-", value: { id: "mains", name: "E. Lectrician", licence: "L1", number: "", signature: "" } });
  });
  it("show the signature, and are struck", async () => {
    Object.assign(state.design.facts, { papers: [{ id: "dc", name: "Ada" }] });
    state.recorded.facts = state.design.facts;
    await open(/Switch it off/);
    expect(within(slate()).getByRole("img", { name: "Signature of Ada" }).getAttribute("src")).toContain("cd".repeat(32));
    press("strike it");
    expect(await ops()).toEqual([{ op: "remove", path: "/facts/papers/0" }]);
  });
  it("take a signature as a photograph, and say what is wrong with one", async () => {
    await open(/Switch it off/);
    const pick = () => within(slate()).getByLabelText(/^Photograph of the signature/);
    const answers = [
      { ok: false, status: 422, json: async () => ({ error: { message: "photo: is no picture", plain: "is no picture" } }) },
      { ok: true, status: 200, json: async () => ({ sha256: "ef".repeat(32), width: 600, height: 180, bytes: 9000 }) },
    ];
    const real = globalThis.fetch;
    vi.stubGlobal("fetch", (url: string, init?: RequestInit) => (url === "/api/photos" ? Promise.resolve(answers.shift()) : real(url, init)));
    fireEvent.change(pick(), { target: { files: [new File(["x"], "hand.txt")] } });
    await waitFor(() => expect(within(slate()).getByRole("alert").textContent).toContain("is no picture"));
    fireEvent.change(pick(), { target: { files: [new File(["x"], "hand.jpg")] } });
    expect(await within(slate()).findByRole("img", { name: "Signature of whoever signs" })).toBeTruthy();
    press("without it");
    expect(within(slate()).getByRole("img", { name: "Field to sign in with a finger or a pen" })).toBeTruthy();
  });
});

describe("maintenance", () => {
  it("says what is due by day and by distance, and what it cost", async () => {
    await open(/Switch it off/);
    expect(slate().textContent).toContain("2 of 4 are due; £30 so far.");
    expect(slate().textContent).toMatch(/last Sat 1 May 2027, due Mon 5 Jul 2027, 1\s700\skm left/);
    expect(slate().textContent).toContain("after 500 km");
  });
  it("is done with one press", async () => {
    await open(/Switch it off/);
    press("Look at the seals: done today");
    const [op] = (await ops()) as { value: { item: string; on: string } }[];
    expect(op).toMatchObject({ op: "add", path: "/facts/services/-", value: { item: "seals" } });
    expect(op!.value.on).toMatch(/^\d{4}-\d\d-\d\d$/);
  });
  it("is written down with who, the odometer and the cost, and refuses a cost that is none", async () => {
    await open(/Switch it off/);
    press("Look at the joints: how it was done…");
    const form = within(slate()).getByRole("form", { name: "Look at the joints: how it was done" });
    const type = (label: string, value: string) => fireEvent.change(within(form).getByLabelText(label), { target: { value } });
    type("Day", "2027-05-29");
    type("Done by", "Lou");
    type("Cost, £", "much");
    fireEvent.submit(form);
    expect(within(form).getByRole("alert").textContent).toContain("The cost: a number");
    type("Cost, £", "24,50");
    const km = within(form).getByLabelText("Odometer");
    fireEvent.change(km, { target: { value: "48200 km" } });
    fireEvent.keyDown(km, { key: "Enter" });
    await waitFor(() => expect(calls.some((c) => c.path === "/api/quantity")).toBe(true));
    await waitFor(() => expect((km as HTMLInputElement).value).toMatch(/^48\s?200 km$/));
    fireEvent.submit(form);
    const [op] = (await ops()) as { value: object }[];
    expect(op!.value).toMatchObject({ item: "joints", on: "2027-05-29", who: "Lou", cost: 24.5, odometer_km: 48200 });
  });
});

describe("counters", () => {
  it("are read, and what is no number is said", async () => {
    await open(/Switch it off/);
    expect(slate().textContent).toContain("500 L left");
    const field = within(slate()).getByLabelText("litres through the filter now");
    fireEvent.change(field, { target: { value: "plenty" } });
    fireEvent.blur(field);
    expect(field.getAttribute("aria-invalid")).toBe("true");
    fireEvent.change(field, { target: { value: "700,5" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(await ops()).toEqual([{ op: "replace", path: "/handover/counts", value: { filter_l: 700.5 } }]);
  });
  it("are written down with what was done", async () => {
    await open(/Switch it off/);
    press("Look at the filter: how it was done…");
    const form = within(slate()).getByRole("form", { name: "Look at the filter: how it was done" });
    const field = within(form).getByLabelText("litres through the filter when it was done, L");
    fireEvent.change(field, { target: { value: "-3" } });
    fireEvent.submit(form);
    expect(within(form).getByRole("alert").textContent).toContain("a number of L");
    fireEvent.change(field, { target: { value: "1200" } });
    fireEvent.submit(form);
    const [op] = (await ops()) as { value: object }[];
    expect(op!.value).toMatchObject({ item: "filter", count: 1200 });
  });
});

describe("its files", () => {
  it("are asked for in the reader’s units, and say when one can’t be made", async () => {
    await open(/Switch it off/);
    const asked: string[] = [];
    vi.stubGlobal("fetch", (url: string) => {
      asked.push(url);
      return Promise.resolve({ ok: false });
    });
    fireEvent.change(screen.getByLabelText("Take the book"), { target: { value: "book.pdf" } });
    expect(await screen.findByText(/The book \(PDF\) could not be made/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText("Take the book"), { target: { value: "labels" } });
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[0]).toMatch(/\/book\/file\/book\.pdf\?today=\d{4}-\d\d-\d\d&units=metric$/);
    expect(asked[1]).toBe("/api/variants/v/paper/labels.pdf?units=metric");
  });
  it("wait for the book, and say why it could not be made", async () => {
    serve({ ...ANSWERS, "GET /api/variants/v/book": undefined as never });
    mount(<Handover />);
    expect(await screen.findByText(/Making the book|could not be made/)).toBeTruthy();
  });
});

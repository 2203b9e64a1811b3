import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Fig, SlateFig } from "../src/parts/Fig";
import { FindingList, ItemMark } from "../src/parts/Findings";
import { Proposals } from "../src/parts/Proposals";
import { Written } from "../src/parts/Quantity";
import { Token } from "../src/parts/Token";
import { Find } from "../src/shell/Find";
import { LIST, useKeys } from "../src/shell/keys";
import { Cairn, Path } from "../src/shell/Path";
import { Slate } from "../src/shell/Slate";
import { AddAppliance } from "../src/stages/life/AddAppliance";
import { calls, edits, hand, mount, serve, state, where, workings } from "./mounted";

beforeEach(() => {
  localStorage.clear();
  serve();
  Element.prototype.scrollIntoView = vi.fn();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const findings = state.report.findings as never;

describe("findings", () => {
  it("say severity, words and what to do", () => {
    mount(<FindingList findings={findings} />);
    const danger = document.querySelector<HTMLElement>('[data-finding="danger-one"]')!;
    for (const text of ["danger", "danger-one title", "danger-one message", "A1 Lamp"]) expect(danger.textContent).toContain(text);
    expect(danger.textContent).toContain("do this (Fuse)");
  });

  it("apply a definite remedy with one press", async () => {
    mount(<FindingList findings={findings} />);
    fireEvent.click(screen.getByRole("button", { name: "Fit 5 A" }));
    await waitFor(() => expect(edits()).toEqual([{ op: "replace", path: "/life/people", value: 4 }]));
    expect(hand.design.life?.people).toBe(4);
  });

  it("are kept with a reason of some length, a danger is only answered, a note neither", async () => {
    mount(<FindingList findings={findings} />);
    expect(screen.getAllByRole("button", { name: "Respond…" }).length).toBe(1);
    fireEvent.click(screen.getByRole("button", { name: "Accept with a reason…" }));
    const keep = screen.getByRole("button", { name: "Keep" }) as HTMLButtonElement;
    fireEvent.change(screen.getByLabelText("Reason"), { target: { value: "no" } });
    expect(keep.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText("Reason"), { target: { value: "short run, measured" } });
    fireEvent.click(keep);
    await waitFor(() =>
      expect(edits()[0]).toMatchObject({ path: "/accepted/-", value: { finding: "fault-one", reason: "short run, measured", severity: "fault" } }),
    );
  });

  it("stand beside the item, the worst first, and only of the stage asked for", () => {
    const { unmount } = mount(<ItemMark subject="c1" />);
    expect(screen.getByText("danger: danger-one title")).toBeTruthy();
    unmount();
    mount(<ItemMark subject="c1" stage="prove" />);
    expect(screen.queryByText(/danger/)).toBeNull();
  });
});

describe("figures", () => {
  it("unroll step by step, back to what was typed", async () => {
    serve({ "GET /api/variants/v/working": workings });
    mount(<SlateFig k="circuits/lamp/drop_v" />);
    fireEvent.click(screen.getByRole("button", { name: /voltage drop/ }));
    expect(await screen.findByText("how voltage drop is reached")).toBeTruthy();
    expect(screen.getByText("typed: one way")).toBeTruthy();
    expect(screen.queryByText("how current is reached")).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: "current" }));
    expect(screen.getByText("how current is reached")).toBeTruthy();
    expect(screen.getByText("assumed: from its kind")).toBeTruthy();
  });

  it("say so when the working can't be fetched", async () => {
    serve();
    vi.stubGlobal("fetch", vi.fn().mockRejectedValue(new Error("down")));
    mount(<SlateFig k="circuits/lamp/drop_v" />);
    fireEvent.click(screen.getByRole("button", { name: /voltage drop/ }));
    expect(await screen.findByText(/could not be fetched/)).toBeTruthy();
  });

  it("opened on the bench show their working on top of the slate, once", async () => {
    serve({ "GET /api/variants/v/working": workings });
    mount(
      <>
        <Fig k="circuits/lamp/drop_v" />
        <Slate title="Lamp">
          <SlateFig k="circuits/lamp/drop_v" />
        </Slate>
      </>,
    );
    fireEvent.click(screen.getByTitle("voltage drop: how it was reached"));
    expect(screen.getByRole("region", { name: "Calculation" })).toBeTruthy();
    expect((await screen.findAllByTestId("working")).length).toBe(1);
    fireEvent.click(screen.getByRole("button", { name: "close" }));
    expect(screen.queryByTestId("working")).toBeNull();
  });

  it("that are not there are a dash", () => {
    mount(<Fig k="mains/limit_a" />);
    expect(screen.getByText("–")).toBeTruthy();
  });
});

describe("a token of the sentence", () => {
  const payload = <Token path="/vehicle/payload_kg" label="payload" dimension="mass" unit="kg" value={null} shown="1 000 kg" />;

  it("shows an assumption and where it comes from, and takes a value instead", async () => {
    serve({ "POST /api/quantity": { value: 900, unit: "kg", understood: "900 kg", awg: null } });
    mount(payload);
    const token = screen.getByRole("button", { name: /payload, assumed: change/ });
    expect(token.getAttribute("title")).toContain("typical of a panel van");
    fireEvent.click(token);
    expect(screen.getByText(/assumed: typical of a panel van/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText("payload"), { target: { value: "900" } });
    expect(await screen.findByText("= 900 kg")).toBeTruthy();
    fireEvent.keyDown(screen.getByLabelText("payload"), { key: "Enter" });
    await waitFor(() => expect(edits()).toEqual([{ op: "replace", path: "/vehicle/payload_kg", value: 900 }]));
  });

  it("is left as it was with Escape, and the focus comes back", async () => {
    mount(payload);
    fireEvent.click(screen.getByRole("button"));
    fireEvent.change(screen.getByLabelText("payload"), { target: { value: "5" } });
    fireEvent.keyDown(screen.getByLabelText("payload"), { key: "Escape" });
    await waitFor(() => expect(document.activeElement).toBe(screen.getByRole("button")));
    expect(edits()).toEqual([]);
  });

  it("offers choices, and numbers stay numbers", async () => {
    mount(<Token path="/life/people" label="people" choices={[2, 3].map((n) => ({ value: String(n), word: `${n} people` }))} value="2" shown="2 people" />);
    fireEvent.click(screen.getByRole("button"));
    fireEvent.change(screen.getByLabelText("people"), { target: { value: "3" } });
    await waitFor(() => expect(edits()).toEqual([{ op: "replace", path: "/life/people", value: 3 }]));
  });
});

describe("proposals", () => {
  const proposal = (id: string, status: string) => ({
    id,
    group: "bank",
    status,
    title: id,
    what: `${id} what`,
    patch: status === "new" ? [{}] : [],
    price: 100,
    mass_kg: 2,
  });
  const listed = {
    "GET /api/variants/v/proposals": [
      proposal("one", "new"),
      proposal("two", "new"),
      proposal("mine", "kept"),
      { ...proposal("other", "new"), group: "shore" },
    ],
    "GET /api/variants/v/proposals/reasons": { why: ["mine why"], assumes: ["mine assumes"] },
  };
  const taken = () => calls.filter((c) => c.method === "PUT").map((c) => c.body);

  it("say why and what they assume, and leave typed ones alone", async () => {
    serve(listed);
    mount(<Proposals groups={["bank"]} empty="nothing" />);
    fireEvent.click(await screen.findByRole("button", { name: /^mine/ }));
    expect(await screen.findByText("mine why")).toBeTruthy(); // worked out when it is opened
    const asked = calls.filter((c) => c.path.includes("/reasons"));
    expect(asked).toHaveLength(1);
    expect(screen.getByText("assumed: mine assumes")).toBeTruthy();
    expect(screen.getByText(/a proposal never overwrites it/)).toBeTruthy();
    expect((screen.getByRole("button", { name: "Use mine" }) as HTMLButtonElement).disabled).toBe(true);
    expect(screen.queryByText("other what")).toBeNull();
  });

  it("are taken one by one, some, or all", async () => {
    serve(listed);
    mount(<Proposals groups={["bank"]} empty="nothing" />);
    fireEvent.click(await screen.findByRole("button", { name: "Use one" }));
    await waitFor(() => expect(taken()).toEqual([{ ids: ["one"], groups: ["bank"] }]));
    fireEvent.click(await screen.findByLabelText("Pick two"));
    fireEvent.click(screen.getByRole("button", { name: "Use the 1 selected" }));
    await waitFor(() => expect(taken()[1]).toEqual({ ids: ["two"], groups: ["bank"] }));
    await waitFor(() => expect((screen.getByRole("button", { name: "Use all 2" }) as HTMLButtonElement).disabled).toBe(false));
    fireEvent.click(screen.getByRole("button", { name: "Use all 2" }));
    await waitFor(() => expect(taken()[2]).toEqual({ ids: null, groups: ["bank"] }));
  });

  it("say when there are none", async () => {
    mount(<Proposals groups={["bank"]} empty="Daily use is empty" />);
    expect(await screen.findByText("Daily use is empty")).toBeTruthy();
  });
});

describe("a new appliance", () => {
  const part = {
    key: "fridge-50",
    kind: "appliance",
    name: "Chest fridge 50 L",
    maker: "M",
    fields: { name: "Chest fridge 50 L", kind: "cooling", power_w: 45, duty_frac: 0.3 },
  };
  const added = vi.fn();

  beforeEach(() => added.mockClear());

  it("comes from the catalogue by arrows and Enter", async () => {
    serve({ "GET /api/catalogue": [part] });
    mount(<AddAppliance onAdded={added} onClose={() => undefined} />);
    fireEvent.change(screen.getByLabelText("What is it?"), { target: { value: "fridge" } });
    await screen.findByRole("button", { name: "Add Chest fridge 50 L" });
    fireEvent.keyDown(screen.getByLabelText("What is it?"), { key: "ArrowDown" });
    fireEvent.submit(screen.getByRole("form", { name: "New appliance" }));
    await waitFor(() => expect(added).toHaveBeenCalledWith("chest-fridge-50-l"));
    expect(edits()[0]).toMatchObject({ path: "/life/appliances/-", value: { power_w: 45, id: "chest-fridge-50-l" } });
  });

  it("or from its label, read by the core", async () => {
    const read = (body: { field: string }) => ({
      understood: "",
      fields: body.field === "power" ? { power_w: 9, hours_per_day: 1 } : { power_w: 9, duty_frac: 0.5, hours_per_day: null },
    });
    serve({ "GET /api/catalogue": [part], "POST /api/appliances/cell": read });
    mount(<AddAppliance onAdded={added} onClose={() => undefined} />);
    fireEvent.submit(screen.getByRole("form", { name: "New appliance" }));
    expect(screen.getByRole("alert").textContent).toContain("Say what it is");
    fireEvent.change(screen.getByLabelText("What is it?"), { target: { value: "Fan" } });
    fireEvent.submit(screen.getByRole("form", { name: "New appliance" }));
    expect(screen.getByRole("alert").textContent).toContain("Give its power");
    fireEvent.change(screen.getByLabelText("Power"), { target: { value: "9 W" } });
    fireEvent.change(screen.getByLabelText("Use"), { target: { value: "50 %" } });
    fireEvent.submit(screen.getByRole("form", { name: "New appliance" }));
    await waitFor(() => expect(added).toHaveBeenCalledWith("fan"));
    expect(edits()[0]).toMatchObject({ value: { name: "Fan", duty_frac: 0.5 } });
  });
});

function Keys() {
  const { help } = useKeys();
  return (
    <>
      <p>{help ? "help is open" : "no help"}</p>
      <input aria-label="a field" />
    </>
  );
}

describe("the keyboard", () => {
  const press = (key: string, target: Element = document.body) => fireEvent.keyDown(target, { key });

  it.each([
    ["1", "/v/v/vehicle"],
    ["0", "/v/v/build"],
    ["=", "/v/v/handover"],
    ["f", "/v/v/wiring"],
  ])("%s goes to %s", async (key, path) => {
    mount(<Keys />);
    press(key);
    await waitFor(() => expect(where).toBe(path));
  });

  it("does not fire while typing in a field", () => {
    mount(<Keys />);
    press("1", screen.getByLabelText("a field"));
    press("?", screen.getByLabelText("a field"));
    expect(where).toBe("/v/v/wiring");
    expect(screen.getByText("no help")).toBeTruthy();
  });

  it("undoes, and lists itself", async () => {
    mount(<Keys />);
    press("z");
    await waitFor(() => expect(calls.some((c) => c.path === "/api/variants/v/undo")).toBe(true));
    press("?");
    expect(screen.getByText("help is open")).toBeTruthy();
    expect(LIST.map(([k]) => k)).toContain("z, Shift+z; Ctrl+Z, Ctrl+Shift+Z");
  });
});

describe("the path and find-or-do", () => {
  it("shows cairns in words and open findings as a number", () => {
    mount(<Path />);
    const wiring = screen.getByRole("link", { name: /Wiring/ });
    expect(wiring.textContent).toContain("2");
    expect(within(wiring).getByRole("img").getAttribute("aria-label")).toBe("calculated");
    expect(
      within(screen.getByRole("link", { name: /Daily use/ }))
        .getByRole("img")
        .getAttribute("aria-label"),
    ).toBe("tested on site");
    expect(screen.getAllByRole("link").length).toBe(12);
  });

  it("draws as many stones as there are", () => {
    const { container } = mount(<Cairn stones={3} />);
    expect(container.querySelectorAll('rect[fill="currentColor"]').length).toBe(3);
  });

  it("finds stages, items, findings and actions, and runs them with Enter", async () => {
    const run = vi.fn();
    mount(<Find actions={[{ word: "Export tree SVG", what: "export", run }]} />);
    const field = screen.getByRole("combobox");
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: "lamp circuit" } });
    expect(screen.getAllByRole("option").map((o) => o.textContent)).toEqual(["A1 Lamp feedcircuit"]);
    fireEvent.change(field, { target: { value: "tree" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(run).toHaveBeenCalled();
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: "zzz" } });
    expect(screen.getByText(/nothing found/)).toBeTruthy();
  });
});

describe("a written value", () => {
  it.each(["Enter", "Tab"])("is said once with %s, though the focus leaves before the next drawing", async (key) => {
    const said: unknown[] = [];
    const leave = () => (document.activeElement as HTMLElement).blur();
    const read = async (text: string) => ({ understood: text });
    mount(<Written autoFocus label="length" text="1 m" read={read} onCommit={(q) => said.push(q)} onClose={leave} onNext={leave} />);
    const field = screen.getByLabelText("length");
    fireEvent.change(field, { target: { value: "0.7 m" } });
    fireEvent.keyDown(field, { key });
    await waitFor(() => expect(document.activeElement).not.toBe(field));
    expect(said).toEqual([{ understood: "0.7 m" }]);
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: "0.8 m" } });
    fireEvent.blur(field);
    await waitFor(() => expect(said.length).toBe(2));
  });
});

/** Warmth on the trip, refills of a leg, and the small parts that many slates are made of. */
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { useItems } from "../src/data/items";
import { choice, count, type FieldSpec, Fields, flag, mm, quantity, words } from "../src/parts/Fields";
import { StageViews } from "../src/shell/ViewSwitch";
import type { TripRun } from "../src/stages/trips/run";
import { FrostSummary, Refills, WarmSummary, warmRows } from "../src/stages/trips/WarmTrip";
import { calls, mount, serve, state } from "./mounted";

const plain = structuredClone(state);
const warm = {
  heat_kwh: 62.4,
  diesel_l: 7.8,
  gas_kg: 0,
  fuel_first_d: 3.5,
  heater_wh_day: 145,
  cooler_wh_day: 0,
  cool_missing_kwh: 0,
  hot_h: 0,
  damp_h: 36,
  wet_h: 5,
  condensed_kg: 0.24,
  coldest_p10_c: 7.9,
  hottest_p90_c: 25.4,
  freeze_frac: 0,
  freeze_h: 0,
  bay_frac: 0.04,
  bay_h: 0.1,
  bay_first_d: null,
};
const run = (change: object = {}) => ({ day_count: 18, days: [{ date: "2026-10-12" }], warm: { ...warm, ...change } }) as unknown as TripRun;
const leg = { id: "a", place: "cardiff", days_count: 2, refills: ["water"] };
const patches = () => calls.filter((c) => c.method === "PATCH").map((c) => c.body.ops);

beforeEach(() => {
  localStorage.clear();
  Object.assign(state.design, { trips: { legs: [leg] }, warmth: { heaters: [{ id: "h", fuel: "diesel" }] } });
  serve({ "POST /api/quantity": (body: { text: string }) => ({ value: Number.parseFloat(body.text) / 1000, unit: "m", understood: body.text, awg: null }) });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  Object.assign(state, structuredClone(plain));
});

describe("frost on the way", () => {
  const part = (more: object = {}) => ({ subject: "tank:grey", name: "Grey tank", day_frac: [], nights: [], coldest_p10_c: 1.2, hold_w: 81, ...more });
  const frozen = (...parts: object[]) => ({ ...run(), frost: parts }) as unknown as TripRun;
  it("names the nights and what would hold it, and stays silent without such parts", () => {
    const nights = ["2026-10-14", "2026-10-15", "2026-10-20", "2026-10-21", "2026-10-22"];
    mount(<FrostSummary run={frozen(part({ nights }), part({ subject: "pipe:p", name: "Drain pipe" }))} />);
    const words = screen.getByRole("region", { name: "Frost on the way" }).textContent;
    expect(words).toContain("Grey tank under 0 °C on 5 of 18 nights: 14 Oct, 15 Oct, 20 Oct, 21 Oct …. 81\u00a0W would hold it.");
    expect(words).toContain("Drain pipe stays over 0 °C in 9 of 10 simulated trips; 1.2\u00a0°C at the coldest.");
    cleanup();
    mount(<FrostSummary run={frozen()} />);
    expect(screen.queryByRole("region", { name: "Frost on the way" })).toBeNull();
  });
});

describe("what a run says of warmth", () => {
  it("names fuel, electricity, cold and damp, each with its measure", () => {
    const rows = Object.fromEntries(warmRows(run(), "metric"));
    expect(rows["heat from the heater"]).toBe("62 kWh");
    expect(rows["its liquid fuel"]).toContain("7.8");
    expect(rows["fuel out, in half of them"]).toContain("15 Oct");
    expect(rows["over 80 % humidity, a day"]).toBe("2.0 h");
    expect(rows["a bay under 0 °C, in"]).toBe("4 % of them");
    expect(rows["its gas"]).toBeUndefined();
    expect(rows["cooler’s electricity, a day"]).toBeUndefined();
  });
  it("is silent on what does not happen", () => {
    const none = warmRows(run({ heat_kwh: 0, diesel_l: 0, fuel_first_d: null, heater_wh_day: 0, damp_h: 0, wet_h: 0, bay_frac: 0 }), "metric");
    expect(none.map(([what]) => what)).toEqual(["coldest inside, 1 in 10", "hottest inside, 9 in 10"]);
  });
  it("counts hot hours and the cooler where there are any", () => {
    const rows = Object.fromEntries(warmRows(run({ hot_h: 90, cooler_wh_day: 2900, gas_kg: 3.2 }), "metric"));
    expect(rows["over 30 °C, a day"]).toBe("5.0 h");
    expect(rows["cooler’s electricity, a day"]).toContain("Wh");
    expect(rows["its gas"]).toContain("kg");
  });
  it("speaks the person's units", () => {
    const rows = Object.fromEntries(warmRows(run(), "us"));
    expect(rows["its liquid fuel"]).toContain("gal");
    expect(rows["coldest inside, 1 in 10"]).toContain("°F");
  });
  it("stands in the slate, and nowhere for a run of before", () => {
    const { unmount } = mount(<WarmSummary run={run()} />);
    expect(screen.getByRole("heading", { name: "Heat and air on the way" })).toBeTruthy();
    unmount();
    mount(<WarmSummary run={{ ...run(), warm: undefined } as unknown as TripRun} />);
    expect(screen.queryByRole("heading", { name: "Heat and air on the way" })).toBeNull();
  });
});

describe("refills of a leg", () => {
  it("are ticked as they are and written as a whole", async () => {
    mount(<Refills leg={leg as never} />);
    expect((screen.getByLabelText("fresh water") as HTMLInputElement).checked).toBe(true);
    fireEvent.click(screen.getByLabelText("diesel or petrol"));
    await waitFor(() => expect(patches()).toEqual([[{ op: "replace", path: "/trips/legs/0/refills", value: ["water", "diesel"] }]]));
    fireEvent.click(screen.getByLabelText("fresh water"));
    await waitFor(() => expect(patches().at(-1)).toEqual([{ op: "replace", path: "/trips/legs/0/refills", value: [] }]));
  });
  it("say when they count for nothing yet", () => {
    Object.assign(state.design, { warmth: { heaters: [] } });
    mount(<Refills leg={leg as never} />);
    expect(screen.getByText(/counts once there is a heater or a tank/)).toBeTruthy();
  });
});

describe("fields of an item", () => {
  type Item = { bore_mm: number; name: string; open: boolean; kind: "a" | "b"; spare: "x" | null; outlet: number; share: number };
  const item: Item = { bore_mm: 60, name: "Run", open: true, kind: "a", spare: null, outlet: 2, share: 0.5 };
  const specs: FieldSpec<Item>[] = [
    mm("bore_mm", "bore"),
    words("name", "name"),
    flag("open", "is open", "a note"),
    choice("kind", "kind", [
      { value: "a", word: "A" },
      { value: "b", word: "B" },
    ]),
    choice("spare", "spare", [{ value: "x", word: "X" }], { none: "none" }),
    count("outlet", "outlet"),
    quantity("share", "share", "fraction", "", { clearable: true, placeholder: "not entered" }),
  ];
  it("are set under their key, millimetres as they are stored", async () => {
    const set = vi.fn();
    mount(<Fields specs={specs} item={item} onSet={set} />);
    const bore = screen.getByLabelText("bore") as HTMLInputElement;
    expect(bore.value).toContain("60");
    fireEvent.change(bore, { target: { value: "75 mm" } });
    fireEvent.keyDown(bore, { key: "Enter" });
    await waitFor(() => expect(set).toHaveBeenCalledWith("bore_mm", 75, "bore"));
    fireEvent.click(screen.getByLabelText(/is open/));
    expect(set).toHaveBeenCalledWith("open", false, "is open");
    fireEvent.change(screen.getByLabelText("kind"), { target: { value: "b" } });
    expect(set).toHaveBeenCalledWith("kind", "b", "kind");
  });
  it("let nothing be chosen where that may be", () => {
    const set = vi.fn();
    mount(<Fields specs={specs} item={{ ...item, spare: "x" }} onSet={set} />);
    fireEvent.change(screen.getByLabelText("spare"), { target: { value: "" } });
    expect(set).toHaveBeenCalledWith("spare", null, "spare");
    expect(within(screen.getByLabelText("spare")).getByText("none")).toBeTruthy();
  });
  it("never lose a name", () => {
    const set = vi.fn();
    mount(<Fields specs={specs} item={item} onSet={set} />);
    const name = screen.getByLabelText("name");
    fireEvent.blur(name, { target: { value: "   " } });
    expect(set).not.toHaveBeenCalled();
    fireEvent.blur(name, { target: { value: " Bunk " } });
    expect(set).toHaveBeenCalledWith("name", "Bunk", "name");
  });
});

describe("a list of the design", () => {
  const items = [
    { id: "one", name: "One", by: "proposal" },
    { id: "two", name: "Two" },
  ];
  function Edits() {
    const list = useItems("/warmth/bays", items, "Bay", (id) => [{ op: "replace", path: "/warmth/linked", value: `not ${id}` }]);
    return (
      <>
        <button type="button" onClick={() => list.duplicate(items[0]!)}>
          again
        </button>
        <button type="button" onClick={() => list.duplicate(items[1]!)}>
          again two
        </button>
        <button type="button" onClick={() => void list.remove(items[1]!)}>
          remove
        </button>
        <button type="button" onClick={() => void list.move(items[1]!, -1)}>
          up
        </button>
        <button type="button" onClick={() => void list.add({ heat: 1 })}>
          add
        </button>
      </>
    );
  }
  beforeEach(() => Object.assign(state.design, { warmth: { bays: structuredClone(items), linked: "two" } }));
  const press = async (name: string) => {
    mount(<Edits />);
    fireEvent.click(screen.getByRole("button", { name }));
    await waitFor(() => expect(patches()).toHaveLength(1));
    return patches()[0];
  };
  it("gives a copy its own id, and makes it the person's where that is kept", async () => {
    expect(await press("again")).toEqual([{ op: "add", path: "/warmth/bays/1", value: { id: "one-2", name: "One", by: "typed" } }]);
  });
  it("does not invent a field that the item never had", async () => {
    expect(await press("again two")).toEqual([{ op: "add", path: "/warmth/bays/2", value: { id: "two-2", name: "Two" } }]);
  });
  it("clears first what names an item that goes", async () => {
    expect(await press("remove")).toEqual([
      { op: "replace", path: "/warmth/linked", value: "not two" },
      { op: "remove", path: "/warmth/bays/1" },
    ]);
  });
  it("moves and adds", async () => {
    expect(await press("up")).toEqual([{ op: "move", from: "/warmth/bays/1", path: "/warmth/bays/0" }]);
    cleanup();
    calls.length = 0;
    expect(await press("add")).toEqual([{ op: "add", path: "/warmth/bays/-", value: { id: "bay", name: "Bay 3", heat: 1 } }]);
  });
});

describe("views of a stage", () => {
  const VIEWS = { first: "First", other: "Other" };
  it("are kept in the address; the first one is there without it", () => {
    render(
      <MemoryRouter initialEntries={["/?view=nonsense&hand=x:y"]}>
        <StageViews stage="Test" views={VIEWS} />
      </MemoryRouter>,
    );
    const pressed = () => screen.getAllByRole("button").map((b) => b.getAttribute("aria-pressed"));
    expect(pressed()).toEqual(["true", "false"]);
    fireEvent.click(screen.getByRole("button", { name: "Other" }));
    expect(pressed()).toEqual(["false", "true"]);
    fireEvent.click(screen.getByRole("button", { name: "First" }));
    expect(pressed()).toEqual(["true", "false"]);
    expect(screen.getByRole("group", { name: "View of Test" })).toBeTruthy();
  });
});

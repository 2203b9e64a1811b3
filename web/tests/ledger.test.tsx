import { act, cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { type Column, Ledger } from "../src/parts/Ledger";

type Row = { id: string; name: string; kind: string; watts: number };
const FIRST: Row[] = [
  { id: "lamp", name: "Lamp", kind: "light", watts: 12 },
  { id: "fan", name: "Fan", kind: "fan", watts: 9 },
];

beforeEach(() => {
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      const body = (await request.json()) as { text: string };
      const n = Number.parseFloat(body.text);
      return Number.isNaN(n)
        ? new Response(JSON.stringify({ error: { key: "text", message: "write for example “60 W”" } }), {
            status: 422,
            headers: { "content-type": "application/json" },
          })
        : new Response(JSON.stringify({ value: n, unit: "W", understood: `${n} W`, awg: null }), { headers: { "content-type": "application/json" } });
    }),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function Table({ calls }: { calls: Record<string, (...a: unknown[]) => void> }) {
  const [rows, setRows] = useState(FIRST);
  const set = (row: Row, more: Partial<Row>) => setRows((old) => old.map((r) => (r.id === row.id ? { ...r, ...more } : r)));
  const columns: Column<Row>[] = [
    { key: "name", label: "name", kind: "text", show: (r) => r.name, value: (r) => r.name, set: (r, name) => set(r, { name }) },
    {
      key: "watts",
      label: "watts",
      kind: "quantity",
      show: (r) => `${r.watts} W`,
      value: (r) => r.watts,
      dimension: "power",
      unit: "W",
      set: (r, q) => set(r, { watts: q?.value ?? 0 }),
    },
    {
      key: "kind",
      label: "kind",
      kind: "choice",
      options: ["light", "fan"].map((v) => ({ value: v, word: v })),
      show: (r) => r.kind,
      value: (r) => r.kind,
      set: (r, kind) => set(r, { kind }),
    },
    {
      key: "double",
      label: "twice",
      kind: "computed",
      show: (r) => (
        <button data-figure="x" type="button" onClick={() => calls.figure?.(r.id)}>
          {2 * r.watts}
        </button>
      ),
    },
  ];
  return (
    <Ledger
      label="Things"
      rows={rows}
      columns={columns}
      id={(r) => r.id}
      onSelect={(r) => calls.select?.(r.id)}
      onAdd={() => calls.add?.()}
      onRemove={(r) => calls.remove?.(r.id)}
      onDuplicate={(r) => calls.duplicate?.(r.id)}
      onMove={(r, by) => calls.move?.(r.id, by)}
      onPaste={(t) => calls.paste?.(t)}
      empty="nothing"
    />
  );
}

const cell = (row: number, col: number) => document.querySelector<HTMLElement>(`[data-cell="${row}:${col}"]`)!;
const key = (key: string, more: object = {}) => fireEvent.keyDown(document.activeElement!, { key, ...more });

function mount() {
  const calls = Object.fromEntries(["select", "add", "remove", "duplicate", "move", "paste", "figure"].map((k) => [k, vi.fn()])) as Record<
    string,
    ReturnType<typeof vi.fn>
  >;
  render(<Table calls={calls as never} />);
  cell(0, 0).focus();
  return calls;
}

describe("the ledger by keyboard", () => {
  it("has one cell in the tab order and moves with the arrows", async () => {
    const calls = mount();
    expect(document.querySelectorAll('[role="gridcell"][tabindex="0"]').length).toBe(1);
    key("ArrowDown");
    await waitFor(() => expect(document.activeElement).toBe(cell(1, 0)));
    expect(calls.select).toHaveBeenLastCalledWith("fan");
    key("ArrowRight");
    await waitFor(() => expect(document.activeElement).toBe(cell(1, 1)));
    key("ArrowDown");
    await waitFor(() => expect(document.activeElement).toBe(cell(1, 1)));
    key("Home");
    await waitFor(() => expect(document.activeElement).toBe(cell(1, 0)));
    key("End");
    await waitFor(() => expect(document.activeElement).toBe(cell(1, 3)));
  });

  it("edits text with Enter and keeps the old one with Escape", async () => {
    mount();
    key("Enter");
    const field = await screen.findByLabelText("name");
    fireEvent.change(field, { target: { value: "Spot" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(await screen.findByText("Spot")).toBeTruthy();
    await waitFor(() => expect(document.activeElement).toBe(cell(0, 0)));
    key("Enter");
    const again = await screen.findByLabelText("name");
    fireEvent.change(again, { target: { value: "Other" } });
    fireEvent.keyDown(again, { key: "Escape" });
    expect(await screen.findByText("Spot")).toBeTruthy();
    expect(screen.queryByText("Other")).toBeNull();
  });

  it("goes on to the next editable cell with Tab, over a computed one", async () => {
    mount();
    key("Enter");
    const name = await screen.findByLabelText("name");
    fireEvent.keyDown(name, { key: "Tab" });
    const watts = await screen.findByLabelText("watts");
    fireEvent.change(watts, { target: { value: "20" } });
    fireEvent.keyDown(watts, { key: "Tab" });
    const kind = await screen.findByLabelText("kind");
    fireEvent.keyDown(kind, { key: "Tab" });
    expect(await screen.findByLabelText("name")).toHaveProperty("value", "Fan");
    expect(screen.getByText("20 W")).toBeTruthy();
  });

  it("refuses what is not understood in place and keeps the field open", async () => {
    mount();
    key("ArrowRight");
    await waitFor(() => expect(document.activeElement).toBe(cell(0, 1)));
    key("Enter");
    const watts = await screen.findByLabelText("watts");
    fireEvent.change(watts, { target: { value: "hot" } });
    fireEvent.keyDown(watts, { key: "Enter" });
    expect((await screen.findByRole("alert")).textContent).toContain("write for example");
    expect(watts.getAttribute("aria-invalid")).toBe("true");
    expect(document.body.contains(watts)).toBe(true);
  });

  it("adds, duplicates, removes, moves", () => {
    const calls = mount();
    key("Enter", { ctrlKey: true });
    expect(calls.add).toHaveBeenCalled();
    key("d", { ctrlKey: true });
    expect(calls.duplicate).toHaveBeenCalledWith("lamp");
    key("ArrowDown", { altKey: true });
    expect(calls.move).toHaveBeenCalledWith("lamp", 1);
    cell(0, 0).focus();
    key("Delete");
    expect(calls.remove).toHaveBeenCalled();
  });

  it("opens the working of a computed cell with Enter or w", () => {
    const calls = mount();
    act(() => cell(0, 3).focus());
    key("Enter");
    key("w");
    expect(calls.figure).toHaveBeenCalledTimes(2);
  });

  it("asks the page about pasted rows and leaves single words alone", () => {
    const calls = mount();
    const paste = (text: string) => fireEvent.paste(screen.getByRole("grid"), { clipboardData: { getData: () => text } });
    paste("name\tpower\nLamp\t5 W");
    expect(calls.paste).toHaveBeenCalledWith("name\tpower\nLamp\t5 W");
    paste("Lamp");
    expect(calls.paste).toHaveBeenCalledTimes(1);
  });
});

describe("the ledger by mouse", () => {
  it("selects with one press and edits with the next", async () => {
    const calls = mount();
    fireEvent.click(cell(1, 2));
    expect(calls.select).toHaveBeenLastCalledWith("fan");
    expect(screen.queryByLabelText("kind")).toBeNull();
    fireEvent.click(cell(1, 2));
    fireEvent.change(await screen.findByLabelText("kind"), { target: { value: "light" } });
    await waitFor(() => expect(cell(1, 2).textContent).toBe("light"));
  });
});

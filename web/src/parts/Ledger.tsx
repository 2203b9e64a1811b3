/**
 * The keyboard-first table of every list: arrows move, Enter edits, Tab goes on, Ctrl+Enter adds a line, Delete removes,
 * Ctrl+D duplicates, Alt+arrows reorder, and pasting several rows asks the page what they mean.
 */

import { type ReactNode, useCallback, useEffect, useRef, useState } from "react";
import type { Dimension } from "../data/units";
import { useSaid, useTerm } from "../shell/person";
import { says } from "../words/parts";
import { Quantity, type Understood, Written } from "./Quantity";

export type Column<Row> = {
  key: string;
  label: string;
  width?: string;
  align?: "right";
  show: (row: Row) => ReactNode;
  title?: (row: Row) => string;
} & (
  | { kind: "computed" }
  | { kind: "text"; value: (row: Row) => string; set: (row: Row, text: string) => void }
  | { kind: "choice"; value: (row: Row) => string; options: readonly { value: string; word: string }[]; set: (row: Row, value: string) => void }
  | {
      kind: "quantity";
      value: (row: Row) => number | null | undefined;
      text?: (row: Row) => string;
      dimension: Dimension;
      unit: string;
      clearable?: boolean;
      set: (row: Row, q: Understood | null) => void;
    }
  | {
      kind: "written";
      text: (row: Row) => string;
      read: (row: Row, text: string) => Promise<Read>;
      set: (row: Row, read: Read | null) => void;
      clearable?: boolean;
    }
);
/** What the core understood of a written cell: the fields to change. */
export type Read = { understood: string; fields: Record<string, unknown> };

type Props<Row> = {
  label: string;
  rows: Row[];
  columns: Column<Row>[];
  id: (row: Row) => string;
  selected?: string;
  onSelect?: (row: Row) => void;
  onAdd?: () => void;
  onRemove?: (row: Row) => void;
  onDuplicate?: (row: Row) => void;
  onMove?: (row: Row, by: -1 | 1) => void;
  onPaste?: (text: string) => void;
  mark?: (row: Row) => ReactNode;
  empty: ReactNode;
  focusNew?: string | null;
};

type Cell = { row: number; col: number };

export function Ledger<Row>(p: Props<Row>) {
  const [at, setAt] = useState<Cell>({ row: 0, col: 0 });
  const say = useSaid();
  const term = useTerm();
  const [editing, setEditing] = useState(false);
  /** The character that began an edit. */
  const [typed, setTyped] = useState<string | undefined>();
  const grid = useRef<HTMLTableElement>(null);
  const last = p.rows.length - 1;

  const wanted = useRef(0);
  const focusCell = useCallback((cell: Cell) => {
    const mine = ++wanted.current;
    requestAnimationFrame(() => mine === wanted.current && grid.current?.querySelector<HTMLElement>(`[data-cell="${cell.row}:${cell.col}"]`)?.focus());
  }, []);

  /** Opens the cell under the cursor; a focus still on its way to a cell is called off. */
  const open = (begin?: string) => {
    wanted.current++;
    setTyped(begin);
    setEditing(true);
  };

  useEffect(() => {
    if (!p.focusNew) return;
    const row = p.rows.findIndex((r) => p.id(r) === p.focusNew);
    if (row < 0) return;
    setAt({ row, col: 0 });
    focusCell({ row, col: 0 });
    grid.current?.querySelector(`[data-cell="${row}:0"]`)?.scrollIntoView?.({ block: "nearest" });
  }, [p.focusNew, p.rows, p.id, focusCell]);

  const go = (row: number, col: number, edit = false) => {
    const cell = { row: Math.max(0, Math.min(last, row)), col: Math.max(0, Math.min(p.columns.length - 1, col)) };
    setAt(cell);
    setTyped(undefined);
    setEditing(edit && p.columns[cell.col]!.kind !== "computed");
    const item = p.rows[cell.row];
    if (item) p.onSelect?.(item);
    if (edit) wanted.current++;
    else focusCell(cell);
  };

  const next = (back: boolean) => {
    let { row, col } = at;
    for (let n = 0; n < p.columns.length * 2; n++) {
      col += back ? -1 : 1;
      if (col < 0) {
        col = p.columns.length - 1;
        row--;
      } else if (col >= p.columns.length) {
        col = 0;
        row++;
      }
      if (row < 0 || row > last) break;
      if (p.columns[col]!.kind !== "computed") return go(row, col, true);
    }
    setEditing(false);
    focusCell(at);
  };

  const done = () => {
    setEditing(false);
    focusCell(at);
  };

  const keys = (e: React.KeyboardEvent) => {
    if (editing) return;
    const row = p.rows[at.row];
    const handled = () => {
      e.preventDefault();
      e.stopPropagation();
    };
    if (e.key === "Enter" && (e.ctrlKey || e.metaKey)) {
      handled();
      p.onAdd?.();
    } else if (e.altKey && (e.key === "ArrowUp" || e.key === "ArrowDown") && row && p.onMove) {
      handled();
      const by = e.key === "ArrowUp" ? -1 : 1;
      p.onMove(row, by);
      go(at.row + by, at.col);
    } else if (e.key.startsWith("Arrow")) {
      handled();
      const [dr, dc] = ({ ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] } as Record<string, [number, number]>)[e.key]!;
      go(at.row + dr, at.col + dc);
    } else if (e.key === "Home" || e.key === "End") {
      handled();
      go(at.row, e.key === "Home" ? 0 : p.columns.length - 1);
    } else if ((e.key === "Enter" || e.key === "F2") && row) {
      handled();
      if (p.columns[at.col]!.kind === "computed") (e.target as HTMLElement).querySelector<HTMLElement>("[data-figure]")?.click();
      else open();
    } else if (e.key === "w" && row) {
      const figure = (e.target as HTMLElement).querySelector<HTMLElement>("[data-figure]");
      if (figure) {
        handled();
        figure.click();
      }
    } else if ((e.key === "Delete" || e.key === "Backspace") && row && p.onRemove) {
      handled();
      p.onRemove(row);
      go(Math.min(at.row, last - 1), at.col);
    } else if (e.key.toLowerCase() === "d" && (e.ctrlKey || e.metaKey) && row && p.onDuplicate) {
      handled();
      p.onDuplicate(row);
    } else if (e.key === "Escape") {
      handled(); // out of the cells, where the shortcuts are heard
      grid.current?.closest<HTMLElement>("[role=region], main")?.focus();
    } else if (e.key.length === 1 && e.key !== " " && !e.ctrlKey && !e.metaKey && !e.altKey && row && p.columns[at.col]!.kind !== "computed") {
      handled(); // what is typed on a cell goes into it, and fires no shortcut
      open(e.key);
    }
  };

  const paste = (e: React.ClipboardEvent) => {
    const text = e.clipboardData.getData("text/plain");
    if (!p.onPaste || !/[\t\n;,]/.test(text.trim()) || editing) return;
    e.preventDefault();
    p.onPaste(text);
  };

  const finish = (row: Row, set: (row: Row, text: string) => void, text: string | null) => {
    if (text !== null) set(row, text);
    done();
  };

  const editor = (row: Row, c: Column<Row>): ReactNode => {
    if (c.kind === "text") return <TextCell label={say(c.label)} text={c.value(row)} begin={typed} onDone={(t) => finish(row, c.set, t)} onNext={next} />;
    if (c.kind === "choice")
      return (
        <select
          className="field w-full"
          aria-label={say(c.label)}
          // biome-ignore lint/a11y/noAutofocus: editing a cell puts the caret into it
          autoFocus
          value={c.value(row)}
          onChange={(e) => {
            c.set(row, e.target.value);
            done();
          }}
          onBlur={() => setEditing(false)}
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === "Escape" || e.key === "Enter") done();
            if (e.key === "Tab") {
              e.preventDefault();
              next(e.shiftKey);
            }
          }}
        >
          {c.options.map((o) => (
            <option key={o.value} value={o.value}>
              {term(o.word)}
            </option>
          ))}
        </select>
      );
    if (c.kind === "written") return <WrittenCell column={c} row={row} begin={typed} onDone={done} onNext={next} />;
    if (c.kind === "quantity")
      return (
        <Quantity
          autoFocus
          className="w-full"
          label={say(c.label)}
          begin={typed}
          value={c.value(row)}
          text={c.text?.(row)}
          dimension={c.dimension}
          unit={c.unit}
          clearable={c.clearable}
          onCommit={(q) => c.set(row, q)}
          onClose={done}
          onNext={next}
        />
      );
    return null;
  };

  /** What a cell shows; one of several choices in the region’s terms, as its options are. */
  const shown = (row: Row, c: Column<Row>) => {
    const told = c.show(row);
    return c.kind === "choice" && typeof told === "string" ? term(told) : told;
  };

  if (!p.rows.length)
    return (
      <div className="p-4" onPaste={paste}>
        {p.empty}
      </div>
    );
  return (
    <table
      ref={grid}
      role="grid"
      aria-label={p.label}
      aria-rowcount={p.rows.length}
      className="w-full border-collapse text-[13px]"
      onKeyDown={keys}
      onPaste={paste}
    >
      <thead>
        <tr>
          {p.mark && (
            <th scope="col" className="sticky top-0 z-10 w-6 bg-sheet">
              <span className="sr-only">{says("findings-2")}</span>
            </th>
          )}
          {p.columns.map((c) => (
            <th
              key={c.key}
              scope="col"
              style={{ width: c.width }}
              className={`sticky top-0 z-10 border-b border-line bg-sheet px-1.5 py-1 text-[11px] font-semibold text-dim ${c.align === "right" ? "text-right" : "text-left"}`}
            >
              {say(c.label)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {p.rows.map((row, r) => {
          const id = p.id(row);
          const on = p.selected === id;
          return (
            <tr key={id} data-row={id} aria-selected={on} className={`border-b border-line/60 ${on ? "bg-gorse/15" : "hover:bg-bench/60"}`}>
              {p.mark && <td className="px-1 text-center">{p.mark(row)}</td>}
              {p.columns.map((c, k) => {
                const here = at.row === r && at.col === k;
                return (
                  <td
                    key={c.key}
                    role="gridcell"
                    tabIndex={here ? 0 : -1}
                    data-cell={`${r}:${k}`}
                    data-col={c.key}
                    title={c.title?.(row)}
                    className={`h-7 max-w-0 overflow-hidden text-ellipsis whitespace-nowrap px-1.5 ${c.align === "right" ? "text-right" : "text-left"} ${
                      c.kind === "computed" || c.kind === "quantity" || c.kind === "written" ? "num" : ""
                    } ${c.kind === "computed" ? "text-dim" : ""} ${here && editing ? "!overflow-visible !p-0.5" : ""}`}
                    onFocus={() => {
                      if (!here) setAt({ row: r, col: k });
                    }}
                    onClick={() => {
                      setAt({ row: r, col: k });
                      p.onSelect?.(row);
                      if (here && !editing && c.kind !== "computed") open();
                    }}
                    onDoubleClick={() => c.kind !== "computed" && open()}
                  >
                    {here && editing ? editor(row, c) : shown(row, c)}
                  </td>
                );
              })}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

type WrittenColumn<Row> = Extract<Column<Row>, { kind: "written" }>;

function WrittenCell<Row>({
  column,
  row,
  begin,
  onDone,
  onNext,
}: {
  column: WrittenColumn<Row>;
  row: Row;
  begin?: string;
  onDone: () => void;
  onNext: (back: boolean) => void;
}) {
  const { read, set } = column;
  const reader = useCallback((text: string) => read(row, text), [read, row]);
  return (
    <Written
      autoFocus
      begin={begin}
      className="w-full"
      label={column.label}
      text={column.text(row)}
      read={reader}
      clearable={column.clearable}
      onCommit={(q) => set(row, q)}
      onClose={onDone}
      onNext={onNext}
    />
  );
}

function TextCell({
  label,
  text,
  begin,
  onDone,
  onNext,
}: {
  label: string;
  text: string;
  begin?: string;
  onDone: (t: string | null) => void;
  onNext: (back: boolean) => void;
}) {
  const [draft, setDraft] = useState(begin ?? text);
  const left = useRef(false);
  const finish = () => onDone(draft.trim() === text || !draft.trim() ? null : draft.trim());
  return (
    <input
      className="field w-full"
      aria-label={label}
      // biome-ignore lint/a11y/noAutofocus: editing a cell puts the caret into it
      autoFocus
      maxLength={20000}
      value={draft}
      onFocus={(e) => begin === undefined && e.target.select()}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={() => !left.current && finish()}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === "Enter") {
          left.current = true;
          finish();
        }
        if (e.key === "Escape") {
          left.current = true;
          onDone(null);
        }
        if (e.key === "Tab") {
          e.preventDefault();
          left.current = true;
          finish();
          onNext(e.shiftKey);
        }
      }}
    />
  );
}

/** Columns that the ledgers of several stages share. */
import { show, type UnitSystem } from "../data/show";
import { says } from "../words/parts";
import type { Item, ItemList } from "./ItemLedger";
import type { Column } from "./Ledger";
import { Term } from "./Term";

/** Words that are worked out or chosen in the slate. */
export const wordColumn = <R,>(key: string, label: string, width: string, word: (row: R) => string): Column<R> => ({
  key,
  label,
  width,
  kind: "computed",
  show: (row) => (
    <span className="font-sans text-peat">
      <Term>{word(row)}</Term>
    </span>
  ),
});

/** The run that a run of a tree begins at, or the root. */
export const beginsColumn = <T extends Item & { parent?: string | null }>(list: ItemList<T>, width: string, root: string): Column<T> =>
  wordColumn("parent", says("begins"), width, (x) => list.items.find((y) => y.id === x.parent)?.name ?? root);

/** Length, typed over in place. */
export const lengthColumn = <T extends Item & { length_m?: number }>(list: ItemList<T>, width: string, units: UnitSystem): Column<T> => ({
  key: "length",
  label: says("length"),
  width,
  align: "right",
  kind: "quantity",
  dimension: "length",
  unit: "m",
  show: (x) => show(x.length_m, "m", units),
  value: (x) => x.length_m,
  set: (x, q) => q && void list.set(x, { length_m: q.value } as Partial<T>, says("length")),
});

/** The date of a record, typed over in place. */
export const dateColumn = <T extends Item & { on?: string }>(list: ItemList<T>, width: string): Column<T> => ({
  key: "on",
  label: says("date"),
  width,
  kind: "text",
  show: (x) => x.on,
  value: (x) => x.on ?? "",
  set: (x, on) => void list.set(x, { on } as Partial<T>, says("date")),
});

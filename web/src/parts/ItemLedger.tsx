/** The ledger of a list of named items of the design: what is selected is in hand; adding, removing, another one, moving, marks of findings. */
import { type ReactNode, useCallback } from "react";
import type { useItems } from "../data/items";
import { useCall } from "../shell/call";
import { type HandKind, useHand } from "../shell/hand";
import { says } from "../words/parts";
import { ItemMark } from "./Findings";
import { type Column, Ledger } from "./Ledger";

export type Item = { id: string; name: string };
export type ItemList<T extends Item> = ReturnType<typeof useItems<T>>;
type Props<T extends Item> = {
  label: string;
  list: ItemList<T>;
  kind: HandKind;
  /** What findings call an item before its id, where it isn't the kind. */
  subject?: string;
  columns: Column<T>[];
  onAdd: () => void;
  empty: ReactNode;
  /** Records stand in the order of time and are not copied. */
  records?: boolean;
};

export function ItemLedger<T extends Item>({ label, list, kind, subject = kind, columns, onAdd, empty, records }: Props<T>) {
  const hand = useHand();
  return (
    <Ledger
      label={label}
      rows={list.items}
      columns={columns}
      id={idOf}
      selected={hand.kind === kind ? hand.id : undefined}
      onSelect={(x) => hand.pick(kind, x.id)}
      onAdd={onAdd}
      onRemove={(x) => void list.remove(x)}
      onDuplicate={records ? undefined : (x) => void list.duplicate(x)}
      onMove={records ? undefined : (x, by) => void list.move(x, by)}
      mark={(x) => <ItemMark subject={`${subject}:${x.id}`} />}
      empty={<p className="m-0 max-w-xl text-[15px]">{empty}</p>}
    />
  );
}

const idOf = (x: Item) => x.id;

/** The column of names, typed over in place. */
export const nameColumn = <T extends Item>(list: ItemList<T>, label: string, width: string): Column<T> => ({
  key: "name",
  label,
  width,
  kind: "text",
  show: (x) => x.name,
  value: (x) => x.name,
  set: (x, name) => void list.set(x, { name } as Partial<T>, says("name")),
});

/** Makes an item with these fields, on the key n too, and takes it in hand; and the item of the list that is in hand. */
export function useMaking<T extends Item>(list: ItemList<T>, kind: HandKind, fields: () => object | undefined) {
  const hand = useHand();
  const create = useCallback(async () => {
    const id = await list.add(fields());
    if (id) hand.pick(kind, id);
  }, [list, kind, fields, hand.pick]);
  useCall("bothy:new", create);
  return { create, held: hand.kind === kind ? list.items.find((x) => x.id === hand.id) : undefined };
}

/** Edits of the design's lists as JSON Patch operations: set fields, add, remove, duplicate, move. */
import type { PatchOp } from "./client";

type Item = { id: string };

export const indexOf = (list: Item[] | undefined, id: string): number => list?.findIndex((x) => x.id === id) ?? -1;

/** Set fields of the item with that id; the test makes the edit fail when the item has moved or gone. */
export function setFields(base: string, list: Item[] | undefined, id: string, fields: Record<string, unknown>): PatchOp[] {
  const i = indexOf(list, id);
  if (i < 0) return [];
  return Object.entries(fields).map(([key, value]) => ({ op: "replace", path: `${base}/${i}/${key}`, value }));
}

export function removeItem(base: string, list: Item[] | undefined, id: string): PatchOp[] {
  const i = indexOf(list, id);
  return i < 0 ? [] : [{ op: "remove", path: `${base}/${i}` }];
}

export function moveItem(base: string, list: Item[] | undefined, id: string, by: -1 | 1): PatchOp[] {
  const i = indexOf(list, id);
  const to = i + by;
  return i < 0 || to < 0 || to >= (list?.length ?? 0) ? [] : [{ op: "move", from: `${base}/${i}`, path: `${base}/${to}` }];
}

/** A copy right after the item, with its own id. */
export function insertAfter(base: string, list: Item[] | undefined, id: string, copy: Item): PatchOp[] {
  return [{ op: "add", path: `${base}/${indexOf(list, id) + 1}`, value: copy }];
}

/** An item and all that hang on it, by id. */
export function below(id: string, items: { id: string; parent?: string | null }[]): Set<string> {
  return new Set([id, ...items.filter((x) => x.parent === id).flatMap((x) => [...below(x.id, items)])]);
}

/** Frees those that hang on an item that is taken out: they then hang on what it hung on. */
export function rehang(base: string, items: { id: string; parent?: string | null }[], id: string): PatchOp[] {
  const to = items.find((x) => x.id === id)?.parent ?? null;
  return items.flatMap((x, i): PatchOp[] => (x.parent === id ? [{ op: "replace", path: `${base}/${i}/parent`, value: to }] : []));
}

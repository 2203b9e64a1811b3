/** The usual edits of a list of named items of the design. */

import { says } from "../words/data";
import type { PatchOp } from "./client";
import { insertAfter, moveItem, removeItem, setFields } from "./lists";
import { freshId } from "./patch";
import { useVariant } from "./variant";

type Item = { id: string; name: string };

/** Edits of a list of named items; what else names an item is cleared with it (`unlink`). */
export function useItems<T extends Item>(base: string, items: T[], word: string, unlink: (id: string) => PatchOp[] = () => []) {
  const { edit } = useVariant();
  const ids = items.map((x) => x.id);
  return {
    items,
    set: (x: T, fields: Partial<T>, what: string) => edit(setFields(base, items, x.id, fields), `${x.name}: ${what}`),
    remove: (x: T) => edit([...unlink(x.id), ...removeItem(base, items, x.id)], says("removed", { name: x.name })),
    move: (x: T, by: -1 | 1) => edit(moveItem(base, items, x.id, by), says("moved", { name: x.name })),
    duplicate: (x: T) => {
      const id = freshId(x.name, ids);
      void edit(insertAfter(base, items, x.id, { ...x, id, ...("by" in x ? { by: "typed" } : {}) }), says("another", { name: x.name }));
      return id;
    },
    add: async (fields: object = {}) => {
      const id = freshId(word, ids);
      const ok = await edit(
        [{ op: "add", path: `${base}/-`, value: { id, name: `${word} ${items.length + 1}`, ...fields } }],
        says("added", { word: word.toLowerCase() }),
      );
      return ok ? id : null;
    },
  };
}

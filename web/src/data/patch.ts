/** Paths of the design document: by index for JSON Patch, by id for people and for finding conflicts. */
import { applyPatch, type Operation } from "fast-json-patch";
import type { Design, PatchOp } from "./client";

type Tree = Record<string, unknown>;

/** The design after operations, without touching the given one; null when they do not fit. */
export function applied(design: Design, ops: PatchOp[]): Design | null {
  try {
    return applyPatch(structuredClone(design), structuredClone(ops) as Operation[], false, true).newDocument;
  } catch {
    return null;
  }
}

/** Value at a JSON pointer, or undefined. */
export function at(design: unknown, path: string): unknown {
  let here: unknown = design;
  for (const part of path.split("/").slice(1)) {
    if (here === null || typeof here !== "object") return undefined;
    here = (here as Tree)[part];
  }
  return here;
}

const nameOf = (item: unknown): string | undefined => {
  const one = item as { id?: string; circuit?: string; finding?: string } | null;
  return one?.id ?? one?.circuit ?? one?.finding;
};

/** A path with the ids of list items in place of their indexes: /life/appliances/3/name -> /life/appliances/fridge/name. */
export function named(design: Design, path: string): string {
  let here: unknown = design;
  let out = "";
  for (const part of path.split("/").slice(1)) {
    const next = here && typeof here === "object" ? (here as Tree)[part] : undefined;
    out += `/${Array.isArray(here) ? (nameOf(next) ?? part) : part}`;
    here = next;
  }
  return out;
}

/** A path by id turned into one by the indexes of this design; null when the item is gone. */
export function indexed(design: Design, path: string): string | null {
  let here: unknown = design;
  let out = "";
  for (const part of path.split("/").slice(1)) {
    let key = part;
    if (Array.isArray(here) && part !== "-" && !/^\d+$/.test(part)) {
      const i = here.findIndex((item) => nameOf(item) === part);
      if (i < 0) return null;
      key = String(i);
    } else if (Array.isArray(here) && part !== "-") {
      const i = here.findIndex((item) => nameOf(item) === part);
      if (i >= 0) key = String(i);
    }
    out += `/${key}`;
    here = here && typeof here === "object" ? (here as Tree)[key] : undefined;
  }
  return out;
}

/** Operations with ids in their paths, as they are kept until the server has them. */
export function withNames(design: Design, ops: PatchOp[]): PatchOp[] {
  return ops.map((op) => ({ ...op, path: named(design, op.path), ...(op.from ? { from: named(design, op.from) } : {}) }));
}

/** Operations with the indexes of this design; null when an item of theirs is gone. */
export function withIndexes(design: Design, ops: PatchOp[]): PatchOp[] | null {
  const out: PatchOp[] = [];
  let here: Design | null = design;
  for (const op of ops) {
    if (!here) return null;
    const path = indexed(here, op.path);
    const from = op.from ? indexed(here, op.from) : undefined;
    if (path === null || from === null) return null;
    const made = { ...op, path, ...(from ? { from } : {}) };
    out.push(made);
    here = applied(here, [made]);
  }
  return here ? out : null;
}

/** Whether two changes meet: one path is the other, or lies inside it. */
export function meets(mine: string, theirs: string): boolean {
  return mine === theirs || mine.startsWith(`${theirs}/`) || theirs.startsWith(`${mine}/`);
}

/** A free id made from words. */
export function freshId(words: string, taken: Iterable<string>): string {
  const have = new Set(taken);
  const stem =
    words
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 32) || "item";
  let id = stem;
  for (let n = 2; have.has(id); n++) id = `${stem}-${n}`;
  return id;
}

type Item = { id: string };
const isItem = (value: unknown): value is Item => typeof (value as Item | null)?.id === "string";

/** A value with an id in its lists of ids replaced. */
function relinked(value: unknown, old: string, id: string): unknown {
  if (Array.isArray(value)) return value.map((v) => (v === old ? id : relinked(v, old, id)));
  if (value && typeof value === "object") return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, relinked(v, old, id)]));
  return value;
}

/**
 * Changes whose new items have ids that the design has already (another tab was faster) with free ids in their place, in the later changes too.
 * The same list where nothing meets.
 */
export function withFreeIds<T extends { ops: PatchOp[] }>(design: Design, queue: T[]): T[] {
  let out = queue;
  let here: Design | null = design;
  for (let i = 0; i < out.length && here; i++) {
    for (let j = 0; j < out[i]!.ops.length && here; j++) {
      const op = out[i]!.ops[j]!;
      const list = op.path.slice(0, op.path.lastIndexOf("/"));
      const there = at(here, indexed(here, list) ?? list);
      if (op.op === "add" && isItem(op.value) && Array.isArray(there) && there.some((x) => nameOf(x) === (op.value as Item).id)) {
        const old = op.value.id;
        const id = freshId(
          old.replace(/-\d+$/, ""),
          there.map((x) => nameOf(x) ?? ""),
        );
        const path = (p: string) => (p === `${list}/${old}` || p.startsWith(`${list}/${old}/`) ? `${list}/${id}${p.slice(list.length + 1 + old.length)}` : p);
        out = out.map((p, n) =>
          n < i
            ? p
            : {
                ...p,
                ops: p.ops.map((o, m) => {
                  if (n === i && m < j) return o;
                  if (n === i && m === j) return { ...o, value: { ...(o.value as Item), id } };
                  return {
                    ...o,
                    path: path(o.path),
                    ...(o.from ? { from: path(o.from) } : {}),
                    ...("value" in o ? { value: relinked(o.value, old, id) } : {}),
                  };
                }),
              },
        );
      }
      const made = withIndexes(here, [out[i]!.ops[j]!]);
      here = made && applied(here, made);
    }
  }
  return out;
}

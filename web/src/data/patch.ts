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

/**
 * Edits that the server hasn't got yet, kept in the browser: one list for each open tab, so that no tab overwrites another's.
 *
 * A tab holds a lock (Web Locks) as long as it lives. The list of a tab that is gone, closed or reloaded, is taken over by
 * another that has the same project open, or by the next that opens it.
 */
import type { PatchOp } from "./client";

export type Pending = { edit: string; ops: PatchOp[]; message: string };

const PREFIX = "bothy.kept.";
const uuid = (): string =>
  globalThis.crypto?.randomUUID?.() ?? "10000000-1000-4000-8000-100000000000".replace(/[018]/g, (c) => (+c ^ ((Math.random() * 16) >> (+c / 4))).toString(16));

/** An id for one change, so that the server makes it once however often it is sent. */
export const newEdit = uuid;
const TAB = uuid();
const keyOf = (id: string, tab: string) => `${PREFIX}${id}.${tab}`;
const lockOf = (tab: string) => `bothy.tab.${tab}`;

let held = false;
function holdTab(): void {
  if (held) return;
  held = true;
  void globalThis.navigator?.locks?.request(lockOf(TAB), () => new Promise(() => undefined));
}

function parsed(text: string | null): Pending[] {
  try {
    const data: unknown = JSON.parse(text ?? "[]");
    if (!Array.isArray(data)) return [];
    return data.filter((p) => Array.isArray(p?.ops)).map((p) => ({ edit: p.edit ?? uuid(), ops: p.ops, message: p.message ?? "edit" }));
  } catch {
    return [];
  }
}

/** Keep this tab's list. False when the browser keeps nothing: then it lives in this tab alone. */
export function writeKept(id: string, queue: Pending[]): boolean {
  holdTab();
  try {
    if (queue.length) localStorage.setItem(keyOf(id, TAB), JSON.stringify(queue));
    else localStorage.removeItem(keyOf(id, TAB));
    return true;
  } catch {
    return queue.length === 0;
  }
}

function others(id: string): string[] {
  try {
    return Object.keys(localStorage).filter((k) => (k === `${PREFIX}${id}` || k.startsWith(`${PREFIX}${id}.`)) && k !== keyOf(id, TAB));
  } catch {
    return [];
  }
}

/**
 * Calls `take` with what tabs left that are gone, at once or when they go; what was taken is removed only after `take` has it.
 * Returns a function that stops waiting.
 */
export function takeOver(id: string, take: (left: Pending[]) => void): () => void {
  holdTab();
  const stop = new AbortController();
  const moved = (key: string) => {
    if (stop.signal.aborted) return;
    const left = parsed(localStorage.getItem(key));
    if (left.length) take(left);
    localStorage.removeItem(key);
  };
  for (const key of others(id)) {
    const tab = key.slice(`${PREFIX}${id}.`.length);
    const locks = globalThis.navigator?.locks;
    if (!tab || !locks) moved(key);
    else locks.request(lockOf(tab), { signal: stop.signal }, () => moved(key)).catch(() => undefined);
  }
  return () => stop.abort();
}

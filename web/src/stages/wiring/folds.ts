/** Which boards of the diagram are folded, per variant and tab. */
import { useCallback, useSyncExternalStore } from "react";
import { useVariant } from "../../data/variant";

const watchers = new Set<() => void>();
const keyOf = (id: string) => `bothy.folded.${id}`;

function read(id: string): string {
  try {
    return sessionStorage.getItem(keyOf(id)) ?? "[]";
  } catch {
    return "[]";
  }
}

export function useFolds() {
  const { id } = useVariant();
  const text = useSyncExternalStore(
    useCallback((told) => {
      watchers.add(told);
      return () => watchers.delete(told);
    }, []),
    () => read(id),
  );
  const folded = JSON.parse(text) as string[];
  const set = (refs: string[]) => {
    try {
      sessionStorage.setItem(keyOf(id), JSON.stringify(refs));
    } catch {
      return; // storage is forbidden: nothing stays folded
    }
    for (const told of watchers) told();
  };
  return { folded, set, toggle: (ref: string) => set(folded.includes(ref) ? folded.filter((x) => x !== ref) : [...folded, ref]) };
}

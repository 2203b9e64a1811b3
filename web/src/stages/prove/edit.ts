/** Readings: at most one a circuit; typing the first value makes it. */
import type { Schemas } from "../../data/client";
import { useVariant } from "../../data/variant";
import { says } from "../../words/prove";

export type Reading = Schemas["Reading"];
export type SheetRow = Schemas["SheetRow"];
export const VERDICTS: Record<string, string> = { pass: says("passes"), marginal: says("marginal"), fail: says("fails") };

type Row = Pick<SheetRow, "circuit" | "code" | "name">;

export function useReadings() {
  const { design, edit } = useVariant();
  const list = design.facts?.readings ?? [];
  return {
    of: (circuit: string): Reading | undefined => list.find((r) => r.circuit === circuit),
    set: (row: Row, fields: Partial<Reading>) => {
      const i = list.findIndex((r) => r.circuit === row.circuit);
      const taken_at = new Date().toISOString().slice(0, 16).replace("T", " ");
      const what = says("reading-2", { code: row.code, row: row.name });
      if (i < 0) return edit([{ op: "add", path: "/facts/readings/-", value: { circuit: row.circuit, ...fields, taken_at } }], what);
      const all = { ...fields, taken_at };
      return edit(
        Object.entries(all).map(([key, value]) => ({ op: "replace", path: `/facts/readings/${i}/${key}`, value })),
        what,
      );
    },
    clear: (row: Row) => {
      const i = list.findIndex((r) => r.circuit === row.circuit);
      return i < 0 ? Promise.resolve(false) : edit([{ op: "remove", path: `/facts/readings/${i}` }], says("struck-reading", { code: row.code, row: row.name }));
    },
  };
}

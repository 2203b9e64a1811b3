/** Circuits from a table: lines that mean a circuit of the design change it, the others are new. */

import type { Circuit, PatchOp, Schemas } from "../../data/client";
import { api, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { BringIn } from "../../parts/BringIn";
import { useSaid } from "../../shell/person";
import { says } from "../../words/wiring";

type Line = Schemas["CircuitLine"];

/** The operations of the lines taken: an appliance leaves the circuit it was on. */
export function circuitOps(circuits: Circuit[], lines: Pick<Line, "match" | "fields">[]): PatchOp[] {
  const ids = circuits.map((c) => c.id);
  const moved = new Set(lines.flatMap((l) => (l.fields?.appliances as string[] | undefined) ?? []));
  const given = new Set(lines.filter((l) => l.match && l.fields?.appliances).map((l) => l.match));
  const ops: PatchOp[] = circuits.flatMap((c, i) => {
    const left = (c.appliances ?? []).filter((a) => !moved.has(a));
    return given.has(c.id) || left.length === (c.appliances ?? []).length
      ? []
      : [{ op: "replace" as const, path: `/wiring/circuits/${i}/appliances`, value: left }];
  });
  for (const l of lines) {
    const at = l.match ? ids.indexOf(l.match) : -1;
    if (at >= 0) {
      for (const [key, value] of Object.entries(l.fields ?? {})) ops.push({ op: "replace", path: `/wiring/circuits/${at}/${key}`, value });
      continue;
    }
    const id = freshId(String(l.fields?.name ?? "circuit"), ids);
    ids.push(id);
    ops.push({ op: "add", path: "/wiring/circuits/-", value: { ...l.fields, id } });
  }
  return ops;
}

export function BringInCircuits({ first, onClose }: { first: string; onClose: () => void }) {
  const say = useSaid();
  const { id, design, edit } = useVariant();
  return (
    <BringIn
      things="circuits"
      example={say(says("circuit-board-feeds-length"), "wiring")}
      first={first}
      read={(text) => take(api.POST("/api/variants/{variant_id}/circuits/preview", { params: { path: { variant_id: id } }, body: { text } }))}
      bring={(lines) => edit(circuitOps(design.wiring?.circuits ?? [], lines), says("brought-circuits", { lines_count: lines.length }))}
      onClose={onClose}
    />
  );
}

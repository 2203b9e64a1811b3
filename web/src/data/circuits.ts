/** Circuits that go, with what names them. */
import type { Circuit, Design, PatchOp } from "./client";

/** Operations that take circuits out, with what names them. */
export function withoutCircuits(design: Design, gone: (c: Circuit) => boolean): PatchOp[] {
  const circuits = design.wiring?.circuits ?? [];
  const ids = new Set(circuits.filter(gone).map((c) => c.id));
  const places = <T>(list: T[] | undefined, of: (x: T) => boolean) => (list ?? []).flatMap((x, i) => (of(x) ? [i] : [])).reverse();
  return [
    ...places(design.wiring?.panel?.things, (t) => ids.has(t.circuit ?? "")).map((i) => ({
      op: "replace" as const,
      path: `/wiring/panel/things/${i}/circuit`,
      value: null,
    })),
    ...places(circuits, gone).map((i) => ({ op: "remove" as const, path: `/wiring/circuits/${i}` })),
  ];
}

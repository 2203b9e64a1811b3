/** Edits of circuits and boards. */
import { withoutCircuits } from "../../data/circuits";
import type { Board, Circuit, PatchOp } from "../../data/client";
import { indexOf, insertAfter, moveItem, setFields } from "../../data/lists";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import type { Understood } from "../../parts/Quantity";
import { says } from "../../words/wiring";

const CIRCUITS = "/wiring/circuits";
const BOARDS = "/wiring/boards";

/** Fields that a size as typed ("6 mm²", "10 AWG") sets. */
export function sizeFields(q: Understood | null): Record<string, unknown> {
  if (!q) return { area_mm2: null, awg: null };
  return q.awg ? { awg: q.awg, area_mm2: null } : { area_mm2: q.value, awg: null };
}

/** The first letter that no board has yet. */
export function freeLetter(boards: Board[]): string {
  const taken = new Set(boards.map((b) => b.letter));
  return [..."ABCDEFGHJKLNPQRSTUVWXYZ"].find((l) => !taken.has(l)) ?? "Z";
}

export function useWiringEdits() {
  const { design, report, edit } = useVariant();
  const circuits = design.wiring?.circuits ?? [];
  const boards = design.wiring?.boards ?? [];
  const set = (c: Circuit, fields: Record<string, unknown>, what: string) => edit(setFields(CIRCUITS, circuits, c.id, fields), `${c.name}: ${what}`);
  return {
    circuits,
    boards,
    set,
    remove: (c: Circuit) =>
      edit(
        withoutCircuits(design, (x) => x.id === c.id),
        says("removed", { name: c.name }),
      ),
    move: (c: Circuit, by: -1 | 1) => edit(moveItem(CIRCUITS, circuits, c.id, by), says("moved", { name: c.name })),
    duplicate: (c: Circuit) => {
      const id = freshId(
        c.name,
        circuits.map((x) => x.id),
      );
      void edit(insertAfter(CIRCUITS, circuits, c.id, { ...c, id, appliances: [], by: "typed" } as Circuit), says("another", { name: c.name }));
      return id;
    },
    add: async () => {
      const id = freshId(
        "circuit",
        circuits.map((x) => x.id),
      );
      const board = boards.find((b) => b.side === "dc")?.id ?? null;
      const ok = await edit(
        [{ op: "add", path: `${CIRCUITS}/-`, value: { id, name: says("circuit-3", { circuits_count: circuits.length + 1 }), board } }],
        says("added-circuit"),
      );
      return ok ? id : null;
    },
    /** Put an appliance on a circuit; it leaves the one it was on. */
    put: (c: Circuit, appliance: string) => {
      const ops: PatchOp[] = circuits.flatMap((x, i) => {
        const on = x.appliances ?? [];
        if (x.id === c.id) return [{ op: "replace" as const, path: `${CIRCUITS}/${i}/appliances`, value: [...on, appliance] }];
        return on.includes(appliance) ? [{ op: "replace" as const, path: `${CIRCUITS}/${i}/appliances`, value: on.filter((a) => a !== appliance) }] : [];
      });
      return edit(ops, says("put-appliance-2", { name: c.name }));
    },
    /** Fit what Bothy would: cable and fuse. */
    fitBest: (c: Circuit) => {
      const p = report.wiring.circuits[c.id];
      if (!p) return;
      void set(
        c,
        {
          area_mm2: p.best_area_mm2,
          awg: p.best_awg,
          parallel_count: p.best_parallel,
          ...(p.best_fuse_a != null ? { fuse_a: p.best_fuse_a, protection: c.kind === "ac" ? "breaker" : "fuse" } : {}),
        },
        says("bothy-suggests"),
      );
    },
    setBoard: (b: Board, fields: Record<string, unknown>, what: string) => edit(setFields(BOARDS, boards, b.id, fields), `${b.name}: ${what}`),
    addBoard: async () => {
      const id = freshId(
        "board",
        boards.map((b) => b.id),
      );
      const ok = await edit(
        [{ op: "add", path: `${BOARDS}/-`, value: { id, name: says("board-2", { boards_count: boards.length + 1 }), letter: freeLetter(boards) } }],
        says("added-board"),
      );
      return ok ? id : null;
    },
    /** The feeder of a board, before its circuits in the schedule; its size is proposed. */
    addFeed: async (b: Board) => {
      const id = freshId(
        `${b.name} feed`,
        circuits.map((x) => x.id),
      );
      const ok = await edit(
        [{ op: "add", path: `${CIRCUITS}/0`, value: { id, name: says("feed", { name: b.name }), kind: "feeder", board: b.id, installation: "free_air" } }],
        says("feeder-2", { name: b.name }),
      );
      return ok ? id : null;
    },
    removeBoard: (b: Board) => {
      const ops: PatchOp[] = circuits.flatMap((c, i) => (c.board === b.id ? [{ op: "replace" as const, path: `${CIRCUITS}/${i}/board`, value: null }] : []));
      boards.forEach((x, i) => {
        if (x.fed_from === b.id) ops.push({ op: "replace", path: `${BOARDS}/${i}/fed_from`, value: b.fed_from ?? null });
      });
      return edit([...ops, { op: "remove", path: `${BOARDS}/${indexOf(boards, b.id)}` }], says("removed", { name: b.name }));
    },
  };
}

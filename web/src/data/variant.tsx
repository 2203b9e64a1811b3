/**
 * The design in hand: what the server has, what was typed since, and the queue between them.
 *
 * An edit shows at once and is sent in order with the revision it was made on. When the server can't be reached it is
 * kept (also over a reload) and sent again. When another tab was faster, edits to other items follow on top of it;
 * an edit to the same item stops and asks.
 */
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from "react";
import { says } from "../words/data";
import { ApiError, api, type Design, type PatchOp, type Report, type Schemas, take } from "./client";
import { newEdit, type Pending, takeOver, writeKept } from "./kept";
import { applied, at, indexed, meets, named, withFreeIds, withIndexes, withNames } from "./patch";

type Answer = Schemas["VariantState"];
type State = Omit<Answer, "design"> & { design: Design };
type Edited = Schemas["Edited"];

/** A state with what was measured beside the plan. */
const withFacts = (s: Answer): State => ({ ...s, design: { ...(s.design as Schemas["Design"]), facts: s.recorded.facts } });

export type { Pending };

/** What an edit is made on: the revision of the design, and the newest entry of what was measured. */
type Base = { "If-Match": string; "Facts-Match": number };

/** What waits to be sent: an edit, or a step or proposals, which are not kept over a reload. */
type Waiting = Pending & {
  send?: (base: Base, edit: string) => Promise<{ data?: Edited; error?: unknown; response: Response }>;
  done?: (e: Edited | null) => void;
};
export type Conflict = { pending: Pending; path: string; mine: unknown; theirs: unknown; head: number };
export type Saving = "saved" | "saving" | "kept" | "conflict";
export type Rejection = { message: string; key: string; pending: Pending };

export type VariantHand = {
  id: string;
  projectId: string;
  projectName: string;
  name: string;
  revision: number;
  /** Changes whenever the design or what was measured does: what is fetched of the variant is kept by it. */
  stamp: string;
  /** Whether this variant is the one that is being built, and the name of that one. */
  recorded: { building: boolean; building_name: string };
  design: Design;
  report: Report;
  previous: Record<string, number>;
  saving: Saving;
  trouble: string | null;
  /** Why the newest revision can't be computed, and which one is shown in its stead. */
  broken: Schemas["Trouble"] | null;
  conflict: Conflict | null;
  rejection: Rejection | null;
  canUndo: boolean;
  canRedo: boolean;
  edit: (ops: PatchOp[], message: string) => Promise<boolean>;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  accept: (ids: string[] | null, groups?: string[]) => Promise<string[]>;
  resolve: (mine: boolean) => void;
  dismiss: () => void;
  /** Say that this variant is the one that is being built. */
  build: () => Promise<void>;
};

const Context = createContext<VariantHand | null>(null);

/** The variant that the surrounding pages work on. */
export function useVariant(): VariantHand {
  const hand = useContext(Context);
  if (!hand) throw new Error(says("no-variant-hand"));
  return hand;
}

/** A report with the changed part laid over it. */
export function overlaid(old: Report, change: Edited["change"]): Report {
  const figures = { ...old.figures };
  for (const key of change.gone) delete figures[key];
  Object.assign(figures, change.figures);
  return { ...old, ...(change.sections as Partial<Report>), figures };
}

function firstConflict(design: Design, base: Design, ops: PatchOp[], changed: string[]): { path: string; mine: unknown; theirs: unknown } | null {
  for (const op of ops) {
    if (op.op === "test" || op.path.endsWith("/-")) continue;
    const path = named(base, op.path);
    if (!changed.some((c) => meets(path, c))) continue;
    const there = indexed(design, path);
    return { path, mine: op.op === "remove" ? says("removed-2") : op.value, theirs: there === null ? says("removed-2") : at(design, there) };
  }
  return null;
}

export function VariantProvider({ id, first: answer, children }: { id: string; first: Answer; children: ReactNode }) {
  const [first] = useState<State>(() => withFacts(answer));
  const [server, setServer] = useState<State>(first);
  const [local, setLocal] = useState<Design>(first.design);
  const [previous, setPrevious] = useState<Record<string, number>>({});
  const [saving, setSaving] = useState<Saving>("saved");
  const [trouble, setTrouble] = useState<string | null>(null);
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [unkept, setUnkept] = useState(false);
  const [rejection, setRejection] = useState<Rejection | null>(null);
  const now = useRef({ server: first, local: first.design, queue: [] as Waiting[], running: null as Promise<void> | null });
  const waiters = useRef(new Map<string, (ok: boolean) => void>());

  const settle = useCallback((state: State) => {
    const before = now.current.server.report.figures;
    const moved: Record<string, number> = {};
    for (const [key, fig] of Object.entries(state.report.figures)) {
      const old = before[key];
      if (old && old.value !== fig.value) moved[key] = old.value;
    }
    now.current.server = state;
    let design = state.design;
    for (const p of now.current.queue) design = applied(design, withIndexes(design, p.ops) ?? []) ?? design;
    now.current.local = design;
    setServer(state);
    setLocal(design);
    setPrevious(moved);
  }, []);

  const merge = useCallback(
    (e: Edited) => {
      const s = now.current.server;
      settle(
        withFacts({
          ...s,
          revision: e.revision,
          can_undo: e.can_undo,
          can_redo: e.can_redo,
          trouble: null,
          design: e.design,
          recorded: e.recorded,
          report: overlaid(s.report, e.change),
        }),
      );
    },
    [settle],
  );

  const reload = useCallback(async () => {
    const state = await take(api.GET("/api/variants/{variant_id}", { params: { path: { variant_id: id } } }));
    // an answer that was on its way while something was saved or undone is older than what is shown
    const had = now.current.server;
    if (state.revision >= had.revision && (state.recorded.building !== had.recorded.building || state.recorded.number >= had.recorded.number))
      settle(withFacts(state));
  }, [id, settle]);

  const keep = useCallback(() => {
    const kept = now.current.queue.filter((p) => !p.send);
    setUnkept(!writeKept(id, kept));
  }, [id]);

  const finish = useCallback(
    (p: Waiting, ok: boolean) => {
      now.current.queue = now.current.queue.filter((q) => q.edit !== p.edit);
      keep();
      waiters.current.get(p.edit)?.(ok);
      waiters.current.delete(p.edit);
    },
    [keep],
  );

  const sendAll = useCallback(async () => {
    await null; // so that it is known to run before it can end
    try {
      while (now.current.queue.length) {
        const base = now.current.server;
        const on: Base = { "If-Match": String(base.revision), "Facts-Match": base.recorded.number };
        const free = withFreeIds(base.design, now.current.queue);
        if (free !== now.current.queue) {
          now.current.queue = free;
          keep();
        }
        const p = now.current.queue[0]!;
        setSaving("saving");
        const ops = withIndexes(base.design, p.ops);
        if (!ops) {
          finish(p, false);
          setRejection({ key: "patch", message: says("item-change-belongs-no"), pending: p });
          settle(now.current.server);
          continue;
        }
        try {
          const sent = p.send
            ? p.send(on, p.edit)
            : api.PATCH("/api/variants/{variant_id}", {
                params: { path: { variant_id: id }, header: { ...on, "Edit-Id": p.edit } },
                body: { ops: ops as never, message: p.message, author: "you" },
              });
          const edited = (await take<unknown>(sent)) as Edited;
          finish(p, true);
          setTrouble(null);
          merge(edited);
          p.done?.(edited);
        } catch (e) {
          const error = e as ApiError;
          if (error.unreachable) {
            setSaving("kept");
            setTrouble(error.message);
            return;
          }
          if (error.status === 412) await reload();
          if (error.status === 412 && !p.send) {
            const met = firstConflict(now.current.server.design, base.design, ops, error.changed);
            if (met) {
              setConflict({ ...met, pending: p, head: error.head ?? 0 });
              setSaving("conflict");
              return;
            }
            continue;
          }
          finish(p, false);
          setRejection({ key: error.key, message: error.message, pending: p });
          settle(now.current.server);
          p.done?.(null);
        }
      }
      setSaving("saved");
    } catch (e) {
      setSaving("kept");
      setTrouble((e as Error).message);
    } finally {
      now.current.running = null;
    }
  }, [id, keep, merge, reload, settle, finish]);

  /** Send what waits, one after the other; whoever asks meanwhile waits for the same. */
  const pump = useCallback((): Promise<void> => {
    if (!now.current.running && !now.current.queue.length) {
      setSaving("saved");
      return Promise.resolve();
    }
    now.current.running ??= sendAll();
    return now.current.running;
  }, [sendAll]);

  const edit = useCallback(
    (ops: PatchOp[], message: string) => {
      const base = now.current.local;
      const p: Pending = { edit: newEdit(), ops: withNames(base, ops), message };
      const next = applied(base, ops);
      if (next) {
        now.current.local = next;
        setLocal(next);
      }
      setRejection(null);
      now.current.queue = [...now.current.queue, p];
      keep();
      const done = new Promise<boolean>((resolve) => waiters.current.set(p.edit, resolve));
      void pump();
      return done;
    },
    [keep, pump],
  );

  const whole = useCallback(
    (send: NonNullable<Waiting["send"]>, message: string) => {
      setRejection(null);
      const done = new Promise<Edited | null>((resolve) => {
        now.current.queue = [...now.current.queue, { edit: newEdit(), ops: [], message, send, done: resolve }];
      });
      void pump();
      return done;
    },
    [pump],
  );

  const step = useCallback(
    async (direction: "undo" | "redo") => {
      await whole(
        (on, edit) =>
          api.POST("/api/variants/{variant_id}/{direction}", {
            params: { path: { variant_id: id, direction }, header: { ...on, "Edit-Id": edit } },
          }) as never,
        direction,
      );
    },
    [id, whole],
  );

  const accept = useCallback(
    async (ids: string[] | null, groups?: string[]) => {
      const edited = await whole(
        (on, edit) =>
          api.PUT("/api/variants/{variant_id}/proposals", {
            params: { path: { variant_id: id }, header: { ...on, "Edit-Id": edit } },
            body: { ids, groups: (groups ?? null) as never },
          }) as never,
        says("proposals"),
      );
      return edited?.taken ?? [];
    },
    [id, whole],
  );

  const build = useCallback(async () => {
    await take(api.PUT("/api/variants/{variant_id}/building", { params: { path: { variant_id: id } } }));
    await reload();
  }, [id, reload]);

  const resolve = useCallback(
    (mine: boolean) => {
      const p = conflict?.pending;
      setConflict(null);
      if (p && !mine) finish(p, false);
      settle(now.current.server);
      void pump();
    },
    [conflict, finish, pump, settle],
  );

  useEffect(() => {
    const stop = takeOver(id, (left) => {
      const have = new Set(now.current.queue.map((p) => p.edit));
      now.current.queue = [...now.current.queue, ...left.filter((p) => !have.has(p.edit))];
      keep();
      settle(now.current.server);
      void pump();
    });
    void pump();
    return stop;
  }, [id, keep, pump, settle]);

  useEffect(() => {
    if (saving !== "kept") return;
    const timer = setInterval(() => void pump(), 2000);
    return () => clearInterval(timer);
  }, [saving, pump]);

  useEffect(() => {
    const look = () => {
      if (document.visibilityState === "visible" && !now.current.queue.length && !now.current.running) reload().catch(() => undefined);
    };
    document.addEventListener("visibilitychange", look);
    return () => document.removeEventListener("visibilitychange", look);
  }, [reload]);

  const hand = useMemo<VariantHand>(
    () => ({
      id,
      projectId: server.project_id,
      projectName: server.project_name,
      name: server.name,
      revision: server.revision,
      stamp: `${server.revision}.${server.recorded.number}.${server.recorded.building}`,
      recorded: server.recorded,
      design: local,
      report: server.report,
      previous,
      saving,
      trouble: unkept ? says("browser-keeps-nothing-leave", { trouble: trouble ?? "" }).trim() : trouble,
      broken: server.trouble ?? null,
      conflict,
      rejection,
      canUndo: server.can_undo,
      canRedo: server.can_redo,
      edit,
      undo: () => step("undo"),
      redo: () => step("redo"),
      accept,
      resolve,
      dismiss: () => setRejection(null),
      build,
    }),
    [id, server, local, previous, saving, trouble, unkept, conflict, rejection, edit, step, accept, resolve, build],
  );
  return <Context.Provider value={hand}>{children}</Context.Provider>;
}

export { ApiError };

/** Build as the page uses it: what the server reckons of a day, and the edits of plan and log. */

import { useQuery } from "@tanstack/react-query";
import { api, type PatchOp, type Schemas, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { localDay, useBuild, useDay } from "../../data/plan";
import { MONTH } from "../../data/show";
import { useVariant } from "../../data/variant";
import { useSaid } from "../../shell/person";
import { says } from "../../words/build";

export type Build = Schemas["BuildPart"];
export type Task = Schemas["TaskPart"];
export type Gate = Schemas["GatePart"];
export type Buy = Schemas["BuyPart"];
export type LogEntry = Schemas["LogEntry"];
export type Purchase = Schemas["Purchase"];
export type Stock = Schemas["Stock"];
export type Quote = Schemas["Quote"];
export type Quotes = Schemas["QuotesPart"];
export type Punch = Schemas["Punch"];
export type BuiltOtherwise = Schemas["AsBuilt"];

export { localDay, useBuild, useDay };

/** The finish by simulation, asked for at a press. */
export function useFan(wanted: boolean) {
  const { id, stamp } = useVariant();
  const day = useDay();
  return useQuery({
    queryKey: ["fan", id, stamp, day],
    queryFn: ({ signal }) => take(api.GET("/api/variants/{variant_id}/build/fan", { params: { path: { variant_id: id }, query: { today: day } }, signal })),
    enabled: wanted,
    retry: false,
  });
}

/** What the other way of each setting costs; worked out beside the page. */
export function useOtherWays() {
  const { id, stamp } = useVariant();
  const day = useDay();
  return useQuery({
    queryKey: ["schools", id, stamp, day],
    queryFn: ({ signal }) => take(api.GET("/api/variants/{variant_id}/build/schools", { params: { path: { variant_id: id }, query: { today: day } }, signal })),
    placeholderData: (before) => before,
    retry: false,
  });
}

/** Edits of the log and the evidence, each an entry that stays. */
export function useLog() {
  const { design, edit } = useVariant();
  const day = useDay();
  const log = design.facts?.log ?? [];
  const seen = design.facts?.seen ?? [];
  const closings = design.facts?.closings ?? [];
  const purchases = design.facts?.purchases ?? [];
  const stock = design.facts?.stock ?? [];
  const quotes = design.facts?.quotes ?? [];
  const punch = design.facts?.punch ?? [];
  const asBuilt = design.facts?.as_built ?? [];
  const add = (t: Task, hours: number, done: number, note = "", air: Pick<LogEntry, "temp_c" | "rh_frac"> = {}) => {
    const id = freshId(
      `${day}-${t.id}`.slice(0, 40),
      log.map((e) => e.id!),
    );
    const value = { id, task: t.id, name: t.name.slice(0, 80), on: day, hours: Math.round(100 * hours) / 100, done_frac: done, note, ...air };
    return edit([{ op: "add", path: "/facts/log/-", value }], says("done-worked", { name: t.name, done_more: done >= 1 }));
  };
  /** One item of a task is ticked, or no longer: how far the task is then, the server says. */
  const tick = (t: Task, item: Task["items"][number]) => {
    if (!item.done) {
      const id = freshId(
        `${day}-${t.id}`.slice(0, 40),
        log.map((e) => e.id!),
      );
      const value = { id, task: t.id, name: t.name.slice(0, 80), on: day, hours: 0, items: [item.id] };
      return edit([{ op: "add", path: "/facts/log/-", value }], says("done-6", { name: t.name, item: item.name }));
    }
    const mine = log.map((e, i) => ({ e, i })).filter(({ e }) => e.task === t.id);
    const last = mine.at(-1)?.i;
    const ops = mine
      .filter(({ e, i }) => (e.items ?? []).includes(item.id) || i === last)
      .reverse()
      .map(({ e, i }): PatchOp => {
        const items = (e.items ?? []).filter((k) => k !== item.id);
        const empty = (e.items ?? []).length > 0 && !items.length && !e.hours && !e.note;
        if (empty && i !== last) return { op: "remove", path: `/facts/log/${i}` };
        return { op: "replace", path: `/facts/log/${i}`, value: { ...e, items, done_frac: i === last ? null : e.done_frac } };
      });
    return edit(ops, says("open-again", { name: t.name, item: item.name }));
  };
  const upsert = <T extends { id: string }>(list: string, rows: readonly T[], id: string, fields: object, what: string) => {
    const i = rows.findIndex((x) => x.id === id);
    const op: PatchOp =
      i < 0
        ? { op: "add", path: `/facts/${list}/-`, value: { id, ...fields } }
        : { op: "replace", path: `/facts/${list}/${i}`, value: { ...rows[i], ...fields } };
    return edit([op], what);
  };
  const store = (fields: Omit<Stock, "id" | "on" | "note">): PatchOp => {
    const id = freshId(`${fields.line}-${stock.length + 1}`.slice(0, 40), [...stock.map((s) => s.id!), ...fresh]);
    fresh.push(id);
    return { op: "add", path: "/facts/stock/-", value: { id, on: day, note: "", ...fields, name: (fields.name ?? says("goods")).slice(0, 80) } };
  };
  const fresh: string[] = [];
  /** Its pieces are cut: offcuts that were used leave the stock, what is left and worth it goes there with its place, and the line is fitted. */
  const cut = (x: Buy, place: string) => {
    const used = new Set(x.cuts.map((c) => c.stock).filter(Boolean));
    const gone = stock.flatMap((s, i) => (used.has(s.id!) ? [i] : [])).sort((a, b) => b - a);
    const at = purchases.findIndex((p) => p.id === x.key);
    const ops: PatchOp[] = [
      ...gone.map((i): PatchOp => ({ op: "remove", path: `/facts/stock/${i}` })),
      ...x.cuts
        .filter((c) => c.keep)
        .map((c) => store({ line: x.key, name: x.name, amount: Math.round(1000 * c.left_m) / 1000, unit: "m", place: (place || c.place).slice(0, 120) })),
      at < 0
        ? { op: "add", path: "/facts/purchases/-", value: { id: x.key, name: x.name.slice(0, 80), status: "fitted" } }
        : { op: "replace", path: `/facts/purchases/${at}/status`, value: "fitted" },
    ];
    return edit(ops, says("cut-fitted", { name: x.name }));
  };
  return {
    log,
    seen,
    closings,
    purchases,
    stock,
    quotes,
    punch,
    asBuilt,
    cut,
    toMend: (fields: Pick<Punch, "name" | "zone" | "must">) => {
      const id = freshId(
        `${day}-${fields.name}`.slice(0, 40),
        punch.map((p) => p.id!),
      );
      return edit([{ op: "add", path: "/facts/punch/-", value: { id, on: day, ...fields } }], says("mend", { fields: fields.name }));
    },
    mend: (p: Punch, done: boolean) =>
      edit(
        [{ op: "replace", path: `/facts/punch/${punch.findIndex((x) => x.id === p.id)}`, value: { ...p, done_on: done ? day : "" } }],
        says("mended-open-again", { name: p.name, done }),
      ),
    dropPunch: (p: Punch) => edit([{ op: "remove", path: `/facts/punch/${punch.findIndex((x) => x.id === p.id)}` }], says("struck", { name: p.name })),
    /** The design follows what was built, and an entry that stays says what was designed. */
    builtOtherwise: async (ops: PatchOp[], fields: Omit<BuiltOtherwise, "id" | "on" | "who">) => {
      const id = freshId(
        `${day}-${fields.of.replace(/[^a-z0-9-]/gi, "-")}`.slice(0, 40),
        asBuilt.map((x) => x.id!),
      );
      const value = { id, on: day, ...fields, name: fields.name.slice(0, 80) };
      const what = says("built-otherwise-2", { fields: fields.name });
      return (await edit(ops, what)) && (await edit([{ op: "add", path: "/facts/as_built/-", value }], what));
    },
    store: (fields: Omit<Stock, "id" | "on" | "note">) => edit([store(fields)], says("stock-4", { fields: fields.name })),
    moveStock: (s: Stock, fields: Partial<Stock>) =>
      edit([{ op: "replace", path: `/facts/stock/${stock.findIndex((x) => x.id === s.id)}`, value: { ...s, ...fields } }], says("stock-5", { name: s.name })),
    dropStock: (s: Stock) => edit([{ op: "remove", path: `/facts/stock/${stock.findIndex((x) => x.id === s.id)}` }], says("no-longer-stock", { name: s.name })),
    /** Quotes are kept beside the lines they are for; a newer one of a line takes the place of the older. */
    quote: (lines: Quote[], from: string) =>
      edit(
        lines.map((q): PatchOp => {
          const i = quotes.findIndex((x) => x.id === q.id);
          return i < 0 ? { op: "add", path: "/facts/quotes/-", value: q } : { op: "replace", path: `/facts/quotes/${i}`, value: q };
        }),
        says("quotes-3", { lines_count: lines.length, from }),
      ),
    add,
    tick,
    strike: (e: LogEntry) => edit([{ op: "remove", path: `/facts/log/${log.findIndex((x) => x.id === e.id)}` }], says("struck-entry-log", { name: e.name })),
    see: (id: string, fields: object, what: string) => upsert("seen", seen as { id: string }[], id, { on: day, ...fields }, what),
    close: (zone: string, fields: object, what: string) => upsert("closings", closings as { id: string }[], zone, { on: day, ...fields }, what),
    buy: (x: Buy, fields: Partial<Purchase>, what: string) =>
      upsert("purchases", purchases as { id: string }[], x.key, { name: x.name.slice(0, 80), ...fields }, what),
    purchaseOf: (key: string) => purchases.find((p) => p.id === key),
  };
}

/** Edits of the plan: each one undoable. */
export function usePlan() {
  const v = useVariant();
  const doc = v.design.build ?? {};
  const set = (key: string, value: unknown, what: string) => v.edit([{ op: "replace", path: `/build/${key}`, value }], what);
  const pin = (t: Task, day: string | null) => {
    const pins = (doc.pins ?? []).filter((p) => p.task !== t.id);
    return set(
      "pins",
      day ? [...pins, { task: t.id, day }] : pins,
      day ? says("not-before-4", { name: t.name, day }) : says("no-longer-pinned", { name: t.name }),
    );
  };
  return { ...v, doc, set, pin };
}

const WEEKDAY = [says("sun"), says("mon"), says("tue"), says("wed"), says("thu"), says("fri"), says("sat")];
const dayWord = (iso: string | null | undefined, year = false) => {
  if (!iso) return "–";
  const d = new Date(`${iso.slice(0, 10)}T12:00:00`);
  return `${WEEKDAY[d.getDay()]} ${d.getDate()} ${MONTH[d.getMonth()]}${year ? ` ${d.getFullYear()}` : ""}`;
};

/** A day as the region has it: “Sun 16 May 2027”, “Sun, May 16, 2027”. */
export function useDayWord(): (iso: string | null | undefined, year?: boolean) => string {
  const say = useSaid();
  return (iso, year = false) => say(dayWord(iso, year));
}

/** A day with its hour. */
export function useWhenWord(): (iso: string | null | undefined) => string {
  const say = useSaid();
  return (iso) => (iso ? `${say(dayWord(iso))} ${iso.slice(11, 16)}` : "–");
}

export const hoursWord = (h: number) => (h < 10 ? `${Math.round(10 * h) / 10} h` : `${Math.round(h)} h`);

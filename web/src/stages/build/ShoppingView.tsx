/** Shopping: everything the design needs, by service, with the day to order by; ordering, receiving, what is short. */
import { useState } from "react";
import { count, Fields, quantity, words } from "../../parts/Fields";
import { type Column, Ledger } from "../../parts/Ledger";
import { Property } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useMoney, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { useSite } from "../../shell/useSite";
import { says } from "../../words/build";
import { type Build, type Buy, type Purchase, useDay, useDayWord, useLog } from "./data";
import { QuotesView } from "./QuotesView";
import { AddStock, StockView } from "./StockView";
import { BOUGHT, serviceWord } from "./words";

const URGENT: Record<string, string> = { late: "text-rust font-semibold", due: "font-semibold", ok: "", unknown: "" };

export function ShoppingLedger({ b }: { b: Build }) {
  const dayWord = useDayWord();
  const hand = useHand();
  const site = useSite();
  const say = useSaid();
  const { money } = useMoney();
  const [service, setService] = useState("");
  const [only, setOnly] = useState("");
  const [by, setBy] = useState<"service" | "order" | "need" | "shop">("service");
  const { purchases } = useLog();
  const shop = (x: Buy) => purchases.find((p) => p.id === x.key)?.supplier || (x.quote?.holds ? x.quote.supplier : "");
  const [open, setOpen] = useState<"" | "quotes" | "stock">("");
  const { stock } = useLog();
  const services = [...new Set(b.shopping.map((x) => x.service))];
  const LAST = "\uffff";
  const place = { service: () => "", order: (x: Buy) => x.order_by ?? LAST, need: (x: Buy) => x.need_by ?? LAST, shop: (x: Buy) => shop(x) || LAST }[by];
  const rows = b.shopping
    .filter((x) => (!service || x.service === service) && (!only || x.status === only))
    .map((x, i) => ({ x, i, at: place(x) }))
    .sort((p, q) => (p.at < q.at ? -1 : p.at > q.at ? 1 : p.i - q.i))
    .map((r) => r.x);
  const columns: Column<Buy>[] = [
    {
      key: "name",
      label: says("buy"),
      width: "34%",
      kind: "computed",
      show: (x) => (
        <span className="font-sans text-peat">
          {say(x.name)}
          {by === "shop" && shop(x) && <span className="text-dim"> · {shop(x)}</span>}
        </span>
      ),
    },
    { key: "packs", label: says("packs"), width: "17%", kind: "computed", show: (x) => say(x.packs) },
    {
      key: "price",
      label: says("price"),
      width: "10%",
      align: "right",
      kind: "computed",
      show: (x) => (x.price == null ? "–" : x.quote?.holds && x.status === "planned" ? `${money(x.price)} q` : money(x.price)),
    },
    {
      key: "order",
      label: says("order"),
      width: "15%",
      kind: "computed",
      show: (x) => (x.status === "planned" && x.order_by ? <span className={URGENT[x.urgency]}>{dayWord(x.order_by)}</span> : "–"),
    },
    { key: "need", label: says("needed"), width: "13%", kind: "computed", show: (x) => dayWord(x.need_by) },
    { key: "status", label: says("status"), width: "11%", kind: "computed", show: (x) => BOUGHT[x.status] ?? x.status },
  ];
  return (
    <>
      {open === "quotes" && <QuotesView onClose={() => setOpen("")} />}
      {open === "stock" && <StockView b={b} onClose={() => setOpen("")} />}
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-2 py-1 text-[12px]">
        <select className="field" aria-label={says("service-2")} value={service} onChange={(e) => setService(e.target.value)}>
          <option value="">{says("all-services")}</option>
          {services.map((s) => (
            <option key={s} value={s}>
              {serviceWord(s)}
            </option>
          ))}
        </select>
        <select className="field" aria-label={says("status-2")} value={only} onChange={(e) => setOnly(e.target.value)}>
          <option value="">{says("whatever-status")}</option>
          {Object.entries(BOUGHT).map(([k, w]) => (
            <option key={k} value={k}>
              {w}
            </option>
          ))}
        </select>
        <select className="field" aria-label={says("order-2")} value={by} onChange={(e) => setBy(e.target.value as typeof by)}>
          <option value="service">{says("service-3")}</option>
          <option value="order">{says("day-order")}</option>
          <option value="need">{says("day-needed")}</option>
          <option value="shop">{says("shop")}</option>
        </select>
        <span>{says("lines-where-price-known", { rows_count: rows.length, reduce: money(rows.reduce((s, x) => s + (x.price ?? 0), 0)) })}</span>
        <button type="button" className="btn" aria-pressed={open === "quotes"} onClick={() => setOpen(open === "quotes" ? "" : "quotes")}>
          {says("quotes-2")}
        </button>
        <button type="button" className="btn" aria-pressed={open === "stock"} onClick={() => setOpen(open === "stock" ? "" : "stock")}>
          {says("stock", { some_stock_count: stock.length > 0, stock_count: stock.length })}
        </button>
      </div>
      <Ledger
        label={says("shopping")}
        rows={rows}
        columns={
          site ? columns.filter((c) => ["name", "packs", "order"].includes(c.key)).map((c) => ({ ...c, width: c.key === "name" ? "44%" : "28%" })) : columns
        }
        id={(x) => x.key}
        selected={hand.kind === "buy" ? hand.id : undefined}
        onSelect={(x) => hand.key !== `buy:${x.key}` && hand.pick("buy", x.key)}
        empty={<p className="p-3 text-[14px]">{says("nothing-list")}</p>}
      />
    </>
  );
}

function daysLeft(from: string, to: string): string {
  const n = Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
  return n === 0 ? says("today-last-day") : n === 1 ? says("one-day-more") : says("days-more", { n });
}
const quoted = (q: NonNullable<Buy["quote"]>): Partial<Purchase> => ({ supplier: q.supplier, price: q.price });

/** What is cut from what, longest first; one press puts what is left into the stock. */
function Cuts({ x }: { x: Buy }) {
  const log = useLog();
  const say = useSaid();
  const [place, setPlace] = useState("");
  if (!x.cuts.length) return null;
  const kept = x.cuts.filter((c) => c.keep);
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("cut-like")}</h3>
      <ol className="m-0 list-none p-0 text-[12px]">
        {x.cuts.map((c, i) => (
          <li key={`${c.stock || c.source}-${i}`} className="border-b border-slate-2 py-0.5">
            <b>
              {c.source === "offcut"
                ? say(says("offcut-m", { length_m: c.length_m }))
                : c.source === "pack"
                  ? say(says("new-m", { length_m: c.length_m }))
                  : says("off-reel")}
              {c.place && `, ${c.place}`}
            </b>
            : {c.pieces.map((p) => `${p.of} ${say(`${p.length_m.toFixed(2)} m`)}`).join("; ")}
            {c.source !== "reel" && <span className="text-chalk-dim">{says("left", { m: say(`${c.left_m.toFixed(2)} m`) })}</span>}
          </li>
        ))}
      </ol>
      <form
        className="my-1 flex flex-wrap items-center gap-1"
        onSubmit={(e) => {
          e.preventDefault();
          void log.cut(x, place.trim());
        }}
      >
        {kept.length > 0 && (
          <input
            className="field-slate min-w-0 flex-1"
            aria-label={says("where-offcuts-lie")}
            placeholder={says("where-offcuts-lie-2")}
            maxLength={120}
            value={place}
            onChange={(e) => setPlace(e.target.value)}
          />
        )}
        <button type="submit" className="btn btn-slate">
          {kept.length > 0 ? says("all-cut-keep-offcut", { kept_count: kept.length, several_kept: kept.length > 1 }) : says("all-cut-fitted")}
        </button>
      </form>
    </>
  );
}

export function BuySlate({ b, x }: { b: Build; x: Buy }) {
  const dayWord = useDayWord();
  const log = useLog();
  const day = useDay();
  const say = useSaid();
  const { money } = useMoney();
  const p: Partial<Purchase> = log.purchaseOf(x.key) ?? {};
  const task = b.tasks.find((t) => t.id === x.task);
  const set = (fields: Partial<Purchase>, what: string) => void log.buy(x, { status: "ordered", ...p, ...fields } as Partial<Purchase>, `${x.name}: ${what}`);
  const short = p.status === "received" && p.expected != null && p.received != null && p.received < p.expected;
  return (
    <Slate
      title={say(x.name)}
      sub={says("about-2", { service: x.service, packs: say(x.packs), has_price: x.price != null, price: x.price != null ? money(x.price) : "" })}
    >
      {x.bench && <p className="my-1 border-l-2 border-gorse pl-2 text-[13px]">{says("test-bench-soon-here")}</p>}
      <p className="my-1 text-[13px]">
        {!task
          ? says("no-task-plan-takes")
          : x.need_by
            ? says("for", { task: say(task.name), need_by: dayWord(x.need_by) })
            : task.state === "done"
              ? says("which-done", { task: say(task.name) })
              : says("which-has-no-day", { task: say(task.name) })}
        {x.status === "used" && says("counts-spent-about-price")}
        {x.status === "planned" &&
          x.order_by &&
          says("order-day-days-ago", {
            order_by: dayWord(x.order_by),
            has_days_left: x.days_left != null,
            days_left_less: (x.days_left ?? 0) < 0,
            days_ago: -(x.days_left ?? 0),
            days_left: x.days_left ?? 0,
          })}
      </p>
      {x.of.length > 0 && <p className="my-1 text-[12px] text-chalk-dim">{says("for-2", { of: x.of.slice(0, 8).join(", ") })}</p>}
      {x.quote && (
        <p className="my-1 text-[13px]">
          {x.quote.supplier}: {money(x.quote.price)}
          {x.quote.lead_days != null && says("here-day-days", { lead_days: x.quote.lead_days })}
          {x.quote.until && (x.quote.holds ? says("until", { until: dayWord(x.quote.until) }) : says("ended-ask-again", { until: dayWord(x.quote.until) }))}
          {x.guide != null && says("about-was-reckoned", { guide: money(x.guide) })}
        </p>
      )}
      <Cuts x={x} />
      {x.return_by && x.return_by >= day && (
        <p className="my-1 text-[13px]">{says("may-go-back-until", { return_by: dayWord(x.return_by), day: daysLeft(day, x.return_by) })}</p>
      )}
      {x.warranty_until && (
        <p className="my-1 text-[12px] text-chalk-dim">{says("under-warranty-until", { warranty_until: dayWord(x.warranty_until, true) })}</p>
      )}
      <div className="my-2 flex flex-wrap gap-1">
        <button
          type="button"
          className="btn btn-slate"
          aria-pressed={p.status === "ordered"}
          onClick={() => set({ status: "ordered", ordered_on: day, ...(x.quote?.holds ? quoted(x.quote) : {}) }, says("ordered-2"))}
        >
          {says("ordered-3")}
        </button>
        <button
          type="button"
          className="btn btn-slate"
          aria-pressed={p.status === "received"}
          onClick={() => set({ status: "received", received_on: day }, says("received"))}
        >
          {says("here-2")}
        </button>
        <button type="button" className="btn btn-slate" aria-pressed={p.status === "returned"} onClick={() => set({ status: "returned" }, says("sent-back"))}>
          {says("sent-back-2")}
        </button>
        <button type="button" className="btn btn-slate" aria-pressed={p.status === "spare"} onClick={() => set({ status: "spare" }, says("spare"))}>
          {says("spare-2")}
        </button>
      </div>
      <AddStock x={x} slate />
      {log.purchaseOf(x.key) && (
        <>
          <Fields
            specs={[
              words("supplier", says("from")),
              quantity("price", says("cost"), "count", "", { clearable: true }),
              count("expected", says("expected"), { clearable: true }),
              count("received", says("came"), { clearable: true }),
              count("damaged", says("them-damaged")),
              words("serial", says("serial-number")),
              count("warranty_months", says("warranty-months"), { clearable: true }),
              count("return_days", says("goes-back-within-days"), { clearable: true }),
            ]}
            item={
              {
                supplier: "",
                price: null,
                expected: null,
                received: null,
                damaged: 0,
                serial: "",
                warranty_months: null,
                return_days: null,
                ...p,
              } as Required<Purchase>
            }
            onSet={(k, v, label) => set({ [k]: v } as Partial<Purchase>, label)}
          />
          {(p.status === "ordered" || short) && (
            <Property label={short ? says("rest-promised") : says("promised")}>
              <input
                type="date"
                className="field-slate w-full"
                aria-label={says("promised")}
                value={p.due_on ?? ""}
                onChange={(e) =>
                  (e.target.value === "" || /^2\d{3}-\d\d-\d\d$/.test(e.target.value)) && set({ due_on: e.target.value }, says("promised-another-day"))
                }
              />
            </Property>
          )}
          {short && (
            <p role="status" className="my-1 text-[13px] text-[#f3b3a4]">
              {says("short-claim-them-order", { expected: p.expected! - p.received! })}
            </p>
          )}
        </>
      )}
    </Slate>
  );
}

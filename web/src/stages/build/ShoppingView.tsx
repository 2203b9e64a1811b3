/** Shopping: everything the design needs, by service, with the day to order by; ordering, receiving, what is short. */
import { useState } from "react";
import { count, Fields, quantity, words } from "../../parts/Fields";
import { type Column, Ledger } from "../../parts/Ledger";
import { Property } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useMoney, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { useSite } from "../../shell/useSite";
import { type Build, type Buy, dayWord, type Purchase, useDay, useLog } from "./data";
import { QuotesView } from "./QuotesView";
import { AddStock, StockView } from "./StockView";
import { BOUGHT } from "./words";

const URGENT: Record<string, string> = { late: "text-rust font-semibold", due: "font-semibold", ok: "", unknown: "" };

export function ShoppingLedger({ b }: { b: Build }) {
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
      label: "to buy",
      width: "34%",
      kind: "computed",
      show: (x) => (
        <span className="font-sans text-peat">
          {say(x.name)}
          {by === "shop" && shop(x) && <span className="text-dim"> · {shop(x)}</span>}
        </span>
      ),
    },
    { key: "packs", label: "packs", width: "17%", kind: "computed", show: (x) => say(x.packs) },
    {
      key: "price",
      label: "price",
      width: "10%",
      align: "right",
      kind: "computed",
      show: (x) => (x.price == null ? "–" : x.quote?.holds && x.status === "planned" ? `${money(x.price)} q` : money(x.price)),
    },
    {
      key: "order",
      label: "order by",
      width: "15%",
      kind: "computed",
      show: (x) => (x.status === "planned" && x.order_by ? <span className={URGENT[x.urgency]}>{dayWord(x.order_by)}</span> : "–"),
    },
    { key: "need", label: "needed", width: "13%", kind: "computed", show: (x) => dayWord(x.need_by) },
    { key: "status", label: "status", width: "11%", kind: "computed", show: (x) => BOUGHT[x.status] ?? x.status },
  ];
  return (
    <>
      {open === "quotes" && <QuotesView onClose={() => setOpen("")} />}
      {open === "stock" && <StockView b={b} onClose={() => setOpen("")} />}
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-2 py-1 text-[12px]">
        <select className="field" aria-label="Service" value={service} onChange={(e) => setService(e.target.value)}>
          <option value="">all services</option>
          {services.map((s) => (
            <option key={s} value={s}>
              {s}
            </option>
          ))}
        </select>
        <select className="field" aria-label="Status" value={only} onChange={(e) => setOnly(e.target.value)}>
          <option value="">whatever its status</option>
          {Object.entries(BOUGHT).map(([k, w]) => (
            <option key={k} value={k}>
              {w}
            </option>
          ))}
        </select>
        <select className="field" aria-label="In the order of" value={by} onChange={(e) => setBy(e.target.value as typeof by)}>
          <option value="service">by service</option>
          <option value="order">by the day to order</option>
          <option value="need">by the day it is needed</option>
          <option value="shop">by shop</option>
        </select>
        <span>
          {rows.length} lines, {money(rows.reduce((s, x) => s + (x.price ?? 0), 0))} where the price is known
        </span>
        <button type="button" className="btn" aria-pressed={open === "quotes"} onClick={() => setOpen(open === "quotes" ? "" : "quotes")}>
          Quotes…
        </button>
        <button type="button" className="btn" aria-pressed={open === "stock"} onClick={() => setOpen(open === "stock" ? "" : "stock")}>
          In stock{stock.length > 0 && ` (${stock.length})`}…
        </button>
      </div>
      <Ledger
        label="Shopping"
        rows={rows}
        columns={
          site ? columns.filter((c) => ["name", "packs", "order"].includes(c.key)).map((c) => ({ ...c, width: c.key === "name" ? "44%" : "28%" })) : columns
        }
        id={(x) => x.key}
        selected={hand.kind === "buy" ? hand.id : undefined}
        onSelect={(x) => hand.key !== `buy:${x.key}` && hand.pick("buy", x.key)}
        empty={<p className="p-3 text-[14px]">Nothing of that is on the list.</p>}
      />
    </>
  );
}

function daysLeft(from: string, to: string): string {
  const n = Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
  return n === 0 ? "today is the last day" : n === 1 ? "one day more" : `${n} days more`;
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
      <h3 className="mb-1 mt-3 font-display text-[14px]">Cut it like this</h3>
      <ol className="m-0 list-none p-0 text-[12px]">
        {x.cuts.map((c, i) => (
          <li key={`${c.stock || c.source}-${i}`} className="border-b border-slate-2 py-0.5">
            <b>
              {c.source === "offcut" ? say(`Offcut of ${c.length_m.toFixed(2)} m`) : c.source === "pack" ? say(`New, ${c.length_m} m`) : "Off the reel"}
              {c.place && `, ${c.place}`}
            </b>
            : {c.pieces.map((p) => `${p.of} ${say(`${p.length_m.toFixed(2)} m`)}`).join("; ")}
            {c.source !== "reel" && <span className="text-chalk-dim">; left {say(`${c.left_m.toFixed(2)} m`)}</span>}
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
            aria-label="Where the offcuts lie"
            placeholder="where the offcuts lie"
            maxLength={120}
            value={place}
            onChange={(e) => setPlace(e.target.value)}
          />
        )}
        <button type="submit" className="btn btn-slate">
          {kept.length > 0 ? `All cut: keep ${kept.length} offcut${kept.length > 1 ? "s" : ""}` : "All cut and fitted"}
        </button>
      </form>
    </>
  );
}

export function BuySlate({ b, x }: { b: Build; x: Buy }) {
  const log = useLog();
  const day = useDay();
  const say = useSaid();
  const { money } = useMoney();
  const p: Partial<Purchase> = log.purchaseOf(x.key) ?? {};
  const task = b.tasks.find((t) => t.id === x.task);
  const set = (fields: Partial<Purchase>, what: string) => void log.buy(x, { status: "ordered", ...p, ...fields } as Partial<Purchase>, `${x.name}: ${what}`);
  const short = p.status === "received" && p.expected != null && p.received != null && p.received < p.expected;
  return (
    <Slate title={say(x.name)} sub={`${x.service}, ${say(x.packs)}${x.price != null ? `, about ${money(x.price)}` : ""}`}>
      {x.bench && (
        <p className="my-1 border-l-2 border-gorse pl-2 text-[13px]">
          Test it on the bench as soon as it is here: after the return period nobody takes it back.
        </p>
      )}
      <p className="my-1 text-[13px]">
        {!task
          ? "No task of the plan takes it."
          : x.need_by
            ? `For “${say(task.name)}”, ${dayWord(x.need_by)}.`
            : task.state === "done"
              ? `For “${say(task.name)}”, which is done.`
              : `For “${say(task.name)}”, which has no day yet.`}
        {x.status === "used" && " It counts as spent at about its price; say below what it cost."}
        {x.status === "planned" &&
          x.order_by &&
          ` Order it by ${dayWord(x.order_by)}${x.days_left != null ? (x.days_left < 0 ? `, ${-x.days_left} ${x.days_left === -1 ? "day" : "days"} ago` : `, in ${x.days_left} ${x.days_left === 1 ? "day" : "days"}`) : ""}.`}
      </p>
      {x.of.length > 0 && <p className="my-1 text-[12px] text-chalk-dim">For: {x.of.slice(0, 8).join(", ")}</p>}
      {x.quote && (
        <p className="my-1 text-[13px]">
          {x.quote.supplier}: {money(x.quote.price)}
          {x.quote.lead_days != null && `, here in ${x.quote.lead_days} ${x.quote.lead_days === 1 ? "day" : "days"}`}
          {x.quote.until && (x.quote.holds ? `, until ${dayWord(x.quote.until)}` : `; it ended on ${dayWord(x.quote.until)}, ask again`)}
          {x.guide != null && `. About ${money(x.guide)} was reckoned with.`}
        </p>
      )}
      <Cuts x={x} />
      {x.return_by && x.return_by >= day && (
        <p className="my-1 text-[13px]">
          It may go back until {dayWord(x.return_by)}, {daysLeft(day, x.return_by)}.
        </p>
      )}
      {x.warranty_until && <p className="my-1 text-[12px] text-chalk-dim">Under warranty until {dayWord(x.warranty_until, true)}.</p>}
      <div className="my-2 flex flex-wrap gap-1">
        <button
          type="button"
          className="btn btn-slate"
          aria-pressed={p.status === "ordered"}
          onClick={() => set({ status: "ordered", ordered_on: day, ...(x.quote?.holds ? quoted(x.quote) : {}) }, "ordered")}
        >
          Ordered
        </button>
        <button
          type="button"
          className="btn btn-slate"
          aria-pressed={p.status === "received"}
          onClick={() => set({ status: "received", received_on: day }, "received")}
        >
          It is here
        </button>
        <button type="button" className="btn btn-slate" aria-pressed={p.status === "returned"} onClick={() => set({ status: "returned" }, "sent back")}>
          Sent back
        </button>
        <button type="button" className="btn btn-slate" aria-pressed={p.status === "spare"} onClick={() => set({ status: "spare" }, "a spare")}>
          Spare
        </button>
      </div>
      <AddStock x={x} slate />
      {log.purchaseOf(x.key) && (
        <>
          <Fields
            specs={[
              words("supplier", "from"),
              quantity("price", "it cost", "count", "", { clearable: true }),
              count("expected", "expected", { clearable: true }),
              count("received", "came", { clearable: true }),
              count("damaged", "of them damaged"),
              words("serial", "serial number"),
              count("warranty_months", "warranty, months", { clearable: true }),
              count("return_days", "goes back within, days", { clearable: true }),
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
            <Property label={short ? "the rest is promised for" : "promised for"}>
              <input
                type="date"
                className="field-slate w-full"
                aria-label="promised for"
                value={p.due_on ?? ""}
                onChange={(e) =>
                  (e.target.value === "" || /^2\d{3}-\d\d-\d\d$/.test(e.target.value)) && set({ due_on: e.target.value }, "promised for another day")
                }
              />
            </Property>
          )}
          {short && (
            <p role="status" className="my-1 text-[13px] text-[#f3b3a4]">
              {p.expected! - p.received!} short: claim them, and order again.
            </p>
          )}
        </>
      )}
    </Slate>
  );
}

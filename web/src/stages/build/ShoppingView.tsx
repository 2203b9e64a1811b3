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
import { BOUGHT } from "./words";

const URGENT: Record<string, string> = { late: "text-rust font-semibold", due: "font-semibold", ok: "", unknown: "" };

export function ShoppingLedger({ b }: { b: Build }) {
  const hand = useHand();
  const site = useSite();
  const say = useSaid();
  const { money } = useMoney();
  const [service, setService] = useState("");
  const [only, setOnly] = useState("");
  const services = [...new Set(b.shopping.map((x) => x.service))];
  const rows = b.shopping.filter((x) => (!service || x.service === service) && (!only || x.status === only));
  const columns: Column<Buy>[] = [
    { key: "name", label: "to buy", width: "34%", kind: "computed", show: (x) => <span className="font-sans text-peat">{say(x.name)}</span> },
    { key: "packs", label: "packs", width: "17%", kind: "computed", show: (x) => say(x.packs) },
    { key: "price", label: "price", width: "10%", align: "right", kind: "computed", show: (x) => (x.price == null ? "–" : money(x.price)) },
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
      <div className="flex flex-wrap gap-2 border-b border-line px-2 py-1 text-[12px]">
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
        <span>
          {rows.length} lines, {money(rows.reduce((s, x) => s + (x.price ?? 0), 0))} where the price is known
        </span>
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
        {task ? `For “${task.name}”, ${dayWord(x.need_by)}.` : "No task of the plan takes it."}
        {x.status === "planned" &&
          x.order_by &&
          ` Order it by ${dayWord(x.order_by)}${x.days_left != null ? (x.days_left < 0 ? `, ${-x.days_left} days ago` : `, in ${x.days_left} days`) : ""}.`}
      </p>
      {x.of.length > 0 && <p className="my-1 text-[12px] text-chalk-dim">For: {x.of.slice(0, 8).join(", ")}</p>}
      <div className="my-2 flex flex-wrap gap-1">
        <button
          type="button"
          className="btn btn-slate"
          aria-pressed={p.status === "ordered"}
          onClick={() => set({ status: "ordered", ordered_on: day }, "ordered")}
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
            ]}
            item={{ supplier: "", price: null, expected: null, received: null, damaged: 0, serial: "", warranty_months: null, ...p } as Required<Purchase>}
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

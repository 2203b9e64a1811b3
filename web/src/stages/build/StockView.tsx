/** What is in stock: offcuts and rests with their place; what is added here isn't bought again. */

import { useState } from "react";
import type { Dimension } from "../../data/units";
import { Quantity } from "../../parts/Quantity";
import { useSaid } from "../../shell/person";
import { says } from "../../words/build";
import { type Build, type Buy, type Stock, useLog } from "./data";

type Unit = Stock["unit"];
const DIMENSION: Record<string, Dimension> = { m: "length", "m²": "surface", mL: "volume" };
/** Volumes are understood in litres and kept in millilitres. */
const FACTOR: Record<string, number> = { mL: 1000 };

/** How much of it there is, in the unit of its line. */
export function Amount({
  unit,
  value,
  label,
  slate,
  onSet,
}: {
  unit: Unit;
  value: number | null;
  label: string;
  slate?: boolean;
  onSet: (n: number | null) => void;
}) {
  const by = FACTOR[unit ?? ""] ?? 1;
  return (
    <Quantity
      slate={slate}
      className="w-24"
      label={label}
      dimension={DIMENSION[unit ?? ""] ?? "count"}
      unit={unit === "mL" ? "L" : (unit ?? "")}
      value={value == null ? null : value / by}
      clearable
      placeholder={unit === "m" ? "1.5 m" : unit === "m²" ? "0.8 m²" : "2"}
      onCommit={(q) => onSet(q && q.value > 0 ? Math.round(1000 * q.value * by) / 1000 : null)}
    />
  );
}

/** Something more of a line that lies there already. */
export function AddStock({ x, slate, onDone }: { x: Buy; slate?: boolean; onDone?: () => void }) {
  const log = useLog();
  const [amount, setAmount] = useState<number | null>(null);
  const [place, setPlace] = useState("");
  const add = async () => {
    if (amount == null) return;
    if (await log.store({ line: x.key, name: x.name, amount, unit: x.unit as Unit, place: place.trim() })) {
      setAmount(null);
      setPlace("");
      onDone?.();
    }
  };
  return (
    <form
      className="my-1 flex flex-wrap items-center gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        void add();
      }}
    >
      <Amount unit={x.unit as Unit} value={amount} label={says("stock-2", { name: x.name })} slate={slate} onSet={setAmount} />
      <input
        className={`${slate ? "field-slate" : "field"} min-w-0 flex-1`}
        aria-label={says("where-lies")}
        placeholder={says("where-lies-2")}
        maxLength={120}
        value={place}
        onChange={(e) => setPlace(e.target.value)}
      />
      <button type="submit" className={slate ? "btn btn-slate" : "btn"} disabled={amount == null}>
        {says("add-stock")}
      </button>
    </form>
  );
}

export function StockView({ b, onClose }: { b: Build; onClose: () => void }) {
  const log = useLog();
  const say = useSaid();
  const [key, setKey] = useState("");
  const line = b.shopping.find((x) => x.key === key);
  const used = new Map(b.shopping.flatMap((x) => x.cuts.flatMap((c) => (c.stock ? [[c.stock, c.pieces.map((p) => p.of).join(", ")] as const] : []))));
  const status = new Map(b.shopping.map((x) => [x.key, x.status]));
  const idle = (s: Stock) => {
    const now = status.get(s.line);
    if (now === undefined || now === "fitted" || now === "used") return says("nothing-now");
    return s.unit === "m" ? says("nothing-long-enough") : says("counted");
  };
  return (
    <section aria-label={says("stock-3")} className="border-b border-line p-3">
      <div className="flex items-center justify-between">
        <h2 className="m-0 mb-1 font-display text-[16px]">{says("stock-3")}</h2>
        <button type="button" className="btn" onClick={onClose}>
          {says("close-2")}
        </button>
      </div>
      {log.stock.length > 0 ? (
        <table className="w-full border-collapse text-[13px]">
          <thead>
            <tr className="text-left text-[12px] text-dim">
              <th>{says("what")}</th>
              <th>{says("how-much")}</th>
              <th>{says("where-lies-2")}</th>
              <th>{says("used")}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {log.stock.map((s) => (
              <tr key={s.id} className="border-b border-line/60">
                <td>{say(s.name ?? "")}</td>
                <td>
                  <Amount
                    unit={s.unit}
                    value={s.amount}
                    label={says("amount", { name: s.name })}
                    onSet={(n) => n != null && void log.moveStock(s, { amount: n })}
                  />
                </td>
                <td>
                  <input
                    className="field w-full"
                    aria-label={says("place", { name: s.name })}
                    defaultValue={s.place}
                    key={s.place}
                    maxLength={120}
                    onBlur={(e) => e.target.value.trim() !== s.place && void log.moveStock(s, { place: e.target.value.trim() })}
                    onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
                  />
                </td>
                <td className="text-dim">{used.get(s.id!) ?? idle(s)}</td>
                <td className="text-right">
                  <button type="button" className="text-[12px] underline" aria-label={says("strike-2", { name: s.name })} onClick={() => void log.dropStock(s)}>
                    {says("strike")}
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="my-1 text-[13px] text-dim">{says("nothing-yet-offcuts-come")}</p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2 text-[13px]">
        <select className="field max-w-64" aria-label={says("line-shopping-list")} value={key} onChange={(e) => setKey(e.target.value)}>
          <option value="">{says("add-something")}</option>
          {b.shopping.map((x) => (
            <option key={x.key} value={x.key}>
              {say(x.name)}
            </option>
          ))}
        </select>
        {line && <AddStock key={line.key} x={line} onDone={() => setKey("")} />}
      </div>
    </section>
  );
}

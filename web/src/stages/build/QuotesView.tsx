/** Quotes: asked of a supplier’s service on this machine, or brought as a table; looked at before they are kept. */
import { useState } from "react";
import { api, take } from "../../data/client";
import { useVariant } from "../../data/variant";
import { BringIn } from "../../parts/BringIn";
import { useMoney, useSaid } from "../../shell/person";
import { says } from "../../words/build";
import { type Quotes, useDay, useLog } from "./data";

const EXAMPLE = says("what-quoted-price-days");

export function QuotesView({ onClose }: { onClose: () => void }) {
  const { id } = useVariant();
  const day = useDay();
  const log = useLog();
  const say = useSaid();
  const { money } = useMoney();
  const [offer, setOffer] = useState<Quotes | null>(null);
  const [table, setTable] = useState(false);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const ask = async () => {
    setBusy(true);
    setWrong(null);
    try {
      setOffer(await take(api.GET("/api/variants/{variant_id}/build/quotes", { params: { path: { variant_id: id }, query: { today: day } } })));
    } catch (e) {
      setWrong((e as Error).message);
    }
    setBusy(false);
  };
  const keep = async (lines: Quotes["lines"], from: string) => {
    const quotes = lines.flatMap((l) => (l.quote ? [l.quote] : []));
    return quotes.length > 0 && (await log.quote(quotes, from));
  };
  if (table)
    return (
      <BringIn<Quotes["lines"][number]>
        things="quotes"
        example={EXAMPLE}
        first=""
        read={(text) =>
          take(
            api.POST("/api/variants/{variant_id}/build/quotes", {
              params: { path: { variant_id: id }, query: { today: day } },
              body: { text, supplier: says("table-quotes") },
            }),
          )
        }
        bring={async (lines) => Boolean(await keep(lines, says("table")))}
        onClose={onClose}
      />
    );
  const sum = (f: (l: Quotes["lines"][number]) => number | null | undefined) => offer?.lines.reduce((s, l) => s + (f(l) ?? 0), 0) ?? 0;
  return (
    <section aria-label={says("quotes")} className="border-b border-line p-3 text-[13px]">
      <div className="flex flex-wrap items-center gap-2">
        <strong>{says("quotes")}</strong>
        <button type="button" className="btn" disabled={busy} onClick={() => void ask()}>
          {busy ? says("asking") : says("ask-supplier")}
        </button>
        <button type="button" className="btn" onClick={() => setTable(true)}>
          {says("table-2")}
        </button>
        <span className="flex-1" />
        <button type="button" className="btn" onClick={onClose}>
          {says("leave")}
        </button>
        {offer && offer.taken > 0 && (
          <button type="button" className="btn btn-main" onClick={() => void keep(offer.lines, offer.source).then((ok) => ok && onClose())}>
            {says("keep-quotes", { taken: offer.taken })}
          </button>
        )}
      </div>
      {wrong && (
        <p role="alert" className="my-1 text-rust">
          {say(wrong)}
        </p>
      )}
      {!offer && !wrong && <p className="my-1 text-dim">{says("suppliers-service-machine-asked")}</p>}
      {offer && (
        <>
          <p className="my-1">
            {says("lines-lines-without-quote", {
              source: offer.source || says("nothing-left-buy"),
              sum: money(sum((l) => l.quote?.price)),
              taken: offer.taken,
              some_left_count: offer.left.length > 0,
              left_count: offer.left.length,
            })}
          </p>
          <div className="max-h-64 overflow-auto" hidden={!offer.lines.length}>
            <table className="w-full border-collapse" aria-label={says("what-offered")}>
              <thead>
                <tr className="text-left text-[12px] text-dim">
                  <th>{says("what")}</th>
                  <th className="text-right">{says("about")}</th>
                  <th className="text-right">{says("offered")}</th>
                  <th className="pl-3">{says("here")}</th>
                </tr>
              </thead>
              <tbody>
                {offer.lines.map((l) => (
                  <tr key={l.key} className="border-b border-line/60">
                    <td>{say(l.name ?? "")}</td>
                    <td className="num text-right">{l.guide == null ? "–" : money(l.guide)}</td>
                    <td className="num text-right">{money(l.quote?.price)}</td>
                    <td className="pl-3">
                      {l.quote?.lead_days} {l.quote?.lead_days === 1 ? says("day") : says("days-2")}
                      {l.quote?.in_stock === false && says("ordered")}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </section>
  );
}

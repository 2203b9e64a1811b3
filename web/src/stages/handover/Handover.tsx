/** Stage 12, Hand over: what goes with the vehicle? */
import { useState } from "react";
import { useSearchParams } from "react-router";
import { useVariant } from "../../data/variant";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/handover";
import { useDay } from "../build/data";
import { useBook } from "./data";
import { HandoverSlate } from "./HandoverSlate";
import { PageView } from "./PageView";

const FILES = [
  [says("book-phone-html-works"), "book.html"],
  [says("book-pdf"), "book.pdf"],
  [says("cards-wall-pdf-a5"), "cards.pdf"],
  [says("label-sheets-boards-wires"), "labels"],
  [says("maintenance-calendar-ics"), "maintenance.ics"],
  [says("data-json"), "book.json"],
] as const;

export function Component() {
  const say = useSaid();
  const { id } = useVariant();
  const day = useDay();
  const made = useBook();
  const { units } = usePerson();
  const [params, setParams] = useSearchParams();
  const [making, setMaking] = useState<string | null>(null);
  if (!made.data)
    return (
      <main tabIndex={-1} className="flex-1 p-6 outline-none" aria-label={says("hand-over")}>
        <h1 className="m-0 font-display text-xl">{says("hand-over")}</h1>
        <p role="status">{made.error ? says("book-could-not-made", { message: (made.error as Error).message }) : says("making-book")}</p>
      </main>
    );
  const b = made.data;
  const page = b.pages.find((p) => p.id === params.get("page")) ?? b.pages[0]!;
  const written = b.pages.filter((p) => !p.missing.length).length;
  const lacks = b.pages.reduce((n, p) => n + p.missing.length, 0);
  const due = b.care.filter((c) => c.status !== "ok").length;
  const take = async (kind: string, word: string) => {
    setMaking(word);
    const path = kind === "labels" ? `paper/labels.pdf?units=${units}` : `book/file/${kind}?today=${day}&units=${units}`;
    const answer = await globalThis.fetch(`/api/variants/${id}/${path}`).catch(() => null);
    if (answer?.ok) {
      const url = URL.createObjectURL(await answer.blob());
      Object.assign(document.createElement("a"), { href: url, download: `${b.name} ${kind === "labels" ? "labels.pdf" : kind}` }).click();
      setTimeout(() => URL.revokeObjectURL(url), 60_000);
      setMaking(null);
    } else setMaking(says("could-not-made", { word }));
  };
  return (
    <Bench
      title={says("hand-over")}
      sentence={
        <>
          <b>{says("of", { written, pages_count: b.pages.length })}</b> {says("pages-written")}
          {lacks > 0 && <>{says("one-thing-things-missing", { lacks })}</>}
          {b.held_back.length > 0 && <>{says("system-waits-systems-wait", { held_back_count: b.held_back.length })}</>}
          {b.care.some((c) => c.last) ? says("piece-pieces-maintenance-due", { due }) : says("maintenance-begins", { due })}
        </>
      }
      tools={
        <>
          <nav aria-label={says("pages-book")} className="flex flex-wrap gap-1">
            {b.pages.map((p, i) => (
              <button
                key={p.id}
                type="button"
                aria-pressed={p.id === page.id}
                title={p.missing.map((m) => m.text).join("; ") || says("written")}
                className={`relative min-h-12 w-[6.3rem] border bg-sheet px-1.5 py-1 text-left text-[11.5px] leading-tight ${p.id === page.id ? "border-gorse outline outline-1 outline-gorse" : "border-line"} ${p.missing.length ? "text-dim" : "text-peat"}`}
                onClick={() =>
                  setParams((q) => {
                    q.set("page", p.id);
                    return q;
                  })
                }
              >
                <span className="num block text-[10px]">{i + 1}</span>
                {say(p.title)}
                {p.missing.length > 0 && (
                  <svg viewBox="0 0 10 10" className="absolute right-0 top-0 h-3 w-3" aria-hidden="true">
                    <path d="M0 0H10V10Z" fill="var(--color-rust)" />
                  </svg>
                )}
              </button>
            ))}
          </nav>
          <select
            className="field"
            aria-label={says("take-book")}
            value=""
            onChange={(e) => {
              const f = FILES.find((x) => x[1] === e.target.value);
              if (f) void take(f[1], f[0]);
              e.target.value = "";
            }}
          >
            <option value="">{says("take-book-2")}</option>
            {FILES.map(([word, kind]) => (
              <option key={kind} value={kind}>
                {word}
              </option>
            ))}
          </select>
          {making && (
            <span role="status" className="text-[12px]">
              {making}…
            </span>
          )}
        </>
      }
      ledger={<PageView p={page} />}
      slate={<HandoverSlate b={b} page={page} />}
    />
  );
}

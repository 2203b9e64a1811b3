/** A figure that opens to its working: formula, inputs and where each came from, back to what was typed. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { FigureKey } from "../../generated/figures";
import { api, take, type Workings } from "../data/client";
import { amount, show } from "../data/show";
import { useVariant } from "../data/variant";
import { Sources } from "../method/Sources";
import { useHand } from "../shell/hand";
import { usePerson, useSaid } from "../shell/person";
import { says } from "../words/parts";

const ORIGIN: Record<string, string> = {
  computed: says("computed"),
  typed: says("typed"),
  assumed: says("assumed"),
  catalogue: says("catalogue"),
  table: says("table-2"),
  input: says("given"),
  default: says("default"),
};
const TONE: Record<string, string> = { assumed: "text-[#d3b6e6]", default: "text-[#d3b6e6]", typed: "text-[#f0d27a]" };

/** The working of one figure, and of its inputs where they are computed. */
export function Working({ id, figures, depth = 0 }: { id: string; figures: Workings; depth?: number }) {
  const { units } = usePerson();
  const say = useSaid();
  const [open, setOpen] = useState<string | null>(null);
  const f = figures[id];
  if (!f) return null;
  return (
    <div className={`border-l border-chalk-dim/50 pl-2 text-[12px] ${depth ? "mt-1" : "my-1"}`} data-testid="working">
      {f.expression && <div className="num break-words text-chalk">{f.expression}</div>}
      {!f.inputs.length && <div className={TONE[f.origin] ?? "text-chalk-dim"}>{say(ORIGIN[f.origin] ?? "")}</div>}
      {f.source.length > 0 && (
        <div className="text-chalk-dim">
          <Sources of={f.source} />
        </div>
      )}
      {f.note && <div className="text-chalk-dim">{f.note}</div>}
      <ul className="m-0 list-none p-0">
        {f.inputs.map((i) => (
          <li key={i.name} className="mt-0.5">
            <div className="flex items-baseline justify-between gap-2">
              {i.key && figures[i.key] ? (
                <button
                  type="button"
                  className="min-w-0 text-left underline decoration-dotted underline-offset-2 first-letter:uppercase"
                  aria-expanded={open === i.name}
                  onClick={() => setOpen(open === i.name ? null : i.name)}
                >
                  {say(i.label)}
                </button>
              ) : (
                <span className="min-w-0 first-letter:uppercase">{say(i.label)}</span>
              )}
              <span className="num shrink-0">{show(i.value, i.unit, units)}</span>
            </div>
            {!i.key && (
              <div className={`text-[11px] ${TONE[i.origin] ?? "text-chalk-dim"}`}>
                {say(ORIGIN[i.origin] ?? "")}
                {i.note && `: ${i.note}`}
              </div>
            )}
            {i.key && open === i.name && <Working id={i.key} figures={figures} depth={depth + 1} />}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The working of a figure of the design, fetched when it is opened. */
export function FigureWorking({ k }: { k: string }) {
  const { id, revision, stamp } = useVariant();
  const asked = useQuery({
    queryKey: ["working", id, stamp, k],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/working", { params: { path: { variant_id: id }, query: { revision, key: k } } })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (asked.error)
    return (
      <p role="alert" className="my-1 text-[12px] text-[#f3b3a4]">
        {says("working-could-not-fetched", { message: asked.error.message })}{" "}
        <button type="button" className="underline" onClick={() => void asked.refetch()}>
          {says("try-again")}
        </button>
      </p>
    );
  // the working of the figure before may still be there
  if (!asked.data || (asked.isPlaceholderData && !asked.data[k])) return <p className="my-1 text-[12px] text-chalk-dim">{says("fetching-working")}</p>;
  return <Working id={k} figures={asked.data} />;
}

/** A figure in the slate: label, value, and its working underneath when pressed. ``own`` are workings that came with what is shown, as those of a run. */
export function SlateFig({ k, label, own }: { k: FigureKey; label?: string; own?: Workings }) {
  const { report, previous } = useVariant();
  const { units } = usePerson();
  const say = useSaid();
  const { opened, onBench, open } = useHand();
  const f = own?.[k] ?? report.figures[k];
  if (!f) return null;
  const old = previous[k];
  return (
    <div className="border-b border-slate-2 py-0.5">
      <button
        type="button"
        className="flex w-full items-baseline justify-between gap-2 text-left hover:text-gorse"
        aria-expanded={opened === k && !onBench}
        data-figure={k}
        onClick={() => open(opened === k && !onBench ? null : k)}
      >
        <span className="first-letter:uppercase">{say(label ?? f.label)}</span>
        <span className="num shrink-0">
          {old !== undefined && <s className="mr-1 text-[11px] text-chalk-dim">{show(old, f.unit, units)}</s>}
          <span key={f.value} className={old !== undefined ? "changed inline-block" : ""}>
            {show(f.value, f.unit, units)}
          </span>
        </span>
      </button>
      {opened === k && !onBench && (own?.[k] ? <Working id={k} figures={own} /> : <FigureWorking k={k} />)}
    </div>
  );
}

/** Keys of the figures that begin with a prefix, for what shows all of them. */
export const keysUnder = (report: { figures: object }, prefix: string) =>
  Object.keys(report.figures).filter((k) => k.startsWith(prefix) && !k.includes("~")) as FigureKey[];

/** Figures under each other. */
export const SlateFigs = ({ ks }: { ks: readonly FigureKey[] }) => ks.map((k) => <SlateFig key={k} k={k} />);

/** A figure on the bench: its value; pressing it opens the working in the slate. */
export function Fig({ k, digits, bare }: { k: FigureKey; digits?: number; bare?: boolean }) {
  const say = useSaid();
  const { report } = useVariant();
  const { units } = usePerson();
  const { open, opened } = useHand();
  const f = report.figures[k];
  if (!f) return <span className="text-dim">–</span>;
  return (
    <button
      type="button"
      tabIndex={-1}
      data-figure={k}
      title={say(says("how-was-reached", { label: f.label }))}
      className={`num cursor-pointer border-0 bg-transparent p-0 underline-offset-2 hover:underline ${opened === k ? "underline decoration-gorse" : ""}`}
      onClick={(e) => {
        e.stopPropagation();
        open(k, true);
      }}
    >
      {bare ? amount(f.value, f.unit, units, digits) : show(f.value, f.unit, units, digits)}
    </button>
  );
}

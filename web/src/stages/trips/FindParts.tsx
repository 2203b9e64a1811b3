/** Find parts: the search for the cheapest, the lightest and the surest set that lasts the trip. */

import { useCallback, useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { JobButton } from "../../parts/JobButton";
import { type Column, Ledger } from "../../parts/Ledger";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { useMoney, usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/trips";
import { ParetoPicture, type SizedSet } from "./ParetoPicture";
import { PartsSlate } from "./PartsSlate";
import { useSearch } from "./run";
import { ViewSwitch } from "./ViewSwitch";
import { GOALS } from "./words";

export function FindParts() {
  const say = useSaid();
  const { money } = useMoney();
  const { units } = usePerson();
  const { design, revision } = useVariant();
  const hand = useHand();
  const { state, start, cancel } = useSearch();
  const [all, setAll] = useState(false);
  const run = state?.run ?? undefined;
  const stale = state?.revision != null && state.revision !== revision;
  const best = run?.front.find((s) => s.key === run.best);
  const goal = GOALS.find((g) => g.value === (design.sizing?.goal ?? "cost"))?.word ?? "";
  const rows = run ? [...(run.now ? [run.now] : []), ...run.front.filter((s) => all || s.shown)] : [];
  const columns: Column<SizedSet>[] = [
    {
      key: "set",
      label: says("set"),
      width: "52%",
      kind: "computed",
      show: (s) => (
        <span className="block whitespace-normal font-sans leading-tight text-peat">
          {s.key === "now" && <strong>{says("as-it-is")} </strong>}
          {s.key === run?.best && <strong>{says("found")} </strong>}
          {s.words.join("; ")}
        </span>
      ),
    },
    { key: "price", label: says("price"), width: "10%", align: "right", kind: "computed", show: (s) => money(s.price) },
    { key: "mass", label: says("mass"), width: "10%", align: "right", kind: "computed", show: (s) => show(s.mass_kg, "kg", units) },
    {
      key: "short",
      label: says("days-short"),
      width: "14%",
      align: "right",
      kind: "computed",
      show: (s) => (
        <span className={s.meets ? "font-semibold text-moss" : ""}>
          {show(s.short_days_frac, "%", "metric", 2)}
          {s.error_frac != null && s.error_frac > 0 && <span className="text-dim">{` ± ${(100 * s.error_frac).toFixed(1)}`}</span>}
        </span>
      ),
    },
    { key: "least", label: says("least-charge"), width: "14%", align: "right", kind: "computed", show: (s) => show(s.least_soc_p10, "%", "metric", 2) },
  ];
  return (
    <Bench
      title={says("trips")}
      sentence={
        !run ? (
          say(says("which-parts-last-trip", { goal }))
        ) : best ? (
          <>
            {stale && <strong className="text-rust">{says("revision-before-later-changes", { revision: state?.revision ?? "" })} </strong>}
            {says("short-days", {
              goal,
              words: best.words.join("; "),
              price: money(best.price),
              mass_kg: show(best.mass_kg, "kg", units),
              short_days_frac: show(best.short_days_frac, "%", "metric", 2),
            })}
          </>
        ) : (
          <>
            {stale && <strong className="text-rust">{says("revision-before-later-changes", { revision: state?.revision ?? "" })} </strong>}
            {says("no-set-keeps-days", { target_frac: show(run.target_frac, "%"), binding: run.binding })}
          </>
        )
      }
      picture={run && <ParetoPicture run={run} dim={stale || state?.job?.state === "running"} />}
      tools={
        <>
          <ViewSwitch />
          <JobButton job={state?.job} word={run ? says("search-again") : says("search")} what={says("search-2")} start={start} cancel={cancel} main />
          {run && (
            <>
              <label className="flex items-center gap-1">
                <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} />
                {says("show-all-best-trade", { front_count: run.front.length })}
              </label>
              <span className="text-dim">
                {says("sets", { set_count: run.set_count, draw_count: run.draw_count, simulated_trips: say(says("simulated-trips")) })}
              </span>
            </>
          )}
        </>
      }
      ledger={
        <Ledger
          label={says("sets-parts")}
          rows={rows}
          columns={columns}
          id={useCallback((s: SizedSet) => s.key, [])}
          selected={hand.kind === "set" ? hand.id : undefined}
          onSelect={(s) => hand.pick("set", s.key)}
          empty={
            <p className="m-0 max-w-xl text-[15px]">
              {(design.trips?.legs ?? []).length || design.trips?.live ? says("say-slate-what-may") : says("first-trip-add-places")}
            </p>
          }
        />
      }
      slate={<PartsSlate run={run} />}
    />
  );
}

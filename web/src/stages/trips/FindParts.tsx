/** Find parts: the search for the cheapest, the lightest and the surest set that lasts the trip. */

import { useCallback, useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { JobButton } from "../../parts/JobButton";
import { type Column, Ledger } from "../../parts/Ledger";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { useMoney, usePerson, useSaid } from "../../shell/person";
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
      label: "set",
      width: "52%",
      kind: "computed",
      show: (s) => (
        <span className="block whitespace-normal font-sans leading-tight text-peat">
          {s.key === "now" && <strong>as it is: </strong>}
          {s.key === run?.best && <strong>found: </strong>}
          {s.words.join("; ")}
        </span>
      ),
    },
    { key: "price", label: "price", width: "10%", align: "right", kind: "computed", show: (s) => money(s.price) },
    { key: "mass", label: "mass", width: "10%", align: "right", kind: "computed", show: (s) => show(s.mass_kg, "kg", units) },
    {
      key: "short",
      label: "days short",
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
    { key: "least", label: "least charge", width: "14%", align: "right", kind: "computed", show: (s) => show(s.least_soc_p10, "%", "metric", 2) },
  ];
  return (
    <Bench
      title="Trips"
      sentence={
        !run ? (
          say(
            `Which parts last the trip? Bothy tries every set of panels, controller, bank and driving charge that the vehicle and the rules allow, in the same simulated trips, for ${goal}.`,
          )
        ) : best ? (
          <>
            {stale && <strong className="text-rust">Of revision {state?.revision}, before later changes. </strong>}
            {`For ${goal}: ${best.words.join("; ")}. ${money(best.price)}, ${show(best.mass_kg, "kg", units)}, short on ${show(best.short_days_frac, "%", "metric", 2)} of the days.`}
          </>
        ) : (
          <>
            {stale && <strong className="text-rust">Of revision {state?.revision}, before later changes. </strong>}
            {`No set keeps to ${show(run.target_frac, "%")} of the days. ${run.binding}`}
          </>
        )
      }
      picture={run && <ParetoPicture run={run} dim={stale || state?.job?.state === "running"} />}
      tools={
        <>
          <ViewSwitch />
          <JobButton job={state?.job} word={run ? "Search again" : "Search"} what="search" start={start} cancel={cancel} main />
          {run && (
            <>
              <label className="flex items-center gap-1">
                <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} />
                show all {run.front.length} best trade-offs
              </label>
              <span className="text-dim">
                {run.set_count.toLocaleString("en-GB")} sets, {run.draw_count}
                {say(" simulated trips")}
              </span>
            </>
          )}
        </>
      }
      ledger={
        <Ledger
          label="Sets of parts"
          rows={rows}
          columns={columns}
          id={useCallback((s: SizedSet) => s.key, [])}
          selected={hand.kind === "set" ? hand.id : undefined}
          onSelect={(s) => hand.pick("set", s.key)}
          empty={
            <p className="m-0 max-w-xl text-[15px]">
              {(design.trips?.legs ?? []).length || design.trips?.live
                ? "Say on the slate what it may cost and weigh, then press Search. It takes some seconds, on long trips a minute."
                : "First the trip: add its places in the view Trip. The parts are searched for it."}
            </p>
          }
        />
      }
      slate={<PartsSlate run={run} />}
    />
  );
}

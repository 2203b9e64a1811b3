/** The path: the twelve stages as words, joined by a trodden line, each with its cairn. */
import { NavLink, useParams } from "react-router";
import type { Finding } from "../data/client";
import { isOpen } from "../data/findings";
import { useFindings, useTrip } from "../data/trip";
import { useVariant } from "../data/variant";
import { says } from "../words/shell";
import { STAGES } from "./stages";

const STONES = [
  { x: 2, y: 9.5, w: 14, h: 3.6 },
  { x: 3.5, y: 6.2, w: 11, h: 3.2 },
  { x: 5, y: 3.2, w: 8, h: 2.8 },
  { x: 6.8, y: 0.6, w: 4.6, h: 2.4 },
];
const STATE = [says("not-started"), says("started"), says("calculated"), says("no-open-danger-problem"), says("tested-site")];

export function Cairn({ stones }: { stones: number }) {
  return (
    <svg viewBox="0 0 18 14" className="h-3.5 w-4.5 shrink-0" role="img" aria-label={STATE[stones]}>
      {STONES.map((s, i) => (
        <rect
          key={i}
          x={s.x}
          y={s.y}
          width={s.w}
          height={s.h}
          rx="1.2"
          fill={i < stones ? "currentColor" : "none"}
          stroke="currentColor"
          strokeWidth={i < stones ? 0 : 0.4}
          opacity={i < stones ? 1 : 0.35}
        />
      ))}
    </svg>
  );
}

/** The cairn of Trips: it is no part of the report, so it is piled up here from the run. */
export function tripState(findings: Finding[], begun: boolean, run: boolean) {
  const mine = findings.filter((f) => f.stage === "trips" && isOpen(f));
  const dangers = mine.filter((f) => f.severity === "danger").length;
  const faults = mine.filter((f) => f.severity === "fault").length;
  return { dangers, faults, stones: !begun ? 0 : !run ? 1 : dangers + faults > 0 ? 2 : 3 };
}

export function Path() {
  const { variantId } = useParams();
  const { report, design } = useVariant();
  const findings = useFindings();
  const trip = useTrip();
  const legs = (design.trips?.legs ?? []).length > 0 || design.trips?.live != null;
  return (
    <nav aria-label={says("stages")} className="no-print relative w-[132px] shrink-0 overflow-y-auto border-r border-line py-2 max-[899px]:hidden">
      <span className="absolute bottom-4 left-[17px] top-4 border-l border-dashed border-line" aria-hidden="true" />
      <ol className="m-0 list-none p-0">
        {STAGES.map((s) => {
          const state = s.id === "trips" ? tripState(findings, legs, trip.isEnabled && trip.data != null) : report.stages[s.id];
          const open = (state?.dangers ?? 0) + (state?.faults ?? 0);
          return (
            <li key={s.id}>
              <NavLink
                to={`/v/${variantId}/${s.id}`}
                title={says("not-built-yet-key", { question: s.question, has_page: Boolean(s.page), key: s.key })}
                className={({ isActive }) =>
                  `relative flex items-center gap-2 py-1.5 pl-2 pr-1.5 no-underline ${isActive ? "bg-sheet font-semibold text-peat shadow-[inset_3px_0_0_var(--color-gorse)]" : "text-peat hover:bg-sheet/60"}`
                }
              >
                <span className="relative bg-bench px-0.5">
                  <Cairn stones={state?.stones ?? 0} />
                </span>
                <span className={`flex-1 font-display text-[14px] ${s.page ? "" : "text-dim italic"}`}>{s.word}</span>
                {open > 0 && (
                  <span
                    className={`num text-[11px] font-semibold ${state?.dangers ? "text-rust" : "text-gorse-ink"}`}
                    title={says("dangers-problems-open", { dangers: state?.dangers ?? 0, faults: state?.faults ?? 0 })}
                  >
                    {open}
                  </span>
                )}
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

/** The worklist: findings and questions of all stages in one list, worked off line by line or several at once. */

import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import type { Finding, PatchOp } from "../../data/client";
import { isOpen, severityWord } from "../../data/findings";
import { searchFor } from "../../data/kin";
import { useLabels } from "../../data/labels";
import { useAllFindings } from "../../data/plan";
import { preview, turns } from "../../data/preview";
import { useTrip } from "../../data/trip";
import { useVariant } from "../../data/variant";
import { changes, DOING, type Doing, doing, NOTES, together } from "../../data/worklist";
import { FindingMark, Fix, Keeping, Kept, type Severity } from "../../parts/Findings";
import { usePerson, useSaid } from "../../shell/person";
import { STAGES, stageOf } from "../../shell/stages";
import { says } from "../../words/worklist";

const ORDER: Severity[] = ["danger", "fault", "advice", "question", "note"];
const PLURAL: Record<Severity, [string, string]> = {
  danger: [says("danger"), says("dangers")],
  fault: [says("problem"), says("problems")],
  advice: [says("piece-advice"), says("pieces-advice")],
  question: [says("question"), says("questions")],
  note: [says("note"), says("notes")],
};
const counted = (n: number, s: Severity) => `${n} ${PLURAL[s][n === 1 ? 0 : 1]}`;

function Sentence({ open }: { open: Finding[] }) {
  const of = (s: Severity) => open.filter((f) => f.severity === s).length;
  const worst = ORDER.slice(0, 4).filter((s) => of(s) > 0);
  if (!worst.length) return <>{says("nothing-open-no-danger")}</>;
  return (
    <>
      <strong>{worst.map((s) => counted(of(s), s)).join(", ")}</strong> {says("open-design")}
    </>
  );
}

type RowProps = { f: Finding; ticked: boolean; onTick: () => void };

function Row({ f, ticked, onTick }: RowProps) {
  const v = useVariant();
  const { units } = usePerson();
  const labels = useLabels();
  const say = useSaid();
  const { variantId } = useParams();
  const [answering, setAnswering] = useState(false);
  const stage = stageOf(f.subject, f.stage);
  const fix = f.fix;
  const told = fix ? changes(v.design, fix.patch as unknown as PatchOp[], units, labels) : [];
  const severity = f.severity as Severity;
  return (
    <li className="flex gap-2 border-b border-line px-3 py-1.5" data-finding={f.id}>
      <span className="w-5 shrink-0 pt-0.5">
        {fix && isOpen(f) && (
          <input
            type="checkbox"
            className="no-print"
            aria-label={`${say(says("include", { fix: fix.label }), f.stage)}, ${f.subject_name}`}
            checked={ticked}
            onChange={onTick}
          />
        )}
      </span>
      <span className="shrink-0 pt-0.5">
        <FindingMark severity={severity} />
        <span className="sr-only">{severityWord(severity)}</span>
      </span>
      <div className="min-w-0 flex-1">
        <div className="flex flex-wrap items-baseline gap-x-2">
          <Link
            data-row
            className="font-semibold text-peat underline decoration-line underline-offset-2 hover:decoration-peat"
            to={`/v/${variantId}/${stage}`}
            state={{ finding: f.id }}
          >
            {say(f.title, f.stage)}
          </Link>
          <span className="text-dim">{f.subject_name}</span>
          <span className="text-[12px] text-dim">{STAGES.find((s) => s.id === stage)?.word}</span>
        </div>
        <div>{say(f.message, f.stage)}</div>
        {severity !== "question" && <div className="text-dim">{say(f.remedy, f.stage)}</div>}
        {(f.rests_on?.length ?? 0) > 0 && (
          <div className="text-[12px] text-heather">{says("rests-what-only-assumed", { rests_on: f.rests_on?.join(", ") })}</div>
        )}
        {told.length > 0 && (
          <div className="num text-[12px]" data-testid="before-after">
            {told.slice(0, 4).join(" · ")}
            {told.length > 4 ? says("more", { told_count: told.length - 4 }) : ""}
          </div>
        )}
        <Kept finding={f} />
        <div className="no-print mt-0.5 flex flex-wrap gap-1">
          {fix && isOpen(f) && <Fix finding={f} plain />}
          {(f.answers ?? []).map((a) => (
            <button key={a.label} type="button" className="btn" onClick={() => void v.edit(a.patch as never, `${f.title} ${a.label}`)}>
              {say(a.label, f.stage)}
            </button>
          ))}
          {!f.accepted && severity !== "note" && (
            <button type="button" className="btn" aria-expanded={answering} onClick={() => setAnswering(!answering)}>
              {severity === "danger" ? says("respond") : says("accept-reason")}
            </button>
          )}
        </div>
        {answering && !f.accepted && <Keeping finding={f} plain done={() => setAnswering(false)} />}
      </div>
    </li>
  );
}

/** Apply the ticked remedies as one change; what they would bring is said first and wants a second press. */
function Together({ findings, done }: { findings: Finding[]; done: () => void }) {
  const say = useSaid();
  const v = useVariant();
  const [brings, setBrings] = useState<Finding[] | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const n = findings.length;
  const apply = async () => {
    if (await v.edit(together(findings), n === 1 ? `${findings[0]?.fix?.label} (${findings[0]?.title})` : says("remedies-once", { n }))) done();
  };
  const press = async () => {
    if (brings?.length) return apply();
    setBusy(true);
    setWrong(null);
    try {
      const { comes } = turns(v.report.findings, (await preview(v, together(findings))).findings);
      if (!comes.length) return await apply();
      setBrings(comes);
    } catch (e) {
      setWrong((e as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className="no-print flex flex-wrap items-center gap-2 border-b border-line bg-gorse/15 px-3 py-1.5" role="region" aria-label={says("ticked-remedies")}>
      <button type="button" className="btn btn-main" disabled={busy} onClick={() => void press()}>
        {brings?.length ? says("apply-all-same", { n }) : n === 1 ? says("apply") : says("apply-one-change", { n })}
      </button>
      <button type="button" className="btn" onClick={done}>
        {says("untick")}
      </button>
      {brings?.length ? (
        <span role="alert">
          {says("would-also-bring", { brings: brings.map((f) => `${severityWord(f.severity)}: ${say(f.title, f.stage)} (${f.subject_name})`).join("; ") })}
        </span>
      ) : null}
      {wrong && <span role="alert">{says("these-cant-applied-together", { wrong })}</span>}
    </div>
  );
}

export function Component() {
  const v = useVariant();
  const { all, planning, unplanned } = useAllFindings(true);
  const trip = useTrip();
  const waiting = [...(trip.isEnabled && trip.isPending ? [says("trip")] : []), ...(planning ? [says("build")] : [])].join(says("and"));
  const [params, setParams] = useSearchParams();
  const severity = params.get("severity") ?? "";
  const stage = params.get("stage") ?? "";
  const text = params.get("text") ?? "";
  const [ticked, setTicked] = useState<string[]>([]);
  const list = useRef<HTMLDivElement>(null);
  const set = (key: string, value: string) =>
    setParams(
      (p) => {
        if (value) p.set(key, value);
        else p.delete(key);
        return p;
      },
      { replace: true },
    );
  const shown = useMemo(() => {
    const wanted = searchFor(text);
    return all.filter(
      (f) =>
        (!severity || f.severity === severity) &&
        (!stage || stageOf(f.subject, f.stage) === stage) &&
        wanted(`${f.title} ${f.subject_name} ${f.message} ${f.remedy}`),
    );
  }, [all, severity, stage, text]);
  const groups = (Object.keys(DOING) as Doing[])
    .map((d) => ({
      d,
      rows: shown.filter((f) => doing(f) === d).sort((a, b) => ORDER.indexOf(a.severity as Severity) - ORDER.indexOf(b.severity as Severity)),
    }))
    .filter((g) => g.rows.length > 0);
  const chosen = shown.filter((f) => ticked.includes(f.id) && f.fix && isOpen(f));
  const tick = (ids: string[], on: boolean) => setTicked((now) => (on ? [...new Set([...now, ...ids])] : now.filter((x) => !ids.includes(x))));
  const move = (e: KeyboardEvent) => {
    if (e.key !== "ArrowDown" && e.key !== "ArrowUp") return;
    const t = e.target as HTMLElement;
    if (t.tagName === "INPUT" && (t as HTMLInputElement).type !== "checkbox") return;
    const rows = [...(list.current?.querySelectorAll<HTMLElement>("[data-row]") ?? [])];
    const here = rows.findIndex((r) => r.closest("[data-finding]")?.contains(document.activeElement));
    rows[Math.max(0, Math.min(rows.length - 1, here + (e.key === "ArrowDown" ? 1 : -1)))]?.focus();
    e.preventDefault();
  };
  const stages = STAGES.filter((s) => all.some((f) => stageOf(f.subject, f.stage) === s.id));
  return (
    <main className="flex min-w-0 flex-1 flex-col print-flow max-[899px]:flex-none" aria-label={says("worklist")}>
      <div className="border-b border-line px-4 py-2">
        <h1 className="m-0 font-display text-[15px] font-semibold">{says("worklist")}</h1>
        <p className="m-0 text-[15px] leading-relaxed">
          <Sentence open={all.filter(isOpen)} />
          {waiting && (
            <span role="status" className="text-dim">
              {" "}
              {says("more-may-come-still", { waiting, includes: waiting.includes(" and ") })}
            </span>
          )}
          {unplanned && (
            <span role="alert" className="text-rust">
              {" "}
              {says("without-what-build-would", { message: unplanned.message })}
            </span>
          )}
        </p>
      </div>
      <div className="no-print flex flex-wrap items-center gap-1.5 border-b border-line bg-bench px-3 py-1">
        <select className="field" aria-label={says("severity")} value={severity} onChange={(e) => set("severity", e.target.value)}>
          <option value="">{says("all-severities")}</option>
          {ORDER.map((s) => (
            <option key={s} value={s}>
              {PLURAL[s][1]} ({all.filter((f) => f.severity === s && isOpen(f)).length})
            </option>
          ))}
        </select>
        <select className="field" aria-label={says("stage")} value={stage} onChange={(e) => set("stage", e.target.value)}>
          <option value="">{says("all-stages")}</option>
          {stages.map((s) => (
            <option key={s.id} value={s.id}>
              {s.word}
            </option>
          ))}
        </select>
        <input
          className="field w-44"
          aria-label={says("words")}
          placeholder={says("words-line")}
          maxLength={200}
          value={text}
          onChange={(e) => set("text", e.target.value)}
        />
        <span className="flex-1" />
        <button type="button" className="btn" onClick={() => window.print()}>
          {says("print")}
        </button>
      </div>
      {chosen.length > 0 && <Together key={`${v.revision} ${chosen.map((f) => f.id).join()}`} findings={chosen} done={() => setTicked([])} />}
      <div
        ref={list}
        className="relative min-h-0 flex-1 overflow-auto bg-sheet print-flow"
        onKeyDown={move}
        role="region"
        aria-label={says("open-lines")}
        tabIndex={0}
      >
        {groups.length === 0 && <p className="p-4 text-dim">{all.length === 0 ? says("nothing-found-begin-vehicle") : says("nothing-fits-these-filters")}</p>}
        {groups.map(({ d, rows }) => (
          <section key={d} aria-label={DOING[d]}>
            <h2 className="m-0 flex flex-wrap items-baseline gap-2 border-b border-line bg-bench px-3 py-1 font-display text-[14px] font-semibold">
              {d === "press" && (
                <input
                  type="checkbox"
                  className="no-print"
                  aria-label={says("tick-all-them")}
                  checked={rows.every((f) => ticked.includes(f.id))}
                  onChange={(e) =>
                    tick(
                      rows.map((f) => f.id),
                      e.target.checked,
                    )
                  }
                />
              )}
              {DOING[d]} <span className="num text-[12px] font-normal text-dim">{rows.length}</span>{" "}
              <span className="text-[12px] font-normal text-dim">{NOTES[d]}</span>
            </h2>
            <ul className="m-0 list-none p-0">
              {rows.map((f) => (
                <Row key={f.id} f={f} ticked={ticked.includes(f.id)} onTick={() => tick([f.id], !ticked.includes(f.id))} />
              ))}
            </ul>
          </section>
        ))}
      </div>
    </main>
  );
}

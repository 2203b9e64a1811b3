/** Findings: their marks, and the list that is worked off, with one-press remedies and accepting with a reason. */

import { useEffect, useRef, useState } from "react";
import { useLocation } from "react-router";
import type { FigureKey } from "../../generated/figures";
import type { Finding, Workings } from "../data/client";
import { concerns, isOpen, severityWord } from "../data/findings";
import { preview, turns } from "../data/preview";
import { useVariant } from "../data/variant";
import { Sources } from "../method/Sources";
import { useHand } from "../shell/hand";
import { useSaid } from "../shell/person";
import { says } from "../words/parts";
import { SlateFig } from "./Fig";

export type Severity = "danger" | "fault" | "advice" | "question" | "note";
const COLOUR: Record<Severity, string> = {
  danger: "var(--color-rust)",
  fault: "var(--color-gorse)",
  advice: "var(--color-loch)",
  question: "var(--color-heather)",
  note: "currentColor",
};
const ON_SLATE: Record<Severity, string> = { danger: "#f08a70", fault: "#f0c445", advice: "#7fc1d8", question: "#d3b6e6", note: "#a9b5ae" };
const GABLE = "M1.5 14.5V6.5L8 1.5l6.5 5v8z";

/** Filled gable: danger; half-filled: fault; outlined: advice; with a question mark: question; dot: note. */
export function FindingMark({ severity, slate }: { severity: Severity; slate?: boolean }) {
  const colour = slate ? ON_SLATE[severity] : COLOUR[severity];
  return (
    <svg viewBox="0 0 16 16" className="inline-block h-3.5 w-3.5 shrink-0 align-[-2px]" aria-hidden="true">
      {severity === "note" ? (
        <circle cx="8" cy="9" r="2.5" fill={colour} />
      ) : (
        <>
          <path d={GABLE} fill={severity === "danger" ? colour : "none"} stroke={colour} strokeWidth="1.6" />
          {severity === "fault" && <path d="M1.5 14.5V9.5h13v5z" fill={colour} />}
          {severity === "question" && <path d="M6 7.4a2 2 0 1 1 2.9 1.8q-.9.5-.9 1.3M8 12v1" fill="none" stroke={colour} strokeWidth="1.4" />}
        </>
      )}
    </svg>
  );
}

/** A reason typed for keeping things as they are. */
export function Keeping({ finding, done, plain }: { finding: Finding; done: () => void; plain?: boolean }) {
  const { design, edit } = useVariant();
  const [reason, setReason] = useState("");
  const accept = async () => {
    const at = new Date().toISOString().slice(0, 16).replace("T", " ");
    const value = { finding: finding.id, reason: reason.trim(), severity: finding.severity, by: "you", at };
    const i = design.accepted?.findIndex((a) => a.finding === finding.id) ?? -1;
    const op = i < 0 ? { op: "add" as const, path: "/accepted/-", value } : { op: "replace" as const, path: `/accepted/${i}`, value };
    if (await edit([op], says("answered", { finding: finding.title }))) done();
  };
  return (
    <form
      className="mt-1 flex gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim().length >= 3) void accept();
      }}
    >
      <input
        className={`${plain ? "field" : "field-slate"} min-w-0 flex-1`}
        aria-label={says("reason")}
        placeholder={says("why-all-right-reason")}
        value={reason}
        maxLength={1000}
        onChange={(e) => setReason(e.target.value)}
      />
      <button type="submit" className={plain ? "btn" : "btn btn-slate"} disabled={reason.trim().length < 3}>
        {says("keep")}
      </button>
    </form>
  );
}

/** The remedy's button. A remedy that would bring another danger or fault says so first, and wants a second press. */
export function Fix({ finding, plain }: { finding: Finding; plain?: boolean }) {
  const v = useVariant();
  const [brings, setBrings] = useState<Finding[] | null>(null);
  const [looking, setLooking] = useState(false);
  const say = useSaid();
  const fix = finding.fix;
  if (!fix) return null;
  const apply = () => void v.edit(fix.patch as never, `${fix.label} (${finding.title})`);
  const press = async () => {
    if (brings?.length) return apply();
    setLooking(true);
    try {
      const { comes } = turns(v.report.findings, (await preview(v, fix.patch as never)).findings);
      if (!comes.length) return apply();
      setBrings(comes);
    } catch {
      apply(); // the edit itself says what is wrong
    } finally {
      setLooking(false);
    }
  };
  return (
    <>
      {brings?.length ? (
        <p className="my-1 basis-full border-l-2 border-rust pl-2" role="alert">
          {says("would-also-bring", { brings: brings.map((f) => `${severityWord(f.severity)}: ${say(f.title, f.stage)} (${f.subject_name})`).join("; ") })}
        </p>
      ) : null}
      <button type="button" className={plain ? "btn" : "btn btn-main"} disabled={looking} onClick={() => void press()}>
        {brings?.length ? says("all-same", { fix: say(fix.label, finding.stage) }) : say(fix.label, finding.stage)}
      </button>
    </>
  );
}

/** What was answered of a finding, with the way to open it again. */
export function Kept({ finding }: { finding: Finding }) {
  const { design, edit } = useVariant();
  if (!finding.accepted) return null;
  const open = () => {
    const i = design.accepted?.findIndex((a) => a.finding === finding.id) ?? -1;
    if (i >= 0) void edit([{ op: "remove", path: `/accepted/${i}` }], says("opened-again", { finding: finding.title }));
  };
  return (
    <p className="my-1 border-l-2 border-moss pl-2">
      {finding.severity === "danger" ? says("responded-still-danger") : says("accepted")}
      {finding.accepted}{" "}
      <button type="button" className="no-print underline" onClick={open}>
        {says("reopen")}
      </button>
    </p>
  );
}

function One({ finding, own }: { finding: Finding; own?: Workings }) {
  const { edit } = useVariant();
  const [answering, setAnswering] = useState(false);
  const box = useRef<HTMLElement>(null);
  const { state, key } = useLocation();
  useEffect(() => {
    if (key && (state as { finding?: string } | null)?.finding === finding.id) box.current?.focus();
  }, [state, key, finding.id]);
  const severity = finding.severity as Severity;
  const fix = finding.fix;
  const say = useSaid();
  return (
    <article ref={box} className="border-b border-slate-2 py-2" data-finding={finding.id} id={`finding-${finding.id}`} tabIndex={-1}>
      <div className="flex gap-1.5 font-semibold">
        <FindingMark severity={severity} slate />
        <span>
          <span className="uppercase tracking-wide text-[11px]" style={{ color: ON_SLATE[severity] }}>
            {severityWord(severity)}
          </span>{" "}
          {say(finding.title, finding.stage)}
        </span>
      </div>
      <div className="text-[12px] text-chalk-dim">{finding.subject_name}</div>
      <p className="my-1">{say(finding.message, finding.stage)}</p>
      <p className="my-1 text-chalk-dim">
        {say(finding.remedy, finding.stage)}{" "}
        <span className="text-[11px]">
          (<Sources of={finding.source} />)
        </span>
      </p>
      {finding.figures?.map((k) => (
        <SlateFig key={k} k={k as FigureKey} own={own} />
      ))}
      {(finding.rests_on?.length ?? 0) > 0 && (
        <p className="my-1 text-[12px] text-[#d3b6e6]">{says("rests-what-only-assumed", { rests_on: finding.rests_on?.join(", ") })}</p>
      )}
      <Kept finding={finding} />
      <div className="mt-1 flex flex-wrap gap-1">
        {fix && <Fix finding={finding} />}
        {(finding.answers ?? []).map((a) => (
          <button key={a.label} type="button" className="btn btn-main" onClick={() => void edit(a.patch as never, `${finding.title} ${a.label}`)}>
            {say(a.label, finding.stage)}
          </button>
        ))}
        {!finding.accepted && severity !== "note" && (
          <button type="button" className="btn btn-slate" aria-expanded={answering} onClick={() => setAnswering(!answering)}>
            {severity === "danger" ? says("respond") : says("accept-reason")}
          </button>
        )}
      </div>
      {answering && !finding.accepted && <Keeping finding={finding} done={() => setAnswering(false)} />}
    </article>
  );
}

/** The findings of one subject, or of a stage; open ones first. ``own`` are the workings of figures that are no part of the report. */
export function FindingList({ findings, empty, own }: { findings: Finding[]; empty?: string; own?: Workings }) {
  if (!findings.length) return empty ? <p className="text-chalk-dim">{empty}</p> : null;
  const open = findings.filter(isOpen);
  const kept = findings.filter((f) => !isOpen(f));
  return (
    <section aria-label={says("findings")}>
      {[...open, ...kept].map((f) => (
        <One key={f.id} finding={f} own={own} />
      ))}
    </section>
  );
}

/** Marks beside an item on the bench: its worst open finding. */
export function ItemMark({ subject, stage }: { subject: string; stage?: string }) {
  const say = useSaid();
  const { report } = useVariant();
  const { pick } = useHand();
  const worst = report.findings.find((f) => concerns(f, subject) && (!stage || f.stage === stage) && isOpen(f) && f.severity !== "note");
  if (!worst) return null;
  return (
    <span title={`${severityWord(worst.severity)}: ${say(worst.title, worst.stage)}`} onClick={() => worst.stage === "wiring" && pick("circuit", subject)}>
      <FindingMark severity={worst.severity as Severity} />
      <span className="sr-only">
        {severityWord(worst.severity)}: {say(worst.title, worst.stage)}
      </span>
    </span>
  );
}

/** A value inside a stage's sentence: press it to change it in place. Heather and dotted: assumed, with where it comes from. */

import { type ReactNode, useEffect, useRef, useState } from "react";
import type { Dimension } from "../data/units";
import { useVariant } from "../data/variant";
import { useSaid, useTerm } from "../shell/person";
import { says } from "../words/parts";
import { Quantity } from "./Quantity";

export type Choice = { value: string; word: string };
type Common = { path: string; label: string; shown: ReactNode };
type Props = Common &
  ({ choices: readonly Choice[]; value: string } | { dimension: Dimension; unit: string; value: number | null | undefined } | { text: string });

/** The assumption at a path, when nothing was said there. */
export function useAssumption(path: string) {
  const { report } = useVariant();
  return report.assumptions.find((a) => a.path === path) ?? null;
}

export function Token(props: Props) {
  const say = useSaid();
  const { edit } = useVariant();
  const term = useTerm();
  const assumed = useAssumption(props.path);
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const wasOpen = useRef(false);
  useEffect(() => {
    if (wasOpen.current && !open) button.current?.focus();
    wasOpen.current = open;
  }, [open]);

  const commit = async (value: unknown) => {
    setOpen(false);
    await edit([{ op: "replace", path: props.path, value }], `${props.label}`);
  };

  if (open) {
    return (
      <span className="inline-flex flex-wrap items-baseline gap-1 align-baseline">
        {"choices" in props ? (
          <select
            className="field"
            aria-label={props.label}
            // biome-ignore lint/a11y/noAutofocus: the person pressed the token to type here
            autoFocus
            value={props.value}
            onChange={(e) => void commit(/^\d+$/.test(e.target.value) ? Number(e.target.value) : e.target.value)}
            onBlur={() => setOpen(false)}
            onKeyDown={(e) => e.key === "Escape" && setOpen(false)}
          >
            {props.choices.map((c) => (
              <option key={c.value} value={c.value}>
                {term(c.word)}
              </option>
            ))}
          </select>
        ) : "dimension" in props ? (
          <Quantity
            autoFocus
            width="8rem"
            value={props.value}
            dimension={props.dimension}
            unit={props.unit}
            label={props.label}
            onCommit={(q) => commit(q ? (props.dimension === "count" ? Math.round(q.value) : q.value) : null)}
            onClose={() => setOpen(false)}
            clearable
          />
        ) : (
          <TextField text={props.text} label={props.label} onDone={(t) => (t === null ? setOpen(false) : void commit(t))} />
        )}
        {assumed && <span className="text-[12px] text-heather">{says("assumed-3", { why: say(assumed.why) })}</span>}
      </span>
    );
  }
  return (
    <button
      ref={button}
      type="button"
      className={`border-0 bg-transparent p-0 font-semibold underline underline-offset-4 ${
        assumed ? "text-heather decoration-heather decoration-dotted" : "decoration-gorse decoration-2"
      }`}
      title={assumed ? say(says("assumed-4", { props: props.label, why: assumed.why })) : says("press-change", { props: props.label })}
      onClick={() => setOpen(true)}
    >
      {props.shown}
      <span className="sr-only">{says("assumed-change", { props: props.label, has_assumed: Boolean(assumed) })}</span>
    </button>
  );
}

function TextField({ text, label, onDone }: { text: string; label: string; onDone: (text: string | null) => void }) {
  const [draft, setDraft] = useState(text);
  return (
    <input
      className="field"
      // biome-ignore lint/a11y/noAutofocus: the person pressed the token to type here
      autoFocus
      aria-label={label}
      maxLength={1000}
      value={draft}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={() => onDone(draft === text ? null : draft)}
      onKeyDown={(e) => {
        if (e.key === "Enter") onDone(draft === text ? null : draft);
        if (e.key === "Escape") onDone(null);
      }}
    />
  );
}

/** The state of a step by shape as well as by colour. */
export const PATH: Record<string, string> = {
  pass: "M2 8.5l4 4L14 3.5",
  marginal: "M2 8q3-5 6 0t6 0",
  fail: "M3 3l10 10M13 3L3 13",
  again: "M13 8a5 5 0 1 1-2-4M11 1v3.5h-3.5",
  locked: "M4 8h8v6H4zM5.5 8V5.5a2.5 2.5 0 0 1 5 0V8",
  open: "M8 3a5 5 0 1 1 0 10a5 5 0 1 1 0-10",
};
export const COLOUR: Record<string, string> = {
  pass: "var(--color-moss)",
  marginal: "var(--color-gorse-ink)",
  fail: "var(--color-rust)",
  again: "var(--color-loch)",
  locked: "var(--color-dim)",
  open: "var(--color-dim)",
};

export function StateMark({ state, size = 14 }: { state: string; size?: number }) {
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} className="inline-block align-[-2px]" aria-hidden="true">
      {state === "open" ? (
        <circle cx="8" cy="8" r="5" fill="none" stroke={COLOUR.open} strokeWidth="1.6" />
      ) : (
        <path d={PATH[state] ?? ""} fill="none" stroke={COLOUR[state]} strokeWidth={state === "locked" ? 1.4 : 2.4} />
      )}
    </svg>
  );
}

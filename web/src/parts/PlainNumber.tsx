/** A plain number that may be left empty: taken with Enter or when the field is left, told where it is none. */
import { useState } from "react";
import { says } from "../words/parts";

type Props = {
  label: string;
  value: number | null | undefined;
  onSet: (n: number | null) => void;
  className?: string;
  /** A number that would be right, for who typed none. */
  like?: string;
  /** Told whether what stands there is no number. */
  onBad?: (bad: boolean) => void;
};

/** Not below nothing; a comma stands for a point. null: empty, NaN: no number. */
export const plainNumber = (text: string) => {
  if (text.trim() === "") return null;
  const n = Number(text.replace(",", "."));
  return n >= 0 ? n : Number.NaN;
};

export function PlainNumber({ label, value, onSet, className = "field w-full", like, onBad }: Props) {
  const [text, setText] = useState<string | null>(null);
  const n = text == null ? null : plainNumber(text);
  const bad = Number.isNaN(n);
  const take = () => {
    if (text == null || bad) return;
    setText(null);
    if (n !== (value ?? null)) onSet(n);
  };
  return (
    <input
      className={className}
      inputMode="decimal"
      aria-label={label}
      aria-invalid={bad}
      title={bad ? says("number-like", { has_like: Boolean(like), like: like ?? "" }) : undefined}
      placeholder={says("none")}
      value={text ?? (value == null ? "" : String(value))}
      onChange={(e) => {
        setText(e.target.value);
        onBad?.(Number.isNaN(plainNumber(e.target.value)));
      }}
      onBlur={take}
      onKeyDown={(e) => e.key === "Enter" && take()}
    />
  );
}

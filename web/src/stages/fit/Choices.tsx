import type { ReactNode } from "react";

/** A row of small choices over a picture. */
export function Choices<V extends string>({
  label,
  options,
  value,
  onSet,
  children,
}: {
  label: string;
  options: Record<V, string>;
  value: V;
  onSet: (v: V) => void;
  children?: ReactNode;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-1 text-[12px]">
      {(Object.keys(options) as V[]).map((k) => (
        <button
          key={k}
          type="button"
          aria-pressed={k === value}
          className={`border px-1.5 py-0 ${k === value ? "border-gorse font-semibold" : "border-line"}`}
          onClick={() => onSet(k)}
        >
          {options[k]}
        </button>
      ))}
      {children}
    </div>
  );
}

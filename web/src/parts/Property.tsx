/** One editable property in the slate: its word on the left, its field on the right. */

import type { ReactNode } from "react";
import type { Dimension } from "../data/units";
import { useSaid, useTerm } from "../shell/person";
import { Quantity, type Understood } from "./Quantity";

export function Property({ label, children, note }: { label: string; children: ReactNode; note?: string }) {
  const say = useSaid();
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_9.5rem] items-center gap-2 py-0.5">
      <span>
        {say(label)}
        {note && <span className="block text-[11px] text-chalk-dim">{say(note)}</span>}
      </span>
      {children}
    </div>
  );
}

type QuantityProps = {
  label: string;
  note?: string;
  value: number | null | undefined;
  dimension: Dimension;
  unit: string;
  clearable?: boolean;
  placeholder?: string;
  onSet: (value: number | null, q: Understood | null) => void;
};

export function QuantityProperty({ label, note, onSet, ...rest }: QuantityProps) {
  const say = useSaid();
  return (
    <Property label={label} note={note}>
      <Quantity slate className="w-full" label={say(label)} onCommit={(q) => onSet(q ? q.value : null, q)} {...rest} />
    </Property>
  );
}

/** ``value`` has the type of the field: one that the options have no word for fails the type check. */
type ChoiceProps<V extends string> = {
  label: string;
  note?: string;
  value: NoInfer<V>;
  options: readonly { value: V; word: string }[];
  onSet: (value: V) => void;
};

export function ChoiceProperty<const V extends string>({ label, note, value, options, onSet }: ChoiceProps<V>) {
  const say = useSaid();
  const term = useTerm();
  return (
    <Property label={label} note={note}>
      <select className="field-slate w-full" aria-label={say(label)} value={value} onChange={(e) => onSet(e.target.value as V)}>
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {term(o.word)}
          </option>
        ))}
      </select>
    </Property>
  );
}

export function FlagProperty({ label, note, value, onSet }: { label: string; note?: string; value: boolean; onSet: (on: boolean) => void }) {
  const say = useSaid();
  return (
    <label className="flex items-start gap-2 py-0.5">
      <input type="checkbox" className="mt-1" checked={value} onChange={(e) => onSet(e.target.checked)} />
      <span>
        {say(label)}
        {note && <span className="block text-[11px] text-chalk-dim">{say(note)}</span>}
      </span>
    </label>
  );
}

export function TextProperty({
  label,
  value,
  onSet,
  area,
  maxLength = 1000,
}: {
  label: string;
  value: string;
  onSet: (text: string) => void;
  area?: boolean;
  maxLength?: number;
}) {
  const say = useSaid();
  const common = {
    key: value,
    "aria-label": say(label),
    defaultValue: value,
    maxLength,
    className: "field-slate w-full",
    onBlur: (e: React.FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => e.target.value !== value && onSet(e.target.value),
  };
  return (
    <div className="py-0.5">
      <span className="text-[12px] text-chalk-dim">{say(label)}</span>
      {area ? <textarea rows={2} {...common} key={value} /> : <input {...common} key={value} onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()} />}
    </div>
  );
}

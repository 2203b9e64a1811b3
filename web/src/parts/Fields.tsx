/** Many properties of one item, from a list that says what each one is. */
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "./Property";

type Base = { key: string; label: string; note?: string };
export type FieldSpec =
  | (Base & { kind: "quantity"; dimension: string; unit: string; scale?: number; clearable?: boolean; placeholder?: string })
  | (Base & { kind: "choice"; options: { value: string; word: string }[]; none?: string })
  | (Base & { kind: "flag" })
  | (Base & { kind: "text" });

/** A quantity; `scale` turns the core's unit (metres) into the stored one (millimetres: 1000). */
export const quantity = (
  key: string,
  label: string,
  dimension: string,
  unit: string,
  more: Partial<Extract<FieldSpec, { kind: "quantity" }>> = {},
): FieldSpec => ({
  key,
  label,
  kind: "quantity",
  dimension,
  unit,
  ...more,
});
export const mm = (key: string, label: string, more: Partial<Extract<FieldSpec, { kind: "quantity" }>> = {}) =>
  quantity(key, label, "length", "mm", { scale: 1000, ...more });
export const count = (key: string, label: string, more: Partial<Extract<FieldSpec, { kind: "quantity" }>> = {}) => quantity(key, label, "count", "", more);
export const choice = (key: string, label: string, options: { value: string; word: string }[], more: { note?: string; none?: string } = {}): FieldSpec => ({
  key,
  label,
  kind: "choice",
  options,
  ...more,
});
export const flag = (key: string, label: string, note?: string): FieldSpec => ({ key, label, kind: "flag", note });
export const words = (key: string, label: string): FieldSpec => ({ key, label, kind: "text" });

type Props = { specs: FieldSpec[]; item: object; onSet: (key: string, value: unknown, label: string) => void };

export function Fields({ specs, item, onSet }: Props) {
  const values = item as Record<string, unknown>;
  return (
    <>
      {specs.map((s) => {
        const value = values[s.key];
        if (s.kind === "flag") return <FlagProperty key={s.key} label={s.label} note={s.note} value={!!value} onSet={(v) => onSet(s.key, v, s.label)} />;
        if (s.kind === "text")
          return (
            <TextProperty key={s.key} label={s.label} value={String(value ?? "")} maxLength={120} onSet={(v) => v.trim() && onSet(s.key, v.trim(), s.label)} />
          );
        if (s.kind === "choice")
          return (
            <ChoiceProperty
              key={s.key}
              label={s.label}
              note={s.note}
              value={String(value ?? "")}
              options={s.none ? [{ value: "", word: s.none }, ...s.options] : s.options}
              onSet={(v) => onSet(s.key, v === "" ? null : v, s.label)}
            />
          );
        return (
          <QuantityProperty
            key={s.key}
            label={s.label}
            note={s.note}
            value={value as number | null | undefined}
            dimension={s.dimension}
            unit={s.unit}
            clearable={s.clearable}
            placeholder={s.placeholder}
            onSet={(v) => onSet(s.key, v === null ? null : s.dimension === "count" ? v : v * (s.scale ?? 1), s.label)}
          />
        );
      })}
    </>
  );
}

/** Many properties of one item, from a list that says what each one is. */
import type { Dimension } from "../data/units";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "./Property";

type Base<K> = { key: K; label: string; note?: string };
type QuantitySpec<K> = Base<K> & { kind: "quantity"; dimension: Dimension; unit: string; scale?: number; clearable?: boolean; placeholder?: string };
/** `covers` has no value: it lets the type check ask that every value which the document allows has a word. */
type ChoiceSpec<K, V> = Base<K> & { kind: "choice"; options: readonly { value: V; word: string }[]; none?: string; covers?: (value: V) => void };
type FlagSpec<K> = Base<K> & { kind: "flag" };
type TextSpec<K> = Base<K> & { kind: "text" };
/** The fields of an item that hold a kind of value, as the document's types say. */
type Holding<T, V> = { [K in keyof T & string]-?: NonNullable<T[K]> extends V ? K : never }[keyof T & string];
type ChoicesOf<T> = { [K in Holding<T, string | number>]: ChoiceSpec<K, Written<NonNullable<T[K]>>> }[Holding<T, string | number>];
type Written<V> = V extends string ? V : `${V & number}`;
/** One property of an item of type ``T``: a renamed field, or a choice without a word for one of its values, fails the type check. */
export type FieldSpec<T> = QuantitySpec<Holding<T, number>> | ChoicesOf<T> | FlagSpec<Holding<T, boolean>> | TextSpec<Holding<T, string>>;

/** A quantity; `scale` turns the core's unit (metres) into the stored one (millimetres: 1000). */
export const quantity = <K extends string>(
  key: K,
  label: string,
  dimension: Dimension,
  unit: string,
  more: Partial<QuantitySpec<K>> = {},
): QuantitySpec<K> => ({
  key,
  label,
  kind: "quantity",
  dimension,
  unit,
  ...more,
});
export const mm = <K extends string>(key: K, label: string, more: Partial<QuantitySpec<K>> = {}) =>
  quantity(key, label, "length", "mm", { scale: 1000, ...more });
export const count = <K extends string>(key: K, label: string, more: Partial<QuantitySpec<K>> = {}) => quantity(key, label, "count", "", more);
export const choice = <K extends string, const O extends readonly { value: string; word: string }[]>(
  key: K,
  label: string,
  options: O,
  more: { note?: string; none?: string } = {},
): ChoiceSpec<K, O[number]["value"]> => ({
  key,
  label,
  kind: "choice",
  options,
  ...more,
});
export const flag = <K extends string>(key: K, label: string, note?: string): FlagSpec<K> => ({ key, label, kind: "flag", note });
export const words = <K extends string>(key: K, label: string): TextSpec<K> => ({ key, label, kind: "text" });

type Props<T> = { specs: FieldSpec<T>[]; item: T; onSet: (key: keyof T & string, value: unknown, label: string) => void };
type Any = QuantitySpec<string> | ChoiceSpec<string, string> | FlagSpec<string> | TextSpec<string>;

export function Fields<T extends object>({ specs, item, onSet: put }: Props<T>) {
  const values = item as Record<string, unknown>;
  const onSet = put as (key: string, value: unknown, label: string) => void;
  return (
    <>
      {(specs as Any[]).map((s) => {
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

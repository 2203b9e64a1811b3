/** A form generated from a contract: quantities as people write them, choices, flags, lists of things. */
import { useState } from "react";
import type { Schemas } from "../data/client";
import { show, unitFor } from "../data/show";
import { Quantity } from "../parts/Quantity";
import { usePerson } from "../shell/person";
import { says } from "../words/sums";
import { type Input, pairsOf, readingOf, resolved, type Schema, split, withValue } from "./schema";

type Words = Schemas["CalculatorItem"]["words"];
type Choices = Schemas["CalculatorItem"]["choices"];
type Shared = { root: Schema; words: Words; choices: Choices; wrong: string | null; onTyping: (typing: boolean) => void };
type FieldProps = Shared & { name: string; schema: Schema; value: unknown; onSet: (value: unknown) => void; required: boolean };

/** A label and its field; on a phone the field is narrower. */
const ROW = "grid grid-cols-[minmax(0,1fr)_11rem] items-center gap-2 py-0.5 sm:grid-cols-[minmax(0,1fr)_15rem]";
const plain = (text: string) => text.replace(/_/g, " ");

/** A value as it stands in its field: in the unit of its label, with all the digits that were typed; a unit too long for the field stands beside the label alone. */
const written = (value: number, unit: string, units: "metric" | "us"): string => {
  const text = inFull(value, unit, units);
  const read = unitFor(unit, units);
  return read.length > 7 ? text.replace(` ${read}`, "") : text;
};
const inFull = (value: number, unit: string, units: "metric" | "us") =>
  unit === "%"
    ? `${Number((100 * value).toPrecision(9))} %`
    : unitFor(unit, units) === unit
      ? `${Number(value.toPrecision(9))}${unit ? ` ${unit}` : ""}`
      : show(value, unit, units, 6).replace(/\u00a0|\u202f/g, " ");

function Field({ name, schema, value, onSet, required, ...shared }: FieldProps) {
  const s = resolved(schema, shared.root);
  const { units } = usePerson();
  const word = shared.words[name];
  const label = word?.label ?? plain(name);
  const bad = shared.wrong === name;
  if (s.type === "array" && s.items)
    return <List name={name} label={label} schema={s} value={(value as unknown[] | undefined) ?? []} onSet={onSet} {...shared} />;
  if (s.type === "object" && !s.properties && s.additionalProperties)
    return <Pairs label={label} bad={bad} value={value as Record<string, number> | undefined} onSet={onSet} />;
  if (s.type === "object" || s.properties)
    return (
      <fieldset className={`my-1 border-l-2 pl-2 ${bad ? "border-rust" : "border-line"}`}>
        <legend className="text-[12px] text-dim">{label}</legend>
        <Fields schema={s} value={(value as Input | undefined) ?? {}} example={{}} onSet={onSet} {...shared} />
      </fieldset>
    );
  const standard = s.default !== undefined && s.default !== null ? String(s.default) : required ? says("needed") : says("none-given");
  let field: React.ReactNode;
  if (s.enum)
    field = (
      <select
        className="field w-full"
        aria-label={label}
        value={value === undefined ? "" : String(value)}
        onChange={(e) =>
          onSet(e.target.value === "" ? undefined : s.type === "integer" || typeof s.enum?.[0] === "number" ? Number(e.target.value) : e.target.value)
        }
      >
        <option value="">{says("default", { standard: shared.choices[standard] ?? plain(standard) })}</option>
        {s.enum.map((o) => (
          <option key={o} value={String(o)}>
            {shared.choices[String(o)] ?? plain(String(o))}
          </option>
        ))}
      </select>
    );
  else if (s.type === "boolean")
    field = (
      <select
        className="field w-full"
        aria-label={label}
        value={value === undefined ? "" : String(value)}
        onChange={(e) => onSet(e.target.value === "" ? undefined : e.target.value === "true")}
      >
        <option value="">{s.default === true ? says("yes-default") : s.default === false ? says("no-default") : says("not-entered")}</option>
        <option value="true">{says("yes")}</option>
        <option value="false">{says("no")}</option>
      </select>
    );
  else if (s.type === "string")
    field = (
      <input
        className="field w-full"
        aria-label={label}
        value={String(value ?? "")}
        placeholder={standard}
        maxLength={200}
        list={name === "place" ? "places" : undefined}
        onChange={(e) => onSet(e.target.value)}
      />
    );
  else {
    const reading = readingOf(name, word?.unit);
    field = (
      <Quantity
        className="w-full"
        label={label}
        value={value as number | undefined}
        text={value === undefined ? "" : written(value as number, reading.unit, units)}
        dimension={reading.dimension}
        unit={reading.unit}
        clearable
        placeholder={standard}
        onTyping={shared.onTyping}
        onLive={(q) => onSet(q ? q.value * reading.factor : undefined)}
        onCommit={(q) => onSet(q ? q.value * reading.factor : undefined)}
      />
    );
  }
  return (
    <div className={`${ROW} ${bad ? "bg-rust/10" : ""}`}>
      <span>
        {label} {word?.unit && <span className="text-[12px] text-dim">{unitFor(word.unit, units)}</span>}
        {required && value === undefined && <span className="text-[12px] text-gorse-ink"> {says("needed")}</span>}
      </span>
      {field}
    </div>
  );
}

/** A map of names to numbers, written as pairs. */
function Pairs({
  label,
  bad,
  value,
  onSet,
}: {
  label: string;
  bad: boolean;
  value: Record<string, number> | undefined;
  onSet: (value: Record<string, number> | undefined) => void;
}) {
  const [refused, setRefused] = useState(false);
  return (
    <div className={`${ROW} ${bad || refused ? "bg-rust/10" : ""}`}>
      <span>
        {label}
        {refused && <span className="block text-[12px] text-rust">{says("each-name-number-between")}</span>}
      </span>
      <input
        className="field num w-full"
        aria-label={label}
        aria-invalid={refused}
        placeholder={says("name-name")}
        defaultValue={Object.entries(value ?? {})
          .map(([k, v]) => `${plain(k)} ${v}`)
          .join("; ")}
        onBlur={(e) => {
          const pairs = pairsOf(e.target.value);
          setRefused(pairs === null);
          if (pairs) onSet(Object.keys(pairs).length ? pairs : undefined);
        }}
      />
    </div>
  );
}

function List({
  name,
  label,
  schema,
  value,
  onSet,
  ...shared
}: Shared & { name: string; label: string; schema: Schema; value: unknown[]; onSet: (value: unknown) => void }) {
  const item = resolved(schema.items ?? {}, shared.root);
  const object = !!item.properties;
  const set = (i: number, v: unknown) => onSet(value.map((old, k) => (k === i ? v : old)));
  const add = () => {
    const model = value[value.length - 1] ?? (object ? {} : 0);
    const made = object ? { ...(model as Input), ...(item.properties?.id ? { id: `${plain(name).replace(/s$/, "")} ${value.length + 1}` } : {}) } : model;
    onSet([...value, made]);
  };
  if (!object)
    return (
      <div className={ROW}>
        <span>{label}</span>
        <input
          className="field num w-full"
          aria-label={label}
          placeholder={says("numbers-blanks-between")}
          defaultValue={value.join(" ")}
          onBlur={(e) => {
            const parts = e.target.value.split(/[\s;]+/).filter(Boolean);
            onSet(parts.length ? parts.map((p) => (item.type === "string" ? p : Number(p.replace(",", ".")))) : undefined);
          }}
        />
      </div>
    );
  return (
    <fieldset className={`my-2 border p-2 ${shared.wrong === name ? "border-rust" : "border-line"}`}>
      <legend className="px-1 font-semibold">{label}</legend>
      {value.map((one, i) => (
        <div key={i} className="mb-2 border-b border-line pb-2">
          <div className="flex justify-between text-[12px] text-dim">
            <span>{String((one as Input).id ?? `${plain(name)} ${i + 1}`)}</span>
            <button type="button" className="underline" aria-label={says("remove", { label, i: i + 1 })} onClick={() => onSet(value.filter((_, k) => k !== i))}>
              {says("remove-2")}
            </button>
          </div>
          <Fields schema={item} value={one as Input} example={{}} onSet={(v) => set(i, v)} {...shared} />
        </div>
      ))}
      <button type="button" className="btn" onClick={add}>
        {says("add-one")}
      </button>
    </fieldset>
  );
}

export function Fields({ schema, value, example, onSet, ...shared }: Shared & { schema: Schema; value: Input; example: Input; onSet: (value: Input) => void }) {
  const [open, setOpen] = useState(false);
  const groups = schema["x-one-of"] ?? [];
  const grouped = new Set(groups.flat());
  const { first, more } = split(schema, example, value);
  const rest = more.filter((k) => !grouped.has(k));
  const field = (name: string) => (
    <Field
      key={name}
      name={name}
      schema={schema.properties?.[name] ?? {}}
      value={value[name]}
      required={!!schema.required?.includes(name)}
      onSet={(v) => onSet(withValue(value, name, v))}
      {...shared}
    />
  );
  return (
    <>
      {groups.map((keys) => (
        <OneOf key={keys[0]} keys={keys} value={value} words={shared.words} onSet={onSet} field={field} />
      ))}
      {first.filter((k) => !grouped.has(k)).map(field)}
      {rest.length > 0 && (
        <button type="button" className="my-1 text-loch underline decoration-dotted" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? says("fewer-values") : says("more-each-usual-value", { rest_count: rest.length })}
        </button>
      )}
      {open && rest.map(field)}
    </>
  );
}

/** Keys of which one is given: a choice of which, and the field of that one. */
function OneOf({
  keys,
  value,
  words,
  onSet,
  field,
}: {
  keys: string[];
  value: Input;
  words: Words;
  onSet: (value: Input) => void;
  field: (name: string) => React.ReactNode;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const given = keys.find((k) => value[k] !== undefined) ?? chosen ?? keys[0]!;
  return (
    <>
      <div className={ROW}>
        <span>{says("given")}</span>
        <select
          className="field w-full"
          aria-label={says("given-2", { keys: keys.map((k) => words[k]?.label ?? plain(k)).join(says("or")) })}
          value={given}
          onChange={(e) => {
            setChosen(e.target.value);
            onSet(Object.fromEntries(Object.entries(value).filter(([k]) => !keys.includes(k))));
          }}
        >
          {keys.map((k) => (
            <option key={k} value={k}>
              {words[k]?.label ?? plain(k)}
            </option>
          ))}
        </select>
      </div>
      {field(given)}
    </>
  );
}

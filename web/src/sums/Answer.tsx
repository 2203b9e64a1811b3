/** The answer of a calculator on the slate: every figure with its unit, and its working where it is a formula. */
import { useState } from "react";
import type { Schemas } from "../data/client";
import { show } from "../data/show";
import { Working } from "../parts/Fig";
import { usePerson } from "../shell/person";
import { says } from "../words/sums";

type CalcAnswer = Schemas["CalcAnswer"];
/** The item of a calculator, and the titles of the rules that its answer names. */
type Told = Pick<Schemas["CalculatorItem"], "words" | "choices"> & Pick<CalcAnswer, "rules">;

/** What a word of an answer is called: a choice, a rule, or itself. */
const called = (text: string, told: Told) => told.choices[text] ?? told.rules[text] ?? text.replace(/_/g, " ");

function Plain({ value, told, name }: { value: unknown; told: Told; name: string }) {
  const { words } = told;
  const { units } = usePerson();
  if (value === null || value === undefined) return <span className="text-chalk-dim">{says("none")}</span>;
  if (typeof value === "number") return <span className="num">{show(value, words[name]?.unit ?? "", units, 4)}</span>;
  if (typeof value === "boolean") return <span>{value ? says("yes") : says("no")}</span>;
  if (Array.isArray(value)) {
    if (!value.length) return <span className="text-chalk-dim">{says("none")}</span>;
    if (value.every((v) => typeof v !== "object" || v === null))
      return (
        <span className="num break-words">
          {value.map((v) => (typeof v === "number" ? show(v, words[name]?.unit ?? "", units) : called(String(v), told))).join(", ")}
        </span>
      );
    return (
      <span className="block">
        {value.map((v, i) => (
          <span key={i} className="my-1 block border-l border-chalk-dim/50 pl-2 text-[12px]">
            {Array.isArray(v)
              ? v.join(", ")
              : Object.entries(v as Record<string, unknown>).map(([k, x]) => (
                  <span key={k} className="flex justify-between gap-2">
                    <span>{words[k]?.label ?? k}</span> <Plain value={x} told={told} name={k} />
                  </span>
                ))}
          </span>
        ))}
      </span>
    );
  }
  return <span className="break-words">{called(String(value), told)}</span>;
}

type RowProps = { id: string; name: string; label: string; value: unknown; answer: CalcAnswer; told: Told };

/** One value; pressing its label unrolls how it was reached. */
function Row({ id, name, label, value, answer, told }: RowProps) {
  const [open, setOpen] = useState(false);
  const deep = Array.isArray(value) && value.some((v) => typeof v === "object");
  return (
    <>
      <div className={deep ? "" : "flex items-baseline justify-between gap-3"}>
        <span className="min-w-0 break-words first-letter:uppercase">
          {answer.working[id] ? (
            <button
              type="button"
              className="text-left underline decoration-dotted underline-offset-2 first-letter:uppercase hover:text-gorse"
              data-figure={id}
              aria-expanded={open}
              onClick={() => setOpen(!open)}
            >
              {label}
            </button>
          ) : (
            label
          )}
        </span>
        <span className={deep ? "block" : "text-right"}>
          <Plain value={value} told={told} name={name} />
        </span>
      </div>
      {open && <Working id={id} figures={answer.working} />}
    </>
  );
}

export function Answer({ answer, item }: { answer: CalcAnswer; item: Pick<Schemas["CalculatorItem"], "words" | "choices"> }) {
  const told: Told = { words: item.words, choices: item.choices, rules: answer.rules };
  const { words } = told;
  return (
    <ul className="m-0 list-none p-0">
      {Object.entries(answer.output).map(([key, value]) => {
        const label = words[key]?.label ?? key;
        const entries = value !== null && typeof value === "object" && !Array.isArray(value) ? Object.entries(value as Record<string, unknown>) : null;
        return (
          <li key={key} className="border-b border-slate-2 py-1">
            {entries?.length ? (
              <>
                <span className="text-chalk-dim">{label}</span>
                <ul className="m-0 list-none p-0 pl-2" aria-label={label}>
                  {entries.map(([entry, one]) => (
                    <li key={entry}>
                      <Row id={`${key}/${entry}`} name={key} label={called(entry, told)} value={one} answer={answer} told={told} />
                    </li>
                  ))}
                </ul>
              </>
            ) : (
              <Row id={key} name={key} label={answer.working[key]?.label ?? label} value={entries ? null : value} answer={answer} told={told} />
            )}
          </li>
        );
      })}
    </ul>
  );
}

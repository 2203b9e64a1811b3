/** The answer of a calculator on the slate: every figure with its unit, and its working where it is a formula. */
import { useState } from "react";
import type { Schemas } from "../data/client";
import { show } from "../data/show";
import { Working } from "../parts/Fig";
import { usePerson } from "../shell/person";

type CalcAnswer = Schemas["CalcAnswer"];
type Words = Schemas["CalculatorItem"]["words"];

function Plain({ value, words, name }: { value: unknown; words: Words; name: string }) {
  const { units } = usePerson();
  if (value === null || value === undefined) return <span className="text-chalk-dim">none</span>;
  if (typeof value === "number") return <span className="num">{show(value, words[name]?.unit ?? "", units, 4)}</span>;
  if (typeof value === "boolean") return <span>{value ? "yes" : "no"}</span>;
  if (Array.isArray(value)) {
    if (!value.length) return <span className="text-chalk-dim">none</span>;
    if (value.every((v) => typeof v !== "object" || v === null))
      return (
        <span className="num break-words">{value.map((v) => (typeof v === "number" ? show(v, "", units) : String(v).replace(/_/g, " "))).join(", ")}</span>
      );
    return (
      <span className="block">
        {value.map((v, i) => (
          <span key={i} className="my-1 block border-l border-chalk-dim/50 pl-2 text-[12px]">
            {Array.isArray(v)
              ? v.join(", ")
              : Object.entries(v as Record<string, unknown>).map(([k, x]) => (
                  <span key={k} className="flex justify-between gap-2">
                    <span>{words[k]?.label ?? k}</span> <Plain value={x} words={words} name={k} />
                  </span>
                ))}
          </span>
        ))}
      </span>
    );
  }
  return <span className="break-words">{String(value).replace(/_/g, " ")}</span>;
}

export function Answer({ answer, words }: { answer: CalcAnswer; words: Words }) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <ul className="m-0 list-none p-0">
      {Object.entries(answer.output).map(([key, value]) => {
        const label = answer.working[key]?.label ?? words[key]?.label ?? key;
        const deep = Array.isArray(value) && value.some((v) => typeof v === "object");
        return (
          <li key={key} className="border-b border-slate-2 py-1">
            <div className={deep ? "" : "flex items-baseline justify-between gap-3"}>
              <span>
                {answer.working[key] ? (
                  <button
                    type="button"
                    className="text-left underline decoration-dotted underline-offset-2 hover:text-gorse"
                    data-figure={key}
                    aria-expanded={open === key}
                    onClick={() => setOpen(open === key ? null : key)}
                  >
                    {label}
                  </button>
                ) : (
                  label
                )}
              </span>
              <span className={deep ? "block" : "text-right"}>
                <Plain value={value} words={words} name={key} />
              </span>
            </div>
            {open === key && <Working id={key} figures={answer.working} />}
          </li>
        );
      })}
    </ul>
  );
}

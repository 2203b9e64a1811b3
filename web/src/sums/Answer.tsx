/** The answer of a calculator on the slate: every figure with its unit, and its working where it is a formula. */
import { useState } from "react";
import type { Schemas } from "../data/client";
import { show } from "../data/show";
import { Working } from "../parts/Fig";
import { usePerson } from "../shell/person";
import { says } from "../words/sums";

type CalcAnswer = Schemas["CalcAnswer"];
type Words = Schemas["CalculatorItem"]["words"];

function Plain({ value, words, name }: { value: unknown; words: Words; name: string }) {
  const { units } = usePerson();
  if (value === null || value === undefined) return <span className="text-chalk-dim">{says("none")}</span>;
  if (typeof value === "number") return <span className="num">{show(value, words[name]?.unit ?? "", units, 4)}</span>;
  if (typeof value === "boolean") return <span>{value ? says("yes") : says("no")}</span>;
  if (Array.isArray(value)) {
    if (!value.length) return <span className="text-chalk-dim">{says("none")}</span>;
    if (value.every((v) => typeof v !== "object" || v === null))
      return (
        <span className="num break-words">
          {value.map((v) => (typeof v === "number" ? show(v, words[name]?.unit ?? "", units) : String(v).replace(/_/g, " "))).join(", ")}
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

type RowProps = { id: string; name: string; label: string; value: unknown; answer: CalcAnswer; words: Words };

/** One value; pressing its label unrolls how it was reached. */
function Row({ id, name, label, value, answer, words }: RowProps) {
  const [open, setOpen] = useState(false);
  const deep = Array.isArray(value) && value.some((v) => typeof v === "object");
  return (
    <>
      <div className={deep ? "" : "flex items-baseline justify-between gap-3"}>
        <span className="min-w-0 break-words">
          {answer.working[id] ? (
            <button
              type="button"
              className="text-left underline decoration-dotted underline-offset-2 hover:text-gorse"
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
          <Plain value={value} words={words} name={name} />
        </span>
      </div>
      {open && <Working id={id} figures={answer.working} />}
    </>
  );
}

export function Answer({ answer, words }: { answer: CalcAnswer; words: Words }) {
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
                      <Row id={`${key}/${entry}`} name={key} label={entry.replace(/_/g, " ")} value={one} answer={answer} words={words} />
                    </li>
                  ))}
                </ul>
              </>
            ) : (
              <Row id={key} name={key} label={answer.working[key]?.label ?? label} value={entries ? null : value} answer={answer} words={words} />
            )}
          </li>
        );
      })}
    </ul>
  );
}

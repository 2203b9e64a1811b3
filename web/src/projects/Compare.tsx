/** Two variants or revisions beside each other: headlines, what was said, figures, findings. */

import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect } from "react";
import { Link, useSearchParams } from "react-router";
import { api, type Schemas, take } from "../data/client";
import { severityWord } from "../data/findings";
import { show, type UnitSystem } from "../data/show";
import { usePerson, useSaid } from "../shell/person";
import { STAGES } from "../shell/stages";
import { says } from "../words/projects";

type Differences = Schemas["ComparePart"];
const SAID_STAGES: Record<string, string> = Object.fromEntries(STAGES.map((s) => [s.id, s.word]));

/** A value with its unit as a headline shows it. */
export const value = (v: number | null | undefined, unit: string, units: UnitSystem = "metric") => {
  if (v == null) return "–";
  if (unit === "%") return `${Math.round(v)}\u202f%`;
  return /[€£$]$/.test(unit) ? `${unit}${show(Math.round(v))}` : show(v, unit, units);
};

function Heads({ d, names }: { d: Differences; names: [string, string] }) {
  const { units } = usePerson();
  const say = useSaid();
  return (
    <table className="w-full max-w-3xl border-collapse text-[14px]" aria-label={says("headlines")}>
      <thead className="text-[12px] text-dim">
        <tr>
          <th scope="col">
            <span className="sr-only">{says("what")}</span>
          </th>
          {names.map((n, i) => (
            <th key={i} scope="col" className="text-right font-normal">
              {n}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {d.heads.map((h) => {
          const [a, b] = [value(h.a, h.unit, units), value(h.b, h.unit, units)];
          return (
            <tr key={h.label} className={`border-b border-line ${a !== b ? "font-semibold" : "text-dim"}`}>
              <th scope="row" className="py-0.5 text-left font-normal">
                {say(h.label)}
              </th>
              <td className="num w-36 text-right">{a}</td>
              <td className="num w-36 text-right">{b}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Group({ title, count, children }: { title: string; count: number; children: ReactNode }) {
  return (
    <details open={count > 0 && count <= 40} className="mt-4">
      <summary className="cursor-pointer font-display text-[17px]">
        {title} <span className="num text-[14px] text-dim">{count}</span>
      </summary>
      {count ? children : <p className="my-1 text-dim">{says("same")}</p>}
    </details>
  );
}

function Lists({ d }: { d: Differences }) {
  const { units } = usePerson();
  const say = useSaid();
  const entered = (v: number | string | null | undefined, unit: string) => (typeof v === "number" ? show(v, unit, units, 6) : v ? say(v) : "–");
  return (
    <>
      <Group title={says("what-was-entered-differently")} count={d.said.length}>
        <table className="w-full border-collapse text-[13px]" aria-label={says("what-was-entered-differently")}>
          <tbody>
            {d.said.map((s) => (
              <tr key={s.path} className="border-b border-line align-top">
                <td className="w-28 text-dim">{SAID_STAGES[s.stage] ?? s.stage}</td>
                <td className="pr-2">{say(s.name)}</td>
                <td className="num w-44 break-words text-right">{entered(s.a, s.unit)}</td>
                <td className="num w-44 break-words text-right">{entered(s.b, s.unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Group>
      <Group title={says("findings-only-one-has")} count={d.found.length}>
        <ul className="m-0 list-none p-0 text-[13px]">
          {d.found.map((f) => (
            <li key={`${f.side}${f.title}${f.subject}`} className="border-b border-line py-0.5">
              <b>{f.side === "a" ? says("first") : says("second")}</b>, {severityWord(f.severity)}: {say(f.title)}, {f.subject}.{" "}
              <span className="text-dim">{say(f.message, f.stage)}</span>
            </li>
          ))}
        </ul>
      </Group>
      <Group title={says("figures-differ-most-top")} count={d.figures.length}>
        <table className="w-full border-collapse text-[13px]" aria-label={says("figures-differ")}>
          <tbody>
            {d.figures.map((f) => (
              <tr key={f.key} className="border-b border-line">
                <td className="w-28 text-dim">{SAID_STAGES[f.stage] ?? f.stage}</td>
                <td className="pr-2" title={f.key}>
                  {say(f.label)}
                </td>
                <td className="num w-36 text-right">{show(f.a, f.unit, units)}</td>
                <td className="num w-36 text-right">{show(f.b, f.unit, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Group>
      {d.more > 0 && <p className="text-dim">{says("more-rows-differ", { more: d.more })}</p>}
    </>
  );
}

const side = (s: Schemas["SideItem"]) => `${s.project}, ${s.variant}, r${s.revision}`;

export function Component() {
  const [params, setParams] = useSearchParams();
  const projects = useQuery({ queryKey: ["projects"], queryFn: () => take(api.GET("/api/projects")) });
  const all = (projects.data ?? []).flatMap((p) => p.variants.map((v) => ({ id: v.id, revision: v.revision, word: `${p.name}, ${v.name}` })));
  const a = params.get("a") ?? all[0]?.id ?? "";
  const b = params.get("b") ?? all[1]?.id ?? a;
  const number = (key: string) => {
    const n = Number(params.get(key));
    return Number.isInteger(n) && n > 0 ? n : undefined;
  };
  const [ra, rb] = [number("ra"), number("rb")];
  const made = useQuery({
    queryKey: ["compare", a, b, ra, rb],
    queryFn: () => take(api.GET("/api/compare", { params: { query: { a, b, a_revision: ra, b_revision: rb } } })),
    enabled: !!a && !!b,
    retry: false,
  });
  const set = (key: string, to: string) =>
    setParams((p) => {
      if (to) p.set(key, to);
      else p.delete(key);
      if (key === "a" || key === "b") p.delete(`r${key}`);
      return p;
    });
  const found = made.data;
  const d = found?.differences;
  const { lives } = usePerson();
  const region = found?.a.region ?? null;
  useEffect(() => {
    lives(region); // read as who built the first of them reads
    return () => lives(null);
  }, [lives, region]);
  return (
    <main className="mx-auto h-full max-w-5xl overflow-y-auto p-6" aria-label={says("compare")}>
      <p className="m-0">
        <Link to="/" className="underline">
          {says("projects")}
        </Link>
      </p>
      <h1 className="m-0 font-display text-2xl font-semibold">{says("beside-each-other")}</h1>
      <div className="my-2 flex flex-wrap gap-x-6 gap-y-1">
        {(["a", "b"] as const).map((side) => {
          const chosen = all.find((v) => v.id === (side === "a" ? a : b));
          return (
            <span key={side}>
              {side === "a" ? says("first") : says("second")}{" "}
              <select
                className="field max-w-[16rem]"
                aria-label={side === "a" ? says("first") : says("second")}
                value={chosen?.id ?? ""}
                onChange={(e) => set(side, e.target.value)}
              >
                {all.map((v) => (
                  <option key={v.id} value={v.id}>
                    {v.word}
                  </option>
                ))}
              </select>{" "}
              {says("revision")}{" "}
              <input
                className="field w-16"
                aria-label={says("revision-first-second", { is_a: side === "a" })}
                inputMode="numeric"
                placeholder={chosen ? `r${chosen.revision}` : ""}
                value={params.get(`r${side}`) ?? ""}
                onChange={(e) => set(`r${side}`, e.target.value.replace(/\D/g, ""))}
              />
            </span>
          );
        })}
      </div>
      {made.error && (
        <p role="alert" className="text-rust">
          {(made.error as Error).message}
        </p>
      )}
      {!d && !made.error && <p role="status">{projects.isPending || a ? says("reckoning-both") : says("no-project-yet")}</p>}
      {found && d && (
        <>
          <p role="status" className="my-1">
            {d.same
              ? says("they-same")
              : says("more-than-entered-differently", {
                  has_more: Boolean(d.more),
                  said_count: d.said.length,
                  figures_count: d.figures.length,
                  found_count: d.found.length,
                })}
          </p>
          <Heads d={d} names={[side(found.a), side(found.b)]} />
          <Lists d={d} />
        </>
      )}
    </main>
  );
}

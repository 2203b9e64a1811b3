/** The method: how everything is calculated, a section for each, with its formula, where it holds, what it rests on and a worked example. */
import { useEffect, useMemo, useState } from "react";
import { Link, NavLink, useLocation, useNavigate, useParams } from "react-router";
import type { Schemas } from "../data/client";
import { searchFor } from "../data/kin";
import { usePerson } from "../shell/person";
import { says } from "../words/method";
import { useMethod } from "./data";
import { sectionPath } from "./Sources";

type Section = Schemas["MethodSection"];
type Example = Schemas["WorkedExample"];

function Rows({ title, rows }: { title: string; rows: Example["given"] }) {
  return (
    <table className="w-full border-collapse text-[13px]">
      <caption className="text-left text-[12px] text-dim">{title}</caption>
      <tbody>
        {rows.map((r, i) => (
          <tr key={`${r.label}${i}`} className="border-b border-line/60 align-baseline">
            <th scope="row" className="py-0.5 pr-3 text-left font-normal">
              {r.label}
            </th>
            <td className="num py-0.5 text-right break-words">{r.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Worked({ example }: { example: Example }) {
  return (
    <details className="mt-2 border-l-2 border-loch pl-3 print-open">
      <summary className="cursor-pointer">{says("worked-example", { example: example.title })}</summary>
      <p className="no-print m-0 text-[13px]">
        <Link className="text-loch underline" to={`/sums/${example.calculator}`}>
          {says("try-your-own-values")}
        </Link>
      </p>
      <div className="mt-1 grid grid-cols-2 items-start gap-6 max-[899px]:grid-cols-1">
        <Rows title={says("given")} rows={example.given} />
        <Rows title={says("found")} rows={example.found} />
      </div>
    </details>
  );
}

const SAID = [
  ["symbols", says("symbols")],
  ["holds", says("where-holds")],
  ["after", says("after")],
  ["typical", says("typical")],
] as const;

function One({ s, lit }: { s: Section; lit: boolean }) {
  const id = s.id.split(".")[1];
  return (
    <section
      id={id}
      tabIndex={-1}
      aria-label={s.title}
      className={`mb-6 max-w-3xl scroll-mt-4 break-inside-avoid outline-none ${lit ? "border-l-4 border-gorse pl-3" : "pl-4"}`}
    >
      <h2 className="m-0 font-display text-[19px] font-semibold">
        {s.title}{" "}
        <Link
          className="no-print text-[12px] font-normal text-dim no-underline hover:underline"
          to={sectionPath(s.id)}
          aria-label={says("address", { title: s.title })}
        >
          #
        </Link>
      </h2>
      {s.text.map((t) => (
        <p key={t} className="my-1">
          {t}
        </p>
      ))}
      <pre className="num my-2 overflow-x-auto whitespace-pre-wrap border border-line bg-bench px-3 py-2 text-[13px]">{s.formula.join("\n")}</pre>
      <dl className="m-0 grid grid-cols-[8.5rem_1fr] gap-x-3 gap-y-1 text-[13px] max-[899px]:grid-cols-1">
        {SAID.map(([key, word]) =>
          s[key] ? (
            <div key={key} className="contents">
              <dt className="text-dim">{word}</dt>
              <dd className="m-0">{s[key]}</dd>
            </div>
          ) : null,
        )}
      </dl>
      {(s.examples ?? []).map((e) => (
        <Worked key={e.calculator} example={e} />
      ))}
    </section>
  );
}

export function Component() {
  const { field = "power" } = useParams();
  const { hash, key } = useLocation();
  const go = useNavigate();
  const { theme } = usePerson();
  const [text, setText] = useState("");
  const pages = useMethod();
  const page = pages.data?.find((p) => p.field === field);
  const lit = decodeURIComponent(hash.slice(1));
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  useEffect(() => {
    if (!page || !key) return; // a link to the section that is shown already leads to it again
    document.title = says("how-calculated", { page: page.title });
    const at = lit ? document.getElementById(lit) : null;
    at?.scrollIntoView({ block: "start" });
    at?.focus({ preventScroll: true });
  }, [page, lit, key]);
  const hits = useMemo(() => {
    const wanted = searchFor(text);
    const said = (s: Section, of: string) => `${s.title} ${s.text.join(" ")} ${s.after} ${s.typical} ${of}`;
    return (pages.data ?? []).flatMap((p) => p.sections.filter((s) => wanted(said(s, p.title))).map((s) => ({ s, page: p })));
  }, [pages.data, text]);
  return (
    <div className="flex h-full flex-col print-flow">
      <header className="no-print flex h-11 shrink-0 items-center gap-4 border-b border-line px-3">
        <Link to="/" className="font-display text-[17px] font-semibold text-peat no-underline">
          {says("bothy")}
        </Link>
        <span className="text-dim">{says("how-calculated-2")}</span>
        <span className="flex-1" />
        {window.history.state?.idx > 0 && (
          <button type="button" className="btn" onClick={() => go(-1)}>
            {says("back")}
          </button>
        )}
        <button type="button" className="btn" onClick={() => window.print()}>
          {says("print")}
        </button>
      </header>
      <div className="flex min-h-0 flex-1 print-flow max-[899px]:flex-col max-[899px]:overflow-y-auto">
        <nav
          aria-label={says("sections")}
          className="no-print w-[240px] shrink-0 overflow-y-auto border-r border-line py-2 max-[899px]:max-h-56 max-[899px]:w-full max-[899px]:border-b max-[899px]:border-r-0"
        >
          <div className="px-3 pb-2">
            <input
              className="field w-full"
              aria-label={says("find-section")}
              placeholder={says("find-voltage-drop-iso")}
              maxLength={100}
              value={text}
              onChange={(e) => setText(e.target.value)}
              onKeyDown={(e) => {
                if (e.key === "Enter" && text.trim() && hits[0]) go(sectionPath(hits[0].s.id));
                if (e.key === "Escape") setText("");
              }}
            />
          </div>
          {pages.isPending && (
            <p className="px-3" role="status">
              {says("fetching")}
            </p>
          )}
          {pages.isError && (
            <p className="px-3 text-rust" role="alert">
              {(pages.error as Error).message}
            </p>
          )}
          {text.trim() ? (
            <ul className="m-0 list-none p-0" aria-label={says("sections-found")}>
              {hits.map(({ s, page: p }) => (
                <li key={s.id}>
                  <Link className="block px-3 py-0.5 text-peat no-underline hover:bg-sheet/60" to={sectionPath(s.id)}>
                    {s.title} <span className="text-[12px] text-dim">{p.title}</span>
                  </Link>
                </li>
              ))}
              {!hits.length && <li className="px-3 text-dim">{says("no-section-speaks")}</li>}
            </ul>
          ) : (
            pages.data?.map((p) => (
              <div key={p.field}>
                <NavLink
                  to={`/method/${p.field}`}
                  className={`block px-3 py-0.5 font-display text-peat no-underline ${p.field === field ? "font-semibold" : "hover:bg-sheet/60"}`}
                >
                  {p.title}
                </NavLink>
                {p.field === field && (
                  <ul className="m-0 mb-1 list-none p-0 text-[13px]">
                    {p.sections.map((s) => (
                      <li key={s.id}>
                        <Link
                          to={sectionPath(s.id)}
                          className={`block py-0.5 pr-2 pl-6 text-peat no-underline ${s.id.endsWith(`.${lit}`) ? "bg-sheet shadow-[inset_3px_0_0_var(--color-gorse)]" : "hover:bg-sheet/60"}`}
                        >
                          {s.title}
                        </Link>
                      </li>
                    ))}
                  </ul>
                )}
              </div>
            ))
          )}
        </nav>
        <main
          className="min-h-0 min-w-0 flex-1 overflow-y-auto bg-sheet p-4 print-flow max-[899px]:flex-none max-[899px]:overflow-visible"
          aria-label={page?.title ?? says("method")}
          tabIndex={-1}
        >
          {page && (
            <>
              <h1 className="m-0 font-display text-2xl font-semibold">{page.title}</h1>
              {page.intro && <p className="mt-1 mb-5 max-w-3xl text-[15px]">{page.intro}</p>}
              {page.sections.map((s) => (
                <One key={s.id} s={s} lit={s.id.endsWith(`.${lit}`) && lit !== ""} />
              ))}
            </>
          )}
          {pages.data && !page && <p role="alert">{says("there-no-page-method", { field })}</p>}
        </main>
      </div>
    </div>
  );
}

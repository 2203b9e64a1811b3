/** Sums: every calculator by itself, for a quick answer without a project. The forms follow from the contracts. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, NavLink, useParams } from "react-router";
import { type ApiError, api, type Schemas, take } from "../data/client";
import { usePlaces } from "../data/places";
import { usePerson } from "../shell/person";
import { says } from "../words/sums";
import { Answer } from "./Answer";
import { Fields } from "./Form";
import type { Input, Schema } from "./schema";

type Item = Schemas["CalculatorItem"];
const FIELDS: Record<string, string> = {
  power: says("power"),
  sun: says("sun"),
  trips: says("trips"),
  sizing: says("sizing"),
  wiring: says("wiring"),
  warmth: says("heat-air"),
  water: says("water"),
  gas: says("gas"),
  fit: says("fit"),
  build: says("build"),
  handover: says("hand-over"),
  proving: says("test"),
};

function Sum({ item }: { item: Item }) {
  const [input, setInput] = useState<Input>(item.example);
  const [typing, setTyping] = useState(false);
  const text = JSON.stringify(input);
  const answer = useQuery({
    queryKey: ["calc", item.name, text],
    queryFn: () => take(api.POST("/api/calc/{name}/working", { params: { path: { name: item.name } }, body: input as never })),
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const error = answer.error as ApiError | null;
  const stale = typing || answer.isPlaceholderData;
  const places = usePlaces();
  return (
    <>
      <datalist id="places">
        {(places.data ?? []).map((p) => (
          <option key={p.place} value={p.place}>
            {p.name}
          </option>
        ))}
      </datalist>
      <main className="min-h-0 min-w-0 flex-1 overflow-y-auto bg-sheet max-[899px]:flex-none max-[899px]:overflow-visible" aria-label={item.title}>
        <div className="border-b border-line bg-bench px-4 py-2">
          <h1 className="m-0 font-display text-xl font-semibold">{item.title}</h1>
          <p className="m-0 text-[15px]">{item.question}</p>
          {item.caution && (
            <p className="m-0 mt-1 border-l-4 border-rust pl-2" role="note">
              <strong>{says("caution")}</strong> {item.caution}
            </p>
          )}
        </div>
        <form className="max-w-2xl p-4" aria-label={says("values")} onSubmit={(e) => e.preventDefault()}>
          <p className="mt-0 text-dim">{says("example-stands-here-write")}</p>
          <Fields
            schema={item.input_schema as Schema}
            root={item.input_schema as Schema}
            words={item.words}
            choices={item.choices}
            value={input}
            example={item.example}
            wrong={error?.status === 422 ? error.key : null}
            onTyping={setTyping}
            onSet={setInput}
          />
          <div className="mt-3 flex gap-2">
            <button type="button" className="btn" onClick={() => setInput(item.example)}>
              {says("back-example")}
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => void navigator.clipboard?.writeText(JSON.stringify({ input, output: answer.data?.output }, null, 1))}
            >
              {says("copy-json")}
            </button>
          </div>
        </form>
      </main>
      <aside className="w-[340px] shrink-0 overflow-y-auto bg-slate px-3 py-2 text-chalk max-[899px]:w-full" aria-label={says("details")} tabIndex={0}>
        <h2 className="m-0 mb-1 font-display text-[17px] font-semibold">{says("answer")}</h2>
        {answer.isPending && !error && <p role="status">{says("working-out")}</p>}
        {error && (
          <p role="alert" className="border-l-2 border-[#f08a70] pl-2">
            {error.message}
          </p>
        )}
        {answer.data && !error && (
          <div className={stale ? "opacity-40" : ""} aria-busy={stale}>
            <Answer answer={answer.data} item={item} />
          </div>
        )}
      </aside>
    </>
  );
}

export function Component() {
  const { name } = useParams();
  const { theme } = usePerson();
  const list = useQuery({ queryKey: ["calculators"], queryFn: () => take(api.GET("/api/calculators")), staleTime: Number.POSITIVE_INFINITY });
  const item = list.data?.find((c) => c.name === name) ?? (name ? undefined : list.data?.[0]);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-11 shrink-0 items-center gap-4 border-b border-line px-3">
        <Link to="/" className="font-display text-[17px] font-semibold text-peat no-underline">
          {says("bothy")}
        </Link>
        <span className="min-w-0 flex-1 truncate text-dim">{says("quick-calculations-quick-answer")}</span>
        <Link to="/method" className="min-w-0 shrink-0 truncate text-loch underline max-[899px]:max-w-[50%]">
          {says("how-calculated")}
        </Link>
      </header>
      <div className="flex min-h-0 flex-1 max-[899px]:flex-col max-[899px]:overflow-y-auto">
        <nav
          aria-label={says("calculators")}
          className="w-[200px] shrink-0 overflow-y-auto border-r border-line py-2 max-[899px]:w-full max-[899px]:border-b max-[899px]:border-r-0"
        >
          {list.isPending && (
            <p className="px-3" role="status">
              {says("fetching")}
            </p>
          )}
          {list.isError && (
            <p className="px-3 text-rust" role="alert">
              {(list.error as Error).message}
            </p>
          )}
          {Object.entries(FIELDS).map(([field, word]) => (
            <section key={field} className="mb-2" aria-label={word}>
              <h2 className="m-0 px-3 font-display text-[13px] text-dim">{word}</h2>
              {list.data
                ?.filter((c) => c.field === field)
                .map((c) => (
                  <NavLink
                    key={c.name}
                    to={`/sums/${c.name}`}
                    className={`block px-3 py-0.5 text-peat no-underline ${item?.name === c.name ? "bg-sheet font-semibold shadow-[inset_3px_0_0_var(--color-gorse)]" : "hover:bg-sheet/60"}`}
                  >
                    {c.title}
                  </NavLink>
                ))}
            </section>
          ))}
        </nav>
        {item && <Sum key={item.name} item={item} />}
        {list.data && !item && (
          <main className="p-4">
            <p role="alert">{says("there-no-sum-called", { name: name ?? "" })}</p>
          </main>
        )}
      </div>
    </div>
  );
}

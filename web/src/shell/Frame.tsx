/** The frame round the five stages: header, path, bench; each stage brings its own slate. */
import { useQuery } from "@tanstack/react-query";
import { House } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { Suspense, useEffect, useMemo } from "react";
import { Link, Outlet, useNavigate, useParams } from "react-router";
import { type ApiError, api, take } from "../data/client";
import { isOpen } from "../data/findings";
import { useAllFindings } from "../data/plan";
import { staysAsTyped } from "../data/said";
import { useVariant, VariantProvider } from "../data/variant";
import { FindingMark } from "../parts/Findings";
import { says } from "../words/shell";
import { Banner } from "./Banner";
import { Find } from "./Find";
import { HandProvider } from "./hand";
import { LIST, useFocusKept, useKeys } from "./keys";
import { Path } from "./Path";
import { fetchAhead } from "./pages";
import { usePerson, useSaid } from "./person";
import { STAGES } from "./stages";

/** Loads the variant of the address, then gives it to everything inside. */
export function VariantRoute() {
  const { variantId = "" } = useParams();
  useEffect(fetchAhead, []);
  const first = useQuery({
    queryKey: ["variant", variantId],
    queryFn: () => take(api.GET("/api/variants/{variant_id}", { params: { path: { variant_id: variantId } } })),
    staleTime: 0,
    gcTime: 0,
    retry: (n, e) => (e as ApiError).unreachable && n < 30,
    retryDelay: 1000,
    refetchOnWindowFocus: false,
  });
  if (first.isPending)
    return (
      <p className="p-6" role="status">
        {first.failureCount ? says("bothy-does-not-answer-yet") : says("opening-design")}
      </p>
    );
  if (first.isError)
    return (
      <div className="p-6" role="alert">
        <p>{says("design-cannot-opened", { message: (first.error as Error).message })}</p>
        <Link className="text-loch underline" to="/">
          {says("back-projects")}
        </Link>
      </div>
    );
  return (
    <VariantProvider key={variantId} id={variantId} first={first.data}>
      <Lives />
      <HandProvider>
        <Outlet />
      </HandProvider>
    </VariantProvider>
  );
}

/** Where the vehicle lives: on screen and on paper its region's units and terms are the reader's, until he chooses others. */
function Lives() {
  const { design } = useVariant();
  const { lives, units } = usePerson();
  const region = design.region ?? "uk";
  const names = useMemo(() => JSON.stringify(staysAsTyped(design, units, region)), [design, units, region]);
  useEffect(() => lives(region, names), [lives, region, names]);
  useEffect(() => () => lives(null), [lives]);
  return null;
}

const SAVED = { saved: says("saved"), saving: says("saving"), kept: says("kept-here-not-sent"), conflict: says("waiting-you") };

function save(href: string) {
  const a = document.createElement("a");
  a.href = href;
  a.download = "";
  a.click();
}

function useActions() {
  const v = useVariant();
  const person = usePerson();
  const go = useNavigate();
  return useMemo(() => {
    const out = (kind: string) => () => save(`/api/variants/${v.id}/export/${kind}?units=${person.units}`);
    return [
      { word: says("undo"), what: "z", run: () => void v.undo() },
      { word: says("redo"), what: "Shift+z", run: () => void v.redo() },
      { word: says("export-project-file"), what: says("export"), run: () => save(`/api/projects/${v.projectId}/file`) },
      { word: says("export-appliances-csv"), what: says("export"), run: out("appliances.csv") },
      { word: says("export-circuit-schedule-csv"), what: says("export"), run: out("circuits.csv") },
      { word: says("export-circuit-schedule-xlsx"), what: says("export"), run: out("circuits.xlsx") },
      { word: says("export-lists-bench-xlsx"), what: says("export"), run: out("lists.xlsx") },
      { word: says("export-diagram-svg"), what: says("export"), run: out("diagram.svg") },
      { word: says("export-report-json"), what: says("export"), run: out("report.json") },
      { word: says("print-circuit-schedule"), what: says("print"), run: () => go(`/v/${v.id}/print/schedule`) },
      { word: says("export-switch-panel-dxf"), what: says("export"), run: out("panel.dxf") },
      { word: says("export-switch-panel-svg"), what: says("export"), run: out("panel.svg") },
      { word: says("print-switch-panel"), what: says("print"), run: () => go(`/v/${v.id}/print/panel`) },
      { word: says("print-lists-bench"), what: says("print"), run: () => go(`/v/${v.id}/print/lists`) },
      { word: says("print-label-sheet"), what: says("print"), run: () => go(`/v/${v.id}/print/labels`) },
      { word: says("print-list-sources"), what: says("print"), run: () => go(`/v/${v.id}/print/sources`) },
      { word: says("print-test-sheet"), what: says("print"), run: () => go(`/v/${v.id}/print/sheet`) },
      {
        word: person.units === "metric" ? says("show-us-units") : says("show-metric-units"),
        what: says("units"),
        run: () => person.set({ units: person.units === "metric" ? "us" : "metric" }),
      },
      {
        word: person.theme === "day" ? says("night-theme") : says("day-theme"),
        what: says("theme"),
        run: () => person.set({ theme: person.theme === "day" ? "night" : "day" }),
      },
      { word: says("worklist"), what: "l", run: () => go(`/v/${v.id}/worklist`) },
      { word: says("quick-calculations"), what: says("calculators"), run: () => go("/sums") },
      { word: says("how-calculated-2"), what: says("method"), run: () => go("/method") },
      { word: says("projects"), what: says("list"), run: () => go("/") },
    ];
  }, [v, person, go]);
}

function Header() {
  const say = useSaid();
  const v = useVariant();
  const actions = useActions();
  const open = useAllFindings(false).all.filter(isOpen); // the numbers of the worklist that they lead to
  const count = (s: string) => open.filter((f) => f.severity === s).length;
  const { variantId, stage } = useParams();
  const go = useNavigate();
  const person = usePerson();
  return (
    <header className="no-print flex h-11 shrink-0 items-center gap-3 border-b border-line bg-bench px-3 max-[899px]:h-auto max-[899px]:flex-wrap max-[899px]:py-1.5">
      <Link to="/" className="flex items-center gap-1 font-display text-[17px] font-semibold text-peat no-underline" aria-label={says("bothy-projects")}>
        {says("bothy")} <House size={15} aria-hidden="true" />
      </Link>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="max-w-72 truncate border-0 bg-transparent px-1 text-left" title={`${v.projectName} / ${v.name}`}>
          {v.projectName} <span className="text-dim">/</span> {v.name} ▾
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="start" className="z-50 border border-peat bg-sheet py-1 text-peat">
            {actions.map((a) => (
              <DropdownMenu.Item key={a.word} onSelect={a.run} className="flex cursor-pointer justify-between gap-6 px-3 py-1 data-[highlighted]:bg-gorse/25">
                {a.word} <span className="text-dim">{a.what}</span>
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <span className="hidden max-[899px]:block">
        <select
          className="field"
          aria-label={says("stage-2")}
          value={stage ?? location.pathname.split("/")[3]}
          onChange={(e) => go(`/v/${variantId}/${e.target.value}`)}
        >
          {STAGES.map((s) => (
            <option key={s.id} value={s.id}>
              {s.word}
              {s.page ? "" : says("not-built-yet")}
            </option>
          ))}
          <option value="worklist">{says("worklist")}</option>
        </select>
      </span>
      <span className="flex-1" />
      <span className="max-[899px]:hidden">
        <Find actions={actions} />
      </span>
      <span className="flex-1 max-[899px]:hidden" />
      <Link
        to={`/v/${variantId}/worklist`}
        className="flex items-center gap-1 px-1 text-peat no-underline hover:bg-sheet"
        title={says("worklist-everything-open-l")}
      >
        <span className="sr-only">{says("worklist-2")} </span>
        <span className="num">{count("danger")}</span> <FindingMark severity="danger" />
        <span className="sr-only">{says("dangers")} </span>
        <span className="num ml-1.5">{count("fault")}</span> <FindingMark severity="fault" />
        <span className="sr-only">{says("problems")} </span>
        <span className="num ml-1.5">{count("question")}</span> <FindingMark severity="question" />
        <span className="sr-only">{says("questions-open")}</span>
      </Link>
      <span className="flex gap-1 max-[899px]:hidden">
        <button type="button" className="btn px-2" disabled={!v.canUndo} onClick={() => void v.undo()} title={says("undo-z")}>
          {says("undo-2")}
        </button>
        <button type="button" className="btn px-2" disabled={!v.canRedo} onClick={() => void v.redo()} title={says("redo-shift-z")}>
          {says("redo-2")}
        </button>
      </span>
      <button
        type="button"
        className="btn px-2 max-[899px]:hidden"
        title={person.units === "us" ? says("feet-pounds-f-press") : say(says("metres-kilograms-c-press"))}
        onClick={() => person.set({ units: person.units === "us" ? "metric" : "us" })}
      >
        {person.units === "us" ? "ft °F" : say("m °C")}
        <span className="sr-only">{says("units-press-metric-us", { is_us: person.units === "us" })}</span>
      </button>
      <span
        className="num min-w-24 text-right text-[12px] text-dim min-[900px]:whitespace-nowrap max-[899px]:min-w-0"
        role="status"
        data-testid="saving"
        data-stamp={v.stamp}
      >
        {SAVED[v.saving]} r{v.revision}
      </span>
    </header>
  );
}

export function Frame() {
  const { help, setHelp } = useKeys();
  useFocusKept();
  return (
    <div className="flex h-full flex-col print-flow">
      <Header />
      <Banner />
      <div className="flex min-h-0 flex-1 max-[899px]:flex-col max-[899px]:overflow-y-auto print-flow">
        <Path />
        <Suspense
          fallback={
            <p className="p-6" role="status">
              {says("fetching-stage")}
            </p>
          }
        >
          <Outlet />
        </Suspense>
      </div>
      {help && (
        <div role="dialog" aria-label={says("keyboard")} className="no-print fixed bottom-3 left-1/2 z-50 -translate-x-1/2 border border-peat bg-sheet p-3">
          <dl className="m-0 grid grid-cols-[auto_auto] gap-x-6 gap-y-0.5">
            {LIST.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="num">{key}</dt>
                <dd className="m-0">{what}</dd>
              </div>
            ))}
          </dl>
          <button type="button" className="btn mt-2" onClick={() => setHelp(false)}>
            {says("close")}
          </button>
        </div>
      )}
    </div>
  );
}

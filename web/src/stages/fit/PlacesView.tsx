/** Places: what stands where, drawn to scale; what has no place yet; the thing in hand with its size, pose and what holds it. */
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { api, type Schemas, take } from "../../data/client";
import { useJob } from "../../data/jobs";
import { preview, turns } from "../../data/preview";
import { show, sizeOf, smallLength } from "../../data/show";
import { Exports } from "../../parts/Exports";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList, ItemMark } from "../../parts/Findings";
import { JobButton } from "../../parts/JobButton";
import { type Column, Ledger } from "../../parts/Ledger";
import { ChoiceProperty } from "../../parts/Property";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { useStageView } from "../../shell/views";
import { says } from "../../words/fit";
import { Bays } from "./Bays";
import { BringInPlaces } from "./BringInPlaces";
import { Choices } from "./Choices";
import { round, useFit } from "./data";
import { LOOKS, type Look } from "./frame";
import { Gap } from "./Gap";
import type { Box, PlaceDoc, Thing } from "./geometry";
import { Ports } from "./Ports";
import { Pane } from "./Scene";
import { Sentence } from "./Sentence";
import { Slant } from "./Slant";
import { CAUTION, FIXINGS, FROM, SCHOOLS, STATES, TURNS, UPS, VIEWS } from "./words";

type Fit = ReturnType<typeof useFit>;
type Sized = Omit<Schemas["SizeDoc"], "clearance_m">;

const SIDES = [
  ["length_m", says("length"), "length", "m"],
  ["width_m", says("width"), "length", "m"],
  ["height_m", says("height"), "length", "m"],
  ["mass_kg", says("mass"), "mass", "kg"],
] as const;

const METRES = [
  quantity("x_m", says("rear"), "length", "m"),
  quantity("y_m", says("left-centre-line"), "length", "m"),
  quantity("z_m", says("over-floor"), "length", "m"),
];

const GAP_OF: Record<string, "battery" | "inverter" | "charger" | "controller" | "dcdc"> = {
  "power:bank": "battery",
  "power:inverter": "inverter",
  "power:shore": "charger",
  "power:controller": "controller",
  "power:driving": "dcdc",
};

type Found = Schemas["ProposedPlaces"];

/** What a proposal found, and how to take it: one thing at once, all of them as a job. */
function useProposal(fit: Fit) {
  const [said, setSaid] = useState<string | null>(null);
  const [why, setWhy] = useState<{ name: string; why: string[] }[]>([]);
  const mine = useRef<string | null>(null);
  const path = { variant_id: fit.id };
  const taken = async (made: Found) => {
    const one = made.places.length === 1 ? made.places[0]! : null;
    if (made.patch.length)
      await fit.edit(made.patch as never, one ? says("placed", { one: one.name }) : says("placed-things", { places_count: made.places.length }));
    const left = made.left.length ? says("no-free-place-was", { left: made.left.slice(0, 5).join(", ") }) : "";
    setWhy(made.places.length > 1 ? made.places : []);
    setSaid(
      one
        ? one.why.join(" ")
        : says("placed-2", { places_count: made.places.length, has_bays: Boolean(made.bays.length), bays: made.bays.join(", ").toLowerCase(), left }),
    );
  };
  const { state, start, cancel } = useJob(
    ["places", fit.id],
    () => take(api.GET("/api/variants/{variant_id}/fit/found", { params: { path } })),
    async () => {
      setSaid(null);
      setWhy([]);
      mine.current = (await take(api.POST("/api/variants/{variant_id}/fit/jobs", { params: { path } }))).id;
    },
  );
  const all = useRef(taken);
  all.current = taken;
  useEffect(() => {
    if (!state?.job || state.job.id !== mine.current || state.job.state !== "done" || !state.run) return;
    mine.current = null;
    if (state.revision === fit.revision) void all.current(state.run);
    else setSaid(says("design-was-changed-while"));
  }, [state, fit.revision]);
  const find = async (of: string[]) => {
    setSaid(null);
    setWhy([]);
    try {
      await taken(await take(api.GET("/api/variants/{variant_id}/fit/places", { params: { path, query: { revision: fit.revision, of } } })));
    } catch (e) {
      setSaid(says("no-place-could-searched", { message: (e as Error).message }));
    }
  };
  return { find, job: state?.job, start, cancel, said, why };
}

/** What would follow while a thing is held somewhere: asked again as soon as the last answer is there. */
function useFollowing(fit: Fit, ghost: PlaceDoc | null) {
  const [report, setReport] = useState<Fit["report"] | null>(null);
  const busy = useRef(false);
  const next = useRef<PlaceDoc | null>(null);
  const latest = useRef(fit);
  latest.current = fit;
  const ask = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (next.current) {
      const p = next.current;
      next.current = null;
      try {
        const made = await preview(latest.current, latest.current.putOps(p));
        setReport((old) => (next.current || old !== null || p ? made : old));
      } catch {
        break;
      }
    }
    busy.current = false;
  }, []);
  useEffect(() => {
    if (!ghost) {
      next.current = null;
      setReport(null);
      return;
    }
    next.current = ghost;
    void ask();
  }, [ghost, ask]);
  return ghost ? report : null;
}

export function PlacesView() {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const hand = useHand();
  const [params, setParams] = useSearchParams();
  const look = ((params.get("look") ?? "plan") in LOOKS ? (params.get("look") ?? "plan") : "plan") as Look;
  const [turn, setTurn] = useState(0);
  const [ghost, setGhost] = useState<PlaceDoc | null>(null);
  const [table, setTable] = useState(false);
  const proposal = useProposal(fit);
  const following = useFollowing(fit, ghost);
  const { part, byKey } = fit;
  const held = hand.kind === "thing" ? byKey.get(hand.id) : undefined;
  const open = part.things.filter((t) => !t.box);
  const marked = useMemo(
    () => new Set([...part.clashes.flatMap((c) => [c.a, c.b]), ...fit.report.findings.flatMap((f) => (f.rule === "fit-travel-state" ? [f.subject] : []))]),
    [part.clashes, fit.report.findings],
  );
  const cut = ghost ? (ghost.open ?? ghost).x_m + 0.01 : held?.box ? ((held.box as Box)[0] + (held.box as Box)[1]) / 2 : part.body.length / 2;
  const opens = part.body.rooms.length > 0 || (fit.doc.places ?? []).some((p) => p.open);
  const standsOpen = opens && params.get("state") === "open";
  const things = useMemo(() => (standsOpen ? part.things.map((t) => (t.open_box ? { ...t, box: t.open_box } : t)) : part.things), [standsOpen, part.things]);
  const placeOf = useCallback(
    (key: string) => {
      const p = fit.placeOf(key);
      return p && standsOpen && p.open ? { ...p, ...p.open } : p;
    },
    [fit.placeOf, standsOpen],
  );
  /** What a place in this drawing is in the document: of a vehicle that stands open, where the thing is then. */
  const asDrawn = (p: PlaceDoc): PlaceDoc => {
    const was = fit.placeOf(p.of);
    return standsOpen && was ? { ...was, open: { x_m: p.x_m, y_m: p.y_m, z_m: p.z_m ?? 0 } } : p;
  };
  const pick = (key: string) => hand.key !== `thing:${key}` && hand.pick("thing", key);
  const onTurn = (t: Thing) => {
    const p = fit.placeOf(t.key);
    if (p) void fit.put({ ...p, yaw_deg: (((p.yaw_deg ?? 0) + 90) % 360) as PlaceDoc["yaw_deg"] }, says("turned"));
  };
  const scene = {
    body: part.body,
    things,
    rooms: standsOpen ? part.body.rooms : [],
    placeOf,
    selected: held?.key,
    marked,
    onPick: pick,
    onGhost: (g: { place: PlaceDoc } | null) => setGhost(g ? asDrawn(g.place) : null),
    onDrop: (p: PlaceDoc) => void fit.put(asDrawn(p)),
    onTurn,
    onLift: (t: Thing) => {
      const p = fit.placeOf(t.key);
      void (standsOpen && p ? fit.put({ ...p, open: null }, says("no-longer-moves-when")) : fit.lift(t.key));
    },
    cut,
  };
  const turnTo = (key: "look" | "state", value: string, usual: string) =>
    setParams((p) => {
      if (value === usual) p.delete(key);
      else p.set(key, value);
      return p;
    });
  const add = async (kind: string) => {
    const piece = part.furniture.find((x) => x.kind === kind);
    const key = piece && (await fit.addOwn(piece));
    if (key) hand.pick("thing", key);
  };
  useCall("bothy:new", () => document.querySelector<HTMLSelectElement>("#fit-add")?.focus());
  const metre = (key: "x_m" | "y_m" | "z_m", label: string): Column<Thing> => ({
    key,
    label,
    width: "9%",
    align: "right",
    kind: "quantity",
    dimension: "length",
    unit: "m",
    show: (t) => {
      const p = fit.placeOf(t.key);
      return p ? show(p[key] ?? 0, "m", units) : "–";
    },
    value: (t) => fit.placeOf(t.key)?.[key],
    set: (t, q) => q && void fit.setPlace(t, { [key]: round(q.value) }, label),
  });
  const columns: Column<Thing>[] = [
    { key: "name", label: says("thing"), width: "25%", kind: "computed", show: (t) => <span className="font-sans text-peat">{t.name}</span> },
    { key: "size", label: says("size", { units: smallLength(units) }), width: "17%", align: "right", kind: "computed", show: (t) => sizeOf(t.size, units) },
    {
      key: "kg",
      label: says("mass"),
      width: "10%",
      align: "right",
      kind: "quantity",
      dimension: "mass",
      unit: "kg",
      show: (t) => <span className={t.mass_from === "usual" ? "text-heather" : ""}>{show(t.mass_kg, "kg", units)}</span>,
      value: (t) => t.mass_kg,
      set: (t, q) => q && void fit.setSize(t, { mass_kg: q.value }, says("mass")),
    },
    metre("x_m", says("rear")),
    metre("y_m", says("left-centre")),
    metre("z_m", says("over-floor")),
    {
      key: "yaw",
      label: says("turned"),
      width: "10%",
      kind: "choice",
      options: TURNS,
      show: (t) => (t.box ? `${fit.placeOf(t.key)?.yaw_deg ?? 0}°` : "–"),
      value: (t) => String(fit.placeOf(t.key)?.yaw_deg ?? 0),
      set: (t, v) => void fit.setPlace(t, { yaw_deg: Number(v) as PlaceDoc["yaw_deg"] }, says("turned")),
    },
    {
      key: "in",
      label: says("stands"),
      width: "11%",
      kind: "computed",
      show: (t) => <span className="font-sans text-peat">{t.box ? where(fit, t) : says("not-placed")}</span>,
    },
  ];
  const rows = [...open, ...part.things.filter((t) => t.box)];
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<Sentence />}
      picture={
        <div className="flex h-full min-h-[240px] max-[899px]:block">
          {(open.length > 0 || proposal.said) && (
            <section aria-label={says("not-placed-yet")} className="flex w-44 shrink-0 flex-col border-r border-line max-[899px]:w-full">
              <h2 className="m-0 px-2 pt-1.5 text-[12px] font-semibold">
                {open.length ? says("not-placed-yet-2", { open_count: open.length }) : says("all-placed")}
              </h2>
              <ul className="m-0 min-h-0 flex-1 list-none overflow-auto p-1 text-[12px] max-[899px]:max-h-40">
                {open.map((t) => (
                  <li key={t.key}>
                    <button
                      type="button"
                      className={`w-full px-1 py-0.5 text-left hover:bg-gorse/15 ${held?.key === t.key ? "bg-gorse/20" : ""}`}
                      onClick={() => pick(t.key)}
                      onDoubleClick={() => void proposal.find([t.key])}
                    >
                      {t.name}
                      <span className="num block text-[11px] text-dim">
                        {say(`${t.size.map((x) => Math.round(1000 * x)).join(" × ")} mm`)} · {show(t.mass_kg + t.contents_kg, "kg", units)}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
              {open.length > 0 && (
                <div className="border-t border-line p-1">
                  <JobButton
                    job={proposal.job}
                    word={says("place-all", { open_count: open.length })}
                    what={says("search-places")}
                    start={proposal.start}
                    cancel={proposal.cancel}
                    main
                  />
                </div>
              )}
            </section>
          )}
          <div className="flex min-w-0 flex-1 flex-col">
            <div className="flex flex-wrap items-center gap-3 px-2 pt-1">
              <Choices label={says("looked")} options={LOOKS} value={look} onSet={(v) => turnTo("look", v, "plan")}>
                {look === "slant" && (
                  <button type="button" className="border border-line px-1.5" onClick={() => setTurn((turn + 1) % 4)}>
                    {says("turn")}
                  </button>
                )}
              </Choices>
              {opens && (
                <Choices label={says("state-vehicle")} options={STATES} value={standsOpen ? "open" : "travel"} onSet={(v) => turnTo("state", v, "travel")} />
              )}
              <span className="text-[11px] text-dim">{says("front-right-left-drag", { is_right: look === "right", mm: say("10 mm"), mm_2: say("1 mm") })}</span>
            </div>
            {proposal.said && (
              <div className="px-2 text-[12px]">
                <span role="status">{say(proposal.said)}</span>
                {proposal.why.length > 0 && (
                  <details>
                    <summary className="cursor-pointer">{says("why-each-stands-where")}</summary>
                    <ul className="m-0 max-h-40 list-none overflow-auto p-0">
                      {proposal.why.map((p) => (
                        <li key={p.name}>
                          <strong>{p.name}</strong>: {say(p.why.join(" "))}
                        </li>
                      ))}
                    </ul>
                  </details>
                )}
              </div>
            )}
            <div className="flex min-h-0 flex-1 gap-2 p-2 max-[899px]:block">
              <div className="min-h-0 min-w-0 flex-[3] max-[899px]:h-64">
                {look === "slant" ? (
                  <Slant body={part.body} things={things} selected={held?.key} turn={turn} onPick={pick} />
                ) : look === "plan" ? (
                  <div className="flex h-full flex-col gap-1">
                    <div className="min-h-0 flex-1">
                      <Pane look="plan" label={says("plan-vehicle-scale")} {...scene} />
                    </div>
                    <div className="min-h-0 flex-1">
                      <Pane look="left" label={says("left-side-vehicle-scale")} {...scene} />
                    </div>
                  </div>
                ) : (
                  <Pane look={look} label={says("vehicle-scale-2", { look: LOOKS[look] })} {...scene} />
                )}
              </div>
              <div className="flex min-h-0 min-w-0 flex-1 flex-col max-[899px]:h-56">
                <span className="text-[11px] text-dim">{says("section-rear-seen-forwards", { cut: show(cut, "m", units) })}</span>
                <div className="min-h-0 flex-1">
                  <Pane look="section" label={says("section-thing-hand")} {...scene} />
                </div>
              </div>
            </div>
          </div>
        </div>
      }
      tools={
        <>
          <StageViews stage={says("layout-weight")} views={VIEWS} />
          <label className="flex items-center gap-1 text-[12px]">
            <span className="sr-only">{says("add-furniture")}</span>
            <select id="fit-add" className="field" value="" onChange={(e) => void add(e.target.value)}>
              <option value="">{says("add-furniture-n")}</option>
              {part.furniture.map((p) => (
                <option key={p.kind} value={p.kind}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          <button type="button" className="btn" onClick={() => setTable(true)}>
            {says("import-places")}
          </button>
          <Exports
            items={[
              { word: says("places-masses-ways-xlsx"), file: "layout.xlsx" },
              { word: says("places-csv"), file: "places.csv" },
              { word: says("masses-csv"), file: "masses.csv" },
              { word: says("ways-csv"), file: "ways.csv" },
              { word: says("plan-side-svg"), file: "layout.svg" },
              { word: says("plan-side-dxf"), file: "layout.dxf" },
            ]}
          />
          {table && <BringInPlaces onClose={() => setTable(false)} />}
        </>
      }
      ledger={
        <Ledger
          label={says("things-their-places")}
          rows={rows}
          columns={columns}
          id={(t) => t.key}
          selected={held?.key}
          onSelect={(t) => pick(t.key)}
          onRemove={(t) => void (t.box ? fit.lift(t.key) : t.key.startsWith("own:") ? fit.removeOwn(t.key) : undefined)}
          mark={(t) => <ItemMark subject={t.key} />}
          empty={<p className="m-0 max-w-xl text-[15px]">{says("nothing-place-yet-choose")}</p>}
        />
      }
      slate={held ? <ThingSlate t={held} ghost={ghost} following={following} find={() => void proposal.find([held.key])} /> : <Whole following={following} />}
    />
  );
}

function where(fit: Fit, t: Thing): string {
  const p = fit.placeOf(t.key);
  if (t.inside) return fit.byKey.get(t.inside)?.name ?? t.inside;
  const bay = (fit.doc.bays ?? []).find((b) => b.id === p?.bay);
  return bay ? bay.name! : t.on_roof ? says("roof") : says("living-space");
}

/** What rolls while a thing is held: weights, lengths, and findings that come or go. */
function Following({ report, of }: { report: Fit["report"]; of?: string }) {
  const say = useSaid();
  const { units } = usePerson();
  const now = useFit();
  const rows: [string, string, string][] = [];
  const worst = (r: Fit["report"]) => r.fit.weight.loadings.find((l) => l.id === now.part.weight.worst) ?? r.fit.weight.loadings[0]!;
  const [a, b] = [worst(now.report), worst(report)];
  for (const [key, word] of [
    ["front_kg", says("front-axle-2")],
    ["rear_kg", says("rear-axle-2")],
    ["left_kg", says("left-side")],
    ["nose_kg", says("ball")],
  ] as const) {
    const [x, y] = [a[key], b[key]];
    if (x != null && y != null && Math.abs(x - y) > 0.05) rows.push([word, show(x, "kg", units), show(y, "kg", units)]);
  }
  for (const r of report.fit.routes) {
    if (of && r.a !== of && !r.b.includes(of)) continue;
    const old = now.part.routes.find((q) => q.id === r.id);
    if (r.length_m != null && Math.abs((old?.length_m ?? 0) - r.length_m) > 0.005)
      rows.push([r.name, show(old?.length_m, "m", units), show(r.length_m, "m", units)]);
    const id = r.id.startsWith("circuit:") ? r.id.slice(8) : null;
    const [d0, d1] = id ? [now.report.wiring.circuits[id]?.drop_v, report.wiring.circuits[id]?.drop_v] : [null, null];
    if (d0 != null && d1 != null && Math.abs(d0 - d1) > 0.0005) rows.push([says("voltage-drop", { name: r.name }), show(d0, "V", units), show(d1, "V", units)]);
  }
  const t = turns(now.report.findings, report.findings);
  return (
    <div role="status" aria-label={says("what-follows-moving")} className="my-2 border border-gorse/60 p-1.5 text-[12px]">
      <table className="w-full">
        <tbody>
          {rows.slice(0, 12).map(([word, x, y]) => (
            <tr key={word}>
              <td>{say(word)}</td>
              <td className="num text-right text-chalk-dim">{x}</td>
              <td className="num text-right">{y}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {t.comes.map((f) => (
        <p key={f.id} className="m-0 text-[#f3b3a4]">
          {says("comes", { title: say(f.title), subject_name: f.subject_name })}
        </p>
      ))}
      {t.goes.map((f) => (
        <p key={f.id} className="m-0 text-[#b6d8a4]">
          {says("goes", { title: say(f.title), subject_name: f.subject_name })}
        </p>
      ))}
      {!rows.length && !t.comes.length && !t.goes.length && <span className="text-chalk-dim">{says("nothing-else-changes")}</span>}
    </div>
  );
}

/** Where a thing is while the vehicle stands open, if it moves. */
function WhenOpen({ p, set }: { p: PlaceDoc; set: (key: string, value: unknown, label: string) => void }) {
  const here = { x_m: p.x_m, y_m: p.y_m, z_m: p.z_m ?? 0 };
  if (!p.open)
    return (
      <button type="button" className="btn btn-slate my-1" onClick={() => set("open", here, says("moves-when-opened"))}>
        {says("moves-when-vehicle-opened")}
      </button>
    );
  const open = p.open;
  return (
    <fieldset className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
      <legend className="text-[12px] text-chalk-dim">{says("while-vehicle-stands-open")}</legend>
      <Fields specs={METRES} item={open} onSet={(key, value, label) => set("open", { ...open, [key]: value }, says("open", { label }))} />
      <button type="button" className="btn btn-slate" onClick={() => set("open", null, says("stays-when-opened"))}>
        {says("stays-where")}
      </button>
    </fieldset>
  );
}

function ThingSlate({ t, ghost, following, find }: { t: Thing; ghost: PlaceDoc | null; following: Fit["report"] | null; find: () => void }) {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const hand = useHand();
  const { turnTo } = useStageView(VIEWS);
  const p = fit.placeOf(t.key);
  const routes = fit.part.routes.filter((r) => r.a === t.key || r.b.includes(t.key));
  const sized: Sized = (fit.doc.sizes ?? []).find((s) => s.of === t.key) ?? { of: t.key, ports: [] };
  const own = (fit.doc.own ?? []).find((o) => `own:${o.id}` === t.key);
  const bays = (fit.doc.bays ?? []).map((b) => ({ value: b.id!, word: b.name! }));
  const set = (key: string, value: unknown, label: string) => void fit.setPlace(t, { [key]: key === "yaw_deg" ? Number(value) : value }, label);
  return (
    <Slate title={t.name} sub={t.what}>
      <FindingList findings={fit.report.findings.filter((f) => f.subject === t.key || (f.stage === "fit" && f.related.includes(t.key)))} />
      {following && ghost && <Following report={following} of={t.key} />}
      <p className="my-1 text-[12px]">
        {say(`${t.size.map((x) => Math.round(1000 * x)).join(" × ")} mm`)} ({FROM[t.size_from as keyof typeof FROM]}), {show(t.mass_kg, "kg", units)} (
        {FROM[t.mass_from as keyof typeof FROM]}){t.contents_kg > 0 && says("when-full", { contents_kg: show(t.contents_kg, "kg", units) })}.
      </p>
      {p ? (
        <>
          <Fields
            specs={[
              ...METRES,
              choice("up", says("stands-2"), UPS),
              choice("fixing", says("held"), FIXINGS, { none: says("not-entered") }),
              quantity("fixing_count", says("how-many"), "count", "", { clearable: true, placeholder: "4" }),
              flag("tray", says("drained-tray-under")),
              flag("shield", says("heat-shield-between")),
              flag("hatch", says("hatch-without-tool-leads")),
            ]}
            item={p}
            onSet={set}
          />
          <ChoiceProperty
            label={says("turned")}
            value={String(p.yaw_deg ?? 0) as (typeof TURNS)[number]["value"]}
            options={TURNS}
            onSet={(v) => set("yaw_deg", v, says("turned"))}
          />
          {bays.length > 0 && (
            <ChoiceProperty
              label={says("bay-2")}
              value={p.bay ?? ""}
              options={[{ value: "", word: says("none-living-space") }, ...bays]}
              onSet={(v) => set("bay", v || null, says("bay-2"))}
            />
          )}
          <WhenOpen p={p} set={set} />
          {p.fixing && <SlateFig k={`fit/held/${t.key.replace(":", "-")}/used_frac` as never} label={says("used-fixings")} />}
        </>
      ) : t.on_roof ? (
        <p className="my-1 text-[12px]">
          {t.box ? says("lies-roof-laid-out") : says("lies-roof")}
          <button type="button" className="underline decoration-dotted underline-offset-2" onClick={() => turnTo("roof")}>
            {says("see-roof-plan")}
          </button>
        </p>
      ) : (
        <div className="my-2 flex flex-wrap gap-2">
          <button type="button" className="btn btn-slate" onClick={find}>
            {says("let-bothy-place")}
          </button>
          <button type="button" className="btn btn-slate" onClick={() => void fit.put(fit.start(t), says("placed-3"))}>
            {says("put-middle")}
          </button>
        </div>
      )}
      {routes.length > 0 && <h3 className="mb-1 mt-3 font-display text-[14px]">{says("joined")}</h3>}
      {routes.map((r) =>
        r.length_m != null ? (
          <SlateFig key={r.id} k={`ways/${r.id.replace(":", "-")}/length_m` as never} label={r.name} />
        ) : (
          <p key={r.id} className="my-0.5 text-[12px] text-chalk-dim">
            {r.name}: {r.missing.length ? says("not-placed-yet-3", { missing: r.missing.map((k) => fit.byKey.get(k)?.name ?? k).join(", ") }) : says("no-way")}
          </p>
        ),
      )}
      {GAP_OF[t.key.split("-")[0]!] && <Gap kind={GAP_OF[t.key.split("-")[0]!]!} />}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("size-mass")}</h3>
      {own ? (
        <Fields
          specs={[
            words("name", says("name")),
            ...SIDES.map(([key, label, dimension, unit]) => quantity(key, label, dimension, unit)),
            flag("hollow", says("things-may-stand-inside")),
            flag("flammable", says("cover-burns-cushions-curtains")),
          ]}
          item={own}
          onSet={(key, value, label) => void fit.setOwn(own, { [key]: value }, label)}
        />
      ) : (
        <Fields
          specs={SIDES.map(([key, label, dimension, unit]) => quantity(key, label, dimension, unit, { placeholder: says("part"), clearable: true }))}
          item={sized}
          onSet={(key, value, label) => void fit.setSize(t, { [key]: value }, label)}
        />
      )}
      {!t.small && <Ports t={t} size={sized} />}
      <p className="my-1 text-[12px] text-chalk-dim">
        {says("space-needs-door-may", {
          is_door_swing: t.why === "door_swing",
          why: t.why,
          flat_map:
            ["rear", "front", "right", "left", "below", "above"]
              .flatMap((w, i) => (t.clearance[i]! > 0 ? [say(`${w} ${Math.round(1000 * t.clearance[i]!)} mm`)] : []))
              .join(", ") || says("none"),
          up: t.up.join(says("or")),
        })}
      </p>
      <div className="flex flex-wrap gap-2">
        {p && (
          <button type="button" className="btn btn-slate" onClick={() => void fit.lift(t.key)}>
            {says("take-out-place")}
          </button>
        )}
        {t.key.startsWith("own:") && (
          <button
            type="button"
            className="btn btn-slate"
            onClick={() => {
              void fit.removeOwn(t.key);
              hand.drop();
            }}
          >
            {says("remove-2")}
          </button>
        )}
      </div>
      {t.mass_kg >= 25 && <p className="mt-2 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(says("kg-more-two-people"))}</p>}
    </Slate>
  );
}

function Whole({ following }: { following: Fit["report"] | null }) {
  const fit = useFit();
  const say = useSaid();
  const { edit } = fit;
  return (
    <Slate title={says("layout-weight")} sub={says("things-placed", { placed: fit.part.placed, things_count: fit.part.things.length })}>
      <FindingList findings={fit.report.findings.filter((f) => f.stage === "fit")} />
      {following && <Following report={following} />}
      <Fields
        specs={[choice("school", says("fixings-hold"), SCHOOLS)]}
        item={{ school: fit.doc.school ?? "interior_10g" }}
        onSet={(key, value, label) => void edit([{ op: "replace", path: `/fit/${key}`, value }], label)}
      />
      <Bays />
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

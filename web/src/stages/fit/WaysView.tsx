/** Ways: the net of raceways, each run with its length, why it goes that way, and what is kept as typed. */
import { percent, show } from "../../data/show";
import { Fields, mm } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList, ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { ChoiceProperty } from "../../parts/Property";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/fit";
import { useFit } from "./data";
import { LOOKS } from "./frame";
import { Pane } from "./Scene";
import { Sentence } from "./Sentence";
import { Signals } from "./Signals";
import { CUT, SERVICE, VIEWS } from "./words";

type Route = ReturnType<typeof useFit>["part"]["routes"][number];
const LAYER: Record<string, string> = { dc: "d", data: "d", mains: "m", water: "w", waste: "w", duct: "w", gas: "g" };

export function WaysView() {
  const say = useSaid();
  const fit = useFit();
  const { units } = usePerson();
  const hand = useHand();
  const { part, byKey } = fit;
  const held = hand.kind === "way" ? part.routes.find((r) => r.id === hand.id) : undefined;
  const name = (key: string) => (key === "engine" ? says("engine") : (byKey.get(key)?.name ?? key));
  const columns: Column<Route>[] = [
    { key: "name", label: says("run"), width: "26%", kind: "computed", show: (r) => <span className="font-sans text-peat">{r.name}</span> },
    { key: "service", label: says("carries"), width: "11%", kind: "computed", show: (r) => <span className="font-sans">{say(SERVICE[r.service] ?? "")}</span> },
    {
      key: "to",
      label: says("from-to"),
      width: "30%",
      kind: "computed",
      show: (r) => <span className="font-sans">{says("to-2", { a: name(r.a), b: r.b.map(name).join(", ") })}</span>,
    },
    {
      key: "way",
      label: says("way-3"),
      width: "11%",
      align: "right",
      kind: "computed",
      show: (r) => (r.length_m != null ? show(r.length_m, "m", units) : r.missing.length ? says("not-placed") : says("none")),
    },
    { key: "typed", label: says("typed"), width: "11%", align: "right", kind: "computed", show: (r) => show(r.typed_m, "m", units) },
    {
      key: "used",
      label: says("counts"),
      width: "11%",
      kind: "computed",
      show: (r) => <span className="font-sans">{r.length_m == null || r.kept ? (r.typed_m != null ? says("typed") : says("assumed")) : says("way-3")}</span>,
    },
  ];
  const net = part.edges.filter((e) => !held || e.layer === LAYER[held.service] || e.layer === "own");
  const shown = part.routes.filter((r) => r.lines.length && (!held || r.id === held.id));
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<Sentence />}
      picture={
        <div className="flex h-full flex-col gap-1 p-2">
          {(["plan", "left"] as const).map((look) => (
            <div key={look} className="min-h-0 flex-1">
              <Pane
                look={look}
                label={says("ways", { look: LOOKS[look] })}
                body={part.body}
                things={part.things}
                placeOf={fit.placeOf}
                net={net}
                lines={shown.map((r) => ({ ...r, on: r.id === held?.id }))}
                onPick={(key) => {
                  const r = part.routes.find((x) => x.b.includes(key));
                  if (r) hand.pick("way", r.id);
                }}
              />
            </div>
          ))}
        </div>
      }
      tools={<StageViews stage={says("layout-weight")} views={VIEWS} />}
      ledger={
        <Ledger
          label={says("runs-their-ways")}
          rows={part.routes}
          columns={columns}
          id={(r) => r.id}
          selected={held?.id}
          onSelect={(r) => hand.pick("way", r.id)}
          mark={(r) => <ItemMark subject={r.id.split(":")[1]!} />}
          empty={<p className="m-0 max-w-xl text-[15px]">{says("no-runs-yet-circuits")}</p>}
        />
      }
      slate={held ? <WaySlate r={held} /> : <NetSlate />}
    />
  );
}

function WaySlate({ r }: { r: Route }) {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const keep = fit.doc.keep ?? [];
  const at = keep.indexOf(r.id);
  const pins = fit.doc.pins ?? [];
  const pinned = pins.findIndex((p) => p.run === r.id);
  const layer = LAYER[r.service];
  const nodes = [...new Set(fit.part.edges.filter((e) => e.layer === layer || e.layer === "own").flatMap((e) => e.id.split("--")))]
    .filter((n) => n.includes("-"))
    .sort();
  return (
    <Slate title={r.name} sub={say(SERVICE[r.service] ?? "")}>
      <FindingList findings={fit.report.findings.filter((f) => f.stage === "fit" && f.subject === r.id.split(":")[1])} />
      <SlateFig k={`ways/${r.id.replace(":", "-")}/length_m` as never} label={says("along-way")} />
      {r.id.startsWith("circuit:") && (
        <>
          <SlateFig k={`circuits/${r.id.slice(8)}/drop_v` as never} />
          <SlateFig k={`circuits/${r.id.slice(8)}/best_area_mm2` as never} />
        </>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("why-way")}</h3>
      <p className="my-1 text-[12px]">{say(r.why || says("one-ends-has-no"))}</p>
      {r.length_m != null && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {says("bends-holes-metal-grommet", {
            bends: r.bends,
            holes: r.holes,
            m: say(says("up-down-m", { rise_m_more: r.rise_m >= 0, rise_m: Math.abs(r.rise_m) })),
            some_holes: r.holes > 0,
          })}
        </p>
      )}
      {r.missing.length > 0 && (
        <p className="my-1 text-[12px]">{says("not-placed-yet-4", { missing: r.missing.map((k) => fit.byKey.get(k)?.name ?? k).join(", ") })}</p>
      )}
      {r.typed_m != null && r.length_m != null && (
        <label className="my-1 flex items-start gap-2">
          <input
            type="checkbox"
            className="mt-1"
            checked={r.kept}
            onChange={(e) =>
              void fit.edit(
                e.target.checked ? [{ op: "add", path: "/fit/keep/-", value: r.id }] : [{ op: "remove", path: `/fit/keep/${at}` }],
                e.target.checked ? says("kept-typed-length", { name: r.name }) : says("goes-way", { name: r.name }),
              )
            }
          />
          <span>{says("keep-typed", { typed_m: show(r.typed_m, "m", units) })}</span>
        </label>
      )}
      <ChoiceProperty
        label={says("goes-over")}
        value={pinned >= 0 ? pins[pinned]!.node : ""}
        options={[{ value: "", word: says("best-way") }, ...nodes.map((n) => ({ value: n, word: n.slice(2).replace(/-/g, " ") }))]}
        onSet={(v) =>
          void fit.edit(
            [
              ...(pinned >= 0 ? [{ op: "remove" as const, path: `/fit/pins/${pinned}` }] : []),
              ...(v ? [{ op: "add" as const, path: "/fit/pins/-", value: { run: r.id, node: v } }] : []),
            ],
            says("goes-over-2", { name: r.name, v: v || says("best-way") }),
          )
        }
      />
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CUT)}</p>
    </Slate>
  );
}

function NetSlate() {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const closed = fit.doc.closed ?? [];
  const named = new Map<string, string[]>();
  for (const e of fit.part.edges) named.set(e.name, [...(named.get(e.name) ?? []), e.id]);
  return (
    <Slate title={says("ways-2")} sub={says("cables-all", { cable_m: show(fit.part.cable_m, "m", units) })}>
      <FindingList
        findings={fit.report.findings.filter(
          (f) => f.rule.startsWith("fit-route") || (fit.doc.signals ?? []).some((s) => s.id === f.subject) || f.subject.startsWith("conduit-"),
        )}
      />
      <p className="my-1 text-[12px]">{say(says("proposed-net-trunks-low"))}</p>
      <Signals />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("which-them-exist")}</h3>
      <ul className="m-0 list-none p-0 text-[12px]">
        {[...named].map(([name, ids]) => (
          <li key={name}>
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-1"
                checked
                onChange={() => void fit.edit([{ op: "replace", path: "/fit/closed", value: [...closed, ...ids].slice(0, 200) }], says("no-way-2", { name }))}
              />
              <span>{name}</span>
            </label>
            <Conduit way={name} carries={fit.part.edges.some((e) => e.name === name && e.runs > 0 && ["d", "m", "own"].includes(e.layer))} />
          </li>
        ))}
      </ul>
      {closed.length > 0 && (
        <button
          type="button"
          className="btn btn-slate mt-1"
          onClick={() => void fit.edit([{ op: "replace", path: "/fit/closed", value: [] }], says("all-ways-open"))}
        >
          {says("open-all-ways-again")}
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CUT)}</p>
    </Slate>
  );
}

/** A stretch of the ways as a conduit: its inside and how full it is. */
function Conduit({ way, carries }: { way: string; carries: boolean }) {
  const fit = useFit();
  const bores = fit.doc.bores ?? [];
  const i = bores.findIndex((b) => b.way === way);
  const full = fit.part.conduits.find((c) => c.way === way);
  if (i < 0)
    return carries ? (
      <button
        type="button"
        className="ml-6 text-chalk-dim underline decoration-dotted underline-offset-2"
        onClick={() => void fit.edit([{ op: "add", path: "/fit/bores/-", value: { way, inside_mm: 29 } }], says("conduit", { way }))}
      >
        {says("conduit-2")}
      </button>
    ) : null;
  return (
    <div className="ml-6 border-l-2 border-slate-2 pl-2">
      <Fields
        specs={[mm("inside_mm", says("inside-3"))]}
        item={bores[i]!}
        onSet={(_, value, label) => void fit.edit([{ op: "replace", path: `/fit/bores/${i}/inside_mm`, value }], `${way}: ${label}`)}
      />
      <p className={`m-0 ${full && !full.ok ? "text-[#f3b3a4]" : "text-chalk-dim"}`}>
        {full
          ? says("one-cable-takes-cables", { cable_count: full.cable_count, fill_frac: percent(full.fill_frac), limit_frac: percent(full.limit_frac) })
          : says("no-cable-known-size")}
      </p>
      <button
        type="button"
        className="text-chalk-dim underline"
        onClick={() => void fit.edit([{ op: "remove", path: `/fit/bores/${i}` }], says("no-conduit", { way }))}
      >
        {says("no-conduit-2")}
      </button>
    </div>
  );
}

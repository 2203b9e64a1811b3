/** The shell: where the heat goes and where it gets wet, surface by surface. */
import { useCallback, useState } from "react";
import type { Schemas } from "../../data/client";
import { show, unitFor } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Proposals } from "../../parts/Proposals";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/warmth";
import { useBuildUps, useOpenings, useSurface } from "./edit";
import { Hour } from "./Hour";
import { Sentence } from "./Sentence";
import { type Season, ShellPicture } from "./ShellPicture";
import { ShellSlate } from "./ShellSlate";
import { COVERS, VIEWS, wordOf } from "./words";

type Row = Schemas["SurfacePart"] & { id: string };

/** Columns’ widths: amounts of heat, areas and U-values are longer in US units. */
const WIDTHS = {
  metric: { name: "19%", build: "24%", area: "9%", u: "9%", cover: "14%", loss: "10%" },
  us: { name: "17%", build: "17%", area: "11%", u: "15%", cover: "11%", loss: "14%" },
} as const;

/** What the damp does to a surface, in words. */
export function dampWords(s: Schemas["SurfacePart"]): string {
  if (s.wet) return says("water-runs");
  if (s.inside_g_m2_day > 10) return says("wet-inside");
  if (s.mould) return says("mould-may-grow");
  return s.inside_g_m2_day > 0.5 ? says("damp-inside") : says("dry");
}

export function ShellView() {
  const { report } = useVariant();
  const { units } = usePerson();
  const say = useSaid();
  const wide = WIDTHS[units];
  const hand = useHand();
  const part = report.warmth;
  const [season, setSeason] = useState<Season>("winter");
  const [hour, setHour] = useState(6);
  const [proposing, setProposing] = useState(false);
  const openings = useOpenings();
  const surface = useSurface();
  const builds = useBuildUps();
  const rows: Row[] = Object.entries(part.surfaces).map(([id, s]) => ({ ...s, id }));
  const most = Math.max(1, ...rows.map((r) => r.heat_w));
  const nameOf = (id: string | null) => builds.items.find((b) => b.id === id)?.name;
  const add = openings.add;
  const create = useCallback(async () => {
    const id = await add({ name: says("window"), on: "left", kind: "window", width_m: 0.8, height_m: 0.45 });
    if (id) hand.pick("surface", id);
  }, [add, hand.pick]);
  useCall("bothy:new", create);
  const columns: Column<Row>[] = [
    {
      key: "name",
      label: says("surface-2"),
      width: wide.name,
      kind: "computed",
      show: (s) => (
        <span className="font-sans text-peat">
          {say(s.name)}
          {s.zone !== "living" && <span className="text-dim"> ({say(s.zone)})</span>}
        </span>
      ),
    },
    {
      key: "build",
      label: says("of-build-up"),
      width: wide.build,
      kind: "choice",
      options: [{ value: "", word: says("usual-until-said") }, ...builds.items.map((b) => ({ value: b.id, word: b.name }))],
      show: (s) =>
        s.assumed ? (
          <span className="text-heather underline decoration-dotted" title={says("assumed-until-you-say")}>
            {says("usual-2")}
          </span>
        ) : (
          (nameOf(s.build_up) ?? <span className="text-dim">{say(s.kind)}</span>)
        ),
      value: (s) => surface.of(s.id)?.build_up ?? "",
      set: (s, v) => void surface.set(s.id, s.name, { build_up: v || null }, says("of-build-up")),
    },
    { key: "area", label: says("area"), width: wide.area, align: "right", kind: "computed", show: (s) => show(s.area_m2, "m²", units) },
    {
      key: "u",
      label: `U, ${unitFor("W/(m²K)", units)}`,
      width: wide.u,
      align: "right",
      kind: "computed",
      show: (s) => <Fig bare k={`surfaces/${s.id}/u_value_w_m2k`} />,
    },
    {
      key: "cover",
      label: says("night"),
      width: wide.cover,
      kind: "computed",
      show: (s) => <span className={`font-sans ${s.cover === "none" ? "text-dim" : "text-peat"}`}>{wordOf(COVERS, s.cover)}</span>,
    },
    {
      key: "loss",
      label: says("loses-2"),
      width: wide.loss,
      align: "right",
      kind: "computed",
      show: (s) => (
        <span className="relative block">
          <span className="absolute inset-y-0 right-0 bg-rust/10" style={{ width: `${(100 * Math.max(0, s.heat_w)) / most}%` }} aria-hidden="true" />
          <span className="relative">
            <Fig k={`surfaces/${s.id}/heat_w`} />
          </span>
        </span>
      ),
    },
    {
      key: "damp",
      label: says("damp"),
      width: "15%",
      kind: "computed",
      show: (s) => (
        <span className={`font-sans ${dampWords(s) === "dry" ? "text-moss" : s.wet ? "font-semibold text-rust" : "text-peat"}`}>{say(dampWords(s))}</span>
      ),
    },
  ];
  return (
    <Bench
      title={says("heat-air")}
      sentence={<Sentence />}
      picture={<ShellPicture season={season} hour={hour} />}
      tools={
        <>
          <StageViews stage={says("heat-air")} views={VIEWS} />
          <Hour season={season} hour={hour} onSeason={setSeason} onHour={setHour} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-opening-n")}
          </button>
          <button type="button" className="btn" aria-pressed={proposing} onClick={() => setProposing(!proposing)}>
            {proposing ? says("surfaces") : says("what-bothy-suggests")}
          </button>
        </>
      }
      ledger={
        proposing ? (
          <Proposals groups={["insulation", "vents", "heater", "ducts", "cooler"]} empty={says("nothing-propose")} />
        ) : (
          <Ledger
            label={says("surfaces-2")}
            rows={rows}
            columns={columns}
            id={rowId}
            selected={hand.kind === "surface" ? hand.id : undefined}
            onSelect={(s) => hand.pick("surface", s.id)}
            mark={(s) => <ItemMark subject={`surface:${s.id}`} />}
            empty={<p>{says("no-surface-say-vehicle")}</p>}
          />
        )
      }
      slate={<ShellSlate />}
    />
  );
}

const rowId = (s: Row) => s.id;

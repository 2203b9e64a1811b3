/** Pages for paper: the circuit schedule with its diagram, and the test sheet with empty boxes for a pen. */
import { useEffect } from "react";
import { Link, useParams } from "react-router";
import { concerns } from "../data/findings";
import { show } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { VERDICTS } from "../stages/prove/edit";
import { DiagramShape, useDiagram } from "../stages/wiring/DiagramPicture";
import { says } from "../words/print";
import { GasSheets } from "./GasSheets";
import { Labels } from "./Labels";
import { LadderSheet } from "./Ladder";
import { Lists } from "./Lists";
import { OpeningsSheet } from "./OpeningsSheet";
import { Plate } from "./Plate";
import { cell, Heads } from "./paper";
import { RoofSheet } from "./RoofSheet";
import { SourceList } from "./SourceList";
import { Walls } from "./Walls";
import { WaterSheets } from "./WaterSheets";
import { WeekSheet } from "./WeekSheet";

function WholeDiagram() {
  const found = useDiagram();
  return found.data ? <DiagramShape d={found.data} /> : <p role="status">{says("drawing-diagram")}</p>;
}

function Schedule() {
  const { design, report } = useVariant();
  const { units } = usePerson();
  const say = useSaid();
  const boards = new Map((design.wiring?.boards ?? []).map((b) => [b.id, b]));
  return (
    <>
      <table className="w-full border-collapse text-[11px]">
        <Heads
          heads={[
            says("code"),
            says("circuit"),
            says("from"),
            says("appliances-2"),
            says("one-way"),
            says("current"),
            says("cable"),
            says("lost"),
            says("protection"),
            says("open-findings"),
          ]}
        />
        <tbody>
          {(design.wiring?.circuits ?? []).map((c) => {
            const p = report.wiring.circuits[c.id];
            const board = c.board ? boards.get(c.board) : undefined;
            const open = report.findings.filter((f) => concerns(f, c.id) && (f.severity === "danger" || f.severity === "fault"));
            return (
              <tr key={c.id}>
                <td className={`${cell} num font-semibold`}>{p?.code}</td>
                <td className={`${cell} break-words`}>{c.name}</td>
                <td className={cell}>{board ? `${board.letter} ${board.name}` : says("busbar")}</td>
                <td className={cell}>{p?.appliance_names.join(", ")}</td>
                <td className={`${cell} num text-right`}>
                  {show(p?.length_m, "m", units)}
                  {p?.length_assumed && says("assumed")}
                </td>
                <td className={`${cell} num text-right`}>{show(p?.current_a, "A")}</td>
                <td className={`${cell} num text-right`}>{p?.size_text || says("not-sized")}</td>
                <td className={`${cell} num text-right`}>{show(c.kind === "load" ? (p?.path_drop_v ?? p?.drop_v) : p?.drop_v, "V", "metric", 2)}</td>
                <td className={`${cell} num text-right`}>{c.fuse_a != null ? `${c.protection} ${show(c.fuse_a, "A")}` : says("none")}</td>
                <td className={cell}>{open.map((f) => say(f.title, f.stage)).join("; ")}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="mt-4 break-inside-avoid">
        <WholeDiagram />
      </div>
    </>
  );
}

function Sheet() {
  const { design, report } = useVariant();
  const say = useSaid();
  const readings = new Map((design.facts?.readings ?? []).map((r) => [r.circuit, r]));
  return (
    <table className="w-full border-collapse text-[11px]">
      <Heads
        heads={[
          says("code"),
          says("circuit-what-do"),
          says("amps-expected"),
          says("amps-read"),
          says("volts-bank"),
          says("volts-expected-load"),
          says("volts-read"),
          says("verdict"),
          says("when"),
        ]}
      />
      <tbody>
        {report.prove.rows.map((r) => {
          const read = readings.get(r.circuit);
          return (
            <tr key={r.circuit} className="h-9">
              <td className={`${cell} num font-semibold`}>{r.code}</td>
              <td className={cell}>
                <strong>{r.name}</strong>
                <div className="text-[10px]">{r.missing ? say(says("not-yet", { missing: r.missing })) : say(r.how, "wiring")}</div>
              </td>
              <td className={`${cell} num`}>{r.low_a != null ? says("to-2", { low_a: show(r.low_a), high_a: show(r.high_a, "A") }) : ""}</td>
              <td className={`${cell} num w-16`}>{read?.current_a != null && show(read.current_a, "A")}</td>
              <td className={`${cell} num w-16`}>{read?.source_voltage_v != null && show(read.source_voltage_v, "V", "metric", 4)}</td>
              <td className={`${cell} num`}>
                {r.low_v != null ? says("to-3", { low_v: show(r.low_v, "", "metric", 4), high_v: show(r.high_v, "V", "metric", 4) }) : ""}
              </td>
              <td className={`${cell} num w-16`}>{read?.load_voltage_v != null && show(read.load_voltage_v, "V", "metric", 4)}</td>
              <td className={cell}>{r.verdict ? VERDICTS[r.verdict] : ""}</td>
              <td className={`${cell} w-24`}>{read ? `${read.taken_by ?? ""} ${read.taken_at ?? ""}` : ""}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const PAGES: Record<string, { title: string; stage: string; Body: () => React.ReactNode }> = {
  schedule: { title: says("circuit-schedule"), stage: "wiring", Body: Schedule },
  ladder: { title: says("commissioning"), stage: "prove", Body: LadderSheet },
  sheet: { title: says("test-sheet"), stage: "prove", Body: Sheet },
  lists: { title: says("lists-bench"), stage: "wiring", Body: Lists },
  panel: { title: says("switch-panel"), stage: "wiring", Body: Plate },
  labels: { title: says("label-sheet"), stage: "wiring", Body: Labels },
  water: { title: says("water-sheets"), stage: "water?view=care", Body: WaterSheets },
  sources: { title: says("sources"), stage: "worklist", Body: SourceList },
  roof: { title: says("roof-plan"), stage: "fit?view=roof", Body: RoofSheet },
  openings: { title: says("openings-sides-floor"), stage: "fit?view=sides", Body: OpeningsSheet },
  week: { title: says("week"), stage: "build?view=weeks", Body: WeekSheet },
  walls: { title: says("behind-each-wall"), stage: "fit?view=wall", Body: Walls },
  gas: { title: says("gas-sheets"), stage: "gas?view=papers", Body: GasSheets },
};

export function Component() {
  const say = useSaid();
  const { what } = useParams();
  const v = useVariant();
  const page = PAGES[what ?? ""] ?? PAGES.schedule!;
  const { title, stage, Body } = page;
  useEffect(() => {
    document.title = `${v.projectName} ${title}`;
    return () => {
      document.title = "Bothy";
    };
  }, [v.projectName, title]);
  return (
    <main className="h-full overflow-y-auto bg-white p-6 text-black print-flow" aria-label={title}>
      <div className="no-print mb-3 flex gap-2">
        <button type="button" className="btn btn-main" onClick={() => window.print()}>
          {says("print")}
        </button>
        <Link className="btn no-underline" to={`/v/${v.id}/${stage}`}>
          {says("back")}
        </Link>
      </div>
      <h1 className="m-0 font-display text-xl font-semibold">
        {v.projectName} / {v.name}: {title.toLowerCase()}
      </h1>
      <p className="mb-2 mt-0 text-[11px]">
        {says("revision-v-values-typical", {
          revision: v.revision,
          system_voltage_v: v.report.system_voltage_v,
          region_name: v.report.region_name,
          licensed: say(v.report.licensed),
        })}
      </p>
      <Body />
    </main>
  );
}

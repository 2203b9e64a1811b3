/** Stage 5, Wiring: which cable, which fuse, which way. */
import { useCallback, useState } from "react";
import type { Circuit } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Exports } from "../../parts/Exports";
import { Fig } from "../../parts/Fig";
import { ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Proposals } from "../../parts/Proposals";
import { FuseStrip } from "../../pictures/FuseWindow";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { BringInCircuits } from "./BringInCircuits";
import { DiagramPicture } from "./DiagramPicture";
import { sizeFields, useWiringEdits } from "./edit";
import { OtherCables } from "./OtherCables";
import { PanelPicture } from "./PanelPicture";
import { RacewayLedger } from "./Raceways";
import { useRaceways, useZones } from "./routes";
import { WiringSlate } from "./WiringSlate";
import { PROTECTIONS } from "./words";
import { ZoneLedger } from "./Zones";

const LISTS = { circuit: says("circuits-3"), raceway: says("raceways"), zone: says("lighting") } as const;
type List = keyof typeof LISTS;
const NEW: Record<List, string> = { circuit: says("add-circuit-n"), raceway: says("add-raceway-n"), zone: says("add-zone-n") };
const TAKE_AWAY = [
  { word: says("diagram-pdf"), pdf: "diagram" },
  { word: says("diagram-svg"), file: "diagram.svg" },
  { word: says("circuit-schedule-pdf"), pdf: "circuits" },
  { word: says("circuit-schedule-csv"), file: "circuits.csv" },
  { word: says("circuit-schedule-xlsx"), file: "circuits.xlsx" },
  { word: says("label-sheet-pdf"), pdf: "labels" },
  { word: says("lists-bench-pdf"), pdf: "lists" },
  { word: says("lists-bench-xlsx"), file: "lists.xlsx" },
  { word: says("print-schedule"), page: "schedule" },
  { word: says("print-labels"), page: "labels" },
  { word: says("print-lists"), page: "lists" },
];

export function Component() {
  const say = useSaid();
  const { report, design } = useVariant();
  const { units } = usePerson();
  const { circuits, boards, set, remove, duplicate, move, add, addBoard } = useWiringEdits();
  const hand = useHand();
  const [fresh, setFresh] = useState<string | null>(null);
  const part = (c: Circuit) => report.wiring.circuits[c.id];

  const raceways = useRaceways();
  const zones = useZones();
  const [bringing, setBringing] = useState<string | null>(null);
  const [chosen, setList] = useState<List>("circuit");
  const list: List = hand.kind in LISTS ? (hand.kind as List) : chosen;
  const turnTo = (kind: List) => {
    setList(kind);
    if (hand.kind in LISTS && hand.kind !== kind) hand.drop();
  };
  const create = useCallback(async () => {
    const made = await { circuit: add, raceway: raceways.add, zone: zones.add }[list]();
    if (made) {
      setFresh(made);
      hand.pick(list, made);
    }
  }, [add, raceways.add, zones.add, list, hand.pick]);
  useCall("bothy:new", create);

  const rowId = useCallback((c: Circuit) => c.id, []);
  const assumedLength = (c: Circuit) => (
    <span className="text-heather underline decoration-dotted" title={says("assumed-until-measured-along")}>
      {show(part(c)?.length_m, "m", units)}
    </span>
  );
  const columns: Column<Circuit>[] = [
    { key: "code", label: says("code"), width: "5%", kind: "computed", show: (c) => part(c)?.code ?? "" },
    {
      key: "name",
      label: says("circuit-2"),
      width: "18%",
      kind: "text",
      show: (c) => c.name,
      title: (c) => c.name,
      value: (c) => c.name,
      set: (c, name) => void set(c, { name }, says("name")),
    },
    {
      key: "board",
      label: says("from"),
      width: "8%",
      kind: "choice",
      options: [{ value: "", word: says("busbar-2") }, ...boards.map((b) => ({ value: b.id, word: `${b.letter} ${b.name}` }))],
      show: (c) => {
        const letter = boards.find((b) => b.id === c.board)?.letter ?? "busbar";
        return c.kind === "feeder" ? `→ ${letter}` : letter;
      },
      value: (c) => c.board ?? "",
      set: (c, v) => void set(c, { board: v || null }, says("board")),
    },
    { key: "current", label: says("current"), width: "9%", align: "right", kind: "computed", show: (c) => <Fig k={`circuits/${c.id}/current_a`} /> },
    {
      key: "length",
      label: says("one-way"),
      width: "9%",
      align: "right",
      kind: "quantity",
      show: (c) => (c.length_m == null ? assumedLength(c) : show(c.length_m, "m", units)),
      value: (c) => c.length_m,
      dimension: "length",
      unit: "m",
      clearable: true,
      set: (c, q) => void set(c, { length_m: q?.value ?? null }, says("length")),
    },
    {
      key: "size",
      label: says("cable"),
      width: "10%",
      align: "right",
      kind: "quantity",
      show: (c) =>
        part(c)?.size_text ? (
          `${(c.parallel_count ?? 1) > 1 ? `${c.parallel_count} × ` : ""}${part(c)?.size_text}`
        ) : (
          <span className="text-dim">{says("not-sized")}</span>
        ),
      value: (c) => c.area_mm2,
      text: (c) => part(c)?.size_text ?? "",
      dimension: "area",
      unit: "mm²",
      clearable: true,
      set: (c, q) => void set(c, sizeFields(q), says("size")),
    },
    {
      key: "drop",
      label: says("lost"),
      width: "8%",
      align: "right",
      kind: "computed",
      show: (c) => (
        <span className={part(c)?.drop_ok === false ? "font-semibold text-rust" : ""}>
          <Fig k={`circuits/${c.id}/${c.kind === "load" && part(c)?.path_drop_v != null ? "path_drop_v" : "drop_v"}`} digits={2} />
        </span>
      ),
    },
    {
      key: "protection",
      label: says("by"),
      width: "9%",
      kind: "choice",
      options: PROTECTIONS,
      show: (c) => c.protection,
      value: (c) => c.protection ?? "fuse",
      set: (c, v) => void set(c, { protection: v, ...(v === "none" ? { fuse_a: null } : {}) }, says("protection")),
    },
    {
      key: "fuse",
      label: says("rating"),
      width: "9%",
      align: "right",
      kind: "quantity",
      show: (c) => (c.fuse_a == null ? <span className="text-dim">{says("none-2")}</span> : show(c.fuse_a, "A")),
      value: (c) => c.fuse_a,
      dimension: "current",
      unit: "A",
      clearable: true,
      set: (c, q) => void set(c, { fuse_a: q?.value ?? null }, says("rating")),
    },
    { key: "window", label: says("load-fuse-cable"), width: "14%", kind: "computed", show: (c) => (part(c) ? <FuseStrip part={part(c)!} /> : null) },
  ];
  const proposals = (
    <Proposals
      groups={list === "zone" ? ["lighting"] : ["circuits", "panel"]}
      empty={list === "zone" ? says("nothing-propose-zones-stand") : says("nothing-propose-until-daily")}
    />
  );
  const onPlate = hand.kind === "panel" && report.wiring.panel != null;
  const unsized = circuits.filter((c) => c.area_mm2 == null && c.awg == null).length;
  const guessed = circuits.filter((c) => c.length_m == null).length;
  return (
    <Bench
      title={says("wiring")}
      sentence={
        circuits.length ? (
          <>
            {says("v-circuits-board-boards", {
              system_voltage_v: report.system_voltage_v,
              circuits_count: circuits.length,
              boards_count: boards.length,
              is_awg: report.wire_series === "awg",
            })}
            {unsized > 0 && (
              <>
                , <strong>{says("not-sized-yet", { unsized })}</strong>
              </>
            )}
            {guessed > 0 && (
              <>
                , <span className="text-heather">{says("lengths-assumed-until-they", { guessed })}</span>
              </>
            )}
            {says("fuse-protects-cable-cable")}
          </>
        ) : (
          says("no-circuit-yet-take")
        )
      }
      picture={circuits.length ? onPlate ? <PanelPicture /> : <DiagramPicture /> : undefined}
      tools={
        <>
          <span className="flex" role="group" aria-label={says("ledger")}>
            {(Object.keys(LISTS) as List[]).map((k) => (
              <button
                key={k}
                type="button"
                className={`btn px-2 ${k === list ? "!border-gorse font-semibold" : ""}`}
                aria-pressed={k === list}
                onClick={() => turnTo(k)}
              >
                {LISTS[k]}
              </button>
            ))}
          </span>
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {NEW[list]}
          </button>
          <button
            type="button"
            className="btn"
            onClick={async () => {
              const made = await addBoard();
              if (made) hand.pick("board", made);
            }}
          >
            {says("add-board")}
          </button>
          <button
            type="button"
            className={`btn ${hand.kind === "panel" ? "!border-gorse" : ""}`}
            aria-pressed={onPlate}
            onClick={() => (hand.kind === "panel" ? hand.drop() : hand.pick("panel", "plate"))}
          >
            {says("switch-panel-2")}
          </button>
          {boards.map((b) => (
            <button key={b.id} type="button" className={`btn px-2 ${hand.id === b.id ? "!border-gorse" : ""}`} onClick={() => hand.pick("board", b.id)}>
              {b.letter} {b.name} <ItemMark subject={b.id} />
            </button>
          ))}
          <span className="ml-auto flex flex-wrap gap-1.5">
            <button type="button" className="btn" onClick={() => setBringing("")}>
              {says("paste-import")}
            </button>
            <Exports items={TAKE_AWAY} />
          </span>
        </>
      }
      ledger={
        bringing !== null ? (
          <BringInCircuits first={bringing} onClose={() => setBringing(null)} />
        ) : list === "raceway" ? (
          <RacewayLedger fresh={fresh} onFresh={setFresh} empty={say(says("no-raceway-yet-add"), "wiring")} />
        ) : list === "zone" ? (
          <>
            <ZoneLedger fresh={fresh} onFresh={setFresh} empty={says("no-lighting-zone-yet")} />
            {proposals}
          </>
        ) : (
          <>
            {!circuits.length && proposals}
            <Ledger
              label={says("circuits-3")}
              rows={circuits}
              columns={columns}
              id={rowId}
              selected={hand.kind === "circuit" ? hand.id : undefined}
              onSelect={(c) => hand.pick("circuit", c.id)}
              onAdd={() => void create()}
              onRemove={(c) => void remove(c)}
              onDuplicate={(c) => setFresh(duplicate(c))}
              onMove={(c, by) => void move(c, by)}
              onPaste={setBringing}
              mark={(c) => <ItemMark subject={c.id} />}
              focusNew={fresh}
              empty={design.life?.appliances?.length ? null : says("say-daily-use-what")}
            />
            <OtherCables />
            {circuits.length > 0 && proposals}
          </>
        )
      }
      slate={<WiringSlate />}
    />
  );
}

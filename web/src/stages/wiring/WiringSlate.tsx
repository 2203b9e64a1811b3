/** The slate of Wiring: the circuit or board in hand, or the stage's findings. */
import type { Board, Circuit } from "../../data/client";
import { concerns } from "../../data/findings";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty, TextProperty } from "../../parts/Property";
import { Quantity } from "../../parts/Quantity";
import { FuseWindow } from "../../pictures/FuseWindow";
import { useHand } from "../../shell/hand";
import { usePerson } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { sizeFields, useWiringEdits } from "./edit";
import { MainsSide } from "./MainsSide";
import { PanelSlate } from "./PanelSlate";
import { WhatIf } from "./WhatIf";
import { BREAKER_MARKS, BUS_LAYOUTS, DROP_CLASSES, FAMILIES, INSTALLATIONS, INSULATIONS, KIND_WORDS, NEGATIVES, PROTECTIONS } from "./words";

function OnIt({ c }: { c: Circuit }) {
  const { design } = useVariant();
  const { circuits, set, put } = useWiringEdits();
  const all = design.life?.appliances ?? [];
  const on = c.appliances ?? [];
  const where = new Map(circuits.flatMap((x) => (x.appliances ?? []).map((a) => [a, x.name] as const)));
  return (
    <section aria-label="On this circuit">
      <h3 className="mb-1 mt-3 font-display text-[14px]">On this circuit</h3>
      <ul className="m-0 list-none p-0">
        {on.map((id) => (
          <li key={id} className="flex justify-between gap-2 py-0.5">
            <span className="truncate">{all.find((a) => a.id === id)?.name ?? id}</span>
            <button
              type="button"
              className="text-[12px] text-chalk-dim underline"
              onClick={() => void set(c, { appliances: on.filter((x) => x !== id) }, "took an appliance off")}
            >
              take off
            </button>
          </li>
        ))}
      </ul>
      <select
        className="field-slate w-full"
        aria-label="Put an appliance on this circuit"
        value=""
        onChange={(e) => e.target.value && void put(c, e.target.value)}
      >
        <option value="">put an appliance on it…</option>
        {all
          .filter((a) => !on.includes(a.id) && (c.kind === "ac") === (a.supply === "ac"))
          .map((a) => (
            <option key={a.id} value={a.id}>
              {a.name} {where.has(a.id) ? `(now on ${where.get(a.id)})` : "(on none)"}
            </option>
          ))}
      </select>
    </section>
  );
}

function CircuitSlate({ c }: { c: Circuit }) {
  const { report } = useVariant();
  const { units } = usePerson();
  const { boards, set, fitBest, remove } = useWiringEdits();
  const p = report.wiring.circuits[c.id];
  if (!p) return <Slate title={c.name}>Working it out…</Slate>;
  const size = p.best_awg ? `${p.best_awg} AWG` : p.best_area_mm2 != null ? `${p.best_area_mm2} mm²` : null;
  const best = size && p.best_parallel > 1 ? `${p.best_parallel} × ${size}` : size;
  const offered = report.findings.some((f) => concerns(f, c.id) && f.fix);
  const asBest = (c.awg ?? null) === (p.best_awg ?? null) && (c.area_mm2 ?? null) === (p.best_area_mm2 ?? null) && c.fuse_a === p.best_fuse_a;
  return (
    <Slate title={`${p.code} ${c.name}`} sub={KIND_WORDS[c.kind ?? "load"]}>
      <FindingList findings={report.findings.filter((f) => concerns(f, c.id))} />
      <FuseWindow part={p} onPick={(r) => void set(c, { fuse_a: r, ...(c.protection === "none" ? { protection: "fuse" } : {}) }, `${r} A`)} />
      {best && !asBest && !offered && (
        <button type="button" className="btn btn-main my-1" onClick={() => fitBest(c)}>
          Fit {best}
          {p.best_fuse_a != null && ` and ${p.best_fuse_a} A`}
        </button>
      )}
      {p.problem && <p className="my-1 text-[#f0c445]">{p.problem}</p>}
      {p.drop_v != null && (
        <HeadroomBar
          label={c.kind === "load" ? "voltage lost from bank to appliance" : "voltage lost on this cable"}
          need={c.kind === "load" ? (p.path_drop_v ?? p.drop_v) : p.drop_v}
          have={p.limit_v}
          unit="V"
          margin={0}
        />
      )}
      <WhatIf key={c.id} c={c} />
      {[
        "current_a",
        "ampacity_a",
        "resistance_mohm",
        "drop_v",
        "drop_frac",
        "before_v",
        "path_drop_v",
        "path_drop_frac",
        "worst_v",
        "typical_v",
        "heat_w",
        "fault_a",
        "far_fault_a",
        "window_low_a",
        "window_high_a",
        "best_area_mm2",
      ].map((k) => (
        <SlateFig key={k} k={`circuits/${c.id}/${k}`} />
      ))}
      <h3 className="mb-1 mt-3 font-display text-[14px]">Cable and protection</h3>
      <TextProperty label="name" value={c.name} maxLength={120} onSet={(name) => name.trim() && void set(c, { name: name.trim() }, "name")} />
      <ChoiceProperty
        label="fed from"
        value={c.board ?? ""}
        options={[{ value: "", word: "the busbar" }, ...boards.map((b) => ({ value: b.id, word: `${b.letter} ${b.name}` }))]}
        onSet={(v) => void set(c, { board: v || null }, "board")}
      />
      <QuantityProperty
        label="length, one way"
        note={c.length_m == null ? `assumed ${show(p.length_m, "m", units)} until it is measured` : "along the route"}
        value={c.length_m}
        dimension="length"
        unit="m"
        clearable
        placeholder={show(p.length_m, "m", units)}
        onSet={(v) => void set(c, { length_m: v }, "length")}
      />
      <Property label="size">
        <Quantity
          slate
          className="w-full"
          label="size"
          value={c.area_mm2}
          text={p.size_text}
          dimension="area"
          unit={report.wire_series === "awg" ? "awg" : "mm²"}
          clearable
          placeholder="e.g. 6 mm² or 10 AWG"
          onCommit={(q) => void set(c, sizeFields(q), "size")}
        />
      </Property>
      <QuantityProperty
        label="equal cables in parallel"
        value={c.parallel_count}
        dimension="count"
        unit=""
        onSet={(v) => void set(c, { parallel_count: Math.round(v ?? 1) }, "cables in parallel")}
      />
      <ChoiceProperty
        label="protection"
        value={c.protection ?? "fuse"}
        options={PROTECTIONS}
        onSet={(v) => void set(c, { protection: v, ...(v === "none" ? { fuse_a: null } : {}) }, "protection")}
      />
      <QuantityProperty label="rating" value={c.fuse_a} dimension="current" unit="A" clearable onSet={(v) => void set(c, { fuse_a: v }, "rating")} />
      <ChoiceProperty
        label="fuse family"
        value={c.fuse_family ?? ""}
        options={FAMILIES}
        onSet={(v) => void set(c, { fuse_family: v || null }, "fuse family")}
      />
      {c.protection === "breaker" && c.kind !== "ac" && (
        <ChoiceProperty
          label="breaker marked"
          value={c.breaker_mark ?? "dc"}
          options={BREAKER_MARKS}
          onSet={(v) => void set(c, { breaker_mark: v }, "breaker")}
        />
      )}
      <QuantityProperty
        label="from its source to the fuse"
        note="along the cable; 0.175 m at most"
        value={c.fuse_distance_m}
        dimension="length"
        unit="m"
        clearable
        placeholder="within 0.175 m"
        onSet={(v) => void set(c, { fuse_distance_m: v }, "place of the fuse")}
      />
      <FlagProperty
        label="that piece is in its own sheath"
        note="then 1 m at most"
        value={c.sheathed ?? false}
        onSet={(on) => void set(c, { sheathed: on }, "sheath")}
      />
      <QuantityProperty
        label="holder rated"
        value={c.holder_rating_a}
        dimension="current"
        unit="A"
        clearable
        placeholder="for its fuse"
        onSet={(v) => void set(c, { holder_rating_a: v }, "holder")}
      />
      {(c.kind === "driving" || c.kind === "driving_in") && (
        <QuantityProperty
          label="fuse at the other end"
          note="where both ends are batteries"
          value={c.far_fuse_a}
          dimension="current"
          unit="A"
          clearable
          onSet={(v) => void set(c, { far_fuse_a: v }, "fuse at the other end")}
        />
      )}
      {c.kind !== "ac" && (
        <ChoiceProperty
          label="its negative lands on"
          value={c.negative_at ?? "busbar"}
          options={NEGATIVES}
          onSet={(v) => void set(c, { negative_at: v }, "negative")}
        />
      )}
      <ChoiceProperty
        label="drop class"
        value={c.drop_class ?? ""}
        options={[{ value: "", word: `${p.drop_class.replace("_", "-")}, by what is on it` }, ...DROP_CLASSES]}
        onSet={(v) => void set(c, { drop_class: v || null }, "drop class")}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Its route</h3>
      <ChoiceProperty
        label="insulation"
        value={String(c.insulation_temp_c ?? 90)}
        options={INSULATIONS}
        onSet={(v) => void set(c, { insulation_temp_c: Number(v) }, "insulation")}
      />
      <ChoiceProperty label="laid" value={c.installation ?? "conduit"} options={INSTALLATIONS} onSet={(v) => void set(c, { installation: v }, "route")} />
      <QuantityProperty
        label="loaded circuits in the bundle"
        value={c.bundled_count}
        dimension="count"
        unit=""
        onSet={(v) => void set(c, { bundled_count: Math.round(v ?? 1) }, "bundle")}
      />
      <QuantityProperty
        label="wholly inside insulation"
        value={(c.covered_length_mm ?? 0) / 1000}
        dimension="length"
        unit="m"
        onSet={(v) => void set(c, { covered_length_mm: (v ?? 0) * 1000 }, "covered length")}
      />
      <FlagProperty label="passes the engine space" value={c.engine_space ?? false} onSet={(on) => void set(c, { engine_space: on }, "engine space")} />
      <FlagProperty label="tinned strands" note="for boats and wet bays" value={c.tinned ?? false} onSet={(on) => void set(c, { tinned: on }, "tinned")} />
      <FlagProperty
        label="returns through the chassis"
        value={c.return_path === "chassis"}
        onSet={(on) => void set(c, { return_path: on ? "chassis" : "cable" }, "return")}
      />
      {(c.kind === "load" || c.kind === "ac") && <OnIt c={c} />}
      <TextProperty label="note" area value={c.note ?? ""} onSet={(note) => void set(c, { note }, "note")} />
      <button type="button" className="btn btn-slate mt-2" onClick={() => void remove(c)}>
        Remove this circuit
      </button>
    </Slate>
  );
}

function BoardSlate({ b }: { b: Board }) {
  const { report } = useVariant();
  const { circuits, boards, setBoard, removeBoard, addFeed } = useWiringEdits();
  const on = circuits.filter((c) => c.board === b.id && c.kind !== "feeder");
  const fed = circuits.find((c) => c.board === b.id && c.kind === "feeder");
  const hand = useHand();
  const node = `network/board:${b.id}`;
  return (
    <Slate title={`${b.letter} ${b.name}`} sub={`${on.length} of ${b.way_count} ways, ${b.side === "ac" ? "mains: licensed work" : "direct current"}`}>
      <FindingList findings={report.findings.filter((f) => f.subject === b.id || (b.side === "ac" && f.subject === "mains"))} />
      {b.side === "ac" && <MainsSide />}
      <SlateFig k={`boards/${b.id}/current_a`} />
      <SlateFig k={`${node}/worst_v`} label="Voltage here, worst moment" />
      <SlateFig k={`${node}/typical_v`} label="Voltage here, usual moment" />
      <SlateFig k={`${node}/fault_a`} />
      {b.side !== "ac" && (
        <>
          <ChoiceProperty
            label="fed from"
            value={b.fed_from ?? ""}
            options={[
              { value: "", word: "the busbar" },
              ...boards.filter((x) => x.id !== b.id && x.side !== "ac").map((x) => ({ value: x.id, word: `${x.letter} ${x.name}` })),
            ]}
            onSet={(v) => void setBoard(b, { fed_from: v || null }, "fed from")}
          />
          {fed ? (
            <button type="button" className="btn btn-slate my-1" onClick={() => hand.pick("circuit", fed.id)}>
              Its feeder: {report.wiring.circuits[fed.id]?.code} {fed.name}
            </button>
          ) : (
            <button
              type="button"
              className="btn btn-main my-1"
              onClick={async () => {
                const made = await addFeed(b);
                if (made) hand.pick("circuit", made);
              }}
            >
              Add its feeder
            </button>
          )}
        </>
      )}
      <TextProperty label="name" value={b.name} maxLength={120} onSet={(name) => name.trim() && void setBoard(b, { name: name.trim() }, "name")} />
      <TextProperty label="letter" value={b.letter ?? "A"} maxLength={1} onSet={(letter) => void setBoard(b, { letter: letter.toUpperCase() }, "letter")} />
      <QuantityProperty
        label="ways"
        value={b.way_count}
        dimension="count"
        unit=""
        onSet={(v) => void setBoard(b, { way_count: Math.round(v ?? 12) }, "ways")}
      />
      <QuantityProperty
        label="rating of a way"
        value={b.way_rating_a}
        dimension="current"
        unit="A"
        onSet={(v) => void setBoard(b, { way_rating_a: v ?? 30 }, "way rating")}
      />
      <QuantityProperty
        label="rating of the whole"
        value={b.total_rating_a}
        dimension="current"
        unit="A"
        onSet={(v) => void setBoard(b, { total_rating_a: v ?? 100 }, "rating")}
      />
      <ChoiceProperty
        label="side"
        value={b.side ?? "dc"}
        options={[
          { value: "dc", word: "direct current" },
          { value: "ac", word: "mains" },
        ]}
        onSet={(v) => void setBoard(b, { side: v }, "side")}
      />
      <button type="button" className="btn btn-slate mt-2" onClick={() => void removeBoard(b)}>
        Remove this board
      </button>
    </Slate>
  );
}

/** How the busbars and the negative side are made. */
function Network() {
  const { report, design, edit } = useVariant();
  const w = design.wiring;
  const set = (key: string, value: unknown, what: string) => void edit([{ op: "replace", path: `/wiring/${key}`, value }], what);
  const net = report.wiring.network;
  return (
    <section aria-label="The network">
      <h3 className="mb-1 mt-3 font-display text-[14px]">The network</h3>
      <p className="my-1 text-[12px] text-chalk-dim">
        Worst moment: the bank at {show(net.low_v, "V")}, all that can coincide on, the inverter at full load, chargers off, copper at 60 °C. Cables alone.
      </p>
      <SlateFig k="network/busbar/worst_v" label="Busbar, worst moment" />
      <SlateFig k="network/busbar/typical_v" label="Busbar, usual moment" />
      <SlateFig k="network/loss_w" />
      <SlateFig k="network/bank/fault_a" label="Dead short at the bank" />
      <SlateFig k="network/busbar/fault_a" label="Dead short at the busbar" />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Busbars and negative side</h3>
      <ChoiceProperty label="busbars" value={w?.bus_layout ?? ""} options={BUS_LAYOUTS} onSet={(v) => set("bus_layout", v || null, "layout of the busbars")} />
      <FlagProperty
        label="a shunt on the bank's negative"
        note="the monitor counts what passes it"
        value={w?.shunt ?? true}
        onSet={(on) => set("shunt", on, "shunt")}
      />
      {(design.power?.bank?.parallel_count ?? 1) > 1 && (
        <FlagProperty
          label="a high-interrupt fuse on each battery"
          value={w?.battery_fuses ?? false}
          onSet={(on) => set("battery_fuses", on, "battery fuses")}
        />
      )}
      <QuantityProperty
        label="bonds to the chassis"
        note="one, on the load side of the shunt"
        value={w?.chassis_bond_count ?? 1}
        dimension="count"
        unit=""
        onSet={(v) => set("chassis_bond_count", Math.round(v ?? 1), "chassis bonds")}
      />
      <QuantityProperty
        label="size of the bond"
        note="half the main, 16 mm² or more"
        value={w?.chassis_bond_mm2}
        dimension="area"
        unit="mm²"
        clearable
        onSet={(v) => set("chassis_bond_mm2", v, "size of the chassis bond")}
      />
    </section>
  );
}

export function WiringSlate() {
  const { report } = useVariant();
  const { circuits, boards } = useWiringEdits();
  const hand = useHand();
  const c = hand.kind === "circuit" ? circuits.find((x) => x.id === hand.id) : undefined;
  if (c) return <CircuitSlate c={c} />;
  if (hand.kind === "panel") return <PanelSlate />;
  const b = hand.kind === "board" ? boards.find((x) => x.id === hand.id) : undefined;
  if (b) return <BoardSlate b={b} />;
  return (
    <Slate title="Wiring" sub={`${circuits.length} circuits, ${boards.length} boards`}>
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        Fuse first, at the source: no cable is connected to the bank before its fuse holder is in and empty. {report.licensed}
      </p>
      <FindingList
        findings={report.findings.filter((f) => f.stage === "wiring")}
        empty={circuits.length ? "No finding: every circuit has its cable and its fuse." : "No circuit yet, so nothing to find."}
      />
      {circuits.length > 0 && <Network />}
      <MainsSide />
    </Slate>
  );
}

/** The slate of one circuit: its window, its figures, what if, cable, protection, route, and what is on it. */
import type { Circuit } from "../../data/client";
import { concerns } from "../../data/findings";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty, TextProperty } from "../../parts/Property";
import { Quantity } from "../../parts/Quantity";
import { FuseWindow } from "../../pictures/FuseWindow";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/wiring";
import { sizeFields, useWiringEdits } from "./edit";
import { Route } from "./Route";
import { WhatIf } from "./WhatIf";
import { BREAKER_MARKS, DROP_CLASSES, FAMILIES, KIND_WORDS, NEGATIVES, PROTECTIONS } from "./words";

function OnIt({ c }: { c: Circuit }) {
  const { design } = useVariant();
  const { circuits, set, put } = useWiringEdits();
  const all = design.life?.appliances ?? [];
  const on = c.appliances ?? [];
  const where = new Map(circuits.flatMap((x) => (x.appliances ?? []).map((a) => [a, x.name] as const)));
  return (
    <section aria-label={says("circuit")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("circuit")}</h3>
      <ul className="m-0 list-none p-0">
        {on.map((id) => (
          <li key={id} className="flex justify-between gap-2 py-0.5">
            <span className="truncate">{all.find((a) => a.id === id)?.name ?? id}</span>
            <button
              type="button"
              className="text-[12px] text-chalk-dim underline"
              onClick={() => void set(c, { appliances: on.filter((x) => x !== id) }, says("took-appliance-off"))}
            >
              {says("take-off")}
            </button>
          </li>
        ))}
      </ul>
      <select
        className="field-slate w-full"
        aria-label={says("put-appliance-circuit")}
        value=""
        onChange={(e) => e.target.value && void put(c, e.target.value)}
      >
        <option value="">{says("put-appliance")}</option>
        {all
          .filter((a) => !on.includes(a.id) && (c.kind === "ac") === (a.supply === "ac"))
          .map((a) => (
            <option key={a.id} value={a.id}>
              {a.name} {where.has(a.id) ? says("now", { id: where.get(a.id) ?? "" }) : says("none")}
            </option>
          ))}
      </select>
    </section>
  );
}

export function CircuitSlate({ c }: { c: Circuit }) {
  const say = useSaid();
  const { report, design } = useVariant();
  const owned = (design.power?.arrays ?? []).filter((a) => a.controller || a.id === c.array);
  const { units } = usePerson();
  const { boards, set, fitBest, remove } = useWiringEdits();
  const p = report.wiring.circuits[c.id];
  if (!p) return <Slate title={c.name}>{says("working-out")}</Slate>;
  const size = p.best_awg ? `${p.best_awg} AWG` : p.best_area_mm2 != null ? say(`${p.best_area_mm2} mm²`, "wiring") : null;
  const best = size && p.best_parallel > 1 ? `${p.best_parallel} × ${size}` : size;
  const offered = report.findings.some((f) => concerns(f, c.id) && f.fix);
  const asBest = (c.awg ?? null) === (p.best_awg ?? null) && (c.area_mm2 ?? null) === (p.best_area_mm2 ?? null) && c.fuse_a === p.best_fuse_a;
  return (
    <Slate title={`${p.code} ${c.name}`} sub={KIND_WORDS[c.kind ?? "load"]}>
      <FindingList findings={report.findings.filter((f) => concerns(f, c.id))} />
      <FuseWindow part={p} onPick={(r) => void set(c, { fuse_a: r, ...(c.protection === "none" ? { protection: "fuse" } : {}) }, `${r} A`)} />
      {best && !asBest && !offered && (
        <button type="button" className="btn btn-main my-1" onClick={() => fitBest(c)}>
          {says("fit", { best, has_best_fuse_a: p.best_fuse_a != null, best_fuse_a: p.best_fuse_a ?? "" })}
        </button>
      )}
      {p.problem && <p className="my-1 text-[#f0c445]">{p.problem}</p>}
      {p.drop_v != null && (
        <HeadroomBar
          label={c.kind === "load" ? says("voltage-lost-busbar-appliance") : says("voltage-lost-cable")}
          need={c.kind === "load" ? (p.path_drop_v ?? p.drop_v) : p.drop_v}
          have={p.limit_v}
          unit="V"
          margin={0}
        />
      )}
      <WhatIf key={c.id} c={c} />
      {(
        [
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
        ] as const
      ).map((k) => (
        <SlateFig key={k} k={`circuits/${c.id}/${k}`} />
      ))}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("cable-protection")}</h3>
      <TextProperty label={says("name")} value={c.name} maxLength={120} onSet={(name) => name.trim() && void set(c, { name: name.trim() }, says("name"))} />
      <ChoiceProperty
        label={says("fed")}
        value={c.board ?? ""}
        options={[{ value: "", word: says("busbar") }, ...boards.map((b) => ({ value: b.id, word: `${b.letter} ${b.name}` }))]}
        onSet={(v) => void set(c, { board: v || null }, says("board"))}
      />
      {c.kind === "solar" && (owned.length > 0 || c.array) && (
        <ChoiceProperty
          label={says("leads-controller")}
          value={c.array ?? ""}
          options={[{ value: "", word: says("panels-share-one") }, ...owned.map((a) => ({ value: a.id, word: a.name ?? a.id }))]}
          onSet={(v) => void set(c, { array: v || null }, says("controller"))}
        />
      )}
      <QuantityProperty
        label={says("length-one-way")}
        note={c.length_m == null ? says("assumed-until-measured", { length_m: show(p.length_m, "m", units) }) : says("along-route")}
        value={c.length_m}
        dimension="length"
        unit="m"
        clearable
        placeholder={show(p.length_m, "m", units)}
        onSet={(v) => void set(c, { length_m: v }, says("length"))}
      />
      <Property label={says("size")}>
        <Quantity
          slate
          className="w-full"
          label={says("size")}
          value={c.area_mm2}
          text={p.size_text}
          dimension="area"
          unit={report.wire_series === "awg" ? "awg" : "mm²"}
          clearable
          placeholder={say(says("e-g-mm-awg"), "wiring")}
          onCommit={(q) => void set(c, sizeFields(q), says("size"))}
        />
      </Property>
      <QuantityProperty
        label={says("equal-cables-parallel")}
        value={c.parallel_count}
        dimension="count"
        unit=""
        onSet={(v) => void set(c, { parallel_count: Math.round(v ?? 1) }, says("cables-parallel"))}
      />
      <ChoiceProperty
        label={says("protection")}
        value={c.protection ?? "fuse"}
        options={PROTECTIONS}
        onSet={(v) => void set(c, { protection: v, ...(v === "none" ? { fuse_a: null } : {}) }, says("protection"))}
      />
      <QuantityProperty
        label={says("rating")}
        value={c.fuse_a}
        dimension="current"
        unit="A"
        clearable
        onSet={(v) => void set(c, { fuse_a: v }, says("rating"))}
      />
      <ChoiceProperty
        label={says("fuse-family")}
        value={c.fuse_family ?? ""}
        options={FAMILIES}
        onSet={(v) => void set(c, { fuse_family: v || null }, says("fuse-family"))}
      />
      {c.protection === "breaker" && c.kind !== "ac" && (
        <ChoiceProperty
          label={says("breaker-marked")}
          value={c.breaker_mark ?? "dc"}
          options={BREAKER_MARKS}
          onSet={(v) => void set(c, { breaker_mark: v }, says("breaker"))}
        />
      )}
      <QuantityProperty
        label={says("source-fuse")}
        note={say(says("along-cable-m-most"), "wiring")}
        value={c.fuse_distance_m}
        dimension="length"
        unit="m"
        clearable
        placeholder={say(says("within-m"), "wiring")}
        onSet={(v) => void set(c, { fuse_distance_m: v }, says("place-fuse"))}
      />
      <FlagProperty
        label={says("piece-own-sheath")}
        note={say(says("then-m-most"), "wiring")}
        value={c.sheathed ?? false}
        onSet={(on) => void set(c, { sheathed: on }, says("sheath"))}
      />
      <QuantityProperty
        label={says("holder-rated")}
        value={c.holder_rating_a}
        dimension="current"
        unit="A"
        clearable
        placeholder={says("fuse")}
        onSet={(v) => void set(c, { holder_rating_a: v }, says("holder"))}
      />
      {(c.kind === "driving" || c.kind === "driving_in") && (
        <QuantityProperty
          label={says("fuse-other-end")}
          note={says("where-both-ends-batteries")}
          value={c.far_fuse_a}
          dimension="current"
          unit="A"
          clearable
          onSet={(v) => void set(c, { far_fuse_a: v }, says("fuse-other-end"))}
        />
      )}
      <FlagProperty
        label={says("solid-conductors")}
        note={says("house-cable-breaks-vehicle")}
        value={c.solid_core ?? false}
        onSet={(on) => void set(c, { solid_core: on }, says("solid-conductors"))}
      />
      {c.kind === "load" && (
        <FlagProperty
          label={say(says("stays-live-isolator-off"), "wiring")}
          note={says("bilge-pump-alarms")}
          value={c.before_isolator ?? false}
          onSet={(on) => void set(c, { before_isolator: on }, says("before-isolator"))}
        />
      )}
      {c.kind !== "ac" && (
        <ChoiceProperty
          label={says("negative-lands")}
          value={c.negative_at ?? "busbar"}
          options={NEGATIVES}
          onSet={(v) => void set(c, { negative_at: v }, says("negative"))}
        />
      )}
      <ChoiceProperty
        label={says("drop-class")}
        value={c.drop_class ?? ""}
        options={[{ value: "", word: says("what", { drop_class: p.drop_class.replace("_", "-") }) }, ...DROP_CLASSES]}
        onSet={(v) => void set(c, { drop_class: v || null }, says("drop-class"))}
      />
      <Route c={c} />
      {(c.kind === "load" || c.kind === "ac") && <OnIt c={c} />}
      <TextProperty label={says("note")} area value={c.note ?? ""} onSet={(note) => void set(c, { note }, says("note"))} />
      <button type="button" className="btn btn-slate mt-2" onClick={() => void remove(c)}>
        {says("remove-circuit")}
      </button>
    </Slate>
  );
}

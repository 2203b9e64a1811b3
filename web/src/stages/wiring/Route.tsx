/** A circuit's route and how it is made: insulation, bundle, raceways, return, joint, labels. */

import type { Circuit } from "../../data/client";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty } from "../../parts/Property";
import { Quantity } from "../../parts/Quantity";
import { useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { sizeFields, useWiringEdits } from "./edit";
import { useRaceways } from "./routes";
import { INSTALLATIONS, INSULATIONS, JOINTS, LABELLED } from "./words";

export function Route({ c }: { c: Circuit }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set } = useWiringEdits();
  const { items: raceways, lay } = useRaceways();
  const together = report.wiring.circuits[c.id]?.bundled_count ?? 1;
  const awg = report.wire_series === "awg";
  const back = c.negative_awg ? `${c.negative_awg} AWG` : c.negative_area_mm2 != null ? say(`${c.negative_area_mm2} mm²`, "wiring") : "";
  return (
    <section aria-label={says("route")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("route")}</h3>
      {raceways.map((r) => (
        <FlagProperty key={r.id} label={`in ${r.name}`} value={c.raceways?.includes(r.id) ?? false} onSet={(on) => void lay(c, r.id, on)} />
      ))}
      <ChoiceProperty
        label={says("insulation")}
        value={String(c.insulation_temp_c ?? 90)}
        options={INSULATIONS}
        onSet={(v) => void set(c, { insulation_temp_c: Number(v) }, says("insulation"))}
      />
      <ChoiceProperty
        label={says("laid")}
        value={c.installation ?? "conduit"}
        options={INSTALLATIONS}
        onSet={(v) => void set(c, { installation: v }, says("route-2"))}
      />
      <QuantityProperty
        label={says("loaded-circuits-bundle")}
        note={together > (c.bundled_count ?? 1) ? says("raceway-counts", { together }) : undefined}
        value={c.bundled_count}
        dimension="count"
        unit=""
        onSet={(v) => void set(c, { bundled_count: Math.round(v ?? 1) }, says("bundle"))}
      />
      <QuantityProperty
        label={says("wholly-inside-insulation")}
        value={(c.covered_length_mm ?? 0) / 1000}
        dimension="length"
        unit="m"
        onSet={(v) => void set(c, { covered_length_mm: (v ?? 0) * 1000 }, says("covered-length"))}
      />
      <FlagProperty
        label={says("passes-engine-space")}
        value={c.engine_space ?? false}
        onSet={(on) => void set(c, { engine_space: on }, says("engine-space"))}
      />
      <FlagProperty
        label={says("tinned-strands")}
        note={says("boats-wet-bays")}
        value={c.tinned ?? false}
        onSet={(on) => void set(c, { tinned: on }, says("tinned"))}
      />
      <FlagProperty
        label={says("returns-through-chassis")}
        value={c.return_path === "chassis"}
        onSet={(on) => void set(c, { return_path: on ? "chassis" : "cable" }, says("return"))}
      />
      {c.kind !== "ac" && c.return_path !== "chassis" && (
        <Property label={says("size-return")} note={says("where-differs")}>
          <Quantity
            slate
            className="w-full"
            label={says("size-return")}
            value={c.negative_area_mm2}
            text={back}
            dimension="area"
            unit={awg ? "awg" : "mm²"}
            clearable
            placeholder={says("positive")}
            onCommit={(q) => {
              const size = sizeFields(q);
              void set(c, { negative_area_mm2: size.area_mm2, negative_awg: size.awg }, says("size-return-2"));
            }}
          />
        </Property>
      )}
      {(c.parallel_count ?? 1) > 1 && (
        <FlagProperty
          label={says("cables-equal")}
          note={says("size-length-lug-route")}
          value={c.parallel_equal ?? true}
          onSet={(on) => void set(c, { parallel_equal: on }, says("equal-cables"))}
        />
      )}
      <ChoiceProperty label={says("joint")} value={c.joint ?? "none"} options={JOINTS} onSet={(v) => void set(c, { joint: v }, says("joint-2"))} />
      <ChoiceProperty
        label={say(says("labelled"), "wiring")}
        value={c.labelled ?? ""}
        options={LABELLED}
        onSet={(v) => void set(c, { labelled: v || null }, says("labels"))}
      />
      {c.kind === "ac" ? (
        <QuantityProperty
          label={says("outlets")}
          value={c.outlet_count}
          dimension="count"
          unit=""
          clearable
          placeholder={String(c.appliances?.length ?? 0)}
          onSet={(v) => void set(c, { outlet_count: v == null ? null : Math.round(v) }, says("outlets-2"))}
        />
      ) : (
        <>
          <QuantityProperty
            label={says("fuse-opens")}
            note={says("data-sheet-dead-short")}
            value={c.clearing_time_s}
            dimension="time"
            unit="s"
            clearable
            placeholder={says("not-known")}
            onSet={(v) => void set(c, { clearing_time_s: v == null ? null : v * 3600 }, says("clearing-time"))}
          />
          <SlateFig k={`circuits/${c.id}/withstand_s`} />
        </>
      )}
    </section>
  );
}

/** The slate of Life: the appliance in hand, or what a day takes in each season. */
import { useCallback } from "react";
import type { Appliance } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty, TextProperty } from "../../parts/Property";
import { Written } from "../../parts/Quantity";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { readCell, useApplianceEdits } from "./edit";
import { KINDS, powerText, SEASONS, SUPPLIES, seasonWord, TRUSTS, windowsText, writtenUse, ZONES } from "./words";

function Cell({ a, field, label, text }: { a: Appliance; field: "power" | "use" | "windows"; label: string; text: string }) {
  const { set } = useApplianceEdits();
  const read = useCallback((typed: string) => readCell(field, typed, a), [field, a]);
  return (
    <Property label={label}>
      <Written
        slate
        className="w-full"
        label={label}
        text={text}
        read={read}
        clearable={field === "windows"}
        onCommit={(r) => void set(a, r?.fields ?? { windows: [] }, label)}
      />
    </Property>
  );
}

function ApplianceSlate({ a }: { a: Appliance }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set } = useApplianceEdits();
  const use = report.life.appliances[a.id];
  const season = a.season_factors ?? {};
  const day = a.day_factors ?? {};
  return (
    <Slate title={a.name} sub={`${a.kind}, in the ${a.zone}${a.part ? say(`, catalogue part ${a.part}`) : ""}`}>
      <FindingList findings={report.findings.filter((f) => f.subject === a.id)} />
      {(["bank_energy_wh", "energy_wh", "time_h", "bank_current_a"] as const).map((k) => (
        <SlateFig key={k} k={`appliances/${a.id}/${k}`} />
      ))}
      {use && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {(100 * use.share_frac).toFixed(0)} % of what a {report.life.worst} day takes.
        </p>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">As its label says</h3>
      <Cell a={a} field="power" label="power" text={powerText(a)} />
      <Cell a={a} field="use" label="use" text={writtenUse(a)} />
      <Cell a={a} field="windows" label="hours of the day" text={windowsText(a)} />
      <ChoiceProperty label="supply" value={a.supply ?? "dc"} options={SUPPLIES} onSet={(v) => void set(a, { supply: v }, "supply")} />
      <ChoiceProperty label="where the value is from" value={a.trust ?? "label"} options={TRUSTS} onSet={(v) => void set(a, { trust: v }, "trust")} />
      <ChoiceProperty label="kind" value={a.kind ?? "other"} options={KINDS} onSet={(v) => void set(a, { kind: v }, "kind")} />
      <ChoiceProperty label="place" value={a.zone ?? "living"} options={ZONES} onSet={(v) => void set(a, { zone: v }, "place")} />
      <QuantityProperty label="standby" value={a.standby_w} dimension="power" unit="W" onSet={(v) => void set(a, { standby_w: v ?? 0 }, "standby")} />
      <QuantityProperty
        label="start current"
        note="times its running current"
        value={a.start_multiple}
        dimension="count"
        unit=""
        onSet={(v) => void set(a, { start_multiple: v ?? 1 }, "start")}
      />
      <QuantityProperty
        label="its own largest fuse"
        value={a.max_fuse_a}
        dimension="current"
        unit="A"
        clearable
        placeholder="from its manual"
        onSet={(v) => void set(a, { max_fuse_a: v }, "largest fuse")}
      />
      <QuantityProperty
        label="lowest voltage it runs at"
        value={a.min_voltage_v}
        dimension="voltage"
        unit="V"
        clearable
        placeholder="from its manual"
        onSet={(v) => void set(a, { min_voltage_v: v }, "lowest voltage")}
      />
      <QuantityProperty label="mass, each" value={a.mass_kg} dimension="mass" unit="kg" clearable onSet={(v) => void set(a, { mass_kg: v }, "mass")} />
      <QuantityProperty
        label="fresh water, each use"
        note="washing machine, dishwasher"
        value={a.water_l_per_use}
        dimension="volume"
        unit="L"
        clearable
        placeholder="usual of its kind"
        onSet={(v) => void set(a, { water_l_per_use: v }, "water of one use")}
      />
      <FlagProperty
        label={say("must run with the isolator off")}
        note="bilge pump"
        value={a.always_on ?? false}
        onSet={(on) => void set(a, { always_on: on }, "always on")}
      />
      {(a.duty_frac != null || a.energy_24h_wh != null) && (
        <FlagProperty
          label="works harder when it is warm round it"
          note="fridges and freezers"
          value={a.ambient_dependent ?? false}
          onSet={(on) => void set(a, { ambient_dependent: on }, "ambient")}
        />
      )}
      {a.supply === "ac" && <FlagProperty label="needs a pure sine wave" value={a.pure_sine ?? false} onSet={(on) => void set(a, { pure_sine: on }, "sine")} />}
      <h3 className="mb-1 mt-3 font-display text-[14px]">More or less of it</h3>
      {SEASONS.map((s) => (
        <QuantityProperty
          key={s}
          label={`in ${seasonWord(s)}`}
          value={season[s] ?? 1}
          dimension="fraction"
          unit=""
          onSet={(v) => void set(a, { season_factors: { ...season, [s]: v ?? 1 } }, `in ${s}`)}
        />
      ))}
      {(["parked", "driving", "working"] as const).map((d) => (
        <QuantityProperty
          key={d}
          label={`on a ${d} day`}
          value={day[d] ?? 1}
          dimension="fraction"
          unit=""
          onSet={(v) => void set(a, { day_factors: { ...day, [d]: v ?? 1 } }, `on a ${d} day`)}
        />
      ))}
      <TextProperty label="note" area value={a.note ?? ""} onSet={(text) => void set(a, { note: text }, "note")} />
    </Slate>
  );
}

export function LifeSlate() {
  const { report } = useVariant();
  const { units } = usePerson();
  const say = useSaid();
  const { list } = useApplianceEdits();
  const hand = useHand();
  const a = hand.kind === "appliance" ? list.find((x) => x.id === hand.id) : undefined;
  if (a) return <ApplianceSlate a={a} />;
  return (
    <Slate title="Daily use" sub={`${list.length} ${list.length === 1 ? "appliance" : "appliances"}; ${report.life.place_name}`}>
      <FindingList findings={report.findings.filter((f) => f.stage === "life" || (f.rule === "power-load-saturated" && f.stage === "power"))} />
      {report.life.seasons.map((s) => (
        <section key={s.season} className="mb-2">
          <h3 className="mb-0.5 mt-2 font-display text-[14px]">
            {say(seasonWord(s.season))}
            {!s.planned && <span className="text-chalk-dim"> (not in the plan)</span>}
          </h3>
          <SlateFig k={`life/${s.season}/design_energy_wh`} label={`a ${s.design_day_type} day, with margin`} />
          <SlateFig k={`life/${s.season}/energy_wh`} label="without margin" />
          <SlateFig k={`life/${s.season}/design_charge_ah`} label={`the same at ${report.system_voltage_v} V`} />
          <SlateFig k={`life/${s.season}/peak_current_a`} label="peak at the bank" />
        </section>
      ))}
      {list.length > 0 && (
        <>
          <h3 className="mb-0.5 mt-3 font-display text-[14px]">What takes most, in {report.life.worst}</h3>
          {[...list]
            .map((x) => ({ x, wh: report.life.appliances[x.id]?.bank_energy_wh ?? 0 }))
            .sort((p, q) => q.wh - p.wh)
            .slice(0, 6)
            .map(({ x, wh }) => (
              <button
                key={x.id}
                type="button"
                className="flex w-full justify-between gap-2 py-0.5 text-left hover:text-gorse"
                onClick={() => hand.pick("appliance", x.id)}
              >
                <span className="truncate">{x.name}</span>
                <span className="num shrink-0">{show(wh, "Wh", units)}</span>
              </button>
            ))}
        </>
      )}
    </Slate>
  );
}

/** The slate of Life: the appliance in hand, or what a day takes in each season. */
import { useCallback } from "react";
import type { Appliance } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordOf } from "../../parts/choices";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty, FlagProperty, Property, QuantityProperty, TextProperty } from "../../parts/Property";
import { Written } from "../../parts/Quantity";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/life";
import { readCell, useApplianceEdits } from "./edit";
import { KINDS, powerText, SEASONS, SUPPLIES, seasonWord, TRUSTS, WHERE, windowsText, writtenUse, ZONES } from "./words";

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
    <Slate
      title={a.name}
      sub={says("in-zone-of-catalogue", { kind: wordOf(KINDS, a.kind ?? "other"), where: WHERE[a.zone ?? "living"] ?? "", catalogue: Boolean(a.part) })}
    >
      <FindingList findings={report.findings.filter((f) => f.subject === a.id)} />
      {(["bank_energy_wh", "energy_wh", "time_h", "bank_current_a"] as const).map((k) => (
        <SlateFig key={k} k={`appliances/${a.id}/${k}`} />
      ))}
      {use && <p className="my-1 text-[12px] text-chalk-dim">{say(says("what-day-takes", { share_frac: 100 * use.share_frac, worst: report.life.worst }))}</p>}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("label-says")}</h3>
      <Cell a={a} field="power" label={says("power-2")} text={powerText(a)} />
      <Cell a={a} field="use" label={says("use-2")} text={writtenUse(a)} />
      <Cell a={a} field="windows" label={says("hours-day")} text={windowsText(a)} />
      <ChoiceProperty label={says("supply")} value={a.supply ?? "dc"} options={SUPPLIES} onSet={(v) => void set(a, { supply: v }, says("supply"))} />
      <ChoiceProperty label={says("where-value")} value={a.trust ?? "label"} options={TRUSTS} onSet={(v) => void set(a, { trust: v }, says("trust"))} />
      <ChoiceProperty label={says("kind")} value={a.kind ?? "other"} options={KINDS} onSet={(v) => void set(a, { kind: v }, says("kind"))} />
      <ChoiceProperty label={says("place")} value={a.zone ?? "living"} options={ZONES} onSet={(v) => void set(a, { zone: v }, says("place"))} />
      <QuantityProperty
        label={says("standby")}
        value={a.standby_w}
        dimension="power"
        unit="W"
        onSet={(v) => void set(a, { standby_w: v ?? 0 }, says("standby"))}
      />
      <QuantityProperty
        label={says("start-current")}
        note={says("times-running-current")}
        value={a.start_multiple}
        dimension="count"
        unit=""
        onSet={(v) => void set(a, { start_multiple: v ?? 1 }, says("start"))}
      />
      <QuantityProperty
        label={says("own-largest-fuse")}
        value={a.max_fuse_a}
        dimension="current"
        unit="A"
        clearable
        placeholder={says("manual")}
        onSet={(v) => void set(a, { max_fuse_a: v }, says("largest-fuse"))}
      />
      <QuantityProperty
        label={says("lowest-voltage-runs")}
        value={a.min_voltage_v}
        dimension="voltage"
        unit="V"
        clearable
        placeholder={says("manual")}
        onSet={(v) => void set(a, { min_voltage_v: v }, says("lowest-voltage"))}
      />
      <QuantityProperty
        label={says("mass-each")}
        value={a.mass_kg}
        dimension="mass"
        unit="kg"
        clearable
        onSet={(v) => void set(a, { mass_kg: v }, says("mass"))}
      />
      <QuantityProperty
        label={says("fresh-water-each-use")}
        note={says("washing-machine-dishwasher")}
        value={a.water_l_per_use}
        dimension="volume"
        unit="L"
        clearable
        placeholder={says("usual-kind")}
        onSet={(v) => void set(a, { water_l_per_use: v }, says("water-one-use"))}
      />
      <FlagProperty
        label={say(says("must-run-isolator-off"))}
        note={says("bilge-pump")}
        value={a.always_on ?? false}
        onSet={(on) => void set(a, { always_on: on }, says("always"))}
      />
      {(a.duty_frac != null || a.energy_24h_wh != null) && (
        <FlagProperty
          label={says("works-harder-when-warm")}
          note={says("fridges-freezers")}
          value={a.ambient_dependent ?? false}
          onSet={(on) => void set(a, { ambient_dependent: on }, says("ambient"))}
        />
      )}
      {a.supply === "ac" && (
        <FlagProperty label={says("needs-pure-sine-wave")} value={a.pure_sine ?? false} onSet={(on) => void set(a, { pure_sine: on }, says("sine"))} />
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("more-less")}</h3>
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
          label={says("day-2", { d })}
          value={day[d] ?? 1}
          dimension="fraction"
          unit=""
          onSet={(v) => void set(a, { day_factors: { ...day, [d]: v ?? 1 } }, says("day-2", { d }))}
        />
      ))}
      <TextProperty label={says("note")} area value={a.note ?? ""} onSet={(text) => void set(a, { note: text }, says("note"))} />
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
    <Slate title={says("daily-use")} sub={says("appliance-appliances", { list_count: list.length, place_name: report.life.place_name })}>
      <FindingList findings={report.findings.filter((f) => f.stage === "life" || (f.rule === "power-load-saturated" && f.stage === "power"))} />
      {report.life.seasons.map((s) => (
        <section key={s.season} className="mb-2">
          <h3 className="mb-0.5 mt-2 font-display text-[14px]">
            {say(seasonWord(s.season))}
            {!s.planned && <span className="text-chalk-dim"> {says("not-plan")}</span>}
          </h3>
          <SlateFig k={`life/${s.season}/design_energy_wh`} label={says("day-margin", { design_day_type: s.design_day_type })} />
          <SlateFig k={`life/${s.season}/energy_wh`} label={says("without-margin")} />
          <SlateFig k={`life/${s.season}/design_charge_ah`} label={says("same-v", { system_voltage_v: report.system_voltage_v })} />
          <SlateFig k={`life/${s.season}/peak_current_a`} label={says("peak-bank")} />
        </section>
      ))}
      {list.length > 0 && (
        <>
          <h3 className="mb-0.5 mt-3 font-display text-[14px]">{says("what-takes-most", { worst: report.life.worst })}</h3>
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

/** The slate of Power: the part in hand with its data-sheet values, or headroom and findings of the whole supply. */

import type { ReactNode } from "react";
import { useCatalogue } from "../../data/catalogue";
import { CHEMISTRIES } from "../../data/chemistries";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { Slate } from "../../shell/Slate";
import { fitPart, fitted, PARTS, type PartId, unfit } from "./parts";

const WIRINGS = [
  { value: "diagonal", word: "diagonal" },
  { value: "same_end", word: "both leads on the first" },
  { value: "busbar", word: "equal leads to busbars" },
];
const MODES = [
  { value: "with_load", word: "only with a load" },
  { value: "always", word: "all day" },
  { value: "scheduled", word: "by the clock" },
];
const MOUNTINGS = [
  { value: "roof_gap", word: "on the roof, with a gap" },
  { value: "glued", word: "glued down" },
  { value: "open_rack", word: "on an open rack" },
];

type Num = [key: string, label: string, dimension: string, unit: string, clearable?: boolean, note?: string];
const NUMBERS: Record<PartId, Num[]> = {
  bank: [
    ["unit_voltage_v", "voltage, each", "voltage", "V"],
    ["unit_charge_ah", "charge, each", "charge", "Ah"],
    ["series_count", "in series", "count", ""],
    ["parallel_count", "strings in parallel", "count", ""],
    ["unit_max_discharge_a", "largest discharge, each", "current", "A", true],
    ["unit_max_charge_a", "largest charge, each", "current", "A", true],
    ["unit_mass_kg", "mass, each", "mass", "kg", true],
    ["heater_power_w", "its own heater", "power", "W"],
  ],
  inverter: [
    ["rating_w", "continuous rating", "power", "W"],
    ["surge_power_w", "short-time rating", "power", "W", true],
    ["idle_w", "own use, no load", "power", "W", true],
    ["efficiency_frac", "full-load efficiency", "fraction", "", true],
    ["mass_kg", "mass", "mass", "kg", true],
  ],
  solar: [
    ["panel_power_w", "label power", "power", "W"],
    ["vmp_v", "Vmp", "voltage", "V"],
    ["imp_a", "Imp", "current", "A"],
    ["voc_v", "Voc", "voltage", "V"],
    ["isc_a", "Isc", "current", "A"],
    ["series_count", "in series", "count", ""],
    ["parallel_count", "strings in parallel", "count", ""],
    ["max_series_fuse_a", "largest series fuse", "current", "A", true],
    ["unit_mass_kg", "mass, each", "mass", "kg", true],
  ],
  controller: [
    ["max_voltage_v", "largest solar voltage", "voltage", "V"],
    ["max_charge_current_a", "largest charge current", "current", "A"],
    ["max_input_current_a", "largest solar current", "current", "A", true],
    ["mass_kg", "mass", "mass", "kg", true],
  ],
  driving: [
    ["rating_a", "charge current", "current", "A"],
    ["mass_kg", "mass", "mass", "kg", true],
  ],
  generator: [
    ["rating_w", "continuous power, at sea level", "power", "W"],
    ["mass_kg", "mass", "mass", "kg", true],
  ],
  shore: [
    ["charger_current_a", "charge current", "current", "A"],
    ["inlet_current_a", "inlet", "current", "A", true, "empty: the region's usual"],
    ["supply_current_a", "pitch supply", "current", "A", true, "empty: as the inlet"],
    ["mass_kg", "mass", "mass", "kg", true],
  ],
};
const FIGURES: Record<PartId, string> = {
  bank: "power/bank/",
  inverter: "power/feed/",
  solar: "power/string/",
  controller: "power/string/",
  driving: "power/driving/",
  shore: "power/shore/",
  generator: "power/generator/",
};
const CAUTION: Partial<Record<PartId, string>> = {
  bank: "A bank pushes thousands of amps into a dropped spanner: cover the posts, one insulated tool, no rings. Lithium is never charged below 0 °C.",
  inverter: "Its output is mains and can kill. Connecting and testing it is licensed work where your region says so.",
  solar:
    "Panels are live whenever there is light, and a DC arc does not go out by itself: cover them, and never unplug under load. A lifted panel goes down above 10 m/s of wind and before driving. Roof work: two people, a dry day, something to hold on to.",
  driving: "Disconnect the starter battery's negative first. Both ends of that cable are sources: fuse both.",
  generator:
    "Outdoors only, exhaust away from every opening, a carbon monoxide alarm awake and working, never beside sleepers. No back-feed into a hook-up; neutral bonding by its manual.",
  shore: "The mains side is licensed work where your region says so. Unplug the hook-up before opening anything.",
};

const SHADES: { key: string; word: string; of: (h: number) => number }[] = [
  { key: "none", word: "none", of: () => 0 },
  { key: "morning", word: "trees in the morning, to 10", of: (h) => (h < 10 ? 0.8 : 0) },
  { key: "evening", word: "trees in the evening, from 15", of: (h) => (h >= 15 ? 0.8 : 0) },
  { key: "both", word: "a valley: morning and evening", of: (h) => (h < 10 || h >= 15 ? 0.9 : 0) },
  { key: "box", word: "a roof box, a third all day", of: () => 0.33 },
];

/** Shade by the hour, by what throws it; typed hours are kept as they are. */
function Shade({ value, onSet }: { value: number[]; onSet: (value: number[]) => void }) {
  const hours = (of: (h: number) => number) => Array.from({ length: 24 }, (_, h) => of(h));
  const now = value.length ? SHADES.find((s) => hours(s.of).every((v, h) => v === value[h]))?.key : "none";
  return (
    <ChoiceProperty
      label="shade"
      note="of the direct light, in the trip"
      value={now ?? "own"}
      options={[...SHADES.map((s) => ({ value: s.key, word: s.word })), ...(now ? [] : [{ value: "own", word: "hour by hour, as brought in" }])]}
      onSet={(key) => {
        const chosen = SHADES.find((s) => s.key === key);
        if (chosen) onSet(key === "none" ? [] : hours(chosen.of));
      }}
    />
  );
}

function PartSlate({ id }: { id: PartId }) {
  const { design, report, edit } = useVariant();
  const word = PARTS.find((p) => p.id === id)!;
  const catalogue = useCatalogue();
  const power = design.power ?? {};
  const what = (id === "solar" ? power.arrays?.[0] : power[id]) as Record<string, unknown> | null | undefined;
  const base = id === "solar" ? "/power/arrays/0" : `/power/${id}`;
  const set = (key: string, value: unknown) => void edit([{ op: "replace", path: `${base}/${key}`, value }], `${word.word}: ${key.replace(/_/g, " ")}`);
  const text = (key: string) => String(what?.[key] ?? "");
  const prefix = FIGURES[id];
  const choices: ReactNode[] = [];
  if (what && id === "bank")
    choices.push(
      <ChoiceProperty key="c" label="chemistry" value={text("chemistry") || "lifepo4"} options={CHEMISTRIES} onSet={(v) => set("chemistry", v)} />,
      <ChoiceProperty key="w" label="take-off" value={text("wiring") || "diagonal"} options={WIRINGS} onSet={(v) => set("wiring", v)} />,
      <FlagProperty
        key="f"
        label="refuses charge below freezing"
        note="its own cut-off, from the data sheet"
        value={!!what.cold_charge_cutoff}
        onSet={(v) => set("cold_charge_cutoff", v)}
      />,
    );
  if (what && id === "inverter")
    choices.push(
      <ChoiceProperty
        key="m"
        label="switched on"
        value={text("mode") || "with_load"}
        options={MODES}
        onSet={(v) =>
          void edit(
            [
              ...(v === "scheduled" && what.on_h == null ? [{ op: "replace" as const, path: `${base}/on_h`, value: 8 }] : []),
              { op: "replace", path: `${base}/mode`, value: v },
            ],
            "Inverter: when it is on",
          )
        }
      />,
      ...(text("mode") === "scheduled"
        ? [<QuantityProperty key="h" label="hours a day" value={what.on_h as number} dimension="time" unit="h" onSet={(v) => set("on_h", v ?? 8)} />]
        : []),
      <FlagProperty key="s" label="pure sine wave" value={what.pure_sine !== false} onSet={(v) => set("pure_sine", v)} />,
    );
  if (what && id === "solar")
    choices.push(
      <ChoiceProperty key="m" label="mounting" value={text("mounting") || "roof_gap"} options={MOUNTINGS} onSet={(v) => set("mounting", v)} />,
      <ChoiceProperty
        key="p"
        label="stands"
        value={text("deploy") || "fixed"}
        options={[
          { value: "fixed", word: "fixed on the roof" },
          { value: "lift", word: "lifted when parked" },
          { value: "ground", word: "on the ground, out when somebody is there" },
        ]}
        onSet={(v) => set("deploy", v)}
      />,
      <QuantityProperty
        key="i"
        label="tilt, °"
        note="0 is flat"
        value={(what.tilt_deg as number | undefined) ?? 0}
        dimension="count"
        unit=""
        onSet={(v) => set("tilt_deg", v ?? 0)}
      />,
      <QuantityProperty
        key="z"
        label={text("deploy") === "ground" ? "faces, ° from north" : "faces, ° from the nose"}
        note="clockwise; counts when it is tilted"
        value={(what.azimuth_deg as number | undefined) ?? 0}
        dimension="count"
        unit=""
        onSet={(v) => set("azimuth_deg", v ?? 0)}
      />,
      <QuantityProperty
        key="r"
        label="radius of a curved roof"
        note="for panels bent over it"
        value={what.roof_radius_m as number | null | undefined}
        dimension="length"
        unit="m"
        clearable
        placeholder="flat"
        onSet={(v) => set("roof_radius_m", v)}
      />,
      ...(what.roof_radius_m == null
        ? []
        : [
            <QuantityProperty
              key="ac"
              label="they reach across it"
              value={what.across_m as number | null | undefined}
              dimension="length"
              unit="m"
              clearable
              placeholder="1.2 m"
              onSet={(v) => set("across_m", v)}
            />,
          ]),
      <Shade key="sh" value={(what.shade_frac as number[] | undefined) ?? []} onSet={(v) => set("shade_frac", v)} />,
      <FlagProperty key="f" label="a fuse in each string" value={!!what.string_fuse} onSet={(v) => set("string_fuse", v)} />,
      <FlagProperty key="d" label="a double-pole disconnect" value={!!what.disconnect} onSet={(v) => set("disconnect", v)} />,
    );
  if (what && id === "controller")
    choices.push(
      <ChoiceProperty
        key="t"
        label="kind"
        value={text("controller_type") || "mppt"}
        options={[
          { value: "mppt", word: "MPPT" },
          { value: "pwm", word: "PWM" },
        ]}
        onSet={(v) => set("controller_type", v)}
      />,
    );
  if (what && id === "driving")
    choices.push(
      <ChoiceProperty
        key="s"
        label="by"
        value={text("school") || "dcdc"}
        options={[
          { value: "dcdc", word: "DC-DC charger" },
          { value: "relay", word: "relay" },
          { value: "second", word: "second alternator" },
        ]}
        onSet={(v) => set("school", v)}
      />,
    );
  if (what && (id === "controller" || id === "driving" || id === "shore")) {
    const profile = (what.profile ?? {}) as { absorption_v?: number | null; equalise?: boolean; compensates?: boolean };
    const turn = (fields: object) => set("profile", { absorption_v: null, equalise: false, compensates: false, ...profile, ...fields });
    choices.push(
      <QuantityProperty
        key="ab"
        label="absorption set to"
        note="from its menu or data sheet"
        value={profile.absorption_v}
        dimension="voltage"
        unit="V"
        clearable
        placeholder="not said"
        onSet={(v) => turn({ absorption_v: v })}
      />,
      <FlagProperty key="eq" label="it equalises" value={!!profile.equalise} onSet={(v) => turn({ equalise: v })} />,
      <FlagProperty key="tc" label="it follows the temperature" value={!!profile.compensates} onSet={(v) => turn({ compensates: v })} />,
    );
  }
  const subject = id === "controller" ? "solar" : id;
  return (
    <Slate title={word.word} sub={fitted(design, id) ?? word.blurb}>
      <FindingList findings={report.findings.filter((f) => f.subject === subject)} />
      {CAUTION[id] && <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">{CAUTION[id]}</p>}
      <ChoiceProperty
        label="from the catalogue"
        value={text("part")}
        options={[
          { value: "", word: what ? "your own values" : "choose…" },
          ...(catalogue.data ?? []).filter((p) => p.kind === word.kind).map((p) => ({ value: p.key, word: `${p.name} (${p.maker})` })),
        ]}
        onSet={(key) => {
          const part = catalogue.data?.find((p) => p.key === key);
          if (part) void edit(fitPart(design, id, part), `${word.word}: ${part.name}`);
        }}
      />
      {!what && (
        <button type="button" className="btn btn-slate mt-1" onClick={() => void edit(fitPart(design, id, null), `${word.word}: your own`)}>
          Give your own data-sheet values
        </button>
      )}
      {what && (
        <>
          <TextProperty label="name" value={text("name")} maxLength={120} onSet={(v) => set("name", v)} />
          {choices}
          {NUMBERS[id].map(([key, label, dimension, unit, clearable, note]) => (
            <QuantityProperty
              key={key}
              label={label}
              note={note}
              value={what[key] as number | null}
              dimension={dimension}
              unit={unit}
              clearable={clearable}
              placeholder={clearable ? "typical" : undefined}
              onSet={(v) => set(key, v === null ? null : dimension === "count" ? Math.round(v) : v)}
            />
          ))}
          <h3 className="mb-1 mt-3 font-display text-[14px]">Figures</h3>
          {Object.keys(report.figures)
            .filter((k) => k.startsWith(prefix) && !k.includes("~"))
            .map((k) => (
              <SlateFig key={k} k={k} />
            ))}
          <button type="button" className="btn btn-slate mt-2" onClick={() => void edit(unfit(id), `took out the ${word.word.toLowerCase()}`)}>
            Take it out
          </button>
        </>
      )}
    </Slate>
  );
}

export function PowerSlate({ season }: { season: string }) {
  const { report } = useVariant();
  const hand = useHand();
  if (hand.kind === "power" && PARTS.some((p) => p.id === hand.id)) return <PartSlate id={hand.id as PartId} />;
  const p = report.power;
  return (
    <Slate title="Power" sub={p.limits ? `what limits it: ${p.limits_text}` : "nothing chosen yet"}>
      <FindingList findings={report.findings.filter((f) => f.stage === "power")} />
      <h3 className="mb-1 mt-2 font-display text-[14px]">Need against have</h3>
      {p.headrooms.map((h) => (
        <div key={h.key} className={p.limits === h.key ? "border-l-2 border-gorse pl-2" : ""}>
          <HeadroomBar
            label={h.label}
            need={h.need}
            have={h.have}
            unit={h.unit}
            margin={h.margin_frac}
            onPick={() => hand.open(hand.opened === h.figures[0] ? null : (h.figures[0] ?? null))}
          />
          <SlateFig k={h.figures[0] ?? ""} />
          <SlateFig k={h.figures[1] ?? ""} />
        </div>
      ))}
      {!p.headrooms.length && (
        <p className="text-chalk-dim">Take Bothy's proposal, or choose parts in the ledger; then each capacity stands here against its need.</p>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">A {season} day</h3>
      {["demand_wh", "solar_wh", "drive_wh", "supply_wh", "balance_wh", "days"].map((k) => (
        <SlateFig key={k} k={`power/${season}/${k}`} />
      ))}
    </Slate>
  );
}

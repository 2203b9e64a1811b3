/** The slate of Power: the part in hand with its data-sheet values, or headroom and findings of the whole supply. */

import type { FigureKey } from "../../../generated/figures";
import { useCatalogue } from "../../data/catalogue";
import { CHEMISTRIES } from "../../data/chemistries";
import type { Design } from "../../data/client";
import { useVariant } from "../../data/variant";
import { choice, count, type FieldSpec, Fields, flag, quantity, words } from "../../parts/Fields";
import { keysUnder, SlateFig, SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ChoiceProperty, FlagProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { seasonWord } from "../life/words";
import { ArraySlate } from "./ArraySlate";
import { ControllerFields, ProfileFields } from "./ControllerFields";
import { useArrays } from "./edit";
import { fitPart, fitted, OWN_BANKS, ownBank, PARTS, type PartId, unfit } from "./parts";
import { StationFields } from "./StationFields";

const WIRINGS = [
  { value: "diagonal", word: "diagonal" },
  { value: "same_end", word: "both leads on the first" },
  { value: "busbar", word: "equal leads to busbars" },
] as const;
const MODES = [
  { value: "with_load", word: "only with a load" },
  { value: "always", word: "all day" },
  { value: "scheduled", word: "by the clock" },
] as const;
const SCHOOLS = [
  { value: "dcdc", word: "DC-DC charger" },
  { value: "relay", word: "relay" },
  { value: "second", word: "second alternator" },
] as const;
const WARMED = [
  { value: "on_charge", word: "only before it is charged" },
  { value: "kept_warm", word: "whenever the cells get cold" },
] as const;
const FUELS = [
  { value: "petrol", word: "petrol" },
  { value: "diesel", word: "diesel" },
  { value: "gas", word: "gas (propane)" },
] as const;
const SENSES = [
  { value: "ignition", word: "the ignition" },
  { value: "voltage", word: "the voltage it sees" },
] as const;
const UNLIKE = [
  { value: "none", word: "all alike" },
  { value: "age", word: "of different age" },
  { value: "kind", word: "of different make, type or size" },
] as const;
const VENTS = [
  { value: "none", word: "nowhere" },
  { value: "outside", word: "through a vent to the outside" },
] as const;
const USUAL = { clearable: true, placeholder: "typical" };
const MASS = quantity("mass_kg", "mass", "mass", "kg", USUAL);

type Fitted<P extends keyof NonNullable<Design["power"]>> = NonNullable<NonNullable<Design["power"]>[P]>;
/** What is asked of each part, by what was said of it before. */
const SPECS: { [P in Exclude<PartId, "solar" | "controller">]: (what: Fitted<P>, design: Design) => FieldSpec<Fitted<P>>[] } = {
  bank: (b) => [
    choice("chemistry", "chemistry", CHEMISTRIES),
    choice("wiring", "take-off", WIRINGS),
    flag("cold_charge_cutoff", "refuses charge below freezing", "its own cut-off, from the data sheet"),
    quantity("unit_voltage_v", "voltage, each", "voltage", "V"),
    quantity("unit_charge_ah", "charge, each", "charge", "Ah"),
    count("series_count", "in series"),
    count("parallel_count", "strings in parallel"),
    choice("unlike", "the batteries are", UNLIKE),
    ...(["agm", "gel", "flooded"].includes(String(b.chemistry)) ? [choice("vent", "its gas leaves", VENTS, { none: "not entered" })] : []),
    ...(b.chemistry === "flooded" ? [flag("beside_sparks", "an inverter, relay or switch in its box")] : []),
    quantity("unit_max_discharge_a", "largest discharge, each", "current", "A", USUAL),
    quantity("unit_max_charge_a", "largest charge, each", "current", "A", USUAL),
    quantity("unit_mass_kg", "mass, each", "mass", "kg", USUAL),
    quantity("unit_resistance_mohm", "resistance, each", "resistance", "mΩ", {
      ...USUAL,
      note: "of its data sheet, at the posts; what a dead short draws follows from it",
    }),
    quantity("usable_frac", "usable depth of discharge", "fraction", "", {
      clearable: true,
      placeholder: "usual",
      note: "deeper gives more and wears it sooner",
    }),
    quantity("charge_to_frac", "charged to", "fraction", "", { clearable: true, placeholder: "full", note: "less spares a bank that stands for long" }),
    ...(["agm", "gel", "flooded"].includes(String(b.chemistry))
      ? [quantity("peukert_exponent", "Peukert exponent", "count", "", { clearable: true, placeholder: "usual", note: "1 counts it by its label" })]
      : []),
    quantity("heater_power_w", "its own heater, each", "power", "W"),
    ...(Number(b.heater_power_w ?? 0) > 0
      ? [
          choice("heater_when", "warms the cells", WARMED),
          quantity("heat_loss_w_k", "whole bank loses to the air, W/K", "count", "", {
            clearable: true,
            placeholder: "1.5, bare",
            note: "about 0.4 in an insulated box",
          }),
        ]
      : []),
  ],
  inverter: (v, design) => [
    choice("mode", "switched on", MODES),
    ...(v.mode === "scheduled" ? [quantity("on_h", "hours a day", "time", "h")] : []),
    flag("pure_sine", "pure sine wave"),
    choice(
      "cabinet",
      "stands in",
      (design.warmth?.cabinets ?? []).map((c) => ({ value: c.id, word: c.name ?? c.id })),
      {
        none: "the open, or not entered",
        note: design.warmth?.cabinets?.length ? "a hot cabinet in Heat and air" : "hot cabinets are named in Heat and air, Summer",
      },
    ),
    quantity("rating_w", "continuous rating", "power", "W"),
    quantity("surge_power_w", "short-time rating", "power", "W", USUAL),
    quantity("idle_w", "own use, no load", "power", "W", USUAL),
    quantity("efficiency_frac", "full-load efficiency", "fraction", "", USUAL),
    MASS,
  ],
  driving: (d) => [
    choice("school", "by", SCHOOLS),
    quantity("rating_a", d.school === "relay" ? "what the relay carries" : "charge current", "current", "A"),
    choice("sense", "switched on by", SENSES, { none: "not entered" }),
    MASS,
  ],
  generator: (g) => [
    choice("fuel", "fuel", FUELS),
    quantity("rating_w", "continuous power, at sea level", "power", "W"),
    g.fuel === "gas"
      ? quantity("full_per_h", "fuel per hour at that power", "mass", "kg", USUAL)
      : quantity("full_per_h", "fuel per hour at that power", "volume", "L", USUAL),
    ...(g.fuel === "diesel" || g.fuel === "gas"
      ? [flag("shares", g.fuel === "gas" ? "from the gas vessels" : "from the heater’s tank", "counts once there is one")]
      : []),
    ...(g.shares
      ? []
      : [
          g.fuel === "gas"
            ? quantity("store", "size of its own cylinder", "mass", "kg", { clearable: true, placeholder: "not counted" })
            : quantity("store", "fuel can size", "volume", "L", { clearable: true, placeholder: "not counted" }),
        ]),
    MASS,
  ],
  shore: () => [
    quantity("charger_current_a", "charge current", "current", "A"),
    quantity("inlet_current_a", "inlet", "current", "A", { ...USUAL, note: "empty: the region's usual" }),
    { ...quantity("legs", "live legs, 1 or 2", "count", ""), note: "2: a supply of 120/240 V" },
    quantity("supply_current_a", "pitch supply", "current", "A", { ...USUAL, note: "empty: as the inlet" }),
    MASS,
  ],
};
const WHOLE = new Set(["series_count", "parallel_count", "legs"]);
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
  driving: "Disconnect the starter battery's negative first. Both ends of that cable are sources: fuse both.",
  generator:
    "Outdoors only, exhaust away from every opening, a carbon monoxide alarm awake and working, never beside sleepers. No back-feed into a hook-up; neutral bonding by its manual.",
  shore: "The mains side is licensed work where your region says so. Unplug the hook-up before opening anything.",
};

function PartSlate({ id }: { id: PartId }) {
  const say = useSaid();
  const { design, report, edit } = useVariant();
  const word = PARTS.find((p) => p.id === id)!;
  const catalogue = useCatalogue();
  const what = (id === "solar" ? null : design.power?.[id]) as Record<string, unknown> | null | undefined;
  const set = (key: string, value: unknown, label: string) => {
    const first = key === "mode" && value === "scheduled" && what?.on_h == null ? [{ op: "replace" as const, path: `/power/${id}/on_h`, value: 8 }] : [];
    const kept = key === "fuel" ? [{ op: "replace" as const, path: `/power/${id}/shares`, value: false }] : [];
    const number = WHOLE.has(key) && typeof value === "number" ? Math.max(1, Math.round(value)) : value;
    void edit([...first, ...kept, { op: "replace", path: `/power/${id}/${key}`, value: number }], `${word.word}: ${label}`);
  };
  const subject = id === "controller" ? "solar" : id;
  const figures = [FIGURES[id], `power/${id}/`].flatMap((p) => keysUnder(report, p)).filter((k, i, all) => !/\/(need|have)$/.test(k) && all.indexOf(k) === i);
  return (
    <Slate title={word.word} sub={fitted(design, id) ?? word.blurb}>
      <FindingList findings={report.findings.filter((f) => f.subject === subject)} />
      {CAUTION[id] && <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">{say(CAUTION[id] ?? "")}</p>}
      <ChoiceProperty
        label={say("from the catalogue", "wiring")}
        value={String(what?.part ?? "")}
        options={[
          { value: "", word: what ? "your own values" : "choose…" },
          ...(catalogue.data ?? []).filter((p) => p.kind === word.kind).map((p) => ({ value: p.key, word: `${p.name} (${p.maker})` })),
        ]}
        onSet={(key) => {
          const part = catalogue.data?.find((p) => p.key === key);
          if (part) void edit(fitPart(design, id, part), `${word.word}: ${part.name}`);
        }}
      />
      {!what && id === "bank" && (
        <ChoiceProperty
          label="or your own"
          value=""
          options={[{ value: "", word: "what is it made of?" }, ...OWN_BANKS]}
          onSet={(kind) => kind && void edit(ownBank(kind), "Bank: your own")}
        />
      )}
      {!what && id !== "bank" && (
        <button type="button" className="btn btn-slate mt-1" onClick={() => void edit(fitPart(design, id, null), `${word.word}: your own`)}>
          Give your own data-sheet values
        </button>
      )}
      {what && (
        <>
          <Fields specs={[words("name", "name")]} item={what as { name: string }} onSet={set} />
          {id === "controller" ? (
            <ControllerFields controller={what as never} onSet={set} />
          ) : (
            <Fields specs={SPECS[id as "bank"](what as never, design)} item={what as Fitted<"bank">} onSet={set} />
          )}
          {id === "bank" && <StationFields />}
          <FlagProperty
            label="you have it already"
            note="costs nothing more, and stays whatever is suggested"
            value={!!what.owned}
            onSet={(on) => set("owned", on, on ? "owned already" : "not owned")}
          />
          {(id === "driving" || id === "shore") && <ProfileFields profile={what.profile as never} onSet={(v) => set("profile", v, "charge profile")} />}
          {figures.length > 0 && <h3 className="mb-1 mt-3 font-display text-[14px]">Figures</h3>}
          <SlateFigs ks={figures} />
          <button type="button" className="btn btn-slate mt-2" onClick={() => void edit(unfit(id), `took out the ${word.word.toLowerCase()}`)}>
            Remove
          </button>
        </>
      )}
    </Slate>
  );
}

export function PowerSlate({ season }: { season: string }) {
  const say = useSaid();
  const { report } = useVariant();
  const hand = useHand();
  const { items } = useArrays();
  const sun = hand.kind === "power" && hand.id === "solar";
  const array = hand.kind === "array" ? items.find((a) => a.id === hand.id) : sun ? (items.find((a) => !a.controller) ?? items[0]) : undefined;
  if (array) return <ArraySlate a={array} />;
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
          <SlateFigs ks={h.figures as FigureKey[]} />
        </div>
      ))}
      {!p.headrooms.length && (
        <p className="text-chalk-dim">Take Bothy's proposal, or choose parts in the ledger; then each capacity stands here against its need.</p>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">A {say(seasonWord(season))} day</h3>
      {(["demand_wh", "solar_wh", "drive_wh", "supply_wh", "balance_wh", "days", "standing_days"] as const).map((k) => (
        <SlateFig key={k} k={`power/${season}/${k}`} />
      ))}
    </Slate>
  );
}

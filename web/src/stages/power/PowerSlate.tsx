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
import { says } from "../../words/power";
import { seasonWord } from "../life/words";
import { ArraySlate } from "./ArraySlate";
import { ControllerFields, ProfileFields } from "./ControllerFields";
import { useArrays } from "./edit";
import { fitPart, fitted, OWN_BANKS, ownBank, PARTS, type PartId, unfit } from "./parts";
import { StationFields } from "./StationFields";

const WIRINGS = [
  { value: "diagonal", word: says("diagonal") },
  { value: "same_end", word: says("both-leads-first") },
  { value: "busbar", word: says("equal-leads-busbars") },
] as const;
const MODES = [
  { value: "with_load", word: says("only-load") },
  { value: "always", word: says("all-day") },
  { value: "scheduled", word: says("clock") },
] as const;
const SCHOOLS = [
  { value: "dcdc", word: says("dc-dc-charger") },
  { value: "relay", word: says("relay") },
  { value: "second", word: says("second-alternator") },
] as const;
const WARMED = [
  { value: "on_charge", word: says("only-before-charged") },
  { value: "kept_warm", word: says("whenever-cells-get-cold") },
] as const;
const FUELS = [
  { value: "petrol", word: says("petrol") },
  { value: "diesel", word: says("diesel") },
  { value: "gas", word: says("gas-propane") },
] as const;
const SENSES = [
  { value: "ignition", word: says("ignition") },
  { value: "voltage", word: says("voltage-sees") },
] as const;
const UNLIKE = [
  { value: "none", word: says("all-alike") },
  { value: "age", word: says("different-age") },
  { value: "kind", word: says("different-make-type-size") },
] as const;
const VENTS = [
  { value: "none", word: says("nowhere") },
  { value: "outside", word: says("through-vent-outside") },
] as const;
const USUAL = { clearable: true, placeholder: says("typical") };
const MASS = quantity("mass_kg", says("mass-2"), "mass", "kg", USUAL);

type Fitted<P extends keyof NonNullable<Design["power"]>> = NonNullable<NonNullable<Design["power"]>[P]>;
/** What is asked of each part, by what was said of it before. */
const SPECS: { [P in Exclude<PartId, "solar" | "controller">]: (what: Fitted<P>, design: Design) => FieldSpec<Fitted<P>>[] } = {
  bank: (b) => [
    choice("chemistry", says("chemistry"), CHEMISTRIES),
    choice("wiring", says("take-off"), WIRINGS),
    flag("cold_charge_cutoff", says("refuses-charge-below-freezing"), says("own-cut-off-data")),
    quantity("unit_voltage_v", says("voltage-each"), "voltage", "V"),
    quantity("unit_charge_ah", says("charge-each"), "charge", "Ah"),
    count("series_count", says("series")),
    count("parallel_count", says("strings-parallel")),
    choice("unlike", says("batteries"), UNLIKE),
    ...(["agm", "gel", "flooded"].includes(String(b.chemistry)) ? [choice("vent", says("gas-leaves"), VENTS, { none: says("not-entered") })] : []),
    ...(b.chemistry === "flooded" ? [flag("beside_sparks", says("inverter-relay-switch-box"))] : []),
    quantity("unit_max_discharge_a", says("largest-discharge-each"), "current", "A", USUAL),
    quantity("unit_max_charge_a", says("largest-charge-each"), "current", "A", USUAL),
    quantity("unit_mass_kg", says("mass-each"), "mass", "kg", USUAL),
    quantity("unit_resistance_mohm", says("resistance-each"), "resistance", "mΩ", {
      ...USUAL,
      note: says("data-sheet-posts-what"),
    }),
    quantity("usable_frac", says("usable-depth-discharge"), "fraction", "", {
      clearable: true,
      placeholder: says("usual-2"),
      note: says("deeper-gives-more-wears"),
    }),
    quantity("charge_to_frac", says("charged"), "fraction", "", { clearable: true, placeholder: says("full"), note: says("less-spares-bank-stands") }),
    ...(["agm", "gel", "flooded"].includes(String(b.chemistry))
      ? [quantity("peukert_exponent", says("peukert-exponent"), "count", "", { clearable: true, placeholder: says("usual-2"), note: says("counts-label") })]
      : []),
    quantity("heater_power_w", says("own-heater-each"), "power", "W"),
    ...(Number(b.heater_power_w ?? 0) > 0
      ? [
          choice("heater_when", says("warms-cells"), WARMED),
          quantity("heat_loss_w_k", says("whole-bank-loses-air"), "conductance", "W/K", {
            clearable: true,
            placeholder: says("bare"),
            note: says("about-insulated-box"),
          }),
        ]
      : []),
  ],
  inverter: (v, design) => [
    choice("mode", says("switched"), MODES),
    ...(v.mode === "scheduled" ? [quantity("on_h", says("hours-day"), "time", "h")] : []),
    flag("pure_sine", says("pure-sine-wave")),
    choice(
      "cabinet",
      says("stands-2"),
      (design.warmth?.cabinets ?? []).map((c) => ({ value: c.id, word: c.name ?? c.id })),
      {
        none: says("open-not-entered"),
        note: design.warmth?.cabinets?.length ? says("hot-cabinet-heat-air") : says("hot-cabinets-named-heat"),
      },
    ),
    quantity("rating_w", says("continuous-rating"), "power", "W"),
    quantity("surge_power_w", says("short-time-rating"), "power", "W", USUAL),
    quantity("idle_w", says("own-use-no-load"), "power", "W", USUAL),
    quantity("efficiency_frac", says("full-load-efficiency"), "fraction", "", USUAL),
    MASS,
  ],
  driving: (d) => [
    choice("school", says("by"), SCHOOLS),
    quantity("rating_a", d.school === "relay" ? says("what-relay-carries") : says("charge-current"), "current", "A"),
    choice("sense", says("switched-2"), SENSES, { none: says("not-entered") }),
    MASS,
  ],
  generator: (g) => [
    choice("fuel", says("fuel"), FUELS),
    quantity("rating_w", says("continuous-power-sea-level"), "power", "W"),
    g.fuel === "gas"
      ? quantity("full_per_h", says("fuel-per-hour-power"), "mass", "kg", USUAL)
      : quantity("full_per_h", says("fuel-per-hour-power"), "volume", "L", USUAL),
    ...(g.fuel === "diesel" || g.fuel === "gas"
      ? [flag("shares", g.fuel === "gas" ? says("gas-vessels") : says("heaters-tank"), says("counts-once-there-one"))]
      : []),
    ...(g.shares
      ? []
      : [
          g.fuel === "gas"
            ? quantity("store", says("size-own-cylinder"), "mass", "kg", { clearable: true, placeholder: says("not-counted") })
            : quantity("store", says("fuel-can-size"), "volume", "L", { clearable: true, placeholder: says("not-counted") }),
        ]),
    MASS,
  ],
  shore: () => [
    quantity("charger_current_a", says("charge-current"), "current", "A"),
    quantity("inlet_current_a", says("inlet"), "current", "A", { ...USUAL, note: says("empty-regions-usual") }),
    { ...quantity("legs", says("live-legs"), "count", ""), note: says("supply-v") },
    quantity("supply_current_a", says("pitch-supply"), "current", "A", { ...USUAL, note: says("empty-inlet") }),
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
  bank: says("bank-pushes-thousands-amps"),
  inverter: says("output-mains-can-kill"),
  driving: says("disconnect-starter-batterys-negative"),
  generator: says("outdoors-only-exhaust-away"),
  shore: says("mains-side-licensed-work"),
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
        label={say(says("catalogue"), "wiring")}
        value={String(what?.part ?? "")}
        options={[
          { value: "", word: what ? says("your-own-values") : says("choose") },
          ...(catalogue.data ?? []).filter((p) => p.kind === word.kind).map((p) => ({ value: p.key, word: `${p.name} (${p.maker})` })),
        ]}
        onSet={(key) => {
          const part = catalogue.data?.find((p) => p.key === key);
          if (part) void edit(fitPart(design, id, part), `${word.word}: ${part.name}`);
        }}
      />
      {!what && id === "bank" && (
        <ChoiceProperty
          label={says("your-own")}
          value=""
          options={[{ value: "", word: says("what-made") }, ...OWN_BANKS]}
          onSet={(kind) => kind && void edit(ownBank(kind), says("bank-your-own"))}
        />
      )}
      {!what && id !== "bank" && (
        <button type="button" className="btn btn-slate mt-1" onClick={() => void edit(fitPart(design, id, null), says("your-own-2", { word: word.word }))}>
          {says("give-your-own-data")}
        </button>
      )}
      {what && (
        <>
          <Fields specs={[words("name", says("name"))]} item={what as { name: string }} onSet={set} />
          {id === "controller" ? (
            <ControllerFields controller={what as never} onSet={set} />
          ) : (
            <Fields specs={SPECS[id as "bank"](what as never, design)} item={what as Fitted<"bank">} onSet={set} />
          )}
          {id === "bank" && <StationFields />}
          <FlagProperty
            label={says("you-have-already")}
            note={says("costs-nothing-more-stays")}
            value={!!what.owned}
            onSet={(on) => set("owned", on, on ? says("owned-already") : says("not-owned"))}
          />
          {(id === "driving" || id === "shore") && <ProfileFields profile={what.profile as never} onSet={(v) => set("profile", v, says("charge-profile"))} />}
          {figures.length > 0 && <h3 className="mb-1 mt-3 font-display text-[14px]">{says("figures")}</h3>}
          <SlateFigs ks={figures} />
          <button type="button" className="btn btn-slate mt-2" onClick={() => void edit(unfit(id), says("took-out", { word: word.word.toLowerCase() }))}>
            {says("remove")}
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
    <Slate title={says("power")} sub={p.limits ? says("what-limits", { limits_text: p.limits_text }) : says("nothing-chosen-yet")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "power")} />
      <h3 className="mb-1 mt-2 font-display text-[14px]">{says("need-against-have")}</h3>
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
      {!p.headrooms.length && <p className="text-chalk-dim">{says("take-bothys-proposal-choose")}</p>}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("day", { season: say(seasonWord(season)) })}</h3>
      {(["demand_wh", "solar_wh", "drive_wh", "supply_wh", "balance_wh", "days", "standing_days"] as const).map((k) => (
        <SlateFig key={k} k={`power/${season}/${k}`} />
      ))}
    </Slate>
  );
}

/** What an entry of the record says, in words and in the reader's units. */
import type { Schemas } from "../../data/client";
import { money, type RegionKey } from "../../data/said";
import { percent, show, type UnitSystem } from "../../data/show";
import { says } from "../../words/prove";
import { PRE_TRIP, wordOf } from "../gas/words";

export type Entry = Schemas["EvidenceItem"];
type Payload = Record<string, unknown>;

export const KIND: Record<string, string> = {
  reading: says("reading-3"),
  water_test: says("pressure-test"),
  gas_test: says("leak-test"),
  gas_check: says("reading-gas"),
  pre_trip: says("look-before-trip"),
  weighing: says("weighing"),
  log: says("work"),
  seen: says("behind-wall"),
  closing: says("wall-closed"),
  purchase: says("purchase"),
  stock: says("stock"),
  quote: says("quote"),
  punch: says("small-thing-mend"),
  as_built: says("built-otherwise"),
  paper: says("paper"),
  service: says("maintenance"),
  step: says("test-step"),
  repair: says("repair"),
  photo: says("photograph"),
};

type Step = { title: string; unit: string };
/** What an entry is told with: the reader's units, the region's money, and the steps of commissioning by id. */
export type Telling = { units: UnitSystem; region: RegionKey; steps: ReadonlyMap<string, Step> };

const READ: [key: string, label: string, unit: string][] = [
  ["source_voltage_v", says("bank"), "V"],
  ["load_voltage_v", says("load"), "V"],
  ["current_a", "", "A"],
  ["shunt_a", says("monitor"), "A"],
  ["loop_mohm", says("loop-5"), "mΩ"],
];
const GAS: Record<string, [label: string, unit: string]> = {
  working: [says("all-burning"), "mbar"],
  lock_up: [says("all-off"), "mbar"],
  flame_failure: [says("flame-failure-after"), "s"],
};

const text = (x: unknown): string => (typeof x === "string" ? x.trim() : "");
const number = (x: unknown): x is number => typeof x === "number";
const listed = (...parts: (string | false | null | undefined)[]): string => parts.filter(Boolean).join(", ");
/** An id as words where nothing has a better name for it. */
export const fromId = (id: string): string => id.replace(/[_-]/g, " ").replace(/:/g, ", ");

function held(p: Payload, t: Telling): string {
  const unit = "start_kpa" in p ? "kpa" : "mbar";
  const amount = (key: string) => show(Number(p[`${key}_${unit}`]), unit === "kpa" ? "kPa" : "mbar", t.units, 4);
  return says("to-in", { start: amount("start"), end: amount("end"), duration_min: show(Number(p.duration_min), "min", t.units, 4) });
}

function stepSays(p: Payload, t: Telling): string {
  const value = number(p.value) && show(p.value, t.steps.get(String(p.id))?.unit ?? "", t.units, 4);
  return listed(p.ok === true ? says("should-2") : p.ok === false ? says("not-should") : "", value, p.simulated === true && says("entry-simulated"));
}

function weighed(p: Payload, t: Telling): string {
  const kg = (key: string) => (number(p[key]) ? show(p[key], "kg", t.units, 5) : "");
  return listed(says("entry-axles", { front_kg: kg("front_kg"), rear_kg: kg("rear_kg") }), number(p.left_kg) && says("left-side", { left_kg: kg("left_kg") }));
}

function worked(p: Payload): string {
  const items = Array.isArray(p.items) ? p.items.length : 0;
  const done = number(p.done_frac) ? p.done_frac : 1;
  return listed(
    number(p.hours) && p.hours > 0 && show(p.hours, "h"),
    done >= 1 ? says("entry-done") : percent(done),
    items > 0 && says("entry-ticked", { items }),
  );
}

function bought(p: Payload, t: Telling): string {
  const came = number(p.received) && number(p.expected) ? says("came", { received: p.received, expected: p.expected }) : "";
  return listed(
    text(p.status),
    came,
    number(p.damaged) && p.damaged > 0 && says("entry-damaged", { damaged: p.damaged }),
    number(p.price) && money(p.price, t.region),
  );
}

const SAYS: Record<string, (p: Payload, t: Telling) => string> = {
  reading: (p, t) => listed(...READ.map(([k, label, u]) => number(p[k]) && `${label} ${show(p[k], u, t.units, 4)}`.trim())),
  water_test: held,
  gas_test: held,
  gas_check: (p, t) => {
    const [label, unit] = GAS[String(p.kind)] ?? ["", ""];
    return `${label} ${show(Number(p.value), unit, t.units, 4)}`;
  },
  pre_trip: (p) => (Array.isArray(p.seen) && p.seen.length ? p.seen.map((x) => wordOf(PRE_TRIP, String(x))).join("; ") : says("nothing-ticked")),
  weighing: weighed,
  log: worked,
  seen: (p) =>
    listed(
      p.done === true && says("entry-done"),
      p.tested === true && says("entry-tested"),
      p.labelled === true && says("entry-labelled"),
      p.photo === true && says("entry-photographed"),
      !!p.waived && says("entry-waived", { waived: text(p.waived) }),
    ),
  closing: (p) => (p.opened === true ? says("opened-again") : says("closed")),
  purchase: bought,
  stock: (p, t) => listed(number(p.amount) && show(p.amount, text(p.unit), t.units), text(p.place)),
  quote: (p, t) => listed(text(p.supplier), number(p.price) && money(p.price, t.region), number(p.lead_days) && says("entry-days", { lead_days: p.lead_days })),
  punch: (p) => (text(p.done_on) ? says("mended-4") : p.must === true ? says("mend-before-driven") : says("mend")),
  as_built: (p) => listed(text(p.designed) && says("entry-designed", { designed: text(p.designed) }), says("entry-built", { built: text(p.built) })),
  paper: (p) =>
    listed(text(p.number) && says("entry-number", { number: text(p.number) }), text(p.licence) && says("entry-licence", { licence: text(p.licence) })) ||
    says("entered"),
  service: (p, t) =>
    listed(
      says("entry-done"),
      number(p.odometer_km) && says("entry-at", { odometer_km: show(p.odometer_km, "km", t.units, 6) }),
      number(p.cost) && money(p.cost, t.region),
    ),
  step: stepSays,
  repair: (p) => fromId(text(p.cause)),
  photo: (p) => text(p.note) || says("taken-2"),
};

/** What an entry says, short; never empty. */
export function said(e: Entry, t: Telling): string {
  if (!e.payload) return says("struck-2");
  return listed(SAYS[e.kind]?.(e.payload, t), e.kind !== "photo" && text(e.payload.note)) || says("noted");
}

/** What an entry is of: a circuit's or a step's name, the entry's own, else its id as words. */
export function ofWhat(e: Entry, circuits: ReadonlyMap<string, string>, t: Telling): string {
  const own = text(e.payload?.name);
  return (
    circuits.get(e.subject) ??
    t.steps.get(e.subject)?.title ??
    (own || (e.kind === "gas_check" ? says("gas-2") : fromId(text(e.payload?.subject) || e.subject)))
  );
}

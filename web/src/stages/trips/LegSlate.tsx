/** The slate of a leg: where, how long, when it is driven, what feeds and fills it, and its days. */
import type { Design } from "../../data/client";
import { dayMonth } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, count, type FieldSpec, Fields, flag, quantity } from "../../parts/Fields";
import { TextProperty } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/trips";
import { type Leg, useLegEdits } from "./edit";
import { usePlaceOptions } from "./places";
import type { TripRun } from "./run";
import { Refills } from "./WarmTrip";
import { DAY_TYPES, percent } from "./words";

const hours = <K extends string>(key: K, label: string, note?: string) => quantity(key, label, "time", "h", { note });
const AT = says("hour-day");

function specsOf(leg: Leg, design: Design, places: { value: string; word: string }[]): FieldSpec<Leg>[] {
  return [
    choice("place", says("place"), places),
    count("days_count", says("days")),
    hours("drive_h", leg.drive_daily ? says("driving-each-day") : says("driving-first-day")),
    hours("drive_start_h", says("setting-off"), AT),
    ...(leg.drive_h
      ? [
          hours("again_h", says("driving-again"), says("second-drive-day")),
          ...(leg.again_h ? [hours("again_start_h", says("and-that-at"), AT)] : []),
          flag("drive_daily", says("every-day"), says("else-first-only")),
        ]
      : []),
    flag("shore", says("hooked-up-2"), says("all-days")),
    ...(design.power?.generator || leg.generator_h
      ? [
          hours("generator_h", says("generator-day"), leg.shore ? says("not-while-hooked-up") : says("own-days")),
          hours("generator_start_h", says("started"), AT),
        ]
      : []),
    choice("day_type", says("days-2"), DAY_TYPES),
    count("heading_deg", says("nose-points-north"), { note: says("matters-tilted-panels"), clearable: true, placeholder: says("unknown") }),
    count("persons", says("people"), { clearable: true, placeholder: says("daily-use", { people: design.life?.people ?? 2 }) }),
  ];
}

/** Days and people are whole, a day at the least; filling up is before midnight. */
function fitting(key: string, value: unknown): unknown {
  if (typeof value !== "number") return value;
  if (key === "days_count") return Math.max(1, Math.round(value));
  return key === "persons" ? Math.round(value) : key === "refill_h" ? Math.min(23.75, value) : value;
}

export function LegSlate({ leg, run }: { leg: Leg; run: TripRun | undefined }) {
  const say = useSaid();
  const { design } = useVariant();
  const { set, remove } = useLegEdits();
  const { options, nameOf } = usePlaceOptions();
  const days = (run?.days ?? []).filter((d) => d.leg === leg.id);
  const put = (key: string, value: unknown, what: string) => void set(leg, { [key]: fitting(key, value) } as Partial<Leg>, what);
  return (
    <Slate title={nameOf(leg.place)} sub={says("days-trip", { days_count: leg.days_count ?? 1 })}>
      <Fields specs={specsOf(leg, design, options)} item={leg} onSet={put} />
      <Refills leg={leg} />
      {(leg.refills ?? []).length > 0 && <Fields specs={[hours("refill_h", says("filled-emptied"), says("hour-first-day"))]} item={leg} onSet={put} />}
      <TextProperty label={says("note")} area value={leg.note ?? ""} onSet={(note) => void set(leg, { note }, says("note"))} />
      {days.length > 0 && (
        <table className="num mt-2 w-full border-collapse text-[11.5px]" aria-label={says("days-3")}>
          <thead>
            <tr className="text-chalk-dim">
              <th className="text-left font-normal">{says("day")}</th>
              <th className="text-right font-normal">{says("sun-wh")}</th>
              <th className="text-right font-normal">{says("used-wh")}</th>
              <th className="text-right font-normal">{says("least")}</th>
              <th className="text-right font-normal">{says("short")}</th>
            </tr>
          </thead>
          <tbody>
            {days.map((d) => (
              <tr key={d.date}>
                <td>{say(dayMonth(d.date))}</td>
                <td className="text-right">{Math.round(d.sun_wh)}</td>
                <td className="text-right">{Math.round(d.load_wh)}</td>
                <td className="text-right">{percent(d.least_soc_p10)}</td>
                <td className={`text-right ${d.short_frac > 0 ? "text-[#f08a70]" : ""}`}>{d.short_frac > 0 ? percent(d.short_frac) : "–"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <button type="button" className="btn btn-slate mt-2" onClick={() => void remove(leg)}>
        {says("remove-trip")}
      </button>
    </Slate>
  );
}

/** Stage 4, Trips: will it last? The itinerary through many weathers. */

import { useCallback, useState } from "react";
import { dayYear, show } from "../../data/show";
import { useTrip } from "../../data/trip";
import { useVariant } from "../../data/variant";
import { type Column, Ledger } from "../../parts/Ledger";
import { Token } from "../../parts/Token";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/trips";
import { BringInItinerary } from "./BringInItinerary";
import { firstOf, type Leg, useLegEdits } from "./edit";
import { FindParts } from "./FindParts";
import { Lanes } from "./Lanes";
import { MonthLedger } from "./Live";
import { Measured } from "./Measured";
import { PlacesView } from "./PlacesView";
import { usePlaceOptions } from "./places";
import { sentenceOf } from "./run";
import { SideBySide } from "./SideBySide";
import { TripSlate } from "./TripSlate";
import { ViewSwitch } from "./ViewSwitch";
import { useView } from "./views";
import { DAY_TYPES, HOOKED } from "./words";

export function Component() {
  const { view } = useView();
  const View = { trip: Trip, parts: FindParts, beside: SideBySide, places: PlacesView, measured: Measured }[view];
  return <View />;
}

function Trip() {
  const say = useSaid();
  const { id, design, report, edit } = useVariant();
  const { legs, set, remove, move, duplicate, add } = useLegEdits();
  const { options, nameOf, known } = usePlaceOptions();
  const hand = useHand();
  const found = useTrip();
  const [fresh, setFresh] = useState<string | null>(null);
  const live = design.trips?.live;
  const [bringing, setBringing] = useState(false);
  const rowId = useCallback((l: Leg) => l.id, []);
  const run = legs.length || live ? found.data : undefined;
  const home = design.life?.place ?? known.find((p) => p.name === report.life.place_name)?.place ?? "london";
  const start = firstOf(design.life?.from_month ?? 6);
  const create = useCallback(async () => {
    const made = await add(legs.at(-1)?.place ?? home, start);
    if (made) {
      setFresh(made);
      hand.pick("leg", made);
    }
  }, [add, legs, home, start, hand.pick]);
  useCall("bothy:new", create);
  let day = 0;
  const begins = new Map(
    legs.map((l) => {
      const at = day;
      day += l.days_count ?? 1;
      return [l.id, run?.days[at]?.date ?? ""];
    }),
  );
  const daysOf = (l: Leg) => (run?.days ?? []).filter((d) => d.leg === l.id);
  const columns: Column<Leg>[] = [
    {
      key: "place",
      label: says("place"),
      width: "19%",
      kind: "choice",
      options,
      show: (l) => nameOf(l.place),
      value: (l) => l.place,
      set: (l, place) => void set(l, { place }, says("place")),
    },
    {
      key: "from",
      label: says("from"),
      width: "14%",
      kind: "computed",
      show: (l) => (begins.get(l.id) ? say(dayYear(begins.get(l.id)!)) : <span className="text-dim">–</span>),
    },
    {
      key: "days",
      label: says("days"),
      width: "8%",
      align: "right",
      kind: "quantity",
      show: (l) => l.days_count,
      value: (l) => l.days_count,
      dimension: "count",
      unit: "",
      set: (l, q) => void set(l, { days_count: Math.max(1, Math.round(q?.value ?? 1)) }, says("days")),
    },
    {
      key: "drive",
      label: says("driving"),
      width: "10%",
      align: "right",
      kind: "quantity",
      show: (l) => (l.drive_h ? show(l.drive_h, "h") : <span className="text-dim">–</span>),
      value: (l) => l.drive_h,
      dimension: "time",
      unit: "h",
      clearable: true,
      set: (l, q) => void set(l, { drive_h: q?.value ?? 0 }, says("driving")),
    },
    {
      key: "shore",
      label: says("has-hook-up"),
      width: "11%",
      kind: "choice",
      options: HOOKED,
      show: (l) => (l.shore ? say(says("hooked-up-2")) : <span className="text-dim">{says("no")}</span>),
      value: (l) => (l.shore ? "yes" : ""),
      set: (l, v) => void set(l, { shore: v === "yes" }, says("has-hook-up")),
    },
    {
      key: "kind",
      label: says("days-2"),
      width: "10%",
      kind: "choice",
      options: DAY_TYPES,
      show: (l) => DAY_TYPES.find((t) => t.value === (l.day_type ?? "parked"))?.word,
      value: (l) => l.day_type ?? "parked",
      set: (l, v) => void set(l, { day_type: v as Leg["day_type"] }, says("kind-day")),
    },
    {
      key: "least",
      label: says("least-charge"),
      width: "14%",
      align: "right",
      kind: "computed",
      show: (l) => (daysOf(l).length ? `${Math.round(100 * Math.min(...daysOf(l).map((d) => d.least_soc_p10)))} %` : "–"),
    },
    {
      key: "short",
      label: says("short-days-3"),
      width: "14%",
      align: "right",
      kind: "computed",
      show: (l) => {
        const days = daysOf(l);
        const short = days.reduce((sum, d) => sum + d.short_frac, 0);
        return <span className={short > 0 ? "font-semibold text-rust" : ""}>{days.length ? says("of-2", { short, days_count: days.length }) : "–"}</span>;
      },
    },
  ];
  const missing = design.power?.bank == null ? says("bank-missing-choose-one") : null;
  return (
    <Bench
      title={says("trips")}
      sentence={
        live ? (
          <>
            {says("living", { place: nameOf(live.place) })}{" "}
            <Token
              path="/trips/start_date"
              label={says("first-day")}
              text={design.trips?.start_date ?? start}
              shown={design.trips?.start_date ?? says("day-said")}
            />{" "}
            {says("days-5", { days_count: live.days_count, run: run ? sentenceOf(run) : (missing ?? "") })}
          </>
        ) : legs.length ? (
          <>
            {says("from-2")}{" "}
            <Token
              path="/trips/start_date"
              label={says("first-day")}
              text={design.trips?.start_date ?? start}
              shown={design.trips?.start_date ?? says("day-said")}
            />{" "}
            {says("day-days-place-places", { day, legs_count: legs.length, run: run ? sentenceOf(run) : (missing ?? "") })}
          </>
        ) : (
          say(says("no-trip-yet-add"))
        )
      }
      picture={run ? <Lanes run={run} dim={found.isPlaceholderData} /> : undefined}
      tools={
        <>
          <ViewSwitch />
          {!live && (
            <button type="button" className="btn btn-main" onClick={() => void create()}>
              {says("add-place-n")}
            </button>
          )}
          <button type="button" className="btn" title={says("itinerary-table-csv-xlsx")} onClick={() => setBringing(true)}>
            {says("import-2")}
          </button>
          {legs.length > 0 && !live && (
            <a className="btn" href={`/api/variants/${id}/export/itinerary.csv`} download>
              {says("export-csv")}
            </a>
          )}
          <button
            type="button"
            className="btn"
            aria-pressed={live != null}
            title={says("no-plan-month-month")}
            onClick={() => {
              const first = design.trips?.start_date == null ? [{ op: "replace" as const, path: "/trips/start_date", value: start }] : [];
              const value = live ? null : { place: legs[0]?.place ?? home };
              void edit([...first, { op: "replace", path: "/trips/live", value }], live ? says("back-planned-trip") : says("just-living-there"));
            }}
          >
            {live ? says("back-plan") : says("just-live-there")}
          </button>
        </>
      }
      ledger={
        <>
          {missing && legs.length > 0 && (
            <p role="status" className="m-2">
              {missing}
            </p>
          )}
          {found.error && (
            <p role="alert" className="m-2 text-rust">
              {found.error.message}
            </p>
          )}
          {bringing ? (
            <BringInItinerary onClose={() => setBringing(false)} />
          ) : live ? (
            <MonthLedger run={run} />
          ) : (
            <Ledger
              label={says("itinerary")}
              rows={legs}
              columns={columns}
              id={rowId}
              selected={hand.kind === "leg" ? hand.id : undefined}
              onSelect={(l) => hand.pick("leg", l.id)}
              onAdd={() => void create()}
              onRemove={(l) => void remove(l)}
              onDuplicate={(l) => setFresh(duplicate(l))}
              onMove={(l, by) => void move(l, by)}
              focusNew={fresh}
              empty={
                <p className="m-0 max-w-xl text-[15px]">
                  {says("will-last-press")}{" "}
                  <button type="button" className="btn btn-main" onClick={() => void create()}>
                    {says("add-place-2")}
                  </button>{" "}
                  {says("week-then-change-where", { home: nameOf(home), start })}
                </p>
              }
            />
          )}
        </>
      }
      slate={<TripSlate run={run} error={found.error?.message ?? null} />}
    />
  );
}

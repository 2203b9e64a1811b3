/** Gas on paper: the card for an emergency, appliances, vessels, the pipe tree with its valves, dates, the route, the fitter's test sheet and the look before a trip. */
import { show } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { useGas } from "../stages/gas/edit";
import { PipePicture } from "../stages/gas/PipePicture";
import { CHECKS, dropWord, GASES, KINDS, limitWord, OUTLETS, PRE_TRIP, SMELL, VERDICT, wordOf } from "../stages/gas/words";
import { Table } from "./Lists";

export function GasSheets() {
  const say = useSaid();
  const { design, report } = useVariant();
  const checks = design.facts?.gas_checks ?? [];
  const { units } = usePerson();
  const { g, part } = useGas();
  if (!part.aboard) return <p>There is no gas on board, so there is nothing to print.</p>;
  const kg = (v: number | null | undefined) => show(v, "kg", units);
  const years = (n: number) => `${n} ${n === 1 ? "year" : "years"}`;
  const life = (key: string) => years(part.life_years[key]!);
  const c = g.certificate;
  return (
    <>
      <section className="mb-3 break-inside-avoid border-2 border-black p-2 text-[13px]">
        <h2 className="m-0 font-display text-[16px]">If it smells of gas</h2>
        <p className="m-0">{SMELL} Come back only when it is aired; have the system tested before it is used again.</p>
        <p className="m-0 text-[11px]">
          {say(
            `${report.region_name}: ${part.law.installs} Paper: ${part.law.paper}; ${part.law.afterwards}. Usual of the region: ask what holds where you are.`,
          )}
        </p>
      </section>
      <Table
        title="Appliances"
        note={say(
          `${wordOf(GASES, g.gas ?? "propane")}, ${part.nominal_mbar} mbar; everything on ${part.peak_kg_h.toFixed(2)} kg/h; ${kg(part.total_kg_day)} a day.`,
        )}
        heads={["appliance", "kind", "pieces", "input, each", "g/h, each", "a day", "room-sealed", "flame failure", "own valve"]}
        rows={(g.appliances ?? []).map((a) => [
          a.name,
          wordOf(KINDS, a.kind),
          String(a.count),
          show(part.burns[a.id]?.input_w, "W", units),
          (part.burns[a.id]?.rate_g_h ?? 0).toFixed(0),
          kg((part.burns[a.id]?.use_g_day ?? 0) / 1000),
          a.room_sealed ? "yes" : "no",
          a.flame_failure ? "yes" : "no",
          a.valve ? "yes" : "no",
        ])}
      />
      <Table
        title="Vessels"
        note={`${part.days == null ? "" : `${part.days.toFixed(1)} days with the reserve. `}At ${show(part.coldest_c, "°C", units)}: ${Math.round(100 * part.usable_frac)} % come out.`}
        heads={["vessel", "pieces", "gas in one", "full mass, all", "straps must hold", "outlet"]}
        rows={(g.vessels ?? []).map((v) => [
          v.name,
          String(v.count),
          kg(part.vessels[v.id]?.capacity_kg),
          kg(part.vessels[v.id]?.full_mass_kg),
          `${((part.vessels[v.id]?.need_n ?? 0) / 1000).toFixed(1)} kN`,
          v.outlet ? wordOf(OUTLETS, v.outlet) : "the region’s",
        ])}
      />
      {(g.pipes ?? []).length > 0 && (
        <section className="mb-4 mt-4 break-inside-avoid">
          <h2 className="m-0 mb-1 font-display text-[16px]">Pipes and valves</h2>
          <PipePicture />
        </section>
      )}
      <Table
        title="Runs"
        heads={["run", "begins at", "length", "bore", "takes", "at its end", "read"]}
        rows={(g.pipes ?? []).map((p) => {
          const r = part.pipes?.runs[p.id];
          return [
            p.name,
            (g.pipes ?? []).find((x) => x.id === p.parent)?.name ?? "regulator",
            show(p.length_m, "m", units),
            r ? say(`${r.inner_diameter_mm} mm`) : "",
            r ? say(`${r.drop_mbar.toFixed(2)} mbar`) : "",
            r ? say(`${r.end_mbar.toFixed(2)} mbar`) : "",
            "",
          ];
        })}
      />
      <Table
        title="Dates"
        heads={["part", "age", "replace after"]}
        rows={[
          ...(g.regulator
            ? [[g.regulator.name ?? "Regulator", g.regulator.age_years == null ? "not entered" : years(g.regulator.age_years), life("regulator")]]
            : []),
          ...(g.hoses ?? []).map((h) => [h.name, h.age_years == null ? "no date" : years(h.age_years), life(h.id)]),
          ...(c ? [[c.name ?? "Certificate", `${c.months_ago.toFixed(0)} months`, `${part.law.months} months`]] : []),
        ]}
      />
      {part.countries.length > 0 && (
        <Table
          title="On the way"
          note="Usual of each country; ask before the trip. Only a vessel with an 80 % stop valve is filled at a pump."
          heads={["country", "days", "needs", "outlet fits", "exchange", "pump", "note"]}
          rows={part.countries.map((x) => [
            x.name[0]!.toUpperCase() + x.name.slice(1),
            String(x.days),
            kg(x.need_kg),
            x.fits ? "yes" : "no",
            x.exchange ? "yes" : "no",
            x.pump ? "yes" : "no",
            x.note,
          ])}
        />
      )}
      <Table
        title="The fitter’s test sheet"
        note={say(
          `To be done and signed by the licensed person. ${part.test_mbar} mbar of air at the regulator’s outlet, appliances isolated, never a flame. Volume of the pipes ${(part.pipes?.volume_l ?? 0).toFixed(2)} L.`,
        )}
        heads={["step", "limit", "read", "by, licence, when"]}
        rows={[
          ["Leak test: start, end, minutes, °C at both", "no drop that the gauge shows", "", ""],
          ["Each appliance’s valve opened in turn at working pressure", "no drop", "", ""],
          ["Bubble fluid on every joint", "no bubble", "", ""],
          ["Pressure at the far appliance, everything burning", say(`at least ${limitWord(part.working_min_mbar)} mbar`), "", ""],
          ["Pressure with all off, after 5 min", say(`at most ${limitWord(part.lock_up_max_mbar)} mbar`), "", ""],
          ["Flame failure of each burner", "60 s; an oven 90 s", "", ""],
          ["Locker’s drain clear, vents free", "", "", ""],
        ]}
      />
      {part.tests.length > 0 && (
        <Table
          title="Leak tests on record"
          heads={["test", "date", "by", "fell by", "verdict", "signed", "changed since"]}
          rows={part.tests.map((t) => [
            t.name,
            t.on,
            t.who,
            say(`${dropWord(t.corrected_drop_mbar)} mbar`),
            VERDICT[t.verdict] ?? t.verdict,
            t.signed ? "yes" : "no",
            t.changed.length ? "yes" : "no",
          ])}
        />
      )}
      {checks.length > 0 && (
        <Table
          title="Readings on record"
          heads={["reading", "read", "limit", "in its limit", "date", "by"]}
          rows={checks.map((x) => {
            const r = part.checks[x.id];
            return [
              wordOf(CHECKS, x.kind),
              say(`${x.value} ${r?.unit ?? ""}`),
              r ? say(`${limitWord(r.limit)} ${r.unit}`) : "",
              r?.ok ? "yes" : "no",
              x.on ?? "",
              x.who ?? "",
            ];
          })}
        />
      )}
      <Table title="Before a trip" heads={["look at", "done, by, when"]} rows={PRE_TRIP.map((x) => [x.word[0]!.toUpperCase() + x.word.slice(1), ""])} />
    </>
  );
}

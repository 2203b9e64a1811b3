/** Gas on paper: the card for an emergency, appliances, vessels, the pipe tree with its valves, dates, the route, the fitter's test sheet and the look before a trip. */
import { HEAT_W, show, unitFor } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { useGas } from "../stages/gas/edit";
import { PipePicture } from "../stages/gas/PipePicture";
import { CHECKS, dropWord, GASES, KINDS, limitWord, OUTLETS, PRE_TRIP, SMELL, VERDICT, wordOf } from "../stages/gas/words";
import { says } from "../words/print";
import { Table } from "./Lists";

export function GasSheets() {
  const say = useSaid();
  const { design, report } = useVariant();
  const checks = design.facts?.gas_checks ?? [];
  const { units } = usePerson();
  const { g, part } = useGas();
  if (!part.aboard) return <p>{says("there-no-gas-board")}</p>;
  const kg = (v: number | null | undefined) => show(v, "kg", units);
  const years = (n: number) => says("year-years", { n });
  const life = (key: string) => years(part.life_years[key]!);
  const c = g.certificate;
  return (
    <>
      <section className="mb-3 break-inside-avoid border-2 border-black p-2 text-[13px]">
        <h2 className="m-0 font-display text-[16px]">{says("if-smells-gas")}</h2>
        <p className="m-0">{says("come-back-only-when", { smell: SMELL })}</p>
        <p className="m-0 text-[11px]">
          {say(
            says("paper-usual-region-ask", {
              region_name: report.region_name,
              installs: part.law.installs,
              paper: part.law.paper,
              afterwards: part.law.afterwards,
            }),
          )}
        </p>
      </section>
      <Table
        title={says("appliances")}
        note={say(
          says("mbar-everything-kg-h", {
            gases: wordOf(GASES, g.gas ?? "propane"),
            nominal_mbar: part.nominal_mbar,
            peak_kg_h: part.peak_kg_h,
            total_kg_day: kg(part.total_kg_day),
          }),
        )}
        heads={[
          says("appliance"),
          says("kind"),
          says("pieces"),
          says("input-each"),
          says("g-h-each"),
          says("day"),
          says("room-sealed"),
          says("flame-failure"),
          says("own-valve"),
        ]}
        rows={(g.appliances ?? []).map((a) => [
          a.name,
          wordOf(KINDS, a.kind),
          String(a.count),
          show(part.burns[a.id]?.input_w, HEAT_W, units),
          show(Math.round(part.burns[a.id]?.rate_g_h ?? 0), "g/h", units),
          kg((part.burns[a.id]?.use_g_day ?? 0) / 1000),
          a.room_sealed ? says("yes") : says("no"),
          a.flame_failure ? says("yes") : says("no"),
          a.valve ? says("yes") : says("no"),
        ])}
      />
      <Table
        title={says("vessels")}
        note={says("days-reserve-come-out", {
          no_days: part.days == null,
          days: part.days ?? 0,
          coldest_c: show(part.coldest_c, "°C", units),
          usable_frac: Math.round(100 * part.usable_frac),
        })}
        heads={[says("vessel"), says("pieces"), says("gas-one"), says("full-mass-all"), says("straps-must-hold"), says("outlet")]}
        rows={(g.vessels ?? []).map((v) => [
          v.name,
          String(v.count),
          kg(part.vessels[v.id]?.capacity_kg),
          kg(part.vessels[v.id]?.full_mass_kg),
          show((part.vessels[v.id]?.need_n ?? 0) / 1000, "kN", units, 2),
          v.outlet ? wordOf(OUTLETS, v.outlet) : says("regions"),
        ])}
      />
      {(g.pipes ?? []).length > 0 && (
        <section className="mb-4 mt-4 break-inside-avoid">
          <h2 className="m-0 mb-1 font-display text-[16px]">{says("pipes-valves")}</h2>
          <PipePicture />
        </section>
      )}
      <Table
        title={says("runs")}
        heads={[says("run"), says("begins"), says("length"), says("bore"), says("takes"), says("end"), says("read")]}
        rows={(g.pipes ?? []).map((p) => {
          const r = part.pipes?.runs[p.id];
          return [
            p.name,
            (g.pipes ?? []).find((x) => x.id === p.parent)?.name ?? says("regulator"),
            show(p.length_m, "m", units),
            r ? say(`${r.inner_diameter_mm} mm`) : "",
            r ? say(`${r.drop_mbar.toFixed(2)} mbar`) : "",
            r ? say(`${r.end_mbar.toFixed(2)} mbar`) : "",
            "",
          ];
        })}
      />
      <Table
        title={says("dates")}
        heads={[says("part"), says("age"), says("replace-after")]}
        rows={[
          ...(g.regulator
            ? [[g.regulator.name ?? says("regulator-2"), g.regulator.age_years == null ? says("not-entered") : years(g.regulator.age_years), life("regulator")]]
            : []),
          ...(g.hoses ?? []).map((h) => [h.name, h.age_years == null ? says("no-date") : years(h.age_years), life(h.id)]),
          ...(c ? [[c.name ?? says("certificate"), says("months", { months_ago: c.months_ago }), says("months-2", { months: part.law.months })]] : []),
        ]}
      />
      {part.countries.length > 0 && (
        <Table
          title={says("way")}
          note={says("usual-each-country-ask")}
          heads={[says("country"), says("days"), says("needs"), says("outlet-fits"), says("exchange"), says("pump"), says("note")]}
          rows={part.countries.map((x) => [
            x.name[0]!.toUpperCase() + x.name.slice(1),
            String(x.days),
            kg(x.need_kg),
            x.fits ? says("yes") : says("no"),
            x.exchange ? says("yes") : says("no"),
            x.pump ? says("yes") : says("no"),
            x.note,
          ])}
        />
      )}
      <Table
        title={says("fitters-test-sheet")}
        note={say(says("done-signed-licensed-person", { test_mbar: part.test_mbar, volume_l: part.pipes?.volume_l ?? 0 }))}
        heads={[says("step"), says("limit"), says("read"), says("licence-when")]}
        rows={[
          [says("leak-test-start-end", { unit: unitFor("°C", units) }), says("no-drop-gauge-shows"), "", ""],
          [says("each-appliances-valve-opened"), says("no-drop"), "", ""],
          [says("bubble-fluid-every-joint"), says("no-bubble"), "", ""],
          [says("pressure-far-appliance-everything"), say(says("least-mbar", { working_min_mbar: limitWord(part.working_min_mbar) })), "", ""],
          [says("pressure-all-off-after"), say(says("most-mbar", { lock_up_max_mbar: limitWord(part.lock_up_max_mbar) })), "", ""],
          [says("flame-failure-each-burner"), says("oven"), "", ""],
          [says("lockers-drain-clear-vents"), "", "", ""],
        ]}
      />
      {part.tests.length > 0 && (
        <Table
          title={says("leak-tests-record")}
          heads={[says("test"), says("date"), says("by"), says("fell"), says("verdict"), says("signed"), says("changed-since")]}
          rows={part.tests.map((t) => [
            t.name,
            t.on,
            t.who,
            say(`${dropWord(t.corrected_drop_mbar)} mbar`),
            VERDICT[t.verdict] ?? t.verdict,
            t.signed ? says("yes") : says("no"),
            t.changed.length ? says("yes") : says("no"),
          ])}
        />
      )}
      {checks.length > 0 && (
        <Table
          title={says("readings-record")}
          heads={[says("reading"), says("read"), says("limit"), says("limit-2"), says("date"), says("by")]}
          rows={checks.map((x) => {
            const r = part.checks[x.id];
            return [
              wordOf(CHECKS, x.kind),
              say(`${x.value} ${r?.unit ?? ""}`),
              r ? say(`${limitWord(r.limit)} ${r.unit}`) : "",
              r?.ok ? says("yes") : says("no"),
              x.on ?? "",
              x.who ?? "",
            ];
          })}
        />
      )}
      <Table
        title={says("before-trip")}
        heads={[says("look"), says("done-when")]}
        rows={PRE_TRIP.map((x) => [x.word[0]!.toUpperCase() + x.word.slice(1), ""])}
      />
    </>
  );
}

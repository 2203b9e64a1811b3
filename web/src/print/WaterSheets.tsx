/** Water on paper: tanks and gauge, pipes and taps, the dose sheet, the drain-down list, and the pressure tests. */
import { show } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { MEDIA, STORES, VERDICT, wordOf } from "../stages/water/words";
import { Table } from "./Lists";

export function WaterSheets() {
  const say = useSaid();
  const { design, report } = useVariant();
  const { units } = usePerson();
  const w = design.water;
  const p = report.water;
  if (!w || (!(w.tanks ?? []).length && !(w.runs ?? []).length && !w.jug_count)) return <p>Nothing is said of water yet, so there is nothing to print.</p>;
  const l = (v: number | null | undefined) => show(v, "L", units);
  const s = p.sanitise;
  const low = [
    ...(w.tanks ?? []).map((t) => ({ what: t.name, much: l(p.tanks[t.id]?.full_l), valve: t.drain_valve ? "drain valve" : "no valve yet" })),
    ...(w.runs ?? []).map((r) => ({
      what: r.name,
      much: p.run_l[r.id]! < 0.1 ? say("under 0.1 L") : say(`${p.run_l[r.id]!.toFixed(1)} L`),
      valve: r.drain_valve ? "drain valve" : "no valve yet",
    })),
    ...(w.hot ? [{ what: w.hot.name, much: w.hot.kind === "storage" ? l(w.hot.volume_l) : "its coil", valve: "its drain" }] : []),
  ];
  return (
    <>
      <Table
        title="Stores"
        note={`${l(p.total_l_day)} a day; asked to last ${p.target_days} day${p.target_days === 1 ? "" : "s"}.`}
        heads={["store", "holds", "usable", "a day", "days"]}
        rows={p.stores.map((x) => [
          say(STORES[x.name] ?? x.name),
          l(p.capacity_l[x.name]),
          l(x.usable_l),
          l(p.flow_l_day[x.name]),
          x.days == null ? "no end" : x.days.toFixed(1),
        ])}
      />
      <Table
        title="Tanks"
        note="Full mass, and what the fixing must hold."
        heads={["tank", "full", "usable", "mass", "middle over floor", "forward", "sideways", "up"]}
        rows={(w.tanks ?? []).map((t) => {
          const q = p.tanks[t.id];
          const kn = (v: number | undefined) => `${((v ?? 0) / 1000).toFixed(1)} kN`;
          return [
            t.name,
            l(q?.full_l),
            l(q?.usable_l),
            show(q?.mass_full_kg, "kg", units),
            show(q?.cg_z_m, "m", units),
            kn(q?.need_x_n),
            kn(q?.need_y_n),
            kn(q?.need_z_n),
          ];
        })}
      />
      {(w.tanks ?? []).map((t) => {
        const g = p.tanks[t.id]?.gauge;
        return g?.rows.length ? (
          <Table
            key={t.id}
            title={`Gauge of “${t.name}”`}
            heads={["usable", "holds", "level over the tank’s zero", `reads, ${g.unit}`]}
            rows={g.rows.map((r) => [
              `${Math.round(100 * r.fill_frac)} %`,
              l(r.volume_l),
              say(`${Math.round(1000 * r.level_z_m)} mm`),
              r.signal.toFixed(g.unit === "V" ? 2 : 0),
            ])}
          />
        ) : null;
      })}
      <Table
        title="Pipes and taps"
        heads={["run", "begins at", "bore", "length", "needs", "gets alone", "gets shared", "got"]}
        rows={(w.runs ?? []).map((r) => [
          r.name,
          (w.runs ?? []).find((x) => x.id === r.parent)?.name ?? "pump",
          show(r.inner_diameter_mm, "mm", units),
          show(r.length_m, "m", units),
          r.outlet === "none" ? "" : show(r.wanted_l_min, "L/min", units, 2),
          p.taps[r.id] ? show(p.taps[r.id]!.alone_l_min, "L/min", units, 2) : "",
          p.taps[r.id] ? show(p.taps[r.id]!.shared_l_min, "L/min", units, 2) : "",
          "",
        ])}
      />
      {s && (
        <Table
          title="Sanitising sheet"
          note={say(
            "Gloves, eye protection, fresh air. Never chlorine with acid or descaler. Taps tagged “do not drink” until rinsed; carbon and UV by-passed; into a foul drain.",
          )}
          heads={["step", "how much", "done, by, when"]}
          rows={[
            ["Fill the whole system", l(s.system_l), ""],
            [say("Product into the tank, every tap until it smells of it"), say(`${s.dose.toFixed(s.unit === "tablets" ? 0 : 1)} ${s.unit}`), ""],
            ["Let it stand", `${s.contact_min.toFixed(0)} min`, ""],
            ["Drain and rinse", `${s.rinses} times, ${l(s.rinse_l)}`, ""],
          ]}
        />
      )}
      <Table
        title="Drain-down for winter"
        note={say(
          `${l(p.drain_down_l)} must come out. Open all taps, blow at most 50 kPa, run the pump dry for 10 s at most, empty filter bowls and traps, leave taps half open, take UV and carbon out.`,
        )}
        heads={["point", "holds", "by", "drained"]}
        rows={low.map((x) => [x.what, x.much, x.valve, ""])}
      />
      {p.frost.length > 0 && (
        <Table
          title={`Frost, at ${p.coldest_c.toFixed(0)} °C`}
          heads={["part", "hours to 0 °C", "heat that holds it"]}
          rows={p.frost.map((f) => [f.name, f.held ? "held" : f.to_zero_h == null ? "never" : f.to_zero_h.toFixed(1), show(f.hold_w, "W", units)])}
        />
      )}
      <Table
        title="Pressure tests"
        heads={["test", "date", "by", "with", "fell by", "allowed", "verdict", "signed"]}
        rows={p.tests.map((t) => [
          t.name,
          t.on,
          t.who,
          wordOf(MEDIA, (design.facts?.water_tests ?? []).find((x) => x.id === t.id)?.medium).split(",")[0] ?? "",
          say(`${t.corrected_drop_kpa.toFixed(1)} kPa`),
          say(`${t.allowed_drop_kpa.toFixed(1)} kPa`),
          VERDICT[t.verdict] ?? t.verdict,
          "",
        ])}
      />
    </>
  );
}

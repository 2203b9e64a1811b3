/** Water on paper: tanks and gauge, pipes and taps, the dose sheet, the drain-down list, and the pressure tests. */
import { HEAT_W, show } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { MEDIA, STORES, VERDICT, wordOf } from "../stages/water/words";
import { says } from "../words/print";
import { Table } from "./Lists";

export function WaterSheets() {
  const say = useSaid();
  const { design, report } = useVariant();
  const { units } = usePerson();
  const w = design.water;
  const p = report.water;
  if (!w || (!(w.tanks ?? []).length && !(w.runs ?? []).length && !w.jug_count)) return <p>{says("nothing-said-water-yet")}</p>;
  const l = (v: number | null | undefined) => show(v, "L", units);
  const s = p.sanitise;
  const low = [
    ...(w.tanks ?? []).map((t) => ({ what: t.name, much: l(p.tanks[t.id]?.full_l), valve: t.drain_valve ? says("drain-valve") : says("no-valve-yet") })),
    ...(w.runs ?? []).map((r) => ({
      what: r.name,
      much: p.run_l[r.id]! < 0.1 ? say(says("under-l")) : say(`${p.run_l[r.id]!.toFixed(1)} L`),
      valve: r.drain_valve ? says("drain-valve") : says("no-valve-yet"),
    })),
    ...(w.hot ? [{ what: w.hot.name, much: w.hot.kind === "storage" ? l(w.hot.volume_l) : says("coil"), valve: says("drain") }] : []),
  ];
  return (
    <>
      <Table
        title={says("stores")}
        note={says("day-asked-last-day", { total_l_day: l(p.total_l_day), target_days: p.target_days })}
        heads={[says("store"), says("holds"), says("usable"), says("day"), says("days")]}
        rows={p.stores.map((x) => [
          say(STORES[x.name] ?? x.name),
          l(p.capacity_l[x.name]),
          l(x.usable_l),
          l(p.flow_l_day[x.name]),
          x.days == null ? says("no-end") : x.days.toFixed(1),
        ])}
      />
      <Table
        title={says("tanks")}
        note={says("full-mass-what-fixing")}
        heads={[says("tank"), says("full"), says("usable"), says("mass"), says("middle-over-floor"), says("forward"), says("sideways"), says("up")]}
        rows={(w.tanks ?? []).map((t) => {
          const q = p.tanks[t.id];
          const kn = (v: number | undefined) => show((v ?? 0) / 1000, "kN", units, 2);
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
            title={says("gauge", { name: t.name })}
            heads={[says("usable"), says("holds"), says("level-over-tanks-zero"), says("reads", { unit: g.unit })]}
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
        title={says("pipes-taps")}
        heads={[says("run"), says("begins"), says("bore"), says("length"), says("needs"), says("gets-alone"), says("gets-shared"), says("got")]}
        rows={(w.runs ?? []).map((r) => [
          r.name,
          (w.runs ?? []).find((x) => x.id === r.parent)?.name ?? says("pump"),
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
          title={says("sanitising-sheet")}
          note={say(says("gloves-eye-protection-fresh"))}
          heads={[says("step"), says("how-much"), says("done-when")]}
          rows={[
            [says("fill-whole-system"), l(s.system_l), ""],
            [say(says("product-into-tank-every")), say(`${s.dose.toFixed(s.unit === "tablets" ? 0 : 1)} ${s.unit}`), ""],
            [says("let-stand"), `${s.contact_min.toFixed(0)} min`, ""],
            [says("drain-rinse"), says("times", { rinses: s.rinses, rinse_l: l(s.rinse_l) }), ""],
          ]}
        />
      )}
      <Table
        title={says("drain-down-winter")}
        note={say(says("must-come-out-open", { drain_down_l: l(p.drain_down_l) }))}
        heads={[says("point"), says("holds"), says("by"), says("drained")]}
        rows={low.map((x) => [x.what, x.much, x.valve, ""])}
      />
      {p.frost.length > 0 && (
        <Table
          title={says("frost-c", { coldest_c: p.coldest_c })}
          heads={[says("part"), says("hours-c"), says("heat-holds")]}
          rows={p.frost.map((f) => [
            f.name,
            f.held ? says("held-2") : f.to_zero_h == null ? says("never") : f.to_zero_h.toFixed(1),
            show(f.hold_w, HEAT_W, units),
          ])}
        />
      )}
      <Table
        title={says("pressure-tests")}
        heads={[says("test"), says("date"), says("by"), says("with"), says("fell"), says("allowed"), says("verdict"), says("signed")]}
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

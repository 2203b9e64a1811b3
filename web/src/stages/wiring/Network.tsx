/** The network in the slate of the stage. */

import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { ChoiceProperty, FlagProperty, QuantityProperty } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { BUS_LAYOUTS, SCHOOLS } from "./words";

/** How the busbars and the negative side are made. */
export function Network() {
  const say = useSaid();
  const { report, design, edit } = useVariant();
  const w = design.wiring;
  const set = (key: string, value: unknown, what: string) => void edit([{ op: "replace", path: `/wiring/${key}`, value }], what);
  const net = report.wiring.network;
  return (
    <section aria-label={says("network")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("network")}</h3>
      <p className="my-1 text-[12px] text-chalk-dim">
        {says("worst-moment-bank", { low_v: show(net.low_v, "V"), all_can_coincide: say(says("all-can-coincide-inverter"), "wiring") })}
      </p>
      <SlateFig k="network/busbar/worst_v" label={says("busbar-worst-moment")} />
      <SlateFig k="network/busbar/typical_v" label={says("busbar-usual-moment")} />
      <SlateFig k="network/loss_w" />
      <SlateFig k="network/bank/fault_a" label={says("short-circuit-current-bank")} />
      <SlateFig k="network/busbar/fault_a" label={says("short-circuit-current-busbar")} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("busbars-negative-side")}</h3>
      <ChoiceProperty
        label={says("school")}
        note={says("marine-bundles-conductor-no")}
        value={w?.school ?? "vehicle"}
        options={SCHOOLS}
        onSet={(v) => set("school", v, says("school"))}
      />
      <ChoiceProperty
        label={says("busbars")}
        value={w?.bus_layout ?? ""}
        options={BUS_LAYOUTS}
        onSet={(v) => set("bus_layout", v || null, says("layout-busbars"))}
      />
      <FlagProperty
        label={says("shunt-banks-negative")}
        note={says("monitor-counts-what-passes")}
        value={w?.shunt ?? true}
        onSet={(on) => set("shunt", on, says("shunt"))}
      />
      {(design.power?.bank?.parallel_count ?? 1) > 1 && (
        <FlagProperty
          label={says("high-interrupt-fuse-each")}
          value={w?.battery_fuses ?? false}
          onSet={(on) => set("battery_fuses", on, says("battery-fuses"))}
        />
      )}
      <QuantityProperty
        label={says("bonds-chassis")}
        note={says("one-load-side-shunt")}
        value={w?.chassis_bond_count ?? 1}
        dimension="count"
        unit=""
        onSet={(v) => set("chassis_bond_count", Math.round(v ?? 1), says("chassis-bonds"))}
      />
      <QuantityProperty
        label={says("size-bond")}
        note={say(says("half-main-mm-more"), "wiring")}
        value={w?.chassis_bond_mm2}
        dimension="area"
        unit="mm²"
        clearable
        onSet={(v) => set("chassis_bond_mm2", v, says("size-chassis-bond"))}
      />
    </section>
  );
}

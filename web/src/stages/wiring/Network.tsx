/** The network in the slate of the stage. */

import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { ChoiceProperty, FlagProperty, QuantityProperty } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { BUS_LAYOUTS, SCHOOLS } from "./words";

/** How the busbars and the negative side are made. */
export function Network() {
  const say = useSaid();
  const { report, design, edit } = useVariant();
  const w = design.wiring;
  const set = (key: string, value: unknown, what: string) => void edit([{ op: "replace", path: `/wiring/${key}`, value }], what);
  const net = report.wiring.network;
  return (
    <section aria-label="The network">
      <h3 className="mb-1 mt-3 font-display text-[14px]">The network</h3>
      <p className="my-1 text-[12px] text-chalk-dim">
        Worst moment: the bank at {show(net.low_v, "V")}
        {say(", all that can coincide on, the inverter at full load, chargers off, copper at 60 °C. Cables alone.", "wiring")}
      </p>
      <SlateFig k="network/busbar/worst_v" label="Busbar, worst moment" />
      <SlateFig k="network/busbar/typical_v" label="Busbar, usual moment" />
      <SlateFig k="network/loss_w" />
      <SlateFig k="network/bank/fault_a" label="Short-circuit current at the bank" />
      <SlateFig k="network/busbar/fault_a" label="Short-circuit current at the busbar" />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Busbars and negative side</h3>
      <ChoiceProperty
        label="school"
        note="marine: bundles by conductor, no chassis return"
        value={w?.school ?? "vehicle"}
        options={SCHOOLS}
        onSet={(v) => set("school", v, "school")}
      />
      <ChoiceProperty label="busbars" value={w?.bus_layout ?? ""} options={BUS_LAYOUTS} onSet={(v) => set("bus_layout", v || null, "layout of the busbars")} />
      <FlagProperty
        label="a shunt on the bank's negative"
        note="the monitor counts what passes it"
        value={w?.shunt ?? true}
        onSet={(on) => set("shunt", on, "shunt")}
      />
      {(design.power?.bank?.parallel_count ?? 1) > 1 && (
        <FlagProperty
          label="a high-interrupt fuse on each battery"
          value={w?.battery_fuses ?? false}
          onSet={(on) => set("battery_fuses", on, "battery fuses")}
        />
      )}
      <QuantityProperty
        label="bonds to the chassis"
        note="one, on the load side of the shunt"
        value={w?.chassis_bond_count ?? 1}
        dimension="count"
        unit=""
        onSet={(v) => set("chassis_bond_count", Math.round(v ?? 1), "chassis bonds")}
      />
      <QuantityProperty
        label="size of the bond"
        note={say("half the main, 16 mm² or more", "wiring")}
        value={w?.chassis_bond_mm2}
        dimension="area"
        unit="mm²"
        clearable
        onSet={(v) => set("chassis_bond_mm2", v, "size of the chassis bond")}
      />
    </section>
  );
}

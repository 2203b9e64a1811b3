/** A power station as the bank: what its case lets through, from its data sheet. */
import type { Schemas } from "../../data/client";
import { useVariant } from "../../data/variant";
import { type FieldSpec, Fields, quantity } from "../../parts/Fields";
import { FlagProperty } from "../../parts/Property";
import { says } from "../../words/power";

const USUAL = { clearable: true, placeholder: says("not-known") };
const SPECS: FieldSpec<Schemas["StationLimits"]>[] = [
  quantity("dc_limit_w", says("v-outlets-give-together"), "power", "W"),
  quantity("inverter_limit_w", says("mains-sockets-give"), "power", "W"),
  quantity("inverter_surge_w", says("moment"), "power", "W", USUAL),
  quantity("solar_max_power_w", says("takes-panels"), "power", "W"),
  quantity("solar_max_voltage_v", says("panels-most"), "voltage", "V", USUAL),
  quantity("solar_max_current_a", says("most"), "current", "A", USUAL),
  quantity("car_input_w", says("charges-vehicle"), "power", "W"),
  quantity("shore_input_w", says("charges-mains"), "power", "W"),
  quantity("most_c", says("works-up"), "temperature", "°C"),
];

export function StationFields() {
  const { design, edit } = useVariant();
  const station = design.power?.bank?.station;
  const set = (value: object | null, what: string) => void edit([{ op: "replace", path: "/power/bank/station", value }], says("power-station", { what }));
  return (
    <>
      <FlagProperty
        label={says("power-station-one-case")}
        value={!!station}
        onSet={(on) => set(on ? { dc_limit_w: 120, inverter_limit_w: 1000 } : null, on ? says("limits") : says("none"))}
      />
      {station && <Fields specs={SPECS} item={station} onSet={(key, value, label) => set({ ...station, [key]: value ?? null }, label)} />}
    </>
  );
}

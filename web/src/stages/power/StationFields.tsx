/** A power station as the bank: what its case lets through, from its data sheet. */
import type { Schemas } from "../../data/client";
import { useVariant } from "../../data/variant";
import { type FieldSpec, Fields, quantity } from "../../parts/Fields";
import { FlagProperty } from "../../parts/Property";

const USUAL = { clearable: true, placeholder: "not known" };
const SPECS: FieldSpec<Schemas["StationLimits"]>[] = [
  quantity("dc_limit_w", "12 V outlets give, together", "power", "W"),
  quantity("inverter_limit_w", "mains sockets give", "power", "W"),
  quantity("inverter_surge_w", "and for a moment", "power", "W", USUAL),
  quantity("solar_max_power_w", "takes of panels", "power", "W"),
  quantity("solar_max_voltage_v", "panels at most", "voltage", "V", USUAL),
  quantity("solar_max_current_a", "and at most", "current", "A", USUAL),
  quantity("car_input_w", "charges from the vehicle with", "power", "W"),
  quantity("shore_input_w", "charges from the mains with", "power", "W"),
  quantity("most_c", "works up to", "temperature", "°C"),
];

export function StationFields() {
  const { design, edit } = useVariant();
  const station = design.power?.bank?.station;
  const set = (value: object | null, what: string) => void edit([{ op: "replace", path: "/power/bank/station", value }], `power station: ${what}`);
  return (
    <>
      <FlagProperty
        label="it is a power station, in one case"
        value={!!station}
        onSet={(on) => set(on ? { dc_limit_w: 120, inverter_limit_w: 1000 } : null, on ? "limits" : "none")}
      />
      {station && <Fields specs={SPECS} item={station} onSet={(key, value, label) => set({ ...station, [key]: value ?? null }, label)} />}
    </>
  );
}

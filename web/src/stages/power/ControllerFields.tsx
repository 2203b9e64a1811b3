/** What a charger is set to, and the data sheet of a solar controller: of the one that panels share, or of an array's own. */
import type { Schemas } from "../../data/client";
import { choice, type FieldSpec, Fields, quantity } from "../../parts/Fields";
import { FlagProperty, QuantityProperty } from "../../parts/Property";

const SPECS: FieldSpec<Schemas["SolarController"]>[] = [
  choice("controller_type", "kind", [
    { value: "mppt", word: "MPPT" },
    { value: "pwm", word: "PWM" },
  ]),
  quantity("max_voltage_v", "largest solar voltage", "voltage", "V"),
  quantity("max_charge_current_a", "largest charge current", "current", "A"),
  quantity("max_input_current_a", "largest solar current", "current", "A", { clearable: true, placeholder: "typical" }),
  quantity("mass_kg", "its mass", "mass", "kg", { clearable: true, placeholder: "typical" }),
];

type Put = (key: string, value: unknown, what: string) => void;

/** Absorption voltage, equalising and temperature compensation of a charger. */
export function ProfileFields({ profile, onSet }: { profile: Schemas["ChargeProfile"] | null | undefined; onSet: (value: object) => void }) {
  const turn = (fields: object) => onSet({ absorption_v: null, equalise: false, compensates: false, ...profile, ...fields });
  return (
    <>
      <QuantityProperty
        label="absorption set to"
        note="from its menu or data sheet"
        value={profile?.absorption_v}
        dimension="voltage"
        unit="V"
        clearable
        placeholder="not entered"
        onSet={(v) => turn({ absorption_v: v })}
      />
      <FlagProperty label="it equalises" value={!!profile?.equalise} onSet={(v) => turn({ equalise: v })} />
      <FlagProperty label="it follows the temperature" value={!!profile?.compensates} onSet={(v) => turn({ compensates: v })} />
    </>
  );
}

export function ControllerFields({ controller, onSet }: { controller: Schemas["SolarController"]; onSet: Put }) {
  return (
    <>
      <Fields specs={SPECS} item={controller} onSet={onSet} />
      <ProfileFields profile={controller.profile} onSet={(v) => onSet("profile", v, "charge profile")} />
    </>
  );
}

/** What a charger is set to, and the data sheet of a solar controller: of the one that panels share, or of an array's own. */
import type { Schemas } from "../../data/client";
import { choice, type FieldSpec, Fields, quantity } from "../../parts/Fields";
import { FlagProperty, QuantityProperty } from "../../parts/Property";
import { says } from "../../words/power";

const SPECS: FieldSpec<Schemas["SolarController"]>[] = [
  choice("controller_type", says("kind"), [
    { value: "mppt", word: "MPPT" },
    { value: "pwm", word: "PWM" },
  ]),
  quantity("max_voltage_v", says("largest-solar-voltage"), "voltage", "V"),
  quantity("max_charge_current_a", says("largest-charge-current"), "current", "A"),
  quantity("max_input_current_a", says("largest-solar-current"), "current", "A", { clearable: true, placeholder: says("typical") }),
  quantity("mass_kg", says("mass"), "mass", "kg", { clearable: true, placeholder: says("typical") }),
];

type Put = (key: string, value: unknown, what: string) => void;

/** Absorption voltage, equalising and temperature compensation of a charger. */
export function ProfileFields({ profile, onSet }: { profile: Schemas["ChargeProfile"] | null | undefined; onSet: (value: object) => void }) {
  const turn = (fields: object) => onSet({ absorption_v: null, equalise: false, compensates: false, ...profile, ...fields });
  return (
    <>
      <QuantityProperty
        label={says("absorption-set")}
        note={says("menu-data-sheet")}
        value={profile?.absorption_v}
        dimension="voltage"
        unit="V"
        clearable
        placeholder={says("not-entered")}
        onSet={(v) => turn({ absorption_v: v })}
      />
      <FlagProperty label={says("equalises")} value={!!profile?.equalise} onSet={(v) => turn({ equalise: v })} />
      <FlagProperty label={says("follows-temperature")} value={!!profile?.compensates} onSet={(v) => turn({ compensates: v })} />
    </>
  );
}

export function ControllerFields({ controller, onSet }: { controller: Schemas["SolarController"]; onSet: Put }) {
  return (
    <>
      <Fields specs={SPECS} item={controller} onSet={onSet} />
      <ProfileFields profile={controller.profile} onSet={(v) => onSet("profile", v, says("charge-profile-set"))} />
    </>
  );
}

/** The sentence of Warmth: how warm, against what cold and heat, and what that takes. */
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { Token } from "../../parts/Token";
import { usePerson } from "../../shell/person";
import { useWarmth } from "./edit";
import { CABS, wordOf } from "./words";

export function Sentence() {
  const { report } = useVariant();
  const { w, part } = useWarmth();
  const { units } = usePerson();
  const t = (key: "indoor_temp_c" | "night_temp_c" | "design_cold_c" | "design_hot_c", label: string, shown: number) => (
    <Token path={`/warmth/${key}`} label={label} dimension="temperature" unit="°C" value={w[key]} shown={show(shown, "°C", units)} />
  );
  const heaters = Object.values(part.heaters);
  return (
    <>
      {t("indoor_temp_c", "warm by day", part.indoor_c)} by day and {t("night_temp_c", "warm at night", part.night_c)} at night, down to{" "}
      {t("design_cold_c", "coldest to design for", part.cold_c)} outside, with{" "}
      <Token path="/warmth/cab" label="the cab" choices={CABS} value={part.cab} shown={wordOf(CABS, part.cab)} />: the shell loses{" "}
      <Fig k="warmth/heat_loss_w" />
      {heaters.length ? (
        <>
          , and {heaters.length > 1 ? "the heaters give" : "the heater gives"}{" "}
          {show(
            heaters.reduce((a, h) => a + h.available_w, 0),
            "W",
            units,
          )}
          .
        </>
      ) : (
        <>
          ; a heater of <Fig k="warmth/design_heat_w" /> is asked for.
        </>
      )}{" "}
      In summer up to {t("design_hot_c", "hottest to design for", part.cool.hot_c)} outside, {show(Math.max(...part.cool.free_c), "°C", units, 2)} inside
      without cooling
      {report.warmth.headroom_m > 0 && "."}
    </>
  );
}

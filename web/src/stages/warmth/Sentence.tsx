/** The sentence of Warmth: how warm, against what cold and heat, and what that takes. */
import { HEAT_W, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { Fig } from "../../parts/Fig";
import { Token } from "../../parts/Token";
import { usePerson } from "../../shell/person";
import { says } from "../../words/warmth";
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
      {t("indoor_temp_c", says("warm-day"), part.indoor_c)} {says("day-2")} {t("night_temp_c", says("warm-night"), part.night_c)} {says("night-down")}{" "}
      {t("design_cold_c", says("coldest-design"), part.cold_c)} {says("outside-2")}{" "}
      <Token path="/warmth/cab" label={says("cab")} choices={CABS} value={part.cab} shown={wordOf(CABS, part.cab)} />
      {says("shell-loses")} <Fig k="warmth/heat_loss_w" />
      {heaters.length ? (
        says("heaters-give-heater-gives", {
          several_heaters: heaters.length > 1,
          reduce: show(
            heaters.reduce((a, h) => a + h.available_w, 0),
            HEAT_W,
            units,
          ),
        })
      ) : (
        <>
          {says("heater-4")} <Fig k="warmth/design_heat_w" /> {says("asked")}
        </>
      )}{" "}
      {says("summer-up")} {t("design_hot_c", says("hottest-design"), part.cool.hot_c)}{" "}
      {says("outside-inside-without-cooling", { value: show(Math.max(...part.cool.free_c), "°C", units, 2), some_headroom_m: report.warmth.headroom_m > 0 })}
    </>
  );
}

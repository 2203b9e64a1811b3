/** How the run is made where schools differ; each with what Bothy takes when nothing is said. */
import type { Schemas } from "../../data/client";
import { useVariant } from "../../data/variant";
import { choice, type FieldSpec, Fields, flag, quantity } from "../../parts/Fields";
import { ChoiceProperty } from "../../parts/Property";

const GROUND = [
  { value: "0.07", word: "water" },
  { value: "0.12", word: "asphalt or forest" },
  { value: "0.2", word: "grass" },
  { value: "0.25", word: "dry soil" },
  { value: "0.3", word: "concrete" },
  { value: "0.35", word: "sand" },
  { value: "0.55", word: "old snow" },
  { value: "0.8", word: "fresh snow" },
] as const;
const WEATHER = choice(
  "weather_source",
  "weather",
  [
    { value: "drawn", word: "drawn: all kinds of luck" },
    { value: "replay", word: "the files’ years as they were" },
  ],
  { note: "replay says most with ten years and more" },
);
const REST: FieldSpec<Schemas["Schools"]>[] = [
  quantity("kt_autocorr", "a day is like the one before", "fraction", "", {
    clearable: true,
    placeholder: "0.29, or the file’s",
    note: "0.4 to 0.5 on west coasts: longer dull spells",
  }),
  choice(
    "source_order",
    "which goes first",
    [
      { value: "sun_first", word: "the sun" },
      { value: "hookup_first", word: "the hook-up" },
    ],
    { note: "on a hook-up; says whose energy it is, not how much" },
  ),
  quantity("dcdc_below_frac", "DC-DC only under a charge of", "fraction", "", { clearable: true, placeholder: "always, driving" }),
  choice("shed", "when the bank gets low", [
    { value: "tiers", word: "comfort is shed first" },
    { value: "none", word: "nothing is shed" },
  ]),
  flag("summer_time", "times are in summer time", "habits and hours of the legs; the sun keeps standard time"),
];

export function Schools() {
  const { design, edit } = useVariant();
  const s = (design.trips?.schools ?? {}) as Schemas["Schools"];
  const files = (design.trips?.places ?? []).some((p) => p.weather?.years?.length);
  const set = (key: string, value: unknown, what: string) => void edit([{ op: "replace", path: `/trips/schools/${key}`, value }], `Trip: ${what}`);
  const ground = String(s.albedo_frac ?? 0.2);
  return (
    <details>
      <summary className="cursor-pointer">Modelling choices</summary>
      <Fields specs={files || s.weather_source === "replay" ? [WEATHER, ...REST] : REST} item={s} onSet={set} />
      <ChoiceProperty
        label="ground around"
        note="what it throws back onto tilted panels"
        value={ground}
        options={GROUND.some((g) => g.value === ground) ? GROUND : [...GROUND, { value: ground, word: ground }]}
        onSet={(v) => set("albedo_frac", Number(v), "ground around")}
      />
    </details>
  );
}

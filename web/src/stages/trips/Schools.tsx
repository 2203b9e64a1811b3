/** How the run is made where schools differ; each with what Bothy takes when nothing is said. */
import type { Schemas } from "../../data/client";
import { useVariant } from "../../data/variant";
import { choice, type FieldSpec, Fields, flag, quantity } from "../../parts/Fields";
import { ChoiceProperty } from "../../parts/Property";
import { says } from "../../words/trips";

const GROUND = [
  { value: "0.07", word: says("water") },
  { value: "0.12", word: says("asphalt-forest") },
  { value: "0.2", word: says("grass") },
  { value: "0.25", word: says("dry-soil") },
  { value: "0.3", word: says("concrete") },
  { value: "0.35", word: says("sand") },
  { value: "0.55", word: says("old-snow") },
  { value: "0.8", word: says("fresh-snow") },
] as const;
const WEATHER = choice(
  "weather_source",
  says("weather"),
  [
    { value: "drawn", word: says("drawn-all-kinds-luck") },
    { value: "replay", word: says("files-years-they-were") },
  ],
  { note: says("replay-says-most-ten") },
);
const REST: FieldSpec<Schemas["Schools"]>[] = [
  quantity("kt_autocorr", says("day-like-one-before-2"), "fraction", "", {
    clearable: true,
    placeholder: says("files"),
    note: says("west-coasts-longer-dull"),
  }),
  choice(
    "source_order",
    says("which-goes-first"),
    [
      { value: "sun_first", word: says("sun-first") },
      { value: "hookup_first", word: says("hook-up-first") },
    ],
    { note: says("hook-up-says-whose") },
  ),
  quantity("dcdc_below_frac", says("dc-dc-only-under"), "fraction", "", { clearable: true, placeholder: says("always-driving") }),
  choice("shed", says("when-bank-gets-low"), [
    { value: "tiers", word: says("comfort-shed-first") },
    { value: "none", word: says("nothing-shed") },
  ]),
  flag("summer_time", says("times-summer-time"), says("habits-hours-legs-sun")),
];

export function Schools() {
  const { design, edit } = useVariant();
  const s = (design.trips?.schools ?? {}) as Schemas["Schools"];
  const files = (design.trips?.places ?? []).some((p) => p.weather?.years?.length);
  const set = (key: string, value: unknown, what: string) => void edit([{ op: "replace", path: `/trips/schools/${key}`, value }], says("trip-2", { what }));
  const ground = String(s.albedo_frac ?? 0.2);
  return (
    <details>
      <summary className="cursor-pointer">{says("modelling-choices")}</summary>
      <Fields specs={files || s.weather_source === "replay" ? [WEATHER, ...REST] : REST} item={s} onSet={set} />
      <ChoiceProperty
        label={says("ground-around")}
        note={says("what-throws-back-onto")}
        value={ground}
        options={GROUND.some((g) => g.value === ground) ? GROUND : [...GROUND, { value: ground, word: ground }]}
        onSet={(v) => set("albedo_frac", Number(v), says("ground-around"))}
      />
    </details>
  );
}

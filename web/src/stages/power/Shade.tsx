/** Shade by the hour, by what throws it. */
import { ChoiceProperty } from "../../parts/Property";
import { says } from "../../words/power";

const SHADES: { key: string; word: string; of: (h: number) => number }[] = [
  { key: "none", word: says("none"), of: () => 0 },
  { key: "morning", word: says("trees-morning"), of: (h) => (h < 10 ? 0.8 : 0) },
  { key: "evening", word: says("trees-evening"), of: (h) => (h >= 15 ? 0.8 : 0) },
  { key: "both", word: says("valley-morning-evening"), of: (h) => (h < 10 || h >= 15 ? 0.9 : 0) },
  { key: "box", word: says("roof-box-third-all"), of: () => 0.33 },
];

/** Shade by the hour, by what throws it; typed hours are kept as they are. */
export function Shade({ value, onSet }: { value: number[]; onSet: (value: number[]) => void }) {
  const hours = (of: (h: number) => number) => Array.from({ length: 24 }, (_, h) => of(h));
  const now = value.length ? SHADES.find((s) => hours(s.of).every((v, h) => v === value[h]))?.key : "none";
  return (
    <ChoiceProperty
      label={says("shade")}
      note={says("direct-light-trip")}
      value={now ?? "own"}
      options={[...SHADES.map((s) => ({ value: s.key, word: s.word })), ...(now ? [] : [{ value: "own", word: says("hour-hour-brought") }])]}
      onSet={(key) => {
        const chosen = SHADES.find((s) => s.key === key);
        if (chosen) onSet(key === "none" ? [] : hours(chosen.of));
      }}
    />
  );
}

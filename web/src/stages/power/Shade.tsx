/** Shade by the hour, by what throws it. */
import { ChoiceProperty } from "../../parts/Property";

const SHADES: { key: string; word: string; of: (h: number) => number }[] = [
  { key: "none", word: "none", of: () => 0 },
  { key: "morning", word: "trees in the morning, to 10", of: (h) => (h < 10 ? 0.8 : 0) },
  { key: "evening", word: "trees in the evening, from 15", of: (h) => (h >= 15 ? 0.8 : 0) },
  { key: "both", word: "a valley: morning and evening", of: (h) => (h < 10 || h >= 15 ? 0.9 : 0) },
  { key: "box", word: "a roof box, a third all day", of: () => 0.33 },
];

/** Shade by the hour, by what throws it; typed hours are kept as they are. */
export function Shade({ value, onSet }: { value: number[]; onSet: (value: number[]) => void }) {
  const hours = (of: (h: number) => number) => Array.from({ length: 24 }, (_, h) => of(h));
  const now = value.length ? SHADES.find((s) => hours(s.of).every((v, h) => v === value[h]))?.key : "none";
  return (
    <ChoiceProperty
      label="shade"
      note="of the direct light, in the trip"
      value={now ?? "own"}
      options={[...SHADES.map((s) => ({ value: s.key, word: s.word })), ...(now ? [] : [{ value: "own", word: "hour by hour, as brought in" }])]}
      onSet={(key) => {
        const chosen = SHADES.find((s) => s.key === key);
        if (chosen) onSet(key === "none" ? [] : hours(chosen.of));
      }}
    />
  );
}

/** Counts of the fittings on a run of pipe. */

import { says } from "../words/parts";
import { count, Fields } from "./Fields";

type Props = {
  known: { value: string; word: string }[];
  fittings: Record<string, number> | undefined;
  onSet: (fittings: Record<string, number>, label: string) => void;
};

export function Fittings({ known, fittings, onSet }: Props) {
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("fittings")}</h3>
      <Fields
        specs={known.map((f) => count(f.value, f.word))}
        item={Object.fromEntries(known.map((f) => [f.value, fittings?.[f.value] ?? 0]))}
        onSet={(key, value, label) => {
          const n = Math.max(0, Math.round(Number(value ?? 0)));
          const rest = Object.fromEntries(Object.entries(fittings ?? {}).filter(([k]) => k !== key));
          onSet(n ? { ...rest, [key]: n } : rest, label);
        }}
      />
    </>
  );
}

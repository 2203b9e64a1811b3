/** A part of the catalogue, of a kind, whose cut-out and clamp are taken over. */
import type { Schemas } from "../../data/client";
import { Property } from "../../parts/Property";
import { says } from "../../words/fit";
import { useOpenings } from "./openings";

export function FromPart({ kind, onTake }: { kind: string; onTake: (p: Schemas["OpeningPart"]) => void }) {
  const parts = useOpenings(kind);
  if (!parts.length) return null;
  return (
    <Property label={says("take-parts-sizes")}>
      <select
        className="field-slate w-full"
        aria-label={says("take-parts-sizes-2")}
        value=""
        onChange={(e) => {
          const p = parts.find((x) => x.key === e.target.value);
          if (p) onTake(p);
        }}
      >
        <option value="">{says("choose")}</option>
        {parts.map((p) => (
          <option key={p.key} value={p.key}>
            {p.name} ({p.maker})
          </option>
        ))}
      </select>
    </Property>
  );
}

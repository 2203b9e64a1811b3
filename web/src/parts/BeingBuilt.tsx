/** Said where readings are taken: which variant is being built, and that this one isn't. */
import { useState } from "react";
import { useVariant } from "../data/variant";
import { says } from "../words/parts";

/** Nothing on the variant that is being built; on any other, whose readings these would be, and one press to change that. */
export function BeingBuilt() {
  const { recorded, build, name } = useVariant();
  const [trouble, setTrouble] = useState("");
  if (recorded.building) return null;
  return (
    <span className="m-0 mb-1 flex flex-wrap items-center gap-2 border-l-4 border-gorse pl-2 text-[13px]" role="note">
      <span>
        {says("plan-readings-tests-belong", { name })} <strong>“{recorded.building_name}”</strong>.
      </span>
      <button type="button" className="btn" onClick={() => void build().catch((e: Error) => setTrouble(e.message))}>
        {says("build-instead", { name })}
      </button>
      {trouble && <span role="alert">{trouble}</span>}
    </span>
  );
}

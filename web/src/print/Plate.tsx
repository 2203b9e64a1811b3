/** The switch panel at 1:1: what is cut, what is engraved, and a rule to check the printer by. */

import { useVariant } from "../data/variant";
import { useSaid } from "../shell/person";

export function Plate() {
  const say = useSaid();
  const { id, revision, report, projectName } = useVariant();
  const part = report.wiring.panel;
  if (!part) return <p>There is no switch panel yet. Take Bothy’s proposal in Wiring, or put a part on a plate there.</p>;
  return (
    <>
      <p className="m-0 mb-2 text-[11px]">
        {say("Print at 100 %. Thin full lines are cut, dashes are fronts and stay. Measure the rule first: it must be 100 mm.", "wiring")}
        {!part.ok && " Something on this plate clashes: see Wiring before anything is cut."}
      </p>
      <div className="mb-3 h-[3mm] w-[100mm] border-x border-b border-black" role="img" aria-label={say("A rule of 100 mm", "wiring")} />
      <img
        src={`/api/variants/${id}/export/panel.svg?revision=${revision}`}
        alt={say(`Switch panel of ${projectName}, ${part.width_mm} by ${part.height_mm} mm, to scale`, "wiring")}
        style={{ width: `${part.width_mm}mm`, height: `${part.height_mm}mm`, maxWidth: "none" }}
      />
    </>
  );
}

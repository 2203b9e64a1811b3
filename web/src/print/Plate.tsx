/** The switch panel at 1:1: what is cut, what is engraved, and a rule to check the printer by. */

import { useVariant } from "../data/variant";
import { useSaid } from "../shell/person";
import { says } from "../words/print";

export function Plate() {
  const say = useSaid();
  const { id, revision, report, projectName } = useVariant();
  const part = report.wiring.panel;
  if (!part) return <p>{says("there-no-switch-panel")}</p>;
  return (
    <>
      <p className="m-0 mb-2 text-[11px]">
        {say(says("print-thin-full-lines"), "wiring")}
        {!part.ok && says("something-plate-clashes-see")}
      </p>
      <div className="mb-3 h-[3mm] w-[100mm] border-x border-b border-black" role="img" aria-label={say(says("rule-mm"), "wiring")} />
      <img
        src={`/api/variants/${id}/export/panel.svg?revision=${revision}`}
        alt={say(says("switch-panel-mm-scale", { project_name: projectName, width_mm: part.width_mm, height_mm: part.height_mm }), "wiring")}
        style={{ width: `${part.width_mm}mm`, height: `${part.height_mm}mm`, maxWidth: "none" }}
      />
    </>
  );
}

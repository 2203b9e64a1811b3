/** Appliances from a table. */
import { api, take } from "../../data/client";
import { useVariant } from "../../data/variant";
import { BringIn } from "../../parts/BringIn";
import { says } from "../../words/life";
import { useApplianceEdits } from "./edit";

/** What a column can hold. */
const FIELDS = [
  "name",
  "count",
  "power",
  "voltage",
  "use",
  "supply",
  "kind",
  "zone",
  "windows",
  "standby",
  says("start-multiple"),
  says("label-energy"),
  says("charge-day"),
  says("charge-energy"),
  "mass",
  "note",
];

export function BringInAppliances({ first, onClose, onAdded }: { first: string; onClose: () => void; onAdded: (id: string) => void }) {
  const { add } = useApplianceEdits();
  const { report } = useVariant();
  return (
    <BringIn
      things="appliances"
      example={"name;power;use\nFridge;45 W;30 %\nLights;3 x 4 W … one appliance a line"}
      first={first}
      fields={FIELDS}
      asked={says("mains")}
      read={(text, said) =>
        take(
          api.POST("/api/appliances/preview", {
            body: { text, system_v: report.system_voltage_v ?? 12, columns: said?.columns ?? {}, mains: said?.lines ?? {} },
          }),
        )
      }
      bring={async (lines) => {
        const fields = lines.flatMap((l) => (l.appliance ? [l.appliance as Record<string, unknown>] : []));
        const ids = await add(fields, says("brought-appliances", { fields_count: fields.length }));
        if (ids[0]) onAdded(ids[0]);
        return ids.length > 0;
      }}
      onClose={onClose}
    />
  );
}

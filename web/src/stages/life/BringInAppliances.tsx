/** Appliances from a table. */
import { api, take } from "../../data/client";
import { BringIn } from "../../parts/BringIn";
import { useApplianceEdits } from "./edit";

export function BringInAppliances({ first, onClose, onAdded }: { first: string; onClose: () => void; onAdded: (id: string) => void }) {
  const { add } = useApplianceEdits();
  return (
    <BringIn
      items="appliances"
      example={"name;power;use\nFridge;45 W;30 %\nLights;3 x 4 W … one appliance a line"}
      first={first}
      read={(text) => take(api.POST("/api/appliances/preview", { body: { text } }))}
      bring={async (lines) => {
        const fields = lines.flatMap((l) => (l.appliance ? [l.appliance as Record<string, unknown>] : []));
        const ids = await add(fields, `brought in ${fields.length} appliances`);
        if (ids[0]) onAdded(ids[0]);
        return ids.length > 0;
      }}
      onClose={onClose}
    />
  );
}

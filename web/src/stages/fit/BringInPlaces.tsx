/** Places from a table: each line moves a thing of the design, or stands it somewhere. */
import type { PatchOp, Schemas } from "../../data/client";
import { api, take } from "../../data/client";
import { BringIn } from "../../parts/BringIn";
import { useSaid } from "../../shell/person";
import { useFit } from "./data";

type Line = Schemas["PlaceLine"];

export function BringInPlaces({ onClose }: { onClose: () => void }) {
  const say = useSaid();
  const { id, edit } = useFit();
  return (
    <BringIn<Line>
      items="places"
      example={say("thing;x m;y m;z m;turned deg\nFront fridge 90 L;2.40;-0.85;0;90 … one thing a line, x from the rear, y left of the centre line")}
      first=""
      read={(text) => take(api.POST("/api/variants/{variant_id}/fit/table", { params: { path: { variant_id: id } }, body: { text } }))}
      bring={(lines) =>
        edit(
          lines.flatMap((l) => (l.op ? [l.op as unknown as PatchOp] : [])),
          `brought in ${lines.length} places`,
        )
      }
      onClose={onClose}
    />
  );
}

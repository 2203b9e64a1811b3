/** Places from a table: each line moves a thing of the design, or stands it somewhere. */
import type { PatchOp, Schemas } from "../../data/client";
import { api, take } from "../../data/client";
import { BringIn } from "../../parts/BringIn";
import { useSaid } from "../../shell/person";
import { says } from "../../words/fit";
import { useFit } from "./data";

type Line = Schemas["PlaceLine"];

export function BringInPlaces({ onClose }: { onClose: () => void }) {
  const say = useSaid();
  const { id, edit } = useFit();
  return (
    <BringIn<Line>
      things="places"
      example={say(says("thing-x-m-y"))}
      first=""
      read={(text) => take(api.POST("/api/variants/{variant_id}/fit/table", { params: { path: { variant_id: id } }, body: { text } }))}
      bring={(lines) =>
        edit(
          lines.flatMap((l) => (l.op ? [l.op as unknown as PatchOp] : [])),
          says("brought-places", { lines_count: lines.length }),
        )
      }
      onClose={onClose}
    />
  );
}

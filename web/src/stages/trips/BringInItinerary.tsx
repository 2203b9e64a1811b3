/** An itinerary from a table of days or a GPX track. */
import { useState } from "react";
import { api, type PatchOp, type Schemas, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { useVariant } from "../../data/variant";
import { BringIn } from "../../parts/BringIn";
import { useSaid } from "../../shell/person";
import { says } from "../../words/trips";

type Line = Schemas["LegLine"];

/** The operations that put an itinerary in place of the legs there are, with the places it needs. */
export function itineraryOps(places: { id: string }[], lines: Pick<Line, "fields" | "own_place" | "date">[]): PatchOp[] {
  const ops: PatchOp[] = [];
  const known = new Set(places.map((p) => p.id));
  const ids: string[] = [];
  const legs = lines.flatMap((l) => {
    if (!l.fields) return [];
    const own = l.own_place as { id: string } | null;
    if (own && !known.has(own.id)) {
      known.add(own.id);
      ops.push({ op: "add", path: "/trips/places/-", value: own });
    }
    const id = freshId(String(l.fields.place), ids);
    ids.push(id);
    return [{ ...l.fields, id }];
  });
  ops.push({ op: "replace", path: "/trips/legs", value: legs }, { op: "replace", path: "/trips/live", value: null });
  const first = lines.find((l) => l.date)?.date;
  if (first) ops.push({ op: "replace", path: "/trips/start_date", value: first });
  return ops;
}

export function BringInItinerary({ onClose }: { onClose: () => void }) {
  const say = useSaid();
  const { id, design, edit } = useVariant();
  const [speed, setSpeed] = useState(60);
  const legs = design.trips?.legs ?? [];
  return (
    <>
      <p className="m-0 flex flex-wrap items-center gap-3 px-3 pt-2 text-dim">
        {legs.length > 0 && <span>{says("takes-place-legs-there", { legs_count: legs.length })}</span>}
        <label className="flex items-center gap-1">
          {says("mean-speed-track-without")}
          <select className="field" value={speed} onChange={(e) => setSpeed(Number(e.target.value))}>
            <option value={87}>{say(says("motorway-km-h"))}</option>
            <option value={60}>{say(says("road-km-h"))}</option>
            <option value={40}>{say(says("mountain-km-h"))}</option>
            <option value={20}>{say(says("track-km-h"))}</option>
          </select>
        </label>
      </p>
      <BringIn
        key={speed}
        things="legs"
        kinds={says("csv-xlsx-gpx")}
        accept=".csv,.txt,.tsv,.xlsx,.gpx,text/*,application/gpx+xml"
        mostBytes={6_000_000}
        example={"date;place;nights;drive_h;shore\n2026-10-12;Inverness;4;;0\n2026-10-16;Edinburgh;3;3.5;0 … or the text of a GPX track"}
        first=""
        read={(text) => take(api.POST("/api/variants/{variant_id}/itinerary/preview", { params: { path: { variant_id: id } }, body: { text, km_h: speed } }))}
        bring={(lines) => edit(itineraryOps(design.trips?.places ?? [], lines), says("brought-legs", { lines_count: lines.length }))}
        onClose={onClose}
      />
    </>
  );
}

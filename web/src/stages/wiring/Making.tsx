/** How it is made: isolator, covers, studs, colours, and the spare fuses in the kit. */

import { useState } from "react";
import { useVariant } from "../../data/variant";
import { ChoiceProperty, QuantityProperty } from "../../parts/Property";
import { useBenchLists } from "../../print/Lists";
import { useSaid } from "../../shell/person";
import { says } from "../../words/wiring";
import { COVERED, NEGATIVE_COLOURS, STUDS } from "./words";

/** The kit against what the list of spares asks for; a count is typed for each fuse. */
function Spares() {
  const { design, edit } = useVariant();
  const lists = useBenchLists();
  const spares = design.wiring?.spares ?? [];
  const have = (key: string, rating: number) => spares.find((s) => s.family === key && s.rating_a === rating)?.count ?? 0;
  const set = (family: string, rating_a: number, count: number) => {
    const rest = spares.filter((s) => s.family !== family || s.rating_a !== rating_a);
    void edit([{ op: "replace", path: "/wiring/spares", value: [...rest, { family, rating_a, count }] }], says("spare-fuses-kit"));
  };
  if (!lists.data) return <p role="status">{says("drawing-up-kit")}</p>;
  return lists.data.fuses
    .filter((f) => f.spare > 0)
    .map((f) => (
      <QuantityProperty
        key={`${f.key}:${f.rating_a}`}
        label={`${f.family} ${f.rating_a} A`}
        note={says("fitted-carry", { fitted: f.fitted, spare: f.spare })}
        value={have(f.key, f.rating_a)}
        dimension="count"
        unit=""
        onSet={(v) => set(f.key, f.rating_a, Math.round(v ?? 0))}
      />
    ));
}

export function Making() {
  const say = useSaid();
  const { design, edit } = useVariant();
  const [counting, setCounting] = useState(false);
  const w = design.wiring;
  const set = (key: string, value: unknown, what: string) => void edit([{ op: "replace", path: `/wiring/${key}`, value }], what);
  return (
    <section aria-label={says("how-made")}>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("how-made")}</h3>
      <QuantityProperty
        label={say(says("isolator-rated"), "wiring")}
        note={says("main-fuse-more")}
        value={w?.isolator_a}
        dimension="current"
        unit="A"
        clearable
        placeholder={says("not-entered")}
        onSet={(v) => set("isolator_a", v, says("isolator"))}
      />
      <ChoiceProperty
        label={says("posts-busbars-studs-covered")}
        value={w?.live_covered == null ? "" : w.live_covered ? "yes" : "no"}
        options={COVERED}
        onSet={(v) => set("live_covered", v === "" ? null : v === "yes", says("covers"))}
      />
      <QuantityProperty
        label={says("studs-busbar")}
        note={says("four-lugs-each-most")}
        value={w?.bus_studs_count}
        dimension="count"
        unit=""
        clearable
        placeholder={says("not-entered")}
        onSet={(v) => set("bus_studs_count", v == null ? null : Math.round(v), says("studs-busbar-2"))}
      />
      <ChoiceProperty
        label={says("thread-studs")}
        value={w?.bus_stud_mm == null ? "" : String(w.bus_stud_mm)}
        options={STUDS}
        onSet={(v) => set("bus_stud_mm", v ? Number(v) : null, says("thread-studs"))}
      />
      <ChoiceProperty
        label={say(says("colour-negative"), "wiring")}
        note={says("low-voltage")}
        value={w?.dc_negative_colour ?? "black"}
        options={NEGATIVE_COLOURS}
        onSet={(v) => set("dc_negative_colour", v, says("colour-negative"))}
      />
      {counting || w?.spares != null ? (
        <details open={counting}>
          <summary className="cursor-pointer py-1">{says("spare-fuses-kit-2")}</summary>
          <Spares />
        </details>
      ) : (
        <button type="button" className="btn btn-slate my-1" onClick={() => setCounting(true)}>
          {says("count-spare-fuses")}
        </button>
      )}
    </section>
  );
}

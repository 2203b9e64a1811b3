/** How it is made: isolator, covers, studs, colours, and the spare fuses in the kit. */

import { useState } from "react";
import { useVariant } from "../../data/variant";
import { ChoiceProperty, QuantityProperty } from "../../parts/Property";
import { useBenchLists } from "../../print/Lists";
import { useSaid } from "../../shell/person";
import { COVERED, NEGATIVE_COLOURS, STUDS } from "./words";

/** The kit against what the list of spares asks for; a count is typed for each fuse. */
function Spares() {
  const { design, edit } = useVariant();
  const lists = useBenchLists();
  const spares = design.wiring?.spares ?? [];
  const have = (key: string, rating: number) => spares.find((s) => s.family === key && s.rating_a === rating)?.count ?? 0;
  const set = (family: string, rating_a: number, count: number) => {
    const rest = spares.filter((s) => s.family !== family || s.rating_a !== rating_a);
    void edit([{ op: "replace", path: "/wiring/spares", value: [...rest, { family, rating_a, count }] }], "spare fuses in the kit");
  };
  if (!lists.data) return <p role="status">Drawing up the kit…</p>;
  return lists.data.fuses
    .filter((f) => f.spare > 0)
    .map((f) => (
      <QuantityProperty
        key={`${f.key}:${f.rating_a}`}
        label={`${f.family} ${f.rating_a} A`}
        note={`${f.fitted} fitted, ${f.spare} to carry`}
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
    <section aria-label="How it is made">
      <h3 className="mb-1 mt-3 font-display text-[14px]">How it is made</h3>
      <QuantityProperty
        label={say("isolator rated", "wiring")}
        note="for the main fuse or more"
        value={w?.isolator_a}
        dimension="current"
        unit="A"
        clearable
        placeholder="not entered"
        onSet={(v) => set("isolator_a", v, "isolator")}
      />
      <ChoiceProperty
        label="posts, busbars and studs covered"
        value={w?.live_covered == null ? "" : w.live_covered ? "yes" : "no"}
        options={COVERED}
        onSet={(v) => set("live_covered", v === "" ? null : v === "yes", "covers")}
      />
      <QuantityProperty
        label="studs on the busbar"
        note="four lugs on each at most"
        value={w?.bus_studs_count}
        dimension="count"
        unit=""
        clearable
        placeholder="not entered"
        onSet={(v) => set("bus_studs_count", v == null ? null : Math.round(v), "studs of the busbar")}
      />
      <ChoiceProperty
        label="thread of the studs"
        value={w?.bus_stud_mm == null ? "" : String(w.bus_stud_mm)}
        options={STUDS}
        onSet={(v) => set("bus_stud_mm", v ? Number(v) : null, "thread of the studs")}
      />
      <ChoiceProperty
        label={say("colour of the negative", "wiring")}
        note="low voltage"
        value={w?.dc_negative_colour ?? "black"}
        options={NEGATIVE_COLOURS}
        onSet={(v) => set("dc_negative_colour", v, "colour of the negative")}
      />
      {counting || w?.spares != null ? (
        <details open={counting}>
          <summary className="cursor-pointer py-1">Spare fuses in the kit</summary>
          <Spares />
        </details>
      ) : (
        <button type="button" className="btn btn-slate my-1" onClick={() => setCounting(true)}>
          Count the spare fuses
        </button>
      )}
    </section>
  );
}

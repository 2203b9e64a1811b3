/** The slate of one board: what it carries, where it is fed from, its ways; the mains side on a mains board. */

import type { Board } from "../../data/client";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { useWiringEdits } from "./edit";
import { MainsSide } from "./MainsSide";

export function BoardSlate({ b }: { b: Board }) {
  const say = useSaid();
  const { report } = useVariant();
  const { circuits, boards, setBoard, removeBoard, addFeed } = useWiringEdits();
  const on = circuits.filter((c) => c.board === b.id && c.kind !== "feeder");
  const fed = circuits.find((c) => c.board === b.id && c.kind === "feeder");
  const hand = useHand();
  const node = `network/board:${b.id}` as const;
  return (
    <Slate
      title={`${b.letter} ${b.name}`}
      sub={`${on.length} of ${b.way_count} ways, ${b.side === "ac" ? say("mains: licensed work", "wiring") : "direct current"}`}
    >
      <FindingList findings={report.findings.filter((f) => f.subject === b.id || (b.side === "ac" && f.subject === "mains"))} />
      {b.side === "ac" && <MainsSide />}
      <SlateFig k={`boards/${b.id}/current_a`} />
      <SlateFig k={`${node}/worst_v`} label="Voltage here, worst moment" />
      <SlateFig k={`${node}/typical_v`} label="Voltage here, usual moment" />
      <SlateFig k={`${node}/fault_a`} />
      {b.side !== "ac" && (
        <>
          <ChoiceProperty
            label="fed from"
            value={b.fed_from ?? ""}
            options={[
              { value: "", word: "the busbar" },
              ...boards.filter((x) => x.id !== b.id && x.side !== "ac").map((x) => ({ value: x.id, word: `${x.letter} ${x.name}` })),
            ]}
            onSet={(v) => void setBoard(b, { fed_from: v || null }, "fed from")}
          />
          {fed ? (
            <button type="button" className="btn btn-slate my-1" onClick={() => hand.pick("circuit", fed.id)}>
              Its feeder: {report.wiring.circuits[fed.id]?.code} {fed.name}
            </button>
          ) : (
            <button
              type="button"
              className="btn btn-main my-1"
              onClick={async () => {
                const made = await addFeed(b);
                if (made) hand.pick("circuit", made);
              }}
            >
              Add its feeder
            </button>
          )}
        </>
      )}
      <TextProperty label="name" value={b.name} maxLength={120} onSet={(name) => name.trim() && void setBoard(b, { name: name.trim() }, "name")} />
      <TextProperty label="letter" value={b.letter ?? "A"} maxLength={1} onSet={(letter) => void setBoard(b, { letter: letter.toUpperCase() }, "letter")} />
      <QuantityProperty
        label="ways"
        value={b.way_count}
        dimension="count"
        unit=""
        onSet={(v) => void setBoard(b, { way_count: Math.round(v ?? 12) }, "ways")}
      />
      <QuantityProperty
        label="rating of a way"
        value={b.way_rating_a}
        dimension="current"
        unit="A"
        onSet={(v) => void setBoard(b, { way_rating_a: v ?? 30 }, "way rating")}
      />
      <QuantityProperty
        label="rating of the whole"
        value={b.total_rating_a}
        dimension="current"
        unit="A"
        onSet={(v) => void setBoard(b, { total_rating_a: v ?? 100 }, "rating")}
      />
      <TextProperty label="box it stands in" value={b.enclosure ?? ""} maxLength={60} onSet={(enclosure) => void setBoard(b, { enclosure }, "box")} />
      {b.enclosure && (
        <FlagProperty
          label={say("a barrier between mains and low voltage in that box", "wiring")}
          value={b.barrier ?? false}
          onSet={(barrier) => void setBoard(b, { barrier }, "barrier")}
        />
      )}
      <ChoiceProperty
        label="side"
        value={b.side ?? "dc"}
        options={[
          { value: "dc", word: "direct current" },
          { value: "ac", word: "mains" },
        ]}
        onSet={(v) => void setBoard(b, { side: v }, "side")}
      />
      <button type="button" className="btn btn-slate mt-2" onClick={() => void removeBoard(b)}>
        Remove this board
      </button>
    </Slate>
  );
}

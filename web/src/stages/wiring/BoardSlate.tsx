/** The slate of one board: what it carries, where it is fed from, its ways; the mains side on a mains board. */

import type { Board } from "../../data/client";
import { useVariant } from "../../data/variant";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty, FlagProperty, QuantityProperty, TextProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/wiring";
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
      sub={says("ways-direct-current", {
        on_count: on.length,
        way_count: b.way_count,
        is_ac: b.side === "ac",
        mains_licensed_work: say(says("mains-licensed-work"), "wiring"),
      })}
    >
      <FindingList findings={report.findings.filter((f) => f.subject === b.id || (b.side === "ac" && f.subject === "mains"))} />
      {b.side === "ac" && <MainsSide />}
      <SlateFig k={`boards/${b.id}/current_a`} />
      <SlateFig k={`${node}/worst_v`} label={says("voltage-here-worst-moment")} />
      <SlateFig k={`${node}/typical_v`} label={says("voltage-here-usual-moment")} />
      <SlateFig k={`${node}/fault_a`} />
      {b.side !== "ac" && (
        <>
          <ChoiceProperty
            label={says("fed")}
            value={b.fed_from ?? ""}
            options={[
              { value: "", word: says("busbar") },
              ...boards.filter((x) => x.id !== b.id && x.side !== "ac").map((x) => ({ value: x.id, word: `${x.letter} ${x.name}` })),
            ]}
            onSet={(v) => void setBoard(b, { fed_from: v || null }, says("fed"))}
          />
          {fed ? (
            <button type="button" className="btn btn-slate my-1" onClick={() => hand.pick("circuit", fed.id)}>
              {says("feeder", { code: report.wiring.circuits[fed.id]?.code ?? "", fed: fed.name })}
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
              {says("add-feeder")}
            </button>
          )}
        </>
      )}
      <TextProperty
        label={says("name")}
        value={b.name}
        maxLength={120}
        onSet={(name) => name.trim() && void setBoard(b, { name: name.trim() }, says("name"))}
      />
      <TextProperty
        label={says("letter")}
        value={b.letter ?? "A"}
        maxLength={1}
        onSet={(letter) => void setBoard(b, { letter: letter.toUpperCase() }, says("letter"))}
      />
      <QuantityProperty
        label={says("ways")}
        value={b.way_count}
        dimension="count"
        unit=""
        onSet={(v) => void setBoard(b, { way_count: Math.round(v ?? 12) }, says("ways"))}
      />
      <QuantityProperty
        label={says("rating-way")}
        value={b.way_rating_a}
        dimension="current"
        unit="A"
        onSet={(v) => void setBoard(b, { way_rating_a: v ?? 30 }, says("way-rating"))}
      />
      <QuantityProperty
        label={says("rating-whole")}
        value={b.total_rating_a}
        dimension="current"
        unit="A"
        onSet={(v) => void setBoard(b, { total_rating_a: v ?? 100 }, says("rating"))}
      />
      <TextProperty label={says("box-stands")} value={b.enclosure ?? ""} maxLength={60} onSet={(enclosure) => void setBoard(b, { enclosure }, says("box"))} />
      {b.enclosure && (
        <FlagProperty
          label={say(says("barrier-between-mains-low"), "wiring")}
          value={b.barrier ?? false}
          onSet={(barrier) => void setBoard(b, { barrier }, says("barrier"))}
        />
      )}
      <ChoiceProperty
        label={says("side")}
        value={b.side ?? "dc"}
        options={[
          { value: "dc", word: says("direct-current") },
          { value: "ac", word: says("mains") },
        ]}
        onSet={(v) => void setBoard(b, { side: v }, says("side"))}
      />
      <button type="button" className="btn btn-slate mt-2" onClick={() => void removeBoard(b)}>
        {says("remove-board")}
      </button>
    </Slate>
  );
}

/** Way out: how each heavy, serviced or large thing comes out again, past the furniture. */
import { show } from "../../data/show";
import { FindingList } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { useFit } from "./data";
import { LOOKS } from "./frame";
import { Pane } from "./Scene";
import { Sentence } from "./Sentence";
import { VIEWS } from "./words";

type Row = ReturnType<typeof useFit>["part"]["out"][number];

export function OutView() {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const hand = useHand();
  const { part, byKey } = fit;
  const held = part.out.find((o) => hand.kind === "thing" && o.key === hand.id) ?? part.out.find((o) => !o.finished) ?? part.out[0];
  const door = (id: string | null | undefined) => part.body.doors.find((d) => d.id === id)?.name ?? "none";
  const name = (key: string) => byKey.get(key)?.name ?? key;
  const said = (o: Row) => (o.door == null ? "through no door" : o.finished ? "comes out" : "the furniture is in the way");
  const columns: Column<Row>[] = [
    { key: "name", label: "thing", width: "34%", kind: "computed", show: (o) => <span className="font-sans text-peat">{name(o.key)}</span> },
    {
      key: "out",
      label: "past the furniture",
      width: "22%",
      kind: "computed",
      show: (o) => <span className={`font-sans ${o.finished ? "" : "text-rust"}`}>{said(o)}</span>,
    },
    { key: "door", label: "through", width: "16%", kind: "computed", show: (o) => <span className="font-sans">{door(o.finished ?? o.door)}</span> },
    { key: "spare", label: "to spare in it", width: "12%", align: "right", kind: "computed", show: (o) => show(o.spare_m, "m", units) },
    {
      key: "blocking",
      label: "in the way",
      width: "16%",
      kind: "computed",
      show: (o) => <span className="font-sans">{o.blocking.map(name).join(", ") || "–"}</span>,
    },
  ];
  return (
    <Bench
      title="Layout and weight"
      sentence={<Sentence />}
      picture={
        <div className="h-full p-2">
          <Pane
            look="plan"
            label={`${LOOKS.plan} of the vehicle, to scale`}
            body={part.body}
            things={part.things.filter((t) => t.hollow || t.kind === "bed" || t.key === held?.key || part.out.some((o) => o.key === t.key))}
            placeOf={fit.placeOf}
            selected={held?.key}
            marked={new Set(held?.blocking ?? [])}
            onPick={(key) => part.out.some((o) => o.key === key) && hand.pick("thing", key)}
          />
        </div>
      }
      tools={<StageViews stage="Layout and weight" views={VIEWS} />}
      ledger={
        <Ledger
          label="Ways out"
          rows={part.out}
          columns={columns}
          id={(o) => o.key}
          selected={held?.key}
          onSelect={(o) => hand.pick("thing", o.key)}
          empty={<p className="m-0 max-w-xl text-[15px]">Nothing heavy or serviced is placed yet.</p>}
        />
      }
      slate={
        <Slate title={held ? name(held.key) : "Way out"} sub={held ? said(held) : ""}>
          {held && (
            <FindingList
              findings={fit.report.findings.filter((f) => f.subject === held.key && (f.rule === "fit-removal-blocked" || f.rule === "fit-door-too-small"))}
            />
          )}
          {held?.finished && (
            <p className="my-1 text-[13px]">
              It comes out through {door(held.finished).toLowerCase()}
              {held.spare_m != null && `, with ${show(held.spare_m, "m", units)} to spare straight on`}.
            </p>
          )}
          {held && !held.finished && held.door != null && (
            <p className="my-1 text-[13px]">
              In the bare shell it passes {door(held.door).toLowerCase()}.{" "}
              {held.blocking.length ? `Taking out ${held.blocking.map(name).join(" or ")} frees it.` : "No single piece frees it."}
            </p>
          )}
          {held && !held.finished && held.blocking.some((k) => !fit.placeOf(k)?.fixing) && (
            <p className="my-1 text-[12px] text-chalk-dim">Enter in Places what holds the piece in the way; then its screws are named here.</p>
          )}
          <p className="my-1 text-[12px] text-chalk-dim">
            {say(
              "Carried level, slid along the floor or at its own height, and turned where there is room all round; 10 mm for hands. Walls and things to about 50 mm. Doors are looked at to the millimetre, tilted as far as it may be.",
            )}
          </p>
          <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say("25 kg and more: two people or a hoist.")}</p>
        </Slate>
      }
    />
  );
}

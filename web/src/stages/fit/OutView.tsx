/** Way out: how each heavy, serviced or large thing comes out again, past the furniture. */
import { show } from "../../data/show";
import { FindingList } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/fit";
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
  const door = (id: string | null | undefined) => part.body.doors.find((d) => d.id === id)?.name ?? says("none");
  const name = (key: string) => byKey.get(key)?.name ?? key;
  const said = (o: Row) => (o.door == null ? says("through-no-door") : o.finished ? says("comes-out") : says("furniture-way"));
  const columns: Column<Row>[] = [
    { key: "name", label: says("thing"), width: "34%", kind: "computed", show: (o) => <span className="font-sans text-peat">{name(o.key)}</span> },
    {
      key: "out",
      label: says("past-furniture"),
      width: "22%",
      kind: "computed",
      show: (o) => <span className={`font-sans ${o.finished ? "" : "text-rust"}`}>{said(o)}</span>,
    },
    { key: "door", label: says("through"), width: "16%", kind: "computed", show: (o) => <span className="font-sans">{door(o.finished ?? o.door)}</span> },
    { key: "spare", label: says("spare"), width: "12%", align: "right", kind: "computed", show: (o) => show(o.spare_m, "m", units) },
    {
      key: "blocking",
      label: says("way"),
      width: "16%",
      kind: "computed",
      show: (o) => <span className="font-sans">{o.blocking.map(name).join(", ") || "–"}</span>,
    },
  ];
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<Sentence />}
      picture={
        <div className="h-full p-2">
          <Pane
            look="plan"
            label={says("vehicle-scale", { plan: LOOKS.plan })}
            body={part.body}
            things={part.things.filter((t) => t.hollow || t.kind === "bed" || t.key === held?.key || part.out.some((o) => o.key === t.key))}
            placeOf={fit.placeOf}
            selected={held?.key}
            marked={new Set(held?.blocking ?? [])}
            onPick={(key) => part.out.some((o) => o.key === key) && hand.pick("thing", key)}
          />
        </div>
      }
      tools={<StageViews stage={says("layout-weight")} views={VIEWS} />}
      ledger={
        <Ledger
          label={says("ways-out")}
          rows={part.out}
          columns={columns}
          id={(o) => o.key}
          selected={held?.key}
          onSelect={(o) => hand.pick("thing", o.key)}
          empty={<p className="m-0 max-w-xl text-[15px]">{says("nothing-heavy-serviced-placed")}</p>}
        />
      }
      slate={
        <Slate title={held ? name(held.key) : says("way-out")} sub={held ? said(held) : ""}>
          {held && (
            <FindingList
              findings={fit.report.findings.filter((f) => f.subject === held.key && (f.rule === "fit-removal-blocked" || f.rule === "fit-door-too-small"))}
            />
          )}
          {held?.finished && (
            <p className="my-1 text-[13px]">
              {says("comes-out-through-spare", {
                finished: door(held.finished).toLowerCase(),
                has_spare_m: held.spare_m != null,
                spare_m: held.spare_m != null ? show(held.spare_m, "m", units) : "",
              })}
            </p>
          )}
          {held && !held.finished && held.door != null && (
            <p className="my-1 text-[13px]">
              {says("bare-shell-passes-taking", {
                door: door(held.door).toLowerCase(),
                has_blocking: Boolean(held.blocking.length),
                blocking: held.blocking.map(name).join(says("or")),
              })}
            </p>
          )}
          {held && !held.finished && held.blocking.some((k) => !fit.placeOf(k)?.fixing) && (
            <p className="my-1 text-[12px] text-chalk-dim">{says("enter-places-what-holds")}</p>
          )}
          <p className="my-1 text-[12px] text-chalk-dim">{say(says("carried-level-slid-along"))}</p>
          <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(says("kg-more-two-people"))}</p>
        </Slate>
      }
    />
  );
}

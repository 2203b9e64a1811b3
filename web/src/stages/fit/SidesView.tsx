/** Openings of sides, rear and floor: what goes through where, what lies in the way, and the template of each cut. */
import { useSearchParams } from "react-router";
import { show, sizeOf, smallLength } from "../../data/show";
import { Exports } from "../../parts/Exports";
import { ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { useSite } from "../../shell/useSite";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/fit";
import { Choices } from "./Choices";
import { OpeningSlate, SidesSlate } from "./OpeningSlate";
import { SidePicture } from "./SidePicture";
import { FACE_WORDS, type FaceKey, type SideThing, useSides } from "./sides";
import { OWN_HOLES, VIEWS } from "./words";

export function SidesSentence() {
  const { sides, report } = useSides();
  const keys = new Set(sides.things.map((t) => t.key));
  const bad = report.findings.filter((f) => keys.has(f.subject) && (f.severity === "danger" || f.severity === "fault"));
  const cut = sides.things.filter((t) => t.set_out && !t.kept).length;
  const open = sides.things.length - sides.set_out;
  if (!sides.things.length) return <>{says("nothing-goes-through-sides")}</>;
  return (
    <>
      {says("one-opening-cut-openings", { cut })}
      {open > 0 && <>{says("not-set-out-yet-2", { open })}</>}
      {bad.length > 0 && <>{says("put-right", { bad_count: bad.length })}</>}.
    </>
  );
}

export function SidesView() {
  const all = useSides();
  const { sides } = all;
  const { units } = usePerson();
  const say = useSaid();
  const hand = useHand();
  const site = useSite();
  const [params, setParams] = useSearchParams();
  const held = hand.kind === "opening" ? sides.things.find((t) => t.key === hand.id) : undefined;
  const wanted = params.get("face");
  const id = (held?.face ?? wanted ?? sides.things.find((t) => t.set_out)?.face ?? "left") as FaceKey;
  const face = sides.faces.find((f) => f.id === id) ?? sides.faces[0]!;
  const look = (f: string) =>
    setParams((p) => {
      p.set("face", f);
      p.delete("hand");
      return p;
    });
  const pick = (t: SideThing) => hand.key !== `opening:${t.key}` && hand.pick("opening", t.key);
  const marked = new Set(
    all.report.findings.filter((f) => f.rule.startsWith("fit-") && ["danger", "fault"].includes(f.severity)).flatMap((f) => [f.subject, ...f.related]),
  );
  const open = sides.things.filter((t) => !t.set_out);
  const add = async (kind: string) => {
    const one = OWN_HOLES.find((o) => o.value === kind);
    const key = one && (await all.addHole(kind, one.word));
    if (key) hand.pick("opening", key);
  };
  useCall("bothy:new", () => document.querySelector<HTMLSelectElement>("#hole-add")?.focus());
  const metre = (key: "u_m" | "v_m", label: string): Column<SideThing> => ({
    key,
    label,
    width: "14%",
    align: "right",
    kind: "quantity",
    dimension: "length",
    unit: "m",
    show: (t) => (t.set_out ? show(t[key], "m", units) : "–"),
    value: (t) => (t.set_out ? t[key] : undefined),
    set: (t, q) => q && void all.putCut(t, { [key]: Math.round(1000 * q.value) / 1000 }, `${label}:`),
  });
  const columns: Column<SideThing>[] = [
    { key: "name", label: says("opening"), width: "32%", kind: "computed", show: (t) => <span className="font-sans text-peat">{say(t.name)}</span> },
    {
      key: "face",
      label: says("in-the"),
      width: "15%",
      kind: "choice",
      options: Object.entries(FACE_WORDS).map(([value, word]) => ({ value, word: word.toLowerCase() })),
      show: (t) => FACE_WORDS[t.face as FaceKey].toLowerCase(),
      value: (t) => t.face,
      set: (t, v) => void all.putCut(t, { face: v as never }, "wall:"),
    },
    metre("u_m", says("along")),
    metre("v_m", says("up-left")),
    {
      key: "cut",
      label: says("cut", { units: smallLength(units) }),
      width: "14%",
      align: "right",
      kind: "computed",
      show: (t) => `${sizeOf([t.length_mm / 1000, t.height_mm / 1000], units, 2)}${t.measured ? "" : " ?"}`,
    },
    { key: "state", label: says("is"), width: "11%", kind: "computed", show: (t) => (t.kept ? says("there") : t.set_out ? says("set-out") : says("open-2")) },
  ];
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<SidesSentence />}
      picture={
        <div className="flex h-full flex-col p-2">
          <Choices
            label={says("wall-2")}
            options={
              Object.fromEntries(
                sides.faces.map((f) => [
                  f.id,
                  `${FACE_WORDS[f.id as FaceKey].toLowerCase()} (${sides.things.filter((t) => t.set_out && t.face === f.id).length})`,
                ]),
              ) as Record<string, string>
            }
            value={face.id}
            onSet={look}
          />
          <div className="min-h-0 flex-1">
            <SidePicture
              face={face}
              things={sides.things}
              selected={held?.key}
              marked={marked}
              onPick={(key) => hand.key !== `opening:${key}` && hand.pick("opening", key)}
              onDrop={(t, u, v) => void all.putCut(t, { u_m: u, v_m: v }, says("moved"))}
              onLift={(t) => void all.liftCut(t)}
            />
          </div>
        </div>
      }
      tools={
        <>
          <StageViews stage={says("layout-weight")} views={VIEWS} />
          {open.length > 0 && (
            <button type="button" className="btn" onClick={() => void all.setOutAll()}>
              {says("set-out-3", { open_count: open.length })}
            </button>
          )}
          <select
            id="hole-add"
            className="field"
            aria-label={says("add-opening")}
            value=""
            onChange={(e) => {
              void add(e.target.value);
              e.target.value = "";
            }}
          >
            <option value="">{says("add")}</option>
            {OWN_HOLES.map((o) => (
              <option key={o.value} value={o.value}>
                {o.word}
              </option>
            ))}
          </select>
          <Exports items={[{ word: says("openings-their-numbers-order"), page: "openings" }]} />
        </>
      }
      ledger={
        <Ledger
          label={says("openings")}
          rows={sides.things}
          columns={
            site
              ? columns.filter((c) => ["name", "u_m", "v_m", "cut"].includes(c.key)).map((c) => ({ ...c, width: { name: "33%", cut: "27%" }[c.key] ?? "20%" }))
              : columns
          }
          id={(t) => t.key}
          selected={held?.key}
          onSelect={pick}
          onRemove={(t) => void (t.key.startsWith("hole:") && !t.set_out ? all.removeHole(t.key) : all.liftCut(t))}
          mark={(t) => <ItemMark subject={t.key} />}
          empty={<p className="p-3 text-[14px]">{says("nothing-goes-through-sides-rear")}</p>}
        />
      }
      slate={held ? <OpeningSlate t={held} /> : <SidesSlate face={face} />}
    />
  );
}

/** The roof plan: what lies where, what is cut, how it is held against the wind, and when it may be driven. */
import { useRef, useState } from "react";
import { api, take } from "../../data/client";
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
import { RoofPicture } from "./RoofPicture";
import { OnRoofSlate } from "./RoofThingSlate";
import { RoofSlate } from "./RoofWholeSlate";
import { type Four, inTheWay, type RoofThing, useRoof } from "./roof";
import { HELD, ROOF_OWN, VIEWS } from "./words";

/** What a layout found, and how to take it. */
function useLayout(roof: ReturnType<typeof useRoof>) {
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const find = async () => {
    stop.current = new AbortController();
    setBusy(true);
    setSaid(null);
    try {
      const made = await take(
        api.GET("/api/variants/{variant_id}/fit/roof", {
          params: { path: { variant_id: roof.id }, query: { revision: roof.revision } },
          signal: stop.current.signal,
        }),
      );
      if (made.patch.length) await roof.edit(made.patch as never, says("laid-out-things-roof", { laid: made.laid }));
      const left = made.left.length
        ? says("no-room-more", {
            left: made.left.slice(0, 4).join(", "),
            left_count_more: made.left.length > 4,
            left_count: made.left.length > 4 ? made.left.length - 4 : "",
          })
        : "";
      const most = made.panels_most > made.panels ? says("panels-most-could-fit", { panels: made.panels, panels_most: made.panels_most }) : "";
      setSaid(made.laid ? `${made.why.join(" ")}${most}${left}` : left || says("everything-lies-already"));
    } catch (e) {
      if ((e as Error).name !== "AbortError") setSaid(says("could-not-laid-out", { message: (e as Error).message }));
    }
    setBusy(false);
  };
  return { find, busy, said, cancel: () => stop.current?.abort() };
}

const HEADS = { 0: says("nose-north"), 90: says("nose-east"), 180: says("nose-south"), 270: says("nose-west") } as const;

export function RoofSentence() {
  const { roof, report } = useRoof();
  const { units } = usePerson();
  const say = useSaid();
  const held = roof.things.flatMap((t) => (t.held?.used != null ? [t.held.used] : []));
  const worst = held.length ? Math.max(...held) : null;
  const bad = report.findings.filter(
    (f) => f.rule.startsWith("fit-") && /^(panel|fan|light|vent|cooler|roof):/.test(f.subject) && f.severity !== "note" && f.severity !== "advice",
  );
  const cuts = roof.things.filter((t) => t.cut?.hole).length;
  return (
    <>
      {says("things-lie-roof-one", { laid: roof.laid, things_count: roof.things.length, roof_kg: show(roof.roof_kg, "kg", units), cuts })}
      {worst != null && <>{say(says("wind-uses-weakest-hold", { worst: Math.round(100 * worst) }))}</>}
      {roof.things.some((t) => t.held?.by === "bond") &&
        (roof.cure.drive_h != null ? says("may-driven-after-bonding", { h: say(`${Math.round(roof.cure.drive_h)} h`) }) : says("doesnt-cure-weather"))}
      {bad.length > 0 && <>{says("put-right", { bad_count: bad.length })}</>}.
    </>
  );
}

export function RoofView() {
  const all = useRoof();
  const { roof } = all;
  const say = useSaid();
  const { units } = usePerson();
  const hand = useHand();
  const site = useSite();
  const layout = useLayout(all);
  const [beads, setBeads] = useState(false);
  const [hour, setHour] = useState<number | null>(null);
  const [head, setHead] = useState<"0" | "90" | "180" | "270">("180");
  const held = hand.kind === "onroof" ? roof.things.find((t) => t.key === hand.id) : undefined;
  const open = roof.things.filter((t) => !t.rect);
  const at = hour == null ? null : roof.sun.reduce((a, b) => (Math.abs(b[0]! - hour) < Math.abs(a[0]! - hour) ? b : a), roof.sun[0] ?? [12, 0, 180]);
  const sun = at && at[1]! > 0 ? { elevation: at[1]!, bearing: (at[2]! - Number(head) + 360) % 360 } : null;
  const marked = new Set(
    all.report.findings.filter((f) => f.rule.startsWith("fit-") && ["danger", "fault"].includes(f.severity)).flatMap((f) => [f.subject, ...f.related]),
  );
  const pick = (key: string) => hand.key !== `onroof:${key}` && hand.pick("onroof", key);
  const add = async (kind: string) => {
    const one = ROOF_OWN.find((o) => o.value === kind);
    const key = one && (await all.addOwnRoof(kind, one.word, one.size));
    if (key) hand.pick("onroof", key);
  };
  useCall("bothy:new", () => document.querySelector<HTMLSelectElement>("#roof-add")?.focus());
  const metre = (i: 0 | 2, key: "x_m" | "y_m", label: string): Column<RoofThing> => ({
    key,
    label,
    width: "12%",
    align: "right",
    kind: "quantity",
    dimension: "length",
    unit: "m",
    show: (t) => (t.rect ? show(t.rect[i], "m", units) : "–"),
    value: (t) => t.rect?.[i],
    set: (t, q) => q && void all.putSpot(t, { [key]: Math.round(1000 * q.value) / 1000 }, `${label}:`),
  });
  const columns: Column<RoofThing>[] = [
    { key: "name", label: says("roof"), width: "27%", kind: "computed", show: (t) => <span className="font-sans text-peat">{t.name}</span> },
    metre(0, "x_m", says("rear")),
    metre(2, "y_m", says("left-centre")),
    {
      key: "held",
      label: says("held"),
      width: "16%",
      kind: "choice",
      options: HELD,
      show: (t) => HELD.find((h) => h.value === t.held_by)?.word ?? "–",
      value: (t) => t.held_by,
      set: (t, v) => void all.putSpot(t, { held: v as never }, "held:"),
    },
    {
      key: "used",
      label: says("used"),
      width: "10%",
      align: "right",
      kind: "computed",
      show: (t) => (t.kept ? says("there") : t.held?.used != null ? `${Math.round(100 * t.held.used)} %` : "–"),
    },
    {
      key: "cut",
      label: says("cut", { units: smallLength(units) }),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (t) => (t.cut ? `${sizeOf([t.cut.length_mm / 1000, t.cut.width_mm / 1000], units, 2)}${t.cut.measured ? "" : " ?"}` : "–"),
    },
    { key: "kg", label: says("mass"), width: "10%", align: "right", kind: "computed", show: (t) => show(t.mass_kg, "kg", units) },
  ];
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<RoofSentence />}
      picture={
        <div className="flex h-full flex-col p-2">
          <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[12px]">
            <label className="flex items-center gap-1">
              <input type="checkbox" checked={beads} onChange={(e) => setBeads(e.target.checked)} /> {says("lines-adhesive")}
            </label>
            <label className="flex items-center gap-1">
              <input type="checkbox" checked={hour != null} onChange={(e) => setHour(e.target.checked ? 12 : null)} /> {says("shadow")}
            </label>
            {hour != null && (
              <>
                <input
                  type="range"
                  min={4}
                  max={20}
                  step={0.5}
                  value={hour}
                  aria-label={says("hour-suns-clock")}
                  onChange={(e) => setHour(Number(e.target.value))}
                />
                <span className="num">
                  {hour.toFixed(1)} h{sun ? says("sun", { elevation: Math.round(sun.elevation) }) : says("sun-down")}
                </span>
                <Choices label={says("how-stands")} options={HEADS as never} value={head} onSet={setHead} />
              </>
            )}
          </div>
          <div className="min-h-0 flex-1">
            <RoofPicture
              roof={roof.shape}
              things={roof.things}
              selected={held?.key}
              marked={marked}
              sun={sun}
              beads={beads}
              onPick={pick}
              onDrop={(t, x, y) => void all.putSpot(t, { x_m: x, y_m: y }, says("moved"))}
              onTurn={(t) => void all.putSpot(t, { turned: !t.turned }, says("turned"))}
              onLift={(t) => void all.liftSpot(t)}
            />
          </div>
        </div>
      }
      tools={
        <>
          <StageViews stage={says("layout-weight")} views={VIEWS} />
          <button type="button" className="btn" disabled={layout.busy} onClick={() => void layout.find()}>
            {open.length ? says("lay-out-roof", { open_count: open.length }) : says("lay-out-roof-2")}
          </button>
          {layout.busy && (
            <span role="status" className="flex items-center gap-2 text-[12px]">
              {says("laying-out")}
              <button type="button" className="underline" onClick={layout.cancel}>
                {says("cancel")}
              </button>
            </span>
          )}
          <select
            id="roof-add"
            className="field"
            aria-label={says("add-roof")}
            value=""
            onChange={(e) => {
              void add(e.target.value);
              e.target.value = "";
            }}
          >
            <option value="">{says("add")}</option>
            {ROOF_OWN.map((o) => (
              <option key={o.value} value={o.value}>
                {say(o.word)}
              </option>
            ))}
          </select>
          <Exports items={[{ word: says("roof-plan-cut-outs"), page: "roof" }]} />
        </>
      }
      ledger={
        <>
          {layout.said && (
            <p role="status" className="m-0 border-b border-line px-3 py-1 text-[13px]">
              {say(layout.said)}
            </p>
          )}
          <Ledger
            label={says("roof-2")}
            rows={roof.things}
            columns={
              site
                ? columns.filter((c) => ["name", "x_m", "y_m", "used"].includes(c.key)).map((c) => ({ ...c, width: c.key === "name" ? "40%" : "20%" }))
                : columns
            }
            id={(t) => t.key}
            selected={held?.key}
            onSelect={(t) => pick(t.key)}
            onRemove={(t) => void (t.key.startsWith("roof:") && !t.rect ? all.removeOwnRoof(t.key) : all.liftSpot(t))}
            mark={(t) => <ItemMark subject={t.key} />}
            empty={<p className="p-3 text-[14px]">{say(says("nothing-lies-roof-yet"))}</p>}
          />
        </>
      }
      slate={held ? <OnRoofSlate t={held} way={held.rect ? inTheWay(held, held.rect as Four, roof.shape, roof.things) : null} /> : <RoofSlate />}
    />
  );
}

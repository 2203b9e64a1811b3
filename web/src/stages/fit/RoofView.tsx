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
      if (made.patch.length) await roof.edit(made.patch as never, `laid out ${made.laid} things on the roof`);
      const left = made.left.length
        ? ` No room for ${made.left.slice(0, 4).join(", ")}${made.left.length > 4 ? ` and ${made.left.length - 4} more` : ""}.`
        : "";
      const most = made.panels_most > made.panels ? ` ${made.panels} panels; at most ${made.panels_most} could fit.` : "";
      setSaid(made.laid ? `${made.why.join(" ")}${most}${left}` : left || "Everything lies already.");
    } catch (e) {
      if ((e as Error).name !== "AbortError") setSaid(`It could not be laid out: ${(e as Error).message}`);
    }
    setBusy(false);
  };
  return { find, busy, said, cancel: () => stop.current?.abort() };
}

const HEADS = { 0: "nose north", 90: "nose east", 180: "nose south", 270: "nose west" } as const;

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
      {roof.laid} of {roof.things.length} things lie on the roof, {show(roof.roof_kg, "kg", units)}; {cuts === 1 ? "one hole is cut" : `${cuts} holes are cut`}
      {worst != null && <>; the wind uses {Math.round(100 * worst)} % of the weakest hold</>}
      {roof.things.some((t) => t.held?.by === "bond") &&
        (roof.cure.drive_h != null ? (
          <>; it may be driven {say(`${Math.round(roof.cure.drive_h)} h`)} after bonding</>
        ) : (
          <>; it doesn’t cure in this weather</>
        ))}
      {bad.length > 0 && <>; {bad.length} to put right</>}.
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
    { key: "name", label: "on the roof", width: "27%", kind: "computed", show: (t) => <span className="font-sans text-peat">{t.name}</span> },
    metre(0, "x_m", "from the rear"),
    metre(2, "y_m", "left of centre"),
    {
      key: "held",
      label: "held by",
      width: "16%",
      kind: "choice",
      options: HELD,
      show: (t) => HELD.find((h) => h.value === t.held_by)?.word ?? "–",
      value: (t) => t.held_by,
      set: (t, v) => void all.putSpot(t, { held: v as never }, "held:"),
    },
    {
      key: "used",
      label: "used of it",
      width: "10%",
      align: "right",
      kind: "computed",
      show: (t) => (t.kept ? "there" : t.held?.used != null ? `${Math.round(100 * t.held.used)} %` : "–"),
    },
    {
      key: "cut",
      label: `cut, ${smallLength(units)}`,
      width: "13%",
      align: "right",
      kind: "computed",
      show: (t) => (t.cut ? `${sizeOf([t.cut.length_mm / 1000, t.cut.width_mm / 1000], units, 2)}${t.cut.measured ? "" : " ?"}` : "–"),
    },
    { key: "kg", label: "mass", width: "10%", align: "right", kind: "computed", show: (t) => show(t.mass_kg, "kg", units) },
  ];
  return (
    <Bench
      title="Layout and weight"
      sentence={<RoofSentence />}
      picture={
        <div className="flex h-full flex-col p-2">
          <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[12px]">
            <label className="flex items-center gap-1">
              <input type="checkbox" checked={beads} onChange={(e) => setBeads(e.target.checked)} /> lines of adhesive
            </label>
            <label className="flex items-center gap-1">
              <input type="checkbox" checked={hour != null} onChange={(e) => setHour(e.target.checked ? 12 : null)} /> shadow
            </label>
            {hour != null && (
              <>
                <input
                  type="range"
                  min={4}
                  max={20}
                  step={0.5}
                  value={hour}
                  aria-label="Hour of the sun’s clock"
                  onChange={(e) => setHour(Number(e.target.value))}
                />
                <span className="num">
                  {hour.toFixed(1)} h{sun ? `, sun at ${Math.round(sun.elevation)}°` : ", sun is down"}
                </span>
                <Choices label="How it stands" options={HEADS as never} value={head} onSet={setHead} />
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
              onDrop={(t, x, y) => void all.putSpot(t, { x_m: x, y_m: y }, "moved")}
              onTurn={(t) => void all.putSpot(t, { turned: !t.turned }, "turned")}
              onLift={(t) => void all.liftSpot(t)}
            />
          </div>
        </div>
      }
      tools={
        <>
          <StageViews stage="Layout and weight" views={VIEWS} />
          <button type="button" className="btn" disabled={layout.busy} onClick={() => void layout.find()}>
            {open.length ? `Lay out ${open.length} on the roof` : "Lay out the roof"}
          </button>
          {layout.busy && (
            <span role="status" className="flex items-center gap-2 text-[12px]">
              Laying out…
              <button type="button" className="underline" onClick={layout.cancel}>
                cancel
              </button>
            </span>
          )}
          <select
            id="roof-add"
            className="field"
            aria-label="Add to the roof"
            value=""
            onChange={(e) => {
              void add(e.target.value);
              e.target.value = "";
            }}
          >
            <option value="">add…</option>
            {ROOF_OWN.map((o) => (
              <option key={o.value} value={o.value}>
                {o.word}
              </option>
            ))}
          </select>
          <Exports items={[{ word: "Roof plan, cut-outs, order of work (print)", page: "roof" }]} />
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
            label="On the roof"
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
            empty={
              <p className="p-3 text-[14px]">
                Nothing lies on the roof yet. Panels come from Power, fans and rooflights from Warmth; a hatch, a box or a gland is added here.
              </p>
            }
          />
        </>
      }
      slate={held ? <OnRoofSlate t={held} way={held.rect ? inTheWay(held, held.rect as Four, roof.shape, roof.things) : null} /> : <RoofSlate />}
    />
  );
}

/** A thing on the roof in hand: how it lies and is held, its cut-out with the template, and the order of work at the hole. */
import { show } from "../../data/show";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { FromPart } from "./FromPart";
import { type RoofThing, useRoof } from "./roof";
import { CUT, HELD, ROOF_OWN } from "./words";

const SHAPES = { panel: "framed panel", flexible: "flat panel, bonded", rooflight: "rooflight", air_conditioner: "air conditioner" } as Record<string, string>;

function Template({ t }: { t: RoofThing }) {
  const { id } = useRoof();
  const say = useSaid();
  const href = (kind: string, below: boolean) => `/api/variants/${id}/fit/template/${kind}?of=${encodeURIComponent(t.key)}&below=${below}`;
  const c = t.cut!;
  const side = (c.to_centre_mm ?? 0) > 0 ? "left" : "right";
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">Template, true to size</h3>
      <p className="my-1 text-[12px]">
        {say(
          `Its middle lies ${Math.abs(c.to_centre_mm ?? 0) < 0.5 ? "on the centre line" : `${Math.abs(c.to_centre_mm!).toFixed(0)} mm to the ${side} of the centre line`}${
            c.rib ? `; ${c.to_rib_mm!.toFixed(0)} mm from its edge to ${c.rib.replace("-", " ")}` : ""
          }. Both numbers must agree on the metal, or you stop.`,
        )}
      </p>
      {!c.measured && <p className="my-1 text-[12px] text-[#d3b6e6]">Nominal size of its kind: measure the part in hand, and enter it above.</p>}
      <div className="flex flex-wrap gap-1">
        {(["pdf", "svg", "dxf"] as const).map((kind) => (
          <a key={kind} className="btn btn-slate" href={href(kind, false)} download>
            {kind.toUpperCase()}, from above
          </a>
        ))}
        <a className="btn btn-slate" href={href("pdf", true)} download>
          PDF, from below
        </a>
      </div>
    </>
  );
}

export function OnRoofSlate({ t, way }: { t: RoofThing; way: { mm: number; what: string } | null }) {
  const all = useRoof();
  const { roof, roofDoc, report, spotOf } = all;
  const say = useSaid();
  const { units } = usePerson();
  const hand = useHand();
  const spot = spotOf(t.key);
  const own = (roofDoc.own ?? []).find((o) => `roof:${o.id}` === t.key);
  const key = t.key.replace(":", "-");
  const cut = (roofDoc.cuts ?? []).find((c) => c.of === t.key) ?? (t.cut && { ...t.cut, of: t.key });
  const panel = t.kind === "panel" || t.kind === "flexible";
  return (
    <Slate title={t.name} sub={SHAPES[t.kind] ?? t.kind.replace("_", " ")}>
      <FindingList findings={report.findings.filter((f) => f.subject === t.key || f.related.includes(t.key))} />
      <p className="my-1 text-[12px]">
        {say(`${t.size.map((x) => Math.round(1000 * x)).join(" × ")} mm`)}, {show(t.mass_kg, "kg", units)}; its top is {say(`${Math.round(1000 * t.top_m)} mm`)}{" "}
        over the skin.{t.shaded != null && t.shaded > 0.005 && ` Shade takes ${(100 * t.shaded).toFixed(0)} % of its direct light at the lowest sun.`}
      </p>
      {spot ? (
        <>
          <Fields
            specs={[
              quantity("x_m", "from the rear", "length", "m"),
              quantity("y_m", "left of the centre line", "length", "m"),
              flag("turned", "turned by a quarter"),
              choice("held", "held by", HELD, { none: `usual: ${HELD.find((h) => h.value === t.held_by)?.word ?? ""}` }),
              ...(t.kind === "panel"
                ? [mm("gap_m" as const, "air under it", { scale: 1, clearable: true, placeholder: "30 mm" }), flag("front_closed", "its front edge is closed")]
                : []),
              ...(t.held?.by === "bond" ? [quantity("bead_m", "length of bead", "length", "m", { clearable: true, placeholder: "as drawn" })] : []),
              ...(t.held_by === "bolts" ? [quantity("bolts", "bolts", "count", "", { placeholder: "4" })] : []),
              ...(t.cut ? [flag("kept", "it is there already"), flag("framed", "a frame carries the cut to the next bows")] : []),
            ]}
            item={{ ...spot, y_m: spot.y_m }}
            onSet={(k, value, label) => void all.putSpot(t, { [k]: value }, `${label}:`)}
          />
          {t.packing_mm && Math.max(...t.packing_mm) > 1 && (
            <p className="my-1 text-[12px]">
              {say(`To lie level over the crown: ${t.packing_mm[0]!.toFixed(0)} mm under its right feet, ${t.packing_mm[1]!.toFixed(0)} mm under its left.`)}
            </p>
          )}
          {way && <p className="my-1 text-[12px] text-[#f3b3a4]">{say(`${way.mm} mm in the way of ${way.what}.`)}</p>}
        </>
      ) : (
        <div className="my-2 flex flex-wrap gap-2">
          <button type="button" className="btn btn-slate" onClick={() => void all.putSpot(t, {}, "laid")}>
            Put it on the roof
          </button>
        </div>
      )}
      {t.held && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">Against the wind</h3>
          <SlateFig k={`roof/held/${key}/uplift_n` as never} label="lifts it" />
          <SlateFig k={`roof/held/${key}/drag_n` as never} label="drags it" />
          {t.held.used != null && (
            <SlateFig k={`roof/held/${key}/used_frac` as never} label={t.held.by === "bond" ? "used of the bond" : "used of the bolts"} />
          )}
          {t.held.by === "bond" && t.held.need_mm2 != null && (
            <p className="my-1 text-[12px] text-chalk-dim">
              {say(
                `${(t.held.need_mm2 / 100).toFixed(0)} cm² of bond are needed; ${t.held.bead_m.toFixed(1)} m of bead give ${(t.held.have_mm2 / 100).toFixed(0)} cm². Bead at least ${t.held.least_mm.toFixed(1)} mm thick.`,
              )}
            </p>
          )}
          {panel && t.size[0]! * t.size[1]! > 1.5 && (
            <p className="my-1 text-[12px] text-chalk-dim">{say("Larger than 1.5 m²: two bolts as well, in case the bond ages.")}</p>
          )}
        </>
      )}
      {t.cut && cut && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">Cut-out</h3>
          <FromPart kind={t.kind} onTake={(p) => void all.setPart(t, p)} />
          <Fields
            specs={[
              mm("length_mm", "length, along it"),
              mm("width_mm", "width"),
              mm("radius_mm", "corner radius"),
              mm("clamp_min_mm", "clamps from", { clearable: true }),
              mm("clamp_max_mm", "clamps to", { clearable: true }),
              mm("gasket_mm", "gasket, not squeezed", { clearable: true }),
            ]}
            item={cut}
            onSet={(k, value, label) => void all.setCut(t, { [k]: value }, label)}
          />
          {t.cut.hole && <Template t={t} />}
          {t.cut.hole && (
            <details className="mt-2" open>
              <summary className="cursor-pointer font-display text-[14px]">Order of work</summary>
              <p className="my-1 border-l-2 border-gorse pl-2 text-[12px]">{say(CUT)}</p>
              <ol className="m-0 list-decimal pl-5 text-[12px]">
                {roof.work.map((s) => (
                  <li key={s.title} className="my-0.5">
                    <b>{s.title}.</b> {say(s.text)}
                  </li>
                ))}
              </ol>
            </details>
          )}
        </>
      )}
      {own && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">Size and mass</h3>
          <Fields
            specs={[
              words("name", "name"),
              quantity("length_m", "length", "length", "m"),
              quantity("width_m", "width", "length", "m"),
              quantity("height_m", "height", "length", "m"),
              quantity("mass_kg", "mass", "mass", "kg"),
            ]}
            item={{ ...own, name: own.name ?? "" }}
            onSet={(k, value, label) =>
              void all.edit(
                [{ op: "replace", path: `/fit/roof/own/${(roofDoc.own ?? []).indexOf(own)}`, value: { ...own, [k]: value } }],
                `${own.name}: ${label}`,
              )
            }
          />
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {spot && (
          <button type="button" className="btn btn-slate" onClick={() => void all.liftSpot(t)}>
            Take it off the roof
          </button>
        )}
        {own && (
          <button
            type="button"
            className="btn btn-slate"
            onClick={() => {
              void all.removeOwnRoof(t.key);
              hand.drop();
            }}
          >
            Remove {ROOF_OWN.find((o) => o.value === own.kind)?.word.toLowerCase() ?? "it"}
          </button>
        )}
      </div>
    </Slate>
  );
}

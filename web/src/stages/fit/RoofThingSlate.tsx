/** A thing on the roof in hand: how it lies and is held, its cut-out with the template, and the order of work at the hole. */
import { show } from "../../data/show";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/fit";
import { FromPart } from "./FromPart";
import { type RoofThing, useRoof } from "./roof";
import { CUT, HELD, ROOF_OWN } from "./words";

const SHAPES = { panel: says("framed-panel"), flexible: says("flat-panel-bonded"), rooflight: "rooflight", air_conditioner: says("air-conditioner") } as Record<
  string,
  string
>;

function Template({ t }: { t: RoofThing }) {
  const { id } = useRoof();
  const say = useSaid();
  const href = (kind: string, below: boolean) => `/api/variants/${id}/fit/template/${kind}?of=${encodeURIComponent(t.key)}&below=${below}`;
  const c = t.cut!;
  const side = (c.to_centre_mm ?? 0) > 0 ? "left" : "right";
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("template-true-size")}</h3>
      <p className="my-1 text-[12px]">
        {say(
          says("middle-lies-centre-line", {
            to_centre_mm_less: Math.abs(c.to_centre_mm ?? 0) < 0.5,
            to_centre_mm: !(Math.abs(c.to_centre_mm ?? 0) < 0.5) ? Math.abs(c.to_centre_mm!) : 0,
            side,
            has_rib: Boolean(c.rib),
            to_rib_mm: c.rib ? c.to_rib_mm! : 0,
            rib: c.rib ? c.rib.replace("-", " ") : "",
          }),
        )}
      </p>
      {!c.measured && <p className="my-1 text-[12px] text-[#d3b6e6]">{says("nominal-size-kind-measure")}</p>}
      <div className="flex flex-wrap gap-1">
        {(["pdf", "svg", "dxf"] as const).map((kind) => (
          <a key={kind} className="btn btn-slate" href={href(kind, false)} download>
            {says("above-2", { to_upper_case: kind.toUpperCase() })}
          </a>
        ))}
        <a className="btn btn-slate" href={href("pdf", true)} download>
          {says("pdf-below")}
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
        {says("top-over-skin-shade", {
          mm: say(`${t.size.map((x) => Math.round(1000 * x)).join(" × ")} mm`),
          mass_kg: show(t.mass_kg, "kg", units),
          mm_2: say(`${Math.round(1000 * t.top_m)} mm`),
          has_shaded_and_shaded_more: t.shaded != null && t.shaded > 0.005,
          shaded: t.shaded != null && t.shaded > 0.005 ? 100 * t.shaded : 0,
        })}
      </p>
      {spot ? (
        <>
          <Fields
            specs={[
              quantity("x_m", says("rear"), "length", "m"),
              quantity("y_m", says("left-centre-line"), "length", "m"),
              flag("turned", says("turned-quarter")),
              choice("held", says("held"), HELD, { none: says("usual", { word: HELD.find((h) => h.value === t.held_by)?.word ?? "" }) }),
              ...(t.kind === "panel"
                ? [
                    mm("gap_m" as const, says("air-under"), { scale: 1, clearable: true, placeholder: "30 mm" }),
                    flag("front_closed", says("front-edge-closed")),
                  ]
                : []),
              ...(t.held?.by === "bond" ? [quantity("bead_m", says("length-bead"), "length", "m", { clearable: true, placeholder: says("drawn") })] : []),
              ...(t.held_by === "bolts" ? [quantity("bolts", says("bolts"), "count", "", { placeholder: "4" })] : []),
              ...(t.cut ? [flag("kept", says("there-already")), flag("framed", says("frame-carries-cut-next-bows"))] : []),
            ]}
            item={{ ...spot, y_m: spot.y_m }}
            onSet={(k, value, label) => void all.putSpot(t, { [k]: value }, `${label}:`)}
          />
          {t.packing_mm && Math.max(...t.packing_mm) > 1 && (
            <p className="my-1 text-[12px]">{say(says("lie-level-over-crown", { packing_mm: t.packing_mm[0]!, packing_mm_2: t.packing_mm[1]! }))}</p>
          )}
          {way && <p className="my-1 text-[12px] text-[#f3b3a4]">{say(says("mm-way", { mm: way.mm, what: way.what }))}</p>}
        </>
      ) : (
        <div className="my-2 flex flex-wrap gap-2">
          <button type="button" className="btn btn-slate" onClick={() => void all.putSpot(t, {}, says("laid"))}>
            {says("put-roof")}
          </button>
        </div>
      )}
      {t.held && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("against-wind")}</h3>
          <SlateFig k={`roof/held/${key}/uplift_n` as never} label={says("lifts")} />
          <SlateFig k={`roof/held/${key}/drag_n` as never} label={says("drags")} />
          {t.held.used != null && <SlateFig k={`roof/held/${key}/used_frac` as never} label={t.held.by === "bond" ? says("used-bond") : says("used-bolts")} />}
          {t.held.by === "bond" && t.held.need_mm2 != null && (
            <p className="my-1 text-[12px] text-chalk-dim">
              {say(
                says("cm-bond-needed-m", {
                  need_mm2: t.held.need_mm2 / 100,
                  bead_m: t.held.bead_m,
                  have_mm2: t.held.have_mm2 / 100,
                  least_mm: t.held.least_mm,
                }),
              )}
            </p>
          )}
          {panel && t.size[0]! * t.size[1]! > 1.5 && <p className="my-1 text-[12px] text-chalk-dim">{say(says("larger-than-m-two"))}</p>}
        </>
      )}
      {t.cut && cut && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("cut-out")}</h3>
          <FromPart kind={t.kind} onTake={(p) => void all.setPart(t, p)} />
          <Fields
            specs={[
              mm("length_mm", says("length-along")),
              mm("width_mm", says("width")),
              mm("radius_mm", says("corner-radius")),
              mm("clamp_min_mm", says("clamps"), { clearable: true }),
              mm("clamp_max_mm", says("clamps-2"), { clearable: true }),
              mm("gasket_mm", says("gasket-not-squeezed"), { clearable: true }),
            ]}
            item={cut}
            onSet={(k, value, label) => void all.setCut(t, { [k]: value }, label)}
          />
          {t.cut.hole && <Template t={t} />}
          {t.cut.hole && (
            <details className="mt-2" open>
              <summary className="cursor-pointer font-display text-[14px]">{says("order-work")}</summary>
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
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("size-mass")}</h3>
          <Fields
            specs={[
              words("name", says("name")),
              quantity("length_m", says("length"), "length", "m"),
              quantity("width_m", says("width"), "length", "m"),
              quantity("height_m", says("height"), "length", "m"),
              quantity("mass_kg", says("mass"), "mass", "kg"),
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
            {says("take-off-roof")}
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
            {says("remove-3", { word: ROOF_OWN.find((o) => o.value === own.kind)?.word.toLowerCase() ?? says("it") })}
          </button>
        )}
      </div>
    </Slate>
  );
}

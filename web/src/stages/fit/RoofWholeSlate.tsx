/** The roof as a whole: its shape, what is under the skin, what is bonded with and when it may be driven, and what to buy. */
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { MONTH, show, WIND_M_S } from "../../data/show";
import { choice, Fields, mm, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { Property } from "../../parts/Property";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/fit";
import { ON_PLAN } from "./extent";
import { useRoof } from "./roof";
import { ADHESIVES, BELOW, LAWS, ROOF_CAUTION, SURFACES } from "./words";

/** Hours until it may be driven, month by month, as bars on the place's normals. */
function Months({ hours }: { hours: (number | null)[] }) {
  const say = useSaid();
  const most = Math.max(24, ...hours.map((h) => h ?? 0));
  return (
    <div className="my-1 grid grid-cols-12 gap-px" role="img" aria-label={says("days-until-may-driven")}>
      {hours.map((h, i) => (
        <div
          key={MONTH[i]}
          className="text-center text-[10px]"
          title={say(h == null ? says("not-within-three-weeks", { i: MONTH[i] ?? "" }) : `${MONTH[i]}: ${Math.ceil(h)} h`)}
        >
          <div className="flex h-14 items-end justify-center">
            <div
              className={`w-3 ${h == null ? "border border-dashed border-[#f3b3a4]" : "bg-gorse"}`}
              style={{ height: `${h == null ? 100 : (100 * h) / most}%` }}
            />
          </div>
          {MONTH[i]![0]}
          <span className="block">{h == null ? "–" : Math.ceil(h / 24)}</span>
        </div>
      ))}
    </div>
  );
}

function UnderTheSkin() {
  const { roofDoc, roof } = useRoof();
  const list = useItems<Schemas["Below"] & { name: string }>("/fit/roof/below", (roofDoc.below ?? []) as (Schemas["Below"] & { name: string })[], says("bow"));
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("under-skin")}</h3>
      {!list.items.length && <p className="my-1 text-[12px] text-chalk-dim">{says("nothing-entered-look-inside")}</p>}
      {list.items.map((b) => (
        <details key={b.id}>
          <summary className="cursor-pointer">{b.name}</summary>
          <Fields
            specs={[words("name", says("name")), choice("kind", says("is"), BELOW), ...ON_PLAN]}
            item={b}
            onSet={(key, value, label) => void list.set(b, { [key]: value }, label)}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void list.remove(b)}>
            {says("remove")}
          </button>
        </details>
      ))}
      <button
        type="button"
        className="btn btn-slate mt-1"
        onClick={() => {
          const [x0, x1, y0, y1] = roof.shape.rect as [number, number, number, number];
          const mid = Math.round(100 * ((x0 + x1) / 2)) / 100;
          void list.add({ kind: "bow", x0_m: mid, x1_m: mid + 0.05, y0_m: Math.round(100 * y0) / 100, y1_m: Math.round(100 * y1) / 100 });
        }}
      >
        {says("add-what-below")}
      </button>
    </>
  );
}

function Ribs() {
  const { roofDoc, roof, setRoof } = useRoof();
  const ribs = roofDoc.ribs;
  const list = useItems<Schemas["RoofRib"] & { name: string }>("/fit/roof/ribs", (ribs ?? []).map((r) => ({ ...r, name: r.id! })) as never, says("rib"));
  if (ribs == null)
    return (
      <div className="my-1">
        <p className="my-1 text-[12px] text-[#d3b6e6]">
          {roof.shape.ribs.length ? says("ribs-usual-vehicle", { ribs_count: roof.shape.ribs.length }) : says("no-ribs-usual-vehicle")}
        </p>
        <button
          type="button"
          className="btn btn-slate"
          onClick={() =>
            void setRoof(
              "ribs",
              roof.shape.ribs.map((r) => ({ id: r.id, x0_m: Math.round(1000 * r.x0) / 1000, x1_m: Math.round(1000 * r.x1) / 1000, height_mm: r.height_mm })),
              says("ribs-measured"),
            )
          }
        >
          {says("measure-them")}
        </button>
      </div>
    );
  return (
    <>
      {list.items.map((r, i) => (
        <details key={r.id}>
          <summary className="cursor-pointer">{r.id!.replace("-", " ")}</summary>
          <Fields
            specs={[quantity("x0_m", says("rear-edge"), "length", "m"), quantity("x1_m", says("front-edge"), "length", "m"), mm("height_mm", says("height"))]}
            item={r as Schemas["RoofRib"]}
            onSet={(key, value, label) => void setRoof(`ribs/${i}/${key}`, value, `${r.id}: ${label}`)}
          />
          <button
            type="button"
            className="text-[12px] text-chalk-dim underline"
            onClick={() =>
              void setRoof(
                "ribs",
                ribs.filter((x) => x.id !== r.id),
                says("removed", { id: r.id }),
              )
            }
          >
            {says("remove")}
          </button>
        </details>
      ))}
      <button
        type="button"
        className="btn btn-slate mt-1"
        onClick={() => {
          const last = Math.max(roof.shape.rect[0]!, ...ribs.map((r) => r.x1_m));
          let n = ribs.length + 1;
          while (ribs.some((r) => r.id === `rib-${n}`)) n += 1;
          void setRoof(
            "ribs",
            [...ribs, { id: `rib-${n}`, x0_m: Math.round(1000 * (last + 0.4)) / 1000, x1_m: Math.round(1000 * (last + 0.44)) / 1000, height_mm: 12 }],
            says("added-rib"),
          );
        }}
      >
        {says("add-rib")}
      </button>
    </>
  );
}

const FRESH: Schemas["Bonding"] = {
  adhesive: "hybrid",
  surface: null,
  bead_width_mm: 12,
  bead_thickness_mm: 3,
  speed_kmh: 110,
  headwind_m_s: 15,
  hour: 10,
  safety_factor: 10,
  law: "sqrt",
};

export function RoofSlate() {
  const all = useRoof();
  const { roof, roofDoc, report, setRoof } = all;
  const say = useSaid();
  const { units } = usePerson();
  const b = { ...FRESH, ...(roofDoc.bonding ?? {}) };
  const c = roof.cure;
  const set = (key: string, value: unknown, label: string) => void setRoof(`bonding/${key}`, value, label);
  const found = report.findings.filter((f) => f.stage === "fit" && (f.subject_name === "Roof" || roof.things.some((t) => t.key === f.subject)));
  const assumed = roof.shape.assumed;
  return (
    <Slate
      title={says("roof-3")}
      sub={says("things-laid-out", { laid: roof.laid, things_count: roof.things.length, roof_kg: show(roof.roof_kg, "kg", units) })}
    >
      <FindingList findings={found} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("bond-cure")}</h3>
      <Fields
        specs={[
          choice("adhesive", says("bonded"), ADHESIVES),
          choice("surface", says("on"), SURFACES, { none: says("not-entered") }),
          mm("bead_width_mm", says("bead-pressed-wide")),
          mm("bead_thickness_mm", says("bead-thick")),
          quantity("speed_kmh", says("driven-most"), "speed", "km/h", { scale: 3.6 }),
          quantity("headwind_m_s", says("into-wind"), "speed", WIND_M_S),
          quantity("hour", says("laid-hour"), "count", ""),
          quantity("temp_c", says("hall"), "temperature", "°C", { clearable: true, placeholder: says("outdoors") }),
          quantity("safety_factor", says("safety-factor"), "count", ""),
          choice("law", says("cures-inwards"), LAWS),
        ]}
        item={b}
        onSet={set}
      />
      {(
        [
          ["day", says("bonded-2")],
          ["drive_day", says("driven")],
        ] as const
      ).map(([key, label]) => (
        <Property key={key} label={label}>
          <input type="date" className="field-slate w-full" aria-label={label} value={b[key] ?? ""} onChange={(e) => set(key, e.target.value || null, label)} />
        </Property>
      ))}
      {roof.things.some((t) => t.held?.by === "bond") ? (
        <>
          {c.drive_h != null && <SlateFig k={"roof/cure/drive_h" as never} label={says("may-driven-after")} />}
          <p className="my-1 text-[12px]">
            {say(
              says("c-average-press-within", {
                has_drive_at: Boolean(c.drive_at),
                drive_at: c.drive_at ?? "",
                temp_c: c.temp_c,
                humidity_frac: 100 * c.humidity_frac,
                known: c.known,
                has_skin_min: c.skin_min != null,
                value: c.skin_min != null ? Math.max(1, Math.round(c.skin_min * 0.7)) : "",
                skin_min: c.skin_min != null ? Math.round(c.skin_min) : "",
                has_good: Boolean(c.good.length),
                good: c.good.map(([x, y]) => says("h", { x: x ?? "", y: y ?? "" })).join(", "),
                some_cold_h: c.cold_h > 0,
                cold_h: c.cold_h,
              }),
            )}
          </p>
          {c.surface && <p className="my-1 text-[12px] text-chalk-dim">{say(c.surface)}</p>}
          {b.temp_c == null && (
            <>
              <p className="mb-0 mt-2 text-[12px] text-chalk-dim">{says("days-until-may-driven-month")}</p>
              <Months hours={c.months} />
            </>
          )}
        </>
      ) : (
        <p className="my-1 text-[12px] text-chalk-dim">{says("nothing-bonded-yet")}</p>
      )}
      {roof.amounts.length > 0 && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("buy")}</h3>
          <table className="w-full text-[12px]">
            <tbody>
              {roof.amounts.map((a) => (
                <tr key={a.key} title={say(a.why)}>
                  <td>{say(a.name)}</td>
                  <td className="num whitespace-nowrap text-right">
                    {a.packs} × {say(a.pack)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("roof-outside")}</h3>
      {assumed.length > 0 && <p className="my-1 text-[12px] text-[#d3b6e6]">{says("usual-vehicle-measure", { assumed: assumed.join(", ") })}</p>}
      <Fields
        specs={[
          quantity("x0_m", says("begins-rear"), "length", "m", { clearable: true, placeholder: show(roof.shape.rect[0], "m", units) }),
          quantity("x1_m", says("ends-rear"), "length", "m", { clearable: true, placeholder: show(roof.shape.rect[1], "m", units) }),
          quantity("width_m", says("width-usable"), "length", "m", {
            clearable: true,
            placeholder: show(roof.shape.rect[3]! - roof.shape.rect[2]!, "m", units),
          }),
          mm("crown_mm", says("crown"), { clearable: true, placeholder: say(`${(1000 * roof.shape.crown_m).toFixed(0)} mm`) }),
          mm("skin_mm", says("skin"), { clearable: true, placeholder: say(`${roof.shape.skin_mm.toFixed(1)} mm`) }),
          mm("lining_mm", says("lining-insulation"), { clearable: true, placeholder: say(`${(roof.shape.thick_mm - roof.shape.skin_mm).toFixed(0)} mm`) }),
        ]}
        item={roofDoc}
        onSet={(key, value, label) => void setRoof(key, value, label)}
      />
      <Ribs />
      <UnderTheSkin />
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(ROOF_CAUTION)}</p>
    </Slate>
  );
}

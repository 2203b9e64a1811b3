/** The slate of the shell: the surface, opening or build-up in hand; with nothing in hand, what the shell loses and what one change is worth. */
import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, count, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFig, SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ChoiceProperty, QuantityProperty } from "../../parts/Property";
import { TakeOut } from "../../parts/TakeOut";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { type BuildUp, type Opening, useBuildUps, useOpenings, useSurface, useWarmth } from "./edit";
import { Layers, WallProfile } from "./Layers";
import { COLOURS, COVERS, ELEMENTS, OPENING_KINDS, SCHOOLS, SIDES, SKINS } from "./words";

export function usePresets() {
  return useQuery({ queryKey: ["build-ups"], queryFn: () => take(api.GET("/api/build-ups")), staleTime: Number.POSITIVE_INFINITY });
}

type Slide = Schemas["SlideOutDoc"];
const SLIDE_SIDES = SIDES.filter((s): s is { value: Slide["on"]; word: string } => ["left", "right", "rear"].includes(s.value));
const LIFTS: { value: Schemas["PopTopDoc"]["shape"]; word: string }[] = [
  { value: "wedge", word: "at one end" },
  { value: "box", word: "level" },
];
const CAUTION =
  "Windows and vents are cut, treated and sealed before anything is glued on. Look underneath before you drill: lines, tank, airbags. Foams and glues: fresh air, mask, no flame.";

/** Which build-up a surface has: one of the design, a preset taken over, or the usual one. */
export function BuildUpChoice({ id, name, kind }: { id: string; name: string; kind: string }) {
  const { of, set } = useSurface();
  const { items, lay } = useBuildUps();
  const presets = usePresets();
  const said = of(id);
  const fitting = (presets.data ?? []).filter((p) => p.floor === (kind === "floor"));
  return (
    <ChoiceProperty
      label="build-up"
      value={said?.build_up ?? (said?.u_value_w_m2k != null ? "u" : "")}
      options={[
        { value: "", word: id.startsWith("cab_") ? "as the maker built it" : "the usual, until said" },
        ...items.map((b) => ({ value: b.id, word: b.name })),
        ...(said?.u_value_w_m2k != null ? [{ value: "u", word: "a U-value of its own" }] : []),
        ...fitting.map((p) => ({ value: `preset:${p.build_up.id}`, word: `new: ${p.build_up.name} (U ${p.u_w_m2k.toFixed(2)})` })),
      ]}
      onSet={(v) => {
        const preset = fitting.find((p) => `preset:${p.build_up.id}` === v);
        if (preset) void lay(preset.build_up, { id, name });
        else if (v !== "u") void set(id, name, { build_up: v || null, u_value_w_m2k: null }, "build-up");
      }}
    />
  );
}

function SurfaceSlate({ id }: { id: string }) {
  const { report } = useVariant();
  const { of, set } = useSurface();
  const hand = useHand();
  const { units } = usePerson();
  const s = report.warmth.surfaces[id]!;
  const said = of(id);
  const damp = report.warmth.air.surfaces[id];
  const openings = useOpenings();
  const o = openings.items.find((x) => x.id === id);
  return (
    <Slate title={s.name} sub={`${show(s.area_m2, "m²", units)} ${s.kind}, in the zone “${s.zone}”`}>
      <FindingList findings={report.findings.filter((f) => f.subject === `surface:${id}` || (s.build_up && f.subject === `build:${s.build_up}`))} />
      <SlateFig k={`surfaces/${id}/u_value_w_m2k`} />
      <SlateFig k={`surfaces/${id}/heat_w`} label={`loses at ${show(report.warmth.cold_c, "°C", units)}`} />
      {damp && (
        <p className="my-1 text-[12px] text-chalk-dim">
          At night {show(damp.surface_c, "°C", units, 3)} inside, {Math.round(100 * damp.rh_frac)} % humidity at it; the air condenses at{" "}
          {show(report.warmth.air.night_dew_c, "°C", units, 3)}.
        </p>
      )}
      {o ? (
        <OpeningFields o={o} />
      ) : (
        <>
          <BuildUpChoice id={id} name={s.name} kind={s.kind} />
          {s.build_up && said?.build_up && (
            <button type="button" className="btn btn-slate my-1" onClick={() => hand.pick("build", s.build_up!)}>
              Open its layers
            </button>
          )}
          {!said?.build_up && (
            <QuantityProperty
              label="U-value of its own"
              note="from a data sheet, W/(m²K)"
              value={said?.u_value_w_m2k}
              dimension="count"
              unit=""
              clearable
              placeholder="not entered"
              onSet={(v) => void set(id, s.name, { u_value_w_m2k: v }, "U-value")}
            />
          )}
          <Fields
            specs={[
              choice("cover", "before it at night", COVERS),
              quantity("shade_transmit_frac", "sun that passes by day", "fraction", "", { note: "1: no shade; cover outside 0.1 to 0.2" }),
              words("zone", "zone"),
            ]}
            item={{ cover: said?.cover ?? "none", shade_transmit_frac: said?.shade_transmit_frac ?? 1, zone: said?.zone ?? s.zone }}
            onSet={(key, value, label) => void set(id, s.name, { [key]: key === "zone" ? String(value).toLowerCase() : value }, label)}
          />
        </>
      )}
    </Slate>
  );
}

function OpeningFields({ o }: { o: Opening & { name: string } }) {
  const { set, remove } = useOpenings();
  return (
    <>
      <Fields
        specs={[
          words("name", "name"),
          choice("on", "in the", SIDES),
          choice("kind", "kind", OPENING_KINDS),
          quantity("width_m", "width", "length", "m"),
          quantity("height_m", "height", "length", "m"),
          count("count", "how many"),
          choice("element", "made of", ELEMENTS),
          {
            key: "u_value_w_m2k",
            label: "U-value of its own",
            note: "W/(m²K)",
            kind: "quantity",
            dimension: "count",
            unit: "",
            clearable: true,
            placeholder: "usual",
          },
          choice("cover", "before it at night", COVERS),
          quantity("shgc_frac", "sun that becomes heat", "fraction", ""),
          quantity("shade_transmit_frac", "sun that passes its shade", "fraction", ""),
        ]}
        item={o}
        onSet={(key, value, label) => void set(o, { [key]: key === "count" ? Math.max(1, Math.round(Number(value ?? 1))) : value }, label)}
      />
      <TakeOut remove={() => remove(o)}>Close this opening up</TakeOut>
    </>
  );
}

/** The schools against damp on this build-up: what a cold day wets and a sunny one dries, side by side. */
function Schools({ p }: { p: Schemas["BuildUpPart"] }) {
  const say = useSaid();
  if (!p.schools.length) return null;
  return (
    <table className="my-2 w-full text-[12px]" aria-label="Schools against damp, side by side">
      <thead>
        <tr className="text-left text-chalk-dim">
          <th className="font-normal">against damp</th>
          <th className="text-right font-normal">cold day wets</th>
          <th className="text-right font-normal">sunny day dries</th>
          <th className="text-right font-normal">a gap</th>
        </tr>
      </thead>
      <tbody>
        {p.schools.map((s) => (
          <tr key={s.school} className={s.school === "as_built" ? "font-semibold" : ""}>
            <td>
              {s.what}
              {s.same && <span className="text-chalk-dim"> (so it is)</span>}
            </td>
            <td className="num text-right">{s.wets_g_m2_day.toFixed(1)} g</td>
            <td className="num text-right">{s.dries_g_m2_day < 1 ? s.dries_g_m2_day.toFixed(1) : Math.round(s.dries_g_m2_day)} g</td>
            <td className="pl-2 text-right">{s.air_leak_condenses ? "wets" : "harmless"}</td>
          </tr>
        ))}
      </tbody>
      <caption className="caption-bottom pt-1 text-left text-chalk-dim">
        {say("Per m² and day, by diffusion: cold day at the design cold and 60 % inside; sunny day with the skin at 35 °C and an aired 22 °C inside. Typical.")}
      </caption>
    </table>
  );
}

function BuildUpSlate({ b }: { b: BuildUp }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useBuildUps();
  const { units } = usePerson();
  const parts = Object.entries(report.warmth.build_ups)
    .filter(([key]) => key.startsWith(`${b.id}/`))
    .map(([, p]) => p);
  const p = parts[0];
  const used = Object.values(report.warmth.surfaces).filter((s) => s.build_up === b.id);
  return (
    <Slate title={b.name} sub={used.length ? `build-up of ${used.map((s) => s.name).join(", ")}` : "a build-up that no surface has yet"}>
      <FindingList findings={report.findings.filter((f) => f.subject === `build:${b.id}`)} />
      {p && (
        <>
          <p className="my-1 text-[12px]">
            <span className="num">U {p.u_w_m2k.toFixed(2)} W/(m²K)</span>
            {p.rib_share_frac > 0 && `, between the ribs ${p.u_clear_w_m2k.toFixed(2)}: they carry ${Math.round(100 * p.rib_share_frac)} %`}.{" "}
            {say(`${p.thickness_mm.toFixed(0)} mm thick, `)}
            {show(p.mass_kg, "kg", units)} on {show(p.area_m2, "m²", units)}, about {p.sheet_count} sheets of 1.22 × 2.44 m with waste.
          </p>
          <WallProfile planes={p.planes} dew={p.dew_c} />
          <p className="m-0 text-[12px] text-chalk-dim">
            {p.condensation_g_m2_day > 0.5
              ? say(`${p.condensation_g_m2_day.toFixed(1)} g/m² of water a day at ${report.warmth.cold_c} °C outside and 60 % inside.`)
              : "No water gathers in it at the design cold."}{" "}
            {p.air_leak_condenses && "Air that leaks in would wet the skin."}
          </p>
          <Schools p={p} />
        </>
      )}
      <Layers b={b} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Skin and ribs</h3>
      <Fields
        specs={[
          words("name", "name"),
          choice("skin", "skin", SKINS),
          mm("skin_mm", "skin, thick"),
          mm("rib_spacing_mm", "ribs, apart", { clearable: true, placeholder: "no ribs" }),
          mm("rib_flange_mm", "rib’s flange, wide"),
          mm("rib_depth_mm", "rib, deep"),
          quantity("void_frac", "voids", "fraction", "", { note: "where insulation hangs off or is missing" }),
          mm("strip_mm", "boards, wide", { clearable: true, placeholder: "not entered", note: "on a curve" }),
          quantity("radius_m", "radius of the curve", "length", "m", { clearable: true, placeholder: "flat" }),
          flag("drain_blocked", "it covers a drain hole of the body"),
        ]}
        item={b}
        onSet={(key, value, label) => void set(b, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(b)}>Remove this build-up</TakeOut>
    </Slate>
  );
}

function Savings() {
  const say = useSaid();
  const { report } = useVariant();
  const part = report.warmth;
  const hand = useHand();
  if (!part.savings.length) return null;
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">What one change is worth</h3>
      <ul className="m-0 list-none p-0 text-[12px]">
        {part.savings.slice(0, 7).map((s) => (
          <li key={s.key} className="flex justify-between gap-2 py-0.5">
            {part.surfaces[s.of] ? (
              <button type="button" className="text-left underline decoration-dotted underline-offset-2" onClick={() => hand.pick("surface", s.of)}>
                {say(s.what)}
              </button>
            ) : (
              <span>{say(s.what)}</span>
            )}
            <span className="num shrink-0">{Math.round(s.saves_w)} W</span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What of the shell moves: slide-outs, and a roof that lifts. */
function MovingParts() {
  const { w, set } = useWarmth();
  const slides = w.slide_outs ?? [];
  const top = w.pop_top;
  const put = (next: Slide[], what: string) => void set("slide_outs", next, what);
  const add = () => {
    const id = freshId(
      "slide-out",
      slides.map((s) => s.id),
    );
    put([...slides, { id, on: "left", depth_m: 0.5, width_m: 1.6, height_m: 1.2, x_m: null, sill_z_m: 0 }], "added a slide-out");
  };
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">What slides or lifts</h3>
      {slides.map((s, i) => (
        <fieldset key={s.id} className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
          <legend className="text-[12px] text-chalk-dim">Slide-out {i + 1}</legend>
          <Fields
            specs={[
              choice("on", "in the", SLIDE_SIDES),
              quantity("depth_m", "comes out by", "length", "m"),
              quantity("width_m", "wide", "length", "m"),
              quantity("height_m", "high", "length", "m"),
              quantity("x_m", s.on === "rear" ? "begins, from the right" : "begins, from the rear", "length", "m", {
                clearable: true,
                placeholder: "in the middle",
              }),
              quantity("sill_z_m", "over the floor", "length", "m"),
            ]}
            item={s}
            onSet={(key, value, label) =>
              put(
                slides.map((x) => (x.id === s.id ? { ...x, [key]: value } : x)),
                `slide-out ${i + 1}: ${label}`,
              )
            }
          />
          <button
            type="button"
            className="btn btn-slate"
            onClick={() =>
              put(
                slides.filter((x) => x.id !== s.id),
                `removed slide-out ${i + 1}`,
              )
            }
          >
            Remove slide-out {i + 1}
          </button>
        </fieldset>
      ))}
      {top && (
        <fieldset className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
          <legend className="text-[12px] text-chalk-dim">Pop-top</legend>
          <Fields
            specs={[
              quantity("length_m", "long", "length", "m"),
              quantity("width_m", "wide", "length", "m"),
              quantity("height_m", "lifts by", "length", "m"),
              quantity("x_m", "begins, from the rear", "length", "m", { clearable: true, placeholder: "in the middle" }),
              choice("shape", "lifts", LIFTS),
              flag("lined", "its canvas is lined"),
            ]}
            item={top}
            onSet={(key, value, label) => void set("pop_top", { ...top, [key]: value }, `pop-top: ${label}`)}
          />
          <button type="button" className="btn btn-slate" onClick={() => void set("pop_top", null, "removed the pop-top")}>
            Remove the pop-top
          </button>
        </fieldset>
      )}
      <div className="flex gap-2">
        {slides.length < 4 && (
          <button type="button" className="btn btn-slate" onClick={add}>
            Add a slide-out
          </button>
        )}
        {!top && (
          <button
            type="button"
            className="btn btn-slate"
            onClick={() => void set("pop_top", { length_m: 2, width_m: 1.2, height_m: 0.8, x_m: null, shape: "wedge", lined: false }, "added a pop-top")}
          >
            Add a pop-top
          </button>
        )}
      </div>
    </>
  );
}

export function ShellSlate() {
  const say = useSaid();
  const { report } = useVariant();
  const { w, part, set } = useWarmth();
  const { units } = usePerson();
  const hand = useHand();
  const { items } = useBuildUps();
  const build = hand.kind === "build" ? items.find((b) => b.id === hand.id) : undefined;
  if (build) return <BuildUpSlate b={build} />;
  if (hand.kind === "surface" && part.surfaces[hand.id]) return <SurfaceSlate id={hand.id} />;
  const have = Object.values(part.heaters).reduce((a, h) => a + h.available_w, 0);
  return (
    <Slate title="Heat and air" sub="the shell">
      <HeadroomBar
        label="heat at the design cold"
        need={part.needed_w}
        have={have}
        unit="W"
        margin={0.1}
        onPick={() => hand.open("warmth/design_heat_w", true)}
      />
      <FindingList findings={report.findings.filter((f) => f.stage === "warmth")} />
      <SlateFigs ks={["warmth/heat_loss_w", "warmth/design_heat_w", "warmth/ua_w_k"]} />
      <p className="my-1 text-[12px] text-chalk-dim">
        {show(part.area_m2, "m²", units)} of surface round {show(part.volume_m3, "m³", units)} of air; {show(part.headroom_m, "m", units)} clear height with
        floor and roof built.
      </p>
      <Savings />
      <h3 className="mb-1 mt-3 font-display text-[14px]">The shell</h3>
      <Fields
        specs={[
          choice("colour", say("colour outside"), COLOURS),
          choice("school", "against damp in the wall", SCHOOLS),
          quantity("taper_frac", "roof’s width against the floor’s", "fraction", "", { clearable: true, placeholder: "usual" }),
          quantity("leak_per_h", "air that leaks, changes an hour", "count", "", { clearable: true, placeholder: "1", note: "calm 0.5, breeze 1, windy 2" }),
          quantity("margin_frac", "heater’s margin", "fraction", ""),
          quantity("tallest_m", "the tallest of you", "length", "m", { clearable: true, placeholder: "not entered" }),
          quantity("heading_deg", "nose points to, ° from north", "count", ""),
        ]}
        item={w}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      {items.length > 0 && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">Build-ups</h3>
          <ul className="m-0 list-none p-0">
            {items.map((b) => (
              <li key={b.id}>
                <button type="button" className="underline decoration-dotted underline-offset-2" onClick={() => hand.pick("build", b.id)}>
                  {b.name}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      <MovingParts />
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

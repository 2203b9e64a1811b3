/** The slate of the shell: the surface, opening or build-up in hand; with nothing in hand, what the shell loses and what one change is worth. */
import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, take } from "../../data/client";
import { freshId } from "../../data/patch";
import { HEAT_W, show } from "../../data/show";
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
import { says } from "../../words/warmth";
import { type BuildUp, type Opening, useBuildUps, useOpenings, useSurface, useWarmth } from "./edit";
import { Layers, WallProfile } from "./Layers";
import { COLOURS, COVERS, ELEMENTS, OPENING_KINDS, SCHOOLS, SIDES, SKINS } from "./words";

export function usePresets() {
  return useQuery({ queryKey: ["build-ups"], queryFn: () => take(api.GET("/api/build-ups")), staleTime: Number.POSITIVE_INFINITY });
}

type Slide = Schemas["SlideOutDoc"];
const SLIDE_SIDES = SIDES.filter((s): s is { value: Slide["on"]; word: string } => ["left", "right", "rear"].includes(s.value));
const LIFTS: { value: Schemas["PopTopDoc"]["shape"]; word: string }[] = [
  { value: "wedge", word: says("one-end") },
  { value: "box", word: says("level") },
];
const CAUTION = says("windows-vents-cut-treated");

/** Which build-up a surface has: one of the design, a preset taken over, or the usual one. */
export function BuildUpChoice({ id, name, kind }: { id: string; name: string; kind: string }) {
  const { of, set } = useSurface();
  const { items, lay } = useBuildUps();
  const presets = usePresets();
  const said = of(id);
  const fitting = (presets.data ?? []).filter((p) => p.floor === (kind === "floor"));
  return (
    <ChoiceProperty
      label={says("of-build-up")}
      value={said?.build_up ?? (said?.u_value_w_m2k != null ? "u" : "")}
      options={[
        { value: "", word: id.startsWith("cab_") ? says("maker-built") : says("usual-until-said") },
        ...items.map((b) => ({ value: b.id, word: b.name })),
        ...(said?.u_value_w_m2k != null ? [{ value: "u", word: says("u-value-own") }] : []),
        ...fitting.map((p) => ({ value: `preset:${p.build_up.id}`, word: says("new-u", { name: p.build_up.name, u_w_m2k: p.u_w_m2k }) })),
      ]}
      onSet={(v) => {
        const preset = fitting.find((p) => `preset:${p.build_up.id}` === v);
        if (preset) void lay(preset.build_up, { id, name });
        else if (v !== "u") void set(id, name, { build_up: v || null, u_value_w_m2k: null }, says("of-build-up"));
      }}
    />
  );
}

function SurfaceSlate({ id }: { id: string }) {
  const say = useSaid();
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
    <Slate title={s.name} sub={says("zone-2", { area_m2: show(s.area_m2, "m²", units), kind: s.kind, zone: s.zone })}>
      <FindingList findings={report.findings.filter((f) => f.subject === `surface:${id}` || (s.build_up && f.subject === `build:${s.build_up}`))} />
      <SlateFig k={`surfaces/${id}/u_value_w_m2k`} />
      <SlateFig k={`surfaces/${id}/heat_w`} label={says("loses", { cold_c: show(report.warmth.cold_c, "°C", units) })} />
      {damp && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {say(
            says("night-inside-humidity-air", {
              surface_c: show(damp.surface_c, "°C", units, 3),
              rh_frac: Math.round(100 * damp.rh_frac),
              night_dew_c: show(report.warmth.air.night_dew_c, "°C", units, 3),
            }),
          )}
        </p>
      )}
      {o ? (
        <OpeningFields o={o} />
      ) : (
        <>
          <BuildUpChoice id={id} name={s.name} kind={s.kind} />
          {s.build_up && said?.build_up && (
            <button type="button" className="btn btn-slate my-1" onClick={() => hand.pick("build", s.build_up!)}>
              {says("open-layers")}
            </button>
          )}
          {!said?.build_up && (
            <QuantityProperty
              label={says("u-value-own-2")}
              note={says("data-sheet-w-m")}
              value={said?.u_value_w_m2k}
              dimension="transmittance"
              unit="W/(m²K)"
              clearable
              placeholder={says("not-entered")}
              onSet={(v) => void set(id, s.name, { u_value_w_m2k: v }, says("u-value"))}
            />
          )}
          <Fields
            specs={[
              choice("cover", says("before-night"), COVERS),
              quantity("shade_transmit_frac", says("sun-passes-day"), "fraction", "", { note: says("no-shade-cover-outside") }),
              words("zone", says("zone")),
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
          words("name", says("name")),
          choice("on", says("in-the"), SIDES),
          choice("kind", says("kind"), OPENING_KINDS),
          quantity("width_m", says("width"), "length", "m"),
          quantity("height_m", says("height"), "length", "m"),
          count("count", says("how-many")),
          choice("element", says("made"), ELEMENTS),
          {
            key: "u_value_w_m2k",
            label: says("u-value-own-2"),
            kind: "quantity",
            dimension: "transmittance",
            unit: "W/(m²K)",
            clearable: true,
            placeholder: says("usual"),
          },
          choice("cover", says("before-night"), COVERS),
          quantity("shgc_frac", says("sun-becomes-heat"), "fraction", ""),
          quantity("shade_transmit_frac", says("sun-passes-shade"), "fraction", ""),
        ]}
        item={o}
        onSet={(key, value, label) => void set(o, { [key]: key === "count" ? Math.max(1, Math.round(Number(value ?? 1))) : value }, label)}
      />
      <TakeOut remove={() => remove(o)}>{says("close-opening-up")}</TakeOut>
    </>
  );
}

/** The schools against damp on this build-up: what a cold day wets and a sunny one dries, side by side. */
function Schools({ p }: { p: Schemas["BuildUpPart"] }) {
  const say = useSaid();
  if (!p.schools.length) return null;
  return (
    <table className="my-2 w-full text-[12px]" aria-label={says("schools-against-damp-side")}>
      <thead>
        <tr className="text-left text-chalk-dim">
          <th className="font-normal">{says("against-damp")}</th>
          <th className="text-right font-normal">{says("cold-day-wets")}</th>
          <th className="text-right font-normal">{says("sunny-day-dries")}</th>
          <th className="text-right font-normal">{says("gap")}</th>
        </tr>
      </thead>
      <tbody>
        {p.schools.map((s) => (
          <tr key={s.school} className={s.school === "as_built" ? "font-semibold" : ""}>
            <td>
              {s.what}
              {s.same && <span className="text-chalk-dim"> {says("so-it-is")}</span>}
            </td>
            <td className="num text-right">{s.wets_g_m2_day.toFixed(1)} g</td>
            <td className="num text-right">{s.dries_g_m2_day < 1 ? s.dries_g_m2_day.toFixed(1) : Math.round(s.dries_g_m2_day)} g</td>
            <td className="pl-2 text-right">{s.air_leak_condenses ? says("wets") : says("harmless")}</td>
          </tr>
        ))}
      </tbody>
      <caption className="caption-bottom pt-1 text-left text-chalk-dim">{say(says("per-m-day-diffusion"))}</caption>
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
    <Slate title={b.name} sub={used.length ? says("build-up", { used: used.map((s) => s.name).join(", ") }) : says("build-up-no-surface")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `build:${b.id}`)} />
      {p && (
        <>
          <p className="my-1 text-[12px]">
            <span className="num">U {show(p.u_w_m2k, "W/(m²K)", units)}</span>
            {say(
              says("between-ribs-they-carry", {
                some_rib_share_frac: p.rib_share_frac > 0,
                u_clear_w_m2k: show(p.u_clear_w_m2k, "W/(m²K)", units),
                rib_share_frac: p.rib_share_frac > 0 ? Math.round(100 * p.rib_share_frac) : "",
                mm_thick: say(says("mm-thick", { thickness_mm: p.thickness_mm })),
                mass_kg: show(p.mass_kg, "kg", units),
                area_m2: show(p.area_m2, "m²", units),
                sheet_count: p.sheet_count,
              }),
            )}
          </p>
          <WallProfile planes={p.planes} dew={p.dew_c} />
          <p className="m-0 text-[12px] text-chalk-dim">
            {p.condensation_g_m2_day > 0.5
              ? say(says("g-m-water-day", { condensation_g_m2_day: p.condensation_g_m2_day, cold_c: report.warmth.cold_c }))
              : says("no-water-gathers-design")}{" "}
            {p.air_leak_condenses && says("air-leaks-would-wet")}
          </p>
          <Schools p={p} />
        </>
      )}
      <Layers b={b} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("skin-ribs")}</h3>
      <Fields
        specs={[
          words("name", says("name")),
          choice("skin", says("skin"), SKINS),
          mm("skin_mm", says("skin-thick")),
          mm("rib_spacing_mm", says("ribs-apart"), { clearable: true, placeholder: says("no-ribs") }),
          mm("rib_flange_mm", says("ribs-flange-wide")),
          mm("rib_depth_mm", says("rib-deep")),
          quantity("void_frac", says("voids"), "fraction", "", { note: says("where-insulation-hangs-off") }),
          mm("strip_mm", says("boards-wide"), { clearable: true, placeholder: says("not-entered"), note: says("curve") }),
          quantity("radius_m", says("radius-curve"), "length", "m", { clearable: true, placeholder: says("flat") }),
          flag("drain_blocked", says("covers-drain-hole-body")),
        ]}
        item={b}
        onSet={(key, value, label) => void set(b, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(b)}>{says("remove-build-up")}</TakeOut>
    </Slate>
  );
}

function Savings() {
  const say = useSaid();
  const { units } = usePerson();
  const { report } = useVariant();
  const part = report.warmth;
  const hand = useHand();
  if (!part.savings.length) return null;
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("what-one-change-worth")}</h3>
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
            <span className="num shrink-0">{show(Math.round(s.saves_w), HEAT_W, units)}</span>
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
    put([...slides, { id, on: "left", depth_m: 0.5, width_m: 1.6, height_m: 1.2, x_m: null, sill_z_m: 0 }], says("added-slide-out"));
  };
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("what-slides-lifts")}</h3>
      {slides.map((s, i) => (
        <fieldset key={s.id} className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
          <legend className="text-[12px] text-chalk-dim">{says("slide-out", { i: i + 1 })}</legend>
          <Fields
            specs={[
              choice("on", says("in-the"), SLIDE_SIDES),
              quantity("depth_m", says("comes-out-2"), "length", "m"),
              quantity("width_m", says("wide"), "length", "m"),
              quantity("height_m", says("high"), "length", "m"),
              quantity("x_m", s.on === "rear" ? says("begins-right") : says("begins-rear"), "length", "m", {
                clearable: true,
                placeholder: says("middle"),
              }),
              quantity("sill_z_m", says("over-floor"), "length", "m"),
            ]}
            item={s}
            onSet={(key, value, label) =>
              put(
                slides.map((x) => (x.id === s.id ? { ...x, [key]: value } : x)),
                says("slide-out-2", { i: i + 1, label }),
              )
            }
          />
          <button
            type="button"
            className="btn btn-slate"
            onClick={() =>
              put(
                slides.filter((x) => x.id !== s.id),
                says("removed-slide-out", { i: i + 1 }),
              )
            }
          >
            {says("remove-slide-out", { i: i + 1 })}
          </button>
        </fieldset>
      ))}
      {top && (
        <fieldset className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
          <legend className="text-[12px] text-chalk-dim">{says("pop-top")}</legend>
          <Fields
            specs={[
              quantity("length_m", says("long"), "length", "m"),
              quantity("width_m", says("wide"), "length", "m"),
              quantity("height_m", says("lifts"), "length", "m"),
              quantity("x_m", says("begins-rear"), "length", "m", { clearable: true, placeholder: says("middle") }),
              choice("shape", says("lifts-2"), LIFTS),
              flag("lined", says("canvas-lined")),
            ]}
            item={top}
            onSet={(key, value, label) => void set("pop_top", { ...top, [key]: value }, says("pop-top-2", { label }))}
          />
          <button type="button" className="btn btn-slate" onClick={() => void set("pop_top", null, says("removed-pop-top"))}>
            {says("remove-pop-top")}
          </button>
        </fieldset>
      )}
      <div className="flex gap-2">
        {slides.length < 4 && (
          <button type="button" className="btn btn-slate" onClick={add}>
            {says("add-slide-out")}
          </button>
        )}
        {!top && (
          <button
            type="button"
            className="btn btn-slate"
            onClick={() => void set("pop_top", { length_m: 2, width_m: 1.2, height_m: 0.8, x_m: null, shape: "wedge", lined: false }, says("added-pop-top"))}
          >
            {says("add-pop-top")}
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
    <Slate title={says("heat-air")} sub={says("shell")}>
      <HeadroomBar
        label={says("heat-design-cold")}
        need={part.needed_w}
        have={have}
        unit={HEAT_W}
        margin={0.1}
        onPick={() => hand.open("warmth/design_heat_w", true)}
      />
      <FindingList findings={report.findings.filter((f) => f.stage === "warmth")} />
      <SlateFigs ks={["warmth/heat_loss_w", "warmth/design_heat_w", "warmth/ua_w_k"]} />
      <p className="my-1 text-[12px] text-chalk-dim">
        {says("surface-round-air-clear", {
          area_m2: show(part.area_m2, "m²", units),
          volume_m3: show(part.volume_m3, "m³", units),
          headroom_m: show(part.headroom_m, "m", units),
        })}
      </p>
      <Savings />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("shell-2")}</h3>
      <Fields
        specs={[
          choice("colour", say(says("colour-outside")), COLOURS),
          choice("school", says("against-damp-wall"), SCHOOLS),
          quantity("taper_frac", says("roofs-width-against-floors"), "fraction", "", { clearable: true, placeholder: says("usual") }),
          quantity("leak_per_h", says("air-leaks-changes-hour"), "count", "", { clearable: true, placeholder: "1", note: says("calm-breeze-windy") }),
          quantity("margin_frac", says("heaters-margin"), "fraction", ""),
          quantity("tallest_m", says("tallest-you"), "length", "m", { clearable: true, placeholder: says("not-entered") }),
          quantity("heading_deg", says("nose-points-north"), "count", ""),
        ]}
        item={w}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      {items.length > 0 && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("build-ups")}</h3>
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

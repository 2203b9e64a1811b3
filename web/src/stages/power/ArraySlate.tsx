/** The slate of an array: its panels, how they lie and are shaded, the controller that it is on, and what its days bring. */

import { useCatalogue } from "../../data/catalogue";
import { concerns } from "../../data/findings";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, count, type FieldSpec, Fields, flag, quantity, words } from "../../parts/Fields";
import { keysUnder, SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ChoiceProperty } from "../../parts/Property";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { seasonWord } from "../life/words";
import { STANDS } from "./arrayColumns";
import { ControllerFields } from "./ControllerFields";
import { type SolarArray, useArrays } from "./edit";
import { arrayWords, asFitted, fitArray } from "./parts";
import { Shade } from "./Shade";

const MOUNTINGS = [
  { value: "roof_gap", word: "on the roof, with a gap" },
  { value: "glued", word: "glued down" },
  { value: "open_rack", word: "on an open rack" },
] as const;

const GROUPS = ([1, 2, 3, 4, 6, 12] as const).map((n) => ({ value: `${n}` as const, word: n === 1 ? "none between them" : String(n) }));

function specsOf(a: SolarArray): FieldSpec<SolarArray>[] {
  const ground = a.deploy === "ground";
  return [
    words("name", "name"),
    choice("mounting", "mounting", MOUNTINGS),
    choice("deploy", "stands", STANDS, { note: ground ? "out while somebody is there" : undefined }),
    count("tilt_deg", "tilt, °", { note: "0 is flat" }),
    count("azimuth_deg", ground ? "faces, ° from north" : "faces, ° from the nose", {
      note: "clockwise; counts when it is tilted",
      clearable: true,
      placeholder: ground ? "the noon sun" : "0, forward",
    }),
    ...((a.deploy ?? "fixed") === "fixed" && !a.tilt_deg
      ? [quantity("roof_radius_m", "radius of a curved roof", "length", "m", { note: "for panels bent over it", clearable: true, placeholder: "flat" })]
      : []),
    ...(a.roof_radius_m == null
      ? []
      : [
          choice("bypass_groups", "bypass groups across it", GROUPS, { note: "rows along the vehicle, each with its own, lose least" }),
          quantity("across_m", "they reach across it", "length", "m", { clearable: true, placeholder: "1.2 m" }),
        ]),
    quantity("soiling_frac", "light left after dirt", "fraction", "", {
      clearable: true,
      placeholder: "97 %, usual",
      note: "about 92 % flat in dust, 80 % under pines",
    }),
    quantity("sky_view_frac", "sky that they see", "fraction", "", { note: "less in a street or a wood" }),
    flag("string_fuse", "a fuse in each string"),
    flag("disconnect", "a double-pole disconnect"),
    quantity("panel_power_w", "label power", "power", "W"),
    quantity("vmp_v", "Vmp", "voltage", "V"),
    quantity("imp_a", "Imp", "current", "A"),
    quantity("voc_v", "Voc", "voltage", "V"),
    quantity("isc_a", "Isc", "current", "A"),
    count("series_count", "in series"),
    count("parallel_count", "strings in parallel"),
    quantity("max_series_fuse_a", "largest series fuse", "current", "A", { clearable: true, placeholder: "typical" }),
    quantity("unit_mass_kg", "mass, each", "mass", "kg", { clearable: true, placeholder: "typical" }),
  ];
}

const WHOLE = new Set(["series_count", "parallel_count", "bypass_groups"]);

export function ArraySlate({ a }: { a: SolarArray & { name: string } }) {
  const say = useSaid();
  const { design, report } = useVariant();
  const catalogue = useCatalogue();
  const { put, control, set, stand, remove, duplicate } = useArrays();
  const hand = useHand();
  const part = report.power.arrays[a.id];
  const own = a.controller ?? null;
  const shared = design.power?.controller;
  const of = (kind: string) => (catalogue.data ?? []).filter((p) => p.kind === kind);
  const prefix = own ? `power/string_${a.id}/` : "power/string/";
  return (
    <Slate title={a.name} sub={`${arrayWords(a).split(": ")[1]}; ${part?.controller ? `on ${part.controller}` : "on no controller yet"}`}>
      <FindingList findings={report.findings.filter((f) => concerns(f, `array:${a.id}`))} />
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        {say(
          "Panels are live whenever there is light, and a DC arc does not go out by itself: cover them, and never unplug under load. A lifted panel goes down above 10 m/s of wind and before driving. Roof work: two people, a dry day, something to hold on to.",
          "wiring",
        )}
        {a.deploy === "ground" && " Its cable lies about: somebody trips over it, and pinched in a door it is a fault path. Peg it down against the wind."}
      </p>
      <ChoiceProperty
        label={say("from the catalogue", "wiring")}
        value={a.part ?? ""}
        options={[{ value: "", word: "your own values" }, ...of("panel").map((p) => ({ value: p.key, word: `${p.name} (${p.maker})` }))]}
        onSet={(key) => {
          const found = of("panel").find((p) => p.key === key);
          if (found) void set(a, fitArray(a, found), found.name);
        }}
      />
      <ChoiceProperty
        label="controller"
        value={own ? (own.part ?? "own") : ""}
        note={own ? "of its own" : "shared by the panels without one of their own"}
        options={[
          { value: "", word: shared ? `shared: ${shared.name}` : "the shared one; none yet" },
          ...(own && !own.part ? [{ value: "own", word: `its own: ${own.name}` }] : []),
          ...of("controller").map((p) => ({ value: p.key, word: `its own: ${p.name}` })),
        ]}
        onSet={(key) => {
          const found = of("controller").find((p) => p.key === key);
          if (key === "" || found) void control(a, found ? asFitted(found) : null);
        }}
      />
      {own && (
        <details>
          <summary className="cursor-pointer text-[12px]">its data sheet and settings</summary>
          <ControllerFields controller={own} onSet={(key, value, what) => void put(a, `controller/${key}`, value, what)} />
        </details>
      )}
      <Fields
        specs={specsOf(a)}
        item={a}
        onSet={(key, v, what) => void (key === "deploy" ? stand(a, String(v)) : put(a, key, WHOLE.has(key) ? Math.max(1, Math.round(Number(v))) : v, what))}
      />
      <Shade value={a.shade_frac ?? []} onSet={(v) => void put(a, "shade_frac", v, "shade")} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">A mean day of its worst month</h3>
      <dl className="m-0 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
        {Object.entries(part?.solar_wh ?? {}).map(([season, wh]) => (
          <div key={season} className="contents">
            <dt>{say(seasonWord(season))}</dt>
            <dd>{show(wh, "Wh")}</dd>
          </div>
        ))}
      </dl>
      <h3 className="mb-1 mt-3 font-display text-[14px]">Figures</h3>
      <SlateFigs ks={keysUnder(report, prefix)} />
      <div className="mt-2 flex flex-wrap gap-1">
        <button type="button" className="btn btn-slate" onClick={() => hand.pick("array", duplicate(a))}>
          Another like it
        </button>
        <button type="button" className="btn btn-slate" onClick={() => void remove(a)}>
          Remove
        </button>
      </div>
    </Slate>
  );
}

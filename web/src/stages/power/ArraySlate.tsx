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
import { says } from "../../words/power";
import { seasonWord } from "../life/words";
import { STANDS } from "./arrayColumns";
import { ControllerFields } from "./ControllerFields";
import { type SolarArray, useArrays } from "./edit";
import { arrayWords, asFitted, fitArray } from "./parts";
import { Shade } from "./Shade";

const MOUNTINGS = [
  { value: "roof_gap", word: says("roof-gap") },
  { value: "glued", word: says("glued-down") },
  { value: "open_rack", word: says("open-rack") },
] as const;

const GROUPS = ([1, 2, 3, 4, 6, 12] as const).map((n) => ({ value: `${n}` as const, word: n === 1 ? says("none-between-them") : String(n) }));

function specsOf(a: SolarArray): FieldSpec<SolarArray>[] {
  const ground = a.deploy === "ground";
  return [
    words("name", says("name")),
    choice("mounting", says("mounting"), MOUNTINGS),
    choice("deploy", says("stands"), STANDS, { note: ground ? says("out-while-somebody-there") : undefined }),
    count("tilt_deg", says("tilt"), { note: says("flat") }),
    count("azimuth_deg", ground ? says("faces-north") : says("faces-nose"), {
      note: says("clockwise-counts-when-tilted"),
      clearable: true,
      placeholder: ground ? says("noon-sun") : says("forward"),
    }),
    ...((a.deploy ?? "fixed") === "fixed" && !a.tilt_deg
      ? [quantity("roof_radius_m", says("radius-curved-roof"), "length", "m", { note: says("panels-bent-over"), clearable: true, placeholder: says("flat-2") })]
      : []),
    ...(a.roof_radius_m == null
      ? []
      : [
          choice("bypass_groups", says("bypass-groups-across"), GROUPS, { note: says("rows-along-vehicle-each") }),
          quantity("across_m", says("they-reach-across"), "length", "m", { clearable: true, placeholder: "1.2 m" }),
        ]),
    quantity("soiling_frac", says("light-left-after-dirt"), "fraction", "", {
      clearable: true,
      placeholder: says("usual"),
      note: says("about-flat-dust-under"),
    }),
    quantity("sky_view_frac", says("sky-they-see"), "fraction", "", { note: says("less-street-wood") }),
    flag("string_fuse", says("fuse-each-string")),
    flag("disconnect", says("double-pole-disconnect")),
    quantity("panel_power_w", says("label-power"), "power", "W"),
    quantity("vmp_v", says("vmp"), "voltage", "V"),
    quantity("imp_a", says("imp"), "current", "A"),
    quantity("voc_v", says("voc"), "voltage", "V"),
    quantity("isc_a", says("isc"), "current", "A"),
    count("series_count", says("series")),
    count("parallel_count", says("strings-parallel")),
    quantity("max_series_fuse_a", says("largest-series-fuse"), "current", "A", { clearable: true, placeholder: says("typical") }),
    quantity("unit_mass_kg", says("mass-each"), "mass", "kg", { clearable: true, placeholder: says("typical") }),
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
    <Slate
      title={a.name}
      sub={says("no-controller-yet", {
        split: arrayWords(a).split(": ")[1] ?? "",
        has_controller: Boolean(part?.controller),
        controller: part?.controller ? part.controller : "",
      })}
    >
      <FindingList findings={report.findings.filter((f) => concerns(f, `array:${a.id}`))} />
      <p className="my-1 border-l-2 border-[#f08a70] pl-2 text-[12px]">
        {say(says("panels-live-whenever-there"), "wiring")}
        {a.deploy === "ground" && says("cable-lies-about-somebody")}
      </p>
      <ChoiceProperty
        label={say(says("catalogue"), "wiring")}
        value={a.part ?? ""}
        options={[{ value: "", word: says("your-own-values") }, ...of("panel").map((p) => ({ value: p.key, word: `${p.name} (${p.maker})` }))]}
        onSet={(key) => {
          const found = of("panel").find((p) => p.key === key);
          if (found) void set(a, fitArray(a, found), found.name);
        }}
      />
      <ChoiceProperty
        label={says("controller")}
        value={own ? (own.part ?? "own") : ""}
        note={own ? says("own") : says("shared-panels-without-one")}
        options={[
          { value: "", word: shared ? says("shared", { shared: shared.name }) : says("shared-one-none-yet") },
          ...(own && !own.part ? [{ value: "own", word: says("own-2", { own: own.name }) }] : []),
          ...of("controller").map((p) => ({ value: p.key, word: says("own-3", { name: p.name }) })),
        ]}
        onSet={(key) => {
          const found = of("controller").find((p) => p.key === key);
          if (key === "" || found) void control(a, found ? asFitted(found) : null);
        }}
      />
      {own && (
        <details>
          <summary className="cursor-pointer text-[12px]">{says("data-sheet-settings")}</summary>
          <ControllerFields controller={own} onSet={(key, value, what) => void put(a, `controller/${key}`, value, what)} />
        </details>
      )}
      <Fields
        specs={specsOf(a)}
        item={a}
        onSet={(key, v, what) => void (key === "deploy" ? stand(a, String(v)) : put(a, key, WHOLE.has(key) ? Math.max(1, Math.round(Number(v))) : v, what))}
      />
      <Shade value={a.shade_frac ?? []} onSet={(v) => void put(a, "shade_frac", v, says("shade"))} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("mean-day-worst-month")}</h3>
      <dl className="m-0 grid grid-cols-[1fr_auto] gap-x-2 [&_dd]:num [&_dd]:m-0 [&_dd]:text-right [&_dt]:border-b [&_dt]:border-slate-2 [&_dd]:border-b [&_dd]:border-slate-2">
        {Object.entries(part?.solar_wh ?? {}).map(([season, wh]) => (
          <div key={season} className="contents">
            <dt>{say(seasonWord(season))}</dt>
            <dd>{show(wh, "Wh")}</dd>
          </div>
        ))}
      </dl>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("figures")}</h3>
      <SlateFigs ks={keysUnder(report, prefix)} />
      <div className="mt-2 flex flex-wrap gap-1">
        <button type="button" className="btn btn-slate" onClick={() => hand.pick("array", duplicate(a))}>
          {says("another-like")}
        </button>
        <button type="button" className="btn btn-slate" onClick={() => void remove(a)}>
          {says("remove")}
        </button>
      </div>
    </Slate>
  );
}

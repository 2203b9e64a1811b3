/** Weight: a beam on the axles that tilts, the loadings, every kilogram once, and the weighbridge. */
import { useState } from "react";
import { useSearchParams } from "react-router";
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { show } from "../../data/show";
import { Fields, flag, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { type Column, Ledger } from "../../parts/Ledger";
import { ChoiceProperty } from "../../parts/Property";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/fit";
import { Choices } from "./Choices";
import { useFit } from "./data";
import { Sentence } from "./Sentence";
import { CAUTION, VIEWS } from "./words";

type Kilo = ReturnType<typeof useFit>["part"]["weight"]["rows"][number];
type Loading = ReturnType<typeof useFit>["part"]["weight"]["loadings"][number];
type Weighing = Schemas["Weighing"] & { name: string };

/** The beam: masses hang where they stand, the axles push up; it tilts by how far each axle is from its limit. */
const GROUPS: Record<string, string> = {
  fixed: says("group-fixed"),
  people: says("group-people"),
  water: says("group-water"),
  waste: says("group-waste"),
  gas: says("group-gas"),
  fuel: says("group-fuel"),
  luggage: says("group-luggage"),
};
const COUNTED: Record<string, string> = {
  typed: says("counted-typed"),
  part: says("counted-part"),
  usual: says("counted-usual"),
  full: says("counted-full"),
  weighed: says("counted-weighed"),
};
/** How a mass is known, in words. */
const counted = (how: string) => COUNTED[how] ?? how;

function Beam({ l }: { l: Loading }) {
  const say = useSaid();
  const { part } = useFit();
  const { units } = usePerson();
  const b = part.body;
  const w = part.weight;
  const supports =
    b.kind === "axles"
      ? [
          { x: b.rear_x!, kg: l.rear_kg ?? 0, limit: w.rear_limit_kg, word: says("rear-axle-2") },
          { x: b.front_x!, kg: l.front_kg ?? 0, limit: w.front_limit_kg, word: says("front-axle-2") },
        ]
      : b.kind === "trailer"
        ? [
            {
              x: (b.rear_x! + (b.second_x ?? b.rear_x!)) / 2,
              kg: l.rear_kg ?? 0,
              limit: w.rear_limit_kg ? w.rear_limit_kg * (b.second_x != null ? 2 : 1) : null,
              word: says("axles"),
            },
            { x: b.coupling_x!, kg: l.nose_kg ?? 0, limit: w.nose_range ? w.nose_range[1]! * l.gross_kg : null, word: says("ball-2") },
          ]
        : [];
  const groups = new Map<string, { kg: number; x: number }>();
  for (const r of w.rows) {
    const kg = r.kg * (l.factors[r.group] ?? 1);
    const slot = Math.round(r.x / 0.4) * 0.4;
    const g = groups.get(String(slot)) ?? { kg: 0, x: slot };
    groups.set(String(slot), { kg: g.kg + kg, x: slot });
  }
  const most = Math.max(60, ...[...groups.values()].map((g) => g.kg));
  const x0 = -0.4;
  const x1 = Math.max(b.length, ...supports.map((s) => s.x)) + 0.5;
  const scale = 900 / (x1 - x0);
  const u = (x: number) => 30 + (x1 - x) * scale;
  const [s0, s1] = supports;
  const share = (s: (typeof supports)[number] | undefined) => (s?.limit ? s.kg / s.limit : 0);
  const tilt = s0 && s1 ? Math.max(-5, Math.min(5, 9 * (share(s0) - share(s1)))) : 0;
  return (
    <svg viewBox="0 0 960 250" className="block h-full w-full text-peat" preserveAspectRatio="xMidYMid meet" role="img" aria-label={says("loads-axles")}>
      <g transform={`rotate(${tilt} 480 150)`} style={{ transition: "transform 150ms" }}>
        <rect x={u(b.length)} y={144} width={b.length * scale} height={8} fill="currentColor" opacity="0.85" />
        {b.kind === "trailer" && <rect x={u(b.coupling_x!)} y={146} width={(b.coupling_x! - b.length) * scale} height={4} fill="currentColor" />}
        {[...groups.values()].map((g) => {
          const h = Math.max(2, (70 * Math.abs(g.kg)) / most);
          return (
            <g key={g.x}>
              <rect x={u(g.x) - 9} y={144 - h} width={18} height={h} fill={g.kg < 0 ? "none" : "#2c6e8644"} stroke="currentColor" strokeWidth="0.8" />
              {Math.abs(g.kg) >= 25 && (
                <text x={u(g.x)} y={140 - h} fontSize="11" textAnchor="middle" fill="currentColor" className="num">
                  {show(g.kg, "kg", units)}
                </text>
              )}
            </g>
          );
        })}
      </g>
      {supports.map((s) => {
        const over = s.limit != null && s.kg > s.limit;
        return (
          <g key={s.word} fill={over ? "var(--color-rust)" : "currentColor"}>
            <path d={`M${u(s.x)} 158l-14 26h28z`} fill="none" stroke={over ? "var(--color-rust)" : "currentColor"} strokeWidth="1.6" />
            <text x={u(s.x)} y={204} fontSize="14" textAnchor="middle" className="num">
              {show(s.kg, "kg", units)}
            </text>
            <text x={u(s.x)} y={221} fontSize="12" textAnchor="middle">
              {s.word}
              {s.limit != null && says("of-2", { s: Math.round(100 * share(s)), limit: show(s.limit, "kg", units) })}
            </text>
          </g>
        );
      })}
      {l.cg_x != null && (
        <g>
          <path d={`M${u(l.cg_x)} 128v40m-7 -20h14`} stroke="var(--color-gorse)" strokeWidth="2" />
          <title>{say(says("centre-gravity"))}</title>
        </g>
      )}
      <text x={u(b.length) + 4} y={240} fontSize="11" fill="var(--color-dim)">
        {say(says("front-left-each-column"))}
      </text>
    </svg>
  );
}

export function WeightView() {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const [params, setParams] = useSearchParams();
  const [group, setGroup] = useState("all");
  const w = fit.part.weight;
  const l = w.loadings.find((x) => x.id === params.get("loading")) ?? w.loadings.find((x) => x.id === w.worst) ?? w.loadings[0]!;
  const groups = ["all", ...new Set(w.rows.map((r) => r.group))];
  const rows = [...w.rows].filter((r) => group === "all" || r.group === group).sort((a, b) => Math.abs(b.kg) - Math.abs(a.kg));
  const columns: Column<Kilo>[] = [
    { key: "name", label: says("what"), width: "38%", kind: "computed", show: (r) => <span className="font-sans text-peat">{r.name}</span> },
    { key: "kg", label: says("mass"), width: "12%", align: "right", kind: "computed", show: (r) => show(r.kg, "kg", units) },
    { key: "group", label: says("group"), width: "10%", kind: "computed", show: (r) => <span className="font-sans">{GROUPS[r.group] ?? r.group}</span> },
    { key: "x", label: says("rear"), width: "12%", align: "right", kind: "computed", show: (r) => show(r.x, "m", units) },
    { key: "z", label: says("over-floor"), width: "12%", align: "right", kind: "computed", show: (r) => show(r.z, "m", units) },
    {
      key: "how",
      label: says("known"),
      width: "16%",
      kind: "computed",
      show: (r) => (
        <span className={`font-sans ${r.counted === "usual" || !r.placed ? "text-heather" : ""}`}>
          {say(r.placed ? counted(r.counted) : says("not-placed-2", { counted: counted(r.counted) }))}
        </span>
      ),
    },
  ];
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<Sentence />}
      picture={
        <div className="flex h-full flex-col p-2">
          <Choices
            label={says("loading")}
            options={Object.fromEntries(w.loadings.map((x) => [x.id, say(x.name)]))}
            value={l.id}
            onSet={(id) =>
              setParams((p) => {
                p.set("loading", id);
                return p;
              })
            }
          />
          <div className="min-h-0 flex-1">
            <Beam l={l} />
          </div>
        </div>
      }
      tools={
        <>
          <StageViews stage={says("layout-weight")} views={VIEWS} />
          <Choices
            label={says("group-2")}
            options={Object.fromEntries(groups.map((g) => [g, g === "all" ? says("group-all") : (GROUPS[g] ?? g)]))}
            value={group}
            onSet={setGroup}
          />
        </>
      }
      ledger={
        <Ledger
          label={says("every-kilogram-once")}
          rows={rows}
          columns={columns}
          id={(r) => r.key}
          empty={<p className="m-0">{says("nothing-weighs-yet")}</p>}
        />
      }
      slate={<WeightSlate l={l} />}
    />
  );
}

function WeightSlate({ l }: { l: Loading }) {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const { part, design, edit } = fit;
  const w = part.weight;
  const key = `fit/loading/${l.id}`;
  const weighings = useItems<Weighing>("/facts/weighings", (design.facts.weighings ?? []) as Weighing[], says("weighbridge"));
  const running = fit.doc.body?.running ?? {};
  return (
    <Slate title={l.name} sub={says("weight")}>
      <FindingList
        findings={fit.report.findings.filter((f) => f.stage === "fit" && ["fit", "front", "rear"].includes(f.subject) && !f.rule.startsWith("fit-tie"))}
      />
      {w.gross_limit_kg != null && <HeadroomBar label={says("whole")} need={l.gross_kg} have={w.gross_limit_kg} unit="kg" margin={0.05} />}
      {(["gross_kg", "payload_left_kg", "front_kg", "rear_kg", "left_kg", "nose_kg"] as const).map((k) => (
        <SlateFig key={k} k={`${key}/${k}` as never} />
      ))}
      {l.shift_kg_m != null && (
        <p className="my-1 text-[12px]">{say(says("middle-range-kg-m", { shift_kg_m: Math.abs(l.shift_kg_m), some_shift_kg_m: l.shift_kg_m > 0 }))}</p>
      )}
      {l.sinkage_mm != null && <p className="my-1 text-[12px]">{say(says("all-lets-her-lie", { sinkage_mm: Math.round(l.sinkage_mm) }))}</p>}
      {l.cg_height != null && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {say(
            says("centre-gravity-rear-over", {
              cg_x: show(l.cg_x, "m", units),
              cg_height: show(l.cg_height, "m", units),
              stability: l.stability?.toFixed(2) ?? "",
            }),
          )}
        </p>
      )}
      <SlateFig k="fit/weight/roof_kg" />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("weighbridge")}</h3>
      {weighings.items.map((z) => {
        const r = w.weighed.find((x) => x.id === z.id);
        return (
          <fieldset key={z.id} className="m-0 mb-2 border-0 border-l-2 border-slate-2 p-0 pl-2">
            <legend className="text-[12px]">{z.name}</legend>
            <Fields
              specs={[
                words("on", says("date")),
                quantity("front_kg", says("front-axle-2"), "mass", "kg"),
                quantity("rear_kg", says("rear-axle-2"), "mass", "kg"),
                quantity("left_kg", says("left-side"), "mass", "kg", { clearable: true, placeholder: says("not-weighed") }),
                flag("booked", says("count-difference-now")),
              ]}
              item={z}
              onSet={(k, value, label) => void weighings.set(z, { [k]: value }, label)}
            />
            <ChoiceProperty
              label={says("loaded")}
              value={z.loaded ?? ""}
              options={[{ value: "", word: says("nobody-tanks-empty") }, ...w.loadings.map((x) => ({ value: x.id, word: say(x.name) }))]}
              onSet={(v) => void weighings.set(z, { loaded: v || null }, says("loaded-2"))}
            />
            {r && (
              <p className="my-1 text-[12px]">
                {says("plan-says-more-less", {
                  model_front_kg: show(r.model_front_kg, "kg", units),
                  model_rear_kg: show(r.model_rear_kg, "kg", units),
                  has_lump_x: r.lump_x != null,
                  lump_kg: show(Math.abs(r.lump_kg), "kg", units),
                  some_lump_kg: r.lump_kg > 0,
                  lump_x: r.lump_x != null ? show(r.lump_x, "m", units) : "",
                })}
              </p>
            )}
            <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void weighings.remove(z)}>
              {says("strike-weighing")}
            </button>
          </fieldset>
        );
      })}
      {part.body.kind === "axles" && (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() =>
            void weighings.add({
              front_kg: Math.round(l.front_kg ?? 0),
              rear_kg: Math.round(l.rear_kg ?? 0),
              loaded: l.id,
              resolution_kg: 10,
              booked: false,
              on: "",
              who: "",
              left_kg: null,
            })
          }
        >
          {says("enter-weighing")}
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("axles-limits")}</h3>
      <Fields
        specs={
          part.body.kind === "trailer"
            ? [
                quantity("rear_axle_x_m", says("first-axle-rear"), "length", "m", CLEAR),
                quantity("second_axle_x_m", says("second-axle"), "length", "m", CLEAR),
                quantity("coupling_x_m", says("ball-rear"), "length", "m", CLEAR),
                quantity("nose_empty_kg", says("nose-empty"), "mass", "kg", CLEAR),
                quantity("empty_rear_kg", says("axles-empty"), "mass", "kg", CLEAR),
                quantity("gross_limit_kg", says("gross-limit"), "mass", "kg", CLEAR),
                quantity("nose_limit_kg", says("balls-limit"), "mass", "kg", CLEAR),
                quantity("tow_limit_kg", says("may-towed"), "mass", "kg", CLEAR),
                quantity("tow_vehicle_kg", says("towing-vehicle"), "mass", "kg", CLEAR),
              ]
            : [
                quantity("rear_axle_x_m", says("rear-axle-rear"), "length", "m", CLEAR),
                quantity("front_axle_x_m", says("front-axle-rear"), "length", "m", CLEAR),
                quantity("track_m", says("track"), "length", "m", CLEAR),
                quantity("floor_height_m", says("floor-over-ground"), "length", "m", CLEAR),
                quantity("empty_front_kg", says("empty-front-axle-2"), "mass", "kg", CLEAR),
                quantity("empty_rear_kg", says("empty-rear-axle-2"), "mass", "kg", CLEAR),
                quantity("gross_limit_kg", says("gross-limit"), "mass", "kg", CLEAR),
                quantity("front_limit_kg", says("front-axles-limit"), "mass", "kg", CLEAR),
                quantity("rear_limit_kg", says("rear-axles-limit"), "mass", "kg", CLEAR),
                quantity("tyre_front_kg", says("front-tyres-carry"), "mass", "kg", CLEAR),
                quantity("tyre_rear_kg", says("rear-tyres-carry"), "mass", "kg", CLEAR),
                quantity("roof_limit_kg", says("roof-carries"), "mass", "kg", CLEAR),
                ...(design.vehicle?.preset === "truck_camper" ? CAMPER : []),
              ]
        }
        item={running}
        onSet={(k, value, label) => void edit([{ op: "replace", path: `/fit/body/running/${k}`, value }], label)}
      />
      {part.body.assumed.length > 0 && (
        <p className="my-1 text-[12px] text-[#d3b6e6]">{says("typical-vehicle-until-entered", { assumed: part.body.assumed.join(", ") })}</p>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

const CLEAR = { clearable: true, placeholder: says("typical") } as const;
const CAMPER = [
  quantity("camper_kg", says("camper-itself"), "mass", "kg", { clearable: true, placeholder: says("walls-only") }),
  quantity("camper_x_m", says("centre-rear"), "length", "m", { clearable: true, placeholder: says("middle") }),
  quantity("camper_z_m", says("centre-over-floor"), "length", "m", CLEAR),
];

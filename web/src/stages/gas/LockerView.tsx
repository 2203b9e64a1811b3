/** Locker and air: the locker in plan and section with its vents against what they need, the room's fixed vents, low points, alarms. */

import { useCallback } from "react";
import { OPENING_MM2, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordColumn } from "../../parts/columns";
import { choice, count, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/gas";
import { type GasVent, type LowPoint, useGas, useLowPoints, useVents } from "./edit";
import { Sentence } from "./Sentence";
import { OPENS, POSITIONS, RULE_SETS, VIEWS, wordOf } from "./words";

const CAUTION = says("vents-never-closed-winter");

/** Need against have, side by side with the locker drawn to scale. */
function LockerPicture() {
  const say = useSaid();
  const { g, part } = useGas();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const at = g.locker;
  const p = part.locker;
  const narrow = width < 620;
  const px = at ? Math.min(Math.min(320, narrow ? width - 40 : width * 0.38) / Math.max(at.length_m ?? 0.6, 0.3), 170 / Math.max(at.width_m ?? 0.35, 0.2)) : 1;
  const w = (at?.length_m ?? 0.6) * px;
  const d = (at?.width_m ?? 0.35) * px;
  const circles = (g.vessels ?? []).filter((v) => v.place === "locker").flatMap((v) => Array.from({ length: v.count ?? 1 }, () => v));
  const left = narrow ? 12 : width * 0.44;
  const top = narrow ? d + 100 : 26;
  const needs: { word: string; need: number; have: number; ok: boolean }[] = [
    ...(p
      ? [
          { word: says("locker-low"), need: p.need_low_mm2, have: p.have_low_mm2, ok: p.have_low_mm2 >= p.need_low_mm2 },
          ...(p.need_high_mm2 > 0 ? [{ word: says("locker-high"), need: p.need_high_mm2, have: p.have_high_mm2, ok: p.have_high_mm2 >= p.need_high_mm2 }] : []),
        ]
      : []),
    ...(part.room
      ? [
          { word: says("room-high"), need: part.room.need_high_mm2, have: part.room.have_high_mm2, ok: part.room.have_high_mm2 >= part.room.need_high_mm2 },
          { word: says("room-low"), need: part.room.need_low_mm2, have: part.room.have_low_mm2, ok: part.room.have_low_mm2 >= part.room.need_low_mm2 },
        ]
      : []),
  ];
  const most = Math.max(1, ...needs.flatMap((n) => [n.need, n.have]));
  const bar = Math.max(60, width - left - 200);
  const H = Math.max(narrow ? 0 : d + 110, top + needs.length * 38 + 56 + (g.low_points ?? []).length * 18);
  let x = 0;
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${H}`}
        className="block w-full"
        role="img"
        aria-label={says("vessels-no-locker", {
          has_at: Boolean(at),
          name: at ? at.name : "",
          circles_count: circles.length,
          needs: needs.map((n) => say(says("mm", { word: n.word, have: Math.round(n.have), need: Math.round(n.need) }))).join(", "),
        })}
      >
        <text x="8" y="18" fontSize="12" fontWeight="600" fill="currentColor">
          {at ? says("locker-above") : says("no-locker-yet")}
        </text>
        {at && (
          <g transform="translate(14 30)">
            <rect
              width={w}
              height={d}
              fill="var(--color-bench)"
              stroke="currentColor"
              strokeWidth={at.sealed ? 4 : 1.5}
              strokeDasharray={at.sealed ? undefined : "6 5"}
            />
            {circles.map((v, i) => {
              const r = ((v.diameter_m ?? 0.3) * px) / 2;
              const cx = x + r + 4;
              x += 2 * r + 6;
              return (
                <g key={i} onClick={() => hand.pick("vessel", v.id)}>
                  <circle cx={cx} cy={d / 2} r={Math.min(r, d / 2)} fill="var(--color-gorse)" fillOpacity="0.3" stroke="currentColor" strokeWidth="1.4" />
                  <circle cx={cx} cy={d / 2} r="5" fill="currentColor" />
                </g>
              );
            })}
            {(at.vents ?? []).map((v, i) => {
              const vw = Math.min(w * 0.5, ((v.width_mm ?? v.diameter_mm ?? 60) / 1000) * px * Math.min(2, v.count ?? 1));
              const held = hand.kind === "vent" && hand.id === v.id;
              const vx = Math.min(w - vw - 4, 6 + i * (w / Math.max(1, (at.vents ?? []).length)));
              const y = v.position === "low" ? d - 20 : 6;
              const shut = v.closable || v.blocked_by;
              return (
                <g key={v.id} onClick={() => hand.pick("vent", v.id)} style={{ cursor: "pointer" }}>
                  <rect
                    x={vx}
                    y={y}
                    width={vw}
                    height="14"
                    fill="var(--color-sheet)"
                    stroke={shut ? "var(--color-rust)" : "currentColor"}
                    strokeWidth={held ? 2.4 : 1.2}
                  />
                  {Array.from({ length: Math.max(2, Math.floor(vw / 7)) }, (_, k) => (
                    <path key={k} d={`M${vx + 4 + k * 7} ${y + 2}v10`} stroke={shut ? "var(--color-rust)" : "currentColor"} strokeWidth="1" />
                  ))}
                  {v.position === "low" && !shut && (
                    <g>
                      <path d={`M${vx + vw / 2} ${d + 4}v20m-5 -6l5 6l5 -6`} fill="none" stroke="var(--color-loch)" strokeWidth="2" />
                      <text x={vx + vw / 2 + 10} y={d + 22} fontSize="11" fill="currentColor">
                        {says("falls-outside")}
                      </text>
                    </g>
                  )}
                </g>
              );
            })}
            <text x="0" y={d + 44} fontSize="11" fill="currentColor">
              {says("sealed-inside-not-sealed", { sealed: at.sealed, opens: wordOf(OPENS, at.opens) })}
            </text>
            <text x="0" y={d + 60} fontSize="11" fill="currentColor">
              {say(`${Math.round(1000 * (at.length_m ?? 0))} × ${Math.round(1000 * (at.width_m ?? 0))} × ${Math.round(1000 * (at.height_m ?? 0))} mm`)}
            </text>
          </g>
        )}
        {needs.length > 0 && (
          <text x={left} y={top - 8} fontSize="12" fontWeight="600" fill="currentColor">
            {says("free-area-vents-need")}
          </text>
        )}
        {needs.map((n, i) => {
          const y = top + 6 + i * 38;
          const s = bar / most;
          return (
            <g key={n.word}>
              <text x={left + 84} y={y + 14} fontSize="11.5" textAnchor="end" fill="currentColor">
                {n.word}
              </text>
              <rect
                x={left + 92}
                y={y}
                width={Math.max(2, n.have * s)}
                height="20"
                fill={n.ok ? "var(--color-moss)" : "var(--color-rust)"}
                fillOpacity="0.45"
              />
              <path d={`M${left + 92 + n.need * s} ${y - 4}v28`} stroke="currentColor" strokeWidth="2" />
              <text x={left + 98 + Math.max(n.have, n.need) * s} y={y + 14} fontSize="11" className="num" fill="currentColor">
                {say(says("cm", { have: Math.round(n.have / 100), need: Math.round(n.need / 100) }))}
              </text>
            </g>
          );
        })}
        <g transform={`translate(${left} ${top + needs.length * 38 + 18})`} fontSize="11" fill="currentColor">
          {p && !p.ok && <text y="0">{say(says("one-round-drain-mm", { round_drain_mm: Math.ceil(p.round_drain_mm) }))}</text>}
          <text y="18">
            {g.lpg_alarm ? say(says("gas-alarm-mm-over", { height_m: Math.round(1000 * (g.lpg_alarm.height_m ?? 0)) })) : says("no-gas-alarm-yet")}
          </text>
          {(g.low_points ?? []).map((l, i) => (
            <text key={l.id} y={36 + i * 18}>
              {`${l.name}${say(says("hole-mm-m", { hole_mm2: Math.round(l.hole_mm2 ?? 0), hole_m: l.hole_m ?? 0 }))}`}
            </text>
          ))}
        </g>
      </svg>
    </div>
  );
}

function VentSlate({ v }: { v: GasVent & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useVents();
  const round = v.diameter_mm != null;
  return (
    <Slate title={v.name} sub={says("vent-locker", { positions: wordOf(POSITIONS, v.position) })}>
      <FindingList findings={report.findings.filter((f) => f.subject === `gas-vent:${v.id}`)} />
      <Fields
        specs={[
          words("name", says("name")),
          choice("position", says("sits"), POSITIONS),
          flag("round", says("round")),
          ...(round ? [mm("diameter_mm", says("across"))] : [mm("width_mm", says("width")), mm("height_mm", says("height"))]),
          quantity("free_frac", says("free-mesh"), "fraction", "", { note: says("mesh-leaves") }),
          count("count", says("pieces")),
          flag("closable", says("cover-can-close")),
          words("blocked_by", says("under-close")),
          quantity("to_opening_m", say(says("nearest-opening-intake-socket")), "length", "m", { clearable: true, placeholder: says("not-entered") }),
          quantity("to_exhaust_m", says("nearest-exhaust-flue"), "length", "m", { clearable: true, placeholder: says("not-entered") }),
        ]}
        item={{ ...v, round }}
        onSet={(key, value, label) => {
          if (key === "round")
            return void set(
              v,
              value
                ? { width_mm: null, height_mm: null, diameter_mm: Math.max(10, v.height_mm ?? 60) }
                : { diameter_mm: null, width_mm: v.diameter_mm ?? 60, height_mm: v.diameter_mm ?? 60 },
              label,
            );
          void set(v, { [key]: key === "count" ? Math.max(1, Math.round(Number(value ?? 1))) : value }, label);
        }}
      />
      {v.blocked_by && (
        <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set(v, { blocked_by: "" }, says("nothing-under"))}>
          {says("nothing-under-2")}
        </button>
      )}
      <TakeOut remove={() => remove(v)}>{says("remove-vent")}</TakeOut>
    </Slate>
  );
}

function LowSlate({ l }: { l: LowPoint }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useLowPoints();
  return (
    <Slate title={l.name} sub={says("low-point-where-gas")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `low:${l.id}`)} />
      <Fields
        specs={[
          words("name", says("name")),
          quantity("hole_mm2", says("hole-mm"), "surface", OPENING_MM2, { scale: 1e6, note: say(says("mm-mesh")) }),
          quantity("hole_m", says("hole-away"), "length", "m"),
        ]}
        item={l}
        onSet={(key, value, label) => void set(l, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(l)}>{says("remove-point")}</TakeOut>
    </Slate>
  );
}

const NEW_LOCKER = { length_m: 0.6, width_m: 0.35, height_m: 0.65, opens: "outside" };

function Whole() {
  const say = useSaid();
  const { design, report } = useVariant();
  const boat = design.vehicle?.preset === "boat";
  const { g, set, put } = useGas();
  const hand = useHand();
  const points = useLowPoints();
  const at = g.locker;
  const alarm = g.lpg_alarm;
  return (
    <Slate title={says("gas")} sub={says("locker-air")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && /^(locker|gas-vent|low|room|gas-alarm)/.test(f.subject))} />
      <SlateFigs ks={["gas/locker_low_mm2", "gas/locker_high_mm2", "air/gas/high_area_mm2", "air/gas/low_area_mm2"]} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("locker")}</h3>
      {at ? (
        <>
          <Fields
            specs={[
              words("name", says("name")),
              quantity("length_m", says("length-inside"), "length", "m"),
              quantity("width_m", says("width-inside"), "length", "m"),
              quantity("height_m", says("height-inside"), "length", "m"),
              choice("rule_set", says("vents"), RULE_SETS, { none: says("regions-rule") }),
              choice("opens", says("opens"), OPENS),
              ...(at.opens === "inside_sealed" ? [quantity("sill_mm", says("sill"), "length", "mm", { scale: 1000 })] : []),
              flag("sealed", says("gas-tight-living-space")),
              words("unsealed", says("open-inside")),
              quantity("to_heat_m", says("exhaust-flue-engine"), "length", "m", { clearable: true, placeholder: says("not-entered") }),
              ...(boat ? [flag("drain_overboard", says("drain-falls-overboard")), flag("drain_above_water", says("above-water-when-heeled"))] : []),
            ]}
            item={at}
            onSet={put("locker", says("locker-2"))}
          />
          {at.unsealed && (
            <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("locker/unsealed", "", says("nothing-open-inside"))}>
              {says("nothing-open-any-more")}
            </button>
          )}
          <Fields
            specs={[words("sparks", say(says("sparks-socket-relay-lamp")))]}
            item={{ sparks: (at.sparks ?? []).join(", ") }}
            onSet={(_, value) =>
              void set(
                "locker/sparks",
                String(value ?? "")
                  .split(",")
                  .map((s) => s.trim())
                  .filter(Boolean)
                  .slice(0, 12),
                says("sparks-locker"),
              )
            }
          />
          {(at.sparks ?? []).length > 0 && (
            <button
              type="button"
              className="block text-[12px] text-chalk-dim underline"
              onClick={() => void set("locker/sparks", [], says("nothing-sparks-locker"))}
            >
              {says("nothing-sparks")}
            </button>
          )}
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("locker", null, says("no-locker"))}>
            {says("no-locker")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("locker", NEW_LOCKER, says("locker-3"))}>
          {says("add-locker")}
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("low-points")}</h3>
      {points.items.map((l) => (
        <button key={l.id} type="button" className="my-0.5 block underline decoration-dotted underline-offset-2" onClick={() => hand.pick("low", l.id)}>
          {l.name}
        </button>
      ))}
      <button type="button" className="btn btn-slate my-1" onClick={() => void points.add().then((id) => id && hand.pick("low", id))}>
        {says("add-low-point")}
      </button>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("gas-alarm")}</h3>
      {alarm ? (
        <>
          <Fields
            specs={[
              quantity("height_m", says("over-floor"), "length", "m"),
              quantity("bunk_edge_m", says("lowest-bunks-edge"), "length", "m", { clearable: true, placeholder: says("no-bunk") }),
            ]}
            item={alarm}
            onSet={put("lpg_alarm", says("gas-alarm-2"))}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("lpg_alarm", null, says("no-gas-alarm"))}>
            {says("no-alarm")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("lpg_alarm", { height_m: 0.15 }, says("gas-alarm-3"))}>
          {says("add-gas-alarm")}
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function LockerView() {
  const say = useSaid();
  const { g, set } = useGas();
  const { units } = usePerson();
  const hand = useHand();
  const vents = useVents();
  const points = useLowPoints();
  const add = vents.add;
  const has = !!g.locker;
  const create = useCallback(async () => {
    if (!has) return void (await set("locker", NEW_LOCKER, says("locker-3")));
    const id = await add({ position: "low", width_mm: 150, height_mm: 100, free_frac: 0.7 });
    if (id) hand.pick("vent", id);
  }, [add, has, hand.pick, set]);
  useCall("bothy:new", create);
  const v = hand.kind === "vent" ? vents.items.find((x) => x.id === hand.id) : undefined;
  const l = hand.kind === "low" ? points.items.find((x) => x.id === hand.id) : undefined;
  const columns: Column<GasVent & { name: string }>[] = [
    nameColumn(vents, says("vent"), "28%"),
    wordColumn("position", says("sits"), "16%", (x) => wordOf(POSITIONS, x.position)),
    {
      key: "size",
      label: says("size"),
      width: "20%",
      align: "right",
      kind: "computed",
      show: (x) => (x.diameter_mm != null ? show(x.diameter_mm, "mm", units) : say(`${x.width_mm} × ${x.height_mm} mm`)),
    },
    { key: "free", label: says("free"), width: "10%", align: "right", kind: "computed", show: (x) => `${Math.round(100 * (x.free_frac ?? 1))} %` },
    { key: "count", label: says("pieces"), width: "10%", align: "right", kind: "computed", show: (x) => x.count },
    wordColumn("counts", says("counts"), "14%", (x) => (x.closable || x.blocked_by ? says("no") : says("yes"))),
  ];
  return (
    <Bench
      title={says("gas")}
      sentence={<Sentence />}
      picture={<LockerPicture />}
      tools={
        <>
          <StageViews stage={says("gas")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {has ? says("add-vent-n") : says("add-locker-n")}
          </button>
        </>
      }
      ledger={
        <ItemLedger
          label={says("vents-locker")}
          list={vents}
          kind="vent"
          subject="gas-vent"
          columns={columns}
          onAdd={create}
          empty={has ? says("no-vent-yet-lockers") : says("no-locker-yet-sealed")}
        />
      }
      slate={v ? <VentSlate v={v} /> : l ? <LowSlate l={l} /> : <Whole />}
    />
  );
}

/** Measure: one measurement at a time, with a picture of where to hold the tape. The shell grows as it is typed; nothing is lost on reload. */
import { useState } from "react";
import { useSearchParams } from "react-router";
import type { PatchOp } from "../../data/client";
import { show } from "../../data/show";
import { Quantity } from "../../parts/Quantity";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/fit";
import { round, useFit } from "./data";
import { hullAt } from "./geometry";
import { Immovables } from "./Immovables";
import { Pane } from "./Scene";
import { Sentence } from "./Sentence";
import { VIEWS } from "./words";

type Fit = ReturnType<typeof useFit>;
type Step = {
  id: string;
  title: string;
  how: string;
  value: number | null | undefined;
  now: number;
  unit: "m" | "kg";
  /** Where the tape lies, from and to in m; and what it is seen from. */
  tape?: { look: "plan" | "left" | "section"; at: number; from: [number, number, number]; to: [number, number, number] };
  set: (v: number) => PatchOp[];
  doubt?: (v: number) => string | null;
};

/** The stations and levels to measure: those that stand, or the profile's own at three places and three heights. */
function frame(fit: Fit) {
  const body = fit.doc.body ?? {};
  if (body.stations?.length) return { levels: body.levels_z_m ?? [], stations: body.stations };
  const b = fit.part.body;
  const levels = [0.1, round(b.height * 0.5), round(b.height - 0.1)];
  const xs = [0, round(b.length / 2), round(b.length)];
  const stations = xs.map((x) => ({
    x_m: x,
    left_m: levels.map((z) => round(hullAt(b, x, z).left)),
    right_m: levels.map((z) => round(hullAt(b, x, z).right)),
    height_m: round(hullAt(b, x, 0).height),
    from_wall: false,
  }));
  return { levels, stations };
}

function steps(fit: Fit): Step[] {
  const { levels, stations } = frame(fit);
  const b = fit.part.body;
  const typed = !!fit.doc.body?.stations?.length;
  const running = fit.doc.body?.running ?? {};
  const whole = (next: typeof stations, nextLevels = levels): PatchOp[] => [
    { op: "replace", path: "/fit/body", value: { ...(fit.doc.body ?? {}), levels_z_m: nextLevels, stations: next } },
  ];
  const out: Step[] = [];
  const v = fit.design.vehicle ?? {};
  const simple = (id: string, title: string, how: string, path: string, value: number | null | undefined, now: number, tape?: Step["tape"]): Step => ({
    id,
    title,
    how,
    value,
    now,
    unit: "m",
    tape,
    set: (x) => [{ op: "replace", path, value: x }],
  });
  const mid = b.length / 2;
  if (!typed) {
    out.push(
      simple("length", says("inside-length"), says("rear-doors-inside-face"), "/vehicle/inside_length_m", v.inside_length_m, b.bare[0]!, {
        look: "plan",
        at: mid,
        from: [0, 0, 0],
        to: [b.length, 0, 0],
      }),
      simple("width", says("inside-width"), says("between-bare-walls-bed"), "/vehicle/inside_width_m", v.inside_width_m, b.bare[1]!, {
        look: "section",
        at: mid,
        from: [mid, b.half, b.height / 2],
        to: [mid, -b.half, b.height / 2],
      }),
      simple("height", says("inside-height"), says("bare-floor-bare-roof"), "/vehicle/inside_height_m", v.inside_height_m, b.bare[2]!, {
        look: "section",
        at: mid,
        from: [mid, 0, 0],
        to: [mid, 0, b.height],
      }),
    );
  }
  stations.forEach((s, i) => {
    const neighbours = [stations[i - 1], stations[i + 1]].filter((n) => n != null);
    const put = (change: Partial<(typeof stations)[number]>) => whole(stations.map((q, n) => (n === i ? { ...q, ...change } : q)));
    levels.forEach((z, k) => {
      for (const side of ["left", "right"] as const) {
        const list = side === "left" ? s.left_m : s.right_m;
        const sign = side === "left" ? 1 : -1;
        out.push({
          id: `${side}-${i}-${k}`,
          title: says("left-right-wall-rear", { is_left: side === "left", x_m: show(s.x_m, "m", "metric"), z: show(z, "m", "metric") }),
          how: says("centre-line-struck-floor"),
          value: typed ? list[k] : null,
          now: list[k]!,
          unit: "m",
          tape: { look: "section", at: s.x_m, from: [s.x_m, 0, z], to: [s.x_m, sign * list[k]!, z] },
          set: (x) => put({ [side === "left" ? "left_m" : "right_m"]: list.map((q, n) => (n === k ? round(x) : q)) }),
          doubt: (x) => {
            const far = neighbours.map((n) => (side === "left" ? n.left_m : n.right_m)[k]!).filter((y) => Math.abs(y - x) > 0.15);
            const other = (side === "left" ? s.right_m : s.left_m)[k]!;
            if (x <= 0) return says("must-more-than-nothing");
            if (far.length === neighbours.length && far.length)
              return says("wall-would-stick-out", { x_more: x > far[0]!, x: Math.round(1000 * Math.abs(x - far[0]!)) });
            return Math.abs(x - other) > 0.12 ? says("two-sides-would-differ", { x: Math.round(1000 * Math.abs(x - other)) }) : null;
          },
        });
      }
    });
    out.push({
      id: `ceiling-${i}`,
      title: says("ceiling-rear", { x_m: show(s.x_m, "m", "metric") }),
      how: says("finished-floor-finished-ceiling"),
      value: typed ? s.height_m : null,
      now: s.height_m,
      unit: "m",
      tape: { look: "section", at: s.x_m, from: [s.x_m, 0, 0], to: [s.x_m, 0, s.height_m] },
      set: (x) => put({ height_m: round(x) }),
      doubt: (x) =>
        neighbours.length && neighbours.every((n) => Math.abs(n.height_m - x) > 0.2)
          ? says("mm-off-section-beside", { x: Math.round(1000 * Math.abs(x - neighbours[0]!.height_m)) })
          : null,
    });
  });
  if (b.kind === "axles") {
    const kg = (id: "empty_front_kg" | "empty_rear_kg", title: string): Step => ({
      id,
      title,
      how: says("empty-full-fuel-driver"),
      value: running[id],
      now: running[id] ?? 0,
      unit: "kg",
      set: (x) => [{ op: "replace", path: `/fit/body/running/${id}`, value: x }],
    });
    const axle = (id: "rear_axle_x_m" | "front_axle_x_m", title: string, now: number): Step => ({
      id,
      title,
      how: says("rear-most-inside-face"),
      value: running[id],
      now,
      unit: "m",
      tape: { look: "left", at: mid, from: [0, 0, -0.1], to: [now, 0, -0.1] },
      set: (x) => [{ op: "replace", path: `/fit/body/running/${id}`, value: x }],
      doubt: (x) => (id === "front_axle_x_m" && b.rear_x != null && x < b.rear_x + 1 ? says("front-axle-would-stand") : null),
    });
    out.push(
      axle("rear_axle_x_m", says("rear-axle"), b.rear_x ?? 0),
      axle("front_axle_x_m", says("front-axle"), b.front_x ?? 0),
      kg("empty_front_kg", says("empty-front-axle")),
      kg("empty_rear_kg", says("empty-rear-axle")),
    );
  }
  return out;
}

export function MeasureView() {
  const fit = useFit();
  const say = useSaid();
  const { units } = usePerson();
  const [params, setParams] = useSearchParams();
  const [doubt, setDoubt] = useState<{ id: string; value: number; words: string } | null>(null);
  const list = steps(fit);
  const at = Math.max(
    0,
    list.findIndex((s) => s.id === params.get("step")),
  );
  const s = list[at]!;
  const done = list.filter((x) => x.value != null).length;
  const go = (n: number) => {
    setDoubt(null);
    const to = list[Math.max(0, Math.min(list.length - 1, n))]!;
    setParams((p) => {
      p.set("step", to.id);
      return p;
    });
  };
  const take = async (value: number, sure = false) => {
    const words = sure ? null : s.doubt?.(value);
    if (words) {
      setDoubt({ id: s.id, value, words });
      return;
    }
    if (await fit.edit(s.set(value), says("measured", { title: s.title.toLowerCase() }))) go(at + 1);
  };
  const look = s.tape?.look ?? "plan";
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<Sentence />}
      picture={
        <div className="relative h-full p-2">
          <Pane
            look={look}
            label={says("where-hold-tape")}
            body={fit.part.body}
            things={[]}
            placeOf={() => undefined}
            cut={s.tape?.at}
            lines={s.tape ? [{ id: "tape", name: "tape", service: "dc", on: true, lines: [[s.tape.from, s.tape.to]] }] : []}
          />
        </div>
      }
      tools={<StageViews stage={says("layout-weight")} views={VIEWS} />}
      ledger={
        <div className="mx-auto max-w-xl p-4">
          <p className="m-0 text-[12px] text-dim">{says("measured-2", { at: at + 1, list_count: list.length, done })}</p>
          <h2 className="m-0 font-display text-[22px]">{say(s.title)}</h2>
          <p className="my-1 text-[14px]">{say(s.how)}</p>
          <div className="my-2 flex items-center gap-3 text-[24px]">
            <Quantity
              key={s.id}
              label={s.title}
              width="11rem"
              className="!text-[24px]"
              value={s.value ?? s.now}
              dimension={s.unit === "m" ? "length" : "mass"}
              unit={s.unit}
              onCommit={(q) => q && void take(q.value)}
            />
            {s.value == null && <span className="text-[13px] text-heather">{says("typical-kind-not-measured")}</span>}
          </div>
          {doubt?.id === s.id && (
            <div role="alert" className="my-2 border-l-2 border-gorse pl-2 text-[14px]">
              {say(`${show(doubt.value, s.unit, units)}: ${doubt.words}`)}{" "}
              <button type="button" className="btn ml-2" onClick={() => void take(doubt.value, true)}>
                {says("right")}
              </button>
            </div>
          )}
          <div className="flex gap-2">
            <button type="button" className="btn" disabled={at === 0} onClick={() => go(at - 1)}>
              {says("back")}
            </button>
            <button type="button" className="btn btn-main" onClick={() => (s.value == null ? void take(s.now, true) : go(at + 1))}>
              {s.value == null ? says("next") : says("next-2")}
            </button>
            <button type="button" className="btn" disabled={at === list.length - 1} onClick={() => go(at + 1)}>
              {says("skip")}
            </button>
          </div>
          <ol className="mt-4 list-none p-0 text-[13px]" aria-label={says("all-measurements")}>
            {list.map((x, i) => (
              <li key={x.id}>
                <button type="button" className={`flex w-full justify-between gap-2 py-0.5 text-left ${i === at ? "font-semibold" : ""}`} onClick={() => go(i)}>
                  <span>{say(x.title)}</span>
                  <span className={`num ${x.value == null ? "text-heather" : ""}`}>
                    {x.value == null && x.unit === "kg" ? says("typical") : show(x.value ?? x.now, x.unit, units)}
                  </span>
                </button>
              </li>
            ))}
          </ol>
        </div>
      }
      slate={
        <Slate title={says("measure")} sub={fit.part.body.measured ? says("measured-stations") : says("profile-kind-scaled")}>
          <p className="my-1 text-[13px]">{say(says("strike-centre-line-floor"))}</p>
          <p className="my-1 text-[12px] text-chalk-dim">
            {says("bare-finished-less-linings", {
              bare: fit.part.body.bare.map((x) => show(x, "m", units)).join(" × "),
              body_count: show(fit.part.body.length, "m", units),
              half: show(2 * fit.part.body.half, "m", units),
              height: show(fit.part.body.height, "m", units),
              linings: say(
                Object.entries(fit.part.body.linings)
                  .map(([k, v]) => `${k} ${Math.round(1000 * v)} mm`)
                  .join(", "),
              ),
            })}
          </p>
          <Immovables />
          {fit.part.body.measured && (
            <button
              type="button"
              className="btn btn-slate"
              onClick={() =>
                void fit.edit(
                  [{ op: "replace", path: "/fit/body", value: { ...(fit.doc.body ?? {}), levels_z_m: [], stations: [] } }],
                  says("back-profile-kind"),
                )
              }
            >
              {says("back-profile-kind-2")}
            </button>
          )}
        </Slate>
      }
    />
  );
}

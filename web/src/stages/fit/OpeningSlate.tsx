/** An opening in hand: where its cut lies, its size, the template and the order of work; and the wall as a whole with what lies in it. */
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { FindingList } from "../../parts/Findings";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/fit";
import { FromPart } from "./FromPart";
import { FACE_WORDS, type Face, type FaceKey, milli, type SideThing, useSides } from "./sides";
import { CUT, MEMBERS } from "./words";

const NAMES = Object.entries(FACE_WORDS).map(([value, word]) => ({ value, word: word.toLowerCase() })) as readonly { value: FaceKey; word: string }[];
const along = (face: string) => (face === "rear" ? says("middle-left-centre") : says("middle-rear"));
const over = (face: string) => (face === "floor" ? says("middle-left-centre") : says("middle-over-floor"));

export function OpeningSlate({ t }: { t: SideThing }) {
  const all = useSides();
  const { id, sides, sidesDoc, report } = all;
  const say = useSaid();
  const own = (sidesDoc.own ?? []).findIndex((o) => `hole:${o.id}` === t.key);
  const href = (kind: string, mirrored: boolean) => `/api/variants/${id}/fit/template/${kind}?of=${encodeURIComponent(t.key)}&below=${mirrored}`;
  const floor = t.face === "floor";
  const work = floor ? sides.floor_work : sides.work;
  return (
    <Slate title={say(t.name)} sub={say(`${FACE_WORDS[t.face as FaceKey].toLowerCase()}${t.why ? `; ${t.why}` : ""}`)}>
      <FindingList findings={report.findings.filter((f) => f.subject === t.key || f.related.includes(t.key))} />
      {!t.set_out && (
        <>
          <p className="my-1 text-[12px] text-chalk-dim">{says("not-set-out-yet")}</p>
          <button type="button" className="btn btn-slate" onClick={() => void all.putCut(t, {}, says("set-out"))}>
            {says("set-out-2")}
          </button>
        </>
      )}
      <Fields
        specs={[
          choice("face", says("in-the"), NAMES),
          quantity("u_m", along(t.face), "length", "m"),
          quantity("v_m", over(t.face), "length", "m"),
          flag("kept", says("there-already-nothing-cut")),
          flag("framed", says("frame-carries-cut-next")),
        ]}
        item={{ ...t, face: t.face as FaceKey }}
        onSet={(k, value, label) => void all.putCut(t, { [k]: value }, `${label}:`)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("cut-out")}</h3>
      <FromPart
        kind={t.kind === "vent" ? "side_vent" : t.kind}
        onTake={(p) =>
          void all.putCut(
            t,
            {
              length_mm: p.cut_length_mm,
              height_mm: p.cut_width_mm,
              radius_mm: p.radius_mm,
              clamp_min_mm: p.clamp_min_mm,
              clamp_max_mm: p.clamp_max_mm,
              measured: true,
            },
            says("sizes", { name: p.name }),
          )
        }
      />
      {!t.measured && <p className="my-1 text-[12px] text-[#d3b6e6]">{says("usual-size-kind-measure")}</p>}
      <Fields
        specs={[
          mm("length_mm", t.face === "rear" ? says("width") : says("length-along")),
          mm("height_mm", floor ? says("width-across") : says("height")),
          mm("radius_mm", says("corner-radius")),
          mm("clamp_min_mm", says("clamps"), { clearable: true }),
          mm("clamp_max_mm", says("clamps-2"), { clearable: true }),
        ]}
        item={{ ...t, face: t.face as FaceKey }}
        onSet={(k, value, label) => {
          const size = { length_mm: t.length_mm, height_mm: t.height_mm, radius_mm: t.radius_mm, [k]: value } as Record<string, number>;
          // a round hole stays round; corners never grow past the smaller side
          const round = 2 * t.radius_mm >= Math.max(t.length_mm, t.height_mm) - 0.5 && (k === "length_mm" || k === "height_mm");
          const radius = round ? (value as number) / 2 : Math.min(size.radius_mm!, size.length_mm! / 2, size.height_mm! / 2);
          const both = round ? { length_mm: value as number, height_mm: value as number } : { [k]: value };
          void all.putCut(t, { ...both, radius_mm: k === "radius_mm" ? (value as number) : radius, measured: true }, `${label}:`);
        }}
      />
      {t.laid_by.length > 0 && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("template-true-size")}</h3>
          <p className="my-1 text-[12px]">{say(says("both-numbers-must-agree", { laid_by: t.laid_by.slice(0, 2).join(" ") }))}</p>
          <div className="flex flex-wrap gap-1">
            {(["pdf", "svg", "dxf"] as const).map((kind) => (
              <a key={kind} className="btn btn-slate" href={href(kind, false)} download>
                {kind.toUpperCase()}, {floor ? says("above") : says("outside")}
              </a>
            ))}
            <a className="btn btn-slate" href={href("pdf", true)} download>
              PDF, {floor ? says("below") : says("inside")}
            </a>
          </div>
          <details className="mt-2" open>
            <summary className="cursor-pointer font-display text-[14px]">{says("order-work")}</summary>
            <p className="my-1 border-l-2 border-gorse pl-2 text-[12px]">{say(CUT)}</p>
            <ol className="m-0 list-decimal pl-5 text-[12px]">
              {work.map((s) => (
                <li key={s.title} className="my-0.5">
                  <b>{s.title}.</b> {say(s.text)}
                </li>
              ))}
            </ol>
          </details>
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {t.set_out && (
          <button type="button" className="btn btn-slate" onClick={() => void all.liftCut(t)}>
            {says("not-here-after-all")}
          </button>
        )}
        {own >= 0 && (
          <button type="button" className="btn btn-slate" onClick={() => void all.removeHole(t.key)}>
            {says("remove-2")}
          </button>
        )}
      </div>
    </Slate>
  );
}

type MemberItem = Schemas["Member"] & { name: string };

export function SidesSlate({ face }: { face: Face }) {
  const { sidesDoc, setSides, sides } = useSides();
  const say = useSaid();
  const members = sidesDoc.members;
  const list = useItems<MemberItem>("/fit/sides/members", (members ?? []) as MemberItem[], says("pillar"));
  const mine = list.items.filter((m) => m.face === face.id);
  const taken = sides.faces.flatMap((f) =>
    f.bars
      .filter((b) => b.assumed)
      .map((b) => ({
        id: `${f.id}-${b.id}`,
        name: b.name,
        face: f.id,
        kind: b.kind,
        u0_m: milli(b.rect[0]!),
        u1_m: milli(b.rect[1]!),
        v0_m: milli(b.rect[2]!),
        v1_m: milli(b.rect[3]!),
      })),
  );
  const [u0, u1, v0, v1] = face.rect as [number, number, number, number];
  return (
    <Slate title={face.name} sub={say(says("mm-thick-lining", { thick_mm: Math.round(face.thick_mm) }))}>
      <p className="my-1 border-l-2 border-gorse pl-2 text-[12px]">{say(CUT)}</p>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("what-lies")}</h3>
      {members == null ? (
        <>
          <p className="my-1 text-[12px] text-[#d3b6e6]">{says("nobody-looked-pillars-taken", { has_taken: Boolean(taken.length) })}</p>
          <button type="button" className="btn btn-slate" onClick={() => void setSides("members", taken, says("began-members-walls"))}>
            {says("i-looked-start-these", { has_taken: Boolean(taken.length) })}
          </button>
        </>
      ) : (
        <>
          {!mine.length && <p className="my-1 text-[12px] text-chalk-dim">{says("nothing-entered", { face: face.name.toLowerCase() })}</p>}
          {mine.map((m) => (
            <details key={m.id}>
              <summary className="cursor-pointer">{m.name}</summary>
              <Fields
                specs={[
                  words("name", says("name")),
                  choice("kind", says("is"), MEMBERS),
                  quantity("u0_m", face.id === "rear" ? says("right-edge-left-centre") : says("rear-edge"), "length", "m"),
                  quantity("u1_m", face.id === "rear" ? says("left-edge-left-centre") : says("front-edge"), "length", "m"),
                  quantity("v0_m", face.id === "floor" ? says("right-edge-left-centre") : says("lower-edge"), "length", "m"),
                  quantity("v1_m", face.id === "floor" ? says("left-edge-left-centre") : says("upper-edge"), "length", "m"),
                ]}
                item={m}
                onSet={(key, value, label) => void list.set(m, { [key]: value }, label)}
              />
              <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void list.remove(m)}>
                {says("remove")}
              </button>
            </details>
          ))}
          <button
            type="button"
            className="btn btn-slate mt-1"
            onClick={() => {
              const mid = milli((u0 + u1) / 2);
              void list.add({
                face: face.id as FaceKey,
                kind: face.id === "floor" ? "chassis_rail" : "pillar",
                name: face.id === "floor" ? says("chassis-rail") : says("pillar"),
                u0_m: face.id === "floor" ? milli(u0) : mid,
                u1_m: face.id === "floor" ? milli(u1) : milli(mid + 0.06),
                v0_m: face.id === "floor" ? 0.4 : milli(v0),
                v1_m: face.id === "floor" ? 0.5 : milli(v1),
              } as never);
            }}
          >
            {says("add-what-lies-there")}
          </button>
        </>
      )}
      {face.id === "floor" && (
        <Fields
          specs={[flag("floor_looked", says("somebody-lay-under-entered"))]}
          item={{ floor_looked: sidesDoc.floor_looked ?? false } as never}
          onSet={(_, value) => void setSides("floor_looked", value, says("looked-under-floor"))}
        />
      )}
    </Slate>
  );
}

/** Lists for the bench on paper: cable to buy, terminals, fuses with spares, and the loop test with boxes for a pen. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../data/client";
import { show } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
import { says } from "../words/print";
import { cell, Heads } from "./paper";

export function useBenchLists() {
  const { id, stamp } = useVariant();
  return useQuery({
    queryKey: ["lists", id, stamp],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/lists", { params: { path: { variant_id: id } } })),
  });
}

export function Table({ title, note, heads, rows }: { title: string; note?: string; heads: string[]; rows: (string | number | null)[][] }) {
  const say = useSaid();
  if (!rows.length) return null;
  return (
    <section className="mt-4 break-inside-avoid-page" aria-label={say(title)}>
      <h2 className="m-0 font-display text-[15px] font-semibold">{say(title)}</h2>
      {note && <p className="m-0 mb-1 text-[11px]">{note}</p>}
      <table className="w-full border-collapse text-[11px]">
        <Heads heads={heads} />
        <tbody>
          {rows.map((r) => (
            <tr key={r.join("|")}>
              {r.map((v, i) => (
                <td key={heads[i]} className={`${cell} ${typeof v === "number" ? "num text-right" : ""}`}>
                  {v}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

export function Lists() {
  const say = useSaid();
  const lists = useBenchLists();
  const { units } = usePerson();
  if (lists.error) return <p role="alert">{says("lists-could-not-fetched", { message: lists.error.message })}</p>;
  if (!lists.data) return <p role="status">{says("drawing-up-lists")}</p>;
  const d = lists.data;
  const m = (v: number | null | undefined) => show(v, "m", units);
  if (!d.labels.length) return <p>{says("no-circuit-has-cable-yet")}</p>;
  return (
    <>
      {d.open.length > 0 && <p className="my-2 border-l-4 border-[#a8391f] pl-2">{says("not-these-lists-because", { open: d.open.join(", ") })}</p>}
      <Table
        title={says("cable-buy")}
        note={say(says("one-way-lengths-spare"))}
        heads={[says("size"), says("colour"), says("needed"), says("longest-cut"), says("pack"), says("packs"), says("got")]}
        rows={d.cables.map((c) => [
          c.size,
          c.colour,
          m(c.need_m),
          m(c.longest_m),
          c.pack_m == null ? says("no-pack-long-enough") : m(c.pack_m),
          c.pack_count == null ? "" : c.pack_count,
          "",
        ])}
      />
      <Table
        title={says("terminals-lugs")}
        note={says("typical-makers-figures-win")}
        heads={[says("size"), says("kind"), says("studs"), says("strip"), says("pull-test-min"), says("number"), says("got")]}
        rows={d.terminals.map((t) => [t.size, t.kind, t.stud, say(t.strip), say(t.pull_n), t.count, ""])}
      />
      <Table
        title={says("fuses-spares")}
        note={says("blown-fuse-replaced-same")}
        heads={[says("family"), says("rating"), says("fitted"), says("spare"), says("got")]}
        rows={d.fuses.map((f) => [f.family, show(f.rating_a, "A"), f.fitted, f.spare, ""])}
      />
      <Table
        title={says("relays-their-loads")}
        note={says("worked-switch-panel-over")}
        heads={[says("code"), says("circuit"), says("contacts-least"), says("got")]}
        rows={d.relays.map((r) => [r.code, r.name, show(r.rating_a, "A"), ""])}
      />
      <Table
        title={says("raceways")}
        note={says("pull-thickest-first-grommet")}
        heads={[says("raceway"), says("made"), says("inside"), says("length"), says("circuits"), says("cables"), says("full"), says("most")]}
        rows={d.conduits.map((r) => [
          r.name,
          say(r.kind),
          say(r.inside),
          m(r.length_m),
          r.codes.join(" "),
          r.cable_count,
          r.fill_frac == null ? "" : `${Math.round(100 * r.fill_frac)} %`,
          r.limit_frac == null ? "" : `${Math.round(100 * r.limit_frac)} %`,
        ])}
      />
      <Table
        title={says("loop-test-before-main")}
        note={says("power-off-fuse-out")}
        heads={[
          says("code"),
          says("circuit"),
          says("expected-m"),
          says("from"),
          says("to"),
          says("usual-meter-resolves"),
          says("fall-design-current"),
          says("read"),
          says("verdict"),
        ]}
        rows={d.loops.map((l) => [
          l.code,
          l.name,
          Number(l.expected_mohm.toPrecision(3)),
          Number(l.low_mohm.toPrecision(3)),
          Number(l.high_mohm.toPrecision(3)),
          l.resolvable ? says("yes") : says("no"),
          show(l.loaded_drop_v, "V", "metric", 2),
          l.measured_mohm == null ? "" : Number(l.measured_mohm.toPrecision(3)),
          l.verdict ?? "",
        ])}
      />
    </>
  );
}

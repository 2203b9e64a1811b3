/** Lists for the bench on paper: cable to buy, terminals, fuses with spares, and the loop test with boxes for a pen. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../data/client";
import { show } from "../data/show";
import { useVariant } from "../data/variant";
import { usePerson, useSaid } from "../shell/person";
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
  if (lists.error) return <p role="alert">The lists could not be fetched: {lists.error.message}</p>;
  if (!lists.data) return <p role="status">Drawing up the lists…</p>;
  const d = lists.data;
  const m = (v: number | null | undefined) => show(v, "m", units);
  if (!d.labels.length) return <p>No circuit has its cable yet, so there is nothing to buy, label or test.</p>;
  return (
    <>
      {d.open.length > 0 && (
        <p className="my-2 border-l-4 border-[#a8391f] pl-2">Not in these lists, because their cable is not chosen yet: {d.open.join(", ")}.</p>
      )}
      <Table
        title="Cable to buy"
        note={say(
          "One-way lengths with 10 % to spare and 0.3 m for both ends of each conductor; whole cuts, no joints. Mains as sheathed three-core: connected by a licensed person.",
        )}
        heads={["size", "colour", "needed", "longest cut", "pack", "packs", "got"]}
        rows={d.cables.map((c) => [
          c.size,
          c.colour,
          m(c.need_m),
          m(c.longest_m),
          c.pack_m == null ? "no pack is long enough" : m(c.pack_m),
          c.pack_count == null ? "" : c.pack_count,
          "",
        ])}
      />
      <Table
        title="Terminals and lugs"
        note="Typical; the maker’s figures win. Matching crimp tool, adhesive heat-shrink over every lug, no solder."
        heads={["size", "kind", "studs", "strip", "pull test, 1 min", "number", "got"]}
        rows={d.terminals.map((t) => [t.size, t.kind, t.stud, say(t.strip), t.pull_n, t.count, ""])}
      />
      <Table
        title="Fuses and spares"
        note="A blown fuse is replaced by the same rating after finding why; never by a larger one or by foil."
        heads={["family", "rating", "fitted", "spare", "got"]}
        rows={d.fuses.map((f) => [f.family, show(f.rating_a, "A"), f.fitted, f.spare, ""])}
      />
      <Table
        title="Relays by their loads"
        note="Worked from the switch panel over a thin wire with its own 1 A fuse; a suppression diode across each coil."
        heads={["code", "circuit", "contacts, at least", "got"]}
        rows={d.relays.map((r) => [r.code, r.name, show(r.rating_a, "A"), ""])}
      />
      <Table
        title="Raceways"
        note="Pull the thickest first; a grommet at every metal hole, a gland at every wall to wet or outside."
        heads={["raceway", "made as", "inside", "length", "circuits", "cables", "full", "at most"]}
        rows={d.conduits.map((r) => [
          r.name,
          r.kind,
          say(r.inside),
          m(r.length_m),
          r.codes.join(" "),
          r.cable_count,
          r.fill_frac == null ? "" : `${Math.round(100 * r.fill_frac)} %`,
          r.limit_frac == null ? "" : `${Math.round(100 * r.limit_frac)} %`,
        ])}
      />
      <Table
        title="Loop test, before the main fuse goes in"
        note="Power off, fuse out, appliances unplugged, far ends twisted together; meter leads nulled. Where a usual ohm-meter cannot resolve the loop it only proves “not open”, and the loaded test decides: at design current no more may be lost than the last figure and a quarter. Part the far ends again afterwards."
        heads={["code", "circuit", "expected mΩ", "from", "to", "a usual meter resolves it", "fall at design current", "read", "verdict"]}
        rows={d.loops.map((l) => [
          l.code,
          l.name,
          Number(l.expected_mohm.toPrecision(3)),
          Number(l.low_mohm.toPrecision(3)),
          Number(l.high_mohm.toPrecision(3)),
          l.resolvable ? "yes" : "no",
          show(l.loaded_drop_v, "V", "metric", 2),
          l.measured_mohm == null ? "" : Number(l.measured_mohm.toPrecision(3)),
          l.verdict ?? "",
        ])}
      />
    </>
  );
}

/** A page of the book at reading size. */
import { Link } from "react-router";
import { useVariant } from "../../data/variant";
import { useSaid } from "../../shell/person";
import { says } from "../../words/handover";
import type { Page } from "./data";

export function PageView({ p }: { p: Page }) {
  const { id } = useVariant();
  const spoken = useSaid();
  // a cable's square millimetres are read as such everywhere
  const say = (text: string) => spoken(text, ["circuits", "fuses", "tests"].includes(p.id) ? "wiring" : undefined);
  return (
    <article className="mx-auto max-w-[46rem] p-5 text-[15px]" aria-label={p.title}>
      <h2 className="m-0 border-b border-peat pb-1 font-display text-[22px] font-semibold">{say(p.title)}</h2>
      {p.missing.length > 0 && (
        <ul className="my-2 list-none p-0 text-[14px] text-rust">
          {p.missing.map((m) => (
            <li key={m.text}>
              {says("missing", { text: say(m.text) })}{" "}
              <Link className="underline" to={m.to === "handover" ? `/v/${id}/handover` : `/v/${id}/${m.to}`}>
                {says("go-there")}
              </Link>
            </li>
          ))}
        </ul>
      )}
      {p.blocks.map((b, i) => {
        const key = `${b.kind}-${i}`;
        if (b.kind === "heading")
          return (
            <h3 key={key} className="mb-1 mt-4 font-display text-[16px]">
              {say(b.text ?? "")}
            </h3>
          );
        if (b.kind === "text")
          return (
            <p key={key} className="my-2">
              {say(b.text)}
            </p>
          );
        if (b.kind === "warning")
          return (
            <p key={key} className="my-2 border-l-4 border-rust pl-2 font-semibold">
              {say(b.text)}
            </p>
          );
        if (b.kind === "picture" && b.text?.startsWith("photo:"))
          return (
            <img
              key={key}
              className="my-1 max-w-full border border-line"
              src={`/api/photos/${b.text.slice(6)}?thumb=true`}
              alt={p.blocks[i + 1]?.text || says("photograph")}
            />
          );
        if (b.kind === "picture")
          return (
            <p key={key} className="my-2 text-[13px] text-dim">
              {b.text === "diagram" ? says("single-line-diagram-stands") : says("plan-side-vehicle-stand")}
            </p>
          );
        if (b.kind === "steps" || b.kind === "points") {
          const List = b.kind === "steps" ? "ol" : "ul";
          return (
            <List key={key} className={`my-1 pl-6 ${b.kind === "steps" ? "list-decimal" : "list-disc"}`}>
              {(b.items ?? []).map((x) => (
                <li key={x}>{say(x)}</li>
              ))}
            </List>
          );
        }
        return (
          <div key={key} className="my-2 overflow-x-auto">
            <table className="w-full border-collapse text-[13px]">
              <thead>
                <tr className="border-b border-line text-left text-[11px] text-dim">
                  {(b.head ?? []).map((h) => (
                    <th key={h} scope="col" className="px-1 py-0.5">
                      {say(h)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {(b.rows ?? []).map((row, r) => (
                  <tr key={r} className="border-b border-line/60 align-top">
                    {row.map((c, k) => (
                      <td key={k} className="px-1 py-0.5">
                        {say(c)}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        );
      })}
    </article>
  );
}

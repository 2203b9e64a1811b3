/** What the book is made from: where things are found, who signs, what is due. */
import { useState } from "react";
import { TextProperty } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { dayWord } from "../build/data";
import { type Book, type Page, useHandover } from "./data";

const WHERE = [
  ["battery_switch", "battery switch"],
  ["main_fuse", "main fuse"],
  ["inverter", "inverter’s switch"],
  ["shore", "mains inlet"],
  ["gas_valve", "gas valve"],
  ["water_drain", "water drain"],
  ["fuse_board", "fuse board"],
  ["extinguisher", "extinguisher"],
  ["fire_blanket", "fire blanket"],
  ["first_aid", "first aid"],
] as const;

function Sign({ paper }: { paper: Book["papers"][number] }) {
  const h = useHandover();
  const [f, setF] = useState({ name: "", licence: "", number: "" });
  const [wrong, setWrong] = useState<string | null>(null);
  if (paper.signed_by)
    return (
      <p className="my-1 text-[13px]">
        {paper.name}: signed by {paper.signed_by}, {paper.licence && `${paper.licence}, `}
        {dayWord(paper.on, true)}.{" "}
        <button type="button" className="underline" onClick={() => void h.strike(paper.id)}>
          strike it
        </button>
      </p>
    );
  const put = async () => {
    if (!f.name.trim()) return setWrong("The name of whoever signs");
    if (paper.needed && !f.licence.trim()) return setWrong("The number of the licence");
    setWrong(null);
    await h.sign(paper.id, { name: f.name.trim(), licence: f.licence.trim(), number: f.number.trim() });
  };
  return (
    <form
      className="my-2 border-l-2 border-slate-2 pl-2"
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <p className="my-0.5 text-[13px]">{paper.name}</p>
      <p className="my-0.5 text-[12px] text-chalk-dim">To be signed by {paper.by}; only what really was signed is entered.</p>
      <input
        className="field-slate w-full"
        aria-label={`${paper.system}: name`}
        placeholder="name"
        value={f.name}
        maxLength={120}
        onChange={(e) => setF({ ...f, name: e.target.value })}
      />
      <div className="mt-1 flex gap-1">
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={`${paper.system}: licence`}
          placeholder={paper.needed ? "licence" : "licence, if any"}
          value={f.licence}
          maxLength={120}
          onChange={(e) => setF({ ...f, licence: e.target.value })}
        />
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={`${paper.system}: number`}
          placeholder="number of it"
          value={f.number}
          maxLength={120}
          onChange={(e) => setF({ ...f, number: e.target.value })}
        />
        <button type="submit" className="btn btn-slate">
          Enter
        </button>
      </div>
      {wrong && (
        <span role="alert" className="text-[12px] text-[#f3b3a4]">
          {wrong}
        </span>
      )}
    </form>
  );
}

export function HandoverSlate({ b, page }: { b: Book; page: Page }) {
  const h = useHandover();
  const say = useSaid();
  const where = (h.doc.where ?? {}) as Record<string, string>;
  const due = b.care.filter((c) => c.status !== "ok");
  return (
    <Slate title={page.title} sub={`made from ${page.made_of}`}>
      {b.held_back.length > 0 && (
        <p className="my-1 border-l-2 border-rust pl-2 text-[13px]">Not to be handed over yet: {b.held_back.join("; ")}. The book can be; that system can’t.</p>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">Where it is found</h3>
      {WHERE.map(([key, word]) => (
        <TextProperty key={key} label={word} value={where[key] ?? ""} maxLength={200} onSet={(v) => void h.setWhere(key, v, `where the ${word} is`)} />
      ))}
      <p className="my-1 text-[12px] text-chalk-dim">Empty: by its place in Layout. Write it as you would tell a stranger in the dark.</p>
      {b.papers.length > 0 && <h3 className="mb-1 mt-3 font-display text-[14px]">Papers</h3>}
      {b.papers.map((p) => (
        <Sign key={`${p.id}${p.signed_by}`} paper={p} />
      ))}
      <h3 className="mb-1 mt-3 font-display text-[14px]">Maintenance</h3>
      <p className="my-1 text-[12px]">
        {due.length} of {b.care.length} are due.
      </p>
      {b.care.map((c) => (
        <div key={c.id} className="my-0.5 flex items-baseline justify-between gap-2 text-[12px]">
          <span className={c.status === "overdue" ? "text-[#f3b3a4]" : ""} title={say(c.how)}>
            {say(c.name)}
            <span className="block text-chalk-dim">
              {c.last ? `last ${dayWord(c.last, true)}, due ${dayWord(c.due, true)}` : `every ${c.every}; never done`}
            </span>
          </span>
          <button type="button" className="underline" aria-label={`${c.name}: done today`} onClick={() => void h.serve(c.id, c.name)}>
            done
          </button>
        </div>
      ))}
    </Slate>
  );
}

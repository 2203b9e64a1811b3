/** What the book is made from: where things are found, who signs, what is due. */

import { useState } from "react";
import { TextProperty } from "../../parts/Property";
import { useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { says } from "../../words/handover";
import { useDayWord } from "../build/data";
import { type Book, type Page, useHandover } from "./data";
import { Maintenance } from "./Service";
import { Signature } from "./Signature";

const WHERE = [
  ["battery_switch", says("battery-switch")],
  ["main_fuse", says("main-fuse")],
  ["inverter", says("inverters-switch")],
  ["shore", says("mains-inlet")],
  ["gas_valve", says("gas-valve")],
  ["water_drain", says("water-drain")],
  ["fuse_board", says("fuse-board")],
  ["extinguisher", says("extinguisher")],
  ["fire_blanket", says("fire-blanket")],
  ["first_aid", says("first-aid")],
] as const;

function Sign({ paper }: { paper: Book["papers"][number] }) {
  const dayWord = useDayWord();
  const say = useSaid();
  const h = useHandover();
  const [f, setF] = useState({ name: "", licence: "", number: "", signature: "" });
  const [wrong, setWrong] = useState<string | null>(null);
  if (paper.signed_by)
    return (
      <p className="my-1 text-[13px]">
        {say(
          says("signed", {
            paper: paper.name,
            signed_by: paper.signed_by,
            has_licence: Boolean(paper.licence),
            licence: paper.licence,
            on: dayWord(paper.on, true),
          }),
        )}{" "}
        <button type="button" className="underline" onClick={() => void h.strike(paper.id)}>
          {says("strike")}
        </button>
        {paper.signature && (
          <img
            className="block h-10 border border-slate-2 bg-white"
            src={`/api/photos/${paper.signature}?thumb=true`}
            alt={says("signature", { signed_by: paper.signed_by })}
          />
        )}
      </p>
    );
  const put = async () => {
    if (!f.name.trim()) return setWrong(says("name-whoever-signs"));
    if (paper.needed && !f.licence.trim()) return setWrong(say(says("number-licence")));
    setWrong(null);
    await h.sign(paper.id, { name: f.name.trim(), licence: f.licence.trim(), number: f.number.trim(), signature: f.signature });
  };
  return (
    <form
      className="my-2 border-l-2 border-slate-2 pl-2"
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <p className="my-0.5 text-[13px]">{say(paper.name)}</p>
      <p className="my-0.5 text-[12px] text-chalk-dim">{say(says("signed-only-what-really", { by: paper.by }))}</p>
      <input
        className="field-slate w-full"
        aria-label={say(says("name", { system: paper.system }))}
        placeholder={says("name-2")}
        value={f.name}
        maxLength={120}
        onChange={(e) => setF({ ...f, name: e.target.value })}
      />
      <div className="mt-1 flex gap-1">
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={say(says("licence", { system: paper.system }))}
          placeholder={say(paper.needed ? says("licence-2") : says("licence-if-any"))}
          value={f.licence}
          maxLength={120}
          onChange={(e) => setF({ ...f, licence: e.target.value })}
        />
        <input
          className="field-slate min-w-0 flex-1"
          aria-label={say(says("number", { system: paper.system }))}
          placeholder={says("number-2")}
          value={f.number}
          maxLength={120}
          onChange={(e) => setF({ ...f, number: e.target.value })}
        />
        <button type="submit" className="btn btn-slate">
          {says("enter")}
        </button>
      </div>
      <Signature who={f.name} value={f.signature} onSet={(signature) => setF({ ...f, signature })} />
      {wrong && (
        <span role="alert" className="text-[12px] text-[#f3b3a4]">
          {say(wrong)}
        </span>
      )}
    </form>
  );
}

export function HandoverSlate({ b, page }: { b: Book; page: Page }) {
  const say = useSaid();
  const h = useHandover();
  const where = (h.doc.where ?? {}) as Record<string, string>;
  // asked for where they are looked at: there may be dozens
  const manuals = page.id === "manuals" ? (page.blocks.find((x) => x.kind === "table")?.rows ?? []) : [];
  return (
    <Slate title={say(page.title)} sub={says("made", { made_of: page.made_of })}>
      {b.held_back.length > 0 && (
        <p className="my-1 border-l-2 border-rust pl-2 text-[13px]">{say(says("not-handed-over-yet", { held_back: b.held_back.join("; ") }))}</p>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("where-found")}</h3>
      {WHERE.map(([key, word]) => (
        <TextProperty key={key} label={word} value={where[key] ?? ""} maxLength={200} onSet={(v) => void h.setWhere(key, v, says("where", { word }))} />
      ))}
      <p className="my-1 text-[12px] text-chalk-dim">{says("empty-place-layout-write")}</p>
      {b.papers.length > 0 && <h3 className="mb-1 mt-3 font-display text-[14px]">{says("papers")}</h3>}
      {b.papers.map((p) => (
        <Sign key={`${p.id}${p.signed_by}`} paper={p} />
      ))}
      {manuals.length > 0 && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("manuals")}</h3>
          {manuals.map(([name]) => (
            <TextProperty
              key={name}
              label={name ?? ""}
              value={((h.doc.manuals ?? {}) as Record<string, string>)[name ?? ""] ?? ""}
              maxLength={300}
              onSet={(v) => void h.setManual(name ?? "", v)}
            />
          ))}
          <p className="my-1 text-[12px] text-chalk-dim">{says("where-folder-aboard-files")}</p>
        </>
      )}
      <Maintenance b={b} />
    </Slate>
  );
}

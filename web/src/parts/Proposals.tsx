/** What Bothy suggests: each with why and what it assumed. Taking one, some or all; what was typed stays. */
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, type Proposal, take } from "../data/client";
import { show } from "../data/show";
import { useVariant } from "../data/variant";
import { useMoney, usePerson, useSaid } from "../shell/person";
import { says } from "../words/parts";

export type Group = Proposal["group"];
const STATUS: Record<Proposal["status"], string> = {
  new: says("suggested"),
  change: says("differs-what-fitted"),
  offer: says("choice-nothing-needs"),
  fitted: says("fitted"),
  kept: says("keeping-yours"),
};

/** Groups whose square millimetres are copper. */
const COPPER: Group[] = ["inverter", "solar", "bank", "driving", "shore", "circuits", "panel", "lighting"];

/** Why a proposal is made: worked out when it is opened. */
function Why({ p }: { p: Proposal }) {
  const { id, revision, saving } = useVariant();
  const asked = useQuery({
    queryKey: ["reasons", id, revision, p.group, p.id],
    queryFn: () =>
      take(api.GET("/api/variants/{variant_id}/proposals/reasons", { params: { path: { variant_id: id }, query: { revision, group: p.group, id: p.id } } })),
    placeholderData: (old, before) => (before?.queryKey[4] === p.id ? old : undefined),
    enabled: saving === "saved",
  });
  const say = useSaid();
  const stage = COPPER.includes(p.group) ? "wiring" : "";
  if (asked.error)
    return (
      <p role="alert" className="m-0 text-rust">
        {(asked.error as Error).message}
      </p>
    );
  if (!asked.data) return <p className="m-0 text-dim">{says("working-out")}</p>;
  return (
    <>
      {asked.data.why.map((w) => (
        <p key={w} className="m-0">
          {say(w, stage)}
        </p>
      ))}
      {asked.data.assumes.map((w) => (
        <p key={w} className="m-0 text-heather">
          {says("assumed-2", { w: say(w, stage) })}
        </p>
      ))}
    </>
  );
}

function Row({ p, picked, onPick, onTake, busy }: { p: Proposal; picked: boolean; onPick: (on: boolean) => void; onTake: () => void; busy: boolean }) {
  const { money } = useMoney();
  const { units } = usePerson();
  const say = useSaid();
  const [open, setOpen] = useState(false);
  const free = p.patch.length > 0;
  const stage = COPPER.includes(p.group) ? "wiring" : "";
  return (
    <li className="border-b border-line/60 py-1">
      <div className="flex items-baseline gap-2">
        <input
          type="checkbox"
          aria-label={say(says("pick", { title: p.title }), stage)}
          disabled={!free}
          checked={free && picked}
          onChange={(e) => onPick(e.target.checked)}
        />
        <button type="button" className="flex min-w-0 flex-1 items-baseline gap-2 text-left" aria-expanded={open} onClick={() => setOpen(!open)}>
          <span className="w-56 shrink-0 truncate">{say(p.title, stage)}</span>
          <span className={`min-w-0 flex-1 truncate ${p.status === "kept" ? "text-dim" : ""}`} title={say(p.what, stage)}>
            {say(p.what, stage)}
          </span>
          <span className="shrink-0 text-[12px] text-loch underline decoration-dotted">{open ? says("less") : says("why")}</span>
        </button>
        <span className="num w-28 shrink-0 text-right text-[12px] text-dim">
          {p.price ? money(p.price) : ""} {p.mass_kg ? show(p.mass_kg, "kg", units) : ""}
        </span>
        <span className={`w-40 shrink-0 text-right text-[12px] ${free ? "" : "text-dim"}`}>{STATUS[p.status]}</span>
        <button type="button" className="btn px-2 py-0" disabled={!free || busy} aria-label={say(says("use", { title: p.title }), stage)} onClick={onTake}>
          {says("use-2")}
        </button>
      </div>
      {open && (
        <div className="py-1 pl-6 text-[13px]">
          <Why p={p} />
          {p.status === "kept" && <p className="m-0 text-dim">{says("you-typed-your-own")}</p>}
        </div>
      )}
    </li>
  );
}

export function Proposals({ groups, empty }: { groups: Group[]; empty: string }) {
  const { id, revision, saving, accept } = useVariant();
  const [picked, setPicked] = useState<Set<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const head = useRef<HTMLHeadingElement>(null);
  const list = useQuery({
    queryKey: ["proposals", id, revision],
    queryFn: () => take(api.GET("/api/variants/{variant_id}/proposals", { params: { path: { variant_id: id } } })),
    placeholderData: (old) => old,
    enabled: saving === "saved",
  });
  const mine = (list.data ?? []).filter((p) => groups.includes(p.group));
  const free = mine.filter((p) => p.patch.length > 0);
  const wanted = free.filter((p) => p.status !== "offer");
  const chosen = free.filter((p) => picked.has(p.id));
  const run = async (ids: string[] | null) => {
    setBusy(true);
    await accept(ids, groups);
    setPicked(new Set());
    setBusy(false);
    head.current?.focus(); // the button that was pressed may be gone
  };
  return (
    <section aria-label={says("bothys-proposal")} className={`px-3 py-2 ${list.isFetching ? "opacity-70" : ""}`}>
      <div className="mb-1 flex items-center gap-2">
        <h2 ref={head} tabIndex={-1} className="m-0 outline-none font-display text-[15px] font-semibold">
          {says("bothy-suggests")}
        </h2>
        <span className="flex-1" />
        {chosen.length > 0 && (
          <button type="button" className="btn" disabled={busy} onClick={() => void run(chosen.map((p) => p.id))}>
            {says("use-selected", { chosen_count: chosen.length })}
          </button>
        )}
        {wanted.length > 0 && (
          <button type="button" className="btn btn-main" disabled={busy} onClick={() => void run(null)}>
            {says("use-all", { wanted_count: wanted.length })}
          </button>
        )}
      </div>
      {list.isPending && <p role="status">{says("working-out")}</p>}
      {list.isError && (
        <p role="alert" className="text-rust">
          {(list.error as Error).message}
        </p>
      )}
      {list.data && !mine.length && <p className="m-0 text-dim">{empty}</p>}
      {list.data && mine.length > 0 && !free.length && <p className="m-0 mb-1 text-dim">{says("nothing-suggest-everything-fitted")}</p>}
      <ul className="m-0 list-none p-0 text-[13px]">
        {mine.map((p) => (
          <Row
            key={p.id}
            p={p}
            busy={busy}
            picked={picked.has(p.id)}
            onPick={(on) => setPicked((old) => (on ? new Set([...old, p.id]) : new Set([...old].filter((x) => x !== p.id))))}
            onTake={() => void run([p.id])}
          />
        ))}
      </ul>
    </section>
  );
}

/** A new line of the ledger: type a name, take it from the catalogue, or give its label's power and use. */

import { useRef, useState } from "react";
import { useCatalogue } from "../../data/catalogue";
import type { ApiError, Appliance } from "../../data/client";
import { useSaid } from "../../shell/person";
import { says } from "../../words/life";
import { readCell, useApplianceEdits } from "./edit";
import { powerText, writtenUse } from "./words";

export function AddAppliance({ onAdded, onClose }: { onAdded: (id: string) => void; onClose: () => void }) {
  const say = useSaid();
  const { add } = useApplianceEdits();
  const parts = useCatalogue();
  const [name, setName] = useState("");
  const [power, setPower] = useState("");
  const [use, setUse] = useState("");
  const [at, setAt] = useState(-1);
  const first = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const words = name.toLowerCase().split(/\s+/).filter(Boolean);
  const hits = (parts.data ?? []).filter((p) => p.fields && words.every((w) => `${p.name} ${p.maker} ${p.fields?.kind}`.toLowerCase().includes(w))).slice(0, 8);

  const takeIn = async (fields: Record<string, unknown>) => {
    const [id] = await add([fields], says("added", { fields: String(fields.name).slice(0, 60) }));
    if (!id) return;
    setName("");
    setPower("");
    setUse("");
    setAt(-1);
    setProblem(null);
    onAdded(id);
    first.current?.focus(); // the next line is typed here
  };
  const own = async () => {
    if (!name.trim()) return setProblem(says("say-what"));
    if (!power.trim()) return setProblem(says("give-power-label-example"));
    try {
      const first = await readCell("power", power, {});
      const both = use.trim() ? await readCell("use", use, first.fields as Partial<Appliance>) : first;
      await takeIn({ name: name.trim(), ...both.fields });
    } catch (e) {
      setProblem((e as ApiError).message);
    }
  };

  return (
    <form
      className="no-print border-b border-line bg-bench px-2 py-1.5"
      aria-label={says("new-appliance")}
      data-entry
      onSubmit={(e) => {
        e.preventDefault();
        const hit = hits[at];
        if (hit?.fields) void takeIn(hit.fields);
        else void own();
      }}
      onKeyDown={(e) => {
        if (e.key === "Escape") onClose();
      }}
    >
      <div className="flex flex-wrap items-center gap-2">
        <input
          ref={first}
          className="field w-56"
          aria-label={says("what")}
          aria-controls="catalogue-hits"
          placeholder={says("what-e-g-fridge")}
          // biome-ignore lint/a11y/noAutofocus: the person asked for a new line
          autoFocus
          maxLength={20000}
          value={name}
          onChange={(e) => {
            setName(e.target.value);
            setAt(-1);
          }}
          onKeyDown={(e) => {
            if (e.key === "ArrowDown") setAt(Math.min(at + 1, hits.length - 1));
            else if (e.key === "ArrowUp") setAt(Math.max(at - 1, -1));
            else return;
            e.preventDefault();
          }}
        />
        <input
          className="field num w-36"
          aria-label={says("power")}
          placeholder="60 W, 5 A @ 12 V"
          value={power}
          maxLength={200}
          onChange={(e) => setPower(e.target.value)}
        />
        <input
          className="field num w-32"
          aria-label={says("use")}
          placeholder="4 h, 30 %, 3 x 5 min"
          value={use}
          maxLength={200}
          onChange={(e) => setUse(e.target.value)}
        />
        <button type="submit" className="btn btn-main">
          {says("add")}
        </button>
        <button type="button" className="btn" onClick={onClose}>
          {says("close")}
        </button>
        {problem && (
          <span role="alert" className="text-rust">
            {problem}
          </span>
        )}
      </div>
      <ul id="catalogue-hits" className="m-0 mt-1 flex list-none flex-wrap gap-1 p-0" aria-label={say(says("catalogue"))}>
        {hits.map((h, i) => (
          <li key={h.key}>
            <button
              type="button"
              className={`border px-1.5 py-0.5 text-left text-[12px] ${i === at ? "border-peat bg-gorse/25" : "border-line bg-sheet"}`}
              aria-label={says("add-2", { name: h.name })}
              onClick={() => h.fields && void takeIn(h.fields)}
            >
              {h.name}{" "}
              <span className="num text-dim">
                {powerText(h.fields as Appliance)} · {writtenUse(h.fields as Appliance)}
              </span>
            </button>
          </li>
        ))}
        {parts.isPending && <li role="status">{say(says("fetching-catalogue"))}</li>}
        {parts.isError && (
          <li role="alert" className="text-rust">
            {say(says("catalogue-could-not-fetched"))}
          </li>
        )}
        {parts.data && !hits.length && <li className="text-[12px] text-dim">{say(says("nothing-like-catalogue-give"))}</li>}
      </ul>
    </form>
  );
}

/** A vehicle that has been in use already may be measured under power without its dead tests first, on somebody’s word. */
import { useState } from "react";
import { type Commissioning, useSteps } from "./data";

export function InService({ c }: { c: Commissioning }) {
  const steps = useSteps();
  const [open, setOpen] = useState(false);
  const [f, setF] = useState({ who: "", note: "" });
  const [wrong, setWrong] = useState<string | null>(null);
  const locked = c.rungs.some((r) => r.id === "s5" && r.state === "locked");
  if (c.in_service)
    return (
      <p className="my-2 text-[13px]">
        In use already, says {c.in_service}{" "}
        <button type="button" className="underline" onClick={() => void steps.inService(null)}>
          strike it
        </button>
      </p>
    );
  if (!locked) return null;
  if (!open)
    return (
      <button type="button" className="my-2 block text-left text-[13px] underline" onClick={() => setOpen(true)}>
        It has been in use already…
      </button>
    );
  return (
    <form
      className="my-2 border-l-2 border-gorse pl-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!f.who.trim()) return setWrong("Who says so?");
        if (f.note.trim().length < 10) return setWrong("What shows it? A few words more.");
        setWrong(null);
        void steps.inService({ who: f.who.trim(), note: f.note.trim() }).then((ok) => ok && setOpen(false));
      }}
    >
      <p className="my-1 text-[13px]">
        Then circuits, charging, water, heat and air may be measured without the dead tests first. Mains, hook-up and gas may not.
      </p>
      <input
        className="field-slate w-full"
        aria-label="Who says so"
        placeholder="your name"
        value={f.who}
        maxLength={120}
        onChange={(e) => setF({ ...f, who: e.target.value })}
      />
      <input
        className="field-slate my-1 w-full"
        aria-label="What shows it"
        placeholder="lived in since 2019, inspected in May"
        value={f.note}
        maxLength={400}
        onChange={(e) => setF({ ...f, note: e.target.value })}
      />
      <button type="submit" className="btn btn-slate">
        Say so
      </button>{" "}
      <button type="button" className="btn btn-slate" onClick={() => setOpen(false)}>
        Leave it
      </button>
      {wrong && (
        <p role="alert" className="my-1 text-[12px] text-[#f3b3a4]">
          {wrong}
        </p>
      )}
    </form>
  );
}

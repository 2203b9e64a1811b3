/** A vehicle that has been in use already may be measured under power without its dead tests first, on somebody’s word. */
import { useState } from "react";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { type Commissioning, useSteps } from "./data";

export function InService({ c }: { c: Commissioning }) {
  const say = useSaid();
  const steps = useSteps();
  const [open, setOpen] = useState(false);
  const [f, setF] = useState({ who: "", note: "" });
  const [wrong, setWrong] = useState<string | null>(null);
  const locked = c.rungs.some((r) => r.id === "s5" && r.state === "locked");
  if (c.in_service)
    return (
      <p className="my-2 text-[13px]">
        {says("use-already-says", { in_service: c.in_service })}{" "}
        <button type="button" className="underline" onClick={() => void steps.inService(null)}>
          {says("strike")}
        </button>
      </p>
    );
  if (!locked) return null;
  if (!open)
    return (
      <button type="button" className="my-2 block text-left text-[13px] underline" onClick={() => setOpen(true)}>
        {says("has-been-use-already")}
      </button>
    );
  return (
    <form
      className="my-2 border-l-2 border-gorse pl-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!f.who.trim()) return setWrong(says("who-says"));
        if (f.note.trim().length < 10) return setWrong(says("what-shows-few-words"));
        setWrong(null);
        void steps.inService({ who: f.who.trim(), note: f.note.trim() }).then((ok) => ok && setOpen(false));
      }}
    >
      <p className="my-1 text-[13px]">{say(says("then-circuits-charging-water"))}</p>
      <input
        className="field-slate w-full"
        aria-label={says("who-says-2")}
        placeholder={says("your-name")}
        value={f.who}
        maxLength={120}
        onChange={(e) => setF({ ...f, who: e.target.value })}
      />
      <input
        className="field-slate my-1 w-full"
        aria-label={says("what-shows")}
        placeholder={says("lived-since-inspected-may")}
        value={f.note}
        maxLength={400}
        onChange={(e) => setF({ ...f, note: e.target.value })}
      />
      <button type="submit" className="btn btn-slate">
        {says("say")}
      </button>{" "}
      <button type="button" className="btn btn-slate" onClick={() => setOpen(false)}>
        {says("leave")}
      </button>
      {wrong && (
        <p role="alert" className="my-1 text-[12px] text-[#f3b3a4]">
          {say(wrong)}
        </p>
      )}
    </form>
  );
}

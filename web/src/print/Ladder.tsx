/** The ladder for paper: each stage with its steps, what is right, and boxes for a pen. */
import { useSearchParams } from "react-router";
import { useSaid } from "../shell/person";
import { rightOf, STATES, useCommissioning } from "../stages/prove/data";
import { says } from "../words/print";
import { cell, Heads } from "./paper";

export function LadderSheet() {
  const made = useCommissioning();
  const say = useSaid();
  const [params, setParams] = useSearchParams();
  const only = params.get("rung") ?? "";
  if (!made.data) return <p role="status">{says("making-ladder")}</p>;
  const c = made.data;
  return (
    <>
      <label className="no-print mb-2 block">
        {says("stage")}{" "}
        <select
          className="field"
          aria-label={says("stage-print")}
          value={only}
          onChange={(e) =>
            setParams((p) => {
              if (e.target.value) p.set("rung", e.target.value);
              else p.delete("rung");
              return p;
            })
          }
        >
          <option value="">{says("all-stages")}</option>
          {c.rungs
            .filter((r) => r.total > 0)
            .map((r) => (
              <option key={r.id} value={r.id}>
                {r.id.toUpperCase()} {say(r.title, "wiring")}
              </option>
            ))}
        </select>
      </label>
      {c.rungs
        .filter((r) => r.total > 0 && (!only || r.id === only))
        .map((r) => (
          <section key={r.id} className="mb-4">
            <h2 className="mb-0 mt-3 font-display text-[15px]">
              {say(says("by-2", { to_upper_case: r.id.toUpperCase(), title: r.title, who: r.who }), "wiring")}
            </h2>
            <p className="m-0 text-[11px]">
              <strong>{say(says("stop-if", { stop: r.stop }), "wiring")}</strong>
            </p>
            <table className="w-full border-collapse text-[11px]">
              <Heads heads={[says("step-how"), says("right"), says("read"), says("verdict"), says("when")]} />
              <tbody>
                {c.steps
                  .filter((s) => s.stage === r.id)
                  .map((s) => (
                    <tr key={s.id} className="h-8 break-inside-avoid">
                      <td className={cell}>
                        <strong>{say(s.title, "wiring")}</strong>
                        <div className="text-[10px]">{say(s.how, "wiring")}</div>
                      </td>
                      <td className={`${cell} num w-32`}>{s.kind === "look" ? says("yes-no") : say(rightOf(s), "wiring")}</td>
                      <td className={`${cell} num w-28`}>{say(s.said, "wiring")}</td>
                      <td className={`${cell} w-20`}>{s.state === "open" || s.state === "locked" ? "" : STATES[s.state]}</td>
                      <td className={`${cell} w-28`}>{[s.by, s.on].filter(Boolean).join(", ")}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
            {c.steps.some((s) => s.stage === r.id && s.licensed) && (
              <p className="mt-1 text-[11px]">{says("name-date-signature", { licence: say(says("licence")) })}</p>
            )}
          </section>
        ))}
    </>
  );
}

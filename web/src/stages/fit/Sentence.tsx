/** Layout and weight in one sentence, each bold value with its figure or its view. */
import { show } from "../../data/show";
import { Fig } from "../../parts/Fig";
import { usePerson } from "../../shell/person";
import { useStageView } from "../../shell/views";
import { says } from "../../words/fit";
import { useFit } from "./data";
import { VIEWS } from "./words";

export function Sentence() {
  const { part, report } = useFit();
  const { units } = usePerson();
  const { turnTo } = useStageView(VIEWS);
  const w = part.weight;
  const worst = w.loadings.find((l) => l.id === w.worst) ?? w.loadings[0];
  const blocked = part.out.filter((o) => !o.finished);
  const link = (view: keyof typeof VIEWS, words: string) => (
    <button
      type="button"
      className="border-0 bg-transparent p-0 font-semibold underline decoration-gorse decoration-2 underline-offset-4"
      onClick={() => turnTo(view)}
    >
      {words}
    </button>
  );
  const rear = worst?.rear_kg != null && w.rear_limit_kg && part.body.kind === "axles" ? Math.round((100 * worst.rear_kg) / w.rear_limit_kg) : null;
  const clashes = report.findings.filter((f) => f.stage === "fit" && (f.severity === "danger" || f.severity === "fault")).length;
  return (
    <>
      {link("places", says("of", { placed: part.placed, things_count: part.things.length }))} {says("things-placed-2")}
      {part.cable_m > 0 && (
        <>
          ; {link("ways", says("cables", { cable_m: show(part.cable_m, "m", units) }))} {says("along-their-ways")}
        </>
      )}
      {worst && w.gross_limit_kg != null && (
        <>
          ; {worst.name.toLowerCase()}, <Fig k={`fit/loading/${worst.id}/payload_left_kg` as never} /> {says("left")}
          {rear != null && (
            <>
              {" "}
              {says("rear-axle-3")} {link("weight", `${rear} %`)}
            </>
          )}
        </>
      )}
      {worst?.nose_frac != null && (
        <>
          {says("with")} {link("weight", `${(100 * worst.nose_frac).toFixed(1)} %`)} {says("ball")}
        </>
      )}
      {part.out.length > 0 && (
        <>
          ;{" "}
          {link(
            "out",
            blocked.length
              ? blocked.length === 1
                ? says("one-thing-doesnt-come")
                : says("dont-come-out-again", { blocked_count: blocked.length })
              : says("all-comes-out-again"),
          )}
        </>
      )}
      {clashes > 0 && <>{says("put-right-2", { clashes })}</>}.
    </>
  );
}

/** A stage that is not built yet, plainly said. */
import { Link, useParams } from "react-router";
import { STAGES } from "../../shell/stages";
import { says } from "../../words/later";

export function Component() {
  const { stage, variantId } = useParams();
  const known = STAGES.find((s) => s.id === stage);
  return (
    <main className="flex-1 p-8" aria-label={known?.word ?? says("unknown-stage")}>
      <h1 className="m-0 font-display text-2xl font-semibold">{known?.word ?? says("there-no-such-stage")}</h1>
      {known && <p className="text-[16px]">“{known.question}”</p>}
      <p className="max-w-xl text-dim">
        {says("stage-not-built-yet", { has_known: Boolean(known) })}{" "}
        {STAGES.filter((s) => s.page).map((s, i) => (
          <span key={s.id}>
            {i > 0 && ", "}
            <Link className="text-loch underline" to={`/v/${variantId}/${s.id}`}>
              {s.word}
            </Link>
          </span>
        ))}
        .
      </p>
    </main>
  );
}

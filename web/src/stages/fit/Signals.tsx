/** Signal cables between things: senders, displays, networks, aerials; each gets its way as a circuit does. */
import { useState } from "react";
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { freshId } from "../../data/patch";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { ChoiceProperty } from "../../parts/Property";
import { Unfold } from "../../parts/Unfold";
import { says } from "../../words/fit";
import { useFit } from "./data";
import { SIGNALS } from "./words";

type Line = Schemas["SignalLine"] & { name: string };

export function Signals() {
  const fit = useFit();
  const list = useItems<Line>("/fit/signals", (fit.doc.signals ?? []) as Line[], says("signal-cable"));
  const [open, setOpen] = useState<string | null>(null);
  const usual = fit.part.usual_signals;
  const ends = fit.part.things.filter((t) => !["seat", "loose", "removed"].includes(t.kind)).map((t) => ({ value: t.key, word: t.name }));
  const addUsual = () => {
    const ids = list.items.map((s) => s.id);
    const ops = usual.map((u) => {
      const id = freshId(u.name, ids);
      ids.push(id);
      return { op: "add" as const, path: "/fit/signals/-", value: { ...u, id, length_m: null, by: "proposal" } };
    });
    void fit.edit(ops, says("added-signal-cable-signal", { usual_count: usual.length }));
  };
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("signal-cables")}</h3>
      {!list.items.length && <p className="my-1 text-[12px] text-chalk-dim">{says("none-yet-senders-tanks")}</p>}
      <Unfold items={list.items} remove={says("remove-cable")} onRemove={(x) => void list.remove(x)} open={open} onOpen={setOpen}>
        {(s) => (
          <>
            <Fields
              specs={[
                words("name", says("name")),
                choice("kind", says("is"), SIGNALS),
                flag("screened", says("screened")),
                quantity("length_m", says("length"), "length", "m", { clearable: true, placeholder: says("way-2") }),
              ]}
              item={s}
              onSet={(key, value, label) => void list.set(s, { [key]: value }, label)}
            />
            <ChoiceProperty
              label={says("from")}
              value={s.a}
              options={ends.filter((e) => e.value !== s.b)}
              onSet={(a) => void list.set(s, { a }, says("begins-elsewhere"))}
            />
            <ChoiceProperty
              label={says("to")}
              value={s.b}
              options={ends.filter((e) => e.value !== s.a)}
              onSet={(b) => void list.set(s, { b }, says("ends-elsewhere"))}
            />
          </>
        )}
      </Unfold>
      <div className="my-1 flex flex-wrap gap-2">
        {usual.length > 0 && (
          <button type="button" className="btn btn-slate" title={usual.map((u) => u.name).join(", ")} onClick={addUsual}>
            {says("add-usual", { usual_count: usual.length })}
          </button>
        )}
        {ends.length > 1 && (
          <button
            type="button"
            className="btn btn-slate"
            onClick={async () =>
              setOpen(await list.add({ kind: "sensor", a: ends[0]!.value, b: ends[1]!.value, screened: false, length_m: null, by: "typed" }))
            }
          >
            {says("add-signal-cable")}
          </button>
        )}
      </div>
    </>
  );
}

/** Signal cables between things: senders, displays, networks, aerials; each gets its way as a circuit does. */
import { useState } from "react";
import type { Schemas } from "../../data/client";
import { useItems } from "../../data/items";
import { freshId } from "../../data/patch";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { ChoiceProperty } from "../../parts/Property";
import { Unfold } from "../../parts/Unfold";
import { useFit } from "./data";
import { SIGNALS } from "./words";

type Line = Schemas["SignalLine"] & { name: string };

export function Signals() {
  const fit = useFit();
  const list = useItems<Line>("/fit/signals", (fit.doc.signals ?? []) as Line[], "Signal cable");
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
    void fit.edit(ops, `added ${usual.length === 1 ? "a signal cable" : `${usual.length} signal cables`}`);
  };
  return (
    <>
      <h3 className="mb-1 mt-3 font-display text-[14px]">Signal cables</h3>
      {!list.items.length && <p className="my-1 text-[12px] text-chalk-dim">None yet: senders of tanks, the shunt, displays, networks and aerials.</p>}
      <Unfold items={list.items} remove="remove this cable" onRemove={(x) => void list.remove(x)} open={open} onOpen={setOpen}>
        {(s) => (
          <>
            <Fields
              specs={[
                words("name", "name"),
                choice("kind", "is", SIGNALS),
                flag("screened", "screened"),
                quantity("length_m", "length", "length", "m", { clearable: true, placeholder: "by its way" }),
              ]}
              item={s}
              onSet={(key, value, label) => void list.set(s, { [key]: value }, label)}
            />
            <ChoiceProperty label="from" value={s.a} options={ends.filter((e) => e.value !== s.b)} onSet={(a) => void list.set(s, { a }, "begins elsewhere")} />
            <ChoiceProperty label="to" value={s.b} options={ends.filter((e) => e.value !== s.a)} onSet={(b) => void list.set(s, { b }, "ends elsewhere")} />
          </>
        )}
      </Unfold>
      <div className="my-1 flex flex-wrap gap-2">
        {usual.length > 0 && (
          <button type="button" className="btn btn-slate" title={usual.map((u) => u.name).join(", ")} onClick={addUsual}>
            Add the usual {usual.length}
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
            Add a signal cable
          </button>
        )}
      </div>
    </>
  );
}

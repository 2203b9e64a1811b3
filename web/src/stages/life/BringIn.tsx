/** Appliances from a file or the clipboard: what was understood, line by line, before anything changes. */
import { useEffect, useRef, useState } from "react";
import { type ApiError, api, type Schemas, take } from "../../data/client";
import { useApplianceEdits } from "./edit";

type Preview = Schemas["Preview"];
const SEPARATORS: Record<string, string> = { "\t": "tab", ";": "semicolon", ",": "comma", "|": "bar" };

export function BringIn({ first, onClose, onAdded }: { first: string; onClose: () => void; onAdded: (id: string) => void }) {
  const { add } = useApplianceEdits();
  const [text, setText] = useState(first);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);

  useEffect(() => {
    if (!text) return;
    let live = true;
    const timer = setTimeout(() => {
      setBusy(true);
      take(api.POST("/api/appliances/preview", { body: { text } }))
        .then(
          (p) => {
            if (!live) return;
            setPreview(p);
            setProblem(null);
          },
          (e: ApiError) => {
            if (!live) return;
            setPreview(null);
            setProblem(e.message);
          },
        )
        .finally(() => live && setBusy(false));
    }, 150);
    return () => {
      live = false;
      clearTimeout(timer);
    };
  }, [text]);

  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    if (chosen.size > 2_000_000) return setProblem(`${chosen.name} has ${(chosen.size / 1e6).toFixed(1)} MB; an appliance list has at most 2 MB.`);
    const read = await chosen.text();
    if (!read.trim()) {
      setPreview(null);
      setProblem(`${chosen.name} is empty; it needs a line of column names and a line for each appliance.`);
    } else setText(read);
    if (file.current) file.current.value = "";
  };
  const bring = async () => {
    const fields = preview?.lines.flatMap((l) => (l.appliance ? [l.appliance as Record<string, unknown>] : [])) ?? [];
    const ids = await add(fields, `brought in ${fields.length} appliances`);
    if (ids[0]) {
      onAdded(ids[0]);
      onClose();
    }
  };

  return (
    <section aria-label="Bring in appliances" className="p-3">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <strong>Bring in appliances</strong>
        <button type="button" className="btn" onClick={() => file.current?.click()}>
          Choose a CSV file…
        </button>
        <input
          ref={file}
          type="file"
          accept=".csv,.txt,.tsv,text/*"
          className="sr-only"
          tabIndex={-1}
          aria-label="Appliance file"
          onChange={(e) => void choose(e.target.files?.[0])}
        />
        <span className="text-dim">or paste the cells of a spreadsheet, with a line of column names:</span>
        <span className="flex-1" />
        <button type="button" className="btn" onClick={onClose}>
          Leave it
        </button>
        <button type="button" className="btn btn-main" disabled={!preview?.taken} onClick={() => void bring()}>
          {preview ? `Add ${preview.taken} appliances${preview.wrong ? `, leave out ${preview.wrong}` : ""}` : "Add"}
        </button>
      </div>
      <textarea
        className="field num h-24 w-full text-[12px]"
        aria-label="Table of appliances"
        // biome-ignore lint/a11y/noAutofocus: the person asked to paste here
        autoFocus
        placeholder={"name;power;use\nFridge;45 W;30 %\nLights;3 x 4 W … one appliance a line"}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {busy && <p role="status">Reading…</p>}
      {problem && (
        <p role="alert" className="text-rust">
          {problem}
        </p>
      )}
      {preview && (
        <>
          <p className="my-1 text-dim">
            Separated by {SEPARATORS[preview.separator] ?? preview.separator}. Understood columns:{" "}
            {Object.entries(preview.columns)
              .map(([field, heading]) => `${heading} → ${field}`)
              .join(", ")}
            .{preview.ignored_columns.length > 0 && ` Left aside: ${preview.ignored_columns.join(", ")}.`}
          </p>
          <table className="w-full border-collapse text-[12px]" aria-label="What was understood">
            <tbody>
              {preview.lines.map((l) => (
                <tr key={l.number} className={`border-b border-line/60 ${l.status === "wrong" ? "text-rust" : ""}`}>
                  <td className="num w-12 pr-2 text-right text-dim">{l.number}</td>
                  <td className="w-20">{l.status}</td>
                  <td className="break-words">{l.status === "wrong" ? `${l.problem} (line: ${l.text})` : l.understood}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  );
}

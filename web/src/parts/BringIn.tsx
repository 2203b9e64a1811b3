/** Lines of a table from a file or the clipboard: what was understood, line by line, before anything changes. */
import { useEffect, useRef, useState } from "react";
import { type ApiError, take } from "../data/client";
import { says } from "../words/parts";

/** What the core made of a table; each line is taken or says what is wrong. */
export type Understood<Line> = {
  separator: string;
  columns: Record<string, string>;
  ignored_columns: string[];
  lines: (Line & { number: number; status: string; text: string; understood: string; problem: string | null; mains?: boolean | null })[];
  taken: number;
  wrong: number;
  /** Columns that have to be told before a line can be read. */
  asks?: string[];
};
/** What the person says of columns and lines that the table leaves open. */
export type Said = { columns: Record<string, string>; lines: Record<string, boolean> };
/** What the things on the lines are called, for a number of them. */
const THINGS = {
  appliances: (n: number) => says("appliances", { n }),
  circuits: (n: number) => says("circuits", { n }),
  legs: (n: number) => says("legs", { n }),
  places: (n: number) => says("places", { n }),
  quotes: (n: number) => says("quotes", { n }),
};
type Props<Line> = {
  things: keyof typeof THINGS;
  example: string;
  first: string;
  read: (text: string, said?: Said) => Promise<Understood<Line>>;
  /** What a column that was not understood may be said to hold. */
  fields?: string[];
  /** What is asked of a line that leaves it open, with yes or no. */
  asked?: string;
  /** Takes the lines over; false keeps the table open. */
  bring: (lines: Line[]) => Promise<boolean>;
  onClose: () => void;
  /** Files that may be chosen, and how large they may be. */
  accept?: string;
  kinds?: string;
  mostBytes?: number;
};
const SEPARATORS: Record<string, string> = { "\t": says("tab"), ";": says("semicolon"), ",": says("comma"), "|": says("bar"), track: says("points-track") };
const MOST_BYTES = 2_000_000;

/** A file as text: a workbook is read by the server, anything else is text. */
async function textOf(file: File): Promise<string> {
  if (!/\.xlsx$/i.test(file.name)) return file.text();
  const response = globalThis.fetch("/api/table/xlsx", { method: "POST", body: file, headers: { "content-type": "application/octet-stream" } });
  const read = response.then(async (r) => {
    const body = await r.json().catch(() => ({}));
    return { response: r, data: r.ok ? (body as { text: string }) : undefined, error: body };
  });
  return (await take(read)).text;
}

export function BringIn<Line>({
  things,
  example,
  first,
  read,
  bring,
  onClose,
  fields,
  asked,
  accept,
  kinds = says("csv-xlsx"),
  mostBytes = MOST_BYTES,
}: Props<Line>) {
  const items = THINGS[things](2);
  const [text, setText] = useState(first);
  const [preview, setPreview] = useState<Understood<Line> | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<Said>({ columns: {}, lines: {} });
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const reader = useRef(read);
  reader.current = read;

  useEffect(() => {
    if (!text) return;
    let live = true;
    const timer = setTimeout(() => {
      setBusy(true);
      reader
        .current(text, said)
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
  }, [text, said]);

  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    if (file.current) file.current.value = "";
    const fail = (why: string) => {
      setPreview(null);
      setProblem(why);
    };
    if (chosen.size > mostBytes)
      return fail(says("has-mb-list-has", { chosen: chosen.name, chosen_count: chosen.size / 1e6, items, most_bytes: mostBytes / 1e6 }));
    try {
      const found = await textOf(chosen);
      if (found.trim()) setText(found);
      else fail(says("empty-needs-line-column", { chosen: chosen.name, items }));
    } catch (e) {
      fail((e as Error).message);
    }
  };
  const takeOver = async () => {
    if (preview && (await bring(preview.lines.filter((l) => l.status === "taken")))) onClose();
  };

  return (
    <section aria-label={says("import", { items })} className="p-3">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <strong>{says("import", { items })}</strong>
        <button type="button" className="btn" onClick={() => file.current?.click()}>
          {says("choose-file", { kinds })}
        </button>
        <input
          ref={file}
          type="file"
          accept={accept ?? ".csv,.txt,.tsv,.xlsx,text/*"}
          className="sr-only"
          tabIndex={-1}
          aria-label={says("file", { items })}
          onChange={(e) => void choose(e.target.files?.[0])}
        />
        <span className="text-dim">{says("paste-cells-spreadsheet-line")}</span>
        <span className="flex-1" />
        <button type="button" className="btn" onClick={onClose}>
          {says("leave")}
        </button>
        <button type="button" className="btn btn-main" disabled={!preview?.taken} onClick={() => void takeOver()}>
          {preview
            ? says("import-leave-out", { taken: preview.taken, items: THINGS[things](preview.taken), has_wrong: Boolean(preview.wrong), wrong: preview.wrong })
            : says("import-2")}
        </button>
      </div>
      <textarea
        className="field num h-24 w-full text-[12px]"
        aria-label={says("table", { items })}
        // biome-ignore lint/a11y/noAutofocus: the person asked to paste here
        autoFocus
        placeholder={example}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {busy && <p role="status">{says("reading")}</p>}
      {problem && (
        <p role="alert" className="text-rust">
          {problem}
        </p>
      )}
      {preview && (
        <>
          <p className="my-1 text-dim">
            {preview.separator === "track"
              ? says("days-track")
              : says("separated-understood-columns", { separator: SEPARATORS[preview.separator] ?? preview.separator })}
            {preview.separator !== "track" &&
              `${Object.entries(preview.columns)
                .map(([field, heading]) => `${heading} → ${field}`)
                .join(", ")}.`}
            {preview.ignored_columns.length > 0 && says("left-aside", { ignored_columns: preview.ignored_columns.join(", ") })}
          </p>
          {preview.asks && preview.asks.length > 0 && (
            <p role="alert" className="my-1 text-rust">
              {says("say-which-column-holds", { asks: preview.asks.join(says("which")) })}
            </p>
          )}
          {fields && preview.ignored_columns.length > 0 && (
            <p className="my-1 flex flex-wrap gap-3">
              {preview.ignored_columns.map((heading) => (
                <label key={heading} className="flex items-center gap-1">
                  {says("is", { heading })}
                  <select className="field" value="" onChange={(e) => setSaid((now) => ({ ...now, columns: { ...now.columns, [heading]: e.target.value } }))}>
                    <option value="">{says("left-aside-2")}</option>
                    {fields
                      .filter((f) => !(f in preview.columns))
                      .map((f) => (
                        <option key={f}>{f}</option>
                      ))}
                  </select>
                </label>
              ))}
            </p>
          )}
          <table className="w-full border-collapse text-[12px]" aria-label={says("what-was-understood")}>
            <tbody>
              {preview.lines.map((l) => (
                <tr key={l.number} className={`border-b border-line/60 ${l.status === "wrong" ? "text-rust" : ""}`}>
                  <td className="num w-12 pr-2 text-right text-dim">{l.number}</td>
                  <td className="w-20">{l.status}</td>
                  <td className="break-words">
                    {l.status === "wrong" ? says("line", { problem: l.problem ?? "", text: l.text }) : l.understood}
                    {asked && l.mains !== null && l.mains !== undefined && (
                      <label className="ml-2 whitespace-nowrap text-heather">
                        <input
                          type="checkbox"
                          checked={l.mains}
                          onChange={(e) => setSaid((now) => ({ ...now, lines: { ...now.lines, [l.number]: e.target.checked } }))}
                        />{" "}
                        {asked}
                      </label>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  );
}

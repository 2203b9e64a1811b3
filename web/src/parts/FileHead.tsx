/** The head of a page that brings a file in: choose it, leave it, take it. The file is read as text and checked for its size first. */
import { type ReactNode, useRef, useState } from "react";
import { says } from "../words/parts";

type Props = {
  title: string;
  /** What the button asks for: "a CSV file". */
  kinds: string;
  accept: string;
  /** Accessible name of the file field, and the thing in words: "a log". */
  label: string;
  item: string;
  mostBytes: number;
  hint: string;
  take: { word: string; ready: boolean; run: () => void };
  onText: (text: string, name: string) => void;
  onClose: () => void;
  /** Reading goes on, and what went wrong with it. */
  busy: boolean;
  problem?: string;
  children: ReactNode;
};

export function FileHead({ title, kinds, accept, label, item, mostBytes, hint, take, onText, onClose, busy, problem, children }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const [large, setLarge] = useState<string | null>(null);
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    if (file.current) file.current.value = "";
    const size = (chosen.size / 1e6).toFixed(1);
    if (chosen.size > mostBytes) return setLarge(says("has-mb-has-most", { chosen: chosen.name, size, item, most_bytes: mostBytes / 1e6 }));
    setLarge(null);
    onText(await chosen.text(), chosen.name);
  };
  return (
    <section aria-label={title} className="p-3">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <strong>{title}</strong>
        {/* biome-ignore lint/a11y/noAutofocus: the person asked for it */}
        <button type="button" className="btn" autoFocus onClick={() => file.current?.click()}>
          {says("choose", { kinds })}
        </button>
        <input ref={file} type="file" accept={accept} className="sr-only" tabIndex={-1} aria-label={label} onChange={(e) => void choose(e.target.files?.[0])} />
        <span className="text-dim">{hint}</span>
        <span className="flex-1" />
        <button type="button" className="btn" onClick={onClose}>
          {says("leave")}
        </button>
        <button type="button" className="btn btn-main" disabled={!take.ready} onClick={take.run}>
          {take.word}
        </button>
      </div>
      {busy && <p role="status">{says("reading")}</p>}
      {(large ?? problem) && (
        <p role="alert" className="text-rust">
          {large ?? problem}
        </p>
      )}
      {children}
    </section>
  );
}

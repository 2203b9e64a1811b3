/** Photographs of a thing: taken or chosen, scaled here, kept once by their hash; each is a fact that stays. */
import { useRef, useState } from "react";
import { type PatchOp, type Schemas, sendBytes } from "../data/client";
import { freshId } from "../data/patch";
import { useVariant } from "../data/variant";
import { says } from "../words/parts";
import { keepAll } from "./manyPhotos";

const LONGEST = 1600;
const MOST_BYTES = 400_000;
const SHOWN = 12;
type Item = Schemas["PhotoItem"];

/** A picture at most 1 600 px long and 400 kB, upright; null where this browser can't read it, the server then tries. */
export async function scaled(file: File): Promise<Blob | null> {
  try {
    const image = await createImageBitmap(file, { imageOrientation: "from-image" });
    const part = Math.min(1, LONGEST / Math.max(image.width, image.height));
    const canvas = document.createElement("canvas");
    canvas.width = Math.max(1, Math.round(image.width * part));
    canvas.height = Math.max(1, Math.round(image.height * part));
    canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
    image.close();
    for (const quality of [0.85, 0.7, 0.55, 0.4]) {
      const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", quality));
      if (!blob || blob.size <= MOST_BYTES || quality === 0.4) return blob;
    }
    return null;
  } catch {
    return null;
  }
}

/** Have the server keep a picture; throws with what is wrong with it. */
export const kept = (body: Blob, name: string) =>
  sendBytes<Item>("/api/photos", body, "image/jpeg", says("wasnt-taken")).catch((e: Error) => {
    throw new Error(`${name} ${e.message}`);
  });

const sent = async (file: File) => kept((await scaled(file)) ?? file, file.name);

const today = () => new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10);

export function Photos({ subject, zone = "", name, big }: { subject: string; zone?: string; name: string; big?: boolean }) {
  const { design, edit } = useVariant();
  const all = design.facts?.photos ?? [];
  const mine = all.filter((p) => p.subject === subject);
  const pick = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string[]>([]);
  const [whole, setWhole] = useState(false);
  const stop = useRef(false);
  const take = async (files: FileList | null) => {
    if (!files?.length) return;
    stop.current = false;
    const ids = all.map((p) => p.id!);
    const record = (made: Item[]) =>
      edit(
        made.map((m): PatchOp => {
          const id = freshId(`photo-${m.sha256.slice(0, 10)}`, ids);
          ids.push(id);
          return { op: "add", path: "/facts/photos/-", value: { id, sha256: m.sha256, subject, zone, on: today(), width: m.width, height: m.height } };
        }),
        says("photographed", { name }),
      );
    const no = await keepAll(
      [...files],
      mine.map((p) => p.sha256),
      { send: sent, record, stopped: () => stop.current, at: (n) => setBusy(`${n} of ${files.length}`) },
    );
    setBusy(null);
    setWrong(no);
    if (pick.current) pick.current.value = "";
  };
  const strike = (id: string) => {
    const i = all.findIndex((p) => p.id === id);
    if (i >= 0) void edit([{ op: "remove", path: `/facts/photos/${i}` }], says("struck-photograph", { name }));
  };
  return (
    <div className="my-1">
      {mine.length > 0 && (
        <ul className="m-0 flex list-none flex-wrap gap-1 p-0" aria-label={says("photographs", { name })}>
          {(whole ? mine : mine.slice(-SHOWN)).map((p) => (
            <li key={p.id} className="relative">
              <a href={`/api/photos/${p.sha256}`} target="_blank" rel="noreferrer">
                <img className="h-16 border border-line object-cover" src={`/api/photos/${p.sha256}?thumb=true`} alt={p.note || `${name}, ${p.on}`} />
              </a>
              <button
                type="button"
                className="absolute right-0 top-0 h-6 w-6 border border-line bg-sheet text-peat"
                aria-label={says("strike-photograph", { name })}
                onClick={() => strike(p.id!)}
              >
                ×
              </button>
            </li>
          ))}
        </ul>
      )}
      {mine.length > SHOWN && (
        <button type="button" className={`${big ? "min-h-11 " : ""}text-[12px] underline`} onClick={() => setWhole(!whole)}>
          {whole ? says("only-last", { shown: SHOWN }) : says("all", { mine_count: mine.length })}
        </button>
      )}
      <input
        ref={pick}
        type="file"
        accept="image/*"
        capture={big ? "environment" : undefined}
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label={says("photograph", { name })}
        onChange={(e) => void take(e.target.files)}
      />
      <button type="button" className={big ? "btn min-h-11" : "text-[12px] underline"} disabled={busy != null} onClick={() => pick.current?.click()}>
        {busy ? says("keeping", { busy }) : mine.length ? says("another-photograph") : says("add-photograph")}
      </button>
      {busy && (
        <button type="button" className="ml-2 text-[12px] underline" onClick={() => (stop.current = true)}>
          {says("stop")}
        </button>
      )}
      {wrong.slice(0, 5).map((w, i) => (
        <p key={`${i}-${w}`} role="alert" className="m-0 text-[12px]">
          {w}
        </p>
      ))}
      {wrong.length > 5 && <p className="m-0 text-[12px]">{says("more-werent-taken", { wrong_count: wrong.length - 5 })}</p>}
    </div>
  );
}

/** What can be taken away from a stage: files at once, PDF when it is ready, pages to print. */
import { DropdownMenu } from "radix-ui";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { useVariant } from "../data/variant";
import { usePerson } from "../shell/person";
import { says } from "../words/parts";

export type Export = { word: string; file: string } | { word: string; pdf: string } | { word: string; page: string };

const ITEM = "cursor-pointer px-3 py-1 data-[highlighted]:bg-gorse/25";

function save(name: string, data: Blob) {
  const url = URL.createObjectURL(data);
  const link = Object.assign(document.createElement("a"), { href: url, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

export function Exports({ items }: { items: Export[] }) {
  const { id, projectName } = useVariant();
  const { units } = usePerson();
  const [making, setMaking] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const go = useNavigate();

  const pdf = async (word: string, kind: string) => {
    stop.current = new AbortController();
    setMaking(word);
    setTrouble(null);
    try {
      const answer = await globalThis.fetch(`/api/variants/${id}/paper/${kind}.pdf?units=${units}`, { signal: stop.current.signal });
      if (answer.ok) save(`${projectName} ${kind}.pdf`, await answer.blob());
      else
        setTrouble(
          ((await answer.json().catch(() => null)) as { error?: { message?: string } } | null)?.error?.message ??
            says("server-answered", { status: answer.status }),
        );
    } catch (e) {
      if ((e as Error).name !== "AbortError") setTrouble(says("bothy-does-not-answer"));
    }
    setMaking(null);
  };
  const take = (x: Export) => {
    if ("pdf" in x) void pdf(x.word, x.pdf);
    else if ("page" in x) void go(`/v/${id}/print/${x.page}`);
    else Object.assign(document.createElement("a"), { href: `/api/variants/${id}/export/${x.file}?units=${units}`, download: "" }).click();
  };
  return (
    <span className="flex items-center gap-2">
      {trouble && (
        <span role="alert" className="text-rust">
          {trouble}
        </span>
      )}
      {making && (
        <span role="status" className="flex items-center gap-2 text-[12px]">
          {says("making", { making })}
          <button type="button" className="underline" onClick={() => stop.current?.abort()}>
            {says("cancel")}
          </button>
        </span>
      )}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="btn">{says("export")}</DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" className="z-50 border border-peat bg-sheet py-1 text-peat">
            {items.map((x) => (
              <DropdownMenu.Item key={x.word} onSelect={() => take(x)} className={ITEM} disabled={"pdf" in x && making !== null}>
                {x.word}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </span>
  );
}

/** A field that takes what people write ("5A @ 12 V", "1,2 kW", "1/2 in"), shows what was understood, and refuses the rest in place. */
import { useCallback, useEffect, useId, useRef, useState } from "react";
import { ApiError, api, take } from "../data/client";
import { show, unitFor } from "../data/show";
import { type Dimension, parseQuantity, type Understood } from "../data/units";
import { usePerson } from "../shell/person";
import { says } from "../words/parts";

export type { Understood };

/** What the core understands of a text, and what is understood here while it is away; throws ApiError with what would be understood. */
export async function understand(text: string, dimension: Dimension, unit?: string): Promise<Understood> {
  try {
    return await take(api.POST("/api/quantity", { body: { text, dimension, default_unit: unit ?? null } }));
  } catch (e) {
    if (!(e instanceof ApiError) || !e.unreachable) throw e;
    try {
      return parseQuantity(text, dimension, unit);
    } catch (no) {
      throw new ApiError(422, "text", (no as Error).message);
    }
  }
}

type Common = {
  label: string;
  /** After Enter, Escape or leaving the field; not after Tab where onNext is given. */
  onClose?: () => void;
  onNext?: (back: boolean) => void;
  clearable?: boolean;
  slate?: boolean;
  autoFocus?: boolean;
  className?: string;
  width?: string;
  placeholder?: string;
  /** What was typed before the field opened: it stands in it in place of the old text. */
  begin?: string;
};
type WrittenProps<T> = Common & {
  text: string;
  read: (text: string) => Promise<T>;
  onCommit: (read: T | null) => unknown;
  /** Called with what is understood while it is typed. */
  onLive?: (read: T | null) => unknown;
  /** Whether something is typed that isn't taken over yet. */
  onTyping?: (typing: boolean) => unknown;
};

/** A text that the core reads: what was understood stands beside it while typing; what was not is refused in place. */
export function Written<T extends { understood: string }>(p: WrittenProps<T>) {
  const { text: shown, read, label, onCommit, onClose, onNext, clearable, onTyping } = p;
  const live = useRef(p.onLive);
  live.current = p.onLive;
  const [draft, setDraft] = useState<string | null>(p.begin ?? null);
  const [hint, setHint] = useState<{ ok: boolean; text: string } | null>(null);
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const leaving = useRef(false);

  useEffect(() => {
    if (p.autoFocus) {
      field.current?.focus();
      if (p.begin === undefined) field.current?.select();
    }
  }, [p.autoFocus, p.begin]);

  useEffect(() => {
    if (draft === null || draft.trim() === "" || draft === shown) {
      setHint(null);
      return;
    }
    let current = true;
    const timer = setTimeout(() => {
      read(draft).then(
        (q) => {
          if (!current) return;
          setHint({ ok: true, text: q.understood });
          live.current?.(q);
          onTyping?.(false);
        },
        (e: ApiError) => current && setHint({ ok: false, text: e.message }),
      );
    }, 120);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [draft, read, shown, onTyping]);

  /** What is typed is said once, though Enter and the loss of the focus may both come before the next drawing. */
  const said = useRef<{ draft: string; done: Promise<boolean> } | null>(null);
  const commit = (): Promise<boolean> => {
    if (draft !== null && said.current?.draft === draft) return said.current.done;
    const done = say().then((ok) => {
      if (!ok) said.current = null;
      return ok;
    });
    if (draft !== null) said.current = { draft, done };
    return done;
  };
  const say = async (): Promise<boolean> => {
    onTyping?.(false);
    if (draft === null || draft.trim() === shown.trim()) {
      setDraft(null);
      return true;
    }
    if (draft.trim() === "") {
      if (!clearable) {
        setHint({ ok: false, text: says("write-value-press-escape") });
        return false;
      }
      setDraft(null);
      await onCommit(null);
      return true;
    }
    try {
      const q = await read(draft);
      setDraft(null);
      setHint(null);
      await onCommit(q);
      return true;
    } catch (e) {
      setHint({ ok: false, text: (e as ApiError).message });
      if ((e as ApiError).status === 422) field.current?.focus();
      return false;
    }
  };

  return (
    <span className={`relative inline-block ${p.className ?? ""}`}>
      <input
        ref={field}
        className={`${p.slate ? "field-slate" : "field"} num w-full ${hint && !hint.ok ? "!border-rust" : ""}`}
        style={p.width ? { width: p.width } : undefined}
        aria-label={label}
        aria-invalid={hint ? !hint.ok : undefined}
        aria-describedby={hint ? id : undefined}
        placeholder={p.placeholder}
        value={draft ?? shown}
        maxLength={200}
        onFocus={(e) => {
          leaving.current = false;
          if (p.begin === undefined || draft === null) e.target.select();
        }}
        onChange={(e) => {
          said.current = null;
          setDraft(e.target.value);
          onTyping?.(e.target.value.trim() !== shown.trim());
        }}
        onBlur={() => {
          if (leaving.current) return;
          leaving.current = true;
          void commit().then((ok) => {
            leaving.current = ok;
            if (ok) onClose?.();
          });
        }}
        onKeyDown={(e) => {
          if (e.key === "Enter") {
            e.preventDefault();
            e.stopPropagation();
            leaving.current = true;
            void commit().then((ok) => {
              // once it is said, a blur before the next drawing must not say it again
              leaving.current = ok;
              if (!ok) return;
              if (onClose) onClose();
              else field.current?.blur();
            });
          } else if (e.key === "Escape") {
            e.stopPropagation();
            leaving.current = true;
            setDraft(null);
            setHint(null);
            field.current?.blur();
            onClose?.();
          } else if (e.key === "Tab" && onNext) {
            e.preventDefault();
            const back = e.shiftKey;
            leaving.current = true;
            void commit().then((ok) => {
              leaving.current = ok;
              if (ok) onNext(back);
            });
          }
        }}
      />
      {hint && (
        <span
          id={id}
          role={hint.ok ? "status" : "alert"}
          className={`absolute left-0 top-full z-30 mt-0.5 w-max max-w-72 border px-1.5 py-0.5 text-[12px] ${
            hint.ok ? "border-line bg-sheet text-peat" : "border-rust bg-sheet text-rust"
          }`}
        >
          {hint.ok ? `= ${hint.text}` : hint.text}
        </span>
      )}
    </span>
  );
}

type Props = Common &
  Pick<WrittenProps<Understood>, "onLive" | "onTyping"> & {
    value: number | null | undefined;
    text?: string;
    dimension: Dimension;
    unit: string;
    onCommit: (q: Understood | null) => unknown;
  };

/** A quantity of one dimension, shown in the person's units. */
export function Quantity({ value, text, dimension, unit, ...rest }: Props) {
  const { units } = usePerson();
  const shown = text ?? (value === null || value === undefined ? "" : show(value, unit, units, 4).replace(/\u00a0|\u202f/g, " "));
  const bare = unitFor(unit, units) || undefined;
  const read = useCallback((typed: string) => understand(typed, dimension, bare), [dimension, bare]);
  return <Written text={shown} read={read} {...rest} />;
}

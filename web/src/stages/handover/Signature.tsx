/** A signature on the glass, or as a photograph of one; kept as a picture beside the name of whoever signed. */
import { type PointerEvent, useRef, useState } from "react";
import { kept } from "../../parts/Photos";
import { useSaid } from "../../shell/person";
import { says } from "../../words/handover";

const W = 600;
const H = 180;

export function Signature({ who, value, onSet }: { who: string; value: string; onSet: (sha256: string) => void }) {
  const say = useSaid();
  const canvas = useRef<HTMLCanvasElement>(null);
  const pick = useRef<HTMLInputElement>(null);
  const [drawn, setDrawn] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const pen = useRef(false);
  const at = (e: PointerEvent) => {
    const box = canvas.current!.getBoundingClientRect();
    return [((e.clientX - box.left) / box.width) * W, ((e.clientY - box.top) / box.height) * H] as const;
  };
  const ink = () => canvas.current?.getContext("2d") ?? null;
  const clear = () => {
    ink()?.clearRect(0, 0, W, H);
    setDrawn(false);
  };
  const keep = async (picture: Blob, name: string) => {
    setBusy(true);
    try {
      onSet((await kept(picture, name)).sha256);
      setWrong(null);
    } catch (e) {
      setWrong((e as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const take = () => {
    // on white: a JPEG knows no glass behind it
    const flat = Object.assign(document.createElement("canvas"), { width: W, height: H });
    const c = flat.getContext("2d");
    if (!c || !canvas.current) return;
    c.fillStyle = "#ffffff";
    c.fillRect(0, 0, W, H);
    c.drawImage(canvas.current, 0, 0);
    flat.toBlob((b) => b && void keep(b, says("signature-2")), "image/jpeg", 0.9);
  };
  if (value)
    return (
      <p className="my-1">
        <img
          className="h-12 border border-slate-2 bg-white"
          src={`/api/photos/${value}?thumb=true`}
          alt={says("signature-3", { who: who || says("whoever-signs") })}
        />
        <button type="button" className="text-[12px] underline" onClick={() => onSet("")}>
          {says("without")}
        </button>
      </p>
    );
  return (
    <div className="my-1">
      <canvas
        ref={canvas}
        width={W}
        height={H}
        className="block h-[6rem] w-full touch-none border border-slate-2 bg-white"
        role="img"
        aria-label={says("field-sign-finger-pen")}
        onPointerDown={(e) => {
          const c = ink();
          if (!c) return;
          pen.current = true;
          e.currentTarget.setPointerCapture?.(e.pointerId);
          c.lineWidth = 3;
          c.lineCap = "round";
          c.strokeStyle = "#14202b";
          c.beginPath();
          c.moveTo(...at(e));
        }}
        onPointerMove={(e) => {
          const c = ink();
          if (!pen.current || !c) return;
          c.lineTo(...at(e));
          c.stroke();
          setDrawn(true);
        }}
        onPointerUp={() => {
          pen.current = false;
        }}
        onPointerCancel={() => {
          pen.current = false;
        }}
      />
      <div className="flex flex-wrap gap-2 text-[12px]">
        <button type="button" className="underline disabled:opacity-50" disabled={!drawn || busy} onClick={take}>
          {says("take-signature")}
        </button>
        <button type="button" className="underline disabled:opacity-50" disabled={!drawn} onClick={clear}>
          {says("wipe")}
        </button>
        <button type="button" className="underline" disabled={busy} onClick={() => pick.current?.click()}>
          {says("photograph-2")}
        </button>
        <input
          ref={pick}
          type="file"
          accept="image/*"
          className="sr-only"
          tabIndex={-1}
          aria-label={says("photograph-signature", { has_who: Boolean(who), who })}
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void keep(file, file.name);
          }}
        />
      </div>
      {wrong && (
        <span role="alert" className="text-[12px] text-[#f3b3a4]">
          {say(wrong)}
        </span>
      )}
    </div>
  );
}

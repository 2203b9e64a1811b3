/** The air in which something that cures was made: temperature and humidity, kept with the entry of the log. */
import { Quantity } from "../../parts/Quantity";
import { useSaid } from "../../shell/person";
import { says } from "../../words/build";
import type { LogEntry, Task } from "./data";

export type Air = { temp_c: number | null; rh: string };
export const NO_AIR: Air = { temp_c: null, rh: "" };

/** What is kept of it, or what is wrong with it. */
export function measured(air: Air): Pick<LogEntry, "temp_c" | "rh_frac"> | string {
  const rh = air.rh.trim() ? Number(air.rh.replace("%", "").replace(",", ".")) : null;
  if (rh != null && !(rh >= 1 && rh <= 100)) return says("humidity-number-like");
  if (rh != null && air.temp_c == null) return says("temperature-give-too-like");
  return air.temp_c == null ? {} : { temp_c: air.temp_c, rh_frac: rh == null ? null : rh / 100 };
}

export function AirFields({ t, air, onSet, big }: { t: Task; air: Air; onSet: (air: Air) => void; big?: boolean }) {
  const say = useSaid();
  if (!t.cure) return null;
  return (
    <div className="flex w-full flex-wrap items-center gap-1 text-[12px]">
      <span>{says("cures-air-now")}</span>
      <Quantity
        slate={!big}
        className="w-24"
        label={says("temperature", { name: t.name })}
        dimension="temperature"
        unit="°C"
        value={air.temp_c}
        clearable
        placeholder={say("14 °C")}
        onCommit={(q) => onSet({ ...air, temp_c: q?.value ?? null })}
      />
      <input
        className={`${big ? "field h-11 text-[18px]" : "field-slate"} w-24`}
        aria-label={says("humidity", { name: t.name })}
        placeholder={says("humidity-2")}
        inputMode="decimal"
        value={air.rh}
        onChange={(e) => onSet({ ...air, rh: e.target.value })}
      />
    </div>
  );
}

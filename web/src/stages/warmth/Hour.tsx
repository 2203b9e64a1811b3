/** Which day and hour the picture shows. */

import { says } from "../../words/warmth";
import type { Season } from "./ShellPicture";

type Props = { season: Season; hour: number; onSeason: (s: Season) => void; onHour: (h: number) => void };

export function Hour({ season, hour, onSeason, onHour }: Props) {
  return (
    <span className="flex items-center gap-2">
      <span className="flex" role="group" aria-label={says("day-picture")}>
        {(["winter", "summer"] as const).map((s) => (
          <button
            key={s}
            type="button"
            className={`btn px-2 ${s === season ? "!border-gorse font-semibold" : ""}`}
            aria-pressed={s === season}
            onClick={() => onSeason(s)}
          >
            {s === "winter" ? says("coldest-day") : says("hottest-day")}
          </button>
        ))}
      </span>
      <label className="flex items-center gap-1">
        <span className="num w-12 text-right">{hour}:00</span>
        <input type="range" min={0} max={23} value={hour} aria-label={says("hour-day")} className="w-40" onChange={(e) => onHour(Number(e.target.value))} />
      </label>
    </span>
  );
}

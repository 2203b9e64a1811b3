/** A measured gap, and which parts of the catalogue go into it. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, take } from "../../data/client";
import { show } from "../../data/show";
import { QuantityProperty } from "../../parts/Property";
import { usePerson, useSaid } from "../../shell/person";

type Kind = "battery" | "inverter" | "charger" | "controller" | "dcdc";

export function Gap({ kind }: { kind: Kind }) {
  const say = useSaid();
  const { units } = usePerson();
  const [gap, setGap] = useState<{ x?: number; y?: number; z?: number }>({});
  const whole = gap.x && gap.y && gap.z ? { x: gap.x, y: gap.y, z: gap.z, kind } : null;
  const asked = useQuery({ queryKey: ["gap", whole], enabled: !!whole, queryFn: () => take(api.GET("/api/fit/gap", { params: { query: whole! } })) });
  return (
    <details className="my-2">
      <summary className="cursor-pointer">What goes into a measured gap?</summary>
      {(["x", "y", "z"] as const).map((k) => (
        <QuantityProperty
          key={k}
          label={{ x: "along the vehicle", y: "across", z: "high" }[k]}
          dimension="length"
          unit="m"
          value={gap[k]}
          clearable
          onSet={(v) => setGap({ ...gap, [k]: v ?? undefined })}
        />
      ))}
      {asked.error && <p role="alert">{asked.error.message}</p>}
      {asked.data && (
        <ul className="m-0 list-none p-0 text-[12px]" aria-label="Parts and the gap">
          {asked.data.slice(0, 12).map((p) => (
            <li key={p.key} className={p.fits ? "" : "text-chalk-dim"}>
              {p.name}:{" "}
              {p.fits
                ? `fits, its ${p.way.along_x} along and its ${p.way.along_y} across, ${show(p.spare_m, "m", units)} to spare${p.spare_m < 0.005 ? "; measure again at three heights" : ""}`
                : say(`${Math.ceil(-1000 * p.spare_m)} mm short`)}
            </li>
          ))}
        </ul>
      )}
      <p className="my-1 text-[11px] text-chalk-dim">
        {say("Lugs stand 50 mm over a battery; 3 mm for the tape. Which side may point up is its maker’s word.")}
      </p>
    </details>
  );
}

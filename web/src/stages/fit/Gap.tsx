/** A measured gap, and which parts of the catalogue go into it. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, take } from "../../data/client";
import { show } from "../../data/show";
import { QuantityProperty } from "../../parts/Property";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/fit";

type Kind = "battery" | "inverter" | "charger" | "controller" | "dcdc";

export function Gap({ kind }: { kind: Kind }) {
  const say = useSaid();
  const { units } = usePerson();
  const [gap, setGap] = useState<{ x?: number; y?: number; z?: number }>({});
  const whole = gap.x && gap.y && gap.z ? { x: gap.x, y: gap.y, z: gap.z, kind } : null;
  const asked = useQuery({ queryKey: ["gap", whole], enabled: !!whole, queryFn: () => take(api.GET("/api/fit/gap", { params: { query: whole! } })) });
  return (
    <details className="my-2">
      <summary className="cursor-pointer">{says("what-goes-into-measured")}</summary>
      {(["x", "y", "z"] as const).map((k) => (
        <QuantityProperty
          key={k}
          label={{ x: says("along-vehicle"), y: says("across"), z: says("high") }[k]}
          dimension="length"
          unit="m"
          value={gap[k]}
          clearable
          onSet={(v) => setGap({ ...gap, [k]: v ?? undefined })}
        />
      ))}
      {asked.error && <p role="alert">{asked.error.message}</p>}
      {asked.data && (
        <ul className="m-0 list-none p-0 text-[12px]" aria-label={says("parts-gap")}>
          {asked.data.slice(0, 12).map((p) => (
            <li key={p.key} className={p.fits ? "" : "text-chalk-dim"}>
              {p.name}:{" "}
              {p.fits
                ? says("fits-along-across-spare", {
                    along_x: p.way.along_x,
                    along_y: p.way.along_y,
                    spare_m: show(p.spare_m, "m", units),
                    spare_m_less: p.spare_m < 0.005,
                  })
                : say(says("mm-short", { spare_m: Math.ceil(-1000 * p.spare_m) }))}
            </li>
          ))}
        </ul>
      )}
      <p className="my-1 text-[11px] text-chalk-dim">{say(says("lugs-stand-mm-over"))}</p>
    </details>
  );
}

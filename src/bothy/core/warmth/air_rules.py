"""Findings of air and damp: wet surfaces, stale air, fixed vents, fans, alarms (method warmth.heat-loss)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.finding import Remedy, finding
from bothy.core.warmth.airing import inlets
from bothy.core.warmth.heating import BURNT
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found
from bothy.core.warmth.shell_rules import screens
from bothy.core.warmth.surfaces import COVER_R, GLASS, Surface

DAMP, STALE_PPM, USED_PPM, CO_PPM, BACKDRAUGHT_PA = 0.70, 1500.0, 5000.0, 9.0, 4.0


def damp_findings(ctx: Context, w: Warm) -> Found:
    """What they say of wet surfaces and damp air."""
    a = w.part.air
    for s in w.shell.surfaces:
        d = a.surfaces.get(s.id)
        if d is None or s.area_m2 < 0.05:
            continue
        subject = f"surface:{s.id}"
        flow = f"{d.dry_flow_m3_h:.0f} m³/h of air would keep it dry" if d.dry_flow_m3_h is not None else "outside air alone can’t keep it dry"
        if d.wet and s.kind in GLASS:
            cover = cover_of(ctx, s)
            if cover is not None:
                behind = 1 / (1 / s.u.value + COVER_R["plug" if s.kind == "rooflight" else "screen_inside"])
                warmer = ctx.night_c - (ctx.night_c - d.surface_c) * behind / s.u_effective
                cover = cover if warmer > a.night_dew_c + 0.2 else cover.first_step()
            yield finding(
                "warm-glass-wet",
                subject,
                s.name,
                f"The surface falls to {d.surface_c:.1f} °C at night, and the air condenses at {a.night_dew_c:.1f} °C; {flow}.",
                fix=cover,
            )
        elif d.wet:
            yield finding(
                "warm-surface-wet",
                subject,
                s.name,
                f"The surface falls to {d.surface_c:.1f} °C at night, and the air condenses at {a.night_dew_c:.1f} °C; {flow}.",
            )
        elif d.mould and s.opaque:
            yield finding(
                "warm-mould-risk",
                subject,
                s.name,
                f"At night the surface is at {d.surface_c:.1f} °C, and the humidity there reaches {d.rh_frac:.0%}: mould grows from about 80 %.",
            )
    for when, rh in (("during the day", a.day_rh_frac), ("at night", a.night_rh_frac)):
        if rh > DAMP:
            need = w.air.night.required_flow_m3_h if when == "at night" else w.air.day.required_flow_m3_h
            g = a.night_g_h if when == "at night" else a.day_g_h
            ask = f"For 60 % it needs {need:.0f} m³/h of outside air" if need is not None else "Outside air can’t bring it to 60 %"
            yield finding(
                "warm-humidity-high",
                "air",
                "Air",
                f"The air inside has {rh:.0%} humidity {when}, with {g:.0f} g/h of water given off. {ask}; "
                f"{a.night_flow_m3_h if when == 'at night' else a.day_flow_m3_h:.0f} m³/h flow now.",
                figures=[f"air/{'night' if when == 'at night' else 'day'}/indoor_rh_frac"],
            )
            break
    if a.flow_for_60_m3_h is None:
        yield finding(
            "warm-cannot-dry-by-air",
            "air",
            "Air",
            f"Outside air holds {w.air.night.outdoor_vapour_pressure_pa:.0f} Pa of vapour, more than 60 % inside at {ctx.night_c:g} °C.",
        )


def cover_of(ctx: Context, s: Surface) -> Remedy | None:
    if s.extra_r > 0:
        return None
    cover = "plug" if s.kind == "rooflight" else "screen_inside"
    for i, o in enumerate(ctx.design.warmth.openings):
        if o.id == s.id:
            return Remedy.sets("Hang a quilted screen" if cover == "screen_inside" else "Put in a foam plug", f"/warmth/openings/{i}", o.id, cover=cover)
    return screens(ctx, [s])


def air_findings(ctx: Context, w: Warm) -> Found:
    """What they say of gases, vents and fans."""
    d, a = ctx.design.warmth, w.part.air
    if d.damp.hob_heats or any(h.fuel in ("propane", "butane", "ethanol", "kerosene") and not h.room_sealed and h.kind == "air" for h in d.heaters):
        yield finding(
            "warm-unflued-heating",
            "air",
            "Air",
            f"An open flame of {d.damp.hob_kw or max((h.max_w for h in d.heaters), default=0) / 1000:.1f} kW gives off carbon monoxide, carbon "
            f"dioxide and {127 * (d.damp.hob_kw or 1):.0f} g of water an hour.",
        )
    if a.gas_ok is False and not ctx.design.gas.appliances:  # otherwise Gas says it, by its own appliances
        yield finding(
            "warm-gas-vent-small",
            "air",
            "Fixed vents",
            f"Fixed vents high up have {a.have_high_mm2:,.0f} of {a.gas_high_mm2:,.0f} mm² of free area, low down {a.have_low_mm2:,.0f} of "
            f"{a.gas_low_mm2:,.0f} mm².",
            figures=["air/gas/high_area_mm2", "air/gas/low_area_mm2"],
        )
    if a.gas_high_mm2 is not None:
        for v in d.vents:
            if v.closable and v.kind in ("fixed_roof", "fixed_wall_high", "fixed_low"):
                yield finding("warm-gas-vent-closable", f"vent:{v.id}", v.name, "The vent can be closed, so it doesn’t count as a fixed vent for the gas.")
    if a.co_ppm is not None and a.co_ppm > CO_PPM:
        yield finding(
            "warm-co-level", "air", "Air", f"Carbon monoxide reaches {a.co_ppm:.0f} ppm while the hob burns, from a sound burner and with the largest fan on."
        )
    if a.co2_at_end_ppm > USED_PPM:
        yield finding(
            "warm-co2-danger", "air", "Air", f"Carbon dioxide reaches {a.co2_at_end_ppm:,.0f} ppm after eight hours with {a.night_flow_m3_h:.0f} m³/h."
        )
    elif a.co2_at_end_ppm > STALE_PPM:
        need = ctx.people * 13 / 1000 * 1e6 / (STALE_PPM - 420)
        yield finding(
            "warm-co2-high",
            "air",
            "Air",
            f"Carbon dioxide reaches {a.co2_at_end_ppm:,.0f} ppm by morning with {a.night_flow_m3_h:.0f} m³/h of outside air; {need:.0f} m³/h keep it under "
            f"{STALE_PPM:,.0f} ppm.",
            figures=["air/co2_ppm"],
        )
    open_flued = any(not h.room_sealed and h.fuel in BURNT for h in d.heaters)
    for v in d.vents:
        if not v.is_fan or v.flow_max_m3_h is None or v.speed_frac <= 0:
            continue
        r = w.air.fans[v.id]
        if r.flow_m3_h < 0.7 * v.speed_frac * v.flow_max_m3_h:
            yield finding(
                "warm-inlet-small",
                f"vent:{v.id}",
                v.name,
                f"The fan moves {r.flow_m3_h:.0f} of its {v.speed_frac * v.flow_max_m3_h:.0f} m³/h because the inlet is {inlets(ctx, v.at_night):,.0f} mm²; "
                f"{r.inlet_area_for_90pct_mm2:,.0f} mm² would give 90 %.",
                figures=[f"vents/{v.id}/flow_m3_h"],
            )
        if open_flued and (r.inlet_pressure_pa or 0) > BACKDRAUGHT_PA:
            yield finding(
                "warm-backdraught",
                f"vent:{v.id}",
                v.name,
                f"The fan lowers the pressure inside by {r.inlet_pressure_pa:.1f} Pa. From {BACKDRAUGHT_PA:g} Pa, fumes can be drawn back down an open flue.",
            )
    showers = d.damp.showers_per_day if d.damp.showers_per_day is not None else 0.0
    extracts = [v for v in d.vents if v.kind == "extract"]
    if showers > 0 and not any(v.flow_max_m3_h and v.flow_max_m3_h >= 40 and v.door_gap for v in extracts):
        best = max((v.flow_max_m3_h or 0 for v in extracts), default=0)
        yield finding(
            "warm-shower-extract",
            "air",
            "Shower",
            f"The shower’s extract moves {best:.0f} m³/h. A shower needs at least 40 m³/h, and a gap under its door for the air that follows.",
        )


def alarm_findings(ctx: Context, w: Warm) -> Found:
    """What they say of alarms."""
    d = ctx.design.warmth
    burners = d.damp.hob_kw > 0 or any(h.fuel in BURNT for h in d.heaters)
    words = [a.name.lower() for a in ctx.design.life.appliances if a.kind == "safety"]
    co = [a for a in d.alarms if a.kind == "co"]
    if burners and not co and not any("monoxide" in x or x.startswith("co ") for x in words):
        yield finding("warm-co-alarm", "air", "Alarms", "Something burns aboard, and there is no carbon monoxide alarm in “Daily use” or “Heat and air”.")
    if not any(a.kind == "smoke" for a in d.alarms) and not any("smoke" in x for x in words):
        yield finding(
            "warm-smoke-alarm",
            "air",
            "Alarms",
            f"There is no smoke alarm yet, and {ctx.people:.0f} sleep{'s' if ctx.people == 1 else ''} here.",
            fix=Remedy(
                label="Put a smoke alarm on the ceiling",
                patch=[
                    {"op": "add", "path": "/warmth/alarms/-", "value": {"id": _free_alarm(ctx), "kind": "smoke", "mounting": "ceiling", "name": "Smoke alarm"}}
                ],
            ),
        )
    for a in d.alarms:
        wrong = []
        if a.kind == "co" and a.burner_mm is not None and not 1000 <= a.burner_mm <= 3000:
            wrong.append(f"The alarm hangs {a.burner_mm:.0f} mm from the burner; it should be 1000 to 3000 mm away")
        if a.mounting == "wall" and a.below_ceiling_mm is not None and a.below_ceiling_mm < 150:
            wrong.append(f"On the wall the alarm hangs {a.below_ceiling_mm:.0f} mm under the ceiling; it should be at least 150 mm under it")
        if a.mounting == "ceiling" and a.wall_mm is not None and a.wall_mm < 300:
            wrong.append(f"On the ceiling the alarm sits {a.wall_mm:.0f} mm from the wall; it should be at least 300 mm from it")
        if wrong:
            yield finding("warm-co-alarm-place", f"alarm:{a.id}", a.name, ". ".join(wrong) + ".")


def _free_alarm(ctx: Context) -> str:
    have = {a.id for a in ctx.design.warmth.alarms}
    return next(i for i in ("smoke", *(f"smoke-{n}" for n in range(2, 40))) if i not in have)

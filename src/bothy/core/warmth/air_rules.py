"""Findings of air and damp: wet surfaces, stale air, fixed vents, fans, alarms (method warmth.heat-loss)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bothy.core.context import Context
from bothy.core.daily_use import free_line
from bothy.core.design.base import By
from bothy.core.design.life import Zone
from bothy.core.design.warmth import Vent
from bothy.core.finding import Remedy, finding
from bothy.core.recognise import alarms_aboard
from bothy.core.warmth.airing import inlets
from bothy.core.warmth.heating import BURNT
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found
from bothy.core.warmth.shell_rules import screens
from bothy.core.warmth.surfaces import COVER_R, GLASS, Surface
from bothy.core.words.says import warmth_says as says

DAMP, STALE_PPM, USED_PPM, CO_PPM, BACKDRAUGHT_PA = 0.70, 1500.0, 5000.0, 9.0, 4.0


def damp_findings(ctx: Context, w: Warm) -> Found:
    """What they say of wet surfaces and damp air."""
    a = w.part.air
    for s in w.shell.surfaces:
        d = a.surfaces.get(s.id)
        if d is None or s.area_m2 < 0.05:
            continue
        subject = f"surface:{s.id}"
        flow = says("air-would-keep-dry", dry_flow_m3_h=d.dry_flow_m3_h) if d.dry_flow_m3_h is not None else says("outside-air-alone-cant")
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
                says("surface-falls-to-at", surface_c=d.surface_c, night_dew_c=a.night_dew_c, flow=flow),
                fix=cover,
            )
        elif d.wet:
            yield finding(
                "warm-surface-wet",
                subject,
                s.name,
                says("surface-falls-to-at", surface_c=d.surface_c, night_dew_c=a.night_dew_c, flow=flow),
            )
        elif d.mould and s.opaque:
            yield finding(
                "warm-mould-risk",
                subject,
                s.name,
                says("at-night-surface-at", surface_c=d.surface_c, rh_frac=d.rh_frac),
            )
    for when, rh in ((says("during"), a.day_rh_frac), (says("at-night"), a.night_rh_frac)):
        if rh > DAMP:
            need = w.air.night.required_flow_m3_h if when == "at night" else w.air.day.required_flow_m3_h
            g = a.night_g_h if when == "at night" else a.day_g_h
            ask = says("for-needs-outside-air", need_m3_h=need) if need is not None else says("outside-air-cant-bring")
            yield finding(
                "warm-humidity-high",
                "air",
                says("air"),
                says(
                    "air-inside-has-humidity", rh=rh, when=when, g_g_h=g, ask=ask, night_flow_m3_h=a.night_flow_m3_h if when == "at night" else a.day_flow_m3_h
                ),
                figures=[f"air/{'night' if when == 'at night' else 'day'}/indoor_rh_frac"],
            )
            break
    if a.flow_for_60_m3_h is None:
        yield finding(
            "warm-cannot-dry-by-air",
            "air",
            says("air"),
            says("outside-air-holds-vapour", outdoor_vapour_pressure_pa=w.air.night.outdoor_vapour_pressure_pa, night_c=ctx.night_c),
        )


def cover_of(ctx: Context, s: Surface) -> Remedy | None:
    if s.extra_r > 0:
        return None
    cover = "plug" if s.kind == "rooflight" else "screen_inside"
    for i, o in enumerate(ctx.design.warmth.openings):
        if o.id == s.id:
            return Remedy.sets(
                says("hang-quilted-screen") if cover == "screen_inside" else says("put-in-foam-plug"), f"/warmth/openings/{i}", o.id, cover=cover
            )
    return screens(ctx, [s])


def air_findings(ctx: Context, w: Warm) -> Found:
    """What they say of gases, vents and fans."""
    d, a = ctx.design.warmth, w.part.air
    if d.damp.hob_heats or any(h.fuel in ("propane", "butane", "ethanol", "kerosene") and not h.room_sealed and h.kind == "air" for h in d.heaters):
        yield finding(
            "warm-unflued-heating",
            "air",
            says("air"),
            says("open-flame-gives-off", hob_kw=d.damp.hob_kw or max((h.max_w for h in d.heaters), default=0) / 1000, hob_g=127 * (d.damp.hob_kw or 1)),
        )
    if a.gas_ok is False and not ctx.design.gas.appliances:  # otherwise Gas says it, by its own appliances
        yield finding(
            "warm-gas-vent-small",
            "air",
            says("fixed-vents"),
            says("fixed-vents-high-up", have_high_mm2=a.have_high_mm2, gas_high_mm2=a.gas_high_mm2, have_low_mm2=a.have_low_mm2, gas_low_mm2=a.gas_low_mm2),
            figures=["air/gas/high_area_mm2", "air/gas/low_area_mm2"],
        )
    if a.gas_high_mm2 is not None:
        for v in d.vents:
            if v.closable and v.kind in ("fixed_roof", "fixed_wall_high", "fixed_low"):
                yield finding("warm-gas-vent-closable", f"vent:{v.id}", v.name, says("vent-can-be-closed"))
    if a.co_ppm is not None and a.co_ppm > CO_PPM:
        yield finding("warm-co-level", "air", says("air"), says("carbon-monoxide-reaches-while", co_ppm=a.co_ppm))
    if a.co2_at_end_ppm > USED_PPM:
        yield finding(
            "warm-co2-danger", "air", says("air"), says("carbon-dioxide-reaches-after", co2_at_end_ppm=a.co2_at_end_ppm, night_flow_m3_h=a.night_flow_m3_h)
        )
    elif a.co2_at_end_ppm > STALE_PPM:
        need = ctx.people * 13 / 1000 * 1e6 / (STALE_PPM - 420)
        yield finding(
            "warm-co2-high",
            "air",
            says("air"),
            says("carbon-dioxide-reaches-by", co2_at_end_ppm=a.co2_at_end_ppm, night_flow_m3_h=a.night_flow_m3_h, need_m3_h=need, stale_ppm=STALE_PPM),
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
                says(
                    "fan-moves-because-inlet",
                    flow_m3_h=r.flow_m3_h,
                    speed_frac_m3_h=v.speed_frac * v.flow_max_m3_h,
                    inlets_mm2=inlets(ctx, v.at_night),
                    inlet_area_for_90pct_mm2=r.inlet_area_for_90pct_mm2,
                ),
                figures=[f"vents/{v.id}/flow_m3_h"],
            )
        if open_flued and (r.inlet_pressure_pa or 0) > BACKDRAUGHT_PA:
            yield finding(
                "warm-backdraught",
                f"vent:{v.id}",
                v.name,
                says("fan-lowers-pressure-inside", inlet_pressure_pa=r.inlet_pressure_pa, backdraught_pa=BACKDRAUGHT_PA),
            )
    for v, line in zip(_uncounted(ctx, d.vents), fan_lines(ctx, d.vents), strict=True):
        fix = Remedy(label=says("enter-in-daily-use"), patch=[{"op": "add", "path": "/life/appliances/-", "value": line}])
        yield finding("warm-fan-uncounted", f"vent:{v.id}", v.name, says("fan-takes-and-daily", power_max_w=v.power_max_w or 0), fix=fix)
    showers = d.damp.showers_per_day if d.damp.showers_per_day is not None else 0.0
    extracts = [v for v in d.vents if v.kind == "extract"]
    if showers > 0 and not any(v.flow_max_m3_h and v.flow_max_m3_h >= 40 and v.door_gap for v in extracts):
        best = max((v.flow_max_m3_h or 0 for v in extracts), default=0)
        yield finding(
            "warm-shower-extract",
            "air",
            says("shower"),
            says("showers-extract-moves-shower", best_m3_h=best),
        )


def _uncounted(ctx: Context, vents: Sequence[Vent]) -> list[Vent]:
    """The fans beyond as many as Daily use has."""
    return [v for v in vents if v.is_fan and (v.power_max_w or 0) > 0][sum(a.count for a in ctx.design.life.appliances if a.kind == "fan") :]


FAN_ZONES: dict[str, Zone] = {"roof_fan": "roof", "wall_fan": "living", "extract": "washroom"}
USUAL_SPEED = 0.7
"""At which roof fans run most of the time (typical); what they take goes with the third power of it."""


def fan_lines(ctx: Context, vents: Sequence[Vent], by: By = "typed") -> list[dict[str, Any]]:
    """Lines of Daily use for the fans that have none: roof and wall fans at their usual speed through a warm day, extracts at full speed for the shower."""
    lines = []
    for v in _uncounted(ctx, vents):
        shower = v.kind == "extract" and not v.at_night
        part = 1.0 if shower else USUAL_SPEED**3
        lines.append(
            {
                "id": free_line(ctx, f"fan-{v.id}"[:40]),
                "name": v.name,
                "kind": "fan",
                "zone": FAN_ZONES[v.kind],
                "power_w": round(part * (v.power_max_w or 0), 1),
                "hours_per_day": 2.0 if shower else 10.0,
                "start_multiple": round(1.5 if shower else 1 / part, 1),
                "season_factors": {"winter": 1.0 if shower or v.at_night else 0.3},
                "trust": "label",
                "by": by,
            }
        )
    return lines


def alarm_missing(ctx: Context, w: Warm) -> Found:
    """Something burns, aboard or in a generator beside it, and nothing tells of its fumes."""
    d = ctx.design.warmth
    burners = d.damp.hob_kw > 0 or any(h.fuel in BURNT for h in d.heaters) or ctx.design.power.generator is not None
    if burners and "co" not in alarms_aboard(ctx.design):
        yield finding("warm-co-alarm", "air", says("alarms"), says("something-burns-aboard-and"))


def alarm_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the smoke alarm and of where alarms hang."""
    d = ctx.design.warmth
    if "smoke" not in alarms_aboard(ctx.design):
        yield finding(
            "warm-smoke-alarm",
            "air",
            says("alarms"),
            says("there-no-smoke-alarm", people=ctx.people),
            fix=Remedy(
                label=says("put-smoke-alarm-on"),
                patch=[
                    {
                        "op": "add",
                        "path": "/warmth/alarms/-",
                        "value": {"id": _free_alarm(ctx), "kind": "smoke", "mounting": "ceiling", "name": says("smoke-alarm")},
                    }
                ],
            ),
        )
    for a in d.alarms:
        wrong = []
        if a.kind == "co" and a.burner_mm is not None and not 1000 <= a.burner_mm <= 3000:
            wrong.append(says("alarm-hangs-from-burner", burner_mm=a.burner_mm))
        if a.mounting == "wall" and a.below_ceiling_mm is not None and a.below_ceiling_mm < 150:
            wrong.append(says("on-wall-alarm-hangs", below_ceiling_mm=a.below_ceiling_mm))
        if a.mounting == "ceiling" and a.wall_mm is not None and a.wall_mm < 300:
            wrong.append(says("on-ceiling-alarm-sits", wall_mm=a.wall_mm))
        if wrong:
            yield finding("warm-co-alarm-place", f"alarm:{a.id}", a.name, ". ".join(wrong) + ".")


def _free_alarm(ctx: Context) -> str:
    have = {a.id for a in ctx.design.warmth.alarms}
    return next(i for i in ("smoke", *(f"smoke-{n}" for n in range(2, 40))) if i not in have)

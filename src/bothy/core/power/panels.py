"""Panels of a design: which controller they are on, how they lie, and what they give on a mean day of a month (methods power.strings, trips.month)."""

from __future__ import annotations

from functools import lru_cache

from bothy.core.catalogue.climates import MONTHS, Climate
from bothy.core.catalogue.parts import Part, of_kind
from bothy.core.catalogue.sheets import ControllerSheet
from bothy.core.context import Context
from bothy.core.design.power import Power, SolarArray, SolarController
from bothy.core.figure import Figure, given, total
from bothy.core.method.sources import Method
from bothy.core.power.solar import Panel, PanelString, SolarStringIn, SolarStringOut, solar_string
from bothy.core.region import RegionKey
from bothy.core.sun.curved import CurvedPanelFactorIn, curved_panel_factor
from bothy.core.sun.geometry import MEAN_DAY, extraterrestrial_day
from bothy.core.sun.month import PanelDayYieldIn, PanelDayYieldOut, panel_day_yield
from bothy.core.sun.plane import HEADINGS_DEG
from bothy.core.words.says import power_says as says

ACROSS_M = 1.2
"""How far panels reach across a curved roof where nothing is said (typical)."""
MISMATCH = 0.98
SOILING = 0.97
"""What usual dirt leaves of the light (method trips.shade)."""
SKY_MOST = 0.77
"""No month is clearer; a weather file may hold more than the air lets through."""


def array_power(array: SolarArray) -> float:
    """Label power of an array in W."""
    return array.panel_power_w * array.series_count * array.parallel_count


def on_controllers(p: Power) -> list[tuple[SolarController, list[SolarArray]]]:
    """Controllers with the panels on them: those that an array has of its own, then the one that the rest share."""
    out = [(a.controller, [a]) for a in p.arrays if a.controller is not None]
    return out + ([(p.controller, p.shared_arrays)] if p.controller is not None and p.shared_arrays else [])


def all_controllers(p: Power) -> list[tuple[SolarController, list[SolarArray]]]:
    """Solar controllers with their panels, the shared one first, which may have none yet."""
    rows = list(reversed(on_controllers(p)))
    if p.controller is not None and not p.shared_arrays:
        rows.insert(0, (p.controller, []))
    return rows


def controller_of(p: Power, a: SolarArray) -> SolarController | None:
    """The controller that an array is on: its own, or the shared one."""
    return a.controller or p.controller


def panel_string(array: SolarArray) -> PanelString:
    """The solar-string input of an array."""
    panel = Panel(
        power_w=array.panel_power_w,
        vmp_v=array.vmp_v,
        imp_a=array.imp_a,
        voc_v=array.voc_v,
        isc_a=array.isc_a,
        voc_coeff_per_k=array.voc_coeff_per_k,
        power_coeff_per_k=array.power_coeff_per_k,
        noct_c=array.noct_c,
        max_series_fuse_a=array.max_series_fuse_a,
    )
    return PanelString(panel=panel, series_count=array.series_count, parallel_count=array.parallel_count)


def string_input(ctx: Context, arrays: list[SolarArray], c: SolarController) -> SolarStringIn:
    """The solar-string input of arrays on a controller, at the place's cold and heat."""
    return SolarStringIn.trusted(
        region=ctx.region.key,
        strings=[panel_string(a) for a in arrays],
        max_voltage_v=c.max_voltage_v,
        max_charge_current_a=c.max_charge_current_a,
        max_input_current_a=c.max_input_current_a,
        controller_type=c.controller_type,
        system_voltage_v=ctx.system_v,
        min_temp_c=max(-60.0, min(25.0, ctx.record_cold().value)),
        max_ambient_c=min(60.0, max(30.0, max(*ctx.climate.tmax_c, *(c.tmax_c[m - 1] for c, m in ctx.met())) + 5)),
        mounting=arrays[0].mounting,
    )


EXTRA_LOW_V = 120.0
"""Direct current above this is no extra-low voltage any more: a touch can kill (IEC 60364-4-41)."""
BAD_STRING_RULES = {
    "power-solar-voc-over",
    "power-solar-voc-tight",
    "power-solar-vmp-low",
    "power-solar-start-low",
    "power-solar-isc-over",
    "power-solar-isc-tight",
    "power-solar-overpanel",
    "power-solar-string-fuse-none",
}
"""Findings that a string and a controller chosen by Bothy must not have."""


MOST_CLIPPED = 0.10
"""Part of its label that a controller chosen by Bothy may clip in the best hours."""


def cheapest_controller(
    ctx: Context, arrays: list[SolarArray], allowed: list[Part[ControllerSheet]], most_clipped: float = MOST_CLIPPED
) -> tuple[Part[ControllerSheet], SolarStringOut] | None:
    """The first of a list (cheapest first) that takes these arrays without a finding and clips no more than ``most_clipped`` of their label; None
    where none does."""
    top_v = max(a.voc_v * a.series_count for a in arrays)
    label_a = sum(array_power(a) for a in arrays) / (14.4 * ctx.scale)
    for part in allowed:
        if top_v > part.data["max_voltage_v"] or part.data["max_charge_current_a"] < (1 - most_clipped) * label_a:
            continue
        out = solar_string(string_input(ctx, arrays, SolarController.model_validate(part.data)))
        if not BAD_STRING_RULES & set(out.rules):
            return part, out
    return None


def sun_charge_a(c: SolarController, out: SolarStringOut) -> float:
    """The current in A that a controller charges with in full sun: of its panels, at most its own."""
    return min(c.max_charge_current_a, out.uncapped_current_a)


def sun_charge_of(ctx: Context) -> float:
    """What all panels of a design charge with in full sun, in A."""
    return sum(sun_charge_a(c, solar_string(string_input(ctx, arrays, c))) for c, arrays in on_controllers(ctx.design.power))


def mppt_by_price(region: RegionKey) -> list[Part[ControllerSheet]]:
    """MPPT controllers of the catalogue, cheapest first."""
    return sorted((c for c in of_kind("controller", region) if c.data["controller_type"] == "mppt"), key=lambda c: c.price)


def soiling_of(a: SolarArray) -> float:
    """What dirt leaves of the light: as said, or the usual 3 % lost."""
    return a.soiling_frac if a.soiling_frac is not None else SOILING


def equator_deg(lat_deg: float) -> float:
    """Azimuth of the equator, where the noon sun stands."""
    return 180.0 if lat_deg >= 0 else 0.0


def azimuth_of(a: SolarArray, lat_deg: float) -> float:
    """Where an array faces: as said; else from the nose 0, and on the ground towards the equator."""
    return a.azimuth_deg if a.azimuth_deg is not None else equator_deg(lat_deg) if a.deploy == "ground" else 0.0


CURVE_SUN_DEG, CURVE_DNI, CURVE_DHI = (15.0, 30.0, 60.0), 700.0, 100.0
"""Light in which a bent panel's loss is taken: the mean over these heights of the sun and eight headings (method trips.direction)."""


@lru_cache(maxsize=64)
def _curve(radius_m: float, across_m: float, groups: int) -> float:
    found = [
        curved_panel_factor(
            CurvedPanelFactorIn.trusted(
                panel_width_m=across_m,
                roof_radius_m=radius_m,
                bypass_group_count=groups,
                sun_elevation_deg=e,
                sun_azimuth_deg=180.0,
                heading_deg=h,
                dni_w_m2=CURVE_DNI,
                dhi_w_m2=CURVE_DHI,
            )
        ).bypass_factor_frac
        for e in CURVE_SUN_DEG
        for h in HEADINGS_DEG
    ]
    return min(1.0, sum(found) / len(found))


def curve_factor(a: SolarArray) -> float:
    """What bending over the roof leaves of an array's power: the strip that gets the least light holds its group back; 1 where it lies straight."""
    if a.roof_radius_m is None or a.deploy != "fixed" or a.tilt_deg > 0:
        return 1.0
    return _curve(a.roof_radius_m, min(a.across_m or ACROSS_M, 1.9 * a.roof_radius_m), a.bypass_groups)


@lru_cache(maxsize=512)
def _yield(
    c: Climate,
    month: int,
    power_w: float,
    tilt_deg: float,
    azimuth_deg: float | None,
    mounting: str,
    noct_c: float,
    coeff: float,
    shade: tuple[float, ...],
    pwm: bool,
    most_w: float | None,
    vmp_v: float,
    battery_v: float,
    soiling: float,
    sky: float,
    albedo: float,
    mismatch: float,
) -> PanelDayYieldOut:
    most = SKY_MOST * extraterrestrial_day(c.lat_deg, MEAN_DAY[month - 1])
    return panel_day_yield(
        PanelDayYieldIn.trusted(
            month=month,
            lat_deg=c.lat_deg,
            ghi_kwh_m2_day=min(c.ghi_kwh_m2_day[month - 1], most),
            elevation_m=c.elevation_m,
            tmin_c=c.tmin_c[month - 1],
            tmax_c=c.tmax_c[month - 1],
            tilt_deg=tilt_deg,
            azimuth_deg=azimuth_deg,
            power_stc_w=power_w,
            mounting=mounting,
            noct_c=noct_c,
            power_coeff_per_k=coeff,
            shade_frac=list(shade) or [0.0] * 24,
            controller_type="pwm" if pwm else "mppt",
            controller_power_w=most_w,
            panel_vmp_v=vmp_v if pwm else None,
            battery_voltage_v=battery_v,
            soiling_factor_frac=soiling,
            sky_view_frac=sky,
            albedo_frac=albedo,
            mismatch_factor_frac=mismatch,
        ),
        {"power_stc_w": given("power_stc_w", power_w, "typed", "panels × label power")},
    )


def month_yield(ctx: Context, a: SolarArray, control: SolarController | None, c: Climate, month: int, part: float = 1.0) -> PanelDayYieldOut:
    """What an array gives on a mean day of a month; ``part`` of its controller is its. Lifted and tilted panels: the mean of all headings,
    for nobody knows how the vehicle stands; on the ground they face as they are set. Shade is taken as by the sun's own clock."""
    pwm = control is not None and control.controller_type == "pwm"
    facing = azimuth_of(a, c.lat_deg) if a.deploy == "ground" and a.tilt_deg > 0 else None
    most = part * control.max_charge_current_a * ctx.bank_v if control is not None else None
    return _yield(
        c,
        month,
        array_power(a),
        a.tilt_deg,
        facing,
        a.mounting,
        a.noct_c,
        a.power_coeff_per_k,
        tuple(a.shade_frac),
        pwm,
        most,
        a.vmp_v * a.series_count,
        13.2 * ctx.scale,
        soiling_of(a),
        a.sky_view_frac,
        ctx.design.trips.schools.albedo_frac,
        MISMATCH * curve_factor(a),
    )


def array_day(ctx: Context, a: SolarArray, month: int) -> PanelDayYieldOut:
    """What an array of the design gives on a mean day of a month at its place, with its part of the controller that it is on."""
    beside = ctx.design.power.shared_arrays if a.controller is None else [a]
    part = array_power(a) / sum(array_power(x) for x in beside)
    return month_yield(ctx, a, controller_of(ctx.design.power, a), ctx.climate, month, part)


def solar_of(ctx: Context, season: str) -> Figure:
    """Energy per day of all arrays in the worst planned month of a season."""
    month = ctx.worst_month(season)
    parts = [(a.name, array_day(ctx, a, month).figure("energy_wh_day")) for a in ctx.design.power.arrays]
    return total(
        says("solar-per-in", season=season), "Wh", parts, Method("trips.month", f"sum of the arrays on a mean day of {MONTHS[month - 1]} in {ctx.climate.name}")
    )


def label_yield(ctx: Context, month: int) -> float:
    """Wh a day of each W on the label, flat on the roof with a gap, unshaded."""
    plain = SolarArray(id="plain", panel_power_w=100.0, vmp_v=18.0, imp_a=5.56, voc_v=21.6, isc_a=6.0)
    return month_yield(ctx, plain, None, ctx.climate, month).energy_wh_day / 100

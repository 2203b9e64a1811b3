"""The air round the inverter on the hottest day, and what of its rating is left in it (methods power.inverter-size, warmth.cabinets)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.warmth import Cabinet
from bothy.core.figure import Figure, formula, given
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.warmth.cabinet import CASE_U_W_M2K, cabinet_rise, open_area_m2
from bothy.core.words.says import power_says as says

DERATE_FROM_C, DERATE_PER_K, LEAST_LEFT = 25.0, 0.008, 0.2
HOT_C = 40.0
"""Above this the place is called hot."""
BARE_CASE_M2 = 0.6
"""Walls of a small locker, which pass heat where nothing is said of them (cautious)."""
FULL_LOAD_EFFICIENCY = 0.88


@formula(
    says("rating-left-heat"),
    "P·max(0.2, 1 − 0.008·max(0, T − 25))",
    unit="W",
    source=Method("power.inverter-size", "its data sheet says better") + OwnChoice("typical"),
)
def rating_left(rating_w: float, air_c: float) -> float:
    return rating_w * max(LEAST_LEFT, 1 - DERATE_PER_K * max(0.0, air_c - DERATE_FROM_C))


def inverter_cabinet(ctx: Context) -> Cabinet | None:
    """The hot cabinet of Warmth that the inverter stands in."""
    inv = ctx.design.power.inverter
    return next((c for c in ctx.design.warmth.cabinets if inv is not None and c.id == inv.cabinet), None)


def inverter_air(ctx: Context) -> Figure | None:
    """°C round the inverter on the hottest day of the plan: outside air, and the rise in the cabinet that it stands in, with all the heat given off there."""
    inv = ctx.design.power.inverter
    if inv is None:
        return None
    hot = ctx.figure("/warmth/design_hot_c")
    box = inverter_cabinet(ctx)
    if box is None:
        return Figure(
            hot.value,
            "°C",
            says("air-round-inverter"),
            expression=says("outside-air-on-hottest"),
            source=Method("warmth.cabinets", "no cooler inside than out; cautious"),
            inputs=(("hot_c", hot),),
        )
    loss = inv.rating_w * (1 / (inv.efficiency_frac or FULL_LOAD_EFFICIENCY) - 1)
    heat = (
        given("heat_w", box.heat_w, "typed", box.name)
        if box.heat_w > 0
        else given("heat_w", loss, "computed", says("inverters-loss-at-full"), source=Method("warmth.cabinets"))
    )
    vents = open_area_m2(box.low_mm2 or 0.0, box.high_mm2 or 0.0)
    case = box.case_area_m2 if box.case_area_m2 > 0 or vents > 0 else BARE_CASE_M2
    rise = cabinet_rise(heat.value, CASE_U_W_M2K * case, vents, hot.value, box.stack_height_m)
    parts = (
        ("hot_c", hot),
        ("heat_w", heat),
        ("vents_mm2", given("vents_mm2", 1e6 * vents, "computed", says("low-and-high-vent"), source=Method("warmth.cabinets"))),
    )
    return Figure(
        hot.value + rise,
        "°C",
        says("air-round-inverter"),
        expression="outside air + rise x with P = U·A·x + ρ·c_p·C_d·A·w(x)·x",
        source=Method("warmth.cabinets", f"in “{box.name}”"),
        inputs=parts,
    )

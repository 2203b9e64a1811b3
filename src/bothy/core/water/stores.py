"""What a design holds: tanks by their real shapes with gauge and drain, joined tanks, litres a day and the stores they use up (method water.demand)."""

from __future__ import annotations

from functools import lru_cache

from pydantic import BaseModel

from bothy.core.constants import G
from bothy.core.context import Context
from bothy.core.contract import BadInput, quick
from bothy.core.design.water import Water, WaterTank
from bothy.core.figure import Figure, derived, given, total
from bothy.core.fluid import loss_pa
from bothy.core.method.sources import Method
from bothy.core.recognise import uses_a_day, water_of
from bothy.core.water.autonomy import StoreIn
from bothy.core.water.crossover import AT_C, ENDS_K, BoxTank, TankCrossoverIn, tank_crossover
from bothy.core.water.demand import WaterDemandIn, WaterDemandOut, water_demand
from bothy.core.water.gauge import GaugeCalibrationIn, GaugeCalibrationOut, GaugeRow, gauge_calibration
from bothy.core.water.properties import density, viscosity
from bothy.core.water.tank import LevelRow, Shape, TankVolumeIn, TankVolumeOut, slosh_hz, tank_volume
from bothy.core.water.waste import DrainTimeIn, drain_time, vent_pa
from bothy.core.words.says import water_says as says

HOSE_L_MIN = 40.0
"""What a fill hose brings, L/min."""


class GaugePart(BaseModel):
    """Signal by fill: share of the usable water, litres, level, signal; and the litres that it can't see."""

    unit: str
    rows: list[GaugeRow]
    blind_low_l: float
    blind_high_l: float
    problem: str | None


class TankPart(BaseModel):
    """A tank: litres, mass, heights over the vehicle's floor, vent, slosh, what its fixing must hold in N, and its gauge."""

    name: str
    holds: str
    problem: str | None
    full_l: float
    usable_l: float
    dead_l: float
    mass_full_kg: float
    cg_z_m: float
    bottom_z_m: float
    top_z_m: float
    outlet_z_m: float
    length_m: float
    height_m: float
    table: list[LevelRow]
    vent_pa: float | None
    slosh_hz: float
    undivided_m: float
    need_x_n: float
    need_y_n: float
    need_z_n: float
    gauge: GaugePart | None
    drain_min: float | None


class JoinPart(BaseModel):
    """Joined tanks: litres of all, what can be drawn, what stays behind, how far the levels part at the pump's draw."""

    name: str
    total_l: float
    usable_l: float
    unusable_l: float
    draw_difference_m: float
    balance_min: float | None


@lru_cache(maxsize=256)
def _volume(key: str) -> TankVolumeOut:
    return tank_volume(TankVolumeIn.model_validate_json(key))


def worked_tank(t: WaterTank) -> TankVolumeOut:
    """A tank's volumes. Raises :class:`BadInput`."""
    made = TankVolumeIn.trusted(prisms=t.prisms, max_level_z_m=t.max_level_z_m, outlet_z_m=t.outlet_z_m, tank_mass_kg=t.tank_mass_kg, steps_count=20)
    return _volume(made.model_dump_json(exclude_none=True))


def _long(t: WaterTank) -> float:
    return max((p.length_m or p.diameter_m or 0.0) for p in t.prisms)


def work_tank(t: WaterTank, g: tuple[float, float, float, float]) -> tuple[TankPart, tuple[Shape, TankVolumeOut] | None]:
    """A tank's figures and, where its shape can be computed, the shape with its volumes; ``g``: the accelerations its restraint is held for."""
    try:
        v = worked_tank(t)
    except BadInput as e:
        none = quick(
            TankPart,
            name=t.name,
            holds=t.holds,
            problem=e.message,
            full_l=0.0,
            usable_l=0.0,
            dead_l=0.0,
            mass_full_kg=t.tank_mass_kg,
            cg_z_m=t.z_m,
            bottom_z_m=t.z_m,
            top_z_m=t.z_m,
            outlet_z_m=t.z_m,
            length_m=_long(t),
            height_m=0.1,
            table=[],
            vent_pa=None,
            slosh_hz=0.0,
            undivided_m=0.0,
            need_x_n=0.0,
            need_y_n=0.0,
            need_z_n=0.0,
            gauge=None,
            drain_min=None,
        )
        return none, None
    shape = Shape(t.prisms)
    height = v.top_z_m - v.bottom_z_m
    undivided = t.undivided_m or _long(t)
    weight = v.mass_full_kg * G
    part = quick(
        TankPart,
        name=t.name,
        holds=t.holds,
        problem=None,
        full_l=v.full_l,
        usable_l=v.usable_l,
        dead_l=v.dead_l,
        mass_full_kg=v.mass_full_kg,
        cg_z_m=t.z_m + v.cg_z_full_m,
        bottom_z_m=t.z_m + v.bottom_z_m,
        top_z_m=t.z_m + v.top_z_m,
        outlet_z_m=t.z_m + (v.bottom_z_m if t.outlet_z_m is None else t.outlet_z_m),
        length_m=_long(t),
        height_m=height,
        table=v.table,
        vent_pa=vent_pa(HOSE_L_MIN if t.fill_by == "hose" else HOSE_L_MIN / 4, t.vent_mm, t.vent_length_m) if t.vent_mm else None,
        slosh_hz=slosh_hz(undivided, max(0.02, height / 2)),
        undivided_m=undivided,
        need_x_n=weight * g[0],
        need_y_n=weight * g[1],
        need_z_n=weight * g[3],
        gauge=_gauge(t),
        drain_min=_drain_min(t, v),
    )
    return part, (shape, v)


def _drain_min(t: WaterTank, v: TankVolumeOut) -> float | None:
    """Minutes until a full tank has run out through its drain, as a box of its height and litres; None without a drain's bore."""
    height = v.top_z_m - v.bottom_z_m
    if t.drain_mm is None or height <= 0 or v.full_l <= 0:
        return None
    return drain_time(DrainTimeIn.trusted(area_m2=v.full_l / 1000 / height, level_m=height, inner_diameter_mm=t.drain_mm)).time_min


def _gauge(t: WaterTank) -> GaugePart | None:
    return _gauge_of(t.model_dump_json(include={"prisms", "max_level_z_m", "outlet_z_m", "sender"})) if t.sender is not None else None


@lru_cache(maxsize=256)
def _gauge_of(key: str) -> GaugePart | None:
    t = WaterTank.model_validate_json(f'{{"id":"t",{key[1:]}')
    s = t.sender
    if s is None:
        return None
    unit = {"resistive": "Ω", "voltage": "V", "stepped": "steps"}[s.kind]
    common = {"prisms": t.prisms, "max_level_z_m": t.max_level_z_m, "outlet_z_m": t.outlet_z_m, "sender_type": s.kind, "fill_fracs": [0, 0.25, 0.5, 0.75, 1]}
    if s.kind == "stepped":
        inp = GaugeCalibrationIn.trusted(**common, step_z_m=s.step_z_m)
    else:
        inp = GaugeCalibrationIn.trusted(
            **common,
            empty_signal=s.empty_signal,
            full_signal=s.full_signal,
            sender_empty_z_m=s.empty_z_m,
            sender_full_z_m=s.full_z_m,
            cable_resistance_ohm=s.cable_resistance_ohm,
        )
    try:
        out: GaugeCalibrationOut = gauge_calibration(inp)
    except BadInput as e:
        return quick(GaugePart, unit=unit, rows=[], blind_low_l=0.0, blind_high_l=0.0, problem=e.message)
    return quick(GaugePart, unit=unit, rows=out.table, blind_low_l=out.blind_low_l, blind_high_l=out.blind_high_l, problem=None)


def work_joins(w: Water, tanks: dict[str, TankPart], shapes: dict[str, tuple[Shape, TankVolumeOut]], draw_l_min: float) -> dict[str, JoinPart]:
    """Where joined tanks settle while they are drawn on at ``draw_l_min``, and how fast they even out; a join whose tank has no volume is left out."""
    out: dict[str, JoinPart] = {}
    by = {t.id: t for t in w.tanks}
    for j in w.joins:
        if any(t not in shapes for t in j.tanks):
            continue
        first = tanks[j.tanks[0]]
        total = sum(tanks[t].full_l for t in j.tanks)
        usable = first.usable_l
        for t in j.tanks[1:]:
            shape, v = shapes[t]
            stays = max(j.z_m, first.outlet_z_m) - by[t].z_m
            usable += max(0.0, v.full_l - shape.litres(max(stays, v.bottom_z_m)))
        boxes = []
        for t in j.tanks:
            p = tanks[t]
            boxes.append(BoxTank.trusted(area_m2=max(1e-3, p.full_l / 1000 / p.height_m), floor_z_m=p.bottom_z_m, height_m=p.height_m, level_z_m=p.top_z_m))
        areas = sum(b.area_m2 for b in boxes)
        through = draw_l_min * (areas - boxes[0].area_m2) / areas / 60000  # all that the other tanks give passes the pipe
        rho = density(AT_C)
        difference = loss_pa(through, j.inner_diameter_mm, j.length_m, ENDS_K, rho, viscosity(AT_C)) / (rho * G)
        balance = None
        if all(j.z_m < b.top for b in boxes[:2]):
            half = [boxes[0], boxes[1].model_copy(update={"level_z_m": boxes[1].floor_z_m})]
            balance = tank_crossover(
                TankCrossoverIn.trusted(tanks=half, crossover_z_m=j.z_m, inner_diameter_mm=j.inner_diameter_mm, length_m=j.length_m)
            ).equalise_time_min
        out[j.id] = quick(JoinPart, name=j.name, total_l=total, usable_l=usable, unusable_l=total - usable, draw_difference_m=difference, balance_min=balance)
    return out


def demand_of(ctx: Context) -> WaterDemandOut:
    """Litres a day of a design."""
    u, t = ctx.design.water.use, ctx.design.water.toilet
    said = {k: v for k, v in u.model_dump(exclude={"style", "target_days"}).items() if v is not None}
    toilet = (
        {
            "toilet_type": t.kind,
            "toilet_home_frac": t.home_frac,
            **({"flush_l": t.flush_l} if t.flush_l is not None else {}),
            **({"flushes_person_day": t.flushes_person_day} if t.flushes_person_day is not None else {}),
        }
        if t
        else {"toilet_type": "none"}
    )
    machines = machines_l_day(ctx)
    return water_demand(
        WaterDemandIn.trusted(persons_count=max(1, int(ctx.people)), style=u.style, **said, **toilet, machines_l_day=machines.value or None),
        {"persons_count": ctx.figure("/life/people"), "machines_l_day": machines},
    )


def machines_l_day(ctx: Context) -> Figure:
    """What the appliances of Life take of the fresh water on a day: washing machine, dishwasher and the like."""
    parts = []
    for a in ctx.design.life.appliances:
        litres, why = water_of(a)
        often = uses_a_day(a) if a.count > 0 else 0.0
        if litres > 0 and often > 0:
            one = given("water_l_per_use", litres, "typed" if why == "typed" else "assumed", why, label=says("water-one-use"))
            parts.append(
                (
                    a.name,
                    derived(
                        "water_l_day",
                        "uses a day · litres a use",
                        often * litres,
                        Method("water.autonomy", "definition"),
                        uses_per_day=often,
                        water_l_per_use=one,
                    ),
                )
            )
    return total(says("water-appliances"), "L", parts, Method("water.autonomy", "appliances of Daily use"))


def work_stores(w: Water, d: WaterDemandOut, tanks: dict[str, TankPart], joins: dict[str, JoinPart]) -> list[StoreIn]:
    """Capacities and flows of all stores that a design has or needs."""
    joined = {t for j in w.joins if j.id in joins for t in j.tanks}

    def tank_store(holds: str) -> tuple[float, float]:
        mine = [t for t in w.tanks if t.holds == holds]
        full = sum(tanks[t.id].full_l for t in mine)
        free = sum(tanks[t.id].usable_l for t in mine if t.id not in joined)
        return full, free + sum(joins[j.id].usable_l for j in w.joins if j.id in joins and any(t.id == j.tanks[0] for t in mine))

    out: list[StoreIn] = []

    def supply(name: str, flow: float, jugs: float) -> None:
        full, usable = tank_store(name)
        full, usable = full + jugs, usable + jugs
        if flow > 0 or full > 0:
            out.append(StoreIn.trusted(name=name, capacity_l=full, flow_l_day=flow, usable_frac=min(1.0, max(1e-6, usable / full)) if full > 0 else 1.0))

    supply("fresh", d.fresh_tank_l_day, w.jug_l * w.jug_count)
    supply("drinking", d.drinking_store_l_day, w.drinking_jug_l)
    if w.grey_to not in ("ground", "overboard"):
        full = tank_store("grey")[0] if w.grey_to == "tank" else w.container_l
        if full > 0:  # where there is none, its finding says so, and it ends no stay
            out.append(StoreIn.trusted(name="grey", capacity_l=full, flow_l_day=d.grey_l_day))
    t = w.toilet
    if t is not None and t.kind not in ("none", "bag"):
        many = 1 + t.spare
        black = tank_store("black")[0] or t.capacity_l
        for name, capacity, flow in (
            ("cassette", t.capacity_l * many, d.cassette_l_day),
            ("black", black, d.black_l_day),
            ("urine", t.capacity_l * many, d.urine_l_day),
            ("solids", t.solids_l, d.solids_l_day if t.kind == "separating" else 0.0),
        ):
            if flow > 0:
                out.append(StoreIn.trusted(name=name, capacity_l=capacity, flow_l_day=flow))
    return out

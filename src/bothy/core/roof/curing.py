"""When a bond or a film has cured while temperature and humidity change: hour by hour, with the limits of the product (method roof.cure-window)."""

from __future__ import annotations

import datetime as dt
import math
from collections.abc import Iterable, Sequence
from typing import Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.catalogue.climates import Climate
from bothy.core.contract import EPS, Contract, Outcome, wrong
from bothy.core.design.build import Build
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.roof.cure import saturation_pa
from bothy.core.words.says import roof_says as says

CureModel = Literal["time", "moisture"]
CureMaterial = Literal[
    "ms_sealant",
    "pu_adhesive",
    "primer_paint",
    "edge_paint",
    "contact_adhesive",
    "varnish",
    "floor_adhesive",
    "wood_glue",
    "epoxy",
    "spray_foam",
    "cavity_wax",
    "solvent_cement",
    "thread_sealant",
]


class Curing(NamedTuple):
    """How a material cures: h at the reference temperature, or mm in a day at 23 °C and 50 %; °C; the factor for 10 K."""

    name: str
    model: CureModel
    ref_h: float | None
    depth_mm: float
    ref_c: float
    q10: float
    min_c: float
    max_c: float


CURINGS: dict[str, Curing] = {
    "ms_sealant": Curing(says("hybrid-sealant"), "moisture", None, 3.0, 20, 2.0, 5, 35),
    "pu_adhesive": Curing(says("polyurethane-adhesive"), "moisture", None, 3.5, 20, 2.0, 8, 35),
    "primer_paint": Curing(says("rust-primer-and-paint"), "time", 16, 3.0, 20, 2.0, 8, 35),
    "edge_paint": Curing(says("paint-on-cut-edges"), "time", 4, 3.0, 20, 2.0, 8, 35),
    "contact_adhesive": Curing(says("contact-adhesive"), "time", 24, 3.0, 20, 1.8, 10, 30),
    "varnish": Curing("varnish", "time", 24, 3.0, 20, 2.0, 10, 30),
    "floor_adhesive": Curing(says("floor-adhesive"), "time", 24, 3.0, 20, 2.0, 15, 30),
    "wood_glue": Curing(says("wood-glue"), "time", 24, 3.0, 20, 2.0, 8, 35),
    "epoxy": Curing(says("two-part-epoxy"), "time", 16, 3.0, 20, 2.0, 10, 35),
    "spray_foam": Curing(says("spray-foam"), "time", 24, 3.0, 20, 1.5, 15, 35),
    "cavity_wax": Curing(says("cavity-wax"), "time", 24, 3.0, 20, 1.5, 5, 35),
    "solvent_cement": Curing(says("solvent-cement"), "time", 24, 3.0, 20, 1.8, 5, 35),
    "thread_sealant": Curing(says("thread-sealant"), "time", 24, 3.0, 20, 2.0, 5, 40),
}
"""Typical; the data sheet wins."""
PLAIN = Curing("", "time", None, 3.0, 20, 2.0, 5, 35)


class Air(NamedTuple):
    """A while of air: h, °C, relative humidity."""

    hours: float
    temp_c: float
    humidity: float


class Cured(NamedTuple):
    """Equivalent hours asked for and reached, when it was ready (h from the start, None: not yet), hours too cold and too hot, and how far it was when it
    first stood still."""

    needed: float
    reached: float
    ready_h: float | None
    stalled_h: float
    hot_h: float
    stalled_at: float | None


def rate_of(c: Curing, temp_c: float, humidity: float) -> float:
    """How fast it cures against its reference; 0 below its least temperature, no faster above its highest."""
    if temp_c < c.min_c - EPS:
        return 0.0
    t = min(temp_c, c.max_c)
    if c.model == "moisture":
        return humidity * saturation_pa(t) / (0.5 * saturation_pa(23))
    return float(c.q10 ** ((t - c.ref_c) / 10))


def needed_h(c: Curing, depth_mm: float, linear: bool = False) -> float:
    """Equivalent hours until it is cured."""
    if c.model == "time":
        return c.ref_h or 0.0
    return 24 * (depth_mm / c.depth_mm) ** (1 if linear else 2)


def cure(c: Curing, needed: float, air: Iterable[Air], hold_last: bool = False) -> Cured:
    """How a cure goes through the air of one while after the other; with ``hold_last`` the last one lasts for ever."""
    reached = at = stalled = hot = 0.0
    ready: float | None = None
    first_stop: float | None = None
    last = None
    for a in air:
        last, r = a, rate_of(c, a.temp_c, a.humidity)
        if ready is None and r > 0 and reached + r * a.hours >= needed - EPS:
            ready = at + (needed - reached) / r
        if a.temp_c < c.min_c - EPS:
            stalled += a.hours
            if first_stop is None and ready is None:
                first_stop = reached / needed if needed > 0 else 1.0
        elif a.temp_c > c.max_c + EPS:
            hot += a.hours
        reached += r * a.hours
        at += a.hours
    if ready is None and hold_last and last is not None and (r := rate_of(c, last.temp_c, last.humidity)) > 0:
        ready = at + (needed - reached) / r
    return Cured(needed, reached, ready, stalled, hot, first_stop)


def day_air(tmin_c: float, tmax_c: float, rh_frac: float, first_hour: int, hours: int) -> list[Air]:
    """Air of the hours after ``first_hour`` on days that are all alike: warmest at 15, the same vapour all day (method roof.cure-window)."""
    mean, swing = (tmin_c + tmax_c) / 2, (tmax_c - tmin_c) / 2
    vapour = rh_frac * saturation_pa(mean)
    out = []
    for h in range(first_hour, first_hour + hours):
        t = mean + swing * math.cos(2 * math.pi * (h + 0.5 - 15) / 24)
        out.append(Air(1.0, t, max(0.05, min(0.98, vapour / saturation_pa(t)))))
    return out


WET = 0.5
"""From this chance of rain on a day counts as wet."""


class Coming(NamedTuple):
    """A day that lies ahead, as a forecast has it: °C, and how likely rain is."""

    day: dt.date
    low_c: float
    high_c: float
    rain: float


def coming_of(b: Build) -> tuple[Coming, ...]:
    """The days of the forecast that the plan goes by."""
    return tuple(Coming(dt.date.fromisoformat(x.day), x.low_c, x.high_c, x.rain_frac) for x in b.coming)


def days_air(c: Climate, coming: tuple[Coming, ...], day: dt.date, hour: int, hours: int, month: int, warmer: float = 0.0) -> list[Air]:
    """Air of the hours after ``hour`` of a day, day by day: by the forecast where it reaches, else by the normals of ``month``; the vapour is the month's."""
    known = {x.day: x for x in coming}
    out: list[Air] = []
    while len(out) < hours:
        x = known.get(day)
        low, high = (x.low_c, x.high_c) if x is not None else (c.tmin_c[month - 1], c.tmax_c[month - 1])
        if x is None and day > coming[-1].day:
            return out + day_air(low + warmer, high + warmer, c.rh_frac[month - 1], hour, hours - len(out))
        out += day_air(low + warmer, high + warmer, c.rh_frac[month - 1], hour, min(24 - hour, hours - len(out)))
        day, hour = day + dt.timedelta(days=1), 0
    return out


def dew_point(temp_c: float, humidity: float) -> float:
    """Dew point in °C (Magnus)."""
    g = math.log(max(1e-6, humidity)) + 17.62 * temp_c / (243.12 + temp_c)
    return 243.12 * g / (17.62 - g)


DEW_K = 3.0
"""A surface that is coated or bonded stands this much above the dew point (typical)."""


def good_hours(air: Sequence[Air], min_c: float, max_c: float) -> list[bool]:
    """Hours in which a bead may be laid: not too cold, not too hot, and dry enough for the surface."""
    return [min_c <= a.temp_c <= max_c and a.temp_c - dew_point(a.temp_c, a.humidity) >= DEW_K for a in air]


class AirIn(Contract):
    duration_h: float = Field(gt=0, le=10000)
    temp_c: float = Field(ge=-60, le=80)
    rh_frac: float = Field(0.5, gt=0, le=1)


class CureWindowIn(Contract):
    material: CureMaterial | None = None
    model: CureModel | None = None
    cure_h_ref: float | None = Field(None, gt=0, le=10000)
    depth_24h_mm: float | None = Field(None, gt=0, le=50)
    temp_ref_c: float | None = Field(None, ge=-20, le=60)
    q10: float | None = Field(None, ge=1, le=4)
    min_temp_c: float | None = Field(None, ge=-40, le=60)
    max_temp_c: float | None = Field(None, ge=-40, le=100)
    bead_depth_mm: float = Field(3, gt=0, le=30)
    profile: list[AirIn] = Field(min_length=1, max_length=2000)
    hold_last: bool = False

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.material is None and self.model is None:
            raise wrong("material", says("give-material-or-model"))
        c = self.curing
        if c.model == "time" and c.ref_h is None:
            raise wrong("cure_h_ref", says("required-where-material-not"))
        if c.max_c < c.min_c:
            raise wrong("max_temp_c", says("must-be-at-least", min_c=c.min_c))
        return self

    @property
    def curing(self) -> Curing:
        """The material with what was typed laid over."""
        base = CURINGS[self.material] if self.material is not None else PLAIN
        return base._replace(
            model=self.model or base.model,
            ref_h=base.ref_h if self.cure_h_ref is None else self.cure_h_ref,
            depth_mm=base.depth_mm if self.depth_24h_mm is None else self.depth_24h_mm,
            ref_c=base.ref_c if self.temp_ref_c is None else self.temp_ref_c,
            q10=base.q10 if self.q10 is None else self.q10,
            min_c=base.min_c if self.min_temp_c is None else self.min_temp_c,
            max_c=base.max_c if self.max_temp_c is None else self.max_temp_c,
        )


class CureWindowOut(Outcome):
    required_equiv_h: float
    equiv_h: float
    progress_frac: float
    ready_h: float | None
    cured: bool
    stalled_h: float
    hot_h: float


def cure_window(inp: CureWindowIn, sources: dict[str, Figure] | None = None) -> CureWindowOut:
    """When it has cured in air that changes. Method: roof.cure-window."""
    c = inp.curing
    needed = needed_h(c, inp.bead_depth_mm)
    hours = sum(p.duration_h for p in inp.profile)
    got = cure(c, needed, (Air(p.duration_h, p.temp_c, p.rh_frac) for p in inp.profile), inp.hold_last)

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("roof.cure-window"), **inputs)

    law = "24·(depth/depth in 24 h)²" if c.model == "moisture" else says("hours-at-reference-temperature")
    what = {"bead_depth_mm": inp.bead_depth_mm, "depth_24h_mm": c.depth_mm} if c.model == "moisture" else {"cure_h_ref": c.ref_h or 0.0}
    within = got.ready_h is not None and got.ready_h <= hours + EPS
    return CureWindowOut.of(
        required_equiv_h=fig("required_equiv_h", law, needed, **what),
        equiv_h=fig("equiv_h", "Σ rate·Δt", got.reached, duration_h=hours),
        progress_frac=fig("progress_frac", says("reached-required-at-most"), min(1.0, got.reached / needed), equiv_h=got.reached, required_equiv_h=needed),
        ready_h=None if got.ready_h is None else fig("ready_h", "when Σ rate·Δt = required", got.ready_h, equiv_h=got.reached, required_equiv_h=needed),
        cured=within,
        stalled_h=fig("stalled_h", "Σ Δt below the least temperature", got.stalled_h, min_temp_c=c.min_c),
        hot_h=fig("hot_h", "Σ Δt over the highest temperature", got.hot_h, max_temp_c=c.max_c),
    )

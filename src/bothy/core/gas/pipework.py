"""The gas pipes of a design as a tree: one size for all that have none, flows with everything burning, pressure at each end (method gas.pipe-drop)."""

from __future__ import annotations

import hashlib
from collections.abc import Mapping
from typing import Literal

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import EPS, quick
from bothy.core.design.gas import Gas, GasPipe, Hose
from bothy.core.fluid import area_m2
from bothy.core.gas.pipe import LIMITS, SIZES_MM, GasPipeSizeIn, GasPipeSizeOut, SegmentIn, gas_pipe_size, segment_reynolds
from bothy.core.gas.supply import BurnPart, mixture

LAMINAR, TURBULENT = 2300.0, 4000.0
REGULATORS_KG_H = (0.8, 1.2, 1.5, 2.5, 4.0, 6.0, 10.0)
"""Sizes in which regulators are sold."""
REGULATOR_Y, HIGH_HOSE_Y, LOW_HOSE_Y = 10.0, 5.0, 10.0
SIZES_US_MM = (7.9, 10.9, 15.8)
"""3/8 and 1/2 in outside, 1/2 in nominal steel (method gas.pipe-size)."""
UNSTEADY_PART = 0.65
"""Part of the limit from which a run between laminar and turbulent is spoken of (the method of gas, rule gas-pipe-transition)."""


class RunPart(BaseModel):
    """A run with everything on: kg/h, bore, what it takes, what is lost from the regulator to its end, pressure there, Reynolds number and whether
    it flows laminar, turbulent or between the two."""

    name: str
    flow_kg_h: float
    inner_diameter_mm: float
    drop_mbar: float
    lost_mbar: float
    end_mbar: float
    reynolds: float
    regime: Literal["laminar", "between", "turbulent"]


class PipesPart(BaseModel):
    """All runs: the size that Bothy chose, whether any fits, the limit, the worst end, runs by id, litres inside."""

    ok: bool
    chosen_mm: float | None
    limit_mbar: float
    nominal_mbar: float
    worst: str | None
    worst_mbar: float
    runs: dict[str, RunPart]
    volume_l: float


def nominal_mbar(ctx: Context) -> float:
    """Pressure after the regulator: its own, or the region's."""
    r = ctx.design.gas.regulator
    return r.nominal_mbar if r and r.nominal_mbar is not None else LIMITS[ctx.region.key].appliance


def regulator_size_kg_h(needed_kg_h: float) -> float | None:
    """The smallest regulator sold that suffices; None where none does."""
    return next((c for c in REGULATORS_KG_H if c >= needed_kg_h), None)


def hose_life_years(h: Hose) -> float:
    """After how long a hose is replaced."""
    return HIGH_HOSE_Y if h.high_pressure else LOW_HOSE_Y


def sizes_mm(ctx: Context) -> tuple[float, ...]:
    """Bores that are sold in the region."""
    return SIZES_US_MM if ctx.region.key == "us" else SIZES_MM


def solved(ctx: Context, g: Gas, burns: Mapping[str, BurnPart]) -> GasPipeSizeOut:
    """The pipes of a gas system, its own or one changed for a try."""
    return gas_pipe_size(
        GasPipeSizeIn.trusted(gas=g.gas, region=ctx.region.key, pressure_mbar=nominal_mbar(ctx), catalogue_mm=list(sizes_mm(ctx)), segments=_segments(g, burns))
    )


def _segments(g: Gas, burns: Mapping[str, BurnPart]) -> list[SegmentIn]:
    count = {a.id: a.count for a in g.appliances}
    return [
        SegmentIn.trusted(
            name=f"={p.id}",
            from_="regulator" if p.parent is None else f"={p.parent}",
            length_m=p.length_m,
            fittings=p.fittings,
            inner_diameter_mm=p.inner_diameter_mm,
            flow_kg_h=burns[p.appliance].rate_g_h * count[p.appliance] / 1000 if p.appliance else None,
        )
        for p in g.pipes
    ]


def work_pipes(ctx: Context, burns: Mapping[str, BurnPart]) -> tuple[PipesPart | None, GasPipeSizeOut | None]:
    """The tree solved; None where no run feeds anything."""
    g = ctx.design.gas
    fed = [p for p in g.pipes if p.appliance is not None]
    if not fed:
        return None, None
    mix, nominal = mixture(g), nominal_mbar(ctx)
    out = solved(ctx, g, burns)
    names = {f"={p.id}": p for p in g.pipes}
    runs: dict[str, RunPart] = {}
    for s in out.segments:
        p = names[s.name]
        re = segment_reynolds(s.flow_kg_h, s.inner_diameter_mm, mix, nominal, 15.0)
        runs[p.id] = quick(
            RunPart,
            name=p.name,
            flow_kg_h=s.flow_kg_h,
            inner_diameter_mm=s.inner_diameter_mm,
            drop_mbar=s.drop_mbar,
            lost_mbar=s.cumulative_mbar,
            end_mbar=nominal - s.cumulative_mbar,
            reynolds=re,
            regime="laminar" if re <= LAMINAR else "turbulent" if re >= TURBULENT else "between",
        )
    part = quick(
        PipesPart,
        ok=out.ok,
        chosen_mm=out.inner_diameter_mm,
        limit_mbar=out.limit_mbar,
        nominal_mbar=nominal,
        worst=names[out.worst_segment].id,
        worst_mbar=out.worst_mbar,
        runs=runs,
        volume_l=sum(1000 * area_m2(runs[p.id].inner_diameter_mm) * p.length_m for p in g.pipes),
    )
    return part, out


def path(g: Gas, p: GasPipe) -> list[GasPipe]:
    """A run and all before it, back to the regulator."""
    by = {x.id: x for x in g.pipes}
    out, at = [p], p
    while at.parent is not None:
        at = by[at.parent]
        out.append(at)
    return out


def marks(g: Gas) -> dict[str, str]:
    """A mark for each part that a leak test proves; it changes with the part, so that a change after the test is seen (:func:`same_mark`).

    Lengths stand behind the mark, in m, for a run that is a hand's breadth longer on paper was not laid anew.
    """

    def mark(*values: object) -> str:
        return hashlib.blake2s(repr(values).encode(), digest_size=6).hexdigest()

    out = {
        f"run:{p.id}": mark(p.parent, p.appliance, p.inner_diameter_mm, sorted(p.fittings.items()), p.material, p.joint) + f":{p.length_m:.3f}" for p in g.pipes
    }
    out |= {f"appliance:{a.id}": mark(a.kind, a.heat_input_w, a.valve) for a in g.appliances}
    out |= {f"hose:{h.id}": mark(h.high_pressure) + f":{h.length_m:.3f}" for h in g.hoses}
    if g.regulator is not None:
        out["regulator"] = mark(g.regulator.name, g.regulator.nominal_mbar, g.regulator.capacity_kg_h, g.regulator.mount)
    if g.solenoid is not None:
        out["solenoid"] = mark(g.solenoid.normally_closed)
    return out


SAME_LENGTH_M = 0.05
"""A length that differs by less is the same piece of pipe, measured again (our own choice: nobody makes a pipe anew for it)."""


def same_mark(tested: str | None, now: str | None) -> bool:
    """Whether a part is what it was when it was tested."""
    if tested is None or now is None:
        return tested is now
    (was, _, was_m), (is_, _, is_m) = tested.partition(":"), now.partition(":")
    try:
        return was == is_ and abs(float(was_m or 0) - float(is_m or 0)) <= SAME_LENGTH_M + EPS
    except ValueError:
        return False

"""The schools against damp, side by side on one build-up: with a tight membrane on the warm side, and open to vapour (method warmth.condensation and 6)."""

from __future__ import annotations

from functools import lru_cache
from typing import Literal

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.warmth import BuildUp, WallLayer
from bothy.core.warmth.air import saturation_pa
from bothy.core.warmth.build_up import R_SI, Direction
from bothy.core.warmth.condensation import DELTA_0, PER_DAY, CondensationCheckIn, condensation_check
from bothy.core.warmth.surfaces import DESIGN_RH, OUTDOOR_RH, layers_of
from bothy.core.words.says import warmth_says as says

MEMBRANES = ("vapour_foil", "smart_membrane")
SUNNY_SKIN_C, DRY_ROOM_C, DRY_ROOM_RH = 35.0, 22.0, 0.5
"""A day that dries: skin warmed by the sun, aired inside. Typical."""

SchoolKey = Literal["as_built", "barrier", "open"]


class SchoolView(BaseModel):
    """What a school does to a build-up: water caught in a cold day and let go inwards in a sunny one, g/(m²·day); years of each against the other
    are the reader's."""

    school: SchoolKey
    what: str
    wets_g_m2_day: float
    dries_g_m2_day: float
    air_leak_condenses: bool
    same: bool


def with_barrier(b: BuildUp) -> BuildUp:
    """The build-up with one taped foil behind its innermost solid layer; its other membranes go."""
    layers = [x for x in b.layers if x.material not in MEMBRANES]
    at = 1 if layers and layers[0].over_ribs else 0
    foil = WallLayer(id="school-foil", material="vapour_foil", thickness_mm=0.2, over_ribs=True)
    return b.model_copy(update={"layers": [*layers[:at], foil, *layers[at:]]})


def opened(b: BuildUp) -> BuildUp:
    """The build-up without any membrane."""
    return b.model_copy(update={"layers": [x for x in b.layers if x.material not in MEMBRANES]})


def drying(b: BuildUp) -> float:
    """Water that leaves inwards from a wet skin on a sunny day, g/(m²·day), by diffusion alone."""
    sd = sum(x.sd for x in layers_of(b)[: len(b.layers)])
    drive = saturation_pa(SUNNY_SKIN_C) - DRY_ROOM_RH * saturation_pa(DRY_ROOM_C)
    return DELTA_0 * PER_DAY * drive / max(sd, 0.05)


def schools(ctx: Context, b: BuildUp, direction: Direction) -> list[SchoolView]:
    """The build-up as it is and by each school, on the same cold day; empty where there's nothing but skin."""
    return list(_schools(b.model_dump_json(exclude={"id", "name", "by"}), direction, ctx.indoor_c, ctx.cold_c)) if b.layers else []


@lru_cache(maxsize=256)
def _schools(key: str, direction: Direction, indoor_c: float, cold_c: float) -> tuple[SchoolView, ...]:
    b = BuildUp.model_validate_json(f'{{"id":"b","name":"b",{key[1:]}')
    out: list[SchoolView] = []
    mine = [x.material for x in b.layers]
    for school, what, made in (
        ("as_built", "as it is", b),
        ("barrier", says("with-one-taped-foil"), with_barrier(b)),
        ("open", says("open-to-vapour-no"), opened(b)),
    ):
        if not made.layers:
            continue
        d = condensation_check(
            CondensationCheckIn.trusted(
                direction=direction,
                rsi_m2k_w=R_SI[direction],
                layers=layers_of(made),
                indoor_temp_c=indoor_c,
                outdoor_temp_c=cold_c,
                indoor_rh_frac=DESIGN_RH,
                outdoor_rh_frac=OUTDOOR_RH,
            )
        )
        out.append(
            quick(
                SchoolView,
                school=school,
                what=what,
                wets_g_m2_day=d.condensation_g_m2_day,
                dries_g_m2_day=drying(made),
                air_leak_condenses=d.air_leak_condenses,
                same=school != "as_built" and [x.material for x in made.layers] == mine,
            )
        )
    return tuple(out)

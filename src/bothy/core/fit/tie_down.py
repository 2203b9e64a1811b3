"""What holds a thing when the vehicle brakes, turns or is hit (method fit.tie-down)."""

from __future__ import annotations

import math
from typing import Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.constants import G
from bothy.core.contract import EPS, Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import fit_says as says

TieSchool = Literal["interior_10g", "lpg_light", "lpg_us", "cargo_lashing", "marine_battery"]
DIRECTIONS = ("forward", "rear", "side", "up")
TIE_G: dict[str, tuple[float, float, float, float]] = {
    "interior_10g": (10, 10, 10, 10),
    "lpg_light": (20, 20, 8, 8),
    "lpg_us": (8, 8, 8, 8),
    "cargo_lashing": (0.8, 0.5, 0.5, 0.2),
    "marine_battery": (2, 2, 2, 2),
}
"""Forward, rear, side, up in g (method fit.tie-down)."""


class Fixing(NamedTuple):
    """A kind of fixing: its name and what one holds across and along, N (typical; the data sheet and a pull test govern)."""

    name: str
    shear_n: float
    pull_n: float


FIXINGS: dict[str, Fixing] = {
    "bolt_m6_plate": Fixing(says("bolt-spreader-plate-under"), 7718, 7500),
    "bolt_m8_plate": Fixing(says("bolt-spreader-plate-under-floor"), 14054, 7500),
    "insert_m6": Fixing(says("threaded-insert-in-steel"), 2500, 2500),
    "insert_m8": Fixing(says("threaded-insert-in-steel-2"), 5000, 6000),
    "self_tapping": Fixing(says("self-tapping-screw-in"), 1800, 900),
    "wood_screw_ply": Fixing(says("wood-screw-in-birch"), 900, 700),
    "wood_screw_softwood": Fixing("wood screw 5 × 40 in softwood", 1000, 1500),
}


class Pull(NamedTuple):
    """One direction: force, shear and pull of each fixing in N, and how much of its strength with the safety factor is used."""

    direction: str
    force_n: float
    shear_n: float
    pull_n: float
    used: float


def pulls(
    mass_kg: float, g: tuple[float, float, float, float], count: int, shear_n: float, pull_n: float, safety: float, height: float, base: tuple[float, float]
) -> list[Pull]:
    """What a mass on ``count`` fixings in two rows asks of each, by direction. ``height`` of its centre over them, ``base`` along x and y, m."""
    out = []
    for name, times in zip(DIRECTIONS, g, strict=True):
        force = mass_kg * G * times
        if name == "up":
            shear, pull = 0.0, force / count
        else:
            span = base[1] if name == "side" else base[0]
            shear, pull = force / count, 2 * force * height / (count * span) if height > 0 else 0.0
        out.append(Pull(name, force, shear, pull, safety * (shear / shear_n + pull / pull_n)))
    return out


def needed(count: int, used: float) -> int:
    """Fixings that would do: even, at least four."""
    n = math.ceil(count * used - EPS)
    return max(4, n + n % 2)


class TieDownIn(Contract):
    mass_kg: float = Field(gt=0, le=5000)
    school: TieSchool = "interior_10g"
    g_forward: float | None = Field(None, ge=0, le=50)
    g_rear: float | None = Field(None, ge=0, le=50)
    g_side: float | None = Field(None, ge=0, le=50)
    g_up: float | None = Field(None, ge=0, le=50)
    safety_factor: float = Field(2, ge=1, le=10)
    fixing_count: Whole = Field(4, ge=2, le=200)
    fixing_shear_n: float = Field(gt=0, le=1e6)
    fixing_pull_n: float = Field(gt=0, le=1e6)
    cg_height_m: float = Field(0, ge=0, le=3)
    base_x_m: float | None = Field(None, gt=0, le=10)
    base_y_m: float | None = Field(None, gt=0, le=10)
    strap_strength_n: float | None = Field(None, gt=0, le=1e6)
    strap_angle_deg: float = Field(0, ge=0, le=80)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.fixing_count % 2:
            raise wrong("fixing_count", says("must-be-even-two"))
        if self.cg_height_m > 0:
            for key in ("base_x_m", "base_y_m"):
                if getattr(self, key) is None:
                    raise wrong(key, says("required-where-cg-height"))
        return self


class DirectionOut(BaseModel):
    direction: str
    force_n: float
    shear_per_fixing_n: float
    pull_per_fixing_n: float
    utilisation_frac: float
    strap_count: int | None


class TieDownOut(Outcome):
    directions: list[DirectionOut]
    worst_direction: str
    utilisation_frac: float
    fixing_count_required: int
    strap_count_required: int | None
    finding_ids: list[str]


def tie_down(inp: TieDownIn, sources: dict[str, Figure] | None = None) -> TieDownOut:
    """What each fixing carries by direction, how many would do, and straps. Method: fit.tie-down."""
    typed = (inp.g_forward, inp.g_rear, inp.g_side, inp.g_up)
    g = tuple(d if t is None else t for t, d in zip(typed, TIE_G[inp.school], strict=True))
    rows = pulls(
        inp.mass_kg,
        (g[0], g[1], g[2], g[3]),
        inp.fixing_count,
        inp.fixing_shear_n,
        inp.fixing_pull_n,
        inp.safety_factor,
        inp.cg_height_m,
        (inp.base_x_m or 1.0, inp.base_y_m or 1.0),
    )
    straps: list[int | None] = [None] * len(rows)
    if inp.strap_strength_n is not None:
        holds = 2 * inp.strap_strength_n * math.cos(math.radians(inp.strap_angle_deg))
        straps = [math.ceil(inp.safety_factor * r.force_n / holds - EPS) for r in rows]
    worst = max(rows, key=lambda r: r.used)
    return TieDownOut.of(
        directions=[
            DirectionOut(
                direction=r.direction, force_n=r.force_n, shear_per_fixing_n=r.shear_n, pull_per_fixing_n=r.pull_n, utilisation_frac=r.used, strap_count=s
            )
            for r, s in zip(rows, straps, strict=True)
        ],
        worst_direction=worst.direction,
        utilisation_frac=derived(
            "utilisation_frac",
            "SF·(V/S + T/P), worst direction",
            worst.used,
            Method("fit.tie-down"),
            mass_kg=inp.mass_kg,
            force_n=worst.force_n,
            shear_per_fixing_n=worst.shear_n,
            pull_per_fixing_n=worst.pull_n,
            safety_factor=inp.safety_factor,
            fixing_shear_n=inp.fixing_shear_n,
            fixing_pull_n=inp.fixing_pull_n,
        ),
        fixing_count_required=derived(
            "fixing_count_required",
            "⌈n·used⌉, even, at least 4",
            needed(inp.fixing_count, worst.used),
            Method("fit.tie-down"),
            fixing_count=inp.fixing_count,
            utilisation_frac=worst.used,
        ),
        strap_count_required=None
        if inp.strap_strength_n is None
        else derived(
            "strap_count_required",
            "⌈SF·F/(2·S·cos β)⌉, the most of the directions",
            max(s or 0 for s in straps),
            Method("fit.tie-down"),
            safety_factor=inp.safety_factor,
            force_n=max(r.force_n for r in rows),
            strap_strength_n=inp.strap_strength_n,
            strap_angle_deg=inp.strap_angle_deg,
        ),
        finding_ids=["fit-tie-down-weak"] if worst.used > 1 + EPS else [],
    )

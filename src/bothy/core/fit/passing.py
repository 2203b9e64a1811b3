"""Whether a thing goes into a gap, through a door and round a corner (method fit.gap, fit.door, fit.corner)."""

from __future__ import annotations

import math
from itertools import permutations
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import fit_says as says

TIGHT_M = 0.005
SAMPLES = 1801
Size = Annotated[float, Field(gt=0, le=10)]
Extra = Annotated[float, Field(ge=0, le=1)]


class Sizes(Contract):
    width_m: Size
    depth_m: Size
    height_m: Size


class Gap(Contract):
    x_m: float = Field(gt=0, le=20)
    y_m: float = Field(gt=0, le=20)
    z_m: float = Field(gt=0, le=20)


class Around(Contract):
    x: float = Field(0, ge=0, le=2)
    y: float = Field(0, ge=0, le=2)
    z: float = Field(0, ge=0, le=2)


class GapFitIn(Contract):
    item: Sizes
    gap: Gap
    measure_tolerance_m: float = Field(0.003, ge=0, le=0.1)
    clearance_m: Around = Around()
    terminal_space_m: float = Field(0, ge=0, le=1)
    orientation: Literal["upright", "any"] = "upright"


class GapOption(BaseModel):
    along_x: str
    along_y: str
    along_z: str
    spare_x_m: float
    spare_y_m: float
    spare_z_m: float
    min_spare_m: float


class GapFitOut(Outcome):
    fits: bool
    best: dict[str, str | float]
    option_count: int
    fitting_count: int
    finding_ids: list[str]


def gap_options(
    item: tuple[float, float, float], gap: tuple[float, float, float], around: tuple[float, float, float], tolerance: float, upright: bool
) -> list[GapOption]:
    """Every way to put an item (width, depth, height in m) into a gap (x, y, z), best first."""
    named = {"width": item[0], "depth": item[1], "height": item[2]}
    out = []
    for ways in permutations(("width", "depth", "height")):
        if upright and ways[2] != "height":
            continue
        spare = [g - tolerance - c - named[w] for w, g, c in zip(ways, gap, around, strict=True)]
        out.append(
            GapOption(along_x=ways[0], along_y=ways[1], along_z=ways[2], spare_x_m=spare[0], spare_y_m=spare[1], spare_z_m=spare[2], min_spare_m=min(spare))
        )
    return sorted(out, key=lambda o: (-round(o.min_spare_m, 9), o.along_x, o.along_y))


def gap_fit(inp: GapFitIn, sources: dict[str, Figure] | None = None) -> GapFitOut:
    """Whether an item goes into a measured gap, which way round, and what is to spare. Method: fit.gap."""
    i, g, c = inp.item, inp.gap, inp.clearance_m
    options = gap_options(
        (i.width_m, i.depth_m, i.height_m + inp.terminal_space_m),
        (g.x_m, g.y_m, g.z_m),
        (c.x, c.y, c.z),
        inp.measure_tolerance_m,
        inp.orientation == "upright",
    )
    best = options[0]
    fits = best.min_spare_m >= -EPS
    tight = fits and best.min_spare_m < TIGHT_M - EPS
    count = sum(o.min_spare_m >= -EPS for o in options)
    return GapFitOut.of(
        fits=fits,
        best={
            key: derived(key, "gap − tape − clearance − item", value, Method("fit.gap"), measure_tolerance_m=inp.measure_tolerance_m)
            if isinstance(value, float)
            else value
            for key, value in best.model_dump().items()
        },
        option_count=derived(
            "option_count", says("upright-ways-any"), len(options), Method("fit.gap"), height_m=i.height_m, terminal_space_m=inp.terminal_space_m
        ),
        fitting_count=derived(
            "fitting_count",
            says("ways-with-gap-tape"),
            count,
            Method("fit.gap"),
            measure_tolerance_m=inp.measure_tolerance_m,
            min_spare_m=best.min_spare_m,
        ),
        finding_ids=[] if fits and not tight else ["fit-gap-tight" if fits else "fit-gap-too-small"],
    )


class DoorPassIn(Contract):
    opening_width_m: Size
    opening_height_m: Size
    width_m: Size
    depth_m: Size
    height_m: Size
    extra_width_m: Extra = 0
    extra_depth_m: Extra = 0
    extra_height_m: Extra = 0
    tilt_max_deg: float = Field(0, ge=0, le=90)
    may_lie_down: bool = False
    free_depth_m: float | None = Field(None, gt=0, le=20)
    margin_m: float = Field(0.01, ge=0, le=0.2)

    @model_validator(mode="after")
    def _room(self) -> Self:
        for key in ("opening_width_m", "opening_height_m"):
            if getattr(self, key) - 2 * self.margin_m <= EPS:
                raise wrong(key, says("nothing-left-after-all", margin_m=self.margin_m))
        return self


class DoorWay(BaseModel):
    travel: str
    passes: bool
    tilt_deg: float | None
    straight_spare_m: float
    inside_spare_m: float | None


class DoorPassOut(Outcome):
    passes: bool
    ways: list[DoorWay]
    finding_ids: list[str]


def least_tilt(p: float, q: float, a: float, b: float, most_deg: float) -> float | None:
    """The least tilt in degrees at which a rectangle p × q (flat, upright) goes through a × b; None when none up to ``most_deg`` does.

    It needs p·cos θ + q·sin θ ≤ a and p·sin θ + q·cos θ ≤ b; the first angle that does is an end of the range or where one of them is met exactly.
    """
    d, most = math.hypot(p, q), math.radians(most_deg)
    tries = [0.0, most]
    if a <= d:
        phi, s = math.atan2(q, p), math.acos(a / d)
        tries += [phi - s, phi + s]
    if b <= d:
        phi, s = math.atan2(p, q), math.acos(b / d)
        tries += [phi - s, phi + s]
    for t in sorted(tries):
        if -EPS <= t <= most + EPS:
            c, s = math.cos(t), math.sin(t)
            if p * c + q * s <= a + EPS and p * s + q * c <= b + EPS:
                return math.degrees(max(0.0, t))
    return None


class Opening(NamedTuple):
    """A clear opening in m, already less what hands and padding take."""

    width_m: float
    height_m: float


def door_ways(size: tuple[float, float, float], opening: Opening, tilt_max_deg: float, may_lie_down: bool, free_depth_m: float | None) -> list[DoorWay]:
    """Every way of an item (width, depth, height in m, with flanges) through an opening, in the method's order."""
    w, d, h = size
    most = 90.0 if may_lie_down else tilt_max_deg
    ways = [("depth", d, w, h), ("width", w, d, h)]
    if may_lie_down:
        ways.append(("height", h, w, d))
    out = []
    for name, travel, p, q in ways:
        tilt = least_tilt(p, q, opening.width_m, opening.height_m, most)
        inside = None if free_depth_m is None else free_depth_m - travel
        out.append(
            DoorWay(
                travel=name,
                passes=tilt is not None and (inside is None or inside >= -EPS),
                tilt_deg=tilt,
                straight_spare_m=min(opening.width_m - p, opening.height_m - q),
                inside_spare_m=inside,
            )
        )
    return out


def door_pass(inp: DoorPassIn, sources: dict[str, Figure] | None = None) -> DoorPassOut:
    """Whether an item goes through a door, by which way and tilted how far. Method: fit.door."""
    m = 2 * inp.margin_m
    ways = door_ways(
        (inp.width_m + inp.extra_width_m, inp.depth_m + inp.extra_depth_m, inp.height_m + inp.extra_height_m),
        Opening(inp.opening_width_m - m, inp.opening_height_m - m),
        inp.tilt_max_deg,
        inp.may_lie_down,
        inp.free_depth_m,
    )
    passes = any(w.passes for w in ways)
    out = DoorPassOut.of(passes=passes, ways=ways, finding_ids=[] if passes else ["fit-door-too-small"])
    best = max(ways, key=lambda w: w.straight_spare_m)
    out.working["passes"] = derived(
        "passes",
        "p·cos θ + q·sin θ ≤ width − 2m and p·sin θ + q·cos θ ≤ height − 2m",
        passes,
        Method("fit.door"),
        opening_width_m=inp.opening_width_m,
        opening_height_m=inp.opening_height_m,
        margin_m=inp.margin_m,
        straight_spare_m=best.straight_spare_m,
    )
    return out


class CornerWay(NamedTuple):
    """What passes a right-angled corner of corridors a and b: widest at this length, longest at this width (None: no corridor that wide), and the angle."""

    width_max_m: float
    length_max_m: float | None
    angle_deg: float


def _least(of, low: float, high: float) -> tuple[float, float]:  # type: ignore[no-untyped-def]
    """The least value of a function between two ends and where: samples, then a golden section round the best."""
    step = (high - low) / (SAMPLES - 1)
    best = min(range(SAMPLES), key=lambda i: (of(low + i * step), i))
    a, b = low + max(0, best - 1) * step, low + min(SAMPLES - 1, best + 1) * step
    g = (math.sqrt(5) - 1) / 2
    c, d = b - g * (b - a), a + g * (b - a)
    fc, fd = of(c), of(d)
    for _ in range(80):
        if fc <= fd:
            b, d, fd = d, c, fc
            c = b - g * (b - a)
            fc = of(c)
        else:
            a, c, fc = c, d, fd
            d = a + g * (b - a)
            fd = of(d)
    at = low + best * step
    return min(((of(at), at), (fc, c), (fd, d)), key=lambda v: v[0])


def corner(length: float, width: float, a: float, b: float) -> CornerWay:
    """What goes round a right-angled corner: a sin θ + b cos θ − L sin θ cos θ at its least."""
    width_max, at = _least(lambda t: a * math.sin(t) + b * math.cos(t) - length * math.sin(t) * math.cos(t), 0.0, math.pi / 2)
    if width >= min(a, b):
        return CornerWay(width_max, None, math.degrees(at))
    e = 1e-4
    longest, _ = _least(lambda t: (a * math.sin(t) + b * math.cos(t) - width) / (math.sin(t) * math.cos(t)), e, math.pi / 2 - e)
    return CornerWay(width_max, longest, math.degrees(at))


class CorridorTurnIn(Contract):
    length_m: float = Field(gt=0, le=20)
    width_m: float = Field(gt=0, le=20)
    corridor_a_m: float = Field(gt=0, le=20)
    corridor_b_m: float = Field(gt=0, le=20)
    margin_m: float = Field(0.01, ge=0, le=0.2)


class CorridorTurnOut(Outcome):
    passes: bool
    by: str
    slide_passes: bool
    turn_passes: bool
    turn_width_max_m: float
    turn_length_max_m: float | None
    critical_angle_deg: float
    finding_ids: list[str]


def corridor_turn(inp: CorridorTurnIn, sources: dict[str, Figure] | None = None) -> CorridorTurnOut:
    """Whether an item goes round a right-angled corner, slid or turned. Method: fit.corner."""
    m, a, b = 2 * inp.margin_m, inp.corridor_a_m, inp.corridor_b_m
    length, width = max(inp.length_m, inp.width_m) + m, min(inp.length_m, inp.width_m) + m
    slide = (length <= a + EPS and width <= b + EPS) or (length <= b + EPS and width <= a + EPS)
    way = corner(length, width, a, b)
    turn = width <= way.width_max_m + EPS
    return CorridorTurnOut.of(
        passes=slide or turn,
        by="slide" if slide else "turn" if turn else "none",
        slide_passes=slide,
        turn_passes=turn,
        turn_width_max_m=derived(
            "turn_width_max_m",
            "least of a·sin θ + b·cos θ − L·sin θ·cos θ, less the margin",
            way.width_max_m - m,
            Method("fit.corner"),
            corridor_a_m=a,
            corridor_b_m=b,
            length_m=length,
            margin_m=inp.margin_m,
        ),
        turn_length_max_m=None
        if way.length_max_m is None
        else derived(
            "turn_length_max_m",
            "least of (a·sin θ + b·cos θ − W)/(sin θ·cos θ), less the margin",
            way.length_max_m - m,
            Method("fit.corner"),
            corridor_a_m=a,
            corridor_b_m=b,
            width_m=width,
            margin_m=inp.margin_m,
        ),
        critical_angle_deg=derived(
            "critical_angle_deg",
            "where a·sin θ + b·cos θ − L·sin θ·cos θ is least",
            way.angle_deg,
            Method("fit.corner"),
            corridor_a_m=a,
            corridor_b_m=b,
            length_m=length,
        ),
        finding_ids=[] if slide or turn else ["fit-corner-too-tight"],
    )

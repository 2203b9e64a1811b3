"""Axle loads, trailer balance and what a weighbridge says (method fit.axles, fit.trailer, fit.weighbridge)."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Annotated, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.region import RegionKey
from bothy.core.words.says import fit_says as says

TRACK_M, FLOOR_M, BASE_Z_M = 1.7, 0.65, 0.05
FRONT_MIN_FRAC = 0.30
THIN_FRAC, SIDE_FRAC, TOP_HEAVY = 0.05, 0.05, 0.85
"""Payload left over gross limit, left against right over all, static stability factor: when it is said (method fit.axles)."""
NOSE: dict[str, tuple[float, float]] = {"us": (0.10, 0.15), "uk": (0.05, 0.07), "eu": (0.05, 0.07), "au": (0.05, 0.15)}
"""Share of a trailer's mass on its ball that keeps it straight, by region (method fit.trailer)."""
TOW_RATIO = 0.85
LUMP_FRAC, BEHIND_M, AHEAD_M = 0.05, 2.5, 1.5


class Mass(NamedTuple):
    """A mass in kg at a place in m; removed parts are negative."""

    id: str
    kg: float
    x: float
    y: float = 0.0
    z: float = 0.5
    group: str = "fixed"


class Axles(NamedTuple):
    """Where the axles are, their tracks and the floor's height over the ground, m."""

    rear_x: float
    front_x: float
    track_front: float = TRACK_M
    track_rear: float = TRACK_M
    floor: float = FLOOR_M


class Limits(NamedTuple):
    """What the plate allows in kg; None: not known."""

    gross: float | None = None
    front: float | None = None
    rear: float | None = None


class Loads(NamedTuple):
    """Axle loads of one scenario in kg, and the centre of gravity in m."""

    gross: float
    front: float
    rear: float
    front_left: float
    front_right: float
    rear_left: float
    rear_right: float
    cg: tuple[float, float, float]

    @property
    def left(self) -> float:
        """Left side in kg."""
        return self.front_left + self.rear_left

    @property
    def right(self) -> float:
        """Right side in kg."""
        return self.front_right + self.rear_right


def axle_sum(axles: Axles, masses: Iterable[Mass], factors: Mapping[str, float]) -> Loads:
    """Axle loads of masses by lever; each mass times its group's factor."""
    w = front = fl = rl = mx = my = mz = 0.0
    base = axles.front_x - axles.rear_x
    for m in masses:
        kg = m.kg * factors.get(m.group, 1.0)
        share = (m.x - axles.rear_x) / base
        w += kg
        front += kg * share
        fl += kg * share * (0.5 + m.y / axles.track_front)
        rl += kg * (1 - share) * (0.5 + m.y / axles.track_rear)
        mx += kg * m.x
        my += kg * m.y
        mz += kg * m.z
    rear = w - front
    cg = (mx / w, my / w, mz / w) if w else (0.0, 0.0, 0.0)
    return Loads(w, front, rear, fl, front - fl, rl, rear - rl, cg)


def empty_vehicle(axles: Axles, front_kg: float, rear_kg: float, y: float = 0.0, z: float = BASE_Z_M) -> list[Mass]:
    """The empty vehicle as its two axle loads."""
    return [Mass(says("empty-front-axle-2"), front_kg, axles.front_x, y, z, "empty"), Mass(says("empty-rear-axle-2"), rear_kg, axles.rear_x, y, z, "empty")]


class BaseIn(Contract):
    front_kg: float = Field(ge=0, le=40000)
    rear_kg: float = Field(ge=0, le=40000)
    y_m: float = Field(0, ge=-1, le=1)
    z_m: float = Field(BASE_Z_M, ge=-1, le=3)

    @model_validator(mode="after")
    def _some(self) -> Self:
        if self.front_kg + self.rear_kg <= 0:
            raise wrong("front_kg", says("empty-vehicle-must-weigh"))
        return self


class MassIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    mass_kg: float = Field(ge=-3000, le=20000)
    x_m: float = Field(ge=-50, le=50)
    y_m: float = Field(0, ge=-5, le=5)
    z_m: float = Field(0.5, ge=-2, le=6)
    group: str = Field("fixed", max_length=60)

    @property
    def mass(self) -> Mass:
        """As a plain mass."""
        return Mass(self.id, self.mass_kg, self.x_m, self.y_m, self.z_m, self.group)


class AxleLimitsIn(Contract):
    gross_kg: float | None = Field(None, gt=0, le=100000)
    front_kg: float | None = Field(None, gt=0, le=100000)
    rear_kg: float | None = Field(None, gt=0, le=100000)


class ScenarioIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    factors: dict[str, Annotated[float, Field(ge=0, le=2)]] = {}


class AxleLoadsIn(Contract):
    rear_axle_x_m: float = Field(ge=-50, le=50)
    front_axle_x_m: float = Field(ge=-50, le=50)
    track_front_m: float = Field(TRACK_M, ge=0.5, le=3)
    track_rear_m: float = Field(TRACK_M, ge=0.5, le=3)
    floor_height_m: float = Field(FLOOR_M, ge=0, le=2)
    base: BaseIn
    masses: list[MassIn] = Field([], max_length=2000)
    limits: AxleLimitsIn = AxleLimitsIn()
    front_min_frac: float = Field(FRONT_MIN_FRAC, ge=0, le=0.9)
    scenarios: list[ScenarioIn] = Field([ScenarioIn(id="as_given")], min_length=1, max_length=100)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.front_axle_x_m < self.rear_axle_x_m + 0.5 - EPS:
            raise wrong("front_axle_x_m", says("must-lie-at-least", rear_axle_x_m=self.rear_axle_x_m))
        unique_ids(m.id for m in self.masses)
        unique_ids(s.id for s in self.scenarios)
        groups = {m.group for m in self.masses}
        for s in self.scenarios:
            for g in s.factors:
                if g not in groups:
                    raise wrong("factors", says("scenario-names-group-which", s_id=s.id, g=g))
            total = self.base.front_kg + self.base.rear_kg + sum(m.mass_kg * s.factors.get(m.group, 1.0) for m in self.masses)
            if total <= 0:
                raise wrong("mass_kg", says("in-scenario-whole-weighs", s_id=s.id, total_kg=total))
        return self


class ScenarioOut(BaseModel):
    id: str
    gross_kg: float
    front_kg: float
    rear_kg: float
    left_kg: float
    right_kg: float
    front_left_kg: float
    front_right_kg: float
    rear_left_kg: float
    rear_right_kg: float
    front_frac: float
    cg_x_m: float
    cg_y_m: float
    cg_z_m: float
    cg_height_m: float
    static_stability_factor: float
    payload_left_kg: float | None
    front_margin_kg: float | None
    rear_margin_kg: float | None


class WorstOut(BaseModel):
    gross: str
    front: str
    rear: str


class AxleLoadsOut(Outcome):
    gross_kg: float
    scenarios: list[ScenarioOut]
    worst: WorstOut
    finding_ids: list[str]


def stability(axles: Axles, loads: Loads) -> tuple[float, float]:
    """Height of the centre of gravity over the ground in m, and half the mean track over it."""
    height = loads.cg[2] + axles.floor
    return height, (axles.track_front + axles.track_rear) / 4 / height if height > 0 else 0.0


def axle_findings(axles: Axles, limits: Limits, loads: Loads, front_min: float = FRONT_MIN_FRAC) -> set[str]:
    """Which rules a load breaks."""
    out = set()
    if limits.gross is not None:
        left = limits.gross - loads.gross
        if left < -EPS:
            out.add("fit-gross-over")
        elif left < THIN_FRAC * limits.gross - EPS:
            out.add("fit-payload-thin")
    if (limits.front is not None and loads.front > limits.front + EPS) or (limits.rear is not None and loads.rear > limits.rear + EPS):
        out.add("fit-axle-over")
    if min(loads.front, loads.rear) < -EPS:
        out.add("fit-axle-lift")
    if loads.front / loads.gross < front_min - EPS:
        out.add("fit-front-axle-light")
    if abs(loads.left - loads.right) / loads.gross > SIDE_FRAC + EPS:
        out.add("fit-side-imbalance")
    if stability(axles, loads)[1] < TOP_HEAVY - EPS:
        out.add("fit-top-heavy")
    return out


def scenario_out(id: str, axles: Axles, limits: Limits, loads: Loads) -> ScenarioOut:
    """A scenario with its margins."""
    height, factor = stability(axles, loads)

    def less(limit: float | None, load: float) -> float | None:
        return None if limit is None else limit - load

    return ScenarioOut(
        id=id,
        gross_kg=loads.gross,
        front_kg=loads.front,
        rear_kg=loads.rear,
        left_kg=loads.left,
        right_kg=loads.right,
        front_left_kg=loads.front_left,
        front_right_kg=loads.front_right,
        rear_left_kg=loads.rear_left,
        rear_right_kg=loads.rear_right,
        front_frac=loads.front / loads.gross,
        cg_x_m=loads.cg[0],
        cg_y_m=loads.cg[1],
        cg_z_m=loads.cg[2],
        cg_height_m=height,
        static_stability_factor=factor,
        payload_left_kg=less(limits.gross, loads.gross),
        front_margin_kg=less(limits.front, loads.front),
        rear_margin_kg=less(limits.rear, loads.rear),
    )


def axle_loads(inp: AxleLoadsIn, sources: dict[str, Figure] | None = None) -> AxleLoadsOut:
    """Axle loads, sides, centre of gravity and margins of every scenario. Method: fit.axles."""
    axles = Axles(inp.rear_axle_x_m, inp.front_axle_x_m, inp.track_front_m, inp.track_rear_m, inp.floor_height_m)
    limits = Limits(inp.limits.gross_kg, inp.limits.front_kg, inp.limits.rear_kg)
    masses = [*empty_vehicle(axles, inp.base.front_kg, inp.base.rear_kg, inp.base.y_m, inp.base.z_m), *(m.mass for m in inp.masses)]
    rows, found = [], set[str]()
    for s in inp.scenarios:
        loads = axle_sum(axles, masses, s.factors)
        found |= axle_findings(axles, limits, loads, inp.front_min_frac)
        rows.append(scenario_out(s.id, axles, limits, loads))
    heaviest = max(rows, key=lambda r: r.gross_kg)
    return AxleLoadsOut.of(
        gross_kg=derived(
            "gross_kg",
            "Σ m, the heaviest scenario; front = Σ m·(x − x_rear)/(x_front − x_rear)",
            heaviest.gross_kg,
            Method("fit.axles"),
            front_kg=heaviest.front_kg,
            rear_kg=heaviest.rear_kg,
            rear_axle_x_m=inp.rear_axle_x_m,
            front_axle_x_m=inp.front_axle_x_m,
        ),
        scenarios=rows,
        worst=WorstOut(gross=heaviest.id, front=max(rows, key=lambda r: r.front_kg).id, rear=max(rows, key=lambda r: r.rear_kg).id),
        finding_ids=sorted(found),
    )


class TrailerLimitsIn(Contract):
    nose_kg: float | None = Field(None, gt=0, le=100000)
    gross_kg: float | None = Field(None, gt=0, le=100000)
    axle_kg: float | None = Field(None, gt=0, le=100000)
    tow_kg: float | None = Field(None, gt=0, le=100000)


class TrailerBaseIn(Contract):
    nose_kg: float = Field(ge=-2000, le=20000)
    axle_kg: float = Field(ge=0, le=40000)


class TrailerBalanceIn(Contract):
    region: RegionKey
    coupling_x_m: float = Field(ge=-50, le=50)
    axles_x_m: list[Annotated[float, Field(ge=-50, le=50)]] = Field(min_length=1, max_length=3)
    base: TrailerBaseIn
    masses: list[MassIn] = Field([], max_length=2000)
    limits: TrailerLimitsIn = TrailerLimitsIn()
    tow_vehicle_mass_kg: float | None = Field(None, gt=0, le=100000)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.coupling_x_m < sum(self.axles_x_m) / len(self.axles_x_m) + 0.5 - EPS:
            raise wrong("coupling_x_m", says("must-lie-at-least-ahead"))
        unique_ids(m.id for m in self.masses)
        if self.base.nose_kg + self.base.axle_kg + sum(m.mass_kg for m in self.masses) <= 0:
            raise wrong("mass_kg", says("whole-trailer-must-weigh"))
        return self


class TrailerBalanceOut(Outcome):
    gross_kg: float
    nose_kg: float
    nose_frac: float
    axles_total_kg: float
    axle_each_kg: float
    cg_x_m: float
    nose_min_frac: float
    nose_max_frac: float
    shift_moment_kg_m: float
    mass_ratio_frac: float | None
    finding_ids: list[str]


def trailer_balance(inp: TrailerBalanceIn, sources: dict[str, Figure] | None = None) -> TrailerBalanceOut:
    """Nose weight and axle loads of a trailer, and how much cargo must go forward. Method: fit.trailer."""
    at = sum(inp.axles_x_m) / len(inp.axles_x_m)
    arm = inp.coupling_x_m - at
    gross = inp.base.nose_kg + inp.base.axle_kg + sum(m.mass_kg for m in inp.masses)
    nose = inp.base.nose_kg + sum(m.mass_kg * (m.x_m - at) / arm for m in inp.masses)
    low, high = NOSE[inp.region]
    each = (gross - nose) / len(inp.axles_x_m)
    ratio = None if inp.tow_vehicle_mass_kg is None else gross / inp.tow_vehicle_mass_kg
    lim, found = inp.limits, set()
    if nose / gross < low - EPS:
        found.add("fit-nose-light")
    elif nose / gross > high + EPS:
        found.add("fit-nose-heavy")
    if lim.nose_kg is not None and nose > lim.nose_kg + EPS:
        found.add("fit-nose-over-limit")
    if lim.gross_kg is not None and gross > lim.gross_kg + EPS:
        found.add("fit-gross-over")
    if lim.axle_kg is not None and each > lim.axle_kg + EPS:
        found.add("fit-axle-over")
    if lim.tow_kg is not None and gross > lim.tow_kg + EPS:
        found.add("fit-tow-over")
    if inp.region in ("uk", "eu") and ratio is not None and ratio > TOW_RATIO + EPS:
        found.add("fit-tow-ratio")

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("fit.trailer"), **inputs)

    return TrailerBalanceOut.of(
        gross_kg=fig("gross_kg", "empty + Σ m", gross, base_nose_kg=inp.base.nose_kg, base_axle_kg=inp.base.axle_kg),
        nose_kg=fig(
            "nose_kg",
            "empty nose + Σ m·(x − axles)/(coupling − axles)",
            nose,
            base_nose_kg=inp.base.nose_kg,
            axles_x_m=at,
            coupling_x_m=inp.coupling_x_m,
        ),
        nose_frac=fig("nose_frac", "nose/whole", nose / gross, nose_kg=nose, gross_kg=gross),
        axles_total_kg=fig("axles_total_kg", "whole − nose", gross - nose, gross_kg=gross, nose_kg=nose),
        axle_each_kg=fig("axle_each_kg", says("axles-their-number"), each, axles_total_kg=gross - nose, axle_count=len(inp.axles_x_m)),
        cg_x_m=fig("cg_x_m", "axles + nose·(coupling − axles)/whole", at + nose * arm / gross, axles_x_m=at, nose_kg=nose, gross_kg=gross),
        nose_min_frac=fig("nose_min_frac", says("least-by-region"), low, nose_kg=nose),
        nose_max_frac=fig("nose_max_frac", says("most-by-region"), high, nose_kg=nose),
        shift_moment_kg_m=fig(
            "shift_moment_kg_m", "(middle of the range·whole − nose)·(coupling − axles)", ((low + high) / 2 * gross - nose) * arm, nose_kg=nose, gross_kg=gross
        ),
        mass_ratio_frac=None
        if ratio is None
        else fig("mass_ratio_frac", says("whole-towing-vehicle"), ratio, gross_kg=gross, tow_vehicle_mass_kg=inp.tow_vehicle_mass_kg or 0.0),
        finding_ids=sorted(found),
    )


class Lump(NamedTuple):
    """What a weighbridge finds over the model: kg and where, m; x and y None while it doesn't count."""

    front_kg: float
    rear_kg: float
    kg: float
    x: float | None
    y: float | None

    @property
    def misplaced(self) -> bool:
        """Whether one axle has more and the other less, so that something stands elsewhere than planned."""
        return self.x is None and self.front_kg * self.rear_kg < 0


def lump(
    axles: tuple[float, float], model: Sequence[float], measured: Sequence[float], left: tuple[float, float] | None, track: float, resolution: float
) -> Lump:
    """What is heavier than the model, and where. ``axles`` rear and front x; ``model`` and ``measured`` front and rear kg; ``left`` model and measured."""
    df, dr = measured[0] - model[0], measured[1] - model[1]
    dm = df + dr
    if abs(dm) <= 2 * resolution + EPS:
        return Lump(df, dr, 0.0, None, None)
    y = None if left is None else track * ((left[1] - left[0]) / dm - 0.5)
    return Lump(df, dr, dm, (df * axles[1] + dr * axles[0]) / dm, y)


Weight = Annotated[float, Field(ge=0, le=60000)]


class WeighbridgeFitIn(Contract):
    rear_axle_x_m: float = Field(ge=-50, le=50)
    front_axle_x_m: float = Field(ge=-50, le=50)
    model_front_kg: Weight
    model_rear_kg: Weight
    measured_front_kg: Weight
    measured_rear_kg: Weight
    model_left_kg: Weight | None = None
    measured_left_kg: Weight | None = None
    track_m: float = Field(TRACK_M, ge=0.5, le=3)
    resolution_kg: float = Field(10, ge=0, le=200)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.front_axle_x_m < self.rear_axle_x_m + 0.5 - EPS:
            raise wrong("front_axle_x_m", says("must-lie-at-least", rear_axle_x_m=self.rear_axle_x_m))
        return self


class WeighbridgeFitOut(Outcome):
    front_error_kg: float
    rear_error_kg: float
    lump_mass_kg: float
    lump_x_m: float | None
    lump_y_m: float | None
    significant: bool
    finding_ids: list[str]


def lump_findings(found: Lump, gross: float, axles: tuple[float, float]) -> list[str]:
    """What is said of a lump: it is much, or it lies where nothing can be."""
    if found.x is None:
        return []
    out = []
    if not axles[0] - BEHIND_M - EPS <= found.x <= axles[1] + AHEAD_M + EPS:
        out.append("fit-lump-implausible")
    if abs(found.kg) > LUMP_FRAC * gross + EPS:
        out.append("fit-mass-unaccounted")
    return out


def weighbridge_fit(inp: WeighbridgeFitIn, sources: dict[str, Figure] | None = None) -> WeighbridgeFitOut:
    """The unknown lump between model and weighbridge, and where it lies. Method: fit.weighbridge."""
    axles = (inp.rear_axle_x_m, inp.front_axle_x_m)
    left = None if inp.model_left_kg is None or inp.measured_left_kg is None else (inp.model_left_kg, inp.measured_left_kg)
    measured = (inp.measured_front_kg, inp.measured_rear_kg)
    got = lump(axles, (inp.model_front_kg, inp.model_rear_kg), measured, left, inp.track_m, inp.resolution_kg)

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("fit.weighbridge"), **inputs)

    errors = {"front_error_kg": got.front_kg, "rear_error_kg": got.rear_kg}
    return WeighbridgeFitOut.of(
        front_error_kg=fig("front_error_kg", "measured − model", got.front_kg, measured_front_kg=inp.measured_front_kg, model_front_kg=inp.model_front_kg),
        rear_error_kg=fig("rear_error_kg", "measured − model", got.rear_kg, measured_rear_kg=inp.measured_rear_kg, model_rear_kg=inp.model_rear_kg),
        lump_mass_kg=fig("lump_mass_kg", says("where-over-twice-scales"), got.kg, **errors, resolution_kg=inp.resolution_kg),
        lump_x_m=None
        if got.x is None
        else fig("lump_x_m", "(ΔF·x_front + ΔR·x_rear)/lump", got.x, **errors, rear_axle_x_m=inp.rear_axle_x_m, front_axle_x_m=inp.front_axle_x_m),
        lump_y_m=None if got.y is None else fig("lump_y_m", "track·(Δleft/lump − ½)", got.y, track_m=inp.track_m, lump_mass_kg=got.kg),
        significant=got.x is not None,
        finding_ids=lump_findings(got, sum(measured), axles),
    )

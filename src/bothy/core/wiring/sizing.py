"""Cable choice, and one circuit or several (method wiring.cable-choice)."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any, Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, next_size, quick, unique_ids, wrong
from bothy.core.figure import Figure, derived, given, pick
from bothy.core.method.sources import Method
from bothy.core.wiring.conductors import AREA, AWG, METRIC, Route, Row, ampacity_factors, table_ampacity, warm_resistance
from bothy.core.wiring.drop import Limits
from bothy.core.words.says import wiring_says as says

STANDARD_FUSES_A = (1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 500)
Series = Literal["metric", "awg"]
SERIES: tuple[Series, ...] = ("metric", "awg")
Reason = Literal["mechanical", "ampacity", "fuse", "drop"]


class WireSizeIn(Route, Limits):
    current_a: float = Field(gt=0, le=5000)
    length_m: float = Field(ge=0, le=1000)
    return_path: Literal["cable", "chassis"] = "cable"
    chassis_resistance_mohm: float = Field(5, ge=0, le=1e5)
    extra_resistance_mohm: float = Field(0, ge=0, le=1e5)
    fuse_a: float | None = Field(None, gt=0, le=5000)
    min_area_mm2: float = Field(1.0, ge=0, le=120)
    tinned: bool = False
    conductor_temp_c: float | None = Field(None, ge=-40, le=200)

    @model_validator(mode="after")
    def _fuse(self) -> Self:
        if self.fuse_a is not None and self.fuse_a < self.current_a - EPS:
            raise wrong("fuse_a", says("must-be-at-least-current", fuse_a=self.fuse_a, current_a=self.current_a))
        return self


class SizeOption(Outcome):
    size: float | str
    area_mm2: float
    ampacity_a: float
    conductor_temp_c: float
    resistance_mohm: float
    drop_v: float
    drop_frac: float
    heat_w: float
    ok: bool
    reasons: list[Reason]


class WireSizeOut(Outcome):
    fuse_a: float
    limit_v: float
    metric_size: float | None
    metric_area_mm2: float | None
    metric_ampacity_a: float | None
    metric_conductor_temp_c: float | None
    metric_resistance_mohm: float | None
    metric_drop_v: float | None
    metric_drop_frac: float | None
    metric_heat_w: float | None
    metric_rejected_size: float | None
    metric_rejected_reasons: list[Reason]
    metric_options: list[SizeOption]
    awg_size: str | None
    awg_area_mm2: float | None
    awg_ampacity_a: float | None
    awg_conductor_temp_c: float | None
    awg_resistance_mohm: float | None
    awg_drop_v: float | None
    awg_drop_frac: float | None
    awg_heat_w: float | None
    awg_rejected_size: str | None
    awg_rejected_reasons: list[Reason]
    awg_options: list[SizeOption]


def operating_temp(air_c: float, insulation_c: float, current_a: float, ampacity_a: float) -> float:
    """Copper temperature in °C under a current."""
    return air_c + (insulation_c - air_c) * min(1.0, (current_a / ampacity_a) ** 2)


class Trial(NamedTuple):
    """One size tried against a circuit."""

    size: float | str
    area_mm2: float
    ampacity_a: float
    conductor_temp_c: float
    resistance_mohm: float
    drop_v: float
    reasons: list[Reason]


def _try(inp: WireSizeIn, size: float | str, area: float, row: Row, factor: float, fuse: float, limit: float) -> Trial:
    current = inp.current_a
    i_z = table_ampacity(row, inp.insulation_temp_c) * factor
    temp = inp.conductor_temp_c if inp.conductor_temp_c is not None else operating_temp(inp.air_c, inp.insulation_temp_c, current, i_z)
    n, fixed = (2, inp.extra_resistance_mohm) if inp.return_path == "cable" else (1, inp.extra_resistance_mohm + inp.chassis_resistance_mohm)
    r = warm_resistance.raw(row.tinned if inp.tinned else row.plain, temp) * inp.length_m * n + fixed
    drop = current * r / 1000
    reasons: list[Reason] = []
    if area < inp.min_area_mm2 - EPS:
        reasons.append("mechanical")
    if i_z < current - EPS:
        reasons.append("ampacity")
    if i_z < fuse - EPS:
        reasons.append("fuse")
    if drop > limit + EPS:
        reasons.append("drop")
    return Trial(size, area, i_z, temp, r, drop, reasons)


def _option(inp: WireSizeIn, t: Trial) -> SizeOption:
    return quick(
        SizeOption,
        size=t.size,
        area_mm2=t.area_mm2,
        ampacity_a=t.ampacity_a,
        conductor_temp_c=t.conductor_temp_c,
        resistance_mohm=t.resistance_mohm,
        drop_v=t.drop_v,
        drop_frac=t.drop_v / inp.nominal_voltage_v,
        heat_w=inp.current_a**2 * t.resistance_mohm / 1000,
        ok=not t.reasons,
        reasons=t.reasons,
    )


class SizeChoice(NamedTuple):
    """The first size of a series that passes, the one rejected before it, and the two next larger."""

    chosen: Trial | None
    rejected: Trial | None
    runners: list[Trial]
    area: Figure | None


def _sizes(series: Series) -> Iterable[tuple[float | str, float, Row]]:
    return ((a, a, row) for a, row in METRIC.items()) if series == "metric" else ((s, AREA[s], row) for s, row in AWG.items())


def choose_size(inp: WireSizeIn, series: Series, fuse: Figure, g: Given, runners: int = 0) -> SizeChoice:
    """The thinnest size of one series for a circuit with that fuse; larger ones are not tried. Method: wiring.cable-choice."""
    limit = inp.limit_v
    k_amb, k_bundle, k_inst = ampacity_factors(inp)
    factor = k_amb * k_bundle * k_inst
    rejected: Trial | None = None
    fitting: list[Trial] = []
    for size, metal, row in _sizes(series):
        trial = _try(inp, size, metal, row, factor, fuse.value, limit)
        if not fitting and trial.reasons:
            rejected = trial
            continue
        fitting.append(trial)
        if len(fitting) > runners:
            break
    if not fitting:
        return SizeChoice(None, rejected, [], None)
    area = pick(
        says("cable"),
        says("thinnest-size-with-area"),
        fitting[0].area_mm2,
        "mm²",
        Method("wiring.cable-choice"),
        current_a=g("current_a"),
        length_m=g("length_m"),
        fuse_a=fuse,
        limit_v=given(
            "limit_v", limit, "table", says("drop-class", drop_class=inp.drop_class) + (says("less-what-lost-before") if inp.max_drop_v is not None else "")
        ),
        derating_frac=given("derating_frac", factor, "computed", "ambient · bundle · installation", source=Method("wiring.ampacity")),
    )
    return SizeChoice(fitting[0], rejected, fitting[1:], area)


def carrying(inp: WireSizeIn, series: Series) -> list[Trial]:
    """The sizes of a series that carry the current behind its fuse, thinnest first, whatever they lose. Method: wiring.cable-choice."""
    k_amb, k_bundle, k_inst = ampacity_factors(inp)
    factor = k_amb * k_bundle * k_inst
    tried = [_try(inp, size, metal, row, factor, inp.fuse_a or inp.current_a, float("inf")) for size, metal, row in _sizes(series)]
    return [t for t in tried if not t.reasons]


def _answers(inp: WireSizeIn, series: Series, choice: SizeChoice, g: Given) -> dict[str, Any]:
    """The output keys of one series, with working for the chosen size."""
    best = _option(inp, choice.chosen) if choice.chosen else None
    rejected = _option(inp, choice.rejected) if choice.rejected else None
    keys = ("size", "area_mm2", "ampacity_a", "conductor_temp_c", "resistance_mohm", "drop_v", "drop_frac", "heat_w")
    out: dict[str, Any] = {f"{series}_{k}": getattr(best, k) if best else None for k in keys}
    out[f"{series}_rejected_size"] = rejected.size if rejected else None
    out[f"{series}_rejected_reasons"] = rejected.reasons if rejected else []
    out[f"{series}_options"] = ([rejected] if rejected else []) + ([best] if best else []) + [_option(inp, t) for t in choice.runners]
    if best:
        _explain(out, series, g)
        out[f"{series}_area_mm2"] = choice.area
    return out


HOW: dict[str, str] = {
    "ampacity_a": "I_z = I_table·k_amb·k_bundle·k_inst",
    "conductor_temp_c": "T_c = T_a + (T_i − T_a)·min(1, (I/I_z)²), or as given",
    "resistance_mohm": "R = r(T_c)·L·n + R_fixed",
    "drop_v": "ΔU = I·R/1000",
    "drop_frac": "ΔU/U",
    "heat_w": "I²·R/1000",
}


def _explain(picked: dict[str, Any], prefix: str, g: Given) -> None:
    """Working for the values of the chosen size."""
    made: dict[str, Figure] = {"current_a": g("current_a"), "length_m": g("length_m")}
    feeds = {
        "ampacity_a": (),
        "conductor_temp_c": ("current_a", "ampacity_a"),
        "resistance_mohm": ("length_m", "conductor_temp_c"),
        "drop_v": ("current_a", "resistance_mohm"),
        "drop_frac": ("drop_v",),
        "heat_w": ("current_a", "resistance_mohm"),
    }
    for key, parts in feeds.items():
        made[key] = derived(f"{prefix}_{key}", HOW[key], picked[f"{prefix}_{key}"], Method("wiring.cable-choice"), **{p: made[p] for p in parts})
        picked[f"{prefix}_{key}"] = made[key]
    if prefix == "metric":
        for key in ("metric_size", "metric_rejected_size"):
            if picked[key] is not None:
                picked[key] = given("area_mm2", picked[key], "table", "IEC 60228 sizes", label="size" if key == "metric_size" else says("next-smaller-size"))


def wire_size(inp: WireSizeIn, sources: dict[str, Figure] | None = None) -> WireSizeOut:
    """The thinnest cable that passes mechanics, ampacity, fuse and drop, in both series. Method: wiring.cable-choice."""
    g = Given(inp, sources)
    if inp.fuse_a is not None:
        fuse = g("fuse_a")
    else:
        wanted = 1.25 * inp.current_a
        fuse = pick(
            says("fuse-to-size-cable"),
            "first standard fuse ≥ 1.25·I",
            next_size(STANDARD_FUSES_A, wanted) or wanted,
            "A",
            Method("wiring.cable-choice"),
            current_a=g("current_a"),
        )
    metric, awg = (_answers(inp, series, choose_size(inp, series, fuse, g, runners=2), g) for series in SERIES)
    return WireSizeOut.of(fuse_a=fuse, limit_v=given("limit_v", inp.limit_v, "table", says("drop-class", drop_class=inp.drop_class)), **metric, **awg)


class SplitLoad(Contract):
    id: str = Field(min_length=1, max_length=200)
    current_a: float = Field(gt=0, le=5000)


class CircuitSplitIn(Contract):
    cable_ampacity_a: float = Field(gt=0, le=5000)
    fuse_a: float | None = Field(None, gt=0, le=5000)
    continuous_factor: float = Field(1.25, ge=1, le=3)
    loads: list[SplitLoad] = Field(min_length=1)

    @model_validator(mode="after")
    def _ids(self) -> Self:
        unique_ids(load.id for load in self.loads)
        return self


class CircuitSplitOut(Outcome):
    usable_a: float
    total_a: float
    fits_one: bool
    oversize: list[str]
    circuit_count: int
    circuits: list[list[str]]
    circuit_current_a: list[float]


def circuit_split(inp: CircuitSplitIn, sources: dict[str, Figure] | None = None) -> CircuitSplitOut:
    """Loads into as few circuits of one cable as carry them (first-fit decreasing). Method: wiring.circuit-split."""
    g = Given(inp, sources)
    usable = pick(
        says("usable-current"),
        "min(I_z, fuse)/k",
        min(inp.cable_ampacity_a, inp.fuse_a or inp.cable_ampacity_a) / inp.continuous_factor,
        "A",
        Method("wiring.circuit-split"),
        cable_ampacity_a=g("cable_ampacity_a"),
        continuous_factor=g("continuous_factor"),
    )
    oversize = [x.id for x in inp.loads if x.current_a > usable.value + EPS]
    rest = sorted((x for x in inp.loads if x.id not in oversize), key=lambda x: -x.current_a)
    circuits: list[list[str]] = []
    sums: list[float] = []
    for load in rest:
        i = next((i for i, s in enumerate(sums) if s + load.current_a <= usable.value + EPS), None)
        if i is None:
            circuits.append([load.id])
            sums.append(load.current_a)
        else:
            circuits[i].append(load.id)
            sums[i] += load.current_a
    whole = sum(x.current_a for x in inp.loads)
    return CircuitSplitOut.of(
        usable_a=usable,
        total_a=derived("total_a", "Σ I", whole, Method("wiring.circuit-split", "sum"), **{x.id: x.current_a for x in inp.loads}),
        fits_one=whole <= usable.value + EPS,
        oversize=oversize,
        circuit_count=derived(
            "circuit_count", says("shared-circuits-oversize-loads"), len(circuits) + len(oversize), Method("wiring.circuit-split", "first-fit decreasing")
        ),
        circuits=circuits,
        circuit_current_a=sums,
    )

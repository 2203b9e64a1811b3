"""Fuse families and the window between load and cable (method wiring.fuse, 4.4 and 4.5)."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.constants import FULL_12_V
from bothy.core.contract import EPS, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, formula, given, pick
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.words.says import wiring_says as says

FamilyKey = Literal[
    "blade_standard", "blade_mini", "blade_maxi", "bolt_sf30", "bolt_sf51", "strip", "terminal_cube", "class_t", "cyl_10x38_gpv", "thermal_breaker", "dc_mcb"
]


@dataclass(frozen=True, slots=True)
class Family:
    """A family of fuses or breakers: ratings in A, top voltage in V, interrupting capacity in A by voltage."""

    key: str
    name: str
    ratings: tuple[float, ...]
    max_v: float
    interrupt: tuple[tuple[float, float], ...]
    breaker: bool = False

    def interrupt_a(self, voltage_v: float) -> float:
        """Largest fault it breaks safely at a voltage (0 above its top voltage)."""
        return next((a for upto, a in self.interrupt if voltage_v <= upto + EPS), 0.0)


FAMILIES: dict[str, Family] = {
    f.key: f
    for f in (
        Family("blade_standard", says("blade"), (1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40), 32, ((32, 1000),)),
        Family("blade_mini", says("blade-2"), (2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30), 32, ((32, 1000),)),
        Family("blade_maxi", says("blade-3"), (20, 30, 40, 50, 60, 70, 80, 100), 32, ((32, 1000),)),
        Family("bolt_sf30", "bolt-down, 30 mm", (30, 40, 50, 60, 70, 80, 100, 125, 150, 175, 200), 32, ((32, 1000),)),
        Family("bolt_sf51", "bolt-down, 51 mm", (60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500), 32, ((32, 2000),)),
        Family(
            "strip", says("slotted-strip"), (35, 40, 50, 60, 80, 100, 130, 150, 175, 200, 225, 250, 275, 300, 325, 350, 400, 500, 600, 750), 32, ((32, 6000),)
        ),
        Family(
            "terminal_cube",
            says("block-fuse-on-post"),
            (30, 40, 50, 60, 75, 80, 90, 100, 125, 150, 175, 200, 225, 250, 300),
            58,
            ((16, 10000), (32, 5000), (58, 2000)),
        ),
        Family(
            "class_t",
            says("high-interrupt-cartridge"),
            (60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500, 600),
            125,
            ((125, 20000),),
        ),
        Family("cyl_10x38_gpv", says("pv-cylinder"), (1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 16, 20, 25, 30), 1000, ((1000, 10000),)),
        Family("thermal_breaker", says("thermal-breaker"), (5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 90, 100, 120, 135, 150), 32, ((32, 3000),), True),
        Family("dc_mcb", says("dc-rail-breaker"), (6, 10, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125), 60, ((60, 6000),), True),
    )
}
LITHIUM_MAIN_A = 20_000.0
"""Interrupting capacity asked of the main fuse of a lithium bank, whatever is computed."""
DEFAULT_FAMILIES: tuple[str, ...] = tuple(list(FAMILIES)[:8])
_INRUSH = ((0.02, 6.0), (0.04, 3.5), (0.15, 2.0), (0.25, 1.6), (0.75, 1.35))


def inrush_multiple(time_s: float) -> float:
    """How many times its rating a blade fuse is sure to carry for ``time_s`` (table 4.5)."""
    return next((m for upto, m in _INRUSH if time_s <= upto + EPS), 1.1)


class FuseSelectIn(Contract):
    continuous_current_a: float = Field(gt=0, le=5000)
    continuous_factor: float = Field(1.25, ge=1, le=3)
    inrush_current_a: float = Field(0, ge=0, le=5000)
    inrush_time_s: float | None = Field(None, gt=0, le=1e5)
    cable_ampacity_a: float = Field(gt=0, le=5000)
    ampacity_ratio: float = Field(1, gt=0, le=1.5)
    device_max_fuse_a: float | None = Field(None, gt=0, le=5000)
    holder_rating_a: float | None = Field(None, gt=0, le=5000)
    terminal_rating_a: float | None = Field(None, gt=0, le=5000)
    system_voltage_v: float = Field(FULL_12_V, gt=0, le=1000)
    prospective_current_a: float = Field(0, ge=0, le=1e6)
    min_interrupt_a: float = Field(0, ge=0, le=1e6)
    families: list[FamilyKey] | None = Field(None, min_length=1)

    @model_validator(mode="after")
    def _inrush(self) -> Self:
        if self.inrush_current_a > 0 and self.inrush_time_s is None:
            raise wrong("inrush_time_s", says("required-with-inrush-current"))
        return self


class Candidate(Outcome):
    family: str
    fuse_a: float


class FuseSelectOut(Outcome):
    status: Literal["ok", "window_empty", "no_standard_rating", "voltage", "interrupt"]
    fuse_a: float | None
    family: str | None
    interrupt_a: float | None
    window_low_a: float
    window_high_a: float
    candidates: list[Candidate]


@formula(says("least-fuse-running-load"), "k·I", unit="A", source=Method("wiring.fuse", "a fuse is not loaded above 80 % for hours"))
def low_continuous(continuous_factor: float, continuous_current_a: float) -> float:
    return continuous_factor * continuous_current_a


@formula(says("least-fuse-start"), "I_inrush/m(t)", unit="A", source=Method("wiring.fuse") + Standard("ISO 8820-3 minimum times") + OwnChoice("typical"))
def low_inrush(inrush_current_a: float, inrush_multiple: float) -> float:
    return inrush_current_a / inrush_multiple


def window_low(inp: FuseSelectIn, sources: dict[str, Figure] | None = None) -> Figure:
    """Low end of the fuse window in A: what the load asks for."""
    g = Given(inp, sources)
    lows = {"running": low_continuous(g("continuous_factor"), g("continuous_current_a"))}
    if inp.inrush_current_a > 0:
        multiple = given("inrush_multiple", inrush_multiple(inp.inrush_time_s or 0), "table", says("for", inrush_time_s=inp.inrush_time_s))
        lows["start"] = low_inrush(g("inrush_current_a"), multiple)
    return pick(says("least-fuse"), says("larger-running-and-start"), max(f.value for f in lows.values()), "A", Method("wiring.fuse"), **lows)


def window_high(inp: FuseSelectIn, sources: dict[str, Figure] | None = None) -> Figure:
    """High end of the fuse window in A: what cable, appliance, holder and terminal allow."""
    g = Given(inp, sources)
    highs: dict[str, Figure | float] = {
        "cable": given("cable_a", inp.ampacity_ratio * inp.cable_ampacity_a, "computed", "ampacity ratio · I_z", source=Method("wiring.fuse"))
    }
    if sources and "cable_ampacity_a" in sources and inp.ampacity_ratio == 1:
        highs["cable"] = sources["cable_ampacity_a"]
    for key, name in (("device_max_fuse_a", "appliance"), ("holder_rating_a", "holder"), ("terminal_rating_a", "terminal")):
        if getattr(inp, key) is not None:
            highs[name] = g(key)
    return pick(
        says("largest-fuse"),
        says("smallest-cable-appliance-holder"),
        min(float(f) for f in highs.values()),
        "A",
        Method("wiring.fuse", "the fuse protects the cable"),
        **highs,
    )


@cache
def _by_rating(families: tuple[str, ...]) -> list[tuple[float, Family]]:
    """Every rating of the families, smallest first; equal ratings in the order of the table."""
    return sorted(((float(r), f) for k, f in FAMILIES.items() if k in families for r in f.ratings), key=lambda rf: rf[0])


Status = Literal["ok", "window_empty", "no_standard_rating", "voltage", "interrupt"]


def fuse_candidates(inp: FuseSelectIn, low_a: float, high_a: float) -> tuple[Status, list[tuple[float, Family]]]:
    """Every rating of an allowed family inside the window, smallest first; else the filter that left nothing."""
    if low_a > high_a + EPS:
        return "window_empty", []
    found = [rf for rf in _by_rating(tuple(inp.families or DEFAULT_FAMILIES)) if low_a - EPS <= rf[0] <= high_a + EPS]
    if not found:
        return "no_standard_rating", []
    found = [(r, f) for r, f in found if f.max_v >= inp.system_voltage_v - EPS]
    if not found:
        return "voltage", []
    needed = max(inp.prospective_current_a, inp.min_interrupt_a)
    found = [(r, f) for r, f in found if f.interrupt_a(inp.system_voltage_v) >= needed - EPS]
    return ("ok", found) if found else ("interrupt", [])


def fuse_select(inp: FuseSelectIn, sources: dict[str, Figure] | None = None) -> FuseSelectOut:
    """The smallest fuse of an allowed family inside the window. Method: wiring.fuse."""
    low, high = window_low(inp, sources), window_high(inp, sources)
    status, found = fuse_candidates(inp, low.value, high.value)
    window = {"window_low_a": low, "window_high_a": high}
    if not found:
        return FuseSelectOut.of(status=status, fuse_a=None, family=None, interrupt_a=None, candidates=[], **window)
    rating, family = found[0]
    return FuseSelectOut.of(
        status="ok",
        family=family.key,
        interrupt_a=given(
            "interrupt_a", family.interrupt_a(inp.system_voltage_v), "table", says("at-typical", family_name=family.name, system_voltage_v=inp.system_voltage_v)
        ),
        fuse_a=pick(says("fuse-2"), says("smallest-standard-rating-in"), rating, "A", Method("wiring.fuse", family.name), window_low_a=low, window_high_a=high),
        candidates=[Candidate.of(family=f.key, fuse_a=r) for r, f in found],
        **window,
    )

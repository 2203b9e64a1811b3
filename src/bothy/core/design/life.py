"""Stage 2, Life: who lives in it, where, how, and with which appliances."""

from __future__ import annotations

from functools import cached_property
from typing import Annotated, Any, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.contract import Whole, quick, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note, PartKey
from bothy.core.power.load_budget import Load, LoadUse, load_power_and_time
from bothy.core.words.says import design_says as says

Month = Annotated[int, Field(ge=1, le=12)]
Zone = Literal["kitchen", "living", "bed", "washroom", "garage", "cab", "roof", "outside"]
Kind = Literal["light", "cooling", "heating", "pump", "fan", "electronics", "socket", "cooking", "tool", "safety", "medical", "other"]
Electrical = Literal["resistive", "constant_power", "constant_current", "motor"]
Trust = Literal["measured", "label", "duty", "catalogue"]


class Window(Doc):
    """Hours of the day in which an appliance runs; ``to_h`` below ``from_h`` goes past midnight."""

    from_h: float = Field(ge=0, le=24)
    to_h: float = Field(ge=0, le=24)

    @property
    def hours(self) -> float:
        """Its length in h; an empty window counts as the whole day."""
        length = (self.to_h - self.from_h) % 24
        return length if length > 0 else 24.0


def weights(windows: list[Window]) -> list[float] | None:
    """24 hourly weights from windows of the day (hour fractions inside a window); None when there are none."""
    if not windows:
        return None
    out = [0.0] * 24
    for w in windows:
        start, length = w.from_h % 24, w.hours
        for i in range(24):
            for shift in (0.0, 24.0):
                out[i] += max(0.0, min(i + 1 + shift, start + length) - max(i + shift, start))
    return out


_SAME = (
    *LoadUse.model_fields,
    "id",
    "count",
    "power_w",
    "current_a",
    "voltage_v",
    "energy_24h_wh",
    "charge_energy_wh",
    "charges_per_day",
    "uses_per_day",
    "running_power_w",
    "standby_w",
    "internal_temp_c",
)
_DEFAULTS: dict[str, Any] = {k: f.default for k, f in Load.model_fields.items()}


MOST_ON_A_LINE_W, MOST_TOGETHER_W = 40_000.0, 160_000.0
"""More than any vehicle carries; beyond it a slip of the keyboard is likelier, and no cable or bank would be found."""


TIER_OF_KIND: dict[Kind, int] = {
    "safety": 1,
    "medical": 1,
    "cooling": 1,
    "heating": 1,
    "pump": 1,
    "light": 2,
    "fan": 2,
    "electronics": 2,
    "socket": 3,
    "cooking": 3,
    "tool": 3,
    "other": 2,
}


class Appliance(Doc, LoadUse):
    """Something that uses electricity. One form of power and one form of use, as on its label.

    ``tier`` says when it goes when power is short: 1 never by choice, 2 late, 3 first; by its kind where nothing is said.
    ``water_l_per_use`` is what it takes of the fresh water each time, usual of its kind where nothing is said.
    ``always_on``: it must run also while the isolator is off, as a bilge pump. A mains appliance that is used ``away`` from the hook-up too wants an
    inverter also where there is one every night.
    """

    id: Id
    name: Name
    kind: Kind = "other"
    zone: Zone = "living"
    count: Whole = Field(1, ge=0, le=200)
    power_w: float | None = Field(None, ge=0, le=15000)
    current_a: float | None = Field(None, ge=0, le=500)
    voltage_v: float | None = Field(None, ge=0.5, le=300)
    energy_24h_wh: float | None = Field(None, ge=0, le=100000)
    charge_energy_wh: float | None = Field(None, ge=0, le=100000)
    charges_per_day: float = Field(1, ge=0, le=24)
    uses_per_day: float | None = Field(None, ge=0, le=1000)
    running_power_w: float | None = Field(None, ge=0.001, le=15000)
    standby_w: float = Field(0, ge=0, le=500)
    coincidence_frac: float | None = Field(None, ge=0, le=1)
    pure_sine: bool = False
    away: bool = False
    electrical: Electrical | None = None
    internal_temp_c: float = Field(4, ge=-40, le=24)
    windows: list[Window] = Field([], max_length=12)
    max_fuse_a: float | None = Field(None, ge=0.01, le=500)
    min_voltage_v: float | None = Field(None, ge=0.5, le=100)
    mass_kg: float | None = Field(None, ge=0, le=1000)
    water_l_per_use: float | None = Field(None, ge=0, le=300)
    always_on: bool | None = None
    owned: bool = False
    tier: Whole | None = Field(None, ge=1, le=3)
    trust: Trust = "label"
    part: PartKey | None = None
    by: By = "typed"
    note: Note = ""

    @model_validator(mode="after")
    def _forms(self) -> Self:
        forms = [k for k in ("power_w", "current_a", "energy_24h_wh", "charge_energy_wh") if getattr(self, k) is not None]
        if len(forms) != 1:
            raise wrong("power_w", says("give-one-power-current"))
        if forms[0] == "current_a" and self.voltage_v is None:
            raise wrong("voltage_v", says("required-with-current-write"))
        uses = [k for k in ("hours_per_day", "duty_frac", "uses_per_day") if getattr(self, k) is not None]
        if forms[0] in ("power_w", "current_a"):
            if len(uses) != 1:
                raise wrong("hours_per_day", says("give-one-hours-per"))
            if uses[0] == "uses_per_day" and self.minutes_per_use is None:
                raise wrong("minutes_per_use", says("required-with-uses-per"))
        elif uses:
            raise wrong(uses[0], says("does-not-go-with"))
        if self.ambient_dependent and self.duty_frac is None and self.energy_24h_wh is None:
            raise wrong("ambient_dependent", says("goes-only-with-part"))
        if self.count * self.running_w > MOST_ON_A_LINE_W:
            raise wrong("count", says("too-much-on-line", count=self.count, running_w=self.running_w, most_kw=MOST_ON_A_LINE_W / 1000))
        return self

    @cached_property
    def load(self) -> Load:
        """The load-budget's load of this appliance, all of it present at the daily peak."""
        fields = {k: getattr(self, k) for k in _SAME}
        return quick(Load, **{**_DEFAULTS, **fields, "hourly_weights": weights(self.windows)})

    @property
    def rank(self) -> int:
        """Its tier: typed, or usual of its kind."""
        return self.tier or TIER_OF_KIND[self.kind]

    @property
    def adapter_frac(self) -> float:
        """Efficiency between its circuit and itself: a DC-DC adapter's, or 1 (typical)."""
        return 0.9 if self.supply == "converter" else 1.0

    @cached_property
    def running_w(self) -> float:
        """Running power of one unit in W."""
        return load_power_and_time(self.load)[0]


class Life(Doc):
    """How the vehicle is lived in. Months 1 to 12, ``to_month`` before ``from_month`` goes over the new year."""

    people: Whole | None = Field(None, ge=1, le=20)
    nights_between_hookups: float | None = Field(None, ge=0, le=60)
    from_month: Month | None = None
    to_month: Month | None = None
    place: Annotated[str, StringConstraints(pattern=r"^[a-z0-9_]{1,40}$")] | None = None
    drive_h_per_day: float | None = Field(None, ge=0, le=24)
    appliances: list[Appliance] = Field([], max_length=400)

    @model_validator(mode="after")
    def _together(self) -> Self:
        watts = sum(a.count * a.running_w for a in self.appliances)
        if watts > MOST_TOGETHER_W:
            raise wrong("appliances", says("together-draw-most-that", watts_kw=watts / 1000, most_together_kw=MOST_TOGETHER_W / 1000))
        return self

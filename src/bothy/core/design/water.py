"""What the design document says of water: use, tanks, the pressure side, hot water, waste, care and frost (the method of water)."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, unique_ids, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note, PartKey
from bothy.core.restraint import RestraintSchool
from bothy.core.water.demand import Toilet, WaterHabits
from bothy.core.water.pipe import PumpPoint, check_curve
from bothy.core.water.properties import FITTINGS
from bothy.core.water.tank import Prism
from bothy.core.words.says import design_says as says

Holds = Literal["fresh", "drinking", "grey", "black"]
Place = Literal["inside", "underfloor", "outside"]
Share = Annotated[float, Field(ge=0, le=1)]
SHOWER_LIST = ("backing", "tray", "lapped", "sealed", "falls", "trap", "curtain", "extract", "flood")
"""What must be done before the shower is used (method water.care)."""
ShowerItem = Literal["backing", "tray", "lapped", "sealed", "falls", "trap", "curtain", "extract", "flood"]


class WaterUse(Doc, WaterHabits):
    """Habits, and how many days the water is to last. None: as the style has it."""

    target_days: float | None = Field(None, ge=0.1, le=365)


class Sender(Doc):
    """A tank's sender; heights from the tank's own zero."""

    kind: Literal["resistive", "voltage", "stepped"] = "resistive"
    empty_signal: float = Field(0, ge=0, le=10000)
    full_signal: float = Field(190, ge=0, le=10000)
    empty_z_m: float | None = Field(None, ge=-2, le=4)
    full_z_m: float | None = Field(None, ge=-2, le=4)
    cable_resistance_ohm: float = Field(0, ge=0, le=100)
    step_z_m: list[Annotated[float, Field(ge=-2, le=4)]] = Field([], max_length=40)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.kind == "stepped":
            if not self.step_z_m or any(b <= a for a, b in zip(self.step_z_m, self.step_z_m[1:], strict=False)):
                raise wrong("step_z_m", says("stepped-probe-needs-heights"))
        elif self.full_signal == self.empty_signal:
            raise wrong("full_signal", says("must-differ-from-empty"))
        return self


class WaterTank(Doc):
    """A tank: its shape from its own zero, where it stands (x from the front of the living space, z of its zero over the floor), and how it is held."""

    id: Id
    name: Name = "Tank"
    holds: Holds = "fresh"
    prisms: list[Prism] = Field(min_length=1, max_length=20)
    outlet_z_m: float | None = Field(None, ge=-2, le=4)
    max_level_z_m: float | None = Field(None, ge=-2, le=4)
    tank_mass_kg: float = Field(0, ge=0, le=500)
    x_m: float = Field(1.0, ge=-5, le=20)
    z_m: float = Field(0.05, ge=-2, le=3)
    place: Place = "inside"
    vent_mm: float | None = Field(None, ge=0.1, le=100)
    vent_length_m: float = Field(1.0, ge=0, le=10)
    vent_high: bool = True
    fill_mm: float | None = Field(None, ge=0.1, le=150)
    fill_by: Literal["hose", "gravity", "jug"] = "hose"
    food_grade: bool | None = None
    undivided_m: float | None = Field(None, ge=0.01, le=6)
    restraint_x_n: float | None = Field(None, ge=0, le=1e6)
    restraint_y_n: float | None = Field(None, ge=0, le=1e6)
    restraint_z_n: float | None = Field(None, ge=0, le=1e6)
    budgeted: bool = True
    over_electrics: bool = False
    leak_tray: bool = False
    drain_valve: bool = False
    drain_mm: float | None = Field(None, ge=5, le=150)
    foam_mm: float = Field(0, ge=0, le=200)
    heater_w: float = Field(0, ge=0, le=1000)
    appliance: Id | None = None
    full_sensor: bool = False
    sender: Sender | None = None
    by: By = "typed"


class Join(Doc):
    """Tanks joined by a pipe at one height over the floor; the outlet's tank comes first."""

    id: Id
    name: Name = "Crossover"
    tanks: list[Id] = Field(min_length=2, max_length=6)
    z_m: float = Field(ge=-2, le=4)
    inner_diameter_mm: float = Field(25, ge=2, le=150)
    length_m: float = Field(1.0, ge=0, le=50)
    common_vent: bool = False


class Pump(Doc):
    """The pump. ``appliance`` is its line in Life."""

    name: Name = "Pump"
    part: PartKey | None = None
    kind: Literal["pressure", "variable", "submersible"] = "pressure"
    points: list[PumpPoint] = Field(min_length=2, max_length=20)
    cut_in_kpa: float | None = Field(None, ge=10, le=600)
    cut_out_kpa: float | None = Field(None, ge=10, le=800)
    efficiency_frac: float = Field(0.35, ge=0.02, le=1)
    accumulator_l: float | None = Field(None, ge=0.01, le=200)
    precharge_kpa: float | None = Field(None, ge=0, le=600)
    strainer: bool = False
    shutoff: bool = False
    level_stop: bool = False
    runs_dry: bool = False
    over_electrics: bool = False
    leak_tray: bool = False
    appliance: Id | None = None
    by: By = "typed"

    @model_validator(mode="after")
    def _sense(self) -> Self:
        check_curve(self.points)
        if self.cut_in_kpa is not None and self.cut_out_kpa is not None and self.cut_out_kpa <= self.cut_in_kpa:
            raise wrong("cut_out_kpa", says("must-be-more-than-cut", cut_in_kpa=self.cut_in_kpa))
        return self


class PipeRun(Doc):
    """A run of pipe from the pump or from another run; with ``outlet``, what opens at its end and wants ``wanted_l_min`` at ``rated_kpa``."""

    id: Id
    name: Name = "Run"
    parent: Id | None = None
    inner_diameter_mm: float = Field(11.6, ge=2, le=150)
    length_m: float = Field(1.0, ge=0, le=200)
    fittings: dict[str, Annotated[Whole, Field(ge=0, le=100)]] = Field({}, max_length=40)
    rise_m: float = Field(0, ge=-3, le=5)
    x_m: float = Field(1.5, ge=-5, le=20)
    outlet: Literal["none", "shower", "sink", "basin", "outside", "toilet", "heater"] = "none"
    wanted_l_min: float = Field(5, ge=0.01, le=60)
    rated_kpa: float = Field(30, ge=1, le=600)
    hot: bool = False
    place: Place = "inside"
    rating_kpa: float = Field(600, ge=1, le=5000)
    rating_c: float = Field(60, ge=1, le=200)
    food_grade: bool | None = None
    hidden_joint: bool = False
    over_electrics: bool = False
    drain_valve: bool = False
    by: By = "typed"

    @model_validator(mode="after")
    def _fittings(self) -> Self:
        for name, count in self.fittings.items():
            if name not in FITTINGS:
                raise wrong("fittings", says("not-known-fitting-known", name=name, fittings=", ".join(FITTINGS)))
            if not 0 <= count <= 100:
                raise wrong("fittings", says("must-come-to-times", name=name))
        return self


class WaterFilter(Doc):
    """A filter before the pump's pressure side, or for the drinking tap only."""

    id: Id
    name: Name = "Filter"
    kind: Literal["sediment", "carbon", "fine", "uv"] = "carbon"
    at: Literal["all", "drinking"] = "all"
    micron: float = Field(5, ge=0.01, le=500)
    rated_l: float | None = Field(None, ge=0.01, le=1e6)
    rated_months: float | None = Field(6, ge=0.1, le=60)
    rated_flow_l_min: float = Field(8, ge=0.01, le=100)
    clean_kpa: float = Field(20, ge=0, le=500)
    used_days: float | None = Field(None, ge=0, le=10000)

    @model_validator(mode="after")
    def _life(self) -> Self:
        if self.rated_l is None and self.rated_months is None:
            raise wrong("rated_l", says("give-rated-or-rated"))
        return self


class Hookup(Doc):
    """An inlet for water under pressure from a pitch."""

    limiter_kpa: float | None = Field(None, ge=50, le=1000)
    check_valve: bool = False


class HotWater(Doc):
    """The water heater; ``max_c`` is what its water can reach (a coil: the coolant), ``appliance`` the line in Life of an element on the battery."""

    name: Name = "Water heater"
    part: PartKey | None = None
    kind: Literal["storage", "instant"] = "storage"
    source: Literal["gas", "diesel", "coil", "element", "coil_element", "gas_element", "loop"] = "element"
    volume_l: float = Field(10, ge=0.01, le=500)
    target_temp_c: float = Field(60, ge=20, le=95)
    heat_w: float = Field(1500, ge=0, le=50000)
    element_w: float = Field(0, ge=0, le=5000)
    element_supply: Literal["inverter", "dc", "shore"] = "inverter"
    appliance: Id | None = None
    efficiency_frac: float = Field(0.85, ge=0.02, le=1)
    coil_ua_w_k: float = Field(120, ge=0, le=5000)
    coolant_temp_c: float = Field(85, ge=0, le=120)
    coolant_flow_l_min: float = Field(8, ge=0.01, le=100)
    loss_w_k: float = Field(1.0, ge=0, le=100)
    min_flow_l_min: float | None = Field(None, ge=0.01, le=40)
    mixer_c: float | None = Field(None, ge=25, le=70)
    relief_kpa: float | None = Field(None, ge=1, le=2000)
    relief_outside: bool = False
    expansion_l: float = Field(0, ge=0, le=50)
    check_valve: bool = False
    weekly_60: bool = False
    dry_lock: bool = False
    pipe_rating_c: float = Field(60, ge=20, le=200)
    heatings_day: float = Field(1, ge=0, le=10)
    leak_tray: bool = False
    by: By = "typed"

    @property
    def coil(self) -> bool:
        """Whether coolant heats it: the engine's, or that of Warmth's loop."""
        return "coil" in self.source or self.source == "loop"

    @property
    def element(self) -> bool:
        """Whether electricity heats it."""
        return "element" in self.source

    @property
    def max_c(self) -> float:
        """The hottest its water can get, °C."""
        return max(self.target_temp_c, self.coolant_temp_c) if self.coil else self.target_temp_c


class Drain(Doc):
    """A waste pipe from a fixture; of a sink also what is left of the worktop before and behind it."""

    id: Id
    name: Name = "Drain"
    fixture: Literal["sink", "basin", "shower"] = "sink"
    inner_diameter_mm: float = Field(25, ge=2, le=150)
    length_m: float = Field(1.0, ge=0, le=30)
    slope_frac: float = Field(0.02, ge=-0.5, le=1)
    trap: bool = False
    front_mm: float | None = Field(None, ge=0, le=2000)
    behind_mm: float | None = Field(None, ge=0, le=2000)


class ToiletDoc(Doc):
    """The toilet: its container, and how much of its use is at home."""

    kind: Toilet = "cassette"
    capacity_l: float = Field(18, ge=0.01, le=500)
    solids_l: float = Field(20, ge=0.01, le=500)
    spare: Whole = Field(0, ge=0, le=5)
    flush_l: float | None = Field(None, ge=0, le=10)
    flushes_person_day: float | None = Field(None, ge=0, le=20)
    home_frac: Share = 0.7
    roof_vent: bool = False
    only_at_points: bool = True


class Care(Doc):
    """Sanitising: product, target and when it was done."""

    product: Literal["liquid", "solid", "tablet"] = "liquid"
    strength_frac: float = Field(0.045, ge=0.0001, le=1)
    tablet_mg: float = Field(1000, ge=0.1, le=10000)
    remaining_frac: float = Field(1.0, ge=0.01, le=1)
    target_mg_l: float = Field(50, ge=1, le=500)
    ct_mg_min_l: float | None = Field(None, ge=100, le=50000)
    days_ago: float | None = Field(None, ge=0, le=10000)
    standing_days: float = Field(0, ge=0, le=10000)
    with_acid: bool = False


class Water(Doc):
    """Water aboard. A design without tanks and jugs has none."""

    use: WaterUse = WaterUse()
    jug_l: float = Field(0, ge=0, le=50)
    jug_count: Whole = Field(0, ge=0, le=40)
    drinking_jug_l: float = Field(0, ge=0, le=200)
    tanks: list[WaterTank] = Field([], max_length=12)
    joins: list[Join] = Field([], max_length=6)
    pump: Pump | None = None
    runs: list[PipeRun] = Field([], max_length=60)
    filters: list[WaterFilter] = Field([], max_length=8)
    hookup: Hookup | None = None
    hot: HotWater | None = None
    drains: list[Drain] = Field([], max_length=12)
    grey_to: Literal["tank", "container", "ground", "overboard"] = "tank"
    container_l: float = Field(0, ge=0, le=200)
    toilet: ToiletDoc | None = None
    care: Care = Care()
    walls_closed: bool = False
    shower_done: list[ShowerItem] = Field([], max_length=20)
    winter: Literal["keep_warm", "drain", "glycol"] = "keep_warm"
    restraint_school: RestraintSchool = "interior_10g"
    note: Note = ""

    @model_validator(mode="after")
    def _links(self) -> Self:
        for items in (self.tanks, self.joins, self.runs, self.filters, self.drains):
            unique_ids(x.id for x in items)
        tanks = {t.id for t in self.tanks}
        taken: set[str] = set()
        for j in self.joins:
            for t in j.tanks:
                if t not in tanks:
                    raise wrong("tanks", says("joins-tank-which-does", j_name=j.name, t=t))
                if t in taken:
                    raise wrong("tanks", says("tank-joined-twice-list", t=t))
                taken.add(t)
        runs = {r.id: r for r in self.runs}
        for r in self.runs:
            seen, at = {r.id}, r
            while at.parent is not None:
                if at.parent not in runs:
                    raise wrong("parent", says("run-begins-at-which-does", at_name=at.name, parent=at.parent))
                if at.parent in seen:
                    raise wrong("parent", says("run-leads-back-to-itself", r_name=r.name))
                at = runs[at.parent]
                seen.add(at.id)
        return self

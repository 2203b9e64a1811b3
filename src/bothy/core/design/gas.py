"""What the design document says of gas: appliances, vessels, locker, regulator, hoses, pipes, alarms, papers, and cooking without it (the method of gas)."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, unique_ids, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note
from bothy.core.fluid import check_fittings
from bothy.core.gas.countries import Filler, Outlet
from bothy.core.gas.locker import LockerVent, RuleSet
from bothy.core.gas.mixture import GasKey
from bothy.core.gas.pipe import FITTINGS
from bothy.core.gas.use import ApplianceKind, Basis
from bothy.core.restraint import RestraintSchool
from bothy.core.words.says import design_says as says

Person = Annotated[str, Field(max_length=120)]
Metres = Annotated[float, Field(ge=0, le=20)]
Millimetres = Annotated[float, Field(ge=0, le=5000)]


class GasAppliance(Doc):
    """Something that burns gas. Input and hours as on its plate, or usual of its kind; ``heater`` names the heater of Warmth that it is,
    ``hot_water`` that it heats the water of Water.

    Distances are along the van from the front of the living space. What isn't said to be there counts as missing.
    """

    id: Id
    name: Name = "Appliance"
    kind: ApplianceKind = "hob_burner"
    heat_input_w: float | None = Field(None, ge=1, le=40000)
    basis: Basis | None = None
    count: Whole = Field(1, ge=1, le=10)
    time_h_day: float | None = Field(None, ge=0, le=24)
    duty_frac: float = Field(1, ge=0, le=1)
    nominal_mbar: float | None = Field(None, ge=1, le=100)
    plate_28_37: bool = False
    room_sealed: bool = False
    flame_failure: bool = False
    igniter: Literal["piezo", "dc", "mains", "none"] = "piezo"
    valve: bool = False
    valve_reached: bool = True
    heats_room: bool = False
    outside_point: bool = False
    point_valve: bool = False
    heater: Id | None = None
    hot_water: bool = False
    x_m: float = Field(2.0, ge=-5, le=20)
    by: By = "typed"


class Vessel(Doc):
    """A cylinder or a fixed tank, or several alike side by side. ``capacity_kg`` is what it is filled with, ``water_capacity_l`` all that a tank holds."""

    id: Id
    name: Name = "Cylinder"
    kind: Literal["cylinder", "tank"] = "cylinder"
    supply: Literal["exchange", "refillable"] = "exchange"
    count: Whole = Field(1, ge=1, le=6)
    capacity_kg: float = Field(6, ge=0.01, le=100)
    water_capacity_l: float = Field(40, ge=0.01, le=500)
    fill_limit_frac: float = Field(0.8, ge=0.1, le=0.85)
    tare_kg: float = Field(6, ge=0, le=200)
    diameter_m: float = Field(0.3, ge=0.05, le=1)
    height_m: float = Field(0.5, ge=0.05, le=2)
    stop_80: bool = False
    self_filled: bool = False
    connected: bool = True
    place: Literal["locker", "underfloor", "outside", "inside"] = "locker"
    angle_deg: float = Field(0, ge=0, le=90)
    straps: Whole = Field(0, ge=0, le=10)
    restraint_n: float | None = Field(None, ge=0, le=1e6)
    outlet: Outlet | None = None
    filler: Filler | None = None
    budgeted: bool = True
    by: By = "typed"


class GasVent(LockerVent):
    """A vent of the locker."""

    id: Id
    name: Name = "Vent"
    closable: bool = False
    blocked_by: Annotated[str, Field(max_length=120)] = ""
    to_opening_m: Metres | None = None
    to_exhaust_m: Metres | None = None


class Locker(Doc):
    """Where the cylinders stand; sizes inside, in m."""

    name: Name = "Gas locker"
    length_m: float = Field(0.6, ge=0.01, le=3)
    width_m: float = Field(0.35, ge=0.01, le=3)
    height_m: float = Field(0.65, ge=0.01, le=3)
    rule_set: RuleSet | None = None
    sealed: bool = False
    unsealed: Annotated[str, Field(max_length=200)] = ""
    opens: Literal["outside", "inside_sealed", "inside"] = "outside"
    sill_mm: Millimetres = 0
    sparks: list[Annotated[str, Field(min_length=1, max_length=80)]] = Field([], max_length=12)
    vents: list[GasVent] = Field([], max_length=20)
    to_heat_m: Metres | None = None
    drain_overboard: bool = False
    drain_above_water: bool = False

    @model_validator(mode="after")
    def _ids(self) -> Self:
        unique_ids(v.id for v in self.vents)
        return self


class GasRegulator(Doc):
    """The regulator; capacity in kg/h, age from its date of manufacture."""

    name: Name = "Regulator"
    nominal_mbar: float | None = Field(None, ge=1, le=100)
    capacity_kg_h: float = Field(1.5, ge=0.01, le=50)
    age_years: float | None = Field(None, ge=0, le=60)
    min_gauge_mbar: float = Field(300, ge=0, le=5000)
    mount: Literal["cylinder", "wall"] = "wall"
    crash_safe: bool = False
    hose_break: bool = False


class Hose(Doc):
    """A gas hose; ``high_pressure``: between cylinder and regulator."""

    id: Id
    name: Name = "Hose"
    high_pressure: bool = True
    length_m: float = Field(0.4, ge=0.01, le=10)
    age_years: float | None = Field(None, ge=0, le=60)
    cracked: bool = False
    slides: bool = False
    through_wall: bool = False


class GasPipe(Doc):
    """A run of gas pipe from the regulator or from another run, to an appliance or on. Without a bore Bothy chooses one size for all of them."""

    id: Id
    name: Name = "Run"
    parent: Id | None = None
    appliance: Id | None = None
    inner_diameter_mm: float | None = Field(None, ge=2, le=100)
    length_m: float = Field(1, ge=0, le=100)
    fittings: dict[str, Annotated[Whole, Field(ge=0, le=100)]] = Field({}, max_length=40)
    material: Literal["copper", "steel"] = "copper"
    joint: Literal["compression", "cutting_ring", "flare", "soft_solder", "push_fit", "taped"] = "compression"
    hidden_joint: bool = False
    clip_m: float | None = Field(None, ge=0.01, le=5)
    grommets: bool = False
    to_cable_mm: Millimetres | None = None
    crosses_cable: bool = False
    cable_cover: bool = False
    to_hot_mm: Millimetres | None = None
    shielded: bool = False
    by: By = "typed"

    @model_validator(mode="after")
    def _fittings(self) -> Self:
        check_fittings(self.fittings, FITTINGS)
        return self


class Solenoid(Doc):
    """The main solenoid by the regulator; ``appliance`` is its line in Life."""

    normally_closed: bool = False
    hold_w: float = Field(6, ge=0, le=100)
    open_h_day: float = Field(24, ge=0, le=24)
    by_alarm: bool = False
    appliance: Id | None = None


class LowPoint(Doc):
    """A place where leaked gas would gather, and its hole to the outside."""

    id: Id
    name: Name
    hole_mm2: float = Field(0, ge=0, le=1e6)
    hole_m: float = Field(0, ge=0, le=10)


class LpgAlarm(Doc):
    """The alarm for leaked gas: height over the floor and of the lowest bunk's edge."""

    height_m: float = Field(0.15, ge=0, le=3)
    bunk_edge_m: float | None = Field(None, ge=0, le=3)


class Certificate(Doc):
    """The paper of the trade, and how many months ago it was given."""

    name: Name = "Gas certificate"
    months_ago: float = Field(0, ge=0, le=600)
    who: Person = ""
    licence: Person = ""


class Meal(Doc):
    """A usual meal, to compare ways to cook it."""

    boil_l: float = Field(1.5, ge=0, le=50)
    simmer_min: float = Field(12, ge=0, le=600)
    simmer_w: float = Field(250, ge=0, le=2000)
    meals_day: float = Field(2, ge=0, le=20)


class Gas(Doc):
    """Gas aboard. A design without appliances and vessels has none."""

    gas: GasKey | None = None
    cooking: Literal["gas", "induction", "diesel", "alcohol", "gas_induction"] | None = None
    meal: Meal = Meal()
    alcohol_cold_outside: bool = False
    appliances: list[GasAppliance] = Field([], max_length=20)
    vessels: list[Vessel] = Field([], max_length=8)
    target_days: float | None = Field(None, ge=0.1, le=365)
    reserve_frac: float = Field(0.1, ge=0, le=0.9)
    price_per_kg: float | None = Field(None, ge=0, le=1000)
    coldest_c: float | None = Field(None, ge=-40, le=40)
    regulator: GasRegulator | None = None
    hoses: list[Hose] = Field([], max_length=12)
    pipes: list[GasPipe] = Field([], max_length=40)
    solenoid: Solenoid | None = None
    locker: Locker | None = None
    low_points: list[LowPoint] = Field([], max_length=20)
    lpg_alarm: LpgAlarm | None = None
    restraint_school: RestraintSchool = "interior_10g"
    while_driving: Literal["shut", "open"] = "shut"
    off_at_fuel: bool = False
    ferry_or_tunnel: bool = False
    installer: Literal["owner", "licensed"] | None = None
    local_licence: bool = False
    let_or_lived_in: bool = False
    certificate: Certificate | None = None
    note: Note = ""

    @model_validator(mode="after")
    def _links(self) -> Self:
        for items in (self.appliances, self.vessels, self.hoses, self.pipes, self.low_points):
            unique_ids(x.id for x in items)
        known = {a.id for a in self.appliances}
        fed: set[str] = set()
        for p in self.pipes:
            if p.appliance is None:
                continue
            if p.appliance not in known:
                raise wrong("appliance", says("run-feeds-appliance-which", p_name=p.name, appliance=p.appliance))
            if p.appliance in fed:
                raise wrong("appliance", says("run-feeds-appliance-which-another", p_name=p.name, appliance=p.appliance))
            fed.add(p.appliance)
        pipes = {p.id: p for p in self.pipes}
        for p in self.pipes:
            seen, at = {p.id}, p
            while at.parent is not None:
                if at.parent not in pipes:
                    raise wrong("parent", says("run-begins-at-which", p_name=p.name, parent=at.parent))
                if at.parent in seen:
                    raise wrong("parent", says("run-leads-back-to", p_name=p.name))
                at = pipes[at.parent]
                seen.add(at.id)
        return self

    @property
    def aboard(self) -> bool:
        """Whether there is gas on board."""
        return bool(self.appliances or self.vessels)

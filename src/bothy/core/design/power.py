"""Stage 3, Power: bank, inverter, solar, driving charge and shore."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import By, Doc, Id, Name, PartKey
from bothy.core.power.chemistry import ChemistryKey, SystemVoltage
from bothy.core.power.solar import ControllerType, Mounting
from bothy.core.words.says import design_says as says

Part = Annotated[float, Field(ge=0, le=1)]


class StationLimits(Doc):
    """What the case of a power station lets through, from its data sheet; its own use while a side is on."""

    dc_limit_w: float = Field(ge=0, le=10000)
    inverter_limit_w: float = Field(ge=0, le=20000)
    inverter_surge_w: float | None = Field(None, ge=0, le=50000)
    solar_max_power_w: float = Field(0, ge=0, le=20000)
    solar_max_voltage_v: float | None = Field(None, ge=1, le=1000)
    solar_max_current_a: float | None = Field(None, ge=0.01, le=200)
    car_input_w: float = Field(0, ge=0, le=10000)
    shore_input_w: float = Field(0, ge=0, le=20000)
    dc_standby_w: float = Field(5, ge=0, le=200)
    inverter_idle_w: float = Field(20, ge=0, le=500)
    most_c: float = Field(40, ge=20, le=80)


class Bank(Doc):
    """Identical units in series and parallel.

    A unit with a heater of its own (W, each) warms its cells before it is charged, or never lets them get cold. ``heat_loss_w_k`` is what the whole bank loses
    to the air round it. ``usable_frac`` is how deep it may go, ``charge_to_frac`` where charging stops, ``peukert_exponent`` 1 counts a lead bank by its label:
    schools; None is usual of the chemistry. ``unlike`` says whether units differ in age or in kind; ``vent`` how a lead bank's gas gets out; ``beside_sparks``
    whether an inverter, relay or switch shares its box. ``unit_resistance_mohm`` is of a unit's data sheet. With ``station`` it is a power station,
    all in one case. ``owned`` parts cost nothing and are kept.
    """

    name: Name = "House bank"
    part: PartKey | None = None
    chemistry: ChemistryKey
    unit_voltage_v: float = Field(ge=1, le=60)
    unit_charge_ah: float = Field(ge=0.1, le=2000)
    series_count: Whole = Field(1, ge=1, le=16)
    parallel_count: Whole = Field(1, ge=1, le=16)
    unit_max_discharge_a: float | None = Field(None, ge=0.01, le=2000)
    unit_max_charge_a: float | None = Field(None, ge=0.01, le=2000)
    unit_mass_kg: float | None = Field(None, ge=0.01, le=500)
    wiring: Literal["diagonal", "same_end", "busbar"] = "diagonal"
    cold_charge_cutoff: bool = False
    heater_power_w: float = Field(0, ge=0, le=2000)
    heater_when: Literal["on_charge", "kept_warm"] = "on_charge"
    heat_loss_w_k: float | None = Field(None, ge=0.05, le=50)
    unit_resistance_mohm: float | None = Field(None, ge=0.01, le=1000)
    usable_frac: float | None = Field(None, ge=0.2, le=1)
    charge_to_frac: float | None = Field(None, ge=0.5, le=1)
    peukert_exponent: float | None = Field(None, ge=1, le=1.5)
    unlike: Literal["none", "age", "kind"] = "none"
    vent: Literal["none", "outside"] | None = None
    beside_sparks: bool | None = None
    station: StationLimits | None = None
    owned: bool = False
    by: By = "typed"


class Inverter(Doc):
    """An inverter; power in W. ``cabinet`` is the hot cabinet of Warmth that it stands in."""

    name: Name = "Inverter"
    part: PartKey | None = None
    rating_w: float = Field(ge=1, le=15000)
    surge_power_w: float | None = Field(None, ge=1, le=40000)
    idle_w: float | None = Field(None, ge=0, le=200)
    efficiency_frac: float | None = Field(None, ge=0.5, le=1)
    pure_sine: bool = True
    mode: Literal["always", "scheduled", "with_load"] = "with_load"
    on_h: float | None = Field(None, ge=0, le=24)
    cabinet: Id | None = None
    mass_kg: float | None = Field(None, ge=0, le=200)
    owned: bool = False
    by: By = "typed"

    @model_validator(mode="after")
    def _schedule(self) -> Self:
        if self.mode == "scheduled" and self.on_h is None:
            raise wrong("on_h", says("required-with-schedule"))
        return self


class ChargeProfile(Doc):
    """What a charger is set to: absorption in V at the bank, whether it equalises, whether it follows the temperature."""

    absorption_v: float | None = Field(None, ge=5, le=70)
    equalise: bool = False
    compensates: bool = False


class SolarController(Doc):
    """A solar charge controller."""

    name: Name = "Solar controller"
    part: PartKey | None = None
    controller_type: ControllerType = "mppt"
    max_voltage_v: float = Field(ge=1, le=600)
    max_charge_current_a: float = Field(ge=0.01, le=300)
    max_input_current_a: float | None = Field(None, ge=0.01, le=300)
    profile: ChargeProfile | None = None
    mass_kg: float | None = Field(None, ge=0, le=100)
    owned: bool = False
    by: By = "typed"


class SolarArray(Doc):
    """Identical panels, ``series_count`` in each of ``parallel_count`` strings. Data-sheet values at STC.

    ``soiling_frac`` is what dirt leaves of the light (None: 0.97), ``sky_view_frac`` the part of the sky that they see.
    Azimuth from the vehicle's nose, clockwise; from north for panels on the ground, which face the equator where nothing is said. ``lift`` lies flat
    while driving; ``shade_frac`` is the part of the
    direct light lost in each clock hour, or empty. On a curved roof: its radius, how far the panels reach across it, and into how many bypass groups
    they are parted on the way. ``controller`` is one of its own;
    None: it is on the one that the rest share.
    """

    id: Id
    name: Name = "Roof panels"
    part: PartKey | None = None
    panel_power_w: float = Field(ge=0.1, le=1000)
    vmp_v: float = Field(ge=0.1, le=200)
    imp_a: float = Field(ge=0.01, le=50)
    voc_v: float = Field(ge=0.1, le=200)
    isc_a: float = Field(ge=0.01, le=50)
    voc_coeff_per_k: float = Field(-0.0030, ge=-0.01, le=0)
    power_coeff_per_k: float = Field(-0.0038, ge=-0.01, le=0)
    noct_c: float = Field(45, ge=30, le=70)
    max_series_fuse_a: float | None = Field(None, ge=0.01, le=100)
    series_count: Whole = Field(1, ge=1, le=12)
    parallel_count: Whole = Field(1, ge=1, le=24)
    mounting: Mounting = "roof_gap"
    tilt_deg: float = Field(0, ge=0, le=90)
    azimuth_deg: float | None = Field(None, ge=0, le=360)
    deploy: Literal["fixed", "lift", "ground"] = "fixed"
    roof_radius_m: float | None = Field(None, ge=0.5, le=100)
    across_m: float | None = Field(None, ge=0.01, le=5)
    bypass_groups: Literal[1, 2, 3, 4, 6, 12] = 1
    shade_frac: list[Part] = Field([], max_length=24)
    soiling_frac: float | None = Field(None, ge=0.5, le=1)
    sky_view_frac: float = Field(1, ge=0.1, le=1)
    unit_mass_kg: float | None = Field(None, ge=0, le=100)
    string_fuse: bool = False
    disconnect: bool = False
    controller: SolarController | None = None
    owned: bool = False
    by: By = "typed"

    @model_validator(mode="after")
    def _panel(self) -> Self:
        if self.vmp_v >= self.voc_v:
            raise wrong("vmp_v", says("must-be-below-open"))
        if self.imp_a >= self.isc_a:
            raise wrong("imp_a", says("must-be-below-short"))
        if self.shade_frac and len(self.shade_frac) != 24:
            raise wrong("shade_frac", says("has-values-needs-one", shade_frac_count=len(self.shade_frac)))
        return self


class DrivingCharge(Doc):
    """DC-DC charger or relay from the vehicle's alternator, or a second alternator of its own, whose rating is that on its label at the bank's voltage.

    ``sense`` is what switches it on: the ignition, or the voltage that it sees."""

    name: Name = "Driving charge"
    part: PartKey | None = None
    school: Literal["dcdc", "relay", "second"] = "dcdc"
    sense: Literal["ignition", "voltage"] | None = None
    rating_a: float = Field(ge=0.01, le=300)
    profile: ChargeProfile | None = None
    mass_kg: float | None = Field(None, ge=0, le=100)
    owned: bool = False
    by: By = "typed"


class Shore(Doc):
    """Shore charger and inlet; ``legs`` 2 is a supply of 120/240 V, each leg of which carries its own loads."""

    name: Name = "Shore charger"
    part: PartKey | None = None
    charger_current_a: float = Field(ge=0.01, le=500)
    inlet_current_a: float | None = Field(None, ge=0.01, le=125)
    legs: Literal[1, 2] = 1
    supply_current_a: float | None = Field(None, ge=0.01, le=125)
    profile: ChargeProfile | None = None
    mass_kg: float | None = Field(None, ge=0, le=100)
    owned: bool = False
    by: By = "typed"


class Generator(Doc):
    """A generator; its continuous rating at sea level. ``full_per_h`` is what it burns at that rating, ``store`` its own can, both in L, of gas in kg.

    ``shares``: it burns from the heater's diesel tank or the gas vessels instead.
    """

    name: Name = "Generator"
    part: PartKey | None = None
    rating_w: float = Field(ge=1, le=15000)
    fuel: Literal["petrol", "diesel", "gas"] = "petrol"
    full_per_h: float | None = Field(None, ge=0.01, le=20)
    store: float | None = Field(None, ge=0.05, le=500)
    shares: bool = False
    mass_kg: float | None = Field(None, ge=0, le=300)
    owned: bool = False
    by: By = "typed"


class Power(Doc):
    """The electrical supply; None means: not chosen yet."""

    system_voltage_v: SystemVoltage | None = None
    bank: Bank | None = None
    inverter: Inverter | None = None
    arrays: list[SolarArray] = Field([], max_length=8)
    controller: SolarController | None = None
    driving: DrivingCharge | None = None
    shore: Shore | None = None
    generator: Generator | None = None

    @property
    def shared_arrays(self) -> list[SolarArray]:
        """Panels on the controller that they share."""
        return [a for a in self.arrays if a.controller is None]

    @property
    def own_arrays(self) -> list[SolarArray]:
        """Panels with a controller of their own."""
        return [a for a in self.arrays if a.controller is not None]

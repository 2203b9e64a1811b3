"""Driving charge: DC-DC converter or relay from the vehicle's alternator (method power.driving-charge)."""

from __future__ import annotations

import math
from typing import Annotated, Any, Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula, given, pick
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.power.chemistry import CHEMISTRIES, Chemistry, ChemistryKey, SystemVoltage, rest_voltage
from bothy.core.power.ratings import DCDC_A
from bothy.core.words.says import power_says as says

RHO_60C = 0.019951  # Ω·mm²/m, copper at 60 °C


class DcdcSizeIn(Contract):
    school: Literal["dcdc", "relay"] = "dcdc"
    chemistry: ChemistryKey
    capacity_ah: float = Field(gt=0, le=20000)
    system_voltage_v: SystemVoltage = 12
    max_charge_a: float | None = Field(None, gt=0, le=5000)
    alternator_rated_a: float = Field(gt=0, le=1000)
    alternator_system_v: Literal[12, 24] = 12
    alternator_voltage_v: float | None = Field(None, gt=0, le=40)
    smart_alternator: bool = False
    min_source_voltage_v: float | None = Field(None, gt=0, le=40)
    min_input_voltage_v: float | None = Field(None, gt=0, le=40)
    hot_frac: float = Field(0.75, gt=0, le=1)
    idle_frac: float = Field(0.5, ge=0, le=1)
    vehicle_load_a: float = Field(35, ge=0, le=1000)
    share_frac: float = Field(0.5, ge=0, le=1)
    drive_h: float = Field(1, ge=0, le=24)
    required_energy_wh: float | None = Field(None, gt=0, le=1e6)
    efficiency_frac: float = Field(0.92, ge=0.5, le=1)
    cable_length_m: float = Field(0, ge=0, le=100)
    cable_area_mm2: float | None = Field(None, gt=0, le=300)
    extra_resistance_mohm: float = Field(0, ge=0, le=1000)
    source_resistance_mohm: float = Field(5, ge=0, le=1000)
    soc_start_frac: float = Field(0.2, ge=0, le=1)
    ratings_a: list[Annotated[float, Field(gt=0)]] = Field([float(a) for a in DCDC_A], min_length=1)

    @model_validator(mode="after")
    def _check(self) -> Self:
        if self.cable_length_m > 0 and self.cable_area_mm2 is None:
            raise wrong("cable_area_mm2", says("required-with-cable-length"))
        if self.school == "relay" and self.alternator_system_v != self.system_voltage_v:
            raise wrong("school", says("relay-needs-bank-and"))
        return self


class DcdcSizeOut(Outcome):
    available_running_a: float
    available_idle_a: float
    bank_limit_a: float
    largest_rating_a: float | None
    rating_a: float | None
    status: Literal["ok", "insufficient", "no_room", "relay"]
    limited_by: Literal["alternator", "bank", "cable", "range"] | None
    input_power_w: float | None
    input_voltage_v: float | None
    input_current_a: float | None
    cable_drop_v: float | None
    input_fuse_min_a: float | None
    energy_per_drive_wh: float | None
    charge_per_drive_ah: float | None
    time_for_required_h: float | None
    idle_deficit_a: float | None
    relay_current_a: float | None
    relay_overload: bool | None
    rules: list[str]


S314 = Method("power.driving-charge")


@formula(
    says("what-alternator-can-spare"), "max(0, min(share·rated, hot·rated − vehicle))", unit="A", source=Method("power.driving-charge") + OwnChoice("typical")
)
def available_running(share_frac: float, rated_a: float, hot_frac: float, vehicle_load_a: float) -> float:
    return max(0.0, min(share_frac * rated_a, hot_frac * rated_a - vehicle_load_a))


@formula(says("what-can-spare-idle"), "max(0, idle·rated − vehicle)", unit="A", source=Method("power.driving-charge") + OwnChoice("typical"))
def available_idle(idle_frac: float, rated_a: float, vehicle_load_a: float) -> float:
    return max(0.0, idle_frac * rated_a - vehicle_load_a)


@formula(says("input-power-charger"), "P = a·U_abs/η", unit="W", source=Method("power.driving-charge"))
def input_power(rating_a: float, absorption_v: float, efficiency_frac: float) -> float:
    return rating_a * absorption_v / efficiency_frac


@formula(says("voltage-charger"), "V = (Vs + √(Vs² − 4·r·P))/2", unit="V", source=Method("power.driving-charge", "constant power behind a cable"))
def input_voltage(source_voltage_v: float, resistance_ohm: float, input_power_w: float) -> float:
    """Raises ValueError when the cable cannot pass that power."""
    root = source_voltage_v**2 - 4 * resistance_ohm * input_power_w
    if root < 0:
        raise ValueError("voltage collapse")
    return (source_voltage_v + math.sqrt(root)) / 2


@formula(says("input-current-charger"), "I = P/V", unit="A", source=Method("power.driving-charge", "definition"))
def input_current(input_power_w: float, input_voltage_v: float) -> float:
    return input_power_w / input_voltage_v


@formula(says("energy-per-drive"), "a·U·h", unit="Wh", source=Method("power.driving-charge"))
def drive_energy(rating_a: float, bank_voltage_v: float, drive_h: float) -> float:
    return rating_a * bank_voltage_v * drive_h


NOTHING: dict[str, None] = dict.fromkeys(
    (
        "largest_rating_a",
        "rating_a",
        "limited_by",
        "input_power_w",
        "input_voltage_v",
        "input_current_a",
        "cable_drop_v",
        "input_fuse_min_a",
        "energy_per_drive_wh",
        "charge_per_drive_ah",
        "time_for_required_h",
        "idle_deficit_a",
        "relay_current_a",
        "relay_overload",
    )
)
"""What is not answered unless it is said."""


def _by_relay(inp: DcdcSizeIn, chem: Chemistry, cells: float, r_cable: float, common: dict[str, Figure]) -> DcdcSizeOut:
    """What a relay draws, with nothing but resistance in its way."""
    u_alt = inp.alternator_voltage_v or 14.2 * (inp.alternator_system_v / 12)
    r_bank = chem.r_k / inp.capacity_ah * (cells * chem.cell_v / 12) / 1000
    push = max(0.0, u_alt - cells * rest_voltage(inp.chemistry, inp.soc_start_frac))
    demand = push / (r_cable + inp.source_resistance_mohm / 1000 + r_bank)
    overload = demand > common["available_running_a"].value + 1e-9
    rules = {"power-relay-smart-alternator"} if inp.smart_alternator else set()
    if chem.lithium:
        rules.add("power-lithium-direct-alternator")
    elif overload:
        rules.add("power-relay-overload")
    return DcdcSizeOut.of(
        **{
            **NOTHING,
            **common,
            "status": "relay",
            "relay_current_a": derived(
                "relay_current_a",
                "(U_alternator − U_rest)/(r_cable + r_source + r_bank)",
                demand,
                Method("power.driving-charge", "Ohm's law"),
                alternator_voltage_v=u_alt,
                push_v=push,
            ),
            "relay_overload": overload,
            "rules": sorted(rules),
        }
    )


class _Feed(NamedTuple):
    """What feeds the charger: spare currents of the alternator and what the bank takes, A; the way to it; voltages on both sides."""

    running: Figure
    idle: Figure
    bank: Figure
    source: Figure
    resistance_ohm: float
    absorption_v: float
    bank_v: float


def _worked(inp: DcdcSizeIn, g: Given, rating: float, of: _Feed, rules: set[str]) -> dict[str, Any]:
    """What a charger of this rating draws and brings; adds to ``rules`` what is wrong with it."""
    rating_fig = pick(
        says("dc-dc-charger"),
        says("smallest-allowed-rating-that"),
        rating,
        "A",
        Method("power.driving-charge"),
        available_running_a=of.running,
        bank_limit_a=of.bank,
    )
    power = input_power(rating_fig, of.absorption_v, g("efficiency_frac"))
    volts = input_voltage(
        of.source, given("resistance_ohm", of.resistance_ohm, "computed", says("copper-at-there-and"), source=Method("power.driving-charge")), power
    )
    amps = input_current(power, volts)
    drop = of.source.value - volts.value
    deficit = max(0.0, amps.value - of.idle.value)
    if deficit > 1e-9:
        rules.add("power-alternator-idle")
    if drop > 0.03 * inp.alternator_system_v + 1e-9:
        rules.add("power-dcdc-input-drop")
    needed = inp.required_energy_wh
    return {
        "rating_a": rating_fig,
        "input_power_w": power,
        "input_voltage_v": volts,
        "input_current_a": amps,
        "cable_drop_v": derived("cable_drop_v", "Vs − V", drop, Method("power.driving-charge", "Kirchhoff"), source_voltage_v=of.source, input_voltage_v=volts),
        "input_fuse_min_a": derived("input_fuse_min_a", "1.25·I", 1.25 * amps.value, S314, input_current_a=amps),
        "energy_per_drive_wh": drive_energy(rating_fig, of.bank_v, g("drive_h")),
        "charge_per_drive_ah": derived("charge_per_drive_ah", "a·h", rating * inp.drive_h, S314, rating_a=rating_fig, drive_h=g("drive_h")),
        "time_for_required_h": derived(
            "time_for_required_h", "E/(a·U)", needed / (rating * of.bank_v), S314, required_energy_wh=needed, rating_a=rating_fig, bank_voltage_v=of.bank_v
        )
        if needed
        else None,
        "idle_deficit_a": derived("idle_deficit_a", "max(0, I − spare at idle)", deficit, S314, input_current_a=amps, available_idle_a=of.idle),
    }


def dcdc_size(inp: DcdcSizeIn, sources: dict[str, Figure] | None = None) -> DcdcSizeOut:
    """The DC-DC charger that alternator, cable and bank allow; or what a relay would draw. Method: power.driving-charge."""
    g = Given(inp, sources)
    chem = CHEMISTRIES[inp.chemistry]
    cells = chem.cell_count(inp.system_voltage_v)
    u_b, u_abs = cells * chem.cell_v, cells * chem.absorption
    scale = inp.alternator_system_v / 12
    rated = given("rated_a", inp.alternator_rated_a, label=says("alternators-label"))
    if sources and "alternator_rated_a" in sources:
        rated = sources["alternator_rated_a"]
    running = available_running(g("share_frac"), rated, g("hot_frac"), g("vehicle_load_a"))
    idle = available_idle(g("idle_frac"), rated, g("vehicle_load_a"))
    bank = g("max_charge_a", chem.max_charge_c * inp.capacity_ah, "typical C-rate × capacity")
    r = inp.extra_resistance_mohm / 1000
    if inp.cable_length_m > 0:
        r += 2 * inp.cable_length_m * RHO_60C / (inp.cable_area_mm2 or 1)
    rules: set[str] = set()
    common = {"available_running_a": running, "available_idle_a": idle, "bank_limit_a": bank}
    if inp.school == "relay":
        return _by_relay(inp, chem, cells, r, common)
    v_s = g(
        "min_source_voltage_v", (12.4 if inp.smart_alternator else 13.5) * scale, says("smart-alternator") if inp.smart_alternator else says("plain-regulator")
    )
    v_min = inp.min_input_voltage_v or 11.0 * scale

    def forbids(a: float) -> Literal["cable", "alternator", "bank"] | None:
        power = input_power.raw(a, u_abs, inp.efficiency_frac)
        try:
            volts = input_voltage.raw(v_s.value, r, power)
        except ValueError:
            return "cable"
        if volts < v_min - 1e-9:
            return "cable"
        if power / volts > running.value + 1e-9:
            return "alternator"
        return "bank" if a > bank.value + 1e-9 else None

    ratings = sorted(inp.ratings_a)
    allowed = [a for a in ratings if forbids(a) is None]
    if not allowed:
        rules.add("power-alternator-no-room")
        return DcdcSizeOut.of(**{**NOTHING, **common, "status": "no_room", "limited_by": forbids(ratings[0]), "rules": sorted(rules)})
    largest = max(allowed)
    above = [a for a in ratings if a > largest]
    limited = forbids(above[0]) if above else "range"
    status: Literal["ok", "insufficient"] = "ok"
    rating = largest
    if inp.required_energy_wh is not None:
        enough = [a for a in allowed if a * u_b * inp.drive_h >= inp.required_energy_wh - 1e-9]
        if enough:
            rating = min(enough)
        else:
            status = "insufficient"
            rules.add("power-driving-charge-short")
    out = _worked(inp, g, rating, _Feed(running, idle, bank, v_s, r, u_abs, u_b), rules)
    top = derived("largest_rating_a", says("largest-that-alternator-cable"), largest, S314, available_running_a=running, bank_limit_a=bank)
    return DcdcSizeOut.of(**{**NOTHING, **common} | out | {"largest_rating_a": top, "status": status, "limited_by": limited, "rules": sorted(rules)})

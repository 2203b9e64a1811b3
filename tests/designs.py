"""Small designs for the tests, as plain data, and shorthands to change and report them."""

from __future__ import annotations

import copy
from typing import Any

from bothy.core.design.document import Design, load_design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Evidence, added, entries_between
from bothy.core.facts.old import facts_of_v1
from bothy.core.report import Report, report

LAMP: dict[str, Any] = {"id": "lamp", "name": "Lamp", "kind": "light", "power_w": 12.0, "hours_per_day": 4.0}
FRIDGE: dict[str, Any] = {"id": "fridge", "name": "Fridge", "kind": "cooling", "zone": "kitchen", "power_w": 48.0, "duty_frac": 0.3}
KETTLE: dict[str, Any] = {"id": "kettle", "name": "Kettle", "kind": "cooking", "supply": "ac", "power_w": 1000.0, "uses_per_day": 3.0, "minutes_per_use": 5.0}
BANK: dict[str, Any] = {
    "name": "Bank",
    "chemistry": "lifepo4",
    "unit_voltage_v": 12.8,
    "unit_charge_ah": 200.0,
    "unit_max_discharge_a": 200.0,
    "cold_charge_cutoff": True,
    "heater_power_w": 60.0,
}
AGM: dict[str, Any] = {"name": "Lead", "chemistry": "agm", "unit_voltage_v": 12.0, "unit_charge_ah": 200.0}
INVERTER: dict[str, Any] = {"name": "Inverter", "rating_w": 1500.0, "surge_power_w": 3000.0, "idle_w": 12.0}
PANELS: dict[str, Any] = {
    "id": "roof",
    "name": "Panels",
    "panel_power_w": 200.0,
    "vmp_v": 33.0,
    "imp_a": 6.06,
    "voc_v": 39.6,
    "isc_a": 6.45,
    "disconnect": True,
}
MPPT: dict[str, Any] = {"name": "Controller", "max_voltage_v": 100.0, "max_charge_current_a": 30.0, "max_input_current_a": 40.0}
DCDC: dict[str, Any] = {"name": "DC-DC", "rating_a": 30.0}
CHARGER: dict[str, Any] = {"name": "Charger", "charger_current_a": 20.0}


def blank(**parts: Any) -> dict[str, Any]:
    """A design of a panel van in the uk with the given parts of the document."""
    return {"schema_version": 1, "region": "uk", **copy.deepcopy(parts)}


def lived(
    appliances: list[dict[str, Any]] | None = None, power: dict[str, Any] | None = None, wiring: dict[str, Any] | None = None, **life: Any
) -> dict[str, Any]:
    """A design with appliances, and a bank and the rest where given."""
    where = {"place": "london", "from_month": 6, "to_month": 8, "nights_between_hookups": 2.0, "drive_h_per_day": 1.0, **life}
    return blank(
        life={**where, "appliances": appliances if appliances is not None else [LAMP, FRIDGE]},
        power=power or {},
        wiring=wiring or {},
        vehicle={"bank_place": "warm_inside"},
    )


def circuit(id: str = "c1", **more: Any) -> dict[str, Any]:
    """A sized lamp circuit on board A, changed by what is given."""
    return {"id": id, "name": id, "kind": "load", "board": "a", "appliances": ["lamp"], "length_m": 4.0, "area_mm2": 1.5, "fuse_a": 5.0, **more}


def wired(*circuits: dict[str, Any], appliances: list[dict[str, Any]] | None = None, power: dict[str, Any] | None = None, ways: int = 12) -> dict[str, Any]:
    """A design with circuits on one board."""
    board = {"id": "a", "name": "Board", "letter": "A", "way_count": ways}
    return lived(appliances or [LAMP], power, {"boards": [board], "circuits": list(circuits)})


def made(data: dict[str, Any]) -> Design:
    return load_design(copy.deepcopy(data))


def evidence_in(data: dict[str, Any]) -> tuple[Evidence, ...]:
    """What a document of version 1 says was measured, as evidence."""
    return added((), entries_between(Facts(), facts_of_v1(data)))


def reported(data: dict[str, Any]) -> Report:
    """The report of a document of version 1, and of what was measured in it."""
    return report(made(data), evidence_in(data))


def found(data: dict[str, Any]) -> dict[str, Any]:
    """Rule id -> finding of a design (the last of its kind)."""
    return {f.rule: f for f in reported(data).findings}

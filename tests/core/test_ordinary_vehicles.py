"""Twelve ordinary vehicles: all that Bothy proposes taken, each is without danger or fault and within what a practised electrician would expect."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

import pytest

from bothy.core.catalogue.parts import appliance_fields, of_kind
from bothy.core.design.document import Design
from bothy.core.proposing import accept
from bothy.core.report import report
from tests.designs import circuit, found, made, wired

PARTS = {p.key: p for p in of_kind("appliance")}
Range = tuple[float, float]
NONE: Range = (0.0, 0.0)
ANY: Range = (0.0, 1e9)


def v(
    what: str, preset: str, place: str, nights: float, keys: str, bank_kwh: Range, panels_w: Range, inverter_w: Range, region: str = "uk", **more: Any
) -> Any:
    life = {"place": place, "nights_between_hookups": nights, "people": more.pop("people", 2), **more.pop("life", {})}
    return what, {"preset": preset, **more}, life, keys.split(), region, bank_kwh, panels_w, inverter_w


VEHICLES = [
    v("weekend van", "panel_van", "cardiff", 2, "fridge-50 light-strip light-reading pump-10 phone usb-double roof-fan", (1, 4), (100, 500), NONE),
    v("surf van", "panel_van", "cardiff", 3, "fridge-50 light-strip pump-10 phone diesel-air roof-fan", (1, 5), (100, 600), NONE),
    v(
        "remote work",
        "long_high_van",
        "cardiff",
        4,
        "fridge-90 laptop-dc laptop-dc monitor-27 router light-strip light-reading pump-10 phone roof-fan diesel-air",
        (3, 12),
        (300, 900),
        ANY,
    ),
    v("hook-up trailer", "trailer", "cardiff", 0, "fridge-90 light-strip light-reading pump-10 kettle-travel tv-12 phone", (0.5, 2.6), NONE, NONE),
    v(
        "bus family",
        "bus",
        "cardiff",
        3,
        "fridge-130 light-strip light-strip light-reading light-reading pump-17 phone phone laptop-dc tv-12 roof-fan router",
        (3, 12),
        (400, 2200),
        ANY,
        people=4,
    ),
    v("boat", "boat", "cardiff", 3, "fridge-50 light-reading light-reading pump-10 phone radio", (1, 5), (100, 700), NONE),
    v("truck camper", "truck_camper", "denver", 3, "fridge-90 light-strip pump-10 phone roof-fan diesel-air", (1, 6), (100, 500), NONE, region="us"),
    v(
        "winter",
        "long_high_van",
        "inverness",
        2,
        "fridge-50 light-strip light-reading pump-10 phone diesel-air-4",
        (2, 9),
        (200, 900),
        NONE,
        life={"from_month": 12, "to_month": 2},
    ),
    v(
        "workshop van",
        "long_high_van",
        "cardiff",
        2,
        "fridge-50 light-strip tool-charger dust-extractor light-outside phone",
        (1, 10.5),
        (100, 900),
        (1000, 4000),
    ),
    v("24 V truck", "truck_body", "cardiff", 3, "fridge-130 light-strip light-reading pump-17 phone router laptop-dc diesel-air-4", (2, 12), (200, 1500), ANY),
    v("gas cooking", "panel_van", "bordeaux", 2, "fridge-50 light-strip pump-10 phone gas-alarm roof-fan", (1, 4), (100, 500), NONE, region="eu"),
    v("medical need", "long_high_van", "cardiff", 2, "cpap fridge-50 light-strip light-reading pump-10 phone", (1, 6), (100, 800), NONE),
]
"""What it is, where it goes, what it holds, and the ranges of bank, panels and inverter that are argued for in the decisions."""


def design_of(row: Any) -> Design:
    _, vehicle, life, keys, region, *_ = row
    return made(
        {
            "schema_version": 1,
            "region": region,
            "vehicle": vehicle,
            "life": {**life, "appliances": [{**appliance_fields(PARTS[k]), "id": f"a{i}"} for i, k in enumerate(keys)]},
        }
    )


def described(design: Design) -> str:
    """A row of the table that is printed for the reader."""
    p, r = design.power, report(design)
    bank = p.bank.unit_charge_ah * p.bank.parallel_count * p.bank.unit_voltage_v * p.bank.series_count / 1000 if p.bank else 0.0
    panels = sum(a.panel_power_w * a.series_count * a.parallel_count for a in p.arrays)
    thick = sorted((c for c in design.wiring.circuits if c.area_mm2 or c.awg), key=lambda c: -c.metal_mm2)[:5]
    words = ", ".join(f"{c.name} {r.wiring.circuits[c.id].size_text}" for c in thick)
    left = sorted({f.rule for f in r.findings if f.severity in ("danger", "fault", "advice")})
    charge = f"{p.driving.rating_a:g} A" if p.driving else "none"
    return f"{bank:.1f} kWh | {panels:.0f} W | {p.inverter.rating_w if p.inverter else 0:.0f} W | {charge} | {words} | {', '.join(left)}"


@pytest.mark.parametrize("row", VEHICLES, ids=lambda r: r[0])
def test_an_ordinary_vehicle_is_clean_and_within_its_ranges(row: Any) -> None:
    design, _ = accept(design_of(row))
    r = report(design)
    bad = [(f.rule, f.message) for f in r.findings if f.severity in ("danger", "fault")]
    assert not bad
    assert sum(f.severity == "advice" for f in r.findings) <= 6, [f.rule for f in r.findings if f.severity == "advice"]
    p = design.power
    bank = p.bank.unit_charge_ah * p.bank.parallel_count * p.bank.unit_voltage_v * p.bank.series_count / 1000 if p.bank else 0.0
    panels = sum(a.panel_power_w * a.series_count * a.parallel_count for a in p.arrays)
    for what, value, (low, high) in (("bank", bank, row[5]), ("panels", panels, row[6]), ("inverter", p.inverter.rating_w if p.inverter else 0.0, row[7])):
        assert low - 1e-6 <= value <= high + 1e-6, (what, value)
    for a in p.arrays:
        assert a.parallel_count <= 2 or a.string_fuse


@pytest.mark.parametrize("row", VEHICLES, ids=lambda r: r[0])
def test_no_small_load_gets_a_cable_of_a_large_one(row: Any) -> None:
    """A load of up to 5 A on a usual length gets 6 mm² (10 AWG) at most: what terminals and sockets take."""
    design, _ = accept(design_of(row))
    r = report(design)
    for c in design.wiring.circuits:
        part = r.wiring.circuits[c.id]
        if c.kind == "load" and part.current_a <= 5:
            assert c.metal_mm2 <= 6.0, (c.name, part.size_text, part.current_a)


def _box(id: str, holds: str, length_m: float, width_m: float, height_m: float, **more: Any) -> dict[str, Any]:
    prisms = [{"shape": "box", "length_m": length_m, "width_m": width_m, "height_m": height_m}]
    held = {"restraint_x_n": 3e4, "restraint_y_n": 3e4, "restraint_z_n": 3e4}
    return {"id": id, "name": f"{holds} tank", "holds": holds, "prisms": prisms, "vent_mm": 16.0, "drain_valve": True, **held, **more}


WITH_SERVICES: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    "boat": (
        {"preset": "boat", "hull": "grp"},
        {"water": {"tanks": [_box("f", "fresh", 1.0, 0.5, 0.25, leak_tray=True)], "grey_to": "overboard", "care": {"days_ago": 5.0}}},
    ),
    "minibus": (
        {"preset": "minibus"},
        {"water": {"tanks": [_box("f", "fresh", 0.8, 0.4, 0.25), _box("g", "grey", 0.8, 0.5, 0.25, full_sensor=True)], "care": {"days_ago": 5.0}}},
    ),
    "truck body": ({"preset": "truck_body"}, {}),
}


@pytest.mark.parametrize("what", WITH_SERVICES)
def test_what_is_proposed_for_water_and_air_is_counted_and_fed(what: str) -> None:
    """A heater, a pump and a fan that Bothy fits have their lines in Daily use and their circuits; nobody is talked into an air conditioner."""
    vehicle, more = WITH_SERVICES[what]
    keys = ["fridge-50", "light-strip", "light-reading", "light-reading", "phone"]
    life = {"place": "inverness", "from_month": 10, "to_month": 4, "nights_between_hookups": 3, "people": 2}
    lines = [{**appliance_fields(PARTS[k]), "id": f"a{i}"} for i, k in enumerate(keys)]
    design, _ = accept(made({"schema_version": 1, "region": "uk", "vehicle": vehicle, "life": {**life, "appliances": lines}, **more}))
    r = report(design)
    assert not [f.rule for f in r.findings if "uncounted" in f.rule or "unfed" in f.rule or f.rule == "wire-all-lights-one-fuse"]
    assert design.warmth.cooler is None
    linked = [h.appliance for h in design.warmth.heaters]
    assert design.water.pump is not None
    fans = [a.id for a in design.life.appliances if a.kind == "fan"]
    assert linked
    assert fans
    fed = {a for c in design.wiring.circuits for a in c.appliances}
    assert {*linked, *fans, design.water.pump.appliance} <= fed
    for heater in linked:
        c = next(c for c in design.wiring.circuits if heater in c.appliances)
        assert c.fuse_a is not None
        assert c.fuse_a * r.system_voltage_v >= 100, "the glow plug's start blows no fuse"
    assert accept(design)[1] == []


@pytest.mark.parametrize(
    ("circuits", "told"),
    [
        ([["strip", "left", "right"]], True),
        ([["strip"], ["left", "right"]], False),
        ([["strip", "left"], ["right"]], True),
        ([["strip", "left", "right"], ["outside"]], True),
        ([["strip"], ["outside"]], False),
    ],
)
def test_lights_on_one_fuse_are_told_where_another_would_spread_them(circuits: list[list[str]], told: bool) -> None:
    """A strip of 12 W and lamps of 3 W: what one lamp elsewhere would not mend isn't told."""
    watts = {"strip": 12.0, "left": 3.0, "right": 3.0, "outside": 3.0}
    on = {i for c in circuits for i in c}
    lamps = [{"id": i, "name": i, "kind": "light", "power_w": w, "hours_per_day": 3.0} for i, w in watts.items() if i in on]
    data = wired(*(circuit(f"c{n}", appliances=c) for n, c in enumerate(circuits)), appliances=lamps)
    assert ("wire-all-lights-one-fuse" in found(data)) is told


BRITISH = re.compile(r"\b(?:mains|earth|tap|grey|hob|tyre|vapour|litre|metre|petrol)\b", re.IGNORECASE)
METRIC = re.compile(r"\d\s?(?:mm|m|kg|L|L/min|mbar|kg/h|mm²|°C)(?![\w²³/])")


def given_names(x: Any, parts: bool = False) -> Iterator[str]:
    """Names in a design, and those of ``parts`` too where they are asked for: what Bothy or a person calls a thing."""
    if isinstance(x, dict):
        if isinstance(x.get("name"), str) and (parts or not x.get("part")):
            yield x["name"]
        x = list(x.values())
    for inner in x if isinstance(x, list) else ():
        yield from given_names(inner, parts)


def test_what_bothy_adds_to_an_american_vehicle_has_american_names() -> None:
    row = next(x for x in VEHICLES if x[4] == "us")
    data = design_of(row).model_dump(mode="json")
    data["life"]["appliances"] += [{**appliance_fields(PARTS["kettle-travel"]), "id": "kettle"}]
    data["gas"].update(cooking="gas", vessels=[{"id": "c", "name": "Cylinder", "capacity_kg": 9.0}])
    data["gas"]["appliances"] = [{"id": "top", "name": "Cooktop", "kind": "hob_burner", "heat_input_w": 3000.0}]
    bare = made(data)
    design, taken = accept(bare)
    names = set(given_names(design.model_dump(mode="json"))) - set(given_names(bare.model_dump(mode="json"), True))
    assert taken
    assert len(names) > 12, names
    assert [n for n in names if BRITISH.search(n)] == []
    assert [n for n in names if METRIC.search(n)] == []
    assert accept(design)[1] == [], "named as it is, nothing is proposed anew"

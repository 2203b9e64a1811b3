"""The library of tasks: one row for each kind of work in a vehicle, with its hours, people, order and conditions (method build.tasks)."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from functools import cache
from typing import NamedTuple

from bothy.core.catalogue.table import Row, rows, shipped
from bothy.core.words.says import build_says as says

PHASES = (
    "plan",
    "strip",
    "openings",
    "roof",
    "shell",
    "first_fix",
    "close",
    "furniture",
    "second_fix",
    "wet",
    "gas",
    "commission",
    "finish",
)
"""In the order of the work."""
TAGS = frozenset(
    [
        "ac",
        "antenna",
        "awning",
        "battery",
        "bed",
        "belted_seat",
        "bilge",
        "boat",
        "carpet",
        "cavity_wax",
        "coolant_loop",
        "data",
        "dc_panel",
        "dcdc",
        "duct",
        "floor_opening",
        "floor_services",
        "fresh_tank",
        "fridge",
        "furniture",
        "gas",
        "gas_locker",
        "grey_tank",
        "heater_fuel",
        "inverter",
        "kitchen",
        "overhead",
        "pop_top",
        "registration",
        "roof_ac",
        "roof_fan",
        "roof_rack",
        "rooflight",
        "shower",
        "side_opening",
        "solar",
        "spray_foam",
        "stove_wood",
        "swivel",
        "tap",
        "through_hull",
        "toilet",
        "under_tank",
        "underfloor_heat",
        "upholstery",
        "wardrobe",
        "water",
        "water_heater",
        "window",
    ]
)
QUANTITIES = frozenset(
    [
        "ac_circuit_count",
        "ceiling_area_m2",
        "dc_circuit_count",
        "duct_outlet_count",
        "floor_area_m2",
        "floor_opening_count",
        "gas_appliance_count",
        "part_count",
        "roof_opening_count",
        "side_opening_count",
        "solar_panel_count",
        "wall_area_m2",
        "water_outlet_count",
        "window_count",
    ]
)
SCHOOLS: dict[str, tuple[str, ...]] = {
    "cables": ("before_lining", "after_furniture"),
    "floor_finish": ("before_furniture", "after_furniture"),
    "vapour": ("barrier", "none"),
    "shell": ("floor_first", "walls_first"),
    "insulation": ("after_first_fix", "before_first_fix"),
    "estimate": ("triangular", "beta"),
    "buffers": ("project", "tasks"),
    "commissioning": ("per_service", "at_end"),
}
"""Setting -> its schools, the usual one first."""
SETUP = 0.3
"""The part of a task's hours that doesn't grow with its amount."""


class Template(NamedTuple):
    """A row of the library. ``trigger``: any of the groups, each of which wants all its tags (True) and none of those that are False. ``hard``: predecessor ->
    whether its cure is waited for. ``inside``, ``closes``: (zone, layer). Hours are those of the whole team at the reference amount."""

    id: str
    name: str
    phase: str
    service: str
    trigger: tuple[tuple[tuple[str, bool], ...], ...]
    scale: str | None
    scale_ref: float
    hours: tuple[float, float, float]
    people: int
    lift: bool
    skill: str
    licence: str
    hard: Mapping[str, bool]
    pref: tuple[str, ...]
    inside: tuple[tuple[str, int], ...]
    closes: tuple[tuple[str, int], ...]
    parts: tuple[str, ...]
    tools: tuple[str, ...]
    ppe: tuple[str, ...]
    outdoor: bool
    min_c: float | None
    max_c: float | None
    dry: bool
    daylight: bool
    max_wind: float | None
    cure: str | None
    bench: bool
    filler: bool
    school: tuple[str, str] | None
    record: str
    note: str
    row: int

    @property
    def phase_index(self) -> int:
        """Its phase in the order of the work."""
        return PHASES.index(self.phase)


def _list(row: Row, column: str) -> tuple[str, ...]:
    return tuple(x.strip() for x in row.text(column).split(";") if x.strip())


def _zones(row: Row, column: str) -> tuple[tuple[str, int], ...]:
    out = []
    for x in _list(row, column):
        zone, _, layer = x.partition("@")
        if layer not in ("1", "2", "3", "4", "5"):
            raise row.wrong(column, says("not-zone-layer", x=x))
        out.append((zone, int(layer)))
    return tuple(out)


def _trigger(row: Row) -> tuple[tuple[tuple[str, bool], ...], ...]:
    text = row.text("trigger")
    if text == "always":
        return ((),)
    out = []
    for group in text.split("|"):
        tags = []
        for word in group.split("&"):
            tag = word.removeprefix("!")
            if tag not in TAGS:
                raise row.wrong("trigger", says("not-tag", tag=tag))
            tags.append((tag, not word.startswith("!")))
        out.append(tuple(tags))
    return tuple(out)


def read_templates(lines: Iterable[str], table: str = "tasks.csv", first: int = 0) -> dict[str, Template]:
    """Templates by id in the order of the table. Raises :class:`bothy.core.catalogue.table.BadCatalogue`."""
    out = {}
    for n, r in enumerate(rows(table, lines, "id")):
        hours = (r.number("h_opt"), r.number("h_likely"), r.number("h_pess"))
        if not 0 <= hours[0] <= hours[1] <= hours[2]:
            raise r.wrong("h_likely", says("three-estimates-must-rise"))
        if r.text("phase") not in PHASES:
            raise r.wrong("phase", says("not-one", text=r.text("phase"), phases=", ".join(PHASES)))
        key, _, value = r.text("school").partition("=")
        hard = {p.removesuffix("!"): not p.endswith("!") for p in _list(r, "pred_hard")}
        scale = r.text("scale")
        out[r.text("id")] = Template(
            id=r.text("id"),
            name=r.text("name"),
            phase=r.text("phase"),
            service=r.text("service"),
            trigger=_trigger(r),
            scale=None if scale in ("none", "") else scale,
            scale_ref=r.number_or_none("scale_ref") or 1.0,
            hours=hours,
            people=int(r.number("people_count")),
            lift=r.text("two_person_lift") == "1",
            skill=r.text("skill"),
            licence=r.text("licence"),
            hard=hard,
            pref=_list(r, "pred_pref"),
            inside=_zones(r, "inside"),
            closes=_zones(r, "closes"),
            parts=_list(r, "parts"),
            tools=_list(r, "tools"),
            ppe=_list(r, "ppe"),
            outdoor=r.text("outdoor") == "1",
            min_c=r.number_or_none("min_temp_c"),
            max_c=r.number_or_none("max_temp_c"),
            dry=r.text("dry") == "1",
            daylight=r.text("daylight") == "1",
            max_wind=r.number_or_none("max_wind_m_s"),
            cure=None if r.text("cure_material") in ("none", "") else r.text("cure_material"),
            bench=r.text("bench") == "1",
            filler=r.text("filler") == "1",
            school=(key, value) if key else None,
            record=r.text("record") or "none",
            note=r.text("note"),
            row=first + n,
        )
    return out


@cache
def library() -> dict[str, Template]:
    """The library, by id in the order of its rows."""
    return read_templates(shipped("tasks.csv"))


ALSO_BEFORE = (
    ("freeze-design", "plan-measure-shell"),
    ("receive-parts", "plan-order-parts"),
    ("ff-ac-cables", "plan-licensed-look"),
    ("surface-ac-cables", "plan-licensed-look"),
    ("gas-pipework", "plan-licensed-look"),
    ("cut-roof", "roof-dry-fit"),
    ("fin-shakedown", "com-air"),
    ("fin-shakedown", "com-alarms"),
    ("com-water", "wet-test-again"),
    ("fin-weigh", "fin-weigh-removed"),
    ("place-fridge", "bench-fridge"),
    ("place-heater", "bench-heater"),
    ("place-batteries", "bench-charge"),
    ("sf-inverter", "bench-inverter"),
    ("wet-fresh", "bench-pump"),
    ("fit-roof-ac", "bench-roof-ac"),
    ("fit-roof-fan", "bench-roof-fan"),
)
"""What waits for the tasks that a plan asks for besides."""


@cache
def whole_library() -> dict[str, Template]:
    """The library with what a plan asks for besides: ordering, photographs by zone, a licensed look at the design, air and alarms proved."""
    base = library()
    out = {**base, **read_templates(shipped("tasks_more.csv"), "tasks_more.csv", len(base))}
    for later, first in ALSO_BEFORE:
        out[later] = out[later]._replace(hard={**out[later].hard, first: True})
    return out

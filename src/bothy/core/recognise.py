"""What an appliance is, told from its name: words as people write them, in the four regions' English (typical values)."""

from __future__ import annotations

import re
from typing import Any, NamedTuple

from bothy.core.design.document import Design
from bothy.core.design.life import Appliance
from bothy.core.words.says import core_says as says


class Water(NamedTuple):
    """Fresh water a use in L, and what it is of."""

    litres: float
    why: str


WATER: tuple[tuple[str, Water], ...] = (
    (r"wash(ing)?[- ]?machine|\bwasher\b|washer[- ]?dryer|twin[- ]?tub", Water(30.0, says("compact-washing-machine-one"))),
    (r"dish[- ]?washer", Water(8.0, says("table-top-dishwasher-one"))),
    (r"pressure[- ]?wash", Water(40.0, says("pressure-washer-ten-minutes"))),
)
"""Words of a name, and the usual water of one use (typical). What coffee and ice makers take is drinking water, counted as such."""
OWN_WATER = r"\bpump\b|water heater|shower"
"""What moves or heats water that is counted elsewhere."""


def water_of(a: Appliance) -> tuple[float, str]:
    """Litres that one use of an appliance takes, and where the value comes from; 0 where it takes none."""
    if a.water_l_per_use is not None:
        return a.water_l_per_use, "typed"
    name = a.name.lower()
    if a.kind in ("pump", "heating") or re.search(OWN_WATER, name):
        return 0.0, ""
    for words, water in WATER:
        if re.search(words, name):
            return water.litres, water.why
    return 0.0, ""


def uses_a_day(a: Appliance) -> float:
    """How often an appliance is used on a day: as typed; else one use for each hour that it runs, at least one where it runs at all."""
    if a.uses_per_day is not None:
        return a.uses_per_day * a.count
    if a.hours_per_day is not None:
        return max(1.0, a.hours_per_day) * a.count if a.hours_per_day > 0 else 0.0
    return float(a.count)


BILGE = r"\bbilge\b"


def stays_on(a: Appliance) -> bool:
    """Whether it must run while the isolator is off: as typed, else a bilge pump by its name."""
    return a.always_on if a.always_on is not None else bool(re.search(BILGE, a.name.lower()))


def gas_alarm(name: str) -> bool:
    """Whether something is an alarm for leaked gas, by its name."""
    return bool(re.search(r"\b(gas|lpg|propane|butane)\b", name.lower()) and re.search(r"alarm|detector", name.lower()))


def alarms_aboard(design: Design) -> set[str]:
    """Which alarms, ``co`` and ``smoke``, a design has: those of Heat and air, and those of Daily use by their names."""
    names = [a.name.lower() for a in design.life.appliances if a.kind == "safety" and a.count > 0]
    named = {kind for kind, words in (("co", r"monoxide|\bco\b"), ("smoke", r"\bsmoke\b")) if any(re.search(words, n) for n in names)}
    return named | {a.kind for a in design.warmth.alarms}


CHARTS = r"\b(vhf|radio|gps|chart|plotter|navigation|ais|radar|autopilot|compass|sounder)\b"
"""Navigation and radio, which must work at a low voltage too."""


def tolerant(a: Appliance) -> bool:
    """Whether an appliance stands a tenth of the voltage lost: lights, sockets, fans, adapters and chargers of electronics; not navigation and radio."""
    if a.kind in ("light", "socket", "fan"):
        return True
    return (a.kind == "electronics" or a.supply == "converter") and not re.search(CHARTS, a.name.lower())


_KINDS = (
    ("medical", r"breathing|cpap|insulin|oxygen|medic"),
    ("light", r"light|lamp|\bleds?\b|\bspots?\b"),
    ("cooling", r"fridge|freezer|\bcool|air[- ]?con|ice ?maker|refrigerator"),
    ("cooking", r"kettle|\bhob\b|induction|microwave|coffee|espresso|toaster|oven|air[- ]?fryer|blender|rice cooker|stove"),
    ("safety", r"alarm|shunt|detector|\bbilge\b"),
    ("tool", r"vacuum|hoover|\bdrill|\bsaw\b|\biron\b|hair ?dr[iy]er|straightener|washing machine|\bwasher\b|compressor pump|solder"),
    ("pump", r"\bpump"),
    ("heating", r"heater|heating|blanket"),
    ("fan", r"\bfan\b|vent|extractor"),
    ("socket", r"socket|\busb\b|outlet"),
    ("electronics", r"laptop|phone|router|screen|monitor|radio|camera|charger|tablet|\btv\b|television|console|satellite|modem|speaker|e-?bike|drone"),
)
"""Words of a name, the most telling kind first."""
_MAINS = (
    r"kettle|microwave|hair ?dr[iy]er|toaster|induction|\bhob\b|oven|air[- ]?fryer|vacuum|hoover|\biron\b|"
    r"espresso|coffee machine|blender|washing machine|straightener|rice cooker"
)
_NOT_MAINS = r"\b(12|24|48) ?v|gas|diesel|travel kettle|\bdc\b"
LOW_VOLTAGE_MOST_A = 50.0
"""More than this no ordinary 12 V appliance but a winch or an inverter draws: it is asked whether it runs on the mains."""
_ADAPTER = r"laptop|notebook"
_EVENING, _BREAKFAST, _NOON, _WORK = (18.0, 23.0), (7.0, 9.0), (12.0, 13.5), (9.0, 17.0)
_HOURS: tuple[tuple[str, str, tuple[tuple[float, float], ...]], ...] = (
    ("light", "", (_EVENING,)),
    ("cooking", r"kettle|coffee|espresso|toaster", (_BREAKFAST, (15.0, 17.0))),
    ("cooking", "", (_NOON, (18.0, 20.0))),
    ("electronics", r"laptop|monitor|screen", (_WORK,)),
    ("electronics", r"\btv\b|television|console", ((19.0, 23.0),)),
    ("tool", r"hair", (_BREAKFAST,)),
    ("medical", r"cpap|breathing", ((22.0, 24.0), (0.0, 7.0))),
    ("heating", r"blanket", ((21.0, 24.0),)),
)
"""Kind, words of the name, and the hours of the day at which it usually runs."""


def kind_of(name: str) -> str:
    """The kind of appliance that a name suggests."""
    low = name.lower()
    return next((k for k, words in _KINDS if re.search(words, low)), "other")


def mains_of(name: str, running_w: float, system_v: float) -> str | None:
    """Why an appliance is taken for one on the mains: by its name, or because no cable of the system should carry its power; None where it isn't."""
    low = name.lower()
    if re.search(r"\bmains\b|\b(120|230|240) ?v", low):
        return says("by-name")
    if re.search(_NOT_MAINS, low):
        return None
    if re.search(_MAINS, low):
        return says("by-name")
    return says("at-more-than-cable", running_a=running_w / system_v, system_v=system_v) if running_w > LOW_VOLTAGE_MOST_A * system_v else None


def adapter_of(name: str) -> bool:
    """Whether it runs through a small converter from the bank."""
    return re.search(_ADAPTER, name.lower()) is not None


def usual_windows(name: str, kind: str, hours: float) -> list[dict[str, Any]]:
    """The usual hours of the day of a kind, where they are room enough for so many hours; none for what runs all day."""
    low = name.lower()
    found = next((w for k, words, w in _HOURS if k == kind and re.search(words, low)), ())
    return [{"from_h": a, "to_h": b} for a, b in found] if hours <= sum(b - a for a, b in found) else []


_DUTY, _HOURS_DAY, _USES = "duty_frac", "hours_per_day", "uses_per_day"
_USE: tuple[tuple[str, str, dict[str, float]], ...] = (
    ("cooling", r"air[- ]?con", {_HOURS_DAY: 4.0}),
    ("cooling", r"ice ?maker", {_HOURS_DAY: 1.0}),
    ("cooling", r"freezer", {_DUTY: 0.45}),
    ("cooling", "", {_DUTY: 0.35}),
    ("light", "", {_HOURS_DAY: 4.0}),
    ("cooking", says("hob-induction-stove-rice"), {_USES: 2.0, "minutes_per_use": 20.0}),
    ("cooking", r"microwave", {_USES: 2.0, "minutes_per_use": 5.0}),
    ("cooking", "", {_USES: 4.0, "minutes_per_use": 4.0}),
    ("pump", r"bilge", {_HOURS_DAY: 0.1}),
    ("pump", "", {_HOURS_DAY: 0.5}),
    ("heating", r"blanket", {_HOURS_DAY: 2.0}),
    ("heating", "", {_HOURS_DAY: 8.0}),
    ("fan", "", {_HOURS_DAY: 8.0}),
    ("electronics", r"router|modem|satellite", {_HOURS_DAY: 24.0}),
    ("electronics", r"laptop|monitor|screen", {_HOURS_DAY: 5.0}),
    ("electronics", "", {_HOURS_DAY: 3.0}),
    ("socket", "", {_HOURS_DAY: 3.0}),
    ("safety", "", {_HOURS_DAY: 24.0}),
    ("medical", r"cpap|breathing|oxygen", {_HOURS_DAY: 8.0}),
    ("medical", "", {_HOURS_DAY: 24.0}),
    ("tool", r"wash", {_USES: 0.5, "minutes_per_use": 60.0}),
    ("tool", "", {_USES: 1.0, "minutes_per_use": 10.0}),
)
"""Kind, words of the name, and its usual use on a day (typical)."""


def usual_use(name: str, kind: str) -> dict[str, float]:
    """The usual use of an appliance on a day, in the fields of its line: part of the time, hours, or uses and the minutes of each; an hour where the
    name says nothing."""
    low = name.lower()
    return next((use for k, words, use in _USE if k == kind and re.search(words, low)), {_HOURS_DAY: 1.0})


def usual_start(name: str, kind: str, supply: str, running_w: float) -> float:
    """How many times its running power an appliance draws as it starts (typical): household compressors, pumps, the glow plug of a diesel heater."""
    low = name.lower()
    if kind == "cooling":
        return 5.0 if supply == "ac" else 1.2
    if kind == "pump":
        return 2.0
    if kind == "heating" and re.search(r"diesel|petrol|parking", low) and 0 < running_w < GLOW_W:
        return round(GLOW_W / running_w, 1)
    return 3.0 if kind == "tool" and supply == "ac" and not re.search(r"hair|iron|straightener", low) else 1.0


GLOW_W = 120.0
"""What a diesel heater draws while its glow plug is on (typical)."""

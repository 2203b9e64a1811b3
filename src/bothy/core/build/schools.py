"""Schools of building: what each changes in the order of the work (method build.tasks)."""

from __future__ import annotations

from collections.abc import Mapping

from bothy.core.build.templates import Template

LINED = ("line-wall-left", "line-wall-right", "line-ceiling")
ON_THE_WALLS = ("wall_left", "wall_right", "ceiling", "doors")
BEFORE_CABLES = {3: 2, 4: 3, 2: 4}
"""Insulation against the metal, the barrier on it, and the services before both: layers of the usual school -> theirs then."""
SERVICES = 2
CLOSED_FIRST = ("insulate-walls", "insulate-ceiling", "insulate-spray", "insulate-doors", "vapour-barrier")
FIRST_PROVED = ("com-visual-torque", "com-ac-dead", "com-water", "com-gas")
BUILT = ("close", "furniture", "second_fix", "wet", "gas")


def _walls_first(templates: dict[str, Template]) -> None:
    """The floor stays clean: it is decked after the walls are lined; only a preference."""
    for k in LINED:
        if k in templates:
            templates[k] = templates[k]._replace(pref=tuple(p for p in templates[k].pref if p != "floor-ply"))
    if "floor-ply" in templates:
        floor = templates["floor-ply"]
        templates["floor-ply"] = floor._replace(pref=(*floor.pref, *(k for k in LINED if k in templates)))


def _insulated_first(templates: dict[str, Template]) -> None:
    """Walls, ceiling and doors are insulated first, in whole boards; cables, pipes and ducts lie before them, and no hole goes through the barrier."""

    def layers(rows: tuple[tuple[str, int], ...]) -> tuple[tuple[str, int], ...]:
        return tuple((z, BEFORE_CABLES.get(n, n) if z in ON_THE_WALLS else n) for z, n in rows)

    for k, t in list(templates.items()):
        zones = {z for z, n in t.inside if n == SERVICES and z in ON_THE_WALLS}
        first = {p: True for p in CLOSED_FIRST if p in templates and zones & {z for z, _ in templates[p].inside}}
        templates[k] = t._replace(hard={**t.hard, **first}, inside=layers(t.inside), closes=layers(t.closes))


def _proved_at_the_end(templates: dict[str, Template]) -> None:
    """Nothing is proved before all of it is built."""
    for k in FIRST_PROVED:
        if k in templates:
            waits = {p: False for p, t in templates.items() if t.phase in BUILT and p not in templates[k].hard}
            templates[k] = templates[k]._replace(hard={**waits, **templates[k].hard})


def under(templates: Mapping[str, Template], schools: Mapping[str, str]) -> dict[str, Template]:
    """The library as these schools have it."""
    out = dict(templates)
    if schools.get("shell") == "walls_first":
        _walls_first(out)
    if schools.get("insulation") == "before_first_fix":
        _insulated_first(out)
    if schools.get("commissioning") == "at_end":
        _proved_at_the_end(out)
    return out

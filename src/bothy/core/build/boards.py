"""Boards, mats and sheets of the shell to buy, by the area of the surfaces whose build-up they are in (method build.packs)."""

from __future__ import annotations

from bothy.core.build.line import Line, slug
from bothy.core.catalogue.materials import materials
from bothy.core.design.document import Design
from bothy.core.design.warmth import AIR_GAP
from bothy.core.report import Report
from bothy.core.words.says import build_says as says

WASTE = 0.10
FLOOR_FINISH = ("vinyl_floor", "rubber_mat", "lining_carpet", "cork")
TASKS: dict[str, tuple[str, ...]] = {
    "deadening": ("sound-deadening",),
    "floor_finish": ("floor-finish", "floor-finish-late"),
    "floor_deck": ("floor-ply",),
    "floor": ("floor-insulation",),
    "lining": ("line-ceiling", "line-wall-left", "line-wall-right", "line-doors"),
    "cloth": ("carpet-trim", "line-doors"),
    "insulation": ("insulate-spray", "insulate-walls", "insulate-ceiling", "insulate-doors"),
}
"""What a layer is -> the tasks that may take it, as far as the plan has them."""


def _role(material: str, on: str) -> str:
    """What a layer is on a surface, by its material."""
    if "deadening" in material:
        return "deadening"
    if on == "floor":
        return "floor_finish" if material in FLOOR_FINISH else "floor_deck" if "plywood" in material else "floor"
    return "lining" if "plywood" in material else "cloth" if material == "lining_carpet" else "insulation"


def boards(d: Design, r: Report, live: set[str]) -> list[Line]:
    """A line for each material and thickness, with a tenth for cutting."""
    on: dict[str, list[tuple[str, float]]] = {}
    for key, s in r.warmth.surfaces.items():
        if s.build_up is not None:
            on.setdefault(s.build_up, []).append((key, s.area_m2))
    known, total, roles = materials(), dict[tuple[str, float], float](), dict[tuple[str, float], list[str]]()
    for b in d.warmth.build_ups:
        for x in b.layers:
            if not x.material or x.material == AIR_GAP or x.material not in known or not known[x.material].form or b.id not in on:
                continue
            at = (x.material, x.thickness_mm)
            total[at] = total.get(at, 0.0) + x.coverage_frac * sum(area for _, area in on[b.id])
            for surface, _ in on[b.id]:
                role = _role(x.material, surface)
                if role not in (mine := roles.setdefault(at, [])):
                    mine.append(role)
    out = []
    for (m, mm), area in sorted(total.items()):
        tasks = tuple(dict.fromkeys(t for role in roles[m, mm] for t in TASKS[role] if t in live))
        name = f"{known[m].name}, {mm:g} mm"
        out.append(Line(slug(f"insulation {m} {mm:g}"), name, "body", round(area * (1 + WASTE), 1), "m²", says("by"), None, ("warmth",), tasks, False))
    return out

"""Build-ups to start from: those compared in method warmth.u-value, and usual floors and bodies."""

from __future__ import annotations

from typing import Any

from bothy.core.design.warmth import BuildUp, Cab
from bothy.core.words.says import warmth_says as says

Stack = list[tuple[str, float, bool]]
"""Material (or air_gap), mm, whether it passes in front of the ribs."""


def _layers(stack: Stack, foil: bool = False) -> list[dict[str, Any]]:
    return [
        {"id": f"l{i}", "material": m, "thickness_mm": float(mm), "over_ribs": over, "foil": foil and m == "air_gap"}
        for i, (m, mm, over) in enumerate(stack, 1)
    ]


def _build(id: str, name: str, stack: Stack, *, foil: bool = False, ribs: bool = True, skin: str = "steel_skin", skin_mm: float = 0.8) -> BuildUp:
    return BuildUp.model_validate(
        {
            "id": id,
            "name": name,
            "layers": _layers(stack, foil),
            "skin": skin,
            "skin_mm": skin_mm,
            "rib_spacing_mm": 500.0 if ribs else None,
            "by": "proposal",
        }
    )


PLY: tuple[str, float, bool] = ("plywood", 4, True)
BUILD_UPS: tuple[BuildUp, ...] = (
    _build("foam-bonded", "Closed-cell foam 2 × 19, ply", [PLY, ("elastomeric_foam", 38, False)]),
    _build("foil-board", says("foil-faced-board-taped"), [PLY, ("pir_foil", 50, False)]),
    _build("sprayed", says("sprayed-foam-ply"), [PLY, ("pu_spray", 40, False)]),
    _build("extruded", says("extruded-board-ply"), [PLY, ("xps", 40, False)]),
    _build("wool", says("sheep-wool-ply-no"), [PLY, ("sheep_wool", 50, False)]),
    _build("wool-barrier", says("sheep-wool-behind-taped"), [PLY, ("vapour_foil", 0.2, True), ("sheep_wool", 50, False)]),
    _build("textile-membrane", says("textile-behind-variable-membrane"), [PLY, ("smart_membrane", 0.2, True), ("recycled_textile", 50, False)]),
    _build("wool-broken", says("sheep-wool-foam-over"), [PLY, ("vapour_foil", 0.2, True), ("pe_foam", 6, True), ("sheep_wool", 50, False)]),
    _build("gap-board", says("foil-faced-gap-foil"), [PLY, ("air_gap", 15, False), ("pir_foil", 25, False)], foil=True),
    _build("thin-foam", says("polyethylene-foam-carpet"), [("lining_carpet", 4, True), ("pe_foam", 10, False)]),
    _build("bubble-flat", says("bubble-foil-glued-flat"), [PLY, ("bubble_foil", 4, False)]),
    _build("carpet", says("lining-carpet-only"), [("lining_carpet", 4, True)]),
    _build("bare", says("bare-skin"), []),
    _build("floor-board", says("floor-ply-extruded-board"), [("vinyl_floor", 2, True), ("birch_plywood", 12, True), ("xps", 30, False)], ribs=False),
    _build("floor-thin", says("floor-ply-extruded-board-2"), [("vinyl_floor", 2, True), ("birch_plywood", 9, True), ("xps", 15, False)], ribs=False),
    _build("body-light", says("light-body-ply-bead"), [PLY, ("eps", 30, False)], skin="aluminium_skin", skin_mm=1.0),
    _build("body-sandwich", says("sandwich-body"), [("grp_laminate", 2, False), ("xps", 50, False)], ribs=False, skin="grp_laminate", skin_mm=2.0),
    _build("hull", says("hull-ply-closed-cell"), [PLY, ("elastomeric_foam", 19, False)], ribs=False, skin="grp_laminate", skin_mm=8.0),
)
PRESETS: dict[str, BuildUp] = {b.id: b for b in BUILD_UPS}
USUAL: dict[str, tuple[str, str]] = {
    "truck_body": ("body-sandwich", "floor-board"),
    "trailer": ("body-light", "floor-thin"),
    "truck_camper": ("body-light", "floor-thin"),
    "boat": ("hull", "floor-thin"),
}
"""Wall and roof, and floor, where nothing was said; else closed-cell foam and a boarded floor."""
SHELL_OF = {
    "small_van": "small_van",
    "panel_van": "large_van",
    "long_high_van": "large_van_long",
    "minibus": "minibus",
    "bus": "coach_bus",
    "truck_body": "truck_body",
    "trailer": "trailer",
    "truck_camper": "truck_camper",
    "boat": "small_boat",
}
CABS: dict[str, Cab] = {"truck_body": "none", "trailer": "none", "truck_camper": "none", "boat": "none"}


def usual(preset: str, kind: str) -> BuildUp:
    """What a surface of a kind of vehicle is taken to be built of until somebody says."""
    wall, floor = USUAL.get(preset, ("foam-bonded", "floor-board"))
    return PRESETS[floor if kind == "floor" else wall]

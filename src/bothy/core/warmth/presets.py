"""Build-ups to start from: those compared in method warmth.u-value, and usual floors and bodies."""

from __future__ import annotations

from typing import Any

from bothy.core.design.warmth import BuildUp, Cab

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
    _build("foil-board", "Foil-faced board 50, taped, ply", [PLY, ("pir_foil", 50, False)]),
    _build("sprayed", "Sprayed foam 40, ply", [PLY, ("pu_spray", 40, False)]),
    _build("extruded", "Extruded board 40, ply", [PLY, ("xps", 40, False)]),
    _build("wool", "Sheep wool 50, ply, no barrier", [PLY, ("sheep_wool", 50, False)]),
    _build("wool-barrier", "Sheep wool 50 behind a taped foil, ply", [PLY, ("vapour_foil", 0.2, True), ("sheep_wool", 50, False)]),
    _build("textile-membrane", "Textile 50 behind a variable membrane, ply", [PLY, ("smart_membrane", 0.2, True), ("recycled_textile", 50, False)]),
    _build("wool-broken", "Sheep wool 50, foam over the ribs, ply", [PLY, ("vapour_foil", 0.2, True), ("pe_foam", 6, True), ("sheep_wool", 50, False)]),
    _build("gap-board", "Foil-faced gap 15, foil board 25, ply", [PLY, ("air_gap", 15, False), ("pir_foil", 25, False)], foil=True),
    _build("thin-foam", "Polyethylene foam 10, carpet", [("lining_carpet", 4, True), ("pe_foam", 10, False)]),
    _build("bubble-flat", "Bubble foil glued flat, ply", [PLY, ("bubble_foil", 4, False)]),
    _build("carpet", "Lining carpet only", [("lining_carpet", 4, True)]),
    _build("bare", "Bare skin", []),
    _build("floor-board", "Floor: ply 12, extruded board 30", [("vinyl_floor", 2, True), ("birch_plywood", 12, True), ("xps", 30, False)], ribs=False),
    _build("floor-thin", "Floor: ply 9, extruded board 15", [("vinyl_floor", 2, True), ("birch_plywood", 9, True), ("xps", 15, False)], ribs=False),
    _build("body-light", "Light body: ply 4, bead board 30, aluminium", [PLY, ("eps", 30, False)], skin="aluminium_skin", skin_mm=1.0),
    _build("body-sandwich", "Sandwich body 50", [("grp_laminate", 2, False), ("xps", 50, False)], ribs=False, skin="grp_laminate", skin_mm=2.0),
    _build("hull", "Hull: ply 4, closed-cell foam 19", [PLY, ("elastomeric_foam", 19, False)], ribs=False, skin="grp_laminate", skin_mm=8.0),
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

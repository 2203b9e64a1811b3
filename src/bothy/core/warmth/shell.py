"""Inside areas of a shell: floor, roof, walls, cab, openings, slide-outs and pop-tops (method warmth.shell)."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Any, Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import warmth_says as says

On = Literal["floor", "roof", "left", "right", "rear", "front"]
OpeningKind = Literal["window", "rooflight", "door", "vent"]
ShellKey = Literal[
    "box",
    "small_van",
    "medium_van",
    "medium_van_high",
    "large_van",
    "large_van_long",
    "minibus",
    "coach_bus",
    "truck_body",
    "trailer",
    "truck_camper",
    "small_boat",
]
Cab = Literal["open", "bulkhead", "none"]
ROUND = 1.05
"""How much larger an arched roof is than its plan."""


@dataclass(frozen=True, slots=True)
class ShellPreset:
    """Typical inside of a kind of vehicle in m and m²; cab surfaces windscreen, side glass, doors, roof, floor, firewall; cab volume in m³."""

    inside: tuple[float, float, float] | None
    taper: float
    cab: tuple[float, ...] | None
    cab_volume_m3: float


def _p(length: float, w: float, h: float, taper: float, *cab: float) -> ShellPreset:
    return ShellPreset((length, w, h), taper, cab[:6] if cab else None, cab[6] if cab else 0.0)


SHELLS: dict[str, ShellPreset] = {
    "box": ShellPreset(None, 1, None, 0),
    "small_van": _p(2, 1.5, 1.2, 0.88, 1.1, 0.8, 1.4, 1.3, 1.6, 1.2, 2),
    "medium_van": _p(2.6, 1.65, 1.4, 0.86, 1.4, 0.9, 1.7, 1.6, 1.8, 1.5, 2.5),
    "medium_van_high": _p(2.9, 1.7, 1.85, 0.84, 1.4, 0.9, 1.8, 1.7, 1.9, 1.6, 3),
    "large_van": _p(3.2, 1.8, 1.92, 0.86, 1.7, 1.1, 2, 1.9, 2.2, 1.9, 3.6),
    "large_van_long": _p(4.2, 1.8, 1.92, 0.86, 1.7, 1.1, 2, 1.9, 2.2, 1.9, 3.6),
    "minibus": _p(4.5, 1.85, 1.85, 0.88, 1.8, 1.1, 2, 1.9, 2.2, 1.9, 3.7),
    "coach_bus": _p(8.5, 2.35, 1.95, 0.95, 3.6, 1.4, 2.6, 2.8, 3.3, 3.2, 6.5),
    "truck_body": _p(4.5, 2.15, 2.05, 1),
    "trailer": _p(4.5, 2.05, 1.95, 1),
    "truck_camper": _p(3.2, 1.95, 1.95, 1),
    "small_boat": _p(5, 2, 1.75, 0.95),
}
"""method warmth.shell, typical."""
CAB_PARTS = (
    ("cab_windscreen", "glass"),
    ("cab_side_glass", "glass"),
    ("cab_doors", "door"),
    ("cab_roof", "roof"),
    ("cab_floor", "floor"),
    ("cab_firewall", "bulkhead"),
)


class ShellOpening(Contract):
    on: On
    kind: OpeningKind = "window"
    name: str | None = Field(None, max_length=200)
    area_m2: float = Field(gt=0, le=20)
    count: Whole = Field(1, ge=1, le=1000)


class SlideOutSize(BaseModel):
    """Where a part of the wall slides out, and how large it is; the same in the design and in the sum."""

    on: Literal["left", "right", "rear"]
    depth_m: float = Field(gt=0, le=2)
    width_m: float = Field(gt=0, le=10)
    height_m: float = Field(gt=0, le=3)


class PopTopSize(BaseModel):
    """Size of a roof that lifts; the same in the design and in the sum."""

    length_m: float = Field(gt=0, le=10)
    width_m: float = Field(gt=0, le=10)
    height_m: float = Field(gt=0, le=3)
    shape: Literal["box", "wedge"] = "box"


class SlideOut(Contract, SlideOutSize):
    pass


class PopTop(Contract, PopTopSize):
    pass


class ShellAreaIn(Contract):
    preset: ShellKey = "box"
    length_m: float | None = Field(None, gt=0, le=20)
    width_m: float | None = Field(None, gt=0, le=20)
    height_m: float | None = Field(None, gt=0, le=20)
    taper_frac: float | None = Field(None, ge=0.5, le=1)
    cab: Cab | None = None
    openings: list[ShellOpening] = []
    slide_outs: list[SlideOut] = []
    pop_top: PopTop | None = None

    @model_validator(mode="after")
    def _sizes(self) -> Self:
        p = SHELLS[self.preset]
        for key in ("length_m", "width_m", "height_m"):
            if p.inside is None and getattr(self, key) is None:
                raise wrong(key, says("required-for-box"))
        if self.cab == "open" and p.cab is None:
            raise wrong("cab", says("has-no-cab-to", preset=self.preset))
        if not self.has_front:
            for o in self.openings:
                if o.on == "front":
                    raise wrong("on", says("there-no-front-wall"))
        return self

    @property
    def has_front(self) -> bool:
        """Whether there is a wall to the front."""
        return (self.cab or ("open" if SHELLS[self.preset].cab else "none")) != "open"


class ShellSurface(BaseModel):
    name: str
    kind: str
    area_m2: float


class ShellAreaOut(Outcome):
    surfaces: list[ShellSurface]
    total_area_m2: float
    volume_m3: float
    floor_area_m2: float


def shell_area(inp: ShellAreaIn, sources: dict[str, Figure] | None = None) -> ShellAreaOut:
    """Every inside surface and the volume. Raises :class:`ValueError` (as bad input) when openings are larger than their surface. Method: warmth.shell."""
    from bothy.core.contract import BadInput

    p = SHELLS[inp.preset]
    length, width, height = (v if v is not None else p.inside[i] if p.inside else 0.0 for i, v in enumerate((inp.length_m, inp.width_m, inp.height_m)))
    taper = inp.taper_frac if inp.taper_frac is not None else p.taper
    cab = inp.cab or ("open" if p.cab else "none")
    side = length * math.hypot(height, width * (1 - taper) / 2)
    area: dict[str, float] = {
        "floor": length * width,
        "roof": length * width * taper * (ROUND if taper < 1 else 1),
        "left": side,
        "right": side,
        "rear": height * width * (1 + taper) / 2,
    }
    kind: dict[str, str] = {"floor": "floor", "roof": "roof", "left": "wall", "right": "wall", "rear": "wall"}
    if inp.has_front:
        area["front"], kind["front"] = height * width * (1 + taper) / 2, "bulkhead" if cab == "bulkhead" else "wall"
    volume = length * height * width * (1 + taper) / 2
    more: list[tuple[str, str, float]] = []
    if cab == "open" and p.cab:
        more += [(n, k, a) for (n, k), a in zip(CAB_PARTS, p.cab, strict=True)]
        volume += p.cab_volume_m3
    for o in inp.openings:
        if o.on not in area:
            raise BadInput("openings", says("one-in-which-isnt", on=o.on))
        area[o.on] -= o.area_m2 * o.count
        more.append((o.name or o.kind, o.kind, o.area_m2 * o.count))
    for i, s in enumerate(inp.slide_outs, 1):
        front = s.width_m * s.height_m
        area[s.on] -= front
        more.append((f"slide_out_{i}", "slide_out", 2 * s.depth_m * s.width_m + 2 * s.depth_m * s.height_m + front))
        volume += s.depth_m * front
    if inp.pop_top is not None:
        t = inp.pop_top
        area["roof"] -= t.length_m * t.width_m
        if t.shape == "box":
            canvas, lid, room = 2 * (t.length_m + t.width_m) * t.height_m, t.length_m * t.width_m, t.length_m * t.width_m * t.height_m
        else:
            canvas, lid = t.length_m * t.height_m + t.width_m * t.height_m, t.width_m * math.hypot(t.length_m, t.height_m)
            room = t.length_m * t.width_m * t.height_m / 2
        more += [("pop_top_canvas", "canvas", canvas), ("pop_top_lid", "roof", lid)]
        volume += room
    for name, a in area.items():
        if a < -1e-9:
            key = "openings" if inp.openings else "slide_outs" if inp.slide_outs else "pop_top"
            raise BadInput(key, says("what-cut-out-larger", name=name, a_m2=-a))
    surfaces = [ShellSurface(name=n, kind=kind[n], area_m2=max(0.0, a)) for n, a in area.items()]
    surfaces += [ShellSurface(name=n, kind=k, area_m2=a) for n, k, a in more]
    parts: dict[str, Any] = {f"{s.name}_m2": s.area_m2 for s in surfaces}
    return ShellAreaOut.of(
        surfaces=surfaces,
        total_area_m2=derived("total_area_m2", "Σ", sum(s.area_m2 for s in surfaces), Method("warmth.shell", "inside areas"), **parts),
        volume_m3=derived(
            "volume_m3",
            "L·H·W·(1+taper)/2, with cab, slide-outs and pop-top",
            volume,
            Method("warmth.shell", "geometry"),
            length_m=length,
            width_m=width,
            height_m=height,
            taper_frac=taper,
        ),
        floor_area_m2=derived("floor_area_m2", "L·W", length * width, Method("warmth.shell", "geometry"), length_m=length, width_m=width),
    )

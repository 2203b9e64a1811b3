"""Bodies to start from: profile, obstacles, doors, axles, limits and roof by kind of vehicle (method fit.shell, typical)."""

from __future__ import annotations

from typing import NamedTuple

from bothy.core.words.says import fit_says as says


class DoorPreset(NamedTuple):
    """A door: kind of wall (``kerb``: the side of the footway), where it begins and ends along x, and its clear opening, m."""

    id: str
    name: str
    wall: str
    x: tuple[float, float] | None
    clear: tuple[float, float]


class RunningPreset(NamedTuple):
    """Axles and limits, m and kg. A trailer has its axles, coupling and nose; a boat has none."""

    rear_x: float | None
    front_x: float | None
    track: float = 1.7
    floor: float = 0.65
    empty: tuple[float, float] = (0.0, 0.0)
    limits: tuple[float, float, float] | None = None
    roof_kg: float = 100.0
    second_x: float | None = None
    coupling_x: float | None = None
    nose_limit: float | None = None
    empty_z: float = 0.05
    """Height of the empty vehicle’s centre of gravity over the finished floor: a truck’s chassis lies under it."""


class BodyPreset(NamedTuple):
    """A body: levels, stations (x, half-widths, height), wheel arches (x0, x1, from |y|, height), doors, running gear."""

    levels: tuple[float, ...]
    stations: tuple[tuple[float, tuple[float, ...], float], ...]
    arch: tuple[float, float, float, float] | None
    doors: tuple[DoorPreset, ...]
    running: RunningPreset
    cab: bool = True
    """Whether a cab is ahead of the living space."""


BODIES: dict[str, BodyPreset] = {
    "small_van": BodyPreset(
        (0.1, 0.7, 1.1),
        ((0, (0.72, 0.74, 0.60), 1.20), (1.0, (0.74, 0.76, 0.63), 1.22), (1.75, (0.73, 0.75, 0.62), 1.22)),
        (0.35, 1.05, 0.57, 0.28),
        (DoorPreset("side", says("side-door"), "kerb", (1.0, 1.56), (0.56, 1.05)), DoorPreset("rear", says("rear-doors"), "rear", None, (1.10, 1.05))),
        RunningPreset(0.70, 3.45, 1.52, 0.56, (820, 620), (2050, 1080, 1150), 75),
    ),
    "panel_van": BodyPreset(
        (0.1, 0.8, 1.3),
        ((0, (0.82, 0.84, 0.65), 1.37), (1.5, (0.84, 0.86, 0.68), 1.38), (2.55, (0.82, 0.84, 0.67), 1.38)),
        (0.55, 1.30, 0.63, 0.32),
        (DoorPreset("side", says("side-door"), "kerb", (1.55, 2.48), (0.93, 1.22)), DoorPreset("rear", says("rear-doors"), "rear", None, (1.25, 1.22))),
        RunningPreset(0.93, 4.03, 1.63, 0.58, (1050, 850), (3000, 1600, 1600), 100),
    ),
    "long_high_van": BodyPreset(
        (0.1, 1.0, 1.8),
        (
            (0, (0.86, 0.88, 0.70), 1.88),
            (1.2, (0.89, 0.92, 0.76), 1.92),
            (3.0, (0.90, 0.93, 0.78), 1.93),
            (4.25, (0.88, 0.90, 0.76), 1.90),
        ),
        (0.85, 1.70, 0.66, 0.36),
        (DoorPreset("side", says("side-door"), "kerb", (2.95, 4.11), (1.16, 1.75)), DoorPreset("rear", says("rear-doors"), "rear", None, (1.45, 1.75))),
        RunningPreset(1.27, 5.32, 1.71, 0.68, (1250, 1000), (3500, 1850, 2250), 150),
    ),
    "bus": BodyPreset(
        (0.1, 1.0, 1.8),
        ((0, (1.13, 1.16, 0.96), 1.93), (4.0, (1.14, 1.17, 0.98), 1.95), (8.0, (1.13, 1.16, 0.96), 1.95)),
        (2.00, 3.10, 0.80, 0.15),
        (DoorPreset("side", says("front-door"), "kerb", (7.0, 7.8), (0.80, 1.85)), DoorPreset("rear", says("emergency-door"), "rear", None, (0.75, 1.25))),
        RunningPreset(2.55, 8.15, 1.95, 0.95, (2600, 4700), (11500, 4200, 7800), 300),
    ),
    "truck_body": BodyPreset(
        (0.1, 1.1, 2.1),
        ((0, (1.06, 1.06, 1.06), 2.15), (2.5, (1.06, 1.06, 1.06), 2.15), (5.0, (1.06, 1.06, 1.06), 2.15)),
        None,
        (DoorPreset("side", says("side-door"), "kerb", (3.6, 4.4), (0.70, 1.85)), DoorPreset("rear", says("rear-doors"), "rear", None, (1.95, 2.05))),
        RunningPreset(1.35, 5.65, 1.72, 0.98, (1650, 1500), (5500, 2300, 3900), 200, empty_z=-0.15),
    ),
    "trailer": BodyPreset(
        (0.1, 1.0, 1.9),
        ((0, (1.02, 1.02, 1.00), 1.95), (3.9, (1.02, 1.02, 1.00), 1.95), (4.8, (0.08, 0.08, 0.06), 1.95)),
        (1.45, 2.70, 0.86, 0.25),
        (DoorPreset("side", says("side-door"), "kerb", (3.1, 3.9), (0.80, 1.75)), DoorPreset("rear", says("ramp"), "rear", None, (1.85, 1.85))),
        RunningPreset(1.70, None, 1.95, 0.52, (95, 780), (3170, 320, 1590), 120, second_x=2.45, coupling_x=6.15, nose_limit=320),
        cab=False,
    ),
    "truck_camper": BodyPreset(
        (0.1, 0.6, 1.8),
        ((0, (0.60, 1.00, 0.98), 1.97), (1.2, (0.60, 1.00, 0.98), 1.97), (2.4, (0.60, 1.00, 0.98), 1.97)),
        None,
        (DoorPreset("rear", says("rear-door"), "rear", None, (0.60, 1.70)),),
        RunningPreset(1.15, 5.05, 1.72, 0.85, (1900, 1400), (5100, 2400, 3200), 100, empty_z=-0.10),
        cab=False,
    ),
    "boat": BodyPreset(
        (0.1, 0.9, 1.7),
        ((0, (0.85, 0.92, 0.78), 1.92), (4.5, (0.86, 0.93, 0.79), 1.92), (9.0, (0.85, 0.92, 0.78), 1.92)),
        None,
        (DoorPreset("side", says("side-hatch"), "kerb", (4.0, 4.7), (0.70, 0.70)), DoorPreset("rear", says("companionway"), "rear", None, (0.62, 1.60))),
        RunningPreset(None, None, roof_kg=250),
        cab=False,
    ),
}
BODIES["minibus"] = BODIES["long_high_van"]
KERB = {"uk": "left", "au": "left", "eu": "right", "us": "right"}
"""The side of the footway, where the sliding door is."""

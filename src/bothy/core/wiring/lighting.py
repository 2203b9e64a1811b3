"""Lighting zones: the way of the cable over the switches, what runs between them, and who reaches a switch (method wiring.panel)."""

from __future__ import annotations

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import EPS, quick
from bothy.core.design.life import Appliance
from bothy.core.design.lighting import LightZone, SwitchPlace
from bothy.core.figure import given, total
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Method
from bothy.core.wiring.circuit import Worked
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        (
            "wire-no-switch-at-door",
            "advice",
            Method("wiring.lighting"),
        ),
        (
            "wire-zone-way",
            "advice",
            Method("wiring.lighting"),
        ),
        ("wire-zone-empty", "note", Method("wiring.lighting")),
    ),
)

REACH_M, LOW_M, HIGH_M = 0.60, 0.7, 1.5
"""From outside the main door: no farther than this from its clear opening, and between these heights (typical)."""
NIGHT_W = 1.0
ZONE_WORDS = {
    "kitchen": says("kitchen"),
    "living": says("living"),
    "bed": says("bed"),
    "washroom": says("washroom"),
    "garage": says("garage"),
    "cab": says("entrance"),
    "roof": says("roof"),
    "outside": says("outside"),
}


class ZonePart(BaseModel):
    """A zone worked out: the way from board to lamp in m (None until all of it is said), conductors between its places, codes of its circuits."""

    way_m: float | None
    between_count: int | None
    codes: list[str]
    watts: float


class LightingPart(BaseModel):
    """Zones by id; ``from_door`` and ``from_bed`` name the places that are in reach."""

    zones: dict[str, ZonePart]
    from_door: list[str]
    from_bed: list[str]


def reached_from_door(door_distance_m: float | None, height_m: float | None) -> bool:
    """Whether a person outside the main door reaches a place."""
    return door_distance_m is not None and door_distance_m <= REACH_M + EPS and height_m is not None and LOW_M - EPS <= height_m <= HIGH_M + EPS


def _place(ctx: Context, p: SwitchPlace) -> SwitchPlace:
    """A place with what is known of it: one on the plate stands where the plate stands."""
    panel = ctx.design.wiring.panel
    if not p.on_plate or panel is None:
        return p
    return p.model_copy(update={"door_distance_m": panel.door_distance_m, "height_m": panel.floor_height_m, "by_bed": p.by_bed or panel.by_bed})


def _way(ctx: Context, z: LightZone) -> float | None:
    pieces = [(p.name, p.wire_m) for p in z.places] + [(says("to-lamps"), z.lamp_wire_m)]
    if not z.places or any(m is None for _, m in pieces):
        return None
    return ctx.book.put(
        f"zones/{z.id}/way_m",
        total(
            says("way-from-board-over"),
            "m",
            [(n, given("length_m", m or 0.0, "typed", n)) for n, m in pieces],
            Method("wiring.lighting", "one way"),
        ),
    ).value


def between(z: LightZone) -> int | None:
    """Conductors between the switching places of a zone: two strappers, or the two thin wires of a push-button; None with one place."""
    return 2 if len(z.places) > 1 else None


def night(a: Appliance) -> bool:
    """Whether a light is a night light: 1 W at most, all of it together."""
    return a.running_w * a.count <= NIGHT_W + EPS


def propose_zones(ctx: Context) -> list[LightZone]:
    """Zones as they usually are: one a part of the vehicle, night lights apart. The living zone is switched from the plate and from the bed."""
    lights = [a for a in ctx.design.life.appliances if a.kind == "light" and a.count > 0 and a.supply != "ac"]
    groups: dict[str, list[Appliance]] = {}
    for a in lights:
        groups.setdefault("night" if night(a) else a.zone, []).append(a)
    main = "living" if "living" in groups else next(iter(k for k in groups if k != "night"), None)
    plate = SwitchPlace(id="plate", name=says("switch-panel"), on_plate=True)
    bed = SwitchPlace(id="bed", name=says("by-bed"), by_bed=True)
    return [
        LightZone(
            id=f"zone-{k}",
            name=says("night") if k == "night" else ZONE_WORDS[k],
            lights=[a.id for a in g],
            control="change_over" if k == main else "one",
            places=[plate, bed] if k == main else [plate],
            by="proposal",
        )
        for k, g in groups.items()
    ]


def work_lighting(ctx: Context, worked: list[Worked]) -> tuple[LightingPart, list[Finding]]:
    """Every zone by id, who reaches a switch, and the findings of lighting."""
    w = ctx.design.wiring
    of_light = {i: x for x in worked for i in x.circuit.appliances}
    zones: dict[str, ZonePart] = {}
    found: list[Finding] = []
    from_door: list[str] = []
    from_bed: list[str] = []
    near: list[float] = []
    for z in w.zones:
        circuits = {of_light[i].circuit.id: of_light[i] for i in z.lights if i in of_light}
        way = _way(ctx, z)
        on = [a for i in z.lights if (a := ctx.design.appliance(i)) is not None]
        zones[z.id] = quick(
            ZonePart, way_m=way, between_count=between(z), codes=[x.part.code for x in circuits.values()], watts=sum(a.running_w * a.count for a in on)
        )
        if not z.lights or not z.places:
            found.append(finding("wire-zone-empty", z.id, z.name, says("zone-has-switches-and") if not z.lights else says("zone-has-lights-and")))
        for p in (_place(ctx, p) for p in z.places):
            if reached_from_door(p.door_distance_m, p.height_m):
                from_door.append(f"{z.name}: {p.name}")
            if p.by_bed:
                from_bed.append(f"{z.name}: {p.name}")
            near += [p.door_distance_m] if p.door_distance_m is not None else []
        for x in circuits.values():
            if way is not None and x.circuit.length_m is not None and x.circuit.length_m < way - EPS:
                found.append(
                    finding(
                        "wire-zone-way",
                        x.circuit.id,
                        x.name,
                        (says("over-switches-has-cable", z_name=z.name, way_m=way, length_m=x.circuit.length_m)),
                        fix=x.change(says("make", way_m=way), length_m=round(way, 2)),
                        figures=[f"zones/{z.id}/way_m"],
                    )
                )
    panel = w.panel
    if panel is not None:
        near += [panel.door_distance_m] if panel.door_distance_m is not None else []
        if reached_from_door(panel.door_distance_m, panel.floor_height_m):
            from_door.append(says("switch-panel"))
        if panel.by_bed:
            from_bed.append(says("switch-panel"))
    if (w.zones or panel is not None) and not from_door and any(a.kind == "light" for a in ctx.design.life.appliances):
        at_door = _at_door(w.zones)
        told = says("nearest-switch-from-door", near_m=min(near)) if near else says("how-far-switches-from")
        found.append(
            finding(
                "wire-no-switch-at-door",
                "wiring",
                says("wiring"),
                says("within-opening-and-to", told=told, reach_m=REACH_M, low_m=LOW_M, high_m=HIGH_M),
                **({"fix": at_door} if near else {"severity": "question", "answers": [at_door] if at_door else []}),
            )
        )
    return quick(LightingPart, zones=zones, from_door=from_door, from_bed=from_bed), found


def _at_door(zones: list[LightZone]) -> Remedy | None:
    """A push-button beside the door for the largest zone, or a second change-over switch where it has one place."""
    if not zones:
        return None
    i, z = max(enumerate(zones), key=lambda iz: (len(iz[1].lights), -iz[0]))
    control = "change_over" if len(z.places) < 2 else "latching"
    places = [p.model_dump(mode="json") for p in z.places]
    taken = {p["id"] for p in places}
    new = {"id": next(f"door{n}" for n in ("", *range(2, 12)) if f"door{n}" not in taken), "name": says("at-door"), "door_distance_m": 0.4, "height_m": 1.2}
    return Remedy.sets(says("add-switch-at-door", z_name=z.name), f"/wiring/zones/{i}", z.id, control=control, places=[*places, new])

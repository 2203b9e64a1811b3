"""What the design document says of Fit: the measured body, bays, things of one's own, where everything stands, and the ways between (the method of fit)."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.contract import Whole, rising_box, unique_ids, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note
from bothy.core.design.raceway import SignalKind
from bothy.core.design.roof import Roof
from bothy.core.design.sides import Sides
from bothy.core.words.says import design_says as says

ThingKey = Annotated[str, StringConstraints(pattern=r"^[a-z]{2,10}:[a-z0-9][a-z0-9_-]{0,49}$")]
"""A thing of the design: its stage and its id there (``life:fridge``, ``power:bank``, ``own:bed``)."""
X = Annotated[float, Field(ge=-6, le=25)]
Y = Annotated[float, Field(ge=-3, le=3)]
Z = Annotated[float, Field(ge=-1.5, le=5)]
Half = Annotated[float, Field(gt=0, le=3)]
Up = Literal["top", "front", "rear", "left", "right", "bottom"]
BayKind = Literal[
    "living", "bench", "kitchen_run", "wardrobe", "overhead", "garage", "cab", "underfloor", "roof", "gas_locker", "outside_locker", "engine_bay", "battery_box"
]
ObstacleKind = Literal["wheel_arch", "rib", "frame_rail", "door_swing", "step", "filler_pipe", "engine_bay", "swept_volume", "seat", "other"]
OwnKind = Literal["bed", "kitchen", "bench", "overhead", "wardrobe", "wet_room", "partition", "seat", "luggage", "removed", "other"]
FixingKey = Literal["bolt_m6_plate", "bolt_m8_plate", "insert_m6", "insert_m8", "self_tapping", "wood_screw_ply", "wood_screw_softwood"]
WayService = Literal["dc", "mains", "data", "gas", "water", "waste", "duct"]
WayTag = Literal["heat", "moving_part", "outside", "water", "sharp_edge", "bulkhead", "gas_locker"]


class BoxDoc(Doc):
    """A box in m: x from the rear-most inside face forwards, y left of the centre line, z over the finished floor; each upper side above its lower."""

    x0_m: X
    x1_m: X
    y0_m: Y
    y1_m: Y
    z0_m: Z
    z1_m: Z

    @model_validator(mode="after")
    def _upper(self) -> Self:
        rising_box(self)
        return self


class Station(Doc):
    """A measured section: half-widths in m from the centre line at the levels, and the ceiling over the finished floor. ``from_wall``: measured from a wall."""

    x_m: X
    left_m: list[Half] = Field(min_length=1, max_length=12)
    right_m: list[Half] = Field(min_length=1, max_length=12)
    height_m: float = Field(gt=0, le=5)
    from_wall: bool = False


class Obstacle(BoxDoc):
    """What can't be moved: a wheel arch, a rib, the swing of a door."""

    id: Id
    name: Name = "Obstacle"
    kind: ObstacleKind = "other"


class DoorDoc(Doc):
    """A door or hatch with its clear opening in m, where along the wall it is, and the height of its sill over the finished floor."""

    id: Id
    name: Name = "Door"
    side: Literal["left", "right", "rear", "front", "roof"] = "right"
    x0_m: X | None = None
    x1_m: X | None = None
    clear_width_m: float = Field(gt=0, le=5)
    clear_height_m: float = Field(gt=0, le=4)
    sill_z_m: Z = 0.0

    @model_validator(mode="after")
    def _along(self) -> Self:
        if self.side in ("left", "right"):
            if self.x0_m is None or self.x1_m is None:
                raise wrong("x0_m", says("in-side-wall-give", self_name=self.name))
            if self.x1_m <= self.x0_m:
                raise wrong("x1_m", says("must-be-ahead", x0_m=self.x0_m))
        return self


class Running(Doc):
    """Axles, ground and limits: m and kg; None: typical of the kind of vehicle, or not known. ``coupling_x_m`` and the nose are a trailer's; of a camper on
    a truck the empty axles are the truck's, ``camper_kg`` what the camper weighs by itself, with its centre at ``camper_x_m`` and ``camper_z_m``."""

    rear_axle_x_m: X | None = None
    front_axle_x_m: X | None = None
    second_axle_x_m: X | None = None
    track_m: float | None = Field(None, ge=0.5, le=3)
    floor_height_m: float | None = Field(None, ge=0, le=2)
    empty_front_kg: float | None = Field(None, ge=0, le=40000)
    empty_rear_kg: float | None = Field(None, ge=0, le=40000)
    gross_limit_kg: float | None = Field(None, ge=100, le=60000)
    front_limit_kg: float | None = Field(None, ge=50, le=40000)
    rear_limit_kg: float | None = Field(None, ge=50, le=40000)
    tyre_front_kg: float | None = Field(None, ge=50, le=40000)
    tyre_rear_kg: float | None = Field(None, ge=50, le=40000)
    roof_limit_kg: float | None = Field(None, ge=0, le=2000)
    coupling_x_m: X | None = None
    nose_empty_kg: float | None = Field(None, ge=-2000, le=5000)
    nose_limit_kg: float | None = Field(None, ge=1, le=5000)
    tow_limit_kg: float | None = Field(None, ge=50, le=60000)
    tow_vehicle_kg: float | None = Field(None, ge=100, le=60000)
    camper_kg: float | None = Field(None, ge=0, le=6000)
    camper_x_m: X | None = None
    camper_z_m: Z | None = None


class Body(Doc):
    """The measured inside. Without stations the profile of the kind of vehicle is taken, scaled to what was typed of it."""

    levels_z_m: list[Annotated[float, Field(ge=0, le=4)]] = Field([], max_length=12)
    stations: list[Station] = Field([], max_length=40)
    obstacles: list[Obstacle] | None = Field(None, max_length=60)
    doors: list[DoorDoc] | None = Field(None, max_length=20)
    running: Running = Running()

    @model_validator(mode="after")
    def _shape(self) -> Self:
        if bool(self.levels_z_m) != bool(self.stations):
            raise wrong("levels_z_m", says("stations-and-levels-at"))
        if len(self.stations) == 1:
            raise wrong("stations", says("one-section-makes-no"))
        for a, b in zip(self.levels_z_m, self.levels_z_m[1:], strict=False):
            if b <= a:
                raise wrong("levels_z_m", says("must-rise-comes-after", b_m=b, a_m=a))
        for s, t in zip(self.stations, self.stations[1:], strict=False):
            if t.x_m <= s.x_m:
                raise wrong("x_m", says("stations-go-from-rear", x_m=t.x_m, x_m_2=s.x_m))
        for s in self.stations:
            for key in ("left_m", "right_m"):
                if len(getattr(s, key)) != len(self.levels_z_m):
                    raise wrong(key, says("station-at-needs-one", x_m=s.x_m, levels_z_m_count=len(self.levels_z_m)))
        for items in (self.obstacles or [], self.doors or []):
            unique_ids(x.id for x in items)
        return self


class FitBay(BoxDoc):
    """A space that things stand in. ``thermal``: how warm it is; ``sealed_inside``: gas-tight towards the living space; ``vent_cm2``: free area of each of its
    two openings."""

    id: Id
    name: Name = "Bay"
    kind: BayKind = "living"
    thermal: Literal["living", "unheated", "outside"] = "living"
    sealed_inside: bool = False
    vent_cm2: float | None = Field(None, ge=0, le=10000)
    enclosed: bool = False


class OwnThing(Doc):
    """Furniture, a seat, luggage, or something that was taken out (its mass counts off)."""

    id: Id
    name: Name
    kind: OwnKind = "other"
    length_m: float = Field(ge=0.01, le=12)
    width_m: float = Field(ge=0.01, le=4)
    height_m: float = Field(ge=0.01, le=4)
    mass_kg: float = Field(ge=0, le=3000)
    hollow: bool = True
    """Whether things may stand inside it (a cabinet), or only beside it."""
    flammable: bool = False
    by: By = "typed"


class PortDoc(Doc):
    """Where runs of one sort are joined to a thing, in m from the rear, right and lower corner of its upright pose."""

    of: Literal["cable", "water", "gas", "air"] = "cable"
    x_m: float = Field(ge=0, le=12)
    y_m: float = Field(ge=0, le=4)
    z_m: float = Field(ge=0, le=4)


class SizeDoc(Doc):
    """What was measured of a thing: size in its upright pose (length along x), mass, clearances by face, and where it is joined, m and kg."""

    of: ThingKey
    length_m: float | None = Field(None, ge=0.005, le=12)
    width_m: float | None = Field(None, ge=0.005, le=4)
    height_m: float | None = Field(None, ge=0.005, le=4)
    mass_kg: float | None = Field(None, ge=0, le=5000)
    clearance_m: dict[Literal["rear", "front", "right", "left", "bottom", "top"], Annotated[float, Field(ge=0, le=3)]] = {}
    ports: list[PortDoc] = Field([], max_length=4)

    @model_validator(mode="after")
    def _one_of_a_sort(self) -> Self:
        unique_ids((p.of for p in self.ports), "of")
        return self


class OpenPlace(Doc):
    """Where a thing's least corner is in m when the vehicle stands open: a bed let down or under a raised roof, what moves out with a slide-out."""

    x_m: X
    y_m: Y
    z_m: Z = 0.0


class PlaceDoc(Doc):
    """Where a thing stands: its least corner in m, how it is turned, its bay, and what holds it down. ``tray``: a drip tray with a drain under it;
    ``shield``: a heat shield towards what is near; ``hatch``: it is reached by a hatch that opens without a tool; ``open``: where it is when the vehicle
    stands open, None: in the same place."""

    of: ThingKey
    bay: Id | None = None
    x_m: X
    y_m: Y
    z_m: Z = 0.0
    yaw_deg: Literal[0, 90, 180, 270] = 0
    up: Up = "top"
    fixing: FixingKey | None = None
    fixing_count: Whole | None = Field(None, ge=2, le=60)
    tray: bool = False
    shield: bool = False
    hatch: bool = False
    open: OpenPlace | None = None
    by: By = "typed"

    @property
    def fixings(self) -> int:
        """How many fixings hold it: four where none are counted, and always two equal rows."""
        n = self.fixing_count or 4
        return n + n % 2


class NodeDoc(Doc):
    """A point of the net of ways that was added to the proposed ones, m."""

    id: Id
    x_m: X
    y_m: Y
    z_m: Z


class WayDoc(Doc):
    """A way between two nodes, the proposed ones or one's own; its length where it isn't straight, what may lie in it, and what lies along it."""

    id: Id
    a: str = Field(min_length=1, max_length=60)
    b: str = Field(min_length=1, max_length=60)
    services: list[WayService] = Field(min_length=1, max_length=7)
    length_m: float | None = Field(None, ge=0.01, le=60)
    tags: list[WayTag] = Field([], max_length=7)
    holes: Whole = Field(0, ge=0, le=20)
    inside_mm: float | None = Field(None, ge=3, le=300)


class BoreDoc(Doc):
    """A stretch of the ways that is a conduit or a trunking, by its name, with its inside diameter (or that of a pipe of the same section) in mm."""

    way: str = Field(min_length=1, max_length=80)
    inside_mm: float = Field(ge=3, le=300)


class SignalLine(Doc):
    """A signal cable between two things; ``length_m`` as typed, None: by its way."""

    id: Id
    name: Name = "Signal cable"
    kind: SignalKind = "sensor"
    a: ThingKey
    b: ThingKey
    screened: bool = False
    length_m: float | None = Field(None, ge=0.05, le=100)
    by: By = "typed"

    @model_validator(mode="after")
    def _two_ends(self) -> Self:
        if self.a == self.b:
            raise wrong("b", says("leads-from-thing-to", self_name=self.name))
        return self


class Pin(Doc):
    """A node that a run must go through."""

    run: str = Field(min_length=1, max_length=80)
    node: str = Field(min_length=1, max_length=60)


class ScenarioDoc(Doc):
    """A way to load the vehicle: factor of each group (water, waste, gas, fuel, people, luggage, fixed)."""

    id: Id
    name: Name = "Loaded"
    factors: dict[Annotated[str, Field(max_length=40)], Annotated[float, Field(ge=0, le=2)]] = Field({}, max_length=20)


class Fit(Doc):
    """Everything about places. ``keep`` lists the runs whose typed length is kept over that of the way."""

    body: Body = Body()
    bays: list[FitBay] = Field([], max_length=60)
    own: list[OwnThing] = Field([], max_length=120)
    sizes: list[SizeDoc] = Field([], max_length=200)
    places: list[PlaceDoc] = Field([], max_length=300)
    nodes: list[NodeDoc] = Field([], max_length=200)
    ways: list[WayDoc] = Field([], max_length=300)
    closed: list[Annotated[str, Field(max_length=60)]] = Field([], max_length=200)
    """Ways of the proposed net that don't exist in this vehicle."""
    bores: list[BoreDoc] = Field([], max_length=60)
    signals: list[SignalLine] = Field([], max_length=60)
    pins: list[Pin] = Field([], max_length=100)
    keep: list[Annotated[str, Field(min_length=1, max_length=80)]] = Field([], max_length=300)
    scenarios: list[ScenarioDoc] = Field([], max_length=12)
    school: Literal["interior_10g", "cargo_lashing", "marine_battery"] = "interior_10g"
    roof: Roof = Roof()
    sides: Sides = Sides()
    note: Note = ""

    @model_validator(mode="after")
    def _links(self) -> Self:
        for items in (self.bays, self.own, self.nodes, self.ways, self.scenarios, self.signals):
            unique_ids(x.id for x in items)
        unique_ids((b.way for b in self.bores), "way")
        for rows in (self.places, self.sizes):
            seen: set[str] = set()
            for r in rows:
                if r.of in seen:
                    raise wrong("of", says("there-twice-thing-has", of=r.of))
                seen.add(r.of)
        bays = {b.id for b in self.bays}
        for p in self.places:
            if p.bay is not None and p.bay not in bays:
                raise wrong("bay", says("place-names-bay-which", of=p.of, bay=p.bay))
        return self

    def place(self, of: str) -> PlaceDoc | None:
        """The place of a thing, if it has one."""
        return next((p for p in self.places if p.of == of), None)

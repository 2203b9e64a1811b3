"""Stage 5, Wiring: boards and circuits."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note
from bothy.core.design.lighting import LightZone
from bothy.core.design.mains import Mains
from bothy.core.design.panel import Panel
from bothy.core.design.raceway import Raceway
from bothy.core.wiring.conductors import AREA, Awg, Installation, Insulation
from bothy.core.wiring.drop import DropClass
from bothy.core.wiring.fuses import FamilyKey
from bothy.core.words.says import design_says as says

CircuitKind = Literal["load", "ac", "inverter", "solar", "driving", "driving_in", "shore", "feeder", "main", "trickle"]


OtherKind = Literal["panels", "inlet", "inverter_out", "chassis_bond", "mains_earth", "gas_bond", "hull_bond", "trailer_lights"]


class Board(Doc):
    """A fuse board. Its letter starts the code of its circuits. ``fed_from`` is the board that feeds it; the busbar when absent.

    Boards with the same ``enclosure`` stand in one box; ``barrier`` says that mains and low voltage are kept apart in it.
    """

    id: Id
    name: Name
    letter: str = Field("A", pattern=r"^[A-Z]$")
    way_count: Whole = Field(12, ge=1, le=60)
    way_rating_a: float = Field(30, ge=0.01, le=500)
    total_rating_a: float = Field(100, ge=0.01, le=2000)
    side: Literal["dc", "ac"] = "dc"
    fed_from: Id | None = None
    enclosure: str = Field("", max_length=60)
    barrier: bool = False
    by: By = "typed"


class Spare(Doc):
    """Spare fuses of one kind that are in the kit."""

    family: FamilyKey
    rating_a: float = Field(ge=0.01, le=1000)
    count: Whole = Field(ge=0, le=1000)


class Circuit(Doc):
    """A protected feed: one cable, one protection, one or several appliances. ``length_m`` is one-way.

    ``fuse_distance_m`` is measured along the cable from its source; ``far_fuse_a`` is a second fuse at the other end, where
    that end is a source too; ``negative_at`` says where its return lands. ``negative_area_mm2`` or ``negative_awg`` is the size of
    its return where that differs. ``array`` is that whose own controller a solar circuit leads from; None: from the one that the rest share.
    ``clearing_time_s`` is what the data sheet of its fuse says at the current of a dead short.
    ``solid_core``: its conductors are not stranded. ``before_isolator``: it stays live when the isolator is off.
    """

    id: Id
    name: Name
    kind: CircuitKind = "load"
    array: Id | None = None
    board: Id | None = None
    appliances: list[Id] = Field([], max_length=60)
    length_m: float | None = Field(None, ge=0.01, le=100)
    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    parallel_count: Whole = Field(1, ge=1, le=4)
    tinned: bool = False
    insulation_temp_c: Insulation = 90
    installation: Installation = "conduit"
    bundled_count: Whole = Field(1, ge=1, le=60)
    covered_length_mm: float = Field(0, ge=0, le=100000)
    engine_space: bool = False
    return_path: Literal["cable", "chassis"] = "cable"
    drop_class: DropClass | None = None
    protection: Literal["fuse", "breaker", "none"] = "fuse"
    fuse_a: float | None = Field(None, ge=0.01, le=1000)
    fuse_family: FamilyKey | None = None
    breaker_mark: Literal["dc", "dc_polarised", "ac_only"] = "dc"
    fuse_distance_m: float | None = Field(None, ge=0, le=100)
    sheathed: bool = False
    holder_rating_a: float | None = Field(None, ge=0.01, le=1000)
    far_fuse_a: float | None = Field(None, ge=0.01, le=1000)
    negative_at: Literal["busbar", "post"] = "busbar"
    negative_area_mm2: float | None = Field(None, ge=0.5, le=120)
    negative_awg: Awg | None = None
    parallel_equal: bool = True
    clearing_time_s: float | None = Field(None, ge=0.0001, le=60)
    raceways: list[Id] = Field([], max_length=20)
    joint: Literal["none", "reachable", "behind_lining"] = "none"
    labelled: Literal["none", "near", "far", "both"] | None = None
    outlet_count: Whole | None = Field(None, ge=0, le=60)
    solid_core: bool = False
    before_isolator: bool = False
    by: By = "typed"
    note: Note = ""

    @model_validator(mode="after")
    def _one_size(self) -> Self:
        if self.area_mm2 is not None and self.awg is not None:
            raise wrong("awg", says("give-size-in-or"))
        if self.negative_area_mm2 is not None and self.negative_awg is not None:
            raise wrong("negative_awg", says("give-size-return-in"))
        if self.array is not None and self.kind != "solar":
            raise wrong("array", says("for-circuit-solar-controller"))
        return self

    @property
    def feed(self) -> str:
        """Which feed is on it, of those that are not loads."""
        return f"solar:{self.array}" if self.array is not None else self.kind

    @property
    def sized(self) -> bool:
        """Whether its cable is chosen."""
        return self.area_mm2 is not None or self.awg is not None

    @property
    def metal_mm2(self) -> float:
        """Metal area of one conductor in mm²; 0 while no cable is chosen."""
        return AREA[self.awg] if self.awg is not None else self.area_mm2 or 0.0


class OtherCable(Doc):
    """A cable that is no circuit of a board: from the panels to their controller (``array`` names them; None: those on the shared one), from the
    inlet or the inverter
    to the mains board, a bonding or earth conductor, or the vehicle's own trailer lights with their current, fed by the towing vehicle and never by the bank.
    """

    id: Id
    kind: OtherKind
    name: Name = "Cable"
    array: Id | None = None
    current_a: float | None = Field(None, ge=0.1, le=100)
    length_m: float | None = Field(None, ge=0.01, le=100)
    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    protection_a: float | None = Field(None, ge=0.1, le=300)
    by: By = "typed"

    @model_validator(mode="after")
    def _one_size(self) -> Self:
        if self.area_mm2 is not None and self.awg is not None:
            raise wrong("awg", says("give-size-in-or"))
        if self.array is not None and self.kind != "panels":
            raise wrong("array", says("for-cable-from-panels"))
        return self


class Wiring(Doc):
    """All boards and circuits in the order of the schedule, and how the negative side is made.

    ``school`` marine counts conductors in a bundle instead of circuits, and has no chassis return. ``live_covered`` says whether every
    post, busbar and stud is covered; ``bus_stud_mm`` is the thread of the busbar's studs (8 for M8). ``spares`` is what the kit holds.
    """

    school: Literal["vehicle", "marine"] = "vehicle"
    bus_layout: Literal["one", "two"] | None = None
    shunt: bool = True
    battery_fuses: bool | None = None
    chassis_bond_count: Whole = Field(1, ge=0, le=9)
    chassis_bond_mm2: float | None = Field(None, ge=0.5, le=240)
    isolator_a: float | None = Field(None, ge=0, le=2000)
    live_covered: bool | None = None
    bus_studs_count: Whole | None = Field(None, ge=1, le=60)
    bus_stud_mm: Literal[4, 5, 6, 8, 10, 12, 14] | None = None
    dc_negative_colour: Literal["black", "yellow"] = "black"
    spares: list[Spare] | None = Field(None, max_length=200)

    mains: Mains | None = None
    panel: Panel | None = None
    raceways: list[Raceway] = Field([], max_length=120)
    zones: list[LightZone] = Field([], max_length=40)
    boards: list[Board] = Field([], max_length=60)
    circuits: list[Circuit] = Field([], max_length=1000)
    others: list[OtherCable] = Field([], max_length=40)

    @model_validator(mode="after")
    def _feeds(self) -> Self:
        boards = {b.id: b for b in self.boards}
        for b in self.boards:
            seen, at = {b.id}, b
            while at.fed_from is not None:
                if at.fed_from not in boards:
                    raise wrong("fed_from", says("board-fed-from-board", at_name=at.name, fed_from=at.fed_from))
                if at.fed_from in seen:
                    raise wrong("fed_from", says("board-goes-round-in", b_name=b.name))
                at = boards[at.fed_from]
                seen.add(at.id)
                if at.side != b.side:
                    raise wrong("fed_from", says("board-and-board-not", b_name=b.name, at_name=at.name))
        return self

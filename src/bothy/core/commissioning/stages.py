"""The seventeen stages of commissioning in their order: who may do them, what stops them, and what must be passed before (method prove.commissioning)."""

from __future__ import annotations

from typing import Literal, NamedTuple

StageId = Literal["s0", "s1", "s2", "s3", "s4", "s5", "s6", "s7", "s8", "s9", "s10", "s11", "s12", "s13", "s14", "s15", "s16"]
Who = Literal["anyone", "two", "licensed", "driver"]
Energy = Literal["dead", "low", "mains", "water", "gas", "heat", "road"]


class Stage(NamedTuple):
    """A stage: what is done in it, by whom, when to stop; ``before``: the stages that must be passed first."""

    id: StageId
    title: str
    energy: Energy
    who: Who
    stop: str
    before: tuple[StageId, ...]

    @property
    def number(self) -> int:
        """Its place in the order."""
        return int(self.id[1:])


STAGES: tuple[Stage, ...] = (
    Stage("s0", "Look and torque", "dead", "anyone", "A wrong fuse, a bare conductor.", ()),
    Stage("s1", "Dead, low voltage", "dead", "anyone", "A short, or plus and minus swapped.", ("s0",)),
    Stage("s2", "Dead, mains", "mains", "licensed", "Any failure: mains stays off.", ("s0",)),
    Stage("s3", "Shunt", "low", "anyone", "A current with everything off.", ("s0", "s1")),
    Stage("s4", "First power", "low", "two", "Heat, smell, or three times the idle current.", ("s0", "s1", "s3")),
    Stage("s5", "Circuits under power", "low", "anyone", "A current above the cable’s rating.", ("s0", "s1", "s3", "s4")),
    Stage("s6", "Inverter", "mains", "anyone", "The inverter trips on low voltage.", ("s2", "s4")),
    Stage("s7", "Hook-up", "mains", "licensed", "Any failure: mains stays off.", ("s2",)),
    Stage("s8", "Charging", "low", "anyone", "Overvoltage, no word from the battery, or a battery that is too cold.", ("s4",)),
    Stage("s9", "Water", "water", "anyone", "A leak.", ()),
    Stage("s10", "Gas", "gas", "licensed", "Any leak; more than 9 ppm of CO inside.", ()),
    Stage("s11", "Heating", "heat", "anyone", "CO inside, or a smell of fuel.", ("s4",)),
    Stage("s12", "Air", "low", "anyone", "A fan that blocks or runs backwards.", ("s4",)),
    Stage("s13", "Cooling", "low", "anyone", "A compressor that trips.", ("s4",)),
    Stage("s14", "Alarms", "dead", "anyone", "An alarm that is missing or past its date.", ()),
    Stage("s15", "Weighing", "road", "anyone", "Over a limit of the plate.", ()),
    Stage("s16", "On the road", "road", "driver", "A joint that is loose.", ("s0", "s1", "s2", "s3", "s4", "s10")),
)
IN_SERVICE = "in-service"
"""The record that says that a vehicle has been in use already: by whom, and what shows that its dead tests were done. It is no step."""
FREED = ("s5", "s8", "s9", "s11", "s12", "s13")
"""Stages that such a vehicle may be measured in without the dead tests before them; mains, hook-up and gas are not among them."""
STILL = ("s7", "s10", "s14")
"""What they wait for all the same."""
STAGE: dict[str, Stage] = {s.id: s for s in STAGES}
WHO: dict[Who, str] = {
    "anyone": "anyone",
    "two": "two people, an extinguisher at hand",
    "licensed": "the licensed person, with name and licence",
    "driver": "the driver",
}

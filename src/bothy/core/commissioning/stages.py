"""The seventeen stages of commissioning in their order: who may do them, what stops them, and what must be passed before (method prove.commissioning)."""

from __future__ import annotations

from typing import Literal, NamedTuple

from bothy.core.words.says import commissioning_says as says

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
    Stage("s0", says("look-and-torque"), "dead", "anyone", says("wrong-fuse-bare-conductor"), ()),
    Stage("s1", says("dead-low-voltage"), "dead", "anyone", says("short-or-plus-and"), ("s0",)),
    Stage("s2", says("dead-mains"), "mains", "licensed", says("any-failure-mains-stays"), ("s0",)),
    Stage("s3", says("shunt"), "low", "anyone", says("current-with-everything-off-2"), ("s0", "s1")),
    Stage("s4", says("first-power"), "low", "two", says("heat-smell-or-three"), ("s0", "s1", "s3")),
    Stage("s5", says("circuits-under-power"), "low", "anyone", says("current-above-cables-rating"), ("s0", "s1", "s3", "s4")),
    Stage("s6", says("inverter"), "mains", "anyone", says("inverter-trips-on-low"), ("s2", "s4")),
    Stage("s7", says("hook-up"), "mains", "licensed", says("any-failure-mains-stays"), ("s2",)),
    Stage("s8", says("charging"), "low", "anyone", says("overvoltage-no-word-from"), ("s4",)),
    Stage("s9", says("water"), "water", "anyone", says("leak"), ()),
    Stage("s10", says("gas"), "gas", "licensed", says("any-leak-more-than"), ()),
    Stage("s11", says("heating"), "heat", "anyone", says("co-inside-or-smell"), ("s4",)),
    Stage("s12", says("air"), "low", "anyone", says("fan-that-blocks-or"), ("s4",)),
    Stage("s13", says("cooling"), "low", "anyone", says("compressor-that-trips"), ("s4",)),
    Stage("s14", says("alarms"), "dead", "anyone", says("alarm-that-missing-or"), ()),
    Stage("s15", says("weighing"), "road", "anyone", says("over-limit-plate"), ()),
    Stage("s16", says("on-road"), "road", "driver", says("joint-that-loose"), ("s0", "s1", "s2", "s3", "s4", "s10")),
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
    "two": says("two-people-extinguisher-at"),
    "licensed": says("licensed-person-with-name"),
    "driver": says("driver"),
}

"""Practice: what every rig has in common. A fault hidden by a seed; what is looked at costs minutes, what is unsafe is counted (method prove.practice)."""

from __future__ import annotations

import hashlib
import math
from collections.abc import Sequence
from typing import Literal, NamedTuple, Protocol, TypeVar

from pydantic import BaseModel, ConfigDict, Field

from bothy.core.faults.case import ElementPart, Hypothesis, NodePart
from bothy.core.method.sources import Method
from bothy.core.proving.diagnosis import LEAST_GAIN, STOP, Test, normalised, ranked, updated

PRACTICE = Method("prove.practice")
Medium = Literal["wires", "water", "gas"]
Act = Literal[
    "volts",
    "amps",
    "ohms",
    "between",
    "fuse",
    "bridge",
    "switch",
    "lug",
    "swap",
    "gauge",
    "outlet",
    "valve",
    "supply",
    "measure",
    "hold",
    "joints",
    "bowl",
    "sieve",
    "weigh",
    "reset",
    "lighter",
    "hint",
]
MINUTES: dict[str, float] = {
    "volts": 2.0,
    "amps": 2.0,
    "ohms": 2.0,
    "between": 2.0,
    "fuse": 1.0,
    "bridge": 1.0,
    "switch": 0.5,
    "lug": 6.0,
    "swap": 8.0,
    "gauge": 2.0,
    "outlet": 0.5,
    "valve": 0.5,
    "supply": 0.5,
    "measure": 2.0,
    "hold": 5.0,
    "joints": 2.0,
    "bowl": 4.0,
    "sieve": 3.0,
    "weigh": 4.0,
    "reset": 3.0,
    "lighter": 1.0,
    "hint": 5.0,
}
"""What an act takes."""


T = TypeVar("T")


class RigAct(BaseModel):
    """An act: the meter between two points, the gauge at one, or what is done to a part (``a``)."""

    model_config = ConfigDict(extra="forbid")
    act: Act
    a: str = Field("", max_length=80)
    b: str = Field("", max_length=80)


class Guess(BaseModel):
    """What is said to be wrong: the part, and what of it."""

    model_config = ConfigDict(extra="forbid")
    element: str = Field(min_length=1, max_length=80)
    fault: str = Field(min_length=1, max_length=80)


class RigAsk(BaseModel):
    """A rig as it is played: which, the seed that hides the fault, and everything that was done."""

    model_config = ConfigDict(extra="forbid")
    rig: str = Field(min_length=1, max_length=80)
    seed: int = Field(ge=0, le=999_999)
    acts: list[RigAct] = Field([], max_length=200)
    guess: Guess | None = None


class RigRow(BaseModel):
    key: str
    title: str
    level: int
    about: str


class ActPart(BaseModel):
    """What an act gave: what was seen; minutes; why it was unsafe."""

    said: str
    minutes: float
    unsafe: str


class OfferPart(BaseModel):
    """An act that the rig knows. ``takes``: two points, one, one of the parts ``of``, or nothing."""

    act: Act
    title: str
    minutes: float
    takes: Literal["points", "point", "part", "nothing"]
    of: list[str] = []


class Kind(BaseModel):
    """What can be said to be wrong with a part."""

    element: str
    element_name: str
    fault: str
    name: str


class PathPart(BaseModel):
    """A step of the best policy on the same fault: what it tells out."""

    title: str
    said: str
    minutes: float
    out: list[str]


class ScorePart(BaseModel):
    right: float
    minutes: float
    best_minutes: float
    unsafe: int
    score: float
    truth: str
    repair: str
    path: list[PathPart]


class RigPart(BaseModel):
    """A rig after what was done. ``complaint``: what its owner says; ``shut``: parts that are off, out or shut; ``probed``: points that can be measured
    at; ``kinds``: what may be guessed."""

    title: str
    seed: int
    level: int
    medium: Medium
    complaint: str
    caution: str
    nodes: list[NodePart]
    elements: list[ElementPart]
    probed: list[str]
    offers: list[OfferPart]
    acts: list[ActPart]
    minutes: float
    unsafe: int
    shut: list[str]
    kinds: list[Kind]
    score: ScorePart | None


class Seen(NamedTuple):
    """A test of the best policy: its title, and the unit of its reading."""

    test: Test
    title: str
    unit: str = ""


class Rig(Protocol):
    """A rig with its hidden fault, on which acts are done one after the other."""

    title: str
    level: int
    medium: Medium
    caution: str
    hidden: Hypothesis
    hypotheses: list[Hypothesis]

    def suspects(self) -> list[Hypothesis]:
        """The faults that the complaint leaves."""

    def complaint(self) -> str:
        """What its owner says."""

    def nodes(self) -> list[NodePart]:
        """The points of its drawing."""

    def elements(self) -> list[ElementPart]:
        """The parts of its drawing."""

    def probed(self) -> list[str]:
        """Points that can be measured at."""

    def offers(self) -> list[OfferPart]:
        """The acts that it knows."""

    def shut(self) -> list[str]:
        """Parts that are off, out or shut now."""

    def do(self, act: RigAct) -> ActPart:
        """One act. Raises :class:`BadInput` naming what the rig doesn't have."""

    def tests(self) -> list[Seen]:
        """The readings that the best policy chooses among."""

    def kind_of(self, id: str) -> str:
        """A fault without its size."""


def unit(seed: int, word: str) -> float:
    """A number in 0..1 that a seed and a word always give."""
    digest = hashlib.blake2s(f"{seed}:{word}".encode(), digest_size=8).digest()
    return int.from_bytes(digest, "big") / 2**64


def noise(seed: int, word: str) -> float:
    """A draw from the normal distribution that a seed and a word always give."""
    u = max(1e-12, unit(seed, f"{word}/u"))
    return math.sqrt(-2 * math.log(u)) * math.cos(2 * math.pi * unit(seed, f"{word}/v"))


def drawn(items: Sequence[T], shares: Sequence[float], draw: float) -> T:
    """The item in whose share a draw in 0..1 falls."""
    at = 0.0
    for x, share in zip(items, shares, strict=True):
        at += share
        if draw <= at:
            return x
    return items[-1]


def score(right: float, minutes: float, best_minutes: float, unsafe: int) -> float:
    """100·c·(0.5 + 0.3·min(1, m*/m) + 0.2·max(0, 1 − 0.5·n)): what was right, how quick beside the best policy, how safe."""
    quick = min(1.0, best_minutes / minutes) if minutes > 0 else 1.0
    return 100 * right * (0.5 + 0.3 * quick + 0.2 * max(0.0, 1 - 0.5 * unsafe))


def best_path(rig: Rig) -> list[PathPart]:
    """What the best-first policy does on the hidden fault, with readings as they would be, and what each ruled out."""
    names = {h.id: h.name for h in rig.hypotheses}
    left = rig.suspects()
    p: dict[str, float] = normalised({h.id: h.prior for h in (left if len(left) > 1 else rig.hypotheses)})
    tests = rig.tests()
    done: set[str] = set()
    out: list[PathPart] = []
    hidden = rig.hidden.id
    while max(p.values()) < STOP and len(out) < len(tests):
        best = next((r for r in ranked(p, [s.test for s in tests if s.test.id not in done]) if r.gain >= LEAST_GAIN), None)
        if best is None:
            break
        t, title, u = next(s for s in tests if s.test.id == best.id)
        done.add(t.id)
        before = p
        if t.numeric:
            reading = t.predicted[hidden]
            p, _ = updated(p, t, None, reading)
            said = f"{reading:.{1 if u in ('kPa', 'mbar', 'L/min') else 2}f} {u}"
        else:
            said = max(t.rows[hidden], key=lambda o: t.rows[hidden][o])
            p, _ = updated(p, t, said, None)
        gone = [names[k] for k in p if before[k] >= 0.02 and p[k] < 0.005]
        out.append(PathPart(title=title, said=said, minutes=t.minutes, out=list(dict.fromkeys(gone))))
    return out

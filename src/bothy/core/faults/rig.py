"""Practice: a fault hidden by a seed in a circuit; what is measured costs minutes, what is unsafe is counted (method prove.practice)."""

from __future__ import annotations

import hashlib
import math
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Literal, NamedTuple

from pydantic import BaseModel, ConfigDict, Field

from bothy.core.commissioning.source import Source
from bothy.core.contract import BadInput, quick
from bothy.core.design.prove import Meter
from bothy.core.design.wiring import Circuit
from bothy.core.faults.case import ElementPart, NodePart
from bothy.core.faults.electric import GROUND, SIZES_OHM, Cause, Model, Point, causes_of, drop_sigma, model_of, sigma
from bothy.core.method.sources import Method
from bothy.core.proving.diagnosis import LEAST_GAIN, STOP, Test, gap_edges, normalised, ranked, updated
from bothy.core.proving.probe import OPEN_ABOVE_OHM, OPEN_OHM, Element, Solved, blown_in, resistance_between, with_faults

PRACTICE = Method("prove.practice")
MINUTES = {"volts": 2.0, "amps": 2.0, "ohms": 2.0, "fuse": 1.0, "switch": 0.5, "lug": 6.0, "swap": 8.0, "hint": 5.0}
"""What an act takes."""
NOISE_V, NOISE_A = 0.004, 0.02


class Built(NamedTuple):
    """A built-in rig: how hard, its elements in a row, and what it teaches."""

    title: str
    level: int
    volts: float
    load_w: float
    fuse_a: float
    plus_mohm: float
    minus_mohm: float
    feeder: bool
    about: str


BUILT: dict[str, Built] = {
    "lamp": Built("A reading lamp", 1, 12.8, 12.0, 5.0, 60.0, 60.0, False, "One fuse, one switch, one lamp."),
    "pump": Built("A water pump", 2, 12.8, 60.0, 10.0, 22.0, 22.0, False, "A bad joint loses volts only under load."),
    "fridge": Built("A fridge on the rear board", 3, 12.8, 55.0, 15.0, 60.0, 60.0, True, "A feeder more: is it this circuit, or all of the board?"),
    "heater": Built("A 24 V heater", 4, 25.6, 180.0, 15.0, 20.0, 20.0, True, "High currents: tens of millivolts matter."),
}
Act = Literal["volts", "amps", "ohms", "fuse", "switch", "lug", "swap", "hint"]


class RigAct(BaseModel):
    """An act: the meter between two points (volts, ohms), the clamp (amps), the fuse out or in, the switch, the battery’s minus lug off or on, another
    appliance put in its place, or a hint."""

    model_config = ConfigDict(extra="forbid")
    act: Act
    a: str = Field("", max_length=40)
    b: str = Field("", max_length=40)


class Guess(BaseModel):
    """What is said to be wrong: the part, and what of it."""

    model_config = ConfigDict(extra="forbid")
    element: str = Field(min_length=1, max_length=40)
    fault: str = Field(min_length=1, max_length=40)


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
    """What an act gave: what the meter showed; minutes; why it was unsafe."""

    said: str
    minutes: float
    unsafe: str


class Kind(BaseModel):
    """What can be said to be wrong with a part."""

    element: str
    element_name: str
    fault: str
    name: str


class PathPart(BaseModel):
    """A step of the best policy on the same fault."""

    title: str
    said: str
    minutes: float


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
    """A rig after what was done. ``complaint``: what its owner says; ``kinds``: what may be guessed."""

    title: str
    seed: int
    level: int
    complaint: str
    nodes: list[NodePart]
    elements: list[ElementPart]
    acts: list[ActPart]
    minutes: float
    unsafe: int
    fuse_in: bool
    fuse_whole: bool
    switch_on: bool
    minus_on: bool
    kinds: list[Kind]
    score: ScorePart | None


def built_model(b: Built) -> Model:
    """The network of a built-in rig."""
    ohm = b.volts**2 / b.load_w
    points = [Point("bank-plus", "bank plus"), Point("bus-plus", "plus busbar")]
    out = [Element("bank", "source", "bank-plus", GROUND, 0.006, b.volts), Element("main", "resistor", "bank-plus", "bus-plus", 0.001)]
    board, minus = "bus-plus", "bus-minus"
    if b.feeder:
        points.append(Point("board-plus", "board plus"))
        out.append(Element("feeder", "resistor", "bus-plus", "board-plus", 0.003))
        board, minus = "board-plus", "board-minus"
    points += [
        Point("fuse-out", "behind the fuse"),
        Point("switch-out", "behind the switch"),
        Point("load-plus", "plus at the load"),
        Point("load-minus", "minus at the load"),
    ]
    out += [
        Element("fuse", "fuse", board, "fuse-out", 0.01, rating_a=b.fuse_a),
        Element("switch", "switch", "fuse-out", "switch-out", 0.01),
        Element("plus", "resistor", "switch-out", "load-plus", b.plus_mohm / 1000),
        Element("load", "load", "load-plus", "load-minus", ohm),
        Element("minus", "resistor", "load-minus", minus, b.minus_mohm / 1000),
    ]
    if b.feeder:
        points.append(Point("board-minus", "board minus"))
        out.append(Element("feeder-minus", "resistor", "board-minus", "bus-minus", 0.003))
    points += [Point("bus-minus", "minus busbar"), Point(GROUND, "bank minus")]
    out.append(Element("shunt", "resistor", "bus-minus", GROUND, 0.00075))
    return Model(out, points, b.volts, b.load_w / b.volts, "fuse", board, minus)


def rigs(src: Source) -> list[RigRow]:
    """What can be practised on."""
    own = [
        RigRow(key=f"own:{c.id}", title=f"{p.code} {c.name}", level=3, about="Of this vehicle.")
        for c, p in src.low
        if c.kind == "load" and model_of(src, c) is not None
    ]
    return [*(RigRow(key=k, title=b.title, level=b.level, about=b.about) for k, b in BUILT.items()), *own]


class Rig(NamedTuple):
    """A rig with its hidden fault."""

    title: str
    level: int
    model: Model
    causes: list[Cause]
    hidden: Cause
    load: str


def _unit(seed: int, word: str) -> float:
    """A number in 0..1 that a seed and a word always give."""
    digest = hashlib.blake2s(f"{seed}:{word}".encode(), digest_size=8).digest()
    return int.from_bytes(digest, "big") / 2**64


def _noise(seed: int, word: str) -> float:
    """A draw from the normal distribution that a seed and a word always give."""
    u = max(1e-12, _unit(seed, f"{word}/u"))
    return math.sqrt(-2 * math.log(u)) * math.cos(2 * math.pi * _unit(seed, f"{word}/v"))


def rig_of(src: Source, key: str, seed: int) -> Rig:
    """A rig with the fault that the seed hides. Raises :class:`BadInput` where there is no such rig."""
    kind, _, of = key.partition(":")
    if kind == "own":
        c = src.ctx.design.circuit(of)
        model = model_of(src, c) if c is not None else None
        if c is None or model is None:
            raise BadInput("rig", f"“{of}” is no circuit of this design that can be practised on")
        title, level, load = f"{src.circuits[c.id].code} {c.name}", 3, ", ".join(src.circuits[c.id].appliance_names[:2]) or "the appliance"
    elif key in BUILT:
        b = BUILT[key]
        model, title, level, load = built_model(b), b.title, b.level, b.title.split(" ", 1)[1]
        c = Circuit.model_validate({"id": "rig", "name": "Rig", "fuse_a": b.fuse_a})
    else:
        raise BadInput("rig", f"“{key}” is no rig; choose one of the list")
    causes = [x for x in causes_of(model, c, load) if x.hypothesis.kind != "none" and _felt(model, x)]
    shares = normalised({x.hypothesis.id: x.hypothesis.prior for x in causes})
    at, draw = 0.0, _unit(seed, f"{key}/fault")
    for x in causes:
        at += shares[x.hypothesis.id]
        if draw <= at:
            return Rig(title, level, model, causes, x, load)
    return Rig(title, level, model, causes, causes[-1], load)


def _felt(m: Model, c: Cause) -> bool:
    """Whether a fault does something that its owner would notice: 4 % of the volts at the load, or the current."""
    sound = blown_in(m.elements, GROUND)[0]
    ill = blown_in(with_faults(m.elements, c.faults), GROUND)[0]
    there = sound.volts("load-plus") - sound.volts("load-minus")
    here = ill.volts("load-plus") - ill.volts("load-minus")
    return abs(here - there) > 0.04 * m.volts or abs(abs(ill.current("plus")) - abs(sound.current("plus"))) > 0.04 * m.amps


class Bench:
    """The rig on the bench while it is worked on: fuse, switch and minus lug as they are; a blown fuse stays blown until it is replaced."""

    def __init__(self, rig: Rig, seed: int) -> None:
        self.rig, self.seed = rig, seed
        self.fuse_in, self.switch_on, self.minus_on = True, True, True
        self.blown = False
        self.count = 0

    def elements(self) -> list[Element]:
        """The network as it stands."""
        out = with_faults(self.rig.model.elements, self.rig.hidden.faults)
        dead = {"fuse": self.blown or not self.fuse_in, "switch": not self.switch_on, "bank": not self.minus_on}
        return [replace(e, ohm=OPEN_OHM) if dead.get(e.id) else e for e in out]

    def solved(self) -> Solved:
        """It solved; a fuse that goes stays gone."""
        made, blown = blown_in(self.elements(), GROUND)
        self.blown = self.blown or bool(blown)
        return made

    @property
    def live(self) -> bool:
        """Whether the bank is on it."""
        return self.minus_on

    def do(self, act: RigAct) -> ActPart:
        """One act."""
        self.count += 1
        minutes, unsafe, word = MINUTES[act.act], "", f"{self.count}"
        m = self.rig.model
        nodes = {p.id: p.name for p in m.points}
        if act.act in ("volts", "ohms"):
            for key, node in (("a", act.a), ("b", act.b)):
                if node not in nodes:
                    raise BadInput(key, f"“{node}” is no point of this rig")
        if act.act == "volts":
            v = self.solved().meter(act.a, act.b) + NOISE_V * _noise(self.seed, word)
            said = f"{v:.2f} V"
        elif act.act == "ohms":
            if self.live and act.a != act.b:
                unsafe = "Ohms on a live circuit: it harms the meter and says nothing. Take the battery’s minus off first."
                said = "Err"
            else:
                ohm = resistance_between(self.elements(), GROUND, act.a, act.b)
                said = "OL" if ohm is None or ohm > OPEN_ABOVE_OHM else f"{ohm + abs(0.05 * _noise(self.seed, word)) + 0.1:.1f} Ω"
        elif act.act == "amps":
            a = abs(self.solved().current("plus")) + NOISE_A * _noise(self.seed, word)
            said = f"{max(0.0, a):.2f} A"
        elif act.act == "fuse":
            broken = self.blown or any(f.element == "fuse" and f.mode == "open" for f in self.rig.hidden.faults)
            self.fuse_in = not self.fuse_in
            said = ("out: its wire is " + ("blown" if broken else "whole")) if not self.fuse_in else "in again"
        elif act.act == "switch":
            self.switch_on = not self.switch_on
            said = "on" if self.switch_on else "off"
        elif act.act == "lug":
            if self.minus_on and self.switch_on and abs(self.solved().current("plus")) > 0.5:
                unsafe = "The battery’s minus came off under load: it draws a spark. Switch the load off first."
            self.minus_on = not self.minus_on
            said = "minus off" if not self.minus_on else "minus on"
        elif act.act == "swap":
            said = (
                "works with another in its place" if self.rig.hidden.hypothesis.element == "load" and self.rig.hidden.hypothesis.id != "short" else "no better"
            )
        else:
            step = next(iter(best_path(self.rig)), None)
            said = f"Begin with: {step.title}" if step else "Nothing tells more."
        return ActPart(said=said, minutes=minutes, unsafe=unsafe)


def _tests(m: Model, causes: Sequence[Cause]) -> list[tuple[Test, str]]:
    """The readings that the best policy chooses among."""
    solved = {c.hypothesis.id: blown_in(with_faults(m.elements, c.faults), GROUND)[0] for c in causes}
    meter = Meter()
    pairs = [
        ("volts behind the fuse", "fuse-out", m.minus, 2.0, False),
        ("volts behind the switch", "switch-out", m.minus, 2.0, False),
        ("volts at the load’s plus", "load-plus", m.minus, 2.0, False),
        ("volts at the load", "load-plus", "load-minus", 2.0, False),
        ("volts at the board", m.board, m.minus, 2.0, False),
        ("drop over the fuse", m.board, "fuse-out", 2.0, True),
        ("drop over the switch", "fuse-out", "switch-out", 2.0, True),
        ("drop along the plus", "switch-out", "load-plus", 2.0, True),
        ("drop along the minus", "load-minus", m.minus, 2.0, True),
        ("drop from bank to board", "bank-plus", m.board, 2.0, True),
    ]
    out = []
    for title, a, b, minutes, drop in pairs:
        if a == b:
            continue
        values = {k: s.meter(a, b) for k, s in solved.items()}
        sd = drop_sigma(meter, min(abs(v) for v in values.values())) if drop else sigma(meter, m.volts, m.volts)
        out.append((Test(title, minutes, predicted=values, sd=sd, span=2.5 * m.volts, edges=gap_edges(list(values.values()), sd)), title))
    amps = {k: abs(s.current("plus")) for k, s in solved.items()}
    sd = 0.1 * m.amps + NOISE_A
    out.append((Test("amps", 2.0, predicted=amps, sd=sd, span=400.0, edges=gap_edges(list(amps.values()), sd)), "amps on the plus"))
    ids = list(solved)
    dead = {k: {"works": 0.97 if k.startswith("load-") else 0.03, "no better": 0.03 if k.startswith("load-") else 0.97} for k in ids}
    out.append((Test("swap", 8.0, outcomes=("works", "no better"), rows=dead), "another appliance in its place"))
    return out


def best_path(rig: Rig) -> list[PathPart]:
    """What the best-first policy does on the hidden fault, with readings as they would be."""
    p: dict[str, float] = normalised({c.hypothesis.id: c.hypothesis.prior for c in rig.causes})
    tests = _tests(rig.model, rig.causes)
    done: set[str] = set()
    out: list[PathPart] = []
    hidden = rig.hidden.hypothesis.id
    while max(p.values()) < STOP and len(out) < len(tests):
        best = next((r for r in ranked(p, [t for t, _ in tests if t.id not in done]) if r.gain >= LEAST_GAIN), None)
        if best is None:
            break
        t, title = next((t, title) for t, title in tests if t.id == best.id)
        done.add(t.id)
        if t.numeric:
            reading = t.predicted[hidden]
            p, _ = updated(p, t, None, reading)
            said = f"{reading:.2f} {'A' if t.id == 'amps' else 'V'}"
        else:
            said = max(t.rows[hidden], key=lambda o: t.rows[hidden][o])
            p, _ = updated(p, t, said, None)
        out.append(PathPart(title=title, said=said, minutes=t.minutes))
    return out


def kind_of(id: str) -> str:
    """A fault without its size: “minus-joint-0.5” is a minus joint."""
    for ohm in SIZES_OHM:
        id = id.removesuffix(f"-{ohm:g}")
    return id


def _kinds(rig: Rig, names: Mapping[str, str]) -> list[Kind]:
    out: dict[str, Kind] = {}
    for c in rig.causes:
        h = c.hypothesis
        k = kind_of(h.id)
        out.setdefault(k, Kind(element=h.element, element_name=names.get(h.element, h.element), fault=k, name=h.name.split(", about")[0]))
    return list(out.values())


def score(right: float, minutes: float, best_minutes: float, unsafe: int) -> float:
    """100·c·(0.5 + 0.3·min(1, m*/m) + 0.2·max(0, 1 − 0.5·n)): what was right, how quick beside the best policy, how safe."""
    quick_ = min(1.0, best_minutes / minutes) if minutes > 0 else 1.0
    return 100 * right * (0.5 + 0.3 * quick_ + 0.2 * max(0.0, 1 - 0.5 * unsafe))


WORDS = {
    "bank": "bank",
    "main": "main fuse",
    "feeder": "feed of the board",
    "fuse": "fuse and holder",
    "switch": "switch",
    "plus": "plus wire",
    "minus": "minus wire",
    "load": "load",
    "feeder-minus": "minus of the feed",
    "shunt": "shunt",
}


def _complaint(rig: Rig) -> str:
    ill = blown_in(with_faults(rig.model.elements, rig.hidden.faults), GROUND)[0]
    v = ill.volts("load-plus") - ill.volts("load-minus")
    frac = v / rig.model.volts
    if frac < 0.05:
        return f"“The {rig.load} does nothing.”"
    if frac < 0.6:
        return f"“The {rig.load} hardly runs.”"
    return f"“The {rig.load} is weak.”" if frac < 0.93 else f"“Something is odd with the {rig.load}.”"


def play(src: Source, ask: RigAsk) -> RigPart:
    """A rig after all that was done on it. Raises :class:`BadInput` naming what it doesn’t have."""
    rig = rig_of(src, ask.rig, ask.seed)
    bench = Bench(rig, ask.seed)
    acts = [bench.do(a) for a in ask.acts]
    bench.solved()
    minutes, unsafe = sum(a.minutes for a in acts), sum(bool(a.unsafe) for a in acts)
    names = {e.id: WORDS.get(e.id, e.id) for e in rig.model.elements}
    kinds = _kinds(rig, names)
    scored: ScorePart | None = None
    if ask.guess is not None:
        if not any(k.element == ask.guess.element and k.fault == ask.guess.fault for k in kinds):
            raise BadInput("fault", f"“{ask.guess.fault}” of “{ask.guess.element}” is nothing that can be wrong with this rig")
        h = rig.hidden.hypothesis
        right = 1.0 if ask.guess.fault == kind_of(h.id) and ask.guess.element == h.element else 0.5 if ask.guess.element == h.element else 0.0
        path = best_path(rig)
        best = sum(x.minutes for x in path)
        scored = ScorePart(
            right=right, minutes=minutes, best_minutes=best, unsafe=unsafe, score=score(right, minutes, best, unsafe), truth=h.name, repair=h.repair, path=path
        )
    return quick(
        RigPart,
        title=rig.title,
        seed=ask.seed,
        level=rig.level,
        complaint=_complaint(rig),
        nodes=[NodePart(id=p.id, name=p.name) for p in rig.model.points],
        elements=[ElementPart(id=e.id, name=names[e.id], kind=e.kind, a=e.a, b=e.b, text="") for e in rig.model.elements],
        acts=acts,
        minutes=minutes,
        unsafe=unsafe,
        fuse_in=bench.fuse_in,
        fuse_whole=not bench.blown,
        switch_on=bench.switch_on,
        minus_on=bench.minus_on,
        kinds=kinds,
        score=scored,
    )

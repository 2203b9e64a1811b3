"""Practice on a circuit: a fault hidden by a seed, the meter and its probes, fuse, switch and the minus lug (method prove.practice)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import NamedTuple

from bothy.core.commissioning.source import Source
from bothy.core.contract import BadInput
from bothy.core.design.prove import Meter
from bothy.core.design.wiring import Circuit
from bothy.core.faults.case import ElementPart, Hypothesis, NodePart
from bothy.core.faults.electric import GROUND, SIZES_OHM, Cause, Model, Point, causes_of, drop_sigma, model_of, sigma
from bothy.core.faults.practice import MINUTES, ActPart, Medium, OfferPart, RigAct, RigRow, Seen, drawn, noise, unit
from bothy.core.proving.diagnosis import Test, gap_edges, normalised
from bothy.core.proving.probe import OPEN_ABOVE_OHM, OPEN_OHM, Element, Solved, blown_in, resistance_between, with_faults
from bothy.core.words.says import faults_says as says

METER_FUSE_A, METER_OHM = 10.0, 0.01
"""The fuse and the resistance of a meter's range of amps."""
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
    "lamp": Built(says("reading-lamp"), 1, 12.8, 12.0, 5.0, 60.0, 60.0, False, says("one-fuse-one-switch")),
    "pump": Built(says("water-pump"), 2, 12.8, 60.0, 10.0, 22.0, 22.0, False, says("bad-joint-loses-volts")),
    "fridge": Built(says("fridge-on-rear-board"), 3, 12.8, 55.0, 15.0, 60.0, 60.0, True, says("feeder-more-this-circuit")),
    "heater": Built(says("heater"), 4, 25.6, 180.0, 15.0, 20.0, 20.0, True, says("high-currents-tens-millivolts")),
}


def built_model(b: Built) -> Model:
    """The network of a built-in rig."""
    ohm = b.volts**2 / b.load_w
    points = [Point("bank-plus", says("bank-plus")), Point("bus-plus", says("plus-busbar"))]
    out = [Element("bank", "source", "bank-plus", GROUND, 0.006, b.volts), Element("main", "resistor", "bank-plus", "bus-plus", 0.001)]
    board, minus = "bus-plus", "bus-minus"
    if b.feeder:
        points.append(Point("board-plus", says("board-plus")))
        out.append(Element("feeder", "resistor", "bus-plus", "board-plus", 0.003))
        board, minus = "board-plus", "board-minus"
    points += [
        Point("fuse-out", says("behind-fuse")),
        Point("switch-out", says("behind-switch")),
        Point("load-plus", says("plus-at-load")),
        Point("load-minus", says("minus-at-load")),
    ]
    out += [
        Element("fuse", "fuse", board, "fuse-out", 0.01, rating_a=b.fuse_a),
        Element("switch", "switch", "fuse-out", "switch-out", 0.01),
        Element("plus", "resistor", "switch-out", "load-plus", b.plus_mohm / 1000),
        Element("load", "load", "load-plus", "load-minus", ohm),
        Element("minus", "resistor", "load-minus", minus, b.minus_mohm / 1000),
    ]
    if b.feeder:
        points.append(Point("board-minus", says("board-minus")))
        out.append(Element("feeder-minus", "resistor", "board-minus", "bus-minus", 0.003))
    points += [Point("bus-minus", says("minus-busbar")), Point(GROUND, says("bank-minus"))]
    out.append(Element("shunt", "resistor", "bus-minus", GROUND, 0.00075))
    return Model(out, points, b.volts, b.load_w / b.volts, "fuse", board, minus)


def wire_rigs(src: Source) -> tuple[list[RigRow], list[RigRow]]:
    """Circuits to practise on: the built-in ones, and this vehicle’s own."""
    own = [
        RigRow(key=f"own:{c.id}", title=f"{p.code} {c.name}", level=3, about=says("this-vehicle"))
        for c, p in src.low
        if c.kind == "load" and model_of(src, c) is not None
    ]
    return [RigRow(key=k, title=b.title, level=b.level, about=b.about) for k, b in BUILT.items()], own


def wire_rig(src: Source, key: str, seed: int) -> WireRig | None:
    """A circuit with the fault that the seed hides; None where the design has none of that name that can be practised on."""
    kind, _, of = key.partition(":")
    if kind == "own":
        c = src.ctx.design.circuit(of)
        model = model_of(src, c) if c is not None else None
        if c is None or model is None:
            return None
        title, level, load = f"{src.circuits[c.id].code} {c.name}", 3, ", ".join(src.circuits[c.id].appliance_names[:2]) or "appliance"
    elif key in BUILT:
        b = BUILT[key]
        model, title, level, load = built_model(b), b.title, b.level, b.title.split(" ", 1)[1]
        c = Circuit.model_validate({"id": "rig", "name": "Rig", "fuse_a": b.fuse_a})
    else:
        return None
    causes = [x for x in causes_of(model, c, load) if x.hypothesis.kind != "none" and _felt(model, x)]
    shares = normalised({x.hypothesis.id: x.hypothesis.prior for x in causes})
    return WireRig(title, level, model, causes, drawn(causes, list(shares.values()), unit(seed, f"{key}/fault")), load, seed)


def _felt(m: Model, c: Cause) -> bool:
    """Whether a fault does something that its owner would notice: 4 % of the volts at the load, or the current."""
    sound = blown_in(m.elements, GROUND)[0]
    ill = blown_in(with_faults(m.elements, c.faults), GROUND)[0]
    there = sound.volts("load-plus") - sound.volts("load-minus")
    here = ill.volts("load-plus") - ill.volts("load-minus")
    return abs(here - there) > 0.04 * m.volts or abs(abs(ill.current("plus")) - abs(sound.current("plus"))) > 0.04 * m.amps


OFFERS = (
    ("volts", says("volts"), "points"),
    ("ohms", says("ohms"), "points"),
    ("between", says("amps-meter-between-probes"), "points"),
    ("amps", says("amps-clamp-on-plus"), "nothing"),
    ("fuse", says("fuse-out-or-in"), "nothing"),
    ("bridge", says("bridge-fuse"), "nothing"),
    ("switch", says("switch"), "nothing"),
    ("lug", says("batterys-minus-off-or"), "nothing"),
    ("swap", says("another-appliance-in-place"), "nothing"),
    ("hint", says("hint"), "nothing"),
)


class WireRig:
    """A circuit on the bench: fuse, switch and minus lug as they are; a blown fuse stays blown until it is replaced."""

    medium: Medium = "wires"
    caution = says("real-circuit-isolated-before")

    def __init__(self, title: str, level: int, model: Model, causes: list[Cause], hidden: Cause, load: str, seed: int) -> None:
        self.title, self.level, self.model, self.causes, self.fault, self.load, self.seed = title, level, model, causes, hidden, load, seed
        self.hidden, self.hypotheses = hidden.hypothesis, [c.hypothesis for c in causes]
        self.fuse_in, self.switch_on, self.minus_on = True, True, True
        self.blown = False
        self.count = 0

    def suspects(self) -> list[Hypothesis]:
        """All of them: what is dark or weak has many causes."""
        return self.hypotheses

    def complaint(self) -> str:
        """What its owner says."""
        ill = blown_in(with_faults(self.model.elements, self.fault.faults), GROUND)[0]
        frac = (ill.volts("load-plus") - ill.volts("load-minus")) / self.model.volts
        if frac < 0.05:
            return says("does-nothing", load=self.load)
        if frac < 0.6:
            return says("hardly-runs", load=self.load)
        return says("weak", load=self.load) if frac < 0.93 else says("something-odd-with", load=self.load)

    def nodes(self) -> list[NodePart]:
        """The points of its drawing."""
        return [NodePart(id=p.id, name=p.name) for p in self.model.points]

    def elements(self) -> list[ElementPart]:
        """The parts of its drawing."""
        return [ElementPart(id=e.id, name=WORDS.get(e.id, e.id), kind=e.kind, a=e.a, b=e.b, text="") for e in self.model.elements]

    def probed(self) -> list[str]:
        """All of its points."""
        return [p.id for p in self.model.points]

    def offers(self) -> list[OfferPart]:
        """The acts that it knows."""
        return [OfferPart(act=a, title=title, minutes=MINUTES[a], takes=takes) for a, title, takes in OFFERS]

    def shut(self) -> list[str]:
        """What is off or out."""
        return [k for k, on in (("fuse", self.fuse_in), ("switch", self.switch_on), ("bank", self.minus_on)) if not on]

    def kind_of(self, id: str) -> str:
        """A fault without its size: “minus-joint-0.5” is a minus joint."""
        return kind_of(id)

    def tests(self) -> list[Seen]:
        """The readings that the best policy chooses among."""
        return _tests(self.model, self.causes)

    def network(self) -> list[Element]:
        """The network as it stands."""
        out = with_faults(self.model.elements, self.fault.faults)
        dead = {"fuse": self.blown or not self.fuse_in, "switch": not self.switch_on, "bank": not self.minus_on}
        return [replace(e, ohm=OPEN_OHM) if dead.get(e.id) else e for e in out]

    def solved(self) -> Solved:
        """It solved; a fuse that goes stays gone."""
        made, blown = blown_in(self.network(), GROUND)
        self.blown = self.blown or bool(blown)
        return made

    def do(self, act: RigAct) -> ActPart:
        """One act."""
        self.count += 1
        minutes, unsafe, word = MINUTES[act.act], "", f"{self.count}"
        m = self.model
        nodes = {p.id: p.name for p in m.points}
        if act.act in ("volts", "ohms", "between"):
            for key, node in (("a", act.a), ("b", act.b)):
                if node not in nodes:
                    raise BadInput(key, says("no-point-this-rig", node=node))
        if act.act == "volts":
            v = self.solved().meter(act.a, act.b) + NOISE_V * noise(self.seed, word)
            said = f"{v:.2f} V"
        elif act.act == "ohms":
            if self.minus_on and act.a != act.b:
                unsafe = says("ohms-on-live-circuit")
                said = "Err"
            else:
                ohm = resistance_between(self.network(), GROUND, act.a, act.b)
                said = "OL" if ohm is None or ohm > OPEN_ABOVE_OHM else f"{ohm + abs(0.05 * noise(self.seed, word)) + 0.1:.1f} Ω"
        elif act.act == "amps":
            a = abs(self.solved().current("plus")) + NOISE_A * noise(self.seed, word)
            said = f"{max(0.0, a):.2f} A"
        elif act.act == "fuse":
            broken = self.blown or any(f.element == "fuse" and f.mode == "open" for f in self.fault.faults)
            self.fuse_in = not self.fuse_in
            said = (says("out-wire") + ("blown" if broken else "whole")) if not self.fuse_in else says("in-again")
        elif act.act == "switch":
            self.switch_on = not self.switch_on
            said = "on" if self.switch_on else "off"
        elif act.act == "lug":
            if self.minus_on and self.switch_on and abs(self.solved().current("plus")) > 0.5:
                unsafe = says("batterys-minus-came-off")
            self.minus_on = not self.minus_on
            said = says("minus-off") if not self.minus_on else says("minus-on")
        elif act.act == "swap":
            said = says("works-with-another-in") if self.hidden.element == "load" and self.hidden.id != "short" else says("no-better")
        elif act.act == "between":
            said, unsafe = self._between(act.a, act.b, word)
        elif act.act == "bridge":
            over = [replace(e, ohm=METER_OHM, rating_a=None) if e.id == "fuse" else e for e in self.network()]
            made = Solved(over, GROUND)
            runs = made.volts("load-plus") - made.volts("load-minus") > 0.6 * m.volts
            said = says("runs", load=self.load) if runs else says("nothing-changes")
            unsafe = says("bridged-fuse-protects-nothing")
        else:
            raise BadInput("act", says("nothing-that-can-be-done-on", act=act.act))
        return ActPart(said=said, minutes=minutes, unsafe=unsafe)

    def _between(self, a: str, b: str, word: str) -> tuple[str, str]:
        """The meter’s range of amps put between two points: across a source it is a dead short, and its fuse goes."""
        if a == b:
            return "0.00 A", ""
        made, gone = blown_in([*self.network(), Element("meter", "resistor", a, b, METER_OHM)], GROUND)
        self.blown = self.blown or bool(gone)
        amps = abs(made.current("meter"))
        if amps > METER_FUSE_A or gone:
            return says("fuse-blew"), says("on-range-amps-meter")
        return f"{max(0.0, amps + NOISE_A * noise(self.seed, word)):.2f} A", ""


def _tests(m: Model, causes: Sequence[Cause]) -> list[Seen]:
    """The readings that the best policy chooses among."""
    solved = {c.hypothesis.id: blown_in(with_faults(m.elements, c.faults), GROUND)[0] for c in causes}
    meter = Meter()
    pairs = [
        (says("volts-behind-fuse-2"), "fuse-out", m.minus, 2.0, False),
        (says("volts-behind-switch-2"), "switch-out", m.minus, 2.0, False),
        (says("volts-at-loads-plus-2"), "load-plus", m.minus, 2.0, False),
        (says("volts-at-load-2"), "load-plus", "load-minus", 2.0, False),
        (says("volts-at-board-2"), m.board, m.minus, 2.0, False),
        (says("drop-over-fuse"), m.board, "fuse-out", 2.0, True),
        (says("drop-over-switch-2"), "fuse-out", "switch-out", 2.0, True),
        (says("drop-along-plus"), "switch-out", "load-plus", 2.0, True),
        (says("drop-along-minus"), "load-minus", m.minus, 2.0, True),
        (says("drop-from-bank-to"), "bank-plus", m.board, 2.0, True),
    ]
    out = []
    for title, a, b, minutes, drop in pairs:
        if a == b:
            continue
        values = {k: s.meter(a, b) for k, s in solved.items()}
        sd = drop_sigma(meter, min(abs(v) for v in values.values())) if drop else sigma(meter, m.volts, m.volts)
        out.append(Seen(Test(title, minutes, predicted=values, sd=sd, span=2.5 * m.volts, edges=gap_edges(list(values.values()), sd)), title, "V"))
    amps = {k: abs(s.current("plus")) for k, s in solved.items()}
    sd = 0.1 * m.amps + NOISE_A
    out.append(Seen(Test("amps", 2.0, predicted=amps, sd=sd, span=400.0, edges=gap_edges(list(amps.values()), sd)), says("amps-on-plus"), "A"))
    ids = list(solved)
    dead = {k: {"works": 0.97 if k.startswith("load-") else 0.03, "no better": 0.03 if k.startswith("load-") else 0.97} for k in ids}
    out.append(Seen(Test("swap", 8.0, outcomes=("works", says("no-better")), rows=dead), says("another-appliance-in-place-2")))
    return out


def kind_of(id: str) -> str:
    """A fault without its size: “minus-joint-0.5” is a minus joint."""
    for ohm in SIZES_OHM:
        id = id.removesuffix(f"-{ohm:g}")
    return id


WORDS = {
    "bank": "bank",
    "main": says("main-fuse"),
    "feeder": says("feed-board"),
    "fuse": says("fuse-and-holder"),
    "switch": "switch",
    "plus": says("plus-wire"),
    "minus": says("minus-wire"),
    "load": "load",
    "feeder-minus": says("minus-feed"),
    "shunt": "shunt",
}

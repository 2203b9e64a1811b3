"""A low-voltage circuit of the design as a case: its own resistances, every fault that it can have, and the readings that tell them apart."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence
from typing import NamedTuple

from bothy.core.commissioning.source import Source
from bothy.core.design.prove import Meter
from bothy.core.design.wiring import Circuit
from bothy.core.faults.case import Case, Drawn, Hypothesis, Probe
from bothy.core.proving.diagnosis import Test, gap_edges
from bothy.core.proving.probe import METER_OHM, Element, Fault, Solved, blown_in, with_faults
from bothy.core.proving.sheet import HOLDER_MOHM, SWITCH_MOHM, TERMINALS_MOHM, fuse_mohm
from bothy.core.words.says import faults_says as says

BANK_MOHM = 6.0
SHUNT_MOHM = 0.25
WEAK_BANK_OHM = 0.12
SIZES_OHM = (0.1, 0.5, 2.0)
MODEL_FRAC = 0.03
"""The spread of what a network predicts, as a part of the nominal voltage."""
DROP_FRAC, DROP_V = 0.15, 0.02
"""A drop across one leg doesn't depend on the battery's charge, so it is predicted better: 15 % of itself and 20 mV."""
CURRENT_FRAC = 0.15
GROUND = "bank-minus"
CAUTION = says("rings-off-fuse-rated")


class Point(NamedTuple):
    """A place that a probe can reach: its node and its name."""

    id: str
    name: str


class Model(NamedTuple):
    """A circuit as a network: elements from the bank to the load and back, its points, and the spread of a reading."""

    elements: list[Element]
    points: list[Point]
    volts: float
    amps: float
    fuse: str
    board: str
    minus: str

    def name(self, node: str) -> str:
        """A node by name."""
        return next(p.name for p in self.points if p.id == node)


def model_of(src: Source, c: Circuit) -> Model | None:
    """The network of a load circuit; None where it has no cable or no appliance yet."""
    row = src.sheet.get(c.id)
    part = src.circuits.get(c.id)
    if row is None or part is None or row.loop_mohm is None or row.expected_a is None or row.expected_v is None or not row.expected_a:
        return None
    volts = src.ctx.bank_v
    fuse = fuse_mohm(c.fuse_a)
    cable = max(0.1, row.loop_mohm - fuse - HOLDER_MOHM - SWITCH_MOHM - TERMINALS_MOHM)
    feeders = {x.board: p for x in src.ctx.design.wiring.circuits if x.kind == "feeder" and (p := src.circuits.get(x.id)) is not None}
    main = next((p for x in src.ctx.design.wiring.circuits if x.kind == "main" and (p := src.circuits.get(x.id)) is not None), None)
    feeder = feeders.get(c.board) if c.board else None
    points = [Point("bank-plus", says("bank-plus")), Point("bus-plus", says("plus-busbar"))]
    main_mohm = (main.resistance_mohm if main is not None and main.resistance_mohm else 0.5) / 2 + 0.5
    out = [
        Element("bank", "source", "bank-plus", GROUND, BANK_MOHM / 1000, volts),
        Element("main", "resistor", "bank-plus", "bus-plus", main_mohm / 1000),
    ]
    board, minus = "bus-plus", "bus-minus"
    if feeder is not None:
        loop = (feeder.resistance_mohm or 2.0) / 2
        points.append(Point("board-plus", says("board-plus")))
        out.append(Element("feeder", "resistor", "bus-plus", "board-plus", (loop + 0.5) / 1000))
        board, minus = "board-plus", "board-minus"
    points += [
        Point("fuse-out", says("behind-fuse")),
        Point("switch-out", says("behind-switch")),
        Point("load-plus", says("plus-at-load")),
        Point("load-minus", says("minus-at-load")),
    ]
    out += [
        Element("fuse", "fuse", board, "fuse-out", max(0.2, fuse + HOLDER_MOHM) / 1000, rating_a=c.fuse_a),
        Element("switch", "switch", "fuse-out", "switch-out", SWITCH_MOHM / 1000),
        Element("plus", "resistor", "switch-out", "load-plus", cable / 2000 + TERMINALS_MOHM / 2000),
        Element("load", "load", "load-plus", "load-minus", row.expected_v / row.expected_a),
        Element("minus", "resistor", "load-minus", minus, cable / 2000 + TERMINALS_MOHM / 2000),
    ]
    if feeder is not None:
        points.append(Point("board-minus", says("board-minus")))
        out.append(Element("feeder-minus", "resistor", "board-minus", "bus-minus", ((feeder.resistance_mohm or 2.0) / 2 + 0.5) / 1000))
    points += [Point("bus-minus", says("minus-busbar")), Point(GROUND, says("bank-minus"))]
    out.append(Element("shunt", "resistor", "bus-minus", GROUND, (SHUNT_MOHM + 0.5) / 1000))
    return Model(out, points, volts, row.expected_a, "fuse", board, minus)


class Cause(NamedTuple):
    """A fault of the network with its words; ``share`` of its class."""

    hypothesis: Hypothesis
    faults: tuple[Fault, ...]


def _cause(id: str, name: str, prior: float, kind: str, repair: str, stage: str, element: str, *faults: Fault) -> Cause:
    return Cause(Hypothesis(id, name, prior, kind, repair, stage, element), faults)


def _opened(id: str, name: str, prior: float, kind: str, repair: str, element: str, stage: str = "s0") -> Cause:
    return _cause(id, name, prior, kind, repair, stage, element, Fault(element, "open"))


def _joints(id: str, name: str, prior: float, kind: str, repair: str, element: str) -> list[Cause]:
    """A bad joint, in each of the sizes that are told apart."""
    share = prior / len(SIZES_OHM)
    return [
        _cause(f"{id}-{ohm:g}", says("about", name=name, ohm=ohm), share, kind, repair, "s0", element, Fault(element, "high_resistance", ohm))
        for ohm in SIZES_OHM
    ]


def _in_the_wire(fused: bool) -> list[Cause]:
    """Fuse, switch and both wires."""
    out: list[Cause] = []
    if fused:
        out.append(_opened("fuse-open", says("fuse-blown-or-not"), 0.15, "fuse", says("find-why-before-new"), "fuse"))
        out += _joints("fuse-holder", says("loose-or-burnt-contact"), 0.06, "joint", says("change-holder-crimp-lugs"), "fuse")
    out.append(_opened("switch-open", says("switch-doesnt-close"), 0.05, "switch", says("change-switch-or-push"), "switch"))
    out += _joints("switch-bad", says("burnt-contacts-in-switch"), 0.03, "switch", says("change-switch"), "switch")
    out += _joints("plus-joint", says("bad-crimp-or-loose"), 0.16, "joint", says("find-warm-joint-between"), "plus")
    out.append(_opened("plus-open", says("plus-wire-broken-or"), 0.05, "wire", says("find-connector-or-break"), "plus"))
    out += _joints("minus-joint", says("bad-crimp-or-loose-joint"), 0.12, "ground", says("find-warm-joint-between-load"), "minus")
    out.append(_opened("minus-open", says("minus-wire-broken-or"), 0.05, "ground", says("find-connector-or-break"), "minus"))
    return out


def _in_the_load(heavy_ohm: float, names: str) -> list[Cause]:
    twice, touching = Fault(None, "bridge", heavy_ohm, "load-plus", "load-minus"), Fault(None, "bridge", 0.01, "load-plus", "load-minus")
    return [
        _opened("load-dead", says("failed-or-switched-off", names=names), 0.16, "load", says("look-at-own-switch"), "load", "s5"),
        _cause("load-heavy", says("draws-twice-what-should", names=names), 0.04, "load", says("switch-off-one-by"), "s5", "load", twice),
        _cause("short", says("plus-and-minus-touch"), 0.03, "short", says("leave-fuse-out-part"), "s0", "load", touching),
    ]


def causes_of(m: Model, c: Circuit, names: str) -> list[Cause]:
    """Every fault that a circuit can have, with where it would be mended."""
    heavy = next(e for e in m.elements if e.id == "load").ohm
    out = [*_in_the_wire(c.protection != "none"), *_in_the_load(heavy, names)]
    if any(e.id == "feeder" for e in m.elements):
        fault = Fault("feeder", "high_resistance", 0.2)
        out.append(_cause("feeder-joint", says("bad-joint-in-feed"), 0.03, "joint", says("tighten-and-look-at"), "s0", "feeder", fault))
    worn = Fault("bank", "high_resistance", WEAK_BANK_OHM)
    out.append(_cause("weak-bank", says("bank-low-or-worn"), 0.05, "bank", says("charge-full-if-still"), "s4", "bank", worn))
    out.append(_cause("nothing", says("nothing-wrong-design-expects"), 0.08, "none", says("enter-in-design-what"), "s5", "load"))
    return out


def sigma(meter: Meter, value: float, volts: float) -> float:
    """The spread of a voltage over the minus: the meter’s and the model’s."""
    own = (meter.volt_accuracy_frac * abs(value) + meter.volt_digits_count * meter.volt_resolution_v) / math.sqrt(3)
    return math.hypot(own, MODEL_FRAC * volts)


def drop_sigma(meter: Meter, sound: float) -> float:
    """The spread of a drop across one leg."""
    own = meter.volt_digits_count * meter.volt_resolution_v / math.sqrt(3)
    return math.hypot(own, DROP_FRAC * abs(sound) + DROP_V)


OVER = (
    ("at-bus", "bus-plus", "bus-minus", says("volts-at-busbars"), 2.0),
    ("at-board", "{board}", "{minus}", says("volts-at-board"), 2.0),
    ("after-fuse", "fuse-out", "{minus}", says("volts-behind-fuse"), 2.0),
    ("after-switch", "switch-out", "{minus}", says("volts-behind-switch"), 3.0),
    ("load-plus", "load-plus", "{minus}", says("volts-at-loads-plus"), 4.0),
    ("at-load", "load-plus", "load-minus", says("volts-at-load"), 4.0),
)
ACROSS = (
    ("over-fuse", "{board}", "fuse-out", says("drop-over-fuse-and"), 2.0),
    ("over-switch", "fuse-out", "switch-out", says("drop-over-switch"), 3.0),
    ("plus-leg", "switch-out", "load-plus", says("drop-along-plus-switch"), 5.0),
    ("minus-leg", "load-minus", "{minus}", says("drop-along-minus-load"), 5.0),
)
LOOK = (
    ("pull-fuse", says("pull-fuse-and-look"), says("main-switch-board-off"), ("whole", "blown"), 1.0),
    ("ohms", says("fuse-out-appliance-unplugged"), says("ohms-range-nothing-live"), ("open", says("near-nothing")), 5.0),
    ("others", says("do-other-things-on"), says("switch-one-on"), ("yes", "no"), 1.0),
    ("swap", says("feed-appliance-from-battery"), says("does-work-then"), ("works", "doesn’t"), 8.0),
)


def looked(test: str, cause: str) -> float:
    """Probability of the first outcome of a look, with a fault."""
    if test == "pull-fuse":
        return 0.03 if cause in ("fuse-open", "short") else 0.99
    if test == "ohms":
        return 0.03 if cause == "short" else 0.97
    if test == "others":
        return 0.1 if cause in ("feeder-joint", "weak-bank") else 0.97
    return 0.03 if cause == "load-dead" else 0.3 if cause == "load-heavy" else 0.97


def solved_all(m: Model, causes: Iterable[Cause]) -> dict[str, Solved]:
    """The network with each fault, after its fuses did what they do."""
    return {c.hypothesis.id: blown_in(with_faults(m.elements, c.faults), GROUND)[0] for c in causes}


def _measured(m: Model, solved: dict[str, Solved], meter: Meter) -> list[Probe]:
    """What a meter tells: over parts, across them, and the current."""
    probes: list[Probe] = []

    def place(node: str) -> str:
        return node.format(board=m.board, minus=m.minus)

    def numeric(id: str, a: str, b: str, title: str, minutes: float, predicted: dict[str, float], sd: float, span: float, unit: str, how: str) -> None:
        edges = gap_edges(list(predicted.values()), sd)
        healthy = predicted["nothing"]
        said = (
            says("about-2", healthy_v=healthy)
            if unit == "V" and abs(healthy) >= 1
            else says("about-mv", healthy=1000 * healthy)
            if unit == "V"
            else says("about-3", healthy=healthy, unit=unit)
        )
        probes.append(Probe(Test(id, minutes, predicted=predicted, sd=sd, span=span, edges=edges), title, how, unit, a, b, "" if unit == "V" else "plus", said))

    how = says("everything-on-this-circuit")
    for id, a, b, title, minutes in OVER:
        one, two = place(a), place(b)
        if id == "at-board" and m.board == "bus-plus":
            continue
        numeric(
            id, one, two, title, minutes, {k: s.meter(one, two, METER_OHM) for k, s in solved.items()}, sigma(meter, m.volts, m.volts), 2.5 * m.volts, "V", how
        )
    for id, a, b, title, minutes in ACROSS:
        one, two = place(a), place(b)
        predicted = {k: s.meter(one, two, METER_OHM) for k, s in solved.items()}
        numeric(id, one, two, title, minutes, predicted, drop_sigma(meter, predicted["nothing"]), 2.5 * m.volts, "V", says("both-leads-on-this", how=how))
    lost = {k: s.meter("bank-plus", GROUND, METER_OHM) - s.meter("load-plus", "load-minus", METER_OHM) for k, s in solved.items()}
    numeric(
        "lost",
        "",
        "",
        says("volts-lost-between-bank"),
        5.0,
        lost,
        drop_sigma(meter, lost["nothing"]),
        2.5 * m.volts,
        "V",
        says("bank-and-load-one", how=how),
    )
    amps = {k: abs(s.current("plus")) for k, s in solved.items()}
    amp_sd = math.hypot((meter.current_accuracy_frac * m.amps + meter.current_digits_count * meter.current_resolution_a) / math.sqrt(3), CURRENT_FRAC * m.amps)
    numeric("amps", "", "", says("amps-on-plus-with"), 2.0, amps, amp_sd, 400.0, "A", says("zero-clamp-at-spot", how=how))
    return probes


def _looks(ids: list[str], fused: bool) -> Iterator[Probe]:
    """What is told by looking and trying."""
    for id, title, told, outcomes, minutes in LOOK:
        if id == "pull-fuse" and not fused:
            continue
        rows = {k: {outcomes[0]: (p := looked(id, k)), outcomes[1]: 1 - p} for k in ids}
        yield Probe(Test(id, minutes, outcomes=outcomes, rows=rows), title, told, sound=outcomes[0])


def _drawn(m: Model, c: Circuit, names: str) -> list[Drawn]:
    """The circuit as it is drawn, each element with its words."""
    words = {
        "bank": says("of-bank"),
        "main": says("main-fuse-and-lead"),
        "feeder": says("feed-board"),
        "fuse": says("fuse", fuse_a=c.fuse_a) if c.fuse_a else says("of-fuse"),
        "switch": says("of-switch"),
        "plus": says("of-plus"),
        "load": names,
        "minus": says("of-minus"),
        "feeder-minus": says("feed-board"),
        "shunt": says("of-shunt"),
    }
    return [
        Drawn(
            e.id,
            words[e.id],
            e.kind,
            e.a,
            e.b,
            f"{1000 * e.ohm:.3g} mΩ" if e.kind not in ("source", "load") else f"{m.volts:.1f} V" if e.kind == "source" else f"{m.amps:.1f} A",
        )
        for e in m.elements
    ]


def electric_case(src: Source, c: Circuit, observed: Sequence[tuple[str, float]] = ()) -> Case | None:
    """The case of a load circuit; ``observed``: readings that were taken, by test."""
    m = model_of(src, c)
    if m is None:
        return None
    names = ", ".join(src.circuits[c.id].appliance_names[:2]) or says("appliance")
    causes = causes_of(m, c, names)
    probes = [*_measured(m, solved_all(m, causes), src.ctx.design.prove.meter), *_looks([x.hypothesis.id for x in causes], c.protection != "none")]
    part = src.circuits[c.id]
    return Case(
        f"{part.code} {c.name}",
        c.id,
        [x.hypothesis for x in causes],
        probes,
        {p.id: p.name for p in m.points},
        _drawn(m, c, names),
        CAUTION,
        [(t, v) for t, v in observed if any(x.test.id == t for x in probes)],
    )


def observed_of(src: Source, c: Circuit) -> list[tuple[str, float]]:
    """What the test sheet already says of a circuit: the amps, and the volts at the load."""
    r = next((x for x in src.ctx.facts.readings if x.circuit == c.id), None)
    out: list[tuple[str, float]] = []
    if r is None:
        return out
    if r.current_a is not None:
        out.append(("amps", abs(r.current_a)))
    if r.load_voltage_v is not None and r.source_voltage_v is not None:
        out.append(("lost", r.source_voltage_v - r.load_voltage_v))
    elif r.load_voltage_v is not None:
        out.append(("at-load", r.load_voltage_v))
    return out

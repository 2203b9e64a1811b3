"""A circuit with a fault in it, and what a meter reads on it: nodal analysis (method prove.circuit-model).

Water and gas are the same with pressure for voltage.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Literal, Self

import numpy as np
import numpy.typing as npt
from pydantic import Field, model_validator

from bothy.core.contract import BadInput, Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method, Standard
from bothy.core.words.says import proving_says as says

MODEL = Method("prove.circuit-model") + Standard("Kirchhoff’s laws")
OPEN_OHM = 1e10
SHORT_OHM = 1e-3
METER_OHM = 1e7
LEAK_S = 1e-12
BLOW_FACTOR = 1.35
OPEN_ABOVE_OHM = 50e6
TEST_A = 1e-3
Kind = Literal["source", "resistor", "fuse", "switch", "load"]
Mode = Literal["open", "short", "high_resistance", "reversed"]


@dataclass(frozen=True, slots=True)
class Element:
    """A branch from a to b: ohms, and volts of a source with + at a."""

    id: str
    kind: Kind
    a: str
    b: str
    ohm: float
    emf: float = 0.0
    rating_a: float | None = None


@dataclass(frozen=True, slots=True)
class Fault:
    """A change of one element, or a bridge between two nodes (``element`` None)."""

    element: str | None
    mode: Mode | Literal["bridge"]
    ohm: float = 0.01
    a: str = ""
    b: str = ""


def with_faults(elements: Sequence[Element], faults: Iterable[Fault]) -> list[Element]:
    """The elements with faults in them."""
    out = list(elements)
    for n, f in enumerate(faults):
        if f.element is None:
            out.append(Element(f"bridge-{n}", "resistor", f.a, f.b, f.ohm))
            continue
        for i, e in enumerate(out):
            if e.id == f.element:
                out[i] = (
                    replace(e, ohm=OPEN_OHM)
                    if f.mode == "open"
                    else replace(e, ohm=SHORT_OHM)
                    if f.mode == "short"
                    else replace(e, ohm=e.ohm + f.ohm)
                    if f.mode == "high_resistance"
                    else replace(e, emf=-e.emf)
                )
    return out


class Solved:
    """A circuit solved: volts of every node, and what a meter between two of them reads."""

    def __init__(self, elements: Sequence[Element], ground: str) -> None:
        self.elements = list(elements)
        nodes = [n for n in dict.fromkeys(x for e in elements for x in (e.a, e.b)) if n != ground]
        self.at = {n: i for i, n in enumerate(nodes)}
        size = len(nodes)
        g = np.zeros((size, size))
        i = np.zeros(size)
        for k in range(size):
            g[k, k] = LEAK_S
        for e in self.elements:
            y = 1.0 / e.ohm
            p, q = self.at.get(e.a), self.at.get(e.b)
            if p is not None:
                g[p, p] += y
                i[p] += e.emf * y
            if q is not None:
                g[q, q] += y
                i[q] -= e.emf * y
            if p is not None and q is not None:
                g[p, q] -= y
                g[q, p] -= y
        self.inverse: npt.NDArray[np.float64] = np.asarray(np.linalg.inv(g), dtype=np.float64) if size else g
        self.v: npt.NDArray[np.float64] = self.inverse @ i

    def volts(self, node: str) -> float:
        """Volts of a node over ground."""
        k = self.at.get(node)
        return 0.0 if k is None else float(self.v[k])

    def seen(self, a: str, b: str) -> float:
        """The resistance that is seen between two nodes, sources as they are."""
        p, q = self.at.get(a), self.at.get(b)
        z = self.inverse
        pp = 0.0 if p is None else float(z[p, p])
        qq = 0.0 if q is None else float(z[q, q])
        pq = 0.0 if p is None or q is None else float(z[p, q])
        return pp + qq - 2 * pq

    def meter(self, a: str, b: str, ohm: float = METER_OHM) -> float:
        """What a voltmeter of ``ohm`` between two nodes reads: it loads what it measures."""
        return (self.volts(a) - self.volts(b)) / (1 + max(0.0, self.seen(a, b)) / ohm)

    def current(self, id: str) -> float:
        """Amps through an element, positive from its a to its b."""
        e = next(x for x in self.elements if x.id == id)
        return (self.volts(e.a) - self.volts(e.b) - e.emf) / e.ohm


def blown_in(elements: Sequence[Element], ground: str) -> tuple[Solved, list[str]]:
    """A circuit after its fuses have done what they do: the one furthest above its rating opens first, until none is."""
    now = list(elements)
    blown: list[str] = []
    while True:
        solved = Solved(now, ground)
        over = [(abs(solved.current(e.id)) / e.rating_a, -i, e) for i, e in enumerate(now) if e.kind == "fuse" and e.rating_a is not None and e.id not in blown]
        over = [x for x in over if x[0] > BLOW_FACTOR]
        if not over:
            return solved, blown
        worst = max(over, key=lambda x: (x[0], x[1]))[2]
        blown.append(worst.id)
        now = [replace(e, ohm=OPEN_OHM) if e.id == worst.id else e for e in now]


def resistance_between(elements: Sequence[Element], ground: str, a: str, b: str) -> float | None:
    """What an ohm-meter reads with every source taken out; None: open (above 50 MΩ)."""
    dead = Solved([replace(e, ohm=OPEN_OHM, emf=0.0) if e.kind == "source" else e for e in elements], ground)
    ohm = dead.seen(a, b)
    return None if ohm > OPEN_ABOVE_OHM else ohm


class ElementIn(Contract):
    id: str = Field(min_length=1, max_length=120)
    kind: Kind
    a: str = Field(min_length=1, max_length=120)
    b: str = Field(min_length=1, max_length=120)
    emf_v: float | None = Field(None, ge=-1000, le=1000)
    resistance_ohm: float | None = Field(None, gt=0, le=1e9)
    rating_a: float | None = Field(None, gt=0, le=10000)
    closed: bool = True
    power_w: float | None = Field(None, gt=0, le=1e6)
    rated_voltage_v: float = Field(12, gt=0, le=1000)

    @model_validator(mode="after")
    def _whole(self) -> Self:
        for kind, key in (("source", "emf_v"), ("resistor", "resistance_ohm"), ("load", "power_w")):
            if self.kind == kind and getattr(self, key) is None:
                raise wrong(key, says("required-for-2", kind=kind))
        if self.a == self.b:
            raise wrong("b", says("must-be-another-node"))
        return self

    def element(self) -> Element:
        """The branch of it."""
        usual = {"source": 0.005, "fuse": 0.005, "switch": 0.01}
        if self.kind == "load":
            ohm = self.rated_voltage_v**2 / (self.power_w or 1.0)
        elif self.kind == "switch" and not self.closed:
            ohm = OPEN_OHM
        else:
            ohm = self.resistance_ohm if self.resistance_ohm is not None else usual[self.kind]
        return Element(
            self.id, self.kind, self.a, self.b, ohm, (self.emf_v or 0.0) if self.kind == "source" else 0.0, self.rating_a if self.kind == "fuse" else None
        )


class FaultIn(Contract):
    element: str | None = None
    mode: Literal["open", "short", "high_resistance", "reversed", "bridge"]
    resistance_ohm: float | None = Field(None, gt=0, le=1e9)
    a: str | None = None
    b: str | None = None

    @model_validator(mode="after")
    def _whole(self) -> Self:
        if self.mode == "bridge":
            if self.a is None or self.b is None:
                raise wrong("a" if self.a is None else "b", says("required-for-bridge"))
        elif self.element is None:
            raise wrong("element", says("required-what-has-fault"))
        if self.mode == "high_resistance" and self.resistance_ohm is None:
            raise wrong("resistance_ohm", says("required-for-high-resistance"))
        return self


class ProbeIn(Contract):
    mode: Literal["voltage", "resistance", "current"]
    a: str | None = None
    b: str | None = None
    element: str | None = None

    @model_validator(mode="after")
    def _whole(self) -> Self:
        if self.mode == "current":
            if self.element is None:
                raise wrong("element", says("required-through-which-element"))
        elif self.a is None or self.b is None:
            raise wrong("a" if self.a is None else "b", says("required-both-points-probe"))
        return self


class CircuitProbeIn(Contract):
    ground: str = Field(min_length=1, max_length=120)
    elements: list[ElementIn] = Field(min_length=1, max_length=300)
    faults: list[FaultIn] = Field([], max_length=20)
    probe: ProbeIn
    blow_fuses: bool = True

    @model_validator(mode="after")
    def _known(self) -> Self:
        ids = [e.id for e in self.elements]
        for i, one in enumerate(ids):
            if one in ids[:i]:
                raise wrong("id", says("there-twice-every-id", one=one))
        nodes = {n for e in self.elements for n in (e.a, e.b)}
        if self.ground not in nodes:
            raise wrong("ground", says("no-node-circuit", ground=self.ground))
        for f in self.faults:
            if f.mode != "bridge" and f.element not in ids:
                raise wrong("element", says("no-element-circuit", element=f.element))
            if f.mode == "reversed" and next(e for e in self.elements if e.id == f.element).kind != "source":
                raise wrong("mode", says("only-source-can-be"))
        for key in ("a", "b"):
            for holder in (*[f for f in self.faults if f.mode == "bridge"], *([self.probe] if self.probe.mode != "current" else [])):
                if getattr(holder, key) not in nodes:
                    raise wrong(key, says("no-node-circuit-2", getattr=getattr(holder, key)))
        if self.probe.mode == "current" and self.probe.element not in ids:
            raise wrong("element", says("no-element-circuit", element=self.probe.element))
        return self


class CircuitProbeOut(Outcome):
    reading: float | None
    unit: Literal["V", "A", "ohm"]
    blown: list[str]


def circuit_probe(inp: CircuitProbeIn, sources: dict[str, Figure] | None = None) -> CircuitProbeOut:
    """What a meter reads on a circuit with faults. Method: prove.circuit-model."""
    elements = with_faults(
        [e.element() for e in inp.elements],
        [Fault(None if f.mode == "bridge" else f.element, f.mode, f.resistance_ohm or 0.01, f.a or "", f.b or "") for f in inp.faults],
    )
    p = inp.probe
    blown: list[str] = []
    count = len(elements)
    if p.mode == "resistance":
        ohm = resistance_between(elements, inp.ground, p.a or "", p.b or "")
        reading = None if ohm is None else derived("reading", says("volts-from-to-over"), ohm, MODEL, element_count=count)
        return CircuitProbeOut.of(reading=reading, unit="ohm", blown=[])
    if inp.blow_fuses:
        solved, blown = blown_in(elements, inp.ground)
    else:
        solved = Solved(elements, inp.ground)
    if p.mode == "current":
        return CircuitProbeOut.of(
            reading=derived("reading", "(V_a − V_b − emf)/R", solved.current(p.element or ""), MODEL, element_count=count), unit="A", blown=blown
        )
    value = solved.meter(p.a or "", p.b or "")
    if not np.isfinite(value):
        raise BadInput("elements", says("this-circuit-has-no"))
    return CircuitProbeOut.of(reading=derived("reading", "G·v = i, with the meter's 10 MΩ", value, MODEL, element_count=count), unit="V", blown=blown)


def nodes_of(elements: Iterable[Element]) -> list[str]:
    """The nodes of a circuit, in the order in which they first come."""
    return list(dict.fromkeys(x for e in elements for x in (e.a, e.b)))

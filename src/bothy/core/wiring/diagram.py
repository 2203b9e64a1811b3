"""The single-line diagram: parts, lines, marks and where each stands, the same on screen, in SVG and in PDF.

Units are drawing units (1 = one pixel at 100 %); y goes down. See :mod:`bothy.core.wiring.diagram_layout` for the arrangement.
"""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel

from bothy.core.contract import quick
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.circuits import size_text
from bothy.core.words.says import wiring_says as says

NodeKind = Literal["bank", "origin", "source", "bus", "negative", "board", "inverter", "circuit", "folded"]
Service = Literal["dc", "ac", "return", "earth"]
MarkKind = Literal["fuse", "breaker", "isolator", "shunt", "rcd", "transfer", "switch", "relay", "chassis"]


class DiagramNode(BaseModel):
    """A box or a bar. ``ref`` is what it stands for: circuit:<id>, board:<id>, power:<part>; ``note`` is a value at its right end."""

    id: str
    ref: str
    kind: NodeKind
    x: float
    y: float
    w: float
    h: float
    title: str
    sub: str
    note: str = ""


class DiagramLine(BaseModel):
    """A conductor between two parts. ``ref`` is circuit:<id>, or return:<id> for its way back; ``label`` is protection and cable, ``flow`` current and loss."""

    id: str
    ref: str
    service: Service
    points: list[list[float]]
    label: str = ""
    flow: str = ""
    bare: bool = False


class DiagramMark(BaseModel):
    """A device on a line, drawn at its place; ``title`` says what it is."""

    id: str
    ref: str
    kind: MarkKind
    x: float
    y: float
    title: str


class Diagram(BaseModel):
    """The whole picture. ``breaks`` are heights between two groups, where a page may end; ``folded`` are the parts shown as one row."""

    width: float
    height: float
    nodes: list[DiagramNode]
    lines: list[DiagramLine]
    marks: list[DiagramMark]
    breaks: list[float]
    folded: list[str]


def label_of(w: Worked | None) -> str:
    """Protection and cable of a circuit in words: ``10 A · 2.5 mm²``."""
    if w is None:
        return says("no-circuit-yet")
    c = w.circuit
    size = size_text(c.area_mm2, c.awg, c.parallel_count) or "size?"
    return f"{c.fuse_a:g} A · {size}" if protected(w) else f"no fuse · {size}"


def protected(w: Worked | None) -> bool:
    """Whether a circuit has its fuse or breaker."""
    return w is not None and w.circuit.protection != "none" and w.circuit.fuse_a is not None


def flow_of(w: Worked | None) -> str:
    """Design current and voltage lost on the cable in words; empty while they are not known."""
    if w is None or w.part.current_a <= 0:
        return ""
    lost = f" · {w.part.drop_v:.2f} V" if w.part.drop_v is not None else ""
    return f"{w.part.current_a:.1f} A{lost}"


class Sheet:
    """What has been drawn so far."""

    def __init__(self) -> None:
        self.nodes: list[DiagramNode] = []
        self.lines: list[DiagramLine] = []
        self.marks: list[DiagramMark] = []
        self.breaks: list[float] = []

    def box(self, id: str, ref: str, kind: NodeKind, at: tuple[float, float, float, float], title: str, sub: str = "", note: str = "") -> None:
        """A box or bar at x, y with width and height."""
        x, y, w, h = at
        self.nodes.append(quick(DiagramNode, id=id, ref=ref, kind=kind, x=x, y=y, w=w, h=h, title=title, sub=sub, note=note))

    def line(self, id: str, ref: str, service: Service, *points: tuple[float, float], label: str = "", flow: str = "", bare: bool = False) -> None:
        """A conductor through points."""
        self.lines.append(quick(DiagramLine, id=id, ref=ref, service=service, points=[list(p) for p in points], label=label, flow=flow, bare=bare))

    def mark(self, kind: MarkKind, ref: str, x: float, y: float, title: str) -> None:
        """A device on a line."""
        self.marks.append(quick(DiagramMark, id=f"m{len(self.marks)}", ref=ref, kind=kind, x=x, y=y, title=title))

    def wire(self, w: Worked | None, ref: str, *points: tuple[float, float], service: Service = "dc") -> None:
        """The positive conductor of a circuit with its protection at its first point."""
        here = f"circuit:{w.circuit.id}" if w is not None else ref
        self.line(f"l-{w.circuit.id if w else ref}", here, service, *points, label=label_of(w), flow=flow_of(w), bare=not protected(w))
        if protected(w) and w is not None:
            x, y = points[0]
            kind: MarkKind = "breaker" if w.circuit.protection == "breaker" or w.part.ac else "fuse"
            self.mark(kind, here, x + 5, y, f"{kind}, {w.circuit.fuse_a:g} A")

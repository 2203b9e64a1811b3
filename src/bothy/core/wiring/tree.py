"""The distribution tree as a computed picture: nodes and lines with places, drawn alike on screen and in SVG.

Four columns from left to right: sources and bank, busbar, boards and inverter, circuits. Units are drawing
units (1 = one pixel at 100 %).
"""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.wiring.circuits import Worked, size_text

ROW = 30.0
COLUMNS = {"source": 12.0, "bus": 266.0, "board": 392.0, "circuit": 640.0}
WIDTH = {"source": 148.0, "bus": 12.0, "board": 132.0, "circuit": 250.0}


class TreeNode(BaseModel):
    """A box. ``ref`` is what it stands for: circuit:<id>, board:<id> or power:<part>."""

    id: str
    ref: str
    kind: Literal["bank", "source", "bus", "board", "inverter", "circuit"]
    x: float
    y: float
    w: float
    h: float
    title: str
    sub: str


class TreeLine(BaseModel):
    """A protected line between two boxes; ``points`` is its path, ``label`` its protection and cable."""

    id: str
    ref: str
    service: Literal["dc", "ac"]
    points: list[list[float]]
    label: str
    label_x: float
    label_y: float
    fused: bool


class Tree(BaseModel):
    """The whole picture."""

    width: float
    height: float
    nodes: list[TreeNode]
    lines: list[TreeLine]


def _label(w: Worked | None) -> tuple[str, bool]:
    if w is None:
        return "no circuit yet", False
    c = w.circuit
    fused = c.protection != "none" and c.fuse_a is not None
    size = size_text(c.area_mm2, c.awg, c.parallel_count) or "size?"
    return (f"{c.fuse_a:g} A · {size}" if fused else f"no fuse · {size}"), fused


def tree(ctx: Context, worked: list[Worked]) -> Tree:
    """Lay the tree out: each board takes the rows of its circuits; the bus spans all of it."""
    nodes: list[TreeNode] = []
    lines: list[TreeLine] = []
    by_kind: dict[str, Worked] = {w.circuit.kind: w for w in reversed(worked)}
    loads = [w for w in worked if w.circuit.kind in ("load", "ac")]
    y = 16.0
    anchors: list[tuple[str, float, Worked | None, str]] = []

    def leaf(w: Worked) -> float:
        nonlocal y
        c = w.circuit
        mid = y + ROW / 2 - 2
        what = "feeds the board below" if c.kind == "feeder" else ", ".join(w.part.appliance_names) or "nothing on it yet"
        nodes.append(quick(TreeNode, id=f"c-{c.id}", ref=f"circuit:{c.id}", kind="circuit", x=COLUMNS["circuit"], y=y, w=WIDTH["circuit"], h=ROW - 6,
                              title=f"{w.part.code} {c.name}", sub=what))  # fmt: skip
        y += ROW
        return mid

    def group(title: str, sub: str, ref: str, kind: Literal["board", "inverter"], members: list[Worked], feed: Worked | None, on_bus: bool = True) -> None:
        nonlocal y
        top = y
        mids = [leaf(w) for w in members]
        height = max(ROW * max(1, len(members)) - 6, ROW + 8)
        y = max(y, top + height + 6)
        right = COLUMNS["board"] + WIDTH["board"]
        nodes.append(quick(TreeNode, id=ref, ref=ref, kind=kind, x=COLUMNS["board"], y=top, w=WIDTH["board"], h=height, title=title, sub=sub))
        for w, mid in zip(members, mids, strict=True):
            text, fused = _label(w)
            lines.append(quick(TreeLine, id=f"l-{w.circuit.id}", ref=f"circuit:{w.circuit.id}", service="ac" if w.part.ac else "dc",
                                  points=[[right, mid], [COLUMNS["circuit"], mid]], label=text, label_x=right + 8, label_y=mid - 4, fused=fused))  # fmt: skip
        if on_bus:
            anchors.append((ref, top + height / 2, feed, "dc"))
        y += 10

    feeders = {w.circuit.board: w for w in worked if w.circuit.kind == "feeder"}
    boards = {b.id: b for b in ctx.design.wiring.boards}
    for b in boards.values():
        if b.side == "dc":
            below = [w for x in boards.values() if x.fed_from == b.id and (w := feeders.get(x.id)) is not None]
            members = [w for w in loads if w.circuit.board == b.id and not w.part.ac] + below
            fed = f", fed from {boards[b.fed_from].letter}" if b.fed_from else ""
            group(
                f"{b.letter} {b.name}", f"{len(members)} of {b.way_count} ways{fed}", f"board:{b.id}", "board", members, feeders.get(b.id), b.fed_from is None
            )
    loose = [w for w in loads if w.circuit.board is None and not w.part.ac]
    if loose:
        group("On the busbar", "no board", "board:", "board", loose, None)
    inverter = ctx.design.power.inverter
    ac = [w for w in loads if w.part.ac]
    if inverter is not None or ac:
        group(inverter.name if inverter else "Mains side", f"{inverter.rating_w:g} W" if inverter else "no inverter yet", "power:inverter", "inverter",
              ac, by_kind.get("inverter"))  # fmt: skip
    height = max(y, 200.0)
    bus_right = COLUMNS["bus"] + WIDTH["bus"]
    for ref, mid, feed, _ in anchors:
        text, fused = _label(feed)
        lines.append(quick(TreeLine, id=f"f-{ref}", ref=f"circuit:{feed.circuit.id}" if feed else ref, service="dc", points=[[bus_right, mid], [COLUMNS["board"], mid]],
                              label=text, label_x=bus_right + 6, label_y=mid - 4, fused=fused))  # fmt: skip
    _sources(ctx, by_kind, height, nodes, lines)
    nodes.append(
        quick(TreeNode, id="bus", ref="bus", kind="bus", x=COLUMNS["bus"], y=10, w=WIDTH["bus"], h=height - 20, title="Busbar", sub=f"{ctx.system_v} V")
    )
    return quick(Tree, width=COLUMNS["circuit"] + WIDTH["circuit"] + 12, height=height, nodes=nodes, lines=lines)


def _sources(ctx: Context, by_kind: dict[str, Worked], height: float, nodes: list[TreeNode], lines: list[TreeLine]) -> None:
    """The left column: bank on top, then the charge sources, evenly spread."""
    p = ctx.design.power
    items: list[tuple[str, Literal["bank", "source"], str, str, str]] = []
    if p.bank:
        b = p.bank
        items.append(("power:bank", "bank", b.name, f"{b.unit_charge_ah * b.parallel_count:g} Ah · {b.unit_voltage_v * b.series_count:g} V", "main"))
    if p.controller:
        watts = sum(a.panel_power_w * a.series_count * a.parallel_count for a in p.arrays)
        items.append(("power:solar", "source", p.controller.name, f"{watts:g} W of panels", "solar"))
    if p.driving:
        items.append(("power:driving", "source", p.driving.name, f"{p.driving.rating_a:g} A", "driving"))
    if p.shore:
        items.append(("power:shore", "source", p.shore.name, f"{p.shore.charger_current_a:g} A", "shore"))
    step = height / (len(items) + 1)
    right = COLUMNS["source"] + WIDTH["source"]
    for i, (ref, kind, title, sub, circuit) in enumerate(items):
        mid = step * (i + 1)
        nodes.append(quick(TreeNode, id=ref, ref=ref, kind=kind, x=COLUMNS["source"], y=mid - 22, w=WIDTH["source"], h=44, title=title, sub=sub))
        w = by_kind.get(circuit)
        text, fused = _label(w)
        lines.append(quick(TreeLine, id=f"s-{circuit}", ref=f"circuit:{w.circuit.id}" if w else ref, service="dc", points=[[right, mid], [COLUMNS["bus"], mid]],
                              label=text, label_x=right + 4, label_y=mid - 4, fused=fused))  # fmt: skip

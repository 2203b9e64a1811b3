"""The switch panel of a design: parts with their cut-outs, the program's own arrangement, checks and findings (method wiring.panel)."""

from __future__ import annotations

import textwrap
from typing import Any, NamedTuple

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import EPS, quick
from bothy.core.design.panel import Panel, PanelKind, PanelThing
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Method
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.panel import PanelItem, SwitchPanelLayoutIn, SwitchPanelLayoutOut, switch_panel_layout
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        ("wire-switch-overload", "fault", Method("wiring.panel")),
        ("wire-switch-margin", "advice", Method("wiring.panel")),
        ("wire-panel-clash", "fault", Method("wiring.panel")),
        ("wire-panel-unbound", "advice", Method("wiring.panel")),
    ),
)


class PartShape(NamedTuple):
    """A panel part: its words, cut-out and front in mm (diameter, or width × height), depth behind the plate, rating in A at 12 V; typical."""

    word: str
    cut: tuple[float, ...]
    front: tuple[float, ...]
    depth_mm: float
    rating_a: float | None
    bound: bool


SHAPES: dict[PanelKind, PartShape] = {
    "rocker": PartShape(says("rocker-switch"), (21, 37), (24, 50), 35, 15, True),
    "round_rocker": PartShape(says("round-rocker"), (20,), (23,), 30, 10, True),
    "push": PartShape("push-button", (19,), (22,), 40, 3, True),
    "socket": PartShape(says("or-usb-socket"), (29,), (38,), 50, None, True),
    "voltmeter": PartShape("voltmeter", (29,), (38,), 40, None, False),
    "gauge": PartShape(says("round-gauge"), (52,), (60,), 55, None, False),
    "dimmer": PartShape("dimmer", (9,), (25,), 30, 8, True),
    "fan_control": PartShape(says("fan-speed-control"), (9,), (25,), 30, 8, True),
    "display": PartShape(says("remote-display"), (92, 68), (102, 78), 30, None, False),
}
"""Table 4.14. Ratings are typical values at 12 V direct current; the maker's figure, typed, wins."""
MARGIN_MM, GAP_MM, LABEL_MM = 10.0, 5.0, 7.0
TEXT_MM, CHAR_MM, LABEL_GAP_MM = 2.2, 1.65, 0.9
"""Height of engraved letters and the room one takes; two lines under each front."""
RELAY_COIL_A = 0.2
"""What a switch that works a relay carries: its coil, over a control wire fused at 1 A (typical)."""
MOST_ON_SWITCH_A = 8.0
"""Circuits with more are switched by a relay at the load, so Bothy proposes no switch on the plate for them."""


class PanelShape(BaseModel):
    """One thing as it is cut and engraved: middle, cut-out and front in mm, and its label with its middle."""

    id: str
    kind: str
    word: str
    label: str
    lines: list[str]
    x_mm: float
    y_mm: float
    cut_mm: list[float]
    front_mm: list[float]
    label_y_mm: float
    circuit_code: str | None
    wrong: bool


class PanelPart(BaseModel):
    """The plate worked out. ``ok`` when everything fits and every switch carries its circuit."""

    width_mm: float
    height_mm: float
    ok: bool
    smallest_edge_mm: float | None
    smallest_gap_mm: float | None
    shapes: list[PanelShape]


def _height(kind: PanelKind) -> float:
    front = SHAPES[kind].front
    return front[-1]


def engraved(label: str, room_mm: float) -> list[str]:
    """A label as at most two engraved lines that keep to their room; the rest is cut off with a dot-dot-dot."""
    return textwrap.wrap(label, max(4, int(room_mm / CHAR_MM)), max_lines=2, placeholder="…") if label else []


def item_of(t: PanelThing, amps: float | None) -> PanelItem:
    """A thing as an item of the layout check; its label's strip counts to its front, so that labels stay free."""
    s = SHAPES[t.kind]
    keys: dict[str, Any] = {
        "id": t.id,
        "x_mm": t.x_mm,
        "y_mm": t.y_mm,
        "depth_mm": s.depth_mm,
        "switch_rating_a": t.rating_a or s.rating_a,
        "circuit_current_a": amps,
    }
    if len(s.cut) == 1:
        return PanelItem(shape="circle", diameter_mm=s.cut[0], bezel_diameter_mm=s.front[0], **keys)
    return PanelItem(shape="rect", width_mm=s.cut[0], height_mm=s.cut[1], bezel_width_mm=s.front[0], bezel_height_mm=s.front[1], **keys)


def arrange(kinds: list[PanelKind], width_mm: float) -> tuple[list[tuple[float, float]], float]:
    """Middles of things set in rows from the top left, with room for a label under each, and the height the plate needs."""
    places: list[tuple[float, float]] = []
    rows: list[list[int]] = [[]]
    x = MARGIN_MM
    for i, k in enumerate(kinds):
        w = SHAPES[k].front[0]
        if rows[-1] and x + w > width_mm - MARGIN_MM + EPS:
            rows.append([])
            x = MARGIN_MM
        rows[-1].append(i)
        places.append((x + w / 2, 0.0))
        x += w + GAP_MM
    height = MARGIN_MM
    tops: list[float] = []
    for row in rows:
        tops.append(height)
        height += max((_height(kinds[i]) for i in row), default=0.0) + LABEL_MM + GAP_MM
    height += MARGIN_MM - GAP_MM
    for row, top in zip(rows, tops, strict=True):
        tallest = max((_height(kinds[i]) for i in row), default=0.0)
        for i in row:
            places[i] = (places[i][0], round(height - top - tallest / 2, 1))
    return [(round(px, 1), py) for px, py in places], round(height, 1)


def wanted_things(ctx: Context, worked: list[Worked]) -> list[tuple[PanelKind, str, str | None]]:
    """What a plate should hold: a switch for what is switched, a dimmer for each zone of lights, a speed control for fans, and a voltmeter."""
    out: list[tuple[PanelKind, str, str | None]] = [("voltmeter", says("volts"), None)]
    for w in worked:
        c = w.circuit
        kinds = {a.kind for i in c.appliances if (a := ctx.design.appliance(i)) is not None}
        if c.kind != "load" or w.part.current_a <= 0 or w.part.current_a > MOST_ON_SWITCH_A:
            continue
        if kinds == {"light"}:
            out.append(("dimmer", c.name[:40], c.id))
        elif kinds == {"fan"}:
            out.append(("fan_control", c.name[:40], c.id))
        elif kinds & {"pump", "light", "fan", "electronics", "socket"} and "safety" not in kinds:
            out.append(("rocker", c.name[:40], c.id))
    return sorted(out, key=lambda t: -_height(t[0]))


def propose_plate(ctx: Context, worked: list[Worked], width_mm: float = 300.0) -> Panel | None:
    """The plate as Bothy would make it; None where nothing would be on it but the voltmeter."""
    things = wanted_things(ctx, worked)
    if len(things) < 2:
        return None
    places, height = arrange([k for k, _, _ in things], width_mm)
    return Panel(
        width_mm=width_mm,
        height_mm=max(30.0, height),
        by="proposal",
        things=[
            PanelThing(id=f"p{n}", kind=k, label=label, circuit=c, x_mm=x, y_mm=y)
            for n, ((k, label, c), (x, y)) in enumerate(zip(things, places, strict=True), 1)
        ],
    )


def _clash(v: Any, names: dict[str, str]) -> str:
    one = names[v.subject]
    return {
        "outside_panel": says("stands-over-edge-plate", one=one),
        "edge_margin": says("from-edge-keeps-plate", one=one, value_mm=v.value_mm or 0, margin_mm=MARGIN_MM),
        "depth": says("and-plugs-need-more", one=one, value_mm=v.value_mm or 0),
        "overlap": says("and-overlap", one=one, names=names.get(v.other or "", "")),
        "gap": says("and-apart-needed", one=one, names=names.get(v.other or "", ""), value_mm=v.value_mm or 0, gap_mm=GAP_MM),
    }[v.code]


def _findings(ctx: Context, panel: Panel, out: SwitchPanelLayoutOut, names: dict[str, str]) -> list[Finding]:
    found: list[Finding] = []
    clashes: dict[str, list[str]] = {}
    for v in out.violations:
        if v.code in ("switch_overload", "switch_margin"):
            at = next(i for i, t in enumerate(panel.things) if t.id == v.subject)
            found.append(
                finding(
                    f"wire-{v.code.replace('_', '-')}",
                    f"panel:{v.subject}",
                    names[v.subject],
                    says("switch-carries-more-than", value_a=v.value_a or 0),
                    fix=Remedy.sets(says("put-relay-by-load"), f"/wiring/panel/things/{at}", v.subject, relay=True),
                )
            )
        else:
            clashes.setdefault(v.subject, []).append(_clash(v, names))
    if clashes:
        kinds = [t.kind for t in panel.things]
        order = sorted(range(len(kinds)), key=lambda i: -_height(kinds[i]))
        places, height = arrange([kinds[i] for i in order], panel.width_mm)
        widest = max(SHAPES[k].front[0] for k in kinds) + 2 * MARGIN_MM
        patch: list[dict[str, Any]] = [{"op": "replace", "path": "/wiring/panel/height_mm", "value": max(panel.height_mm, height)}]
        for i, (x, y) in zip(order, places, strict=True):
            lift = max(panel.height_mm, height) - height
            patch += [
                {"op": "replace", "path": f"/wiring/panel/things/{i}/x_mm", "value": x},
                {"op": "replace", "path": f"/wiring/panel/things/{i}/y_mm", "value": round(y + lift, 1)},
            ]
        only_place = all(v.code != "depth" for v in out.violations) and widest <= panel.width_mm + EPS
        for n, (id, told) in enumerate(clashes.items()):
            fix = Remedy(label=says("let-bothy-arrange-plate"), patch=patch) if n == 0 and only_place else None
            found.append(finding("wire-panel-clash", f"panel:{id}", names[id], " ".join(told), fix=fix))
    for t in panel.things:
        if SHAPES[t.kind].bound and t.circuit is None:
            found.append(finding("wire-panel-unbound", f"panel:{t.id}", names[t.id], says("no-circuit-belongs-to")))
    return found


def work_panel(ctx: Context, worked: list[Worked]) -> tuple[PanelPart | None, list[Finding]]:
    """The plate of the design with its findings; None where there is none."""
    panel = ctx.design.wiring.panel
    if panel is None:
        return None, []
    by_id = {w.circuit.id: w for w in worked}
    names = {t.id: t.label or SHAPES[t.kind].word for t in panel.things}
    out: SwitchPanelLayoutOut | None = None
    found: list[Finding] = []
    if panel.things:
        items = [item_of(t, RELAY_COIL_A if t.relay else by_id[t.circuit].part.current_a if t.circuit in by_id else None) for t in panel.things]
        out = switch_panel_layout(
            SwitchPanelLayoutIn(
                width_mm=panel.width_mm, height_mm=panel.height_mm, depth_available_mm=panel.depth_mm, margin_mm=MARGIN_MM, min_gap_mm=GAP_MM, items=items
            )
        )
        found = _findings(ctx, panel, out, names)
        ctx.book.put("panel/smallest_edge_mm", out.figure("smallest_edge_mm"))
        if out.smallest_gap_mm is not None:
            ctx.book.put("panel/smallest_gap_mm", out.figure("smallest_gap_mm"))
    wrong = {f.subject.removeprefix("panel:") for f in found if f.severity == "fault"}
    shapes = []
    for t in panel.things:
        s = SHAPES[t.kind]
        w = by_id.get(t.circuit or "")
        shapes.append(
            quick(
                PanelShape,
                id=t.id,
                kind=t.kind,
                word=s.word,
                label=t.label,
                lines=engraved(t.label, s.front[0] + GAP_MM),
                x_mm=t.x_mm,
                y_mm=t.y_mm,
                cut_mm=list(map(float, s.cut)),
                front_mm=list(map(float, s.front)),
                label_y_mm=t.y_mm - s.front[-1] / 2 - TEXT_MM - LABEL_GAP_MM,
                circuit_code=w.part.code if w else None,
                wrong=t.id in wrong,
            )
        )
    part = quick(
        PanelPart,
        width_mm=panel.width_mm,
        height_mm=panel.height_mm,
        ok=out is None or out.ok,
        smallest_edge_mm=out.smallest_edge_mm if out else None,
        smallest_gap_mm=out.smallest_gap_mm if out else None,
        shapes=shapes,
    )
    return part, found

"""Where everything of the single-line diagram stands.

Left to right: origins (panels, starter battery, inlet), chargers and bank, charge bus, load bus, boards and boards on boards, circuits,
negative bars. A board takes the rows of its circuits and of the boards below it, so that no line crosses another group. Returns run
from each circuit to the negative bar of its board, from there outwards to the negative busbar, along the bottom through the shunt to the bank.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

from bothy.core.context import Context
from bothy.core.design.wiring import Board
from bothy.core.power.panels import all_controllers, array_power
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.diagram import Diagram, Sheet
from bothy.core.words.choices import word_of
from bothy.core.words.says import wiring_says as says

ROW, GAP = 30.0, 12.0
ORIGIN_X, ORIGIN_W = 8.0, 94.0
SOURCE_X, SOURCE_W = 190.0, 112.0
BUS_X, BUS_W = 396.0, 9.0
BUS_STEP = 42.0
LABEL_W, BOARD_W, CIRCUIT_W = 90.0, 92.0, 204.0
BAR_STEP = 13.0
TOP = 16.0
LEFT_STEP = 74.0
MAINS = "power:inverter"


@dataclass
class _Plan:
    """What the arrangement needs to know, and the columns that follow from it."""

    ctx: Context
    worked: list[Worked]
    folded: frozenset[str]
    sheet: Sheet = field(default_factory=Sheet)

    def __post_init__(self) -> None:
        wiring = self.ctx.design.wiring
        layout = wiring.bus_layout or ("two" if self.ctx.chem.lithium else "one")
        self.two = layout == "two"
        self.load_bus_x = BUS_X + (BUS_STEP if self.two else 0.0)
        self.boards = {b.id: b for b in wiring.boards if b.side == "dc"}
        self.feeders = {w.circuit.board: w for w in reversed(self.worked) if w.circuit.kind == "feeder"}
        self.by_kind: dict[str, Worked] = {w.circuit.feed: w for w in reversed(self.worked)}
        self.ac = [w for w in self.worked if w.part.ac]
        self.on: dict[str | None, list[Worked]] = {}
        for w in self.worked:
            if w.circuit.kind == "load":
                self.on.setdefault(w.circuit.board if w.circuit.board in self.boards else None, []).append(w)
        self.below: dict[str | None, list[Board]] = {}
        for b in self.boards.values():
            self.below.setdefault(b.fed_from, []).append(b)
        deepest = max((self.depth(b) for b in self.boards.values()), default=0)
        self.deepest = max(deepest, 1 if self.ac and self.ctx.design.power.inverter else 0)
        self.circuit_x = self.board_x(self.deepest) + BOARD_W + LABEL_W
        self.bar_x = self.circuit_x + CIRCUIT_W + 16
        self.negative_x = self.bar_x + BAR_STEP * (self.deepest + 1)

    def depth(self, b: Board) -> int:
        """How many boards stand between a board and the busbar."""
        return 0 if b.fed_from is None else 1 + self.depth(self.boards[b.fed_from])

    def board_x(self, depth: int) -> float:
        """Left edge of the boards of a depth."""
        return self.load_bus_x + BUS_W + LABEL_W + depth * (BOARD_W + LABEL_W)

    def bar_of(self, depth: int) -> float:
        """Where the negative bar of a board of a depth stands: the deeper, the nearer to its circuits."""
        return self.bar_x + BAR_STEP * (self.deepest - depth)


def _switched(p: _Plan) -> dict[str, tuple[str, bool]]:
    """Circuit -> what on the switch panel works it, and whether through a relay."""
    panel = p.ctx.design.wiring.panel
    return (
        {
            t.circuit: (t.label or word_of(t.kind), t.relay)
            for t in panel.things
            if t.circuit is not None and t.kind not in ("voltmeter", "gauge", "display", "socket")
        }
        if panel
        else {}
    )


def _circuit(p: _Plan, w: Worked, start_x: float, y: float, switches: dict[str, tuple[str, bool]], bar: float | None) -> float:
    """One circuit in its row, with its way back to a bar; returns the middle of the row."""
    c, s = w.circuit, p.sheet
    mid = y + (ROW - 6) / 2
    names = ", ".join(w.part.appliance_names) or says("nothing-on-yet")
    s.box(
        f"c-{c.id}",
        f"circuit:{c.id}",
        "circuit",
        (p.circuit_x, y, CIRCUIT_W, ROW - 6),
        f"{w.part.code} {c.name}",
        names,
        f"{w.part.worst_v:.1f} V" if w.part.worst_v is not None else "",
    )
    s.wire(w, "", (start_x, mid), (p.circuit_x, mid), service="ac" if w.part.ac else "dc")
    if c.id in switches:
        label, relay = switches[c.id]
        s.mark("relay" if relay else "switch", f"circuit:{c.id}", p.circuit_x - 9, mid, says("relay-worked-by-on", relay=bool(relay), label=label))
    if bar is not None:
        edge = p.circuit_x + CIRCUIT_W
        if c.return_path == "chassis":
            s.line(f"r-{c.id}", f"return:{c.id}", "earth", (edge, mid), (edge + 9, mid))
            s.mark("chassis", f"return:{c.id}", edge + 9, mid, says("returns-through-chassis"))
        else:
            s.line(f"r-{c.id}", f"return:{c.id}", "return", (edge, mid), (bar, mid), label=says("to-battery-post") if c.negative_at == "post" else "")
    return mid


def _folded_row(p: _Plan, ref: str, members: Iterable[Worked], start_x: float, y: float, bar: float | None) -> None:
    inside = list(members)
    mid = y + (ROW - 6) / 2
    amps = sum(w.part.current_a for w in inside)
    p.sheet.box(
        f"folded-{ref}",
        ref,
        "folded",
        (p.circuit_x, y, CIRCUIT_W, ROW - 6),
        says("circuits-folded", inside_count=len(inside)),
        says("in-all-press-to", amps_a=amps),
    )
    p.sheet.line(f"fold-{ref}", ref, "dc" if bar is not None else "ac", (start_x, mid), (p.circuit_x, mid))
    if bar is not None:
        p.sheet.line(f"fold-return-{ref}", f"return:{ref}", "return", (p.circuit_x + CIRCUIT_W, mid), (bar, mid))


def _under(p: _Plan, b: Board) -> list[Worked]:
    return [*p.on.get(b.id, []), *(w for x in p.below.get(b.id, []) for w in _under(p, x))]


def _board(p: _Plan, b: Board, depth: int, y: float, switches: dict[str, tuple[str, bool]]) -> tuple[float, float]:
    """A board with its rows and the boards below it; returns where the next begins and its middle."""
    s, top = p.sheet, y
    x, right, bar = p.board_x(depth), p.board_x(depth) + BOARD_W, p.bar_of(depth)
    feeds: list[tuple[Board, float]] = []
    if f"board:{b.id}" in p.folded:
        _folded_row(p, f"board:{b.id}", _under(p, b), right, y, bar)
        y += ROW
    else:
        for w in p.on.get(b.id, []):
            _circuit(p, w, right, y, switches, bar)
            y += ROW
        for sub in p.below.get(b.id, []):
            y, mid = _board(p, sub, depth + 1, y + (GAP if y > top else 0), switches)
            feeds.append((sub, mid))
    height = max(y - top - 6, ROW + 10)
    y = max(y, top + height + 6)
    middle = top + height / 2
    members = len(p.on.get(b.id, [])) + len(p.below.get(b.id, []))
    s.box(f"board-{b.id}", f"board:{b.id}", "board", (x, top, BOARD_W, height), f"{b.letter} {b.name}", says("ways", members=members, way_count=b.way_count))
    s.box(f"negative-{b.id}", f"board:{b.id}", "negative", (bar - 2, top, 4, height), says("negative", letter=b.letter, b_name=b.name))
    for sub, mid in feeds:
        feed = p.feeders.get(sub.id)
        s.wire(feed, f"board:{sub.id}", (right, mid), (p.board_x(depth + 1), mid))
        s.line(f"r-feed-{sub.id}", f"return:{feed.circuit.id}" if feed else f"return:~{sub.id}", "return", (p.bar_of(depth + 1), mid), (bar, mid))
    return y, middle


def _mains(p: _Plan, y: float, switches: dict[str, tuple[str, bool]]) -> tuple[float, float | None, float | None]:
    """Inverter and mains circuits: where it ends, the middle of the inverter, and the height at which shore comes in."""
    s, inverter = p.sheet, p.ctx.design.power.inverter
    if inverter is None and not p.ac:
        return y, None, None
    top = y
    board_x = p.board_x(1 if inverter else 0)
    right = board_x + BOARD_W
    if inverter is not None:
        y += ROW  # its direct-current return passes above the mains rows
    first = y
    if p.ac and MAINS in p.folded:
        _folded_row(p, MAINS, p.ac, right, y, None)
        y += ROW
    else:
        for w in p.ac:
            _circuit(p, w, right, y, switches, None)
            y += ROW
    height = max(y - first - 6, ROW + 10)
    y = first + height + 6
    middle = first + height / 2
    letters = [b.name for b in p.ctx.design.wiring.boards if b.side == "ac"]
    if p.ac:
        s.box(
            "mains-board",
            MAINS if inverter else "power:shore",
            "board",
            (board_x, first, BOARD_W, height),
            letters[0] if letters else says("mains-board"),
            says("licensed-work"),
        )
    if inverter is None:
        return y, None, middle if p.ac else None
    s.box("inverter", MAINS, "inverter", (p.board_x(0), top, BOARD_W, y - top - 6), inverter.name, f"{inverter.rating_w:g} W")
    feed = p.by_kind.get("inverter")
    s.line("r-inverter", f"return:{feed.circuit.id}" if feed else "return:inverter", "return", (p.board_x(0) + BOARD_W, top + 10), (p.negative_x, top + 10))
    if not p.ac:
        return y, top + (y - top - 6) / 2, None
    m = p.ctx.design.wiring.mains
    s.line("ac-inverter", MAINS, "ac", (p.board_x(0) + BOARD_W, middle), (board_x, middle))
    if m is not None and m.inverter_rcd:
        s.mark("rcd", MAINS, p.board_x(0) + BOARD_W + 20, middle, says("behind-inverter", residual_device=p.ctx.region.residual_device))
    if p.ctx.design.power.shore is not None:
        how = {
            "automatic": says("automatic-change-over"),
            "changeover": says("change-over-switch"),
            "separate": says("separate-sockets"),
            "joined": says("joined-without-change-over"),
        }
        s.mark("transfer", MAINS, board_x - 34, middle, how[m.transfer] if m else says("change-over-not-entered"))
    return y, top + (y - top - 6) / 2, middle


def _sources(p: _Plan, height: float) -> tuple[float, float, list[tuple[float, str]]]:
    """Bank and chargers with their origins. Returns the middle of the bank, of the lowest source, and the chargers' returns (height, ref)."""
    s, power = p.sheet, p.ctx.design.power
    right = SOURCE_X + SOURCE_W
    rows: list[tuple[str, str, str, str, tuple[str, str] | None]] = []
    for control, arrays in all_controllers(power):
        count = sum(a.series_count * a.parallel_count for a in arrays)
        watts = sum(array_power(a) for a in arrays)
        strings = arrays[0] if len(arrays) == 1 else None
        how = f"{strings.series_count} in series × {strings.parallel_count}" if strings else says("arrays", arrays_count=len(arrays))
        own = arrays[0].id if arrays and arrays[0].controller is not None else None
        rows.append(
            (
                f"solar:{own}" if own else "solar",
                f"array:{own}" if own else "power:solar",
                control.name,
                f"{control.max_charge_current_a:g} A",
                (says("panel", count=count, watts_w=watts), how) if count else None,
            )
        )
    if power.driving:
        rows.append(
            (
                "driving",
                "power:driving",
                power.driving.name,
                f"{power.driving.rating_a:g} A",
                (says("second-alternator"), says("own-regulator")) if power.driving.school == "second" else (says("starter-battery"), says("and-alternator")),
            )
        )
    if power.shore:
        rows.append(
            (
                "shore",
                "power:shore",
                power.shore.name,
                f"{power.shore.charger_current_a:g} A",
                (says("inlet", inlet_current_a=power.shore.inlet_current_a or p.ctx.region.inlet_a), says("licensed", mains_v=p.ctx.region.mains_v)),
            )
        )
    bank_y = TOP + 22
    step = max(LEFT_STEP, (height - bank_y - 40) / max(1, len(rows)))
    if power.bank:
        b = power.bank
        s.box(
            "bank",
            "power:bank",
            "bank",
            (SOURCE_X, bank_y - 22, SOURCE_W, 44),
            b.name,
            f"{b.unit_charge_ah * b.parallel_count:g} Ah · {b.unit_voltage_v * b.series_count:g} V",
        )
        main = p.by_kind.get("main")
        start = right
        if p.ctx.design.wiring.battery_fuses:
            start = right + 10
            s.line("battery-fuses", "power:bank", "dc", (right, bank_y), (start, bank_y))
            s.mark("fuse", "power:bank", right + 5, bank_y, says("fuse-on-each-battery"))
        s.wire(main, "power:bank", (start, bank_y), (BUS_X, bank_y))
        x = BUS_X + BUS_W + (BUS_STEP - BUS_W) / 2 if p.two else BUS_X - 14
        rated = p.ctx.design.wiring.isolator_a
        s.mark("isolator", f"circuit:{main.circuit.id}" if main else "power:bank", x, bank_y, f"isolator{f', {rated:g} A' if rated else ''}")
    y = bank_y
    returns: list[tuple[float, str]] = []
    for n, (kind, ref, title, sub, origin) in enumerate(rows, 1):
        y = bank_y + step * n
        w = p.by_kind.get(kind)
        s.box(f"source-{kind}", ref, "source", (SOURCE_X, y - 22, SOURCE_W, 44), title, sub)
        s.wire(w, ref, (right, y), (BUS_X, y))
        returns.append((y + 16, f"return:{w.circuit.id}" if w else f"return:{kind}"))
        if origin is None:
            continue
        s.box(f"origin-{kind}", ref, "origin", (ORIGIN_X, y - 20, ORIGIN_W, 40), *origin)
        _origin_line(p, kind, ref, y)
    return bank_y, y, returns


def _origin_line(p: _Plan, kind: str, ref: str, y: float) -> None:
    """From an origin to its charger, with what protects it."""
    s, start, end = p.sheet, ORIGIN_X + ORIGIN_W, SOURCE_X
    if kind == "driving" and p.ctx.design.power.driving is not None and p.ctx.design.power.driving.school != "second":
        w = p.by_kind.get("driving_in")
        s.wire(w, ref, (start, y), (end, y))
        if w is not None and w.circuit.far_fuse_a is not None:
            s.mark("fuse", f"circuit:{w.circuit.id}", end - 5, y, says("fuse-at-other-end", far_fuse_a=w.circuit.far_fuse_a))
        return
    s.line(f"o-{kind}", ref, "ac" if kind == "shore" else "dc", (start, y), (end, y))
    own = kind.partition(":")[2]
    arrays = [a for a in p.ctx.design.power.arrays if (a.id == own if own else a.controller is None)] if kind.startswith("solar") else []
    if any(a.string_fuse for a in arrays):
        s.mark("fuse", ref, start + 8, y, says("fuse-in-each-string"))
    if any(a.disconnect for a in arrays):
        s.mark("isolator", ref, end - 34, y, says("disconnect-panels"))
    m = p.ctx.design.wiring.mains
    if kind == "shore" and m is not None and m.rcd:
        s.mark("rcd", ref, start + 16, y, says("at-inlet", residual_device=p.ctx.region.residual_device))


def _negative_side(p: _Plan, bank_y: float, bottom: float, returns: list[tuple[float, str]], top: float) -> None:
    """The negative busbar, the rail along the bottom, the shunt, and the bond to the chassis."""
    s, wiring = p.sheet, p.ctx.design.wiring
    rail_x, rail_y = SOURCE_X - 12, bottom
    main = p.by_kind.get("main")
    ref = f"return:{main.circuit.id}" if main else "return:main"
    s.box("negative", "negative", "negative", (p.negative_x - 3, top, 6, bottom - top + 3), says("negative-busbar"))
    s.line("r-rail", ref, "return", (p.negative_x, rail_y), (rail_x, rail_y), (rail_x, bank_y + 14), (SOURCE_X, bank_y + 14), label="")
    if wiring.shunt:
        s.mark("shunt", ref, rail_x, bank_y + 36, says("shunt-battery-monitor"))
    for y, r in returns:
        s.line(f"r-{r}", r, "return", (SOURCE_X, y), (rail_x, y))
    for n in range(wiring.chassis_bond_count):
        x = p.negative_x - 40 - 26 * n
        size = f", {wiring.chassis_bond_mm2:g} mm²" if wiring.chassis_bond_mm2 else ""
        s.line(f"bond-{n}", "negative", "earth", (x, rail_y), (x, rail_y + 14))
        s.mark("chassis", "negative", x, rail_y + 14, says("bond-to-chassis", size=size))


def diagram(ctx: Context, worked: list[Worked], folded: Iterable[str] = ()) -> Diagram:
    """The single-line diagram of a design; ``folded`` names boards (board:<id>) or the mains side (power:inverter) to show as one row."""
    p = _Plan(ctx, worked, frozenset(folded))
    s, switches = p.sheet, _switched(p)
    y = TOP
    fed: list[tuple[float, Worked | None, str]] = []
    for b in p.below.get(None, []):
        y, mid = _board(p, b, 0, y, switches)
        feed = p.feeders.get(b.id)
        fed.append((mid, feed, f"board:{b.id}"))
        s.line(f"r-feed-{b.id}", f"return:{feed.circuit.id}" if feed else f"return:~{b.id}", "return", (p.bar_of(0), mid), (p.negative_x, mid))
        y += GAP
        s.breaks.append(y - GAP / 2)
    for w in p.on.get(None, []):
        _circuit(p, w, p.load_bus_x + BUS_W, y, switches, p.negative_x)
        y += ROW
    if p.on.get(None):
        y += GAP
        s.breaks.append(y - GAP / 2)
    y, inverter, shore = _mains(p, y, switches)
    left = len(all_controllers(ctx.design.power)) + sum(x is not None for x in (ctx.design.power.driving, ctx.design.power.shore))
    bottom = max(y, TOP + 44 + LEFT_STEP * left, 200.0)
    for mid, feed, ref in fed:
        s.wire(feed, ref, (p.load_bus_x + BUS_W, mid), (p.board_x(0), mid))
    if inverter is not None:
        s.wire(p.by_kind.get("inverter"), MAINS, (p.load_bus_x + BUS_W, inverter), (p.board_x(0), inverter))
    bank_y, lowest, returns = _sources(p, bottom)
    if p.two:
        s.line("between", f"circuit:{p.by_kind['main'].circuit.id}" if "main" in p.by_kind else "bus", "dc", (BUS_X + BUS_W, bank_y), (p.load_bus_x, bank_y))
        s.box("charge-bus", "bus", "bus", (BUS_X, TOP - 4, BUS_W, max(lowest, bank_y) - TOP + 26), says("charge-bus"), f"{ctx.system_v} V")
    s.box(
        "load-bus",
        "bus",
        "bus",
        (p.load_bus_x, TOP - 4, BUS_W, (bottom if p.two else max(bottom, lowest + 20)) - TOP),
        says("load-bus") if p.two else says("busbar"),
        f"{ctx.system_v} V",
    )
    _shore_to_mains(p, shore, lowest, bottom)
    rail = bottom + 30
    _negative_side(p, bank_y, rail, returns, TOP - 4)
    return Diagram(width=p.negative_x + 16, height=rail + 34, nodes=s.nodes, lines=s.lines, marks=s.marks, breaks=s.breaks, folded=sorted(p.folded))


def _shore_to_mains(p: _Plan, shore: float | None, lowest: float, bottom: float) -> None:
    """Mains from the inlet along the bottom to the change-over, or straight to the mains board."""
    if shore is None or p.ctx.design.power.shore is None:
        return
    inverter = p.ctx.design.power.inverter is not None
    start, lane = ORIGIN_X + ORIGIN_W + 34, bottom + 12
    x = p.board_x(1) - 34 if inverter else p.board_x(0)
    end = (x, shore + 7) if inverter else (x, shore)
    via = ((x, lane),) if inverter else ((x - 20, lane), (x - 20, shore))
    p.sheet.line("ac-shore", "power:shore", "ac", (start, lowest), (start, lane), *via, end)

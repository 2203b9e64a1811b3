"""Sizes of feeders and of what hangs on them, put down for the circuits of a design; what is lost before each board (method wiring.cable-choice)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.figure import Figure, given, pick, total
from bothy.core.method.sources import Method
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.currents import BoardCurrents
from bothy.core.wiring.drop import DROP_LIMIT_FRAC, voltage_drop
from bothy.core.wiring.fuses import FAMILIES
from bothy.core.wiring.sizing import Trial
from bothy.core.wiring.tree_sizes import AWKWARD, COPPER_KG, MOST_TERMINAL_MM2, TERMINAL_MM2, Branch, Node, Option, best_sizes, one_by_one
from bothy.core.words.says import wiring_says as says

IN_HAND = {"non_critical": 0.93}
"""Part of a drop limit that Bothy's own choice of cable uses: at the far end of a long allowance electronics draw more than at 11 V. Others: 0.97."""


def _options(w: Worked, on_board: bool) -> tuple[list[Option], bool]:
    """The sizes that a circuit may take in the search, with their copper; the one that it has where a person chose it."""
    c, p = w.circuit, w.part
    ways = 1 if c.return_path == "chassis" else 2
    out: list[Option] = []
    if c.sized and c.by == "typed" and p.resistance_mohm is not None:
        return [Option(-1, c.metal_mm2, p.resistance_mohm, 0.0)], True
    for i, t in enumerate(w.carrying):
        if on_board and t.area_mm2 > MOST_TERMINAL_MM2 + EPS and out:
            break
        awkward = AWKWARD if on_board and t.area_mm2 > TERMINAL_MM2 + EPS else 1.0
        out.append(Option(i, t.area_mm2, t.resistance_mohm, awkward * COPPER_KG * ways * t.area_mm2 * p.length_m))
    return out, False


def fit_trees(ctx: Context, worked: list[Worked], boards_a: BoardCurrents) -> None:
    """Sizes of loads and feeders, chosen together for each tree that hangs on the busbar; and for what has its cable already, what would be best as
    things are."""
    boards = {b.id: b for b in ctx.design.wiring.boards if b.side == "dc"}
    nodes = {b: Node(b) for b in boards}
    root = Node("")
    by_id = {w.circuit.id: w for w in worked}
    for id, b in boards.items():
        nodes.get(b.fed_from or "", root).below.append(nodes[id])
    for w in worked:
        c = w.circuit
        if w.part.current_a <= 0 or c.kind not in ("load", "feeder"):
            continue
        if c.kind == "load":
            on_board = c.board in nodes
            options, fixed = _options(w, on_board)
            nodes.get(c.board or "", root).branches.append(Branch(c.id, w.part.current_a, limit_of(w), options, fixed))
        elif c.board in nodes:
            n = nodes[c.board]
            n.options, n.fixed = _options(w, False)
            n.current_a = w.current.value
    fed = {w.circuit.board: w for w in worked if w.circuit.kind == "feeder"}
    for tree in (*root.below, root):
        if tree is root:
            tree = Node("", branches=root.branches)
        chosen = best_sizes(tree)
        for id, o in chosen.sizes.items():
            w = by_id.get(id) or fed[id]
            if o.place >= 0:
                _take(ctx, w, w.carrying[o.place])
    lost = before_boards(ctx, worked)
    for w in worked:  # what a person chose stays; what would do in its place is told
        c = w.circuit
        if w.best_mohm is None and w.carrying:
            before = (lost[c.board].value if c.board in lost else 0.0) if c.kind == "load" else 0.0
            limit = limit_of(w) if c.kind == "load" else w.part.limit_v
            allowed = [
                t
                for t in w.carrying
                if before + t.drop_v <= limit + EPS and (c.board not in nodes or c.kind == "feeder" or t.area_mm2 <= MOST_TERMINAL_MM2 + EPS)
            ]
            if allowed:
                _take(ctx, w, allowed[0])
            elif w.part.problem is None:
                w.part.best_fuse_a = None


def limit_of(w: Worked) -> float:
    """The part of its class limit that Bothy's own choice uses, in V from the busbar."""
    return IN_HAND.get(w.part.drop_class, 0.97) * w.part.limit_v


def _take(ctx: Context, w: Worked, t: Trial) -> None:
    """Put a size down as what Bothy would fit on a circuit, with its working."""
    p = w.part
    ctx.book.put(
        f"circuits/{w.circuit.id}/best_area_mm2",
        pick(
            says("cable"),
            says("least-copper-whole-tree"),
            t.area_mm2,
            "mm²",
            Method("wiring.cable-choice", "sizes of a tree are chosen together"),
            current_a=w.sources["current_a"],
            length_m=w.sources["length_m"],
            fuse_a=given("fuse_a", w.wanted_a, "computed", says("fuse-that-wants"), source=Method("wiring.voltage-drop")),
            limit_v=given("limit_v", p.limit_v, "table", says("drop-class-from-busbar", drop_class=p.drop_class)),
        ),
    )
    w.best_mohm = t.resistance_mohm
    if ctx.region.wire_series == "awg":
        p.best_awg = str(t.size)
    else:
        p.best_area_mm2 = t.area_mm2
    p.best_fuse_a = w.wanted_a if w.wanted_a in p.ratings else None
    p.best_family = next((k for k in w.fitting if p.best_fuse_a in FAMILIES[k].ratings), None)


def saved_kg(ctx: Context, worked: list[Worked]) -> tuple[float, float] | None:
    """Copper of the joint choice, and of a choice cable by cable with each feeder at 1 %, in kg; None without a feeder."""
    boards = {b.id: b for b in ctx.design.wiring.boards if b.side == "dc"}
    nodes = {b: Node(b) for b in boards}
    tops = []
    for id, b in boards.items():
        if b.fed_from in nodes:
            nodes[b.fed_from].below.append(nodes[id])
        else:
            tops.append(nodes[id])
    for w in worked:
        c = w.circuit
        if w.part.current_a <= 0 or c.board not in nodes:
            continue
        if c.kind == "load":
            options, fixed = _options(w, True)
            nodes[c.board].branches.append(Branch(c.id, w.part.current_a, limit_of(w), options, fixed))
        elif c.kind == "feeder":
            nodes[c.board].options, nodes[c.board].fixed = _options(w, False)
            nodes[c.board].current_a = w.current.value
    if not any(n.options for n in nodes.values()):
        return None
    return sum(best_sizes(n).cost for n in tops), sum(one_by_one(n, DROP_LIMIT_FRAC["feeder"] * ctx.system_v).cost for n in tops)


def before_boards(ctx: Context, worked: list[Worked]) -> dict[str | None, Figure]:
    """What the cables between the busbar and each board lose at design currents."""
    by_board = {w.circuit.board: w for w in worked if w.circuit.kind == "feeder"}

    def lost(w: Worked) -> Figure:
        mohm = given("resistance_mohm", w.cable_mohm or 0.0, "computed", says("there-and-back-at-2"), source=Method("wiring.voltage-drop"))
        return voltage_drop(w.current, mohm).named(says("lost-on-2", circuit_name=w.circuit.name))

    out: dict[str | None, Figure] = {}
    boards = {b.id: b for b in ctx.design.wiring.boards if b.side == "dc"}

    for b in boards.values():
        chain = [b]
        while (above := boards.get(chain[-1].fed_from or "")) is not None and above.id not in out:
            chain.append(above)
        for board in reversed(chain):
            feed = by_board.get(board.id)
            out[board.id] = total(
                says("lost-before-board"),
                "V",
                [*([("before", out[board.fed_from])] if board.fed_from in boards else []), *([(feed.circuit.name, lost(feed))] if feed else [])],
                Method("wiring.cable-choice", "from the busbar; the main counts only in the least voltage"),
            )
    return out

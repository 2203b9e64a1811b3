"""Design currents: of an appliance, a circuit, a board and the main (method wiring.design-current)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from bothy.core.context import Context
from bothy.core.design.life import Appliance
from bothy.core.design.wiring import Board, Circuit
from bothy.core.feeds import Feeds
from bothy.core.figure import Figure, formula, given, pick, total
from bothy.core.method.sources import Method
from bothy.core.power.uses import coincidence
from bothy.core.words.says import wiring_says as says

INRUSH_S = {"heating": 60.0, "cooling": 0.3, "pump": 0.1, "fan": 0.1, "tool": 0.3}

BoardCurrents = dict[str | None, Figure]
"""Current by board id; None is the busbar itself."""


@formula(
    says("design-current-appliance"), "I = n·P/(η·U_min)", unit="A", source=Method("wiring.design-current", "constant power draws most at the lowest voltage")
)
def appliance_current(count: float, power_w: float, efficiency_frac: float, min_voltage_v: float) -> float:
    return count * power_w / (efficiency_frac * min_voltage_v)


@formula(
    says("design-current-resistive-appliance"),
    "I = n·P·U_max/U²",
    unit="A",
    source=Method("wiring.design-current", "a resistor draws most at the highest voltage"),
)
def resistive_design_current(count: float, power_w: float, max_voltage_v: float, nominal_voltage_v: float) -> float:
    return count * power_w * max_voltage_v / nominal_voltage_v**2


@formula(says("mains-current"), "I = n·P/U", unit="A", source=Method("wiring.mains"))
def mains_current(count: float, power_w: float, mains_voltage_v: float) -> float:
    return count * power_w / mains_voltage_v


def design_current(ctx: Context, a: Appliance, ac: bool) -> Figure:
    """Design current of an appliance on its circuit, all units on, at its worst voltage."""
    power = given("power_w", a.running_w, "catalogue" if a.trust == "catalogue" else "typed", a.name, label=says("running-power"))
    if ac:
        return mains_current(a.count, power, given("mains_voltage_v", ctx.region.mains_v, "table", ctx.region.name))
    if a.electrical == "resistive":
        return resistive_design_current(a.count, power, given("max_voltage_v", ctx.top_v, "table", says("highest-charge-voltage")), ctx.system_v)
    low = a.min_voltage_v if a.min_voltage_v and ctx.system_v == 12 else 11.0 * ctx.scale
    note = says("appliances-own") if a.min_voltage_v and ctx.system_v == 12 else says("system-voltage-typical")
    eff = a.adapter_frac
    return appliance_current(
        a.count,
        power,
        given("efficiency_frac", eff, "default", says("dc-dc-adapter") if eff < 1 else "direct"),
        given("min_voltage_v", max(low, 10.5 * ctx.scale), "typed" if a.min_voltage_v else "assumed", note),
    )


def loads_of(c: Circuit, by_id: dict[str, Appliance]) -> tuple[Appliance, ...]:
    """The appliances on a circuit."""
    return tuple(by_id[i] for i in c.appliances if i in by_id and by_id[i].count > 0)


def circuit_current(ctx: Context, c: Circuit, on_it: Sequence[Appliance], feeds: Feeds, boards_a: BoardCurrents) -> tuple[Figure, float, float, float]:
    """Design current, nominal voltage, inrush and how long the inrush lasts."""
    if c.kind in ("load", "ac"):
        ac = c.kind == "ac"
        parts = [(a.name, design_current(ctx, a, ac)) for a in on_it]
        inrush, seconds = 0.0, 0.1
        for a, (_, fig) in zip(on_it, parts, strict=True):
            extra = (a.start_multiple - 1) * fig.value / a.count
            if extra > inrush:
                inrush, seconds = extra, INRUSH_S.get(a.kind, 0.1)
        whole = total(says("design-current-circuit"), "A", parts, Method("wiring.design-current", "all that hangs on it at once"))
        return whole, ctx.region.mains_v if ac else float(ctx.system_v), whole.value + inrush if inrush else 0.0, seconds
    if c.feed in feeds:
        feed = feeds[c.feed]
        return feed.current_a, feed.voltage_v, 0.0, 0.1
    if c.kind not in ("feeder", "main"):
        return (
            given("current_a", 0.0, "computed", says("nothing-chosen-yet-that"), label=says("current-feed"), source=Method("wiring.design-current")),
            float(ctx.system_v),
            0.0,
            0.1,
        )
    if c.kind == "feeder":
        fig = (boards_a.get(c.board) if c.board else None) or given(
            "current_a", 0.0, "computed", says("nothing-on-board-yet"), label=says("boards-current"), source=Method("wiring.design-current")
        )
        return larger_way(says("design-current-feeder"), fig, charge_of(ctx, feeds, c.board)) if c.board else fig, float(ctx.system_v), 0.0, 0.1
    return larger_way(says("design-current-main"), discharge_of_main(feeds, boards_a, ctx), charge_of(ctx, feeds)), float(ctx.system_v), 0.0, 0.1


SOURCES = ("solar", "driving", "shore")
"""Feeds that charge the bank through the main; a controller of its own array as ``solar:<array>``."""


def discharge_of_main(feeds: Feeds, boards_a: BoardCurrents, ctx: Context) -> Figure:
    """What flows out of the bank: the inverter at full load and what coincides on the boards."""
    under = {b.id for b in ctx.design.wiring.boards if b.fed_from is not None}
    parts = [(f"boards/{b}" if b else "busbar", f) for b, f in boards_a.items() if b not in under]
    if "inverter" in feeds:
        parts.append(("inverter", feeds["inverter"].current_a))
    return total(says("out-bank"), "A", parts, Method("wiring.design-current", "inverter at full load and what coincides on the boards"))


def charge_of(ctx: Context, feeds: Feeds, board: str | None = None) -> Figure:
    """What flows into the bank with all sources at once and nothing used; of a ``board`` only what is charged through it, its own boards included."""
    on = boards_under(ctx, board) if board is not None else None
    there = {c.feed: c.board for c in ctx.design.wiring.circuits}
    parts = [(k, f.current_a) for k, f in feeds.items() if k.split(":")[0] in SOURCES and (on is None or there.get(k) in on)]
    return total(says("into-bank"), "A", parts, Method("wiring.design-current", "all sources at once, nothing used meanwhile"))


def boards_under(ctx: Context, board: str) -> set[str]:
    """A board with all that are fed from it."""
    out, boards = {board}, ctx.design.wiring.boards
    while True:
        more = {b.id for b in boards if b.fed_from in out} - out
        if not more:
            return out
        out |= more


def charged_through(ctx: Context, board: str) -> bool:
    """Whether a source charges the bank through this board."""
    on = boards_under(ctx, board)
    return any(c.kind in SOURCES and c.board in on for c in ctx.design.wiring.circuits)


def larger_way(label: str, out: Figure, into: Figure) -> Figure:
    """The larger of what flows each way through one cable."""
    if into.value <= out.value:
        return out.named(label)
    return pick(
        label,
        says("larger-what-flows-out"),
        into,
        "A",
        Method("wiring.design-current", "a cable carries the larger of what flows each way"),
        out_a=out,
        into_a=into,
    )


def at_the_peak(ctx: Context, appliances: list[Appliance]) -> dict[str, Figure]:
    """Design current of DC appliances by id, each with its part at the peak of the day."""
    part = coincidence(ctx.design.life.appliances)
    out = {}
    for a in appliances:
        full = design_current(ctx, a, False)
        out[a.id] = Figure(
            full.value * part[a.id], "A", says("at-peak", a_name=a.name), expression="k_co·I", source=Method("power.load-budget"), inputs=(("current_a", full),)
        )
    return out


def board_currents(ctx: Context, circuits: tuple[tuple[str | None, tuple[Appliance, ...]], ...]) -> BoardCurrents:
    """Current of each DC board, and of what hangs on the busbar itself: the appliances of its circuits, each with its part at the peak. ``circuits`` are
    the loads' boards and what is on each."""
    parts: dict[str | None, list[tuple[str, Figure]]] = {b.id: [] for b in ctx.design.wiring.boards if b.side == "dc"}
    loads = [(board, on_it) for board, on_it in circuits if board is None or board in parts]
    amps = at_the_peak(ctx, [a for _, on_it in loads for a in on_it])
    for board, on_it in loads:
        parts.setdefault(board, []).extend((a.name, amps[a.id]) for a in on_it)
    below: dict[str, list[Board]] = {}
    for b in ctx.design.wiring.boards:
        if b.side == "dc" and b.fed_from is not None:
            below.setdefault(b.fed_from, []).append(b)

    largest: dict[str | None, Figure] = {}
    for board, on_it in loads:
        alone = total(says("largest-circuit"), "A", [(a.name, amps[a.id].inputs[0][1]) for a in on_it], Method("wiring.design-current", "all on it at once"))
        if board not in largest or alone.value > largest[board].value:
            largest[board] = alone

    return {b: _of_board(b, parts, below, largest) for b in parts}


def _of_board(
    board: str | None, parts: Mapping[str | None, list[tuple[str, Figure]]], below: Mapping[str, list[Board]], largest: Mapping[str | None, Figure]
) -> Figure:
    """Current of one board: what coincides on it and on the boards ``below`` it, or its ``largest`` circuit alone."""
    subs = [(b.name, _of_board(b.id, parts, below, largest)) for b in below.get(board or "", [])]
    label = says("current-board") if board else says("current-straight-off-busbar")
    together = total(label, "A", [*parts[board], *subs], Method("wiring.boards", "what coincides"))
    alone = largest.get(board)
    if alone is None or alone.value <= together.value:
        return together
    return pick(label, says("larger-what-coincides-and"), alone, "A", Method("wiring.boards"), together_a=together, largest_a=alone)

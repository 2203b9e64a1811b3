"""The whole distribution as one network: solved at its worst and at a usual moment, and what a dead short would draw at each fuse."""

from __future__ import annotations

from typing import Any

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.life import Appliance
from bothy.core.design.power import Bank
from bothy.core.feeds import Feeds
from bothy.core.figure import Figure, derived, given, total
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.power.chemistry import rest_voltage
from bothy.core.power.uses import coincidence
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.circuits import DROP_COPPER_C
from bothy.core.wiring.conductors import warm_resistance
from bothy.core.wiring.drop import cable_heat, drop_fraction
from bothy.core.wiring.network import LEAST_MOHM, DcNetworkIn, NetworkBranch, NetworkLoad, NetworkSource, State, branch_drop, solve
from bothy.core.wiring.short_circuit import CUT_OFF_MOHM, POSTS_MOHM, bank_resistance, block_resistance, fault_current, for_voltages, with_posts
from bothy.core.words.says import wiring_says as says

BANK, BUS = "bank", "busbar"
LOW_V = {True: 12.0, False: 11.5}
"""A bank at its low cut-off per 12 V, lithium or lead (typical, method wiring.network)."""
WARMER = warm_resistance.raw(1.0, DROP_COPPER_C)


class NodePart(BaseModel):
    """A busbar or board of the network: voltages in V at the worst and at a usual moment, and the current of a dead short there in A."""

    worst_v: float | None
    typical_v: float | None
    fault_a: float | None


class NetworkPart(BaseModel):
    """The network as a whole. ``converged`` is False when the voltage collapses at the worst moment."""

    converged: bool
    low_v: float
    typical_v: float
    loss_w: float | None
    nodes: dict[str, NodePart]


def board_node(board: str | None) -> str:
    """Name of the node of a board; the busbar for None."""
    return f"board:{board}" if board else BUS


def _branches(ctx: Context, worked: list[Worked]) -> tuple[list[NetworkBranch], dict[str, str]]:
    """The branches, and by circuit the node its cable ends at. What has no cable of its own yet joins without resistance."""
    wires: list[NetworkBranch] = []
    ends: dict[str, str] = {}

    def add(id: str, a: str, b: str, mohm: float) -> None:
        wires.append(quick(NetworkBranch, id=id, from_=a, to=b, resistance_mohm=mohm))

    mains = [w for w in worked if w.circuit.kind == "main" and w.cable_mohm is not None]
    for w in mains:
        add(w.circuit.id, BANK, BUS, w.cable_mohm or 0.0)
    if not mains:
        add("~main", BANK, BUS, 0.0)
    feeders: dict[str | None, list[Worked]] = {}
    for w in worked:
        if w.circuit.kind == "feeder" and w.cable_mohm is not None:
            feeders.setdefault(w.circuit.board, []).append(w)
    for b in ctx.design.wiring.boards:
        if b.side != "dc":
            continue
        for w in feeders.get(b.id, []):
            add(w.circuit.id, board_node(b.fed_from), board_node(b.id), w.cable_mohm or 0.0)
        if b.id not in feeders:
            add(f"~{b.id}", board_node(b.fed_from), board_node(b.id), 0.0)
    dc = {b.id for b in ctx.design.wiring.boards if b.side == "dc"}
    for w in worked:
        c = w.circuit
        if c.kind in ("load", "inverter") and w.cable_mohm is not None and w.part.current_a > 0:
            ends[c.id] = f"end:{c.id}"
            add(c.id, board_node(c.board if c.kind == "load" and c.board in dc else None), ends[c.id], w.cable_mohm)
    return wires, ends


def _load(id: str, node: str, a: Appliance, part: float, rated_v: float) -> NetworkLoad | None:
    watts = a.running_w * a.count * part / a.adapter_frac
    if watts <= 0:
        return None
    if a.electrical == "resistive":
        return quick(NetworkLoad, id=id, node=node, resistance_mohm=1000 * rated_v**2 / watts)
    return quick(NetworkLoad, id=id, node=node, power_w=watts)


def _loads(ctx: Context, worked: list[Worked], ends: dict[str, str], feeds: Feeds, inverter: bool) -> list[NetworkLoad]:
    """Everything that can coincide, each at the end of its cable; with the inverter at full load or without it."""
    at_peak = coincidence(ctx.design.life.appliances)
    out: list[NetworkLoad] = []
    for w in worked:
        c = w.circuit
        if c.id not in ends:
            continue
        if c.kind == "inverter":
            feed = feeds.get("inverter")
            if inverter and feed is not None and feed.power_w:
                out.append(quick(NetworkLoad, id=c.id, node=ends[c.id], power_w=feed.power_w))
            continue
        for i in c.appliances:
            a = ctx.design.appliance(i)
            load = _load(f"{c.id}/{i}", ends[c.id], a, at_peak[i], 12.0 * ctx.scale) if a is not None else None
            if load is not None:
                out.append(load)
    return out


def _way(wires: list[NetworkBranch]) -> dict[str, list[str]]:
    """By node, the branches from the bank to it. Of several equal feeds the first stands for all."""
    into: dict[str, NetworkBranch] = {}
    for b in wires:
        into.setdefault(b.to, b)

    def way(node: str) -> list[str]:
        out: list[str] = []
        while (b := into.get(node)) is not None:
            out.append(b.id)
            node = b.from_
        return out[::-1]

    return {node: way(node) for node in into}


def block_of(ctx: Context, bank: Bank) -> Figure:
    """Least resistance of one block in mΩ: that of its data sheet, which is measured at its posts, else typical of its chemistry with posts and links."""
    if bank.unit_resistance_mohm is not None:
        return given("block_mohm", bank.unit_resistance_mohm, "typed", says("data-sheet", bank_name=bank.name), label=says("resistance-one-block"))
    part = bank.unit_voltage_v / ctx.chem.bank_v(12)
    cells = block_resistance(
        given("block_mohm_ah", ctx.chem.fault_k, "table", says("typical-low-on-purpose", chem_name=ctx.chem.name)),
        given("capacity_ah", bank.unit_charge_ah, "typed", bank.name),
        given(
            "block_nominal_voltage_v",
            12 * part,
            "computed",
            says("as-part-block", unit_voltage_v=bank.unit_voltage_v, chem_name=ctx.chem.name),
            source=Method("wiring.short-circuit"),
        ),
    )
    return with_posts(cells, given("posts_mohm", POSTS_MOHM * min(1.0, part), "default", says("typical-posts-links-and")))


def bank_for_voltages(ctx: Context) -> float:
    """Resistance of the bank in mΩ as the loads see it, its cut-off electronics with it; 0 without a bank. A data sheet's value is taken as it is."""
    bank = ctx.design.power.bank
    if bank is None:
        return 0.0
    block = block_of(ctx, bank)
    if bank.unit_resistance_mohm is None:
        block = for_voltages(
            block,
            given(
                "cut_off_mohm",
                (CUT_OFF_MOHM if ctx.chem.lithium else 0.0) * min(1.0, bank.unit_voltage_v / ctx.chem.bank_v(12)),
                "default",
                says("typical-electronics-chain-cells"),
            ),
        )
    return ctx.book.put("network/bank_mohm", bank_resistance(block, bank.series_count, bank.parallel_count).named(says("resistance-bank-as-loads"))).value


def _faults(ctx: Context, worked: list[Worked], wires: list[NetworkBranch], ways: dict[str, list[str]]) -> dict[str, Figure]:
    """Current of a dead short at each node, by node: a full bank, cold copper, parallel cables together. Empty without a bank."""
    bank = ctx.design.power.bank
    if bank is None:
        return {}
    inside = bank_resistance(block_of(ctx, bank), bank.series_count, bank.parallel_count)
    full = given("voltage_v", rest_voltage(ctx.chem.key, 1.0) * ctx.chem.cell_count(ctx.system_v), "table", says("full-at-rest", chem_name=ctx.chem.name))
    twins: dict[tuple[str, str], float] = {}
    for b in wires:
        twins[b.from_, b.to] = twins.get((b.from_, b.to), 0.0) + 1 / max(LEAST_MOHM, (b.resistance_mohm or 0.0) / WARMER)
    cold = {b.id: 1 / twins[b.from_, b.to] for b in wires}
    named = {w.circuit.id: w.circuit.name for w in worked}

    def at(way: list[str]) -> Figure:
        parts = [
            (
                named.get(i, i),
                given("resistance_mohm", cold[i], "computed", says("there-and-back-at"), label=named.get(i, i), source=Method("wiring.short-circuit")),
            )
            for i in way
            if i in named
        ]
        cables = total(says("cables-on-way"), "mΩ", parts, Method("wiring.network", "cold copper: the worst case for the fuse")) if parts else 0.0
        return fault_current(full, inside, cables, 0.0)

    return {BANK: at([]), **{node: at(way) for node, way in ways.items()}}


def _settle(
    ctx: Context,
    w: Worked,
    end: str,
    way: list[str],
    names: dict[str, str],
    mains: set[str],
    lost_on: dict[str, Figure],
    worst: State | None,
    typical: State | None,
) -> None:
    """Whole-path drop and voltages of one circuit, from the solved network."""
    c, part = w.circuit, w.part
    if worst is not None:
        figures = {i: lost_on[i] for i in way if i in names and i not in mains}
        if w.drop is not None and part.drop_v is not None and part.drop_v > figures[c.id].value:
            figures[c.id] = w.drop.figure("drop_v")  # its own cable with all on it at once, whatever coincides elsewhere
        w.way_v = {i: f.value for i, f in figures.items()}
        lost = [(names[i], f.named(says("lost-on", names=names[i]))) for i, f in figures.items()]
        path = ctx.book.put(
            f"circuits/{c.id}/path_drop_v",
            total(
                says("voltage-drop-from-busbar"),
                "V",
                lost,
                Method("wiring.network", "solved network at its worst moment; what the main loses counts in the least voltage"),
            ),
        )
        part.path_drop_v = path.value
        part.path_drop_frac = ctx.book.put(
            f"circuits/{c.id}/path_drop_frac", drop_fraction(path, float(ctx.system_v)).named(says("voltage-drop-from-busbar-as"))
        ).value
        part.worst_v = ctx.book.put(f"circuits/{c.id}/worst_v", worst.node_figure(end).named(says("voltage-at-end-worst"))).value
        if c.kind == "load" and w.drop is not None:
            part.drop_ok = path.value <= part.limit_v + 1e-9
    if typical is not None:
        part.typical_v = ctx.book.put(f"circuits/{c.id}/typical_v", typical.node_figure(end).named(says("voltage-at-end-usual"))).value


def work_network(ctx: Context, worked: list[Worked], feeds: Feeds) -> NetworkPart:
    """Solve the distribution and write its results onto the circuits. Method: wiring.short-circuit.

    Worst: the bank at its low cut-off, everything on that can coincide and the inverter at full load, chargers off, copper at 60 °C.
    Usual: the bank at its nominal voltage, the same loads, the inverter off. Cables alone: fuses, switches and joints come on top and are
    in the readings that Prove expects.
    """
    low, bank_mohm = LOW_V[ctx.chem.lithium] * ctx.scale, bank_for_voltages(ctx)
    wires, ends = _branches(ctx, worked)
    ways = _way(wires)
    names = {w.circuit.id: w.circuit.name for w in worked}
    mains = {w.circuit.id for w in worked if w.circuit.kind == "main"}

    def solved(volts: float, inverter: bool) -> State | None:
        common: dict[str, Any] = {"nominal_voltage_v": float(ctx.system_v), "branches": wires, "loads": _loads(ctx, worked, ends, feeds, inverter)}
        out = solve(quick(DcNetworkIn, sources=[quick(NetworkSource, node=BANK, voltage_v=volts, resistance_mohm=bank_mohm)], **common))
        return out if out.converged else None

    worst, typical = solved(low, True), solved(ctx.bank_v, False)
    currents = {b.id: worst.current(b) for b in wires} if worst else {}
    lost_on = {i: branch_drop(amps, worst.mohm[i]) for i, amps in currents.items()} if worst else {}
    faults = _faults(ctx, worked, wires, ways)
    for w in worked:
        c = w.circuit
        end = ends.get(c.id)
        at = end or (board_node(c.board) if c.kind == "feeder" else BUS if c.kind == "main" else "")
        w.part.way = [i for i in ways.get(at, [c.id]) if i in names]
        if end is not None:
            _settle(ctx, w, end, ways[end], names, mains, lost_on, worst, typical)
        if not faults or w.part.ac or c.kind in ("solar", "driving_in"):
            continue
        if c.kind == "feeder":
            board = ctx.design.board(c.board)
            start, far = board_node(board.fed_from if board else None), board_node(c.board)
        else:
            start, far = (BANK, BUS) if c.kind == "main" else (board_node(c.board) if c.kind == "load" else BUS, end or "")
        for key, node in (("fault_a", start), ("far_fault_a", far)):
            if node in faults:
                label = says("short-circuit-current-at") if key == "fault_a" else says("short-circuit-current-at-far")
                setattr(w.part, key, ctx.book.put(f"circuits/{c.id}/{key}", faults[node].named(label)).value)
    nodes = {}
    for node in (BANK, BUS, *(board_node(b.id) for b in ctx.design.wiring.boards if b.side == "dc")):
        found = {key: state.node_figure(node) for key, state in (("worst_v", worst), ("typical_v", typical)) if state is not None}
        if node in faults:
            found["fault_a"] = faults[node].named(says("short-circuit-current-here"))
        values = {key: ctx.book.put(f"network/{node}/{key}", figure).value for key, figure in found.items()}
        nodes[node] = quick(NodePart, worst_v=values.get("worst_v"), typical_v=values.get("typical_v"), fault_a=values.get("fault_a"))
    loss = None
    if worst is not None:
        heat = {i: cable_heat(amps, worst.mohm[i]) for i, amps in currents.items()}
        loss = ctx.book.put("network/loss_w", worst.loss(heat).named(says("heat-in-all-cables"))).value
    return quick(NetworkPart, converged=worst is not None, low_v=low, typical_v=ctx.bank_v, loss_w=loss, nodes=nodes)


def least_voltage(a: Appliance, scale: float) -> Figure:
    """Lowest working voltage of an appliance: its own, or typical of its kind (method wiring.voltage-drop)."""
    if a.min_voltage_v is not None:
        return given("min_voltage_v", a.min_voltage_v, "typed", a.name)
    typical = {"cooling": 10.8, "heating": 10.5, "pump": 9.5, "light": 10.0, "fan": 10.0}.get(a.kind, 10.0)
    return derived("min_voltage_v", says("typical-kind"), typical * scale, Method("wiring.voltage-drop") + OwnChoice("typical"))

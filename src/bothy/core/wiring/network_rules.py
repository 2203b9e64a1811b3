"""Rules of the network: whole-path drop, low voltage, short circuit, selectivity, where fuses sit, and the negative side (method wiring.cable-choice)."""

from __future__ import annotations

import math

from bothy.core.context import Context
from bothy.core.contract import EPS, next_size
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.circuits import best_fuse, size_text
from bothy.core.wiring.conductors import AWG, METRIC, row_of
from bothy.core.wiring.currents import charged_through
from bothy.core.wiring.distribution import BANK, NetworkPart, board_node, least_voltage
from bothy.core.wiring.fuses import FAMILIES, LITHIUM_MAIN_A
from bothy.core.wiring.rules import keeps_limit, refit
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        ("wire-voltage-collapse", "fault", Method("wiring.voltage-drop")),
        ("wire-load-undervoltage", "fault", Method("wiring.network")),
        (
            "wire-fault-too-weak",
            "fault",
            Method("wiring.short-circuit") + Standard("IEC 60364-4-43"),
        ),
        (
            "wire-selectivity",
            "advice",
            Method("wiring.fuse") + Standard("IEC 60269-2"),
        ),
        ("wire-both-ends-unfused", "danger", Method("wiring.fuse")),
        (
            "wire-fuse-too-far",
            "danger",
            Method("wiring.protection-places") + Standard("ISO 13297"),
        ),
        ("wire-holder-too-small", "danger", Method("wiring.fuse") + Standard("ISO 8820")),
        (
            "wire-dc-breaker-wrong",
            "danger",
            Method("wiring.fuse") + Standard("IEC 60947-2"),
        ),
        (
            "wire-shunt-bypassed",
            "fault",
            Method("wiring.negative"),
        ),
        (
            "wire-multi-chassis-bond",
            "fault",
            Method("wiring.negative"),
        ),
        (
            "wire-bond-thin",
            "fault",
            Method("wiring.negative") + OwnChoice("typical"),
        ),
        ("wire-single-bus", "note", Method("wiring.boards")),
        ("wire-board-unconnected", "fault", Method("wiring.boards")),
        ("wire-double-feed", "fault", Method("wiring.network")),
    ),
)

SAME_FAMILY, ACROSS = 1.6, 2.0
QUICK_BREAK = 5.0
BARE_M, SHEATHED_M = 0.175, 1.0
LEAST_BOND_MM2 = 16.0
INVERTER_LEAST_V = 10.5
"""Input at which an inverter switches off, per 12 V (typical)."""


def thicker(w: Worked, part: float = 0.999) -> Remedy | None:
    """The remedy that fits the first size with at most ``part`` of the resistance it has; None past the end of the series or where no cable is fitted."""
    c = w.circuit
    if not c.sized:
        return None
    now = row_of(c.area_mm2, c.awg)[1].plain
    if c.awg is not None:
        size = next((s for s, row in AWG.items() if row.plain <= part * now), None)
        return w.change(says("fit-on", size_text=size_text(None, size), c_name=c.name), awg=size) if size else None
    area = next((a for a, row in METRIC.items() if row.plain <= part * now), None)
    return w.change(says("fit-on", size_text=size_text(area, None), c_name=c.name), area_mm2=area) if area else None


def _drop(ctx: Context, worked: list[Worked]) -> list[Finding]:
    """Whole-path drop of load circuits, with the branch that costs most."""
    out: list[Finding] = []
    by_id = {w.circuit.id: w for w in worked}
    for w in worked:
        c, p = w.circuit, w.part
        if c.kind == "load" and p.drop_ok is False and p.path_drop_v is not None:
            costly = max(w.way_v, key=lambda k: w.way_v[k])
            excess = (p.path_drop_v - p.limit_v) / w.way_v[costly]
            fits = w.best_mohm is not None and w.part.resistance_mohm is not None and w.best_mohm > 0.99 * w.part.resistance_mohm
            fix = _costliest(w, by_id) if costly == c.id and fits else refit(w) if costly == c.id else thicker(by_id[costly], 1 - excess)
            most = f", {w.way_v[costly]:.2f} V of it on {by_id[costly].circuit.name}, {by_id[costly].part.size_text or 'not sized yet'}"
            text = says(
                "voltage-drop-from-busbar-to",
                path_drop_v=p.path_drop_v,
                path_drop_frac=p.path_drop_frac or 0,
                most=most if len(w.way_v) > 1 else "",
                limit_v=p.limit_v,
                replace=p.drop_class.replace("_", "-"),
            )
            if costly == c.id and p.max_length_m and p.before_v < p.limit_v:
                text += says("at-this-size-cable", max_length_m=p.max_length_m * (p.limit_v - p.before_v) / p.limit_v)
            out.append(finding("wire-drop-over-limit", c.id, w.name, text, fix=fix, figures=[f"circuits/{c.id}/path_drop_v"]))
        if c.kind == "inverter" and p.worst_v is not None and p.worst_v < INVERTER_LEAST_V * ctx.scale - EPS:
            out.append(
                finding(
                    "wire-load-undervoltage",
                    c.id,
                    w.name,
                    says("at-full-load-and", worst_v=p.worst_v, inverter_least_v=INVERTER_LEAST_V * ctx.scale),
                    fix=_costliest(w, by_id),
                    figures=[f"circuits/{c.id}/worst_v"],
                )
            )
        if c.kind == "load" and p.worst_v is not None:
            starved = [
                (a, v) for k in c.appliances if (a := ctx.design.appliance(k)) and a.count > 0 and p.worst_v < (v := least_voltage(a, ctx.scale).value) - EPS
            ]
            if starved:
                a, v = max(starved, key=lambda x: x[1])
                out.append(
                    finding(
                        "wire-load-undervoltage",
                        c.id,
                        w.name,
                        says("in-worst-case-gets", a_name=a.name, worst_v=p.worst_v, v=v),
                        fix=_costliest(w, by_id),
                        figures=[f"circuits/{c.id}/worst_v"],
                    )
                )
    return out


def _costliest(w: Worked, by_id: dict[str, Worked]) -> Remedy | None:
    """Bothy's size for the cable of the way that costs most, the first step where others must follow or no larger one is made."""
    way = [by_id[k] for k in sorted(w.way_v, key=lambda k: -w.way_v[k]) if k in by_id] + [w]
    for x in way:
        better = refit(x) if x.best_mohm is not None and x.part.resistance_mohm is not None and x.best_mohm < 0.99 * x.part.resistance_mohm else thicker(x, 0.7)
        if better is not None:
            return better.first_step()
    return None


def _family(w: Worked) -> str | None:
    return w.circuit.fuse_family or w.part.best_family


def _breaks(w: Worked, top_v: float) -> float:
    family = _family(w)
    return FAMILIES[family].interrupt_a(top_v) if family else 0.0


def _short_circuit(ctx: Context, worked: list[Worked], network: NetworkPart) -> list[Finding]:
    """Far faults that may not blow the fuse, and devices that cannot break the fault where they sit."""
    out: list[Finding] = []
    mains = [w for w in worked if w.circuit.kind == "main" and w.circuit.fuse_a is not None]
    weak: dict[str, list[Worked]] = {}
    for w in worked:
        c, p = w.circuit, w.part
        if p.ac or c.fuse_a is None or c.protection == "none":
            continue
        if p.far_fault_a is not None and c.kind in ("load", "feeder", "main", "inverter") and p.far_fault_a < QUICK_BREAK * c.fuse_a - EPS and p.ampacity_a:
            near, own = 1 / (p.fault_a or p.far_fault_a), 1 / p.far_fault_a - 1 / (p.fault_a or p.far_fault_a)
            wanted = (1 / (QUICK_BREAK * max(c.fuse_a, best_fuse(w, math.inf) or 0.0)) - near) / own if own > 0 else 0.0
            refitted = w.best_mohm is not None and w.cable_mohm is not None and w.best_mohm <= wanted * w.cable_mohm
            fix = None if own <= 0 else refit(w) if refitted else thicker(w, wanted)
            if fix is not None and (c.kind == "main" or (not refitted and not keeps_limit(w))):
                fix = fix.first_step()
            out.append(
                finding(
                    "wire-fault-too-weak",
                    c.id,
                    w.name,
                    says("short-circuit-at-far", far_fault_a=p.far_fault_a, fuse_a=c.fuse_a, quick_break_a=QUICK_BREAK * c.fuse_a),
                    fix=fix,
                    figures=[f"circuits/{c.id}/far_fault_a"],
                )
            )
        if c.kind in ("load", "feeder") and p.fault_a is not None and _family(w) and _breaks(w, ctx.top_v) < p.fault_a - EPS:
            board = ctx.design.board(c.board)
            weak.setdefault((board.fed_from if board and c.kind == "feeder" else c.board) or "", []).append(w)
    at_bank = network.nodes[BANK].fault_a if BANK in network.nodes else None
    backed = bool(mains) and at_bank is not None and all(_breaks(m, ctx.top_v) >= min(at_bank, LITHIUM_MAIN_A) - EPS for m in mains)
    if backed and len(weak) > 1:
        weak = {
            max(weak, key=lambda b: network.nodes[board_node(b or None)].fault_a or 0.0 if board_node(b or None) in network.nodes else 0.0): [
                w for items in weak.values() for w in items
            ]
        }
    for board_id, items in weak.items():
        node = network.nodes.get(board_node(board_id or None))
        board = ctx.design.board(board_id)
        least = min(_breaks(w, ctx.top_v) for w in items)
        many = says("fuse") if len(items) == 1 else says("fuses", items_count=len(items))
        text = says("short-circuit-right-behind", fault_ka=(node.fault_a or 0) / 1000 if node else 0, many=many, least_ka=least / 1000)
        text += says("main-fuse-would-clear") if backed else says("no-main-fuse-would")
        out.append(
            finding(
                "wire-interrupt-too-low",
                board_id or "wiring",
                board.name if board else says("busbar"),
                text,
                severity="note" if backed else "danger",
                figures=[f"network/{board_node(board_id or None)}/fault_a"],
                related=[w.circuit.id for w in items],
                remedy=says("use-longer-or-thinner") if backed else None,
            )
        )
    return out


def _bank_fuses(ctx: Context, network: NetworkPart) -> list[Finding]:
    """Batteries in parallel, each of which can feed the other's fault, and a bank that a main fuse of 20 kA may not master."""
    bank = ctx.design.power.bank
    amps = network.nodes[BANK].fault_a
    if bank is None or amps is None:
        return []
    figures = [f"network/{BANK}/fault_a"]
    if bank.parallel_count > 1 and not ctx.design.wiring.battery_fuses:
        return [
            finding(
                "wire-no-fuse-at-source",
                "wiring",
                says("wiring"),
                says("when-one-batteries-in", parallel_count=bank.parallel_count, amps_ka=amps / 1000),
                fix=Remedy.sets(says("fit-high-interrupt-fuse"), "/wiring", battery_fuses=True),
                figures=figures,
                remedy=says("fit-fuse-on-post"),
            )
        ]
    # the fuse on one battery meets that battery's own current, or what the others push back into it
    worst = amps * max(1, bank.parallel_count - 1) / bank.parallel_count
    if ctx.chem.lithium and worst > FAMILIES["class_t"].interrupt_a(ctx.top_v) + EPS:
        whose = says("one-battery-this-size") if bank.parallel_count < 3 else says("fault-in-one-battery", parallel_count=bank.parallel_count - 1)
        taken = says("data-sheet-was-taken", unit_resistance_mohm=bank.unit_resistance_mohm) if bank.unit_resistance_mohm else says("resistance-typical-low-on")
        return [
            finding(
                "wire-interrupt-too-low",
                "wiring",
                says("wiring"),
                says("more-than-high-interrupt", whose=whose, worst_ka=worst / 1000, taken=taken),
                beside="bank",
                severity="advice",
                figures=figures,
                remedy=says("ask-maker-for-internal"),
            )
        ]
    return []


def _ratio(up: Worked, down: Worked) -> float:
    return SAME_FAMILY if _family(up) == _family(down) else ACROSS


def _selectivity(ctx: Context, worked: list[Worked]) -> list[Finding]:
    """Each feeder, and the main, against the largest fuse below it."""
    feeders = {w.circuit.board: w for w in worked if w.circuit.kind == "feeder" and w.circuit.fuse_a}
    mains = [w for w in worked if w.circuit.kind == "main" and w.circuit.fuse_a]
    pairs: dict[str, tuple[Worked, Worked]] = {}

    def pair(up: Worked, down: Worked) -> None:
        known = pairs.get(up.circuit.id)
        if known is None or (down.circuit.fuse_a or 0) * _ratio(up, down) > (known[1].circuit.fuse_a or 0) * _ratio(up, known[1]):
            pairs[up.circuit.id] = (up, down)

    for w in worked:
        c = w.circuit
        if c.fuse_a is None or w.part.ac or c.kind not in ("load", "feeder", "inverter"):
            continue
        board = ctx.design.board(c.board)
        above = feeders.get((board.fed_from if board else None) if c.kind == "feeder" else c.board) if c.kind != "inverter" else None
        for up in [above] if above is not None else mains:
            pair(up, w)
    out: list[Finding] = []
    for up, down in pairs.values():
        c, d = up.circuit, down.circuit
        wanted = _ratio(up, down) * (d.fuse_a or 0)
        if (c.fuse_a or 0) >= wanted - EPS:
            continue
        rating = next_size(up.part.ratings, wanted)
        fits = rating is not None and up.part.window_high_a is not None and rating <= up.part.window_high_a + EPS
        if not fits:  # nothing larger that its own cable allows: there is no better choice to advise
            continue
        fix = up.change(says("fit-on-2", rating_a=rating, c_name=c.name), fuse_a=rating)
        out.append(
            finding(
                "wire-selectivity",
                c.id,
                up.name,
                says("fuse-stands-above-fault", fuse_a=c.fuse_a, fuse_a_2=d.fuse_a, d_name=d.name, wanted_a=wanted),
                beside=d.id,
                fix=fix,
                related=[d.id],
            )
        )
    return out


def _placement(ctx: Context, worked: list[Worked]) -> list[Finding]:
    """Where fuses sit, what holds them, and where returns land."""
    out: list[Finding] = []
    relay = ctx.design.power.driving is not None and ctx.design.power.driving.school == "relay"
    for w in worked:
        c = w.circuit
        fused = c.protection != "none" and c.fuse_a is not None
        limit = SHEATHED_M if c.sheathed else BARE_M
        if fused and c.fuse_distance_m is not None and c.fuse_distance_m > limit + EPS:
            fix = w.change(says("sheath-that-piece"), sheathed=True) if c.fuse_distance_m <= SHEATHED_M + EPS else None
            out.append(
                finding(
                    "wire-fuse-too-far",
                    c.id,
                    w.name,
                    says("before-fuse-cable-unprotected", fuse_distance_m=c.fuse_distance_m, limit_m=limit),
                    fix=fix,
                )
            )
        if fused and c.holder_rating_a is not None and (c.fuse_a or 0) > c.holder_rating_a + EPS:
            out.append(finding("wire-holder-too-small", c.id, w.name, says("fuse-sits-in-holder", fuse_a=c.fuse_a, holder_rating_a=c.holder_rating_a)))
        if c.kind in ("driving", "driving_in") and relay and fused and c.far_fuse_a is None:
            out.append(
                finding(
                    "wire-both-ends-unfused",
                    c.id,
                    w.name,
                    says("through-relay-both-batteries"),
                    fix=w.change(says("fit-at-other-end", fuse_a=c.fuse_a), far_fuse_a=c.fuse_a),
                )
            )
        if c.protection == "breaker" and not w.part.ac and c.breaker_mark != "dc":
            both_ways = c.kind in ("main", "driving", "driving_in", "solar", "shore", "trickle") or (
                c.kind == "feeder" and c.board is not None and charged_through(ctx, c.board)
            )
            if c.breaker_mark == "ac_only" or both_ways:
                why = says("made-for-ac-at") if c.breaker_mark == "ac_only" else says("polarised-and-here-current")
                out.append(finding("wire-dc-breaker-wrong", c.id, w.name, why, fix=w.change(says("fit-non-polarised-dc"), breaker_mark="dc")))
        if ctx.design.wiring.shunt and c.negative_at == "post" and not w.part.ac:
            out.append(
                finding(
                    "wire-shunt-bypassed",
                    c.id,
                    w.name,
                    says("circuits-negative-goes-straight"),
                    fix=w.change(says("land-on-busbar"), negative_at="busbar"),
                )
            )
    return out


def _negative_side(ctx: Context, worked: list[Worked]) -> list[Finding]:
    w = ctx.design.wiring
    out: list[Finding] = []
    if not w.circuits:
        return out
    if w.chassis_bond_count != 1:
        told = says("negative-not-bonded-to") if w.chassis_bond_count == 0 else says("negative-bonded-to-bodywork", chassis_bond_count=w.chassis_bond_count)
        out.append(finding("wire-multi-chassis-bond", "wiring", says("wiring"), told, fix=Remedy.sets(says("keep-one-bond"), "/wiring", chassis_bond_count=1)))
    main_mm2 = max(
        (x.circuit.metal_mm2 * x.circuit.parallel_count for x in worked if x.circuit.kind == "main"),
        default=0.0,
    )
    least = max(LEAST_BOND_MM2, main_mm2 / 2)
    if w.chassis_bond_mm2 is not None and w.chassis_bond_mm2 < least - EPS:
        size = next_size(METRIC, least)
        out.append(
            finding(
                "wire-bond-thin",
                "wiring",
                says("wiring"),
                says("bond-at-least-would", chassis_bond_mm2=w.chassis_bond_mm2, least_mm2=least),
                fix=Remedy.sets(says("fit-2", size_mm2=size), "/wiring", chassis_bond_mm2=size) if size else None,
            )
        )
    if w.bus_layout == "one" and ctx.chem.lithium and ctx.design.power.bank is not None:
        out.append(
            finding(
                "wire-single-bus",
                "wiring",
                says("wiring"),
                says("with-one-busbar-batterys"),
                fix=Remedy.sets(says("lay-out-two-busbars"), "/wiring", bus_layout="two"),
            )
        )
    return out


def _boards(ctx: Context, worked: list[Worked]) -> list[Finding]:
    out: list[Finding] = []
    used = {w.circuit.board for w in worked if w.circuit.kind == "load"} | {b.fed_from for b in ctx.design.wiring.boards}
    for b in ctx.design.wiring.boards:
        feeds = [w for w in worked if w.circuit.kind == "feeder" and w.circuit.board == b.id]
        if ctx.design.power.bank is not None and b.side == "dc" and b.id in used and not feeds:
            out.append(
                finding(
                    "wire-board-unconnected",
                    b.id,
                    b.name,
                    says("circuits-start-at-this"),
                )
            )
        if len(feeds) > 1:
            out.append(
                finding(
                    "wire-double-feed",
                    b.id,
                    b.name,
                    says("make-ring-neither-fuse", w_names=", ".join(w.name for w in feeds)),
                    related=[w.circuit.id for w in feeds],
                )
            )
    return out


def network_findings(ctx: Context, worked: list[Worked], network: NetworkPart) -> list[Finding]:
    """All findings of the network, of placement and of the negative side."""
    out: list[Finding] = []
    if not network.converged:
        w = max((w for w in worked if not w.part.ac), key=lambda w: (w.cable_mohm or 0.0) * w.part.current_a)
        ohm, watts = (w.cable_mohm or 0.0) / 1000, w.part.current_a * 11.0 * ctx.scale
        most = network.low_v**2 / (4 * ohm)
        wider = refit(w) or thicker(w, 0.8 * most / watts)
        out.append(
            finding(
                "wire-voltage-collapse",
                "wiring",
                says("wiring"),
                says("at-with-everything-on", low_v=network.low_v, w_name=w.name, watts_w=watts, most_w=most),
                fix=wider.first_step() if wider else None,
                related=[w.circuit.id],
            )
        )
    if ctx.design.wiring.circuits:
        out += _bank_fuses(ctx, network)
    return [
        *out,
        *_drop(ctx, worked),
        *_short_circuit(ctx, worked, network),
        *_selectivity(ctx, worked),
        *_placement(ctx, worked),
        *_negative_side(ctx, worked),
        *_boards(ctx, worked),
    ]

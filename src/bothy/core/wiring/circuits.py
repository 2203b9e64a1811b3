"""Circuits of the design: current, cable, drop and fuse window of each (Wiring's part of the report)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace
from functools import cache
from typing import Any

from bothy.core.constants import full_voltage
from bothy.core.context import Context
from bothy.core.contract import EPS, BadInput, Given, next_size
from bothy.core.design.life import Appliance
from bothy.core.design.wiring import Circuit
from bothy.core.feeds import Feeds
from bothy.core.figure import Figure, given
from bothy.core.method.sources import Method
from bothy.core.recognise import tolerant
from bothy.core.wiring.bundles import bundled, counted
from bothy.core.wiring.circuit import CircuitPart, Worked
from bothy.core.wiring.conductors import ConductorAmpacityIn, conductor_ampacity, row_of, warm_resistance
from bothy.core.wiring.currents import BoardCurrents, board_currents, circuit_current, loads_of
from bothy.core.wiring.drop import DROP_LIMIT_FRAC, VoltageDropIn, loop_of, voltage_drop_of
from bothy.core.wiring.fuses import FAMILIES, LITHIUM_MAIN_A, FuseSelectIn, fuse_candidates, window_high, window_low
from bothy.core.wiring.sizing import WireSizeIn, carrying, choose_size
from bothy.core.wiring.tree_fit import before_boards, fit_trees
from bothy.core.words.says import wiring_says as says

DROP_CLASS_OF_KIND = {
    "inverter": "feeder",
    "feeder": "feeder",
    "main": "feeder",
    "solar": "charging",
    "driving": "charging",
    "shore": "charging",
    "driving_in": "dcdc_input",
    "ac": "critical",
    "trickle": "charging",
}
DROP_COPPER_C = 60.0
"""Copper temperature for every drop in the report: choice and check use the same (the cautious school)."""
SELECTIVE = 2.0
"""A feeder's fuse over the largest behind it, so that a fault there leaves the rest on (across families; typical)."""
LEAST_FUSE_A = 5.0
"""Bothy proposes no smaller fuse on a load circuit, where cable and appliance allow it: small ones blow at a touch and are hard to buy."""
PAIRED_KINDS = ("main", "inverter", "driving_in")
"""Short heavy feeds where two equal cables may share; each pair longer than 1 m wants a fuse in each (method wiring.cable-choice)."""
WHOLE_PATH = ("main", "inverter", "feeder")
"""Cables without a limit of their own: a feeder counts in the limit of the loads behind it, the others in the least voltage."""
HEAVY_START_S = 5.0
"""A start that lasts longer counts as the running current for the fuse: a glow plug, a hard compressor."""
LOAD_FAMILIES = ("blade_standard", "blade_maxi", "bolt_sf30", "bolt_sf51", "terminal_cube", "class_t")
HEAVY_FAMILIES = ("bolt_sf30", "bolt_sf51", "strip", "terminal_cube", "class_t")
BREAKER_FAMILIES = ("thermal_breaker", "dc_mcb")
INVERTER_BREAKERS_A = (5, 10, 15, 20, 25, 30, 40, 50, 60, 70, 80, 90, 100, 120, 135, 150, 175, 200, 225, 250, 300)


def drop_class_of(c: Circuit, on_it: Sequence[Appliance]) -> str:
    """The drop class of a circuit: typed, or by its kind and what hangs on it."""
    if c.drop_class is not None:
        return c.drop_class
    if c.kind == "load":
        return "non_critical" if on_it and all(tolerant(a) for a in on_it) else "critical"
    return DROP_CLASS_OF_KIND[c.kind]


def relayed(ctx: Context, c: Circuit) -> bool:
    """Whether it is the way to a relay, whose current falls with every volt that is lost: no charger behind it regulates."""
    return c.kind == "driving_in" and ctx.design.power.driving is not None and ctx.design.power.driving.school == "relay"


def codes(ctx: Context) -> dict[str, str]:
    """Circuit id -> code: board letter and way, or M1.. for feeds on the busbar."""
    letters = {b.id: b.letter for b in ctx.design.wiring.boards}
    counts: dict[str, int] = {}
    out = {}
    for c in ctx.design.wiring.circuits:
        letter = "M" if c.kind in ("main", "feeder") else letters.get(c.board or "", "M")
        counts[letter] = counts.get(letter, 0) + 1
        out[c.id] = f"{letter}{counts[letter]}"
    return out


def _families(c: Circuit, lithium: bool) -> tuple[tuple[str, ...], float]:
    """Allowed families and the interrupting capacity asked of them in A."""
    if c.fuse_family is not None:
        return (c.fuse_family,), LITHIUM_MAIN_A if c.kind == "main" and lithium else 0.0
    if c.protection == "breaker":
        return BREAKER_FAMILIES, 0.0
    if c.kind == "main":
        return (("class_t",), LITHIUM_MAIN_A) if lithium else (HEAVY_FAMILIES, 0.0)
    return (LOAD_FAMILIES, 0.0) if c.kind == "load" else ((*HEAVY_FAMILIES, "blade_maxi", "blade_standard"), 0.0)


@cache
def _all_ratings(families: tuple[str, ...]) -> list[float]:
    return sorted({float(r) for k in families for r in FAMILIES[k].ratings})


def _ratings(ctx: Context, c: Circuit, families: tuple[str, ...]) -> list[float]:
    if c.kind == "ac":
        return [float(a) for a in ctx.region.ac_breakers_a]
    if c.kind == "inverter" and c.protection == "breaker":
        return [float(a) for a in INVERTER_BREAKERS_A]
    return _all_ratings(families)


def size_text(area_mm2: float | None, awg: str | None, count: int = 1) -> str:
    """A size in words: ``6 mm²``, ``10 AWG``, ``2 × 95 mm²``."""
    text = f"{awg} AWG" if awg is not None else f"{area_mm2:g} mm²" if area_mm2 is not None else ""
    return f"{count} × {text}" if count > 1 and text else text


def default_length(ctx: Context, c: Circuit) -> float:
    """A one-way length to start with, in m, until it is measured: along one wall for feeds, along the vehicle for loads."""
    length = ctx.inside_length_m
    short = {"main": 0.5, "inverter": 1.0, "feeder": 1.5, "shore": 1.5, "solar": 2.0, "driving": 1.5, "trickle": 3.0}
    if c.kind in short:
        return short[c.kind]
    return round(0.6 * length + ctx.inside_height_m + 0.5, 1) if c.kind != "driving_in" else round(length + 2.5, 1)


def work_circuit(
    ctx: Context, index: int, c: Circuit, code: str, on_it: tuple[Appliance, ...], feeds: Feeds, boards_a: BoardCurrents, together: int, branch_a: float = 0.0
) -> Worked:
    """All sums of one circuit but the size that is chosen with its tree. ``on_it`` are the appliances on it, ``together`` the loaded circuits in its
    bundle, ``branch_a`` the largest fuse behind a feeder."""
    current, nominal, inrush, seconds = circuit_current(ctx, c, on_it, feeds, boards_a)
    ac = c.kind == "ac"
    length_assumed = c.length_m is None
    length = c.length_m if c.length_m is not None else default_length(ctx, c)
    length_fig = given(
        "length_m",
        length,
        "computed" if f"circuit:{c.id}" in ctx.routed else "assumed" if length_assumed else "typed",
        says("along-way-in-fit") if f"circuit:{c.id}" in ctx.routed else says("until-measured") if length_assumed else says("one-way"),
        label=says("length-one-way"),
    )
    klass = "critical" if c.drop_class is None and relayed(ctx, c) else drop_class_of(c, on_it)
    limit = DROP_LIMIT_FRAC[klass] * nominal
    families, interrupt = _families(c, ctx.chem.lithium)
    ratings = _ratings(ctx, c, families)
    part = CircuitPart(
        code=code,
        kind=c.kind,
        ac=ac,
        nominal_v=nominal,
        current_a=current.value,
        inrush_a=inrush,
        length_m=length,
        length_assumed=length_assumed,
        drop_class=klass,
        limit_v=limit,
        best_area_mm2=None,
        best_awg=None,
        best_parallel=1,
        best_fuse_a=None,
        best_family=None,
        size_text=size_text(c.area_mm2, c.awg),
        ampacity_a=None,
        resistance_mohm=None,
        drop_v=None,
        drop_frac=None,
        heat_w=None,
        max_length_m=None,
        window_low_a=0.0,
        window_high_a=None,
        window_status="empty",
        device_max_a=None,
        ratings=ratings,
        fuse_a=c.fuse_a,
        fuse_ok=None,
        drop_ok=None,
        before_v=0.0,
        path_drop_v=None,
        path_drop_frac=None,
        worst_v=None,
        typical_v=None,
        fault_a=None,
        far_fault_a=None,
        way=[],
        problem=None,
        appliance_names=[a.name for a in on_it],
        bundled_count=together,
    )
    out = Worked(index, c, part, current)
    ctx.book.put(f"circuits/{c.id}/current_a", current)
    if current.value <= 0:
        part.problem = says("nothing-draws-current-here")
        return out
    sources = {"current_a": current, "continuous_current_a": current, "length_m": length_fig}
    out.sources = sources
    device_max = part.device_max_a = min((a.max_fuse_a for a in on_it if a.max_fuse_a), default=None)
    try:
        _size(ctx, out, sources, families, interrupt, inrush, seconds, device_max, branch_a)
    except BadInput as exc:
        part.problem = exc.message
    return out


def _of_one(current: Figure, count: int) -> Figure:
    """The share of one of several equal cables in a current."""
    if count == 1:
        return current
    return Figure(
        current.value / count,
        "A",
        says("current-one-cable"),
        expression="I/n",
        source=Method("wiring.cable-choice", "equal cables share"),
        inputs=(("current_a", current),),
    )


def _choose_best(ctx: Context, w: Worked, inp: WireSizeIn, sources: dict[str, Figure], wanted: float, families: list[str]) -> None:
    """The cable and fuse that Bothy would fit: one cable, or for feeds two equal ones where no single one carries it."""
    part, key = w.part, f"circuits/{w.circuit.id}/best_area_mm2"
    reasons: list[str] = []
    for count in (1, 2) if w.circuit.kind in PAIRED_KINDS else (1,):
        one = inp if count == 1 else inp.model_copy(update={"current_a": inp.current_a / count, "fuse_a": (inp.fuse_a or 0) / count})
        g = Given(one, {**sources, "current_a": _of_one(w.current, count)})
        choice = choose_size(one, ctx.region.wire_series, g("fuse_a"), g)
        if choice.area is None or choice.chosen is None:
            reasons = reasons or list(choice.rejected.reasons if choice.rejected else [])
            continue
        ctx.book.put(key, choice.area)
        w.best_mohm = choice.chosen.resistance_mohm / count
        part.best_parallel = count
        if ctx.region.wire_series == "awg":
            part.best_awg = str(choice.chosen.size)
        else:
            part.best_area_mm2 = choice.chosen.area_mm2
        part.best_fuse_a = wanted if wanted in part.ratings else None
        part.best_family = next((k for k in families if part.best_fuse_a in FAMILIES[k].ratings), None)
        return
    part.problem = says("no-single-cable-carries") + ", ".join(reasons)


def continuous_factor(ctx: Context, ac: bool) -> float:
    """Rating over steady current: 1.25 for DC, the region's continuous share for mains."""
    return 1.0 / ctx.region.continuous_frac if ac else 1.25


def _chosen_cable(ctx: Context, w: Worked, sources: dict[str, Figure], route: dict[str, Any]) -> Figure:
    """Ampacity, drop and heat of the cable that the design has chosen; gives what it carries."""
    c, part, current = w.circuit, w.part, w.current
    size = {"awg": c.awg} if c.awg else {"area_mm2": c.area_mm2}
    w.ampacity = conductor_ampacity(ConductorAmpacityIn.trusted(**{**size, "tinned": c.tinned, **route}))
    i_z = w.ampacity.figure("ampacity_a")
    if c.parallel_count > 1:
        i_z = Figure(
            i_z.value * c.parallel_count,
            "A",
            says("ampacity-equal-cables"),
            expression="n·I_z",
            source=Method("wiring.cable-choice", "equal cables share"),
            inputs=(("ampacity_a", i_z),),
        )
    part.ampacity_a = ctx.book.put(f"circuits/{c.id}/ampacity_a", i_z).value
    single = _of_one(current, c.parallel_count)
    run = VoltageDropIn.trusted(
        **{
            **size,
            "tinned": c.tinned,
            "length_m": part.length_m,
            "current_a": single.value,
            "nominal_voltage_v": part.nominal_v,
            "drop_class": part.drop_class,
            "return_path": c.return_path,
            "conductor_temp_c": DROP_COPPER_C,
            "extra_resistance_mohm": _thinner_return(c, part.length_m),
        }
    )
    try:
        w.drop = voltage_drop_of(run, {**sources, "current_a": single})
    except BadInput:  # a cable that uses up the whole voltage still stands in the network
        part.resistance_mohm = loop_of(run).loop.value / c.parallel_count
        raise
    part.resistance_mohm = w.drop.resistance_mohm / c.parallel_count
    for key in ("resistance_mohm", "drop_v", "drop_frac", "heat_w"):
        ctx.book.put(f"circuits/{c.id}/{key}", w.drop.figure(key))
    part.drop_v, part.drop_frac, part.heat_w = w.drop.drop_v, w.drop.drop_frac, w.drop.heat_w * c.parallel_count
    part.max_length_m, part.drop_ok = w.drop.max_length_m, None if c.kind in WHOLE_PATH else w.drop.ok
    return i_z


def _chosen_fuse(ctx: Context, w: Worked, sources: dict[str, Figure], low_a: float, asked: dict[str, Any], i_z: Figure) -> None:
    """The window of fuses that the chosen cable allows, and whether the chosen fuse is in it."""
    c, part = w.circuit, w.part
    window = FuseSelectIn.trusted(**asked, cable_ampacity_a=i_z.value)
    high = window_high(window, {**sources, "cable_ampacity_a": i_z})
    part.window_high_a = ctx.book.put(f"circuits/{c.id}/window_high_a", high).value
    fitting = [r for r in part.ratings if part.window_low_a - EPS <= r <= part.window_high_a + EPS]
    status = (
        fuse_candidates(window, low_a, high.value)[0]
        if not part.ac
        else "ok"
        if fitting
        else "window_empty"
        if part.window_low_a > part.window_high_a
        else "no_standard_rating"
    )
    part.window_status = "ok" if c.kind == "inverter" and fitting and status == "no_standard_rating" else status
    if c.fuse_a is not None:
        part.fuse_ok = part.window_low_a - EPS <= c.fuse_a <= part.window_high_a + EPS


def _size(
    ctx: Context,
    w: Worked,
    sources: dict[str, Figure],
    families: tuple[str, ...],
    interrupt: float,
    inrush: float,
    seconds: float,
    device_max: float | None,
    branch_a: float = 0.0,
) -> None:
    """Best cable and fuse, then the sums of what the design has chosen."""
    c, part, current = w.circuit, w.part, w.current
    ac = part.ac
    top_v = full_voltage(part.nominal_v)
    factor = continuous_factor(ctx, ac)
    long_start = inrush > current.value and seconds > HEAVY_START_S and not ac
    running = min(inrush, device_max / factor) if long_start and device_max else inrush if long_start else current.value
    running = max(running, current.value)
    if long_start:
        sources = {
            **sources,
            "continuous_current_a": Figure(
                running,
                "A",
                says("start-that-lasts"),
                expression=says("start-current-within-appliances"),
                source=Method("wiring.fuse", f"it lasts {seconds:.0f} s: for a fuse that is for hours"),
                inputs=(("current_a", current),),
            ),
        }
    inrush_keys = {"inrush_current_a": inrush, "inrush_time_s": seconds} if inrush and not ac and not long_start else {}
    window_keys: dict[str, Any] = {"continuous_current_a": running, "continuous_factor": factor, "device_max_fuse_a": device_max, **inrush_keys}
    any_cable = FuseSelectIn.trusted(**window_keys, cable_ampacity_a=5000.0, system_voltage_v=top_v, min_interrupt_a=interrupt)
    low = window_low(any_cable, sources)
    part.window_low_a = low.value
    if long_start and device_max is not None and low.value > device_max:
        low = given("window_low_a", device_max, "typed", says("appliances-own-largest-fuse"), label=says("least-fuse"))
        part.window_low_a = low.value
    w.selective_a = SELECTIVE * branch_a
    wanted = best_fuse(w, math.inf) or low.value
    count, bundling = counted(ctx, part.bundled_count)
    route = {
        "insulation_temp_c": 70 if ac else c.insulation_temp_c,
        "ambient_temp_c": 30.0,
        "engine_space": c.engine_space,
        "bundled_count": count,
        "bundle_method": bundling,
        "installation": c.installation,
        "covered_length_mm": c.covered_length_mm,
    }
    inp = WireSizeIn.trusted(
        **{
            "current_a": current.value,
            "length_m": part.length_m,
            "nominal_voltage_v": part.nominal_v,
            "drop_class": part.drop_class,
            "fuse_a": max(wanted, current.value),
            "min_area_mm2": 1.5 if ac else 1.0,
            "tinned": c.tinned,
            "return_path": c.return_path,
            "conductor_temp_c": DROP_COPPER_C,
            "max_drop_v": None,
            **route,
        }
    )
    w.wanted_a, w.fitting = wanted, [k for k in families if FAMILIES[k].max_v >= top_v]
    if c.kind in ("load", "feeder"):
        w.carrying = carrying(inp, ctx.region.wire_series)
        if not w.carrying:
            part.problem = says("no-single-cable-carries-on", wanted_a=max(wanted, current.value))
    else:
        _choose_best(ctx, w, inp, sources, wanted, w.fitting)
    ctx.book.put(f"circuits/{c.id}/window_low_a", low)
    if c.sized:
        asked = {**window_keys, "system_voltage_v": top_v, "min_interrupt_a": interrupt, "families": None if ac else list(families)}
        _chosen_fuse(ctx, w, sources, low.value, asked, _chosen_cable(ctx, w, sources, route))


def _thinner_return(c: Circuit, length_m: float) -> float:
    """What a return thinner than its positive adds to the loop, in mΩ; a thicker one is not counted on."""
    if c.return_path == "chassis" or (c.negative_area_mm2 is None and c.negative_awg is None):
        return 0.0
    there, back = row_of(c.area_mm2, c.awg)[1], row_of(c.negative_area_mm2, c.negative_awg)[1]
    more = (back.tinned - there.tinned) if c.tinned else (back.plain - there.plain)
    return max(0.0, warm_resistance.raw(more, DROP_COPPER_C) * length_m)


def work_circuits(ctx: Context, feeds: Feeds) -> list[Worked]:
    """Every circuit of the design, in the order of the schedule."""
    by_id = {a.id: a for a in ctx.design.life.appliances}
    named = codes(ctx)
    done: dict[str, Worked] = {}
    circuits = ctx.design.wiring.circuits
    on = {c.id: loads_of(c, by_id) for c in circuits}
    boards_a = ctx.part("wired/boards", board_currents, tuple((c.board, on[c.id]) for c in circuits if c.kind == "load"))
    for b, fig in boards_a.items():
        ctx.book.put(f"boards/{b or 'busbar'}/current_a", fig)
    together = bundled(ctx, lambda c: circuit_current(ctx, c, on[c.id], feeds, boards_a)[0].value)
    under = {b.id: b.fed_from for b in ctx.design.wiring.boards}
    branch_a: dict[str, float] = {}

    def work(i: int, c: Circuit, behind_a: float = 0.0) -> Worked:
        """A circuit; of what carries only its own appliances or one feed the last sums where nothing of it changed, as a copy for what follows."""
        code, many = named[c.id], together[c.id]
        if c.kind not in ("load", "ac") and c.feed not in feeds:
            return work_circuit(ctx, i, c, code, on[c.id], feeds, boards_a, many, behind_a)
        own = {c.feed: feeds[c.feed]} if c.kind not in ("load", "ac") and c.feed in feeds else {}
        made = ctx.part(f"wired/circuit/{c.id}", work_circuit, i, c, code, on[c.id], own, {}, many, behind_a)
        return replace(made, part=replace(made.part))

    for i, c in enumerate(circuits):
        if c.kind != "feeder":
            w = done[c.id] = work(i, c)
            if c.kind == "load" and c.board is not None:
                branch_a[c.board] = max(branch_a.get(c.board, 0.0), c.fuse_a or w.wanted_a)
    for b in sorted(under, key=lambda b: -depth_of(under, b)):  # a feeder wants to outlast the largest fuse behind it, those of boards on it too
        for i, c in enumerate(circuits):
            if c.kind == "feeder" and c.board == b:
                w = done[c.id] = work(i, c, branch_a.get(b, 0.0))
                above = under[b]
                if above is not None:
                    branch_a[above] = max(branch_a.get(above, 0.0), c.fuse_a or w.wanted_a)
    for i, c in enumerate(circuits):
        if c.id not in done:
            done[c.id] = work(i, c)
    worked = [done[c.id] for c in circuits]
    fit_trees(ctx, worked, boards_a)
    before = before_boards(ctx, worked)
    for w in worked:
        lost = before.get(w.circuit.board) if w.circuit.kind == "load" and w.circuit.board is not None else None
        if lost is not None:
            w.part.before_v = ctx.book.put(f"circuits/{w.circuit.id}/before_v", lost).value
    return worked


def depth_of(under: dict[str, str | None], board: str) -> int:
    """How many boards lie between a board and the busbar."""
    above = under.get(board)
    return 0 if above is None else 1 + depth_of(under, above)


def best_fuse(w: Worked, ampacity_a: float | None = None) -> float | None:
    """The standard rating Bothy would fit: the smallest in the window (under ``ampacity_a`` when given)."""
    top = ampacity_a if ampacity_a is not None else w.part.window_high_a
    least = w.part.window_low_a
    if w.circuit.kind == "feeder" and w.selective_a:
        board_a = next((r for r in reversed(w.part.ratings) if top is None or r <= top + EPS), least)
        least = max(least, min(w.selective_a, board_a))
    if w.circuit.kind == "load":
        least = max(least, min(LEAST_FUSE_A, w.part.device_max_a or LEAST_FUSE_A, top if top is not None else LEAST_FUSE_A))
    rating = next_size(w.part.ratings, least)
    return rating if rating is not None and (top is None or rating <= top + EPS) else None

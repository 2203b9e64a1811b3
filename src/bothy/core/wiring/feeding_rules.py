"""Rules of what feeds and what is shared: sources without a cable, ways of a board, the isolator, shared fuses, cables of a boat, a lead that is too
thin for its post."""

from __future__ import annotations

import math

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Maker, Method, OwnChoice, Standard
from bothy.core.power.panels import all_controllers
from bothy.core.recognise import stays_on
from bothy.core.wiring.circuit import Worked
from bothy.core.words.says import wiring_says as says

TINNED = 1.06
"""Tinned cable resists a little more than plain, at most by this (IEC 60228)."""
ISOLATORS_A = (50.0, 100.0, 150.0, 200.0, 300.0, 400.0, 600.0)
"""Usual ratings of battery isolators."""

rules(
    "wiring",
    (
        (
            "wire-source-unwired",
            "fault",
            Method("wiring.protection-places") + Standard("IEC 60364-4-43"),
        ),
        (
            "wire-trickle-unwired",
            "fault",
            Method("wiring.protection-places") + Standard("ISO 13297"),
        ),
        (
            "wire-board-ways",
            "fault",
            Method("wiring.boards") + Maker("data for the board"),
        ),
        (
            "wire-solid-core",
            "fault",
            Method("wiring.cable-choice") + Standard("IEC 60364-7-721"),
        ),
        (
            "wire-untinned",
            "advice",
            Method("wiring.cable-choice") + Standard("ISO 13297"),
        ),
        (
            "wire-always-on",
            "fault",
            Method("wiring.protection-places") + Standard("ISO 13297"),
        ),
        (
            "wire-isolator-bypassed",
            "fault",
            Method("wiring.protection-places") + Standard("ISO 13297") + Standard("EN 1648-1"),
        ),
        ("wire-alarm-shared", "advice", Method("wiring.boards") + OwnChoice("practice")),
        (
            "wire-parallel-one-fuse",
            "advice",
            Method("wiring.protection-places") + Standard("IEC 60364-4-43"),
        ),
        (
            "wire-isolator-unsaid",
            "question",
            Method("wiring.protection-places") + Standard("ISO 13297"),
        ),
        (
            "wire-isolator-missing",
            "advice",
            Method("wiring.protection-places") + Standard("ISO 13297"),
        ),
        (
            "wire-main-fuse-unsaid",
            "question",
            Method("wiring.fuse") + Standard("ISO 13297"),
        ),
    ),
)

THICK_MM2 = 50.0
"""From this size on equal cables in parallel are usual practice."""
BEHIND_ISOLATOR, STAYS_KINDS = ("inverter", "feeder"), ("safety", "medical", "heating")
"""Feeds that an isolator must cut off, and kinds of appliance that may stay live: alarms, what keeps somebody well, a heater that must cool itself down."""
SHARING_KINDS = ("socket", "electronics", "cooking", "tool", "other", "light", "fan", "pump", "cooling", "heating")


def feeding_findings(ctx: Context, worked: list[Worked]) -> list[Finding]:
    """All findings of this room; none while no circuit is drawn."""
    if not worked:
        return []
    return [*_unwired(ctx, worked), *_boards(ctx, worked), *_cables(ctx, worked), *_isolator(ctx, worked)]


def _unwired(ctx: Context, worked: list[Worked]) -> list[Finding]:
    p = ctx.design.power
    have = {w.circuit.feed for w in worked}
    wanted: list[tuple[str, str, str]] = []
    if p.inverter is not None:
        wanted.append(("inverter", "inverter", p.inverter.name))
    if p.bank is not None:
        for c, arrays in all_controllers(p):
            own = arrays[0].id if arrays and arrays[0].controller is not None else None
            if arrays:
                wanted.append((f"solar:{own}" if own else "solar", f"array:{own}" if own else "solar", c.name))
        if p.driving is not None:
            wanted.append(("driving", "driving", p.driving.name))
            if p.driving.school != "second":
                wanted.append(("driving_in", "driving", says("from-starter-battery", driving_name=p.driving.name)))
        if p.shore is not None:
            wanted.append(("shore", "shore", p.shore.name))
        wanted.append(("main", "bank", says("to-busbar", bank_name=p.bank.name)))
    out = [finding("wire-source-unwired", subject, name, says("no-circuit-carries-current")) for feed, subject, name in wanted if feed not in have]
    if ctx.design.vehicle.starter_trickle and "trickle" not in have:
        out.append(
            finding(
                "wire-trickle-unwired",
                "driving",
                says("starter-battery"),
                says("trickle-runs-from-house"),
            )
        )
    return out


def _boards(ctx: Context, worked: list[Worked]) -> list[Finding]:
    out: list[Finding] = []
    for b in ctx.design.wiring.boards:
        below = {x.id for x in ctx.design.wiring.boards if x.fed_from == b.id}
        ways = sum(
            1
            for w in worked
            if (w.circuit.board == b.id and w.circuit.kind not in ("feeder", "main")) or (w.circuit.kind == "feeder" and w.circuit.board in below)
        )
        if ways > b.way_count:
            out.append(
                finding(
                    "wire-board-ways",
                    b.id,
                    b.name,
                    says("board-has-circuit-on", ways=ways, way_count=b.way_count),
                )
            )
    return out


def _cables(ctx: Context, worked: list[Worked]) -> list[Finding]:
    out: list[Finding] = []
    afloat = ctx.design.vehicle.preset == "boat" or ctx.design.wiring.school == "marine"
    bare = [w for w in worked if afloat and w.circuit.sized and not w.circuit.tinned and not w.part.ac]
    if bare:
        patch = [{"op": "replace", "path": f"/wiring/circuits/{w.index}/tinned", "value": True} for w in bare]
        tinned = Remedy(label=says("use-tinned-cable"), patch=patch)
        roomy = all(w.part.before_v + TINNED * (w.part.drop_v or 0.0) <= w.part.limit_v for w in bare)
        out.append(
            finding(
                "wire-untinned",
                "wiring",
                says("wiring"),
                says("in-circuit-cable-not", bare_count=len(bare)),
                related=[w.circuit.id for w in bare],
                fix=tinned if roomy else tinned.first_step(),
            )
        )
    for w in worked:
        c = w.circuit
        if c.solid_core:
            out.append(
                finding(
                    "wire-solid-core",
                    c.id,
                    w.name,
                    says("cables-conductors-solid-they"),
                    fix=w.change(says("use-stranded-cable"), solid_core=False),
                )
            )
        if (
            c.parallel_count > 1
            and c.metal_mm2 < THICK_MM2
            and c.fuse_a is not None
            and w.part.ampacity_a is not None
            and c.fuse_a > w.part.ampacity_a / c.parallel_count + EPS
        ):
            one = w.part.ampacity_a / c.parallel_count
            out.append(
                finding(
                    "wire-parallel-one-fuse",
                    c.id,
                    w.name,
                    says("one-fuse-stands-before", fuse_a=c.fuse_a, parallel_count=c.parallel_count, one_a=one),
                )
            )
        on_it = [a for i in c.appliances if (a := ctx.design.appliance(i)) is not None and a.count > 0]
        alarms = [a for a in on_it if a.kind == "safety"]
        if alarms and any(a.kind in SHARING_KINDS for a in on_it):
            out.append(
                finding(
                    "wire-alarm-shared",
                    c.id,
                    w.name,
                    says("goes-dark-when-blows", alarms_name=alarms[0].name, next=next(a.name for a in on_it if a.kind in SHARING_KINDS)),
                )
            )
        dead = [a.name for a in on_it if stays_on(a) and c.kind == "load" and not c.before_isolator]
        if dead:
            out.append(
                finding(
                    "wire-always-on",
                    c.id,
                    w.name,
                    says("must-run-also-while", dead=dead[0]),
                    fix=w.change(says("feed-from-before-isolator"), before_isolator=True),
                )
            )
        if c.before_isolator and (c.kind in BEHIND_ISOLATOR or (c.kind == "load" and on_it and not any(stays_on(a) or a.kind in STAYS_KINDS for a in on_it))):
            out.append(
                finding(
                    "wire-isolator-bypassed",
                    c.id,
                    w.name,
                    says("stays-live-without-need") if c.kind == "load" else says("feed-stays-live"),
                    fix=w.change(says("feed-from-behind-isolator"), before_isolator=False),
                    severity="fault" if c.kind == "feeder" else "advice",
                )
            )
    return out


def _isolator(ctx: Context, worked: list[Worked]) -> list[Finding]:
    out: list[Finding] = []
    if ctx.design.power.bank is None:
        return out
    mains = [w for w in worked if w.circuit.kind == "main" and w.circuit.fuse_a is not None]
    said = ctx.design.wiring.isolator_a
    if mains and not said:
        needed = max(w.circuit.fuse_a or 0.0 for w in mains)
        rating = next((a for a in ISOLATORS_A if a >= needed), math.ceil(needed / 100) * 100.0)
        fits = Remedy.sets(says("there-one-for", rating_a=rating) if said is None else says("fit-one-for", rating_a=rating), "/wiring", isolator_a=rating)
        if said is None:
            out.append(
                finding(
                    "wire-isolator-unsaid",
                    "wiring",
                    says("wiring"),
                    says("in-fire-or-crash", needed_a=needed),
                    answers=[fits, Remedy.sets(says("there-none"), "/wiring", isolator_a=0.0)],
                )
            )
        else:
            out.append(
                finding(
                    "wire-isolator-missing",
                    "wiring",
                    says("wiring"),
                    says("in-fire-or-crash-nothing", needed_a=needed),
                    fix=fits,
                )
            )
    for w in mains:
        if w.circuit.fuse_distance_m is None:
            out.append(
                finding(
                    "wire-main-fuse-unsaid",
                    w.circuit.id,
                    w.name,
                    says("piece-before-fuse-protected"),
                    answers=[w.change(says("away", m=m), fuse_distance_m=m) for m in (0.0, 0.15, 0.5)],
                )
            )
    return out

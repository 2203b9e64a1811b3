"""Rules of wiring: findings of circuits and boards, with definite remedies (method wiring.cable-choice)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.wiring import Board
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Maker, Method, OwnChoice, Standard
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.circuits import best_fuse, continuous_factor, size_text
from bothy.core.wiring.currents import design_current
from bothy.core.wiring.fuses import FAMILIES, LITHIUM_MAIN_A
from bothy.core.wiring.mains import let_in_a
from bothy.core.wiring.sizing import CircuitSplitIn, SplitLoad, circuit_split
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        (
            "wire-fuse-above-ampacity",
            "danger",
            Method("wiring.fuse") + Standard("IEC 60364-4-43"),
        ),
        (
            "wire-no-fuse-at-source",
            "danger",
            Method("wiring.protection-places") + Standard("ISO 13297"),
        ),
        (
            "wire-over-ampacity",
            "danger",
            Method("wiring.ampacity") + Standard("IEC 60364-5-52"),
        ),
        (
            "wire-interrupt-too-low",
            "danger",
            Method("wiring.short-circuit") + Standard("IEC 60364-4-43"),
        ),
        (
            "wire-fuse-voltage-too-low",
            "danger",
            Method("wiring.fuse") + Standard("ISO 8820"),
        ),
        (
            "wire-device-fuse-exceeded",
            "danger",
            Method("wiring.fuse") + Maker(),
        ),
        (
            "wire-insulation-engine",
            "danger",
            Method("wiring.ampacity") + Standard("ISO 13297"),
        ),
        (
            "wire-drop-over-limit",
            "fault",
            Method("wiring.voltage-drop") + OwnChoice("marine practice"),
        ),
        (
            "wire-fuse-below-load",
            "fault",
            Method("wiring.fuse") + Standard("ISO 8820"),
        ),
        ("wire-fuse-window-empty", "fault", Method("wiring.fuse")),
        ("wire-fuse-margin", "advice", Method("wiring.fuse")),
        (
            "wire-mechanical-minimum",
            "fault",
            Method("wiring.cable-choice") + Standard("ISO 13297"),
        ),
        ("wire-split-circuit", "fault", Method("wiring.circuit-split")),
        ("wire-board-overload", "fault", Method("wiring.boards") + Maker("data for the board")),
        ("wire-board-no-spare", "advice", Method("wiring.boards")),
        ("wire-all-lights-one-fuse", "advice", Method("wiring.panel")),
        (
            "wire-chassis-return",
            "advice",
            Method("wiring.negative") + OwnChoice("marine practice"),
        ),
        ("wire-not-sized", "note", Method("wiring.cable-choice")),
        ("wire-appliance-unfed", "note", Method("wiring.cable-choice")),
    ),
)


REGULATED = 0.94
"""A converter draws more the lower its input; what its cable loses is only known once it is fitted, so that a close fit is called a first step."""


def _spreads(id: str, lamps: Mapping[str, Sequence[float]], shares: Mapping[str, float]) -> bool:
    """Whether one of a circuit's lamps on another lighting circuit (on a new one, where there is none) leaves more light when a fuse blows.

    ``lamps``: of each circuit its lamps, as shares of all the lighting; ``shares``: their sums.
    """
    least = min((s for i, s in shares.items() if i != id and s > 0), default=0.0)
    return len(lamps[id]) > 1 and least + min(lamps[id]) < shares[id] - EPS


def refit(w: Worked) -> Remedy | None:
    """The remedy that fits Bothy's cable and fuse on a circuit; None when no single cable does."""
    part, c = w.part, w.circuit
    fuse = best_fuse(w, math.inf)
    if (part.best_area_mm2 is None and part.best_awg is None) or fuse is None:
        return None
    fitted: dict[str, Any] = {"area_mm2": part.best_area_mm2, "awg": part.best_awg, "parallel_count": part.best_parallel, "fuse_a": fuse}
    if c.protection == "none":
        fitted["protection"] = "breaker" if part.ac else "fuse"
    if c.fuse_family is not None and fuse not in FAMILIES[c.fuse_family].ratings:
        fitted["fuse_family"] = None
    remedy = w.change(says("fit-and", size_text=size_text(part.best_area_mm2, part.best_awg, part.best_parallel), fuse_a=fuse), **fitted)
    enough = part.device_max_a is None or fuse <= part.device_max_a + EPS
    return remedy if enough and keeps_limit(w) else remedy.first_step()


def keeps_limit(w: Worked) -> bool:
    """Whether Bothy's size keeps the circuit's limit of loss with what is lost before it."""
    room = REGULATED if w.circuit.kind == "driving_in" else 1.0
    return w.best_mohm is None or w.part.before_v + w.part.current_a * w.best_mohm / 1000 <= room * w.part.limit_v + EPS


def _fuse_only(w: Worked) -> Remedy | None:
    fuse = best_fuse(w)
    if fuse is None or (w.part.ampacity_a is not None and fuse > w.part.ampacity_a + EPS):
        return refit(w)
    return w.change(says("fit-4", fuse_a=fuse), fuse_a=fuse)


def split_in_groups(ctx: Context, w: Worked) -> tuple[Remedy, str, float] | None:
    """The remedy that shares the appliances of an overloaded circuit out over several of the same cable, the groups in words, and the amps one carries.

    None when one cable is enough, or when a single appliance is too much for it by itself.
    """
    c, p = w.circuit, w.part
    on_it = {a.id: a for i in c.appliances if (a := ctx.design.appliance(i)) is not None and a.count > 0}
    amps = {i: design_current(ctx, a, p.ac).value for i, a in on_it.items()}
    flowing = [SplitLoad.trusted(id=i, current_a=x) for i, x in amps.items() if x > 0]
    top = max((r for r in p.ratings if r <= (p.window_high_a or 0) + EPS), default=None)
    factor = continuous_factor(ctx, p.ac)
    if len(flowing) < 2 or top is None or p.window_high_a is None or p.current_a <= top / factor + EPS:
        return None
    shares = circuit_split(CircuitSplitIn.trusted(cable_ampacity_a=p.window_high_a, fuse_a=top, continuous_factor=factor, loads=flowing))
    if shares.oversize or len(shares.circuits) < 2:
        return None
    taken = {x.id for x in ctx.design.wiring.circuits}
    split = w.change(says("split-into-circuits", circuits_count=len(shares.circuits)), appliances=shares.circuits[0], fuse_a=top)
    for n, ids in enumerate(shares.circuits[1:], 2):
        new = next(f"{c.id[:34]}-{k}" for k in range(n, 1000) if f"{c.id[:34]}-{k}" not in taken)
        taken.add(new)
        value = {**c.model_dump(mode="json"), "id": new, "name": f"{c.name[:110]} {n}", "appliances": ids, "fuse_a": top}
        split.patch.append({"op": "add", "path": f"/wiring/circuits/{w.index + n - 1}", "value": value})
    words = "; ".join(", ".join(on_it[i].name for i in ids) for ids in shares.circuits)
    return split, words, shares.usable_a


def _circuit(ctx: Context, w: Worked) -> list[Finding]:
    c, p = w.circuit, w.part
    name = w.name
    out: list[Finding] = []
    keys = [f"circuits/{c.id}/{k}" for k in ("current_a", "ampacity_a", "drop_v", "window_low_a", "window_high_a")]

    def add(rule_id: str, message: str, fix: Remedy | None, figures: list[str]) -> None:
        out.append(finding(rule_id, c.id, name, message, fix=fix, figures=figures))

    if p.current_a <= 0:
        return out
    if p.problem and p.ampacity_a is None:
        add(
            "wire-split-circuit" if len(c.appliances) > 1 else "wire-fuse-window-empty",
            says("for-over-there-no", current_a=p.current_a, length_m=p.length_m, problem=p.problem),
            None,
            keys[:1],
        )
    if p.ampacity_a is None:
        if not p.problem:
            add(
                "wire-not-sized",
                says("bothy-suggests-and", size_text=size_text(p.best_area_mm2, p.best_awg, p.best_parallel), best_fuse_a=p.best_fuse_a)
                if p.best_fuse_a
                else says("no-size-and-no"),
                refit(w),
                keys[:1],
            )
        return out
    minimum = 1.5 if p.ac else 1.0
    if c.area_mm2 is not None and c.area_mm2 < minimum - EPS:
        add("wire-mechanical-minimum", says("cable-under", size_text=size_text(c.area_mm2, c.awg), minimum_mm2=minimum), refit(w), [])
    if p.current_a > p.ampacity_a + EPS:
        add("wire-over-ampacity", says("load-on-this-route", current_a=p.current_a, size_text=p.size_text, ampacity_a=p.ampacity_a), refit(w), keys[:2])
    if p.drop_ok is False and c.kind != "load":
        lost = says(
            "voltage-drop-over-limit",
            drop_v=p.drop_v,
            drop_frac=p.drop_frac,
            length_m=p.length_m,
            size_text=p.size_text,
            limit_v=p.limit_v,
            replace=p.drop_class.replace("_", "-"),
        )
        most = says("this-size-reaches", max_length_m=p.max_length_m) if p.max_length_m else ""
        add("wire-drop-over-limit", lost + most, refit(w), keys[2:3])
    out += _protection(ctx, w, name, keys)
    afloat = ctx.design.wiring.school == "marine" or ctx.design.vehicle.preset == "boat"
    if c.return_path == "chassis" and (p.current_a > 30 or afloat):
        why = says("marine-practice-does-not") if afloat else ""
        metal = ctx.design.vehicle.hull in ("steel", "aluminium")
        out.append(
            finding(
                "wire-chassis-return",
                c.id,
                name,
                says("circuits-return-through-hull", current_a=p.current_a, afloat=bool(afloat), why=why).strip(),
                fix=w.change(says("lay-second-wire"), return_path="cable"),
                figures=keys[:1],
                severity=("danger" if metal else "fault") if afloat else None,
            )
        )
    if c.engine_space and c.insulation_temp_c == 60:
        add("wire-insulation-engine", says("insulation-for-and-engine"), None, [])
    return out


def starts_at(w: Worked) -> str:
    """Where the unprotected end of a circuit is, in words: the end at which its fuse belongs."""
    c = w.circuit
    if c.kind == "driving_in":
        return says("starter-batterys-post-fuse")
    if c.kind == "main":
        return says("banks-post-fuse-belongs")
    return says("board") if c.board and c.kind != "feeder" else says("busbar-2")


def _protection(ctx: Context, w: Worked, name: str, keys: list[str]) -> list[Finding]:
    c, p = w.circuit, w.part
    window = keys[3:]
    out: list[Finding] = []

    def add(rule_id: str, message: str, fix: Remedy | None, figures: list[str]) -> None:
        out.append(finding(rule_id, c.id, name, message, fix=fix, figures=figures))

    word = "breaker" if c.protection == "breaker" or p.ac else "fuse"
    if c.protection == "none" or c.fuse_a is None:
        add("wire-no-fuse-at-source", says("cable-leaves-with-no", size_text=p.size_text, starts_at=starts_at(w), word=word), refit(w), [])
        return out
    if p.ampacity_a is not None and c.fuse_a > p.ampacity_a + EPS:
        add(
            "wire-fuse-above-ampacity",
            says("lets-carry-more-than", fuse_a=c.fuse_a, word=word, size_text=p.size_text, ampacity_a=p.ampacity_a),
            _fuse_only(w),
            keys[1:2],
        )
    if c.far_fuse_a is not None and p.ampacity_a is not None and c.far_fuse_a > p.ampacity_a + EPS:
        text = says("at-other-end-lets-carry", fuse_a=c.far_fuse_a, size_text=p.size_text, ampacity_a=p.ampacity_a)
        same = w.change(says("fit-at-other-end", fuse_a=c.fuse_a), far_fuse_a=c.fuse_a) if c.fuse_a <= p.ampacity_a + EPS else None
        add("wire-fuse-above-ampacity", text, same, keys[1:2])
    device = min((a.max_fuse_a for i in c.appliances if (a := ctx.design.appliance(i)) and a.max_fuse_a), default=None)
    if device is not None and c.fuse_a > device + EPS:
        smaller = _fuse_only(w)
        add(
            "wire-device-fuse-exceeded",
            says("fuse-appliance-on-allows", fuse_a=c.fuse_a, device_a=device),
            smaller if smaller and (best_fuse(w) or math.inf) <= device + EPS else None,
            window,
        )
    if c.fuse_a < p.current_a - EPS and c.kind != "inverter":
        add("wire-fuse-below-load", says("load", current_a=p.current_a, word=word, fuse_a=c.fuse_a), refit(w), keys[:1])
    elif c.fuse_a < p.window_low_a - EPS and c.kind != "inverter":
        if p.inrush_a and c.fuse_a >= 1.25 * p.current_a:
            add("wire-fuse-below-load", says("starting-draws-fuse-must", inrush_a=p.inrush_a, window_low_a=p.window_low_a), refit(w), window)
        else:
            add(
                "wire-fuse-margin",
                says("load-on-with-margin", current_a=p.current_a, fuse_a=c.fuse_a, word=word, window_low_a=p.window_low_a),
                refit(w),
                window,
            )
    split = split_in_groups(ctx, w)
    if split is not None:
        remedy, groups, usable = split
        text = says("together-loads-take-with", current_a=p.current_a, word=word, size_text=p.size_text, usable_a=usable, groups=groups)
        add("wire-split-circuit", text, remedy, keys[:2])
    elif p.window_status != "ok" and (p.ampacity_a or 0) < p.window_low_a:
        add(
            "wire-fuse-window-empty",
            says("load-needs-fuse-at", window_low_a=p.window_low_a, window_high_a=p.window_high_a or 0),
            refit(w),
            window,
        )
    if p.window_status == "voltage" and c.fuse_family:
        add("wire-fuse-voltage-too-low", says("fuse-made-for", families_name=FAMILIES[c.fuse_family].name, max_v=FAMILIES[c.fuse_family].max_v), None, [])
    if c.kind == "main" and ctx.chem.lithium:
        family = FAMILIES[c.fuse_family] if c.fuse_family else None
        if c.protection == "breaker" or (family and family.interrupt_a(ctx.top_v) < LITHIUM_MAIN_A):
            fix = None
            best = next((r for r in FAMILIES["class_t"].ratings if p.window_low_a - EPS <= r <= (p.window_high_a or 0) + EPS), None)
            if best:
                fix = w.change(says("fit-high-interrupt-fuse-2", best_a=best), protection="fuse", fuse_family="class_t", fuse_a=float(best))
            add("wire-interrupt-too-low", (says("does-not-break-that", family_name=family.name) if family else says("breaker-does-not-break")), fix, [])
    return out


def _protected_above(ctx: Context, b: Board) -> float | None:
    """The current in A that what protects a board from above lets through: its feeder's, on the mains side the inlet's; None where none is entered."""
    if b.side == "ac":
        return let_in_a(ctx) if b.fed_from is None else None
    return max((c.fuse_a for c in ctx.design.circuits_of("feeder") if c.board == b.id and c.fuse_a), default=None)


def wiring_findings(ctx: Context, worked: list[Worked]) -> list[Finding]:
    """All findings of Wiring."""
    out: list[Finding] = []
    for w in worked:
        out += _circuit(ctx, w)
    for b in ctx.design.wiring.boards:
        below = {x.id for x in ctx.design.wiring.boards if x.fed_from == b.id}
        on_it = [
            w
            for w in worked
            if (w.circuit.board == b.id and w.circuit.kind not in ("feeder", "main")) or (w.circuit.kind == "feeder" and w.circuit.board in below)
        ]
        free = b.way_count - len(on_it)
        if free < max(2, math.ceil(0.2 * len(on_it) - EPS)):
            out.append(
                finding(
                    "wire-board-no-spare",
                    b.id,
                    b.name,
                    says("board-has-circuit-on-way", on_it_count=len(on_it), way_count=b.way_count),
                )
            )
        fig = ctx.book.figures.get(f"boards/{b.id}/current_a")
        if fig and fig.value > b.total_rating_a + EPS:
            out.append(
                finding(
                    "wire-board-overload",
                    b.id,
                    b.name,
                    says("circuits-take-together-board", fig_a=fig.value, total_rating_a=b.total_rating_a),
                    figures=[f"boards/{b.id}/current_a"],
                )
            )
        above = _protected_above(ctx, b)
        if above is not None and above > b.total_rating_a + EPS:
            out.append(finding("wire-board-overload", b.id, b.name, says("what-protects-board-lets", above_a=above, total_rating_a=b.total_rating_a)))
        for w in on_it:
            if w.circuit.fuse_a and w.part.current_a > b.way_rating_a + EPS and b.side == "dc":
                out.append(
                    finding(
                        "wire-board-overload",
                        w.circuit.id,
                        w.circuit.name,
                        says("circuit-takes-outgoing-way", current_a=w.part.current_a, way_rating_a=b.way_rating_a),
                    )
                )
    fed = {i for c in ctx.design.wiring.circuits for i in c.appliances}
    if ctx.design.wiring.circuits:
        for a in ctx.design.life.appliances:
            if a.id not in fed and a.count > 0:
                out.append(finding("wire-appliance-unfed", a.id, a.name, says("no-circuit-feeds-this")))
    lights = {a.id: a for a in ctx.design.life.appliances if a.kind == "light" and a.count > 0}
    whole = sum((a.power_w or 0) * a.count for a in lights.values())
    if len(lights) > 1 and whole > 0:
        lamps = {w.circuit.id: [(lights[i].power_w or 0) / whole for i in w.circuit.appliances if i in lights for _ in range(lights[i].count)] for w in worked}
        shares = {i: sum(each) for i, each in lamps.items()}
        for w in worked:
            share = shares[w.circuit.id]
            if share > 0.5 + EPS and _spreads(w.circuit.id, lamps, shares):
                out.append(finding("wire-all-lights-one-fuse", w.circuit.id, w.circuit.name, says("when-this-one-fuse", share=share)))
    return out

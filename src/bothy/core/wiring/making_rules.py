"""Rules of how it is made: joints, returns, studs, covers, labels, spares, and whether a cable outlasts its fuse (method wiring.cable-choice)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.figure import given
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.circuits import size_text
from bothy.core.wiring.conductors import row_of, table_ampacity
from bothy.core.wiring.lists import fuse_needs, terminal_of
from bothy.core.wiring.short_circuit import withstand_constant, withstand_time
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        (
            "wire-cable-burns-first",
            "danger",
            Method("wiring.short-circuit") + Standard("IEC 60364-4-43"),
        ),
        ("wire-parallel-unequal", "danger", Method("wiring.resistance", "physics")),
        (
            "wire-hidden-joint",
            "danger",
            Method("wiring.terminations") + Standard("IEC 60364-5-52"),
        ),
        (
            "wire-negative-smaller",
            "danger",
            Method("wiring.negative"),
        ),
        (
            "wire-reachable-live",
            "danger",
            Method("wiring.terminations") + Standard("ISO 13297"),
        ),
        (
            "wire-stud-stacked",
            "fault",
            Method("wiring.terminations") + OwnChoice("marine practice"),
        ),
        (
            "wire-isolator-small",
            "fault",
            Method("wiring.protection-places"),
        ),
        ("wire-label-missing", "advice", Method("wiring.boards")),
        ("wire-spares-missing", "advice", Method("wiring.buying")),
    ),
)

MOST_LUGS = 4
PVC_LIMIT_C = 160.0
"""Final temperature of a PVC cable in a fault; other insulation stands more, so this is the cautious one."""
BUS_KINDS = ("main", "inverter", "solar", "driving", "shore", "feeder")


def _cable(w: Worked) -> list[Finding]:
    c, p = w.circuit, w.part
    out: list[Finding] = []
    if c.joint == "behind_lining":
        out.append(
            finding(
                "wire-hidden-joint",
                c.id,
                w.name,
                says("joint-where-failures-this"),
                fix=w.change(says("lay-one-whole-cable"), joint="none"),
            )
        )
    if c.parallel_count > 1 and not c.parallel_equal:
        out.append(
            finding(
                "wire-parallel-unequal",
                c.id,
                w.name,
                says("cables-in-parallel-not", parallel_count=c.parallel_count),
                fix=w.change(says("make-them-alike"), parallel_equal=True),
            )
        )
    if (c.negative_area_mm2 is not None or c.negative_awg is not None) and c.sized and c.fuse_a is not None and p.ampacity_a:
        klass = c.insulation_temp_c
        there, back = row_of(c.area_mm2, c.awg)[1], row_of(c.negative_area_mm2, c.negative_awg)[1]
        carries = p.ampacity_a * table_ampacity(back, klass) / table_ampacity(there, klass)
        if carries < c.fuse_a - EPS:
            text = says("negative-cable-may-carry", size_text=size_text(c.negative_area_mm2, c.negative_awg), carries_a=carries, fuse_a=c.fuse_a)
            out.append(finding("wire-negative-smaller", c.id, w.name, text, fix=w.change(says("use-same-size-as"), negative_area_mm2=None, negative_awg=None)))
    if c.labelled in ("none", "near", "far"):
        ends = {"none": says("either-end"), "near": says("far-end"), "far": says("near-end")}[c.labelled]
        out.append(
            finding("wire-label-missing", c.id, w.name, says("cable-has-no-label", ends=ends), fix=w.change(says("enter-that-both-labels"), labelled="both"))
        )
    return out


def _burns(ctx: Context, w: Worked) -> list[Finding]:
    """Whether the cable stands the dead short at its fuse until that opens, where the data sheet's clearing time is known."""
    c, p = w.circuit, w.part
    if c.clearing_time_s is None or p.fault_a is None or not c.sized:
        return []
    k = withstand_constant(
        given("insulation_temp_c", float(c.insulation_temp_c), "typed", says("class-insulation")),
        given("final_temp_c", PVC_LIMIT_C, "table", says("pvc-cautious")),
    )
    stands = ctx.book.put(
        f"circuits/{c.id}/withstand_s",
        withstand_time(k, given("area_mm2", c.metal_mm2 * c.parallel_count, "typed", p.size_text), ctx.book.figures[f"circuits/{c.id}/fault_a"]),
    ).value
    if c.clearing_time_s <= stands + EPS:
        return []
    return [
        finding(
            "wire-cable-burns-first",
            c.id,
            w.name,
            says("short-circuit-ruins-cable", fault_ka=p.fault_a / 1000, stands_ms=1000 * stands, clearing_time_ms=1000 * c.clearing_time_s),
            figures=[f"circuits/{c.id}/withstand_s", f"circuits/{c.id}/fault_a"],
        )
    ]


def _threads(stud: str) -> tuple[int, int]:
    low, high = stud.replace("M", "").split(" to ")
    return int(low), int(high)


def _studs(ctx: Context, worked: list[Worked]) -> list[Finding]:
    wiring = ctx.design.wiring
    fed = {b.id for b in wiring.boards if b.fed_from is not None}
    on_bus = [
        w
        for w in worked
        if (w.circuit.kind in BUS_KINDS and not (w.circuit.kind == "feeder" and w.circuit.board in fed))
        or (w.circuit.kind == "load" and w.circuit.board is None)
    ]
    out: list[Finding] = []
    lugs = sum(w.circuit.parallel_count for w in on_bus)
    if wiring.bus_studs_count is not None and lugs > MOST_LUGS * wiring.bus_studs_count:
        need = -(-lugs // MOST_LUGS)
        out.append(
            finding(
                "wire-stud-stacked",
                "wiring",
                says("busbar"),
                says("busbar-has-lugs-on", lugs=lugs, bus_studs_count=wiring.bus_studs_count, most_lugs=MOST_LUGS),
                fix=Remedy.sets(says("fit-busbar-with-studs", need=need), "/wiring", bus_studs_count=need),
            )
        )
    if wiring.bus_stud_mm is not None:
        for w in on_bus:
            kind = terminal_of(w.circuit.metal_mm2)
            low, high = _threads(kind.stud)
            if not w.circuit.sized or low <= wiring.bus_stud_mm <= high:
                continue
            out.append(
                finding(
                    "wire-stud-stacked",
                    w.circuit.id,
                    w.name,
                    says("lugs-for-made-for", size_text=w.part.size_text, stud=kind.stud, bus_stud_mm=wiring.bus_stud_mm),
                )
            )
    return out


def _spares(ctx: Context, worked: list[Worked]) -> list[Finding]:
    spares = ctx.design.wiring.spares
    if spares is None:
        return []
    have: dict[tuple[str, float], int] = {(s.family, s.rating_a): s.count for s in spares}
    needs = fuse_needs([(w.circuit, w.part) for w in worked if w.circuit.sized], ctx.design)
    lacking = [f"{short} × {n.family} {n.rating_a:g} A" for n in needs if (short := n.spare - have.get((n.key, n.rating_a), 0)) > 0]
    if not lacking:
        return []
    return [
        finding(
            "wire-spares-missing", "wiring", says("wiring"), says("kit-lacks-and-more", lacking=", ".join(lacking[:8]), lacking_count_over=len(lacking) > 8)
        )
    ]


def making_findings(ctx: Context, worked: list[Worked]) -> list[Finding]:
    """All findings of how it is made."""
    wiring = ctx.design.wiring
    out = [f for w in worked for f in (*_cable(w), *_burns(ctx, w))]
    if wiring.live_covered is False:
        out.append(
            finding(
                "wire-reachable-live",
                "wiring",
                says("wiring"),
                says("dropped-spanner-across-two"),
                fix=Remedy.sets(says("enter-that-covers-on"), "/wiring", live_covered=True),
            )
        )
    mains = [w.circuit for w in worked if w.circuit.kind == "main" and w.circuit.fuse_a is not None]
    largest = max((c.fuse_a or 0.0 for c in mains), default=0.0)
    if wiring.isolator_a and wiring.isolator_a < largest - EPS:
        out.append(finding("wire-isolator-small", "wiring", says("wiring"), says("isolator-for-behind-main", isolator_a=wiring.isolator_a, largest_a=largest)))
    return out + _studs(ctx, worked) + _spares(ctx, worked)

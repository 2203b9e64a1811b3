"""Signal cables between things: those that are usual, what disturbs them along their way, and what has gone from their ends (method fit.routes,
wiring.routing)."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from bothy.core.context import Context
from bothy.core.design.document import Design
from bothy.core.design.fit import SignalLine
from bothy.core.design.raceway import SignalKind
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.fit.geometry import Geometry, RouteOf
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.raceways import HIGH_CURRENT_A, PARALLEL_M, SIGNAL_WORDS, gap_wanted
from bothy.core.words.says import fit_says as says

SIGNAL_KG_M = 0.035
"""Mass of a signal cable, typical of four to eight thin cores."""


class Usual(NamedTuple):
    """A signal cable that such a design usually has."""

    name: str
    kind: SignalKind
    a: str
    b: str
    screened: bool = False


def usual_signals(design: Design) -> list[Usual]:
    """Those that the design has no line for yet: each tank's sender, the bank's shunt, and the panels of inverter and heaters, all to the first
    low-voltage board, where the displays usually are."""
    board = next((b for b in design.wiring.boards if b.side == "dc"), None)
    if board is None:
        return []
    end = f"wiring:{board.id}"
    out = [Usual(says("sender", t_name=t.name), "sensor", f"water:{t.id}", end) for t in design.water.tanks]
    if design.power.bank is not None and design.power.bank.station is None:
        out.append(Usual(says("shunt", bank_name=design.power.bank.name), "shunt", "power:bank", end))
    if design.power.inverter is not None and (design.power.bank is None or design.power.bank.station is None):
        out.append(Usual(says("panel", inverter_name=design.power.inverter.name), "display", "power:inverter", end, True))
    out += [
        Usual(says("panel-2", h_name=h.name), "display", f"warmth:{h.id}", end, True) for h in design.warmth.heaters if h.kind in ("air", "coolant", "combined")
    ]
    there = {frozenset((s.a, s.b)) for s in design.fit.signals}
    return [u for u in out if frozenset((u.a, u.b)) not in there]


def signal_findings(ctx: Context, geo: Geometry, worked: Sequence[Worked]) -> Iterator[Finding]:
    """Signal cables that lie with a high current for more than a metre, and those whose thing has gone."""
    known = {t.key for t in geo.things} | {"engine"}
    heavy = [(w.name, geo.routes[f"circuit:{w.circuit.id}"]) for w in worked if w.part.current_a >= HIGH_CURRENT_A and f"circuit:{w.circuit.id}" in geo.routes]
    for i, s in enumerate(ctx.design.fit.signals):
        gone = next((k for k in (s.a, s.b) if k not in known), None)
        if gone is not None:
            ops = [{"op": "test", "path": f"/fit/signals/{i}/id", "value": s.id}, {"op": "remove", "path": f"/fit/signals/{i}"}]
            fix = Remedy(label=says("remove-cable"), patch=ops)
            yield finding("fit-gone", s.id, s.name, says("cable-leads-to-which", gone=gone), fix=fix)
            continue
        gap = gap_wanted(s.kind, s.screened)
        beside = [name for name, r in heavy if _beside_m(geo, geo.routes[f"signal:{s.id}"], r) > PARALLEL_M] if gap > 0 else []
        if beside:
            yield _disturbed(i, s, gap, beside)


def _beside_m(geo: Geometry, a: RouteOf, b: RouteOf) -> float:
    """How far two runs lie in the same ways, m."""
    shared = {e for w in a.ways for e in w.edges} & {e for w in b.ways for e in w.edges}
    return sum(geo.ways.net.edges[e].length_m for e in shared)


def _disturbed(i: int, s: SignalLine, gap: float, beside: list[str]) -> Finding:
    words = says("cable-lies-in-one", bs=", ".join(f"“{b}”" for b in beside[:3]), high_current_a=HIGH_CURRENT_A, gap_mm=gap)
    screens = gap_wanted(s.kind, True) == 0
    fix = Remedy.sets(says("take-screened-cable"), f"/fit/signals/{i}", s.id, screened=True) if screens else None
    more = says("or-take-screened-cable") if screens else says("disturbed-by-large-currents", signal_words=SIGNAL_WORDS[s.kind])
    return finding("wire-data-near-mains", s.id, s.name, words + more, fix=fix)

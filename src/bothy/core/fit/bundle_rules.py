"""Circuits that lie in one way together and count too few of each other (method fit.routes, wiring.ampacity)."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence

from bothy.core.context import Context
from bothy.core.finding import Finding, finding
from bothy.core.fit.geometry import Geometry
from bothy.core.wiring.bundles import counted, heating
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.conductors import bundle_factor
from bothy.core.words.says import fit_says as says

SHORT_M = 0.5
"""Of a way so short that cables run together in it only in passing."""


def together(ctx: Context, geo: Geometry, worked: Iterable[Worked]) -> dict[str, tuple[int, str]]:
    """Circuits whose way holds more loaded circuits than they count: how many, themselves included, and what that way is called."""
    of = {w.circuit.id: w for w in worked if not w.circuit.raceways}
    on: dict[str, list[str]] = {}
    for id in of:
        route = geo.routes.get(f"circuit:{id}")
        for edge in {e for w in route.ways for e in w.edges} if route is not None else ():
            on.setdefault(edge, []).append(id)
    out: dict[str, tuple[int, str]] = {}
    for edge, ids in sorted(on.items()):
        if len(ids) < 2 or geo.ways.net.edges[edge].length_m < SHORT_M:
            continue
        loaded = heating(ctx, [of[i].circuit for i in ids], {i: of[i].part.current_a for i in ids})
        for i in ids:
            n = len(loaded | {i})
            if n > max(of[i].part.bundled_count, out.get(i, (0, ""))[0]):
                out[i] = (n, geo.ways.names.get(edge, edge))
    return out


def bundle_findings(ctx: Context, geo: Geometry, worked: Sequence[Worked]) -> Iterator[Finding]:
    """One for all of them, with those whose cable would be too small for what it carries."""
    short = together(ctx, geo, worked)
    if not short:
        return
    of = {w.circuit.id: w for w in worked}
    most, where = max(short.values())
    listed = ", ".join(f"“{of[i].circuit.name}”" for i in list(short)[:4]) + (says("and-others") if len(short) > 4 else "")
    words = says("up-to-loaded-circuits", most=most, where=where, listed=listed)
    small = [f"“{of[i].circuit.name}”" for i, (n, _) in short.items() if _carries_less(ctx, of[i], n)]
    if small:
        words += says("with-that-many-cable", small=", ".join(small[:4]))
    yield finding("fit-bundle-derate", "fit", says("ways"), words, related=list(short)[:20], severity="advice" if small else None)


def _carries_less(ctx: Context, w: Worked, n: int) -> bool:
    """Whether a cable among n loaded circuits carries less than its current."""
    if w.part.ampacity_a is None:
        return False
    alone = w.part.ampacity_a / bundle_factor(*counted(ctx, w.part.bundled_count))
    return alone * bundle_factor(*counted(ctx, n)) < w.part.current_a

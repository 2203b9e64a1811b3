"""Circuits that lie in one way together and count too few of each other (method fit.routes, wiring.ampacity)."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from bothy.core.context import Context
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.fit.geometry import Geometry
from bothy.core.wiring.bundles import heating
from bothy.core.wiring.circuit import Worked

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


def bundle_findings(ctx: Context, geo: Geometry, worked: Iterable[Worked]) -> Iterator[Finding]:
    """One note for all of them, with a press that counts them; the sizes follow from it."""
    short = together(ctx, geo, worked)
    if not short:
        return
    names = {c.id: c.name for c in ctx.design.wiring.circuits}
    most, where = max(short.values())
    ops = [
        op
        for i, c in enumerate(ctx.design.wiring.circuits)
        if c.id in short
        for op in (
            {"op": "test", "path": f"/wiring/circuits/{i}/id", "value": c.id},
            {"op": "replace", "path": f"/wiring/circuits/{i}/bundled_count", "value": short[c.id][0]},
        )
    ]
    listed = ", ".join(names[i] for i in list(short)[:4]) + (" and others" if len(short) > 4 else "")
    words = f"Up to {most} loaded circuits lie together {where}; {listed} count fewer. Closed in, each carries less."
    fix = Remedy(label="Count those that lie together, and size the cables by it", patch=ops)
    yield finding("fit-bundle-derate", "fit", "Ways", words, related=list(short)[:20], fix=fix)

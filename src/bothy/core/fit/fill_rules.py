"""How full the conduits are that cables take along their ways (method wiring.conduit)."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import NamedTuple

from bothy.core.context import Context
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.fit.geometry import Geometry
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.conduit import ConduitCable, ConduitFillIn, ConduitFillOut, conduit_fill, too_full
from bothy.core.wiring.raceways import SIGNAL_OD_MM, cables_of
from bothy.core.words.says import fit_says as says


class Filled(NamedTuple):
    """A conduit along the ways: its name, inside diameter in mm, the runs in its fullest piece, and the sum of its fill."""

    way: str
    inside_mm: float
    runs: tuple[str, ...]
    fill: ConduitFillOut


def filled_conduits(ctx: Context, geo: Geometry, worked: Sequence[Worked]) -> list[Filled]:
    """Each conduit in its fullest piece. A circuit that lies in a raceway of the wiring is counted there, not here."""
    bore = {b.way: b.inside_mm for b in ctx.design.fit.bores}
    inside = {e.id: e.inside_mm or bore.get(geo.ways.names[e.id]) for e in geo.ways.net.edges.values()} if bore or ctx.design.fit.ways else {}
    if not any(inside.values()):
        return []
    cables = {f"circuit:{w.circuit.id}": cables_of(w) for w in worked if not w.circuit.raceways}
    cables |= {f"signal:{s.id}": [ConduitCable.trusted(outer_diameter_mm=SIGNAL_OD_MM[s.kind])] for s in ctx.design.fit.signals}
    on: dict[str, list[str]] = {}
    for id in cables:
        route = geo.routes.get(id)
        for edge in {e for w in route.ways for e in w.edges if inside.get(e)} if route is not None else ():
            on.setdefault(edge, []).append(id)
    fullest: dict[str, Filled] = {}
    for edge, ids in sorted(on.items()):
        held, size = [c for id in ids for c in cables[id]], inside[edge]
        if held and size:
            way = geo.ways.names[edge]
            one = Filled(way, size, tuple(ids), conduit_fill(ConduitFillIn.trusted(inner_diameter_mm=size, width_mm=None, height_mm=None, cables=held)))
            if way not in fullest or one.fill.fill_frac > fullest[way].fill.fill_frac:
                fullest[way] = one
    return list(fullest.values())


def fill_findings(ctx: Context, geo: Geometry, filled: Sequence[Filled]) -> Iterator[Finding]:
    """Conduits that are too full, with the size that would do."""
    at = {b.way: i for i, b in enumerate(ctx.design.fit.bores)}
    for f in filled:
        out = f.fill
        if out.ok:
            continue
        names = [f"“{geo.routes[r].run.name}”" for r in f.runs]
        listed = f"{', '.join(names[:4])}{' and others' if len(names) > 4 else ''}"
        size, i = out.suggested_inner_diameter_mm, at.get(f.way)
        fix = None
        if size and i is not None:
            path = f"/fit/bores/{i}"
            ops = [{"op": "test", "path": f"{path}/way", "value": f.way}, {"op": "replace", "path": f"{path}/inside_mm", "value": size}]
            fix = Remedy(label=says("take-pipe", size_mm=size), patch=ops)
        yield finding(
            "wire-conduit-overfull",
            f.way if i is None else f"conduit-{i + 1}",
            f.way,
            says("in-fullest-piece", too_full=too_full(out, f"the {f.inside_mm:g} mm inside", listed)),
            fix=fix,
        )

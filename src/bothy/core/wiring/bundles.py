"""How many loaded circuits lie together: typed, or as many as share a raceway (method wiring.ampacity)."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.wiring import Circuit
from bothy.core.wiring.conductors import BundleMethod, ambient_factor, bundle_factor, installation_factor, row_of, table_ampacity

LIGHT_FRAC = 0.3
"""A circuit that carries less of its ampacity warms the others so little that it may be left out."""
ENGINE_C = 50.0


def counted(ctx: Context, together: int) -> tuple[int, BundleMethod]:
    """What so many loaded circuits are counted as, and by which table: circuits, or at sea and in the United States their conductors, two each."""
    method = "marine_conductors" if ctx.design.wiring.school == "marine" else ctx.region.bundle_method
    return together * (2 if method == "marine_conductors" else 1), method


def _carries(ctx: Context, c: Circuit, together: int) -> float:
    """Ampacity in A of a circuit among so many; 0 while it has no size."""
    if not c.sized:
        return 0.0
    klass = 70 if c.kind == "ac" else c.insulation_temp_c
    count, method = counted(ctx, together)
    air = ENGINE_C if c.engine_space else 30.0
    if klass <= air:
        return 0.0
    k = ambient_factor.raw(float(klass), air) * bundle_factor(count, method) * installation_factor(c.installation, c.covered_length_mm)
    return table_ampacity(row_of(c.area_mm2, c.awg)[1], klass) * k * c.parallel_count


def heating(ctx: Context, shared: Sequence[Circuit], amps: Mapping[str, float]) -> set[str]:
    """Those of circuits that lie together which carry enough of their ampacity to warm the others, by their currents in A."""
    return {c.id for c in shared if amps[c.id] > 0 and amps[c.id] >= LIGHT_FRAC * _carries(ctx, c, len(shared)) - EPS}


def bundled(ctx: Context, current_of: Callable[[Circuit], float]) -> dict[str, int]:
    """Loaded circuits that lie together with each circuit, itself counted, by its id: the typed count, or more where its raceways hold more."""
    out = {c.id: c.bundled_count for c in ctx.design.wiring.circuits}
    inside: dict[str, list[Circuit]] = {}
    for c in ctx.design.wiring.circuits:
        for r in c.raceways:
            inside.setdefault(r, []).append(c)
    for shared in inside.values():
        if len(shared) < 2:
            continue
        loaded = heating(ctx, shared, {c.id: current_of(c) for c in shared})
        for c in shared:
            out[c.id] = max(out[c.id], len(loaded | {c.id}))
    return out

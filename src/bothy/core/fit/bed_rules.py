"""Where people lie: what they hear, and what they reach (method fit.neighbours)."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence

from bothy.core.finding import Finding, finding
from bothy.core.fit.boxes import Box, gap
from bothy.core.fit.geometry import Geometry, Placed
from bothy.core.words.says import fit_says as says

NOISE_M, REACH_M = 1.0, 0.6
PILLOW_M, HEAD_M = 0.4, 0.3
"""How much of a bed’s length a pillow takes, and how high over it a head lies."""


def pillows(bed: Box) -> dict[str, Box]:
    """Both ends of a bed along its longer side, where a head may lie."""
    up = bed._replace(z0=bed.z1, z1=bed.z1 + HEAD_M)
    if bed.x1 - bed.x0 >= bed.y1 - bed.y0:
        return {"front": up._replace(x0=max(bed.x0, bed.x1 - PILLOW_M)), "rear": up._replace(x1=min(bed.x1, bed.x0 + PILLOW_M))}
    return {"left": up._replace(y0=max(bed.y0, bed.y1 - PILLOW_M)), "right": up._replace(y1=min(bed.y1, bed.y0 + PILLOW_M))}


def too_near_m(bed: Box, noisy: Sequence[Box], one: Box) -> float:
    """By how much another noisy thing is too near to the end of a bed that has the least noise, it included, m."""

    def noise(end: Box, things: Iterable[Box]) -> float:
        return sum(max(0.0, NOISE_M - gap(n, end)) for n in things)

    return min(noise(end, [*noisy, one]) for end in pillows(bed).values())


def bed_findings(geo: Geometry) -> Iterator[Finding]:
    """What each bed lacks, once it stands."""
    noisy = [p for p in geo.placed.values() if "noisy" in p.thing.tags and not p.thing.on_roof]
    sockets = [p for p in geo.placed.values() if "socket" in p.thing.tags]
    waiting = any("socket" in t.tags for t in geo.unplaced)
    for bed in (p for p in geo.placed.values() if "bed" in p.thing.tags):
        yield from _noise(bed, noisy)
        ends = pillows(bed.box).values()
        if not waiting and all(gap(s.box, end) > REACH_M for s in sockets for end in ends):
            words = says("nearest-socket-from-pillow", gaps_m=min(gap(s.box, e) for s in sockets for e in ends)) if sockets else says("design-has-no-charging")
            yield finding("fit-bed-locker", bed.thing.key, bed.thing.name, words)


def _noise(bed: Placed, noisy: Iterable[Placed]) -> Iterator[Finding]:
    near = {end: [(gap(n.box, box), n) for n in noisy if gap(n.box, box) < NOISE_M - 1e-9] for end, box in pillows(bed.box).items()}
    heard = {n.thing.key: n.thing.name for rows in near.values() for _, n in rows}
    if not heard:
        return
    said = " ".join(says("at", end=end, listed=_listed(rows)) for end, rows in near.items() if rows)
    quiet = next((end for end, rows in near.items() if not rows), None)
    said += says("end-quiet", quiet=quiet) if quiet else ""
    yield finding("fit-noise-by-bed", bed.thing.key, bed.thing.name, said, related=list(heard), severity="note" if quiet else "advice")


def _listed(rows: list[tuple[float, Placed]], most: int = 3) -> str:
    """The nearest of them."""
    nearest = sorted(rows, key=lambda x: (x[0], x[1].thing.name))
    more = says("and-more", rows_count=len(rows) - most) if len(rows) > most else ""
    return ", ".join(f"“{n.thing.name}” at {d:.1f} m" for d, n in nearest[:most]) + more

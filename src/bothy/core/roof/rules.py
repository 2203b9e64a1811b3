"""Findings of the roof: spots, cuts, shade, wind, bonds and cure."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from itertools import combinations
from typing import Any

from bothy.core.contract import EPS
from bothy.core.design.document import Design
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.roof import rule_table  # noqa: F401  registers the rules
from bothy.core.roof.bond import Held, hold
from bothy.core.roof.pack import Rect
from bothy.core.roof.plan import BONDED_EDGE_M, EDGE_M, GAP_M, OPENS_M, Rib, RoofShape, RoofThing
from bothy.core.roof.products import BAD_SURFACES, HYGROSCOPIC_PATH_MM, PRODUCTS
from bothy.core.words.choices import word_of
from bothy.core.words.says import roof_says as says

BELOW_M, GLAND_M, WALK_M = 0.05, 0.30, 0.30
TOLERANCE_M = 0.0005
SHADED = 0.005
AIR_LOW_M, AIR_HIGH_M = 0.02, 0.06
SQUEEZE, SQUEEZE_MOST, REMAIN_MM = 0.4, 0.5, 6.0

CORNERED = frozenset({"panel", "flexible", "box", "rail"})
"""What lies flat on four corners, each of which wants a fixing of its own: on fewer, the wind turns or lifts it."""


def apart(a: Rect, b: Rect) -> float:
    """How far two rectangles lie apart along the nearer axis in m; negative where they overlap."""
    return max(b.x0 - a.x1, a.x0 - b.x1, b.y0 - a.y1, a.y0 - b.y1)


def margin_between(a: RoofThing, b: RoofThing) -> float:
    """What must be free between two things in m."""
    if "walkway" in (a.kind, b.kind) or "rail" in (a.kind, b.kind) or "gland" in (a.kind, b.kind):
        return 0.0
    return OPENS_M if a.opens or b.opens else GAP_M


def edge_of(t: RoofThing) -> float:
    """What must be free to the edge of the roof in m."""
    if t.kind in ("walkway", "rail", "gland", "aerial"):
        return 0.0
    return BONDED_EDGE_M if t.kind == "flexible" else EDGE_M


def _set(design: Design, t: RoofThing, label: str, **values: Any) -> Remedy | None:
    for i, s in enumerate(design.fit.roof.spots):
        if s.of == t.key:
            path = f"/fit/roof/spots/{i}"
            return Remedy(
                label=label,
                patch=[
                    {"op": "test", "path": f"{path}/of", "value": t.key},
                    *({"op": "replace", "path": f"{path}/{k}", "value": v} for k, v in values.items()),
                ],
            )
    return None


def mm(m: float) -> str:
    """A length as a message has it: whole millimetres, never none."""
    return f"{max(1, round(1000 * m))} mm"


def over_edge(t: RoofThing, roof: RoofShape) -> tuple[str, float]:
    """Over which side a thing lies furthest, with its margin, and by how many m; 0 or less: inside."""
    r, e, w = t.rect, edge_of(t), roof.rect
    assert r is not None
    return max(
        (("rear", w.x0 + e - r.x0), ("front", r.x1 - (w.x1 - e)), ("right", w.y0 + e - r.y0), ("left", r.y1 - (w.y1 - e))),
        key=lambda x: x[1],
    )


def crossed(hole: Rect, ribs: Iterable[Rib]) -> list[Rib]:
    """Ribs that a cut goes through."""
    return [r for r in ribs if r.x1 > hole.x0 + TOLERANCE_M and r.x0 < hole.x1 - TOLERANCE_M]


def roof_findings(design: Design, roof: RoofShape, things: tuple[RoofThing, ...], held: dict[str, Held], shaded: dict[str, float]) -> list[Finding]:
    """All findings of the roof but those of the cure."""
    laid = [t for t in things if t.rect is not None]
    out = [*_spots(design, roof, laid), *_cuts(design, roof, laid), *_panels(design, laid, shaded)]
    out += _holds(design, roof, laid, held)
    return out


def _inside(design: Design, roof: RoofShape, t: RoofThing, laid: list[RoofThing]) -> Remedy | None:
    """The move that brings a thing back onto the roof, where it runs into nothing there."""
    r, e, w = t.rect, edge_of(t), roof.rect
    assert r is not None
    if r.x1 - r.x0 > w.x1 - w.x0 - 2 * e + EPS or r.y1 - r.y0 > w.y1 - w.y0 - 2 * e + EPS:
        return None
    x = min(max(r.x0, w.x0 + e), w.x1 - e - (r.x1 - r.x0))
    y = min(max(r.y0, w.y0 + e), w.y1 - e - (r.y1 - r.y0))
    moved = Rect(x, x + r.x1 - r.x0, y, y + r.y1 - r.y0)
    if any(apart(moved, s) < 0 for s in roof.seams):
        return None
    if any(o.key != t.key and o.rect is not None and apart(moved, o.rect) < margin_between(t, o) - TOLERANCE_M for o in laid):
        return None
    return _set(design, t, says("move-inboard", t_name=t.name), x_m=round(x, 4), y_m=round(y, 4))


def _spots(design: Design, roof: RoofShape, laid: list[RoofThing]) -> Iterator[Finding]:
    for t in laid:
        side, over = over_edge(t, roof)
        if over > TOLERANCE_M:
            yield finding(
                "fit-roof-edge",
                t.key,
                t.name,
                (
                    says("lies-too-far-to", t_name=t.name, mm=mm(over), side=side, mm_2=mm(edge_of(t)))
                    if edge_of(t)
                    else says("lies-too-far-to-nothing", t_name=t.name, mm=mm(over), side=side)
                ),
                fix=_inside(design, roof, t, laid),
            )
        if t.kind not in ("gland", "walkway") and any(apart(t.rect, s) < -TOLERANCE_M for s in roof.seams if t.rect):
            yield finding("fit-roof-seam", t.key, t.name, says("lies-over-seam", t_name=t.name))
    for a, b in combinations(laid, 2):
        assert a.rect is not None and b.rect is not None
        need, there = margin_between(a, b), apart(a.rect, b.rect)
        under = {a.kind, b.kind} & {"gland"} and {a.kind, b.kind} & {"panel"}
        if there < need - TOLERANCE_M and not under and {a.kind, b.kind} != {"walkway"} and "rail" not in (a.kind, b.kind):
            what = (
                says("lie-in-each-other", mm=mm(-there))
                if there < -TOLERANCE_M
                else (says("lie-apart-and-need", mm=mm(there), mm_2=mm(need)) if there > 0 else says("lie-apart-and-need-2", mm=mm(need)))
            )
            yield finding("fit-roof-overlap", a.key, a.name, says("and", a_name=a.name, b_name=b.name, what=what), beside=b.key, related=[b.key])


def _cuts(design: Design, roof: RoofShape, laid: list[RoofThing]) -> Iterator[Finding]:
    for t in laid:
        hole, c = t.hole, t.cut
        if hole is None or c is None:
            continue
        cutting = crossed(hole, roof.ribs)
        if cutting and t.spot is not None and not t.spot.framed:
            deep = max(min(r.x1, hole.x1) - max(r.x0, hole.x0) for r in cutting)
            names = " and ".join(r.id.replace("-", " ") for r in cutting)
            yield finding(
                "fit-roof-rib-cut",
                t.key,
                t.name,
                says("cut-out-goes-through", t_name=t.name, names=names, mm=mm(deep)),
                fix=_between(design, roof, t, laid),
            )
        grown = Rect(hole.x0 - BELOW_M, hole.x1 + BELOW_M, hole.y0 - BELOW_M, hole.y1 + BELOW_M)
        for b in roof.below:
            over = Rect(b.x0_m, b.x1_m, b.y0_m, b.y1_m)
            if apart(grown, over) < -TOLERANCE_M and not (b.kind == "bow" and t.spot is not None and t.spot.framed):
                near = max(0.0, apart(hole, over))
                word = word_of(b.kind)
                yield finding(
                    "fit-roof-below",
                    t.key,
                    t.name,
                    (
                        says("lies-under-cut-out", b_name=b.name, word=word, t_name=t.name)
                        if near <= 0
                        else says("lies-cut-out", b_name=b.name, word=word, mm=mm(near) + " from", t_name=t.name)
                    ),
                    beside=b.id,
                )
        yield from _clamped(roof, t)


def _between(design: Design, roof: RoofShape, t: RoofThing, laid: list[RoofThing]) -> Remedy | None:
    """The nearest spot along the roof where the cut goes through no rib, nothing is below it and nothing is in the way."""
    hole, r = t.hole, t.rect
    assert hole is not None and r is not None
    w, e = roof.rect, edge_of(t)
    for step in range(1, 300):
        for sign in (1, -1):
            d = sign * step * 0.01
            moved, cut = Rect(r.x0 + d, r.x1 + d, r.y0, r.y1), Rect(hole.x0 + d, hole.x1 + d, hole.y0, hole.y1)
            if moved.x0 < w.x0 + e or moved.x1 > w.x1 - e or crossed(cut, roof.ribs) or any(apart(moved, s) < 0 for s in roof.seams):
                continue
            if any(apart(cut, Rect(b.x0_m, b.x1_m, b.y0_m, b.y1_m)) < BELOW_M for b in roof.below):
                continue
            if all(o.key == t.key or o.rect is None or apart(moved, o.rect) >= margin_between(t, o) - TOLERANCE_M for o in laid):
                way = "forwards" if d > 0 else "backwards"
                return _set(design, t, says("move-between-ribs", d_mm=abs(1000 * d), way=way), x_m=round(r.x0 + d, 4))
    return None


def _clamped(roof: RoofShape, t: RoofThing) -> Iterator[Finding]:
    c, r, hole = t.cut, t.rect, t.hole
    assert c is not None and r is not None and hole is not None
    if not c.measured:
        return  # what is usual of its kind tells nothing of this unit
    if c.clamp_max is not None and roof.thick_mm > c.clamp_max + EPS:
        yield finding(
            "fit-clamp-too-thick",
            t.key,
            t.name,
            says("skin-and-lining-thick", thick_mm=roof.thick_mm, t_name=t.name, clamp_max_mm=c.clamp_max, thick_mm_2=roof.thick_mm - c.clamp_max),
        )
    elif c.clamp_min is not None and roof.thick_mm < c.clamp_min - EPS:
        yield finding(
            "fit-clamp-packing",
            t.key,
            t.name,
            says("skin-and-lining-thick-at", thick_mm=roof.thick_mm, t_name=t.name, clamp_mm=c.clamp_min, clamp_mm_2=c.clamp_min - roof.thick_mm),
        )
    if c.gasket is None:
        return
    seat = c.gasket * (1 - SQUEEZE)
    flange = Rect(r.x0, r.x1, r.y0, r.y1)
    under = [q for q in roof.ribs if q.height > 0 and q.x1 > flange.x0 and q.x0 < flange.x1]
    if not under:
        return
    h = 1000 * max(q.height for q in under)
    limit = (c.gasket - REMAIN_MM) * (1 - SQUEEZE)
    if h > limit + EPS:
        yield finding("fit-rib-too-high", t.key, t.name, says("rib-lies-under-gasket", h_mm=h, t_name=t.name, limit_mm=limit))
    elif h > c.gasket * (SQUEEZE_MOST - SQUEEZE) + EPS:
        yield finding(
            "fit-gasket-trim",
            t.key,
            t.name,
            says("under-gasket-lie-rib", t_name=t.name, under_count=len(under), h_mm=h, h_mm_2=h / (1 - SQUEEZE), seat_mm=seat),
        )


def _panels(design: Design, laid: list[RoofThing], shaded: dict[str, float]) -> Iterator[Finding]:
    panels = [t for t in laid if t.kind in ("panel", "flexible")]
    dark = sorted((t for t in panels if shaded.get(t.key, 0.0) > SHADED), key=lambda t: -shaded[t.key])
    for t in dark[:1]:
        rest = says("and-less-other", dark_count=len(dark) - 1, dark_count_over=len(dark) > 2) if len(dark) > 1 else ""
        yield finding(
            "fit-panel-shaded",
            t.key,
            t.name,
            says("what-stands-on-roof", shaded_pc=100 * shaded[t.key], t_name=t.name, rest=rest),
            related=[x.key for x in dark[1:]],
        )
    for t in panels:
        if t.kind == "panel" and not AIR_LOW_M - EPS <= t.gap <= AIR_HIGH_M + EPS:
            hot = says("gets-hot-and-gives") if t.gap < AIR_LOW_M else says("wind-gets-under")
            yield finding(
                "fit-panel-airgap",
                t.key,
                t.name,
                (says("under-there-air", t_name=t.name, mm=mm(t.gap), hot=hot) if t.gap > 0 else says("under-there-no-air", t_name=t.name, hot=hot)),
                fix=_set(design, t, says("set-on"), gap_m=0.03),
            )
    for g in (t for t in laid if t.kind == "gland"):
        near = min((apart(g.rect, p.rect) for p in panels if p.rect is not None and g.rect is not None), default=None)
        if near is not None and near > GLAND_M + TOLERANCE_M:
            yield finding("fit-gland-place", g.key, g.name, says("lies-from-nearest-panel", g_name=g.name, near_m=near))
    if panels:
        yield from _walk(panels, laid)


def _walk(panels: list[RoofThing], laid: list[RoofThing]) -> Iterator[Finding]:
    """Whether panels in the middle can be reached past those at the side."""
    inner = [
        t
        for t in panels
        if t.rect is not None
        and sum(1 for s in (-1, 1) for o in panels if o.key != t.key and o.rect is not None and _beside(t.rect, o.rect, s)) == 2
        and not any(o.kind == "walkway" and o.rect is not None and apart(o.rect, t.rect) < WALK_M for o in laid)
    ]
    if inner:
        yield finding("fit-roof-walkway", inner[0].key, inner[0].name, says("lies-between-two-others", inner_name=inner[0].name))


def _beside(a: Rect, b: Rect, side: int) -> bool:
    along = min(a.x1, b.x1) - max(a.x0, b.x0)
    across = (b.y0 - a.y1) if side > 0 else (a.y0 - b.y1)
    return along > 0.5 * (a.x1 - a.x0) and -TOLERANCE_M <= across < WALK_M


def _holds(design: Design, roof: RoofShape, laid: list[RoofThing], held: dict[str, Held]) -> Iterator[Finding]:
    b = design.fit.roof.bonding
    p = PRODUCTS[b.adhesive]
    bonded = [(t, held[t.key]) for t in laid if t.key in held and held[t.key].by == "bond"]
    for t, h in bonded:
        if not p.carries or (h.used is None or h.used > 1 + EPS):
            why = (
                says("only-seals", p_name=p.name[0].upper(), p_name_2=p.name[1:])
                if not p.carries
                else says("bond-needed-and-there", need_cm2=h.need_mm2 / 100, have_cm2=h.have_mm2 / 100)
            )
            yield finding(
                "fit-bond-area-short",
                t.key,
                t.name,
                says("lift-and-drag-at", t_name=t.name, uplift_n=h.uplift_n, drag_n=h.drag_n, speed_kmh_km_h=b.speed_kmh, headwind_m_s=b.headwind_m_s, why=why),
                figures=[f"roof/held/{_fig(t.key)}/used_frac"] if h.used is not None else [],
                fix=_firmer(design, roof, t),
            )
        elif h.mount == "rigid_open_edge":
            yield finding(
                "fit-bond-leading-edge",
                t.key,
                t.name,
                says("front-edge-open-wind", t_name=t.name),
                fix=_set(design, t, says("close-front-edge"), front_closed=True),
            )
    thin = [(t, h) for t, h in bonded if b.bead_thickness_mm < h.least_mm - EPS]
    if thin:
        t, h = max(thin, key=lambda x: x[1].least_mm)
        yield finding(
            "fit-bond-too-thin",
            t.key,
            t.name,
            says("bead-under-thick-roof", t_name=t.name, bead_thickness_mm=b.bead_thickness_mm, least_mm=h.least_mm),
            fix=Remedy(
                label=says("set-to", least_mm=-(-h.least_mm // 0.5) * 0.5),
                patch=[{"op": "replace", "path": "/fit/roof/bonding/bead_thickness_mm", "value": -(-h.least_mm // 0.5) * 0.5}],
            ),
        )
    if bonded and b.surface in BAD_SURFACES:
        word, remedy = BAD_SURFACES[b.surface]
        yield finding("fit-bond-surface", "roof", says("roof"), says("roof-bonded-on", word=word, remedy=remedy))
    wide = max((h.path_mm for _, h in bonded), default=0.0)
    if p.cure_mm_24h is not None and wide > HYGROSCOPIC_PATH_MM + EPS:
        yield finding(
            "fit-cure-path-long",
            "roof",
            says("roof"),
            says("half-bead-from-air", bead_width_mm=b.bead_width_mm, wide_mm=wide, hygroscopic_path_mm=HYGROSCOPIC_PATH_MM),
        )
    for t in laid:
        h2 = held.get(t.key)
        if h2 is not None and h2.by == "bolts" and h2.used is not None and h2.used > 1 + EPS:
            n = max(4, 2 * -(-int(h2.bolts * h2.used + 1) // 2))
            yield finding(
                "fit-roof-bolts-weak",
                t.key,
                t.name,
                says("bolts-hold-against-uplift", bolts=h2.bolts, t_name=t.name, uplift_n=h2.uplift_n, drag_n=h2.drag_n, used_pc=100 * h2.used),
                figures=[f"roof/held/{_fig(t.key)}/used_frac"],
                fix=_set(design, t, says("use-bolts", n=n), bolts=n) if n <= 60 else None,
            )
        elif h2 is not None and h2.by == "bolts" and t.kind in CORNERED and h2.bolts < 4:
            text = says("bolts-for-corners", bolts=h2.bolts, t_name=t.name)
            yield finding("fit-roof-bolts-weak", t.key, t.name, text, fix=_set(design, t, says("use-bolts", n=4), bolts=4))


def _fig(key: str) -> str:
    return key.replace(":", "-")


def _firmer(design: Design, roof: RoofShape, t: RoofThing) -> Remedy | None:
    """The least change with which the bond holds: its leading edge closed, then profiles, then a longer bead."""
    spot, b = t.spot, design.fit.roof.bonding
    assert spot is not None
    tries: list[tuple[str, dict[str, Any]]] = []
    if t.kind == "panel":
        tries = [
            (says("close-front-edge"), {"front_closed": True}),
            (says("hold-by-two-profiles"), {"held": "profiles", "bead_m": None}),
            (says("hold-by-two-profiles-front"), {"held": "profiles", "bead_m": None, "front_closed": True}),
            (says("bond-all-round-front"), {"held": "perimeter", "bead_m": None, "front_closed": True}),
        ]
    tries += [(says("bond-all-round"), {"held": "perimeter", "bead_m": None}), ("Use 8 bolts", {"held": "bolts", "bolts": 8})]
    for label, values in tries:
        changed = t._replace(spot=spot.model_copy(update=values))
        got = hold(changed, roof, b)
        if got is not None and got.used is not None and got.used <= 1:
            return _set(design, t, label, **values)
    return None

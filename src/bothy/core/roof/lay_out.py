"""A proposal for the roof: openings between the ribs, then as many panels as go beside them (method roof.packing)."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import lru_cache
from math import floor, radians, tan
from typing import Any, NamedTuple

from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.design.roof import Spot
from bothy.core.fit.body import body_of
from bothy.core.roof.pack import MOST, Kind, Packed, Rect, packed
from bothy.core.roof.pack import Spot as Position
from bothy.core.roof.plan import AIR_M, BONDED_EDGE_M, EDGE_M, GAP_M, OPENS_M, PANEL_M, RoofShape, RoofThing, roof_things, shape_of
from bothy.core.roof.rules import apart, crossed, edge_of, margin_between
from bothy.core.roof.shading import DESIGN_DEG
from bothy.core.words.says import roof_says as says

STEPS = 150_000
ORDER = ("air_conditioner", "rooflight", "hatch", "fan", "box", "vent", "other")
"""The largest openings are laid out first."""
STEP_M = 0.02


class LaidOut(NamedTuple):
    """Spots for what had none, what found none, panels that lie and the most that could (equal where that is proven), and why."""

    spots: tuple[Spot, ...]
    left: tuple[RoofThing, ...]
    panels: int
    most: int
    why: tuple[str, ...]

    def patch(self, design: Design) -> list[dict[str, Any]]:
        """The change that takes it; an array that is laid out panel by panel gives its old place up."""
        taken = {s.of for s in self.spots}
        things = {t.key: t for t in roof_things(design)}
        gone = {things[k].of for k in taken if k in things}
        ops: list[dict[str, Any]] = [{"op": "remove", "path": f"/fit/places/{i}"} for i, p in reversed(list(enumerate(design.fit.places))) if p.of in gone]
        return ops + [{"op": "add", "path": "/fit/roof/spots/-", "value": s.model_dump(mode="json")} for s in self.spots]


def _free(t: RoofThing, r: Rect, hole: Rect | None, roof: RoofShape, taken: Sequence[RoofThing]) -> bool:
    e, w = edge_of(t), roof.rect
    if r.x0 < w.x0 + e - 1e-9 or r.x1 > w.x1 - e + 1e-9 or r.y0 < w.y0 + e - 1e-9 or r.y1 > w.y1 - e + 1e-9:
        return False
    if hole is not None and (crossed(hole, roof.ribs) or any(apart(hole, Rect(b.x0_m, b.x1_m, b.y0_m, b.y1_m)) < 0.05 for b in roof.below)):
        return False
    return all(apart(r, s) >= 0 for s in roof.seams) and all(o.rect is None or apart(r, o.rect) >= margin_between(t, o) - 1e-9 for o in taken)


def _starts(roof: RoofShape, size: float) -> list[float]:
    """Where an opening may begin along the roof."""
    lo, hi = roof.rect.x0, roof.rect.x1 - size
    return [lo + k * STEP_M for k in range(int(max(0.0, hi - lo) / STEP_M) + 1)]


def _opening(t: RoofThing, roof: RoofShape, taken: Sequence[RoofThing], ideal: float, aside: bool) -> RoofThing | None:
    """The free spot nearest to the ideal: between ribs before framed, on the centre line before beside it."""
    sides = (0.0, 1.0, -1.0, 0.5, -0.5) if aside or t.kind == "vent" else (0.0,)
    ways = (False, True) if aside and abs(t.size[0] - t.size[1]) > 0.02 else (False,)
    for framed in (False, True):
        best: tuple[float, RoofThing] | None = None
        for turned in ways:
            a, b = (t.size[1], t.size[0]) if turned else t.size[:2]
            for side in sides:
                y = side * (roof.width / 2 - edge_of(t) - b / 2) - b / 2
                for x in _starts(roof, a):
                    far = abs(x + a / 2 - ideal) + 0.02 * abs(side)
                    if best is not None and far >= best[0]:
                        continue
                    r = Rect(x, x + a, y, y + b)
                    spot = quick(Spot, of=t.key, x_m=round(x, 3), y_m=round(y, 3), turned=turned, framed=framed, by="proposal")
                    one = t._replace(spot=spot)
                    if _free(one, r, None if framed else one.hole, roof, taken):
                        best = (far, one)
        if best is not None:
            return best[1]
    return None


def _openings(
    things: Sequence[RoofThing], roof: RoofShape, taken: Sequence[RoofThing], ideal: Callable[[int, int], float], aside: bool
) -> tuple[list[RoofThing], list[RoofThing]]:
    todo = sorted((t for t in things if t.kind in ORDER and t.rect is None), key=lambda t: (ORDER.index(t.kind), t.key))
    laid, left, out = list(taken), list[RoofThing](), list[RoofThing]()
    for i, t in enumerate(todo):
        at = roof.rect.x0 + ideal(i, len(todo)) * (roof.rect.x1 - roof.rect.x0)
        one = _opening(t, roof, laid, at, aside)
        if one is None:
            left.append(t)
        else:
            out.append(one)
            laid.append(one)
    return out, left


def _most(usable: Rect, kinds: Sequence[Kind], blocked: Sequence[Rect], gap: float) -> int:
    """The most panels that their area allows."""
    small = min((k.length + gap) * (k.width + gap) for k in kinds)
    area = (usable.x1 - usable.x0 + gap) * (usable.y1 - usable.y0 + gap)
    held = sum(max(0.0, min(b.x1, usable.x1) - max(b.x0, usable.x0)) * max(0.0, min(b.y1, usable.y1) - max(b.y0, usable.y0)) for b in _disjoint(blocked))
    by_kind = sum(k.most for k in kinds if k.most is not None) if all(k.most is not None for k in kinds) else 10_000
    return min(by_kind, max(0, floor((area - held) / small + 1e-9)))


def _disjoint(rects: Sequence[Rect]) -> list[Rect]:
    """Rectangles that don't overlap an earlier one, so that no area is taken off twice."""
    out: list[Rect] = []
    for r in sorted(rects, key=lambda r: -(r.x1 - r.x0) * (r.y1 - r.y0)):
        if all(apart(r, o) >= 0 for o in out):
            out.append(r)
    return out


def pack_some(
    usable: Rect, kinds: Sequence[Kind], blocked: Sequence[Rect], gap: float, objective: str = "count", steps: int = STEPS
) -> tuple[list[Position], int, int]:
    """A packing with its count and the most that could be: exact where the positions are few enough, else row by row with the bound of the area."""
    if not kinds or usable.x1 <= usable.x0 or usable.y1 <= usable.y0:
        return [], 0, 0
    most = _most(usable, kinds, blocked, gap)
    try:
        got, _ = packed(usable, kinds, blocked, gap, objective, steps)
    except ValueError:
        got = _greedy(usable, kinds, blocked, gap)
    n = len(got.chosen)
    return got.chosen, n, n if got.proven else max(n, most)


def _greedy(usable: Rect, kinds: Sequence[Kind], blocked: Sequence[Rect], gap: float) -> Packed:
    """Rows from the rear: each kind one way round, or turned; the best of all orders of two choices."""
    best: list[Position] = []
    for turned in (False, True):
        chosen: list[Position] = []
        for k, kind in enumerate(kinds):
            a, b = (kind.width, kind.length) if turned and kind.rotate else (kind.length, kind.width)
            left = kind.most if kind.most is not None else MOST
            x = usable.x0
            while x + a <= usable.x1 + 1e-9 and left:
                y, nxt = usable.y0, x + a + gap
                while y + b <= usable.y1 + 1e-9 and left:
                    r = Rect(x, x + a, y, y + b)
                    hit = [o for o in (*blocked, *(s.rect for s in chosen)) if apart(r, o) < (gap if o not in blocked else 0) - 1e-9]
                    if hit:
                        y = max(o.y1 for o in hit) + gap
                        continue
                    chosen.append(Position(r, k, turned and kind.rotate))
                    left -= 1
                    y += b + gap
                x = nxt if any(s.rect.x0 == x for s in chosen) else x + 0.05
        if len(chosen) > len(best):
            best = chosen
    return Packed(sorted(best, key=lambda s: (s.rect.x0, s.rect.y0)), len(best), MOST)


def strip_of(t: RoofThing, panel_top: float) -> float:
    """What is kept free round a thing so that a sun of 20° throws no shadow on a panel, m."""
    return max(OPENS_M if t.opens else GAP_M, max(0.0, t.top - panel_top) / tan(radians(DESIGN_DEG)))


IDEALS: tuple[tuple[str, bool, Callable[[int, int], float]], ...] = (
    (says("spread-along-roof-on"), False, lambda i, n: (n - i - 0.5) / n),
    (says("one-after-other-from"), False, lambda i, n: 1.0),
    (says("at-both-ends-on"), False, lambda i, n: 1.0 if i % 2 == 0 else 0.0),
    (says("together-at-front"), True, lambda i, n: 1.0),
    (says("together-at-both-ends"), True, lambda i, n: 1.0 if i % 2 == 0 else 0.0),
    (says("together-in-middle"), True, lambda i, n: 0.5),
    (says("together-at-rear"), True, lambda i, n: 0.0),
)
"""Ways to lay out what opens, the pleasantest first: words, whether things may lie beside the centre line, and where each is wanted, 0 rear to 1 front."""


def lay_out(design: Design, between: Callable[[float], None] | None = None) -> LaidOut:
    """Spots for everything on the roof that has none; what lies stays. ``between`` is told how far it is, 0 to 1."""
    roof, things = shape_of(design, body_of(design)), roof_things(design)
    fixed = [t for t in things if t.rect is not None]
    panels = [t for t in things if t.kind in ("panel", "flexible") and t.rect is None]
    best: tuple[tuple[int, int, int], list[RoofThing], list[RoofThing], list[RoofThing], int, str] | None = None
    for n, (word, aside, ideal) in enumerate(IDEALS):
        if between is not None:
            between(n / len(IDEALS))
        opened, left = _openings(things, roof, fixed, ideal, aside)
        for wide, turn in ((True, False), (True, True), (False, False), (False, True), (True, None), (False, None)):
            laid, most = _with_panels(roof, panels, [*fixed, *opened], wide, turn)
            score = (len(laid) + len(opened), int(turn is not None), int(wide))
            if best is None or score > best[0]:
                best = (score, opened, left, laid, most, word)
            if len(laid) == len(panels):
                break
        if best is not None and best[0] == (len(panels) + len(opened) + len(left), 1, 1) and not best[2]:
            break
    assert best is not None
    score, opened, left, laid, most, word = best
    have = {t.key for t in laid}
    more = _gland(design, roof, [*fixed, *opened, *laid])
    out = [t.spot for t in (*opened, *laid) if t.spot is not None]
    why = []
    if opened:
        why.append(says("openings-and-between-ribs", word=word))
        framed = [t.name for t in opened if t.spot is not None and t.spot.framed]
        if framed:
            why.append(says("no-free-stretch-between", framed=", ".join(framed)))
    if panels:
        clear = says("out-their-shadow-at") if score[2] else says("close-to-them-since")
        lie = says("rest-found-no-room") if len(laid) < len(panels) else "."
        why.append(says("panels-beside-them", laid_count=len(laid), panels_count=len(panels), opened=bool(opened or fixed), clear=clear, lie=lie))
    return LaidOut((*out, *more), (*left, *(t for t in panels if t.key not in have)), len(laid), max(most, len(laid)), tuple(why))


def _with_panels(roof: RoofShape, panels: Sequence[RoofThing], taken: Sequence[RoofThing], wide: bool, turn: bool | None) -> tuple[list[RoofThing], int]:
    """Panels beside what lies: clear of its shadow, or only of itself; all lengthwise, all turned, or (None) each as it goes."""
    if not panels:
        return [], 0
    sizes: dict[tuple[str, tuple[float, float]], list[RoofThing]] = {}
    for t in panels:
        sizes.setdefault((t.array or "", t.size[:2]), []).append(t)
    kinds = [
        Kind(k[0] + str(i), *((k[1][1], k[1][0]) if turn else k[1]), 1.0, turn is None, len(v))  # a turned kind is one of its own that isn't turned
        for i, (k, v) in enumerate(sizes.items())
    ]
    groups = list(sizes.values())
    e = BONDED_EDGE_M if all(t.kind == "flexible" for t in panels) else EDGE_M
    w = roof.rect
    usable = Rect(w.x0 + e, w.x1 - e, w.y0 + e, w.y1 - e)
    face = max(t.top for t in panels)
    blocked = [*roof.seams]
    for o in taken:
        r = o.rect
        if r is None or o.kind in ("gland", "rail"):
            continue
        m = GAP_M if o.kind in ("panel", "flexible") else strip_of(o, face) if wide else (OPENS_M if o.opens else GAP_M)
        blocked.append(Rect(r.x0 - m, r.x1 + m, r.y0 - m, r.y1 + m))
    found, _, most = pack_some(usable, kinds, blocked, GAP_M)
    out, used = [], [0] * len(groups)
    for s in found:
        t = groups[s.panel][used[s.panel]]
        used[s.panel] += 1
        spot = Spot(of=t.key, x_m=round(s.rect.x0, 4), y_m=round(s.rect.y0, 4), turned=bool(turn) or s.rotated, front_closed=t.kind == "panel", by="proposal")
        out.append(t._replace(spot=spot))
    return _centred(roof, out, blocked, usable), most


def _centred(roof: RoofShape, laid: list[RoofThing], blocked: Sequence[Rect], usable: Rect) -> list[RoofThing]:
    """The rows moved to the middle of the roof where nothing is in the way: it looks and weighs the same on both sides."""
    if not laid:
        return laid
    lo, hi = min(t.rect.y0 for t in laid if t.rect), max(t.rect.y1 for t in laid if t.rect)
    d = round(-(lo + hi) / 2, 4)
    moved = [t._replace(spot=t.spot.model_copy(update={"y_m": round(t.spot.y_m + d, 4)})) for t in laid if t.spot is not None]
    ok = all(
        t.rect is not None and t.rect.y0 >= usable.y0 - 1e-9 and t.rect.y1 <= usable.y1 + 1e-9 and all(apart(t.rect, b) >= -1e-9 for b in blocked)
        for t in moved
    )
    return moved if ok else laid


@lru_cache(maxsize=256)
def _room_for(rect: Rect, seams: tuple[Rect, ...], blocked: tuple[tuple[Rect, float, bool], ...], length: float, width: float) -> int:
    face = AIR_M + PANEL_M
    around = [*seams]
    for r, top, opens in blocked:
        m = max(OPENS_M if opens else GAP_M, max(0.0, top - face) / tan(radians(DESIGN_DEG)) if opens else 0.0)
        around.append(Rect(r.x0 - m, r.x1 + m, r.y0 - m, r.y1 + m))
    usable = Rect(rect.x0 + EDGE_M, rect.x1 - EDGE_M, rect.y0 + EDGE_M, rect.y1 - EDGE_M)
    return pack_some(usable, [Kind("panel", length, width, 1.0)], around, GAP_M, steps=20_000)[1]


def room_for(design: Design, length: float, width: float) -> int | None:
    """How many framed panels of a size (m) go beside what lies on the roof but panels of the shared controller; None while nothing is known of the roof."""
    if not design.fit.roof.begun:
        return None
    shared = {a.id for a in design.power.shared_arrays}
    things = [t for t in roof_things(design) if t.rect is not None and t.array not in shared and t.kind not in ("gland", "rail")]
    blocked = tuple((t.rect, t.top, t.opens) for t in things if t.rect is not None)
    roof = shape_of(design, body_of(design))
    return _room_for(roof.rect, roof.seams, blocked, length, width)


def _gland(design: Design, roof: RoofShape, laid: Sequence[RoofThing]) -> list[Spot]:
    """A spot for each gland that was entered: behind a panel, on a flat."""
    out = []
    panels = [t for t in laid if t.kind in ("panel", "flexible") and t.rect is not None]
    for g in roof_things(design):
        if g.kind != "gland" or g.rect is not None or not panels:
            continue
        for p in sorted(panels, key=lambda t: t.rect.x0 if t.rect else 0.0):
            r = p.rect
            assert r is not None
            for x, y in ((r.x1 + 0.04, r.y0 + 0.1), (r.x0 - 0.04 - g.size[0], r.y0 + 0.1), (r.x0 + 0.1, (r.y0 + r.y1) / 2)):
                spot = Spot(of=g.key, x_m=round(x, 3), y_m=round(y, 3), by="proposal")
                one = g._replace(spot=spot)
                if one.rect is not None and _free(one, one.rect, one.hole, roof, [o for o in laid if o.kind not in ("panel", "flexible")]):
                    out.append(spot)
                    break
            else:
                continue
            break
    return out

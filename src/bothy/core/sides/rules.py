"""Findings of openings in sides, rear and floor: what is cut, what lies behind, and what the exhaust is near."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from itertools import combinations, pairwise
from typing import Any

from bothy.core.contract import EPS
from bothy.core.design.document import Design
from bothy.core.design.sides import Face
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.fit.geometry import Geometry
from bothy.core.fit.part import WallPart
from bothy.core.roof.pack import Rect
from bothy.core.roof.rules import TOLERANCE_M, apart, mm
from bothy.core.sides import rule_table  # noqa: F401  registers the rules
from bothy.core.sides.plan import FaceShape, SideThing
from bothy.core.words.says import sides_says as says

NEVER = {
    "belt_anchorage": says("belt-or-seat-anchorage"),
    "chassis_rail": says("chassis-rail"),
    "airbag": says("airbag"),
    "fuel_line": says("fuel-line"),
    "brake_line": says("brake-line"),
    "loom": says("loom"),
    "tank": says("tank"),
}
"""What is kept clear of whatever frames the cut."""
NEVER_M, RUN_M, BETWEEN_M, EXHAUST_M, BEHIND_M = 0.05, 0.05, 0.03, 0.5, 0.15
OPENS = ("window", "vent", "intake", "drop_vent")


def _grown(r: Rect, by: float) -> Rect:
    return Rect(r.x0 - by, r.x1 + by, r.y0 - by, r.y1 + by)


def _within(inner: Rect, outer: Rect) -> bool:
    return inner.x0 >= outer.x0 - EPS and inner.x1 <= outer.x1 + EPS and inner.y0 >= outer.y0 - EPS and inner.y1 <= outer.y1 + EPS


def move(design: Design, t: SideThing, label: str, **values: Any) -> Remedy | None:
    """The change that sets a cut elsewhere."""
    for i, c in enumerate(design.fit.sides.cuts):
        if c.of == t.key:
            path = f"/fit/sides/cuts/{i}"
            test = {"op": "test", "path": f"{path}/of", "value": t.key}
            return Remedy(label=label, patch=[test, *({"op": "replace", "path": f"{path}/{k}", "value": v} for k, v in values.items())])
    return None


Lines = Mapping[str, list[tuple[str, str, list[list[float]]]]]
"""Face -> runs behind it: id, name, and the points they go through, m."""


NO_LINES: Lines = {}
SLACK_M = 0.001
"""What is found is rounded to the millimetre, and lies clear all the same."""
MOVES = 10
"""So many steps of 50 mm up and down a way out is looked for."""


def lines_of(walls: Iterable[WallPart]) -> Lines:
    """What runs behind each face; under the floor and in it count as one."""
    out: dict[str, list[tuple[str, str, list[list[float]]]]] = {}
    for w in walls:
        face = "floor" if w.id == "under" else w.id
        out.setdefault(face, []).extend((r.run, r.name, [r.enters, *r.turns, r.leaves]) for r in w.rows)
    return out


def runs_at(hole: Rect, runs: Iterable[tuple[str, str, list[list[float]]]]) -> list[tuple[str, str]]:
    """Runs within the margin of a cut: id and name, each once."""
    grown = _grown(hole, RUN_M)
    return list(dict.fromkeys((id, name) for id, name, line in runs if any(_touches(grown, a, b) for a, b in pairwise(line))))


def _barred(face: FaceShape, a: float, v0: float, v1: float, framed: bool, lines: Lines, taken: Iterable[tuple[Rect, float]]) -> list[tuple[float, float]]:
    """Where along a face the middle of a cut that reaches ``a`` to both sides and from ``v0`` to ``v1`` up may not lie: open stretches of u, m.
    ``taken``: other openings with what must be free between."""
    out: list[tuple[float, float]] = []
    for bar in face.bars:
        r, m = bar.rect, NEVER_M if bar.kind in NEVER else 0.0
        if (bar.kind in NEVER or not framed) and r.y0 - m < v1 and r.y1 + m > v0:
            out.append((r.x0 - a - m, r.x1 + a + m))
    for _, _, d in face.doors:
        if d.y0 < v1 and d.y1 > v0:
            inside = v0 >= d.y0 and v1 <= d.y1 and d.x1 - d.x0 >= 2 * a
            out += [(d.x0 - a, d.x0 + a), (d.x1 - a, d.x1 + a)] if inside else [(d.x0 - a, d.x1 + a)]
    for _, _, line in lines.get(face.id, ()):
        for p, q in pairwise(line):
            span = _within_heights(p, q, v0 - RUN_M, v1 + RUN_M)
            if span is not None:
                out.append((span[0] - a - RUN_M, span[1] + a + RUN_M))
    for r, margin in taken:
        if r.y0 - margin < v1 and r.y1 + margin > v0:
            out.append((r.x0 - a - margin, r.x1 + a + margin))
    return [(x - SLACK_M, y + SLACK_M) for x, y in out]


def _within_heights(p: list[float], q: list[float], low: float, high: float) -> tuple[float, float] | None:
    """The stretch of u of a straight line where it lies between two heights; None: nowhere."""
    rise = q[1] - p[1]
    if abs(rise) < 1e-12:
        return (min(p[0], q[0]), max(p[0], q[0])) if low < p[1] < high else None
    s, e = sorted(((low - p[1]) / rise, (high - p[1]) / rise))
    s, e = max(0.0, s), min(1.0, e)
    if s >= e:
        return None
    ends = (p[0] + s * (q[0] - p[0]), p[0] + e * (q[0] - p[0]))
    return min(ends), max(ends)


def nearest(u: float, low: float, high: float, barred: list[tuple[float, float]]) -> float | None:
    """The value from ``low`` to ``high`` that is nearest to ``u`` and in none of the open stretches; None: there is none."""
    if low > high:
        return None
    best: float | None = None
    at = low  # everything under it is barred, or was looked at
    for a, b in [*sorted(barred), (high, high)]:
        end = min(a, high)
        if at <= end:
            x = min(max(u, at), end)
            if best is None or abs(x - u) < abs(best - u):
                best = x
        at = max(at, b)
        if at > high:
            break
    if at <= high:
        x = min(max(u, at), high)
        if best is None or abs(x - u) < abs(best - u):
            best = x
    return best


USUAL_V: dict[str, float] = {"window": 1.15, "vent": 1.55, "inlet": 0.75, "filler": 0.9, "flue": 0.35, "intake": 0.35, "cable": 0.3}
"""How high the middle of an opening usually lies over the finished floor in m, by kind (typical)."""
LEVELS = (0.0, 0.1, -0.1, 0.2, -0.2)


def margin_between(a: SideThing, b: SideThing) -> float:
    """What must be free between two openings, m: an exhaust keeps away from what opens, but for its own air."""
    flue, near = (a, b) if a.kind == "flue" else (b, a)
    if flue.kind != "flue" or near.kind not in OPENS:
        return BETWEEN_M
    own = near.kind == "intake" and near.key.partition(":")[2] == flue.key.partition(":")[2]  # its maker set how far it lies
    return BETWEEN_M if own else EXHAUST_M


def start_of(t: SideThing, face: FaceShape, geo: Geometry, others: list[tuple[SideThing, Rect]], lines: Lines) -> tuple[float, float]:
    """Where an opening may begin, m: beside what it belongs to, else in the middle, and from there the nearest place that is clear of all."""
    w = face.rect
    own = t.key.partition(":")[2]
    mine = (p for k, p in geo.placed.items() if (k.startswith("gas:") if t.kind == "drop_vent" else k.partition(":")[2] == own or k.endswith(f"-{own}")))
    at = next((p.box.middle for p in mine), None)
    a, b = t.size[0] / 2000, t.size[1] / 2000
    if face.id == "floor":
        u, v = (at[0], at[1]) if at is not None else ((w.x0 + w.x1) / 2, 0.0)
    else:
        u = (at[1] if face.id == "rear" else at[0]) if at is not None else (w.x0 + w.x1) / 2
        v = USUAL_V.get(t.kind, 0.8)
    u, v = min(max(u, w.x0 + a), w.x1 - a), min(max(v, w.y0 + b), w.y1 - b)
    taken = [(r, margin_between(t, o)) for o, r in others]
    for framed, known in ((False, lines), (True, lines), (True, NO_LINES)):
        for up in LEVELS:
            if v + up - b < w.y0 - EPS or v + up + b > w.y1 + EPS:
                continue
            free = nearest(u, w.x0 + a, w.x1 - a, _barred(face, a, v + up - b, v + up + b, framed, known, taken))
            if free is not None:
                return round(free, 3), round(v + up, 3)
    return round(u, 3), round(v, 3)


def _elsewhere(design: Design, face: FaceShape, t: SideThing, others: list[SideThing], lines: Lines) -> Remedy | None:
    """The nearest place along the face where the cut is clear of all."""
    hole, c = t.hole, t.cut
    assert hole is not None and c is not None
    a, b, w = (hole.x1 - hole.x0) / 2, (hole.y1 - hole.y0) / 2, face.rect
    taken = [(o.rect, margin_between(t, o)) for o in others if o.key != t.key and o.rect is not None]
    best: tuple[float, float, float] | None = None
    for step in range(-MOVES, MOVES + 1):
        v = min(max(c.v_m + 0.05 * step, w.y0 + b), w.y1 - b)
        if v - b < w.y0 - EPS:
            continue
        u = nearest(c.u_m, w.x0 + a, w.x1 - a, _barred(face, a, v - b, v + b, c.framed, lines, taken))
        if u is not None and (best is None or abs(u - c.u_m) + abs(v - c.v_m) < best[0] - 1e-9):
            best = (abs(u - c.u_m) + abs(v - c.v_m), u, v)
    if best is None:
        return None
    u, v = round(best[1], 3), round(best[2], 3)
    return move(design, t, _moved(face, u - c.u_m, v - c.v_m), u_m=u, v_m=v)


def _moved(face: FaceShape, du: float, dv: float) -> str:
    """A move in words: by how much, and which way."""
    along = (says("to-left"), says("to-right")) if face.id == "rear" else ("forwards", "backwards")
    away = (says("to-left"), says("to-right")) if face.id == "floor" else ("up", "down")
    parts = [f"{abs(1000 * d):.0f} mm {words[d < 0]}" for d, words in ((du, along), (dv, away)) if abs(d) >= 0.0005]
    return says("move", parts=" and ".join(parts))


def side_findings(design: Design, faces: Mapping[Face, FaceShape], things: tuple[SideThing, ...], geo: Geometry, walls: Iterable[WallPart]) -> list[Finding]:
    """All findings of what is set out in sides, rear and floor."""
    out: list[Finding] = []
    lines = lines_of(walls)
    for face in faces.values():
        here = [t for t in things if t.cut is not None and t.cut.face == face.id]
        for t in here:
            if t.hole is not None:
                out += [*_member(design, face, t, here, lines), *_clamp(face, t), *_behind(face, t, geo), *_run(design, face, t, here, lines)]
        for a, b in combinations(here, 2):
            out += _two(design, face, a, b, here, lines)
        if face.id == "floor" and not face.looked and any(t.hole is not None for t in here):
            names = ", ".join(t.name for t in here if t.hole is not None)
            out.append(finding("fit-side-unseen", "floor", says("floor"), says("nobody-entered-what-lies", names=names)))
    return out


def _member(design: Design, face: FaceShape, t: SideThing, here: list[SideThing], lines: Lines) -> Iterator[Finding]:
    hole, c, w = t.hole, t.cut, face.rect
    assert hole is not None and c is not None
    over = max(w.x0 - hole.x0, hole.x1 - w.x1, w.y0 - hole.y0, hole.y1 - w.y1)
    if over > TOLERANCE_M:
        yield finding(
            "fit-side-edge",
            t.key,
            t.name,
            says("reaches-beyond", t_name=t.name, mm=mm(over), face_name=face.name.lower()),
            fix=_elsewhere(design, face, t, here, lines),
        )
        return
    for b in face.bars:
        gap = apart(hole, b.rect)
        if b.kind in NEVER and gap < NEVER_M - TOLERANCE_M:
            where = says("in-cut") if gap < -TOLERANCE_M else says("lies-from-cut", mm=mm(max(0.0, gap)))
            words = says("bar-by-cut", b_name=b.name, what=NEVER[b.kind], where=where, t_name=t.name)
            yield finding("fit-side-never", t.key, t.name, words, beside=b.id, fix=_elsewhere(design, face, t, here, lines))
        elif b.kind not in NEVER and gap < -TOLERANCE_M and not c.framed:
            deep = min(b.rect.x1, hole.x1) - max(b.rect.x0, hole.x0)
            seen = says("taken-to-stand-under") if b.assumed else ""
            yield finding(
                "fit-side-member",
                t.key,
                t.name,
                says("cut-goes-through", t_name=t.name, b_name=b.name, mm=mm(deep), seen=seen),
                beside=b.id,
                fix=_elsewhere(design, face, t, here, lines),
            )
    for id, name, d in face.doors:
        if apart(hole, d) < -TOLERANCE_M and not _within(hole, d):
            words = says("lies-partly-in", t_name=t.name, name=name)
            yield finding("fit-side-door", t.key, t.name, words, beside=id, fix=_elsewhere(design, face, t, here, lines))


def _clamp(face: FaceShape, t: SideThing) -> Iterator[Finding]:
    c = t.cut
    assert c is not None
    if not c.measured:
        return  # what is usual of its kind tells nothing of this unit
    if c.clamp_max_mm is not None and face.thick_mm > c.clamp_max_mm + EPS:
        yield finding(
            "fit-side-thick",
            t.key,
            t.name,
            says("thick-at-clamp-takes", face_name=face.name.lower(), thick_mm=face.thick_mm, t_name=t.name, clamp_max_mm=c.clamp_max_mm),
        )
    elif c.clamp_min_mm is not None and face.thick_mm < c.clamp_min_mm - EPS:
        yield finding(
            "fit-side-thin",
            t.key,
            t.name,
            says(
                "thick-at-clamp-needs",
                face_name=face.name.lower(),
                thick_mm=face.thick_mm,
                t_name=t.name,
                clamp_min_mm=c.clamp_min_mm,
                clamp_min_mm_2=c.clamp_min_mm - face.thick_mm,
            ),
        )


def shadow_on(face: str, box: Any, geo: Geometry) -> tuple[Rect, float] | None:
    """Where a box lies on a face seen from outside, and how far behind it, m; None: on the other half of the vehicle."""
    half = max(max(*s.left_m, *s.right_m) for s in geo.body.hull.stations)
    if face == "left":
        return Rect(box.x0, box.x1, box.z0, box.z1), half - box.y1
    if face == "right":
        return Rect(box.x0, box.x1, box.z0, box.z1), half + box.y0
    if face == "rear":
        return Rect(box.y0, box.y1, box.z0, box.z1), box.x0 - geo.body.hull.first
    return Rect(box.x0, box.x1, box.y0, box.y1), box.z0


def _behind(face: FaceShape, t: SideThing, geo: Geometry) -> Iterator[Finding]:
    hole = t.hole
    assert hole is not None
    own = t.key.partition(":")[2]
    found: list[tuple[float, bool, str, str]] = []
    for p in geo.placed.values():
        rest = p.thing.key.partition(":")[2]
        seen = shadow_on(face.id, p.box, geo)
        if not p.in_room or p.thing.hollow or "removed" in p.thing.tags or seen is None:
            continue
        if seen[1] < BEHIND_M and apart(hole, seen[0]) < -TOLERANCE_M:
            found.append((seen[1], rest == own or rest.endswith(f"-{own}"), p.thing.key, p.thing.name))
    for deep, mine, key, name in sorted(found):
        if mine:
            return  # what it belongs to stands there, and hides what is further in
        far = says("right-behind") if deep < 0.02 else says("behind", mm=mm(deep))
        yield finding("fit-side-behind", t.key, t.name, says("stands", name=name, far=far, t_name=t.name), beside=key, related=[key])


def _run(design: Design, face: FaceShape, t: SideThing, here: list[SideThing], lines: Lines) -> Iterator[Finding]:
    hole = t.hole
    assert hole is not None
    near = runs_at(hole, lines.get(face.id, ()))
    if near:
        names = [name for _, name in near]
        more = says("and-more", names_count=len(names) - 3) if len(names) > 3 else ""
        verb = "runs" if len(names) == 1 else "run"
        yield finding(
            "fit-side-run",
            t.key,
            t.name,
            says("behind-cut", names=", ".join(names[:3]), more=more, verb=verb, t_name=t.name),
            related=[id for id, _ in near],
            fix=_elsewhere(design, face, t, here, lines),
        )


def _touches(r: Rect, a: list[float], b: list[float]) -> bool:
    """Whether a straight line goes through a rectangle: clipped side by side."""
    lo, hi = 0.0, 1.0
    for p, q, least, most in ((a[0], b[0], r.x0, r.x1), (a[1], b[1], r.y0, r.y1)):
        d = q - p
        if abs(d) < 1e-12:
            if p < least or p > most:
                return False
            continue
        s, e = sorted(((least - p) / d, (most - p) / d))
        lo, hi = max(lo, s), min(hi, e)
    return lo <= hi


def _two(design: Design, face: FaceShape, a: SideThing, b: SideThing, here: list[SideThing], lines: Lines) -> Iterator[Finding]:
    ra, rb = a.rect, b.rect
    assert ra is not None and rb is not None
    gap, want = apart(ra, rb), margin_between(a, b)
    if gap >= want - TOLERANCE_M:
        return
    first, second = (a, b) if a.kind == "flue" or b.kind != "flue" else (b, a)
    movable = next((x for x in (first, second) if x.hole is not None), None)
    fix = _elsewhere(design, face, movable, here, lines) if movable is not None else None
    if want == EXHAUST_M:
        why = says("leaking-gas-leaves-there") if second.kind == "drop_vent" else says("exhaust-comes-in-and")
        far = says("ends-from", mm=mm(gap)) if gap > TOLERANCE_M else says("ends-in")
        told = says("at-least-needed", first_name=first.name, far=far, second_name=second.name, mm=mm(EXHAUST_M), why=why)
        yield finding("fit-flue-opening", first.key, first.name, told, beside=second.key, related=[second.key], fix=fix)
        return
    what = says("lie-in-each-other", mm=mm(-gap)) if gap < -TOLERANCE_M else says("lie-apart-and-need", mm=mm(max(0.0, gap)), mm_2=mm(BETWEEN_M))
    words = says("and", first_name=first.name, second_name=second.name, what=what)
    yield finding("fit-side-overlap", first.key, first.name, words, beside=second.key, related=[second.key], fix=fix)

"""How each thing on the roof is held against the wind: uplift and drag, lines of adhesive, bolts, and what is sealed (method roof.wind, roof.adhesive)."""

from __future__ import annotations

from itertools import pairwise
from math import pi
from typing import NamedTuple

from bothy.core.design.roof import Bonding
from bothy.core.fit.tie_down import FIXINGS
from bothy.core.roof.adhesive import section_mm2
from bothy.core.roof.pack import Rect
from bothy.core.roof.plan import Cut, RoofShape, RoofThing
from bothy.core.roof.products import PRODUCTS, Product, bead_least_mm
from bothy.core.roof.wind import AIR_KG_M3, COEFFICIENTS
from bothy.core.words.says import roof_says as says

Line = tuple[tuple[float, float], ...]
INSET_M, FOOT_X_M, FOOT_Y_M, INNER_M, DRAIN_M, DRAIN_STEP_M = 0.03, 0.15, 0.10, 0.12, 0.015, 0.4
"""Profiles lie 30 mm in from the edge; a corner foot has 150 + 100 mm of bead; lines under a flat panel 120 mm apart; a drain of 15 mm each 0.4 m."""
BOLT_PULL_N, BOLT_SHEAR_N, BOLT_SAFETY = FIXINGS["insert_m6"].pull_n, FIXINGS["insert_m6"].shear_n, 2.0
SAFETY_BOLTS_M2 = 1.5
"""A bonded thing of more than this has two bolts besides (own choice)."""
WASTE = 0.15
SEAL_MM = 6.0


class Held(NamedTuple):
    """A thing against the wind: kPa and N, lines of adhesive as they lie and their length in m, mm² asked for and there, the part of its strength that is
    used, and the least thickness of the bead."""

    mount: str
    q_kpa: float
    uplift_n: float
    drag_n: float
    lines: tuple[Line, ...]
    bead_m: float
    need_mm2: float
    have_mm2: float
    bolts: int
    used: float | None
    by: str
    least_mm: float
    path_mm: float


def mount_of(t: RoofThing) -> str:
    """What the wind sees."""
    if t.kind == "flexible":
        return "flexible_bonded"
    if t.kind == "panel":
        return "rigid_closed_edge" if t.spot is not None and t.spot.front_closed and t.gap <= 0.05 + 1e-9 else "rigid_open_edge"
    return "roof_unit"


def _profiles(r: Rect) -> tuple[Line, ...]:
    return tuple(((r.x0, y), (r.x1, y)) for y in (r.y0 + INSET_M, r.y1 - INSET_M))


def _feet(r: Rect) -> tuple[Line, ...]:
    out = []
    for x, sx in ((r.x0 + INSET_M, 1), (r.x1 - INSET_M, -1)):
        for y, sy in ((r.y0 + INSET_M, 1), (r.y1 - INSET_M, -1)):
            out.append(((x + sx * FOOT_X_M, y), (x, y), (x, y + sy * FOOT_Y_M)))
    return tuple(out)


def _perimeter(r: Rect, inner: bool) -> tuple[Line, ...]:
    """Round the edge with drains at the low, rear side; lines along the vehicle under what is flat."""
    x0, x1, y0, y1 = r.x0 + 0.01, r.x1 - 0.01, r.y0 + 0.01, r.y1 - 0.01
    lines: list[Line] = [((x0, y0), (x1, y0), (x1, y1), (x0, y1))]
    y = y0
    step = (y1 - y0) / max(1, round((y1 - y0) / DRAIN_STEP_M))
    while y < y1 - 1e-6:
        lines.append(((x0, y + DRAIN_M / 2), (x0, min(y1, y + step) - DRAIN_M / 2)))
        y += step
    if inner:
        n = max(0, round((y1 - y0) / INNER_M) - 1)
        lines += [((x0, y0 + (k + 1) * (y1 - y0) / (n + 1)), (x1, y0 + (k + 1) * (y1 - y0) / (n + 1))) for k in range(n)]
    return tuple(lines)


def lines_of(t: RoofThing) -> tuple[Line, ...]:
    """Lines of adhesive under a thing, m on the roof: along the vehicle so that water drains, the leading edge closed."""
    r = t.rect
    if r is None:
        return ()
    if t.held == "profiles":
        return _profiles(r)
    if t.held == "corner_feet":
        return _feet(r)
    if t.held == "perimeter":
        return _perimeter(r, t.kind == "flexible" or t.kind == "walkway")
    return ()


def length_m(lines: tuple[Line, ...]) -> float:
    """Length of lines in m."""
    return float(sum(((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2) ** 0.5 for line in lines for a, b in pairwise(line)))


def hold(t: RoofThing, roof: RoofShape, b: Bonding) -> Held | None:
    """How a thing that has a spot is held; None for what is there already, what its maker clamps, and what weighs and catches nothing."""
    r = t.rect
    if r is None or t.kind in ("walkway", "gland", "aerial") or t.held == "clamped" or (t.spot is not None and t.spot.kept):
        return None
    mount = mount_of(t)
    lift, drag = COEFFICIENTS[mount]
    q = 0.5 * AIR_KG_M3 * (b.speed_kmh / 3.6 + b.headwind_m_s) ** 2
    along, across = r.x1 - r.x0, r.y1 - r.y0
    uplift, back = q * lift * along * across, q * drag * across * (t.top if t.kind != "flexible" else t.size[2])
    # the drag of what stands up also tips it about its rear edge: half of its height over its length
    tip = 2 * back * (t.top / 2) / max(0.1, along) if t.kind != "flexible" else 0.0
    p, spot = PRODUCTS[b.adhesive], t.spot
    lines = lines_of(t)
    bead = spot.bead_m if spot is not None and spot.bead_m is not None else length_m(lines)
    bolts = spot.bolts if spot is not None else 0
    if t.held == "bolts":
        n = bolts or 4
        used = BOLT_SAFETY * ((uplift + tip) / n / BOLT_PULL_N + back / n / BOLT_SHEAR_N)
        return Held(mount, q / 1000, uplift, back, (), 0.0, 0.0, 0.0, n, used, "bolts", 2.0, 0.0)
    need, have = need_mm2(p, b.safety_factor, back, uplift + tip), b.bead_width_mm * bead * 1000
    least = bead_least_mm(max(along, across), roof.material, "aluminium" if t.kind == "panel" else "grp")
    used_bond: float | None = need / have if p.carries and have > 0 else None
    return Held(mount, q / 1000, uplift, back, lines, bead, need, have, bolts, used_bond, "bond", least, b.bead_width_mm / 2)


def need_mm2(p: Product, safety: float, shear_n: float, pull_n: float) -> float:
    """Area of bond that loads ask for, mm²; endless for what only seals."""
    if not p.carries:
        return float("inf")
    return safety * (shear_n / p.shear_mpa + pull_n / p.tension_mpa)


def seal_m(c: Cut) -> float:
    """Length round a cut-out in m."""
    return (2 * (c.length + c.width) - 8 * c.radius + 2 * pi * c.radius) / 1000


class Amount(NamedTuple):
    """Something to buy for the roof: what, how much with its unit, and how many packs of which size."""

    key: str
    name: str
    amount: float
    unit: str
    packs: int
    pack: str
    why: str


def _packs(amount: float, pack: float) -> int:
    return int(-(-amount // pack)) if amount > 1e-9 else 0


def amounts(things: tuple[RoofThing, ...], held: dict[str, Held], b: Bonding) -> list[Amount]:
    """What the roof takes: adhesive under what is bonded, sealant where it only seals (two beads round each opening), paint on bare edges, primer, gaskets."""
    p, out = PRODUCTS[b.adhesive], []
    bond_m = sum(h.bead_m for h in held.values())
    section = section_mm2("flat", b.bead_width_mm, b.bead_thickness_mm)
    if bond_m > 0 and p.carries:
        ml = section * bond_m * (1 + WASTE)
        size = f"{p.pack_ml:g} mL"
        out.append(Amount("adhesive", p.name, ml, "mL", _packs(ml, p.pack_ml), size, f"{bond_m:.1f} m of {b.bead_width_mm:g} × {b.bead_thickness_mm:g} mm"))
    cuts = [t.cut for t in things if t.cut is not None and t.hole is not None]
    seal = sum(2 * seal_m(c) for c in cuts)
    if seal > 0:
        ml, s = section_mm2("round", SEAL_MM, SEAL_MM) * seal * (1 + WASTE), PRODUCTS["hybrid"]
        out.append(
            Amount(
                "sealant",
                says("sealant-same-kind-as"),
                ml,
                "mL",
                _packs(ml, s.pack_ml),
                f"{s.pack_ml:g} mL",
                says("two-beads-round-openings", cuts_count=len(cuts)),
            )
        )
        edge = sum(seal_m(c) for c in cuts)
        ml = edge * 0.03 * 2 * 0.12 * 1000  # a strip of 30 mm, two coats, about 0.12 L/m²
        out.append(Amount("edge_paint", says("rust-paint-for-cut"), ml, "mL", _packs(ml, 125), "125 mL", says("bare-edge-two-coats", edge_m=edge)))
    area = bond_m * (b.bead_width_mm + 20) / 1000
    if area > 0:
        ml = area * 100 * (1 + WASTE)  # about 0.1 L/m²
        out.append(Amount("primer", says("primer-or-activator-for"), ml, "mL", _packs(ml, 100), "100 mL", says("on-roof-and-on")))
        out.append(Amount("cleaner", says("solvent-cleaner-and-lint"), 2 * ml, "mL", _packs(2 * ml, 500), "500 mL", says("two-wipes-with-two")))
    foam = sum(seal_m(t.cut) + 0.1 for t in things if t.cut is not None and t.cut.gasket is not None and t.hole is not None)
    if foam > 0:
        out.append(Amount("gasket", says("closed-cell-gasket-if"), foam, "m", _packs(foam, 2.5), "2.5 m", says("round-opening-each-unit")))
    return out

"""The roof of a design from outside: its shape with ribs and crown, and everything that lies or will lie on it, with where it does (method roof.plan)."""

from __future__ import annotations

from collections import Counter
from math import sqrt
from typing import NamedTuple

from bothy.core.catalogue.parts import parts
from bothy.core.catalogue.things import usual_things
from bothy.core.design.document import Design
from bothy.core.design.power import SolarArray
from bothy.core.design.roof import Below, CutDoc, HeldBy, Spot
from bothy.core.fit.body import BodyShape, body_of
from bothy.core.fit.boxes import Box
from bothy.core.fit.geometry import Geometry, geometry_of
from bothy.core.fit.ledger import Kilo
from bothy.core.roof.pack import Rect
from bothy.core.vehicles import PRESETS
from bothy.core.words.says import roof_says as says

EDGE_M, BONDED_EDGE_M, OPENS_M, GAP_M = 0.05, 0.03, 0.05, 0.02
RIB_M = 0.04
PANEL_M = 0.035
"""How thick a framed panel is (typical)."""
FLEXIBLE_M = 0.004
AIR_M = 0.03


SEAM_M = 0.015
"""What stays free on each side of a lifting roof's seam (typical)."""


class RoofPreset(NamedTuple):
    """A roof from outside: where it begins and ends over the inside, width, crown and pitch and height of its ribs in m; skin in mm; what it is made of."""

    x0: float
    x1: float
    width: float
    crown: float
    pitch: float | None
    rib: float
    skin_mm: float
    material: str


ROOFS: dict[str, RoofPreset] = {
    "small_van": RoofPreset(0.1, 1.9, 1.20, 0.020, 0.450, 0.010, 0.8, "steel"),
    "panel_van": RoofPreset(0.1, 2.6, 1.35, 0.030, 0.500, 0.012, 0.8, "steel"),
    "long_high_van": RoofPreset(0.2, 4.3, 1.60, 0.040, 0.620, 0.015, 0.8, "steel"),
    "minibus": RoofPreset(0.2, 4.3, 1.60, 0.040, 0.620, 0.015, 0.8, "steel"),
    "bus": RoofPreset(0.2, 8.0, 2.10, 0.080, 0.700, 0.020, 1.0, "steel"),
    "truck_body": RoofPreset(0.0, 5.0, 2.12, 0.0, None, 0.0, 40.0, "grp"),
    "trailer": RoofPreset(0.0, 4.8, 2.00, 0.030, 0.610, 0.0, 0.8, "aluminium"),
    "truck_camper": RoofPreset(0.0, 2.4, 2.00, 0.020, None, 0.0, 25.0, "grp"),
    "boat": RoofPreset(0.0, 9.0, 1.70, 0.050, None, 0.0, 4.0, "steel"),
}
"""Typical, by kind of vehicle; measured values win. Ribs lie across."""


class Rib(NamedTuple):
    """A rib or a bow across the roof, m; one of 0 m is a bow that doesn't show outside."""

    id: str
    x0: float
    x1: float
    height: float


class RoofShape(NamedTuple):
    """The roof: rectangle, crown and ribs in m, what is under its skin, and its thickness with the lining in mm. ``assumed``: what nobody measured;
    ``seams``: where a lifting roof parts from the rest."""

    rect: Rect
    crown: float
    ribs: tuple[Rib, ...]
    below: tuple[Below, ...]
    skin_mm: float
    thick_mm: float
    material: str
    assumed: tuple[str, ...]
    seams: tuple[Rect, ...] = ()

    @property
    def width(self) -> float:
        """Width in m."""
        return self.rect.y1 - self.rect.y0

    @property
    def radius(self) -> float | None:
        """Radius of its bend in m; None when it is flat."""
        return self.width**2 / (8 * self.crown) if self.crown > 1e-6 else None

    def z(self, y: float) -> float:
        """How far the roof lies under its middle, m."""
        return -self.crown * (2 * y / self.width) ** 2


class Cut(NamedTuple):
    """A cut-out in mm along and across the vehicle, its corner radius, the thickness its clamp takes and its gasket; ``measured``: from the part in hand."""

    length: float
    width: float
    radius: float
    clamp_min: float | None
    clamp_max: float | None
    gasket: float | None
    measured: bool


class RoofThing(NamedTuple):
    """Something on the roof: sizes in m as it lies unturned, kg, its cut-out, and the thing of the design that it is (or is a part of)."""

    key: str
    name: str
    kind: str
    size: tuple[float, float, float]
    mass_kg: float
    of: str | None
    cut: Cut | None
    array: str | None = None
    spot: Spot | None = None

    @property
    def held(self) -> HeldBy:
        """How it is held: as entered, else as usual of its kind."""
        if self.spot is not None and self.spot.held is not None:
            return self.spot.held
        return HELD.get(self.kind, "perimeter")

    @property
    def opens(self) -> bool:
        """Whether it opens, so that nothing may lie close to it."""
        return self.kind in ("fan", "rooflight", "hatch")

    @property
    def gap(self) -> float:
        """Air under it in m."""
        if self.kind == "panel":
            return AIR_M if self.spot is None or self.spot.gap_m is None else self.spot.gap_m
        return 0.0 if self.spot is None or self.spot.gap_m is None else self.spot.gap_m

    @property
    def top(self) -> float:
        """Height of its top over the skin in m."""
        return self.gap + self.size[2]

    @property
    def rect(self) -> Rect | None:
        """Where it lies, m; None: not laid out yet."""
        s = self.spot
        if s is None:
            return None
        a, b = self.extent
        return Rect(s.x_m, s.x_m + a, s.y_m, s.y_m + b)

    @property
    def extent(self) -> tuple[float, float]:
        """Size along and across the vehicle in m, as it is turned."""
        a, b = self.size[:2]
        return (b, a) if self.spot is not None and self.spot.turned else (a, b)

    @property
    def hole(self) -> Rect | None:
        """Where the skin is cut, m; None: it isn't, or the hole is there already."""
        r, c = self.rect, self.cut
        if r is None or c is None or (self.spot is not None and self.spot.kept):
            return None
        length, width = (c.width, c.length) if self.spot is not None and self.spot.turned else (c.length, c.width)
        mx, my = (r.x0 + r.x1) / 2, (r.y0 + r.y1) / 2
        return Rect(mx - length / 2000, mx + length / 2000, my - width / 2000, my + width / 2000)


HELD: dict[str, HeldBy] = {
    "panel": "profiles",
    "flexible": "perimeter",
    "fan": "clamped",
    "rooflight": "clamped",
    "air_conditioner": "clamped",
    "hatch": "clamped",
    "vent": "clamped",
    "aerial": "clamped",
    "rail": "bolts",
    "box": "bolts",
}
_CUTS: dict[str, tuple[float, float, float, float | None, float | None, float | None]] = {
    "fan": (356, 356, 25, 2, 60, None),
    "air_conditioner": (356, 356, 25, 25, 80, 25),
    "aerial": (15, 15, 7.5, None, None, None),
    "gland": (20, 20, 10, None, None, None),
}
"""Nominal cut-outs with their clamps by kind, mm (typical): cut to the size of the part in hand, not to this."""


def _cut(kind: str, size: tuple[float, float, float], doc: CutDoc | None, opening: tuple[float, float] | None = None) -> Cut | None:
    if doc is not None:
        return Cut(doc.length_mm, doc.width_mm, doc.radius_mm, doc.clamp_min_mm, doc.clamp_max_mm, doc.gasket_mm, doc.measured)
    if kind in _CUTS:
        return Cut(*_CUTS[kind], False)
    if kind in ("rooflight", "hatch"):
        a, b = opening or (size[0] - 0.06, size[1] - 0.06)
        return Cut(1000 * a, 1000 * b, min(30.0, 400 * min(a, b)), 25, 60, None, False)
    if kind == "vent":
        side = round(1000 * (opening[0] if opening else min(size[:2]) - 0.05), 0)
        return Cut(side, side, side / 2, None, None, None, False)
    return None


def shape_of(design: Design, body: BodyShape) -> RoofShape:
    """The roof of a design: typed, or usual of its kind and scaled to its inside."""
    doc, p = design.fit.roof, ROOFS[design.vehicle.preset]
    usual = PRESETS[design.vehicle.preset].inside
    along, across = body.bare[0] / usual[0], body.bare[1] / usual[1]
    assumed = []

    def take(word: str, typed: float | None, usual: float) -> float:
        if typed is None:
            assumed.append(word)
        return usual if typed is None else typed

    x0 = take(says("where-begins"), doc.x0_m, p.x0 * along)
    x1 = take(says("where-ends"), doc.x1_m, p.x1 * along)
    x1 = max(x1, x0 + 0.3)
    width = take("width", doc.width_m, p.width * across)
    crown = min(take("crown", None if doc.crown_mm is None else doc.crown_mm / 1000, p.crown * across), width / 2)
    if doc.ribs is not None:
        ribs = tuple(Rib(r.id, r.x0_m, r.x1_m, r.height_mm / 1000) for r in sorted(doc.ribs, key=lambda r: r.x0_m))
    else:
        assumed.append("ribs")
        ribs = _usual_ribs(p, x0, x1)
    hulls = {"grp": "grp", "steel": "steel", "aluminium": "aluminium", "wood": "grp"}
    material = hulls.get(design.vehicle.hull or "", p.material) if design.vehicle.preset == "boat" else p.material
    skin = take(says("thickness-skin"), doc.skin_mm, p.skin_mm)
    lining = take(says("thickness-lining"), doc.lining_mm, 1000 * body.linings["roof"])
    return RoofShape(Rect(x0, x1, -width / 2, width / 2), crown, ribs, tuple(doc.below), skin, skin + lining, material, tuple(assumed), _seams(design, body))


def _seams(design: Design, body: BodyShape) -> tuple[Rect, ...]:
    """The four sides of a lifting roof, each as a strip that nothing on the roof may cross."""
    t = design.warmth.pop_top
    if t is None:
        return ()
    x0 = body.begins(t.length_m, t.x_m)
    lid, s = Rect(x0, x0 + t.length_m, -t.width_m / 2, t.width_m / 2), SEAM_M
    return (
        Rect(lid.x0 - s, lid.x0 + s, lid.y0, lid.y1),
        Rect(lid.x1 - s, lid.x1 + s, lid.y0, lid.y1),
        Rect(lid.x0, lid.x1, lid.y0 - s, lid.y0 + s),
        Rect(lid.x0, lid.x1, lid.y1 - s, lid.y1 + s),
    )


def _usual_ribs(p: RoofPreset, x0: float, x1: float) -> tuple[Rib, ...]:
    if p.pitch is None:
        return ()
    n = int((x1 - x0 - 0.1) / p.pitch)
    start = x0 + ((x1 - x0) - (n - 1) * p.pitch) / 2
    return tuple(Rib(f"rib-{i + 1}", start + i * p.pitch - RIB_M / 2, start + i * p.pitch + RIB_M / 2, p.rib) for i in range(n))


def panel_size(design: Design, a: SolarArray) -> tuple[float, float, float]:
    """Length, width and thickness in m of one panel of an array: measured, of its part, or by its power (about 195 W a m², typical)."""
    typed = next((s for s in design.fit.sizes if s.of == f"panel:{a.id}"), None)
    part = parts().get(a.part or "")
    thick = FLEXIBLE_M if a.mounting == "glued" else PANEL_M
    if part is not None and min(part.length_mm, part.width_mm, part.height_mm) > 0:
        size = (part.length_mm / 1000, part.width_mm / 1000, part.height_mm / 1000)
    else:
        width = min(1.13, sqrt(a.panel_power_w / 195 / 1.6))
        size = (round(width * 1.6, 3), round(width, 3), thick)
    if typed is not None:
        size = (typed.length_m or size[0], typed.width_m or size[1], typed.height_m or size[2])
    return size


def _panels(design: Design) -> list[RoofThing]:
    out = []
    for a in design.power.arrays:
        if a.deploy == "ground":
            continue
        size, n = panel_size(design, a), a.series_count * a.parallel_count
        part = parts().get(a.part or "")
        kg = a.unit_mass_kg if a.unit_mass_kg is not None else part.mass_kg if part is not None and part.mass_kg > 0 else a.panel_power_w * 0.057
        kind = "flexible" if a.mounting == "glued" else "panel"
        out += [RoofThing(f"panel:{a.id}-{i + 1}", says("panel", a_name=a.name, i=i + 1), kind, size, kg, f"power:array-{a.id}", None, a.id) for i in range(n)]
    return out


def _things(design: Design, cuts: dict[str, CutDoc]) -> list[RoofThing]:
    """Fans, rooflights, vents and the air conditioner of the other stages. A fan that is both a line of Life and a way for air is one fan."""
    usual, out = usual_things(), []
    fans = [a for a in design.life.appliances if a.kind == "fan" and a.zone == "roof"]
    u = usual["fan"]
    for a in fans:
        part = parts().get(a.part or "")
        kg = a.mass_kg if a.mass_kg is not None else part.mass_kg if part is not None and part.mass_kg > 0 else u.mass_kg
        size = (0.42, 0.42, u.size[2])
        names = [(f"fan:{a.id}-{i + 1}", f"{a.name} {i + 1}") for i in range(a.count)] if a.count > 1 else [(f"fan:{a.id}", a.name)]
        out += [RoofThing(k, name, "fan", size, kg, f"life:{a.id}", _cut("fan", size, cuts.get(k))) for k, name in names]
    for v in design.warmth.vents:
        k = f"vent:{v.id}"
        if v.kind == "roof_fan" and not fans:
            size = (0.42, 0.42, u.size[2])
            out.append(RoofThing(k, v.name, "fan", size, u.mass_kg, None, _cut("fan", size, cuts.get(k))))
        elif v.kind == "fixed_roof":
            d = min(0.3, max(0.06, 2 * sqrt(v.free_area_mm2 / 3.1416) / 1000))
            size = (round(d + 0.05, 3), round(d + 0.05, 3), 0.05)
            out.append(RoofThing(k, v.name, "vent", size, 0.5, None, _cut("vent", size, cuts.get(k), (d, d))))
    for o in design.warmth.openings:
        if o.on != "roof":
            continue
        size = (o.width_m + 0.06, o.height_m + 0.06, 0.09)
        for i in range(min(o.count, 20)):
            k = f"light:{o.id}-{i + 1}" if o.count > 1 else f"light:{o.id}"
            name = f"{o.name} {i + 1}" if o.count > 1 else o.name
            out.append(
                RoofThing(k, name, "rooflight", size, 9 * o.width_m * o.height_m + 3, None, _cut("rooflight", size, cuts.get(k), (o.width_m, o.height_m)))
            )
    c = design.warmth.cooler
    if c is not None and not c.hose_flow_m3_h:
        part, uc = parts().get(c.part or ""), usual["cooler"]
        known = part is not None and min(part.length_mm, part.width_mm, part.height_mm) > 0
        size = (part.length_mm / 1000, part.width_mm / 1000, part.height_mm / 1000) if known and part is not None else uc.size
        out.append(
            RoofThing(
                "cooler:unit", c.name, "air_conditioner", size, c.mass_kg or uc.mass_kg, "warmth:cooler", _cut("air_conditioner", size, cuts.get("cooler:unit"))
            )
        )
    return out


def _sized(design: Design, t: RoofThing, of_them: int) -> RoofThing:
    """What was measured of it laid over, its mass parted among so many; panels have theirs by array."""
    s = next((s for s in design.fit.sizes if s.of in (t.key, t.of)), None)
    if s is None or t.array is not None:
        return t
    size = (s.length_m or t.size[0], s.width_m or t.size[1], s.height_m or t.size[2])
    return t._replace(size=size, mass_kg=t.mass_kg if s.mass_kg is None else s.mass_kg / (1 if s.of == t.key else of_them))


def roof_things(design: Design) -> tuple[RoofThing, ...]:
    """Everything that lies or will lie on the roof, in the order of the stages, each with its spot if it has one."""
    doc = design.fit.roof
    cuts = {c.of: c for c in doc.cuts}
    out = _panels(design) + _things(design, cuts)
    for o in doc.own:
        k, size = f"roof:{o.id}", (o.length_m, o.width_m, o.height_m)
        out.append(RoofThing(k, o.name, o.kind, size, o.mass_kg, None, _cut(o.kind, size, cuts.get(k))))
    spots = {s.of: s for s in doc.spots}
    many = Counter(t.of for t in out)
    return tuple(_sized(design, t, many[t.of] if t.of else 1)._replace(spot=spots.get(t.key)) for t in out)


def strays_of(design: Design, things: tuple[RoofThing, ...]) -> list[str]:
    """Spots of what the design no longer has."""
    known = {t.key for t in things}
    return [s.of for s in design.fit.roof.spots if s.of not in known]


def panels_across(t: RoofThing, roof: RoofShape) -> tuple[float, float] | None:
    """Packing under the right and the left feet in m so that a panel lies level over the crown with its gap at the highest point; None when it has no spot."""
    r = t.rect
    if r is None:
        return None
    top = max(roof.z(y) for y in (r.y0, r.y1, min(max(0.0, r.y0), r.y1)))
    return t.gap + top - roof.z(r.y0), t.gap + top - roof.z(r.y1)


def boxes_on_roof(design: Design, body: BodyShape, things: tuple[RoofThing, ...]) -> dict[str, Box]:
    """Things of the design whose parts all lie on the roof -> the box round them, m."""
    out: dict[str, Box] = {}
    z = body.height + body.linings["roof"]
    for of in dict.fromkeys(t.of for t in things if t.of is not None):
        mine = [t for t in things if t.of == of]
        rects = [t.rect for t in mine if t.rect is not None]
        if len(rects) == len(mine):
            low, high = min(t.gap for t in mine), max(t.top for t in mine)
            out[of] = Box(
                min(r.x0 for r in rects), max(r.x1 for r in rects), min(r.y0 for r in rects), max(r.y1 for r in rects), round(z + low, 4), round(z + high, 4)
            )
    return out


def geometry_with_roof(design: Design) -> Geometry:
    """All geometry of a design, with what is laid out on its roof."""
    return geometry_of(design, roof=boxes_on_roof(design, body_of(design), roof_things(design)))


def masses_on_roof(things: tuple[RoofThing, ...], z: float) -> tuple[Kilo, ...]:
    """What lies on the roof, was not there before, and is no thing of another stage: each with its kg and where it is, m."""
    out = []
    for t in things:
        r = t.rect
        if t.of is None and t.mass_kg > 0 and r is not None and not (t.spot is not None and t.spot.kept):
            out.append(Kilo(t.key, t.name, t.mass_kg, ((r.x0 + r.x1) / 2, (r.y0 + r.y1) / 2, z + t.top / 2), "fixed", says("on-roof"), True))
    return tuple(out)

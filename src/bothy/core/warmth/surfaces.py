"""The shell of a design as surfaces: area, build-up, U-value, covers, and what the damp does on and in each."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any, Literal

from bothy.core.catalogue.materials import Material, materials
from bothy.core.context import Context
from bothy.core.contract import BadInput, quick
from bothy.core.design.warmth import AIR_GAP, BuildUp, Cab, Opening, SurfaceChoice, WallLayer
from bothy.core.figure import Figure, derived, given
from bothy.core.fit.hull import Hull
from bothy.core.method.sources import Method
from bothy.core.warmth.build_up import R_SI, Direction, Layer, Rib, UValueIn, UValueOut, u_value
from bothy.core.warmth.condensation import CondensationCheckIn, CondensationCheckOut, condensation_check
from bothy.core.warmth.presets import CABS, SHELL_OF, usual
from bothy.core.warmth.shell import ROUND, SHELLS, PopTop, ShellAreaIn, ShellAreaOut, ShellOpening, SlideOut, shell_area
from bothy.core.words.choices import word_of
from bothy.core.words.says import warmth_says as says

ELEMENT_U: dict[str, float] = {
    "single_glass": 5.6,
    "single_acrylic": 5.3,
    "double_acrylic": 2.8,
    "double_rooflight": 3.2,
    "fan_lid": 5.5,
    "bare_steel": 5.9,
    "panel_door": 2.8,
    "sandwich": 1.0,
}
"""Whole elements in W/(m²K) (method warmth.u-value)."""
CAB_U = {"cab_windscreen": 5.6, "cab_side_glass": 5.6, "cab_doors": 2.8, "cab_roof": 2.6, "cab_floor": 2.2, "cab_firewall": 2.0}
BULKHEAD_U, SLIDE_U, CANVAS_U, LINED_U = 2.0, 1.0, 5.7, 2.0
COVER_R: dict[str, float] = {"none": 0.0, "screen_inside": 0.35, "cover_outside": 0.40, "blind": 0.15, "cassette": 0.20, "curtain": 0.20, "plug": 0.80}
"""m²K/W of what is put before a surface at night (method warmth.heat-loss)."""
CURTAIN_U = 1 / (0.13 + 0.13 + COVER_R["curtain"])
CAB_GLASS_SHGC = 0.65
ABSORPTANCE = {"white": 0.28, "light": 0.35, "silver": 0.45, "mid": 0.65, "dark": 0.9}
NAMES = {
    "floor": says("floor"),
    "roof": says("roof"),
    "left": says("left-side"),
    "right": says("right-side"),
    "rear": says("rear"),
    "front": says("front-wall"),
    "cab_windscreen": says("windscreen"),
    "cab_side_glass": says("cab-side-glass"),
    "cab_doors": says("cab-doors"),
    "cab_roof": says("cab-roof"),
    "cab_floor": says("cab-floor"),
    "cab_firewall": says("firewall"),
    "pop_top_canvas": says("pop-top-canvas"),
    "pop_top_lid": says("pop-top-lid"),
}
DIRECTIONS: dict[str, Direction] = {"roof": "up", "floor": "down", "rooflight": "up"}
GLASS = ("glass", "window", "rooflight")
SHEET_M2, WASTE = 1.22 * 2.44, 0.15
OUTDOOR_RH = 0.85


@dataclass
class Surface:
    """One surface as it is reckoned with. ``side``: which way it faces (roof, floor, left, right, rear, front); U in W/(m²K), areas in m²."""

    id: str
    name: str
    kind: str
    side: str
    area_m2: float
    zone: str
    u: Figure
    extra_r: float
    b_frac: float
    opaque: bool
    shgc: float
    transmit: float
    cover: str
    build: BuildUp | None = None
    worked: UValueOut | None = None
    damp: CondensationCheckOut | None = None
    assumed: bool = False

    @property
    def direction(self) -> Direction:
        """Which way the heat goes through it."""
        return DIRECTIONS.get(self.kind, "horizontal")

    @property
    def u_effective(self) -> float:
        """With what is put before it."""
        return 1 / (1 / self.u.value + self.extra_r)

    @property
    def ua(self) -> float:
        """W/K, buffer spaces counted."""
        return self.u_effective * self.area_m2 * self.b_frac


@dataclass
class Shell:
    """All surfaces of a design, the volume that is heated, and the cab's share of its walls towards outside."""

    surfaces: list[Surface]
    areas: ShellAreaOut
    cab: Cab
    cab_b: float | None
    problem: str | None = None
    nowhere: list[Opening] = field(default_factory=list)
    """Openings in a front wall that isn't there while the cab is open: not reckoned."""
    builds: dict[str, UValueOut] = field(default_factory=dict)


def _layer(x: WallLayer) -> Layer:
    if x.material == AIR_GAP:
        return Layer.trusted(name=says("air-gap"), type="air_gap", thickness_mm=x.thickness_mm, emissivity_2_frac=0.05 if x.foil else 0.9)
    own: dict[str, Any] = {}
    if x.conductivity_w_mk is not None:
        own = {"conductivity_w_mk": x.conductivity_w_mk, "density_kg_m3": x.density_kg_m3, "mu": x.mu}
    price = materials()[x.material].price_m2(x.thickness_mm) if x.material else 0.0
    return Layer.trusted(
        name=x.name or (materials()[x.material].within if x.material else says("own-layer")),
        material=x.material,
        thickness_mm=x.thickness_mm,
        coverage_frac=x.coverage_frac,
        cost_per_m2=price,
        **own,
    )


def stuff(x: WallLayer) -> Material | None:
    """A layer's material of the table."""
    return materials().get(x.material or "")


def layers_of(b: BuildUp) -> list[Layer]:
    """A build-up with its skin, inside to outside."""
    out = [_layer(x) for x in b.layers]
    if b.skin != "none":
        out.append(Layer.trusted(name="skin", material=b.skin, thickness_mm=b.skin_mm))
    return out


def worked(b: BuildUp, direction: Direction) -> UValueOut:
    """U-value of a build-up with its ribs and voids."""
    rib = None
    if b.rib_spacing_mm is not None:
        rib = quick(
            Rib,
            spacing_mm=b.rib_spacing_mm,
            flange_width_mm=b.rib_flange_mm,
            depth_mm=b.rib_depth_mm,
            cover_layers=[_layer(x) for x in b.layers if x.over_ribs],
        )
    return u_value(UValueIn.trusted(direction=direction, layers=layers_of(b), void_frac=b.void_frac, rib=rib))


def geometry(ctx: Context) -> ShellAreaIn:
    """The shell's geometry from Vehicle and Warmth."""
    w = ctx.design.warmth
    key = SHELL_OF[ctx.design.vehicle.preset]
    cab = cab_of(ctx)
    astray = _astray(ctx)
    return ShellAreaIn.trusted(
        preset=key,
        length_m=ctx.inside_length_m,
        width_m=ctx.inside_width_m,
        height_m=ctx.inside_height_m,
        taper_frac=w.taper_frac,
        cab="open" if cab in ("open", "curtain") and SHELLS[key].cab else "bulkhead" if cab == "bulkhead" else "none",
        openings=[ShellOpening.trusted(on=o.on, kind=o.kind, name=o.id, area_m2=o.width_m * o.height_m, count=o.count) for o in w.openings if o not in astray],
        slide_outs=[SlideOut.trusted(on=s.on, depth_m=s.depth_m, width_m=s.width_m, height_m=s.height_m) for s in w.slide_outs],
        pop_top=PopTop.trusted(length_m=w.pop_top.length_m, width_m=w.pop_top.width_m, height_m=w.pop_top.height_m, shape=w.pop_top.shape)
        if w.pop_top
        else None,
    )


def _astray(ctx: Context) -> list[Opening]:
    """Openings in a front wall where the living space is open to the cab."""
    front = not (cab_of(ctx) in ("open", "curtain") and SHELLS[SHELL_OF[ctx.design.vehicle.preset]].cab)
    return [] if front else [o for o in ctx.design.warmth.openings if o.on == "front"]


def cab_of(ctx: Context) -> Cab:
    """How the cab is towards the living space."""
    return ctx.design.warmth.cab or CABS.get(ctx.design.vehicle.preset, "open")


def _cab_b(ctx: Context, cab: Cab) -> float | None:
    """Share of the difference indoors to outdoors that a cab behind a curtain or bulkhead sees: its own for the cab's surfaces (curtain), the wall's
    (bulkhead)."""
    parts = SHELLS[SHELL_OF[ctx.design.vehicle.preset]].cab
    if cab not in ("curtain", "bulkhead") or parts is None:
        return None
    out = sum(a * u for a, u in zip(parts, CAB_U.values(), strict=True))
    taper = ctx.design.warmth.taper_frac or SHELLS[SHELL_OF[ctx.design.vehicle.preset]].taper
    wall = ctx.inside_height_m * ctx.inside_width_m * (1 + taper) / 2
    inner = wall * (CURTAIN_U if cab == "curtain" else BULKHEAD_U)
    return inner / (inner + out) if cab == "curtain" else out / (inner + out)


def _from_table(value: float, what: str) -> Figure:
    return given("u_value_w_m2k", value, "table", says("typical-method-warmth-value", what=what))


def _openings(ctx: Context) -> dict[str, Opening]:
    return {o.id: o for o in ctx.design.warmth.openings}


def work_shell(ctx: Context) -> Shell:
    """All surfaces of a design. Openings larger than their surface leave the shell as if they were not there, and say so."""
    w, cab = ctx.design.warmth, cab_of(ctx)
    geo, problem = geometry(ctx), None
    try:
        areas = shell_area(geo)
    except BadInput as e:
        problem = e.message
        geo = geo.model_copy(update={"openings": [], "slide_outs": [], "pop_top": None})
        areas = shell_area(geo)
    areas = measured_areas(ctx, geo, areas)
    said = {s.id: s for s in w.surfaces}
    builds = {b.id: b for b in w.build_ups}
    openings, cab_b = _openings(ctx), _cab_b(ctx, cab)
    known: dict[tuple[str, str], tuple[UValueOut, CondensationCheckOut]] = {}
    out: list[Surface] = []
    for s in areas.surfaces:
        one = _surface(ctx, s.name, s.kind, s.area_m2, said.get(s.name), openings.get(s.name), builds, cab, cab_b)
        if one.build is not None:
            key = (one.build.id, one.direction)
            if key not in known:
                known[key] = study(ctx, one.build, one.direction)
            one.worked, one.damp = known[key]
            one.u = one.worked.figure("u_value_w_m2k").named(says("value", build_name=one.build.name))
        out.append(one)
    return Shell(out, areas, cab, cab_b, problem, _astray(ctx), {f"{b}/{d}": v[0] for (b, d), v in known.items()})


def measured_areas(ctx: Context, geo: ShellAreaIn, areas: ShellAreaOut) -> ShellAreaOut:
    """The areas by the measured stations of Layout, where there are any: walls along their line, ends as sections, the roof over its crown; what is cut
    out of each stays cut out."""
    body = ctx.design.fit.body
    if not body.stations:
        return areas
    hull = Hull(body.levels_z_m, [(s.x_m, s.left_m, s.right_m, s.height_m) for s in body.stations])
    whole = {s.name: s.area_m2 for s in shell_area(geo.model_copy(update={"openings": [], "slide_outs": [], "pop_top": None})).surfaces}
    measured = {
        "floor": hull.floor_area_m2(),
        "roof": hull.ceiling_area_m2() * ROUND,
        "left": hull.side_area_m2("left"),
        "right": hull.side_area_m2("right"),
        "rear": hull.section_m2(0),
        "front": hull.section_m2(-1),
    }
    surfaces = [
        s.model_copy(update={"area_m2": max(0.0, measured[s.name] - (whole[s.name] - s.area_m2))}) if s.name in measured and s.name in whole else s
        for s in areas.surfaces
    ]
    volume = areas.volume_m3 + hull.volume_m3() - _plain_volume(geo)
    source = Method("fit.shell") + Method("warmth.shell")
    return ShellAreaOut.of(
        surfaces=surfaces,
        total_area_m2=derived("total_area_m2", "Σ, walls, floor, roof and ends by the measured stations", sum(s.area_m2 for s in surfaces), source),
        volume_m3=derived("volume_m3", says("section-along-with-cab"), volume, source, station_count=len(body.stations)),
        floor_area_m2=derived("floor_area_m2", says("width-at-lowest-level"), measured["floor"], source, station_count=len(body.stations)),
    )


def _plain_volume(geo: ShellAreaIn) -> float:
    """The volume of the living space alone by its typed sizes, m³: what the stations stand in for."""
    p = SHELLS[geo.preset]
    taper = geo.taper_frac if geo.taper_frac is not None else p.taper
    return (geo.length_m or 0.0) * (geo.height_m or 0.0) * (geo.width_m or 0.0) * (1 + taper) / 2


def study(ctx: Context, b: BuildUp, direction: Direction) -> tuple[UValueOut, CondensationCheckOut]:
    """Heat and vapour through a build-up at the design cold."""
    rsi = R_SI[direction]
    return worked(b, direction), condensation_check(
        CondensationCheckIn.trusted(
            direction=direction,
            rsi_m2k_w=rsi,
            layers=layers_of(b),
            indoor_temp_c=ctx.indoor_c,
            outdoor_temp_c=ctx.cold_c,
            indoor_rh_frac=DESIGN_RH,
            outdoor_rh_frac=OUTDOOR_RH,
        )
    )


DESIGN_RH = 0.60
"""Humidity inside that a wall must stand (method warmth.heat-loss)."""


def _surface(
    ctx: Context, key: str, kind: str, area: float, said: SurfaceChoice | None, o: Opening | None, builds: dict[str, BuildUp], cab: Cab, cab_b: float | None
) -> Surface:
    in_cab = key.startswith("cab_")
    cover = o.cover if o else said.cover if said else "none"
    zone = (o.zone if o else said.zone if said else None) or ("cab" if in_cab else "living")
    side = (
        o.on
        if o
        else {
            "cab_windscreen": "front",
            "cab_firewall": "front",
            "cab_roof": "roof",
            "cab_floor": "floor",
            "cab_side_glass": "left",
            "cab_doors": "left",
            "pop_top_lid": "roof",
        }.get(key, key)
    )
    if key.startswith("slide_out_"):
        side = ctx.design.warmth.slide_outs[int(key.rsplit("_", 1)[1]) - 1].on
    name = (f"{o.name} × {o.count}" if o.count > 1 else o.name) if o else NAMES.get(key, key.replace("_", " "))
    made = Surface(
        key, name, kind, side, area, zone, _from_table(1.0, ""), COVER_R[cover], 1.0, kind not in GLASS, CAB_GLASS_SHGC if kind == "glass" else 0.0, 1.0, cover
    )
    if said is not None:
        made.transmit = said.shade_transmit_frac
    if in_cab and cab == "curtain" and cab_b is not None:
        made.b_frac = cab_b
    if kind == "bulkhead" and key == "front" and cab_b is not None:
        made.b_frac = cab_b
    if o is not None:
        made.u = (
            given("u_value_w_m2k", o.u_value_w_m2k, "typed", says("as-typed"))
            if o.u_value_w_m2k is not None
            else _from_table(ELEMENT_U[o.element], word_of(o.element))
        )
        glazed = o.kind in ("window", "rooflight")
        made.opaque, made.shgc, made.transmit = not glazed, o.shgc_frac if glazed else 0.0, o.shade_transmit_frac
        return made
    if said is not None and said.u_value_w_m2k is not None:
        made.u = given("u_value_w_m2k", said.u_value_w_m2k, "typed", says("as-typed"))
    elif said is not None and said.build_up is not None:
        made.build = builds[said.build_up]
    elif in_cab:
        made.u = _from_table(CAB_U[key], NAMES[key])
    elif kind == "bulkhead":
        made.u = _from_table(BULKHEAD_U, says("bulkhead-with-pad"))
    elif kind == "slide_out":
        made.u = _from_table(SLIDE_U, says("slide-out-sandwich"))
    elif kind == "canvas":
        lined = ctx.design.warmth.pop_top is not None and ctx.design.warmth.pop_top.lined
        made.u = _from_table(LINED_U if lined else CANVAS_U, says("pop-top-canvas") + (says("quilted-liner") if lined else ""))
    else:
        made.build, made.assumed = usual(ctx.design.vehicle.preset, kind), True
    return made


Season = Literal["winter", "summer"]


def sheets(area_m2: float) -> int:
    """Sheets of 1.22 × 2.44 m for an area, with waste."""
    return max(1, -int(-area_m2 * (1 + WASTE) // SHEET_M2))

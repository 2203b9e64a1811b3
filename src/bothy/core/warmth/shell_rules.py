"""Findings of the shell: heat through surfaces, build-ups and their vapour (method warmth.heat-loss)."""

from __future__ import annotations

from bothy.core.catalogue.materials import materials
from bothy.core.context import Context
from bothy.core.design.warmth import BuildUp, WallLayer
from bothy.core.finding import Remedy, finding
from bothy.core.warmth.air import dew_point, saturation_pa
from bothy.core.warmth.build_up import VOID_MM, curve_void_mm
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found
from bothy.core.warmth.surfaces import COVER_R, Surface, stuff, worked
from bothy.core.words.says import warmth_says as says

U_WALL, U_FLOOR, COLD_PLACE_C = 1.4, 1.6, 5.0
UPRIGHT_M = 0.02
"""Clear height over the tallest person's head."""
GLASS_SHARE, RIB_SHARE, VOID, DEADENING = 0.20, 0.45, 0.03, 0.5
SMALL_WET, MUCH_WET = 0.5, 10.0
RIB_FOAM_MM = (6.0, 10.0, 15.0, 20.0)
TIGHT_SD, TRAP_SD, SKIN_SD, BARRIER_SD, SKIN_R = 5.0, 20.0, 100.0, 2.0, 0.02
CRUSHED = {
    "eps",
    "sheep_wool",
    "recycled_textile",
    "polyester_fleece",
    "mineral_wool",
    "pir_foil",
    "pir_bare",
    "elastomeric_foam",
    "pe_foam",
    "bubble_foil",
    "pu_spray",
}
"""Too soft for a floor (under 100 kPa, typical); boards of polyisocyanurate of the walls' grade too."""
BOARDS = {"plywood", "birch_plywood", "hardwood", "softwood"}


def shell_findings(ctx: Context, w: Warm) -> Found:
    """What the rules say of the shell and its build-ups."""
    p = w.part
    if w.shell.problem is not None:
        yield finding("warm-opening-large", "shell", says("shell"), w.shell.problem[:1].upper() + w.shell.problem[1:] + says("until-this-corrected-no"))
    for o in w.shell.nowhere:
        yield finding(
            "warm-opening-nowhere",
            f"opening:{o.id}",
            o.name,
            says("this-opening-in-front"),
        )
    dt = ctx.indoor_c - ctx.cold_c
    for s in _opaque(w):
        limit = U_FLOOR if s.kind == "floor" else U_WALL
        if ctx.cold_c <= COLD_PLACE_C and s.u_effective > limit and s.b_frac == 1 and s.area_m2 > 0.3 and not s.id.startswith("cab_"):
            yield finding(
                "warm-shell-u-high",
                f"surface:{s.id}",
                s.name,
                says("value-and-should-be", u_effective=s.u_effective, limit=limit, ua_w=s.ua * dt, cold_c=ctx.cold_c),
                figures=[f"surfaces/{s.id}/u_value_w_m2k", f"surfaces/{s.id}/heat_w"],
            )
    bare = [s for s in w.shell.surfaces if s.kind == "glass" and s.extra_r == 0]
    share = sum(s.ua for s in bare) * dt / p.heat_loss_w if p.heat_loss_w else 0.0
    if share > GLASS_SHARE:
        saved = sum((s.u_effective - 1 / (1 / s.u.value + COVER_R["screen_inside"])) * s.area_m2 * s.b_frac for s in bare) * dt
        yield finding(
            "warm-cab-glass-share",
            "surface:cab_windscreen",
            says("cab-glass"),
            says("cabs-glass-loses-all", share=share, saved_w=saved),
            figures=[f"surfaces/{s.id}/heat_w" for s in bare],
            fix=screens(ctx, bare),
        )
    seen: set[tuple[str, str]] = set()
    for s in _built(w):
        assert s.build is not None
        assert s.worked is not None
        key = (s.build.id, s.direction)
        if key in seen or s.assumed:
            continue
        seen.add(key)
        yield from _build_up(ctx, s)
    if ctx.design.warmth.tallest_m is not None and p.headroom_m < ctx.design.warmth.tallest_m + UPRIGHT_M:
        yield finding("warm-headroom", "shell", says("shell"), says("clear-height-and-tallest", headroom_m=p.headroom_m, tallest_m=ctx.design.warmth.tallest_m))
    if ctx.hot_c >= 30 and ctx.design.warmth.colour == "dark":
        roof = next((s for s in w.shell.surfaces if s.id == "roof"), None)
        if roof is not None:
            yield finding(
                "warm-roof-dark",
                "surface:roof",
                "roof",
                says("at-noon-dark-roof", u_effective_w=roof.u_effective * roof.area_m2 * (0.9 - 0.28) * 950 / 17),
                fix=Remedy.sets(says("paint-white"), "/warmth", colour="white"),
            )


def screens(ctx: Context, bare: list[Surface]) -> Remedy:
    """Quilted screens inside the cab's glass."""
    at = {s.id: i for i, s in enumerate(ctx.design.warmth.surfaces)}
    patch = [
        {"op": "replace", "path": f"/warmth/surfaces/{at[s.id]}/cover", "value": "screen_inside"}
        if s.id in at
        else {"op": "add", "path": "/warmth/surfaces/-", "value": {"id": s.id, "cover": "screen_inside"}}
        for s in bare
    ]
    return Remedy(label=says("hang-screens-inside-cabs") if len(bare) > 1 else says("hang-screen-inside", bare_name=bare[0].name), patch=patch)


def _opaque(w: Warm) -> list[Surface]:
    return [s for s in w.shell.surfaces if s.kind in ("floor", "roof", "wall")]


def _built(w: Warm) -> list[Surface]:
    return [s for s in w.shell.surfaces if s.build is not None]


def _sd(x: WallLayer) -> float:
    m = stuff(x)
    if x.mu is not None and m is None:
        return x.mu * x.thickness_mm / 1000
    if m is None:
        return 0.01
    return m.sd_m if m.sd_m is not None else m.mu * x.thickness_mm / 1000


def _insulates(x: WallLayer) -> bool:
    m = stuff(x)
    return (m.insulates if m else (x.conductivity_w_mk or 1) < 0.06) and x.material != "air_gap"


def _build_up(ctx: Context, s: Surface) -> Found:
    b, u = s.build, s.worked
    assert b is not None
    assert u is not None
    subject, name = f"build:{b.id}", b.name
    index = next((i for i, x in enumerate(ctx.design.warmth.build_ups) if x.id == b.id), None)
    if u.rib_share_frac > RIB_SHARE:
        mm = enough_over_ribs(b, s) if index is not None else None
        fix = None
        if mm is not None:
            at = max((i for i, x in enumerate(b.layers) if x.over_ribs), default=-1) + 1
            fix = Remedy(
                label=says("put-foam-over-ribs", mm=mm),
                patch=[
                    {"op": "test", "path": f"/warmth/build_ups/{index}/id", "value": b.id},
                    {"op": "add", "path": f"/warmth/build_ups/{index}/layers/{at}", "value": over_ribs(b, mm).model_dump(mode="json")},
                ],
            )
        yield finding(
            "warm-rib-share",
            subject,
            name,
            says("ribs-carry-what-passes", rib_share_frac=u.rib_share_frac, s_name=s.name, u_clear_w_m2k=u.u_clear_w_m2k, u_value_w_m2k=u.u_value_w_m2k),
            fix=fix,
        )
    if b.void_frac > VOID:
        tight = worked(b.model_copy(update={"void_frac": 0.0}), s.direction).u_value_w_m2k
        yield finding("warm-void", subject, name, says("voids-raise-value-to", void_frac=b.void_frac, u_value_w_m2k=u.u_value_w_m2k, tight_w_m2k=tight))
    for i, x in enumerate(b.layers):
        beside = [y for y in b.layers[max(0, i - 1) : i + 2] if y is not x]
        if x.material == "bubble_foil" and not any(y.material == "air_gap" and y.thickness_mm >= 10 for y in beside):
            yield finding("warm-foil-no-gap", subject, name, says("without-gap-foil-adds", resistance_m2k_w=x.thickness_mm / 1000 / 0.045))
        m = stuff(x)
        if (
            m is not None
            and m.form == "b"
            and _insulates(x)
            and b.strip_mm is not None
            and b.radius_m is not None
            and (gap := curve_void_mm(b.strip_mm, b.radius_m)) > VOID_MM
        ):
            yield finding("warm-rigid-on-curve", subject, name, says("boards-wide-on-radius", strip_mm=b.strip_mm, radius_m=b.radius_m, gap_mm=gap))
        if x.material == "butyl_deadening" and x.coverage_frac > DEADENING:
            yield finding(
                "warm-deadening-over",
                subject,
                name,
                says(
                    "deadening-covers-weighs-more",
                    coverage_frac=x.coverage_frac,
                    coverage_frac_kg=(x.coverage_frac - 0.35) * 1600 * x.thickness_mm / 1000 * s.area_m2,
                ),
            )
    if s.kind == "floor" and not s.id.startswith("cab_"):
        soft = [x for x in b.layers if x.material in CRUSHED]
        spread = sum(x.thickness_mm for x in b.layers if x.material in BOARDS)
        insulation = [x for x in b.layers if _insulates(x)]
        if soft or (insulation and spread < 9):
            weak = stuff(soft[0]) if soft else None
            what = says("gives-way-under", within=weak.within) if weak else says("only-board-spread-load", spread_mm=spread)
            yield finding("warm-floor-crush", subject, name, says("under-feet-and-furniture", what=what))
    if b.drain_blocked:
        yield finding("warm-drain-blocked", subject, name, says("this-build-up-covers"))
    yield from _vapour(ctx, s)


def over_ribs(b: BuildUp, mm: float) -> WallLayer:
    return WallLayer(id=_free("rib-foam", b), material="pe_foam", thickness_mm=mm, over_ribs=True)


def enough_over_ribs(b: BuildUp, s: Surface) -> float | None:
    """The thinnest foam over the ribs by which they carry less than the limit; None where none does or there is no room between them."""
    at = max((i for i, x in enumerate(b.layers) if x.over_ribs), default=-1) + 1
    for mm in RIB_FOAM_MM:
        own = b.rib_flange_mm + 2 * max(13.0, sum(x.thickness_mm for x in b.layers if x.over_ribs) + mm)
        if b.rib_spacing_mm is not None and own >= b.rib_spacing_mm:
            return None
        layers = [*b.layers[:at], over_ribs(b, mm), *b.layers[at:]]
        if worked(b.model_copy(update={"layers": layers}), s.direction).rib_share_frac <= RIB_SHARE:
            return mm
    return None


def _free(id: str, b: BuildUp) -> str:
    have = {x.id for x in b.layers}
    return next(i for i in (id, *(f"{id}-{n}" for n in range(2, 60))) if i not in have)


def _vapour(ctx: Context, s: Surface) -> Found:
    b, d = s.build, s.damp
    assert b is not None
    assert d is not None
    subject, name, school = f"build:{b.id}", b.name, ctx.design.warmth.school
    g = d.condensation_g_m2_day
    dew = dew_point.raw(0.6 * saturation_pa(ctx.indoor_c))
    if g > SMALL_WET:
        where = (d.worst_plane or "").replace("|", " | ")
        rule_id = "warm-interstitial" if g > MUCH_WET else "warm-interstitial-small"
        yield finding(
            rule_id,
            subject,
            name,
            says("about-water-per-condense", g=g, where=where, s_name=s.name, cold_c=ctx.cold_c),
            severity="advice" if school == "open" else None,
        )
    r_total = 1 / d.u_value_w_m2k
    inner_r, known = 0.13, [(x, stuff(x)) for x in b.layers]
    rs = [x.thickness_mm / 1000 / (x.conductivity_w_mk or (m.conductivity_w_mk if m else 0.2)) for x, m in known]
    outer_sd = _skin_sd(b)
    for i, x in enumerate(b.layers):
        inner_r += rs[i]
        bonded = sum(rs[i:]) <= SKIN_R
        if (
            _sd(x) >= TIGHT_SD
            and not _insulates(x)
            and x.material != "air_gap"
            and not bonded
            and any(_insulates(y) for y in b.layers)
            and (r_total - inner_r) / r_total < 2 / 3
        ):
            yield finding(
                "warm-barrier-cold-side",
                subject,
                name,
                says("layer-from-inside-holds", i=i + 1, r_total=(r_total - inner_r) / r_total),
            )
    for i, x in enumerate(b.layers):
        m = stuff(x)
        fibre = (m.fibrous if m else (x.mu or 99) <= 5) and _insulates(x)
        if not fibre:
            continue
        inside = sum(_sd(y) for y in b.layers[:i])
        if inside < BARRIER_SD and outer_sd > SKIN_SD:
            yield finding(
                "warm-fibre-no-barrier",
                subject,
                name,
                says("warm-side-fibre-has", inside_m=inside, g=g),
                severity="note" if school == "open" else None,
            )
        if any(_sd(y) >= TRAP_SD for y in b.layers[:i]) and (outer_sd >= TRAP_SD or any(_sd(y) >= TRAP_SD for y in b.layers[i + 1 :])):
            yield finding("warm-trapped-moisture", subject, name, says("fibre-lies-between-two"))
        break
    if d.air_leak_condenses and school in ("barrier", "bagged") and any(_insulates(x) for x in b.layers):
        yield finding(
            "warm-air-leak",
            subject,
            name,
            says("skin-at-air-inside", skin_inner_temp_c=d.skin_inner_temp_c, dew_c=dew),
        )


def _skin_sd(b: BuildUp) -> float:
    return 0.0 if b.skin == "none" else materials()[b.skin].mu * b.skin_mm / 1000

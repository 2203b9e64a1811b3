"""The roof of a design worked out: what lies where, how it is held, its shade, its cure; fills the part of the report."""

from __future__ import annotations

import datetime as dt
from math import ceil
from typing import NamedTuple

from bothy.core.catalogue.climates import MONTHS, Climate
from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.design.roof import Bonding
from bothy.core.figure import Figure, given
from bothy.core.finding import Finding, finding
from bothy.core.fit.body import BodyShape, body_of
from bothy.core.method.sources import Method
from bothy.core.roof.bond import Held, amounts, hold, seal_m
from bothy.core.roof.curing import CURINGS, WET, Air, Coming, Cured, Curing, coming_of, cure, day_air, days_air, good_hours, needed_h, rate_of
from bothy.core.roof.part import (
    AmountPart,
    BelowPart,
    CurePart,
    CutPart,
    HeldPart,
    RibPart,
    RoofPart,
    RoofShapePart,
    RoofThingPart,
    StepPart,
)
from bothy.core.roof.plan import RoofShape, RoofThing, panels_across, roof_things, shape_of
from bothy.core.roof.products import GOOD_SURFACES, PRODUCTS, Product
from bothy.core.roof.rules import roof_findings
from bothy.core.roof.shading import darkest, hourly_loss, sun_of_day
from bothy.core.roof.template import WORK, template_of
from bothy.core.words.days import in_words
from bothy.core.words.says import roof_says as says

LONGEST_H = 21 * 24
HALL_RH = 0.5


class RoofWork(NamedTuple):
    """The roof before anything else is reckoned: its shape and things, the shade on each array by hour and on each panel, and in which month."""

    shape: RoofShape
    things: tuple[RoofThing, ...]
    shade: dict[str, tuple[float, ...]]
    shaded: dict[str, float]
    month: int


def work_roof(ctx: Context, body: BodyShape) -> RoofWork:
    """The roof's geometry and shade."""
    d = ctx.design
    shape, things = shape_of(d, body), roof_things(d)
    month = darkest(ctx.climate.lat_deg, ctx.months)
    shade: dict[str, tuple[float, ...]] = {}
    shaded: dict[str, float] = {}
    for a in d.power.arrays:
        mine = [t for t in things if t.array == a.id]
        if mine and all(t.rect is not None for t in mine):
            shade[a.id], rows = hourly_loss(things, a.id, ctx.climate.lat_deg, month)
            shaded |= rows
    return RoofWork(shape, things, shade, shaded, month)


def shaded_design(design: Design, w: RoofWork) -> Design:
    """The design with what the roof says of its arrays, where it wasn't entered by hand: the shade of what stands there, and the bend of what is
    bonded flat."""
    arrays = []
    for a in design.power.arrays:
        new: dict[str, object] = {}
        if not a.shade_frac and any(w.shade.get(a.id, ())):
            new["shade_frac"] = list(w.shade[a.id])
        flat = [t for t in w.things if t.array == a.id and t.kind == "flexible" and t.rect is not None]
        if flat and a.roof_radius_m is None and a.across_m is None and w.shape.radius is not None:
            new |= {"roof_radius_m": min(100.0, max(0.5, w.shape.radius)), "across_m": max(t.extent[1] for t in flat)}
        arrays.append(a.model_copy(update=new) if new else a)
    if all(x is y for x, y in zip(arrays, design.power.arrays, strict=True)):
        return design
    return design.model_copy(update={"power": design.power.model_copy(update={"arrays": arrays})})


def shaded_by_roof(design: Design) -> Design:
    """:func:`shaded_design`, for a design of which no report is made."""
    return shaded_design(design, work_roof(Context(design), body_of(design))) if design.fit.roof.spots else design


def curing_of(key: str, p: Product) -> Curing | None:
    """How a product cures; None for what never does (a tape that stays soft)."""
    if p.cure_mm_24h is not None:
        base = CURINGS["pu_adhesive" if key == "polyurethane" else "ms_sealant"]
        return base._replace(depth_mm=p.cure_mm_24h, min_c=p.min_c, max_c=p.max_c)
    if p.handling_h is not None:
        return CURINGS["epoxy"]._replace(ref_h=p.handling_h, min_c=p.min_c, max_c=p.max_c)
    return None


def _air(b: Bonding, c: Climate, month: int, hours: int, coming: tuple[Coming, ...] = ()) -> list[Air]:
    """Air after the bead is laid: of the hall, of the days of the forecast where they reach, else the normals of the month."""
    if b.temp_c is not None:
        return [Air(1.0, b.temp_c, b.humidity_frac or HALL_RH)] * hours
    if _foreseen(b, coming):
        return days_air(c, coming, dt.date.fromisoformat(b.day or ""), b.hour, hours, month)
    return day_air(c.tmin_c[month - 1], c.tmax_c[month - 1], b.humidity_frac or c.rh_frac[month - 1], b.hour, hours)


def _foreseen(b: Bonding, coming: tuple[Coming, ...]) -> bool:
    """Whether the forecast reaches the day of the bond."""
    return b.day is not None and b.temp_c is None and any(x.day == dt.date.fromisoformat(b.day) for x in coming)


class Bonded(NamedTuple):
    """The cure of the roof's bonds: equivalent hours and how it went, in which month, and good hours of the day."""

    part: CurePart
    got: Cured | None
    curing: Curing | None
    needed: float


def _spans(good: list[bool], first: int) -> list[list[int]]:
    """Stretches of good hours of a day as [from, to]; the day begins at midnight."""
    day = [good[(h - first) % 24] for h in range(24)]
    out: list[list[int]] = []
    for h, ok in enumerate(day):
        if ok and (not out or out[-1][1] != h):
            out.append([h, h + 1])
        elif ok:
            out[-1][1] = h + 1
    return out


def cured(ctx: Context) -> Bonded:
    """When the bonds of the roof hold: on the day that was entered, else in the first month of the plan."""
    b = ctx.design.fit.roof.bonding
    p = PRODUCTS[b.adhesive]
    c = curing_of(b.adhesive, p)
    month = dt.date.fromisoformat(b.day).month if b.day else ctx.from_month
    coming = coming_of(ctx.design.build)
    air = _air(b, ctx.climate, month, LONGEST_H, coming)
    path = b.bead_width_mm / 2
    need = needed_h(c, path, b.law == "linear") if c is not None else 0.0
    got = cure(c, need, air) if c is not None else None
    mean_t, mean_rh = sum(a.temp_c for a in air[:24]) / 24, sum(a.humidity for a in air[:24]) / 24
    first = air[0]
    r = rate_of(c, first.temp_c, first.humidity) if c is not None else 1.0
    months: list[float | None] = []
    for m in range(1, 13):
        one = cure(c, need, _air(b, ctx.climate, m, LONGEST_H)) if c is not None else None
        months.append(0.0 if one is None else one.ready_h)
    at = None
    if b.day and (got is None or got.ready_h is not None):
        at = (dt.datetime.fromisoformat(b.day) + dt.timedelta(hours=b.hour + ceil(0.0 if got is None else got.ready_h or 0.0))).strftime("%Y-%m-%d %H:00")
    known = (
        says("air-that-you-entered")
        if b.temp_c is not None
        else says("forecast-ahead")
        if _foreseen(b, coming)
        else says("normals-in-month-bond", climate_name=ctx.climate.name)
    )
    part = quick(
        CurePart,
        product=p.name,
        use=p.use,
        known=known,
        temp_c=mean_t,
        humidity_frac=mean_rh,
        path_mm=path,
        drive_h=0.0 if got is None else got.ready_h,
        drive_at=at,
        skin_min=p.skin_min / r if r > 0 else None,
        good=_spans(good_hours(air[:24], p.min_c, p.max_c), b.hour if b.temp_c is None else 0),
        cold_h=0.0 if got is None else sum(1.0 for a in air[:24] if a.temp_c < p.min_c),
        hot_h=0.0 if got is None else sum(1.0 for a in air[:24] if a.temp_c > p.max_c),
        months=months,
        surface=GOOD_SURFACES.get(b.surface or "", ""),
    )
    return Bonded(part, got, c, need)


def _cure_findings(ctx: Context, bond: Bonded, held: dict[str, Held]) -> list[Finding]:
    b, part = ctx.design.fit.roof.bonding, bond.part
    if not any(h.by == "bond" for h in held.values()) or bond.curing is None:
        return []
    out = []
    p = PRODUCTS[b.adhesive]
    first = _air(b, ctx.climate, dt.date.fromisoformat(b.day).month if b.day else ctx.from_month, 1, coming_of(ctx.design.build))[0]
    if (b.day or b.temp_c is not None) and first.temp_c < p.min_c:
        good = says("from-to-warm-enough", good=part.good[0][0], good_h=part.good[0][1]) if part.good else ""
        late = next((m for m in range(1, 13) if part.months[(ctx.from_month + m - 2) % 12] is not None), None)
        when = "" if good or b.temp_c is not None or late is None else says("next-month-in-which", month=MONTHS[(ctx.from_month + late - 2) % 12])
        out.append(
            finding(
                "fit-cure-too-cold",
                "roof",
                says("roof"),
                says("when-bead-laid-needs", temp_c=first.temp_c, p_name=p.name, min_c=p.min_c, good=good, when=when),
                figures=["roof/cure/drive_h"] if part.drive_h is not None else [],
            )
        )
    out += _hot_or_wet(b, part, p, first.temp_c, coming_of(ctx.design.build))
    if b.day and b.drive_day:
        laid = dt.datetime.fromisoformat(b.day) + dt.timedelta(hours=b.hour)
        drives = dt.datetime.fromisoformat(b.drive_day) + dt.timedelta(hours=8)
        ready = None if part.drive_h is None else laid + dt.timedelta(hours=part.drive_h)
        if ready is None or drives < ready:
            short = (
                says("not-cured-within", longest_h=LONGEST_H // 24)
                if ready is None
                else says("may-be-driven-later", total_seconds_h=(ready - drives).total_seconds() / 3600)
            )
            out.append(
                finding(
                    "fit-drive-before-cure",
                    "roof",
                    says("roof"),
                    says("bond-made-on-at", day=b.day, hour_h=b.hour, drive_day=b.drive_day, short=short),
                    figures=["roof/cure/drive_h"] if part.drive_h is not None else [],
                )
            )
    return out


def _hot_or_wet(b: Bonding, part: CurePart, p: Product, temp_c: float, coming: tuple[Coming, ...]) -> list[Finding]:
    """Too hot when the bead is laid, or rain likely on its day, each with the next window that is known."""
    out = []
    figures = ["roof/cure/drive_h"] if part.drive_h is not None else []
    if (b.day or b.temp_c is not None) and temp_c > p.max_c:
        good = says("from-to-cool-enough", good=part.good[0][0], good_h=part.good[0][1]) if part.good else ""
        told = says("when-bead-laid-takes", temp_c=temp_c, p_name=p.name, max_c=p.max_c, good=good)
        out.append(finding("fit-cure-too-hot", "roof", says("roof"), told, figures=figures))
    today = next((x for x in coming if b.day is not None and b.temp_c is None and x.day.isoformat() == b.day), None)
    if today is not None and today.rain >= WET:
        dry = next((x for x in coming if x.day > today.day and x.rain < WET and x.high_c >= p.min_c), None)
        when = says("next-dry-forecast", day=in_words(dry.day)) if dry is not None else says("no-forecast-after-dry")
        out.append(
            finding(
                "fit-cure-too-wet",
                "roof",
                says("roof"),
                says("rain-likely-on-bond", day=in_words(today.day), rain_pc=100 * today.rain, when=when),
                figures=figures,
            )
        )
    return out


def _cut_part(t: RoofThing, shape: RoofShape) -> CutPart | None:
    c, hole = t.cut, t.hole
    if c is None:
        return None
    made = template_of(t, shape) if hole is not None else None
    return quick(
        CutPart,
        length_mm=c.length,
        width_mm=c.width,
        radius_mm=c.radius,
        clamp_min_mm=c.clamp_min,
        clamp_max_mm=c.clamp_max,
        gasket_mm=c.gasket,
        measured=c.measured,
        hole=list(hole) if hole is not None else None,
        to_centre_mm=made.to_datum_mm if made else None,
        rib=made.to_rib[0] if made and made.to_rib else None,
        to_rib_mm=made.to_rib[1] if made and made.to_rib else None,
        seal_m=seal_m(c),
    )


def _held_part(h: Held) -> HeldPart:
    return quick(
        HeldPart,
        by=h.by,
        mount=h.mount,
        uplift_n=h.uplift_n,
        drag_n=h.drag_n,
        bead_m=h.bead_m,
        need_mm2=h.need_mm2 if h.need_mm2 != float("inf") else None,
        have_mm2=h.have_mm2,
        bolts=h.bolts,
        used=h.used,
        least_mm=h.least_mm,
        lines=[[list(p) for p in line] for line in h.lines],
    )


def _thing_part(t: RoofThing, w: RoofWork, held: dict[str, Held]) -> RoofThingPart:
    across = panels_across(t, w.shape) if t.kind == "panel" and t.rect is not None else None
    return quick(
        RoofThingPart,
        key=t.key,
        name=t.name,
        kind=t.kind,
        size=list(t.size),
        mass_kg=t.mass_kg,
        of=t.of,
        array=t.array,
        rect=list(t.rect) if t.rect is not None else None,
        turned=bool(t.spot and t.spot.turned),
        kept=bool(t.spot and t.spot.kept),
        framed=bool(t.spot and t.spot.framed),
        held_by=t.held,
        top_m=t.top,
        gap_m=t.gap,
        packing_mm=[1000 * x for x in across] if across else None,
        shaded=w.shaded.get(t.key),
        cut=_cut_part(t, w.shape),
        held=_held_part(held[t.key]) if t.key in held else None,
    )


def _figures(ctx: Context, held: dict[str, Held], bond: Bonded, things: tuple[RoofThing, ...]) -> None:
    b = ctx.design.fit.roof.bonding
    p = PRODUCTS[b.adhesive]
    names = {t.key: t for t in things}
    wind, glue = Method("roof.wind"), Method("roof.adhesive")
    speed = given("vehicle_speed_m_s", b.speed_kmh / 3.6, "typed", says("fastest-that-driven"), label=says("road-speed"))
    gust = given("headwind_m_s", b.headwind_m_s, "typed", says("gust-on-top"), label="headwind")
    for key, h in held.items():
        at, t = f"roof/held/{key.replace(':', '-')}", names[key]
        q = Figure(
            h.q_kpa, "kPa", says("dynamic-pressure"), expression="½·ρ·(v + v_wind)²", source=wind, inputs=(("vehicle_speed_m_s", speed), ("headwind_m_s", gust))
        )
        area = given("plan_area_m2", t.size[0] * t.size[1], "computed", says("as-lies"), label=says("area-from-above"))
        up = ctx.book.put(
            f"{at}/uplift_n",
            Figure(
                h.uplift_n, "N", says("uplift", t_name=t.name), expression="q·C_L·A", source=wind, inputs=(("dynamic_pressure_kpa", q), ("plan_area_m2", area))
            ),
        )
        drag = ctx.book.put(
            f"{at}/drag_n", Figure(h.drag_n, "N", says("drag", t_name=t.name), expression="q·C_D·A_front", source=wind, inputs=(("dynamic_pressure_kpa", q),))
        )
        if h.used is None:
            continue
        if h.by == "bolts":
            n = given("fixing_count", h.bolts, "typed", "", label="bolts")
            ctx.book.put(
                f"{at}/used_frac",
                Figure(
                    h.used,
                    "%",
                    says("used-bolts", t_name=t.name),
                    expression="SF·(U/n/P + D/n/S)",
                    source=wind + Method("fit.tie-down"),
                    inputs=(("uplift_n", up), ("drag_n", drag), ("fixing_count", n)),
                ),
            )
            continue
        bead = given("bead_m", h.bead_m, "computed", says("as-drawn-or-as"), label=says("length-bead"))
        need = Figure(
            h.need_mm2,
            "mm²",
            says("bond-needed", t_name=t.name),
            expression="SF·(F_shear/τ + F_tension/σ), with what tips it",
            source=glue,
            inputs=(
                ("uplift_n", up),
                ("drag_n", drag),
                ("safety_factor", given("safety_factor", b.safety_factor, "typed", "")),
                ("shear_strength_mpa", given("shear_strength_mpa", p.shear_mpa, "table", p.name)),
                ("tension_strength_mpa", given("tension_strength_mpa", p.tension_mpa, "table", p.name)),
            ),
        )
        ctx.book.put(
            f"{at}/used_frac",
            Figure(
                h.used,
                "%",
                says("used-bond", t_name=t.name),
                expression="needed/(width·length)",
                source=glue,
                inputs=(("need_mm2", need), ("bead_width_mm", given("bead_width_mm", b.bead_width_mm, "typed", "")), ("bead_m", bead)),
            ),
        )
    if bond.part.drive_h is not None and bond.curing is not None:
        ctx.book.put(
            "roof/cure/drive_h",
            Figure(
                bond.part.drive_h,
                "h",
                says("until-may-be-driven"),
                expression="when Σ rate·Δt = required",
                source=Method("roof.cure-window"),
                inputs=(
                    (
                        "required_equiv_h",
                        given("required_equiv_h", bond.needed, "computed", "24·(path/depth in 24 h)²" if p.cure_mm_24h else says("data-sheet")),
                    ),
                    ("temp_c", given("temp_c", bond.part.temp_c, "table", bond.part.known, label=says("mean-temperature"))),
                    ("rh_frac", given("rh_frac", bond.part.humidity_frac, "table", bond.part.known, label=says("mean-humidity"))),
                ),
            ),
        )


def roof_part(ctx: Context, w: RoofWork) -> tuple[RoofPart, list[Finding]]:
    """The roof's part of the report, and its findings."""
    doc, s = ctx.design.fit.roof, w.shape
    b = doc.bonding
    held = {t.key: h for t in w.things if (h := hold(t, s, b)) is not None}
    bond = cured(ctx)
    laid = [t for t in w.things if t.rect is not None]
    _figures(ctx, held, bond, w.things)
    found = [*roof_findings(ctx.design, s, w.things, held, w.shaded), *_cure_findings(ctx, bond, held)] if laid else []
    part = quick(
        RoofPart,
        begun=bool(laid) or doc.begun,
        shape=quick(
            RoofShapePart,
            rect=list(s.rect),
            crown_m=s.crown,
            radius_m=s.radius,
            ribs=[quick(RibPart, id=r.id, x0=r.x0, x1=r.x1, height_mm=1000 * r.height) for r in s.ribs],
            below=[quick(BelowPart, id=x.id, name=x.name, kind=x.kind, rect=[x.x0_m, x.x1_m, x.y0_m, x.y1_m]) for x in s.below],
            skin_mm=s.skin_mm,
            thick_mm=s.thick_mm,
            material=s.material,
            assumed=list(s.assumed),
        ),
        things=[_thing_part(t, w, held) for t in w.things],
        laid=len(laid),
        shade={k: list(v) for k, v in w.shade.items()},
        shade_month=w.month,
        sun=sun_of_day(ctx.climate.lat_deg, w.month),
        cure=bond.part,
        amounts=[quick(AmountPart, **a._asdict()) for a in amounts(w.things, held, b)],
        work=[quick(StepPart, title=a, text=x) for a, x in WORK],
        packs=bool(w.shade),
        roof_kg=sum(t.mass_kg for t in laid),
    )
    return part, found

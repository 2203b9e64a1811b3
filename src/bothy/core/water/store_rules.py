"""Findings of stores, tanks, waste and frost (method water.care)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.water import SHOWER_LIST, WaterTank
from bothy.core.finding import Remedy, finding
from bothy.core.restraint import SCHOOLS
from bothy.core.water.part import Wet
from bothy.core.water.rule_table import Found
from bothy.core.water.stores import TankPart
from bothy.core.words.says import water_says as says

HEAVY_KG, HEAVY_HIGH_KG, HIGH_M = 20.0, 50.0, 0.6
LONG_M, LONG_L = 1.0, 100.0
VENT_MM, HOSE_VENT_MM, VENT_PA, FILL_MM = 10.0, 16.0, 100.0, 32.0
FLAT, SHALLOW = 0.0125, 0.02
EDGE_FRONT_MM, EDGE_BEHIND_MM = 50.0, 60.0
DEAD_PART, SLOW_M = 0.1, 0.03
DRINK_L = 2.0
SHOWER_WORDS = {
    "backing": says("backing-that-stands-water"),
    "tray": says("tray-bedded-and-fixed"),
    "lapped": says("walls-lapped-over-edge"),
    "sealed": says("joints-sealed"),
    "falls": says("falls-to-drain"),
    "trap": "trap",
    "curtain": says("curtain-or-door"),
    "extract": says("extract-fan"),
    "flood": says("flooded-as-test"),
}

VENTED = ("separating", "black")
"""Toilets whose air must get out over the roof."""


def store_findings(ctx: Context, w: Wet) -> Found:
    """What ends first."""
    p, d = w.part, ctx.design.water
    if p.days is not None and p.limiting is not None and p.days < p.target_days:
        store = next(s for s in p.stores if s.name == p.limiting)
        end = "empty" if p.limiting in ("fresh", "drinking") else "full"
        need = says("would-last", capacity_needed_l=store.capacity_needed_l) if store.capacity_needed_l is not None else ""
        yield finding(
            "water-autonomy-short",
            "water",
            says("water-3"),
            says("water-lasts-store-first", days=p.days, target_days=p.target_days, limiting=p.limiting, end=end, need=need),
            figures=["water/autonomy_days"],
        )
    days = {s.name: s.days for s in p.stores}
    fresh, grey = days.get("fresh"), days.get("grey")
    if fresh is not None and grey is not None and grey < 0.97 * fresh:
        larger = next((s.capacity_needed_l for s in p.stores if s.name == "grey"), None)
        yield finding(
            "water-grey-before-fresh",
            "water",
            says("water-3"),
            says("grey-tank-full-after", grey=grey, fresh=fresh) + (says("grey-tank-would-last", larger_l=larger) if larger else ""),
        )
    if d.use.drinking_source == "separate":
        have, least = p.capacity_l.get("drinking", 0.0), DRINK_L * ctx.people * p.target_days
        if have < least:
            yield finding(
                "water-drinking-short",
                "water",
                says("drinking-water"),
                says("there-to-drink-for", have_l=have, target_days=p.target_days, people=ctx.people, least_l=least),
            )
    if d.use.drinking_source == "tank" and any(t.holds == "fresh" for t in d.tanks):
        filtered = any(f.kind in ("fine", "uv", "carbon") for f in d.filters)
        if not filtered and (d.care.days_ago is None or d.care.days_ago > 90):
            since = says("when-was-last-sanitised") if d.care.days_ago is None else says("was-sanitised-ago", days_ago=round(d.care.days_ago))
            asked = d.care.days_ago is None
            yield finding(
                "water-drinking-untreated",
                "water",
                says("water-3"),
                says("you-drink-from-tank", since=since),
                severity="question" if asked else None,
                answers=[
                    Remedy.sets(says("was-sanitised-today"), "/water/care", days_ago=0.0),
                    Remedy.sets(says("was-month-ago"), "/water/care", days_ago=30.0),
                    Remedy.sets(says("was-half-year-ago"), "/water/care", days_ago=180.0),
                ]
                if asked
                else None,
            )
    t = d.toilet
    name = {"cassette": "cassette", "separating": "urine", "black": "black"}.get(t.kind) if t else None
    if t and name and days.get(name) is not None and (days[name] or 0) < 1.5:
        yield finding(
            "water-toilet-interval",
            "toilet",
            says("toilet"),
            says("toilets-container-full-after", days=days[name]),
            fix=Remedy.sets(says("carry-second-container"), "/water/toilet", spare=t.spare + 1),
        )
    if t and t.kind in VENTED and not t.roof_vent:
        words = says("separating-toilet-needs-vent") if t.kind == "separating" else says("black-tank-needs-vent")
        fix = Remedy.sets(says("lead-vent-through-roof"), "/water/toilet", roof_vent=True)
        yield finding("water-toilet-vent", "toilet", says("toilet"), words, fix=fix)
    if t and t.kind not in ("none", "bag") and not t.only_at_points:
        yield finding("water-direct-drain-black", "toilet", says("toilet"), says("design-says-that-toilet"))
    yield from _nowhere(ctx, w)
    onto_the_road = d.grey_to == "overboard" and ctx.design.vehicle.preset != "boat"
    if onto_the_road or (d.grey_to == "ground" and d.container_l <= 0):
        yield finding(
            "water-direct-drain-grey",
            "water",
            says("grey-water-2"),
            says("draining-on-roads-pitches"),
            fix=Remedy(
                label=says("catch-in-container"),
                patch=[{"op": "replace", "path": "/water/grey_to", "value": "container"}, {"op": "replace", "path": "/water/container_l", "value": 15.0}],
            ),
        )


def _nowhere(ctx: Context, w: Wet) -> Found:
    """Grey water that comes, and neither tank nor container to take it."""
    d, comes = ctx.design.water, w.part.grey_l_day
    kept = {"tank": any(t.holds == "grey" for t in d.tanks), "container": d.container_l > 0}.get(d.grey_to, True)
    if kept or comes <= 0 or not w.part.capacity_l.get("fresh"):
        return
    caught = Remedy(
        label=says("catch-in-container"),
        patch=[{"op": "replace", "path": "/water/grey_to", "value": "container"}, {"op": "replace", "path": "/water/container_l", "value": 15.0}],
    )
    over = Remedy(label=says("goes-overboard"), patch=[{"op": "replace", "path": "/water/grey_to", "value": "overboard"}])
    words = says("grey-water-comes-to", comes_l=comes)
    answers = [over, caught] if ctx.design.vehicle.preset == "boat" else [caught]
    yield finding("water-grey-nowhere", "water", says("grey-water-2"), words, severity="question", answers=answers)


def tank_findings(ctx: Context, w: Wet) -> Found:
    """What they say of each tank."""
    d = ctx.design.water
    for i, t in enumerate(d.tanks):
        p, subject = w.part.tanks[t.id], f"tank:{t.id}"
        if p.problem is not None:
            yield finding("water-tank-shape", subject, t.name, f"{p.problem[0].upper()}{p.problem[1:]}.")
            continue
        if t.food_grade is False and t.holds in ("fresh", "drinking"):
            yield finding("water-material-not-food-grade", subject, t.name, says("tank-isnt-marked-for"))
        yield from _held(ctx, t, p, subject)
        if not t.budgeted:
            yield finding(
                "water-mass-unplanned",
                subject,
                t.name,
                says("tank-weighs-full-and", mass_full_kg=p.mass_full_kg),
                fix=Remedy.sets(says("count-as-full"), f"/water/tanks/{i}", t.id, budgeted=True),
            )
        if p.mass_full_kg > HEAVY_HIGH_KG and p.cg_z_m > HIGH_M:
            yield finding("water-mass-high", subject, t.name, says("full-tank-has-with", mass_full_kg=p.mass_full_kg, cg_z_m=p.cg_z_m))
        if p.undivided_m > LONG_M and p.full_l > LONG_L:
            yield finding(
                "water-no-baffle",
                subject,
                t.name,
                (says("tank-long-without-wall", undivided_m=p.undivided_m, slosh_s=1 / p.slosh_hz, slosh_hz=p.slosh_hz)),
            )
        if t.over_electrics and not t.leak_tray:
            yield finding("water-over-electrics", subject, t.name, says("tank-stands-over-electrics"))
        elif t.place == "inside" and not t.leak_tray and t.holds in ("fresh", "drinking"):
            yield finding(
                "water-no-leak-tray",
                subject,
                t.name,
                says("tanks-joints-inside-body"),
                fix=Remedy.sets(says("fit-drained-tray"), f"/water/tanks/{i}", t.id, leak_tray=True),
            )
        yield from _vent(t, p, subject, i)
        g = p.gauge
        if g is not None and g.problem:
            yield finding("water-gauge-wrong", subject, t.name, f"{g.problem[0].upper()}{g.problem[1:]}.")
        elif g is not None and g.blind_low_l > 0.1 * p.usable_l:
            yield finding("water-gauge-blind", subject, t.name, says("gauge-doesnt-see-last", blind_low_l=g.blind_low_l, usable_l=p.usable_l))
        s = t.sender
        if s is not None and s.kind == "resistive" and s.cable_resistance_ohm > 0.02 * abs(s.full_signal - s.empty_signal):
            yield finding(
                "water-sender-cable",
                subject,
                t.name,
                says("cable-adds-to-sender", cable_resistance_ohm=s.cable_resistance_ohm, full_signal_ohm=abs(s.full_signal - s.empty_signal)),
            )
    by = {t.id: t for t in d.tanks}
    for n, j in enumerate(d.joins):
        q, subject = w.part.joins.get(j.id), f"join:{j.id}"
        if q is None:
            continue
        if q.unusable_l > DEAD_PART * q.total_l:
            low = min(w.part.tanks[t].bottom_z_m for t in j.tanks)
            yield finding(
                "water-crossover-dead",
                subject,
                j.name,
                says("never-reach-outlet", total_l=q.total_l, unusable_l=q.unusable_l),
                fix=Remedy.sets(says("set-crossover-at-lowest"), f"/water/joins/{n}", j.id, z_m=round(low, 3)) if j.z_m > low + 0.005 else None,
            )
        if q.draw_difference_m > SLOW_M:
            bore = next((b for b in (25.0, 32.0, 38.0, 50.0) if b > j.inner_diameter_mm), None)
            yield finding(
                "water-crossover-slow",
                subject,
                j.name,
                says("while-pump-draws-levels", draw_difference_mm=1000 * q.draw_difference_m),
                fix=Remedy.sets(says("lay-pipe-2", bore_mm=bore), f"/water/joins/{n}", j.id, inner_diameter_mm=bore) if bore else None,
            )
        if not j.common_vent or any(by[t].vent_mm is None for t in j.tanks):
            yield finding("water-crossover-vent", subject, j.name, says("each-joined-tank-needs"))


def _held(ctx: Context, t: WaterTank, p: TankPart, subject: str) -> Found:
    if p.mass_full_kg <= HEAVY_KG:
        return
    school = SCHOOLS[ctx.design.water.restraint_school]
    ways = (("forward", t.restraint_x_n, p.need_x_n), ("sideways", t.restraint_y_n, p.need_y_n), ("up", t.restraint_z_n, p.need_z_n))
    if all(have is None for _, have, _ in ways):
        yield finding(
            "water-restraint-missing",
            subject,
            t.name,
            says("tank-weighs-full-fixing", mass_full_kg=p.mass_full_kg, need_x_kn=p.need_x_n / 1000, school=school),
        )
        return
    for way, have, need in ways:
        if (have or 0.0) < need:
            yield finding(
                "water-restraint-weak",
                subject,
                t.name,
                says("fixing-holds-full-need", have_kn=(have or 0) / 1000, way=way, mass_full_kg=p.mass_full_kg, need_kn=need / 1000, school=school),
            )
            return


def _vent(t: WaterTank, p: TankPart, subject: str, i: int) -> Found:
    waste = t.holds in ("grey", "black")
    if t.vent_mm is None:
        yield finding(
            "water-grey-no-vent" if waste else "water-vent-missing",
            subject,
            t.name,
            says("no-vent-entered-for") + (says("gases-come-out-at") if waste else says("cant-be-filled-and")),
            fix=Remedy.sets(says("fit-vent"), f"/water/tanks/{i}", t.id, vent_mm=16.0, vent_high=True),
        )
        return
    if waste:
        if t.vent_mm < 12:
            yield finding(
                "water-grey-no-vent",
                subject,
                t.name,
                says("vent-wide-needs-at", vent_mm=t.vent_mm),
                fix=Remedy.sets(says("fit-vent"), f"/water/tanks/{i}", t.id, vent_mm=16.0),
            )
        return
    least = HOSE_VENT_MM if t.fill_by == "hose" else VENT_MM
    if t.vent_mm < least or (p.vent_pa or 0.0) > VENT_PA:
        yield finding(
            "water-vent-small",
            subject,
            t.name,
            (says("vent-wide-and-build", vent_mm=t.vent_mm, vent_pa=p.vent_pa or 0, least_mm=least, vent_pa_2=VENT_PA)),
            fix=Remedy.sets(says("fit-vent"), f"/water/tanks/{i}", t.id, vent_mm=16.0) if t.vent_mm < HOSE_VENT_MM else None,
        )
    if not t.vent_high:
        yield finding(
            "water-vent-low",
            subject,
            t.name,
            says("vent-ends-below-filler"),
            fix=Remedy.sets(says("lead-vent-up"), f"/water/tanks/{i}", t.id, vent_high=True),
        )
    if t.fill_by == "gravity" and t.fill_mm is not None and t.fill_mm < FILL_MM:
        yield finding(
            "water-fill-small",
            subject,
            t.name,
            says("filler-wide-filled-by", fill_mm=t.fill_mm, fill_mm_2=FILL_MM),
            fix=Remedy.sets(says("fit-filler"), f"/water/tanks/{i}", t.id, fill_mm=40.0),
        )


def waste_findings(ctx: Context, w: Wet) -> Found:
    """What they say of drains, grey tank and shower."""
    d = ctx.design.water
    for i, x in enumerate(d.drains):
        subject, fall = f"drain:{x.id}", 1000 * x.slope_frac * x.length_m
        if x.slope_frac < FLAT:
            yield finding(
                "water-drain-flat",
                subject,
                x.name,
                says("pipe-falls-over-in", fall_mm=fall, length_m=x.length_m, shallow_mm=1000 * SHALLOW * x.length_m),
            )
        elif x.slope_frac < SHALLOW:
            yield finding(
                "water-drain-shallow",
                subject,
                x.name,
                says("pipe-falls-over-in", fall_mm=fall, length_m=x.length_m, shallow_mm=1000 * SHALLOW * x.length_m),
            )
        least = 25.0 if x.fixture == "shower" else 19.0
        if x.inner_diameter_mm < least:
            yield finding(
                "water-drain-small",
                subject,
                x.name,
                says("waste-pipe-wide-inside", inner_diameter_mm=x.inner_diameter_mm, least_mm=least),
                fix=Remedy.sets(says("lay-pipe-3", least_mm=least), f"/water/drains/{i}", x.id, inner_diameter_mm=least),
            )
        edges = [
            says("instead-at-least", have_mm=have, where=where, least_mm=least)
            for where, have, least in ((says("before"), x.front_mm, EDGE_FRONT_MM), (says("behind"), x.behind_mm, EDGE_BEHIND_MM))
            if have is not None and have < least
        ]
        if x.fixture == "sink" and edges:
            yield finding("water-sink-edge", subject, x.name, says("worktop-leaves-breaks-there", edges=" and ".join(edges)))
        if not x.trap and d.grey_to == "tank":
            yield finding(
                "water-no-trap",
                subject,
                x.name,
                says("waste-pipe-enters-tank"),
                fix=Remedy.sets(says("fit-trap"), f"/water/drains/{i}", x.id, trap=True),
            )
    if any(x.fixture == "shower" for x in d.drains):
        for n, t in enumerate(d.tanks):
            if t.holds == "grey" and not t.full_sensor and t.place == "inside":
                yield finding(
                    "water-grey-no-alarm",
                    f"tank:{t.id}",
                    t.name,
                    says("grey-tank-stands-inside"),
                    fix=Remedy.sets(says("fit-sensor-at"), f"/water/tanks/{n}", t.id, full_sensor=True),
                )
    if any(r.outlet == "shower" and r.place == "inside" for r in d.runs):
        open_ = [x for x in SHOWER_LIST if x not in d.shower_done]
        if not d.shower_done:
            yield finding(
                "water-shower-unsealed",
                "shower",
                says("shower"),
                says("not-one-item-showers", shower_list_count=len(SHOWER_LIST)),
                severity="question",
                answers=[
                    Remedy.sets(says("enter-that-all-closed"), "/water", shower_done=list(SHOWER_LIST)),
                    Remedy.sets(says("enter-only-first", shower_words=SHOWER_WORDS[SHOWER_LIST[0]]), "/water", shower_done=[SHOWER_LIST[0]]),
                ],
            )
        elif open_:
            yield finding(
                "water-shower-unsealed",
                "shower",
                says("shower"),
                says(
                    "showers-list-items-open",
                    open__count=len(open_),
                    shower_list_count=len(SHOWER_LIST),
                    shower_wordss=", ".join(SHOWER_WORDS[x] for x in open_),
                ),
            )


def frost_findings(ctx: Context, w: Wet) -> Found:
    """Which wet parts freeze on the coldest night."""
    d = ctx.design.water
    if w.part.coldest_c > -1:
        return
    for f in w.part.frost:
        if f.held or (d.winter == "drain"):
            continue
        yield finding(
            "water-freeze-exposed",
            f.subject,
            f.name,
            says("at-outside-water-in", coldest_c=w.part.coldest_c, after=_after(f.to_zero_h), hold_w=f.hold_w),
            figures=[f"frost/{f.subject.replace(':', '/')}/hold_heat_w"],
        )
    for i, t in enumerate(d.tanks):
        if not t.drain_valve and t.place != "inside":
            yield finding(
                "water-freeze-no-drain",
                f"tank:{t.id}",
                t.name,
                says("tank-has-no-drain"),
                fix=Remedy.sets(says("fit-drain-valve"), f"/water/tanks/{i}", t.id, drain_valve=True),
            )


def _after(h: float | None) -> str:
    return says("at-once") if h is None else says("after", h_min=60 * h) if h < 1.5 else says("after-2", h=h)

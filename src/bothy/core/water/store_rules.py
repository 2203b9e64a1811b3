"""Findings of stores, tanks, waste and frost (method water.care)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.water import SHOWER_LIST, WaterTank
from bothy.core.finding import Remedy, finding
from bothy.core.restraint import SCHOOLS
from bothy.core.water.part import Wet
from bothy.core.water.rule_table import Found
from bothy.core.water.stores import TankPart

HEAVY_KG, HEAVY_HIGH_KG, HIGH_M = 20.0, 50.0, 0.6
LONG_M, LONG_L = 1.0, 100.0
VENT_MM, HOSE_VENT_MM, VENT_PA, FILL_MM = 10.0, 16.0, 100.0, 32.0
FLAT, SHALLOW = 0.0125, 0.02
EDGE_FRONT_MM, EDGE_BEHIND_MM = 50.0, 60.0
DEAD_PART, SLOW_M = 0.1, 0.03
DRINK_L = 2.0
SHOWER_WORDS = {
    "backing": "backing that stands water",
    "tray": "tray bedded and fixed",
    "lapped": "walls lapped over its edge",
    "sealed": "joints sealed",
    "falls": "falls to the drain",
    "trap": "trap",
    "curtain": "curtain or door",
    "extract": "extract fan",
    "flood": "flooded as a test",
}


def store_findings(ctx: Context, w: Wet) -> Found:
    """What ends first."""
    p, d = w.part, ctx.design.water
    if p.days is not None and p.limiting is not None and p.days < p.target_days:
        store = next(s for s in p.stores if s.name == p.limiting)
        end = "empty" if p.limiting in ("fresh", "drinking") else "full"
        need = f"; {store.capacity_needed_l:.0f} L would last" if store.capacity_needed_l is not None else ""
        yield finding(
            "water-autonomy-short",
            "water",
            "Water",
            f"Water lasts {p.days:.1f} of {p.target_days:g} days: the {p.limiting} store is {end} first{need}.",
            figures=["water/autonomy_days"],
        )
    days = {s.name: s.days for s in p.stores}
    fresh, grey = days.get("fresh"), days.get("grey")
    if fresh is not None and grey is not None and grey < 0.97 * fresh:
        larger = next((s.capacity_needed_l for s in p.stores if s.name == "grey"), None)
        yield finding(
            "water-grey-before-fresh",
            "water",
            "Water",
            f"The grey tank is full after {grey:.1f} days; fresh water lasts {fresh:.1f}."
            + (f" A grey tank of {larger:.0f} L would last the stay." if larger else ""),
        )
    if d.use.drinking_source == "separate":
        have, least = p.capacity_l.get("drinking", 0.0), DRINK_L * ctx.people * p.target_days
        if have < least:
            yield finding(
                "water-drinking-short",
                "water",
                "Drinking water",
                f"There are {have:.0f} L to drink for {p.target_days:g} days; {ctx.people:.0f} people need at least {least:.0f} L.",
            )
    if d.use.drinking_source == "tank" and any(t.holds == "fresh" for t in d.tanks):
        filtered = any(f.kind in ("fine", "uv", "carbon") for f in d.filters)
        if not filtered and (d.care.days_ago is None or d.care.days_ago > 90):
            since = "when it was last sanitised is not entered" if d.care.days_ago is None else f"it was sanitised {d.care.days_ago:.0f} days ago"
            asked = d.care.days_ago is None
            yield finding(
                "water-drinking-untreated",
                "water",
                "Water",
                f"You drink from the tank without a filter, and {since}.",
                severity="question" if asked else None,
                answers=[
                    Remedy.sets("It was sanitised today", "/water/care", days_ago=0.0),
                    Remedy.sets("It was a month ago", "/water/care", days_ago=30.0),
                    Remedy.sets("It was half a year ago", "/water/care", days_ago=180.0),
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
            "Toilet",
            f"The toilet’s container is full after {days[name]:.1f} days.",
            fix=Remedy.sets("Carry a second container", "/water/toilet", spare=t.spare + 1),
        )
    if t and t.kind not in ("none", "bag") and not t.only_at_points:
        yield finding("water-direct-drain-black", "toilet", "Toilet", "The design says that the toilet is also emptied elsewhere than at a disposal point.")
    if d.grey_to == "ground" and d.container_l <= 0:
        yield finding(
            "water-direct-drain-grey",
            "water",
            "Grey water",
            "Draining on roads, pitches and into rainwater gullies is prohibited or fined in most places.",
            fix=Remedy(
                label="Catch it in a container of 15 L",
                patch=[{"op": "replace", "path": "/water/grey_to", "value": "container"}, {"op": "replace", "path": "/water/container_l", "value": 15.0}],
            ),
        )


def tank_findings(ctx: Context, w: Wet) -> Found:
    """What they say of each tank."""
    d = ctx.design.water
    for i, t in enumerate(d.tanks):
        p, subject = w.part.tanks[t.id], f"tank:{t.id}"
        if p.problem is not None:
            yield finding("water-tank-shape", subject, t.name, f"{p.problem[0].upper()}{p.problem[1:]}.")
            continue
        if t.food_grade is False and t.holds in ("fresh", "drinking"):
            yield finding("water-material-not-food-grade", subject, t.name, "The tank isn’t marked for drinking water.")
        yield from _held(ctx, t, p, subject)
        if not t.budgeted:
            yield finding(
                "water-mass-unplanned",
                subject,
                t.name,
                f"The tank weighs {p.mass_full_kg:.0f} kg full, and the mass budget doesn’t count it as full.",
                fix=Remedy.sets("Count it as full", f"/water/tanks/{i}", t.id, budgeted=True),
            )
        if p.mass_full_kg > HEAVY_HIGH_KG and p.cg_z_m > HIGH_M:
            yield finding("water-mass-high", subject, t.name, f"The full tank has {p.mass_full_kg:.0f} kg with their middle {p.cg_z_m:.2f} m over the floor.")
        if p.undivided_m > LONG_M and p.full_l > LONG_L:
            yield finding(
                "water-no-baffle",
                subject,
                t.name,
                (
                    f"The tank is {p.undivided_m:.2f} m long without a wall inside: half full, the water swings once in {1 / p.slosh_hz:.1f} s "
                    f"({p.slosh_hz:.2f} Hz)."
                ),
            )
        if t.over_electrics and not t.leak_tray:
            yield finding("water-over-electrics", subject, t.name, "The tank stands over electrics with no tray between.")
        elif t.place == "inside" and not t.leak_tray and t.holds in ("fresh", "drinking"):
            yield finding(
                "water-no-leak-tray",
                subject,
                t.name,
                "The tank’s joints are inside the body, and no tray catches what they leak.",
                fix=Remedy.sets("Fit a drained tray", f"/water/tanks/{i}", t.id, leak_tray=True),
            )
        yield from _vent(t, p, subject, i)
        g = p.gauge
        if g is not None and g.problem:
            yield finding("water-gauge-wrong", subject, t.name, f"{g.problem[0].upper()}{g.problem[1:]}.")
        elif g is not None and g.blind_low_l > 0.1 * p.usable_l:
            yield finding("water-gauge-blind", subject, t.name, f"The gauge doesn’t see the last {g.blind_low_l:.0f} L of {p.usable_l:.0f} L.")
        s = t.sender
        if s is not None and s.kind == "resistive" and s.cable_resistance_ohm > 0.02 * abs(s.full_signal - s.empty_signal):
            yield finding(
                "water-sender-cable",
                subject,
                t.name,
                f"The cable adds {s.cable_resistance_ohm:g} Ω to a sender that changes by {abs(s.full_signal - s.empty_signal):g} Ω from empty to full.",
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
                f"Of {q.total_l:.0f} L, {q.unusable_l:.0f} L never reach the outlet.",
                fix=Remedy.sets("Set the crossover at the lowest floor", f"/water/joins/{n}", j.id, z_m=round(low, 3)) if j.z_m > low + 0.005 else None,
            )
        if q.draw_difference_m > SLOW_M:
            bore = next((b for b in (25.0, 32.0, 38.0, 50.0) if b > j.inner_diameter_mm), None)
            yield finding(
                "water-crossover-slow",
                subject,
                j.name,
                f"While the pump draws, the levels of the joined tanks part by {1000 * q.draw_difference_m:.0f} mm.",
                fix=Remedy.sets(f"Lay a pipe of {bore:g} mm", f"/water/joins/{n}", j.id, inner_diameter_mm=bore) if bore else None,
            )
        if not j.common_vent or any(by[t].vent_mm is None for t in j.tanks):
            yield finding("water-crossover-vent", subject, j.name, "Each joined tank needs its own vent, all ending together above the highest top.")


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
            f"The tank weighs {p.mass_full_kg:.0f} kg full: its fixing must hold {p.need_x_n / 1000:.1f} kN forward at {school}.",
        )
        return
    for way, have, need in ways:
        if (have or 0.0) < need:
            yield finding(
                "water-restraint-weak",
                subject,
                t.name,
                f"The fixing holds {(have or 0) / 1000:.1f} kN {way}; {p.mass_full_kg:.0f} kg full need {need / 1000:.1f} kN ({school}).",
            )
            return


def _vent(t: WaterTank, p: TankPart, subject: str, i: int) -> Found:
    waste = t.holds in ("grey", "black")
    if t.vent_mm is None:
        yield finding(
            "water-grey-no-vent" if waste else "water-vent-missing",
            subject,
            t.name,
            "No vent is entered for the tank" + (": its gases come out at the traps." if waste else ": it can’t be filled, and the pump sucks it flat."),
            fix=Remedy.sets("Fit a vent of 16 mm", f"/water/tanks/{i}", t.id, vent_mm=16.0, vent_high=True),
        )
        return
    if waste:
        if t.vent_mm < 12:
            yield finding(
                "water-grey-no-vent",
                subject,
                t.name,
                f"The vent is {t.vent_mm:g} mm wide; it needs at least 12 mm.",
                fix=Remedy.sets("Fit a vent of 16 mm", f"/water/tanks/{i}", t.id, vent_mm=16.0),
            )
        return
    least = HOSE_VENT_MM if t.fill_by == "hose" else VENT_MM
    if t.vent_mm < least or (p.vent_pa or 0.0) > VENT_PA:
        yield finding(
            "water-vent-small",
            subject,
            t.name,
            (
                f"The vent is {t.vent_mm:g} mm wide, and {p.vent_pa or 0:.0f} Pa build up while filling; at least {least:g} mm and at most {VENT_PA:.0f} "
                "Pa are right."
            ),
            fix=Remedy.sets("Fit a vent of 16 mm", f"/water/tanks/{i}", t.id, vent_mm=16.0) if t.vent_mm < HOSE_VENT_MM else None,
        )
    if not t.vent_high:
        yield finding(
            "water-vent-low",
            subject,
            t.name,
            "The vent ends below the filler or the tank’s top, so water runs out of it.",
            fix=Remedy.sets("Lead the vent up", f"/water/tanks/{i}", t.id, vent_high=True),
        )
    if t.fill_by == "gravity" and t.fill_mm is not None and t.fill_mm < FILL_MM:
        yield finding(
            "water-fill-small",
            subject,
            t.name,
            f"The filler is {t.fill_mm:g} mm wide; filled by gravity it needs {FILL_MM:g} mm, or the water comes back.",
            fix=Remedy.sets("Fit a filler of 40 mm", f"/water/tanks/{i}", t.id, fill_mm=40.0),
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
                f"The pipe falls {fall:.0f} mm over {x.length_m:g} m; 1 in 50 would be {1000 * SHALLOW * x.length_m:.0f} mm.",
            )
        elif x.slope_frac < SHALLOW:
            yield finding(
                "water-drain-shallow",
                subject,
                x.name,
                f"The pipe falls {fall:.0f} mm over {x.length_m:g} m; 1 in 50 would be {1000 * SHALLOW * x.length_m:.0f} mm.",
            )
        least = 25.0 if x.fixture == "shower" else 19.0
        if x.inner_diameter_mm < least:
            yield finding(
                "water-drain-small",
                subject,
                x.name,
                f"The waste pipe is {x.inner_diameter_mm:g} mm wide inside; it needs at least {least:g} mm.",
                fix=Remedy.sets(f"Lay a pipe of {least:g} mm", f"/water/drains/{i}", x.id, inner_diameter_mm=least),
            )
        edges = [
            f"{have:.0f} mm {where} instead of at least {least:.0f} mm"
            for where, have, least in (("before it", x.front_mm, EDGE_FRONT_MM), ("behind it", x.behind_mm, EDGE_BEHIND_MM))
            if have is not None and have < least
        ]
        if x.fixture == "sink" and edges:
            yield finding("water-sink-edge", subject, x.name, f"The worktop leaves {' and '.join(edges)}: it breaks there, and the tap has no room.")
        if not x.trap and d.grey_to == "tank":
            yield finding(
                "water-no-trap",
                subject,
                x.name,
                "The waste pipe enters the tank without a trap, so the tank’s smell comes up.",
                fix=Remedy.sets("Fit a trap", f"/water/drains/{i}", x.id, trap=True),
            )
    if any(x.fixture == "shower" for x in d.drains):
        for n, t in enumerate(d.tanks):
            if t.holds == "grey" and not t.full_sensor and t.place == "inside":
                yield finding(
                    "water-grey-no-alarm",
                    f"tank:{t.id}",
                    t.name,
                    "The grey tank stands inside, as high as the shower’s tray: full, it comes up there, and nothing warns of it.",
                    fix=Remedy.sets("Fit a sensor at 90 %", f"/water/tanks/{n}", t.id, full_sensor=True),
                )
    if any(r.outlet == "shower" and r.place == "inside" for r in d.runs):
        open_ = [x for x in SHOWER_LIST if x not in d.shower_done]
        if not d.shower_done:
            yield finding(
                "water-shower-unsealed",
                "shower",
                "Shower",
                f"Not one item of the shower’s list is confirmed: {len(SHOWER_LIST)} items keep the water out of the walls.",
                severity="question",
                answers=[
                    Remedy.sets("Enter that all are closed, and flooded as a test", "/water", shower_done=list(SHOWER_LIST)),
                    Remedy.sets(f"Enter only the first: {SHOWER_WORDS[SHOWER_LIST[0]]}", "/water", shower_done=[SHOWER_LIST[0]]),
                ],
            )
        elif open_:
            yield finding(
                "water-shower-unsealed",
                "shower",
                "Shower",
                f"Of the shower’s list {len(open_)} of {len(SHOWER_LIST)} items are open: {', '.join(SHOWER_WORDS[x] for x in open_)}.",
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
            f"At {w.part.coldest_c:.0f} °C outside the water in it reaches 0 °C {_after(f.to_zero_h)}; {f.hold_w:.0f} W would keep it from freezing.",
            figures=[f"frost/{f.subject.replace(':', '/')}/hold_heat_w"],
        )
    for i, t in enumerate(d.tanks):
        if not t.drain_valve and t.place != "inside":
            yield finding(
                "water-freeze-no-drain",
                f"tank:{t.id}",
                t.name,
                "The tank has no drain valve at its lowest point, so what stays in it freezes.",
                fix=Remedy.sets("Fit a drain valve", f"/water/tanks/{i}", t.id, drain_valve=True),
            )


def _after(h: float | None) -> str:
    return "at once" if h is None else f"after {60 * h:.0f} min" if h < 1.5 else f"after {h:.0f} h"

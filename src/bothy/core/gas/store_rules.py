"""Findings of vessels, locker, cold, route and vents (method gas.lines)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.gas import Gas, Locker
from bothy.core.finding import Remedy, finding
from bothy.core.gas.countries import OUTLET_WORDS
from bothy.core.gas.part import Gassed, LockerPart
from bothy.core.gas.room import HEATS
from bothy.core.gas.rule_table import Found
from bothy.core.restraint import SCHOOLS

UPRIGHT_DEG, STRAPS, STOP_FRAC = 15.0, 2, 0.8
OPENING_M, EXHAUST_M, US_SPARK_M, HEAT_M, SILL_MM = 0.5, 1.0, 0.91, 0.15, 50.0
DROP_MM2, DROP_M = 1000.0, 1.0
COLD_MARGIN_K, MOST_LEFT = 3.0, 0.9
BESIDE_M = 0.02
"""Room that a cylinder needs about itself in its locker (own choice)."""


def vessel_findings(ctx: Context, w: Gassed) -> Found:
    """What they say of each vessel."""
    g = ctx.design.gas
    for i, v in enumerate(g.vessels):
        p, subject, at = w.part.vessels[v.id], f"vessel:{v.id}", f"/gas/vessels/{i}"
        if v.kind == "cylinder" and v.angle_deg > UPRIGHT_DEG:
            yield finding(
                "gas-cylinder-lying",
                subject,
                v.name,
                f"The cylinder leans by {v.angle_deg:.0f}°: liquid gas reaches the regulator.",
                fix=Remedy.sets("Stand it up", at, v.id, angle_deg=0.0),
            )
        if v.place == "inside":
            yield finding(
                "gas-vessel-indoors",
                subject,
                v.name,
                "The cylinder or tank stands inside the living space: what leaks collects at the floor where people sleep.",
                fix=Remedy.sets("Move it into the locker", at, v.id, place="locker") if g.locker else None,
            )
        if v.kind == "cylinder":
            if v.straps < STRAPS or v.restraint_n is None:
                yield finding(
                    "gas-cylinder-loose",
                    subject,
                    v.name,
                    f"The cylinder has {v.straps} of the {STRAPS} straps that it needs"
                    + (f"; together they must hold {p.need_n / 1000:.1f} kN ({SCHOOLS[g.restraint_school]})." if v.restraint_n is None else "."),
                )
            elif v.restraint_n < p.need_n:
                yield finding(
                    "gas-cylinder-loose",
                    subject,
                    v.name,
                    f"The fixing holds {v.restraint_n / 1000:.1f} kN; {p.full_mass_kg / v.count:.0f} kg full need {p.need_n / 1000:.1f} kN "
                    f"({SCHOOLS[g.restraint_school]}).",
                )
        if v.kind == "tank" and v.fill_limit_frac > STOP_FRAC:
            yield finding(
                "gas-overfill",
                subject,
                v.name,
                f"The tank is filled to {100 * v.fill_limit_frac:.0f} %; it may be filled to at most 80 %, because the liquid swells in the sun.",
                fix=Remedy.sets("Stop filling at 80 %", at, v.id, fill_limit_frac=STOP_FRAC),
            )
        elif v.self_filled and not v.stop_80:
            yield finding(
                "gas-overfill", subject, v.name, "You fill the vessel yourself, and it has no stop valve at 80 %: full of liquid it can burst in the sun."
            )
        if not v.budgeted:
            yield finding(
                "gas-mass-unplanned",
                subject,
                v.name,
                f"The cylinder weighs {p.full_mass_kg:.0f} kg full.",
                fix=Remedy.sets("Count it as full", at, v.id, budgeted=True),
            )
    lying = [v for v in g.vessels if v.place == "locker"]
    box = g.locker
    if box is None:
        if lying:
            yield finding(
                "gas-locker-missing", "locker", "Gas locker", f"No locker is described for the cylinder{'s' if sum(v.count for v in lying) > 1 else ''}."
            )
        return
    for v in lying:
        sides = sorted((box.length_m, box.width_m))
        row = v.count * v.diameter_m + BESIDE_M
        if v.height_m > box.height_m or v.diameter_m > sides[0] or row > sides[1] + 1e-9:
            what = (
                f"In it should stand {v.count} × {v.diameter_m:.2f} m across and {v.height_m:.2f} m high; the locker has {box.length_m:.2f} × "
                f"{box.width_m:.2f} × "
                f"{box.height_m:.2f} m."
            )
            yield finding("gas-vessel-too-large", f"vessel:{v.id}", v.name, what, related=["locker"])


def _of_locker(ctx: Context, at: Locker, need: LockerPart | None) -> Found:
    """The locker: tight, reached from outside, vented, with nothing in it that sparks or near it that is hot."""
    if not at.sealed or at.unsealed:
        yield finding(
            "gas-locker-not-sealed",
            "locker",
            at.name,
            f"These openings lead into the vehicle: {at.unsealed}." if at.unsealed else "That the locker is gas-tight to the living space is not confirmed.",
        )
    if at.opens == "inside" or (at.opens == "inside_sealed" and at.sill_mm < SILL_MM):
        yield finding(
            "gas-locker-inside-access",
            "locker",
            at.name,
            "The locker’s door opens into the living space."
            if at.opens == "inside"
            else f"The sill of the inner door is {at.sill_mm:.0f} mm high; it needs at least {SILL_MM:.0f} mm.",
        )
    if need is not None and not need.ok:
        high = f", the high one {need.have_high_mm2:,.0f} of {need.need_high_mm2:,.0f} mm²" if need.need_high_mm2 > 0 else ""
        yield finding(
            "gas-locker-vent-small",
            "locker",
            at.name,
            (
                f"The low vent has {need.have_low_mm2:,.0f} of {need.need_low_mm2:,.0f} mm²{high}. One round drain of {need.round_drain_mm:.0f} mm would "
                "do low down."
            ),
            figures=["gas/locker_low_mm2", "gas/locker_high_mm2"],
        )
    for n, v in enumerate(at.vents):
        subject = f"gas-vent:{v.id}"
        if v.blocked_by or v.closable:
            yield finding(
                "gas-locker-vent-blocked",
                subject,
                v.name,
                f"Under the vent lies: {v.blocked_by}." if v.blocked_by else "A cover can close the vent. Vents of gas stay open, in winter too.",
                fix=None if v.blocked_by else Remedy.sets("Remove the cover", f"/gas/locker/vents/{n}", v.id, closable=False),
            )
        exhaust = US_SPARK_M if ctx.region.key == "us" else EXHAUST_M
        near = [
            f"The vent is {d:.2f} m from {what}; it needs at least {least:g} m"
            for d, least, what in ((v.to_opening_m, OPENING_M, "an opening, intake or socket"), (v.to_exhaust_m, exhaust, "an exhaust or flue"))
            if d is not None and d < least - 1e-9
        ]
        if near:
            yield finding("gas-vent-near-opening", subject, v.name, "; ".join(near) + ".")
    if at.sparks:
        yield finding("gas-locker-spark", "locker", at.name, f"In the locker can spark: {', '.join(at.sparks)}.")
    if at.to_heat_m is not None and at.to_heat_m < HEAT_M:
        yield finding("gas-near-heat", "locker", at.name, f"The locker is {at.to_heat_m:.2f} m from something hot; it needs at least {HEAT_M:g} m.")
    if ctx.design.vehicle.preset == "boat" and not (at.drain_overboard and at.drain_above_water and need is not None and need.ok):
        yield finding("gas-boat-drain", "locker", at.name, "That the drain falls overboard and stays above the water when the boat heels is not confirmed.")


def locker_findings(ctx: Context, w: Gassed) -> Found:
    """What they say of the locker and of the room."""
    g, p = ctx.design.gas, w.part
    at = g.locker
    if at is not None:
        yield from _of_locker(ctx, at, p.locker)
    for x in g.low_points:
        if x.hole_mm2 < DROP_MM2 or x.hole_m > DROP_M:
            yield finding(
                "gas-drop-vent-missing",
                f"low:{x.id}",
                x.name,
                f"The nearest hole is {x.hole_mm2:,.0f} mm² at {x.hole_m:g} m; it needs {DROP_MM2:,.0f} mm² within {DROP_M:g} m.",
            )
    r = p.room
    if r is not None and not r.ok:
        yield finding(
            "gas-permanent-vent-short",
            "room",
            "Fixed vents",
            f"Fixed vents high up have {r.have_high_mm2:,.0f} of {r.need_high_mm2:,.0f} mm² of free area, low down {r.have_low_mm2:,.0f} of "
            f"{r.need_low_mm2:,.0f} mm². They are entered in “Heat and air”.",
            figures=["air/gas/high_area_mm2", "air/gas/low_area_mm2"],
        )
    if g.aboard:
        alarm = g.lpg_alarm
        edge = alarm.bunk_edge_m if alarm and alarm.bunk_edge_m is not None else 9.0
        if alarm is None or alarm.height_m > 0.3 or alarm.height_m > edge:
            yield finding(
                "gas-lpg-alarm-missing",
                "gas-alarm",
                "Gas alarm",
                "No gas alarm has a place yet: propane and butane sink to the floor, and people there don’t smell them asleep."
                if alarm is None
                else f"The alarm is {alarm.height_m:.2f} m over the floor; it should be at most 0.30 m, and under the edge of the lowest bunk.",
                fix=Remedy(label="Place an alarm 0.15 m over the floor", patch=[{"op": "add", "path": "/gas/lpg_alarm", "value": {"height_m": 0.15}}]),
            )
    flames = (
        [a.name for a in g.appliances]
        + [h.name for h in ctx.design.warmth.heaters if h.fuel != "electric"]
        + (["the alcohol stove"] if g.cooking == "alcohol" else [])
    )
    if flames and not any(a.kind == "co" for a in ctx.design.warmth.alarms):
        yield finding(
            "gas-co-alarm-missing",
            "gas-alarm",
            "Carbon monoxide alarm",
            f"Carbon monoxide can come from {', '.join(flames[:3])}; “Heat and air” has no alarm for it.",
        )


def _cold(w: Gassed, g: Gas) -> Found:
    """Whether it comes out in the cold, all of it and fast enough."""
    p = w.part
    names = {"propane": "propane", "butane": "butane", "mix_70_30": "70/30 mix", "mix_50_50": "50/50 mix", "mix_30_70": "30/70 mix"}
    name = names[g.gas or "propane"]
    to_propane = Remedy(label="Use propane", patch=[{"op": "replace", "path": "/gas/gas", "value": "propane"}]) if (g.gas or "propane") != "propane" else None
    if p.coldest_c < p.min_temp_c + COLD_MARGIN_K:
        yield finding(
            "gas-butane-cold",
            "gas",
            "Gas",
            (
                f"{name.capitalize()} comes out down to {p.min_temp_c:.0f} °C; the coldest use is {p.coldest_c:.0f} °C, and it should stay "
                f"{COLD_MARGIN_K:.0f} K above that."
            ),
            figures=["gas/min_temp_c", "gas/coldest_c"],
            fix=to_propane,
        )
    elif p.usable_frac < MOST_LEFT:
        left = (1 - p.usable_frac) * sum(p.vessels[v.id].capacity_kg * v.count for v in g.vessels)
        yield finding(
            "gas-mix-residue",
            "gas",
            "Gas",
            f"At {p.coldest_c:.0f} °C only {100 * p.usable_frac:.0f} % of a full cylinder is usable; {left:.1f} kg stays liquid in it.",
            figures=["gas/usable_mass_frac"],
            fix=to_propane,
        )
    for b in p.boil:
        if b.verdict == "too-much":
            words = "with everything on" if b.what == "everything" else "for a night of heating"
            last = "at once" if not b.to_limit_h else f"after {60 * b.to_limit_h:.0f} min" if b.to_limit_h < 2 else f"after {b.to_limit_h:.1f} h"
            yield finding(
                "gas-vaporisation-short",
                "gas",
                "Gas",
                f"The appliances burn {b.demand_kg_h:.2f} kg/h {words}. At {p.coldest_c:.0f} °C and 30 % full the cylinders give "
                f"{b.continuous_kg_h:.2f} kg/h continuously: the pressure falls {last}.",
                figures=["gas/peak_kg_h"],
            )
            break


def _autonomy(w: Gassed, g: Gas) -> Found:
    """Whether it lasts."""
    p = w.part
    if p.days is not None and p.days < p.target_days - 1e-9:
        i, v = max(enumerate(g.vessels), key=lambda x: p.vessels[x[1].id].capacity_kg)
        more = Remedy.sets("Carry one more of them", f"/gas/vessels/{i}", v.id, count=v.count + 1) if v.count < 6 else None
        if more is not None and p.days * (v.count + 1) / v.count < p.target_days:
            more = more.first_step()
        yield finding(
            "gas-autonomy-short",
            "gas",
            "Gas",
            f"The gas lasts {p.days:.1f} of {p.target_days:g} days: {p.after_reserve_kg:.1f} kg less the reserve, {p.total_kg_day:.2f} kg a day.",
            figures=["gas/autonomy_days", "gas/total_kg_day"],
            fix=more,
        )


def _on_the_way(w: Gassed, g: Gas) -> Found:
    """Gas on the road: where it can be had, on ferries, while driving and at the fuel pump."""
    p = w.part
    for c in p.countries:
        if not c.exchange and not c.pump and c.need_kg > 0:
            met = ", ".join(OUTLET_WORDS[o] for o in c.outlets) or "none known"
            yield finding(
                "gas-no-fill-on-route",
                f"country:{c.code}",
                c.name[0].upper() + c.name[1:],
                f"For {c.days} days there you need {c.need_kg:.1f} kg; outlets there: {met}. {c.note[:1].upper()}{c.note[1:]}{'.' if c.note else ''}".strip(),
            )
    if g.ferry_or_tunnel:
        aboard = sum(p.vessels[v.id].capacity_kg * v.count for v in g.vessels)
        yield finding("gas-ferry-tunnel", "gas", "Gas", f"The vehicle carries {aboard:.1f} kg of gas on a ferry or through a tunnel.")
    r = g.regulator
    if g.while_driving == "open" and not (r and r.crash_safe and r.hose_break):
        missing = " and ".join(n for n, there in (("a crash-safe regulator", r and r.crash_safe), ("hose-break valves", r and r.hose_break)) if not there)
        yield finding(
            "gas-drive-open",
            "regulator",
            "Gas while driving",
            f"Gas stays open while driving, without {missing}.",
            fix=Remedy(label="Shut the gas while driving", patch=[{"op": "replace", "path": "/gas/while_driving", "value": "shut"}]),
        )
    if not g.off_at_fuel:
        lit = [a.name for a in g.appliances if a.kind == "fridge" or a.kind in HEATS]
        if lit:
            yield finding(
                "gas-refuel-flame",
                "solenoid",
                "At the fuel pump",
                f"At the fuel pump {', '.join(lit)} may be lit: fuel vapour catches fire from a flame.",
                fix=Remedy(label="Turn it off at every fuel stop", patch=[{"op": "replace", "path": "/gas/off_at_fuel", "value": True}]),
            )


def cold_findings(ctx: Context, w: Gassed) -> Found:
    """Whether the gas comes out, fast enough and for long enough, and what it is like to travel with it."""
    g = ctx.design.gas
    if g.vessels:
        for part in (_cold, _autonomy, _on_the_way):
            yield from part(w, g)

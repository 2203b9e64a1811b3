"""Findings of vessels, locker, cold, route and vents (method gas.lines)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.gas import Gas, Locker
from bothy.core.finding import Remedy, finding
from bothy.core.gas.countries import OUTLET_WORDS
from bothy.core.gas.part import Gassed, LockerPart
from bothy.core.gas.room import HEATS
from bothy.core.gas.rule_table import Found
from bothy.core.recognise import alarms_aboard, gas_alarm
from bothy.core.restraint import SCHOOLS
from bothy.core.words.says import gas_says as says

UPRIGHT_DEG, STRAPS, STOP_FRAC = 15.0, 2, 0.8
OPENING_M, EXHAUST_M, US_SPARK_M, HEAT_M, SILL_MM = 0.5, 1.0, 0.91, 0.15, 50.0
DROP_MM2, DROP_M = 1000.0, 1.0
COLD_MARGIN_K, MOST_LEFT = 3.0, 0.9
BESIDE_M = 0.02
"""Room that a cylinder needs about itself in its locker (own choice)."""
ALARM_MOST_M = 0.3
"""How high an alarm for leaked gas may hang over the floor."""


def _hung_alarm(ctx: Context) -> tuple[int, float] | None:
    """The lowest alarm for leaked gas that has its place in Fit: which place, and how high over the floor in m."""
    alarms = {f"life:{a.id}" for a in ctx.design.life.appliances if gas_alarm(a.name) and a.count > 0}
    return min(((i, p.z_m) for i, p in enumerate(ctx.design.fit.places) if p.of in alarms), key=lambda x: x[1], default=None)


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
                says("cylinder-leans-by-liquid", angle_deg=v.angle_deg),
                fix=Remedy.sets(says("stand-up"), at, v.id, angle_deg=0.0),
            )
        if v.place == "inside":
            yield finding(
                "gas-vessel-indoors",
                subject,
                v.name,
                says("cylinder-or-tank-stands"),
                fix=Remedy.sets(says("move-into-locker"), at, v.id, place="locker") if g.locker else None,
            )
        if v.kind == "cylinder":
            if v.straps < STRAPS or v.restraint_n is None:
                yield finding(
                    "gas-cylinder-loose",
                    subject,
                    v.name,
                    says("cylinder-has-straps-that", straps=v.straps, straps_2=STRAPS)
                    + (says("together-they-must-hold", need_kn=p.need_n / 1000, schools=SCHOOLS[g.restraint_school]) if v.restraint_n is None else "."),
                )
            elif v.restraint_n < p.need_n:
                yield finding(
                    "gas-cylinder-loose",
                    subject,
                    v.name,
                    says(
                        "fixing-holds-full-need",
                        restraint_kn=v.restraint_n / 1000,
                        full_mass_kg=p.full_mass_kg / v.count,
                        need_kn=p.need_n / 1000,
                        schools=SCHOOLS[g.restraint_school],
                    ),
                )
        if v.kind == "tank" and v.fill_limit_frac > STOP_FRAC:
            yield finding(
                "gas-overfill",
                subject,
                v.name,
                says("tank-filled-to-may", fill_limit_frac_pc=100 * v.fill_limit_frac),
                fix=Remedy.sets(says("stop-filling-at"), at, v.id, fill_limit_frac=STOP_FRAC),
            )
        elif v.self_filled and not v.stop_80:
            yield finding("gas-overfill", subject, v.name, says("you-fill-vessel-yourself"))
        if not v.budgeted:
            yield finding(
                "gas-mass-unplanned",
                subject,
                v.name,
                says("cylinder-weighs-full", full_mass_kg=p.full_mass_kg),
                fix=Remedy.sets(says("count-as-full"), at, v.id, budgeted=True),
            )
    lying = [v for v in g.vessels if v.place == "locker"]
    box = g.locker
    if box is None:
        if lying:
            yield finding("gas-locker-missing", "locker", says("gas-locker"), says("no-locker-described-for", counts=sum(v.count for v in lying)))
        return
    for v in lying:
        sides = sorted((box.length_m, box.width_m))
        row = v.count * v.diameter_m + BESIDE_M
        if v.height_m > box.height_m or v.diameter_m > sides[0] or row > sides[1] + 1e-9:
            what = says(
                "in-should-stand-across",
                count=v.count,
                diameter_m=v.diameter_m,
                height_m=v.height_m,
                length_m=box.length_m,
                width_m=box.width_m,
                height_m_2=box.height_m,
            )
            yield finding("gas-vessel-too-large", f"vessel:{v.id}", v.name, what, related=["locker"])


def _of_locker(ctx: Context, at: Locker, need: LockerPart | None) -> Found:
    """The locker: tight, reached from outside, vented, with nothing in it that sparks or near it that is hot."""
    if not at.sealed or at.unsealed:
        yield finding(
            "gas-locker-not-sealed",
            "locker",
            at.name,
            says("these-openings-lead-into", unsealed=at.unsealed) if at.unsealed else says("that-locker-gas-tight"),
        )
    if at.opens == "inside" or (at.opens == "inside_sealed" and at.sill_mm < SILL_MM):
        yield finding(
            "gas-locker-inside-access",
            "locker",
            at.name,
            says("lockers-door-opens-into") if at.opens == "inside" else says("sill-inner-door-high", sill_mm=at.sill_mm, sill_mm_2=SILL_MM),
        )
    if need is not None and not need.ok:
        high = says("high-one", have_high_mm2=need.have_high_mm2, need_high_mm2=need.need_high_mm2) if need.need_high_mm2 > 0 else ""
        yield finding(
            "gas-locker-vent-small",
            "locker",
            at.name,
            (says("low-vent-has-one", have_low_mm2=need.have_low_mm2, need_low_mm2=need.need_low_mm2, high=high, round_drain_mm=need.round_drain_mm)),
            figures=["gas/locker_low_mm2", "gas/locker_high_mm2"],
        )
    for n, v in enumerate(at.vents):
        subject = f"gas-vent:{v.id}"
        if v.blocked_by or v.closable:
            yield finding(
                "gas-locker-vent-blocked",
                subject,
                v.name,
                says("under-vent-lies", blocked_by=v.blocked_by) if v.blocked_by else says("cover-can-close-vent"),
                fix=None if v.blocked_by else Remedy.sets(says("remove-cover"), f"/gas/locker/vents/{n}", v.id, closable=False),
            )
        exhaust = US_SPARK_M if ctx.region.key == "us" else EXHAUST_M
        near = [
            says("vent-from-needs-at", d_m=d, what=what, least_m=least)
            for d, least, what in ((v.to_opening_m, OPENING_M, says("opening-intake-or-socket")), (v.to_exhaust_m, exhaust, says("exhaust-or-flue")))
            if d is not None and d < least - 1e-9
        ]
        if near:
            yield finding("gas-vent-near-opening", subject, v.name, "; ".join(near) + ".")
    if at.sparks:
        yield finding("gas-locker-spark", "locker", at.name, says("in-locker-can-spark", sparks=", ".join(at.sparks)))
    if at.to_heat_m is not None and at.to_heat_m < HEAT_M:
        yield finding("gas-near-heat", "locker", at.name, says("locker-from-something-hot", to_heat_m=at.to_heat_m, heat_m=HEAT_M))
    if ctx.design.vehicle.preset == "boat" and not (at.drain_overboard and at.drain_above_water and need is not None and need.ok):
        yield finding("gas-boat-drain", "locker", at.name, says("that-drain-falls-overboard"))


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
                says("nearest-hole-at-needs", hole_mm2=x.hole_mm2, hole_m=x.hole_m, drop_mm2=DROP_MM2, drop_m=DROP_M),
            )
    r = p.room
    if r is not None and not r.ok:
        yield finding(
            "gas-permanent-vent-short",
            "room",
            says("fixed-vents"),
            says("fixed-vents-high-up", have_high_mm2=r.have_high_mm2, need_high_mm2=r.need_high_mm2, have_low_mm2=r.have_low_mm2, need_low_mm2=r.need_low_mm2),
            figures=["air/gas/high_area_mm2", "air/gas/low_area_mm2"],
        )
    if g.aboard:
        alarm = g.lpg_alarm
        edge = alarm.bunk_edge_m if alarm and alarm.bunk_edge_m is not None else 9.0
        hung = _hung_alarm(ctx)
        if alarm is not None and hung is not None and hung[1] > min(ALARM_MOST_M, edge) >= alarm.height_m:
            i, height = hung
            fix = Remedy(label=says("place-alarm-over-floor"), patch=[{"op": "replace", "path": f"/fit/places/{i}/z_m", "value": 0.15}])
            yield finding("gas-lpg-alarm-missing", "gas-alarm", says("gas-alarm"), says("alarm-placed-over-floor", height_m=height), fix=fix)
        elif alarm is None or alarm.height_m > min(ALARM_MOST_M, edge):
            yield finding(
                "gas-lpg-alarm-missing",
                "gas-alarm",
                says("gas-alarm"),
                says("no-gas-alarm-has") if alarm is None else says("alarm-over-floor-should", height_m=alarm.height_m),
                fix=Remedy(label=says("place-alarm-over-floor"), patch=[{"op": "add", "path": "/gas/lpg_alarm", "value": {"height_m": 0.15}}]),
            )
    flames = (
        [a.name for a in g.appliances]
        + [h.name for h in ctx.design.warmth.heaters if h.fuel != "electric"]
        + ([says("alcohol-stove-2")] if g.cooking == "alcohol" else [])
    )
    if flames and "co" not in alarms_aboard(ctx.design):
        yield finding(
            "gas-co-alarm-missing",
            "gas-alarm",
            says("carbon-monoxide-alarm"),
            says("carbon-monoxide-can-come", flames=", ".join(flames[:3])),
        )


def _cold(w: Gassed, g: Gas) -> Found:
    """Whether it comes out in the cold, all of it and fast enough."""
    p = w.part
    names = {"propane": "propane", "butane": "butane", "mix_70_30": "70/30 mix", "mix_50_50": "50/50 mix", "mix_30_70": "30/70 mix"}
    name = names[g.gas or "propane"]
    to_propane = (
        Remedy(label=says("use-propane"), patch=[{"op": "replace", "path": "/gas/gas", "value": "propane"}]) if (g.gas or "propane") != "propane" else None
    )
    if p.coldest_c < p.min_temp_c + COLD_MARGIN_K:
        yield finding(
            "gas-butane-cold",
            "gas",
            says("gas-3"),
            (says("comes-out-down-to-coldest", name=name.capitalize(), min_temp_c=p.min_temp_c, coldest_c=p.coldest_c, cold_margin_k=COLD_MARGIN_K)),
            figures=["gas/min_temp_c", "gas/coldest_c"],
            fix=to_propane,
        )
    elif p.usable_frac < MOST_LEFT:
        left = (1 - p.usable_frac) * sum(p.vessels[v.id].capacity_kg * v.count for v in g.vessels)
        yield finding(
            "gas-mix-residue",
            "gas",
            says("gas-3"),
            says("at-only-full-cylinder", coldest_c=p.coldest_c, usable_frac_pc=100 * p.usable_frac, left_kg=left),
            figures=["gas/usable_mass_frac"],
            fix=to_propane,
        )
    for b in p.boil:
        if b.verdict == "too-much":
            words = says("with-everything-on") if b.what == "everything" else says("for-night-heating")
            last = (
                says("at-once")
                if not b.to_limit_h
                else says("after", to_limit_min=60 * b.to_limit_h)
                if b.to_limit_h < 2
                else says("after-2", to_limit_h=b.to_limit_h)
            )
            yield finding(
                "gas-vaporisation-short",
                "gas",
                says("gas-3"),
                says("appliances-burn-at-and", demand_kg_h=b.demand_kg_h, words=words, coldest_c=p.coldest_c, continuous_kg_h=b.continuous_kg_h, last=last),
                figures=["gas/peak_kg_h"],
            )
            break


def _autonomy(w: Gassed, g: Gas) -> Found:
    """Whether it lasts."""
    p = w.part
    if p.days is not None and p.days < p.target_days - 1e-9:
        i, v = max(enumerate(g.vessels), key=lambda x: p.vessels[x[1].id].capacity_kg)
        more = Remedy.sets(says("carry-one-more-them"), f"/gas/vessels/{i}", v.id, count=v.count + 1) if v.count < 6 else None
        if more is not None and p.days * (v.count + 1) / v.count < p.target_days:
            more = more.first_step()
        yield finding(
            "gas-autonomy-short",
            "gas",
            says("gas-3"),
            says("gas-lasts-less-reserve", days=p.days, target_days=p.target_days, after_reserve_kg=p.after_reserve_kg, total_kg_day=p.total_kg_day),
            figures=["gas/autonomy_days", "gas/total_kg_day"],
            fix=more,
        )


def _on_the_way(w: Gassed, g: Gas) -> Found:
    """Gas on the road: where it can be had, on ferries, while driving and at the fuel pump."""
    p = w.part
    for c in p.countries:
        if not c.exchange and not c.pump and c.need_kg > 0:
            met = ", ".join(OUTLET_WORDS[o] for o in c.outlets) or says("none-known")
            yield finding(
                "gas-no-fill-on-route",
                f"country:{c.code}",
                c.name[0].upper() + c.name[1:],
                says(
                    "for-there-you-need", days=c.days, need_kg=c.need_kg, met=met, note=c.note[:1].upper(), note_2=c.note[1:], value="." if c.note else ""
                ).strip(),
            )
    if g.ferry_or_tunnel:
        aboard = sum(p.vessels[v.id].capacity_kg * v.count for v in g.vessels)
        yield finding("gas-ferry-tunnel", "gas", says("gas-3"), says("vehicle-carries-gas-on", aboard_kg=aboard))
    r = g.regulator
    if g.while_driving == "open" and not (r and r.crash_safe and r.hose_break):
        missing = " and ".join(
            n for n, there in ((says("crash-safe-regulator"), r and r.crash_safe), (says("hose-break-valves"), r and r.hose_break)) if not there
        )
        yield finding(
            "gas-drive-open",
            "regulator",
            says("gas-while-driving"),
            says("gas-stays-open-while", missing=missing),
            fix=Remedy(label=says("shut-gas-while-driving"), patch=[{"op": "replace", "path": "/gas/while_driving", "value": "shut"}]),
        )
    if not g.off_at_fuel:
        lit = [a.name for a in g.appliances if a.kind == "fridge" or a.kind in HEATS]
        if lit:
            yield finding(
                "gas-refuel-flame",
                "solenoid",
                says("at-fuel-pump"),
                says("at-fuel-pump-may", lit=", ".join(lit)),
                fix=Remedy(label=says("turn-off-at-every"), patch=[{"op": "replace", "path": "/gas/off_at_fuel", "value": True}]),
            )


def cold_findings(ctx: Context, w: Gassed) -> Found:
    """Whether the gas comes out, fast enough and for long enough, and what it is like to travel with it."""
    g = ctx.design.gas
    if g.vessels:
        for part in (_cold, _autonomy, _on_the_way):
            yield from part(w, g)

"""Findings of pump, taps, filters, hot water, care and tests (method water.care)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.water import HotWater, Pump, Water
from bothy.core.finding import Remedy, finding
from bothy.core.severity import Severity
from bothy.core.water.demand import STYLES
from bothy.core.water.heat_and_frost import HotPart
from bothy.core.water.part import Wet
from bothy.core.water.pipe import pump_kpa
from bothy.core.water.pressure import MIN_VOLUME_L, PumpPart, filter_slope, highest_velocities, solve_taps
from bothy.core.water.rule_table import Found
from bothy.core.words.says import water_says as says

SHORT = 0.6
FAST, TOO_FAST = 2.0, 3.0
CYCLES, RUN_S = 60.0, 5.0
ACCUMULATORS_L = (0.5, 1.0, 2.0, 5.0, 8.0, 12.0, 24.0)
BORES = (7.0, 9.0, 11.6, 13.2, 17.6, 22.0)
"""Inner diameters of usual pipes in mm (method water.pipe-loss)."""
SITE_KPA = {"us": (275, 690), "au": (300, 500), "uk": (300, 600), "eu": (300, 600)}
LIMITER_KPA = 345.0
COIL_C = 95.0
AIR_KPA = 50.0
PUMP_NEEDS = {
    "shutoff": (
        "water-no-shutoff",
        says("tank-cant-be-shut"),
        says("fit-shut-off-valve"),
    ),
    "strainer": ("water-pump-no-strainer", says("pump-has-no-strainer"), says("fit-strainer")),
    "level_stop": ("water-pump-dry", says("nothing-stops-pump-when"), says("fit-level-cut-off")),
    "leak_tray": ("water-no-leak-tray", says("pumps-joints-inside-body"), says("fit-drained-tray")),
}
"""What a pump needs, by its field: the rule where it has none, what is said, and the button that enters it."""
USE_KEYS = ("current_a", "voltage_v", "energy_24h_wh", "charge_energy_wh", "duty_frac", "uses_per_day", "minutes_per_use")
"""Other ways to say what an appliance uses; one form of power and one of use at a time."""


def _pump_load(ctx: Context, w: Wet, p: Pump, q: PumpPart | None) -> Found:
    """What the pump takes in a day, against its line among the appliances."""
    line = ctx.design.appliance(p.appliance) if p.appliance else None
    if q and line is not None and q.flow_l_min > 0:
        watts, hours = q.current_a * ctx.bank_v, w.demand.fresh_tank_l_day / (60 * q.flow_l_min)
        said = w.said_pump_wh
        if said is not None and abs(said - q.energy_wh_day) > max(3.0, 0.3 * q.energy_wh_day):
            n = next(i for i, a in enumerate(ctx.design.life.appliances) if a.id == line.id)
            cleared = [{"op": "replace", "path": f"/life/appliances/{n}/{k}", "value": None} for k in USE_KEYS if getattr(line, k) is not None]
            fix = Remedy(
                label=says("take-them-over"),
                patch=[
                    {"op": "test", "path": f"/life/appliances/{n}/id", "value": line.id},
                    *cleared,
                    {"op": "replace", "path": f"/life/appliances/{n}/power_w", "value": round(watts, 1)},
                    {"op": "replace", "path": f"/life/appliances/{n}/hours_per_day", "value": round(hours, 3)},
                ],
            )
            fed = {c.id for c in ctx.design.wiring.circuits if line.id in c.appliances}
            read = next((x.current_a for x in ctx.facts.readings if x.circuit in fed and x.current_a is not None), None)
            agrees = read is None or abs(read - q.current_a) <= 0.1 * q.current_a
            yield finding(
                "water-pump-load",
                "pump",
                p.name,
                says("daily-use-counts-pumps", said_wh=said, energy_wh_day=q.energy_wh_day, watts_w=watts, hours_min=60 * hours),
                figures=["water/pump_energy_wh"],
                fix=fix if agrees else None,
                remedy=None if agrees else says("were-read-on-circuit", read_a=read, current_a=q.current_a),
            )


def _rated_kpa(d: Water) -> float:
    """What the weakest run is made for."""
    return min([r.rating_kpa for r in d.runs], default=1e9)


def _pressure_side(ctx: Context, p: Pump) -> Found:
    """Parts against the highest pressure, and a water inlet."""
    d = ctx.design.water
    rated = _rated_kpa(d)
    highest = max(p.cut_out_kpa or p.points[0].pressure_kpa, (d.hookup.limiter_kpa or SITE_KPA[ctx.design.region][1]) if d.hookup else 0.0)
    if highest > rated:
        yield finding(
            "water-pressure-over-rating",
            "pump",
            says("pressure-side"),
            says("pressure-can-reach-and", highest_kpa=highest, rated_kpa=rated),
        )
    if d.hookup is not None:
        low, high = SITE_KPA[ctx.design.region]
        if d.hookup.limiter_kpa is None or d.hookup.limiter_kpa > LIMITER_KPA:
            yield finding(
                "water-hookup-unregulated",
                "hookup",
                says("water-inlet"),
                says("taps-pitches-give-to", low=low, high_kpa=high),
                fix=Remedy.sets(says("fit-limiter"), "/water/hookup", limiter_kpa=LIMITER_KPA),
            )
        if not d.hookup.check_valve:
            yield finding(
                "water-backflow",
                "hookup",
                says("water-inlet"),
                says("nothing-stops-water-tank"),
                fix=Remedy.sets(says("fit-check-valve"), "/water/hookup", check_valve=True),
            )


def pump_findings(ctx: Context, w: Wet) -> Found:
    """What they say of the pump and what stands before it."""
    d, p = ctx.design.water, ctx.design.water.pump
    if p is None:
        return
    lacks = {
        "shutoff": not p.shutoff and bool(d.tanks),
        "strainer": p.kind != "submersible" and not p.strainer,
        "level_stop": not p.level_stop and not p.runs_dry,
        "leak_tray": not p.leak_tray and not p.over_electrics,
    }
    for field, (rule, message, label) in PUMP_NEEDS.items():
        if lacks[field]:
            yield finding(rule, "pump", p.name, message, fix=Remedy.sets(label, "/water/pump", **{field: True}))
    if p.over_electrics:
        yield finding("water-over-electrics", "pump", p.name, says("pump-stands-over-electrics"))
    if p.cut_out_kpa is not None and p.cut_out_kpa >= p.points[0].pressure_kpa:
        yield finding(
            "water-pump-cut-in",
            "pump",
            p.name,
            says("pump-can-build-but", pressure_kpa=p.points[0].pressure_kpa, cut_out_kpa=p.cut_out_kpa),
        )
    if p.precharge_kpa is not None and p.cut_in_kpa is not None and p.precharge_kpa > p.cut_in_kpa:
        right = max(0.0, p.cut_in_kpa - 14)
        yield finding(
            "water-precharge-wrong",
            "pump",
            p.name,
            says("precharge-above-pumps-cut", precharge_kpa=p.precharge_kpa, cut_in_kpa=p.cut_in_kpa),
            fix=Remedy.sets(says("set-to", right_kpa=right), "/water/pump", precharge_kpa=right),
        )
    q = w.part.pump
    if q and p.kind == "pressure" and q.cycles_per_hour is not None and q.run_time_s is not None and q.cycles_per_hour > CYCLES and q.run_time_s < RUN_S:
        needed = (p.accumulator_l or MIN_VOLUME_L) * RUN_S / max(0.01, q.run_time_s)
        larger = next((v for v in ACCUMULATORS_L if v >= needed), None)
        yield finding(
            "water-pump-cycling",
            "pump",
            p.name,
            says("with-tap-half-open", cycles_per_hour=q.cycles_per_hour, run_time_s=q.run_time_s),
            fix=Remedy.sets(says("fit-accumulator", larger_l=larger), "/water/pump", accumulator_l=larger) if larger else None,
        )
    yield from _pump_load(ctx, w, p, q)
    yield from _pressure_side(ctx, p)


def tap_findings(ctx: Context, w: Wet) -> Found:
    """What they say of runs and outlets."""
    d = ctx.design.water
    for n, r in enumerate(d.runs):
        subject = f"run:{r.id}"
        if r.food_grade is False:
            yield finding("water-material-not-food-grade", subject, r.name, says("pipe-isnt-marked-for"))
        if r.hidden_joint:
            yield finding("water-joint-hidden", subject, r.name, says("pipe-has-joint-that"))
        if r.over_electrics:
            yield finding("water-over-electrics", subject, r.name, says("pipe-has-joint-over"))
        v = w.part.velocities.get(r.id, 0.0)
        if v > FAST:
            next_bore = _slower(ctx, r.id, FAST)
            yield finding(
                "water-velocity-excessive" if v > TOO_FAST else "water-velocity-high",
                subject,
                r.name,
                says("water-runs-through-pipe", v_m_s=v, too_fast_m_s=TOO_FAST if v > TOO_FAST else FAST),
                fix=Remedy.sets(says("lay-pipe", next_bore_mm=next_bore), f"/water/runs/{n}", r.id, inner_diameter_mm=next_bore) if next_bore else None,
            )
        tap = w.part.taps.get(r.id)
        if tap is None:
            continue
        if tap.alone_l_min < SHORT * tap.wanted_l_min:
            yield finding(
                "water-tap-flow-low",
                subject,
                r.name,
                says("tap-gives", alone_l_min=tap.alone_l_min, wanted_l_min=tap.wanted_l_min),
                fix=_more(ctx, r.id, [r.id]),
            )
        elif tap.shared_l_min < SHORT * tap.wanted_l_min and tap.shared_with is not None:
            other = next(x.id for x in d.runs if x.name == tap.shared_with and x.outlet != "none" and x.id != r.id)
            yield finding(
                "water-tap-flow-shared",
                subject,
                r.name,
                says("tap-gives-with-open", shared_l_min=tap.shared_l_min, wanted_l_min=tap.wanted_l_min, shared_with=tap.shared_with),
                fix=_more(ctx, r.id, [r.id, other]),
            )
    h = d.hot
    if h is not None and h.kind == "instant" and h.min_flow_l_min is not None:
        hot = [w.part.taps[r.id] for r in d.runs if r.hot and r.id in w.part.taps]
        worst = min(hot, key=lambda t: t.shared_l_min, default=None)
        if worst is not None and worst.shared_l_min < h.min_flow_l_min:
            yield finding(
                "water-instant-no-ignite",
                "hot",
                h.name,
                says("at-only-flow-heater", worst_name=worst.name, shared_l_min=worst.shared_l_min, min_flow_l_min=h.min_flow_l_min),
            )


def _slower(ctx: Context, id: str, most: float) -> float | None:
    """The smallest usual bore at which a run stays under a velocity, whatever opens; the largest where none does."""
    w = ctx.design.water
    larger = [b for b in BORES if b > next(r.inner_diameter_mm for r in w.runs if r.id == id) + 0.2]
    for bore in larger:
        tried = w.model_copy(update={"runs": [r.model_copy(update={"inner_diameter_mm": bore}) if r.id == id else r for r in w.runs]})
        if highest_velocities(tried).get(id, 0.0) <= most:
            return bore
    return larger[-1] if larger else None


def _more(ctx: Context, tap: str, open_: list[str]) -> Remedy | None:
    """The cheapest single change that gives a tap enough: a wider run on its way (the shortest first), else the filters moved to the drinking tap."""
    w = ctx.design.water
    runs = {r.id: r for r in w.runs}
    want = SHORT * runs[tap].wanted_l_min
    way, at = [tap], runs[tap]
    while at.parent is not None:
        at = runs[at.parent]
        way.append(at.id)
    index = {r.id: i for i, r in enumerate(w.runs)}
    for bigger in (1, 2):
        for id in sorted(way, key=lambda x: runs[x].length_m):
            bore = next(iter([b for b in BORES if b > runs[id].inner_diameter_mm + 0.2][bigger - 1 : bigger]), None)
            if bore is None:
                continue
            tried = w.model_copy(update={"runs": [r.model_copy(update={"inner_diameter_mm": bore}) if r.id == id else r for r in w.runs]})
            s = solve_taps(tried, open_)
            if s is not None and s.flow_l_min[tap] >= want:
                return Remedy.sets(says("lay-in", runs_name=runs[id].name, bore_mm=bore), f"/water/runs/{index[id]}", id, inner_diameter_mm=bore)
    if filter_slope(w.filters) > 0:
        tried = w.model_copy(update={"filters": [f.model_copy(update={"at": "drinking"}) for f in w.filters]})
        s = solve_taps(tried, open_)
        if s is not None and s.flow_l_min[tap] >= want:
            return Remedy(
                label=says("move-filters-to-drinking"),
                patch=[{"op": "replace", "path": f"/water/filters/{i}/at", "value": "drinking"} for i in range(len(w.filters))],
            )
    return None


def _hot_enough(ctx: Context, w: Wet, h: HotWater, p: HotPart) -> Found:
    """Whether it is hot, for long enough, and what the bank gives for it."""
    use = ctx.design.water.use
    dry = h.source == "loop" and w.loop_l_min is None
    if dry:
        yield finding("water-hot-no-loop", "hot", h.name, says("coolant-loop-in-heat"))
    if use.shower_type == "flow" and p.reachable_c is not None and p.reachable_c < 38 and not dry:
        yield finding(
            "water-instant-weak",
            "hot",
            h.name,
            says("showers-flow-needs-to", needed_kw=p.needed_w / 1000, reachable_c=p.reachable_c),
            figures=["water/shower_heat_w"],
        )
    minutes = use.shower_time_min if use.shower_time_min is not None else STYLES[use.style].shower_time_min
    if use.shower_type == "flow" and p.shower_min is not None and p.shower_min < minutes:
        yield finding("water-hot-short", "hot", h.name, says("hot-water-lasts-at", shower_min=p.shower_min, minutes_min=minutes), figures=["water/shower_min"])
    bank = ctx.design.power.bank
    if p.charge_ah is not None and bank is not None:
        usable = bank.unit_charge_ah * bank.parallel_count * ctx.usable_frac
        if usable > 0 and p.charge_ah > 0.3 * usable:
            yield finding(
                "water-electric-hot-heavy",
                "hot",
                h.name,
                says("heating-water-once-takes", charge_ah=p.charge_ah, charge_ah_2=p.charge_ah / usable),
                figures=["water/battery_charge_ah"],
            )


def _hot_runs(ctx: Context, reach_c: float) -> Found:
    """Hot runs to the taps, which carry the heater's water, or what its mixer lets through."""
    for i, r in enumerate(ctx.design.water.runs):
        if r.hot and r.rating_c < reach_c:
            words = says("run-made-for", rating_c=r.rating_c, reach_c=reach_c)
            fix = Remedy.sets(says("lay-pipe-for"), f"/water/runs/{i}", r.id, rating_c=95.0)
            yield finding("water-hot-pipe-rating", f"run:{r.id}", r.name, words, fix=fix)


def _relief(ctx: Context, h: HotWater, opens_kpa: float) -> Found:
    """The relief valve opens before a pipe bursts, and not while the pump only fills the heater."""
    d = ctx.design.water
    rated = _rated_kpa(d)
    if opens_kpa > rated:
        yield finding("water-pressure-over-rating", "hot", h.name, says("relief-opens-above-rating", opens_kpa=opens_kpa, rated_kpa=rated))
    works = max(d.pump.cut_out_kpa or d.pump.points[0].pressure_kpa if d.pump else 0.0, d.hookup.limiter_kpa or 0.0 if d.hookup else 0.0)
    if opens_kpa <= works:
        yield finding("water-relief-weeps", "hot", h.name, says("relief-opens-below-pump", opens_kpa=opens_kpa, works_kpa=works))


def hot_findings(ctx: Context, w: Wet) -> Found:
    """What they say of hot water."""
    h, p = ctx.design.water.hot, w.part.hot
    if h is None or p is None:
        return
    closed = h.kind == "storage"
    if closed and (h.relief_kpa is None or not h.relief_outside):
        yield finding(
            "water-hot-no-relief",
            "hot",
            h.name,
            says("relief-valve-that-leads"),
            fix=Remedy.sets(says("fit-relief-valve-that"), "/water/hot", relief_kpa=h.relief_kpa or 600.0, relief_outside=True),
        )
    if closed and h.relief_kpa is not None:
        yield from _relief(ctx, h, h.relief_kpa)
    if closed and not h.check_valve:
        yield finding(
            "water-hot-no-check",
            "hot",
            h.name,
            says("nothing-keeps-hot-water"),
            fix=Remedy.sets(
                says("fit-check-valve-and"),
                "/water/hot",
                check_valve=True,
                expansion_l=max(h.expansion_l, _up(p.vessel_l)),
            )
            if p.vessel_l
            else None,
        )
    if closed and h.check_valve and h.expansion_l < (p.vessel_l or 0.1) - 1e-9:
        vessel = p.vessel_l
        yield finding(
            "water-hot-no-expansion",
            "hot",
            h.name,
            says("heated-water-needs-more", expansion_ml=1000 * p.expansion_l)
            + (says("expansion-vessel-takes", vessel_l=vessel) if vessel else says("and-relief-valve-set")),
            fix=Remedy.sets(says("fit-vessel", up_l=_up(vessel)), "/water/hot", expansion_l=_up(vessel)) if vessel else None,
        )
    if (p.max_c > 50 or h.coil) and (h.mixer_c is None or h.mixer_c > 48):
        yield finding(
            "water-hot-no-mixer",
            "hot",
            h.name,
            says("water-burns-adult-skin", max_c=p.max_c, burn=p.burn or "a while"),
            fix=Remedy.sets(says("fit-mixer-set-to"), "/water/hot", mixer_c=40.0),
        )
    if closed and 20 <= h.target_temp_c < 60 and not h.weekly_60:
        severity: Severity = "danger" if h.target_temp_c <= 50 else "advice"
        yield finding(
            "water-hot-legionella",
            "hot",
            h.name,
            says("water-kept-at-and", target_temp_c=h.target_temp_c),
            severity=severity,
            fix=Remedy.sets(says("heat-to-each-week"), "/water/hot", weekly_60=True),
        )
    hottest = COIL_C if "coil" in h.source else p.max_c
    if h.pipe_rating_c < hottest:
        yield finding(
            "water-hot-pipe-rating",
            "hot",
            h.name,
            says("hot-pipe-made-for", pipe_rating_c=h.pipe_rating_c, hottest_c=hottest),
            fix=Remedy.sets(says("lay-pipe-for"), "/water/hot", pipe_rating_c=95.0),
        )
    yield from _hot_runs(ctx, hottest if h.mixer_c is None else min(hottest, h.mixer_c))
    if (h.element or h.source in ("gas", "diesel", "gas_element")) and not h.dry_lock:
        yield finding(
            "water-heater-dry",
            "hot",
            h.name,
            says("heater-can-be-switched"),
            fix=Remedy.sets(says("fit-interlock"), "/water/hot", dry_lock=True),
        )
    if not h.leak_tray and closed:
        yield finding(
            "water-no-leak-tray",
            "hot",
            h.name,
            says("heaters-joints-inside-body"),
            fix=Remedy.sets(says("fit-drained-tray"), "/water/hot", leak_tray=True),
        )
    yield from _hot_enough(ctx, w, h, p)


def _up(litres: float | None) -> float:
    """The next vessel sold: 0.5, 1, 2, 5, 8 L."""
    return next((s for s in (0.5, 1.0, 2.0, 5.0, 8.0) if s >= (litres or 0.0)), 8.0)


def care_findings(ctx: Context, w: Wet) -> Found:
    """What they say of filters, sanitising and tests."""
    d = ctx.design.water
    c = d.care
    if any(t.holds in ("fresh", "drinking") for t in d.tanks) and ((c.days_ago or 0) > 90 or c.standing_days > 14):
        s = w.part.sanitise
        yield finding(
            "water-sanitise-due",
            "care",
            says("sanitising"),
            (says("tanks-were-sanitised-ago", days_ago=round(c.days_ago)) if c.days_ago is not None else says("when-tanks-were-last"))
            + (says("and-water-has-stood", standing_days=c.standing_days) if c.standing_days > 14 else "")
            + (says("dose", dose=s.dose, unit=s.unit) if s else "."),
        )
    if c.target_mg_l > 100 or c.with_acid:
        yield finding(
            "water-chlorine-strong",
            "care",
            says("sanitising"),
            says("chlorine-with-acid-gives") if c.with_acid else says("dose-gives-mg-chlorine", target_mg_l=c.target_mg_l),
            fix=Remedy.sets(says("use-mg-and-no"), "/water/care", target_mg_l=50.0, with_acid=False),
        )
    most = w.part.pump.flow_l_min if w.part.pump else 8.0
    for i, f in enumerate(d.filters):
        life = w.part.filters.get(f.id)
        if life is None:
            continue
        subject = f"filter:{f.id}"
        if f.used_days is not None and life.days is not None and f.used_days >= life.days:
            yield finding(
                "water-filter-due",
                subject,
                f.name,
                says("filter-has-been-in", used_days=f.used_days, days=life.days),
                fix=Remedy.sets(says("enter-that-was-changed"), f"/water/filters/{i}", f.id, used_days=0.0),
            )
        kpa = f.clean_kpa * most / f.rated_flow_l_min
        whole = pump_kpa(d.pump.points, most) if d.pump else 0.0
        if f.at == "all" and (most > f.rated_flow_l_min + 1e-9 or (whole > 0 and kpa > 0.25 * whole)):
            yield finding(
                "water-filter-over-rated",
                subject,
                f.name,
                says("up-to-flow-through", most_l_min=most, rated_flow_l_min=f.rated_flow_l_min, kpa=kpa),
                fix=Remedy.sets(says("move-to-drinking-tap"), f"/water/filters/{i}", f.id, at="drinking"),
            )
        if f.kind == "uv" and not any(x.kind != "uv" and x.micron <= 5 for x in d.filters[:i]):
            yield finding("water-uv-unprotected", subject, f.name, says("no-filter-or-finer"))
    for t in ctx.facts.water_tests:
        if t.medium == "air" and t.start_kpa > AIR_KPA:
            yield finding(
                "water-air-test-high",
                f"test:{t.id}",
                t.name,
                says("test-was-made-with", start_kpa=t.start_kpa, air_kpa=AIR_KPA),
            )
    if d.walls_closed and d.runs and not any(t.verdict == "pass" for t in w.part.tests):
        last = {"fail": says("last-pressure-test-failed"), "repeat": says("last-pressure-test-must")}.get(
            w.part.tests[-1].verdict if w.part.tests else "", "No pressure test is entered"
        )
        yield finding("water-not-tested", "tests", says("pressure-test"), says("and-walls-over-pipes", last=last))

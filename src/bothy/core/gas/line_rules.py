"""Findings of appliances, regulator, hoses, pipes, tests, papers, and of cooking without gas (method gas.lines)."""

from __future__ import annotations

import re
from typing import Any

from bothy.core.context import Context
from bothy.core.daily_use import line_in_daily_use
from bothy.core.design.gas import GasAppliance, Solenoid
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.gas.part import Gassed
from bothy.core.gas.pipework import REGULATOR_Y, UNSTEADY_PART, hose_life_years, nominal_mbar, path, sizes_mm, solved
from bothy.core.gas.room import HEATS
from bothy.core.gas.rule_table import Found
from bothy.core.words.says import gas_says as says

SAME_MBAR, ACCEPTED = 1.0, (28.0, 37.0)
FIXED_M, SLIDES_M = 0.40, 0.75
CLIP_M = {"copper": 0.5, "steel": 1.0}
BESIDE_MM, CROSSING_MM, HOT_MM = 30.0, 10.0, 150.0
MOST_TEST_MBAR, US_MOST_MBAR = 150.0, 35.0
HOLD_WH, BANK_PART = 50.0, 0.3
WRONG_JOINTS = {"soft_solder": "soft-soldered", "push_fit": "push-fit", "taped": says("taped-on-compression-thread")}


def unlisted_findings(ctx: Context, w: Gassed) -> Found:
    """Appliances of Life that burn gas by their name, and that Gas does not list."""
    g = ctx.design.gas
    linked = {h.appliance for h in ctx.design.warmth.heaters if h.id in {x.heater for x in g.appliances}}
    kinds = {a.kind for a in g.appliances}
    for x in ctx.design.life.appliances:
        burns = re.search(r"\b(gas|lpg|propane|butane|absorption)\b", x.name.lower()) is not None and x.kind in ("heating", "cooking", "cooling")
        known = (
            x.id in linked
            or ("fridge" in kinds and x.kind == "cooling")
            or (x.kind == "heating" and kinds & set(HEATS))
            or (x.kind == "cooking" and kinds & {"hob_burner", "oven", "grill"})
        )
        if burns and not known and x.count > 0:
            yield finding("gas-unlisted", x.id, x.name, says("daily-use-counts-electricity"))


def appliance_findings(ctx: Context, w: Gassed) -> Found:
    """What they say of each appliance."""
    g, fed = ctx.design.gas, {p.appliance for p in ctx.design.gas.pipes}
    for i, a in enumerate(g.appliances):
        if a.kind == "fridge" and not a.room_sealed and not a.outside_point:
            yield finding(
                "gas-fridge-open",
                a.id,
                a.name,
                says("fridges-flame-burns-in"),
                fix=Remedy.sets(says("enter-that-fridge-sealed"), f"/gas/appliances/{i}", a.id, room_sealed=True),
            )
    nominal = nominal_mbar(ctx)
    for i, a in enumerate(g.appliances):
        subject, at = f"gas-appliance:{a.id}", f"/gas/appliances/{i}"
        if a.kind in HEATS and not a.room_sealed:
            yield finding("gas-not-room-sealed", subject, a.name, says("flame-takes-air-from"))
        if a.heats_room and a.kind in ("hob_burner", "oven", "grill"):
            yield finding(
                "gas-hob-as-heater",
                subject,
                a.name,
                says("design-uses-this-burner"),
                fix=Remedy.sets(says("dont-heat-with"), at, a.id, heats_room=False),
            )
        if not a.flame_failure:
            yield finding("gas-no-flame-failure", subject, a.name, says("if-flame-blows-out"))
        if a.nominal_mbar is not None and abs(a.nominal_mbar - nominal) > SAME_MBAR:
            lo, hi = ACCEPTED
            if not (a.plate_28_37 and lo <= nominal <= hi):
                yield finding(
                    "gas-pressure-mismatch", subject, a.name, says("appliances-plate-says-regulator", nominal_mbar=a.nominal_mbar, nominal_mbar_2=nominal)
                )
        if not a.valve or not a.valve_reached:
            yield finding(
                "gas-no-isolation",
                subject,
                a.name,
                says("appliance-has-no-isolation") if not a.valve else says("appliances-isolation-valve-cant"),
            )
        inverter = ctx.design.power.inverter
        if a.igniter == "mains" and (inverter is None or inverter.mode != "always"):
            yield finding("gas-ignition-supply", subject, a.name, says("igniter-needs-mains-without"))
        if a.outside_point or a.kind == "bbq":
            yield finding(
                "gas-bbq-point",
                subject,
                a.name,
                says("socket-gives", nominal_mbar=nominal) + (says("valve-within-reach") if a.point_valve else says("no-valve-within-reach")),
            )
        if (g.pipes or g.vessels) and a.id not in fed:
            yield finding("gas-appliance-unpiped", subject, a.name, says("no-pipe-leads-to"))
    yield from _unlisted(ctx)


def _unlisted(ctx: Context) -> Found:
    """Heaters of Warmth and Water that burn gas and stand nowhere in Gas."""
    g = ctx.design.gas
    known, ids = {a.heater for a in g.appliances}, {a.id for a in g.appliances}

    def unlisted(subject: str, name: str, text: str, id: str, linked: dict[str, Any], may_be: list[GasAppliance], **fields: Any) -> Finding:
        while id in ids:
            id = f"{id[:34]}-gas"
        take = [{"op": "add", "path": "/gas/appliances/-", "value": {"id": id, "name": name, **fields, **linked}}]
        if not may_be:
            return finding("gas-appliance-unlisted", subject, name, text, fix=Remedy(label=says("first-step-take-over", word=name), patch=take))
        answers = [
            Remedy(
                label=says("is-that-appliance", name=a.name),
                patch=[
                    {"op": "test", "path": f"/gas/appliances/{n}/id", "value": a.id},
                    *({"op": "replace", "path": f"/gas/appliances/{n}/{field}", "value": value} for field, value in linked.items()),
                ],
            )
            for n, a in enumerate(g.appliances)
            if a in may_be[:3]
        ]
        another = Remedy(label=says("is-another-appliance"), patch=take)
        return finding("gas-appliance-unlisted", subject, name, says("which-gas-appliance"), severity="question", answers=[*answers, another])

    for h in ctx.design.warmth.heaters:
        if h.burns_gas and h.id not in known:
            kind = "combi_heater" if h.kind == "combined" else "space_heater"
            alike = [a for a in g.appliances if a.heater is None and a.kind in ("space_heater", "combi_heater")]
            text = says("this-heater-burns-gas")
            yield unlisted(f"gas-heater:{h.id}", h.name, text, h.id, {"heater": h.id}, alike, kind=kind, room_sealed=h.room_sealed)
    hot = ctx.design.water.hot
    if hot is not None and hot.source in ("gas", "gas_element") and not any(a.hot_water for a in g.appliances):
        kind = "instant_water_heater" if hot.kind == "instant" else "water_heater"
        alike = [a for a in g.appliances if a.kind in ("water_heater", "instant_water_heater", "combi_heater")]
        heat_w = min(40000.0, max(1.0, hot.heat_w))
        yield unlisted("gas-hot", hot.name, says("this-water-heater-burns"), "water-heater", {"hot_water": True}, alike, kind=kind, heat_input_w=heat_w)


def line_findings(ctx: Context, w: Gassed) -> Found:
    """What they say of regulator, hoses, solenoid and pipes."""
    g, p = ctx.design.gas, w.part
    r = g.regulator
    if r is None and g.appliances and g.vessels:
        yield finding(
            "gas-regulator-missing",
            "regulator",
            says("regulator"),
            says("regulator-must-pass-at", regulator_min_kg_h=p.regulator_min_kg_h, nominal_mbar=p.nominal_mbar),
        )
    if r is not None:
        if r.capacity_kg_h < p.regulator_min_kg_h - 1e-9:
            yield finding(
                "gas-regulator-small",
                "regulator",
                r.name,
                says("regulator-passes-needed", capacity_kg_h=r.capacity_kg_h, regulator_min_kg_h=p.regulator_min_kg_h),
                figures=["gas/regulator_min_kg_h"],
            )
        if r.age_years is not None and r.age_years > REGULATOR_Y:
            yield finding("gas-regulator-old", "regulator", r.name, says("regulator-years-old", age_years=r.age_years))
    if r is not None and r.mount == "wall" and g.hoses and not any(h.high_pressure for h in g.hoses):
        yield finding("gas-hose-pressure", "regulator", r.name, says("regulator-hangs-on-wall"), related=[f"hose:{h.id}" for h in g.hoses])
    for h in g.hoses:
        subject, life = f"hose:{h.id}", hose_life_years(h)
        if h.cracked or h.age_years is None or h.age_years > life:
            yield finding(
                "gas-hose-expired",
                subject,
                h.name,
                says("hoses-surface-cracked")
                if h.cracked
                else says("hoses-date-not-entered")
                if h.age_years is None
                else says("hose-years-old-may", age_years=h.age_years, life=life),
            )
        most = SLIDES_M if h.slides else FIXED_M
        if h.length_m > most + 1e-9:
            yield finding("gas-hose-long", subject, h.name, says("hose-long-at-most", length_m=h.length_m, most_m=most))
        if h.through_wall:
            yield finding("gas-hose-through-wall", subject, h.name, says("inside-wall-hose-can"))
    s = g.solenoid
    if s is not None:
        if not s.normally_closed:
            yield finding(
                "gas-solenoid-open-type",
                "solenoid",
                says("main-solenoid"),
                says("without-current-this-solenoid"),
                fix=Remedy(
                    label=_then_test(ctx, says("use-normally-closed-solenoid")),
                    patch=[{"op": "replace", "path": "/gas/solenoid/normally_closed", "value": True}],
                ),
            )
        if p.solenoid_wh_day is not None and p.solenoid_wh_day > HOLD_WH:
            yield finding(
                "gas-solenoid-energy",
                "solenoid",
                says("main-solenoid"),
                says("solenoid-uses", solenoid_wh_day=p.solenoid_wh_day, solenoid_wh_day_ah=p.solenoid_wh_day / ctx.bank_v),
                figures=["gas/solenoid_wh"],
            )
        if not p.on_panel:
            yield finding(
                "gas-solenoid-panel",
                "solenoid",
                says("main-solenoid"),
                says("solenoid-isnt-in-daily") if s.appliance is None else says("solenoids-circuit-has-no"),
                fix=_in_life(ctx, s) if s.appliance is None else None,
            )
    yield from _pipes(ctx, w)


def _in_life(ctx: Context, s: Solenoid) -> Remedy:
    """The solenoid as a line of Life, so that its energy counts and its circuit gets a switch."""
    line = {"name": says("gas-solenoid"), "kind": "safety", "zone": "kitchen", "power_w": s.hold_w, "hours_per_day": s.open_h_day}
    return line_in_daily_use(ctx, "gas-solenoid", line, "/gas/solenoid")


def _pipes(ctx: Context, w: Gassed) -> Found:
    g, tree = ctx.design.gas, w.part.pipes
    if tree is not None and tree.worst is not None and tree.worst_mbar > tree.limit_mbar + 1e-9:
        yield finding(
            "gas-pipe-drop-high",
            f"gas-run:{tree.worst}",
            tree.runs[tree.worst].name,
            says("pressure-drop-from-regulator", worst_mbar=tree.worst_mbar, limit_mbar=tree.limit_mbar),
            figures=["gas/worst_mbar"],
            fix=_wider(ctx, w, tree.worst),
        )
    for i, p in enumerate(g.pipes):
        subject, at = f"gas-run:{p.id}", f"/gas/pipes/{i}"
        r = tree.runs.get(p.id) if tree else None
        if tree and r and p.appliance and UNSTEADY_PART * tree.limit_mbar < r.lost_mbar <= tree.limit_mbar:
            unsteady = [tree.runs[x.id] for x in path(g, p) if tree.runs[x.id].regime == "between"]
            if unsteady:
                yield finding(
                    "gas-pipe-transition",
                    subject,
                    p.name,
                    says(
                        "drop-with-reynolds-number",
                        lost_mbar=r.lost_mbar,
                        limit_mbar=tree.limit_mbar,
                        reynolds=unsteady[0].reynolds,
                        unsteady_name=unsteady[0].name,
                    ),
                )
        clip = CLIP_M[p.material]
        if (p.clip_m is not None and p.clip_m > clip + 1e-9) or not p.grommets:
            yield finding(
                "gas-pipe-unsupported",
                subject,
                p.name,
                says("pipe-has-clip-every", clip_m=p.clip_m, material=p.material, clip_m_2=clip)
                if p.clip_m is not None and p.clip_m > clip + 1e-9
                else says("no-grommets-entered-where"),
                fix=Remedy.sets(says("add-clips-and-grommets"), at, p.id, clip_m=clip, grommets=True),
            )
        near = CROSSING_MM if p.crosses_cable and p.cable_cover else BESIDE_MM
        if p.to_cable_mm is not None and p.to_cable_mm < near:
            yield finding("gas-pipe-near-cable", subject, p.name, says("pipe-from-cable-at", to_cable_mm=p.to_cable_mm, near_mm=near))
        elif p.to_hot_mm is not None and p.to_hot_mm < HOT_MM and not p.shielded:
            yield finding(
                "gas-pipe-near-cable",
                subject,
                p.name,
                says("pipe-from-exhaust-or", to_hot_mm=p.to_hot_mm, hot_mm=HOT_MM),
            )
        if p.hidden_joint:
            yield finding("gas-joint-hidden", subject, p.name, says("pipe-has-joint-in"))
        if p.joint in WRONG_JOINTS:
            yield finding(
                "gas-joint-wrong-type",
                subject,
                p.name,
                says("joint-which-doesnt-hold", wrong_joints=WRONG_JOINTS[p.joint]),
                severity="danger" if p.joint in ("soft_solder", "push_fit") else None,
            )


def _then_test(ctx: Context, label: str) -> str:
    """The label of a change after which the leak test that was made counts no more."""
    return says("then-new-leak-test", label=label) if ctx.facts.gas_tests else label


def _wider(ctx: Context, w: Gassed, worst: str) -> Remedy | None:
    """The smallest wider bore of one typed run on the way to the worst end with which every end keeps its pressure, the narrowest run first; None
    where none does."""
    g = ctx.design.gas
    p = next(x for x in g.pipes if x.id == worst)
    typed = [x for x in path(g, p) if x.inner_diameter_mm is not None]
    for narrow in sorted(typed, key=lambda x: x.inner_diameter_mm or 0.0):
        for bore in sizes_mm(ctx):
            if bore > (narrow.inner_diameter_mm or 0.0):
                changed = g.model_copy(update={"pipes": [x.model_copy(update={"inner_diameter_mm": bore}) if x.id == narrow.id else x for x in g.pipes]})
                if solved(ctx, changed, w.part.burns).ok:
                    return Remedy.sets(
                        _then_test(ctx, says("lay-in", narrow_name=narrow.name, bore_mm=bore)),
                        f"/gas/pipes/{g.pipes.index(narrow)}",
                        narrow.id,
                        inner_diameter_mm=bore,
                    )
    return None


def paper_findings(ctx: Context, w: Gassed) -> Found:
    """Licence, certificate, tests and readings."""
    g, p = ctx.design.gas, w.part
    if not g.aboard:
        return
    needs = w.part.law.licensed_only or g.local_licence or (ctx.region.key == "uk" and g.let_or_lived_in)
    if needs and g.installer != "licensed":
        yield finding("gas-licence-required", "papers", says("gas-work"), w.part.law.installs + (says("your-local-rule-requires") if g.local_licence else ""))
    connected = any(v.connected for v in g.vessels)
    c = g.certificate
    if connected and (c is None or c.months_ago > w.part.law.months):
        yield finding(
            "gas-no-certificate",
            "papers",
            says("gas-certificate"),
            says("cylinder-or-tank-connected", paper=w.part.law.paper)
            if c is None
            else says("certificate-months-old", months_ago=c.months_ago, afterwards=w.part.law.afterwards),
        )
    passed = [t for t in p.tests if t.verdict == "pass" and not t.changed]
    if (g.pipes or (connected and g.appliances)) and not passed:
        last = next((t for t in reversed(p.tests) if t.verdict == "pass"), None)
        yield finding(
            "gas-test-missing",
            "gas-tests",
            says("leak-test"),
            (says("no-test-has-been") if ctx.facts.gas_tests else says("no-test-has-been-entered"))
            if last is None
            else says(
                "after-these-were-changed",
                last_name=last.name,
                words=", ".join(_word(ctx, k) for k in last.changed[:4]),
                changed_count_over=len(last.changed) > 4,
            ),
        )
    for t, said in zip(p.tests, ctx.facts.gas_tests, strict=True):
        subject = f"gas-test:{t.id}"
        if t.verdict == "fail" and not passed:
            yield finding(
                "gas-test-failed",
                subject,
                t.name,
                says("pressure-fell-by-warmth", corrected_drop_mbar=t.corrected_drop_mbar, limit_mbar=t.limit_mbar, leak_working_g_h=t.leak_working_g_h),
            )
        elif t.verdict == "repeat" and not passed:
            yield finding("gas-test-invalid", subject, t.name, says("test-doesnt-count", reasonss=", ".join(REASONS[x] for x in t.reasons)))
        elif t.verdict == "pass" and not t.signed:
            yield finding("gas-test-unsigned", subject, t.name, says("nobody-with-licence-has"))
        most = US_MOST_MBAR if ctx.region.key == "us" else MOST_TEST_MBAR
        if not said.isolated and said.start_mbar > most:
            yield finding(
                "gas-test-overpressure",
                subject,
                t.name,
                says("test-began-at-and", start_mbar=said.start_mbar, most_mbar=most),
            )
    kinds = {"working": says("pressure-with-everything-burning"), "lock_up": says("pressure-with-all-off"), "flame_failure": says("flame-failure")}
    names = {a.id: a.name for a in g.appliances}
    for x in ctx.facts.gas_checks:
        r = p.checks[x.id]
        if not r.ok:
            where = f" at {names[x.appliance]}" if x.appliance in names else ""
            yield finding(
                "gas-check-failed",
                f"check:{x.id}",
                kinds[x.kind].capitalize() + where,
                says("reading-limit", x=x.value, unit=r.unit, limit=r.limit),
            )


REASONS = {
    "pressure-too-low": says("too-little-pressure"),
    "not-stabilised": says("not-left-to-settle"),
    "too-short": says("too-short"),
    "temperature-drift": says("temperature-moved-too-much"),
    "pressure-rise": says("pressure-rose"),
    "drop-over-limit": says("fell-by-more-than"),
}


def _word(ctx: Context, key: str) -> str:
    """A part of the system in words."""
    kind, _, id = key.partition(":")
    lists: dict[str, Any] = {"run": ctx.design.gas.pipes, "appliance": ctx.design.gas.appliances, "hose": ctx.design.gas.hoses}
    name = next((x.name for x in lists.get(kind, ()) if x.id == id), None)
    return name or {"regulator": says("regulator-2"), "solenoid": says("solenoid")}.get(kind, f"a {kind} that is gone")


def cooking_findings(ctx: Context, w: Gassed) -> Found:
    """Cooking without gas."""
    g, power = ctx.design.gas, ctx.design.power
    if g.cooking == "alcohol" and not g.alcohol_cold_outside:
        yield finding(
            "gas-alcohol-refill",
            "cooking",
            says("alcohol-stove"),
            says("that-stoves-canister-filled"),
            fix=Remedy(label=says("fill-outside-and-cold"), patch=[{"op": "replace", "path": "/gas/alcohol_cold_outside", "value": True}]),
        )
    if g.cooking not in ("induction", "gas_induction"):
        return
    m = next(x for x in w.part.cooking if x.method == "induction")
    watts, ah = m.battery_power_w or 0.0, m.battery_charge_ah_day or 0.0
    lacking = []
    inverter = power.inverter.rating_w if power.inverter else 0.0
    if inverter < 1500.0:
        lacking.append(says("hob-takes-and-inverter", inverter_w=inverter) if power.inverter else says("there-no-inverter-for"))
    b = power.bank
    if b is not None:
        usable = b.unit_charge_ah * b.parallel_count * ctx.usable_frac
        most = (b.unit_max_discharge_a or 0.0) * b.parallel_count
        if most and watts / ctx.bank_v > most:
            lacking.append(says("draws-from-battery-bank", watts_a=watts / ctx.bank_v, most_a=most))
        if ah > BANK_PART * usable:
            lacking.append(says("uses-that-can-be", ah=ah, usable_ah=usable))
    if lacking:
        yield finding("gas-induction-power", "cooking", says("induction"), "; ".join(lacking)[0].upper() + "; ".join(lacking)[1:] + ".")

"""Findings of appliances, regulator, hoses, pipes, tests, papers, and of cooking without gas (method gas.lines)."""

from __future__ import annotations

import re
from typing import Any

from bothy.core.context import Context
from bothy.core.design.gas import Solenoid
from bothy.core.finding import Remedy, finding
from bothy.core.gas.part import Gassed
from bothy.core.gas.pipework import REGULATOR_Y, UNSTEADY_PART, hose_life_years, nominal_mbar, path, sizes_mm, solved
from bothy.core.gas.room import HEATS
from bothy.core.gas.rule_table import Found

SAME_MBAR, ACCEPTED = 1.0, (28.0, 37.0)
FIXED_M, SLIDES_M = 0.40, 0.75
CLIP_M = {"copper": 0.5, "steel": 1.0}
BESIDE_MM, CROSSING_MM, HOT_MM = 30.0, 10.0, 150.0
MOST_TEST_MBAR, US_MOST_MBAR = 150.0, 35.0
HOLD_WH, BANK_PART = 50.0, 0.3
WRONG_JOINTS = {"soft_solder": "soft-soldered", "push_fit": "push-fit", "taped": "taped on a compression thread"}


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
            yield finding("gas-unlisted", x.id, x.name, "Daily use counts the electricity of this appliance; the gas that it burns is not counted yet.")


def appliance_findings(ctx: Context, w: Gassed) -> Found:
    """What they say of each appliance."""
    g, fed = ctx.design.gas, {p.appliance for p in ctx.design.gas.pipes}
    for i, a in enumerate(g.appliances):
        if a.kind == "fridge" and not a.room_sealed and not a.outside_point:
            yield finding(
                "gas-fridge-open",
                a.id,
                a.name,
                "The fridge’s flame burns in the living space: the burnt gas, with carbon monoxide, stays where people sleep.",
                fix=Remedy.sets("Enter that the fridge is sealed from the room", f"/gas/appliances/{i}", a.id, room_sealed=True),
            )
    nominal = nominal_mbar(ctx)
    for i, a in enumerate(g.appliances):
        subject, at = f"gas-appliance:{a.id}", f"/gas/appliances/{i}"
        if a.kind in HEATS and not a.room_sealed:
            yield finding(
                "gas-not-room-sealed", subject, a.name, "The flame takes its air from the room where people breathe, and gives its burnt gas back to it."
            )
        if a.heats_room and a.kind in ("hob_burner", "oven", "grill"):
            yield finding(
                "gas-hob-as-heater",
                subject,
                a.name,
                "The design uses this burner to warm the room.",
                fix=Remedy.sets("Don’t heat with it", at, a.id, heats_room=False),
            )
        if not a.flame_failure:
            yield finding("gas-no-flame-failure", subject, a.name, "If the flame blows out, gas keeps flowing into the room.")
        if a.nominal_mbar is not None and abs(a.nominal_mbar - nominal) > SAME_MBAR:
            lo, hi = ACCEPTED
            if not (a.plate_28_37 and lo <= nominal <= hi):
                yield finding(
                    "gas-pressure-mismatch", subject, a.name, f"The appliance’s plate says {a.nominal_mbar:g} mbar; the regulator gives {nominal:g} mbar."
                )
        if not a.valve or not a.valve_reached:
            yield finding(
                "gas-no-isolation",
                subject,
                a.name,
                "The appliance has no isolation valve." if not a.valve else "The appliance’s isolation valve can’t be reached.",
            )
        inverter = ctx.design.power.inverter
        if a.igniter == "mains" and (inverter is None or inverter.mode != "always"):
            yield finding("gas-ignition-supply", subject, a.name, "The igniter needs mains: without hook-up or inverter the appliance doesn’t light.")
        if a.outside_point or a.kind == "bbq":
            yield finding(
                "gas-bbq-point",
                subject,
                a.name,
                f"The socket gives {nominal:g} mbar; " + ("a valve is within reach of it." if a.point_valve else "no valve within reach of it is entered."),
            )
        if (g.pipes or g.vessels) and a.id not in fed:
            yield finding("gas-appliance-unpiped", subject, a.name, "No pipe leads to this appliance, so the pressure at its burner can’t be calculated.")
    yield from _unlisted(ctx)


def _unlisted(ctx: Context) -> Found:
    """Heaters of Warmth and Water that burn gas and stand nowhere in Gas."""
    g = ctx.design.gas
    known, ids = {a.heater for a in g.appliances}, {a.id for a in g.appliances}

    def take(word: str, id: str, **fields: Any) -> Remedy:
        while id in ids:
            id = f"{id[:34]}-gas"
        return Remedy(label=f"First step: take over {word}", patch=[{"op": "add", "path": "/gas/appliances/-", "value": {"id": id, "name": word, **fields}}])

    for h in ctx.design.warmth.heaters:
        if h.fuel in ("propane", "butane") and h.id not in known:
            kind = "combi_heater" if h.kind == "combined" else "space_heater"
            yield finding(
                "gas-appliance-unlisted",
                f"gas-heater:{h.id}",
                h.name,
                "This heater burns gas in “Heat and air”; it isn’t in the list of Gas, so no pipe, vent or vessel counts it.",
                fix=take(h.name, h.id, kind=kind, heater=h.id, room_sealed=h.room_sealed),
            )
    hot = ctx.design.water.hot
    if hot is not None and hot.source in ("gas", "gas_element") and not any(a.hot_water for a in g.appliances):
        kind = "instant_water_heater" if hot.kind == "instant" else "water_heater"
        yield finding(
            "gas-appliance-unlisted",
            "gas-hot",
            hot.name,
            "This water heater burns gas in Water; it isn’t in the list of Gas, so no pipe, vent or vessel counts it.",
            fix=take(hot.name, "water-heater", kind=kind, hot_water=True, heat_input_w=min(40000.0, max(1.0, hot.heat_w))),
        )


def line_findings(ctx: Context, w: Gassed) -> Found:
    """What they say of regulator, hoses, solenoid and pipes."""
    g, p = ctx.design.gas, w.part
    r = g.regulator
    if r is None and g.appliances and g.vessels:
        yield finding("gas-regulator-missing", "regulator", "Regulator", f"The regulator must pass {p.regulator_min_kg_h:.2f} kg/h at {p.nominal_mbar:g} mbar.")
    if r is not None:
        if r.capacity_kg_h < p.regulator_min_kg_h - 1e-9:
            yield finding(
                "gas-regulator-small",
                "regulator",
                r.name,
                f"The regulator passes {r.capacity_kg_h:g} kg/h; {p.regulator_min_kg_h:.2f} kg/h are needed.",
                figures=["gas/regulator_min_kg_h"],
            )
        if r.age_years is not None and r.age_years > REGULATOR_Y:
            yield finding("gas-regulator-old", "regulator", r.name, f"The regulator is {r.age_years:g} years old.")
    for h in g.hoses:
        subject, life = f"hose:{h.id}", hose_life_years(h)
        if h.cracked or h.age_years is None or h.age_years > life:
            yield finding(
                "gas-hose-expired",
                subject,
                h.name,
                "The hose’s surface is cracked."
                if h.cracked
                else "The hose’s date is not entered."
                if h.age_years is None
                else f"The hose is {h.age_years:g} years old; it may be at most {life:g}.",
            )
        most = SLIDES_M if h.slides else FIXED_M
        if h.length_m > most + 1e-9:
            yield finding("gas-hose-long", subject, h.name, f"The hose is {h.length_m:.2f} m long; at most {most:.2f} m.")
        if h.through_wall:
            yield finding("gas-hose-through-wall", subject, h.name, "Inside the wall the hose can chafe where nobody sees it.")
    s = g.solenoid
    if s is not None:
        if not s.normally_closed:
            yield finding(
                "gas-solenoid-open-type",
                "solenoid",
                "Main solenoid",
                "Without current this solenoid would stay open, and gas would keep flowing.",
                fix=Remedy(
                    label=_then_test(ctx, "Use a normally closed solenoid"), patch=[{"op": "replace", "path": "/gas/solenoid/normally_closed", "value": True}]
                ),
            )
        if p.solenoid_wh_day is not None and p.solenoid_wh_day > HOLD_WH:
            yield finding(
                "gas-solenoid-energy",
                "solenoid",
                "Main solenoid",
                f"The solenoid uses {p.solenoid_wh_day:.0f} Wh a day, {p.solenoid_wh_day / ctx.bank_v:.0f} Ah.",
                figures=["gas/solenoid_wh"],
            )
        if not p.on_panel:
            yield finding(
                "gas-solenoid-panel",
                "solenoid",
                "Main solenoid",
                "The solenoid isn’t in “Daily use” yet. Once it is, its circuit gets a switch on the panel in Wiring."
                if s.appliance is None
                else "The solenoid’s circuit has no switch on the panel in Wiring.",
                fix=_in_life(ctx, s) if s.appliance is None else None,
            )
    yield from _pipes(ctx, w)


def _in_life(ctx: Context, s: Solenoid) -> Remedy:
    """The solenoid as a line of Life, so that its energy counts and its circuit gets a switch."""
    taken = {a.id for a in ctx.design.life.appliances}
    id = next(n for n in ("gas-solenoid", *(f"gas-solenoid-{i}" for i in range(2, 500))) if n not in taken)
    line = {"id": id, "name": "Gas solenoid", "kind": "safety", "zone": "kitchen", "power_w": s.hold_w, "hours_per_day": s.open_h_day}
    return Remedy(
        label="First step: its line in “Daily use”",
        patch=[{"op": "add", "path": "/life/appliances/-", "value": line}, {"op": "replace", "path": "/gas/solenoid/appliance", "value": id}],
    )


def _pipes(ctx: Context, w: Gassed) -> Found:
    g, tree = ctx.design.gas, w.part.pipes
    if tree is not None and tree.worst is not None and tree.worst_mbar > tree.limit_mbar + 1e-9:
        yield finding(
            "gas-pipe-drop-high",
            f"gas-run:{tree.worst}",
            tree.runs[tree.worst].name,
            f"The pressure drop from the regulator is {tree.worst_mbar:.2f} mbar; at most {tree.limit_mbar:g} mbar.",
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
                    f"The drop is {r.lost_mbar:.2f} of {tree.limit_mbar:g} mbar, with a Reynolds number of {unsteady[0].reynolds:,.0f} in "
                    f"“{unsteady[0].name}”.",
                )
        clip = CLIP_M[p.material]
        if (p.clip_m is not None and p.clip_m > clip + 1e-9) or not p.grommets:
            yield finding(
                "gas-pipe-unsupported",
                subject,
                p.name,
                f"The pipe has a clip every {p.clip_m:g} m; {p.material} needs one every {clip:g} m."
                if p.clip_m is not None and p.clip_m > clip + 1e-9
                else "No grommets are entered where the pipe passes panels: a sheet edge cuts into it.",
                fix=Remedy.sets("Add clips and grommets", at, p.id, clip_m=clip, grommets=True),
            )
        near = CROSSING_MM if p.crosses_cable and p.cable_cover else BESIDE_MM
        if p.to_cable_mm is not None and p.to_cable_mm < near:
            yield finding("gas-pipe-near-cable", subject, p.name, f"The pipe is {p.to_cable_mm:.0f} mm from a cable; at least {near:.0f} mm.")
        elif p.to_hot_mm is not None and p.to_hot_mm < HOT_MM and not p.shielded:
            yield finding(
                "gas-pipe-near-cable",
                subject,
                p.name,
                f"The pipe is {p.to_hot_mm:.0f} mm from an exhaust or something hot; it needs at least {HOT_MM:.0f} mm, or a shield.",
            )
        if p.hidden_joint:
            yield finding(
                "gas-joint-hidden", subject, p.name, "The pipe has a joint in a void or under the floor, where a leak collects and nobody can check it."
            )
        if p.joint in WRONG_JOINTS:
            yield finding(
                "gas-joint-wrong-type",
                subject,
                p.name,
                f"The joint is {WRONG_JOINTS[p.joint]}, which doesn’t hold gas for the life of a vehicle.",
                severity="danger" if p.joint in ("soft_solder", "push_fit") else None,
            )


def _then_test(ctx: Context, label: str) -> str:
    """The label of a change after which the leak test that was made counts no more."""
    return f"{label}, then a new leak test" if ctx.facts.gas_tests else label


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
                        _then_test(ctx, f"Lay “{narrow.name}” in {bore:g} mm"), f"/gas/pipes/{g.pipes.index(narrow)}", narrow.id, inner_diameter_mm=bore
                    )
    return None


def paper_findings(ctx: Context, w: Gassed) -> Found:
    """Licence, certificate, tests and readings."""
    g, p = ctx.design.gas, w.part
    if not g.aboard:
        return
    needs = w.part.law.licensed_only or g.local_licence or (ctx.region.key == "uk" and g.let_or_lived_in)
    if needs and g.installer != "licensed":
        yield finding("gas-licence-required", "papers", "Gas work", w.part.law.installs + (" Your local rule requires it too." if g.local_licence else ""))
    connected = any(v.connected for v in g.vessels)
    c = g.certificate
    if connected and (c is None or c.months_ago > w.part.law.months):
        yield finding(
            "gas-no-certificate",
            "papers",
            "Gas certificate",
            f"A cylinder or tank is connected, and no certificate is entered. The paper: {w.part.law.paper}."
            if c is None
            else f"The certificate is {c.months_ago:.0f} months old; {w.part.law.afterwards}.",
        )
    passed = [t for t in p.tests if t.verdict == "pass" and not t.changed]
    if (g.pipes or (connected and g.appliances)) and not passed:
        last = next((t for t in reversed(p.tests) if t.verdict == "pass"), None)
        yield finding(
            "gas-test-missing",
            "gas-tests",
            "Leak test",
            ("No test has been passed yet." if ctx.facts.gas_tests else "No test has been entered.")
            if last is None
            else f"After “{last.name}” these were changed: {', '.join(_word(ctx, k) for k in last.changed[:4])}{' and more' if len(last.changed) > 4 else ''}.",
        )
    for t, said in zip(p.tests, ctx.facts.gas_tests, strict=True):
        subject = f"gas-test:{t.id}"
        if t.verdict == "fail" and not passed:
            yield finding(
                "gas-test-failed",
                subject,
                t.name,
                f"The pressure fell by {t.corrected_drop_mbar:.1f} mbar, warmth and weather taken out; one step of the gauge is {t.limit_mbar:g} "
                "mbar. At working "
                f"pressure {t.leak_working_g_h:.2g} g of gas would leak every hour.",
            )
        elif t.verdict == "repeat" and not passed:
            yield finding("gas-test-invalid", subject, t.name, f"The test doesn’t count: {', '.join(REASONS[x] for x in t.reasons)}.")
        elif t.verdict == "pass" and not t.signed:
            yield finding("gas-test-unsigned", subject, t.name, "Nobody with a licence has signed this test, so it counts for your own list only.")
        most = US_MOST_MBAR if ctx.region.key == "us" else MOST_TEST_MBAR
        if not said.isolated and said.start_mbar > most:
            yield finding(
                "gas-test-overpressure",
                subject,
                t.name,
                f"The test began at {said.start_mbar:g} mbar, and regulator and appliances are not entered as isolated; at most {most:g} mbar.",
            )
    kinds = {"working": "pressure with everything burning", "lock_up": "pressure with all off", "flame_failure": "flame failure"}
    names = {a.id: a.name for a in g.appliances}
    for x in ctx.facts.gas_checks:
        r = p.checks[x.id]
        if not r.ok:
            where = f" at {names[x.appliance]}" if x.appliance in names else ""
            yield finding(
                "gas-check-failed",
                f"check:{x.id}",
                kinds[x.kind].capitalize() + where,
                f"The reading is {x.value:g} {r.unit}; the limit is {r.limit:.1f} {r.unit}.",
            )


REASONS = {
    "pressure-too-low": "too little pressure",
    "not-stabilised": "not left to settle",
    "too-short": "too short",
    "temperature-drift": "the temperature moved too much",
    "pressure-rise": "the pressure rose",
    "drop-over-limit": "it fell by more than a step of the gauge",
}


def _word(ctx: Context, key: str) -> str:
    """A part of the system in words."""
    kind, _, id = key.partition(":")
    lists: dict[str, Any] = {"run": ctx.design.gas.pipes, "appliance": ctx.design.gas.appliances, "hose": ctx.design.gas.hoses}
    name = next((x.name for x in lists.get(kind, ()) if x.id == id), None)
    return name or {"regulator": "the regulator", "solenoid": "the solenoid"}.get(kind, f"a {kind} that is gone")


def cooking_findings(ctx: Context, w: Gassed) -> Found:
    """Cooking without gas."""
    g, power = ctx.design.gas, ctx.design.power
    if g.cooking == "alcohol" and not g.alcohol_cold_outside:
        yield finding(
            "gas-alcohol-refill",
            "cooking",
            "Alcohol stove",
            "That the stove’s canister is filled outside and cold is not confirmed.",
            fix=Remedy(label="Fill it outside and cold", patch=[{"op": "replace", "path": "/gas/alcohol_cold_outside", "value": True}]),
        )
    if g.cooking not in ("induction", "gas_induction"):
        return
    m = next(x for x in w.part.cooking if x.method == "induction")
    watts, ah = m.battery_power_w or 0.0, m.battery_charge_ah_day or 0.0
    says = []
    inverter = power.inverter.rating_w if power.inverter else 0.0
    if inverter < 1500.0:
        says.append(f"the hob takes 1,500 W and the inverter gives {inverter:,.0f} W" if power.inverter else "there is no inverter for the hob")
    b = power.bank
    if b is not None:
        usable = b.unit_charge_ah * b.parallel_count * ctx.usable_frac
        most = (b.unit_max_discharge_a or 0.0) * b.parallel_count
        if most and watts / ctx.bank_v > most:
            says.append(f"it draws {watts / ctx.bank_v:.0f} A from the battery bank, which gives at most {most:.0f} A")
        if ah > BANK_PART * usable:
            says.append(f"it uses {ah:.0f} Ah a day of the {usable:.0f} Ah that can be used")
    if says:
        yield finding("gas-induction-power", "cooking", "Induction", "; ".join(says)[0].upper() + "; ".join(says)[1:] + ".")

"""S9 to S16: water, gas, heat, air, cooling, alarms, weight and the road."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.commissioning.source import Source
from bothy.core.commissioning.step import Step, clipped
from bothy.core.proving.fridge import floor_temp, pulldown_h, time_constant

FLOW_FRAC, DRAIN_FRAC, HOT_FRAC, FAN_FRAC, PULL_FRAC = 0.20, 0.30, 0.20, 0.25, 0.35
OUTLET_K, COOL_K = 8.0, 8.0
CO_PPM = 9.0
IGNITE_MIN = 5.0
FRIDGE_UA, FRIDGE_COP, FRIDGE_J_K = 0.7, 1.3, 8000.0
"""A 50 l box (typical)."""
BOX_SD = 0.1
LINER_KG = 2.0
"""What liner, racks and trays of an empty box hold, as water."""
MOST_FRIDGE_W = 300.0
"""What draws more is an air conditioner."""


def fridge_hours(power_w: float, inside_c: float, ambient_c: float) -> float | None:
    """Hours that a box with this compressor takes from ambient to its setpoint, empty; None: it never gets there."""
    floor = floor_temp.raw(ambient_c, power_w * FRIDGE_COP, FRIDGE_UA)
    return pulldown_h(ambient_c, inside_c, floor, time_constant.raw(FRIDGE_J_K, LINER_KG, 3900.0, FRIDGE_UA))


def water(src: Source) -> Iterator[Step]:
    """S9."""
    w, made = src.ctx.design.water, src.water
    if not w.tanks and not w.runs:
        return
    pump: tuple[str, ...] = ("s4",) if w.pump is not None and src.fed(w.pump.appliance) is not None else ()
    if w.runs:
        yield Step(
            "s9-hold",
            "s9",
            "Pressure test of the pipes",
            f"Start at {made.hold_start_kpa:.0f} kPa, pump off, every tap closed; look at each joint with a dry tissue.",
            "record",
            "water",
            instrument="10 bar gauge",
            record="water_test",
            rule="test-fail",
            marks={"pipe_l": round(made.pipe_l, 1)},
        )
    for id, tap in made.taps.items():
        run = next((r for r in w.runs if r.id == id), None)
        if run is None or run.outlet in ("none", "heater") or tap.alone_l_min <= 0:
            continue
        flow = tap.alone_l_min
        yield Step(
            clipped("s9-flow", id),
            "s9",
            f"{tap.name}: flow",
            "Bucket and stopwatch, this outlet alone, fully open.",
            "value",
            id,
            "L/min",
            flow,
            flow * (1 - FLOW_FRAC),
            flow * (1 + FLOW_FRAC),
            instrument="bucket and stopwatch",
            accuracy_frac=0.02,
            resolution=0.1,
            before=pump,
            marks={"flow_l_min": flow},
        )
    if w.pump is not None and w.pump.kind != "submersible":
        yield Step(
            "s9-restart",
            "s9",
            "Pump stays off with every tap closed",
            "30 minutes. A pump that starts again has a leak behind it or a check valve that doesn’t hold.",
            subject="pump",
            before=pump,
        )
    if made.hot is not None and made.hot.time_min:
        warm = made.hot.time_min
        yield Step(
            "s9-hot",
            "s9",
            "Time to hot water",
            f"From cold to {w.hot.target_temp_c:.0f} °C at the heater." if w.hot else "From cold.",
            "value",
            "hot",
            "min",
            warm,
            warm * (1 - HOT_FRAC),
            warm * (1 + HOT_FRAC),
            instrument="clock, thermometer",
            resolution=0.5,
            before=pump,
        )
    for t in w.tanks:
        part = made.tanks.get(t.id)
        if part is None or part.problem:
            continue
        if part.drain_min:
            yield Step(
                clipped("s9-drain", t.id),
                "s9",
                f"{t.name}: time to drain",
                "From full, drain open, cap off.",
                "value",
                t.id,
                "min",
                part.drain_min,
                part.drain_min * (1 - DRAIN_FRAC),
                part.drain_min * (1 + DRAIN_FRAC),
                instrument="clock",
                resolution=0.5,
            )
        if t.sender is not None:
            yield Step(
                clipped("s9-gauge", t.id), "s9", f"{t.name}: gauge", "Empty, half and full by the litres that went in: the gauge says the same.", subject=t.id
            )


def gas(src: Source) -> Iterator[Step]:
    """S10. The licensed person's."""
    g, made = src.ctx.design.gas, src.gas
    if not g.vessels and not g.appliances:
        return
    yield Step(
        "s10-tight",
        "s10",
        "Tightness",
        f"{made.test_mbar:.0f} mbar, signed. Every joint looked at with leak spray.",
        "record",
        "gas",
        instrument="manometer",
        record="gas_test",
        rule="test-gas-record",
    )
    if g.regulator is not None:
        yield Step(
            "s10-working",
            "s10",
            "Pressure with everything burning",
            f"At the furthest appliance: at least {made.working_min_mbar:.1f} mbar.",
            "record",
            "gas",
            instrument="manometer",
            record="gas_check",
            record_id="working",
            rule="test-fail",
        )
        yield Step(
            "s10-lock-up",
            "s10",
            "Pressure with everything off",
            f"At most {made.lock_up_max_mbar:.1f} mbar.",
            "record",
            "gas",
            instrument="manometer",
            record="gas_check",
            record_id="lock_up",
            rule="test-fail",
        )
    for a in g.appliances:
        yield Step(clipped("s10-flame", a.id), "s10", f"{a.name}: flame", "Blue, steady, at full and low, with the others on.", subject=a.id)
        yield Step(
            clipped("s10-failure", a.id),
            "s10",
            f"{a.name}: flame failure",
            "Flame out: the valve closes within the time of its law, at most 90 s.",
            "record",
            a.id,
            "s",
            instrument="stopwatch",
            record="gas_check",
            record_id=f"flame_failure:{a.id}",
            rule="test-fail",
        )
    yield Step(
        "s10-co",
        "s10",
        "CO inside with everything burning",
        "At the alarm, a quarter of an hour, windows shut, vents as they are.",
        "value",
        "gas",
        "ppm",
        high=CO_PPM,
        instrument="CO meter",
        resolution=1.0,
        rule="test-co-inside",
        before=("s14",),
    )


def heating(src: Source) -> Iterator[Step]:
    """S11."""
    d = src.ctx.design
    for h in d.warmth.heaters:
        if h.kind == "electric":
            continue
        burns = ("s14", *(("s10",) if h.fuel in ("propane", "butane") else ()))
        power = ("s4",) if h.kind != "stove" else ()
        needs = (*burns, *power)
        if h.kind != "stove":
            yield Step(
                clipped("s11-start", h.id),
                "s11",
                f"{h.name}: from switch to flame",
                "Cold start, engine off, battery as it will be in winter. Purge runs on after stop.",
                "value",
                h.id,
                "min",
                high=IGNITE_MIN,
                instrument="clock",
                resolution=0.1,
                before=needs,
            )
        yield Step(
            clipped("s11-exhaust", h.id),
            "s11",
            f"{h.name}: exhaust",
            "Whole way gas-tight, led out and down, nothing within reach of its heat, no opening within half a metre.",
            subject=h.id,
            before=burns,
        )
        yield Step(
            clipped("s11-co", h.id),
            "s11",
            f"{h.name}: CO inside",
            "Full power, a quarter of an hour, doors shut, fans and hood on.",
            "value",
            h.id,
            "ppm",
            high=CO_PPM,
            instrument="CO meter",
            resolution=1.0,
            rule="test-co-inside",
            before=needs,
        )
    for id, duct in src.warmth.ducts.items():
        run = next((x for x in d.warmth.ducts if x.id == id), None)
        if run is None or duct.trunk or duct.outlet_c is None:
            continue
        yield Step(
            clipped("s11-outlet", id),
            "s11",
            f"{run.name}: air at the outlet",
            f"Full power for 20 minutes, {src.warmth.indoor_c:.0f} °C inside.",
            "value",
            id,
            "°C",
            duct.outlet_c,
            duct.outlet_c - OUTLET_K,
            duct.outlet_c + OUTLET_K,
            instrument="contact thermometer",
            accuracy_frac=0.0,
            digits_count=1,
            resolution=1.0,
            least=-40,
            most=200,
            before=("s4", "s14"),
            marks={"duct_m": run.length_m},
        )


def air(src: Source) -> Iterator[Step]:
    """S12."""
    for v in src.ctx.design.warmth.vents:
        if v.power_max_w:
            volts = src.ctx.bank_v
            amps = v.power_max_w / volts
            yield Step(
                clipped("s12-fan", v.id),
                "s12",
                f"{v.name}: current at full speed",
                "And: it blows the way its switch says, the lid opens and shuts.",
                "value",
                v.id,
                "A",
                amps,
                amps * (1 - FAN_FRAC),
                amps * (1 + FAN_FRAC),
                instrument="clamp, or the drop over its fuse",
                accuracy_frac=0.02,
                digits_count=3,
                resolution=0.01,
            )
        else:
            yield Step(
                clipped("s12-vent", v.id),
                "s12",
                f"{v.name}: free",
                "Nothing before or behind it; a sheet of paper is drawn to it with a fan on.",
                subject=v.id,
                before=(),
            )


def cooling(src: Source) -> Iterator[Step]:
    """S13."""
    d = src.ctx.design
    for a in d.life.appliances:
        cooler = d.warmth.cooler
        if a.kind == "cooling" and a.count > 0 and 0 < a.running_w <= MOST_FRIDGE_W and (cooler is None or cooler.appliance != a.id):
            hours = fridge_hours(a.running_w, a.internal_temp_c, 20.0)
            yield Step(
                clipped("s13-fridge", a.id),
                "s13",
                f"{a.name}: time to get cold",
                f"Empty, from the air’s warmth down to {a.internal_temp_c:.0f} °C. Type how warm the air is too.",
                "value",
                a.id,
                "h",
                hours,
                None,
                None if hours is None else hours * (1 + PULL_FRAC),
                sd=0.0 if hours is None else BOX_SD * hours,
                instrument="thermometer inside, clock",
                resolution=0.05,
                asks=("ambient_temp_c",),
                rule="test-fridge-slow",
                marks={"running_w": a.running_w, "setpoint_c": a.internal_temp_c},
            )
    if d.warmth.cooler is not None:
        yield Step(
            "s13-cooler",
            "s13",
            f"{d.warmth.cooler.name}: air in less air out",
            "After 20 minutes at full power.",
            "value",
            "cooler",
            "K",
            low=COOL_K,
            instrument="two thermometers",
            resolution=0.5,
        )


def alarms(src: Source) -> Iterator[Step]:
    """S14."""
    d = src.ctx.design
    burner = bool(d.gas.appliances) or any(h.kind != "electric" for h in d.warmth.heaters)
    kinds = {a.kind for a in d.warmth.alarms}
    for a in d.warmth.alarms:
        yield Step(
            clipped("s14-alarm", a.id),
            "s14",
            f"{a.name}",
            "Its button: loud enough to wake. Write the date that is printed on it into the note.",
            subject=a.id,
            rule="test-alarm",
        )
    for kind, word, wanted in (("co", "CO alarm", burner), ("smoke", "Smoke alarm", True)):
        if wanted and kind not in kinds:
            yield Step(
                f"s14-{kind}",
                "s14",
                word,
                "None is entered in Warmth. Fit a certified one, press its button, write its printed date into the note.",
                subject=kind,
                rule="test-alarm",
            )
    if d.gas.vessels:
        yield Step("s14-gas", "s14", "Gas alarm", "Low, near the floor. Its button; its printed date into the note.", subject="lpg", rule="test-alarm")
    yield Step(
        "s14-extinguisher",
        "s14",
        "Extinguisher and fire blanket",
        "Needle in the green, within date, within reach of the door.",
        subject="extinguisher",
        rule="test-alarm",
    )


def weigh(src: Source) -> Iterator[Step]:
    """S15."""
    yield Step(
        "s15-weigh",
        "s15",
        "Each axle, loaded for travel",
        "Full water, fuel and gas, everybody aboard: front axle, rear axle, left side where the bridge allows.",
        "record",
        "vehicle",
        "kg",
        instrument="weighbridge",
        record="weighing",
        rule="test-overweight",
    )


def road(src: Source) -> Iterator[Step]:
    """S16."""
    yield Step("s16-drive", "s16", "50 to 100 km", "A rough road, hard braking, a long hill. Rattles, smells, drips, warnings?", subject="vehicle")
    if src.low:
        yield Step(
            "s16-again",
            "s16",
            "Every bolted joint again",
            "A mark that moved by 10° or more was loose: tighten, and look why. Once more after 500 km.",
            subject="vehicle",
            rule="test-retorque",
        )

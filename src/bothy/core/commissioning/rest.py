"""S9 to S16: water, gas, heat, air, cooling, alarms, weight and the road."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.commissioning.source import Source
from bothy.core.commissioning.step import Step, clipped
from bothy.core.proving.fridge import floor_temp, pulldown_h, time_constant
from bothy.core.recognise import alarms_aboard
from bothy.core.words.says import commissioning_says as says

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
            says("pressure-test-pipes"),
            says("start-at-pump-off", hold_start_kpa=made.hold_start_kpa),
            "record",
            "water",
            instrument=says("gauge"),
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
            says("flow", tap_name=tap.name),
            says("bucket-and-stopwatch-this"),
            "value",
            id,
            "L/min",
            flow,
            flow * (1 - FLOW_FRAC),
            flow * (1 + FLOW_FRAC),
            instrument=says("bucket-and-stopwatch"),
            accuracy_frac=0.02,
            resolution=0.1,
            before=pump,
            marks={"flow_l_min": flow},
        )
    if w.pump is not None and w.pump.kind != "submersible":
        yield Step(
            "s9-restart",
            "s9",
            says("pump-stays-off-with"),
            says("minutes-pump-that-starts"),
            subject="pump",
            before=pump,
        )
    if made.hot is not None and made.hot.time_min:
        warm = made.hot.time_min
        yield Step(
            "s9-hot",
            "s9",
            says("time-to-hot-water"),
            says("from-cold-to-at", target_temp_c=w.hot.target_temp_c) if w.hot else says("from-cold"),
            "value",
            "hot",
            "min",
            warm,
            warm * (1 - HOT_FRAC),
            warm * (1 + HOT_FRAC),
            instrument=says("clock-thermometer"),
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
                says("time-to-drain", t_name=t.name),
                says("from-full-drain-open"),
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
            yield Step(clipped("s9-gauge", t.id), "s9", says("gauge-2", t_name=t.name), says("empty-half-and-full"), subject=t.id)


def gas(src: Source) -> Iterator[Step]:
    """S10. The licensed person's."""
    g, made = src.ctx.design.gas, src.gas
    if not g.vessels and not g.appliances:
        return
    yield Step(
        "s10-tight",
        "s10",
        says("tightness"),
        says("signed-every-joint-looked", test_mbar=made.test_mbar),
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
            says("pressure-with-everything-burning"),
            says("at-furthest-appliance-at", working_min_mbar=made.working_min_mbar),
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
            says("pressure-with-everything-off"),
            says("at-most-2", lock_up_max_mbar=made.lock_up_max_mbar),
            "record",
            "gas",
            instrument="manometer",
            record="gas_check",
            record_id="lock_up",
            rule="test-fail",
        )
    for a in g.appliances:
        yield Step(clipped("s10-flame", a.id), "s10", says("flame", a_name=a.name), says("blue-steady-at-full"), subject=a.id)
        yield Step(
            clipped("s10-failure", a.id),
            "s10",
            says("flame-failure", a_name=a.name),
            says("flame-out-valve-closes"),
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
        says("co-inside-with-everything"),
        says("at-alarm-quarter-hour"),
        "value",
        "gas",
        "ppm",
        high=CO_PPM,
        instrument=says("co-meter"),
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
        burns = ("s14", *(("s10",) if h.burns_gas else ()))
        power = ("s4",) if h.kind != "stove" else ()
        needs = (*burns, *power)
        if h.kind != "stove":
            yield Step(
                clipped("s11-start", h.id),
                "s11",
                says("from-switch-to-flame", h_name=h.name),
                says("cold-start-engine-off"),
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
            says("exhaust", h_name=h.name),
            says("whole-way-gas-tight"),
            subject=h.id,
            before=burns,
        )
        yield Step(
            clipped("s11-co", h.id),
            "s11",
            says("co-inside", h_name=h.name),
            says("full-power-quarter-hour"),
            "value",
            h.id,
            "ppm",
            high=CO_PPM,
            instrument=says("co-meter"),
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
            says("air-at-outlet", run_name=run.name),
            says("full-power-for-minutes", indoor_c=src.warmth.indoor_c),
            "value",
            id,
            "°C",
            duct.outlet_c,
            duct.outlet_c - OUTLET_K,
            duct.outlet_c + OUTLET_K,
            instrument=says("contact-thermometer"),
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
                says("current-at-full-speed", v_name=v.name),
                says("and-blows-way-switch"),
                "value",
                v.id,
                "A",
                amps,
                amps * (1 - FAN_FRAC),
                amps * (1 + FAN_FRAC),
                instrument=says("clamp-or-drop-over"),
                accuracy_frac=0.02,
                digits_count=3,
                resolution=0.01,
            )
        else:
            yield Step(
                clipped("s12-vent", v.id),
                "s12",
                says("free", v_name=v.name),
                says("nothing-before-or-behind"),
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
                says("time-to-get-cold", a_name=a.name),
                says("empty-from-airs-warmth", internal_temp_c=a.internal_temp_c),
                "value",
                a.id,
                "h",
                hours,
                None,
                None if hours is None else hours * (1 + PULL_FRAC),
                sd=0.0 if hours is None else BOX_SD * hours,
                instrument=says("thermometer-inside-clock"),
                resolution=0.05,
                asks=("ambient_temp_c",),
                rule="test-fridge-slow",
                marks={"running_w": a.running_w, "setpoint_c": a.internal_temp_c},
            )
    if d.warmth.cooler is not None:
        yield Step(
            "s13-cooler",
            "s13",
            says("air-in-less-air", cooler_name=d.warmth.cooler.name),
            says("after-minutes-at-full"),
            "value",
            "cooler",
            "K",
            low=COOL_K,
            instrument=says("two-thermometers"),
            resolution=0.5,
        )


def alarms(src: Source) -> Iterator[Step]:
    """S14."""
    d = src.ctx.design
    burner = bool(d.gas.appliances) or any(h.kind != "electric" for h in d.warmth.heaters)
    kinds, aboard = {a.kind for a in d.warmth.alarms}, alarms_aboard(d)
    for a in d.warmth.alarms:
        yield Step(
            clipped("s14-alarm", a.id),
            "s14",
            f"{a.name}",
            says("button-loud-enough-to"),
            subject=a.id,
            rule="test-alarm",
        )
    for kind, word, wanted in (("co", says("co-alarm"), burner), ("smoke", says("smoke-alarm"), True)):
        if wanted and kind not in kinds:
            yield Step(
                f"s14-{kind}",
                "s14",
                word,
                says("button-loud-enough-to") if kind in aboard else says("none-entered-in-warmth"),
                subject=kind,
                rule="test-alarm",
            )
    if d.gas.vessels:
        yield Step("s14-gas", "s14", says("gas-alarm"), says("low-near-floor-button"), subject="lpg", rule="test-alarm")
    yield Step(
        "s14-extinguisher",
        "s14",
        says("extinguisher-and-fire-blanket"),
        says("needle-in-green-within"),
        subject="extinguisher",
        rule="test-alarm",
    )


def weigh(src: Source) -> Iterator[Step]:
    """S15."""
    yield Step(
        "s15-weigh",
        "s15",
        says("each-axle-loaded-for"),
        says("full-water-fuel-and"),
        "record",
        "vehicle",
        "kg",
        instrument="weighbridge",
        record="weighing",
        rule="test-overweight",
    )


def road(src: Source) -> Iterator[Step]:
    """S16."""
    yield Step("s16-drive", "s16", "50 to 100 km", says("rough-road-hard-braking"), subject="vehicle")
    if src.low:
        yield Step(
            "s16-again",
            "s16",
            says("every-bolted-joint-again"),
            says("mark-that-moved-by"),
            subject="vehicle",
            rule="test-retorque",
        )

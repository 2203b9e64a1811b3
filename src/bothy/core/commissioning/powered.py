"""S4 to S8: first power, circuits, inverter, hook-up, charging."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.commissioning.source import Source, label, marks_of
from bothy.core.commissioning.step import Step, clipped
from bothy.core.power.around import FULL_LOAD_EFFICIENCY
from bothy.core.words.says import commissioning_says as says

PRECHARGE_W = 1000.0
PRECHARGE_FRAC = 0.05
IDLE_FRAC, IDLE_A = 0.3, 0.1
BUS_V = 0.05
INVERTER_FRAC = 0.15
LOW_METER = "multimeter"
CLAMP = says("dc-clamp-meter-zeroed")
TESTER = says("installation-tester")
RCD_S, RCD_FIVE_S = 0.3, 0.04
EARTH_LOOP_OHM = 200.0
"""Above it the loop of a residual-current device counts as unstable (typical)."""


def idle_a(src: Source) -> float:
    """What everything that sleeps draws, A at the bank."""
    d = src.ctx.design
    volts = src.ctx.bank_v
    own = 0.02 if d.wiring.shunt and d.power.bank is not None else 0.0
    watts = sum(a.count * a.standby_w for a in d.life.appliances)
    controllers = [d.power.controller, *(a.controller for a in d.power.arrays)]
    return watts / volts + own + 0.02 * sum(c is not None for c in controllers)


def first_power(src: Source) -> Iterator[Step]:
    """S4."""
    d = src.ctx.design
    if d.power.bank is None or not src.low:
        return
    volts = src.ctx.bank_v
    if d.power.inverter is not None and d.power.inverter.rating_w >= PRECHARGE_W:
        yield Step(
            "s4-precharge",
            "s4",
            says("inverter-pre-charged"),
            says("charge-through-resistor-then"),
            "value",
            "inverter",
            "V",
            high=PRECHARGE_FRAC * volts,
            instrument=LOW_METER,
            accuracy_frac=0.005,
            digits_count=2,
            resolution=0.01,
            rule="test-precharge",
        )
    yield Step(
        "s4-main",
        "s4",
        says("main-fuse-in"),
        says("rings-off-insulated-tools"),
        subject="buses",
    )
    idle = idle_a(src)
    wide = max(IDLE_A, IDLE_FRAC * idle)
    yield Step(
        "s4-idle",
        "s4",
        says("current-with-everything-asleep"),
        says("at-monitor-discharge-as"),
        "value",
        "bank",
        "A",
        idle,
        max(0.0, idle - wide),
        idle + wide,
        instrument=says("battery-monitor-or-clamp"),
        accuracy_frac=0.02,
        digits_count=1,
        resolution=0.01,
        least=-1000,
        most=2000,
    )
    yield Step(
        "s4-bus",
        "s4",
        says("bank-to-busbars"),
        says("volts-at-banks-posts"),
        "value",
        "buses",
        "V",
        0.0,
        -BUS_V,
        BUS_V,
        instrument=LOW_METER,
        digits_count=2,
        resolution=0.001,
        least=-100,
        most=100,
    )


def circuits(src: Source) -> Iterator[Step]:
    """S5."""
    for c, p in src.low:
        row = src.sheet.get(c.id)
        if row is None or c.kind != "load":
            continue
        yield Step(
            clipped("s5-circuit", c.id),
            "s5",
            says("amps-and-volts", label=label(p, c)),
            row.how,
            "record",
            c.id,
            "A",
            row.expected_a,
            row.low_a,
            row.high_a,
            instrument=f"{CLAMP}, {LOW_METER}",
            record="reading",
            record_id=c.id,
            rule="test-current-band",
            marks=marks_of(c, p),
            missing=row.missing or "",
        )
    if src.low:
        yield Step(
            "s5-switches",
            "s5",
            says("switches-labels-breakers"),
            says("each-switch-does-what"),
            subject="board",
        )
        yield Step("s5-isolator", "s5", says("battery-isolator"), says("turned-off-everything-dead"), subject="isolator")
    if src.ctx.design.wiring.shunt and src.ctx.design.power.bank is not None:
        yield Step(
            "s5-shunt",
            "s5",
            says("shunt-sees-every-circuit"),
            says("for-two-circuits-or"),
            "record",
            "shunt",
            instrument=CLAMP,
            record="reading",
            record_id="shunt",
            rule="test-negative-bypass",
        )


def inverter(src: Source) -> Iterator[Step]:
    """S6."""
    inv, r = src.ctx.design.power.inverter, src.ctx.region
    if inv is None:
        return
    volts = src.ctx.bank_v
    if inv.idle_w:
        amps = inv.idle_w / volts
        yield Step(
            "s6-idle",
            "s6",
            says("inverter-on-nothing-on"),
            says("current-on-plus-lead"),
            "value",
            "inverter",
            "A",
            amps,
            amps * (1 - IDLE_FRAC) - IDLE_A,
            amps * (1 + IDLE_FRAC) + IDLE_A,
            instrument=CLAMP,
            accuracy_frac=0.02,
            digits_count=3,
            resolution=0.01,
        )
    wide = 0.10 if r.mains_v > 200 else 0.05
    yield Step(
        "s6-volts",
        "s6",
        says("volts-at-socket"),
        says("true-effective-value-no"),
        "value",
        "inverter",
        "V",
        r.mains_v,
        r.mains_v * (1 - wide),
        r.mains_v * (1 + wide),
        instrument=says("multimeter-cat-iii"),
        accuracy_frac=0.01,
        digits_count=3,
        resolution=0.1,
        who="licensed",
        rule="test-fail",
    )
    yield Step(
        "s6-hertz",
        "s6",
        says("frequency"),
        says("at-same-socket"),
        "value",
        "inverter",
        "Hz",
        float(r.mains_hz),
        r.mains_hz * 0.99,
        r.mains_hz * 1.01,
        instrument=says("multimeter-cat-iii"),
        digits_count=1,
        resolution=0.01,
        who="licensed",
    )
    eff = inv.efficiency_frac or FULL_LOAD_EFFICIENCY
    half = 0.5 * inv.rating_w / (eff * volts)
    yield Step(
        "s6-half",
        "s6",
        says("half-load-for-ten"),
        says("kettle-or-heater-about", rating_w=0.5 * inv.rating_w),
        "value",
        "inverter",
        "A",
        half,
        half * (1 - INVERTER_FRAC),
        half * (1 + INVERTER_FRAC),
        instrument=CLAMP,
        accuracy_frac=0.02,
        digits_count=3,
        resolution=0.1,
        marks={"rating_w": inv.rating_w},
    )


def hook_up(src: Source) -> Iterator[Step]:
    """S7. The licensed person's."""
    d, r = src.ctx.design, src.ctx.region
    if d.power.shore is None:
        return
    if r.key == "us":
        yield Step(
            "s7-rcd-at",
            "s7",
            says("trips-at"),
            says("rising-current-tester-ground"),
            "value",
            "mains",
            "mA",
            5.0,
            4.0,
            6.0,
            instrument=TESTER,
            resolution=0.1,
            rule="test-rcd-slow",
        )
        yield Step(
            "s7-rcd-time",
            "s7",
            says("trip-time-at"),
            "(20/I)^1.43 s.",
            "value",
            "mains",
            "s",
            high=1.0,
            instrument=TESTER,
            resolution=0.001,
            rule="test-rcd-slow",
        )
    else:
        yield Step("s7-rcd-half", "s7", says("half-rated-current-doesnt"), says("on-device"), subject="mains", rule="test-rcd-slow")
        yield Step(
            "s7-rcd-one",
            "s7",
            says("trip-time-at-rated"),
            "30 mA.",
            "value",
            "mains",
            "s",
            high=RCD_S,
            instrument=TESTER,
            resolution=0.001,
            rule="test-rcd-slow",
        )
        yield Step(
            "s7-rcd-five",
            "s7",
            says("trip-time-at-five"),
            "150 mA.",
            "value",
            "mains",
            "s",
            high=RCD_FIVE_S,
            instrument=TESTER,
            resolution=0.001,
            rule="test-rcd-slow",
        )
        yield Step(
            "s7-loop",
            "s7",
            says("earth-loop-on-hook"),
            says("at-furthest-socket"),
            "value",
            "mains",
            "Ω",
            high=EARTH_LOOP_OHM,
            instrument=TESTER,
            accuracy_frac=0.05,
            resolution=0.1,
            rule="test-earth-open",
        )
    yield Step("s7-polarity", "s7", says("polarity-hook-up-lead"), says("as-arrives-at-inlet"), subject="mains", rule="test-ac-polarity")
    if d.power.inverter is not None:
        yield Step("s7-interlock", "s7", says("hook-up-and-inverter"), says("one-lets-go-before"), subject="mains")
        yield Step("s7-bond-off", "s7", says("neutral-to-earth-inverter"), says("joined-while-inverts"), subject="mains", rule="test-earth-open")
        yield Step("s7-bond-on", "s7", says("neutral-to-earth-hook"), says("parted-aboard-bond-posts"), subject="mains", rule="test-earth-open")
    yield Step("s7-residual", "s7", says("test-button"), says("trips-everything-behind-dead"), subject="mains", rule="test-rcd-missing")


def charging(src: Source) -> Iterator[Step]:
    """S8."""
    d = src.ctx.design
    for c, p in src.low:
        row = src.sheet.get(c.id)
        if row is None or c.kind not in ("driving", "shore"):
            continue
        yield Step(
            clipped("s8-charge", c.id),
            "s8",
            says("charge-current", label=label(p, c)),
            row.how,
            "record",
            c.id,
            "A",
            row.expected_a,
            row.low_a,
            row.high_a,
            instrument=CLAMP,
            record="reading",
            record_id=c.id,
            rule="test-current-band",
            before=("s4", "s7") if c.kind == "shore" else None,
            marks=marks_of(c, p),
        )
    if d.power.driving is not None:
        yield Step("s8-engine-off", "s8", says("engine-off-no-charge"), says("stops-within-delay-and"), subject="driving")
    for a in d.power.arrays:
        yield Step(
            clipped("s8-solar", a.id),
            "s8",
            says("volts-in-sun", a_name=a.name),
            says("steady-sun-panels-clean"),
            "value",
            a.id,
            "V",
            instrument=says("irradiance-meter-or-reference", low_meter=LOW_METER),
            accuracy_frac=0.005,
            asks=("irradiance_w_m2", "ambient_temp_c"),
            rule="test-solar",
            marks={"voc_v": a.voc_v, "series": float(a.series_count), "parallel": float(a.parallel_count)},
        )
    if d.power.bank is not None and (d.power.arrays or d.power.driving or d.power.shore):
        profiles = [
            x.profile for x in (d.power.shore, d.power.driving, d.power.controller) if x is not None and x.profile is not None and x.profile.absorption_v
        ]
        target = profiles[0].absorption_v if profiles else None
        if target is not None:
            wide = 0.1 * src.ctx.scale
            yield Step(
                "s8-absorption",
                "s8",
                says("charge-voltage-when-nearly"),
                says("at-banks-posts-current"),
                "value",
                "bank",
                "V",
                target,
                target - wide,
                target + wide,
                instrument=LOW_METER,
                digits_count=2,
                resolution=0.01,
                accuracy_frac=0.001,
            )
        if src.ctx.chem.key == "lifepo4":
            yield Step(
                "s8-bms",
                "s8",
                says("batterys-own-values"),
                says("temperature-above-least-for"),
                subject="bank",
            )

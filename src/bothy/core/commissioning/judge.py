"""What a record of a step says: pass, marginal or fail, with the meter's own error."""

from __future__ import annotations

from typing import NamedTuple

from bothy.core.commissioning.rest import BOX_SD, PULL_FRAC, fridge_hours
from bothy.core.commissioning.source import Source
from bothy.core.commissioning.step import Step
from bothy.core.facts.kinds import StepRecord
from bothy.core.proving.shunt_check import cause_of
from bothy.core.proving.solar_check import SolarCheckIn, SolarCheckOut, solar_check
from bothy.core.proving.verdict import VerdictWord, ruling
from bothy.core.words.says import commissioning_says as says

FRIDGE_AMBIENT = (5.0, 50.0)


class Judgement(NamedTuple):
    """A verdict; what was read, in words; the reason where it isn't a pass; the expanded uncertainty; whether the meter is good enough."""

    word: VerdictWord | None
    said: str
    why: str = ""
    uncertainty: float | None = None
    adequate: bool | None = None
    low: float | None = None
    high: float | None = None
    expected: float | None = None


def number(x: float | None, unit: str) -> str:
    """A value short."""
    return "–" if x is None else f"{x:.4g} {unit}".strip()


def limits(low: float | None, high: float | None, unit: str) -> str:
    """Limits in words."""
    if low is not None and high is not None:
        return f"{low:.4g} to {high:.4g} {unit}"
    return (
        says("at-least", number=number(low, unit)) if low is not None else says("at-most", number=number(high, unit)) if high is not None else says("no-limit")
    )


def of_value(step: Step, r: StepRecord, low: float | None, high: float | None, expected: float | None, sd: float) -> Judgement:
    """A number against its limits."""
    if r.value is None:
        return Judgement(None, "")
    said = number(r.value, step.unit)
    if low is None and high is None:
        return Judgement(None, said, says("nothing-to-judge-by"))
    accuracy = step.accuracy_frac if r.accuracy_frac is None else r.accuracy_frac
    out = ruling(r.value, expected, low, high, accuracy, step.digits_count, step.resolution if r.resolution is None else r.resolution, sd)
    why = (
        ""
        if out.verdict == "pass"
        else says("meter-read-right-reading", said=said, limits=limits(low, high, step.unit), expanded_uncertainty=out.expanded_uncertainty, unit=step.unit)
    )
    return Judgement(out.verdict, said, why, out.expanded_uncertainty, out.meter_adequate, low, high, expected)


def panel_in_sun(src: Source, array: str, sun: float, ambient: float, measured: float | None) -> SolarCheckOut | None:
    """An array of the design in this light."""
    a = next((x for x in src.ctx.design.power.arrays if x.id == array), None)
    if a is None:
        return None
    return solar_check(
        SolarCheckIn.trusted(
            voc_stc_v=a.voc_v,
            isc_stc_a=a.isc_a,
            pmp_stc_w=a.panel_power_w,
            voc_temp_coeff_per_c=a.voc_coeff_per_k,
            pmp_temp_coeff_per_c=a.power_coeff_per_k,
            cells_count=max(1, round(a.voc_v / 0.63)),
            series_count=a.series_count,
            parallel_count=a.parallel_count,
            irradiance_w_m2=sun,
            ambient_temp_c=ambient,
            noct_c=a.noct_c,
            mount_extra_c=0.0 if a.mounting == "roof_gap" else 15.0,
            measured_voc_v=measured,
        )
    )


def _solar(src: Source, step: Step, r: StepRecord) -> Judgement:
    if r.value is None:
        return Judgement(None, "")
    said = number(r.value, "V")
    if r.irradiance_w_m2 is None:
        return Judgement(None, said, says("kept-but-not-judged"))
    out = panel_in_sun(src, step.subject, r.irradiance_w_m2, 20.0 if r.ambient_temp_c is None else r.ambient_temp_c, r.value)
    if out is None:
        return Judgement(None, said, says("array-no-longer-in"))
    told = f"{said} at {r.irradiance_w_m2:.0f} W/m²"
    if out.voc_verdict == "not_tested" or out.voc_verdict is None:
        return Judgement(None, told, says("below-panel-cant-be"))
    why = "" if out.voc_verdict == "pass" else says("meter-read-right-in", said=said, voc_v=out.voc_v)
    return Judgement(out.voc_verdict, told, why, expected=out.voc_v, low=0.95 * out.voc_v, high=1.05 * out.voc_v)


def _fridge(src: Source, step: Step, r: StepRecord) -> Judgement:
    if r.value is None:
        return Judgement(None, "")
    a = src.ctx.design.life.appliances
    box = next((x for x in a if x.id == step.subject), None)
    ambient = 20.0 if r.ambient_temp_c is None else min(max(r.ambient_temp_c, FRIDGE_AMBIENT[0]), FRIDGE_AMBIENT[1])
    hours = fridge_hours(box.running_w, box.internal_temp_c, ambient) if box is not None else None
    if hours is None:
        return Judgement(None, number(r.value, "h"), says("by-compressor-never-gets"))
    return of_value(step, r, None, hours * (1 + PULL_FRAC), hours, BOX_SD * hours)


def judged(src: Source, step: Step, r: StepRecord) -> Judgement:
    """A record of a step. A mark with neither yes nor a value says nothing."""
    if step.kind == "look":
        if r.ok is None:
            return Judgement(None, "")
        return Judgement("pass", says("as-should-be")) if r.ok else Judgement("fail", says("not-as-should-be"), r.note or says("isnt-as-should-be"))
    if step.asks and step.stage == "s8":
        return _solar(src, step, r)
    if step.asks and step.stage == "s13":
        return _fridge(src, step, r)
    return of_value(step, r, step.low, step.high, step.expected, step.sd)


def of_shunt(src: Source) -> tuple[Judgement, list[str], str]:
    """What the shunt saw of the circuits that were read with it: the verdict, the circuits that pass it by, and the cause."""
    fractions, ids = [], []
    for x in src.ctx.facts.readings:
        if x.shunt_a is not None and x.current_a is not None and abs(x.current_a) >= 0.5:
            fractions.append(abs(x.shunt_a) / abs(x.current_a) * (1 if x.shunt_a * x.current_a >= 0 else -1))
            ids.append(x.circuit)
    if not fractions:
        return Judgement(None, ""), [], "ok"
    found = cause_of(fractions, 0.1)
    said = ", ".join(f"{100 * f:.0f} %" for f in fractions[:6])
    passed_by = [i for i, w in zip(ids, found.verdicts, strict=True) if w in ("bypass", "partial")] if found.cause == "negative_bypass" else []
    if found.cause == "ok":
        return Judgement("pass" if len(fractions) >= 2 else "marginal", said, "" if len(fractions) >= 2 else says("one-circuit-only-read")), [], "ok"
    return Judgement("fail", said, WORDS[found.cause]), passed_by, found.cause


WORDS = {
    "negative_bypass": says("their-minus-reaches-battery"),
    "shunt_reversed": says("shunt-sits-wrong-way"),
    "shunt_reversed_and_scale": says("shunt-sits-wrong-way-round"),
    "scale_setting": says("monitor-set-to-another"),
    "mixed": says("something-else-was-switched"),
}

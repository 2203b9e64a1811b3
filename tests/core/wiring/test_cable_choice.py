"""The choice of a cable against sums of one's own, at both sides of every limit of it."""

from __future__ import annotations

import itertools
from typing import Any

import pytest
from pydantic import ValidationError

from bothy.core.wiring.conductors import AWG, CLASSES, METRIC
from bothy.core.wiring.drop import DROP_LIMIT_FRAC, VoltageDropIn, voltage_drop_of
from bothy.core.wiring.sizing import CircuitSplitIn, SplitLoad, WireSizeIn, carrying, circuit_split, wire_size

ALPHA = 0.00393
SHORT = {"length_m": 0.01, "fuse_a": 10.0, "current_a": 10.0, "max_drop_v": 6.0}
"""So short that nothing is lost: what is chosen is chosen by the other limits."""


def sized(**more: Any) -> Any:
    return wire_size(WireSizeIn.model_validate({"current_a": 10.0, "length_m": 5.0, "fuse_a": 15.0, **more}))


def by_hand(area: float, inp: WireSizeIn) -> tuple[float, float]:
    """Loop resistance in mΩ and drop in V of a metric size, by the table's plain copper alone."""
    row = METRIC[area]
    amps = row.ampacity[CLASSES.index(inp.insulation_temp_c)]
    hot = inp.ambient_temp_c + (inp.insulation_temp_c - inp.ambient_temp_c) * min(1.0, (inp.current_a / amps) ** 2)
    loop = row.plain * (1 + ALPHA * (hot - 20)) * inp.length_m * (2 if inp.return_path == "cable" else 1) + inp.extra_resistance_mohm
    loop += inp.chassis_resistance_mohm if inp.return_path == "chassis" else 0.0
    return loop, inp.current_a * loop / 1000


@pytest.mark.parametrize("path", ["cable", "chassis"])
@pytest.mark.parametrize("extra", [0.0, 8.0])
@pytest.mark.parametrize(("amps", "length"), [(3.0, 2.0), (10.0, 5.0), (25.0, 3.5)])
def test_the_thinnest_size_that_passes_is_the_one_by_hand(path: str, extra: float, amps: float, length: float) -> None:
    inp = WireSizeIn.model_validate({"current_a": amps, "length_m": length, "fuse_a": amps, "return_path": path, "extra_resistance_mohm": extra})
    out = wire_size(inp)
    passes = [a for a, row in METRIC.items() if a >= 1 and row.ampacity[CLASSES.index(90)] >= amps and by_hand(a, inp)[1] <= 0.03 * 12]
    assert out.metric_size == passes[0]
    loop, drop = by_hand(passes[0], inp)
    assert out.metric_resistance_mohm == pytest.approx(loop)
    assert (out.metric_drop_v, out.metric_drop_frac, out.metric_heat_w) == pytest.approx((drop, drop / 12, amps**2 * loop / 1000))


def test_what_stands_beside_the_cable_loses_volts_too() -> None:
    """A fuse and its contacts add to a run; the return through the bodywork adds its own."""
    plain, more = sized(max_drop_v=3.0), sized(extra_resistance_mohm=5.0, max_drop_v=3.0)
    assert more.metric_size == plain.metric_size
    assert more.metric_resistance_mohm - plain.metric_resistance_mohm == pytest.approx(5.0)
    one, worse = (sized(return_path="chassis", chassis_resistance_mohm=x, max_drop_v=3.0) for x in (0.0, 4.0))
    assert worse.metric_resistance_mohm - one.metric_resistance_mohm == pytest.approx(4.0)


@pytest.mark.parametrize("series", ["metric", "awg"])
def test_an_option_is_good_only_where_nothing_speaks_against_it(series: str) -> None:
    for length in (1.0, 4.0, 9.0):
        options = getattr(sized(length_m=length), f"{series}_options")
        assert [o.ok for o in options] == [not o.reasons for o in options]
        assert [o.ok for o in options] == [False, True, True, True][-len(options) :] or options[0].ok
        chosen = next(o for o in options if o.ok)
        assert chosen.size == getattr(sized(length_m=length), f"{series}_size")
        areas = [o.area_mm2 for o in options]
        assert areas == sorted(areas)
        assert len([o for o in options if o.ok]) == 3, "the choice and the next two"


@pytest.mark.parametrize(
    ("more", "reason"),
    [
        ({"min_area_mm2": 2.5}, "mechanical"),
        ({"current_a": 44.0, "fuse_a": 44.0}, "ampacity"),
        ({"fuse_a": 80.0}, "fuse"),
        ({"length_m": 30.0, "max_drop_v": 0.36}, "drop"),
    ],
)
def test_the_size_below_says_why_it_was_not_taken(more: dict[str, Any], reason: str) -> None:
    out = sized(**{**SHORT, **more})
    assert reason in out.metric_rejected_reasons
    assert out.metric_rejected_size < out.metric_size


def test_each_limit_holds_at_both_sides() -> None:
    row = METRIC[1.5]
    amps = float(row.ampacity[CLASSES.index(90)])
    assert sized(**{**SHORT, "current_a": amps, "fuse_a": amps}).metric_size == 1.5
    assert sized(**{**SHORT, "current_a": amps + 0.01, "fuse_a": amps + 0.01}).metric_size > 1.5
    assert sized(**{**SHORT, "fuse_a": amps}).metric_size <= 1.5
    assert sized(**{**SHORT, "fuse_a": amps + 0.01}).metric_size > 1.5
    assert sized(**{**SHORT, "min_area_mm2": 1.5}).metric_size == 1.5
    assert sized(**{**SHORT, "min_area_mm2": 1.51}).metric_size > 1.5
    drop = sized(length_m=3.0, max_drop_v=6.0).metric_drop_v
    at = sized(length_m=3.0, max_drop_v=6.0).metric_size
    assert sized(length_m=3.0, max_drop_v=drop).metric_size == at
    assert sized(length_m=3.0, max_drop_v=drop * 0.999).metric_size > at


def test_the_tighter_of_two_limits_of_loss_wins() -> None:
    base = {"current_a": 10.0, "length_m": 3.0, "area_mm2": 4.0}
    for frac, volts, limit in ((0.05, 0.3, 0.3), (0.02, 0.3, 0.24), (0.05, None, 0.6), (None, 0.3, 0.3)):
        given = {k: v for k, v in (("max_drop_frac", frac), ("max_drop_v", volts)) if v is not None}
        assert voltage_drop_of(VoltageDropIn.model_validate({**base, **given})).limit_v == pytest.approx(limit)
        assert WireSizeIn.model_validate({"current_a": 1.0, "length_m": 1.0, **given}).limit_v == pytest.approx(limit)
    for name, frac in {"critical": 0.03, "non_critical": 0.10, "charging": 0.0125, "feeder": 0.01, "dcdc_input": 0.06}.items():
        assert DROP_LIMIT_FRAC[name] == frac
        assert VoltageDropIn.model_validate({**base, "drop_class": name, "nominal_voltage_v": 24}).limit_v == pytest.approx(24 * frac)
    with pytest.raises(ValidationError, match="half the nominal"):
        VoltageDropIn.model_validate({**base, "max_drop_v": 6.01})
    assert VoltageDropIn.model_validate({**base, "max_drop_v": 6.0}).limit_v == 6


@pytest.mark.parametrize("power", [24.0, 60.0])
def test_a_load_spread_along_its_cable_feels_half_of_it(power: float) -> None:
    """By power: the current that the middle of the strip draws, found by going round until it stands."""
    base = {"power_w": power, "length_m": 6.0, "area_mm2": 1.5, "extra_resistance_mohm": 10.0}
    out = voltage_drop_of(VoltageDropIn.model_validate({**base, "distributed": True}))
    r = METRIC[1.5].plain * (1 + ALPHA * 40) * 6.0 * 2
    amps = power / 12
    for _ in range(60):
        amps = power / (12 - amps * (r / 2 + 10.0) / 1000)
    assert out.current_a == pytest.approx(amps)
    assert out.drop_v == pytest.approx(amps * (r / 2 + 10) / 1000)
    assert out.heat_w == pytest.approx(amps**2 * (r / 3 + 10) / 1000)
    assert out.load_voltage_v == pytest.approx(12 - out.drop_v)
    end = voltage_drop_of(VoltageDropIn.model_validate(base))
    assert end.drop_v > out.drop_v
    assert out.max_length_m == pytest.approx(((0.36 / amps * 1000) - 10) / (0.5 * r / 6.0))


@pytest.mark.parametrize(("least", "ok"), [(11.6, True), (11.65, False)])
def test_the_least_voltage_at_the_load_counts_beside_the_loss(least: float, ok: bool) -> None:
    out = voltage_drop_of(
        VoltageDropIn.model_validate({"current_a": 10.0, "length_m": 2.0, "area_mm2": 2.5, "drop_class": "non_critical", "min_load_voltage_v": least})
    )
    assert 11.6 < out.load_voltage_v < 11.65
    assert out.ok == ok


def test_sizes_that_carry_are_all_that_carry_whatever_they_lose() -> None:
    inp = WireSizeIn.model_validate({"current_a": 20.0, "length_m": 30.0, "bundled_count": 3, "installation": "free_air"})
    sizes = [t.size for t in carrying(inp, "metric")]
    assert sizes == [a for a, row in METRIC.items() if a >= 1 and row.ampacity[CLASSES.index(90)] * 0.7 >= 20]
    assert [t.size for t in carrying(inp, "awg")] == [
        s for s, row in AWG.items() if row.ampacity[CLASSES.index(90)] * 0.7 >= 20 and (17.241 / row.plain * 1.04) >= 1
    ]


def test_a_fuse_is_never_smaller_than_the_current() -> None:
    with pytest.raises(ValidationError, match="must be at least the current"):
        sized(current_a=10.0, fuse_a=9.99)
    assert sized(current_a=10.0, fuse_a=10.0).fuse_a == 10
    assert sized(current_a=10.0, fuse_a=None).fuse_a == 15, "the first standard fuse from 12.5 A"
    assert sized(current_a=8.0, fuse_a=None).fuse_a == 10


@pytest.mark.parametrize("amps", [[3.0, 3.0, 4.0], [8.0, 1.0, 0.5, 7.5], [12.01, 4.0], [12.0], [6.0, 6.0, 0.01]])
def test_loads_are_shared_out_without_overloading_any_circuit(amps: list[float]) -> None:
    inp = CircuitSplitIn(cable_ampacity_a=20, fuse_a=15, loads=[SplitLoad(id=f"l{i}", current_a=a) for i, a in enumerate(amps)])
    out = circuit_split(inp)
    assert out.usable_a == 12, "the fuse is the smaller of the two, with a quarter to spare"
    by_id = {f"l{i}": a for i, a in enumerate(amps)}
    assert out.oversize == [i for i, a in by_id.items() if a > 12]
    assert sorted([*out.oversize, *itertools.chain(*out.circuits)]) == sorted(by_id)
    assert out.circuit_current_a == pytest.approx([sum(by_id[i] for i in c) for c in out.circuits])
    assert all(s <= 12 + 1e-9 for s in out.circuit_current_a)
    assert out.circuit_count == len(out.circuits) + len(out.oversize)
    assert out.fits_one == (sum(amps) <= 12)
    assert out.total_a == pytest.approx(sum(amps))
    assert circuit_split(inp.model_copy(update={"fuse_a": None})).usable_a == 16

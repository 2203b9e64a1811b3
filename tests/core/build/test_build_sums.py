"""The sums of Build: packs and cuts against every choice there is, order dates by counting, pace and finish against closed forms, gates, weather."""

from __future__ import annotations

import datetime as dt
import itertools
import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.build.buying import best_packs, cut_from, order_dates
from bothy.core.build.durations import mean_of, quantile_of, variance_of
from bothy.core.build.gate import CHECKS, SEVERITY, Behind, checked, lacks_of
from bothy.core.build.network import cycle_in, governing, times
from bothy.core.build.pace import learnt
from bothy.core.build.windows import Hour, Wanted, days_of_waiting, starts_in
from bothy.core.calculators import calculate
from bothy.core.contract import BadInput

PACK = st.tuples(st.integers(1, 25), st.integers(1, 60))


@settings(deadline=None, max_examples=60)
@given(need=st.integers(1, 60), packs=st.lists(PACK, min_size=1, max_size=3))
def test_packs_against_every_choice(need: int, packs: list[tuple[int, int]]) -> None:
    best: tuple[Any, ...] | None = None
    for counts in itertools.product(*(range(need // s + 2) for s, _ in packs)):
        got = sum(n * s for n, (s, _) in zip(counts, packs, strict=True))
        if got >= need:
            cost = sum(n * p for n, (_, p) in zip(counts, packs, strict=True))
            key = (cost, sum(counts), got, tuple(-n for n in counts))
            best = key if best is None or key < best else best
    assert best is not None
    assert best_packs(float(need), tuple((float(s), float(p)) for s, p in packs)) == tuple(-n for n in best[3])


@settings(deadline=None, max_examples=60)
@given(pieces=st.lists(st.floats(0.1, 4.9), min_size=1, max_size=12), kerf=st.sampled_from([0.0, 0.003]), offcuts=st.lists(st.floats(0.2, 3), max_size=3))
def test_cuts_hold_every_piece_once_and_stay_within_the_proven_bound(pieces: list[float], kerf: float, offcuts: list[float]) -> None:
    bins = cut_from(pieces, 5.0, kerf, offcuts)
    assert sorted(p for b in bins for p in b.pieces) == sorted(pieces)
    assert all(sum(b.pieces) + kerf * (len(b.pieces) - 1) <= b.length + 1e-6 for b in bins)
    least = math.ceil((sum(pieces) - sum(offcuts)) / 5.0 - 1e-9)
    assert sum(b.source == "stock" for b in bins) >= least
    if not offcuts:
        assert len(bins) <= 11 / 9 * max(1, best_bins(pieces, 5.0 + kerf, kerf)) + 6 / 9 + 1e-9


def best_bins(pieces: list[float], length: float, kerf: float) -> int:
    """A bound under the best number of lengths: what is longer than half stands alone, the rest by its sum."""
    big = sum(p + kerf > length / 2 for p in pieces)
    return max(big, math.ceil(sum(p + kerf for p in pieces) / length - 1e-9))


@settings(deadline=None, max_examples=60)
@given(day=st.dates(dt.date(2026, 1, 1), dt.date(2029, 1, 1)), lead=st.integers(0, 40), buffer=st.integers(0, 10))
def test_an_order_arrives_in_time_counted_day_by_day(day: dt.date, lead: int, buffer: int) -> None:
    arrive, order = order_dates(day, lead, buffer)
    assert arrive <= day - dt.timedelta(days=buffer) and arrive.weekday() < 5
    count, at = 0, order
    while at < arrive:
        at += dt.timedelta(days=1)
        count += at.weekday() < 5
    assert count == lead
    one, two = order_dates(day, lead, buffer, working=False)
    assert (one - two).days == lead


@settings(deadline=None, max_examples=80)
@given(a=st.floats(0, 10), m=st.floats(0, 10), b=st.floats(0, 10), q=st.floats(0.02, 0.98))
def test_the_triangle_against_its_integral(a: float, m: float, b: float, q: float) -> None:
    a, m, b = sorted((a, m, b))
    if b - a < 1e-3:
        assert quantile_of(a, m, b, q) == pytest.approx(a, abs=2e-3)
        return
    x = np.linspace(a, b, 200_001)
    up = (x - a) / max(m - a, 1e-12)
    down = (b - x) / max(b - m, 1e-12)
    f = np.where(x <= m, up, down) * 2 / (b - a)
    assert float(np.trapezoid(f * x, x)) == pytest.approx(mean_of(a, m, b), rel=1e-3, abs=1e-3)
    assert float(np.trapezoid(f * (x - mean_of(a, m, b)) ** 2, x)) == pytest.approx(variance_of(a, m, b), rel=5e-3, abs=1e-3)
    share = float(np.trapezoid(np.where(x <= quantile_of(a, m, b, q), f, 0), x))
    assert share == pytest.approx(q, abs=2e-3)


def test_pace_without_logs_is_the_prior_and_with_many_the_sample() -> None:
    none = learnt([], 1.3)
    assert none.factor == pytest.approx(1.3) and none.weight == 0 and none.sample is None
    assert none.high / none.factor == pytest.approx(math.exp(1.645 * 0.35))
    many = learnt([(8.0, 12.0, 1.0)] * 400)
    assert many.factor == pytest.approx(1.5, rel=5e-3) and many.weight > 0.99 and many.low < 1.5 < many.high
    wild = learnt([(1.0, 40.0, 1.0)])
    assert wild.clipped == 1 and wild.sample == pytest.approx(5.0)


@settings(deadline=None, max_examples=50)
@given(st.lists(st.tuples(st.floats(0.5, 20), st.floats(0.5, 40), st.floats(0.1, 1)), min_size=1, max_size=8))
def test_pace_is_the_weighted_mean_of_prior_and_logs(logs: list[tuple[float, float, float]]) -> None:
    """By the normal equations, solved as least squares: each log an equation ln f = ln r of weight w/σ², the prior one of 1/τ²."""
    rows, right = [1 / 0.35], [0.0]
    for estimate, actual, done in logs:
        size = estimate * done
        w = math.sqrt(size / (size + 2)) / 0.45
        rows.append(w)
        right.append(w * math.log(min(5.0, max(0.2, actual / size))))
    a = np.array(rows)
    want = float(np.linalg.lstsq(a[:, None], np.array(right), rcond=None)[0][0])
    assert math.log(learnt(logs).factor) == pytest.approx(want, abs=1e-9)


@settings(deadline=None, max_examples=40)
@given(st.data())
def test_times_are_those_of_the_longest_way(data: st.DataObject) -> None:
    n = data.draw(st.integers(1, 7))
    durations = {f"t{i}": float(data.draw(st.integers(0, 9))) for i in range(n)}
    before = {f"t{i}": {f"t{j}": float(data.draw(st.integers(0, 3))) for j in range(i) if data.draw(st.booleans())} for i in range(n)}
    found, whole = times(durations, before)

    def longest(k: str) -> float:
        return durations[k] + max([0.0, *(longest(p) + lag for p, lag in before[k].items())])

    assert whole == max(longest(k) for k in durations)
    path = governing(durations, before, found)
    assert found[path[-1]].ef == whole and all(found[k].critical for k in path)
    assert all(t.free <= t.total + 1e-9 and t.total >= -1e-9 for t in found.values())
    assert cycle_in(before) is None
    assert cycle_in({**before, "t0": {f"t{n - 1}": 0.0}, **({} if n > 1 else {"t0": {"t0": 0.0}})}) is not None or not _reaches(before, n)


def _reaches(before: dict[str, dict[str, float]], n: int) -> bool:
    """Whether the last waits for the first, over others or not."""
    seen, todo = set(), [f"t{n - 1}"]
    while todo:
        k = todo.pop()
        if k == "t0":
            return True
        if k not in seen:
            seen.add(k)
            todo += list(before[k])
    return False


@pytest.mark.parametrize("kind", list(SEVERITY))
def test_what_a_kind_lacks_and_what_a_waiver_does(kind: str) -> None:
    row = SEVERITY[kind]
    assert [f.severity for f in lacks_of(Behind("x", kind))] == [row[0]]
    done = lacks_of(Behind("x", kind, done=True, joints=1))
    assert [f.severity for f in done] == [s for s in row[1:] if s is not None]
    assert [f.rule for f in done] == [f"build-gate-{c}" for c, s in zip(CHECKS[1:], row[1:], strict=True) if s is not None]
    waived = lacks_of(Behind("x", kind, done=True, joints=1, waived=True))
    assert [f.severity for f in waived] == ["advice" if s == "fault" else s for s in row[1:] if s is not None]
    assert lacks_of(Behind("x", kind, 2, True, True, True, True)) == []


def test_a_gate_counts_what_lies_under_its_layer_alone() -> None:
    items = [Behind("a", "dc_cable", 2), Behind("b", "insulation", 3, True), Behind("c", "ac_cable", 2, True)]
    found, blocking, looked = checked(items, 3)
    assert looked == 2 and blocking == ["a", "c"] and {f.severity for f in found if f.subject == "c"} == {"danger", "advice"}


def test_hours_are_good_only_when_all_of_it_is() -> None:
    hours = [Hour(10), Hour(10, 0.2), Hour(10), Hour(10), Hour(10, wind_m_s=12), Hour(10), Hour(10), Hour(4)]
    assert starts_in(hours, 2, Wanted()) == [2, 5]
    assert starts_in(hours, 2, Wanted(dry_before=1)) == [5]
    assert starts_in(hours, 2, Wanted(dry_after=2)) == [2]


@settings(deadline=None, max_examples=30)
@given(p=st.floats(0.2, 0.95), n=st.integers(1, 4))
def test_the_wait_for_dry_days_is_that_of_the_chain(p: float, n: int) -> None:
    """Expected trials until n in a row, by solving the Markov chain, less the n days themselves."""
    a = np.eye(n)
    for i in range(n):
        a[i, 0] -= 1 - p
        if i + 1 < n:
            a[i, i + 1] -= p
    want = float(np.linalg.solve(a, np.ones(n))[0])
    assert days_of_waiting(p, n) == pytest.approx(want - n, rel=1e-6)


BAD = [
    ("pert", {"optimistic_h": 5, "likely_h": 4, "pessimistic_h": 9}, "likely_h"),
    ("pert", {"optimistic_h": 1, "likely_h": 4, "pessimistic_h": 3}, "pessimistic_h"),
    ("critical-path", {"tasks": []}, "tasks"),
    ("critical-path", {"tasks": [{"id": "a", "duration_h": 1, "predecessors": ["b"]}, {"id": "b", "duration_h": 1, "predecessors": ["a"]}]}, "predecessors"),
    ("critical-path", {"tasks": [{"id": "a", "duration_h": 1, "predecessors": ["z"]}]}, "predecessors"),
    ("schedule", {"resources": {"people": 1}, "tasks": [{"id": "a", "duration_h": 1, "needs": {"people": 2}}]}, "needs"),
    ("schedule", {"resources": {"people": 1}, "tasks": [{"id": "a", "duration_h": 9, "needs": {"people": 1}}], "horizon_h": 8}, "horizon_h"),
    ("pack-round", {"need": 5, "packs": [{"size": 0, "price": 1}]}, "size"),
    ("cut-list", {"pieces_m": [6.0], "stock_length_m": 5}, "pieces_m"),
    ("cut-list", {"pieces_m": [6.0, 6.0], "stock_length_m": 5, "offcuts_m": [7.0]}, "pieces_m"),
    ("order-by-date", {"need_by_date": "2027-02-30", "lead_time_days": 1}, "need_by_date"),
    ("task-list", {"tags": ["spaceship"]}, "tags"),
    ("task-list", {"tags": [], "quantities": {"moons": 2}}, "quantities"),
    ("cure-window", {"profile": [{"duration_h": 1, "temp_c": 20}]}, "material"),
    ("cure-window", {"model": "time", "profile": [{"duration_h": 1, "temp_c": 20}]}, "cure_h_ref"),
    ("weather-window", {"hours": [{"temp_c": 5}], "duration_h": 1, "min_temp_c": 9, "max_temp_c": 8}, "max_temp_c"),
    ("gate-check", {"zone": "roof", "items": []}, "zone"),
]


@pytest.mark.parametrize(("name", "data", "key"), BAD)
def test_what_can_not_be_is_refused_with_its_key(name: str, data: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate(name, data)
    assert e.value.key == key, e.value.message

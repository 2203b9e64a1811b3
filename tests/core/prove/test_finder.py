"""Finding faults: likelihoods, the next best test, every fault of a circuit found or named as not tellable apart, symptoms, practice."""

from __future__ import annotations

import itertools
import math
from collections.abc import Mapping
from functools import cache
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.commissioning.source import Source
from bothy.core.contract import BadInput
from bothy.core.faults.case import Answer, Case, search
from bothy.core.faults.electric import causes_of, electric_case, model_of, solved_all
from bothy.core.faults.finder import case_of, find, start_of_step, starts
from bothy.core.faults.rig import kind_of
from bothy.core.faults.symptoms import symptoms, table_case
from bothy.core.proving.diagnosis import Test, entropy, gain, learnt_priors, normalised, outcome_rows, ranked, updated
from bothy.core.proving.probe import Element, Solved, blown_in, resistance_between
from bothy.demo.load import DEMOS, demo_of

PUMP = "water-pump-10-l-min"


@cache
def source(demo: str = "curlew") -> Source:
    return demo_of(DEMOS[demo])[0].report.commissioned().src


def pump_case() -> Case:
    c = source().ctx.design.circuit(PUMP)
    assert c is not None
    made = electric_case(source(), c)
    assert made is not None
    return made


# --- the network


def test_a_divider_is_what_it_is() -> None:
    s = Solved([Element("b", "source", "p", "n", 0.01, 12.0), Element("r", "resistor", "p", "m", 3.0), Element("l", "load", "m", "n", 9.0)], "n")
    assert s.volts("m") == pytest.approx(12.0 * 9 / 12.01)
    assert s.current("r") == pytest.approx(12.0 / 12.01)
    assert s.current("b") == pytest.approx(-12.0 / 12.01), "a source that gives reads negative"


@given(st.lists(st.floats(0.001, 1e4), min_size=2, max_size=9), st.floats(1, 60))
def test_volts_round_a_ring_add_to_the_source(ohms: list[float], emf: float) -> None:
    nodes = [f"n{i}" for i in range(len(ohms))] + ["g"]
    ring = [Element("b", "source", "n0", "g", 0.005, emf)] + [Element(f"r{i}", "resistor", nodes[i], nodes[i + 1], r) for i, r in enumerate(ohms)]
    s = Solved(ring, "g")
    drops = [s.volts(a) - s.volts(b) for a, b in itertools.pairwise(nodes)]
    assert sum(drops) == pytest.approx(s.volts("n0"))
    assert s.current("r0") == pytest.approx(emf / (sum(ohms) + 0.005), rel=1e-6)
    assert s.volts("n0") * s.current("r0") == pytest.approx(sum(d * s.current(f"r{i}") for i, d in enumerate(drops)), rel=1e-6), "power in is power out"


def test_the_worst_fuse_goes_first_and_saves_the_other() -> None:
    one = [
        Element("b", "source", "p", "n", 0.005, 12.8),
        Element("big", "fuse", "p", "q", 0.002, rating_a=100),
        Element("small", "fuse", "q", "r", 0.01, rating_a=5),
        Element("short", "resistor", "r", "n", 0.02),
    ]
    solved, blown = blown_in(one, "n")
    assert blown == ["small"]
    assert solved.volts("q") == pytest.approx(12.8, rel=1e-3)
    assert resistance_between(one, "n", "r", "n") == pytest.approx(0.02, rel=1e-6), "dead, with the battery taken out"


# --- likelihoods and gain


@given(st.lists(st.floats(0.01, 1), min_size=2, max_size=6), st.data())
def test_rows_add_to_one_and_no_test_makes_more_doubt(priors: list[float], data: Any) -> None:
    p = normalised({f"f{i}": x for i, x in enumerate(priors)})
    values = {k: data.draw(st.floats(0, 15)) for k in p}
    sd = data.draw(st.floats(0.05, 2))
    edges = tuple(sorted(data.draw(st.lists(st.floats(0, 15), max_size=4, unique=True))))
    t = Test("t", predicted=values, sd=sd, span=30, edges=edges)
    for row in outcome_rows(t, list(p)):
        assert sum(row) == pytest.approx(1)
    assert 0 <= gain(p, t) <= entropy(list(p.values())) + 1e-9
    after, _ = updated(p, t, None, values["f0"])
    assert sum(after.values()) == pytest.approx(1)


def test_priors_learn_from_repairs() -> None:
    start = {"joint": 0.5, "fuse": 0.5}
    taught = learnt_priors(start, {"joint": 30})
    assert taught == {"joint": pytest.approx(45 / 60), "fuse": pytest.approx(15 / 60)}
    before = search(pump_case(), [], {}).causes
    after = search(pump_case(), [], {"ground": 60}).causes
    share = lambda rows: sum(c.frac for c in rows if c.id.startswith("minus"))  # noqa: E731
    assert share(after) > share(before) + 0.2


def _minutes(p: Mapping[str, float], tests: Mapping[str, Test], order: list[str] | None, lapse: float = 0.02) -> float:
    """Expected minutes until 95 %, by best-first or by a fixed order; readings at their most likely outcome of each fault."""
    whole = 0.0
    for true, prior in p.items():
        now, left, spent = dict(p), dict(tests), 0.0
        queue = list(order) if order else None
        while max(now.values()) < 0.95 and left:
            if queue is not None:
                if not queue:
                    break
                id = queue.pop(0)
            else:
                rows = [r for r in ranked(now, list(left.values()), lapse) if r.gain >= 0.01]
                if not rows:
                    break
                id = rows[0].id
            t = left.pop(id)
            spent += t.minutes
            outcome = max(t.rows[true], key=lambda o: t.rows[true][o])
            now, _ = updated(now, t, outcome, None, lapse)
        whole += prior * spent
    return whole


def test_best_first_is_never_slower_than_the_best_fixed_order() -> None:
    """Three faults, three tests of two outcomes, all orders tried."""
    p = {"fuse": 0.4, "joint": 0.35, "lamp": 0.25}
    tests = {
        "behind": Test(
            "behind", 2, outcomes=("yes", "no"), rows={"fuse": {"yes": 0.0, "no": 1.0}, "joint": {"yes": 1.0, "no": 0.0}, "lamp": {"yes": 1.0, "no": 0.0}}
        ),
        "minus": Test(
            "minus",
            5,
            outcomes=("high", "low"),
            rows={"fuse": {"high": 0.0, "low": 1.0}, "joint": {"high": 1.0, "low": 0.0}, "lamp": {"high": 0.0, "low": 1.0}},
        ),
        "swap": Test(
            "swap", 8, outcomes=("lit", "dark"), rows={"fuse": {"lit": 0.0, "dark": 1.0}, "joint": {"lit": 0.0, "dark": 1.0}, "lamp": {"lit": 1.0, "dark": 0.0}}
        ),
    }
    best_fixed = min(_minutes(p, tests, list(o)) for o in itertools.permutations(tests))
    assert _minutes(p, tests, None) <= best_fixed + 1e-9


# --- a circuit of the design


def answers_of(case: Case, hidden: str) -> dict[str, Answer]:
    """What each test would give with a fault in it."""
    return {
        p.test.id: Answer(test=p.test.id, reading=p.test.predicted[hidden])
        if p.test.numeric
        else Answer(test=p.test.id, outcome=max(p.test.rows[hidden], key=lambda o: p.test.rows[hidden][o]))
        for p in case.probes
    }


@pytest.mark.parametrize("hidden", [h.id for h in pump_case().hypotheses])
def test_every_fault_of_a_circuit_is_found_or_named_as_not_tellable_apart(hidden: str) -> None:
    case = pump_case()
    truth = answers_of(case, hidden)
    answers: list[Answer] = []
    f = search(case, answers, {})
    while f.state == "search" and f.best:
        answers.append(truth[f.best])
        f = search(case, answers, {})
    assert len(answers) <= 10
    likely = {c.id for c in f.causes if c.frac > 0.01}
    assert hidden in likely, [(c.id, c.frac) for c in f.causes[:4]]
    if f.state == "found":
        assert kind_of(f.causes[0].id) == kind_of(hidden)
    else:
        assert f.state == "stuck"
        assert f.causes[0].name in f.said or hidden in likely


def test_curlews_bad_joint_is_found_in_three_tests() -> None:
    src = source()
    read = next(r for r in src.ctx.facts.readings if r.circuit == PUMP)
    assert read.source_voltage_v and read.load_voltage_v and read.current_a
    c = src.ctx.design.circuit(PUMP)
    assert c is not None
    model = model_of(src, c)
    assert model is not None
    true = solved_all(model, [x for x in causes_of(model, c, "pump") if x.hypothesis.id == "minus-joint-0.1"])["minus-joint-0.1"]
    answers: list[Answer] = []
    f = find(src, f"circuit:{PUMP}", answers)
    assert {t.test for t in f.told} == {"amps", "lost"}, "it begins with what the sheet already says"
    while f.state == "search" and f.best:
        t = next(x for x in f.tests if x.id == f.best)
        answers.append(Answer(test=t.id, reading=round(true.meter(t.a, t.b), 3)) if not t.outcomes else Answer(test=t.id, outcome=t.outcomes[0]))
        f = find(src, f"circuit:{PUMP}", answers)
    assert f.state == "found"
    assert len(answers) <= 3
    assert f.causes[0].element == "minus"
    assert "crimp" in f.said and "S0" in f.said


def test_a_working_of_the_search_says_what_was_ruled_out() -> None:
    case = pump_case()
    f = search(case, [Answer(test="after-fuse", reading=12.7)], {})
    assert "the fuse is blown or not in" in f.told[0].out
    assert f.minutes == 2
    assert sum(c.frac for c in f.causes) == pytest.approx(1)
    assert all(a.frac >= b.frac - 1e-8 for a, b in itertools.pairwise(f.causes)), "the most probable first"


@pytest.mark.parametrize(
    ("answer", "key"),
    [
        (Answer(test="nowhere", reading=1.0), "test"),
        (Answer(test="after-fuse"), "reading"),
        (Answer(test="after-fuse", reading=12700.0), "reading"),
        (Answer(test="pull-fuse", outcome="maybe"), "outcome"),
    ],
)
def test_an_answer_that_makes_no_sense_is_named(answer: Answer, key: str) -> None:
    with pytest.raises(BadInput) as refused:
        search(pump_case(), [answer], {})
    assert refused.value.key == key


@pytest.mark.parametrize("demo", sorted(DEMOS))
def test_everything_that_can_be_searched_begins(demo: str) -> None:
    src = source(demo)
    for s in starts(src):
        f = find(src, s.key, [])
        assert f.state in ("search", "found")
        assert sum(c.frac for c in f.causes) == pytest.approx(1)
        assert all(math.isfinite(t.gain or 0.0) for t in f.tests)
    with pytest.raises(BadInput, match="nothing that can be searched"):
        case_of(src, "circuit:nowhere")


def test_a_failing_step_begins_its_search() -> None:
    src = source()
    assert start_of_step(src, f"s5-circuit:{PUMP}") == f"circuit:{PUMP}"
    assert start_of_step(src, "s9-flow:shower") == "tap:shower"
    assert start_of_step(src, "s9-restart") == "symptom:pump-cycles"
    assert start_of_step(src, "s15-weigh") is None
    for s in source().ctx.facts.steps:
        key = start_of_step(src, s.id)
        if key is not None:
            case_of(src, key)


@pytest.mark.parametrize("key", sorted(symptoms()))
def test_every_symptom_is_told_apart_by_its_tests(key: str) -> None:
    case = table_case(key)
    assert case is not None
    assert sum(h.prior for h in case.hypotheses) == pytest.approx(1, abs=0.005)
    for p in case.probes:
        for h in case.hypotheses:
            assert sum(p.test.rows[h.id].values()) == pytest.approx(1)
    for hidden in [h for h in case.hypotheses if h.id != "other"]:
        truth = answers_of(case, hidden.id)
        f = search(case, list(truth.values()), {}, licensed=True)
        assert hidden.id in [c.id for c in f.causes[:2]], (hidden.id, [(c.id, round(c.frac, 3)) for c in f.causes])


def test_what_takes_a_licence_is_not_offered_without_one() -> None:
    src = source()
    for key in ("symptom:gas-weak", "symptom:rcd-trips", "flame:hob"):
        assert not any(t.licensed for t in find(src, key, []).tests)
        assert any(t.licensed for t in find(src, key, [], licensed=True).tests)


def test_a_weak_tap_is_parted_by_the_others_on_its_way() -> None:
    src = source()
    case = case_of(src, "tap:shower")
    others = [p for p in case.probes if p.test.id.startswith("at:")]
    assert others
    good = search(case, [Answer(test=p.test.id, outcome="good") for p in others], {})
    weak = search(case, [Answer(test=p.test.id, outcome="weak too") for p in others], {})
    own = {"outlet", *(h.id for h in case.hypotheses if h.element == "shower")}
    assert sum(c.frac for c in good.causes if c.id in own) > 0.8, "all others are good: it is on its own last piece"
    assert sum(c.frac for c in weak.causes if c.id in own) < 0.05, "all are weak: it is what they share"

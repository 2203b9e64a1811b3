"""Facts apart from plans: evidence only grows, says what it was judged against, and old documents give up theirs."""

from __future__ import annotations

import hashlib
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.design.edit import PathGone, apply_patch
from bothy.core.facts.document import Facts
from bothy.core.facts.edit import apply_to_facts, of_facts
from bothy.core.facts.evidence import Entry, Evidence, added, entries_between, facts_of
from bothy.core.facts.kinds import Reading
from bothy.core.facts.old import facts_of_v1
from bothy.core.proving.outdated import MOVED
from bothy.core.recording import record
from bothy.core.report import report
from bothy.demo import curlew
from bothy.demo.load import DEMOS, demo_of
from tests.designs import FRIDGE, circuit, made, reported, wired

readings = st.lists(
    st.builds(lambda c, a: Reading(circuit=c, current_a=a), st.sampled_from(["a", "b", "c", "d"]), st.one_of(st.none(), st.floats(-100, 100))),
    max_size=4,
    unique_by=lambda r: r.circuit,
)
checks = st.lists(st.builds(lambda i, v: {"id": i, "value": v}, st.sampled_from(["x", "y"]), st.floats(0, 100)), max_size=2, unique_by=lambda c: c["id"])
states = st.builds(
    lambda r, c, p: Facts.model_validate({"readings": r, "gas_checks": c, "pre_trip": p}),
    readings,
    checks,
    st.lists(st.sampled_from(["shut", "hose", "drain"]), max_size=3, unique=True),
)


def as_sets(f: Facts) -> Any:
    return ({r.circuit: r for r in f.readings}, {c.id: c for c in f.gas_checks}, list(f.pre_trip))


@settings(max_examples=60)
@given(st.lists(states, max_size=6))
def test_the_evidence_grows_and_its_newest_entries_are_the_facts(walk: list[Facts]) -> None:
    evidence: tuple[Evidence, ...] = ()
    for state in walk:
        before = evidence
        evidence = added(evidence, entries_between(facts_of(evidence), state))
        assert evidence[: len(before)] == before, "nothing is taken away or changed"
        assert as_sets(facts_of(evidence)) == as_sets(state)
        assert not entries_between(facts_of(evidence), state), "nothing is said twice"
    assert [e.number for e in evidence] == list(range(1, len(evidence) + 1))
    for e in evidence:
        if e.corrects is not None:
            old = evidence[e.corrects - 1]
            assert (old.kind, old.subject) == (e.kind, e.subject)
            assert old.number < e.number


def test_a_struck_reading_can_be_taken_again() -> None:
    evidence = added((), [Entry("reading", "a", {"circuit": "a", "current_a": 1.0})])
    evidence = added(evidence, [Entry("reading", "a", None)])
    assert facts_of(evidence) == Facts()
    evidence = added(evidence, [Entry("reading", "a", {"circuit": "a", "current_a": 2.0})])
    assert facts_of(evidence).readings[0].current_a == 2
    assert [e.corrects for e in evidence] == [None, 1, None]


def test_an_edit_of_the_facts_is_checked_as_one_of_the_design() -> None:
    facts = Facts()
    after = apply_to_facts(facts, [{"op": "add", "path": "/facts/readings/-", "value": {"circuit": "a", "current_a": 1.0}}])
    assert (facts.readings, after.readings[0].current_a) == ([], 1)
    with pytest.raises(BadInput) as e:
        apply_to_facts(after, [{"op": "replace", "path": "/facts/readings/0/current_a", "value": "much"}])
    assert e.value.key == "current_a"
    with pytest.raises(BadInput, match="twice"):
        apply_to_facts(after, [{"op": "add", "path": "/facts/readings/-", "value": {"circuit": "a"}}])
    with pytest.raises(PathGone):
        apply_to_facts(after, [{"op": "remove", "path": "/facts/readings/3"}])
    with pytest.raises(BadInput, match="at most 2000"):
        apply_to_facts(after, [{"op": "test", "path": "/facts/pre_trip", "value": []}] * 2001)
    assert of_facts([{"path": "/facts/readings/-"}])
    assert not of_facts([{"path": "/life/people"}])
    with pytest.raises(BadInput, match="not both"):
        of_facts([{"path": "/life/people"}, {"path": "/facts/readings/-"}])


def fridge(**more: Any) -> Any:
    return made(wired(circuit(appliances=["fridge"], area_mm2=6.0, fuse_a=7.5, **more), appliances=[FRIDGE]))


def taken(**reading: Any) -> tuple[Any, tuple[Evidence, ...]]:
    design = fridge()
    return design, record(design, (), [Entry("reading", "c1", {"circuit": "c1", **reading})], variant="v", revision=7, guarded=False).new


def test_a_reading_says_what_it_was_judged_against() -> None:
    design, evidence = taken(source_voltage_v=13.4, load_voltage_v=13.3, current_a=3.6, loop_mohm=30.0)
    r = report(design, evidence)
    row = r.prove.rows[0]
    assert (row.judged_revision, row.outdated) == (7, False)
    judged = evidence[0].judged
    assert judged is not None
    assert judged.expected == {"expected_a": row.expected_a, "expected_v": row.expected_v, "expected_mohm": r.wiring.loops["c1"].expected_mohm}
    assert row.expected_v > 13, "the volts at the bank of that moment count"


@pytest.mark.parametrize(("key", "times"), [("expected_a", 1.02), ("expected_mohm", 1.03)])
@pytest.mark.parametrize(("more", "old"), [(0.999, False), (1.001, True)])
def test_a_reading_is_older_from_where_the_expectation_has_moved(key: str, times: float, more: float, old: bool) -> None:
    design, evidence = taken(current_a=3.6, loop_mohm=3000.0)
    judged = evidence[0].judged
    assert judged is not None
    now = judged.expected[key]
    part, least, _ = MOVED[key]
    assert times == 1 + part
    off = max(least, part * now / (1 + part)) * more  # what was expected then is now less that much
    then = judged.model_copy(update={"expected": {**judged.expected, key: now - off}})
    r = report(design, [evidence[0].model_copy(update={"judged": then})])
    assert r.prove.rows[0].outdated == old
    assert ("test-outdated" in {f.rule for f in r.findings}) == old


def test_a_longer_cable_makes_its_reading_old_and_no_other() -> None:
    design, evidence = taken(load_voltage_v=12.7, current_a=3.6)
    longer = apply_patch(design, [{"op": "replace", "path": "/wiring/circuits/0/length_m", "value": 12.0}])
    r = report(longer, evidence)
    f = next(f for f in r.findings if f.rule == "test-outdated")
    assert "revision 7" in f.message
    assert "V were expected" in f.message
    other = apply_patch(design, [{"op": "replace", "path": "/life/people", "value": 4}])
    assert not report(other, evidence).prove.rows[0].outdated


def test_a_reading_makes_anew_only_what_reads_it() -> None:
    one, evidence = demo_of(curlew)
    more = added(evidence, [Entry("reading", "front-fridge-90-l", {"circuit": "front-fridge-90-l", "current_a": 4.0})])
    then = report(one.design, more, before=one.report)
    assert then._parts is not None
    assert {"prove", "loops", "water findings"}.isdisjoint(then._parts.reused)
    assert {"wired", "warmth", "water", "gas", "supply", "life"} <= set(then._parts.reused)
    assert then.plain() == report(one.design, more).plain()


def test_a_document_of_version_1_gives_up_its_facts() -> None:
    """Curlew as it was kept before facts stood apart, with the marks of then."""
    new, facts = curlew.design().model_dump(mode="json"), curlew.facts().model_dump(mode="json")
    pipes = curlew.design().gas.pipes

    def mark(*values: object) -> str:
        return hashlib.blake2s(repr(values).encode(), digest_size=6).hexdigest()

    marks = {f"run:{p.id}": mark(p.parent, p.appliance, p.inner_diameter_mm, p.length_m, sorted(p.fittings.items()), p.material, p.joint) for p in pipes}
    test = facts["gas_tests"][0]
    old = {**new, "schema_version": 1}
    old["prove"] = {**new["prove"], "readings": facts["readings"]}
    old["water"] = {**new["water"], "tests": facts["water_tests"]}
    old["gas"] = {
        **new["gas"],
        "tests": [{**test, "system": {**marks, "hose:gone": "0123456789ab"}}],
        "checks": facts["gas_checks"],
        "pre_trip": facts["pre_trip"],
    }
    assert load_design(old) == curlew.design()
    moved = facts_of_v1(old)
    assert moved.readings == curlew.facts().readings
    assert moved.water_tests == curlew.facts().water_tests
    assert moved.gas_checks == curlew.facts().gas_checks
    assert moved.pre_trip == curlew.facts().pre_trip
    system = moved.gas_tests[0].system
    assert {k: system[k] for k in marks} == {k: curlew.facts().gas_tests[0].system[k] for k in marks}, "what was tested still counts"
    assert system["hose:gone"] == "0123456789ab"
    with pytest.raises(BadInput) as e:
        facts_of_v1({"prove": {"readings": [{"circuit": "a", "current_a": "much"}]}})
    assert e.value.key == "current_a"


def test_every_demo_is_measured_on_its_first_revision() -> None:
    for demo in DEMOS.values():
        one, evidence = demo_of(demo)
        assert one.report.plain() == report(demo.design(), evidence).plain()
        assert facts_of(evidence) == demo.facts()
        assert {e.judged.revision for e in evidence if e.judged} <= {1}


def test_facts_of_what_is_gone_break_nothing() -> None:
    data = wired(circuit())
    data["prove"] = {"readings": [{"circuit": "gone", "loop_mohm": 5.0, "current_a": 1.0}]}
    data["gas"] = {"checks": [{"id": "c", "value": 1.0, "appliance": "gone"}], "tests": [{"id": "t", "start_mbar": 150.0, "end_mbar": 150.0}]}
    data["water"] = {"tests": [{"id": "t", "start_kpa": 300.0, "end_kpa": 300.0}]}
    r = reported(data)
    assert r.plain()["gas"]["checks"]["c"]["ok"] is False

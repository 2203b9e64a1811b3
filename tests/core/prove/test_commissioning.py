"""Commissioning: the steps of a design, what opens and shuts them, who may record them, what is proved again."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.commissioning.guard import check_entries
from bothy.core.commissioning.stages import STAGES
from bothy.core.commissioning.worked import Commissioned, moved_marks
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Entry, Evidence, entries_between, facts_of
from bothy.core.recording import record
from bothy.core.report import Report, report
from bothy.demo.load import DEMOS, demo_of
from tests.designs import BANK, CHARGER, FRIDGE, INVERTER, LAMP, blank, circuit, made, wired

MAIN = {"id": "main", "name": "Main", "kind": "main", "length_m": 0.5, "area_mm2": 50.0, "fuse_a": 150.0, "fuse_family": "class_t"}


def van(**more: Any) -> Design:
    """A bank, its main, a fridge and a lamp; alarms and extinguisher follow from it."""
    data = wired(
        MAIN, circuit("fridge-c", appliances=["fridge"], area_mm2=6.0, fuse_a=7.5), circuit("lamp-c"), appliances=[FRIDGE, LAMP], power={"bank": BANK, **more}
    )
    return made(data)


class Bench:
    """A vehicle whose steps are recorded one after the other."""

    def __init__(self, design: Design) -> None:
        self.design, self.evidence = design, ()
        self.revision = 1

    evidence: tuple[Evidence, ...]

    @property
    def report(self) -> Report:
        return report(self.design, self.evidence)

    @property
    def it(self) -> Commissioned:
        return self.report.commissioned()

    def put(self, *entries: Entry, guarded: bool = True) -> None:
        self.evidence += record(self.design, self.evidence, entries, variant="v", revision=self.revision, guarded=guarded).new

    def step(self, id: str, **payload: Any) -> None:
        self.put(Entry("step", id, {"id": id, **payload}))

    def state(self, id: str) -> str:
        return next(s.state for s in self.it.part().steps if s.id == id)

    def findings(self) -> list[str]:
        return [f.rule for f in self.report.findings if f.rule.startswith("test-")]

    def do(self, *stages: str) -> None:
        """Everything of some stages, as it should be; the entries of a stage at once."""
        for stage in stages:
            readings: dict[str, dict[str, Any]] = {r.circuit: r.model_dump(mode="json") for r in facts_of(self.evidence).readings}
            touched: set[str] = set()
            entries: list[Entry] = []
            for s in [x for x in self.it.steps if x.stage == stage]:
                who = {"who": "Ada and Bo", **({"licence": "L-1"} if s.by == "licensed" else {})}
                if s.record in ("loop", "reading") and s.record_id != "shunt":
                    readings.setdefault(s.record_id, {"circuit": s.record_id})["loop_mohm" if s.record == "loop" else "current_a"] = s.expected
                    touched.add(s.record_id)
                elif s.record is None and s.kind == "look":
                    entries.append(Entry("step", s.id, {"id": s.id, "ok": True, **who}))
                elif s.record is None:
                    good = s.expected if s.expected is not None else 20 * s.low if s.low is not None else 0.3 * (s.high or 0.0)
                    entries.append(Entry("step", s.id, {"id": s.id, "value": good, **who}))
            self.put(*entries, *(Entry("reading", c, readings[c]) for c in readings if c in touched))


def test_steps_follow_from_what_is_there() -> None:
    bare = {s.stage for s in report(made(blank())).commissioned().steps}
    assert bare == {"s14", "s15", "s16"}
    full = {s.stage for s in report(van(inverter=INVERTER, shore=CHARGER)).commissioned().steps}
    assert full >= {"s0", "s1", "s2", "s3", "s4", "s5", "s6", "s7", "s13", "s14"}
    without = {s.stage for s in report(van()).commissioned().steps}
    assert not without & {"s2", "s6", "s7", "s10"}, "no mains and no gas: nothing licensed"


@pytest.mark.parametrize("demo", sorted(DEMOS))
def test_the_steps_of_a_demo_are_whole(demo: str) -> None:
    it = demo_of(DEMOS[demo])[0].report.commissioned()
    ids = [s.id for s in it.steps]
    assert len(set(ids)) == len(ids)
    assert all(len(i) <= 60 for i in ids), "evidence names a step in 60 signs"
    order = [s.id for s in STAGES]
    assert [s.stage for s in it.steps] == sorted((s.stage for s in it.steps), key=order.index)
    for s in it.steps:
        assert s.title and s.how
        assert s.low is None or s.high is None or s.low <= s.high
        assert s.expected is None or ((s.low is None or s.expected >= s.low) and (s.high is None or s.expected <= s.high)), s.id


def test_nothing_is_powered_before_the_dead_tests() -> None:
    b = Bench(van())
    assert {s.state for s in b.it.part().steps if s.stage in ("s1", "s3", "s4", "s5")} == {"locked"}
    with pytest.raises(BadInput, match="locked") as refused:
        b.step("s4-main", ok=True, who="Ada and Bo")
    assert refused.value.key == "steps"
    with pytest.raises(BadInput, match="measured under power"):
        b.put(Entry("reading", "fridge-c", {"circuit": "fridge-c", "current_a": 3.0}))
    b.put(Entry("reading", "fridge-c", {"circuit": "fridge-c", "loop_mohm": 40.0}))
    assert b.evidence, "a loop is measured dead, at any time"


def test_the_ladder_opens_rung_by_rung() -> None:
    b = Bench(van())
    for stage, after in (("s0", "s1"), ("s1", "s3"), ("s3", "s4"), ("s4", "s5")):
        assert {s.state for s in b.it.part().steps if s.stage == after} == {"locked"}, after
        b.do(stage)
        assert "locked" not in {s.state for s in b.it.part().steps if s.stage == after}, after
    b.do("s5")
    rung = {r.id: r for r in b.it.part().rungs}
    assert [rung[s].state for s in ("s0", "s1", "s3", "s4")] == ["done"] * 4
    assert b.state("s5-circuit:fridge-c") == "pass"
    assert b.findings() == []


def test_a_vehicle_in_use_is_measured_on_somebodys_word_but_not_its_mains() -> None:
    b = Bench(van(inverter=INVERTER, shore=CHARGER))
    for payload, key in (({"ok": True, "note": "lived in since 2019"}, "who"), ({"ok": True, "who": "Ada", "note": "yes"}, "note")):
        with pytest.raises(BadInput) as refused:
            b.step("in-service", **payload)
        assert refused.value.key == key
    b.step("in-service", ok=True, who="Ada", note="lived in since 2019")
    b.put(Entry("reading", "fridge-c", {"circuit": "fridge-c", "current_a": 3.9}))
    assert b.state("s5-circuit:fridge-c") == "pass"
    assert "test-order" not in b.findings()
    note = next(f for f in b.report.findings if f.rule == "test-in-service")
    assert (note.severity, "Ada" in note.message) == ("note", True)
    for id in ("s4-main", "s6-volts", "s7-polarity"):
        with pytest.raises(BadInput, match="locked"):
            b.step(id, ok=True, who="Ada", licence="L-1")
    b.put(Entry("step", "in-service", None))
    assert b.state("s5-circuit:fridge-c") == "locked", "its word is taken back"


def test_a_failed_dead_test_shuts_what_comes_after_and_is_a_danger() -> None:
    b = Bench(van())
    b.do("s0")
    b.step("s1-buses", value=3.0)
    assert b.state("s1-buses") == "fail"
    f = next(f for f in b.report.findings if f.rule == "test-short")
    assert f.severity == "danger"
    assert "3 Ω" in f.message and "at least 1000 Ω" in f.message
    b.do("s1")
    b.step("s1-buses", value=3.0)
    with pytest.raises(BadInput, match="Plus busbar to minus busbar"):
        b.step("s3-zero", value=0.0)


@pytest.mark.parametrize(("payload", "key"), [({"ok": True}, "who"), ({"ok": True, "who": "Ada"}, "licence"), ({"ok": True, "licence": "L-1"}, "who")])
def test_a_licensed_step_refuses_everybody_else(payload: dict[str, Any], key: str) -> None:
    b = Bench(van(inverter=INVERTER, shore=CHARGER))
    b.do("s0")
    with pytest.raises(BadInput, match="licensed") as refused:
        b.step("s2-look", **payload)
    assert refused.value.key == key
    b.step("s2-look", ok=True, who="Ada", licence="L-1")
    assert b.state("s2-look") == "pass"


@pytest.mark.parametrize(
    ("id", "payload", "key"),
    [
        ("s9-nowhere", {"ok": True}, "steps"),
        ("s0-bank", {"value": 3.0}, "value"),
        ("s1-loop:fridge-c", {"value": 3.0}, "steps"),
        ("s0-bank", {"ok": True, "simulated": True}, "simulated"),
        ("s0-bank", {"ok": True, "accepted": True}, "note"),
    ],
)
def test_what_proves_nothing_is_refused_by_name(id: str, payload: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as refused:
        Bench(van()).step(id, **payload)
    assert refused.value.key == key


def test_a_value_in_a_wrong_unit_is_refused() -> None:
    b = Bench(van())
    b.do("s0", "s1")
    with pytest.raises(BadInput, match="between") as refused:
        b.step("s3-zero", value=5e4)
    assert refused.value.key == "value"


def test_first_power_takes_two_names() -> None:
    b = Bench(van())
    b.do("s0", "s1", "s3")
    with pytest.raises(BadInput, match="two people"):
        b.step("s4-main", ok=True)


def test_what_comes_in_from_elsewhere_out_of_order_is_a_danger_and_proves_nothing() -> None:
    b = Bench(van())
    b.put(Entry("reading", "fridge-c", {"circuit": "fridge-c", "current_a": 3.9}), guarded=False)
    assert b.state("s5-circuit:fridge-c") == "locked"
    found = [f for f in b.report.findings if f.rule == "test-order"]
    assert [f.severity for f in found] == ["danger"]
    assert "fridge-c" in found[0].message or "Fridge" in found[0].message or "amps and volts" in found[0].message
    b.do("s0", "s1", "s3", "s4")
    assert b.state("s5-circuit:fridge-c") == "pass"
    assert "test-order" not in b.findings()


def test_a_step_is_proved_again_once_what_it_proved_has_changed() -> None:
    b = Bench(van())
    b.do("s0", "s1", "s3", "s4", "s5")
    n = next(i for i, c in enumerate(b.design.wiring.circuits) if c.id == "fridge-c")
    b.design = apply_patch(b.design, [{"op": "replace", "path": f"/wiring/circuits/{n}/fuse_a", "value": 10.0}])
    b.revision = 2
    part = next(s for s in b.it.part().steps if s.id == "s0-circuit:fridge-c")
    assert part.state == "again"
    assert "fuse 7.5 A then, 10 A now" in part.why
    assert b.state("s0-circuit:lamp-c") == "pass", "no other circuit"
    assert "test-again" in b.findings()
    b.step("s0-circuit:fridge-c", ok=True)
    assert b.state("s0-circuit:fridge-c") == "pass"


@pytest.mark.parametrize(
    ("then", "now", "moved"),
    [
        ({"length_m": 5.0}, {"length_m": 5.05}, False),
        ({"length_m": 5.0}, {"length_m": 5.5}, True),
        ({"fuse_a": 10.0}, {"fuse_a": 15.0}, True),
        ({"low": 1.0, "fuse_a": 10.0}, {"low": 2.0, "fuse_a": 15.0}, True),
        ({"fuse_a": 10.0}, {}, True),
        ({}, {"fuse_a": 15.0}, False),
    ],
)
def test_small_moves_void_nothing(then: dict[str, float], now: dict[str, float], moved: bool) -> None:
    assert bool(moved_marks(then, now)) is moved
    if len(then) > 1:
        assert moved_marks(then, now) == ["fuse 10 A then, 15 A now"], "limits follow from it and aren't said"


def test_a_repair_is_proved_again_from_the_earliest_stage_it_touched() -> None:
    b = Bench(van())
    b.do("s0", "s1", "s3", "s4", "s5")
    b.put(Entry("repair", "r1", {"id": "r1", "subject": "fridge-c", "cause": "minus-joint", "name": "a bad crimp in the minus", "stage": "s1"}))
    assert (b.state("s0-circuit:fridge-c"), b.state("s1-apart:fridge-c")) == ("pass", "again")
    assert b.state("s1-loop:fridge-c") == "again"
    assert b.state("s1-apart:lamp-c") == "pass"
    b.do("s1", "s5")
    assert {s.state for s in b.it.part().steps if s.subject == "fridge-c" and s.stage in ("s0", "s1", "s5")} == {"pass"}


def test_a_circuit_that_comes_later_doesnt_shut_the_others() -> None:
    b = Bench(van())
    b.do("s0", "s1", "s3", "s4", "s5")
    b.design = apply_patch(b.design, [{"op": "add", "path": "/wiring/circuits/-", "value": circuit("late", name="Late")}])
    assert b.state("s5-circuit:fridge-c") == "pass"
    assert b.state("s0-circuit:late") == "open"
    assert b.state("s5-circuit:late") == "locked"
    assert "test-order" not in b.findings()


def test_the_shunt_is_told_by_two_circuits() -> None:
    b = Bench(van())
    b.do("s0", "s1", "s3", "s4")
    for c, amps, seen in (("fridge-c", 3.9, 0.0), ("lamp-c", 0.95, 0.95)):
        old = next(r.model_dump(mode="json") for r in facts_of(b.evidence).readings if r.circuit == c)
        b.put(Entry("reading", c, {**old, "current_a": amps, "shunt_a": seen}))
    f = next(f for f in b.report.findings if f.rule == "test-negative-bypass")
    assert f.related == ["fridge-c"]
    assert b.state("s5-shunt") == "fail"


def test_a_meter_that_isnt_made_for_mains_is_a_danger() -> None:
    b = Bench(van(inverter=INVERTER, shore=CHARGER))
    b.do("s0")
    b.step("s2-insulation", value=40.0, who="Ada", licence="L-1", meter_cat_v=300.0)
    assert "test-meter-category" in b.findings()


def test_a_marginal_value_is_told_and_can_be_taken_with_a_note() -> None:
    b = Bench(van())
    b.do("s0", "s1", "s3")
    b.do("s4")
    idle = next(s for s in b.it.steps if s.id == "s4-idle")
    assert idle.high is not None
    b.step("s4-idle", value=idle.high, who="Ada and Bo")
    assert b.state("s4-idle") == "marginal"
    assert {"test-marginal"} <= set(b.findings())
    b.step("s4-idle", value=idle.high, who="Ada and Bo", accepted=True, note="the monitor’s own lamp")
    assert "test-marginal" not in b.findings()
    assert b.it.by_id["s4-idle"].passed


def test_a_strike_is_never_refused() -> None:
    b = Bench(van())
    check_entries(b.it, Facts(), [Entry("step", "s4-main", None), Entry("reading", "fridge-c", None)])


@pytest.mark.parametrize("demo", ["curlew", "fiddlehead", "saltbush"])
def test_the_demos_stand_where_they_should(demo: str) -> None:
    one, _ = demo_of(DEMOS[demo])
    p = one.report.commissioned().part()
    rung = {r.id: r.state for r in p.rungs}
    if demo == "curlew":
        assert [rung[f"s{n}"] for n in range(9)] == ["done"] * 5 + ["failed"] + ["done"] * 3
        assert p.next == "s5-circuit:water-pump-10-l-min"
    elif demo == "fiddlehead":
        assert (p.passed, p.next) == (p.total, None)
    else:
        assert (rung["s0"], rung["s1"], rung["s3"]) == ("done", "open", "locked")


def test_old_facts_come_through_unchanged() -> None:
    b = Bench(van())
    b.do("s0")
    facts = facts_of(b.evidence)
    assert facts_of(b.evidence) == Facts.model_validate(facts.model_dump(mode="json"))
    assert entries_between(facts, facts) == []

"""Practice: a fault hidden by a seed in wires or pipes; what is measured, what it costs, what was unsafe, and the score."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.faults.flow import Piece, joined, solved
from bothy.core.faults.pipe_plants import BUILT_PIPES, alone, faults_of, in_order, pruned
from bothy.core.faults.pipe_rig import PipeRig
from bothy.core.faults.play import kinds_of, play, rig_of, rigs
from bothy.core.faults.practice import Guess, RigAct, RigAsk, best_path, score
from bothy.core.faults.rig import BUILT, kind_of
from tests.core.prove.test_finder import source


def ask(rig: str = "lamp", seed: int = 7, *acts: RigAct, guess: Guess | None = None) -> Any:
    return play(source(), RigAsk(rig=rig, seed=seed, acts=list(acts), guess=guess))


def volts(a: str, b: str) -> RigAct:
    return RigAct(act="volts", a=a, b=b)


@pytest.mark.parametrize("rig", sorted(BUILT))
@pytest.mark.parametrize("seed", range(0, 400, 57))
def test_a_seed_hides_the_same_fault_every_time_and_it_can_be_felt(rig: str, seed: int) -> None:
    one, again = rig_of(source(), rig, seed), rig_of(source(), rig, seed)
    assert one.hidden == again.hidden
    assert ask(rig, seed, volts("load-plus", "load-minus")) == ask(rig, seed, volts("load-plus", "load-minus"))
    truth = one.hidden
    right = ask(rig, seed, guess=Guess(element=truth.element, fault=kind_of(truth.id)))
    assert right.score is not None
    assert right.score.right == 1
    assert right.score.truth == truth.name
    path = best_path(one)
    assert path and sum(x.minutes for x in path) == right.score.best_minutes


def test_all_faults_come_up_in_time() -> None:
    seen = {rig_of(source(), "pump", n).hidden.element for n in range(300)}
    assert seen >= {"fuse", "switch", "plus", "minus", "load"}


def test_the_score_is_right_quick_and_safe() -> None:
    assert score(1, 10, 10, 0) == pytest.approx(100)
    assert score(1, 20, 10, 0) == pytest.approx(85)
    assert score(1, 10, 10, 1) == pytest.approx(90)
    assert score(0.5, 10, 10, 0) == pytest.approx(50)
    assert score(0, 1, 10, 0) == 0


def test_unsafe_acts_are_counted_and_explained() -> None:
    seed = next(n for n in range(200) if rig_of(source(), "pump", n).hidden.id.startswith("minus-joint-0.5"))
    r = ask("pump", seed, RigAct(act="ohms", a="load-plus", b="load-minus"), RigAct(act="lug"))
    assert r.unsafe == 2
    assert "Ohms on a live circuit" in r.acts[0].unsafe
    assert "under load" in r.acts[1].unsafe
    safe = ask("pump", seed, RigAct(act="switch"), RigAct(act="lug"), RigAct(act="ohms", a="load-plus", b="load-minus"))
    assert safe.unsafe == 0
    assert safe.shut == ["switch", "bank"]
    assert "Ω" in safe.acts[2].said


def test_a_blown_fuse_stays_blown() -> None:
    seed = next(n for n in range(2000) if rig_of(source(), "pump", n).hidden.id == "short")
    r = ask("pump", seed, volts("load-plus", "load-minus"), RigAct(act="fuse"), RigAct(act="fuse"), volts("fuse-out", "bus-minus"))
    assert "blown" in r.acts[1].said
    assert abs(float(r.acts[3].said.split()[0])) < 0.1


def test_minutes_add_up_and_a_rig_that_isnt_there_is_named() -> None:
    r = ask("lamp", 1, volts("fuse-out", "bus-minus"), RigAct(act="amps"), RigAct(act="fuse"), RigAct(act="swap"), RigAct(act="hint"))
    assert r.minutes == 2 + 2 + 1 + 8 + 5
    for bad, key in (
        (RigAsk(rig="own:nowhere", seed=1), "rig"),
        (RigAsk(rig="spaceship", seed=1), "rig"),
        (RigAsk(rig="lamp", seed=1, acts=[volts("moon", "bus-minus")]), "a"),
        (RigAsk(rig="lamp", seed=1, guess=Guess(element="shunt", fault="tired")), "fault"),
    ):
        with pytest.raises(BadInput) as refused:
            play(source(), bad)
        assert refused.value.key == key


def test_ones_own_circuits_are_rigs_too() -> None:
    keys = [r.key for r in rigs(source())]
    assert set(BUILT) < set(keys)
    own = next(k for k in keys if k.startswith("own:"))
    assert ask(own, 3).title == next(r.title for r in rigs(source()) if r.key == own)


def test_an_ammeter_across_a_source_and_a_bridged_fuse_are_unsafe() -> None:
    seed = next(n for n in range(400) if rig_of(source(), "lamp", n).hidden.id == "fuse-open")
    r = ask("lamp", seed, RigAct(act="between", a="bank-plus", b="bank-minus"), RigAct(act="bridge"), RigAct(act="between", a="bus-plus", b="fuse-out"))
    assert "piece of wire" in r.acts[0].unsafe and r.acts[0].said == "its fuse blew"
    assert "protects nothing" in r.acts[1].unsafe and r.acts[1].said == "the reading lamp runs"
    assert r.acts[2].unsafe == "" and r.acts[2].said.endswith(" A"), "in place of the open fuse it carries the lamp alone"
    assert float(r.acts[2].said.split()[0]) == pytest.approx(12 / 12.8, abs=0.1)


# --- pipes


def test_a_tree_of_pipes_by_hand() -> None:
    """One pipe, one tap: 100 − 2·q = (3 + 1)·q², so q = (−2 + √(4 + 1600)) / 8 = 4.756."""
    one = [Piece("p", "p", "pipe", None, 3), Piece("t", "t", "tap", "p", 1)]
    q = (-2 + math.sqrt(4 + 1600)) / 8
    made = solved(one, 100, 2, set(), {})
    assert made.flow["t"] == pytest.approx(q)
    assert made.pressure["p"] == pytest.approx(q**2)
    assert solved(one, 100, 2, {"t"}, {}).pressure["p"] == 100, "nothing flows, nothing is lost"
    assert solved(one, 100, 2, {"p"}, {}).flow["t"] == 0
    assert solved(one, 0, 2, set(), {}).flow["t"] == 0


@given(
    ks=st.lists(st.floats(0.01, 20), min_size=5, max_size=5),
    sag=st.floats(0, 20),
    shut=st.sets(st.sampled_from(["a", "b", "x", "y"])),
    more=st.floats(0, 50),
)
def test_what_flows_in_flows_out_and_narrower_never_gives_more(ks: list[float], sag: float, shut: set[str], more: float) -> None:
    tree = [
        Piece("m", "m", "pipe", None, ks[0]),
        Piece("a", "a", "pipe", "m", ks[1]),
        Piece("x", "x", "tap", "a", ks[2]),
        Piece("b", "b", "pipe", "m", ks[3]),
        Piece("y", "y", "tap", "b", ks[4]),
    ]
    f = solved(tree, 250, sag, shut, {})
    assert f.flow["m"] == pytest.approx(f.flow["a"] + f.flow["b"], abs=1e-9)
    assert f.flow["a"] == pytest.approx(f.flow["x"], abs=1e-9)
    assert f.pressure["m"] == pytest.approx(250 - sag * f.flow["m"] - ks[0] * f.flow["m"] ** 2, abs=1e-6)
    worse = solved(tree, 250, sag, shut, {"m": more})
    assert worse.flow["m"] <= f.flow["m"] + 1e-9
    ill = solved(tree, 250, sag, shut, {"a": more})
    assert ill.flow["x"] <= f.flow["x"] + 1e-9
    assert ill.flow["y"] >= f.flow["y"] - 1e-9, "what one doesn’t take the other gets"


def test_a_shut_valve_parts_the_pipes() -> None:
    pieces = BUILT_PIPES["galley-shower"].pieces
    taps = {"sink", "shower"}
    assert joined(pieces, "pump", taps) == {"", "strainer", "pump", "main", "galley", "wash"}
    assert joined(pieces, "pump", taps | {"main"}) == {"", "strainer", "pump"}
    assert joined(pieces, "wash", taps | {"wash"}) == {"wash"}


def hides(rig: str, id: str) -> int:
    """A seed that hides a fault."""
    return next(n for n in range(5000) if rig_of(source(), rig, n).hidden.id == id)


def part(act: Any, a: str = "") -> RigAct:
    return RigAct(act=act, a=a)


@pytest.mark.parametrize("rig", [*sorted(BUILT_PIPES), "own-water", "own-gas"])
def test_every_fault_of_the_pipes_is_found_by_the_best_policy(rig: str) -> None:
    one = rig_of(source(), rig, 1)
    assert isinstance(one, PipeRig)
    ills = faults_of(one.plant)
    assert len({x.hypothesis.id for x in ills}) == len(ills)
    for ill in ills:
        made = PipeRig(one.plant, ills, ill, 1)
        path = best_path(made)
        assert path or len(made.suspects()) == 1, ill.hypothesis.id
        gone = {name for x in path for name in x.out}
        assert ill.hypothesis.name not in gone, "the truth is never ruled out"


def test_a_branch_or_what_all_share_is_told_by_two_gauges() -> None:
    seed = hides("galley-shower", "narrow:galley")
    r = ask("galley-shower", seed, part("gauge", "pump"), part("outlet", "sink"), part("measure", "sink"), part("gauge", "galley"), part("gauge", "wash"))
    assert r.medium == "water"
    assert r.complaint == "“Sink tap: little water comes.”"
    rest, _, flow, here, there = (x.said for x in r.acts)
    assert float(rest.split()[0]) == pytest.approx(280, rel=0.05)
    whole = solved(BUILT_PIPES["galley-shower"].pieces, 280, 12, {"shower"}, {}).flow["sink"]
    assert float(flow.split()[0]) == pytest.approx(0.4 * whole, rel=0.15)
    assert float(here.split()[0]) < 0.25 * float(there.split()[0]), "low behind the kink, high beside it"
    assert r.minutes == 2 + 0.5 + 2 + 2 + 2
    assert r.shut == ["shower"]


@pytest.mark.parametrize(("id", "before", "behind"), [("leak:galley", "stands", "fell"), ("leak:main", "fell", "stands"), ("leak:wash", "fell", "stands")])
def test_a_valve_tells_on_which_side_it_leaks(id: str, before: str, behind: str) -> None:
    r = ask("galley-shower", hides("galley-shower", id), part("hold", "pump"), part("valve", "galley"), part("hold", "pump"), part("hold", "galley"))
    whole, _, front, back = (x.said.split()[0] for x in r.acts)
    assert (whole, front, back) == ("fell", before, behind)
    assert r.complaint.startswith("“The pump starts now and then")


def test_a_check_valve_lets_back_what_a_valve_holds() -> None:
    r = ask("galley-shower", hides("galley-shower", "check"), part("hold", "pump"), part("valve", "main"), part("hold", "pump"), part("hold", "galley"))
    assert [x.said.split()[0] for x in r.acts] == ["fell", "open" if "main" not in r.shut else "shut", "fell", "stands"]
    open_tap = ask("galley-shower", 1, part("outlet", "sink"), part("hold", "pump"))
    assert "an outlet is open" in open_tap.acts[1].said


def test_looks_show_what_is_wrong_and_only_that() -> None:
    for id, act, a, bad, good in (
        ("leak:wash", "joints", "wash", "wet", "dry"),
        ("sieve:shower", "sieve", "shower", "blocked", "clean"),
        ("blocked", "bowl", "", "full of dirt", "clean"),
    ):
        off = part("supply")
        assert ask("galley-shower", hides("galley-shower", id), off, part(act, a)).acts[1].said == bad
        assert ask("galley-shower", hides("galley-shower", "weak"), off, part(act, a)).acts[1].said == good
    spits = ask("galley-shower", hides("galley-shower", "air"), part("measure", "shower"))
    assert spits.acts[0].said.endswith("it spits")


def test_pressure_is_let_off_before_anything_is_opened() -> None:
    wet = ask("galley-shower", 1, part("bowl"), part("sieve", "sink"))
    assert wet.unsafe == 2
    dry = ask("galley-shower", 1, part("supply"), part("bowl"), part("sieve", "sink"))
    assert dry.unsafe == 0
    shut = ask("galley-shower", 1, part("valve", "galley"), part("sieve", "sink"))
    assert shut.unsafe == 0, "its valve keeps the water off"


def test_gas_that_is_smelt_starts_shut_and_no_flame_is_lit() -> None:
    seed = hides("hob-heater", "leak:cook")
    r = ask("hob-heater", seed, part("joints", "cook"), part("supply"), part("joints", "cook"), part("joints", "warm"), part("lighter"))
    assert "smell of gas" in r.complaint and "shut the bottle" in r.caution
    assert [x.said for x in r.acts[:4]] == ["no bubbles: there is no pressure on it", "open", "bubbles", "no bubbles"]
    assert "Never a flame" in r.acts[4].unsafe and r.unsafe == 1
    lit = ask("hob-heater", seed, part("supply"), part("outlet", "hob"))
    assert "while gas leaks" in lit.acts[1].unsafe
    sound = ask("hob-heater", hides("hob-heater", "worn"), part("outlet", "hob"), part("measure", "hob"))
    assert sound.unsafe == 0


def test_bottle_valve_and_regulator_are_told_apart() -> None:
    for id, heavy, again in (
        ("empty", "its tare and 0.2 kg", "as before"),
        ("tripped", "half full", "all flames are good again"),
        ("worn", "half full", "as before"),
    ):
        r = ask(
            "hob-heater", hides("hob-heater", id), part("outlet", "heater"), part("measure", "heater"), part("gauge", "regulator"), part("weigh"), part("reset")
        )
        assert "small flame" in r.acts[1].said
        assert float(r.acts[2].said.split()[0]) < 20, "low behind the regulator"
        assert (r.acts[3].said, r.acts[4].said) == (heavy, again)


def test_the_right_fault_at_the_right_place_counts() -> None:
    seed = hides("bus-water", "narrow:rear")
    full = ask("bus-water", seed, part("gauge", "pump"), guess=Guess(element="rear", fault="narrow"))
    half = ask("bus-water", seed, guess=Guess(element="rear", fault="leak"))
    none = ask("bus-water", seed, guess=Guess(element="front", fault="narrow"))
    assert (full.score.right, half.score.right, none.score.right) == (1, 0.5, 0)
    assert full.score.truth.startswith("pipe to the rear")
    assert full.score.path and full.score.best_minutes == sum(x.minutes for x in full.score.path)


def test_a_hint_shows_the_next_step_of_the_best_policy_each_time() -> None:
    seed = hides("hob-heater", "worn")
    r = ask("hob-heater", seed, part("hint"), part("hint"), part("hint"), part("hint"), part("hint"))
    path = best_path(rig_of(source(), "hob-heater", seed))
    assert [x.said for x in r.acts[: len(path)]] == [f"Measure: {x.title}" for x in path]
    assert r.acts[-1].said == "Nothing tells more."
    assert r.minutes == 25


def test_what_pipes_dont_have_is_named() -> None:
    for act, key in (
        (part("weigh"), "act"),
        (part("volts"), "act"),
        (part("gauge", "sink"), "a"),
        (part("valve", "shower"), "a"),
        (part("joints", "moon"), "a"),
    ):
        with pytest.raises(BadInput) as refused:
            ask("galley-shower", 1, act)
        assert refused.value.key == key
    with pytest.raises(BadInput):
        ask("lamp", 1, part("gauge", "pump"))


def test_ones_own_pipes_are_rigs_with_their_own_losses() -> None:
    src = source()
    keys = [r.key for r in rigs(src)]
    assert set(BUILT_PIPES) < set(keys) and {"own-water", "own-gas"} < set(keys)
    water = rig_of(src, "own-water", 1)
    assert isinstance(water, PipeRig)
    taps = {r.name for r in src.ctx.design.water.runs if r.outlet not in ("none", "heater")}
    assert {o.name for o in water.plant.outlets} == taps
    assert {k.element_name for k in kinds_of(water)} > {o.name for o in water.plant.outlets}
    for o in water.plant.outlets:
        alone_ = solved(water.plant.pieces, water.plant.rest, water.plant.sag, alone(water.plant, o.id), {})
        assert 0.3 < alone_.flow[o.id] < 20
    gas = rig_of(src, "own-gas", 1)
    assert isinstance(gas, PipeRig)
    whole = solved(gas.plant.pieces, gas.plant.rest, gas.plant.sag, set(), {})
    pipes = src.gas.pipes
    assert pipes is not None
    for p in src.ctx.design.gas.pipes:
        if p.appliance:
            assert whole.flow[p.id] == pytest.approx(pipes.runs[p.id].flow_kg_h * 1000, rel=0.1), "at the pressure it is made for it burns what its plate says"


def test_a_vehicle_with_many_taps_is_a_rig_of_eight() -> None:
    """What is left are the first taps with their pipes, and nothing that leads nowhere."""
    pieces = [Piece("pump", "pump", "pump", None, 0.0), Piece("main", "main", "pipe", "pump", 0.1)]
    for i in range(40):
        pieces += [Piece(f"run-{i}", f"pipe {i}", "pipe", "main", 0.2), Piece(f"tap-{i}", f"tap {i}", "tap", f"run-{i}", 2.0)]
    left = pruned(in_order(pieces))
    assert [x.id for x in left if x.kind == "tap"] == [f"tap-{i}" for i in range(8)]
    assert {x.id for x in left} == {"pump", "main", *(f"run-{i}" for i in range(8)), *(f"tap-{i}" for i in range(8))}
    assert in_order([Piece("x", "x", "pipe", "nowhere", 1.0)]) == []

"""A report made from the last one is the very report that is made anew, whatever was changed, and leaves the last one as it was."""

from __future__ import annotations

import copy
import json
import random
from collections.abc import Iterator
from typing import Any

import orjson
import pytest

from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.figure import given
from bothy.core.report import Report, report
from bothy.core.reuse import Parts
from bothy.core.sent import Sent, change, sent
from bothy.core.sound import Sound
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.demo.load import demo_of


def written(r: Report) -> bytes:
    """All of a report with all workings, in the order in which it holds them."""
    return orjson.dumps(r.whole())


def leaves(data: Any, path: str = "") -> Iterator[tuple[str, Any]]:
    if isinstance(data, dict | list):
        for key, value in data.items() if isinstance(data, dict) else enumerate(data):
            yield from leaves(value, f"{path}/{key}")
    else:
        yield path, data


def moved(value: Any, rnd: random.Random) -> Any:
    if isinstance(value, bool):
        return not value
    if isinstance(value, int):
        return value + rnd.choice([1, -1, 2])
    if isinstance(value, float):
        return round(value * rnd.choice([0.5, 0.9, 1.1, 2.0]), 4)
    return f"{value}x"


def whole(out: Sent) -> dict[str, Any]:
    """All that is sent of a design and its report."""
    return {"design": json.loads(out.text()), **{k: json.loads(v) for k, v in out.sections.items()}, "figures": out.figures}


def shown(before: Sent, changed: dict[str, Any]) -> dict[str, Any]:
    """The report that a reader has who had the one before and is sent what changed."""
    sent_now = orjson.loads(orjson.dumps(changed))
    figures = {k: v for k, v in before.figures.items() if k not in sent_now["gone"]} | sent_now["figures"]
    return {**{k: json.loads(v) for k, v in before.sections.items()}, **sent_now["sections"], "figures": figures}


@pytest.mark.parametrize(("demo", "seed"), [(curlew, 1), (curlew, 2), (fiddlehead, 3), (fiddlehead, 4), (saltbush, 5), (saltbush, 6)])
def test_a_walk_of_edits_gives_the_reports_that_are_made_anew(demo: Any, seed: int) -> None:
    rnd = random.Random(seed)
    (design, _), evidence = demo_of(demo)
    last = report(design, evidence)
    out = sent(Sound(design, last))
    made = taken = 0
    while made < 12:
        path, value = rnd.choice(list(leaves(design.model_dump(mode="json"))))
        edit = [{"op": "replace", "path": path, "value": moved(value, rnd)}]
        try:
            after = apply_patch(design, edit)
            anew = report(after, evidence)
        except (BadInput, ArithmeticError, ValueError):
            continue
        plain = orjson.dumps(last.plain())
        then = report(after, evidence, last)
        assert written(then) == written(anew), edit
        written_last = out
        out = sent(Sound(after, then), written_last)
        assert whole(out) == {"design": after.model_dump(mode="json"), **anew.plain()}, edit
        assert shown(written_last, change(written_last, out)) == anew.plain(), edit
        assert orjson.dumps(last.plain()) == plain, f"the report before {edit} was changed"
        made += 1
        assert then._parts is not None
        taken += len(then._parts.reused)
        design, last = after, then
    assert taken > 12 * 4  # most of the parts of most edits


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_an_edit_on_what_it_touches_alone_is_the_edit_on_the_whole(demo: Any) -> None:
    rnd, design = random.Random(9), demo.design()
    data = design.model_dump(mode="json")
    for path, value in rnd.sample(list(leaves(data)), 60):
        edit = [{"op": "replace", "path": path, "value": moved(value, rnd)}]
        whole = json.loads(json.dumps(data))
        at = whole
        *way, last = path.split("/")[1:]
        for step in way:
            at = at[int(step) if isinstance(at, list) else step]
        at[int(last) if isinstance(at, list) else last] = edit[0]["value"]
        try:
            after = apply_patch(design, edit, by_proposal=True)
        except BadInput as exc:
            with pytest.raises(BadInput) as other:
                load_design(whole)
            assert other.value.key == exc.key, path
            continue
        assert after == load_design(whole), path
        assert after.model_dump_json() == load_design(whole).model_dump_json()


def test_what_is_not_touched_is_shared() -> None:
    design = curlew.design()
    after = apply_patch(design, [{"op": "replace", "path": "/wiring/circuits/3/length_m", "value": 4.25}])
    assert after.life is design.life
    assert all(a is b for a, b in zip(after.wiring.boards, design.wiring.boards, strict=True))
    assert [a is b for a, b in zip(after.wiring.circuits, design.wiring.circuits, strict=True)].count(False) == 1
    shorter = apply_patch(design, [{"op": "remove", "path": "/wiring/circuits/3"}])
    assert shorter.wiring.circuits[3] is design.wiring.circuits[4]
    longer = apply_patch(design, [{"op": "add", "path": "/wiring/circuits/0", "value": {**design.wiring.circuits[3].model_dump(mode="json"), "id": "again"}}])
    assert longer.wiring.circuits[4] is design.wiring.circuits[3]


@pytest.mark.parametrize(
    ("path", "value", "anew", "kept"),
    [
        ("/water/tanks/0/name", "Main tank", {"water"}, {"wired", "warmth", "gas", "prove", "supply"}),
        ("/life/people", 3, {"warmth", "water", "warmth/air"}, {"wired", "prove", "supply", "warmth/shell", "warmth/heat"}),
        ("/vehicle/payload_kg", 900, set(), {"wired", "warmth", "water", "gas", "prove"}),
    ],
)
def test_an_edit_makes_anew_what_reads_it(path: str, value: Any, anew: set[str], kept: set[str]) -> None:
    design = curlew.design()
    first = report(design)
    then = report(apply_patch(design, [{"op": "replace", "path": path, "value": value}]), before=first)
    assert first._parts is not None
    assert then._parts is not None
    assert anew <= set(first._parts.kept) - set(then._parts.reused)
    # what lies within a part that is taken again is not even asked for
    assert kept <= {*then._parts.reused, *(n for n in then._parts.kept if n.partition("/")[0] in then._parts.reused)}


def test_an_unchanged_design_takes_all_again() -> None:
    first = report(curlew.design())
    again = report(curlew.design(), before=first)
    assert first._parts is not None
    assert again._parts is not None
    assert {n for n in first._parts.kept if "/" not in n} == set(again._parts.reused)
    assert written(again) == written(first)


def test_a_part_is_made_again_when_what_it_was_given_or_looked_at_differs() -> None:
    made: list[float] = []

    def work(ctx: Context, more: dict[str, float]) -> float:
        made.append(ctx.people)
        ctx.book.put("mains/limit_a", given("people_count", ctx.people))
        return ctx.people + more["x"]

    def parts(people: int, more: float, before: Parts | None) -> tuple[Parts, float]:
        ctx = Context(load_design({"schema_version": 1, "life": {"people": people}}))
        here = Parts(ctx, before)
        result = here.make("p", work, {"x": more})
        assert ctx.book.figures["mains/limit_a"].value == people
        return here, result

    one, first = parts(2, 1.0, None)
    two, second = parts(2, 1.0, one)
    three, third = parts(3, 1.0, two)
    _, fourth = parts(3, 5.0, three)
    assert (first, second, third, fourth) == (3, 3, 4, 8)
    assert made == [2, 3, 3]


def test_a_part_that_comes_out_the_same_is_the_very_same_and_what_follows_from_it_is_taken_again() -> None:
    counted: list[int] = []

    def least(ctx: Context) -> tuple[int, ...]:
        return tuple(range(min(3, int(ctx.people))))

    def follows(_: Context, of: tuple[int, ...]) -> int:
        counted.append(len(of))
        return len(of)

    def whole(ctx: Context) -> tuple[tuple[int, ...], int]:
        stays = ctx.still("whole/least", least)
        return stays, ctx.part("whole/follows", follows, stays)

    def parts(people: int, before: Parts | None) -> tuple[Parts, tuple[tuple[int, ...], int]]:
        here = Parts(Context(load_design({"schema_version": 1, "life": {"people": people}})), before)
        return here, here.make("whole", whole)

    one, first = parts(4, None)
    two, second = parts(5, one)
    three, third = parts(2, two)
    assert second == first
    assert second[0] is first[0]
    assert third == ((0, 1), 2)
    assert counted == [3, 2]
    assert parts(6, three)[1][1] == 3


def test_a_part_that_can_be_taken_only_once_is_refused() -> None:
    with pytest.raises(TypeError, match="only once"):
        Parts(Context(curlew.design())).make("p", lambda ctx: (a.name for a in ctx.design.life.appliances))


def test_a_length_that_is_typed_moves_nothing() -> None:
    design = curlew.design()
    first = report(design)
    then = report(apply_patch(design, [{"op": "replace", "path": "/wiring/circuits/3/length_m", "value": 4.25}]), before=first)
    assert then.fit.things is first.fit.things
    assert then.sides is first.sides
    assert then.fit.routes != first.fit.routes  # the typed length stands beside that of the way


def test_a_design_cannot_be_compared_as_a_whole_while_a_report_is_made() -> None:
    def work(ctx: Context) -> bool:
        return ctx.design.water == curlew.design().water

    with pytest.raises(TypeError, match="field by field"):
        Parts(Context(curlew.design())).make("p", work)


def made_anew(first: Report, then: Report) -> set[str]:
    """Parts of the second report that are not those of the first."""
    assert first._parts is not None
    assert then._parts is not None
    return {name for name, part in then._parts.kept.items() if first._parts.kept.get(name) is not part}


def a_load(design: Design) -> int:
    """Place of a circuit with an appliance on it, whose length nothing else reads."""
    return next(i for i, c in enumerate(design.wiring.circuits) if c.kind == "load" and c.appliances and c.sized)


def test_of_the_circuits_that_is_worked_out_again_that_was_touched() -> None:
    design = curlew.design()
    first = report(design)
    at = a_load(design)
    then = report(apply_patch(design, [{"op": "replace", "path": f"/wiring/circuits/{at}/length_m", "value": 4.25}]), before=first)
    anew = made_anew(first, then)
    assert {n for n in anew if n.startswith("wired/circuit/")} == {f"wired/circuit/{design.wiring.circuits[at].id}"}
    assert {n for n in anew if n.startswith("prove/")} == {f"prove/{design.wiring.circuits[at].id}"}
    assert not {"supply", "power", "feeds", "wired/boards"} & anew, "no source is wired by a load's circuit"


def test_a_circuit_of_the_inverter_is_read_by_the_supply() -> None:
    design = curlew.design()
    first = report(design)
    at = next(i for i, c in enumerate(design.wiring.circuits) if c.kind == "inverter")
    then = report(apply_patch(design, [{"op": "replace", "path": f"/wiring/circuits/{at}/fuse_a", "value": 150.0}]), before=first)
    assert {"supply", "power"} <= made_anew(first, then)


def test_what_hangs_on_a_circuit_is_read_by_it_and_by_its_board() -> None:
    design = curlew.design()
    first = report(design)
    circuit = design.wiring.circuits[a_load(design)]
    of = next(i for i, a in enumerate(design.life.appliances) if a.id == circuit.appliances[0])
    then = report(apply_patch(design, [{"op": "replace", "path": f"/life/appliances/{of}/count", "value": 3}]), before=first)
    anew = made_anew(first, then)
    assert {"wired/boards", f"wired/circuit/{circuit.id}"} <= anew
    other = next(c for c in design.wiring.circuits if c.kind == "load" and c.sized and circuit.appliances[0] not in c.appliances)
    assert f"wired/circuit/{other.id}" not in anew


def test_the_last_report_keeps_its_circuits_when_they_are_taken_again() -> None:
    design = curlew.design()
    first = report(design)
    before = copy.deepcopy(first.wiring.circuits)
    for length in (2.0, 9.0):
        report(apply_patch(design, [{"op": "replace", "path": f"/wiring/circuits/{a_load(design)}/length_m", "value": length}]), before=first)
        assert first.wiring.circuits == before


def test_circuits_of_some_kinds_come_in_their_order() -> None:
    design = curlew.design()
    kinds = ("solar", "driving", "shore")
    assert [c.id for c in design.circuits_of(*kinds)] == [c.id for c in design.wiring.circuits if c.kind in kinds]
    assert design.circuits_of("no such kind") == []


def test_sections_that_nothing_touched_are_the_very_same_json() -> None:
    (design, first), evidence = demo_of(curlew)
    before = sent(Sound(design, first))
    after = apply_patch(design, [{"op": "replace", "path": "/vehicle/description", "value": "another"}])
    now = sent(Sound(after, report(after, evidence, first)), before)
    same = {k for k, v in now.sections.items() if v is before.sections[k]}
    assert {"wiring", "prove", "warmth", "water", "gas", "fit", "roof", "sides", "power", "life"} <= same
    assert [k for k, v in now.document.items() if v != before.document[k]] == ["vehicle"]
    assert set(change(before, now)["sections"]) <= {"stages"}
    assert change(before, now)["figures"] == {}
    assert {k.partition("/")[0] for k, v in now.figures.items() if v is not before.figures[k]} <= {"vehicle"}


def test_figures_of_a_finding_are_sought_again_where_a_figure_of_its_subject_changed() -> None:
    design = curlew.design()
    first = report(design)
    at = next(i for i, c in enumerate(design.wiring.circuits) if any(f.subject == c.id and f.figures for f in first.findings))
    circuit = design.wiring.circuits[at]
    after = apply_patch(design, [{"op": "replace", "path": f"/wiring/circuits/{at}/length_m", "value": (circuit.length_m or 3.0) + 0.7}])
    then, anew = report(after, before=first), report(after)
    assert [(f.id, f.figures, f.rests_on) for f in then.findings] == [(f.id, f.figures, f.rests_on) for f in anew.findings]
    assert first._cited is not None
    assert then._cited is not None
    taken = [k for k, said in then._cited.said.items() if first._cited.said.get(k) is said]
    assert 0 < len(taken) < len(then._cited.said), "some are taken again, some sought anew"

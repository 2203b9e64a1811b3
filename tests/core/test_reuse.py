"""A report made from the last one is the very report that is made anew, whatever was changed, and leaves the last one as it was."""

from __future__ import annotations

import json
import random
from collections.abc import Iterator
from typing import Any

import orjson
import pytest

from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.design.edit import apply_patch
from bothy.core.figure import given
from bothy.core.report import Report, report
from bothy.core.reuse import Parts
from bothy.core.sent import Sent, change, sent
from bothy.core.sound import Sound
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.demo.load import demo_of


def written(r: Report) -> str:
    """All of a report with all workings, in the order in which it holds them."""
    return json.dumps(r.whole())


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
        plain = json.dumps(last.plain())
        then = report(after, evidence, last)
        assert written(then) == written(anew), edit
        written_last = out
        out = sent(Sound(after, then), written_last)
        assert whole(out) == {"design": after.model_dump(mode="json"), **anew.plain()}, edit
        assert shown(written_last, change(written_last, out)) == anew.plain(), edit
        assert json.dumps(last.plain()) == plain, f"the report before {edit} was changed"
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

"""What lasts is put aside, and given back when nobody works; reports leave nothing behind that only a collector finds."""

from __future__ import annotations

import gc
import weakref
from collections.abc import Iterator

import pytest

from bothy.api.collector import Collector
from bothy.core.design.edit import apply_patch
from bothy.core.sent import sent
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.demo.load import demo_of


class Round:
    """An object that holds itself."""

    def __init__(self) -> None:
        self.me = self


@pytest.fixture
def collector() -> Iterator[Collector]:
    made, before = Collector(), gc.get_threshold()
    gc.collect()
    yield made
    if made.after in gc.callbacks:
        gc.callbacks.remove(made.after)
    gc.unfreeze()
    gc.set_threshold(*before)


def test_what_lasts_is_put_aside_and_looked_through_when_it_is_quiet(collector: Collector) -> None:
    gc.callbacks.append(collector.after)
    lasting = Round()
    gone = weakref.ref(lasting)
    gc.collect(1)
    assert collector.aside
    del lasting
    gc.collect()
    assert gone() is not None, "what was put aside is not looked through while work goes on"
    collector.look()
    assert collector.look(), "nothing was worked on in between"
    assert gone() is None
    assert not collector.aside
    assert not collector.look(), "there is nothing more to look through"


def test_while_somebody_works_nothing_is_looked_through(collector: Collector) -> None:
    gc.callbacks.append(collector.after)
    gc.collect(1)
    for _ in range(3):
        gc.collect(0)  # as work does
        assert not collector.look()


def test_what_is_young_goes_at_once(collector: Collector) -> None:
    gc.callbacks.append(collector.after)
    young = weakref.ref(Round())
    gc.collect(1)
    assert young() is None


@pytest.mark.parametrize(
    ("path", "values"),
    [
        ("/wiring/circuits/0/length_m", (0.6, 0.7)),
        ("/wiring/circuits/5/length_m", (3.0, 4.0)),
        ("/life/people", (3, 4)),
        ("/life/from_month", (3, 4)),
        ("/water/tanks/0/name", ("First", "Second")),
        ("/power/bank/unit_charge_ah", (150.0, 160.0)),
        ("/vehicle/inside_length_m", (3.4, 3.5)),
    ],
)
def test_an_edit_leaves_no_circles_behind(path: str, values: tuple[object, ...]) -> None:
    (design, report), evidence = demo_of(curlew)
    one = sound(design, evidence, report)
    gc.collect()
    gc.disable()
    try:
        for value in values:
            one = sound(apply_patch(one.design, [{"op": "replace", "path": path, "value": value}]), evidence, one.report)
            sent(one)
        assert gc.collect() < 150  # a report has some thirty thousand objects
    finally:
        gc.enable()

"""Which reports are kept at hand."""

from __future__ import annotations

import json
import threading
import uuid

import pytest

from bothy.api.state import Reports, Turns
from bothy.core.design.document import Design
from bothy.core.facts.evidence import facts_of
from bothy.core.sent import sent
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.demo.load import demo_of

EMPTY = sent(sound(Design()))


def test_of_each_variant_the_newest_stays_at_hand() -> None:
    reports, busy, calm = Reports(size=2), uuid.uuid4(), uuid.uuid4()
    reports.keep(calm, 1, EMPTY, ())
    for revision in range(1, 6):
        reports.keep(busy, revision, EMPTY, ())
    assert [n for n in range(1, 6) if reports.known(busy, n)] == [5]
    assert reports.of(busy, 3, EMPTY.one.design, ()).report.plain() == EMPTY.one.report.plain()  # an older one is computed, and doesn't take its place
    assert [n for n in range(1, 6) if reports.known(busy, n)] == [5]
    assert reports.known(calm, 1) is not None  # nobody's many edits push out another's report


def test_the_variant_that_was_asked_for_longest_ago_goes_first() -> None:
    reports, one, two, three = Reports(size=2), *(uuid.uuid4() for _ in range(3))
    reports.keep(one, 1, EMPTY, ())
    reports.keep(two, 1, EMPTY, ())
    assert reports.known(one, 1) is not None
    reports.keep(three, 1, EMPTY, ())
    assert reports.known(two, 1) is None
    assert reports.known(one, 1) is not None


def test_what_was_measured_is_written_once_for_the_same_evidence() -> None:
    one, evidence = demo_of(curlew)
    reports, id = Reports(), uuid.uuid4()
    first = reports.keep(id, 1, sent(one), evidence)
    assert first.facts == evidence[-1].number
    assert json.loads(first.told) == facts_of(evidence).model_dump(mode="json")
    again = reports.keep(id, 2, sent(one, first.sent), evidence)
    assert again.told is first.told
    fewer = reports.keep(id, 3, sent(sound(one.design, evidence[:-1])), evidence[:-1])
    assert json.loads(fewer.told) == facts_of(evidence[:-1]).model_dump(mode="json")
    assert (fewer.design, fewer.report.plain()) == (one.design, sound(one.design, evidence[:-1]).report.plain())


@pytest.mark.parametrize("at_once", [1, 2, 3])
def test_so_many_work_at_a_time_and_the_others_in_the_order_in_which_they_came(at_once: int) -> None:
    turns, go, inside, order = Turns(at_once), threading.Event(), threading.Semaphore(0), list[int]()
    lock, now, most = threading.Lock(), [0], [0]

    def work(n: int) -> None:
        with turns:
            with lock:
                now[0] += 1
                most[0] = max(most[0], now[0])
                order.append(n)
            inside.release()
            go.wait(60)
            with lock:
                now[0] -= 1

    threads = [threading.Thread(target=work, args=(n,)) for n in range(6)]
    for n, t in enumerate(threads):
        t.start()
        if n < at_once:
            inside.acquire()
        else:
            while len(turns._waiting) <= n - at_once:
                pass  # until it stands in the queue
    go.set()
    for t in threads:
        t.join(60)
    assert most[0] == at_once
    assert order[:at_once] == list(range(at_once))
    assert sorted(order) == list(range(6))
    if at_once == 1:  # of several that are let go together either may be the first to say so
        assert order == list(range(6))

"""Which reports are kept at hand."""

from __future__ import annotations

import uuid

from bothy.api.state import Reports
from bothy.core.design.document import Design
from bothy.core.sound import sound

EMPTY = sound(Design())


def test_of_each_variant_the_newest_stays_at_hand() -> None:
    reports, busy, calm = Reports(size=2), uuid.uuid4(), uuid.uuid4()
    reports.keep(calm, 1, EMPTY, ())
    for revision in range(1, 6):
        reports.keep(busy, revision, EMPTY, ())
    assert [n for n in range(1, 6) if reports.known(busy, n)] == [5]
    assert reports.of(busy, 3, EMPTY.design, ()).report.plain() == EMPTY.report.plain()  # an older one is computed, and doesn't take its place
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

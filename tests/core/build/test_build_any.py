"""Any plan, any log, any day: Build and the book are made or refused, never a stumble."""

from __future__ import annotations

import datetime as dt
import json
from typing import Any

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import ValidationError
from tests.designs import blank

from bothy.core.build.templates import whole_library
from bothy.core.build.worked import build_part
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.facts.document import Facts
from bothy.core.handover.book import book
from bothy.core.report import report
from bothy.core.words.said import reader_of
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.formats import book_files, build_files

BASES = [blank(), *(d.design().model_dump(mode="json") for d in (curlew, fiddlehead, saltbush))]
REPORTS: dict[int, Any] = {}
TASK = st.sampled_from([*sorted(whole_library()), "own-a", "own-b", "nothing-of-the-kind"])
DAY = st.dates(dt.date(2020, 1, 1), dt.date(2032, 12, 31)).map(str)
SOME_DAY = st.one_of(st.none(), DAY)
WORDS = st.text(max_size=20)
SESSION = st.fixed_dictionaries({"weekday": st.integers(0, 6), "from_h": st.floats(0, 20), "to_h": st.floats(0.5, 24)})
WORKER = st.fixed_dictionaries(
    {
        "id": st.sampled_from(["a", "b", "c"]),
        "name": st.just("P"),
        "hours": st.sampled_from(["evenings", "weekends", "full_time", "own"]),
        "sessions": st.lists(SESSION, max_size=3),
        "from_day": SOME_DAY,
        "to_day": SOME_DAY,
    }
)
OWN = st.fixed_dictionaries(
    {
        "id": st.sampled_from(["a", "b"]),
        "name": st.just("Own"),
        "hours": st.floats(0.25, 60),
        "people": st.integers(1, 4),
        "after": st.lists(TASK, max_size=2),
        "before": st.lists(TASK, max_size=2),
        "outdoor": st.booleans(),
    }
)
BUILD = st.fixed_dictionaries(
    {},
    optional={
        "start_day": SOME_DAY,
        "deadline": SOME_DAY,
        "people": st.lists(WORKER, max_size=3),
        "own": st.lists(OWN, max_size=2),
        "pins": st.lists(st.fixed_dictionaries({"task": TASK, "day": DAY}), max_size=3),
        "own_way": st.lists(TASK, max_size=4),
        "away": st.lists(st.fixed_dictionaries({"id": st.sampled_from(["x", "y"]), "first": DAY, "last": DAY}), max_size=2),
        "visits": st.lists(st.fixed_dictionaries({"id": st.sampled_from(["x", "y"]), "licence": st.just("gas_fitter"), "day": DAY}), max_size=2),
        "hall": st.booleans(),
        "hall_temp_c": st.floats(-10, 40),
        "pace": st.floats(0.2, 5),
        "budget": st.floats(0, 1e5),
        "lead_days": st.integers(0, 365),
        "cables": st.sampled_from(["before_lining", "after_furniture"]),
    },
)
FACTS = st.fixed_dictionaries(
    {},
    optional={
        "log": st.lists(
            st.fixed_dictionaries(
                {
                    "id": st.uuids().map(lambda u: u.hex[:12]),
                    "task": TASK,
                    "on": st.one_of(DAY, WORDS),
                    "hours": st.floats(0, 100),
                    "done_frac": st.floats(0, 1),
                    "temp_c": st.one_of(st.none(), st.floats(-40, 60)),
                }
            ),
            max_size=8,
        ),
        "seen": st.lists(st.fixed_dictionaries({"id": st.sampled_from(["ceiling:rust", "floor:deadening", "nowhere"]), "done": st.booleans()}), max_size=1),
        "closings": st.lists(st.fixed_dictionaries({"id": st.sampled_from(["ceiling", "floor", "moon"]), "opened": st.booleans()}), max_size=1),
        "purchases": st.lists(
            st.fixed_dictionaries({"id": st.sampled_from(["power-bank", "x"]), "price": st.floats(0, 1e5), "received": st.floats(0, 9)}), max_size=1
        ),
        "stock": st.lists(
            st.fixed_dictionaries(
                {
                    "id": st.sampled_from(["s", "t"]),
                    "line": st.sampled_from(["cable-2-5-mm-red", "power-bank", "nothing"]),
                    "amount": st.floats(0.01, 100),
                    "unit": st.sampled_from(["m", ""]),
                }
            ),
            max_size=2,
        ),
        "quotes": st.lists(
            st.fixed_dictionaries(
                {"id": st.sampled_from(["power-bank", "x"]), "supplier": st.just("A"), "price": st.floats(0, 1e5), "until": st.one_of(DAY, WORDS)}
            ),
            max_size=1,
        ),
        "services": st.lists(st.fixed_dictionaries({"id": st.just("s"), "item": st.sampled_from(["battery", "?"]), "on": st.one_of(DAY, WORDS)}), max_size=1),
    },
)


@settings(deadline=None, max_examples=40, suppress_health_check=[HealthCheck.too_slow])
@given(n=st.integers(0, len(BASES) - 1), build=BUILD, facts=FACTS, today=st.dates(dt.date(2024, 1, 1), dt.date(2030, 1, 1)))
def test_any_plan_and_log_is_worked_out_or_refused(n: int, build: Any, facts: Any, today: dt.date) -> None:
    try:
        design = load_design({**BASES[n], "build": build})
        known = Facts.model_validate(facts)
    except (BadInput, ValidationError):
        return
    if n not in REPORTS:
        REPORTS[n] = report(load_design(BASES[n]))
    b = build_part(design, REPORTS[n], known, today)
    assert {t.id for t in b.tasks if t.state == "done"} <= {e.task for e in known.log}
    for t in b.tasks:
        assert t.state == "done" or t.impossible or t.start, t.id
        assert not t.pieces or (t.pieces[0][0] == t.start and t.pieces[-1][1] == t.end)
    assert b.now.tasks == [k for k in b.now.tasks if k in {t.id for t in b.tasks}]
    json.dumps(b.model_dump(mode="json"), allow_nan=False)
    for write in build_files.WRITERS.values():
        for units in ("metric", "us"):
            assert write(b, "Van", reader_of(design, units))[0]
    made = book(design, REPORTS[n], known, today, "Van", "plan")
    assert book_files.to_html(made, {}) and book_files.to_paper(made, {}, "A4") and book_files.to_cards(made) and book_files.to_ics(made)

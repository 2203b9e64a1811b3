"""The book: each figure in it is the report's, nothing is said to be signed or measured that wasn't, what is missing has its way; maintenance by its dates."""

from __future__ import annotations

import datetime as dt
import re
from html.parser import HTMLParser
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.contract import BadInput
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.handover.book import book
from bothy.core.handover.care import CARE, care_of, uses_of
from bothy.core.handover.maintenance import due, months_later
from bothy.core.handover.papers import SYSTEMS, papers_of
from bothy.core.handover.spoken import spoken
from bothy.core.handover.words import say
from bothy.core.report import report
from bothy.core.words.said import Reader
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.formats import book_files

DAY = dt.date(2027, 6, 1)
DEMOS = [curlew, fiddlehead, saltbush]


def made(demo: Any, facts: dict[str, Any] | None = None) -> Any:
    d = demo.design()
    return book(d, report(d), demo.facts() if facts is None else Facts.model_validate(facts), DAY, demo.NAME, demo.VARIANT)


@pytest.mark.parametrize("demo", DEMOS)
def test_every_page_is_there_once_with_what_it_lacks(demo: Any) -> None:
    b = made(demo)
    ids = [p.id for p in b.pages]
    assert ids[:2] == ["isolation", "emergency"] and len(ids) == len(set(ids)) >= 13
    for p in b.pages:
        assert (p.blocks or p.missing) and p.made_of
        assert all(m.text and re.match(r"[a-z]+(\?view=[a-z]+)?$", m.to) for m in p.missing), p.missing


def test_what_was_built_otherwise_and_what_is_still_to_mend_stand_in_the_book() -> None:
    built = {
        "id": "a",
        "of": "circuit:lamp",
        "name": "Lamp feed",
        "value": "fuse",
        "designed": "10 A",
        "built": "15 A",
        "reason": "The box had no 10 A.",
        "on": "2027-05-01",
    }
    punch = [{"id": "p", "name": "Rattle", "must": True}, {"id": "q", "name": "Scratch"}, {"id": "r", "name": "Drip", "must": True, "done_on": "2027-05-02"}]
    page = next(p for p in made(curlew, {"as_built": [built], "punch": punch}).pages if p.id == "tests")
    assert "2027-05-01: Lamp feed, fuse built as 15 A, designed 10 A. The box had no 10 A." in page.model_dump_json()
    assert "Small things to be mended before it is handed over: 1" in [m.text for m in page.missing]
    without = next(p for p in made(curlew, {"punch": punch[1:]}).pages if p.id == "tests")
    assert not any("Small things" in m.text for m in without.missing)


def test_figures_in_the_book_are_the_reports() -> None:
    d = curlew.design()
    r = report(d)
    rows = next(b for p in made(curlew).pages if p.id == "circuits" for b in p.blocks if b.kind == "table").rows
    assert len(rows) == len(d.wiring.circuits)
    for c, row in zip(d.wiring.circuits, rows, strict=True):
        w = r.wiring.circuits[c.id]
        assert row[0] == w.code and row[1] == c.name and row[2] == w.size_text
        assert row[4] == (f"{w.fuse_a:g} A" if w.fuse_a else "–")
        assert row[5] == (f"{w.drop_v:.2f} V" if w.drop_v is not None else "–")


def test_nothing_is_measured_or_signed_that_was_not() -> None:
    b = made(curlew, {})
    rows = next(x for p in b.pages if p.id == "circuits" for x in p.blocks if x.kind == "table").rows
    assert {row[7] for row in rows} == {"–"}
    assert all(not p.signed_by for p in b.papers)
    assert len(b.held_back) == sum(p.needed for p in b.papers) >= 2
    missing = {m.text for p in b.pages for m in p.missing}
    assert "No signed leak test of the gas" in missing and "It was never weighed" in missing


def test_a_signature_frees_its_own_system_alone() -> None:
    paper = {"id": "gas", "name": "M. Fitter", "licence": "G-1", "number": "77", "on": "2027-05-20"}
    b = made(curlew, {"papers": [paper]})
    assert not any(x.startswith("gas") for x in b.held_back) and any(x.startswith("mains") for x in b.held_back)
    row = next(x for p in b.pages if p.id == "papers" for x in p.blocks if x.kind == "table").rows
    assert ["M. Fitter", "G-1", "77", "2027-05-20"] in [list(r[1:]) for r in row]


def test_a_licensed_paper_needs_its_licence() -> None:
    with pytest.raises(Exception, match="licence"):
        Facts.model_validate({"papers": [{"id": "mains", "name": "Somebody"}]})
    assert Facts.model_validate({"papers": [{"id": "dc", "name": "Builder"}]}).papers


@pytest.mark.parametrize("region", ["uk", "eu", "us", "au"])
def test_papers_and_the_emergency_number_are_the_regions(region: str) -> None:
    d = apply_patch(curlew.design(), [{"op": "replace", "path": "/region", "value": region}])
    b = book(d, report(d), Facts(), DAY, "Van", "plan")
    assert {p.name for p in b.papers} <= {say(f"papers-{s}-{region}") for s in SYSTEMS}
    number = {"uk": "999", "eu": "112", "us": "911", "au": "000"}[region]
    card = next(p for p in b.pages if p.id == "emergency")
    assert number in card.blocks[0].text and sum("switch" in i for x in card.blocks for i in x.items) >= 1


def test_a_vehicle_without_gas_has_no_card_for_it() -> None:
    d = apply_patch(curlew.design(), [{"op": "replace", "path": "/gas", "value": {}}])
    b = book(d, report(d), Facts(), DAY, "Van", "plan")
    assert "Smell of gas" not in {x.text for p in b.pages for x in p.blocks if x.kind == "heading"}
    assert "gas" not in {p.id for p in b.papers} and "gas" not in {c.id for c in b.care}


@pytest.mark.parametrize(("fuel", "there"), [("propane", True), ("butane", True), ("diesel", False)])
def test_a_heater_that_burns_gas_has_the_card_before_its_vessels_are_entered(fuel: str, there: bool) -> None:
    d = apply_patch(curlew.design(), [{"op": "replace", "path": "/gas", "value": {}}, {"op": "replace", "path": "/warmth/heaters/0/fuel", "value": fuel}])
    b = book(d, report(d), Facts(), DAY, "Van", "plan")
    assert (say("emergency-smell-of-gas") in {x.text for p in b.pages for x in p.blocks if x.kind == "heading"}) is there


def test_where_it_is_found_is_what_was_written_before_what_layout_says() -> None:
    d = apply_patch(fiddlehead.design(), [{"op": "replace", "path": "/handover/where", "value": {}}])
    plain = next(b for b in book(d, report(d), Facts(), DAY, "T", "p").pages[0].blocks if b.kind == "table").rows
    assert "from the rear" in next(r for r in plain if r[0] == "Battery")[2]
    said = apply_patch(d, [{"op": "replace", "path": "/handover/where", "value": {"battery_switch": "red key behind the seat", "extinguisher": "by the door"}}])
    page = book(said, report(said), Facts(), DAY, "T", "p").pages[0]
    rows = next(b for b in page.blocks if b.kind == "table").rows
    assert next(r for r in rows if r[0] == "Battery")[2] == "red key behind the seat"
    assert not any("extinguisher" in m.text for m in page.missing)


def test_open_dangers_and_reasons_stand_in_the_book() -> None:
    d = curlew.design()
    r = report(d)
    f = next(x for x in r.findings if x.severity == "danger")
    kept = apply_patch(d, [{"op": "add", "path": "/accepted/-", "value": {"finding": f.id, "reason": "rebuilt in spring", "by": "you", "at": "2027-01-01"}}])
    page = next(p for p in book(kept, report(kept), Facts(), DAY, "C", "p").pages if p.id == "open")
    words = [c for b in page.blocks for row in b.rows for c in row]
    assert "rebuilt in spring" in words


class _Page(HTMLParser):
    def __init__(self) -> None:
        super().__init__()
        self.links: list[str] = []
        self.ids: list[str] = []
        self.fetched: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        for k, v in attrs:
            if k == "id" and v:
                self.ids.append(v)
            if k == "href" and v:
                self.links.append(v)
            if k in ("src", "srcset") or (tag == "link" and k == "href"):
                self.fetched.append(str(v))


@pytest.mark.parametrize("demo", DEMOS)
def test_the_page_for_a_phone_fetches_nothing_and_its_links_lead_somewhere(demo: Any) -> None:
    b = made(demo)
    text = book_files.to_html(b, {"diagram": "<svg></svg>"})
    page = _Page()
    page.feed(text)
    assert page.fetched == [] and "http://" not in text.replace("http://www.w3.org", "") and "https://" not in text
    assert all(x.startswith("#") and x[1:] in page.ids for x in page.links)
    assert len(text) < 8_000_000


def test_words_from_outside_are_text() -> None:
    d = apply_patch(curlew.design(), [{"op": "replace", "path": "/handover/where", "value": {"extinguisher": "<script>alert(1)</script>"}}])
    text = book_files.to_html(book(d, report(d), Facts(), DAY, "<b>C</b>", "p"), {})
    assert "<script>alert" not in text and "<b>C</b>" not in text


def test_maintenance_is_as_a_calendar() -> None:
    b = made(curlew)
    ics = book_files.to_ics(b)
    assert ics.count("BEGIN:VEVENT") == len(b.care) and "DTSTART;VALUE=DATE:20270601" in ics


@settings(deadline=None, max_examples=80)
@given(day=st.dates(dt.date(2020, 1, 1), dt.date(2040, 12, 31)), months=st.integers(1, 60))
def test_months_later_keeps_the_day_or_the_end_of_the_month(day: dt.date, months: int) -> None:
    later = months_later(day, months)
    assert (later.year * 12 + later.month) - (day.year * 12 + day.month) == months
    assert later.day == day.day or (later.day < day.day and (later + dt.timedelta(days=1)).day == 1)


@pytest.mark.parametrize(
    ("last", "today", "status"),
    [
        ("2027-05-02", "2027-06-03", "overdue"),
        ("2027-05-02", "2027-06-02", "soon"),
        ("2027-01-02", "2027-02-03", "overdue"),
    ],
)
def test_a_month_is_over_on_the_day_after(last: str, today: str, status: str) -> None:
    assert due(dt.date.fromisoformat(today), dt.date.fromisoformat(last), 1).status == status


def test_soon_is_a_tenth_of_the_kilometres_and_overdue_is_under_none() -> None:
    last = dt.date(2027, 1, 1)
    for now, status in ((949.0, "ok"), (950.0, "soon"), (1000.0, "soon"), (1000.5, "overdue")):
        assert due(DAY, last, None, (500.0, 500.0, now, 0.0)).status == status


def test_what_was_done_moves_its_date() -> None:
    d = curlew.design()
    never = {c.id: c for c in care_of(d, Facts(), DAY)}
    assert never["first"].status == "soon" and {c.status for c in never.values() if not c.once} == {"never_done"}
    done = Facts.model_validate({"services": [{"id": "a", "item": "battery", "on": "2027-05-30"}, {"id": "b", "item": "battery", "on": "2026-01-01"}]})
    now = {c.id: c for c in care_of(d, done, DAY)}
    assert now["battery"].status == "ok" and now["battery"].due == "2027-11-30" and now["battery"].last == "2027-05-30"
    assert {x[0] for x in CARE} >= set(now)


def test_kilometres_count_where_the_odometer_is_known() -> None:
    d = apply_patch(
        curlew.design(),
        [
            {"op": "replace", "path": "/handover/start_km", "value": 48_000},
            {"op": "replace", "path": "/handover/odometer_km", "value": 48_300},
            {"op": "replace", "path": "/handover/km_per_day", "value": 50},
        ],
    )
    first = next(c for c in care_of(d, Facts(), DAY) if c.id == "first")
    assert (first.km_left, first.due, first.status) == (200, "2027-06-05", "ok"), "200 km at 50 a day"
    done = Facts.model_validate(
        {"services": [{"id": "a", "item": "first", "on": "2027-06-04"}, {"id": "b", "item": "joints", "on": "2027-05-01", "odometer_km": 40_000, "cost": 30}]}
    )
    now = {c.id: c for c in care_of(d, done, DAY)}
    assert "first" not in now, "it is done once"
    assert (now["joints"].km_left, now["joints"].due, now["joints"].cost) == (1_700, "2027-07-05", 30), "34 days at 50 km, before the twelve months"
    over = Facts.model_validate({"services": [{"id": "b", "item": "joints", "on": "2027-05-01", "odometer_km": 38_000}]})
    assert {c.id: c for c in care_of(d, over, DAY)}["joints"].status == "overdue"


def test_hours_litres_and_cycles_count_too_whichever_comes_first() -> None:
    filters = [{"id": "carbon", "name": "Carbon", "kind": "carbon", "at": "all", "rated_l": 1000}]
    d = apply_patch(curlew.design(), [{"op": "replace", "path": "/water/filters", "value": filters}])
    r = report(d)
    uses = uses_of(d, r)
    assert uses["filter_l"] == pytest.approx(r.water.fresh_l_day)
    usable = r.figures["power/bank/usable_energy_wh"]["value"]
    assert uses["bank_cycles"] == pytest.approx(sum(a.energy_wh for a in r.life.appliances.values()) / usable)

    done = Facts.model_validate({"services": [{"id": "a", "item": "filter", "on": "2027-05-01", "count": 200}]})
    # the counter says 700 of the 1 000 since 200: 500 left, 25 days at 20 L a day, before the six months
    read = apply_patch(d, [{"op": "replace", "path": "/handover/counts", "value": {"filter_l": 700}}])
    x = {c.id: c for c in care_of(read, done, DAY, {"filter_l": 20.0})}["filter"]
    assert (x.count_left, x.due, x.limit, x.every) == (500, (DAY + dt.timedelta(days=25)).isoformat(), "count", "6 months or 1,000 L")
    # without a reading 31 days at 20 L are taken
    x = {c.id: c for c in care_of(d, done, DAY, {"filter_l": 20.0})}["filter"]
    assert x.count_left == 1000 - 20 * (DAY - dt.date(2027, 5, 1)).days
    over = apply_patch(d, [{"op": "replace", "path": "/handover/counts", "value": {"filter_l": 1300}}])
    assert {c.id: c for c in care_of(over, done, DAY)}["filter"].status == "overdue"
    assert {c.id: c for c in care_of(d, done, DAY)}["filter"].count_left is None, "nobody reads it and no plan says"
    page = next(p for p in book(d, r, done, DAY, "Curlew", "as planned").pages if p.id == "care")
    row = next(row for b in page.blocks for row in b.rows if row[0] == "Water filter")
    assert "or in" in row[3] and row[3].endswith(" L")


def test_what_can_not_be_counted_is_refused() -> None:
    for value in ({"filter_l": -1}, {"moon": 3}):
        with pytest.raises(BadInput):
            apply_patch(curlew.design(), [{"op": "replace", "path": "/handover/counts", "value": value}])


def test_switches_valves_ways_and_manuals_are_of_the_design() -> None:
    d = curlew.design()
    r = report(d)
    b = made(curlew)
    pages = {p.id: p for p in b.pages}
    panel = r.wiring.panel
    assert panel is not None
    on_panel = next(x for x in pages["switches"].blocks if x.kind == "table").rows
    assert len(on_panel) == len(panel.shapes)
    behind = [x for x in pages["routes"].blocks if x.kind == "table"]
    assert sum(len(x.rows) for x in behind) == sum(len(w.rows) for w in r.fit.walls)
    listed = next(x for x in pages["manuals"].blocks if x.kind == "table").rows
    name = listed[0][0]
    told = apply_patch(d, [{"op": "add", "path": "/handover/manuals", "value": {name: "folder, tab 1"}}])
    again = {p.id: p for p in book(told, report(told), Facts(), DAY, "C", "p").pages}["manuals"]
    assert next(x for x in again.blocks if x.kind == "table").rows[0] == [name, "folder, tab 1"]
    assert f"{len(listed) - 1} manuals" in again.missing[0].text


def test_an_american_reads_feet_and_faucets_and_copper_stays() -> None:
    b = spoken(made(fiddlehead), Reader("us", "us"))
    text = " ".join([x for p in b.pages if p.id not in ("method", "open") for k in p.blocks for x in (k.text, *k.items, *(c for row in k.rows for c in row))])
    assert not re.search(r"\d (m|kg|km|L|kPa|mbar|°C)\b", text), re.findall(r".{30}\d (?:m|kg|km|L|kPa|mbar|°C)\b", text)[:5]
    assert re.search(r"\d.(ft|lb|mi|gal)\b", text)
    assert "faucet" in text and " tap " not in text
    plain = made(fiddlehead)
    assert [len(p.blocks) for p in plain.pages] == [len(p.blocks) for p in b.pages]
    metric = spoken(plain, Reader("metric", "uk"))
    assert [p.title for p in metric.pages] == [p.title for p in plain.pages]


def test_a_signature_stands_in_the_book_as_its_picture() -> None:
    hash_ = "ab" * 32
    b = made(curlew, {"papers": [{"id": "dc", "name": "B. Uilder", "on": "2027-05-30", "signature": hash_}]})
    blocks = next(p for p in b.pages if p.id == "papers").blocks
    assert [k.text for k in blocks if k.kind == "picture"] == [f"photo:{hash_}"]
    assert next(p for p in b.papers if p.id == "dc").signature == hash_
    with pytest.raises(ValueError, match="signature"):
        Facts.model_validate({"papers": [{"id": "dc", "name": "B", "signature": "my name"}]})


def test_papers_follow_what_the_vehicle_has() -> None:
    assert {p.id for p in papers_of(saltbush.design(), Facts())} >= {"dc", "gas"}
    bare = apply_patch(curlew.design(), [{"op": "replace", "path": "/build/also", "value": ["belted_seat"]}])
    assert {"seats"} <= {p.id for p in papers_of(bare, Facts())} and "vehicle" not in {p.id for p in papers_of(bare, Facts())}


@pytest.mark.parametrize(
    ("items", "key"),
    [
        ([{"id": "a"}], "interval_months"),
        ([{"id": "a", "interval_km": 500, "last_date": "2027-01-01"}], "last_km"),
        ([{"id": "a", "interval_km": 500, "last_date": "2027-01-01", "last_km": 5}], "odometer_km"),
        ([{"id": "a", "interval_months": 1, "last_date": "yesterday!"}], "last_date"),
        ([{"id": "a", "interval_months": 1}, {"id": "a", "interval_months": 1}], "id"),
    ],
)
def test_what_can_not_be_due_is_refused_with_its_key(items: Any, key: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate("maintenance-due", {"today": "2027-06-01", "items": items})
    assert e.value.key == key

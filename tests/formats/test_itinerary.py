"""Itineraries that people bring: tables come back as they went, tracks become days, and what can't be is refused by its line."""

from __future__ import annotations

import datetime as dt
import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.design.trips import Leg
from bothy.core.places import EARTH_KM, apart_km
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.formats.itinerary import MOST_CHARS, ItineraryPreview, moving, preview, read_gpx, write_table
from tests.designs import blank

EMPTY = load_design(blank())
INVERNESS, EDINBURGH = (57.48, -4.22), (55.95, -3.19)


def read(text: str, **more: Any) -> ItineraryPreview:
    return preview(text, EMPTY, **more)


def problems(text: str) -> list[str | None]:
    return [x.problem for x in read(text).lines]


def fields(p: ItineraryPreview) -> list[dict[str, Any]]:
    return [x.fields for x in p.lines if x.fields is not None]


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_the_exported_table_comes_back_unchanged(demo: Any) -> None:
    design = demo.design()
    p = preview(write_table(design), design)
    assert p.wrong == 0
    assert p.start_date == design.trips.start_date
    for f, leg in zip(fields(p), design.trips.legs, strict=True):
        back = Leg.model_validate({**f, "id": leg.id})
        assert back == leg, leg.id


def test_days_follow_from_the_dates_and_missing_dates_repeat_the_line_before() -> None:
    p = read("date;place;drive\n2026-10-12;Inverness;\n2026-10-16;Edinburgh;3.5 h\n2026-10-17;Cardiff;2\n")
    assert [f["days_count"] for f in fields(p)] == [4, 1, 1]
    assert [f.get("drive_h") for f in fields(p)] == [None, 3.5, 2.0]
    assert [x.date for x in p.lines] == ["2026-10-12", "2026-10-16", "2026-10-17"]
    assert p.lines[0].understood == "2026-10-12 Inverness: 4 days"


def test_a_table_without_dates_is_taken_in_its_order() -> None:
    p = read("place,nights\nLondon,2\nCardiff,3\n")
    assert [(f["place"], f["days_count"]) for f in fields(p)] == [("london", 2), ("cardiff", 3)]
    assert p.start_date is None


def test_every_column_is_understood() -> None:
    p = read("from;where;nights;leave;driving;hook-up;people;service;kind;note\n2026-01-01;London;2;07:30;90 min;yes;3;water grey_dump;working;=SUM(A1)\n")
    assert fields(p) == [
        {
            "place": "london",
            "days_count": 2,
            "drive_h": 1.5,
            "drive_start_h": 7.5,
            "shore": True,
            "persons": 3,
            "refills": ["water", "grey_dump"],
            "day_type": "working",
            "note": "=SUM(A1)",
        }
    ]
    Leg.model_validate({"id": "x", **fields(p)[0]})
    assert p.columns["place"] == "where"


def test_coordinates_are_a_town_of_the_table_or_a_place_of_ones_own() -> None:
    p = read("place,lat,lon\nCamp,57.9,-5.2\nTown,57.49,-4.23\nCamp again,57.91,-5.19\n")
    a, b, c = p.lines
    assert b.fields is not None
    assert b.fields["place"] == "inverness"
    assert b.own_place is None
    assert a.own_place is not None
    assert a.own_place["id"] == "camp"
    assert a.own_place["lat_deg"] == 57.9
    assert c.fields is not None
    assert c.fields["place"] == "camp", "a kilometre away is the same place"


@pytest.mark.parametrize(
    ("line", "words"),
    [
        ("2026-02-30;London;1;0", "is not a date"),
        ("2026-01-01;Lodnon;1;0", "did you mean London"),
        ("2026-01-01;Xqzt;1;0", "give its latitude and longitude"),
        ("2026-01-01;;1;0", "the place is missing"),
        ("2026-01-01;London;0;0", "whole number from 1"),
        ("2026-01-01;London;1.5;0", "whole number from 1"),
        ("2026-01-01;London;1;maybe", "neither yes nor no"),
        ("2026-01-01;London;x;0", "is not a number for the nights"),
        ("2026-01-01;London;1;0;9", "has 5 cells"),
    ],
)
def test_a_line_that_cannot_be_says_why(line: str, words: str) -> None:
    found = problems(f"date;place;nights;shore\n{line}\n")[0]
    assert found is not None
    assert words in found


@pytest.mark.parametrize(
    ("column", "cell", "words"),
    [
        ("refills", "beer", "is not a refill"),
        ("day_type", "sleeping", "is not a kind of day"),
        ("drive", "fast", "fast"),
        ("leave", "noon", "is not a number"),
        ("persons", "99", "Persons must"),
        ("drive", "20", "ends after midnight"),
    ],
)
def test_a_cell_that_cannot_be_says_why(column: str, cell: str, words: str) -> None:
    found = problems(f"place;{column}\nLondon;{cell}\n")[0]
    assert found is not None
    assert words in found


def test_going_back_in_time_and_overlapping_are_wrong_by_line() -> None:
    lines = read("date;place;nights\n2026-01-10;London;3\n2026-01-05;Cardiff;1\n2026-01-12;Manchester;2\n2026-01-13;Penzance;1\n").lines
    assert lines[0].problem is None
    assert lines[1].problem is not None
    assert "put the days in order" in lines[1].problem
    assert lines[2].problem is not None
    assert "the two overlap" in lines[2].problem
    assert lines[3].status == "taken"


@pytest.mark.parametrize(
    ("text", "key", "words"),
    [
        ("", "file", "is empty"),
        ("a;b\n1;2\n", "columns", "are needed"),
        ("place;nights\nLondon;400\n", "", ""),
        ("x" * (MOST_CHARS + 1), "file", "Thin the track out"),
    ],
)
def test_what_is_no_itinerary_is_refused(text: str, key: str, words: str) -> None:
    if not key:
        found = problems(text)[0]
        assert found is not None
        assert "366" in found or "less than or equal" in found
        return
    with pytest.raises(BadInput, match=words) as e:
        read(text)
    assert e.value.key == key


def test_a_trip_of_ten_years_is_refused() -> None:
    rows = "\n".join(f"London;{n}" for n in (366, 300))
    with pytest.raises(BadInput, match="666 days; 366 at most"):
        read(f"place;nights\n{rows}\n")


# --- tracks ---------------------------------------------------------------------------------------------


def gpx(*pieces: list[tuple[float, float, str | None]], tag: str = "trkseg", head: str = "") -> str:
    """A GPX file of pieces of (lat, lon, time)."""
    point = "rtept" if tag == "rte" else "trkpt"
    body = ""
    for piece in pieces:
        inner = "".join(f'<{point} lat="{a}" lon="{b}">{f"<time>{t}</time>" if t else ""}</{point}>' for a, b, t in piece)
        body += f"<rte>{inner}</rte>" if tag == "rte" else f"<trk><trkseg>{inner}</trkseg></trk>"
    return f'<?xml version="1.0"?>{head}<gpx xmlns="http://www.topografix.com/GPX/1/1" version="1.1">{body}</gpx>'


def drive(start: tuple[float, float], end: tuple[float, float], begin: str, hours: float, points: int = 60) -> list[tuple[float, float, str | None]]:
    """A straight drive at an even speed."""
    t0 = dt.datetime.fromisoformat(begin)
    return [
        (
            start[0] + (end[0] - start[0]) * i / points,
            start[1] + (end[1] - start[1]) * i / points,
            (t0 + dt.timedelta(hours=hours * i / points)).isoformat() + "Z",
        )
        for i in range(points + 1)
    ]


def test_a_track_becomes_days_with_their_drives() -> None:
    stay = [(*EDINBURGH, f"2026-10-{d}T12:00:00Z") for d in (13, 14)]
    p = read(gpx(drive(INVERNESS, EDINBURGH, "2026-10-12T08:00:00", 3.5), stay, drive(EDINBURGH, INVERNESS, "2026-10-15T10:00:00", 3.0)))
    assert p.separator == "track"
    assert p.start_date == "2026-10-12"
    a, b = fields(p)
    assert (a["place"], a["days_count"], a["drive_start_h"]) == ("edinburgh", 3, 8.0)
    assert a["drive_h"] == pytest.approx(3.5, abs=0.02)
    assert (b["place"], b["days_count"]) == ("inverness", 1)
    assert b["drive_h"] == pytest.approx(3.0, abs=0.02)
    assert p.lines[0].text.endswith("181 km")


def test_stops_are_left_out_unless_they_are_short() -> None:
    half = (56.7, -3.7)
    first = drive(INVERNESS, half, "2026-10-12T08:00:00", 1.5)
    long = first + drive(half, EDINBURGH, "2026-10-12T11:00:00", 1.5)
    short = first + drive(half, EDINBURGH, "2026-10-12T09:33:00", 1.5)
    assert fields(read(gpx(long)))[0]["drive_h"] == pytest.approx(3.0, abs=0.05)
    assert fields(read(gpx(short)))[0]["drive_h"] == pytest.approx(3.05, abs=0.02), "three minutes belong to the drive"


def test_a_point_that_leaps_is_dropped() -> None:
    track = drive(INVERNESS, EDINBURGH, "2026-10-12T08:00:00", 3.5)
    track.insert(20, (40.0, -3.0, "2026-10-12T09:09:00Z"))
    assert fields(read(gpx(track)))[0]["drive_h"] == pytest.approx(3.5, abs=0.05)


def test_days_without_points_are_spent_where_the_last_one_ended() -> None:
    p = read(gpx([(*EDINBURGH, "2026-10-12T12:00:00Z"), (*EDINBURGH, "2026-10-17T12:00:00Z")]))
    assert fields(p) == [{"place": "edinburgh", "days_count": 6}]


def test_without_times_each_piece_is_a_drive_at_the_mean_speed() -> None:
    def piece(a: tuple[float, float], b: tuple[float, float]) -> list[tuple[float, float, str | None]]:
        return [(*a, None), (*b, None)]

    km = apart_km(INVERNESS, EDINBURGH)
    p = read(gpx(piece(INVERNESS, EDINBURGH), piece(EDINBURGH, (51.48, -3.18)), tag="rte"), km_h=87.0)
    assert fields(p)[0]["drive_h"] == pytest.approx(km / 87, abs=0.01)
    assert fields(p)[0]["drive_start_h"] == 9.5
    assert p.start_date is None
    assert "without times" in p.lines[0].text
    far = read(gpx(piece((36.0, -5.6), (60.4, 5.3))), km_h=40.0)
    assert far.lines[0].status == "wrong"
    assert far.lines[0].problem is not None
    assert "cut this piece into days" in far.lines[0].problem


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("<gpx><trk>", "not well-formed"),
        ("<kml></kml>", "not GPX"),
        ("<gpx></gpx>", "no track and no route"),
        ('<gpx><trk><trkseg><trkpt lat="x" lon="1"/></trkseg></trk></gpx>', "point 1 without latitude"),
        ('<gpx><trk><trkseg><trkpt lat="95" lon="1"/></trkseg></trk></gpx>', "which is no place"),
        ('<gpx><trk><trkseg><trkpt lat="5" lon="1"><time>noon</time></trkpt></trkseg></trk></gpx>', "write it like"),
        (gpx([(50.0, 1.0, "2026-10-12T09:00:00Z"), (50.0, 1.0, "2026-10-12T08:00:00Z")]), "goes back in time"),
        (gpx([(50.0, 1.0, "2016-10-12T09:00:00Z"), (50.0, 1.0, "2026-10-12T08:00:00Z")]), "366 at most"),
    ],
)
def test_what_is_no_track_is_refused(text: str, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        read(text)


def test_a_document_with_entities_of_its_own_is_refused() -> None:
    bomb = '<!DOCTYPE gpx [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;">]>'
    with pytest.raises(BadInput, match="entities or a document type"):
        read(gpx([(50.0, 1.0, None)], head=bomb))


def test_the_far_north_is_refused_by_name() -> None:
    found = problems("place,lat,lon\nPole,89.9,0\n")[0]
    assert found is not None
    assert "lat_deg" in found or "72" in found


@given(st.floats(-80, 80), st.floats(-180, 180), st.floats(-80, 80), st.floats(-180, 180))
def test_distances_are_those_of_a_sphere(a: float, b: float, c: float, d: float) -> None:
    """Against the angle between the two directions."""

    def direction(lat: float, lon: float) -> tuple[float, float, float]:
        p, q = math.radians(lat), math.radians(lon)
        return math.cos(p) * math.cos(q), math.cos(p) * math.sin(q), math.sin(p)

    dot = sum(x * y for x, y in zip(direction(a, b), direction(c, d), strict=True))
    assert apart_km((a, b), (c, d)) == pytest.approx(EARTH_KM * math.acos(max(-1.0, min(1.0, dot))), abs=1.0)


def test_moving_time_is_never_more_than_the_whole() -> None:
    points = read_gpx(gpx(drive(INVERNESS, EDINBURGH, "2026-10-12T08:00:00", 3.5)))[0]
    whole = sum((b - a).total_seconds() for a, b, _ in moving(points)) / 3600
    assert 3.4 < whole <= 3.5 + 1e-9

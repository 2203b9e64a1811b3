"""Itineraries that people bring: a table of days, or a track of a receiver (GPX); line by line what was understood (method trips.itinerary)."""

from __future__ import annotations

import csv
import datetime as dt
import difflib
import io
import itertools
import math
import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any, Literal, get_args

from pydantic import BaseModel, ValidationError

from bothy.core.contract import BadInput, explain
from bothy.core.design.document import Design
from bothy.core.design.trips import MOST_DAYS, DayType, Leg, OwnPlace, Refill
from bothy.core.places import apart_km, nearest, places_of
from bothy.core.units import NotUnderstood, parse
from bothy.core.words.says import formats_says as says
from bothy.formats.appliances_csv import match_columns
from bothy.formats.tables import MAX_ROWS, in_years, number_of, plain, rows_of, unplain

WORDS: dict[str, tuple[str, ...]] = {
    "date": ("date", "day", "from", "arrive", "arrival", "start"),
    "place": ("place", "where", "town", "at", "location"),
    "lat": ("lat deg", "lat", "latitude"),
    "lon": ("lon deg", "lon", "lng", "longitude"),
    "nights": ("nights", "days", "stay"),
    "drive_start": ("drive start h", "drive start", "leave", "departure", "setting off"),
    "drive": ("drive h", "drive", "driving", "hours of driving"),
    "shore": ("shore", "hook-up", "hookup", "hook up", "mains", "ehu"),
    "persons": ("persons count", "persons", "people"),
    "refills": ("refills", "service"),
    "kind": ("day type", "kind", "days of"),
    "note": ("note", "notes", "remark", "comment"),
}
NEAR_TABLE_KM, SAME_PLACE_KM = 15.0, 5.0
STANDING_KM_H, WRONG_KM_H = 5.0, 160.0
STOP_MIN, STOP_KM, SHORT_STOP_MIN = 10.0, 0.5, 5.0
ROAD_KM_H, START_H, LONG_DRIVE_H = 60.0, 9.5, 8.0
MOST_CHARS, MOST_PIECES = 6_000_000, 5_000


class LegLine(BaseModel):
    """One line or one day of a track: the leg it makes, its first day, and the place of one's own that it needs."""

    number: int
    status: Literal["taken", "wrong", "empty"]
    text: str
    understood: str
    problem: str | None
    date: str | None
    fields: dict[str, Any] | None
    own_place: dict[str, Any] | None


class ItineraryPreview(BaseModel):
    """The whole itinerary before anything is changed; ``start_date`` is its first day where it says one."""

    separator: str
    columns: dict[str, str]
    ignored_columns: list[str]
    lines: list[LegLine]
    taken: int
    wrong: int
    start_date: str | None


def preview(text: str, design: Design, km_h: float = ROAD_KM_H) -> ItineraryPreview:
    """Understand an itinerary. Raises :class:`BadInput` where nothing can be read at all."""
    if len(text) > MOST_CHARS:
        raise BadInput("file", says("has-million-characters-at", text_count=len(text) / 1000000.0, most_chars=MOST_CHARS / 1000000.0))
    if text.lstrip("\ufeff \r\n\t").startswith("<"):
        return _of_track(text, design, km_h)
    return _of_table(text, design)


class _Places:
    """Finds or makes the place of a name or a point."""

    def __init__(self, design: Design) -> None:
        self.known = places_of(design)
        self.made: dict[str, dict[str, Any]] = {}

    def named(self, text: str) -> str:
        """The key of a place by its name or key."""
        low = text.strip().lower()
        found = [k for k, c in self.known.items() if low in (k, c.name.lower())]
        if found:
            return found[0]
        close = difflib.get_close_matches(low, [c.name.lower() for c in self.known.values()], 3, 0.6)
        names = [c.name for c in self.known.values() if c.name.lower() in close]
        hint = says("did-you-mean", names=" or ".join(names)) if names else says("give-latitude-and-longitude")
        raise NotUnderstood(says("not-place-climate-table", text=text[:40], hint=hint))

    def at(self, lat: float, lon: float, name: str = "") -> tuple[str, dict[str, Any] | None]:
        """The place at a point: a known one near it, else one of one's own."""
        for key, c in self.known.items():
            if apart_km((lat, lon), (c.lat_deg, c.lon_deg)) < NEAR_TABLE_KM:
                return key, None
        for key, p in self.made.items():
            if apart_km((lat, lon), (p["lat_deg"], p["lon_deg"])) < SAME_PLACE_KM:
                return key, p
        near, km = nearest(lat, lon)
        stem = re.sub(r"[^a-z0-9]+", "_", (name or f"near {near.name}").lower()).strip("_")[:34] or "place"
        key = next(k for n in range(1, 1000) if (k := stem if n == 1 else f"{stem}_{n}") not in self.known and k not in self.made)
        place = OwnPlace.model_validate(
            {"id": key, "name": name or says("from", km=km, near_name=near.name), "lat_deg": round(lat, 4), "lon_deg": round(lon, 4)}
        )
        self.made[key] = place.model_dump(mode="json")
        return key, self.made[key]


# --- a table --------------------------------------------------------------------------------------------


def _date(text: str) -> dt.date:
    try:
        found = dt.date.fromisoformat(text.strip()[:10])
        in_years(found)
        return found
    except ValueError:
        raise NotUnderstood(says("not-date-from-to", text=text[:30])) from None


def _number(text: str, what: str) -> float:
    value = number_of(text)
    if math.isnan(value):
        raise NotUnderstood(says("not-number-for", text=text[:30], what=what))
    return value


def _yes(text: str) -> bool:
    low = text.strip().lower()
    if low in ("1", "yes", "y", "true", "x", says("hooked-up")):
        return True
    if low in ("0", "no", "n", "false", "", "-"):
        return False
    raise NotUnderstood(says("neither-yes-nor-no", text=text[:30]))


def _hour(text: str) -> float:
    m = re.fullmatch(r"(\d{1,2}):(\d{2})", text.strip())
    return int(m[1]) + int(m[2]) / 60 if m else _number(text, says("hour-setting-off"))


def _leg(cells: dict[str, str], places: _Places) -> tuple[dict[str, Any], dict[str, Any] | None, dt.date | None]:
    own = None
    if cells.get("lat") and cells.get("lon"):
        lat, lon = _number(cells["lat"], "latitude"), _number(cells["lon"], "longitude")
        place, own = places.at(lat, lon, unplain(cells.get("place", "")))
    elif cells.get("place"):
        place = places.named(unplain(cells["place"]))
    else:
        raise NotUnderstood(says("place-missing-name-climate"))
    out: dict[str, Any] = {"place": place}
    if cells.get("nights"):
        nights = _number(cells["nights"], "nights")
        if not 1 <= nights <= MOST_DAYS or nights != int(nights):
            raise NotUnderstood(says("nights-write-whole-number", cells=cells["nights"][:20], most_days=MOST_DAYS))
        out["days_count"] = int(nights)
    if cells.get("drive"):
        bare = re.fullmatch(r"[\d.,]+", cells["drive"].strip()) is not None
        out["drive_h"] = parse(cells["drive"], "time", "h" if bare else None).value
    if cells.get("drive_start"):
        out["drive_start_h"] = _hour(cells["drive_start"])
    if cells.get("shore"):
        out["shore"] = _yes(cells["shore"])
    if cells.get("persons"):
        out["persons"] = int(_number(cells["persons"], "people"))
    if refills := cells.get("refills", "").split():
        wrong = [r for r in refills if r not in get_args(Refill)]
        if wrong:
            raise NotUnderstood(says("not-refill", wrong=wrong[0][:20], get_args=", ".join(get_args(Refill))))
        out["refills"] = list(dict.fromkeys(refills))
    if kind := cells.get("kind", "").strip().lower():
        if kind not in get_args(DayType):
            raise NotUnderstood(says("not-kind-one", kind=kind[:20], get_args=", ".join(get_args(DayType))))
        out["day_type"] = kind
    if cells.get("note"):
        out["note"] = unplain(cells["note"])[:1000]
    return out, own, _date(cells["date"]) if cells.get("date") else None


def _of_table(text: str, design: Design) -> ItineraryPreview:
    rows, separator = rows_of(text, "place")
    start = next((i for i, r in enumerate(rows) if any(r)), 0)
    found, _, ignored = match_columns(rows[start], WORDS)
    if "place" not in found and not {"lat", "lon"} <= set(found):
        raise BadInput("columns", says("not-those-itinerary-found", cs=", ".join(c for c in rows[start] if c)[:200] or "none"))
    if len(rows) - start - 1 > MAX_ROWS:
        raise BadInput("file", says("has-lines-at-most", rows_count=f"{len(rows) - start - 1:,}", max_rows=f"{MAX_ROWS:,}"))
    places = _Places(design)
    lines: list[LegLine] = []
    for n, row in enumerate(rows[start + 1 :], start + 2):
        if not any(row):
            continue
        cells = {f: row[i] if i < len(row) else "" for f, i in found.items()}
        shown = separator.join(row)[:200]
        try:
            if len(row) > len(rows[start]):
                raise NotUnderstood(says("this-line-has-cells-heading", row_count=len(row), rows_count=len(rows[start])))
            fields, own, date = _leg(cells, places)
            Leg.model_validate({"id": "x", "days_count": 1, **fields})
            lines.append(
                LegLine(
                    number=n, status="taken", text=shown, understood="", problem=None, date=date.isoformat() if date else None, fields=fields, own_place=own
                )
            )
        except ValidationError as exc:
            lines.append(_wrong(n, shown, explain(exc).plainly))
        except (NotUnderstood, BadInput) as exc:
            lines.append(_wrong(n, shown, str(exc)))
    _follow(lines)
    return _made(lines, separator, {f: rows[start][i] for f, i in found.items()}, ignored, {**places.known}, places)


def _wrong(n: int, shown: str, problem: str) -> LegLine:
    return LegLine(number=n, status="wrong", text=shown, understood="", problem=problem, date=None, fields=None, own_place=None)


def _follow(lines: list[LegLine]) -> None:
    """Days of each line from the date of the next; a line that goes back in time or overlaps the one before is wrong."""
    last: LegLine | None = None
    free: dt.date | None = None
    for i, line in enumerate(lines):
        if line.status != "taken" or line.fields is None:
            continue
        day = dt.date.fromisoformat(line.date) if line.date else free
        if day is not None and last is not None and free is not None and last.fields is not None:
            begun = dt.date.fromisoformat(last.date) if last.date else None
            if begun is not None and day <= begun:
                lines[i] = _wrong(line.number, line.text, says("begins-on-which-not", day=day, begun=begun))
                continue
            if day < free and "said" in last.fields:
                lines[i] = _wrong(line.number, line.text, says("begins-on-while-line", day=day, free=free - dt.timedelta(days=1)))
                continue
            if begun is not None and line.date:
                last.fields["days_count"] = (day - begun).days
        if "days_count" in line.fields:
            line.fields["said"] = True
        line.fields.setdefault("days_count", 1)
        line.date = day.isoformat() if day else None
        free = day + dt.timedelta(days=line.fields["days_count"]) if day else None
        last = line
    for line in lines:
        if line.fields is not None:
            line.fields.pop("said", None)


def _made(lines: list[LegLine], separator: str, columns: dict[str, str], ignored: list[str], known: dict[str, Any], places: _Places) -> ItineraryPreview:
    for line in lines:
        f = line.fields
        if f is None:
            continue
        name = places.made[f["place"]]["name"] if f["place"] in places.made else known[f["place"]].name
        days = f["days_count"]
        parts = [
            f"{days} {'day' if days == 1 else 'days'}",
            says("driving", f_h=f["drive_h"]) if f.get("drive_h") else "",
            says("hooked-up") if f.get("shore") else "",
            says("long-drive-more-than") if f.get("drive_h", 0) > LONG_DRIVE_H else "",
        ]
        line.understood = f"{line.date or ''} {name}: {', '.join(p for p in parts if p)}".strip()
    whole = sum(x.fields["days_count"] for x in lines if x.fields)
    if whole > MOST_DAYS:
        raise BadInput("file", says("trip-most-bring-in", whole=f"{whole:,}", most_days=MOST_DAYS))
    return ItineraryPreview(
        separator=separator,
        columns=columns,
        ignored_columns=ignored,
        lines=lines,
        taken=sum(x.status == "taken" for x in lines),
        wrong=sum(x.status == "wrong" for x in lines),
        start_date=next((x.date for x in lines if x.date), None),
    )


# --- a track --------------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True)
class Point:
    """A point of a track: degrees, and the moment in UTC where the receiver wrote it."""

    lat: float
    lon: float
    time: dt.datetime | None

    @property
    def at(self) -> tuple[float, float]:
        """(lat, lon)."""
        return self.lat, self.lon


def _local(tag: str) -> str:
    return tag.rsplit("}", 1)[-1]


def read_gpx(text: str) -> list[list[Point]]:
    """The segments of tracks, or the routes, of a GPX file. Raises :class:`BadInput` for anything else, and for documents with their own entities."""
    from defusedxml import DefusedXmlException
    from defusedxml.ElementTree import ParseError, fromstring

    try:
        root = fromstring(text.lstrip("\ufeff \r\n\t"), forbid_dtd=True)
    except ParseError as exc:
        raise BadInput("file", says("not-well-formed-xml", exc=exc)) from None
    except DefusedXmlException:
        raise BadInput("file", says("declares-entities-or-document")) from None
    if _local(root.tag) != "gpx":
        raise BadInput("file", says("xml-but-not-gpx", local=_local(root.tag)[:30]))
    pieces = [e for e in root.iter() if _local(e.tag) in ("trkseg", "rte")]
    if len(pieces) > MOST_PIECES:
        raise BadInput("file", says("has-pieces-at-most", pieces_count=f"{len(pieces):,}", most_pieces=f"{MOST_PIECES:,}"))
    out = [[_point(p, says("point", n=n + 1)) for n, p in enumerate(x for x in piece if _local(x.tag) in ("trkpt", "rtept"))] for piece in pieces]
    out = [piece for piece in out if piece]
    if not out:
        raise BadInput("file", says("has-no-track-and"))
    return out


def _point(e: Any, name: str) -> Point:
    try:
        lat, lon = float(e.get("lat", "")), float(e.get("lon", ""))
    except ValueError:
        raise BadInput("file", says("has-without-latitude-or", name=name)) from None
    if not (abs(lat) <= 90 and abs(lon) <= 180):
        raise BadInput("file", says("has-at-which-no", name=name, lat=lat, lon=lon))
    stamp = next((x.text for x in e if _local(x.tag) == "time" and x.text), None)
    if stamp is None:
        return Point(lat, lon, None)
    try:
        when = dt.datetime.fromisoformat(stamp.strip().replace("Z", "+00:00"))
        in_years(when)
    except ValueError:
        raise BadInput("file", says("has-with-time-write", name=name, stamp=stamp[:30])) from None
    return Point(lat, lon, when.astimezone(dt.UTC) if when.tzinfo else when.replace(tzinfo=dt.UTC))


def moving(points: list[Point]) -> Iterator[tuple[dt.datetime, dt.datetime, float]]:
    """Pieces of a timed track in which it moved: from, to, km. Short stops belong to the drive; points that leap are dropped."""
    kept = [points[0]]
    for p in points[1:]:
        seconds = (p.time - kept[-1].time).total_seconds() if p.time and kept[-1].time else 0.0
        if seconds > 0 and apart_km(kept[-1].at, p.at) / (seconds / 3600) <= WRONG_KM_H:
            kept.append(p)
    stands: list[tuple[dt.datetime, dt.datetime]] = []
    for a, b in itertools.pairwise(kept):
        assert a.time and b.time
        km, hours = apart_km(a.at, b.at), (b.time - a.time).total_seconds() / 3600
        if km / hours < STANDING_KM_H or (hours * 60 > STOP_MIN and km < STOP_KM):
            stands.append((a.time, b.time))
            continue
        pause = sum((t - f).total_seconds() for f, t in stands) / 60
        if stands and pause < SHORT_STOP_MIN:
            yield stands[0][0], stands[-1][1], 0.0
        stands = []
        yield a.time, b.time, km


def _of_track(text: str, design: Design, km_h: float) -> ItineraryPreview:
    pieces = read_gpx(text)
    places = _Places(design)
    flat = [p for piece in pieces for p in piece]
    timed = sum(p.time is not None for p in flat)
    if 0 < timed < len(flat):
        flat = [p for p in flat if p.time is not None]
    lines = _timed(flat, places) if timed else _untimed(pieces, places, km_h)
    return _made(lines, "track", {}, [], places.known, places)


def _timed(points: list[Point], places: _Places) -> list[LegLine]:
    times = [p.time for p in points if p.time]
    if any(b < a for a, b in itertools.pairwise(times)):
        raise BadInput("file", says("goes-back-in-time"))
    offset = dt.timedelta(hours=nearest(points[-1].lat, points[-1].lon)[0].utc_offset_h)
    drives: dict[dt.date, list[tuple[dt.datetime, float, float]]] = {}
    for a, b, km in moving(points):
        local = a + offset
        drives.setdefault(local.date(), []).append((local, (b - a).total_seconds() / 3600, km))
    ends = {(p.time + offset).date(): p for p in points if p.time}
    lines: list[LegLine] = []
    first, last = min(ends), max(ends)
    if (last - first).days + 1 > MOST_DAYS:
        raise BadInput("file", says("trip-most-bring-in-year", days=f"{(last - first).days + 1:,}", most_days=MOST_DAYS))
    here = ends[first]
    for n in range((last - first).days + 1):
        day = first + dt.timedelta(days=n)
        here = ends.get(day, here)
        drive = drives.get(day, [])
        hours = sum(h for _, h, _ in drive)
        key, own = places.at(here.lat, here.lon)
        old = lines[-1] if lines else None
        if old is not None and old.fields is not None and not hours and old.fields["place"] == key:
            old.fields["days_count"] += 1
            continue
        begin = drive[0][0].hour + drive[0][0].minute / 60 if drive else 9.0
        fields: dict[str, Any] = {"place": key, "days_count": 1}
        if hours:
            fields |= {"drive_h": round(min(hours, 24 - begin), 2), "drive_start_h": round(begin, 2)}
        km = sum(k for _, _, k in drive)
        lines.append(
            LegLine(number=n + 1, status="taken", text=f"{day}: {km:.0f} km", understood="", problem=None, date=day.isoformat(), fields=fields, own_place=own)
        )
    return lines


def _untimed(pieces: list[list[Point]], places: _Places, km_h: float) -> list[LegLine]:
    if len(pieces) > MOST_DAYS:
        raise BadInput("file", says("has-pieces-without-times", pieces_count=f"{len(pieces):,}", most_days=MOST_DAYS))
    lines = []
    for n, piece in enumerate(pieces, 1):
        km = sum(apart_km(a.at, b.at) for a, b in itertools.pairwise(piece))
        hours = km / km_h
        shown = says("piece-without-times-at", n=n, km=km, hours_h=hours, km_h=km_h)
        if hours > 24 - START_H:
            lines.append(_wrong(n, shown, says("take-at-cut-this", km=km, hours_h=hours, km_h=km_h)))
            continue
        key, own = places.at(piece[-1].lat, piece[-1].lon)
        fields = (
            {"place": key, "days_count": 1, "drive_h": round(hours, 2), "drive_start_h": START_H}
            if math.isfinite(hours) and hours > 0.01
            else {"place": key, "days_count": 1}
        )
        lines.append(LegLine(number=n, status="taken", text=shown, understood="", problem=None, date=None, fields=fields, own_place=own))
    return lines


def write_table(design: Design) -> str:
    """The itinerary as a table that Bothy reads back."""
    from bothy.core.places import legs_of

    file = io.StringIO()
    writer = csv.writer(file, lineterminator="\r\n")
    writer.writerow(["date", "place", "lat", "lon", "nights", "drive_start_h", "drive_h", "shore", "persons_count", "refills", "day_type", "note"])
    known = places_of(design)
    own = {p.id for p in design.trips.places}
    day = dt.date.fromisoformat(design.trips.start_date) if design.trips.start_date else None
    for leg in legs_of(design):
        c = known.get(leg.place)
        where = [plain(c.name if c else leg.place), f"{c.lat_deg:g}" if c and leg.place in own else "", f"{c.lon_deg:g}" if c and leg.place in own else ""]
        cells = [
            day.isoformat() if day else "",
            *where,
            str(leg.days_count),
            f"{leg.drive_start_h:g}",
            f"{leg.drive_h:g}",
            str(int(leg.shore)),
            "" if leg.persons is None else str(leg.persons),
            " ".join(leg.refills),
            leg.day_type,
            plain(leg.note),
        ]
        writer.writerow(cells)
        day = day + dt.timedelta(days=leg.days_count) if day else None
    return file.getvalue()

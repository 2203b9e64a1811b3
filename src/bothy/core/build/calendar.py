"""When somebody works, under which sky: half hours of the coming months with the people and trades that are there (method build.schedule)."""

from __future__ import annotations

import datetime as dt
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from bothy.core.build.windows import days_of_waiting
from bothy.core.catalogue.climates import Climate
from bothy.core.catalogue.workshop import rain_days
from bothy.core.contract import EPS
from bothy.core.design.build import Build, Session, Worker, a_day
from bothy.core.roof.curing import CURINGS, Air, Coming, cure, day_air, days_air, needed_h, rate_of
from bothy.core.sun.geometry import MEAN_DAY, day_length
from bothy.core.words.says import build_says as says

SLOTS = 48
SLOT_H = 0.5
SETUP_SLOTS = 0.5
"""Of the first half hour of a session half is lost to setting up."""
INSIDE_K = 3.0
"""How much warmer it is in an unheated vehicle than outside, over the day (typical)."""
HORIZON_DAYS = 900
LONGEST_CURE_H = 40 * 24
MEASURED_H = 12
"""How long the air that was measured with a bond counts (own choice: until the next day)."""
BEAD_MM = 6.0
"""How far the middle of a usual bead or a bond is from the air."""


def _week(spans: list[tuple[int, float, float]]) -> list[Session]:
    return [Session(weekday=d, from_h=a, to_h=b) for d, a, b in spans]


USUAL_HOURS: dict[str, list[Session]] = {
    "evenings": _week([(d, 18.5, 21.5) for d in range(5)] + [(5, 9, 17)]),
    "weekends": _week([(d, a, b) for d in (5, 6) for a, b in ((9, 13), (14, 18))]),
    "full_time": _week([(d, a, b) for d in range(5) for a, b in ((8, 12), (13, 17))]),
}
"""Hours of the usual people; an hour of lunch is left out."""


def sessions_of(w: Worker) -> list[Session]:
    """The sessions of somebody's week."""
    return w.sessions if w.hours == "own" else USUAL_HOURS[w.hours]


class Sky(NamedTuple):
    """Where it is built: the climate, in a hall or not, how warm that is kept (None: as outside), and the forecast of days that lie ahead."""

    climate: Climate
    hall: bool
    hall_c: float | None
    coming: tuple[Coming, ...] = ()

    def forecast(self, day: dt.date) -> Coming | None:
        """What the forecast says of a day; None: the normals count."""
        return next((x for x in self.coming if x.day == day), None)

    def reaches(self, day: dt.date) -> bool:
        """Whether the forecast says anything of a day or of one after it."""
        return bool(self.coming) and day <= self.coming[-1].day

    def counting(self, day: dt.date | None) -> dt.date | None:
        """A day whose forecast counts for the air; None: every day of the month is alike, by the normals or in a hall that is kept warm."""
        return day if day is not None and self.reaches(day) and not (self.hall and self.hall_c is not None) else None

    def air(self, month: int, hour: int, hours: int, inside: bool, day: dt.date | None = None) -> list[Air]:
        """Air of the coming hours on days of that month; from a ``day`` on by its forecast as far as that goes."""
        if self.hall and self.hall_c is not None:
            return [Air(1.0, self.hall_c, 0.5)] * hours
        c, warmer = self.climate, INSIDE_K if inside or self.hall else 0.0
        if (day := self.counting(day)) is None:
            return day_air(c.tmin_c[month - 1] + warmer, c.tmax_c[month - 1] + warmer, c.rh_frac[month - 1], hour, hours)
        return days_air(c, self.coming, day, hour, hours, month, warmer)

    def temps(self, month: int, inside: bool, day: dt.date | None = None) -> np.ndarray:
        """°C in each half hour of a day of that month, or of a ``day`` of the forecast."""
        return np.repeat([a.temp_c for a in self.air(month, 0, 24, inside, day)], 2)

    def dry_part(self, month: int) -> float:
        """The part of its days without rain."""
        return 1.0 if self.hall else 1 - min(0.95, rain_days(self.climate.place, month) / 30.4)

    def light(self, month: int) -> tuple[float, float]:
        """From which hour to which it is light."""
        half = day_length(self.climate.lat_deg, MEAN_DAY[month - 1]) / 2
        return 12 - half, 12 + half

    def wait_days(self, month: int, days: int) -> float:
        """How many days one waits on average for so many dry days in a row."""
        return days_of_waiting(self.dry_part(month), days)


class Hours(NamedTuple):
    """Half hours from a first day on: how many people are there, which licences, how much of each half hour is work, and the month of each."""

    first: dt.date
    people: np.ndarray
    licensed: dict[str, np.ndarray]
    worth: np.ndarray

    def at(self, slot: int) -> dt.datetime:
        """The beginning of a half hour."""
        return dt.datetime.combine(self.first, dt.time()) + dt.timedelta(hours=SLOT_H * slot)

    def slot_of(self, when: dt.datetime) -> int:
        """The first half hour that begins then or later."""
        delta = (when - dt.datetime.combine(self.first, dt.time())).total_seconds() / 3600
        return max(0, int(-(-delta // SLOT_H)))


ALONE = Worker(id="builder", name=says("builder"), hours="weekends")
"""Who builds it while nobody is entered."""


def people_of(b: Build) -> list[Worker]:
    """Who works on it."""
    return list(b.people) or [ALONE]


def hours_of(b: Build, first: dt.date, days: int = HORIZON_DAYS) -> Hours:
    """The half hours of the coming days with who is there."""
    n = days * SLOTS
    people, worth = np.zeros(n, dtype=np.int16), np.zeros(n)
    licensed = {k: np.zeros(n, dtype=bool) for k in ("ac_electrician", "gas_fitter", "vehicle_engineer")}
    away = [(a_day("first", a.first), a_day("last", a.last), a.who) for a in b.away]
    for w in people_of(b):
        start, end = a_day("from_day", w.from_day), a_day("to_day", w.to_day)
        by_day: dict[int, list[Session]] = {}
        for s in sessions_of(w):
            by_day.setdefault(s.weekday, []).append(s)
        for d in range(days):
            day = first + dt.timedelta(days=d)
            if (start and day < start) or (end and day > end) or any(x <= day <= y and who in (None, w.id) for x, y, who in away if x and y):
                continue
            for s in by_day.get(day.weekday(), ()):
                i, j = d * SLOTS + int(s.from_h / SLOT_H), d * SLOTS + int(s.to_h / SLOT_H)
                people[i:j] += 1
                worth[i:j] = 1.0
                for k in w.licences:
                    licensed[k][i:j] = True
    starts = np.flatnonzero((worth > 0) & (np.concatenate([[0.0], worth[:-1]]) == 0))
    worth[starts] = SETUP_SLOTS
    for v in b.visits:
        d = (dt.date.fromisoformat(v.day) - first).days
        if 0 <= d < days:
            i, j = d * SLOTS + int(v.from_h / SLOT_H), d * SLOTS + int(v.to_h / SLOT_H)
            licensed[v.licence][i:j] = True
            worth[i:j] = np.maximum(worth[i:j], 1.0)
    return Hours(first, people, licensed, worth)


def cure_hours(sky: Sky, material: str, month: int, hour: int, inside: bool, day: dt.date | None = None) -> float | None:
    """Hours of the clock until a film or a bead that was made in a month at an hour, in the vehicle or outside, has cured; None: not within forty days.
    A ``day`` that the forecast reaches goes by it."""
    return _cure_hours(sky, material, month, hour, inside, sky.counting(day))


def cure_hours_measured(sky: Sky, material: str, when: dt.datetime, inside: bool, measured: tuple[float, float | None]) -> float | None:
    """Hours of the clock until it has cured, where the air was ``measured`` when it was made (°C, relative humidity; None: that of the place): that air
    counts for the first half day, then the forecast or the normals."""
    return _cure_hours_measured(sky, material, when.month, when.hour, inside, sky.counting(when.date()), measured)


@lru_cache(maxsize=1024)
def _cure_hours_measured(
    sky: Sky, material: str, month: int, hour: int, inside: bool, day: dt.date | None, measured: tuple[float, float | None]
) -> float | None:
    c = CURINGS[material]
    needed = needed_h(c, BEAD_MM)
    if day is not None:
        usual = sky.air(month, hour, LONGEST_CURE_H, inside, day)
        first = [Air(1.0, measured[0], usual[0].humidity if measured[1] is None else measured[1])] * MEASURED_H
        return cure(c, needed, [*first, *usual[MEASURED_H:]]).ready_h
    humidity = sky.air(month, hour, 1, inside)[0].humidity if measured[1] is None else measured[1]
    r = rate_of(c, measured[0], humidity)
    if r > 0 and MEASURED_H * r >= needed - EPS:
        return needed / r
    rest = _by_days_alike(_day_rates(sky, material, month, inside), needed - MEASURED_H * r, hour + MEASURED_H)
    return None if rest is None or MEASURED_H + rest > LONGEST_CURE_H else MEASURED_H + rest


@lru_cache(maxsize=512)
def _day_rates(sky: Sky, material: str, month: int, inside: bool) -> tuple[float, ...]:
    """How fast it cures in each hour of a usual day of a month."""
    return tuple(rate_of(CURINGS[material], a.temp_c, a.humidity) for a in sky.air(month, 0, 24, inside))


def _by_days_alike(rates: tuple[float, ...], needed: float, hour: int) -> float | None:
    """Hours until ``needed`` is reached from an hour on, through days that are all alike; None: not within forty days."""
    whole = sum(rates)
    if whole <= 0:
        return None
    days = max(0, int((needed - EPS) // whole))
    reached = days * whole
    for n in range(49):  # a day more than it takes, should the sum of a day fall short by a hair
        r = rates[(hour + n) % 24]
        if r > 0 and reached + r >= needed - EPS:
            ready = 24 * days + n + (needed - reached) / r
            return ready if ready <= LONGEST_CURE_H else None
        reached += r
    return None


@lru_cache(maxsize=4096)
def _cure_hours(sky: Sky, material: str, month: int, hour: int, inside: bool, day: dt.date | None) -> float | None:
    c = CURINGS[material]
    if day is None:
        return _by_days_alike(_day_rates(sky, material, month, inside), needed_h(c, BEAD_MM), hour)
    got = cure(c, needed_h(c, BEAD_MM), sky.air(month, hour, LONGEST_CURE_H, inside, day))
    return got.ready_h

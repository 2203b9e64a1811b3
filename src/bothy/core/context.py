"""What every field of the report shares: the design, the place and region, and what is assumed where nothing was said."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any, Concatenate, Literal, ParamSpec, TypeVar, cast

from pydantic import BaseModel

from bothy.core.book import Book
from bothy.core.catalogue.climates import MONTHS, Climate
from bothy.core.constants import FULL_12_V
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Judged
from bothy.core.figure import Figure, given
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.places import Stay, place_of, stays_of
from bothy.core.power.chemistry import CHEMISTRIES, Chemistry, SystemVoltage
from bothy.core.region import REGIONS, Region
from bothy.core.vehicles import PRESETS
from bothy.core.words.says import core_says as says

P = ParamSpec("P")
T = TypeVar("T")


DEFAULT_PLACE = {"uk": "london", "eu": "munich", "us": "denver", "au": "alice_springs"}
BANK_PLACES = {
    "warm_inside": says("inside-in-warm"),
    "unheated_inside": says("inside-unheated"),
    "garage": says("in-garage"),
    "underfloor": says("under-floor"),
    "engine_space": says("in-engine-space"),
}


NO_FACTS = Facts()


class Assumption(BaseModel):
    """A value that nobody has said yet, and why it is taken. ``path`` is where to type another; ``shown`` is it in words where a number is not."""

    path: str
    label: str
    value: float | str | bool
    unit: str
    why: str
    shown: str = ""


@dataclass
class Context:
    """Design, climate and region with every open value settled; figures go into ``book``."""

    design: Design
    facts: Facts = NO_FACTS
    judged: Mapping[tuple[str, str], Judged] = field(default_factory=dict)
    """What each fact was judged against when it was taken, by kind and subject."""
    book: Book = field(default_factory=Book)
    assumptions: list[Assumption] = field(default_factory=list)
    said: dict[str, Figure] = field(default_factory=dict)
    routed: Mapping[str, float] = field(default_factory=dict)
    """Runs whose length follows from where their ends stand (``circuit:fridge``), m."""
    kept: dict[str, Any] = field(default_factory=dict)
    """What a part of the work keeps for its own next use with this design."""

    def __post_init__(self) -> None:
        d, v = self.design, self.design.vehicle
        self.region: Region = REGIONS[d.region]
        self.preset = PRESETS[v.preset]
        p = self.preset
        why = says("typical", p_name=p.name)
        self.inside_length_m = self._number("/vehicle/inside_length_m", says("inside-length"), v.inside_length_m, p.inside[0], "m", why)
        self.inside_width_m = self._number("/vehicle/inside_width_m", says("inside-width"), v.inside_width_m, p.inside[1], "m", why)
        self.inside_height_m = self._number("/vehicle/inside_height_m", says("inside-height"), v.inside_height_m, p.inside[2], "m", why)
        self.payload_kg = self._number("/vehicle/payload_kg", says("payload"), v.payload_kg, p.payload_kg, "kg", why)
        self.vehicle_v: float = self._number("/vehicle/vehicle_voltage_v", says("vehicles-own-voltage"), v.vehicle_voltage_v, p.vehicle_v, "V", why)
        self.alternator_a = self._number("/vehicle/alternator_rated_a", says("alternators-label"), v.alternator_rated_a, p.alternator_a, "A", why)
        self.smart: bool = self._other("/vehicle/smart_alternator", says("smart-alternator"), v.smart_alternator, p.smart, why)
        self.bank_place: str = self._other(
            "/vehicle/bank_place",
            says("place-bank"),
            self._placed_bank() or v.bank_place,
            "unheated_inside",
            says("cautious-guess-until-you"),
        )
        life = d.life
        self.people = self._number("/life/people", "people", life.people, 2, "", says("two-until-you-enter"))
        self.nights = self._number(
            "/life/nights_between_hookups", says("nights-between-hook-ups"), life.nights_between_hookups, 3, "nights", says("three-until-you-enter")
        )
        place = self._other("/life/place", "place", life.place, DEFAULT_PLACE[d.region], says("town-region-until-you"))
        self.climate: Climate = place_of(d, place)
        self._say("/life/place", self.climate.name)
        self.from_month = int(self._number("/life/from_month", says("first-month"), life.from_month, 1, "", says("all-year-until-you")))
        self.to_month = int(self._number("/life/to_month", says("last-month"), life.to_month, 12, "", says("all-year-until-you")))
        for path, month in (("/life/from_month", self.from_month), ("/life/to_month", self.to_month)):
            self._say(path, MONTHS[month - 1])
        self._say("/vehicle/bank_place", BANK_PLACES[self.bank_place])
        self._say("/vehicle/smart_alternator", "yes" if self.smart else "no")
        self.stays: list[Stay] = stays_of(d)
        self.drive_h = self._number(
            "/life/drive_h_per_day",
            says("driving-per"),
            life.drive_h_per_day,
            0.5 if self.alternator_a > 0 else 0.0,
            "h",
            says("half-hour-until-you"),
        )
        self.drive_daily = bool(life.drive_h_per_day)
        """Whether driving between hook-ups is said to be daily; where it is only assumed the bank must carry a stay without it."""
        self.system_v = cast(
            SystemVoltage,
            int(
                self._number(
                    "/power/system_voltage_v",
                    "system voltage",
                    d.power.system_voltage_v,
                    self._system_default(),
                    "V",
                    "what the vehicle has, 12 V where it has none",
                )
            ),
        )
        self._warmth()
        bank = d.power.bank
        self.chem: Chemistry = CHEMISTRIES[bank.chemistry if bank else "lifepo4"]
        self.months: list[int] = self._planned()

    def _placed_bank(self) -> str | None:
        """Where the bank stands by its bay in Fit, if it has one."""
        p = self.design.fit.place("power:bank")
        bay = next((b for b in self.design.fit.bays if p is not None and b.id == p.bay), None)
        if bay is None:
            return None
        by_kind = {"underfloor": "underfloor", "engine_bay": "engine_space", "garage": "garage"}
        by_warmth = {"living": "warm_inside", "unheated": "unheated_inside", "outside": "underfloor"}
        return by_kind.get(bay.kind) or by_warmth[bay.thermal]

    def _warmth(self) -> None:
        """Temperatures to design for, and how leaky the shell is."""
        w = self.design.warmth
        self.indoor_c = self._number("/warmth/indoor_temp_c", says("warm-by"), w.indoor_temp_c, 20, "°C", says("usual-while-awake"))
        self.night_c = self._number("/warmth/night_temp_c", says("warm-by-night"), w.night_temp_c, 16, "°C", says("usual-while-asleep"))
        coldest, hottest = min(self.met(), key=lambda x: x[0].tmin_c[x[1] - 1]), max(self.met(), key=lambda x: x[0].tmax_c[x[1] - 1])
        cold, hot = coldest[0].tmin_c[coldest[1] - 1] - 6, hottest[0].tmax_c[hottest[1] - 1] + 5
        self.cold_c = self._number(
            "/warmth/design_cold_c",
            says("coldest-to-design-for"),
            w.design_cold_c,
            round(min(cold, self.night_c - 1), 1),
            "°C",
            says("under-coldest-months-mean", coldest_name=coldest[0].name),
        )
        self.hot_c = self._number(
            "/warmth/design_hot_c",
            says("hottest-to-design-for"),
            w.design_hot_c,
            round(hot, 1),
            "°C",
            says("over-hottest-planned-months", hottest_name=hottest[0].name),
        )
        self.leak_per_h = self._number("/warmth/leak_per_h", says("air-that-leaks"), w.leak_per_h, 1.0, "1/h", says("closed-with-breeze-or"))

    def part(self, name: str, work: Callable[Concatenate[Context, P], T], *given: P.args, **none: P.kwargs) -> T:
        """A piece of a part of the report, ``work(self, *given)``; where a report is made again it is taken from the last one, see :mod:`bothy.core.reuse`."""
        return work(self, *given, **none)

    def still(self, name: str, work: Callable[Concatenate[Context, P], T], *given: P.args, **none: P.kwargs) -> T:
        """The same for a piece that counts as unchanged wherever it comes out equal, though what it read has changed."""
        return work(self, *given, **none)

    def met(self) -> list[tuple[Climate, int]]:
        """Every climate and month that is planned: Life's place in its months, and the places of the trip in theirs."""
        return [(self.climate, m) for m in self._planned()] + [(s.climate, m) for s in self.stays for m in sorted(s.months)]

    def _planned(self) -> list[int]:
        n, out = self.from_month, [self.from_month]
        while n != self.to_month:
            n = n % 12 + 1
            out.append(n)
        return out

    def _system_default(self) -> int:
        return self.preset.vehicle_v if self.design.vehicle.vehicle_voltage_v is None else self.design.vehicle.vehicle_voltage_v

    def _number(self, path: str, label: str, value: float | None, default: float, unit: str, why: str) -> float:
        fig = Figure(
            float(default if value is None else value),
            unit,
            label,
            origin="assumed" if value is None else "typed",
            note=why if value is None else says("as-typed"),
        )
        self.said[path] = fig
        if value is None:
            self.assumptions.append(Assumption(path=path, label=label, value=float(default), unit=unit, why=why))
        return fig.value

    def _other(self, path: str, label: str, value: Any, default: Any, why: str) -> Any:
        if value is None:
            self.assumptions.append(Assumption(path=path, label=label, value=default, unit="", why=why))
            return default
        return value

    def _say(self, path: str, shown: str) -> None:
        """Put an assumption into words."""
        for a in self.assumptions:
            if a.path == path:
                a.shown = shown

    def figure(self, path: str) -> Figure:
        """The typed or assumed value at a path, as a figure."""
        return self.said[path]

    def season_months(self, season: str) -> list[int]:
        """Months of a season that are in the plan, or all of it when none is."""
        all_of = [m for m in range(1, 13) if self.climate.season(m) == season]
        return [m for m in all_of if m in self.months] or all_of

    def worst_month(self, season: str) -> int:
        """The month of a season with the least sun, among those in the plan."""
        return min(self.season_months(season), key=lambda m: self.climate.ghi_kwh_m2_day[m - 1])

    def day_temp(self, month: int) -> float:
        """Daytime air in °C: between the month's mean and its mean maximum."""
        lo, hi = self.climate.tmin_c[month - 1], self.climate.tmax_c[month - 1]
        return lo + 0.75 * (hi - lo)

    def galley_temp(self, season: str) -> float:
        """Air round the fridge's condenser in °C: lived-in warmth in winter, above outdoors in summer."""
        hottest = max(self.climate.tmax_c[m - 1] for m in self.season_months(season))
        return max({"winter": 18.0, "shoulder": 20.0, "summer": 22.0}[season], hottest + 2.0)

    def coldest_night(self) -> Figure:
        """The coldest night to design for, at Life's place or on the trip: 6 K under the coldest month's mean minimum (typical)."""
        where, month = min(self.met(), key=lambda x: x[0].tmin_c[x[1] - 1])
        t = where.tmin_c[month - 1]
        mean = given("mean_minimum_c", t, "table", says("approximate-normals", where_name=where.name, months=MONTHS[month - 1]))
        return Figure(
            t - 6.0,
            "°C",
            says("coldest-night"),
            expression=says("mean-minimum"),
            source=Method("warmth.design-conditions", "typical cold spell; approximate"),
            inputs=(("mean_minimum_c", mean),),
        )

    def record_cold(self) -> Figure:
        """The cold to take for a panel's voltage: 14 K under the coldest mean minimum of the year at Life's place, or on the trip (cautious)."""
        where, month = min([(self.climate, m) for m in range(1, 13)] + self.met(), key=lambda x: x[0].tmin_c[x[1] - 1])
        mean = given("mean_minimum_c", where.tmin_c[month - 1], "table", says("approximate-normals", where_name=where.name, months=MONTHS[month - 1]))
        return Figure(
            mean.value - 14.0,
            "°C",
            says("record-cold"),
            expression=says("mean-minimum-2"),
            source=Method("warmth.design-conditions", "cautious; use the local record low"),
            inputs=(("mean_minimum_c", mean),),
        )

    def bank_cold(self) -> Figure:
        """The coldest the cells get in the planned months, by where the bank stands (typical)."""
        night = self.coldest_night()
        warmer = {"warm_inside": None, "unheated_inside": 4.0, "garage": 3.0, "underfloor": 0.0, "engine_space": 0.0}[self.bank_place]
        where = BANK_PLACES[self.bank_place]
        if warmer is None:
            return Figure(
                max(10.0, night.value),
                "°C",
                says("coldest-cells"),
                expression=says("kept-at-or-more"),
                source=Method("warmth.design-conditions") + OwnChoice("typical"),
                inputs=(("coldest_night_c", night),),
                note=where,
            )
        offset = given("warmer_k", warmer, "table", says("typical-2", where=where))
        return Figure(
            night.value + warmer,
            "°C",
            says("coldest-cells"),
            expression=says("coldest-night-what-place"),
            source=Method("warmth.design-conditions") + OwnChoice("typical"),
            inputs=(("coldest_night_c", night), ("warmer_k", offset)),
        )

    @property
    def hooked(self) -> bool:
        """Whether it stands on a hook-up every night: mains appliances run there, and the bank carries the drive and a power cut."""
        return self.nights <= 0

    @property
    def usable_frac(self) -> float:
        """How much of the bank may be used: as said, or usual of its chemistry."""
        b = self.design.power.bank
        return b.usable_frac if b is not None and b.usable_frac is not None else self.chem.usable_frac

    @property
    def bank_v(self) -> float:
        """Nominal voltage of the bank, as cells × cell voltage."""
        return self.chem.bank_v(self.system_v)

    @property
    def vehicle_system_v(self) -> Literal[12, 24]:
        """The vehicle's own system, 12 or 24 V."""
        return 24 if self.vehicle_v > 18 else 12

    @property
    def top_v(self) -> float:
        """Highest charge voltage of the system in V (method wiring.fuse)."""
        return FULL_12_V * self.scale

    @property
    def scale(self) -> float:
        """System voltage over 12 V."""
        return self.system_v / 12

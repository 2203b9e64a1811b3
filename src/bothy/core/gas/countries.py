"""What gas fits where: cylinder outlets and fillers by country, and who may do the work by region (method gas.papers; typical, to be verified before
a trip)."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bothy.core.region import RegionKey
from bothy.core.words.says import gas_says as says

Outlet = Literal["pol", "clip_21", "clip_27", "m20", "w21_8", "w20", "local_clip", "qcc1", "leisure_27"]
Filler = Literal["bayonet", "acme", "dish", "en13760", "us_acme"]
OUTLET_WORDS: dict[str, str] = {
    "pol": says("pol-left-hand"),
    "clip_21": "clip-on 21 mm",
    "clip_27": "clip-on 27 mm",
    "m20": "M20×1.5 left-hand",
    "w21_8": "W21.8×1/14 left-hand",
    "w20": "W20×1/14 left-hand",
    "local_clip": says("clip-on-country"),
    "qcc1": says("qcc-type"),
    "leisure_27": says("leisure-connection"),
}
FILLER_WORDS: dict[str, str] = {"bayonet": "bayonet", "acme": "ACME", "dish": "dish", "en13760": "EN 13760 nozzle", "us_acme": "1 3/4 in ACME"}


@dataclass(frozen=True, slots=True)
class Country:
    """Outlets of cylinders met, fillers at pumps, and what to know."""

    name: str
    outlets: tuple[Outlet, ...]
    fillers: tuple[Filler, ...]
    note: str
    butane_only: bool = False


_NORTH = says("propane-only-in-winter")
_EAST = says("autogas-everywhere-butane-rich")
COUNTRIES: dict[str, Country] = {
    "GB": Country(says("united-kingdom"), ("pol", "clip_21", "clip_27"), ("bayonet",), says("own-exchange-system-autogas")),
    "IE": Country(says("ireland"), ("pol", "clip_21", "clip_27"), ("acme", "bayonet"), says("own-exchange-system")),
    "FR": Country(says("france"), ("m20", "clip_27"), ("dish",), says("several-exchange-systems-not")),
    "DE": Country(says("germany"), ("w21_8",), ("acme",), says("and-cylinders-users-own")),
    "AT": Country(says("austria"), ("w21_8",), ("dish",), says("as-germany-autogas-about")),
    "IT": Country(says("italy"), ("w20",), ("dish",), says("autogas-butane-rich-in")),
    "ES": Country(says("spain"), ("local_clip",), ("en13760", "dish"), says("exchange-by-contract")),
    "PT": Country(says("portugal"), ("local_clip",), ("en13760", "dish"), says("exchange-by-contract")),
    "NL": Country(says("netherlands"), ("w21_8",), ("bayonet",), ""),
    "BE": Country(says("belgium"), ("w21_8", "clip_27"), ("acme",), ""),
    "LU": Country(says("luxembourg"), ("w21_8", "clip_27"), ("acme",), ""),
    "CH": Country(says("switzerland"), ("w21_8",), ("dish", "acme"), ""),
    "DK": Country(says("denmark"), ("local_clip", "w21_8", "pol"), ("dish",), _NORTH),
    "SE": Country(says("sweden"), ("local_clip", "w21_8", "pol"), ("dish",), _NORTH),
    "NO": Country(says("norway"), ("local_clip", "w21_8", "pol"), ("dish", "bayonet"), _NORTH),
    "FI": Country(says("finland"), ("local_clip", "w21_8", "pol"), ("dish",), _NORTH),
    **{
        code: Country(name, ("w21_8", "local_clip"), ("dish",), _EAST)
        for code, name in (
            ("PL", says("poland")),
            ("CZ", says("czechia")),
            ("EE", says("estonia")),
            ("LV", says("latvia")),
            ("LT", says("lithuania")),
            ("SI", says("slovenia")),
            ("HR", says("croatia")),
            ("GR", says("greece")),
            ("TR", says("turkey")),
        )
    },
    "MA": Country(says("morocco"), ("local_clip",), (), says("butane-only-carry-regulator"), butane_only=True),
    "US": Country(says("united-states"), ("qcc1", "pol"), ("us_acme",), says("refill-by-mass-or")),
    "CA": Country(says("canada"), ("qcc1", "pol"), ("us_acme",), says("refill-by-mass-or")),
    "AU": Country(says("australia"), ("pol", "leisure_27"), ("acme",), says("exchange-and-refill-common")),
    "NZ": Country(says("new-zealand"), ("pol", "leisure_27"), ("acme",), says("exchange-and-refill-common")),
}
"""By the country's two-letter code."""
USUAL: dict[RegionKey, tuple[Outlet, Filler]] = {"uk": ("pol", "bayonet"), "eu": ("w21_8", "dish"), "us": ("qcc1", "us_acme"), "au": ("pol", "acme")}
"""Outlet and filler of a vessel bought in the region, where nothing is said."""


@dataclass(frozen=True, slots=True)
class Law:
    """Who may install, which paper there is, and after how many months it is renewed."""

    installs: str
    paper: str
    afterwards: str
    months: float
    licensed_only: bool = False


LAWS: dict[str, Law] = {
    "uk": Law(
        says("your-own-private-vehicle"),
        says("inspection-record-landlords-record"),
        says("checked-every-year"),
        12,
    ),
    "eu": Law(
        says("by-country-certified-tester"),
        says("test-certificate-that-names"),
        says("every-two-years-where"),
        24,
    ),
    "us": Law(
        says("no-federal-licence-for"),
        says("built-to-nfpa-and"),
        says("checked-every-year"),
        12,
    ),
    "au": Law(
        says("licensed-gasfitter-only-in"),
        says("certificate-compliance-and-plate"),
        says("as-states-rules-say"),
        12,
        licensed_only=True,
    ),
    "boat": Law(says("marine-qualified-engineer-en"), says("as-flag-and-insurer"), says("checked-every-year-hoses"), 12),
}

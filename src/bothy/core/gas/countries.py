"""What gas fits where: cylinder outlets and fillers by country, and who may do the work by region (method gas.papers; typical, to be verified before
a trip)."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bothy.core.region import RegionKey

Outlet = Literal["pol", "clip_21", "clip_27", "m20", "w21_8", "w20", "local_clip", "qcc1", "leisure_27"]
Filler = Literal["bayonet", "acme", "dish", "en13760", "us_acme"]
OUTLET_WORDS: dict[str, str] = {
    "pol": "POL left-hand",
    "clip_21": "clip-on 21 mm",
    "clip_27": "clip-on 27 mm",
    "m20": "M20×1.5 left-hand",
    "w21_8": "W21.8×1/14 left-hand",
    "w20": "W20×1/14 left-hand",
    "local_clip": "a clip-on of the country",
    "qcc1": "QCC type 1",
    "leisure_27": "27 mm leisure connection",
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


_NORTH = "propane only in winter; refill plants take few foreign cylinders"
_EAST = "autogas everywhere, butane-rich in the south"
COUNTRIES: dict[str, Country] = {
    "GB": Country("the United Kingdom", ("pol", "clip_21", "clip_27"), ("bayonet",), "own exchange system; autogas nearly pure propane, forecourts closing"),
    "IE": Country("Ireland", ("pol", "clip_21", "clip_27"), ("acme", "bayonet"), "own exchange system"),
    "FR": Country("France", ("m20", "clip_27"), ("dish",), "several exchange systems, not interchangeable"),
    "DE": Country("Germany", ("w21_8",), ("acme",), "5 and 11 kg cylinders of the user’s own exchanged; autogas about 60 % propane in winter, 40 % in summer"),
    "AT": Country("Austria", ("w21_8",), ("dish",), "as Germany; autogas about 60 % propane in winter, 40 % in summer"),
    "IT": Country("Italy", ("w20",), ("dish",), "autogas butane-rich in summer"),
    "ES": Country("Spain", ("local_clip",), ("en13760", "dish"), "exchange by contract"),
    "PT": Country("Portugal", ("local_clip",), ("en13760", "dish"), "exchange by contract"),
    "NL": Country("the Netherlands", ("w21_8",), ("bayonet",), ""),
    "BE": Country("Belgium", ("w21_8", "clip_27"), ("acme",), ""),
    "LU": Country("Luxembourg", ("w21_8", "clip_27"), ("acme",), ""),
    "CH": Country("Switzerland", ("w21_8",), ("dish", "acme"), ""),
    "DK": Country("Denmark", ("local_clip", "w21_8", "pol"), ("dish",), _NORTH),
    "SE": Country("Sweden", ("local_clip", "w21_8", "pol"), ("dish",), _NORTH),
    "NO": Country("Norway", ("local_clip", "w21_8", "pol"), ("dish", "bayonet"), _NORTH),
    "FI": Country("Finland", ("local_clip", "w21_8", "pol"), ("dish",), _NORTH),
    **{
        code: Country(name, ("w21_8", "local_clip"), ("dish",), _EAST)
        for code, name in (
            ("PL", "Poland"),
            ("CZ", "Czechia"),
            ("EE", "Estonia"),
            ("LV", "Latvia"),
            ("LT", "Lithuania"),
            ("SI", "Slovenia"),
            ("HR", "Croatia"),
            ("GR", "Greece"),
            ("TR", "Turkey"),
        )
    },
    "MA": Country("Morocco", ("local_clip",), (), "butane only; carry a regulator of the country", butane_only=True),
    "US": Country("the United States", ("qcc1", "pol"), ("us_acme",), "refill by mass or to the 80 % bleed screw"),
    "CA": Country("Canada", ("qcc1", "pol"), ("us_acme",), "refill by mass or to the 80 % bleed screw"),
    "AU": Country("Australia", ("pol", "leisure_27"), ("acme",), "exchange and refill common"),
    "NZ": Country("New Zealand", ("pol", "leisure_27"), ("acme",), "exchange and refill common"),
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
        "Your own private vehicle: a competent person, a registered engineer with leisure-vehicle scope strongly advised. Let, hired or "
        "lived in: a registered engineer by law.",
        "an inspection record; a landlord’s record yearly if let",
        "checked every year",
        12,
    ),
    "eu": Law(
        "By country: a certified tester at commissioning (such as the national rule G 607), or a declaration at homologation.",
        "a test certificate that names EN 1949",
        "every two years where the national rule asks for it",
        24,
    ),
    "us": Law(
        "No federal licence for one’s own vehicle; several states license work on LP-gas.",
        "built to NFPA 1192 and NFPA 58; a dealer’s leak test",
        "checked every year",
        12,
    ),
    "au": Law(
        "A licensed gasfitter only, in every state: own work is an offence.",
        "a certificate of compliance and a plate",
        "as the state’s rules say; yearly taken here",
        12,
        licensed_only=True,
    ),
    "boat": Law("A marine-qualified engineer (EN ISO 10239 or ABYC A-1).", "as flag and insurer ask", "checked every year, hoses dated", 12),
}

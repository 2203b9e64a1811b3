"""The rules of the trip: severity, title, remedy and source of each (handbook 03, section 5)."""

from __future__ import annotations

from collections.abc import Callable

from bothy.core.finding import rules

rules("trips", (
    ("sim-first-shortage", "fault", "It runs out on the way", "A hook-up or a drive before that day, less use, or more of what one more part buys.", "handbook 03 §3.18"),
    ("sim-lolp-high", "fault", "Too many days without power", "See what one more panel or battery would buy.", "handbook 03 §3.18"),
    ("sim-medical-load", "danger", "A medical device may go dark", "A reserve of its own for a full day beyond the forecast, with an alarm; the first tier; a plan with hook-ups. Ask the device's supplier.", "prudence"),
    ("sim-empty-normals", "fault", "It runs out even in usual weather", "More sources, or less use: luck does not help.", "handbook 03 §3.17"),
    ("sim-autonomy-short", "advice", "Less than two days without sun", "A larger bank, charging while driving, or a hook-up more often.", "practice"),
    ("sim-solar-small", "advice", "The sun gives little of it", "More panels, or an itinerary with more drives or hook-ups.", "handbook 03 §3.18"),
    ("sim-tilt-winter", "advice", "Flat panels in the winter", "Panels on the ground or lifted towards the low sun.", "handbook 03 §3.9"),
    ("sim-curve-mismatch", "advice", "Panels bent over the roof hold each other back", "Rows along the vehicle, a bypass for each row, or two controllers.", "handbook 03 §3.10"),
    ("sim-shade-string", "advice", "Shade falls on panels in series", "Move them, or put them in parallel or on controllers of their own.", "handbook 03 §3.11"),
    ("sim-lead-partial", "advice", "The lead bank is not brought to full", "A long solar tail or a hook-up every week.", "lead practice"),
    ("sim-heater-short", "fault", "The heater can't do it", "Its electricity in the first tier, a larger heater, more fuel.", "handbook 03 §3.17"),
    ("sim-freeze", "fault", "Water freezes on the trip", "Keep it warmer, a duct into the bay, or drain it before.", "handbook 03 §3.18"),
    ("sim-fuel-empty", "fault", "Fuel runs out on the way", "More fuel, a stop to fill up; for the heater more insulation, for the generator fewer hours.", "handbook 03 §3.17"),
    ("sim-gas-empty", "fault", "The gas runs out on the way", "A second vessel, a stop to change it, less use, more insulation.", "handbook 03 §3.17"),
    ("sim-water-short", "fault", "The fresh water runs out on the way", "A larger tank, less use, or a refill before that day.", "handbook 03 §3.17"),
    ("sim-grey-full", "fault", "The grey tank is full on the way", "A larger tank, or emptying it before that day.", "handbook 03 §3.17"),
    ("sim-toilet-full", "fault", "The toilet is full on the way", "A second container, or a stop to empty it.", "handbook 03 §3.17"),
    ("sim-too-hot", "fault", "It stays too hot to live in", "Shade, air, an air conditioner; leave nobody in it.", "handbook 04 §3.12; typical"),
    ("sim-damp", "advice", "It stays damp inside", "More air, more warmth, wet things outside.", "handbook 04 §3.7"),
    ("sim-discharge-limit", "fault", "The bank gives too little current", "A bank with a higher current, or loads one after the other.", "handbook 03 §3.15"),
    ("sim-bank-cycles", "note", "The bank wears out early", "A larger bank, or another chemistry.", "handbook 01 §4.1"),
    ("sim-inverter-idle", "advice", "The inverter's own use is a large part", "Switch it off when nothing runs, or take 12 V versions.", "handbook 01"),
    ("sim-snow", "note", "Snow lies on the panels", "A soft broom from the ground, panels set up steeply, a hook-up; no scraper, nobody on the roof or on a panel; wet snow weighs up to 4 kg/m² for each cm.", "handbook 03 §3.11"),
    ("sim-cell-hot", "note", "The panels get very hot", "An air gap under them: glued ones lose the most.", "handbook 03 §3.8"),
    ("sim-controller-clip", "note", "The controller clips the sun", "A larger controller.", "handbook 03 §3.8"),
    ("sim-load-assumed", "note", "Most of the use is assumed", "Measure a day.", "handbook 01"),
    ("sim-low-reserve", "advice", "Little in reserve", "One more battery or panel, or a hook-up more.", "handbook 03 §3.18"),
    ("sim-curtailed", "note", "Sun left unused", "A smaller array, or use it by day: warm water, cooking.", "handbook 03 §3.18"),
    ("sim-charge-refused-cold", "danger", "Lithium offered charge below freezing", "The battery inside, a heated one, or a cut-off.", "IEC 62619"),
    ("sim-charge-refused-hot", "advice", "The battery is too hot to charge", "A shaded place that is aired; off the roof, the engine and the sunny side.", "handbook 01 §4.3"),
    ("sim-inverter-overload", "fault", "More mains power than the inverter gives", "A larger inverter, or one after the other.", "handbook 03 §3.17"),
    ("sim-shore-limit", "fault", "More mains power than the hook-up or generator gives", "Shed in order: the charger first, then heaters; or one after the other.", "handbook 03 §3.17"),
    ("sim-generator-missing", "fault", "Hours are planned for a generator that is not there", "Choose a generator in Power, or take the hours out of the legs.", "definition"),
    ("sim-generator", "note", "The generator runs", "Outdoors, exhaust away from openings, carbon monoxide alarm awake and working, never beside sleepers; local quiet hours; no back-feed into a hook-up.", "handbook 03 §7"),
    ("sim-alternator-only", "advice", "Nearly all charging is by driving", "Solar or a hook-up for the days that stand still.", "handbook 03 §3.18"),
    ("sim-draws-few", "note", "Few weathers", "Run it through more.", "handbook 03 §3.18"),
    ("sim-weather-approx", "note", "Weather by the climate table", "Import a weather file for precision.", "handbook 03 §4.1"),
    ("sim-climate-far", "advice", "The nearest place of the climate table is far away", "Import a weather file of the place.", "handbook 03 §3.13"),
    ("sim-balance", "fault", "The energy does not add up", "An error of Bothy's own: report it. The result is not to be trusted.", "handbook 03 §3.17"),
))  # fmt: skip

Add = Callable[..., None]
"""Takes a rule's id, its message, and where they differ severity and subject."""

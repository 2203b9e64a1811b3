"""The rules of the trip: severity, title, remedy and source of each (method trips.run)."""

from __future__ import annotations

from collections.abc import Callable

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice, Standard

rules("trips", (
    ("sim-first-shortage", "fault", "It runs out on the way", "A hook-up or a drive before that day, less use, or more of what one more part buys.", Method("trips.results")),
    ("sim-lolp-high", "fault", "Too many days without power", "See what one more panel or battery would buy.", Method("trips.results")),
    ("sim-medical-load", "danger", "A medical device may go dark", "A reserve of its own for a full day beyond the forecast, with an alarm; the first tier; a plan with hook-ups. Ask the device's supplier.", Method("trips.results") + OwnChoice("prudence")),
    ("sim-empty-normals", "fault", "It runs out even in usual weather", "More sources, or less use: luck does not help.", Method("trips.run")),
    ("sim-autonomy-short", "advice", "Less than two days without sun", "A larger bank, charging while driving, or a hook-up more often.", Method("trips.results") + OwnChoice("practice")),
    ("sim-solar-small", "advice", "The sun gives little of it", "More panels, or an itinerary with more drives or hook-ups.", Method("trips.results")),
    ("sim-tilt-winter", "advice", "Flat panels in the winter", "Panels on the ground or lifted towards the low sun.", Method("trips.compare") + Method("trips.month")),
    ("sim-curve-mismatch", "advice", "Panels bent over the roof hold each other back", "Rows along the vehicle, a bypass for each row, or two controllers.", Method("trips.direction")),
    ("sim-shade-string", "advice", "Shade falls on panels in series", "Move them, or put them in parallel or on controllers of their own.", Method("trips.shade")),
    ("sim-lead-partial", "advice", "The lead bank is not brought to full", "A long solar tail or a hook-up every week.", Method("trips.run") + OwnChoice("lead practice")),
    ("sim-heater-short", "fault", "The heater can't do it", "Its electricity in the first tier, a larger heater, more fuel.", Method("trips.run")),
    ("sim-freeze", "fault", "Water freezes on the trip", "Keep it warmer, a duct into the bay, or drain it before.", Method("trips.results")),
    ("sim-fuel-empty", "fault", "Fuel runs out on the way", "More fuel, a stop to fill up; for the heater more insulation, for the generator fewer hours.", Method("trips.run")),
    ("sim-gas-empty", "fault", "The gas runs out on the way", "A second vessel, a stop to change it, less use, more insulation.", Method("trips.run")),
    ("sim-water-short", "fault", "The fresh water runs out on the way", "A larger tank, less use, or a refill before that day.", Method("trips.run")),
    ("sim-grey-full", "fault", "The grey tank is full on the way", "A larger tank, or emptying it before that day.", Method("trips.run")),
    ("sim-toilet-full", "fault", "The toilet is full on the way", "A second container, or a stop to empty it.", Method("trips.run")),
    ("sim-too-hot", "fault", "It stays too hot to live in", "Shade, air, an air conditioner; leave nobody in it.", Method("warmth.cooling") + OwnChoice("typical")),
    ("sim-damp", "advice", "It stays damp inside", "More air, more warmth, wet things outside.", Method("warmth.moisture")),
    ("sim-discharge-limit", "fault", "The bank gives too little current", "A bank with a higher current, or loads one after the other.", Method("trips.battery-step")),
    ("sim-bank-cycles", "note", "The bank wears out early", "A larger bank, or another chemistry.", Method("power.chemistries")),
    ("sim-inverter-idle", "advice", "The inverter's own use is a large part", "Switch it off when nothing runs, or take 12 V versions.", Method("power.through-inverter")),
    ("sim-snow", "note", "Snow lies on the panels", "A soft broom from the ground, panels set up steeply, a hook-up; no scraper, nobody on the roof or on a panel; wet snow weighs up to 4 kg/m² for each cm.", Method("trips.shade")),
    ("sim-cell-hot", "note", "The panels get very hot", "An air gap under them: glued ones lose the most.", Method("trips.panel-power")),
    ("sim-controller-clip", "note", "The controller clips the sun", "A larger controller.", Method("trips.panel-power")),
    ("sim-load-assumed", "note", "Most of the use is assumed", "Measure a day.", Method("power.balance")),
    ("sim-low-reserve", "advice", "Little in reserve", "One more battery or panel, or a hook-up more.", Method("trips.results")),
    ("sim-curtailed", "note", "Sun left unused", "A smaller array, or use it by day: warm water, cooking.", Method("trips.results")),
    ("sim-charge-refused-cold", "danger", "Lithium offered charge below freezing", "The battery inside, a heated one, or a cut-off.", Method("trips.run") + Standard("IEC 62619")),
    ("sim-charge-refused-hot", "advice", "The battery is too hot to charge", "A shaded place that is aired; off the roof, the engine and the sunny side.", Method("power.cold")),
    ("sim-inverter-overload", "fault", "More mains power than the inverter gives", "A larger inverter, or one after the other.", Method("trips.run")),
    ("sim-shore-limit", "fault", "More mains power than the hook-up or generator gives", "Shed in order: the charger first, then heaters; or one after the other.", Method("trips.run")),
    ("sim-generator-missing", "fault", "Hours are planned for a generator that is not there", "Choose a generator in Power, or take the hours out of the legs.", Method("trips.itinerary")),
    ("sim-generator", "note", "The generator runs", "Outdoors, exhaust away from openings, carbon monoxide alarm awake and working, never beside sleepers; local quiet hours; no back-feed into a hook-up.", Method("trips.results")),
    ("sim-alternator-only", "advice", "Nearly all charging is by driving", "Solar or a hook-up for the days that stand still.", Method("trips.results")),
    ("sim-draws-few", "note", "Few weathers", "Run it through more.", Method("trips.results")),
    ("sim-weather-approx", "note", "Weather by the climate table", "Import a weather file for precision.", Method("trips.climate")),
    ("sim-climate-far", "advice", "The nearest place of the climate table is far away", "Import a weather file of the place.", Method("trips.weather-files")),
    ("sim-balance", "fault", "The energy does not add up", "An error of Bothy's own: report it. The result is not to be trusted.", Method("trips.run")),
))  # fmt: skip

Add = Callable[..., None]
"""Takes a rule's id, its message, and where they differ severity and subject."""

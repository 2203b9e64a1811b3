"""The rules of the trip: severity, title, remedy and source of each (method trips.run)."""

from __future__ import annotations

from collections.abc import Callable

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice, Standard

rules(
    "trips",
    (
        (
            "sim-first-shortage",
            "fault",
            "Supplies run out on the trip",
            "Plan a hook-up or a drive before that day, use less, or add what one more part buys.",
            Method("trips.results"),
        ),
        ("sim-lolp-high", "fault", "Too many days without power", "See what one more panel or battery would buy.", Method("trips.results")),
        (
            "sim-medical-load",
            "danger",
            "A medical device may lose power",
            "Give the device its own backup battery for at least a full day, with an alarm, and plan hook-ups. Ask its supplier.",
            Method("trips.results") + OwnChoice("prudence"),
        ),
        ("sim-empty-normals", "fault", "Runs out even in average weather", "Add sources, or use less: luck does not help.", Method("trips.run")),
        (
            "sim-autonomy-short",
            "advice",
            "Less than two days without sun",
            "Fit a larger bank, charge while driving, or hook up more often.",
            Method("trips.results") + OwnChoice("practice"),
        ),
        ("sim-solar-small", "advice", "The sun gives little of it", "Fit more panels, or plan more drives or hook-ups.", Method("trips.results")),
        (
            "sim-tilt-winter",
            "advice",
            "Flat panels in the winter",
            "Put panels on the ground, or lift them towards the low sun.",
            Method("trips.compare") + Method("trips.month"),
        ),
        (
            "sim-curve-mismatch",
            "advice",
            "Panels bent over the roof hold each other back",
            "Lay the rows along the vehicle, with a bypass for each row, or use two controllers.",
            Method("trips.direction"),
        ),
        (
            "sim-shade-string",
            "advice",
            "Shade falls on panels in series",
            "Move them, or put them in parallel or on controllers of their own.",
            Method("trips.shade"),
        ),
        (
            "sim-lead-partial",
            "advice",
            "Lead-acid bank is not brought to full",
            "Plan a long solar tail or a hook-up every week.",
            Method("trips.run") + OwnChoice("lead practice"),
        ),
        (
            "sim-heater-short",
            "fault",
            "Heater can’t hold the temperature",
            "Put its electricity in the first tier, fit a larger heater, or carry more fuel.",
            Method("trips.run"),
        ),
        ("sim-freeze", "fault", "Water freezes on the trip", "Keep it warmer, lead a duct into the compartment, or drain it before.", Method("trips.results")),
        (
            "sim-fuel-empty",
            "fault",
            "Fuel runs out on the trip",
            "Carry more fuel, plan a stop to fill up, insulate more, or run the generator less.",
            Method("trips.run"),
        ),
        (
            "sim-gas-empty",
            "fault",
            "Gas runs out on the trip",
            "Carry a second cylinder, plan a stop to change it, use less, or insulate more.",
            Method("trips.run"),
        ),
        ("sim-water-short", "fault", "Fresh water runs out on the trip", "Fit a larger tank, use less, or refill before that day.", Method("trips.run")),
        ("sim-grey-full", "fault", "Grey tank is full on the trip", "Fit a larger tank, or empty it before that day.", Method("trips.run")),
        ("sim-toilet-full", "fault", "Toilet is full on the trip", "Carry a second container, or plan a stop to empty it.", Method("trips.run")),
        (
            "sim-too-hot",
            "fault",
            "Too hot to live in",
            "Shade and ventilate it, or fit an air conditioner. Leave nobody in it.",
            Method("warmth.cooling") + OwnChoice("typical"),
        ),
        ("sim-damp", "advice", "Damp inside for days", "Ventilate more, heat more, and keep wet things outside.", Method("warmth.moisture")),
        (
            "sim-discharge-limit",
            "fault",
            "Bank gives too little current",
            "Fit a bank with a higher current, or run the loads one after the other.",
            Method("trips.battery-step"),
        ),
        ("sim-bank-cycles", "note", "Bank wears out early", "Fit a larger bank, or choose another chemistry.", Method("power.chemistries")),
        (
            "sim-inverter-idle",
            "advice",
            "Inverter’s own use is a large part",
            "Switch the inverter off when nothing runs, or use 12 V versions.",
            Method("power.through-inverter"),
        ),
        (
            "sim-snow",
            "note",
            "Snow lies on the panels",
            "Use a soft broom from the ground, set panels up steeply, or hook up. Use no scraper, and step on no roof or panel.",
            Method("trips.shade"),
        ),
        ("sim-cell-hot", "note", "Panels get very hot", "Leave an air gap under them: glued ones lose the most.", Method("trips.panel-power")),
        ("sim-controller-clip", "note", "Controller clips the sun", "Fit a larger controller.", Method("trips.panel-power")),
        ("sim-load-assumed", "note", "Most of the use is assumed", "Measure a day of your own use.", Method("power.balance")),
        ("sim-low-reserve", "advice", "Little in reserve", "Add a battery or a panel, or plan one more hook-up.", Method("trips.results")),
        ("sim-curtailed", "note", "Sun left unused", "Fit a smaller array, or use the sun by day: hot water, cooking.", Method("trips.results")),
        (
            "sim-charge-refused-cold",
            "danger",
            "Lithium offered charge below freezing",
            "Move the battery inside, or fit a heated one or one with a cold-charge cut-off.",
            Method("trips.run") + Standard("IEC 62619"),
        ),
        (
            "sim-charge-refused-hot",
            "advice",
            "Battery too hot to charge",
            "Move it to a shaded, aired place, away from the roof, the engine and the sunny side.",
            Method("power.cold"),
        ),
        (
            "sim-inverter-overload",
            "fault",
            "More mains power than the inverter gives",
            "Fit a larger inverter, or run the appliances one after the other.",
            Method("trips.run"),
        ),
        (
            "sim-shore-limit",
            "fault",
            "More mains power than the hook-up or generator gives",
            "Switch off the charger first, then heaters, or run them one after the other.",
            Method("trips.run"),
        ),
        (
            "sim-generator-missing",
            "fault",
            "Hours are planned for a generator that is not there",
            "Choose a generator in Power, or take the hours out of the legs.",
            Method("trips.itinerary"),
        ),
        (
            "sim-generator",
            "note",
            "The generator runs",
            "Run it outdoors, its exhaust away from openings and never beside sleepers, with a working carbon monoxide alarm. Keep quiet "
            "hours, and never feed back into a hook-up.",
            Method("trips.results"),
        ),
        (
            "sim-alternator-only",
            "advice",
            "Nearly all charging is by driving",
            "Add solar or a hook-up for the days that stand still.",
            Method("trips.results"),
        ),
        ("sim-draws-few", "note", "Few simulated trips", "Run it through more weather.", Method("trips.results")),
        ("sim-weather-approx", "note", "Weather by the climate table", "Import a weather file for precision.", Method("trips.climate")),
        (
            "sim-climate-far",
            "advice",
            "The nearest place of the climate table is far away",
            "Import a weather file of the place.",
            Method("trips.weather-files"),
        ),
        (
            "sim-balance",
            "fault",
            "The energy does not add up",
            "Report it: this is an error of Bothy’s own, and the result is not to be trusted.",
            Method("trips.run"),
        ),
    ),
)

Add = Callable[..., None]
"""Takes a rule's id, its message, and where they differ severity and subject."""

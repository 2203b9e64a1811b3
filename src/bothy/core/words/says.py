"""What each field says beside the titles and remedies of its rules: ``water_says("key", …)`` finds its text in ``says/water.en.ftl``."""

from __future__ import annotations

from bothy.core.words.catalogues import Catalogue

CATALOGUES = {
    field: Catalogue("bothy.core.words", [f"says/{field}"])
    for field in (
        "api",
        "build",
        "calculators",
        "catalogue",
        "commissioning",
        "core",
        "design",
        "devices",
        "facts",
        "faults",
        "fit",
        "forecast",
        "formats",
        "gas",
        "handover",
        "jobs",
        "live",
        "method",
        "power",
        "proposals",
        "proving",
        "roof",
        "sides",
        "sizing",
        "store",
        "sun",
        "supplier",
        "trips",
        "warmth",
        "water",
        "wiring",
    )
}
"""One a field, named after its folder."""
api_says = CATALOGUES["api"].say
build_says = CATALOGUES["build"].say
calculators_says = CATALOGUES["calculators"].say
catalogue_says = CATALOGUES["catalogue"].say
commissioning_says = CATALOGUES["commissioning"].say
core_says = CATALOGUES["core"].say
design_says = CATALOGUES["design"].say
devices_says = CATALOGUES["devices"].say
facts_says = CATALOGUES["facts"].say
faults_says = CATALOGUES["faults"].say
fit_says = CATALOGUES["fit"].say
forecast_says = CATALOGUES["forecast"].say
formats_says = CATALOGUES["formats"].say
gas_says = CATALOGUES["gas"].say
handover_says = CATALOGUES["handover"].say
jobs_says = CATALOGUES["jobs"].say
live_says = CATALOGUES["live"].say
method_says = CATALOGUES["method"].say
power_says = CATALOGUES["power"].say
proposals_says = CATALOGUES["proposals"].say
proving_says = CATALOGUES["proving"].say
roof_says = CATALOGUES["roof"].say
sides_says = CATALOGUES["sides"].say
sizing_says = CATALOGUES["sizing"].say
store_says = CATALOGUES["store"].say
sun_says = CATALOGUES["sun"].say
supplier_says = CATALOGUES["supplier"].say
trips_says = CATALOGUES["trips"].say
warmth_says = CATALOGUES["warmth"].say
water_says = CATALOGUES["water"].say
wiring_says = CATALOGUES["wiring"].say

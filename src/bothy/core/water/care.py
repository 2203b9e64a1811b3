"""Sanitising and filters (method water.sanitising)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method
from bothy.core.words.says import water_says as says

DAYS_A_YEAR = 365.25


@formula(says("chlorine"), "V·(target − existing)/1000", unit="g", source=Method("water.sanitising"))
def chlorine(system_volume_l: float, target_mg_l: float, existing_mg_l: float) -> float:
    return system_volume_l * (target_mg_l - existing_mg_l) / 1000


class SanitiseDoseIn(Contract):
    system_volume_l: float = Field(gt=0, le=5000)
    target_mg_l: float = Field(50, ge=1, le=500)
    existing_mg_l: float = Field(0, ge=0, le=500)
    product_type: Literal["liquid", "solid", "tablet"]
    strength_frac: float | None = Field(None, gt=0, le=1)
    product_density_kg_l: float = Field(1.08, ge=0.8, le=1.5)
    tablet_mg: float | None = Field(None, gt=0, le=10000)
    strength_remaining_frac: float = Field(1, gt=0, le=1)
    ct_mg_min_l: float = Field(3000, ge=100, le=50000)
    dead_frac: float = Field(0.05, ge=0, le=0.9)
    limit_mg_l: float = Field(1, ge=0.1, le=5)

    @model_validator(mode="after")
    def _product(self) -> Self:
        if self.existing_mg_l >= self.target_mg_l:
            raise wrong("existing_mg_l", says("must-be-less-than", target_mg_l=self.target_mg_l))
        key = "tablet_mg" if self.product_type == "tablet" else "strength_frac"
        if getattr(self, key) is None:
            raise wrong(key, says("required-for", product_type=self.product_type))
        return self


class SanitiseDoseOut(Outcome):
    chlorine_g: float
    dose_ml: float | None
    dose_g: float | None
    tablet_count: int | None
    contact_time_min: float
    rinse_count: int
    residual_mg_l: float
    rinse_water_l: float


def sanitise_dose(inp: SanitiseDoseIn, sources: dict[str, Figure] | None = None) -> SanitiseDoseOut:
    """Chlorine, product, contact time and rinses. Method: water.sanitising."""
    g = Given(inp, sources)
    grams = chlorine(g("system_volume_l"), g("target_mg_l"), g("existing_mg_l"))
    left = g("strength_remaining_frac")
    ml = solid = None
    tablets: Figure | None = None
    if inp.product_type == "tablet":
        tablets = derived(
            "tablet_count",
            "⌈1000·g/(mg·remaining)⌉",
            float(math.ceil(1000 * grams.value / ((inp.tablet_mg or 1) * left.value) - EPS)),
            Method("water.sanitising"),
            chlorine_g=grams,
            tablet_mg=g("tablet_mg"),
            strength_remaining_frac=left,
        )
    elif inp.product_type == "liquid":
        ml = derived(
            "dose_ml",
            "g/(strength·remaining·density)",
            grams.value / ((inp.strength_frac or 1) * left.value * inp.product_density_kg_l),
            Method("water.sanitising"),
            chlorine_g=grams,
            strength_frac=g("strength_frac"),
            strength_remaining_frac=left,
            product_density_kg_l=g("product_density_kg_l"),
        )
    else:
        solid = derived(
            "dose_g",
            "g/(strength·remaining)",
            grams.value / ((inp.strength_frac or 1) * left.value),
            Method("water.sanitising"),
            chlorine_g=grams,
            strength_frac=g("strength_frac"),
            strength_remaining_frac=left,
        )
    n, residual = 0, inp.target_mg_l
    while residual > inp.limit_mg_l + EPS:
        n, residual = n + 1, residual * inp.dead_frac
    return SanitiseDoseOut.of(
        chlorine_g=grams,
        dose_ml=ml,
        dose_g=solid,
        tablet_count=tablets,
        contact_time_min=derived(
            "contact_time_min",
            "CT/target",
            inp.ct_mg_min_l / inp.target_mg_l,
            Method("water.sanitising"),
            ct_mg_min_l=g("ct_mg_min_l"),
            target_mg_l=g("target_mg_l"),
        ),
        rinse_count=derived(
            "rinse_count",
            "smallest n with target·deadⁿ ≤ limit",
            float(n),
            Method("water.sanitising"),
            target_mg_l=g("target_mg_l"),
            dead_frac=g("dead_frac"),
            limit_mg_l=g("limit_mg_l"),
        ),
        residual_mg_l=derived("residual_mg_l", "target·deadⁿ", residual, Method("water.sanitising"), target_mg_l=g("target_mg_l"), dead_frac=g("dead_frac")),
        rinse_water_l=derived(
            "rinse_water_l",
            "n·V·(1 − dead)",
            n * inp.system_volume_l * (1 - inp.dead_frac),
            Method("water.sanitising"),
            system_volume_l=g("system_volume_l"),
            dead_frac=g("dead_frac"),
        ),
    )


class FilterIn(Contract):
    name: str | None = Field(None, min_length=1, max_length=200)
    rated_l: float | None = Field(None, gt=0, le=1e6)
    rated_months: float | None = Field(None, gt=0, le=60)
    rated_flow_l_min: float = Field(gt=0, le=100)
    clean_kpa: float = Field(ge=0, le=500)

    @model_validator(mode="after")
    def _life(self) -> Self:
        if self.rated_l is None and self.rated_months is None:
            raise wrong("rated_l", says("give-rated-or-rated"))
        return self


class FilterLifeIn(Contract):
    flow_l_day: float = Field(ge=0, le=5000)
    flow_l_min: float = Field(8, gt=0, le=60)
    filters: list[FilterIn] = Field(min_length=1, max_length=8)


class FilterLife(BaseModel):
    name: str
    days: float | None
    limited_by: str | None
    changes_per_year: float
    drop_kpa: float
    over_rated_flow: bool


class FilterLifeOut(Outcome):
    filters: list[FilterLife]
    total_drop_kpa: float


def filter_life(inp: FilterLifeIn, sources: dict[str, Figure] | None = None) -> FilterLifeOut:
    """When each filter is used up, and what it takes from the pressure. Method: water.filters."""
    g = Given(inp, sources)
    out: list[FilterLife] = []
    for i, f in enumerate(inp.filters, 1):
        litres = f.rated_l / inp.flow_l_day if f.rated_l is not None and inp.flow_l_day > 0 else None
        time = f.rated_months * DAYS_A_YEAR / 12 if f.rated_months is not None else None
        known = [(d, w) for d, w in ((litres, "litres"), (time, "time")) if d is not None]
        days, by = min(known) if known else (None, None)
        out.append(
            FilterLife(
                name=f.name or says("filter", i=i),
                days=days,
                limited_by=by,
                changes_per_year=DAYS_A_YEAR / days if days else 0.0,
                drop_kpa=f.clean_kpa * inp.flow_l_min / f.rated_flow_l_min,
                over_rated_flow=inp.flow_l_min > f.rated_flow_l_min + EPS,
            )
        )
    total = derived(
        "total_drop_kpa",
        "Σ clean drop·Q/rated flow",
        sum(f.drop_kpa for f in out),
        Method("water.filters", "laminar media, clean"),
        flow_l_min=g("flow_l_min"),
        **{f"{f.name}_kpa": f.drop_kpa for f in out},
    )
    return FilterLifeOut.of(filters=out, total_drop_kpa=total)

"""Litres a day by use, and what of them comes back as waste (method water.demand)."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

from pydantic import BaseModel, Field

from bothy.core.contract import Contract, Given, Outcome, Whole
from bothy.core.figure import Figure, derived, given
from bothy.core.method.sources import Method
from bothy.core.words.says import water_says as says

Style = Literal["frugal", "moderate", "generous"]
Toilet = Literal["none", "cassette", "black", "separating", "bag"]
Shower = Literal["none", "flow", "recirculating"]
USES = ("drinking", "cooking", "dishes", "hand_wash", "shower", "flush", "outside")
FLUSH_L: dict[str, float] = {"cassette": 0.3, "black": 0.8}
HOT = 1.5
URINE_L, SOLID_L, COVER_L = 1.4, 0.2, 0.1


@dataclass(frozen=True, slots=True)
class Habits:
    """Litres a person and day, and the shower; typical (method water.demand)."""

    drinking_l_person_day: float
    cooking_l_person_day: float
    dishes_l_person_day: float
    hand_wash_l_person_day: float
    shower_flow_l_min: float
    shower_time_min: float
    showers_person_week: float
    flushes_person_day: float
    outside_l_day: float


STYLES: dict[str, Habits] = {
    "frugal": Habits(2.0, 1.0, 1.5, 1.0, 4, 2, 2, 4, 0),
    "moderate": Habits(2.5, 1.5, 3.0, 2.5, 5.5, 4, 3.5, 5, 2),
    "generous": Habits(3.0, 2.5, 6.0, 5.0, 8, 6, 7, 6, 5),
}


class WaterHabits(BaseModel):
    """Habits of the people aboard, the same in the design and in the sum: litres a person and day, and the shower. None: as the style has it."""

    style: Style = "moderate"
    drinking_source: Literal["tank", "separate"] = "tank"
    hot_climate: bool = False
    drinking_l_person_day: float | None = Field(None, ge=0, le=20)
    cooking_l_person_day: float | None = Field(None, ge=0, le=20)
    dishes_l_person_day: float | None = Field(None, ge=0, le=50)
    hand_wash_l_person_day: float | None = Field(None, ge=0, le=50)
    shower_type: Shower = "flow"
    shower_flow_l_min: float | None = Field(None, ge=0.5, le=20)
    shower_time_min: float | None = Field(None, ge=0, le=60)
    showers_person_week: float | None = Field(None, ge=0, le=21)
    shower_charge_l: float = Field(10, ge=1, le=50)
    outside_l_day: float | None = Field(None, ge=0, le=500)


class WaterDemandIn(Contract, WaterHabits):
    persons_count: Whole = Field(ge=1, le=12)
    toilet_type: Toilet = "cassette"
    flush_l: float | None = Field(None, ge=0, le=10)
    flushes_person_day: float | None = Field(None, ge=0, le=20)
    toilet_home_frac: float = Field(0.7, ge=0, le=1)
    machines_l_day: float | None = Field(None, ge=0, le=2000)

    def habit(self, key: str) -> float:
        """What is typed, else the style's."""
        said = getattr(self, key)
        return float(getattr(STYLES[self.style], key) if said is None else said)


class WaterDemandOut(Outcome):
    use_l_day: dict[str, float]
    total_l_day: float
    fresh_tank_l_day: float
    drinking_store_l_day: float
    total_l_person_day: float
    grey_l_day: float
    cassette_l_day: float
    black_l_day: float
    urine_l_day: float
    solids_l_day: float


def _shower(inp: WaterDemandIn, g: Given, habit: Callable[[str], Figure], n: Figure) -> Figure:
    week = habit("showers_person_week")
    if inp.shower_type == "flow":
        flow, time = habit("shower_flow_l_min"), habit("shower_time_min")
        return derived(
            "shower_l_day",
            "people · showers a week/7 · flow · minutes",
            n.value * week.value / 7 * flow.value * time.value,
            Method("water.demand"),
            persons_count=n,
            showers_person_week=week,
            shower_flow_l_min=flow,
            shower_time_min=time,
        )
    if inp.shower_type == "recirculating":
        charge = g("shower_charge_l")
        return derived(
            "shower_l_day",
            "people · showers a week/7 · one charge",
            n.value * week.value / 7 * charge.value,
            Method("water.demand"),
            persons_count=n,
            showers_person_week=week,
            shower_charge_l=charge,
        )
    return given("shower_l_day", 0.0, "input", says("no-shower"))


def _flush(inp: WaterDemandIn, g: Given, habit: Callable[[str], Figure], n: Figure, home: Figure) -> Figure:
    if inp.toilet_type not in FLUSH_L:
        return given("flush_l_day", 0.0, "input", says("this-toilet-isnt-flushed"))
    flush = g("flush_l", FLUSH_L[inp.toilet_type], says("typical-method-water-demand"))
    times = habit("flushes_person_day")
    return derived(
        "flush_l_day",
        "litres a flush · flushes · share at home · people",
        flush.value * times.value * home.value * n.value,
        Method("water.demand"),
        flush_l=flush,
        flushes_person_day=times,
        toilet_home_frac=home,
        persons_count=n,
    )


def water_demand(inp: WaterDemandIn, sources: dict[str, Figure] | None = None) -> WaterDemandOut:
    """Use and waste in litres a day. Method: water.demand."""
    g = Given(inp, sources)
    n = g("persons_count")

    def habit(key: str) -> Figure:
        if (sources and key in sources) or getattr(inp, key) is not None:
            return g(key)
        return given(key, inp.habit(key), "table", says("style-typical-method-water", style=inp.style))

    warm = given("hot_climate_share", HOT if inp.hot_climate else 1.0, "table", says("half-as-much-again") if inp.hot_climate else says("no-hot-climate"))
    uses: dict[str, Figure] = {}
    drink = habit("drinking_l_person_day")
    uses["drinking"] = derived(
        "drinking_l_day",
        "litres a person · people · heat",
        drink.value * warm.value * n.value,
        Method("water.demand"),
        drinking_l_person_day=drink,
        hot_climate_share=warm,
        persons_count=n,
    )
    for use in ("cooking", "dishes", "hand_wash"):
        one = habit(f"{use}_l_person_day")
        uses[use] = derived(
            f"{use}_l_day", "litres a person · people", one.value * n.value, Method("water.demand"), **{f"{use}_l_person_day": one}, persons_count=n
        )
    uses["shower"] = _shower(inp, g, habit, n)
    home = g("toilet_home_frac")
    uses["flush"] = _flush(inp, g, habit, n, home)
    uses["outside"] = habit("outside_l_day")
    if inp.machines_l_day:
        uses["machines"] = g("machines_l_day")
    machines = uses["machines"].value if inp.machines_l_day else 0.0
    by_use = {f"{k}_l_day": v for k, v in uses.items()}
    total = derived("total_l_day", "Σ of the uses", sum(v.value for v in uses.values()), Method("water.demand"), **by_use)
    apart = inp.drinking_source == "separate"
    store = derived(
        "drinking_store_l_day",
        says("drinking-from-store-own") if apart else says("none-comes-from-tank"),
        uses["drinking"].value if apart else 0.0,
        Method("water.demand"),
        drinking_l_day=uses["drinking"],
    )
    grey = derived(
        "grey_l_day",
        f"0.4·cooking + 0.95·(dishes + hand wash + shower{' + machines' if machines else ''})",
        0.4 * uses["cooking"].value + 0.95 * (uses["dishes"].value + uses["hand_wash"].value + uses["shower"].value + machines),
        Method("water.demand"),
        **{k: by_use[k] for k in ("cooking_l_day", "dishes_l_day", "hand_wash_l_day", "shower_l_day", *(["machines_l_day"] if machines else []))},
    )
    h, t = home.value * n.value, inp.toilet_type
    urine, solid, cover = URINE_L * h, SOLID_L * h, COVER_L * h
    flushed = uses["flush"].value + urine + solid
    because = {"persons_count": n, "toilet_home_frac": home}

    def waste(key: str, text: str, value: float) -> Figure:
        return (
            derived(key, text, value, Method("water.demand", "typical litres"), **because, flush_l_day=uses["flush"])
            if value
            else given(key, 0.0, "computed", says("this-toilet-has-none"), source=Method("water.demand"))
        )

    return WaterDemandOut.of(
        use_l_day=uses,
        total_l_day=total,
        fresh_tank_l_day=derived(
            "fresh_tank_l_day", says("total-drinking-store"), total.value - store.value, Method("water.demand"), total_l_day=total, drinking_store_l_day=store
        ),
        drinking_store_l_day=store,
        total_l_person_day=derived(
            "total_l_person_day", "total/people", total.value / n.value, Method("water.demand", "definition"), total_l_day=total, persons_count=n
        ),
        grey_l_day=grey,
        cassette_l_day=waste("cassette_l_day", says("flush-person-at-home"), flushed if t == "cassette" else 0.0),
        black_l_day=waste("black_l_day", says("flush-person-at-home"), flushed if t == "black" else 0.0),
        urine_l_day=waste("urine_l_day", says("person-at-home"), urine if t == "separating" else 0.0),
        solids_l_day=waste(
            "solids_l_day",
            says("and-cover-person-at") if t == "separating" else says("person-at-home-gelled"),
            solid + cover if t == "separating" else urine + solid if t == "bag" else 0.0,
        ),
    )

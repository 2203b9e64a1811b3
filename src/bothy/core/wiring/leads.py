"""Mains from the inlet by plug-in leads, or the same sum for a wired radial (method wiring.mains)."""

from __future__ import annotations

from typing import ClassVar, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, Whole, unique_ids, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method
from bothy.core.region import REGIONS, RegionKey
from bothy.core.wiring.buying import up
from bothy.core.wiring.conductors import Awg, Conductor, row_of, warm_resistance
from bothy.core.words.says import wiring_says as says

INLET = "inlet"
LEAD_RATING_A: dict[float | str, float] = {
    0.75: 6,
    1.0: 10,
    1.5: 16,
    2.5: 25,
    4.0: 32,
    6.0: 40,
    "16": 13,
    "14": 15,
    "12": 20,
    "10": 30,
    "8": 40,
    "6": 50,
}
"""Rating of a flexible lead by mm² or AWG, unrolled."""


class HookUp(Conductor):
    length_m: float = Field(gt=0, le=1000)


class Leg(Contract):
    id: str = Field(min_length=1, max_length=200)
    from_: str = Field(INLET, alias="from", min_length=1, max_length=200)
    length_m: float = Field(gt=0, le=1000)
    load_w: float = Field(0, ge=0, le=1e6)
    outlet_count: Whole = Field(1, ge=0, le=100)


class StockLead(Contract):
    length_m: float = Field(gt=0, le=1000)
    cost: float = Field(0, ge=0, le=1e6)


class AcLeadChainIn(Contract):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("area_mm2", "awg"),)
    region: RegionKey
    voltage_v: float | None = Field(None, gt=0, le=1000)
    breaker_a: float = Field(gt=0, le=125)
    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    conductor_temp_c: float = Field(60, ge=-40, le=200)
    hookup: HookUp | None = None
    legs: list[Leg] = Field(min_length=1, max_length=20)
    stock: list[StockLead] = Field(min_length=1, max_length=30)
    slack_frac: float = Field(0.05, ge=0, le=5)
    max_leads_per_leg: Whole = Field(1, ge=1, le=5)
    splitter_ways: Whole = Field(3, ge=2, le=20)
    splitter_cost: float = Field(0, ge=0, le=1e6)
    max_drop_frac: float = Field(0.05, gt=0, le=0.5)
    diversity_frac: float = Field(1, gt=0, le=1)

    @model_validator(mode="after")
    def _size(self) -> Self:
        if self.exactly_one(*self.ONE_OF[0]) and self.size not in LEAD_RATING_A:
            sizes = (
                ", ".join(f"{s:g}" for s in LEAD_RATING_A if isinstance(s, float))
                if self.awg is None
                else ", ".join(s for s in LEAD_RATING_A if isinstance(s, str))
            )
            raise wrong("awg" if self.awg else "area_mm2", says("not-lead-leads", size=self.size, sizes=sizes))
        return self

    @model_validator(mode="after")
    def _tree(self) -> Self:
        unique_ids(x.id for x in self.legs)
        parent = {x.id: x.from_ for x in self.legs}
        for x in self.legs:
            seen, at = {x.id}, x.from_
            while at != INLET:
                if at not in parent:
                    raise wrong("from", says("leg-leads-to-which", x_id=x.id, at=at))
                if at in seen:
                    raise wrong("from", says("leg-goes-round-in", x_id=x.id, at=at))
                seen.add(at)
                at = parent[at]
        return self

    @property
    def size(self) -> float | str:
        """The leads' size: mm² as a number, AWG as text."""
        return self.awg if self.awg is not None else float(self.area_mm2 or 0)

    @property
    def mains_v(self) -> float:
        """The voltage given, else the region's."""
        return self.voltage_v if self.voltage_v is not None else REGIONS[self.region].mains_v


class AcLeadChainOut(Outcome):
    leg_leads_m: dict[str, list[float]]
    leg_current_a: dict[str, float]
    leg_drop_frac: dict[str, float]
    total_length_m: float
    lead_count: int
    splitter_count: int
    outlet_count: int
    total_cost: float
    total_current_a: float
    load_ok: bool
    breaker_protects_leads: bool
    drop_ok: bool
    unreachable_legs: list[str]
    ok: bool


@formula(says("drop-along-lead"), "2·r·L·I/1000/U", unit="%", source=Method("wiring.mains", "there and back, power factor 1, reactance left out"))
def lead_drop(unit_resistance_mohm_per_m: float, length_m: float, current_a: float, voltage_v: float) -> float:
    return 2 * unit_resistance_mohm_per_m * length_m * current_a / 1000 / voltage_v


class Joined(NamedTuple):
    """Leads joined for one leg, in the order of preference: cost, number, total length, longest first."""

    cost: float
    number: int
    total_m: float
    leads_m: tuple[float, ...]


def cheapest_leads(stock: list[StockLead], need_m: float, most: int) -> Joined | None:
    """The cheapest set of at most ``most`` stock leads that covers ``need_m``; None when none does.

    Ties: fewer leads, then least total, then the smallest list. Sets that already cost more, or can't get long enough, are not followed.
    """
    prices: dict[float, float] = {}
    for s in stock:
        prices[s.length_m] = min(s.cost, prices.get(s.length_m, s.cost))
    lengths = sorted(prices, reverse=True)
    least_cost = min(prices.values())
    best: Joined | None = None

    def follow(start: int, leads: tuple[float, ...], total: float, cost: float) -> None:
        nonlocal best
        if leads and total >= need_m - EPS:
            found = Joined(round(cost, 9), len(leads), round(total, 9), leads)
            best = found if best is None else min(best, found)
            return
        left = most - len(leads)
        for i in range(start, len(lengths)):
            if left == 0 or total + left * lengths[i] < need_m - EPS or (best is not None and cost + least_cost > best.cost + EPS):
                return
            follow(i, (*leads, lengths[i]), total + lengths[i], cost + prices[lengths[i]])

    follow(0, (), 0.0, 0.0)
    return best


def splitters(outlets: int, ways: int) -> int:
    """Splitters at a junction with so many outputs: ⌈(o − 1)/(ways − 1)⌉."""
    return max(0, up((outlets - 1) / (ways - 1)))


def ac_lead_chain(inp: AcLeadChainIn, sources: dict[str, Figure] | None = None) -> AcLeadChainOut:
    """The cheapest set of leads that reaches every leg, with currents, drops and what the breaker allows. Method: wiring.mains."""
    g = Given(inp, sources)
    region = REGIONS[inp.region]
    volts = g("voltage_v", region.mains_v, region.name)
    children: dict[str, list[Leg]] = {}
    for x in inp.legs:
        children.setdefault(x.from_, []).append(x)
    order = [*children.get(INLET, [])]
    for x in order:
        order += children.get(x.id, [])
    amps: dict[str, Figure] = {}
    for x in reversed(order):
        beyond = {c.id: amps[c.id] for c in children.get(x.id, [])}
        own = x.load_w * inp.diversity_frac / inp.mains_v
        amps[x.id] = derived(
            "leg_current_a",
            "P·diversity/U + Σ of the legs beyond",
            own + sum(f.value for f in beyond.values()),
            Method("wiring.mains"),
            load_w=x.load_w,
            voltage_v=volts,
            **beyond,
        )
    first = {x.id: amps[x.id] for x in children.get(INLET, [])}
    whole = derived("total_current_a", "Σ of the legs from the inlet", sum(f.value for f in first.values()), Method("wiring.mains"), **first)
    _, row = row_of(inp.area_mm2, inp.awg)
    r = warm_resistance(given("unit_resistance_20c_mohm_per_m", row.plain, "table", says("class-copper-3", size=inp.size)), g("conductor_temp_c"))
    picked = {x.id: cheapest_leads(inp.stock, x.length_m * (1 + inp.slack_frac), inp.max_leads_per_leg) for x in inp.legs}
    hook: Figure | float = 0.0
    if inp.hookup is not None:
        _, hook_row = row_of(inp.hookup.area_mm2, inp.hookup.awg)
        hook = lead_drop(warm_resistance(hook_row.tinned if inp.hookup.tinned else hook_row.plain, g("conductor_temp_c")), inp.hookup.length_m, whole, volts)
    drop: dict[str, Figure] = {}
    for x in order:
        chosen = picked[x.id]
        length = chosen.total_m if chosen else x.length_m * (1 + inp.slack_frac)
        before: Figure | float = hook if x.from_ == INLET else drop[x.from_]
        along = lead_drop(r, length, amps[x.id], volts)
        drop[x.id] = derived(
            "leg_drop_frac", says("drop-up-to-here"), float(before) + along.value, Method("wiring.mains"), before_frac=before, along_frac=along
        )
    leads = {x.id: list(j.leads_m) if (j := picked[x.id]) else [] for x in inp.legs}
    junctions = [len(children.get(INLET, [])), *(x.outlet_count + len(children.get(x.id, [])) for x in inp.legs)]
    split = derived(
        "splitter_count",
        "Σ max(0, ⌈(outputs − 1)/(ways − 1)⌉) of the junctions",
        sum(splitters(o, inp.splitter_ways) for o in junctions),
        Method("wiring.mains"),
        splitter_ways_count=inp.splitter_ways,
    )
    cost = sum(j.cost for j in picked.values() if j) + split.value * inp.splitter_cost
    unreachable = [k for k, j in picked.items() if j is None]
    load_ok = whole.value <= region.continuous_frac * inp.breaker_a + EPS
    protects = inp.breaker_a <= LEAD_RATING_A[inp.size] + EPS
    drop_ok = all(f.value <= inp.max_drop_frac + EPS for f in drop.values())
    return AcLeadChainOut.of(
        leg_leads_m=leads,
        leg_current_a={x.id: amps[x.id] for x in inp.legs},
        leg_drop_frac={x.id: drop[x.id] for x in inp.legs},
        total_length_m=derived("total_length_m", "Σ of the leads bought", sum(sum(ls) for ls in leads.values()), Method("wiring.mains", "definition")),
        lead_count=derived("lead_count", says("cheapest-set-that-reaches"), sum(len(ls) for ls in leads.values()), Method("wiring.mains")),
        splitter_count=split,
        outlet_count=derived("outlet_count", "Σ", sum(x.outlet_count for x in inp.legs), Method("wiring.mains", "definition")),
        total_cost=derived("total_cost", "Σ leads + splitters", cost, Method("wiring.mains"), splitter_count=split),
        total_current_a=whole,
        load_ok=load_ok,
        breaker_protects_leads=protects,
        drop_ok=drop_ok,
        unreachable_legs=unreachable,
        ok=load_ok and protects and drop_ok and not unreachable,
    )

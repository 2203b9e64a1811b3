"""The mains side: what the supply must carry, and which leads reach every place (method wiring.mains). A design aid only."""

from __future__ import annotations

from typing import Literal, NamedTuple

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import EPS, quick
from bothy.core.design.mains import Mains
from bothy.core.figure import Figure, given, pick, total
from bothy.core.method.sources import Method
from bothy.core.power.uses import coincidence
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.leads import LEAD_RATING_A, AcLeadChainIn, HookUp, Leg, StockLead, ac_lead_chain
from bothy.core.words.says import wiring_says as says

STOCK_M = (1.0, 2.0, 3.0, 5.0, 10.0)
"""Leads that any shop has, where the design names none; their price is taken as their length."""
CHARGER_INPUT = 1.1 / 0.88
"""Input of a charger over what it gives at the bank's nominal voltage: charging voltage and 88 % efficiency (typical)."""
HOOKUP = {"metric": (25.0, 2.5, None), "awg": (7.6, None, "10")}
"""Usual hook-up lead: m, mm², AWG."""


class LegPart(BaseModel):
    """One mains circuit as a leg from the inlet: leads in m, longest first; current in A; drop from the supply as a part of the voltage."""

    leads_m: list[float]
    current_a: float
    drop_frac: float


class MainsPart(BaseModel):
    """The mains side worked out, with what the region usually has. ``legs`` is empty where it is wired."""

    usual_poles: Literal["double", "single"]
    residual_device: str
    supply_a: float
    limit_a: float
    legs: dict[str, LegPart]
    unreachable: list[str]
    lead_rating_a: float | None
    splitter_count: int
    together: list[str]
    shed: list[str]


class Draw(NamedTuple):
    """Something on the mains side that can run: its name and current in A."""

    name: str
    amps: float


def let_in_a(ctx: Context) -> float | None:
    """The current in A that the inlet's breaker lets in, without one what the inlet is made for; None without a hook-up."""
    shore, m = ctx.design.power.shore, ctx.design.wiring.mains
    if shore is None:
        return None
    return (m.inlet_breaker_a if m is not None else None) or shore.inlet_current_a or ctx.region.inlet_a


def kept_on(draws: list[Draw], limit_a: float, legs: int = 1) -> tuple[list[Draw], list[Draw]]:
    """What stays on and what is shed, in the order in which things are to stay on; what still fits beside the others on its leg runs too."""
    on: list[Draw] = []
    off: list[Draw] = []
    carried = [0.0] * legs
    for d in draws:
        leg = min(range(legs), key=lambda i: carried[i])
        if carried[leg] + d.amps <= limit_a + EPS:
            carried[leg] += d.amps
            on.append(d)
        else:
            off.append(d)
    return on, off


def fuller_leg(parts: list[tuple[str, Figure]], legs: int) -> list[tuple[str, Figure]]:
    """The parts on the leg that carries most, each circuit put whole on the leg that carries less, the largest first."""
    shares: list[list[tuple[str, Figure]]] = [[] for _ in range(legs)]
    for p in sorted(parts, key=lambda p: -p[1].value):
        min(shares, key=lambda s: sum(x.value for _, x in s)).append(p)
    return max(shares, key=lambda s: sum(x.value for _, x in s))


def draws_of(ctx: Context, ac: list[Worked], keep: list[str]) -> list[Draw]:
    """Everything on the mains circuits that can run, those to be kept first, then in the order of Life."""
    on_it = {i for w in ac for i in w.circuit.appliances}
    rank = {k: n for n, k in enumerate(keep)}
    found = [a for a in ctx.design.life.appliances if a.id in on_it and a.count > 0 and a.running_w > 0]
    return [Draw(a.name, a.running_w * a.count / ctx.region.mains_v) for a in sorted(found, key=lambda a: rank.get(a.id, len(rank)))]


def usual(ctx: Context) -> dict[str, object]:
    """The mains side as the region usually has it, as plain data for the design. Where more may be switched on than the supply carries, people shed
    it by hand."""
    shore = ctx.design.power.shore
    charger = shore.charger_current_a * ctx.bank_v * CHARGER_INPUT / ctx.region.mains_v if shore is not None else 0.0
    at_once = charger + sum(a.running_w * a.count for a in ctx.design.life.appliances if a.supply == "ac") / ctx.region.mains_v
    shed: Literal["hand", "none"] = "hand" if shore is not None and at_once > shore.legs * supply_limit(ctx).value + EPS else "none"
    return Mains(poles=ctx.region.mains_poles, shedding=shed, rcd_type="a", by="proposal").model_dump(mode="json")


def supply_limit(ctx: Context) -> Figure:
    """What the supply carries for hours: the inlet's or the post's rating, whichever is less, and the region's continuous share of it."""
    shore = ctx.design.power.shore
    inlet = given(
        "inlet_a", (shore.inlet_current_a if shore else None) or ctx.region.inlet_a, "typed" if shore and shore.inlet_current_a else "table", ctx.region.name
    )
    post = given(
        "supply_a", (shore.supply_current_a if shore else None) or inlet.value, "typed" if shore and shore.supply_current_a else "assumed", says("as-inlet")
    )
    return pick(
        says("what-supply-carries-for"),
        "share · min(inlet, post)",
        ctx.region.continuous_frac * min(inlet.value, post.value),
        "A",
        Method("wiring.mains"),
        inlet_a=inlet,
        post_a=post,
        continuous_frac=ctx.region.continuous_frac,
    )


def work_mains(ctx: Context, worked: list[Worked]) -> MainsPart | None:
    """Supply current and, where it is plugged together, the leads; None without mains circuits."""
    ac = [w for w in worked if w.part.ac]
    if not ac:
        return None
    m = ctx.design.wiring.mains or Mains()
    usual_part = coincidence(ctx.design.life.appliances)
    # nothing keeps two heavy appliances from being switched on together, unless they are shed or said to take turns
    at_peak = usual_part if m.shedding != "none" else {a.id: 1.0 if a.coincidence_frac is None else a.coincidence_frac for a in ctx.design.life.appliances}
    watts: dict[str, float] = {}
    alone: dict[str, float] = {}
    for w in ac:
        on_it = [a for i in w.circuit.appliances if (a := ctx.design.appliance(i)) is not None]
        watts[w.circuit.id] = sum(a.running_w * a.count * at_peak[a.id] for a in on_it)
        alone[w.circuit.id] = max([watts[w.circuit.id], *(a.running_w for a in on_it)])  # a heavy one runs by itself, but each in its turn
    parts = [
        (w.circuit.name, given("current_a", watts[w.circuit.id] / ctx.region.mains_v, "computed", says("what-can-run-at"), source=Method("wiring.mains")))
        for w in ac
    ]
    if ctx.design.power.shore is not None:
        charger = ctx.design.power.shore.charger_current_a * ctx.bank_v * CHARGER_INPUT / ctx.region.mains_v
        parts.append(
            (
                ctx.design.power.shore.name,
                given("current_a", charger, "computed", says("charger-at-full-output"), source=Method("wiring.mains")),
            )
        )
    legs = ctx.design.power.shore.legs if ctx.design.power.shore is not None else 1
    told = says("current-from-supply") if legs == 1 else says("current-on-fuller-two")
    needs = ctx.book.put(
        "mains/supply_a",
        total(told, "A", fuller_leg(parts, legs), Method("wiring.mains", "all that can run at once; heavy ones by turns only where something sheds them")),
    )
    limit = ctx.book.put("mains/limit_a", supply_limit(ctx))
    charging = [Draw(p[0], p[1].value) for p in parts[len(ac) :]]
    on, off = kept_on([*draws_of(ctx, ac, m.keep), *charging], limit.value, legs)
    out = quick(
        MainsPart,
        usual_poles=ctx.region.mains_poles,
        residual_device=ctx.region.residual_device,
        supply_a=needs.value,
        limit_a=limit.value,
        legs={},
        unreachable=[],
        lead_rating_a=None,
        splitter_count=0,
        together=[d.name for d in on],
        shed=[d.name for d in off],
    )
    if m.style == "wired":
        return out
    length, area, awg = HOOKUP[ctx.region.wire_series]
    hookup = HookUp.trusted(length_m=m.hookup_length_m or length, area_mm2=m.hookup_mm2 or area, awg=None if m.hookup_mm2 else awg)
    size: float | str = m.lead_awg or m.lead_mm2 or ("14" if ctx.region.wire_series == "awg" else 1.5)
    chain = ac_lead_chain(
        AcLeadChainIn.trusted(
            region=ctx.design.region,
            breaker_a=max((w.circuit.fuse_a or 0.0 for w in ac), default=0.0) or ctx.region.inlet_a,
            **({"awg": size} if isinstance(size, str) else {"area_mm2": size}),
            hookup=hookup,
            max_leads_per_leg=m.leads_joined_count,
            legs=[
                Leg.trusted(id=w.circuit.id, length_m=w.part.length_m, load_w=alone[w.circuit.id], outlet_count=max(1, len(w.circuit.appliances))) for w in ac
            ],
            stock=[StockLead.trusted(length_m=s.length_m, cost=s.cost) for s in m.stock] or [StockLead.trusted(length_m=x, cost=x) for x in STOCK_M],
        )
    )
    for w in ac:
        id = w.circuit.id
        ctx.book.put(f"mains/{id}/drop_frac", chain.figure(f"leg_drop_frac/{id}").named(says("lost-from-supply-as")))
        out.legs[id] = quick(LegPart, leads_m=chain.leg_leads_m[id], current_a=chain.leg_current_a[id], drop_frac=chain.leg_drop_frac[id])
    out.unreachable, out.lead_rating_a, out.splitter_count = chain.unreachable_legs, LEAD_RATING_A[size], int(chain.splitter_count)
    return out

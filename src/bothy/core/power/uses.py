"""Uses: the appliances of the design through the load budget, per season (Life's part of the report)."""

from __future__ import annotations

from collections.abc import Mapping

from pydantic import BaseModel

from bothy.core.catalogue.climates import MONTHS
from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.life import Appliance
from bothy.core.figure import Figure, given
from bothy.core.power.load_budget import (
    SEASONS,
    InverterUse,
    LoadBudgetIn,
    LoadBudgetOut,
    load_budget,
    power_of,
)
from bothy.core.words.says import power_says as says


class ApplianceUse(BaseModel):
    """One appliance on the hardest day of the season that needs most. Energies in Wh, powers in W."""

    power_w: float
    time_h: float
    energy_wh: float
    bank_energy_wh: float
    share_frac: float
    saturated: bool
    hours: list[float]


class SeasonUse(BaseModel):
    """One season's day: months of the plan in it, need, the load curve over 24 h at the bank, and energy by kind of appliance."""

    season: str
    planned: bool
    months: list[str]
    design_day_type: str
    energy_wh: float
    design_energy_wh: float
    design_charge_ah: float
    peak_power_w: float
    peak_current_a: float
    hourly_wh: list[float]
    by_kind_wh: dict[str, float]


class LifePart(BaseModel):
    """What is used. ``worst`` names the planned season with the largest need."""

    worst: str
    seasons: list[SeasonUse]
    appliances: dict[str, ApplianceUse]
    place_name: str
    month_names: list[str]


HEAVY_W = 800.0
"""Mains appliances from this power on are taken to run one at a time."""


def coincidence(appliances: list[Appliance]) -> dict[str, float]:
    """Part of each appliance at the daily peak: typed, else 1; heavy mains appliances run one at a time (the largest counts)."""
    out = {a.id: 1.0 if a.coincidence_frac is None else a.coincidence_frac for a in appliances}
    heavy = {a.id: a.running_w for a in appliances if a.supply == "ac" and a.count > 0 and a.coincidence_frac is None}
    heavy = {k: w for k, w in heavy.items() if w >= HEAVY_W}
    if heavy:
        largest = max(heavy, key=lambda k: heavy[k])
        out.update({k: 0.0 for k in heavy if k != largest})
    return out


_TRUST = {"measured": says("measured-over"), "label": says("from-label"), "duty": says("label-with-duty-cycle"), "catalogue": says("catalogue-typical")}


def power_figure(a: Appliance) -> Figure:
    """Running power of one unit, with where it came from."""
    note = _TRUST[a.trust]
    if a.current_a is not None:
        return power_of(given("current_a", a.current_a, "typed", note), given("voltage_v", a.voltage_v or 0, "typed", note))
    if a.power_w is not None:
        return given("power_w", a.power_w, "catalogue" if a.trust == "catalogue" else "typed", note, label=says("running-power"))
    return given("power_w", a.running_w, "assumed", says("from-energy") + note, label=says("running-power"))


def inverter_use(ctx: Context) -> InverterUse:
    """How the design's inverter (or the default one) is used."""
    inv = ctx.design.power.inverter
    if inv is None:
        return InverterUse(mode="with_load")
    idle = inv.idle_w if inv.idle_w is not None else 4 + 0.006 * inv.rating_w
    return InverterUse(efficiency_frac=inv.efficiency_frac or 0.92, idle_w=idle, mode=inv.mode, on_h=inv.on_h)


def budgets(ctx: Context) -> dict[str, LoadBudgetOut]:
    """Load budget of each season, with figures that reach back to the appliances."""
    at_peak = coincidence(ctx.design.life.appliances)
    loads = [a.load if at_peak[a.id] == 1.0 else a.load.model_copy(update={"coincidence_frac": at_peak[a.id]}) for a in ctx.design.life.appliances]
    if ctx.hooked:
        on_shore = {a.id for a in ctx.design.life.appliances if a.supply == "ac" and not a.away}
        loads = [x.model_copy(update={"from_shore": True}) if x.id in on_shore else x for x in loads]
    catalogue = sum(1 for a in ctx.design.life.appliances if a.trust == "catalogue")
    margin = 0.20 if loads and catalogue * 2 >= len(loads) else 0.10
    sources: dict[str, Figure] = {f"loads/{a.id}/power_w": power_figure(a) for a in ctx.design.life.appliances}
    sources["margin_frac"] = given("margin_frac", margin, "assumed", says("where-half-or-more"))
    use = inverter_use(ctx)
    out: dict[str, LoadBudgetOut] = {}
    for season in SEASONS:
        inp = quick(
            LoadBudgetIn,
            bank_voltage_v=ctx.bank_v,
            bank_min_voltage_v=None,
            season=season,
            day_types=["parked", "driving", "working"],
            ambient_temp_c=ctx.galley_temp(season),
            inverter=use,
            distribution_loss_frac=0.02,
            margin_frac=margin,
            loads=loads,
        )
        out[season] = load_budget(inp, sources)
    return out


def _by_kind(r: LoadBudgetOut, kinds: Mapping[str, str]) -> dict[str, float]:
    """Energy of the design day at the bank by kind of appliance, largest first; the inverter's own use as its own kind."""
    out: dict[str, float] = {}
    for load in r.loads:
        out[kinds[load.id]] = out.get(kinds[load.id], 0.0) + load.bank_energy_wh
    if r.inverter_idle_wh > 0:
        out["inverter itself"] = r.inverter_idle_wh
    return dict(sorted(((k, v) for k, v in out.items() if v > 0), key=lambda kv: -kv[1]))


def life_part(ctx: Context, results: dict[str, LoadBudgetOut]) -> LifePart:
    """Life's part of the report; puts its figures into the book."""
    planned = [s for s in SEASONS if any(m in ctx.months for m in ctx.season_months(s))]
    worst = max(planned, key=lambda s: results[s].design_energy_wh)
    kinds = {a.id: a.kind for a in ctx.design.life.appliances}
    seasons = []
    for season in SEASONS:
        r = results[season]
        for key in ("energy_wh", "design_energy_wh", "design_charge_ah", "peak_power_w", "peak_current_a", "start_current_a", "inverter_idle_wh"):
            ctx.book.put(f"life/{season}/{key}", r.figure(key))
        seasons.append(
            SeasonUse(
                season=season,
                planned=season in planned,
                months=[MONTHS[m - 1] for m in ctx.season_months(season)],
                design_day_type=r.design_day_type,
                energy_wh=r.energy_wh,
                design_energy_wh=r.design_energy_wh,
                design_charge_ah=r.design_charge_ah,
                peak_power_w=r.peak_power_w,
                peak_current_a=r.peak_current_a,
                hourly_wh=r.hourly_wh,
                by_kind_wh=_by_kind(r, kinds),
            )
        )
    uses: dict[str, ApplianceUse] = {}
    by_id = {a.id: a for a in ctx.design.life.appliances}
    for load in results[worst].loads:
        for key in ("time_h", "energy_wh", "bank_energy_wh", "bank_current_a"):
            ctx.book.put(f"appliances/{load.id}/{key}", load.figure(key))
        w = by_id[load.id].load.hourly_weights or [1.0] * 24
        whole = sum(w)
        uses[load.id] = ApplianceUse(
            power_w=load.power_w,
            time_h=load.time_h,
            energy_wh=load.energy_wh,
            bank_energy_wh=load.bank_energy_wh,
            share_frac=load.share_frac,
            saturated=load.saturated,
            hours=[load.energy_wh * x / whole for x in w],
        )
    return LifePart(worst=worst, seasons=seasons, appliances=uses, place_name=ctx.climate.name, month_names=[MONTHS[m - 1] for m in ctx.months])

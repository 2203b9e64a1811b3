"""Rules of where a bank stands and of what it is made: gas, heat, cold, sparks, units that differ; and of a power station as the bank."""

from __future__ import annotations

from bothy.core.context import BANK_PLACES, Context
from bothy.core.contract import EPS
from bothy.core.figure import given
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Maker, Method, OwnChoice, Standard
from bothy.core.power.load_budget import LoadBudgetOut
from bothy.core.power.panels import array_power
from bothy.core.power.station import PowerStationCheckIn, Station, StationNeeds, StationSolar, power_station_check
from bothy.core.power.supply import Supply
from bothy.core.power.uses import HEAVY_W
from bothy.core.words.says import power_says as says

rules(
    "power",
    (
        (
            "power-lead-gassing",
            "danger",
            Method("warmth.ventilation") + Standard("IEC 62485-2") + Standard("EN 1648"),
        ),
        (
            "power-lead-vent",
            "advice",
            Method("warmth.ventilation") + Standard("IEC 62485-2"),
        ),
        (
            "power-lead-sparks",
            "danger",
            Method("warmth.ventilation") + Standard("IEC 62485-2"),
        ),
        (
            "power-lithium-engine-heat",
            "danger",
            Method("power.cold") + Standard("IEC 62619") + Maker(),
        ),
        (
            "power-bank-heater-small",
            "fault",
            Method("power.cold", "heat balance of the battery"),
        ),
        (
            "power-nmc-indoors",
            "advice",
            Method("power.chemistries") + Standard("IEC 62619"),
        ),
        (
            "power-lead-deep",
            "advice",
            Method("power.chemistries", "cycle life") + OwnChoice("typical"),
        ),
        (
            "power-lead-cold-uncompensated",
            "advice",
            Method("power.cold", "−3 to −5 mV/K a cell") + Maker(),
        ),
        (
            "power-station-inverter-limit",
            "fault",
            Method("power.station") + Maker(),
        ),
        (
            "power-station-dc-limit",
            "fault",
            Method("power.station") + Maker(),
        ),
        ("power-station-solar-voltage", "danger", Method("power.station") + Maker()),
        (
            "power-station-solar-clipped",
            "advice",
            Method("power.station") + Maker(),
        ),
        (
            "power-station-hot",
            "fault",
            Method("power.station") + Maker(),
        ),
    ),
)

INSIDE = ("warm_inside", "unheated_inside", "garage")
WARM_ENOUGH_C = 5.0
"""Cells at which lithium iron phosphate takes a useful charge."""
COLD_LEAD_C = 5.0
USUAL_LOSS_W_K = 1.5
"""What a boxed battery loses to the air round it (typical)."""


def _sets(label: str, **values: object) -> Remedy:
    return Remedy.sets(label, "/power/bank", **values)


def heated_to_c(ctx: Context, cold_c: float) -> float | None:
    """The warmest that the bank's own heater gets the cells in steady cold, in °C; None without a heater."""
    b = ctx.design.power.bank
    if b is None or b.heater_power_w <= 0:
        return None
    watts = b.heater_power_w * b.series_count * b.parallel_count
    return cold_c + watts / (b.heat_loss_w_k if b.heat_loss_w_k is not None else USUAL_LOSS_W_K)


def bank_findings(ctx: Context, s: Supply, uses: dict[str, LoadBudgetOut]) -> list[Finding]:
    """Where the bank stands and what it is made of."""
    b = ctx.design.power.bank
    if b is None:
        return []
    out: list[Finding] = []
    where = BANK_PLACES[ctx.bank_place]
    inside = ctx.bank_place in INSIDE

    def add(rule_id: str, message: str, fix: Remedy | None = None, figures: list[str] | None = None) -> None:
        out.append(finding(rule_id, "bank", b.name, message, fix=fix, figures=figures))

    if b.unlike != "none":
        add(
            f"power-bank-{'units' if b.unlike == 'kind' else 'age'}-mixed",
            says("units-different-kind-or") if b.unlike == "kind" else says("older-units-hold-less"),
        )
    if b.chemistry == "flooded" and inside and b.vent != "outside":
        p = ctx.design.power
        boils = any(
            x is not None and x.profile is not None and x.profile.equalise for x in (p.controller, p.driving, p.shore, *(a.controller for a in p.arrays))
        )
        more = says("equalising-boils-on-purpose") if boils else ""
        add(
            "power-lead-gassing",
            says("battery-bank-stands-and", where=where, more=more),
            _sets(says("vent-to-outside"), vent="outside"),
        )
    if b.chemistry in ("agm", "gel") and inside and b.vent is None:
        add(
            "power-lead-vent",
            says("battery-bank-stands-sealed", where=where),
            _sets(says("enter-that-has-vent"), vent="outside"),
        )
    if b.chemistry == "flooded" and b.beside_sparks:
        add(
            "power-lead-sparks",
            says("inverter-relay-or-switch"),
            _sets(says("place-them-apart"), beside_sparks=False),
        )
    if ctx.chem.lithium and ctx.bank_place == "engine_space":
        add(
            "power-lithium-engine-heat",
            says("engine-space-reaches-to"),
            Remedy.sets(says("place-inside-in-warm"), "/vehicle", bank_place="warm_inside"),
        )
    if b.chemistry == "nmc" and ctx.bank_place in ("warm_inside", "unheated_inside"):
        add("power-nmc-indoors", says("this-chemistry-burns-fiercely"))
    if not ctx.chem.lithium and ctx.usable_frac > 0.5 + EPS:
        add(
            "power-lead-deep",
            says("plan-uses-charge-lead", usable_frac=ctx.usable_frac),
            _sets(says("plan-with"), usable_frac=0.5),
        )
    out += _cold(ctx, s)
    if b.station is not None:
        out += _station(ctx, s, uses)
    return out


def _cold(ctx: Context, s: Supply) -> list[Finding]:
    """A heater that does not get lithium warm enough; lead in the cold without a temperature sensor."""
    p = ctx.design.power
    b = p.bank
    assert b is not None
    charged = p.arrays or p.driving or p.shore
    if s.cold is None or not charged:
        return []
    if ctx.chem.lithium:
        warm = heated_to_c(ctx, s.cold.value)
        if warm is None or not b.cold_charge_cutoff or s.cold.value >= 0 or warm >= WARM_ENOUGH_C - EPS:
            return []
        watts = b.heater_power_w * b.series_count * b.parallel_count
        need = (WARM_ENOUGH_C - s.cold.value) * (b.heat_loss_w_k if b.heat_loss_w_k is not None else USUAL_LOSS_W_K)
        return [
            finding(
                "power-bank-heater-small",
                "bank",
                b.name,
                says("at-banks-heating-get", cold_c=s.cold.value, watts_w=watts, warm_c=warm, warm_enough_c=WARM_ENOUGH_C, need_w=need),
                figures=["power/bank/cold_c"],
            )
        ]
    profiles = [x.profile for x in (p.controller, p.driving, p.shore, *(a.controller for a in p.arrays)) if x is not None]
    if s.cold.value < COLD_LEAD_C and not any(x is not None and x.compensates for x in profiles):
        return [
            finding(
                "power-lead-cold-uncompensated",
                "bank",
                b.name,
                says("cells-get-down-to", cold_c=s.cold.value),
                figures=["power/bank/cold_c"],
            )
        ]
    return []


def _station(ctx: Context, s: Supply, uses: dict[str, LoadBudgetOut]) -> list[Finding]:
    """A power station in the bank's place: what its case lets through, and its heat."""
    p = ctx.design.power
    b = p.bank
    assert b is not None
    assert b.station is not None
    st = b.station
    mains = [a for a in ctx.design.life.appliances if a.supply == "ac" and a.count > 0]
    light = sum(a.running_w * a.count for a in mains if a.running_w < HEAVY_W)
    ac = max([light, *(light + a.running_w for a in mains if a.running_w >= HEAVY_W)])
    surge = max([ac, *(light + a.running_w * a.start_multiple - (a.running_w if a.running_w < HEAVY_W else 0.0) for a in mains)])
    dc = sum(a.running_w * a.count for a in ctx.design.life.appliances if a.supply != "ac")
    worst = max(uses.values(), key=lambda u: u.design_energy_wh)
    watts = sum(array_power(a) for a in p.arrays)
    string = s.strings[0].out if s.strings else None
    sun = (
        StationSolar.trusted(
            power_w=watts,
            energy_wh=0.0,
            voc_cold_v=string.voc_cold_v if string else max(a.voc_v * a.series_count for a in p.arrays) * 1.2,
            isc_a=sum(a.isc_a * a.parallel_count for a in p.arrays),
        )
        if watts > 0
        else None
    )
    check = power_station_check(
        PowerStationCheckIn.trusted(
            station=Station.trusted(
                energy_wh=max(1.0, b.unit_voltage_v * b.unit_charge_ah * b.series_count * b.parallel_count),
                **{k: v for k, v in st.model_dump().items() if k != "most_c"},
            ),
            needs=StationNeeds.trusted(dc_energy_wh=worst.design_energy_wh, dc_peak_w=dc, ac_peak_w=ac, ac_surge_w=surge),
            solar=sun,
        )
    )
    ctx.book.put_all("station", check.working)
    words = {
        "power-station-dc-limit": says("at-once-can-run", dc_w=dc, dc_limit_w=st.dc_limit_w),
        "power-station-inverter-limit": says(
            "together-run-and-at", ac_w=ac, surge_w=surge, inverter_limit_w=st.inverter_limit_w, inverter_surge_w=st.inverter_surge_w or st.inverter_limit_w
        ),
        "power-station-solar-voltage": says(
            "in-coldest-dawn-panels", voc_cold_v=sun.voc_cold_v or 0 if sun else 0, solar_max_voltage_v=st.solar_max_voltage_v or 0
        ),
        "power-station-solar-clipped": says("panels-station-takes", watts_w=watts, solar_power_used_w=check.solar_power_used_w),
    }
    out = [finding(r, "bank", b.name, words[r]) for r in check.rules if r in words]
    if ctx.hot_c > st.most_c + EPS:
        ctx.book.put("power/bank/hot_c", given("hot_c", ctx.hot_c, "assumed", says("hottest-to-design-for")))
        out.append(
            finding(
                "power-station-hot",
                "bank",
                b.name,
                says("station-may-stand-in", hot_c=ctx.hot_c, most_c=st.most_c),
                figures=["power/bank/hot_c"],
            )
        )
    return out

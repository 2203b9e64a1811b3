"""Charge profiles and a vehicle that stands: what the sources are set to against what the bank wants (method power.balance)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.power import ChargeProfile
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Maker, Method
from bothy.core.words.says import power_says as says

rules(
    "power",
    (
        (
            "power-charge-profile",
            "fault",
            Method("power.chemistries") + Maker(),
        ),
        (
            "power-starter-unattended",
            "note",
            Method("power.driving-charge"),
        ),
    ),
)

ABSORPTION_V: dict[str, tuple[float, float]] = {"lifepo4": (14.0, 14.6), "agm": (14.4, 14.8), "gel": (14.1, 14.4), "flooded": (14.4, 14.8), "nmc": (16.2, 16.8)}
"""Absorption voltage that a bank takes, for a 12 V one; NMC by its 4 cells of 4.05 to 4.2 V."""
STANDS_DAYS, STANDBY_AH_DAY = 14, (0.5, 1.2)


def profile_findings(ctx: Context) -> list[Finding]:
    """Sources whose absorption, equalising or temperature compensation does not suit the bank; and a starter battery that nothing tops up."""
    p = ctx.design.power
    out: list[Finding] = []
    if p.bank is not None:
        own = [(f"arrays/{i}/controller", f"array:{a.id}", a.controller) for i, a in enumerate(p.arrays)]
        for key, subject, source in (("controller", "solar", p.controller), *own, ("driving", "driving", p.driving), ("shore", "shore", p.shore)):
            if source is not None and source.profile is not None:
                out += _source(ctx, key, subject, source.name, source.profile)
    stands = longest_stand(ctx)
    if stands > STANDS_DAYS and ctx.preset.alternator_a > 0 and not ctx.design.vehicle.starter_trickle:
        low, high = STANDBY_AH_DAY
        out.append(
            finding(
                "power-starter-unattended",
                "driving",
                says("starter-battery"),
                (says("on-trip-vehicle-stands", stands=stands, low=low, high_ah=high, high_ah_2=high * stands)),
            )
        )
    return out


def _source(ctx: Context, key: str, subject: str, name: str, profile: ChargeProfile) -> list[Finding]:
    low, high = (v * ctx.scale for v in ABSORPTION_V[ctx.chem.key])
    wrong = []
    patch = []
    if profile.absorption_v is not None and not low - EPS <= profile.absorption_v <= high + EPS:
        other = next(
            (v for v in (12, 24, 48) if v != ctx.system_v and low * v / ctx.system_v - EPS <= profile.absorption_v <= high * v / ctx.system_v + EPS), None
        )
        wrong.append(
            says("absorption-voltage-and-bank", absorption_v=profile.absorption_v, low=low, high_v=high)
            + (says("that-profile-bank", other_v=other) if other else "")
        )
        patch.append({"op": "replace", "path": f"/power/{key}/profile/absorption_v", "value": round((low + high) / 2, 2)})
    if profile.equalise and ctx.chem.key != "flooded":
        wrong.append(says("charger-equalises-which-sealed"))
        patch.append({"op": "replace", "path": f"/power/{key}/profile/equalise", "value": False})
    if profile.compensates and ctx.chem.lithium:
        wrong.append(says("charger-shifts-voltage-with"))
        patch.append({"op": "replace", "path": f"/power/{key}/profile/compensates", "value": False})
    if not wrong:
        return []
    text = "; ".join(wrong)
    far = profile.absorption_v is not None and profile.absorption_v > high + EPS
    burns = far or (profile.equalise and ctx.chem.key != "flooded" and ctx.chem.lithium)
    fix = Remedy(label=says("set-for-bank"), patch=patch)
    return [
        finding(
            "power-charge-profile",
            subject,
            name,
            f"{text[0].upper()}{text[1:]} ({ctx.chem.name}).",
            fix=fix,
            severity="danger" if burns and (ctx.chem.lithium or (profile.absorption_v or 0) > 1.2 * high) else None,
        )
    ]


def longest_stand(ctx: Context) -> int:
    """Most days in a row of the trip without a drive."""
    if ctx.design.trips.live is not None:
        live = ctx.design.trips.live
        return live.days_count if live.drive_every_d is None else live.drive_every_d - 1
    most = run = 0
    for leg in ctx.design.trips.legs:
        for n in range(leg.days_count):
            run = 0 if leg.drives_on(n) else run + 1
            most = max(most, run)
    return most

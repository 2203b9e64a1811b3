"""Every set of panels, controller, bank and driving charge that the vehicle, the rules and the wishes allow; and why the others do not."""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass, field
from typing import Any

from bothy.core.catalogue.parts import Part, parts
from bothy.core.catalogue.sheets import ControllerSheet, PanelSheet
from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.document import Design
from bothy.core.design.power import Bank, DrivingCharge, Power, SolarArray, SolarController
from bothy.core.power.bank import BankConfigureIn, bank_configure, cells_of_unit, most_charge_a
from bothy.core.power.chemistry import CHEMISTRIES
from bothy.core.power.driving import DcdcSizeIn, dcdc_size
from bothy.core.power.panels import EXTRA_LOW_V, array_power, cheapest_controller
from bothy.core.power.supply import ROOF_SHARE, W_PER_M2
from bothy.core.power.uses import budgets
from bothy.core.proposals.base import slug
from bothy.core.roof.lay_out import room_for
from bothy.core.words.says import sizing_says as says

REASONS = {
    "roof": says("roof-has-no-room"),
    "payload": says("weighs-more-than-may"),
    "budget": says("costs-more-than-budget"),
    "controller": says("no-controller-takes-string"),
    "current": says("bank-does-not-give"),
    "cold": says("cells-freeze-while-charging"),
    "alternator": says("alternator-or-bank-does"),
    "sun": says("bank-does-not-take"),
}
RELAXED = ("roof", "payload", "budget", "alternator")
"""Reasons that a person may decide to lift; what lifting one of them would give is looked at."""
MOST_PARALLEL, MOST_SERIES_PANELS = 6, 4
SEARCH_CLIPPED = 0.2
"""What a controller may cut off of the panels' label in a search: each set is run through the weathers, which show what that costs."""


@dataclass(frozen=True)
class Option:
    """One choice of one kind: what it is in words, what it costs and weighs, and why it can't be had, if so."""

    key: str
    words: str
    price: float
    mass_kg: float
    value: Any
    family: str
    size: float
    """Electrically more is at least as good within a family: W of panels, Ah of bank, A of driving charge."""
    barred: str | None = None
    charge_a: float = 0
    """What the panels charge with in full sun, in A."""


@dataclass(frozen=True)
class Candidate:
    """A whole set. ``barred`` names the only reason against it; sets with more than one are not made."""

    key: str
    voltage: int
    panels: Option
    bank: Option
    driving: Option
    price: float
    mass_kg: float
    barred: str | None

    @property
    def words(self) -> list[str]:
        """What it consists of."""
        return [o.words for o in (self.panels, self.bank, self.driving) if o.words]

    @property
    def family(self) -> tuple[int, str, str, str]:
        """Sets of one family are comparable by size alone."""
        return (self.voltage, self.panels.family, self.bank.family, self.driving.family)

    @property
    def sizes(self) -> tuple[float, float, float]:
        """Sizes of the three choices."""
        return (self.panels.size, self.bank.size, self.driving.size)

    def power(self, base: Power) -> Power:
        """The supply with this set in it; inverter, hook-up and panels with a controller of their own stay, and so does the bank's box."""
        arrays, controller = self.panels.value
        bank = self.bank.value
        if base.bank is not None:
            kept = ["heat_loss_w_k", "heater_when"] + (["usable_frac", "charge_to_frac", "peukert_exponent"] if bank.chemistry == base.bank.chemistry else [])
            bank = bank.model_copy(update={key: getattr(base.bank, key) for key in kept})
        return base.model_copy(
            update={"system_voltage_v": self.voltage, "arrays": base.own_arrays + arrays, "controller": controller, "bank": bank, "driving": self.driving.value}
        )


@dataclass
class Space:
    """All candidates, cheapest first, and how many were dropped for which reason."""

    candidates: list[Candidate] = field(default_factory=list)
    dropped: Counter[str] = field(default_factory=Counter)


def at_voltage(design: Design, volts: int) -> Context:
    """The design at a system voltage."""
    return Context(design.model_copy(update={"power": design.power.model_copy(update={"system_voltage_v": volts})}))


def parts_allowed(design: Design) -> list[Part]:
    """Catalogue parts of the makers wished for, and the person's own."""
    s = design.sizing
    own = [p.part() for p in s.own]
    return own if s.own_only else [p for p in parts(design.region).values() if not s.makers or p.maker in s.makers] + own


def _key_of(p: Part) -> str | None:
    return p.key if p.key in parts() else None


def roof_m2(ctx: Context) -> float:
    """Roof for panels: as wished, or the usual share of the inside area; less what panels with a controller of their own take there."""
    said = ctx.design.sizing.roof_m2
    taken = sum(array_power(a) for a in ctx.design.power.own_arrays if a.deploy != "ground") / W_PER_M2
    return max(0.0, (said if said is not None else ROOF_SHARE * ctx.inside_length_m * ctx.inside_width_m) - taken)


def mass_most_kg(ctx: Context) -> float:
    """What the set may weigh: as wished, or the whole payload."""
    said = ctx.design.sizing.mass_most_kg
    return said if said is not None else ctx.payload_kg


def _controller(
    ctx: Context, panel: Part[PanelSheet], s: int, n: int, controllers: list[Part[ControllerSheet]], placed: dict[str, Any]
) -> tuple[Part[ControllerSheet], SolarArray, float] | None:
    """The cheapest controller of a list that takes ``n`` strings of ``s`` panels without a finding, the panels, and what both charge with in A."""
    d = panel.data
    taken = {a.id for a in ctx.design.power.own_arrays}
    array = SolarArray.model_validate(
        {
            **d,
            "id": slug("roof", taken),
            "name": f"{s * n} × {panel.name}"[:120],
            "part": _key_of(panel),
            "series_count": s,
            "parallel_count": n,
            "unit_mass_kg": panel.mass_kg or None,
            "disconnect": True,
            **placed,
        }
    )
    found = cheapest_controller(ctx, [array], controllers, SEARCH_CLIPPED)
    if found is None or found[1].voc_cold_v > EXTRA_LOW_V:
        return None
    part, out = found
    return part, array.model_copy(update={"string_fuse": out.string_fuse_required}), min(part.data["max_charge_current_a"], out.uncapped_current_a)


def _cost(ctx: Context, item: Any, count: int = 1, unit_kg: float | None = None) -> tuple[float, float]:
    """Price that a part of the design still costs (nothing when it is owned) and its mass in kg."""
    known = parts(ctx.region.key).get(item.part or "")
    kg = unit_kg if unit_kg is not None else known.mass_kg if known else 0.0
    return (0.0 if item.owned or known is None else known.price * count), kg * count


def _owned_panels(ctx: Context, allowed: list[Part], dropped: Counter[str]) -> list[Option]:
    """The panels that are owned, on the controller that is owned or else the cheapest that takes them."""
    power = ctx.design.power
    arrays = power.shared_arrays
    sums = [_cost(ctx, a, a.series_count * a.parallel_count, a.unit_mass_kg) for a in arrays]
    if power.controller is not None and power.controller.owned:
        control, name, cost = power.controller, power.controller.name, _cost(ctx, power.controller, 1, power.controller.mass_kg)
    else:
        found = cheapest_controller(
            ctx, arrays, sorted((c for c in allowed if c.kind == "controller"), key=lambda c: (c.price, c.mass_kg, c.key)), SEARCH_CLIPPED
        )
        if found is None:
            dropped["controller"] += 1
            return []
        c = found[0]
        control, name, cost = (
            SolarController.model_validate({**c.data, "name": c.name, "part": _key_of(c), "mass_kg": c.mass_kg}),
            c.name,
            (c.price, c.mass_kg),
        )
    words = f"{', '.join(a.name for a in arrays)} on {name}"
    return [
        Option(
            "owned-panels",
            words,
            sum(x for x, _ in sums) + cost[0],
            sum(x for _, x in sums) + cost[1],
            (arrays, control),
            "owned",
            sum(array_power(a) for a in arrays),
        )
    ]


def panel_options(ctx: Context, allowed: list[Part], dropped: Counter[str]) -> list[Option]:
    """No panels, or some of one type on the cheapest controller of each type that takes them; the owned ones where there are any."""
    if any(a.owned for a in ctx.design.power.shared_arrays):
        return _owned_panels(ctx, allowed, dropped)
    out = [Option("no-panels", "", 0, 0, ([], None), "none", 0)]
    most, room = ctx.design.sizing.panels_most, roof_m2(ctx)
    first = next(iter(ctx.design.power.shared_arrays), None)
    placed = (
        {
            "tilt_deg": first.tilt_deg,
            "azimuth_deg": first.azimuth_deg,
            "deploy": first.deploy,
            "shade_frac": first.shade_frac,
            "roof_radius_m": first.roof_radius_m,
            "across_m": first.across_m,
        }
        if first
        else {}
    )
    on_roof = first is None or first.deploy != "ground"
    for panel in (p for p in allowed if p.kind == "panel"):
        area = panel.length_mm * panel.width_mm / 1e6
        long, short = max(panel.length_mm, panel.width_mm) / 1000, min(panel.length_mm, panel.width_mm) / 1000
        beside = room_for(ctx.design, long, short) if on_roof and ctx.design.sizing.roof_m2 is None else None
        fits = not on_roof or (long <= max(ctx.inside_length_m, ctx.inside_width_m) and short <= min(ctx.inside_length_m, ctx.inside_width_m))
        for count in range(1, most + 1):
            there = area * count <= room + 1e-9 if beside is None else count <= beside
            barred = None if fits and (not on_roof or there) else "roof"
            found_any = False
            for kind in ("mppt", "pwm"):
                of_kind = sorted(
                    (c for c in allowed if c.kind == "controller" and c.data["controller_type"] == kind), key=lambda c: (c.price, c.mass_kg, c.key)
                )
                best: tuple[Part[ControllerSheet], SolarArray, float] | None = None
                for s in (x for x in range(1, MOST_SERIES_PANELS + 1) if count % x == 0):
                    found = _controller(ctx, panel, s, count // s, of_kind, placed)
                    if found is not None and (best is None or found[0].price < best[0].price):
                        best = found
                if best is None:
                    continue
                found_any = True
                c, array, charge_a = best
                control = SolarController.model_validate({**c.data, "name": c.name, "part": _key_of(c), "mass_kg": c.mass_kg})
                out.append(
                    Option(
                        f"{panel.key}*{count}/{c.key}",
                        f"{count} × {panel.name} on {c.name}",
                        panel.price * count + c.price,
                        panel.mass_kg * count + c.mass_kg,
                        ([array], control),
                        f"{panel.key}/{kind}",
                        array_power(array),
                        barred,
                        charge_a,
                    )
                )
            if not found_any:
                dropped["controller"] += 1
    return out


def bank_options(ctx: Context, allowed: list[Part], dropped: Counter[str]) -> list[Option]:
    """Units of one type, in series for the voltage and in parallel for the charge, that give the largest current and stand the cold; the owned bank
    where there is one."""
    mine = ctx.design.power.bank
    if mine is not None and mine.owned:
        if mine.series_count * cells_of_unit(CHEMISTRIES[mine.chemistry], mine.unit_voltage_v) != CHEMISTRIES[mine.chemistry].cell_count(ctx.system_v):
            return []
        price, mass = _cost(ctx, mine, mine.series_count * mine.parallel_count, mine.unit_mass_kg)
        return [Option("owned-bank", mine.name, price, mass, mine, "owned", mine.unit_charge_ah * mine.parallel_count)]
    peak = max(u.peak_current_a for u in budgets(ctx).values())
    cold = ctx.bank_cold().value
    wished = ctx.design.sizing.chemistries
    out = []
    for part in (p for p in allowed if p.kind == "battery"):
        d = part.data
        chem = CHEMISTRIES[d["chemistry"]]
        if wished and d["chemistry"] not in wished:
            continue
        cells, unit = chem.cell_count(ctx.system_v), cells_of_unit(chem, d["unit_voltage_v"])
        if cells % unit:
            continue
        s = cells // unit
        if chem.lithium and cold < 0 and not (d.get("cold_charge_cutoff") and d.get("heater_power_w")):
            dropped["cold"] += 1
            continue
        for n in range(1, min(MOST_PARALLEL, chem.parallel_max) + 1):
            wiring = "busbar" if n > 2 else "diagonal"
            limits = {k: d.get(k) for k in ("unit_max_discharge_a", "unit_max_charge_a")}
            made = bank_configure(
                BankConfigureIn.trusted(
                    chemistry=d["chemistry"],
                    unit_voltage_v=d["unit_voltage_v"],
                    unit_charge_ah=d["unit_charge_ah"],
                    series_count=s,
                    parallel_count=n,
                    wiring=wiring,
                    **limits,
                )
            )
            if made.max_discharge_a < peak - 1e-6:
                dropped["current"] += 1
                continue
            name = f"{s * n} × {part.name}" if s * n > 1 else part.name
            bank = Bank.model_validate(
                {**d, "name": name[:120], "part": _key_of(part), "series_count": s, "parallel_count": n, "unit_mass_kg": part.mass_kg or None, "wiring": wiring}
            )
            out.append(Option(f"{part.key}*{s}*{n}", name, part.price * s * n, part.mass_kg * s * n, bank, part.key, d["unit_charge_ah"] * n))
    return out


def driving_options(ctx: Context, allowed: list[Part]) -> list[Option]:
    """The owned charger where there is one; else none, what is there now when it is a relay or a second alternator, or a DC-DC charger."""
    now = ctx.design.power.driving
    if now is not None and now.owned and ctx.alternator_a > 0:
        price, mass = _cost(ctx, now, 1, now.mass_kg)
        return [Option("owned-driving", now.name, price, mass, now, "owned", now.rating_a)]
    out = [Option("no-driving", "", 0, 0, None, "dcdc", 0)]
    if now is not None and now.school != "dcdc":
        p = parts(ctx.region.key).get(now.part or "")
        out.append(Option(now.school, now.name, p.price if p else 0, p.mass_kg if p else now.mass_kg or 0, now, now.school, now.rating_a))
    for part in (p for p in allowed if p.kind == "dcdc" and p.data["school"] == "dcdc"):
        charge = DrivingCharge.model_validate({**part.data, "name": part.name, "part": _key_of(part), "mass_kg": part.mass_kg})
        out.append(Option(part.key, part.name, part.price, part.mass_kg, charge, "dcdc", part.data["rating_a"]))
    return out


def _allowed_charger(ctx: Context, bank: Bank, rating_a: float) -> bool:
    capacity = bank.unit_charge_ah * bank.parallel_count
    if ctx.alternator_a <= 0:
        return False
    return dcdc_size(
        DcdcSizeIn.trusted(
            chemistry=bank.chemistry,
            capacity_ah=capacity,
            max_charge_a=most_charge_a(bank),
            system_voltage_v=ctx.system_v,
            alternator_rated_a=ctx.alternator_a,
            alternator_system_v=ctx.vehicle_system_v,
            smart_alternator=ctx.smart,
            drive_h=max(0.1, ctx.drive_h),
            ratings_a=[rating_a],
        )
    ).status in ("ok", "insufficient")


def space_of(design: Design) -> Space:
    """All candidates of a design. Those that one liftable reason bars are kept apart by ``barred``."""
    wishes = design.sizing
    allowed = parts_allowed(design)
    out = Space()
    base = Context(design)
    for volts in wishes.voltages or [base.system_v]:
        ctx = at_voltage(design, volts)
        drives = any(x.drives_on(0) for x in design.trips.legs) or (design.trips.live is not None and design.trips.live.drive_every_d is not None)
        driving = driving_options(ctx, allowed) if drives else driving_options(ctx, [])
        may: dict[tuple[str, str], bool] = {}
        panels, banks = panel_options(ctx, allowed, out.dropped), bank_options(ctx, allowed, out.dropped)
        most_kg = mass_most_kg(ctx)
        for b in banks:
            for g in driving:
                if g.family == "dcdc" and g.value is not None:
                    may[b.key, g.key] = _allowed_charger(ctx, b.value, g.size)
            for p in panels:
                for g in driving:
                    price, mass = p.price + b.price + g.price, p.mass_kg + b.mass_kg + g.mass_kg
                    why = [
                        r
                        for r, yes in (
                            ("roof", p.barred is not None),
                            ("alternator", not may.get((b.key, g.key), True)),
                            ("sun", p.charge_a > most_charge_a(b.value) + EPS),
                            ("payload", mass > most_kg + 1e-9),
                            ("budget", wishes.budget is not None and price > wishes.budget + 1e-9),
                        )
                        if yes
                    ]
                    out.dropped.update(why)
                    if len(why) <= 1:
                        key = f"{volts}V/{p.key}/{b.key}/{g.key}"
                        out.candidates.append(Candidate(key, volts, p, b, g, round(price, 2), round(mass, 3), why[0] if why else None))
    out.candidates.sort(key=lambda c: (c.price, c.mass_kg, c.key))
    return out

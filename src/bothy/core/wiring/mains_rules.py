"""Rules of the mains side (method wiring.cable-choice). Each is a design aid: a licensed or registered electrician designs, connects and certifies it."""

from __future__ import annotations

from typing import Any

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.mains import Mains
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.severity import Severity
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.conductors import AREA
from bothy.core.wiring.leads import LEAD_RATING_A
from bothy.core.wiring.mains import HOOKUP, MainsPart, draws_of, kept_on, usual
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        (
            "wire-ac-unsaid",
            "advice",
            Method("wiring.mains"),
        ),
        (
            "wire-ac-no-rcd",
            "danger",
            Method("wiring.mains") + Standard("IEC 60364-7-721"),
        ),
        (
            "wire-ac-single-pole",
            "danger",
            Method("wiring.mains") + Standard("IEC 60364-7-721") + Standard("AS/NZS 3001"),
        ),
        (
            "wire-ac-parallel-sources",
            "danger",
            Method("wiring.mains") + Standard("IEC 60364-5-55"),
        ),
        (
            "wire-ac-ne-bond",
            "danger",
            Method("wiring.mains") + Standard("IEC 60364-7-721") + Standard("UL 458"),
        ),
        (
            "wire-ac-chassis-unbonded",
            "danger",
            Method("wiring.mains") + Standard("IEC 60364-7-721"),
        ),
        ("wire-ac-breaker-above-lead", "danger", Method("wiring.mains")),
        ("wire-ac-wet-room", "danger", Method("wiring.mains") + Standard("IEC 60364-7-701") + Standard("NFPA 70", "551")),
        (
            "wire-ac-load-over-breaker",
            "fault",
            Method("wiring.mains") + Standard("NFPA 70") + Standard("IEC 60364"),
        ),
        (
            "wire-ac-lead-short",
            "fault",
            Method("wiring.mains"),
        ),
        (
            "wire-ac-outlets-many",
            "note",
            Method("wiring.mains") + OwnChoice("typical"),
        ),
        (
            "wire-lead-coiled",
            "note",
            Method("wiring.mains"),
        ),
    ),
)

LEAST_BOND_MM2 = 4.0
RHO_WARM = 0.0200
"""Copper at 60 °C in Ω·mm²/m."""
MANY = 3.0


def _set(label: str, key: str, value: Any) -> Remedy:
    return Remedy.sets(label, "/wiring/mains", **{key: value})


def _protection(ctx: Context, has_inverter: bool, has_shore: bool) -> list[Finding]:
    m = ctx.design.wiring.mains
    assert m is not None
    out: list[Finding] = []

    def add(rule_id: str, message: str, fix: Remedy | None) -> None:
        remedy = (
            says("fit-cutting-all-live", residual_device=ctx.region.residual_device, mains_poles_double=ctx.region.mains_poles == "double")
            if rule_id == "wire-ac-no-rcd"
            else None
        )
        out.append(finding(rule_id, "mains", says("mains-side"), f"{message} {ctx.region.licensed}", fix=fix, remedy=remedy))

    if not m.rcd:
        add("wire-ac-no-rcd", says("nothing-cuts-supply-when"), _set(says("put-in", residual_device=ctx.region.residual_device), "rcd", True))
    if has_inverter and not m.inverter_rcd:
        add(
            "wire-ac-no-rcd",
            says("inverters-output-has-no"),
            _set(says("put-one-behind-inverter"), "inverter_rcd", True),
        )
    if m.poles == "single" and ctx.region.mains_poles == "double":
        add(
            "wire-ac-single-pole",
            says("single-pole-breakers-leave"),
            _set(says("fit-double-pole-breakers"), "poles", "double"),
        )
    if ctx.design.region == "au" and not m.sockets_double_pole:
        add("wire-ac-single-pole", says("sockets-need-double-pole"), _set(says("fit-double-pole-sockets"), "sockets_double_pole", True))
    if has_inverter and has_shore and m.transfer == "joined":
        add(
            "wire-ac-parallel-sources",
            says("shore-and-inverter-joined"),
            _set(says("put-in-automatic-change"), "transfer", "automatic"),
        )
    if has_inverter:
        modes = {"inverting": 1 if m.bond in ("relay", "permanent") else 0}
        if has_shore and m.transfer != "separate":
            modes["on shore power"] = 1 + (1 if m.bond == "permanent" else 0)
        wrong = [f"{n} {mode}" for mode, n in modes.items() if n != 1]
        if wrong:
            add(
                "wire-ac-ne-bond",
                says("neutral-earth-bonds-exactly", wrong=" and ".join(wrong)),
                _set(says("bond-by-relay"), "bond", "relay"),
            )
    if m.chassis_bond_mm2 is None or m.chassis_bond_mm2 < LEAST_BOND_MM2 - EPS:
        told = (
            says("no-bond-to-bodywork")
            if m.chassis_bond_mm2 is None
            else says("bond-to-bodywork-at", chassis_bond_mm2=m.chassis_bond_mm2, least_bond_mm2=LEAST_BOND_MM2)
        )
        add("wire-ac-chassis-unbonded", says("without-fault-makes-bodywork", told=told), _set(says("bond-with"), "chassis_bond_mm2", LEAST_BOND_MM2))
    return out


def _too_much(part: MainsPart, m: Mains | None) -> list[Finding]:
    """More could run than the supply carries: settled where a relay sheds it, advice where it is shed by hand, else a fault."""
    how = m.shedding if m is not None else "none"
    if how == "relay" and part.together:
        return []
    told = says("appliances-for-can-run", supply_a=part.supply_a, limit_a=part.limit_a)
    if part.together and part.shed:
        told += says(
            "together-may-run-and",
            together=", ".join(part.together[:6]),
            together_count_over=len(part.together) > 6,
            shed=", ".join(part.shed[:4]),
            shed_count_over=len(part.shed) > 4,
        )
    fix = _set(says("shed-rest-by-relay"), "shedding", "relay") if m is not None and part.together else None
    return [
        finding(
            "wire-ac-load-over-breaker",
            "mains",
            says("mains-side"),
            told,
            figures=["mains/supply_a", "mains/limit_a"],
            fix=fix,
            severity="advice" if how == "hand" else None,
        )
    ]


def _outlets(ctx: Context, w: Worked) -> list[Finding]:
    """Outlets whose ratings add up to more than three times their breaker, with what may run together."""
    c = w.circuit
    count = c.outlet_count if c.outlet_count is not None else len(c.appliances)
    if c.fuse_a is None or count * ctx.region.socket_a <= MANY * c.fuse_a + EPS:
        return []
    on, off = kept_on(draws_of(ctx, [w], ctx.design.wiring.mains.keep if ctx.design.wiring.mains else []), c.fuse_a * ctx.region.continuous_frac)
    outlets = says("outlets", count=count) if count > 1 else says("outlet")
    together = says("together-may-run-not", d_names=", ".join(d.name for d in on), d_names_2=", ".join(d.name for d in off))
    alone = says("too-much-for-by", d_names=", ".join(d.name for d in off))
    told = says("one-breaker-feeds", fuse_a=c.fuse_a, outlets=outlets, socket_a=ctx.region.socket_a) + (
        says("what-planned-on-them") if not off else together if on else alone
    )
    return [finding("wire-ac-outlets-many", c.id, w.name, told)]


def _in_the_wet(ctx: Context) -> list[Finding]:
    """Mains sockets and appliances in the washroom: never within reach of the shower."""
    d, out = ctx.design, []
    guarded = d.region == "us" and d.wiring.mains is not None and d.wiring.mains.rcd
    for a in d.life.appliances:
        if a.zone != "washroom" or a.supply != "ac" or a.count == 0:
            continue
        socket = a.kind == "socket"
        words = says("mains-socket-in-washroom") if socket else says("mains-appliance-in-washroom")
        out.append(finding("wire-ac-wet-room", a.id, a.name, words, severity=None if socket and not guarded else "advice"))
    return out


def mains_findings(ctx: Context, worked: list[Worked], part: MainsPart | None) -> list[Finding]:
    """All findings of the mains side; without mains circuits only those of what runs on mains."""
    if part is None:
        return _in_the_wet(ctx)
    p = ctx.design.power
    has_inverter, has_shore = p.inverter is not None, p.shore is not None
    out: list[Finding] = []
    m = ctx.design.wiring.mains
    if m is None:
        out.append(
            finding(
                "wire-ac-unsaid",
                "mains",
                says("mains-side"),
                says("residual-current-device-poles", licensed=ctx.region.licensed),
                fix=Remedy.sets(says("use-usual-one"), "/wiring", mains=usual(ctx)),
            )
        )
    else:
        out += _protection(ctx, has_inverter, has_shore)
    if has_shore and part.supply_a > part.limit_a + EPS:
        out += _too_much(part, m)
    for w in worked:
        if w.part.ac:
            out += _outlets(ctx, w)
        leg = part.legs.get(w.circuit.id)
        if leg is None:
            continue
        c = w.circuit
        if part.lead_rating_a is not None and c.fuse_a is not None and c.fuse_a > part.lead_rating_a + EPS:
            fitting = max((r for r in ctx.region.ac_breakers_a if r <= part.lead_rating_a), default=None)
            fix = w.change(says("fit", fitting_a=fitting), fuse_a=float(fitting)) if fitting else None
            out.append(
                finding(
                    "wire-ac-breaker-above-lead",
                    c.id,
                    w.name,
                    says("breaker-stands-before-leads", fuse_a=c.fuse_a, lead_rating_a=part.lead_rating_a, licensed=ctx.region.licensed),
                    fix=fix,
                )
            )
        if c.id in part.unreachable:
            out.append(
                finding(
                    "wire-ac-lead-short",
                    c.id,
                    w.name,
                    says("route-with-to-spare", length_m=w.part.length_m, m=bool(m and m.leads_joined_count > 1)),
                )
            )
        elif sum(leg.leads_m) - w.part.length_m > 2.0 + EPS and part.lead_rating_a and leg.current_a > part.lead_rating_a / 3:
            out.append(
                finding(
                    "wire-lead-coiled",
                    c.id,
                    w.name,
                    says("lead-longer-than-route", leads_m=sum(leg.leads_m) - w.part.length_m, current_a=leg.current_a),
                )
            )
    out += _in_the_wet(ctx)
    return out


rules(
    "wiring",
    (
        (
            "wire-ac-hookup-lead",
            "fault",
            Method("wiring.mains") + Standard("IEC 60364-7-708") + OwnChoice("typical"),
        ),
        (
            "wire-ac-inlet-protect",
            "fault",
            Method("wiring.mains") + Standard("IEC 60364-7-721"),
        ),
        (
            "wire-ac-rcd-type",
            "fault",
            Method("wiring.mains") + Standard("IEC 60755"),
        ),
        (
            "wire-ac-galvanic",
            "advice",
            Method("wiring.mains", "corrosion") + Standard("ISO 13297"),
        ),
        (
            "wire-ac-surge",
            "advice",
            Method("wiring.mains") + OwnChoice("practice"),
        ),
    ),
)

POST_DROP = 0.03
"""What a hook-up lead may lose of the voltage (typical)."""


def shore_findings(ctx: Context) -> list[Finding]:
    """The hook-up lead, the inlet and what protects them, whatever is fitted behind them; none without a shore charger or a mains side."""
    p, m = ctx.design.power, ctx.design.wiring.mains
    if p.shore is None or m is None:
        return []
    out: list[Finding] = []
    licensed = ctx.region.licensed
    inlet = p.shore.inlet_current_a or ctx.region.inlet_a
    post = p.shore.supply_current_a or inlet
    carried = min(inlet, post)

    def add(rule_id: str, message: str, fix: Remedy | None = None, severity: Severity | None = None, answers: list[Remedy] | None = None) -> None:
        asked = severity == "question"
        out.append(
            finding(
                rule_id, "mains", says("mains-side"), f"{message} {licensed}", fix=None if asked else fix, severity=severity, answers=answers if asked else None
            )
        )

    length, area, awg = HOOKUP[ctx.region.wire_series]
    size: float | str = m.hookup_mm2 or area or awg or 2.5
    length = m.hookup_length_m or length
    if m.hookup_mm2 is not None or m.hookup_length_m is not None:
        rating = (
            LEAD_RATING_A[size]
            if isinstance(size, str)
            else max((a for s, a in LEAD_RATING_A.items() if isinstance(s, float) and s <= size + EPS), default=6.0)
        )
        mm2 = AREA[size] if isinstance(size, str) else float(size)
        lost = 2 * length * carried * RHO_WARM / mm2 / ctx.region.mains_v
        named = f"{size} AWG" if isinstance(size, str) else f"{size:g} mm²"
        if rating < post - EPS:
            add("wire-ac-hookup-lead", says("lead-carries-unrolled-post", named=named, rating_a=rating, post_a=post))
        elif lost > POST_DROP + EPS:
            add("wire-ac-hookup-lead", says("lead-loses-at-should", length_m=length, named=named, lost=lost, carried_a=carried, post_drop=POST_DROP))
    if post > inlet + EPS and (m.inlet_breaker_a is None or m.inlet_breaker_a > inlet + EPS):
        have = says("breaker-there-for", inlet_breaker_a=m.inlet_breaker_a) if m.inlet_breaker_a is not None else ""
        add(
            "wire-ac-inlet-protect",
            says("post-gives-inlet-made", post_a=post, inlet_a=inlet, have=have),
            _set(says("fit-breaker-at-inlet", inlet_a=inlet), "inlet_breaker_a", float(inlet)),
        )
    if m.rcd and m.rcd_type == "ac" and ctx.design.region != "us":
        add(
            "wire-ac-rcd-type",
            says("residual-current-device-type"),
            _set(says("fit-type"), "rcd_type", "a"),
        )
    afloat = ctx.design.vehicle.preset == "boat"
    if afloat and m.galvanic in (None, "none"):
        metal = ctx.design.vehicle.hull in ("steel", "aluminium")
        add(
            "wire-ac-galvanic",
            says("through-shores-earth-hull") + (says("and-metal-hull-eaten") if metal else "."),
            _set(says("fit-galvanic-isolator"), "galvanic", "isolator"),
            "fault" if metal else "question" if m.galvanic is None else None,
            [
                _set(says("there-isolator"), "galvanic", "isolator"),
                _set(says("there-isolating-transformer"), "galvanic", "transformer"),
                _set(says("there-neither"), "galvanic", "none"),
            ],
        )
    if ctx.design.region == "us" and not m.surge:
        add(
            "wire-ac-surge",
            says("post-with-lost-neutral"),
            _set(says("fit-surge-protection"), "surge", True),
            "question" if m.surge is None else None,
            [_set(says("there-one"), "surge", True), _set(says("there-none"), "surge", False)],
        )
    return out

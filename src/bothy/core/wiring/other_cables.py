"""Cables that are no circuits of a board: from the panels, the inlet and the inverter, bonds and earths, the trailer's own lights. Their current,
size and protection."""

from __future__ import annotations

from typing import Literal, NamedTuple

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import EPS, next_size, quick
from bothy.core.design.power import SolarArray
from bothy.core.design.wiring import OtherCable, OtherKind
from bothy.core.figure import Figure, derived, given
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.circuits import size_text
from bothy.core.wiring.conductors import AREA, METRIC, ConductorAmpacityIn, conductor_ampacity
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        (
            "wire-other-thin",
            "danger",
            Method("wiring.cable-choice") + Standard("IEC 60364-5-52"),
        ),
        (
            "wire-other-drop",
            "advice",
            Method("wiring.cable-choice", "3 % of the string’s voltage") + OwnChoice("typical"),
        ),
        ("wire-earth-thin", "danger", Method("wiring.mains") + Standard("IEC 60364-5-54")),
        (
            "wire-other-missing",
            "note",
            Method("wiring.cable-choice") + Standard("IEC 60364"),
        ),
    ),
)

CODES: dict[OtherKind, str] = {
    "panels": "PV",
    "inlet": "IN",
    "inverter_out": "IO",
    "chassis_bond": "CB",
    "mains_earth": "ME",
    "gas_bond": "GB",
    "hull_bond": "HB",
    "trailer_lights": "TL",
}
NAMES: dict[OtherKind, str] = {
    "panels": says("panels-to-controller"),
    "inlet": says("inlet-to-mains-board"),
    "inverter_out": says("inverter-to-mains-board"),
    "chassis_bond": says("chassis-bond-negative-side"),
    "mains_earth": says("mains-earth-to-chassis"),
    "gas_bond": says("bond-gas-pipe"),
    "hull_bond": says("bond-hull-and-fittings"),
    "trailer_lights": says("trailer-lights"),
}
USUAL_M: dict[OtherKind, float] = {
    "panels": 6.0,
    "inlet": 2.0,
    "inverter_out": 2.0,
    "chassis_bond": 0.5,
    "mains_earth": 1.0,
    "gas_bond": 2.0,
    "hull_bond": 2.0,
    "trailer_lights": 8.0,
}
LEAST_BOND_MM2, LEAST_EARTH_MM2, LEAST_PV_MM2, LEAST_AC_MM2 = 16.0, 4.0, 4.0, 2.5
TRAILER_A, TRAILER_FUSE_A, TRAILER_DROP = 10.0, 10.0, 0.10
PV_DROP, CHARGE_MARGIN = 0.03, 1.25
RHO_60 = 0.0200
"""Copper at 60 °C, Ω·mm²/m."""
Earth = Literal["chassis_bond", "mains_earth", "gas_bond", "hull_bond"]
EARTHS: tuple[OtherKind, ...] = ("chassis_bond", "mains_earth", "gas_bond", "hull_bond")


class OtherPart(BaseModel):
    """One such cable worked out. ``least_mm2`` is what it must have, ``best`` the size that Bothy would fit; currents in A."""

    code: str
    kind: str
    name: str
    from_to: str
    current_a: float | None
    length_m: float
    length_assumed: bool
    least_mm2: float
    best_area_mm2: float | None
    best_awg: str | None
    size_text: str
    best_text: str
    ampacity_a: float | None
    drop_frac: float | None
    protection: str
    protection_a: float | None
    ok: bool | None
    cores: int


class Wanted(NamedTuple):
    """A cable that the design needs: what it is, and of which array."""

    kind: OtherKind
    array: str | None = None


def wanted_others(ctx: Context, worked: list[Worked]) -> list[Wanted]:
    """Every such cable that the design needs, in the order of the schedule."""
    p, out = ctx.design.power, []
    if p.shared_arrays and p.controller is not None:
        out.append(Wanted("panels"))
    out += [Wanted("panels", a.id) for a in p.own_arrays]
    mains = any(w.part.ac for w in worked)
    if p.shore is not None and (mains or ctx.design.wiring.mains is not None):
        out.append(Wanted("inlet"))
    if p.inverter is not None and mains:
        out.append(Wanted("inverter_out"))
    if (
        worked
        and p.bank is not None
        and ctx.design.wiring.chassis_bond_count > 0
        and not (ctx.design.vehicle.preset == "boat" and ctx.design.vehicle.hull in (None, "grp", "wood"))
    ):
        out.append(Wanted("chassis_bond"))
    if mains or ctx.design.wiring.mains is not None:
        out.append(Wanted("mains_earth"))
    if ctx.design.gas.pipes:
        out.append(Wanted("gas_bond"))
    if ctx.design.vehicle.preset == "boat" and p.shore is not None:
        out.append(Wanted("hull_bond"))
    return out


def _size(ctx: Context, least_mm2: float) -> tuple[float | None, str | None]:
    """The first size of the region's series that has a metal area."""
    if ctx.region.wire_series == "awg":
        return None, next((s for s, a in sorted(AREA.items(), key=lambda x: x[1]) if a >= 0.97 * least_mm2), None)
    return next_size(METRIC, least_mm2), None


def _ampacity(ctx: Context, area: float | None, awg: str | None, ac: bool) -> Figure | None:
    if area is None and awg is None:
        return None
    size = {"awg": awg} if awg else {"area_mm2": area}
    return conductor_ampacity(ConductorAmpacityIn.trusted(**size, insulation_temp_c=70 if ac else 90, ambient_temp_c=30.0, installation="conduit")).figure(
        "ampacity_a"
    )


def _panels(ctx: Context, arrays: list[SolarArray]) -> tuple[Figure, float, float]:
    """Current of the strings together with the edge of a cloud, their voltage at work, and their own current."""
    isc = sum(a.isc_a * a.parallel_count for a in arrays)
    amps = derived("current_a", "1.25·ΣI_sc", CHARGE_MARGIN * isc, Method("wiring.cable-choice", "edge of a cloud") + Standard("IEC 62548"), isc_a=isc)
    return amps, min(a.vmp_v * a.series_count for a in arrays), sum(a.imp_a * a.parallel_count for a in arrays)


def _main_mm2(worked: list[Worked]) -> float:
    """Metal of the main cable, of what is fitted or else of what Bothy would fit."""

    def metal(w: Worked) -> float:
        if w.circuit.sized:
            return w.circuit.metal_mm2 * w.circuit.parallel_count
        best = AREA[w.part.best_awg] if w.part.best_awg is not None else w.part.best_area_mm2 or 0.0
        return best * w.part.best_parallel

    return max((metal(w) for w in worked if w.circuit.kind == "main"), default=0.0)


class _Carries(NamedTuple):
    """What a cable is for: its current, V, what it carries at work in A, the rating of what protects it, its least section in mm², its cores, where it
    leads, and what protects it in words."""

    amps: Figure | None
    volts: float | None
    works_a: float | None
    rating: float | None
    least: float
    cores: int
    from_to: str
    text: str


def _of_panels(ctx: Context, want: Wanted) -> _Carries:
    p = ctx.design.power
    arrays = p.shared_arrays if want.array is None else [a for a in p.arrays if a.id == want.array]
    amps, volts, works_a = _panels(ctx, arrays)
    strings = sum(a.parallel_count for a in arrays)
    text = says("fuse-in-each-string") if any(a.string_fuse for a in arrays) else says("none-needed-string-feed", strings=strings)
    return _Carries(amps, volts, works_a, None, LEAST_PV_MM2, 2, says("to-controller", arrays=", ".join(a.name for a in arrays)), text)


def _of_inlet(ctx: Context, c: OtherCable | None) -> _Carries:
    shore, m = ctx.design.power.shore, ctx.design.wiring.mains
    inlet = (shore.inlet_current_a if shore else None) or ctx.region.inlet_a
    rating = (m.inlet_breaker_a if m else None) or (c.protection_a if c else None) or inlet
    amps = given("current_a", inlet, "typed" if shore and shore.inlet_current_a else "table", says("rating-inlet"), label=says("current-inlet"))
    text = says("breaker-and-residual-current")
    return _Carries(amps, ctx.region.mains_v, None, rating, LEAST_AC_MM2, 3, says("inlet-mains-board"), text)


def _of_inverter(ctx: Context, rating_w: float, c: OtherCable | None) -> _Carries:
    mains_v = ctx.region.mains_v
    full = Method("wiring.cable-choice", "inverter at full load")
    amps = derived("current_a", "P/U", rating_w / mains_v, full, rating_w=rating_w, mains_voltage_v=mains_v)
    breakers = ctx.region.ac_breakers_a
    enough = (float(r) for r in breakers if r * ctx.region.continuous_frac >= amps.value - EPS)
    rating = (c.protection_a if c else None) or next(enough, float(breakers[-1]))
    text = says("inverters-own-limit-breaker")
    return _Carries(amps, mains_v, None, rating, 1.5, 3, says("inverter-mains-board"), text)


def _of_trailer(ctx: Context, c: OtherCable | None) -> _Carries:
    typed = c.current_a if c else None
    amps = given("current_a", typed or TRAILER_A, "typed" if typed else "assumed", says("all-lamps-trailer-typical"), label=says("current-lights"))
    rating = (c.protection_a if c else None) or TRAILER_FUSE_A
    text = says("fuse-in-towing-vehicle")
    return _Carries(amps, ctx.vehicle_v, amps.value, rating, 1.5, 2, says("towing-vehicles-plug-lights"), text)


EARTH_LEADS = {
    "chassis_bond": says("negative-busbar-chassis"),
    "mains_earth": says("mains-board-chassis"),
    "gas_bond": says("gas-pipe-chassis"),
    "hull_bond": says("earth-busbar-hull-and"),
}


def _carries(ctx: Context, worked: list[Worked], want: Wanted, c: OtherCable | None) -> _Carries:
    """What a cable of a kind is for."""
    inverter = ctx.design.power.inverter
    if want.kind == "panels":
        return _of_panels(ctx, want)
    if want.kind == "inlet":
        return _of_inlet(ctx, c)
    if want.kind == "inverter_out" and inverter is not None:
        return _of_inverter(ctx, inverter.rating_w, c)
    if want.kind == "trailer_lights":
        return _of_trailer(ctx, c)
    least = max(LEAST_BOND_MM2, _main_mm2(worked) / 2) if want.kind == "chassis_bond" else LEAST_EARTH_MM2
    return _Carries(None, None, None, None, least, 1, EARTH_LEADS[want.kind], says("none-earth-never-fused"))


def _one(ctx: Context, worked: list[Worked], want: Wanted, c: OtherCable | None) -> OtherPart:
    kind = want.kind
    length = c.length_m if c is not None and c.length_m is not None else USUAL_M[kind]
    ac = kind in ("inlet", "inverter_out")
    amps, volts, works_a, rating, least, cores, from_to, text = _carries(ctx, worked, want, c)
    carried = amps.value if amps is not None else 0.0
    if rating is not None:
        carried = max(carried, rating)
    most = TRAILER_DROP if kind == "trailer_lights" else PV_DROP

    def serves(area: float | None, awg: str | None, mm2: float) -> bool:
        i_z = _ampacity(ctx, area, awg, ac)
        lost = 2 * length * (works_a or 0.0) * RHO_60 / mm2 / volts if volts and works_a else 0.0
        return i_z is not None and i_z.value >= carried - EPS and lost <= most + EPS

    if carried > 0:
        sizes = (
            [(None, str(s), a) for s, a in sorted(AREA.items(), key=lambda x: x[1])]
            if ctx.region.wire_series == "awg"
            else [(float(s), None, float(s)) for s in METRIC]
        )
        large = [mm2 for _, _, mm2 in sizes if mm2 >= (0.97 if ctx.region.wire_series == "awg" else 1) * least - EPS]
        least = next((mm2 for area, awg, mm2 in sizes if mm2 in large and serves(area, awg, mm2)), large[-1])
    best_area, best_awg = _size(ctx, least)
    area, awg = (c.area_mm2, c.awg) if c is not None else (None, None)
    if kind == "chassis_bond" and area is None and awg is None:
        area = ctx.design.wiring.chassis_bond_mm2
    if kind == "mains_earth" and area is None and awg is None and ctx.design.wiring.mains is not None:
        area = ctx.design.wiring.mains.chassis_bond_mm2
    mm2 = AREA[awg] if awg is not None else area
    i_z = _ampacity(ctx, area, awg, ac) if amps is not None else None
    part = quick(
        OtherPart,
        code=f"{CODES[kind]}{'' if want.array is None else f'-{want.array}'}",
        kind=kind,
        name=c.name if c is not None and c.name != "Cable" else NAMES[kind],
        from_to=from_to,
        current_a=amps.value if amps else None,
        length_m=length,
        length_assumed=c is None or c.length_m is None,
        least_mm2=least,
        best_area_mm2=best_area,
        best_awg=best_awg,
        size_text=size_text(area, awg),
        best_text=size_text(best_area, best_awg),
        ampacity_a=i_z.value if i_z else None,
        drop_frac=2 * length * works_a * RHO_60 / mm2 / volts if works_a and volts and mm2 else None,
        protection=text,
        protection_a=rating,
        ok=None if mm2 is None else (i_z is None or i_z.value >= carried - EPS) and (amps is not None or mm2 >= (0.97 if awg else 1) * least - EPS),
        cores=cores,
    )
    key = f"others/{c.id if c is not None else part.code.lower()}"
    if amps is not None:
        ctx.book.put(f"{key}/current_a", amps)
        if part.drop_frac is not None:
            ctx.book.put(
                f"{key}/drop_frac", derived("drop_frac", "I·r·2·L/U", part.drop_frac, Method("wiring.voltage-drop"), current_a=amps, length_m=part.length_m)
            )
    if i_z is not None:
        ctx.book.put(f"{key}/ampacity_a", i_z)
    return part


def _of(ctx: Context, want: Wanted) -> OtherCable | None:
    return next((c for c in ctx.design.wiring.others if c.kind == want.kind and c.array == want.array), None)


def work_others(ctx: Context, worked: list[Worked]) -> tuple[dict[str, OtherPart], list[Finding]]:
    """All such cables: by the id of what was entered, or by their code where nothing was; and their findings."""
    parts: dict[str, OtherPart] = {}
    found: list[Finding] = []
    wanted = wanted_others(ctx, worked)
    wanted += [
        Wanted(c.kind, c.array) for c in ctx.design.wiring.others if Wanted(c.kind, c.array) not in wanted and (c.kind in EARTHS or c.kind == "trailer_lights")
    ]
    missing: list[str] = []
    for want in dict.fromkeys(wanted):
        c = _of(ctx, want)
        part = _one(ctx, worked, want, c)
        parts[c.id if c is not None else part.code.lower()] = part
        if c is None and not part.size_text:
            missing.append(part.name)
        if part.ok is False and c is not None:
            i = ctx.design.wiring.others.index(c)
            fix = Remedy.sets(says("fit-3", best_text=part.best_text), f"/wiring/others/{i}", c.id, area_mm2=part.best_area_mm2, awg=part.best_awg)
            if part.current_a is None:
                found.append(
                    finding(
                        "wire-earth-thin",
                        f"other:{c.id}",
                        part.name,
                        says("earth-must-carry-fault", size_text=part.size_text, best_text=part.best_text)
                        if part.best_text
                        else says("earth-must-carry-more", size_text=part.size_text, least_mm2=part.least_mm2),
                        fix=fix,
                    )
                )
            else:
                most = max(part.current_a, part.protection_a or 0.0)
                found.append(
                    finding(
                        "wire-other-thin",
                        f"other:{c.id}",
                        part.name,
                        says("up-to-may-flow", most_a=most, size_text=part.size_text, ampacity_a=part.ampacity_a or 0),
                        fix=fix,
                        figures=[f"others/{c.id}/current_a", f"others/{c.id}/ampacity_a"],
                    )
                )
        elif c is not None and part.drop_frac is not None and part.drop_frac > (TRAILER_DROP if part.kind == "trailer_lights" else PV_DROP) + EPS:
            found.append(
                finding(
                    "wire-other-drop",
                    f"other:{c.id}",
                    part.name,
                    says("voltage-drop-over", drop_frac=part.drop_frac, length_m=part.length_m, size_text=part.size_text),
                    fix=Remedy.sets(
                        says("fit-3", best_text=part.best_text),
                        f"/wiring/others/{ctx.design.wiring.others.index(c)}",
                        c.id,
                        area_mm2=part.best_area_mm2,
                        awg=part.best_awg,
                    ),
                )
            )
    if missing and worked:
        found.append(finding("wire-other-missing", "wiring", says("wiring"), says("design-doesnt-have-these", missing=", ".join(missing))))
    return parts, found


def propose_others(ctx: Context, worked: list[Worked]) -> tuple[list[OtherCable], list[OtherCable]]:
    """Entries for those cables that the design needs and does not have, in the sizes that Bothy would fit; and proposed ones whose size has changed."""
    taken = {c.id for c in ctx.design.wiring.others}
    out: list[OtherCable] = []
    changed: list[OtherCable] = []
    for want in wanted_others(ctx, worked):
        now = _of(ctx, want)
        if now is not None and now.by != "proposal":
            continue
        part = _one(ctx, worked, want, None)
        sizes = {"area_mm2": part.best_area_mm2, "awg": part.best_awg, "protection_a": part.protection_a if want.kind in ("inlet", "inverter_out") else None}
        if now is not None:
            follow = OtherCable.model_validate({**now.model_dump(), **sizes})
            if now.length_m is None and follow != now and (sizes["area_mm2"] or sizes["awg"]):
                changed.append(follow)
            continue
        stem = part.code.lower()[:36]
        id = next(x for x in (stem, *(f"{stem}-{n}" for n in range(2, 60))) if x not in taken)
        taken.add(id)
        out.append(OtherCable.model_validate({"id": id, "kind": want.kind, "name": part.name[:120], "array": want.array, **sizes, "by": "proposal"}))
    return out, changed

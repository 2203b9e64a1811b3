"""Findings of masses: limits, axles, sides, a trailer's nose, the weighbridge (method fit.axles, fit.trailer, fit.weighbridge)."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.context import Context
from bothy.core.finding import Finding, finding
from bothy.core.fit import rule_table  # noqa: F401  registers the rules
from bothy.core.fit.geometry import Geometry
from bothy.core.fit.ledger import Ledger, Scenario
from bothy.core.fit.weight import NOSE, TOW_RATIO, axle_findings, lump_findings, stability
from bothy.core.words.says import fit_says as says

LICENCE_KG = {"us": 11793.0, "uk": 3500.0, "eu": 3500.0, "au": 4500.0}
"""Gross limit up to which a car licence suffices (method fit.axles; national rules differ)."""
DIFFERS_FRAC, AXLE_DIFFERS_FRAC = 0.03, 0.05


def weight_findings(ctx: Context, geo: Geometry, ledger: Ledger) -> list[Finding]:
    """All findings of masses."""
    if not ctx.design.fit.begun:
        return []
    out = list(_roof(geo, ledger))
    kind = geo.body.gear.kind
    if kind == "axles":
        out += [*_axles(ctx, geo, ledger), *_camper(ctx, geo, ledger)]
    elif kind == "trailer":
        out += _trailer(ctx, geo, ledger)
    out += _weighed(geo, ledger)
    usual = [r for r in ledger.rows if r.counted == "usual" and r.kg >= 5]
    if usual:
        names = ", ".join(r.name for r in usual[:6])
        out.append(finding("fit-mass-missing", "fit", says("fit"), says("for-these-only-usual", names=names), related=[r.key for r in usual[:20]]))
    return out


def _roof(geo: Geometry, ledger: Ledger) -> Iterator[Finding]:
    limit = geo.body.gear.roof
    if limit is not None and ledger.roof_kg > limit + 1e-9:
        yield finding(
            "fit-roof-load",
            "fit",
            says("roof"),
            says("roof-carries-while-driving", roof_kg=ledger.roof_kg, limit_kg=limit),
            figures=["fit/weight/roof_kg"],
        )


def _camper(ctx: Context, geo: Geometry, ledger: Ledger) -> Iterator[Finding]:
    """A camper on a truck: its own mass, and where its centre lies with all that is in it."""
    if ctx.design.vehicle.preset != "truck_camper" or geo.body.gear.rear_x is None:
        return
    if ctx.design.fit.body.running.camper_kg is None:
        kg = sum(r.kg for r in ledger.rows if r.key.startswith("lining:"))
        words = says("empty-axles-trucks-alone", kg=kg)
        yield finding("fit-camper-mass", "fit", says("weight"), words, severity="question")
        return  # where the whole has its centre is not known before
    for s in ledger.scenarios:
        rows = [(r, r.kg * s.factors.get(r.group, 1.0)) for r in ledger.rows if r.group != "people"]
        total = sum(kg for _, kg in rows)
        x = sum(kg * r.at[0] for r, kg in rows) / total if total > 0 else 0.0
        if total > 0 and x < geo.body.gear.rear_x - 1e-9:
            behind = geo.body.gear.rear_x - x
            words = says("loaded-as-campers-centre", s_name=s.name, behind_m=behind, total_kg=total)
            yield finding("fit-camper-behind", "fit", says("weight"), words)
            return


def _heaviest(scenarios: tuple[Scenario, ...], of) -> Scenario:  # type: ignore[no-untyped-def]
    return max(scenarios, key=of)


def _axles(ctx: Context, geo: Geometry, ledger: Ledger) -> Iterator[Finding]:
    axles, limits = ledger.axles, ledger.limits
    assert axles is not None
    broken: dict[str, Scenario] = {}
    for s in ledger.scenarios:
        assert s.loads is not None
        for id in axle_findings(axles, limits, s.loads):
            broken.setdefault(id, s)
    base = axles.front_x - axles.rear_x
    for id, s in broken.items():
        loads = s.loads
        assert loads is not None
        key = f"fit/loading/{s.id}"
        where = f"“{s.name}”"
        if id in ("fit-gross-over", "fit-payload-thin"):
            assert limits.gross is not None
            left = limits.gross - loads.gross
            words = (
                says("loaded-as-vehicle-weighs", where=where, gross_kg=loads.gross, gross_kg_2=limits.gross)
                if left < 0
                else says("loaded-as-vehicle-weighs-and", where=where, gross_kg=loads.gross, left_kg=left)
            )
            yield finding(id, "fit", says("weight"), words, figures=[f"{key}/gross_kg", f"{key}/payload_left_kg"])
        elif id == "fit-axle-over":
            yield from _axle_over(loads, limits, s, base)
        elif id == "fit-axle-lift":
            yield finding(
                id,
                "fit",
                says("weight"),
                says("loaded-as-front-axle", where=where, front_kg=loads.front, rear_kg=loads.rear),
                figures=[f"{key}/front_kg"],
            )
        elif id == "fit-front-axle-light":
            words = says("loaded-as-front-axle-carries", where=where, front_pc=100 * loads.front / loads.gross)
            yield finding(id, "fit", says("weight"), words, figures=[f"{key}/front_kg", f"{key}/gross_kg"])
        elif id == "fit-side-imbalance":
            more, kg = ("left", loads.left - loads.right) if loads.left > loads.right else ("right", loads.right - loads.left)
            words = says("loaded-as-side-heavier", where=where, more=more, kg=kg, kg_2=kg / 2 * axles.track_rear / 2)
            yield finding(id, "fit", says("weight"), words, figures=[f"{key}/left_kg"])
        else:
            height, factor = stability(axles, loads)
            words = says("loaded-as-centre-gravity", where=where, height_m=height, factor=factor)
            yield finding("fit-top-heavy", "fit", says("weight"), words, figures=[f"{key}/gross_kg"])
    yield from _paper(ctx, geo, ledger)


def _axle_over(loads, limits, s: Scenario, base: float) -> Iterator[Finding]:  # type: ignore[no-untyped-def]
    for name, load, limit in (("front", loads.front, limits.front), ("rear", loads.rear, limits.rear)):
        if limit is not None and load > limit + 1e-9:
            over = load - limit
            way = "back" if name == "front" else "forward"
            words = says("loaded-as-axle-carries", s_name=s.name, name=name, load_kg=load, limit_kg=limit, over=over * base, way=way)
            yield finding("fit-axle-over", name, says("axle", name=name.capitalize()), words, figures=[f"fit/loading/{s.id}/{name}_kg"])


def _paper(ctx: Context, geo: Geometry, ledger: Ledger) -> Iterator[Finding]:
    g, region = geo.body.gear, ctx.design.region
    if g.gross is not None and g.gross > LICENCE_KG[region] + 1e-9:
        yield finding(
            "fit-licence",
            "fit",
            says("weight"),
            says("vehicles-limit-above-car", gross_kg=g.gross, licence_kg=LICENCE_KG[region]),
        )
    if region in ("uk", "eu") and g.gross is not None and not any(r.group == "luggage" for r in ledger.rows):
        worst = ledger.worst
        if worst.loads is None or g.front_x is None:
            return
        seats = max(1.0, ctx.people)
        reserve = 10 * (seats + g.front_x + 0.9 + 0.3)
        left = g.gross - worst.loads.gross
        if 0 <= left < reserve:
            yield finding(
                "fit-reserve-short",
                "fit",
                says("weight"),
                says("loaded-as-left-without", worst_name=worst.name, left_kg=left, reserve_kg=reserve, seats=seats),
                figures=[f"fit/loading/{worst.id}/payload_left_kg"],
            )


class Nose:
    """A trailer on its ball in one loading: kg, share, and kg·m to move forwards."""

    def __init__(self, region: str, geo: Geometry, ledger: Ledger, s: Scenario) -> None:
        g = geo.body.gear
        axles = [x for x in (g.rear_x, g.second_x) if x is not None]
        at = sum(axles) / len(axles)
        self.arm = (g.coupling_x or 0.0) - at
        carried = [(r.kg * s.factors.get(r.group, 1.0), r.at[0]) for r in ledger.rows]
        self.gross = g.empty_front + g.empty_rear + sum(kg for kg, _ in carried)
        self.nose = g.empty_front + sum(kg * (x - at) / self.arm for kg, x in carried)
        self.low, self.high = NOSE[region]
        self.axle_each = (self.gross - self.nose) / len(axles)
        self.shift = ((self.low + self.high) / 2 * self.gross - self.nose) * self.arm

    @property
    def share(self) -> float:
        """Nose over the whole."""
        return self.nose / self.gross if self.gross else 0.0


def _trailer(ctx: Context, geo: Geometry, ledger: Ledger) -> Iterator[Finding]:
    g, seen = geo.body.gear, set[str]()
    r = ctx.design.fit.body.running
    for s in ledger.scenarios:
        n = Nose(ctx.design.region, geo, ledger, s)
        key = [f"fit/loading/{s.id}/nose_kg", f"fit/loading/{s.id}/gross_kg"]
        said = says("loaded-as-rest-on", s_name=s.name, nose_kg=n.nose, gross_kg=n.gross, share_pc=100 * n.share, low=100 * n.low, high_pc=100 * n.high)
        tests = (
            ("fit-nose-light", n.share < n.low - 1e-9, says("belong-further-forward", said=said, shift=n.shift)),
            ("fit-nose-heavy", n.share > n.high + 1e-9, says("belong-further-back", said=said, shift=-n.shift)),
            (
                "fit-nose-over-limit",
                g.nose_limit is not None and n.nose > g.nose_limit + 1e-9,
                says("on-ball-rest-may", nose_kg=n.nose, nose_limit_kg=g.nose_limit or 0),
            ),
            (
                "fit-gross-over",
                g.gross is not None and n.gross > g.gross + 1e-9,
                says("loaded-as-trailer-weighs", s_name=s.name, gross_kg=n.gross, gross_kg_2=g.gross or 0),
            ),
            (
                "fit-axle-over",
                g.rear is not None and n.axle_each > g.rear + 1e-9,
                says("each-axle-carries-may", axle_each_kg=n.axle_each, rear_kg=g.rear or 0),
            ),
            (
                "fit-tow-over",
                r.tow_limit_kg is not None and n.gross > r.tow_limit_kg + 1e-9,
                says("trailer-weighs-at-most", gross_kg=n.gross, tow_limit_kg=r.tow_limit_kg or 0),
            ),
            (
                "fit-tow-ratio",
                ctx.design.region in ("uk", "eu") and r.tow_vehicle_kg is not None and n.gross > TOW_RATIO * r.tow_vehicle_kg + 1e-9,
                says("trailer-weighs-towing-vehicle", gross_kg=n.gross, gross_pc=100 * n.gross / (r.tow_vehicle_kg or 1)),
            ),
        )
        for id, broken, words in tests:
            if broken and id not in seen:
                seen.add(id)
                yield finding(id, "fit", says("trailer"), words, figures=key)


def _weighed(geo: Geometry, ledger: Ledger) -> Iterator[Finding]:
    for w in ledger.weighed:
        z, got = w.weighing, w.lump
        assert ledger.axles is not None
        gross = z.front_kg + z.rear_kg
        over = [
            (n, kg, limit)
            for n, kg, limit in (
                ("whole", gross, ledger.limits.gross),
                (says("front-axle"), z.front_kg, ledger.limits.front),
                (says("rear-axle"), z.rear_kg, ledger.limits.rear),
            )
            if limit is not None and kg > limit
        ]
        for name, kg, limit in over:
            yield finding("test-overweight", z.id, z.name, says("weighed-limit", name=name, kg=kg, limit_kg=limit))
        ids = lump_findings(got, gross, (ledger.axles.rear_x, ledger.axles.front_x))
        place = says("from-rear", x_m=got.x) if got.x is not None else ""
        more = says("scale-finds-against-plan", kg=got.kg, place=place) if got.x is not None else ""
        for id in ids:
            if id == "fit-mass-unaccounted" and z.booked:
                continue
            yield finding(id, z.id, z.name, more)
        resolution = 2 * z.resolution_kg
        if got.misplaced and max(abs(got.front_kg), abs(got.rear_kg)) > resolution + 1e-9:
            base = ledger.axles.front_x - ledger.axles.rear_x
            way = "forward" if got.front_kg > 0 else "back"
            yield finding(
                "fit-mass-misplaced",
                z.id,
                z.name,
                says("front-axle-off-by", front_kg=got.front_kg, rear_kg=got.rear_kg, front_kg_2=abs(got.front_kg) * base, way=way),
            )
        if not ids and (
            abs(got.kg) > DIFFERS_FRAC * gross or max(abs(got.front_kg) / max(1.0, z.front_kg), abs(got.rear_kg) / max(1.0, z.rear_kg)) > AXLE_DIFFERS_FRAC
        ):
            yield finding("test-weight-differs", z.id, z.name, more or says("axles-differ-by-and", front_kg=got.front_kg, rear_kg=got.rear_kg))
    del geo

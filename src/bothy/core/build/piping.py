"""Pipes, fittings, ducts and hoses to buy, from the runs of Water, Gas and Heat by their lengths along the ways (method build.packs, build.cuts)."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping

from bothy.core.build.cuts import Piece
from bothy.core.build.line import Line, slug
from bothy.core.catalogue.parts import local_price
from bothy.core.catalogue.workshop import goods
from bothy.core.design.document import Design
from bothy.core.report import Report
from bothy.core.words.says import build_says as says

PACKS_M: dict[str, tuple[float, ...]] = {"pipe": (10, 25, 50), "waste_pipe": (2, 4), "gas_pipe": (5, 25), "duct": (5, 10), "coolant_hose": (10, 25)}
"""Lengths in which they are sold, m (usual); the price of the table is for the first."""
FITTING_NAMES = {
    "elbow_90": says("elbow"),
    "elbow_45": says("elbow-by-half"),
    "coupling": says("coupling"),
    "insert_coupling": says("coupling"),
    "reducer": says("reducer"),
    "valve_ball": says("ball-valve"),
    "valve_stop": says("stop-valve"),
    "valve_check": says("check-valve"),
    "valve_appliance": says("appliance-valve"),
    "strainer": says("strainer"),
}
"""Fittings that are bought; a bend is made in the pipe, and tees follow from where runs part."""
VALVES = {FITTING_NAMES[k] for k in ("valve_ball", "valve_stop", "valve_check", "valve_appliance", "strainer")}
"""Those of them that are bought one by one."""
A_SET = 20
A_SET_OF_VALVES = 4


def lengths_by_way(r: Report) -> dict[str, float]:
    """Run -> its length along its way in m, where that is the one to reckon with."""
    return {x.id: x.length_m for x in r.fit.routes if x.length_m is not None and not x.kept}


def _packed(good: str, name: str, key: str, service: str, pieces: list[Piece], task: tuple[str, ...], of: tuple[str, ...], level: float) -> Line:
    """A line of something that is cut from lengths: the shortest pack that gives the longest piece."""
    longest = max(p.length_m for p in pieces)
    pack = next((x for x in PACKS_M[good] if x >= longest - 1e-9), None)
    need = sum(p.length_m for p in pieces)
    first = PACKS_M[good][0]
    price = goods()[good].price
    per_m = local_price(price, level) / first if price else None
    return Line(slug(key), name, service, round(need, 2), "m", "", None, of, task, False, tuple(pieces), pack, per_m, "pipe")


def _tees(parents: Iterable[str | None]) -> int:
    """Tees of a tree of runs: where n go on, n − 1 part."""
    count: dict[str, int] = {}
    for p in parents:
        count[p or ""] = count.get(p or "", 0) + 1
    return sum(n - 1 for n in count.values())


def _fittings(runs: Iterable[tuple[float, Mapping[str, int]]], tees: int, service: str, task: tuple[str, ...], level: float, licensed: bool) -> Iterator[Line]:
    """Fittings by kind and bore with one to spare of each kind that joins pipe."""
    count: dict[tuple[str, float], int] = {}
    bores = []
    for bore, typed in runs:
        bores.append(bore)
        for k, n in typed.items():
            if k in FITTING_NAMES and n:
                at = (FITTING_NAMES[k], bore)
                count[at] = count.get(at, 0) + n
    if tees > 0 and bores:
        count[says("tee"), max(bores)] = tees
    known = goods()
    for (name, bore), n in sorted(count.items()):
        valve = name in VALVES
        amount = n if valve else n + 1
        one = known["valves"].price / A_SET_OF_VALVES if valve else known["fittings"].price / A_SET
        packs = f"{amount} ×" if valve else f"{amount} ×, 1 to carry"
        price = None if licensed else local_price(one * amount, level)
        title = f"{name}, {bore:g} mm" + (says("gas") if licensed else "")
        yield Line(slug(f"{service} {name} {bore:g}"), title, service, float(amount), "", packs, price, (service,), task, False)


def piping(d: Design, r: Report, live: set[str], level: float) -> list[Line]:
    """Lines of water pipe and fittings, waste pipe, gas pipe and fittings, warm-air duct and coolant hose."""
    routed, out = lengths_by_way(r), list[Line]()

    def laid(prefix: str, id: str, typed: float) -> float:
        return max(0.01, round(routed.get(f"{prefix}:{id}", typed), 2))

    def task(*names: str) -> tuple[str, ...]:
        return tuple(t for t in names if t in live)[:1]

    water: dict[tuple[float, bool], list[Piece]] = {}
    for x in d.water.runs:
        water.setdefault((x.inner_diameter_mm, x.hot), []).append(Piece(x.name, laid("water", x.id, x.length_m)))
    lay = task("ff-water-pipes", "floor-services", "wet-fresh")
    for (bore, hot), pieces in sorted(water.items()):
        name = says("water-pipe-inside-hot", bore_mm=bore, hot=bool(hot))
        out.append(_packed("pipe", name, says("water-pipe-hot", bore=bore, hot=bool(hot)), "water", pieces, lay, ("water",), level))
    out += _fittings([(x.inner_diameter_mm, x.fittings) for x in d.water.runs], _tees(x.parent for x in d.water.runs), "water", task("wet-fresh"), level, False)
    waste: dict[float, list[Piece]] = {}
    longest = PACKS_M["waste_pipe"][-1]
    for w in d.water.drains:
        left = laid("drain", w.id, w.length_m)
        while left > longest:  # waste pipe is joined with a sleeve that stays in reach
            waste.setdefault(w.inner_diameter_mm, []).append(Piece(w.name, longest))
            left = round(left - longest, 2)
        waste.setdefault(w.inner_diameter_mm, []).append(Piece(w.name, left))
    for bore, pieces in sorted(waste.items()):
        out.append(
            _packed("waste_pipe", says("waste-pipe-inside", bore_mm=bore), says("waste-pipe", bore=bore), "water", pieces, task("wet-waste"), ("water",), level)
        )
    gas: dict[float, list[Piece]] = {}
    chosen = {k: x.inner_diameter_mm for k, x in r.gas.pipes.runs.items()} if r.gas.pipes is not None else {}
    for g in d.gas.pipes:
        bore = chosen.get(g.id) or g.inner_diameter_mm or 0.0
        if bore:
            gas.setdefault(bore, []).append(Piece(g.name, laid("gas", g.id, g.length_m)))
    for bore, pieces in sorted(gas.items()):
        name = says("gas-pipe-inside-by", bore_mm=bore)
        out.append(_packed("gas_pipe", name, says("gas-pipe", bore=bore), "gas", pieces, task("gas-pipework"), ("gas",), level))
    sized = [(chosen.get(g.id) or g.inner_diameter_mm or 0.0, g.fittings) for g in d.gas.pipes]
    out += _fittings([x for x in sized if x[0]], _tees(g.parent for g in d.gas.pipes), "gas", task("gas-pipework"), level, True)
    ducts: dict[float, list[Piece]] = {}
    for u in d.warmth.ducts:
        ducts.setdefault(u.diameter_mm, []).append(Piece(u.name, laid("duct", u.id, u.length_m)))
    for bore, pieces in sorted(ducts.items()):
        out.append(
            _packed(
                "duct", says("warm-air-duct", bore_mm=bore), says("duct", bore=bore), "warmth", pieces, task("ff-ducts", "connect-ducts"), ("warmth",), level
            )
        )
    loop = d.warmth.loop
    if loop is not None and loop.zones:
        pieces = [Piece(z.name, laid("coolant", z.id, z.pipe_length_m)) for z in loop.zones]
        name = says("coolant-hose-inside", pipe_inner_mm=loop.pipe_inner_mm)
        out.append(
            _packed("coolant_hose", name, says("coolant-hose", pipe_inner_mm=loop.pipe_inner_mm), "warmth", pieces, task("wet-coolant"), ("warmth",), level)
        )
    return out

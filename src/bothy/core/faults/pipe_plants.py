"""Pipes to practise on, built-in and this vehicle’s own, and everything that a seed can hide in them (method prove.practice)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

from bothy.core.commissioning.source import Source
from bothy.core.faults.case import Hypothesis
from bothy.core.faults.flow import OUTLETS, Piece, solved
from bothy.core.faults.practice import Medium
from bothy.core.words.says import faults_says as says

NARROWED = 0.4
"""What flows to the outlets behind a narrow piece, as a part of what should."""
MOST_OUTLETS = 8
FRICTION, WATER = 0.03, 1000.0
"""Of plastic pipe with its fittings; kg/m³."""


class Plant(NamedTuple):
    """What is played on: pieces, the source (``rest`` without flow, ``sag`` per flow), and the units of pressure and flow."""

    key: str
    title: str
    level: int
    medium: Medium
    about: str
    pieces: list[Piece]
    rest: float
    sag: float

    @property
    def outlets(self) -> list[Piece]:
        """Taps or burners."""
        return [x for x in self.pieces if x.kind in OUTLETS]

    @property
    def unit(self) -> str:
        """Of pressure."""
        return "kPa" if self.medium == "water" else "mbar"


@dataclass(frozen=True, slots=True)
class Ill:
    """A fault: losses added, what it does to the source, where it leaks (``""``: back through the pump), and what a look shows."""

    hypothesis: Hypothesis
    more: Mapping[str, float] = field(default_factory=dict)
    rest: float = 1.0
    sag: float = 0.0
    leak: str | None = None
    sign: str = ""


def _built() -> list[Plant]:
    water = [
        Piece("strainer", "strainer", "strainer", None, 0.02),
        Piece("pump", "pump", "pump", "strainer", 0.0),
        Piece("main", says("main-pipe"), "pipe", "pump", 0.12, valve=True),
        Piece("galley", says("pipe-to-sink"), "pipe", "main", 0.3, valve=True),
        Piece("sink", says("sink-tap"), "tap", "galley", 2.6),
        Piece("wash", says("pipe-to-shower"), "pipe", "main", 0.4, valve=True),
        Piece("shower", "shower", "tap", "wash", 1.5),
    ]
    bus = [
        *water[:3],
        Piece("front", says("pipe-to-front"), "pipe", "main", 0.15, valve=True),
        Piece("galley", says("pipe-to-sink"), "pipe", "front", 0.3),
        Piece("sink", says("sink-tap"), "tap", "galley", 2.6),
        Piece("outside", says("outside-tap"), "tap", "front", 1.2),
        Piece("rear", says("pipe-to-rear"), "pipe", "main", 0.2, valve=True),
        Piece("basin", says("basin-tap"), "tap", "rear", 4.0),
        Piece("wash", says("pipe-to-shower"), "pipe", "rear", 0.3),
        Piece("shower", "shower", "tap", "wash", 1.5),
    ]
    gas = [
        Piece("bottle", "bottle", "bottle", None, 0.0, valve=True),
        Piece("regulator", "regulator", "regulator", "bottle", 0.0),
        Piece("main", says("main-pipe"), "pipe", "regulator", 4e-6),
        Piece("cook", "pipe to the {hob}", "pipe", "main", 8e-6, valve=True),
        Piece("hob", "{hob}", "burner", "cook", 30 / 130**2),
        Piece("warm", says("pipe-to-heater"), "pipe", "main", 5e-6, valve=True),
        Piece("heater", "heater", "burner", "warm", 30 / 300**2),
    ]
    more = [
        *gas,
        Piece("cool", says("pipe-to-fridge"), "pipe", "main", 2e-5, valve=True),
        Piece("fridge", "fridge", "burner", "cool", 30 / 20**2),
    ]
    return [
        Plant("galley-shower", says("sink-and-shower"), 2, "water", says("two-branches-with-valve"), water, 280, 12),
        Plant("bus-water", says("water-bus"), 4, "water", says("branches-branches-four-taps"), bus, 280, 9),
        Plant("hob-heater", says("hob-and-heater-on"), 3, "gas", says("one-regulator-two-burners"), _named(gas), 33, 0.006),
        Plant("three-burners", says("three-burners-on-gas"), 4, "gas", says("small-flame-beside-large"), _named(more), 33, 0.006),
    ]


def _named(pieces: Sequence[Piece]) -> list[Piece]:
    return [Piece(x.id, x.name.replace("{hob}", "hob"), x.kind, x.parent, x.k, x.valve) for x in pieces]


BUILT_PIPES: dict[str, Plant] = {p.key: p for p in _built()}


def own_water(src: Source) -> Plant | None:
    """This vehicle’s water from its pump on; None without a pump or a tap."""
    w = src.ctx.design.water
    if w.pump is None or not any(r.outlet not in ("none", "heater") for r in w.runs):
        return None
    first, last = w.pump.points[0], w.pump.points[-1]
    rest = min(first.pressure_kpa, w.pump.cut_out_kpa or math.inf)
    if rest <= 0:
        return None
    pieces = [Piece("source/valve", says("valve-tank"), "valve", None, 0.0, valve=True)] if w.pump.shutoff else []
    if w.pump.strainer:
        pieces.append(Piece("source/strainer", "strainer", "strainer", pieces[-1].id if pieces else None, 0.02))
    pieces.append(Piece("source/pump", "pump", "pump", pieces[-1].id if pieces else None, 0.0))
    for r in w.runs:
        bore, length = r.inner_diameter_mm / 1000, r.length_m + 1.0
        k = 8 * FRICTION * length * WATER / (math.pi**2 * bore**5) / 60_000**2 / 1000
        pieces.append(Piece(r.id, says("pipe-to", r_name=r.name) if r.outlet not in ("none", "heater") else r.name, "pipe", r.parent or "source/pump", k))
        if r.outlet not in ("none", "heater"):
            pieces.append(Piece(f"{r.id}/tap", r.name, "tap", r.id, r.rated_kpa / r.wanted_l_min**2))
    pieces = pruned(in_order(pieces))
    return Plant(
        "own-water", says("water-this-vehicle"), 3, "water", says("this-vehicle"), pieces, rest, max(0.0, (rest - last.pressure_kpa) / last.flow_l_min)
    )


def own_gas(src: Source) -> Plant | None:
    """This vehicle’s gas from its bottle on, with the losses of its own pipes; None without pipes and a burner."""
    g, worked = src.ctx.design.gas, src.gas.pipes
    by_id = {a.id: a for a in g.appliances}
    if worked is None or not any(p.appliance in by_id for p in g.pipes):
        return None
    pieces = [Piece("source/bottle", "bottle", "bottle", None, 0.0, valve=True), Piece("source/regulator", "regulator", "regulator", "source/bottle", 0.0)]
    whole = 0.0
    for p in g.pipes:
        run = worked.runs.get(p.id)
        if run is None or run.flow_kg_h <= 0:
            continue
        flow = run.flow_kg_h * 1000
        whole += flow if p.parent is None else 0.0
        a = by_id.get(p.appliance or "")
        pieces.append(Piece(p.id, p.name, "pipe", p.parent or "source/regulator", max(1e-9, run.drop_mbar / flow**2), valve=a is not None and a.valve))
        if a is not None:
            pieces.append(Piece(f"{p.id}/burner", a.name, "burner", p.id, worked.nominal_mbar / flow**2))
    pieces = pruned(in_order(pieces))
    if not any(x.kind == "burner" for x in pieces):
        return None
    rest = 1.1 * worked.nominal_mbar
    return Plant("own-gas", says("gas-this-vehicle"), 4, "gas", says("this-vehicle"), pieces, rest, 0.08 * rest / max(1.0, whole))


def pruned(pieces: Sequence[Piece]) -> list[Piece]:
    """The first outlets with the pipes that lead to them, and what the tank or the bottle begins with: a rig that answers at once."""
    by_id = {x.id: x for x in pieces}
    kept: set[str] = {x.id for x in pieces if x.kind not in ("pipe", *OUTLETS)}
    for o in [x for x in pieces if x.kind in OUTLETS][:MOST_OUTLETS]:
        at: Piece | None = o
        while at is not None and at.id not in kept:
            kept.add(at.id)
            at = by_id.get(at.parent) if at.parent else None
    return [x for x in pieces if x.id in kept]


def in_order(pieces: Sequence[Piece]) -> list[Piece]:
    """Parents before their children; what hangs on nothing is left out."""
    out: list[Piece] = []
    left = list(pieces)
    while True:
        have = {x.id for x in out}
        ready = [x for x in left if x.parent is None or x.parent in have]
        if not ready:
            return out
        out += ready
        left = [x for x in left if x not in ready]


def alone(plant: Plant, outlet: str) -> set[str]:
    """All outlets but one."""
    return {x.id for x in plant.outlets if x.id != outlet}


def _narrow(plant: Plant, piece: str) -> float:
    """The loss that leaves NARROWED of the largest flow through a piece, with one outlet open."""
    best = max((solved(plant.pieces, plant.rest, plant.sag, alone(plant, o.id), {}).flow[piece] for o in plant.outlets), default=0.0)
    q = NARROWED * best
    return plant.rest * (1 / q**2 - 1 / best**2) if q > 0 else 0.0


def faults_of(plant: Plant) -> list[Ill]:
    """Everything that a seed can hide in it."""
    water = plant.medium == "water"
    stage = "s9" if water else "s10"
    out: list[Ill] = []

    def put(id: str, name: str, prior: float, repair: str, element: str, **more: object) -> None:
        out.append(Ill(Hypothesis(id, name, prior, id.partition(":")[0], repair, stage, element), **more))  # type: ignore[arg-type]

    pipes = [x for x in plant.pieces if x.kind == "pipe" and _narrow(plant, x.id) > 0]
    outlets = [x for x in plant.outlets if _narrow(plant, x.id) > 0]
    first = plant.pieces[0].id
    by_kind = {x.kind: x.id for x in plant.pieces}
    for x in pipes:
        put(
            f"narrow:{x.id}",
            says("kinked-blocked-or-valve", x_name=x.name),
            0.3 / len(pipes),
            says("open-at-both-ends") if water else says("licensed-person-opens-clears"),
            x.id,
            more={x.id: _narrow(plant, x.id)},
        )
        put(
            f"leak:{x.id}",
            says("joint-leaks", x_name=x.name),
            0.2 / len(pipes),
            says("make-joint-anew-and") if water else says("licensed-person-makes-anew"),
            x.id,
            leak=x.id,
            sign="joints",
        )
    for x in outlets:
        put(
            f"sieve:{x.id}",
            says("sieve-blocked", x_name=x.name, water=bool(water)),
            0.2 / len(outlets),
            says("unscrew-rinse-brush-off") if water else says("licensed-person-cleans-or"),
            x.id,
            more={x.id: _narrow(plant, x.id)},
            sign="sieve",
        )
    if water:
        if "strainer" in by_kind:
            put(
                "blocked",
                says("strainer-blocked"),
                0.18,
                says("clean"),
                by_kind["strainer"],
                more={by_kind["strainer"]: _narrow(plant, by_kind["strainer"])},
                sign="bowl",
            )
        put("weak", says("pump-weak"), 0.12, says("measure-volts-at-plug"), by_kind["pump"], rest=0.55)
        put("check", says("pumps-check-valve-lets"), 0.1, says("clean-or-change-valve"), by_kind["pump"], leak="")
        put("air", says("air-comes-in-on"), 0.1, says("make-joints-anew-let"), first, rest=0.75, sign="stream")
    else:
        flow = sum(solved(plant.pieces, plant.rest, plant.sag, set(), {}).flow[o.id] for o in plant.outlets)
        put("empty", says("bottle-nearly-empty"), 0.16, says("change"), by_kind["bottle"], sag=1.2 * plant.rest / flow, sign="weigh")
        tripped = says("bottles-excess-flow-valve")
        put("tripped", tripped, 0.16, says("shut-all-wait-minute"), by_kind["bottle"], sag=1.2 * plant.rest / flow, sign="reset")
        put("worn", says("regulator-worn"), 0.12, says("licensed-person-changes"), by_kind["regulator"], sag=1.2 * plant.rest / flow)
    return out

"""The design document: one model tree per revision, SI units, stable ids, with upgrades between versions."""

from __future__ import annotations

from collections.abc import Iterable
from functools import cached_property
from typing import Any, Literal, Self

from pydantic import Field, ValidationError, model_validator

from bothy.core.catalogue.climates import climates
from bothy.core.contract import BadInput, explain, wrong
from bothy.core.design.base import Doc
from bothy.core.design.build import Build
from bothy.core.design.fit import Fit
from bothy.core.design.gas import Gas
from bothy.core.design.handover import Handover
from bothy.core.design.life import Appliance, Life
from bothy.core.design.power import Power
from bothy.core.design.prove import Accepted, Prove
from bothy.core.design.sizing import Sizing
from bothy.core.design.trips import Trips
from bothy.core.design.upgrades import UPGRADES
from bothy.core.design.vehicle import Vehicle
from bothy.core.design.warmth import Warmth
from bothy.core.design.water import Water
from bothy.core.design.wiring import Board, Circuit, Wiring
from bothy.core.plain import check
from bothy.core.region import RegionKey
from bothy.core.words.says import design_says as says

SCHEMA_VERSION = 3


def _unique(kind: str, ids: Iterable[str]) -> None:
    seen: set[str] = set()
    for one in ids:
        if one in seen:
            raise wrong("id", says("there-twice-every-id", kind=kind, one=one))
        seen.add(one)


class Design(Doc):
    """The whole technical description of a project at one revision."""

    schema_version: Literal[3] = 3
    region: RegionKey = "uk"
    vehicle: Vehicle = Vehicle()
    life: Life = Life()
    power: Power = Power()
    trips: Trips = Trips()
    sizing: Sizing = Sizing()
    wiring: Wiring = Wiring()
    warmth: Warmth = Warmth()
    water: Water = Water()
    gas: Gas = Gas()
    fit: Fit = Fit()
    build: Build = Build()
    prove: Prove = Prove()
    handover: Handover = Handover()
    accepted: list[Accepted] = Field([], max_length=500)

    @model_validator(mode="after")
    def _links(self) -> Self:
        appliances = {a.id for a in self.life.appliances}
        boards = {b.id for b in self.wiring.boards}
        circuits = {c.id for c in self.wiring.circuits}
        _unique("appliance", (a.id for a in self.life.appliances))
        _unique("circuit", (c.id for c in self.wiring.circuits))
        _unique("board", (b.id for b in self.wiring.boards))
        _unique("array", (a.id for a in self.power.arrays))
        _unique("leg", (x.id for x in self.trips.legs))
        _unique("place", (x.id for x in self.trips.places))
        _unique("part", (x.id for x in self.sizing.own))
        _unique("raceway", (r.id for r in self.wiring.raceways))
        _unique("zone", (z.id for z in self.wiring.zones))
        self._places()
        raceways = {r.id for r in self.wiring.raceways}
        warm = [(h.name, h.appliance) for h in self.warmth.heaters] + ([(self.warmth.cooler.name, self.warmth.cooler.appliance)] if self.warmth.cooler else [])
        if self.water.pump is not None:
            warm.append((self.water.pump.name, self.water.pump.appliance))
        if self.water.hot is not None:
            warm.append((self.water.hot.name, self.water.hot.appliance))
        warm += [(t.name, t.appliance) for t in self.water.tanks]
        if self.gas.solenoid is not None:
            warm.append((says("gas-solenoid"), self.gas.solenoid.appliance))
        heaters = {h.id for h in self.warmth.heaters}
        inv = self.power.inverter
        if inv is not None and inv.cabinet is not None and inv.cabinet not in {c.id for c in self.warmth.cabinets}:
            raise wrong("cabinet", says("names-cabinet-in-heat", inv_name=inv.name, cabinet=inv.cabinet))
        for g in self.gas.appliances:
            if g.heater is not None and g.heater not in heaters:
                raise wrong("heater", says("names-heater-in-heat", g_name=g.name, heater=g.heater))
        for name, of in warm:
            if of is not None and of not in appliances:
                raise wrong("appliance", says("names-appliance-which-does", name=name, of=of))
        for z in self.wiring.zones:
            for a in z.lights:
                if a not in appliances:
                    raise wrong("lights", says("zone-names-appliance-which", z_name=z.name, a=a))
        for a in self.wiring.mains.keep if self.wiring.mains else []:
            if a not in appliances:
                raise wrong("keep", says("mains-side-keeps-on", a=a))
        arrays = {a.id for a in self.power.arrays}
        _unique("cable", (o.id for o in self.wiring.others))
        for o in self.wiring.others:
            if o.array is not None and o.array not in arrays:
                raise wrong("array", says("cable-names-panels-which", o_name=o.name, array=o.array))
        for c in self.wiring.circuits:
            if c.array is not None and c.array not in arrays:
                raise wrong("array", says("circuit-names-panels-which", c_name=c.name, array=c.array))
            for r in c.raceways:
                if r not in raceways:
                    raise wrong("raceways", says("circuit-names-raceway-which", c_name=c.name, r=r))
            if c.board is not None and c.board not in boards:
                raise wrong("board", says("circuit-names-board-which", c_name=c.name, board=c.board))
            for a in c.appliances:
                if a not in appliances:
                    raise wrong("appliances", says("circuit-names-appliance-which", c_name=c.name, a=a))
        for t in self.wiring.panel.things if self.wiring.panel else []:
            if t.circuit is not None and t.circuit not in circuits:
                raise wrong("circuit", says("on-switch-panel-names", t_label=t.label or t.kind, circuit=t.circuit))
        return self

    def _places(self) -> None:
        own = {p.id for p in self.trips.places}
        live = [(says("trips-place"), self.trips.live.place)] if self.trips.live is not None else []
        home = [(says("place-daily-use"), self.life.place)] if self.life.place is not None else []
        for who, place in (*home, *live, *((says("leg", x_id=x.id), x.place) for x in self.trips.legs)):
            if place not in own and place not in climates():
                raise wrong("place", says("which-neither-in-climate", who=who, place=place))

    @cached_property
    def _appliances(self) -> dict[str, Appliance]:
        return {a.id: a for a in self.life.appliances}

    @cached_property
    def _circuits(self) -> dict[str, Circuit]:
        return {c.id: c for c in self.wiring.circuits}

    @cached_property
    def _boards(self) -> dict[str, Board]:
        return {b.id: b for b in self.wiring.boards}

    def board(self, id: str | None) -> Board | None:
        """The board with that id; None for the busbar."""
        return self._boards.get(id or "")

    def appliance(self, id: str) -> Appliance | None:
        """The appliance with that id."""
        return self._appliances.get(id)

    def circuit(self, id: str) -> Circuit | None:
        """The circuit with that id."""
        return self._circuits.get(id)

    def circuits_of(self, *kinds: str) -> list[Circuit]:
        """The circuits of some kinds, in their order."""
        return [c for c in self.wiring.circuits if c.kind in kinds]


def load_design(data: Any) -> Design:
    """A design from plain data of this or an older version. Raises :class:`BadInput` naming the field."""
    if not isinstance(data, dict):
        raise BadInput("design", says("must-be-json-object"))
    version = data.get("schema_version")
    if not isinstance(version, int) or isinstance(version, bool):
        raise BadInput("schema_version", says("must-be-whole-number"))
    if version > SCHEMA_VERSION:
        raise BadInput("schema_version", says("this-bothy-reads-versions", version=version, schema_version=SCHEMA_VERSION))
    while version < SCHEMA_VERSION:
        upgrade = UPGRADES.get(version)
        if upgrade is None:
            raise BadInput("schema_version", says("not-version-that-bothy", version=version, schema_version=SCHEMA_VERSION))
        data = upgrade(data)
        version += 1
    check(data)
    try:
        return Design.model_validate(data)
    except ValidationError as exc:
        raise explain(exc) from None

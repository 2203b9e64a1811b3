"""The report of a design: composes the fields of the work. The only place that knows them all.

The same design gives the same report, bit for bit: no clock, no randomness, no files but the catalogue.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from functools import cache, partial
from typing import Any, Literal, NamedTuple

from pydantic import BaseModel, PrivateAttr

from bothy.core.book import Book, FigureOut, Written
from bothy.core.cited import Cited, cite, items_of
from bothy.core.commissioning.source import Source
from bothy.core.commissioning.worked import Commissioned
from bothy.core.context import NO_FACTS, Assumption, Context
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.design.prove import answered
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Evidence, facts_of, standing_of
from bothy.core.feeds import Feed, Feeds
from bothy.core.figure import Figure, given, total
from bothy.core.finding import RULES, Finding, finding, in_order, one_cause, rule
from bothy.core.fit.body import body_of
from bothy.core.fit.boxes import Box
from bothy.core.fit.filled import FitWork, fit_part
from bothy.core.fit.geometry import Geometry, settled, typed_lengths, work_geometry
from bothy.core.fit.ledger import Kilo
from bothy.core.fit.part import FitPart
from bothy.core.gas.part import GasPart, gas_part
from bothy.core.gas.rules import gas_findings
from bothy.core.method.sources import Method, OwnChoice, SourceOut, listed
from bothy.core.power.load_budget import LoadBudgetOut
from bothy.core.power.part import PowerPart, power_part
from bothy.core.power.rules import power_findings
from bothy.core.power.supply import Supply, work_out
from bothy.core.power.uses import LifePart, budgets, life_part
from bothy.core.proving.outdated import mark_outdated, still_true
from bothy.core.proving.sheet import ProvePart, SheetCircuit, prove_part
from bothy.core.reuse import Parts
from bothy.core.roof.part import RoofPart
from bothy.core.roof.plan import boxes_on_roof, masses_on_roof
from bothy.core.roof.worked import RoofWork, roof_part, shaded_design, work_roof
from bothy.core.sides.part import SidesPart
from bothy.core.sides.worked import sides_part
from bothy.core.stages import StageState, stage_states
from bothy.core.warmth.part import WarmthPart, warmth_part
from bothy.core.warmth.rules import warmth_findings
from bothy.core.water.part import WaterPart, water_part
from bothy.core.water.rules import water_findings
from bothy.core.wiring.circuit import CircuitPart, Worked
from bothy.core.wiring.circuits import work_circuits
from bothy.core.wiring.diagram import Diagram
from bothy.core.wiring.diagram_layout import diagram
from bothy.core.wiring.distribution import NetworkPart, work_network
from bothy.core.wiring.feeding_rules import feeding_findings
from bothy.core.wiring.lighting import LightingPart, work_lighting
from bothy.core.wiring.loop_test import LoopRow, loop_rows, work_loops
from bothy.core.wiring.mains import MainsPart, work_mains
from bothy.core.wiring.mains_rules import mains_findings, shore_findings
from bothy.core.wiring.making_rules import making_findings
from bothy.core.wiring.network_rules import network_findings
from bothy.core.wiring.other_cables import OtherPart, work_others
from bothy.core.wiring.panel_design import PanelPart, work_panel
from bothy.core.wiring.raceways import RacewayPart, work_raceways
from bothy.core.wiring.rules import refit, wiring_findings
from bothy.core.words.says import core_says as says

rule("vehicle-payload-exceeded", "danger", "vehicle", Method("vehicle.payload", "vehicle’s plate; road traffic law"))
rule("vehicle-payload-used", "advice", "vehicle", Method("vehicle.payload"))


class VehiclePart(BaseModel):
    """The vehicle with every open value settled."""

    preset_name: str
    inside_length_m: float
    inside_width_m: float
    inside_height_m: float
    payload_kg: float
    bank_place: str
    payload_used_kg: float


class WiringPart(BaseModel):
    """Circuits by id, and the network they make."""

    circuits: dict[str, CircuitPart]
    network: NetworkPart
    mains: MainsPart | None
    panel: PanelPart | None
    raceways: dict[str, RacewayPart]
    lighting: LightingPart
    loops: dict[str, LoopRow]
    others: dict[str, OtherPart]


Proved = tuple[dict[tuple[str, str], Evidence], tuple[str, ...], list[Worked], ProvePart, WaterPart, GasPart, WarmthPart, FitPart, RoofPart]
"""What the steps of commissioning follow from: what stands of the evidence, circuits whose test is outdated, and parts of the report."""


class Told(NamedTuple):
    """Evidence with what stands of it: entries by thing, and the facts."""

    evidence: tuple[Evidence, ...]
    standing: dict[tuple[str, str], Evidence]
    facts: Facts


def _told(evidence: tuple[Evidence, ...]) -> Told:
    return Told(evidence, standing_of(evidence), facts_of(evidence) if evidence else NO_FACTS)


class Report(BaseModel):
    """All that is computed of a design. The working of its figures is written out by :meth:`working`."""

    region_name: str
    licensed: str
    system_voltage_v: int
    wire_series: Literal["metric", "awg"]
    stages: dict[str, StageState]
    assumptions: list[Assumption]
    vehicle: VehiclePart
    life: LifePart
    power: PowerPart
    wiring: WiringPart
    warmth: WarmthPart
    water: WaterPart
    gas: GasPart
    fit: FitPart
    roof: RoofPart
    sides: SidesPart
    prove: ProvePart
    findings: list[Finding]
    figures: dict[str, FigureOut]
    _told: Told = PrivateAttr()
    _book: Book = PrivateAttr(default_factory=Book)
    _cited: Cited | None = PrivateAttr(None)
    _sheet: ProvePart | None = PrivateAttr(None)
    _parts: Parts | None = PrivateAttr(None)
    _places: Parts | None = PrivateAttr(None)
    _diagram: Callable[[Iterable[str]], Diagram] = PrivateAttr()
    _commissioned: Callable[[], Commissioned] = PrivateAttr()

    def plain(self) -> dict[str, Any]:
        """The report as plain data, ready for JSON. The figures are plain already, so they are not dumped again."""
        return {**self.model_dump(mode="json", exclude={"figures"}), "figures": self.figures}

    def working(self, key: str) -> Written:
        """How a figure was reached, by key, with all it was computed from. Raises LookupError when there is no such figure."""
        return self._book.working(key)

    def sources(self) -> list[SourceOut]:
        """What its figures and findings rest on, each once: methods in the order of their pages, then standards, makers and own choices by name."""
        return listed(*(s.source for s in self._book.figures.values()), *(RULES[f.rule].source for f in self.findings))

    def diagram(self, folded: Iterable[str] = ()) -> Diagram:
        """The single-line diagram, with the named boards folded into one row each."""
        return self._diagram(folded)

    def commissioned(self) -> Commissioned:
        """Its commissioning: every step, what was recorded of it, what is locked."""
        return self._commissioned()

    def whole(self) -> dict[str, Any]:
        """The report as plain data with every figure's working."""
        return {**self.plain(), "figures": self._book.all_workings()}


TRICKLE_A = 2.0
"""What tops up the starter battery from the house bank (typical)."""


def feeds_of(ctx: Context, s: Supply) -> Feeds:
    """Currents that the sources and the inverter put on their cables."""
    p = ctx.design.power
    out: Feeds = {}
    volts = float(ctx.system_v)
    if s.feed is not None:
        out["inverter"] = Feed(s.feed.figure("dc_current_a"), volts, s.feed.dc_power_w)
    for key, c in (("solar", p.controller), *((f"solar:{a.id}", a.controller) for a in p.arrays)):
        if c is not None:
            out[key] = Feed(given("current_a", c.max_charge_current_a, "typed", c.name, label=says("controllers-top-current")), volts)
    if s.path_a is not None:
        out["driving"] = out["driving_in"] = Feed(s.path_a, volts)
    elif p.driving is not None:
        out["driving"] = Feed(given("current_a", p.driving.rating_a, "typed", p.driving.name, label=says("chargers-output")), volts)
    if p.driving is not None and p.driving.school != "second" and s.path_a is None:
        amps: Figure | None = None
        if s.driving is not None and s.driving.input_current_a is not None:
            amps = s.driving.figure("input_current_a")
        elif p.driving.school == "relay":
            amps = out["driving"].current_a
        else:
            ratio = volts / ctx.vehicle_v
            amps = Figure(
                p.driving.rating_a * 1.2 * ratio,
                "A",
                says("input-current"),
                expression="about 1.2·rating·U_bank/U_vehicle",
                source=Method("vehicle.payload") + OwnChoice("cautious estimate"),
                inputs=(("rating_a", given("rating_a", p.driving.rating_a, "typed", p.driving.name)),),
            )
        out["driving_in"] = Feed(amps, ctx.vehicle_v)
    if ctx.design.vehicle.starter_trickle:
        out["trickle"] = Feed(given("current_a", TRICKLE_A, "default", says("trickle-to-for-starter"), label="trickle"), volts)
    if p.shore is not None:
        out["shore"] = Feed(given("current_a", p.shore.charger_current_a, "typed", p.shore.name, label=says("chargers-output")), volts)
    return out


PERSON_KG = 75.0
"""A passenger with pockets; the driver is in the vehicle's own mass (EU 1230/2012)."""


def _listed(fit: FitWork) -> Figure:
    """What is carried by the list of masses of Layout and weight, in its heaviest loading."""
    worst, groups = fit.ledger.worst, dict[str, float]()
    for r in fit.ledger.rows:
        groups[r.group] = groups.get(r.group, 0.0) + r.kg * worst.factors.get(r.group, 1.0)
    parts = [(k, given("mass_kg", v, "computed", says("all-group-in-list", k=k), label=k, source=Method("fit.axles"))) for k, v in groups.items()]
    return total(says("mass-that-known-so"), "kg", parts, Method("vehicle.payload", "every kilogram of the list once"))


def _vehicle(ctx: Context, power: PowerPart, water_kg: float, gas_kg: float, fit: FitWork) -> tuple[VehiclePart, list[Finding]]:
    out: list[Finding] = []
    ctx.book.put("vehicle/payload_kg", ctx.figure("/vehicle/payload_kg"))
    crew = given("mass_kg", PERSON_KG * max(0, ctx.people - 1), "assumed", says("each-driver-in-vehicles"), label=says("people-besides-driver"))
    loaded = ctx.book.put(
        "vehicle/loaded_kg",
        _listed(fit)
        if ctx.design.fit.begun
        else total(
            says("mass-that-known-so"),
            "kg",
            [
                (says("what-chosen"), ctx.book.figures["power/mass_kg"]),
                (
                    says("water-tanks-full"),
                    given("mass_kg", water_kg, "computed", says("tanks-and-what-in"), label=says("water-tanks-full"), source=Method("vehicle.payload")),
                ),
                ("gas", given("mass_kg", gas_kg, "computed", says("vessels-full"), label=says("gas-vessels"), source=Method("vehicle.payload"))),
                ("people", crew),
            ],
            Method("vehicle.payload", "furniture, insulation and luggage come on top"),
        ),
    )
    if ctx.design.fit.begun:
        pass  # the list of masses in Fit speaks of the limits
    elif loaded.value > ctx.payload_kg:
        out.append(
            finding(
                "vehicle-payload-exceeded",
                "vehicle",
                says("vehicle"),
                says("so-far-known-before", loaded_kg=loaded.value, payload_kg=ctx.payload_kg),
                figures=["vehicle/loaded_kg", "vehicle/payload_kg"],
            )
        )
    elif ctx.payload_kg > 0 and power.mass_kg > 0.25 * ctx.payload_kg:
        out.append(
            finding(
                "vehicle-payload-used",
                "vehicle",
                says("vehicle"),
                says("power-takes-before-furniture", mass_kg=power.mass_kg, payload_kg=ctx.payload_kg),
                figures=["power/mass_kg", "vehicle/payload_kg"],
            )
        )
    part = VehiclePart(
        preset_name=ctx.preset.name,
        inside_length_m=ctx.inside_length_m,
        inside_width_m=ctx.inside_width_m,
        inside_height_m=ctx.inside_height_m,
        payload_kg=ctx.payload_kg,
        bank_place=ctx.bank_place,
        payload_used_kg=loaded.value,
    )
    return part, out


def _wired(ctx: Context, feeds: Feeds) -> tuple[list[Worked], NetworkPart]:
    """Circuits and the network that they make: one part, for the network tells each circuit what it loses on its whole way."""
    worked = work_circuits(ctx, feeds)
    return worked, work_network(ctx, worked, feeds)


def _power_findings(ctx: Context, uses: dict[str, LoadBudgetOut], supply: Supply, power: PowerPart, worked: list[Worked]) -> list[Finding]:
    return power_findings(ctx, uses, supply, power, lambda index: refit(worked[index]))


def _loops(ctx: Context, worked: list[Worked]) -> tuple[dict[str, LoopRow], list[Finding]]:
    return work_loops(ctx.design, ctx.facts, {w.circuit.id: w.part for w in worked})


def _prove(ctx: Context, worked: list[Worked], feeds: Feeds, loops: dict[str, LoopRow]) -> tuple[ProvePart, list[Finding]]:
    sheet, found = prove_part(
        ctx,
        [
            SheetCircuit(
                id=w.circuit.id, code=w.part.code, kind=w.circuit.kind, nominal_v=w.part.nominal_v, length_m=w.part.length_m, ampacity_a=w.part.ampacity_a
            )
            for w in worked
        ],
        feeds,
    )
    rows, old = mark_outdated(sheet.rows, loops, ctx.judged)
    return sheet.model_copy(update={"rows": rows}), [*still_true(found, old), *old]


def _roof(ctx: Context) -> tuple[RoofWork, dict[str, Box], float]:
    body = body_of(ctx.design)
    made = work_roof(ctx, body)
    return made, boxes_on_roof(ctx.design, body, made.things), body.height


def _geometry(ctx: Context, before: Report | None) -> tuple[Parts, Geometry, dict[str, float | None], RoofWork, tuple[Kilo, ...]]:
    """Geometry comes first: lengths, heights and shade that everything else is reckoned with follow from it. What was typed of lengths is read here too."""
    parts = Parts(ctx, before._places if before is not None else None)
    roof, boxes, height = parts.make("roof", _roof)
    geo = parts.make("geometry", work_geometry, boxes)
    typed = typed_lengths(ctx.design)
    parts.done()
    return parts, geo, typed, roof, masses_on_roof(roof.things, height)


def _commissioned(
    ctx: Context,
    standing: dict[tuple[str, str], Evidence],
    stale: tuple[str, ...],
    worked: list[Worked],
    sheet: ProvePart,
    *stages: *tuple[WaterPart, GasPart, WarmthPart, FitPart, RoofPart],
) -> Commissioned:
    """The steps of commissioning with what was recorded of them."""
    whole = {w.circuit.id: w.part for w in worked}
    every = {row.circuit: row for row in loop_rows(ctx.design, ctx.facts, [(w.circuit, w.part) for w in worked])}
    src = Source(ctx, whole, {row.circuit: row for row in sheet.rows}, every, *stages)
    return Commissioned(src, standing, frozenset(stale))


def _step_findings(ctx: Context, *of: *Proved) -> list[Finding]:
    return _commissioned(ctx, *of).findings()


def _very_same(new: WiringPart, old: WiringPart) -> bool:
    """Whether all that stands in two is the very same, so that the one may stand for the other."""
    return (
        new.circuits.keys() == old.circuits.keys()
        and all(p is old.circuits[id] for id, p in new.circuits.items())
        and all(getattr(new, name) is getattr(old, name) for name in WiringPart.model_fields if name != "circuits")
    )


def _asked(sheet: ProvePart, unanswered: int, before: Report | None) -> ProvePart:
    """The sheet with the number of open questions; that of the report before where it is no other."""
    if before is not None and before._sheet is sheet and before.prove.unanswered == unanswered:
        return before.prove
    return sheet.model_copy(update={"unanswered": unanswered})


class Wired(NamedTuple):
    """What is known of the wiring: every circuit, its feeds, its part of the report, and what the electrical rules find, those of Power too."""

    worked: list[Worked]
    feeds: Feeds
    part: WiringPart
    found: list[Finding]


def _all_wired(parts: Parts, uses: dict[str, LoadBudgetOut], supply: Supply, power: PowerPart) -> Wired:
    make = parts.make
    feeds = make("feeds", feeds_of, supply)
    worked, network = make("wired", _wired, feeds)
    found = [
        *make("power findings", _power_findings, uses, supply, power, worked),
        *make("wiring findings", wiring_findings, worked),
        *make("network findings", network_findings, worked, network),
    ]
    if not network.converged:
        # while the voltage collapses nothing is known of what comes after
        found = [f.model_copy(update={"fix": f.fix.first_step()}) if f.stage == "wiring" and f.fix else f for f in found]
    panel, clashes = make("panel", work_panel, worked)
    raceways, crowded = make("raceways", work_raceways, worked)
    found += [*clashes, *crowded, *make("making findings", making_findings, worked), *make("feeding findings", feeding_findings, worked)]
    others, thin = make("others", work_others, worked)
    lighting, dark = make("lighting", work_lighting, worked)
    mains = make("mains", work_mains, worked)
    found += [*thin, *dark, *make("mains findings", mains_findings, worked, mains), *make("shore findings", shore_findings)]
    loops, failed = make("loops", _loops, worked)
    found += failed
    part = quick(
        WiringPart,
        circuits={w.circuit.id: w.part for w in worked},
        network=network,
        mains=mains,
        panel=panel,
        raceways=raceways,
        lighting=lighting,
        loops=loops,
        others=others,
    )
    return Wired(worked, feeds, part, found)


def report(design: Design, evidence: Sequence[Evidence] = (), before: Report | None = None) -> Report:
    """Compute everything that follows from a design, and what the evidence proves of it. Parts of the report ``before``, of another state of the
    design, are taken where nothing that they read has changed."""
    evidence = tuple(evidence)  # the same one where it is a tuple already
    told = before._told if before is not None and before._told.evidence is evidence else _told(evidence)
    standing, facts = told.standing, told.facts
    judged = {key: e.judged for key, e in standing.items() if e.judged is not None}
    places, geo, typed, above, on_roof = _geometry(Context(design, facts, judged), before)
    placed = shaded_design(settled(design, geo), above)
    ctx = Context(placed, facts, judged, routed=geo.lengths())
    parts = Parts(ctx, before._parts if before is not None else None)
    make = parts.make
    uses = make("uses", budgets)
    life = make("life", life_part, uses)
    supply = make("supply", work_out, uses)
    power = make("power", power_part, uses, supply)
    wired = _all_wired(parts, uses, supply, power)
    worked, found = wired.worked, [*wired.found]
    warm = make("warmth", warmth_part)
    found += make("warmth findings", warmth_findings, warm)
    energy = {k: a.energy_wh for k, a in life.appliances.items()}
    wet = make("water", water_part, energy, warm.part.loop.hot_water_38_l_min if warm.part.loop else None)
    found += make("water findings", water_findings, wet)
    gassed = make("gas", gas_part, {m.month: m.fuel_kg / 30.4 for m in warm.part.months if m.planned and m.fuel_kg is not None}, warm.part.air)
    found += make("gas findings", gas_findings, gassed)
    fit = make("fit", fit_part, geo, typed, warm.shell, worked, on_roof)
    roof, roofed = make("roofed", roof_part, above)
    sides, cut = make("sides", sides_part, geo, above.shape, fit.part.walls)
    found += [*fit.found, *roofed, *cut]
    vehicle, heavy = _vehicle(ctx, power, wet.part.mass_full_kg, gassed.part.full_mass_kg, fit)
    sheet, tested = make("prove", _prove, worked, wired.feeds, wired.part.loops)
    found = still_true(found, tested)
    stale = tuple(sorted({f.subject for f in tested if f.rule == "test-outdated"}))
    proved = (standing, stale, worked, sheet, wet.part, gassed.part, warm.part, fit.part, roof)
    if facts.steps or facts.repairs or any(x.current_a is not None or x.shunt_a is not None for x in facts.readings):
        tested = [*tested, *make("commissioning findings", _step_findings, *proved)]
    parts.done()
    found = [f.model_copy() for f in (*heavy, *found, *tested)]  # a part that is taken again keeps its findings as it made them
    kept = {a.finding for a in design.accepted}
    found = in_order([f.model_copy(update={"accepted": answered(design.accepted, f.id, f.severity)}) if f.id in kept else f for f in one_cause(found)])
    cited = cite(found, ctx.book.figures, items_of(design), before._cited if before is not None else None)
    proving = _asked(sheet, sum(f.severity == "question" and f.accepted is None for f in found), before)
    out = Report.model_construct(
        region_name=ctx.region.name,
        licensed=ctx.region.licensed,
        system_voltage_v=ctx.system_v,
        wire_series=ctx.region.wire_series,
        stages=stage_states(design, ctx.facts, found, proving),
        assumptions=ctx.assumptions,
        vehicle=vehicle,
        life=life,
        power=power,
        wiring=before.wiring if before is not None and _very_same(wired.part, before.wiring) else wired.part,
        warmth=warm.part,
        water=wet.part,
        gas=gassed.part,
        fit=fit.part,
        roof=roof,
        sides=sides,
        prove=proving,
        findings=found,
        figures=ctx.book.shown((before._book, before.figures) if before is not None else None),
    )
    out._told, out._book, out._cited, out._sheet, out._parts, out._places = told, ctx.book, cited, sheet, parts, places
    out._diagram = partial(diagram, ctx, worked)
    out._commissioned = cache(lambda: _commissioned(ctx, *proved))
    return out

"""Raceways of the design: what lies in each, how full it is, and what must not lie together (method wiring.conduit, 4.12 and 4.13)."""

from __future__ import annotations

from dataclasses import dataclass

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import EPS, quick
from bothy.core.design.raceway import Raceway, SignalKind
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.conductors import row_of
from bothy.core.wiring.conduit import ConduitCable, ConduitFillIn, ConduitFillOut, conduit_fill, too_full
from bothy.core.words.says import wiring_says as says

rules(
    "wiring",
    (
        (
            "wire-conduit-overfull",
            "fault",
            Method("wiring.conduit") + Standard("NFPA 70", "chapter 9"),
        ),
        (
            "wire-conduit-jam",
            "note",
            Method("wiring.conduit") + Standard("NFPA 70", "chapter 9"),
        ),
        (
            "wire-ac-dc-mixed",
            "danger",
            Method("wiring.routing") + Standard("IEC 60364-5-52"),
        ),
        (
            "wire-colour-clash",
            "danger",
            Method("wiring.mains") + Standard("IEC 60445"),
        ),
        (
            "wire-on-gas-route",
            "danger",
            Method("wiring.routing") + Standard("EN 1949"),
        ),
        (
            "wire-near-flue",
            "fault",
            Method("wiring.terminations") + OwnChoice("typical"),
        ),
        (
            "wire-no-grommet",
            "danger",
            Method("wiring.routing") + Standard("ISO 13297"),
        ),
        (
            "wire-clip-spacing",
            "advice",
            Method("wiring.routing") + Standard("ISO 13297") + Standard("IEC 60364-7-721"),
        ),
        (
            "wire-data-near-mains",
            "advice",
            Method("wiring.routing") + Standard("EN 50174-2"),
        ),
    ),
)

CORES_OVER, SHEATH_MM = 2.154, 2.4
"""A round three-core cable: its cores lie in a circle of 2.154 core diameters; 1.2 mm of sheath around them (typical)."""
SIGNAL_OD_MM: dict[SignalKind, float] = {"display": 6.0, "ethernet": 6.0, "hdmi": 7.3, "usb": 4.5, "can": 6.0, "coax": 5.0, "sensor": 4.0, "shunt": 5.0}
"""Outside diameters, typical."""
SIGNAL_GAP_MM: dict[SignalKind, float] = {"display": 50, "ethernet": 50, "hdmi": 50, "usb": 50, "can": 50, "coax": 100, "sensor": 50, "shunt": 20}
SCREENED_GAP_MM: dict[SignalKind, float] = {"display": 0, "ethernet": 10}
SIGNAL_WORDS: dict[SignalKind, str] = {
    "display": says("display-cable"),
    "ethernet": says("ethernet"),
    "hdmi": "HDMI",
    "usb": "USB",
    "can": says("bus-cable"),
    "coax": says("antenna-cable"),
    "sensor": says("sender-or-probe"),
    "shunt": says("shunt-display-cable"),
}
HIGH_CURRENT_A = 20.0
"""From here a direct current disturbs signals beside it (typical)."""
PARALLEL_M = 1.0
GAS_MM, FLUE_MM = 100.0, 300.0
CLIP_MM, CLIP_AC_UPRIGHT_MM, CLIP_AC_MM = 450.0, 400.0, 250.0


class RacewayPart(BaseModel):
    """A raceway worked out: codes of the circuits in it, cables, fill and limit as parts of the inside, the inside diameter to buy in mm."""

    codes: list[str]
    cable_count: int
    fill_frac: float | None
    limit_frac: float | None
    ok: bool | None
    suggested_mm: float | None


@dataclass
class _Held:
    """A raceway with what lies in it."""

    index: int
    way: Raceway
    inside: list[Worked]

    @property
    def mains(self) -> list[Worked]:
        return [w for w in self.inside if w.part.ac]

    @property
    def low(self) -> list[Worked]:
        return [w for w in self.inside if not w.part.ac]

    def sets(self, label: str, **values: object) -> Remedy:
        return Remedy.sets(label, f"/wiring/raceways/{self.index}", self.way.id, **values)


def cables_of(w: Worked) -> list[ConduitCable]:
    """The cables of a circuit as they lie in a raceway: two single cores, or one three-core cable on mains. Empty while no size is known."""
    c, p = w.circuit, w.part
    area, awg = (c.area_mm2, c.awg) if c.sized else (p.best_area_mm2, p.best_awg)
    if area is None and awg is None:
        return []
    count = c.parallel_count if c.sized else p.best_parallel
    if p.ac:
        return [ConduitCable.trusted(outer_diameter_mm=round(CORES_OVER * row_of(area, awg)[1].od_mm + SHEATH_MM, 2), count=count)]
    if c.return_path == "chassis":
        return [ConduitCable.trusted(area_mm2=area, awg=awg, count=count)]
    if c.negative_area_mm2 is not None or c.negative_awg is not None:
        return [ConduitCable.trusted(area_mm2=area, awg=awg, count=count), ConduitCable.trusted(area_mm2=c.negative_area_mm2, awg=c.negative_awg, count=count)]
    return [ConduitCable.trusted(area_mm2=area, awg=awg, count=2 * count)]


def _filled(r: Raceway, cables: list[ConduitCable]) -> ConduitFillOut | None:
    if not cables or not r.sized:
        return None
    return conduit_fill(ConduitFillIn.trusted(inner_diameter_mm=r.inner_diameter_mm, width_mm=r.width_mm, height_mm=r.height_mm, cables=cables))


def _fill_findings(h: _Held, out: ConduitFillOut) -> list[Finding]:
    r, found = h.way, []
    if not out.ok:
        size = out.suggested_inner_diameter_mm
        told = says("here", too_full=too_full(out, "the inside"))
        fix = h.sets(says("take-pipe", size_mm=size), inner_diameter_mm=size) if size and r.kind == "conduit" else None
        found.append(finding("wire-conduit-overfull", r.id, r.name, told, fix=fix, figures=[f"raceways/{r.id}/fill_frac"]))
    if out.jam_risk:
        found.append(
            finding(
                "wire-conduit-jam",
                r.id,
                r.name,
                says("conduit-times-as-wide", jam_ratio=out.jam_ratio),
            )
        )
    return found


def _beside(h: _Held) -> list[Finding]:
    """Gas, flue, metal holes and clips."""
    r, found = h.way, []
    if r.in_gas_locker or (r.gas_distance_mm is not None and r.gas_distance_mm < GAS_MM - EPS):
        told = says("cables-go-through-gas") if r.in_gas_locker else says("cables-run-from-gas", gas_distance_mm=r.gas_distance_mm, gas_mm=GAS_MM)
        found.append(finding("wire-on-gas-route", r.id, r.name, told))
    if r.flue_distance_mm is not None and r.flue_distance_mm < FLUE_MM - EPS:
        found.append(finding("wire-near-flue", r.id, r.name, says("cables-run-from-flue", flue_distance_mm=r.flue_distance_mm, flue_mm=FLUE_MM)))
    bare = r.metal_holes_count - r.grommets_count
    if bare > 0:
        found.append(
            finding(
                "wire-no-grommet",
                r.id,
                r.name,
                says("metal-holes-would-cut", metal_holes_count=r.metal_holes_count, bare=bare),
                fix=h.sets(says("fit-grommet-in-each"), grommets_count=r.metal_holes_count),
            )
        )
    if r.clip_spacing_mm is not None:
        most = (CLIP_AC_UPRIGHT_MM if r.upright else CLIP_AC_MM) if h.mains and r.kind == "open" else CLIP_MM
        if r.clip_spacing_mm > most + EPS:
            why = says("with-mains-on") if most < CLIP_MM else ""
            found.append(
                finding(
                    "wire-clip-spacing",
                    r.id,
                    r.name,
                    says("clips-apart-they-should", clip_spacing_mm=r.clip_spacing_mm, most_mm=most, why=why),
                    fix=h.sets(says("clip-every", most_mm=most), clip_spacing_mm=most),
                )
            )
    return found


def gap_wanted(kind: SignalKind, screened: bool) -> float:
    """What is kept between a signal cable and power, mm."""
    return SCREENED_GAP_MM.get(kind, SIGNAL_GAP_MM[kind]) if screened else SIGNAL_GAP_MM[kind]


def _signals(h: _Held) -> list[Finding]:
    r = h.way
    loud = [w for w in h.inside if w.part.ac or w.part.current_a >= HIGH_CURRENT_A]
    if not loud or (r.length_m is not None and r.length_m <= PARALLEL_M + EPS):
        return []
    near = [s for s in r.signals if (s.gap_mm or 0.0) < gap_wanted(s.kind, s.screened) - EPS]
    if not near:
        return []
    told = ", ".join(says("at-needs", signal_words=SIGNAL_WORDS[s.kind], gap_mm=s.gap_mm or 0, gap_wanted_mm=gap_wanted(s.kind, s.screened)) for s in near)
    signals = [
        s.model_dump(mode="json") | ({"screened": True} if s in near and (s.gap_mm or 0.0) >= SCREENED_GAP_MM.get(s.kind, 1e9) else {}) for s in r.signals
    ]
    screens = all((s.gap_mm or 0.0) >= SCREENED_GAP_MM.get(s.kind, 1e9) for s in near)
    return [
        finding(
            "wire-data-near-mains",
            r.id,
            r.name,
            says("beside-mains-or-large", w_names=", ".join(w.name for w in loud[:3]), told=told),
            fix=h.sets(says("take-screened-cable"), signals=signals) if screens else None,
        )
    ]


def colours(ctx: Context) -> tuple[set[str], set[str]]:
    """Colours in use for low voltage and for mains; a fixed installation in au is red and black as well."""
    low = {ctx.region.dc_colours[0], ctx.design.wiring.dc_negative_colour}
    mains = set(ctx.region.ac_colours)
    return low, mains | ({"red", "black"} if ctx.design.region == "au" else set())


def _together(ctx: Context, subject: str, name: str, apart: Remedy | None) -> list[Finding]:
    """Findings of a place where mains and low voltage lie together without a barrier."""
    low, mains = colours(ctx)
    out = [
        finding(
            "wire-ac-dc-mixed",
            subject,
            name,
            says("nothing-parts-mains-from", licensed=ctx.region.licensed),
            fix=apart,
        )
    ]
    both = sorted(low & mains)
    if both:
        fix = Remedy.sets(says("make-low-voltage-negative"), "/wiring", dc_negative_colour="yellow") if both == ["black"] else None
        out.append(
            finding(
                "wire-colour-clash",
                subject,
                name,
                says("low-voltage-and-mains", both=" and ".join(both).capitalize(), both_count=len(both)),
                fix=fix,
            )
        )
    return out


def _enclosures(ctx: Context) -> list[Finding]:
    """Boards of both sides in one box."""
    boards = ctx.design.wiring.boards
    out: list[Finding] = []
    for box in dict.fromkeys(b.enclosure for b in boards if b.enclosure):
        inside = [(i, b) for i, b in enumerate(boards) if b.enclosure == box]
        if {b.side for _, b in inside} == {"ac", "dc"} and not any(b.barrier for _, b in inside):
            i, mains = next((i, b) for i, b in inside if b.side == "ac")
            out += _together(ctx, mains.id, mains.name, Remedy.sets(says("put-barrier-into-box"), f"/wiring/boards/{i}", mains.id, barrier=True))
    return out


def work_raceways(ctx: Context, worked: list[Worked]) -> tuple[dict[str, RacewayPart], list[Finding]]:
    """Every raceway by id, and the findings of routes and boxes."""
    parts: dict[str, RacewayPart] = {}
    found: list[Finding] = []
    for index, r in enumerate(ctx.design.wiring.raceways):
        h = _Held(index, r, [w for w in worked if r.id in w.circuit.raceways])
        cables = [x for w in h.inside for x in cables_of(w)] + [ConduitCable.trusted(outer_diameter_mm=SIGNAL_OD_MM[s.kind], count=s.count) for s in r.signals]
        out = _filled(r, cables)
        if out is not None:
            ctx.book.put(f"raceways/{r.id}/fill_frac", out.figure("fill_frac"))
            ctx.book.put(f"raceways/{r.id}/required_inner_diameter_mm", out.figure("required_inner_diameter_mm"))
            found += _fill_findings(h, out)
        found += _beside(h) + _signals(h)
        if r.kind != "open" and h.mains and (h.low or r.signals) and not r.partition:
            found += _together(ctx, r.id, r.name, h.sets(says("put-in-partition"), partition=True) if r.kind == "trunking" else None)
        parts[r.id] = quick(
            RacewayPart,
            codes=[w.part.code for w in h.inside],
            cable_count=sum(c.count for c in cables),
            fill_frac=out.fill_frac if out else None,
            limit_frac=out.limit_frac if out else None,
            ok=out.ok if out else None,
            suggested_mm=out.suggested_inner_diameter_mm if out else None,
        )
    return parts, found + _enclosures(ctx)

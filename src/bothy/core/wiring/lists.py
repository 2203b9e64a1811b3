"""What is needed at the bench: labels for both ends, cable to buy, terminals, fuses with spares, and the loop test (method wiring.boards, 3.16, 4.12)."""

from __future__ import annotations

from typing import NamedTuple

from pydantic import BaseModel

from bothy.core.contract import EPS
from bothy.core.design.document import Design
from bothy.core.design.wiring import Circuit
from bothy.core.facts.document import Facts
from bothy.core.region import REGIONS, Region
from bothy.core.wiring.buying import CablePurchaseIn, CableRun, FuseItem, SpareFuseKitIn, cable_purchase, cut_pieces, spare_fuse_kit, up
from bothy.core.wiring.circuit import CircuitPart
from bothy.core.wiring.circuits import size_text
from bothy.core.wiring.fuses import FAMILIES
from bothy.core.wiring.loop_test import LoopRow, loop_rows
from bothy.core.wiring.other_cables import OtherPart
from bothy.core.wiring.raceways import RacewayPart
from bothy.core.words.says import wiring_says as says

NOTHING = Facts()


class Label(BaseModel):
    """Labels of one circuit: the one on its board, and those of its wires, each to be put on both ends within 100 mm."""

    circuit: str
    code: str
    board: str
    wires: list[str]


class CableNeed(BaseModel):
    """One size and colour to buy, lengths in m; packs are None where no pack is long enough for the longest cut."""

    size: str
    colour: str
    need_m: float
    longest_m: float
    pack_m: float | None
    pack_count: int | None


class TerminalNeed(BaseModel):
    """Terminals of one size: what kind, how long to strip, what pull to stand, how many."""

    size: str
    kind: str
    stud: str
    strip: str
    pull_n: str
    count: int


class FuseNeed(BaseModel):
    """Fuses of one family and rating: fitted, and spares to carry."""

    key: str
    family: str
    rating_a: float
    fitted: int
    spare: int


class RelayNeed(BaseModel):
    """A relay by the load, worked from the switch panel over a fused 1 A wire: what its contacts must carry."""

    code: str
    name: str
    rating_a: float


class ConduitNeed(BaseModel):
    """One raceway with what is pulled through it."""

    name: str
    kind: str
    inside: str
    length_m: float | None
    codes: list[str]
    cable_count: int
    fill_frac: float | None
    limit_frac: float | None
    suggested_mm: float | None


class BenchLists(BaseModel):
    """All lists. ``open`` names the circuits that are missing from them because their cable is not chosen yet."""

    labels: list[Label]
    cables: list[CableNeed]
    terminals: list[TerminalNeed]
    fuses: list[FuseNeed]
    relays: list[RelayNeed]
    conduits: list[ConduitNeed]
    loops: list[LoopRow]
    open: list[str]


CONTROL_FUSE_A = 1.0


class TerminalKind(NamedTuple):
    """One row of table 4.12, for sizes up to an area in mm²."""

    upto_mm2: float
    kind: str
    stud: str
    strip: str
    pull_n: str


TERMINALS = (
    TerminalKind(1.5, says("insulated-ring-red"), "M3 to M6", "6 mm", "40 to 130 N"),
    TerminalKind(2.5, says("insulated-ring-blue"), "M4 to M8", "7 mm", "130 to 150 N"),
    TerminalKind(6.0, says("insulated-ring-yellow"), "M4 to M10", "8 mm", "170 to 200 N"),
    TerminalKind(10.0, says("tube-lug"), "M5 to M10", "10 mm", "220 N"),
    TerminalKind(16.0, says("tube-lug"), "M6 to M10", "12 mm", "260 N"),
    TerminalKind(35.0, says("tube-lug-hydraulic-or"), "M6 to M12", "14 to 16 mm", "310 to 350 N"),
    TerminalKind(70.0, says("tube-lug-hydraulic"), "M8 to M12", "18 to 20 mm", "400 to 440 N"),
    TerminalKind(120.0, says("tube-lug-hydraulic"), "M8 to M14", "22 to 24 mm", "550 to 660 N"),
)


def terminal_of(area_mm2: float) -> TerminalKind:
    """The terminal for a conductor (table 4.12; typical)."""
    return next((t for t in TERMINALS if area_mm2 <= t.upto_mm2 + EPS), TERMINALS[-1])


def _ends(c: Circuit, design: Design) -> tuple[str, str]:
    """Names of both ends of a feed."""
    board = design.board(c.board)
    if c.kind == "main":
        return "BANK", "BUS"
    if c.kind == "feeder":
        above = design.board(board.fed_from) if board else None
        return above.letter if above else "BUS", board.letter if board else "BOARD"
    return {
        "inverter": ("BUS", "INVERTER"),
        "solar": ("CONTROLLER", "BUS"),
        "driving": ("CHARGER", "BUS"),
        "driving_in": ("STARTER", "CHARGER"),
        "shore": ("CHARGER", "BUS"),
        "trickle": ("BUS", "STARTER"),
    }[c.kind]


def dc_colours(design: Design) -> tuple[str, str]:
    """Colours of positive and negative in this design."""
    return REGIONS[design.region].dc_colours[0], design.wiring.dc_negative_colour


def _label(c: Circuit, p: CircuitPart, design: Design, region: Region) -> Label:
    rating = f"{c.fuse_a:g}A " if c.fuse_a is not None else ""
    colours = region.ac_colours if p.ac else dc_colours(design)
    board = " · ".join(
        x for x in (p.code, f"{c.fuse_a:g} A" if c.fuse_a is not None else "", c.name, size_text(c.area_mm2, c.awg, c.parallel_count), "/".join(colours)) if x
    )
    if p.ac:
        wires = [says("mains", code=p.code, c_name=c.name)]
    elif c.kind == "load":
        wires = [f"{p.code}+ {rating}{c.name}", f"{p.code}− {c.name}"]
    else:
        a, b = _ends(c, design)
        wires = [f"{p.code} {a}+ → {b} {rating}".strip(), f"{p.code} {a}− → {b}"]
    return Label(circuit=c.id, code=p.code, board=board, wires=wires[:1] if c.return_path == "chassis" else wires)


def _runs(c: Circuit, p: CircuitPart, design: Design) -> list[CableRun]:
    size = size_text(c.area_mm2, c.awg)
    if p.ac:
        return [CableRun.trusted(id=p.code, size=f"3 × {size}", colour="/".join(REGIONS[design.region].ac_colours), length_m=p.length_m)]
    there, back = dc_colours(design)
    out = [CableRun.trusted(id=f"{p.code}+", size=size, colour=there, length_m=p.length_m, count=c.parallel_count)]
    if c.return_path == "cable":
        size = size_text(c.negative_area_mm2, c.negative_awg) or size
        out.append(CableRun.trusted(id=f"{p.code}−", size=size, colour=back, length_m=p.length_m, count=c.parallel_count))
    return out


def _cables(runs: list[CableRun]) -> list[CableNeed]:
    if not runs:
        return []
    bought = cable_purchase(CablePurchaseIn.trusted(runs=runs))
    pairs = dict.fromkeys((r.size, r.colour) for r in runs)
    return [
        CableNeed(
            size=s,
            colour=k,
            need_m=bought.need_m[f"{s}/{k}"],
            longest_m=bought.longest_cut_m[f"{s}/{k}"],
            pack_m=bought.pack_m.get(f"{s}/{k}"),
            pack_count=bought.pack_count.get(f"{s}/{k}"),
        )
        for s, k in pairs
    ]


def fuse_needs(circuits: list[tuple[Circuit, CircuitPart]], design: Design) -> list[FuseNeed]:
    """Fuses fitted, of all circuits and of the control wires of relays, with the spares to carry."""
    items = [FuseItem.trusted(family="blade_standard", rating_a=CONTROL_FUSE_A) for _ in _relayed(design)]
    for c, p in circuits:
        family = c.fuse_family or (p.best_family if c.protection == "fuse" else None)
        if p.ac or family is None:
            continue
        items += [FuseItem.trusted(family=family, rating_a=r) for r in (c.fuse_a, c.far_fuse_a) if r is not None and r in FAMILIES[family].ratings]
    if not items:
        return []
    kit = spare_fuse_kit(SpareFuseKitIn.trusted(fuses=items))
    fitted: dict[str, int] = {}
    for i in items:
        fitted[i.key] = fitted.get(i.key, 0) + 1
    out = []
    for key, spare in kit.spare_count.items():
        family_key, rating = key.split(":")
        out.append(FuseNeed(key=family_key, family=FAMILIES[family_key].name, rating_a=float(rating), fitted=fitted[key], spare=spare))
    return out


def _relayed(design: Design) -> list[str]:
    """Circuits that the switch panel works through a relay."""
    return [t.circuit for t in design.wiring.panel.things if t.relay and t.circuit is not None] if design.wiring.panel else []


def _relays(design: Design, parts: dict[str, CircuitPart]) -> list[RelayNeed]:
    out = []
    for id in _relayed(design):
        c = design.circuit(id)
        if c is not None:
            out.append(RelayNeed(code=parts[id].code, name=c.name, rating_a=up(parts[id].current_a / 0.8)))
    return out


def _conduits(design: Design, raceways: dict[str, RacewayPart]) -> list[ConduitNeed]:
    out = []
    for r in design.wiring.raceways:
        p = raceways[r.id]
        inside = f"{r.inner_diameter_mm:g} mm" if r.inner_diameter_mm else f"{r.width_mm:g} × {r.height_mm:g} mm" if r.sized else ""
        out.append(
            ConduitNeed(
                name=r.name,
                kind=r.kind,
                inside=inside,
                length_m=r.length_m,
                codes=p.codes,
                cable_count=p.cable_count,
                fill_frac=p.fill_frac,
                limit_frac=p.limit_frac,
                suggested_mm=p.suggested_mm,
            )
        )
    return out


def _terminals(circuits: list[tuple[Circuit, CircuitPart]]) -> list[TerminalNeed]:
    count: dict[tuple[float, str], int] = {}
    for c, p in circuits:
        if not p.ac:
            key = (c.metal_mm2, size_text(c.area_mm2, c.awg))
            count[key] = count.get(key, 0) + 2 * c.parallel_count * (2 if c.return_path == "cable" else 1)
    return [
        TerminalNeed(size=text, kind=t.kind, stud=t.stud, strip=t.strip, pull_n=t.pull_n, count=n)
        for (area, text), n in sorted(count.items())
        for t in [terminal_of(area)]
    ]


def _other_runs(others: dict[str, OtherPart], design: Design) -> list[CableRun]:
    """Cables that are no circuits, as they are bought: two cores from the panels, three on mains, one for an earth."""
    region = REGIONS[design.region]
    there, back = dc_colours(design)
    out: list[CableRun] = []
    for p in others.values():
        if not p.size_text:
            continue
        if p.cores == 3:
            out.append(CableRun.trusted(id=p.code, size=f"3 × {p.size_text}", colour="/".join(region.ac_colours), length_m=p.length_m))
        elif p.cores == 1:
            out.append(CableRun.trusted(id=p.code, size=p.size_text, colour=back if p.kind == "chassis_bond" else region.ac_colours[-1], length_m=p.length_m))
        else:
            out += [CableRun.trusted(id=f"{p.code}{sign}", size=p.size_text, colour=c, length_m=p.length_m) for sign, c in (("+", there), ("−", back))]
    return out


def _all_runs(design: Design, parts: dict[str, CircuitPart], others: dict[str, OtherPart]) -> list[CableRun]:
    sized = sorted(((c, parts[c.id]) for c in design.wiring.circuits if c.sized), key=lambda cp: (cp[1].ac, cp[0].metal_mm2))
    return [r for c, p in sized for r in _runs(c, p, design)] + _other_runs(others, design)


def cable_cuts(design: Design, parts: dict[str, CircuitPart], others: dict[str, OtherPart]) -> dict[tuple[str, str], list[tuple[str, float]]]:
    """The pieces to cut of each size and colour: what each is for, m with slack and ends."""
    cuts = cut_pieces(CablePurchaseIn.trusted(runs=_all_runs(design, parts, others)))
    return {pair: [(of, m.value) for of, m in pieces] for pair, pieces in cuts.items()}


def bench_lists(
    design: Design, parts: dict[str, CircuitPart], raceways: dict[str, RacewayPart], others: dict[str, OtherPart], facts: Facts = NOTHING
) -> BenchLists:
    """All lists for the bench, from the same circuits and cables as the schedule."""
    region = REGIONS[design.region]
    pairs = [(c, parts[c.id]) for c in design.wiring.circuits]
    sized = [(c, p) for c, p in pairs if c.sized]
    return BenchLists(
        labels=[_label(c, p, design, region) for c, p in sized]
        + [
            Label(circuit="", code=p.code, board=f"{p.code} · {p.name} · {p.size_text}", wires=[f"{p.code} {p.from_to}"])
            for p in others.values()
            if p.size_text
        ],
        cables=_cables(_all_runs(design, parts, others)),
        terminals=_terminals(sized),
        fuses=fuse_needs(sized, design),
        relays=_relays(design, parts),
        conduits=_conduits(design, raceways),
        loops=loop_rows(design, facts, sized),
        open=[f"{p.code} {c.name}" for c, p in pairs if not c.sized] + [f"{p.code} {p.name}" for p in others.values() if not p.size_text],
    )

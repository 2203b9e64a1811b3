"""Two designs beside each other, whole: what was said, what follows, what is found."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any, Literal

from pydantic import BaseModel

from bothy.core.catalogue.parts import parts
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.figure import label_of, unit_of
from bothy.core.figure_keys import HEAT_W, read_unit
from bothy.core.region import REGIONS
from bothy.core.report import Report
from bothy.core.words.choices import CHOICES
from bothy.core.words.says import core_says as says

MOST_ROWS = 600
LEAST_FRAC = 0.005
"""Figures that differ by less than half a per cent count as the same."""
STAGE_OF = {
    "vehicle": "vehicle",
    "appliances": "life",
    "life": "life",
    "power": "power",
    "seasons": "power",
    "circuits": "wiring",
    "network": "wiring",
    "mains": "wiring",
    "others": "wiring",
    "warmth": "warmth",
    "water": "water",
    "gas": "gas",
    "fit": "fit",
    "roof": "fit",
    "prove": "prove",
}
"""The first part of a figure’s key -> its stage."""
UNTOLD = ("by", "note")
"""Fields that say who wrote something, not what it is."""


class SaidRow(BaseModel):
    """Something that was said differently: where, in words, and both values, numbers in ``unit``; None: not said there."""

    stage: str
    path: str
    name: str
    unit: str
    a: float | str | None
    b: float | str | None


class FigureRow(BaseModel):
    """A figure of both that differs; None: it isn’t there."""

    stage: str
    key: str
    label: str
    unit: str
    a: float | None
    b: float | None


class FoundRow(BaseModel):
    """A finding that only one of them has."""

    stage: str
    side: Literal["a", "b"]
    severity: str
    title: str
    subject: str
    message: str


class HeadRow(BaseModel):
    """A headline of both, also where they are the same."""

    label: str
    unit: str
    a: float | None
    b: float | None


class ComparePart(BaseModel):
    """Two designs: headlines, then what differs. ``more``: rows that were left out of a list that is too long to read."""

    heads: list[HeadRow]
    said: list[SaidRow]
    figures: list[FigureRow]
    found: list[FoundRow]
    same: bool
    more: int


def _leaves(value: Any, path: str, name: str) -> Iterator[tuple[str, str, Any]]:
    """Every single thing that a document says: its path with ids in place of numbers, its name, its value."""
    if isinstance(value, dict):
        for k, v in value.items():
            if k not in UNTOLD:
                yield from _leaves(v, f"{path}/{k}", f"{name}, {label_of(k)}" if name else label_of(k))
    elif isinstance(value, list) and value and all(isinstance(x, dict) and ("id" in x or "of" in x) for x in value):
        for x in value:
            key = x.get("id") or x.get("of")
            yield from _leaves({k: v for k, v in x.items() if k != "id"}, f"{path}/{key}", str(x.get("name") or f"{name}: {key}"))
    else:
        yield path, name, value


_CHOICE = re.compile(r"[a-z0-9]+(?:_[a-z0-9]+)*")


def shown(value: Any) -> float | str | None:
    """A value as it is read: a number as it is, a choice in its words; None: not said."""
    if value is None or value == [] or value == "":
        return None
    if isinstance(value, bool):
        return says("yes") if value else says("no")
    if isinstance(value, float | int):
        return value
    if isinstance(value, list):
        return ", ".join(_in_list(v) for v in value)
    text = str(value)
    return (CHOICES.find(text.replace("_", "-")) or text.replace("_", " ")) if _CHOICE.fullmatch(text) else text


def _in_list(value: Any) -> str:
    one = shown(value) if not isinstance(value, dict) else "…"
    return f"{one:.6g}" if isinstance(one, float) else str(one)


def _said(a: Design, b: Design) -> list[SaidRow]:
    ones = {p: (n, v) for p, n, v in _leaves(a.model_dump(mode="json"), "", "")}
    others = {p: (n, v) for p, n, v in _leaves(b.model_dump(mode="json"), "", "")}
    out = []
    for path in dict.fromkeys([*ones, *others]):
        name, x = ones.get(path, others.get(path, ("", None))) if path in ones else (others[path][0], None)
        y = others[path][1] if path in others else None
        if shown(x) != shown(y) and path != "/schema_version":
            stage = path.split("/")[1]
            key = path.rpartition("/")[2]
            out.append(
                SaidRow(stage=stage, path=path, name=name.removeprefix(f"{stage}, "), unit=read_unit(f"{stage}/{key}", unit_of(key)), a=shown(x), b=shown(y))
            )
    return out


def _differs(x: float | None, y: float | None) -> bool:
    if x is None or y is None:
        return x is not y
    return abs(x - y) > LEAST_FRAC * max(abs(x), abs(y)) + 1e-9


def _figures(a: Report, b: Report) -> list[FigureRow]:
    out = []
    for key in dict.fromkeys([*a.figures, *b.figures]):
        if key.startswith("typed/"):
            continue
        one, two = a.figures.get(key), b.figures.get(key)
        x, y = (one["value"] if one else None), (two["value"] if two else None)
        if _differs(x, y):
            f = one or two
            assert f is not None
            out.append(FigureRow(stage=STAGE_OF.get(key.split("/")[0], "vehicle"), key=key, label=f["label"], unit=f["unit"], a=x, b=y))
    return out


def _found(a: Report, b: Report) -> list[FoundRow]:
    mine, theirs = {f.id for f in a.findings}, {f.id for f in b.findings}
    rows: list[FoundRow] = []
    for side, found, other in (("a", a.findings, theirs), ("b", b.findings, mine)):
        rows += [
            FoundRow(stage=f.stage, side=side, severity=f.severity, title=f.title, subject=f.subject_name, message=f.message)
            for f in found
            if f.id not in other
        ]
    return rows


def _price(d: Design) -> float:
    known = {k: p.price for k, p in parts(d.region).items()}

    def walk(value: Any) -> float:
        if isinstance(value, dict):
            own = known.get(value.get("part") or "", 0.0) if not value.get("owned") else 0.0
            pieces = float(value.get("count") or 1) * float(value.get("series_count") or 1) * float(value.get("parallel_count") or 1)
            return own * pieces + sum(walk(v) for v in value.values())
        return sum(walk(v) for v in value) if isinstance(value, list) else 0.0

    return walk(d.model_dump(mode="json"))


def _heads(d: Design, r: Report) -> list[tuple[str, str, float | None]]:
    bank = d.power.bank
    worst = min((s.cover_frac for s in r.power.seasons if s.planned), default=None)
    counts = {s: sum(f.severity == s and f.accepted is None for f in r.findings) for s in ("danger", "fault")}
    loading = next((x for x in r.fit.weight.loadings if x.id == r.fit.weight.worst), None)
    proved = r.commissioned().part()
    return [
        (says("dangers"), "", float(counts["danger"])),
        (says("problems"), "", float(counts["fault"])),
        (says("bank"), "Ah", bank.unit_charge_ah * bank.parallel_count if bank else 0.0),
        (says("panels"), "W", sum(a.panel_power_w * a.series_count * a.parallel_count for a in d.power.arrays)),
        (says("inverter"), "W", d.power.inverter.rating_w if d.power.inverter else 0.0),
        (says("need-covered-in-leanest"), "%", None if worst is None else 100 * worst),
        (says("how-many-circuits"), "", float(len(d.wiring.circuits))),
        (says("heat-that-cold-night"), HEAT_W, r.warmth.heat_loss_w),
        (says("fresh-water"), "L", r.water.capacity_l.get("fresh")),
        (says("water"), "days", r.water.days),
        (says("gas"), "days", r.gas.days),
        (says("known-mass"), "kg", r.vehicle.payload_used_kg),
        (says("heaviest-loading"), "kg", loading.gross_kg if loading else None),
        (says("parts-catalogue-not-owned"), REGIONS[d.region].currency, _price(d)),
        (says("steps-proved"), "", float(proved.passed)),
        (says("steps-to-prove"), "", float(proved.total)),
    ]


def compare(a: tuple[Design, Report], b: tuple[Design, Report]) -> ComparePart:
    """What differs between two designs with their reports."""
    said, figures, found = _said(a[0], b[0]), _figures(a[1], b[1]), _found(a[1], b[1])
    heads = [HeadRow(label=label, unit=unit, a=x, b=y) for (label, unit, x), (_, _, y) in zip(_heads(*a), _heads(*b), strict=True)]
    more = max(0, len(said) - MOST_ROWS) + max(0, len(figures) - MOST_ROWS)
    return quick(
        ComparePart,
        heads=heads,
        said=said[:MOST_ROWS],
        figures=sorted(figures, key=lambda f: -abs(((f.b or 0) - (f.a or 0)) / (abs(f.a or 0) + abs(f.b or 0) + 1e-9)))[:MOST_ROWS],
        found=found,
        same=not said and not figures and not found,
        more=more,
    )

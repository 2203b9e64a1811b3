"""The bill of everything that a design needs, each line back to what it is for, with the task that takes it (method build.packs, build.order-date)."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from typing import NamedTuple

from bothy.core.build.task_list import Task
from bothy.core.catalogue.materials import materials
from bothy.core.catalogue.parts import local_price, parts
from bothy.core.catalogue.workshop import goods
from bothy.core.design.document import Design
from bothy.core.design.warmth import AIR_GAP
from bothy.core.facts.document import Facts
from bothy.core.region import REGIONS
from bothy.core.report import Report
from bothy.core.wiring.lists import bench_lists

INSULATION_WASTE = 0.10


class Line(NamedTuple):
    """A line of the bill: how much of it in which packs, what it costs about (None: not known), what it is for, and the tasks that take it."""

    key: str
    name: str
    service: str
    amount: float
    unit: str
    packs: str
    price: float | None
    of: tuple[str, ...]
    tasks: tuple[str, ...]
    bench: bool


def slug(text: str) -> str:
    """A key from words, at most 60 letters."""
    return re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:60] or "line"


PLACE: dict[str, tuple[str, ...]] = {
    "power:bank": ("bench-charge", "place-batteries"),
    "power:inverter": ("bench-inverter", "sf-inverter"),
    "power:controller": ("bench-charge", "sf-solar"),
    "power:driving": ("bench-charge", "sf-dcdc"),
    "power:shore": ("sf-ac", "sf-inverter"),
    "power:array": ("fit-solar",),
    "power:generator": ("sf-ac",),
    "warmth:heater": ("bench-heater", "place-heater", "place-stove"),
    "warmth:cooler": ("bench-roof-ac", "fit-roof-ac"),
    "water:pump": ("bench-pump", "wet-fresh"),
    "water:tank": ("place-fresh-tank", "underslung-tanks"),
    "water:hot": ("place-water-heater",),
    "water:toilet": ("wet-toilet",),
    "gas:appliance": ("gas-appliances",),
    "gas:vessel": ("gas-locker",),
    "life:cooling": ("bench-fridge", "place-fridge"),
    "life:fan": ("bench-roof-fan", "fit-roof-fan"),
    "life:light": ("sf-loads",),
    "life:socket": ("sf-loads", "sf-ac"),
    "life:alarm": ("sf-alarms",),
}
"""What a thing is -> the tasks that may take it, the first that the plan has counts."""


def _lines(d: Design) -> Iterable[tuple[str, str, str, int, str | None, float | None]]:
    """Things of the design that are bought: key, name, kind of thing, how many, part of the catalogue, price where it is known."""
    p, w, g = d.power, d.water, d.gas
    if p.bank is not None and not p.bank.owned:
        yield "power:bank", p.bank.name, "power:bank", p.bank.series_count * p.bank.parallel_count, p.bank.part, None
    singles = (("inverter", p.inverter), ("driving", p.driving), ("shore", p.shore), ("generator", p.generator))
    for k, x in singles:
        if x is not None and not x.owned:
            yield f"power:{k}", x.name, f"power:{k}", 1, x.part, None
    for id, c in (("controller", p.controller), *((f"controller-{a.id}", a.controller) for a in p.arrays)):
        if c is not None and not c.owned:
            yield f"power:{id}", c.name, "power:controller", 1, c.part, None
    for a in p.arrays:
        if not a.owned:
            yield f"power:array-{a.id}", a.name, "power:array", a.series_count * a.parallel_count, a.part, None
    for h in d.warmth.heaters:
        yield f"warmth:{h.id}", h.name, "warmth:heater", 1, h.part, None
    if d.warmth.cooler is not None:
        yield "warmth:cooler", d.warmth.cooler.name, "warmth:cooler", 1, d.warmth.cooler.part, None
    for t in w.tanks:
        yield f"water:{t.id}", t.name, "water:tank", 1, None, None
    if w.pump is not None:
        yield "water:pump", w.pump.name, "water:pump", 1, w.pump.part, None
    if w.hot is not None:
        yield "water:hot", w.hot.name, "water:hot", 1, w.hot.part, None
    if w.toilet is not None and w.toilet.kind != "none":
        yield "water:toilet", f"Toilet, {w.toilet.kind}", "water:toilet", 1, None, None
    for v in g.vessels:
        yield f"gas:{v.id}", v.name, "gas:vessel", v.count, None, None
    for ga in g.appliances:
        if ga.heater is None and not ga.outside_point:
            yield f"gas:{ga.id}", ga.name, "gas:appliance", 1, None, None
    linked = {h.appliance for h in d.warmth.heaters} | {w.pump.appliance if w.pump else None, d.warmth.cooler.appliance if d.warmth.cooler else None}
    for one in d.life.appliances:
        if one.id in linked or one.owned or one.count <= 0:
            continue
        yield f"life:{one.id}", one.name, f"life:{one.kind}", one.count, one.part, None


SERVICE = {"power": "power", "life": "appliances", "warmth": "warmth", "water": "water", "gas": "gas"}


def bill(d: Design, r: Report, facts: Facts, tasks: Sequence[Task]) -> list[Line]:
    """Everything to buy, by service, in a stable order."""
    live = {t.id for t in tasks}
    level = REGIONS[d.region].price_level
    out: list[Line] = []

    def first(kind: str, *more: str) -> tuple[str, ...]:
        return tuple(t for t in (*PLACE.get(kind, ()), *more) if t in live)[:1]

    for key, name, kind, count, part_key, price in _lines(d):
        part = parts(d.region).get(part_key or "")
        cost = part.price * count if part is not None else price
        took = first(kind, "sf-appliances", "freeze-design")
        bench = bool(took) and took[0].startswith("bench-")
        out.append(Line(slug(key), name, SERVICE[key.partition(":")[0]], float(count), "", f"{count} ×", cost, (key,), took, bench))
    lists = bench_lists(d, r.wiring.circuits, r.wiring.raceways, r.wiring.others, facts)
    lay = "ff-dc-cables" if "ff-dc-cables" in live else "surface-dc-cables"
    for c in lists.cables:
        packs = f"{c.pack_count} × {c.pack_m:g} m" if c.pack_count and c.pack_m else f"{c.need_m:.1f} m off the reel"
        name = f"Cable {c.size}, {c.colour}"
        out.append(Line(slug(f"cable {c.size} {c.colour}"), name, "wiring", round(c.need_m, 2), "m", packs, None, ("wiring",), tuple({lay} & live), False))
    for t in lists.terminals:
        n = -(-t.count * 11 // 10) + (2 if t.count < 20 else 0)
        name = f"{t.kind[0].upper()}{t.kind[1:]} for {t.size}, {t.stud}"
        out.append(Line(slug(f"lug {t.size} {t.kind}"), name, "wiring", float(n), "", f"{n} ×", None, ("wiring",), tuple({"sf-panel"} & live), False))
    for f in lists.fuses:
        n = f.fitted + f.spare
        name = f"Fuse {f.family} {f.rating_a:g} A"
        out.append(
            Line(
                slug(f"fuse {f.family} {f.rating_a:g}"),
                name,
                "wiring",
                float(n),
                "",
                f"{n} ×, {f.spare} to carry",
                None,
                ("wiring",),
                tuple({"sf-panel"} & live),
                False,
            )
        )
    for k in lists.conduits:
        if k.length_m:
            name = f"Conduit, inside {k.inside}, {k.name}"
            out.append(
                Line(
                    slug(f"conduit {k.name}"),
                    name,
                    "wiring",
                    round(1.05 * k.length_m, 1),
                    "m",
                    "off the reel",
                    None,
                    ("wiring",),
                    tuple({"ff-conduits"} & live),
                    False,
                )
            )
    roof_task = tuple(t for t in ("fit-solar", "fit-roof-fan", "fit-rooflight", "fit-roof-ac") if t in live)[:1]
    for a in r.roof.amounts:
        of = tuple(t.key for t in r.roof.things if t.rect is not None)
        name = a.name[0].upper() + a.name[1:]
        out.append(Line(slug(f"roof {a.key}"), f"{name}, roof", "roof", round(a.amount, 1), a.unit, f"{a.packs} × {a.pack}", None, of, roof_task, False))
    out += _insulation(d, r, live)
    out += _consumables(tasks, level)
    return out


def _insulation(d: Design, r: Report, live: set[str]) -> list[Line]:
    areas: dict[str, float] = {}
    for s in r.warmth.surfaces.values():
        if s.build_up is not None:
            areas[s.build_up] = areas.get(s.build_up, 0.0) + s.area_m2
    known, total = materials(), dict[tuple[str, float], float]()
    for b in d.warmth.build_ups:
        for x in b.layers:
            if x.material and x.material != AIR_GAP and x.material in known and known[x.material].form and b.id in areas:
                total[x.material, x.thickness_mm] = total.get((x.material, x.thickness_mm), 0.0) + areas[b.id] * x.coverage_frac
    task = tuple(t for t in ("insulate-walls", "insulate-spray", "line-wall-left") if t in live)[:1]
    out = []
    for (m, mm), area in sorted(total.items()):
        name = f"{known[m].name}, {mm:g} mm"
        out.append(
            Line(slug(f"insulation {m} {mm:g}"), name, "body", round(area * (1 + INSULATION_WASTE), 1), "m²", "by the m²", None, ("warmth",), task, False)
        )
    return out


def _consumables(tasks: Sequence[Task], level: float) -> list[Line]:
    known, by = goods(), dict[str, list[str]]()
    for t in tasks:
        for p in t.template.parts:
            if not known[p].covered:
                by.setdefault(p, []).append(t.id)
    return [
        Line(f"goods-{slug(k)}", known[k].name, "workshop", 1.0, "", f"1 × {known[k].pack}", local_price(known[k].price, level), tuple(v), (v[0],), False)
        for k, v in by.items()
    ]

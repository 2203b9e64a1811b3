"""The bill of everything that a design needs, each line back to what it is for, with the task that takes it (method build.packs, build.order-date)."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from math import ceil

from bothy.core.build.boards import boards
from bothy.core.build.cuts import Piece
from bothy.core.build.line import Line, after_stock, slug
from bothy.core.build.piping import lengths_by_way, piping
from bothy.core.build.placing import TAKEN_BY
from bothy.core.build.task_list import Task
from bothy.core.catalogue.parts import local_price, parts
from bothy.core.catalogue.workshop import goods
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.fit.routing import SLACK
from bothy.core.fit.things import stand_ins
from bothy.core.region import REGIONS
from bothy.core.report import Report
from bothy.core.wiring.lists import bench_lists, cable_cuts
from bothy.core.wiring.raceways import SIGNAL_WORDS
from bothy.core.words.says import build_says as says

HEAT_SHRINK_M, CLIP_M, CLIPS_IN_A_BOX = 0.04, 0.3, 100
"""Of heat-shrink tube on each lug; from clip to clip along cables and pipes (usual)."""


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
        yield "water:toilet", says("toilet", kind=w.toilet.kind), "water:toilet", 1, None, None
    for v in g.vessels:
        yield f"gas:{v.id}", v.name, "gas:vessel", v.count, None, None
    for ga in g.appliances:
        if ga.heater is None and not ga.outside_point:
            yield f"gas:{ga.id}", ga.name, "gas:appliance", 1, None, None
    linked = {appliance for appliance, thing in stand_ins(d).items() if not thing.startswith("gas:")}
    for one in d.life.appliances:
        if one.id in linked or one.owned or one.count <= 0:
            continue
        yield f"life:{one.id}", one.name, f"life:{one.kind}", one.count, one.part, None


SIGNAL_PACKS_M = (5.0, 10.0, 25.0, 50.0, 100.0)
"""Lengths in which signal cables are sold, made up or on a reel, m (usual)."""


def signal_lines(d: Design, r: Report, live: set[str]) -> list[Line]:
    """Signal cables by kind, each cut as long as its way with slack and ends; what has no length yet is bought once it is known."""
    by_way = lengths_by_way(r)
    slack, end = SLACK["data"]
    out = []
    for kind, word in SIGNAL_WORDS.items():
        known = [(s, m) for s in d.fit.signals if s.kind == kind and (m := by_way.get(f"signal:{s.id}", s.length_m))]
        if known:
            pieces = tuple(Piece(s.name, round(m * (1 + slack) + 2 * end, 3)) for s, m in known)
            need, of = round(sum(p.length_m for p in pieces), 2), tuple(f"signal:{s.id}" for s, _ in known)
            name = word[0].upper() + word[1:]
            pack = next((x for x in SIGNAL_PACKS_M if x >= max(p.length_m for p in pieces)), None)
            out.append(Line(f"signal-{kind}", name, "wiring", need, "m", "", None, of, tuple({"ff-data"} & live), False, pieces, pack, None, "cable"))
    return out


SERVICE = {"power": "power", "life": "appliances", "warmth": "warmth", "water": "water", "gas": "gas"}


def bill(d: Design, r: Report, facts: Facts, tasks: Sequence[Task]) -> list[Line]:
    """Everything to buy, by service, in a stable order."""
    live = {t.id for t in tasks}
    level = REGIONS[d.region].price_level
    out: list[Line] = []

    def first(kind: str, *more: str) -> tuple[str, ...]:
        return tuple(t for t in (*TAKEN_BY.get(kind, ()), *more) if t in live)[:1]

    for key, name, kind, count, part_key, price in _lines(d):
        part = parts(d.region).get(part_key or "")
        cost = part.price * count if part is not None else price
        took = first(kind, "sf-appliances", "freeze-design")
        bench = bool(took) and took[0].startswith("bench-")
        out.append(Line(slug(key), name, SERVICE[key.partition(":")[0]], float(count), "", f"{count} ×", cost, (key,), took, bench))
    lists = bench_lists(d, r.wiring.circuits, r.wiring.raceways, r.wiring.others, facts)
    lay = "ff-dc-cables" if "ff-dc-cables" in live else "surface-dc-cables"
    cuts = cable_cuts(d, r.wiring.circuits, r.wiring.others)
    for c in lists.cables:
        name, task = says("cable", size=c.size, colour=c.colour), tuple({lay} & live)
        pieces = tuple(Piece(of, round(m, 3)) for of, m in cuts[c.size, c.colour])
        out.append(
            Line(
                slug(f"cable {c.size} {c.colour}"), name, "wiring", round(c.need_m, 2), "m", "", None, ("wiring",), task, False, pieces, c.pack_m, None, "cable"
            )
        )
    for t in lists.terminals:
        n = -(-t.count * 11 // 10) + (2 if t.count < 20 else 0)
        name = says("for", kind=t.kind[0].upper(), kind_2=t.kind[1:], size=t.size, stud=t.stud)
        out.append(Line(slug(f"lug {t.size} {t.kind}"), name, "wiring", float(n), "", f"{n} ×", None, ("wiring",), tuple({"sf-panel"} & live), False))
    out += signal_lines(d, r, live)
    lugs = sum(t.count for t in lists.terminals)
    if lugs:
        shrink = round(HEAT_SHRINK_M * lugs, 1)
        out.append(Line("heat-shrink", says("heat-shrink-tube-for"), "wiring", shrink, "m", says("by-2"), None, ("wiring",), tuple({"sf-panel"} & live), False))
    for f in lists.fuses:
        n = f.fitted + f.spare
        name = says("fuse", family=f.family, rating_a=f.rating_a)
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
            name = says("conduit-inside", inside=k.inside, k_name=k.name)
            out.append(
                Line(
                    slug(f"conduit {k.name}"),
                    name,
                    "wiring",
                    round(1.05 * k.length_m, 1),
                    "m",
                    says("off-reel-2"),
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
        out.append(
            Line(slug(f"roof {a.key}"), says("roof", name=name), "roof", round(a.amount, 1), a.unit, f"{a.packs} × {a.pack}", None, of, roof_task, False)
        )
    runs, sheets = piping(d, r, live, level), boards(d, r, live)
    out += [*runs, *sheets]
    laid = sum(p.length_m for p in r.wiring.circuits.values()) + sum(p.length_m for x in runs for p in x.pieces)
    out += _consumables(tasks, level, counted_of(d, [*runs, *sheets]), {"clips": laid / CLIP_M / CLIPS_IN_A_BOX})
    stock = [x for x in facts.stock if x.amount > 0]
    return [after_stock(x, stock) for x in out]


def counted_of(d: Design, lines: Sequence[Line]) -> set[str]:
    """Goods of the table that other lines of the bill hold already, by the amounts of the design."""
    out = {k for k, g in goods().items() if g.covered and not g.price}
    for x in lines:
        for start, good in COUNTED_BY.items():
            if x.key.startswith(start):
                out.add(good)
    for a in d.life.appliances:
        for word, good in ((says("carbon-monoxide"), "co_alarm"), ("smoke", "smoke_alarm")):
            if word in a.name.lower():
                out.add(good)
    return out | ALWAYS_COUNTED


COUNTED_BY = {
    "water-pipe": "pipe",
    "water-elbow": "fittings",
    "water-tee": "fittings",
    "water-stop-valve": "valves",
    "water-ball-valve": "valves",
    "waste-pipe": "waste_pipe",
    "gas-pipe": "gas_pipe",
    "duct": "duct",
    "coolant-hose": "coolant_hose",
    "insulation-butyl-deadening": "deadening_sheet",
    "insulation-plywood": "lining",
    "insulation-birch-plywood": "ply",
    "insulation-vinyl-floor": "sheet_floor",
    "insulation-rubber-mat": "sheet_floor",
    "insulation-lining-carpet": "stretch_carpet",
}
"""How the key of a line begins -> the good that it counts."""
ALWAYS_COUNTED = frozenset(
    ("adhesive", "sealant", "gasket", "conduit", "board_insulation", "insulation", "fuses", "lugs", "lamps", "sockets", "class_t_fuse", "inlet", "rcd", "mcb")
)


def _consumables(tasks: Sequence[Task], level: float, counted: set[str], needs: Mapping[str, float]) -> list[Line]:
    """A pack of each good that a task takes and no other line counts; of some more, by what the design ``needs`` in packs."""
    known, by = goods(), dict[str, list[str]]()
    for t in tasks:
        for p in t.template.parts:
            if p not in counted:
                by.setdefault(p, []).append(t.id)
    out = []
    for k, v in by.items():
        n, g = max(1, ceil(needs.get(k, 1.0) - 1e-9)), known[k]
        out.append(Line(f"goods-{slug(k)}", g.name, "workshop", float(n), "", f"{n} × {g.pack}", n * local_price(g.price, level), tuple(v), (v[0],), False))
    return out

"""Proposals for circuits: grouped by what they feed, one for each heavy appliance, lights in zones, split where one cable is not enough."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from bothy.core.catalogue.parts import Part, of_kind
from bothy.core.catalogue.sheets import BoardSheet
from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.document import Design, load_design
from bothy.core.design.life import Appliance
from bothy.core.design.wiring import Circuit, OtherCable
from bothy.core.finding import Remedy
from bothy.core.power.panels import all_controllers
from bothy.core.power.uses import HEAVY_W
from bothy.core.proposals.base import Proposal, slug
from bothy.core.wiring.circuit import Worked
from bothy.core.wiring.circuits import size_text
from bothy.core.wiring.currents import at_the_peak, design_current
from bothy.core.wiring.lighting import propose_zones
from bothy.core.wiring.mains import let_in_a, usual
from bothy.core.wiring.other_cables import propose_others
from bothy.core.wiring.panel_design import propose_plate
from bothy.core.wiring.rules import refit
from bothy.core.wiring.sizing import CircuitSplitIn, SplitLoad, circuit_split
from bothy.core.wiring.tree_fit import saved_kg
from bothy.core.words.says import proposals_says as says

OWN_KINDS = ("medical", "cooling", "heating", "pump")
OWN_FROM_A = 5.0
SHARED_CABLE_A, SHARED_FUSE_A = 24.0, 15.0
TOLD_KG = 0.05
MAINS_NOTE = says("mains-design-aid-only")
ZONES = {"kitchen": "kitchen", "living": "living", "cab": "living", "bed": "bed", "washroom": "bed", "garage": "rear", "outside": "rear", "roof": "rear"}
ZONE_NAMES = {"kitchen": "kitchen", "living": says("living-and-cab"), "bed": says("bed-and-washroom"), "rear": says("rear-and-outside")}


def _group_of(a: Appliance, amps: float) -> str:
    """The name of the group an appliance shares a circuit with; its own name when it shares with none."""
    if a.kind in OWN_KINDS or (amps >= OWN_FROM_A and a.kind not in ("light", "socket")):
        return a.name
    if a.kind == "light":
        return says("lights", zone_names=ZONE_NAMES[ZONES[a.zone]])
    if a.kind == "socket":
        return says("sockets", zone_names=ZONE_NAMES[ZONES[a.zone]])
    if a.kind == "safety":
        return says("alarms-and-monitor")
    return says("fans") if a.kind == "fan" else says("electronics", zone_names=ZONE_NAMES[ZONES[a.zone]])


def _groups(ctx: Context, free: list[Appliance], ac: bool) -> dict[str, list[Appliance]]:
    """Appliances by the circuit they would share; a group too large for one shared cable is split."""
    amps = {a.id: design_current(ctx, a, ac).value for a in free}
    by_id = {a.id: a for a in free}
    groups: dict[str, list[Appliance]] = {}
    for a in free:
        name = (a.name if a.running_w >= HEAVY_W else says("mains-sockets")) if ac else _group_of(a, amps[a.id])
        groups.setdefault(name, []).append(a)
    if not ac:
        groups = {
            items[0].name if len(items) == 1 and items[0].kind == "other" and items[0].name not in groups else name: items
            for name, items in _light_apart(ctx, groups).items()
        }
    out: dict[str, list[Appliance]] = {}
    limit = max(ctx.region.ac_breakers_a[:2]) * ctx.region.continuous_frac if ac else SHARED_FUSE_A / 1.25
    for name, items in groups.items():
        flowing = [a for a in items if amps[a.id] > 0]
        allowed = min([limit, *(a.max_fuse_a / 1.25 for a in flowing if a.max_fuse_a and not ac)])
        if len(flowing) < 2 or sum(amps[a.id] for a in flowing) <= allowed:
            out[name] = items
            continue
        split = circuit_split(
            CircuitSplitIn.trusted(
                cable_ampacity_a=limit * 1.25 if ac else SHARED_CABLE_A,
                fuse_a=allowed * 1.25,
                loads=[SplitLoad.trusted(id=a.id, current_a=amps[a.id]) for a in flowing],
            )
        )
        shares = split.circuits + [[i] for i in split.oversize]
        for n, ids in enumerate(shares, 1):
            out[f"{name} {n}" if len(shares) > 1 else name] = [by_id[i] for i in ids]
    return out


def _light_apart(ctx: Context, groups: dict[str, list[Appliance]]) -> dict[str, list[Appliance]]:
    """A group with more than half of the lighting as two, so that one fuse doesn't make it dark; none where one lamp is that much."""
    whole = sum(a.running_w * a.count for a in ctx.design.life.appliances if a.kind == "light")
    out: dict[str, list[Appliance]] = {}
    for name, items in groups.items():
        watts = [a.running_w * a.count for a in items]
        if items[0].kind != "light" or len(items) < 2 or sum(watts) <= 0.5 * whole + EPS or max(watts) > 0.5 * whole + EPS:
            out[name] = items
            continue
        halves: tuple[list[Appliance], list[Appliance]] = ([], [])
        for a in sorted(items, key=lambda a: -a.running_w * a.count):
            min(halves, key=lambda h: sum(x.running_w * x.count for x in h)).append(a)
        out |= {f"{name} {n}": half for n, half in enumerate(halves, 1)}
    return out


def _board_for(circuit_count: int, current_a: float) -> Part[BoardSheet]:
    """The smallest catalogue board with ways, spares and rating enough; the largest when none has them."""
    ways = circuit_count + max(2, -(-circuit_count // 5))
    boards = of_kind("board")
    return next((b for b in boards if b.data["way_count"] >= ways and b.data["total_rating_a"] >= current_a), boards[-1])


LOADED = 0.8
"""Part of a board's rating that Bothy loads it with, so that the fuse of its feeder need not be above the board's rating (practice)."""
MAINS_BOARDS_A = (32.0, 40.0, 50.0, 63.0, 80.0, 100.0, 125.0)
"""Usual ratings of mains boards."""


def _off_the_busbar(ctx: Context, dc: dict[str, list[Appliance]], amps: dict[str, float], way_a: float, room_a: float) -> set[str]:
    """Circuits to feed from the busbar itself: too much for a way, and the heaviest while the board is too small for all."""
    out = {name for name, items in dc.items() if sum(design_current(ctx, a, False).value for a in items) > way_a + EPS}
    left = sum(a for name, a in amps.items() if name not in out)
    for name in sorted((n for n in dc if n not in out), key=lambda n: -amps[n]):
        if left <= room_a + EPS:
            break
        out.add(name)
        left -= amps[name]
    return out


def _new_board(id: str, name: str, letter: str, side: str, ways: int, way_a: float, total_a: float) -> dict[str, Any]:
    return {
        "id": id,
        "name": name,
        "letter": letter,
        "way_count": ways,
        "way_rating_a": way_a,
        "total_rating_a": total_a,
        "side": side,
        "by": "proposal",
    }


def _house_board(ctx: Context, groups: dict[str, list[Appliance]]) -> tuple[str | None, list[dict[str, Any]], set[str]]:
    """The low-voltage board that groups of appliances go to, it where it is a new one, and the groups that go to the busbar instead."""
    d = ctx.design
    amps = {name: sum(x.value for x in at_the_peak(ctx, items).values()) for name, items in groups.items()}
    present = next((b for b in d.wiring.boards if b.side == "dc"), None)
    if present is not None:
        fed_now = [a for c in d.wiring.circuits if c.kind == "load" and c.board == present.id for a in d.life.appliances if a.id in c.appliances]
        room_a = LOADED * present.total_rating_a - sum(x.value for x in at_the_peak(ctx, fed_now).values())
        return present.id, [], _off_the_busbar(ctx, groups, amps, present.way_rating_a, room_a)
    part = _board_for(len(groups), sum(amps.values()) / LOADED).data
    direct = _off_the_busbar(ctx, groups, amps, part["way_rating_a"], LOADED * part["total_rating_a"])
    if not groups:
        return None, [], direct
    id = slug("house", {b.id for b in d.wiring.boards})
    return id, [_new_board(id, says("house-board"), "A", "dc", int(part["way_count"]), part["way_rating_a"], part["total_rating_a"])], direct


def _mains_board(ctx: Context, groups: dict[str, list[Appliance]], taken: set[str]) -> tuple[str | None, list[dict[str, Any]]]:
    """The mains board that groups of appliances go to, and it where it is a new one."""
    d = ctx.design
    there = next((b.id for b in d.wiring.boards if b.side == "ac"), None)
    if there is not None or not groups:
        return there, []
    id = slug("mains", {b.id for b in d.wiring.boards} | taken)
    rating_a = next((a for a in MAINS_BOARDS_A if a >= (let_in_a(ctx) or 0) - EPS), MAINS_BOARDS_A[-1])
    return id, [_new_board(id, says("mains-board"), "X", "ac", max(4, len(groups) + 2), 16.0, rating_a)]


class _Wanted:
    """Circuits that are missing, one after the other, each with an id of its own."""

    def __init__(self, d: Design) -> None:
        self.taken = {c.id for c in d.wiring.circuits}
        self.tinned = d.vehicle.preset == "boat" or d.wiring.school == "marine"
        self.out: list[dict[str, Any]] = []

    def add(self, name: str, kind: str, on_board: str | None = None, ids: list[str] | None = None, **more: Any) -> None:
        self.out.append(
            {
                "id": slug(name, self.taken),
                "name": name,
                "kind": kind,
                "board": on_board,
                "appliances": ids or [],
                "by": "proposal",
                "installation": "free_air" if kind in ("main", "inverter", "feeder") else "conduit",
                "tinned": self.tinned and kind != "ac",
                **more,
            }
        )


def _feeds(ctx: Context, wanted: _Wanted, new_boards: list[dict[str, Any]]) -> None:
    """Main fuse, inverter, boards and what charges the bank, where their circuits are missing."""
    d, p = ctx.design, ctx.design.power
    have = {c.feed for c in d.wiring.circuits}
    if p.bank is not None and "main" not in have:
        wanted.add(says("main"), "main", fuse_family="class_t" if ctx.chem.lithium else None)
    if p.inverter is not None and "inverter" not in have:
        wanted.add(says("inverter-feed"), "inverter")
    for b in [*(x.id for x in d.wiring.boards if x.side == "dc"), *(x["id"] for x in new_boards if x["side"] == "dc")]:
        if not any(c.kind == "feeder" and c.board == b for c in d.wiring.circuits):
            wanted.add(says("board-feed"), "feeder", b)
    for _, arrays in all_controllers(p):
        if not arrays or arrays[0].controller is None:
            if "solar" not in have:
                wanted.add(says("solar-charge"), "solar")
        elif f"solar:{arrays[0].id}" not in have:
            wanted.add(says("solar-charge-of", array_name=arrays[0].name)[:120], "solar", array=arrays[0].id)
    second = p.driving is not None and p.driving.school == "second"
    if p.driving is not None and "driving" not in have:
        if second:
            wanted.add(says("from-second-alternator"), "driving", engine_space=True, insulation_temp_c=105)
        else:
            wanted.add(says("driving-charge"), "driving")
    if p.shore is not None and "shore" not in have:
        wanted.add(says("shore-charge"), "shore")
    if p.driving is not None and not second and "driving_in" not in have:
        wanted.add(says("from-starter-battery"), "driving_in", engine_space=True, insulation_temp_c=105)


def wanted_circuits(ctx: Context) -> tuple[list[dict[str, Any]], list[dict[str, Any]]]:
    """Boards and circuits that are missing, without sizes."""
    d = ctx.design
    fed = {i for c in d.wiring.circuits for i in c.appliances}
    free = [a for a in d.life.appliances if a.id not in fed and a.count > 0]
    dc = _groups(ctx, [a for a in free if a.supply != "ac"], False)
    ac = _groups(ctx, [a for a in free if a.supply == "ac"], True)
    board, boards, direct = _house_board(ctx, dc)
    ac_board, more = _mains_board(ctx, ac, {x["id"] for x in boards})
    boards += more
    wanted = _Wanted(d)
    _feeds(ctx, wanted, boards)
    for name, items in dc.items():
        wanted.add(name, "load", None if name in direct else board, [a.id for a in items])
    for name, items in ac.items():
        wanted.add(name, "ac", ac_board, [a.id for a in items], protection="breaker")
    return boards, wanted.out


def candidate(design: Design, boards: list[dict[str, Any]], circuits: list[dict[str, Any]]) -> Design:
    """The design with the missing boards and circuits added."""
    data = design.model_dump(mode="json")
    data["wiring"]["boards"] += boards
    data["wiring"]["circuits"] += circuits
    return load_design(data)


def _sized(c: Circuit, w: Worked) -> tuple[dict[str, Any], list[str]] | None:
    """The circuit with Bothy's cable and fuse, and why; None when no single cable carries it."""
    value = c.model_dump(mode="json")
    if w.part.current_a <= 0:
        return None
    remedy = refit(w)
    if remedy is None:
        return value, [says("to-be-split-or", current_a=w.part.current_a, problem=w.part.problem or "no standard cable and fuse fit")]
    for op in remedy.patch:
        if op["op"] == "replace":
            value[op["path"].rsplit("/", 1)[1]] = op["value"]
    why = [says("over-at-most-may", current_a=w.part.current_a, length_m=w.part.length_m, limit_v=w.part.limit_v, replace=w.part.drop_class.replace("_", "-"))]
    if w.part.inrush_a:
        why.append(says("starting-draws-so-fuse", inrush_a=w.part.inrush_a, window_low_a=w.part.window_low_a))
    if w.part.ac:
        why.append(MAINS_NOTE)
    return value, why


def _copper(ctx: Context, worked: list[Worked]) -> list[str]:
    """What choosing a tree's sizes together saves against choosing cable by cable; nothing where it is little."""
    copper = saved_kg(ctx, worked)
    if copper is None or copper[1] - copper[0] <= TOLD_KG:
        return []
    return [says("chosen-together-with-branches", copper_kg=copper[0], copper_kg_2=copper[1])]


def _once(ctx: Context, worked: list[Worked]) -> Iterator[Proposal]:
    """What a design has once: a fuse on each battery, the mains side."""
    bank = ctx.design.power.bank
    if bank is not None and bank.parallel_count > 1 and ctx.design.wiring.battery_fuses is None and worked:
        yield Proposal(
            id="battery-fuses",
            group="circuits",
            status="new",
            title=says("fuse-on-each-battery"),
            what=says("high-interrupt-fuses", parallel_count=bank.parallel_count),
            why=[says("batteries-in-parallel-feed")],
            assumes=[],
            patch=[{"op": "replace", "path": "/wiring/battery_fuses", "value": True}],
        )
    if ctx.design.wiring.mains is None and any(w.part.ac for w in worked):
        side = usual(ctx)
        yield Proposal(
            id="mains",
            group="circuits",
            status="new",
            title=says("mains-side"),
            what=says("pole-breakers-change-over", residual_device=ctx.region.residual_device.removeprefix("a "), side=side["poles"]),
            why=[says("what-region-usually-has"), MAINS_NOTE],
            assumes=[says("hard-wired-with-automatic")],
            patch=[{"op": "replace", "path": "/wiring/mains", "value": side}],
        )


def _each(ctx: Context, boards: list[dict[str, Any]], worked: list[Worked], first_new: int) -> Iterator[Proposal]:
    """A circuit that is missing, or one of Bothy's own whose current has changed."""
    pending = {b["id"]: b for b in boards}
    for w in worked:
        c = w.circuit
        if w.index >= first_new:
            sized = _sized(c, w)
            if sized is None:
                continue
            value, why = sized
            patch: list[dict[str, Any]] = []
            if c.board in pending:
                patch.append({"op": "add", "path": "/wiring/boards/-", "value": pending[c.board]})
            patch.append({"op": "add", "path": "/wiring/circuits/-", "value": value})
            fitted = size_text(value["area_mm2"], value["awg"], value["parallel_count"])
            what = f"{fitted}, {value['fuse_a']:g} A" if fitted and value["fuse_a"] else "open"
            feeds = ", ".join(w.part.appliance_names)
            made = Proposal(
                id=f"circuit:{c.id}",
                group="circuits",
                status="new",
                title=c.name,
                what=what,
                why=[*([feeds] if feeds else []), *why],
                assumes=[says("one-way-until-measured", length_m=w.part.length_m)],
                patch=patch,
            )
            yield made.later(lambda: _copper(ctx, worked)) if c.kind == "feeder" else made
        elif c.by == "proposal" and w.part.current_a > 0:
            remedy = refit(w)
            changes = [op for op in remedy.patch if op["op"] == "replace" and getattr(c, op["path"].rsplit("/", 1)[1]) != op["value"]] if remedy else []
            if remedy and changes:
                yield Proposal(
                    id=f"resize:{c.id}",
                    group="circuits",
                    status="change",
                    title=c.name,
                    what=remedy.label,
                    why=[says("current-now-over", current_a=w.part.current_a, length_m=w.part.length_m)],
                    assumes=[],
                    patch=remedy.patch,
                )


def _fuller_boards(ctx: Context, new: set[str]) -> Iterator[Proposal]:
    """A board of Bothy's own that has too few ways left for what came to it since."""
    w = ctx.design.wiring
    for i, b in enumerate(w.boards):
        if b.by != "proposal" or b.side != "dc" or b.id in new:
            continue
        below = {x.id for x in w.boards if x.fed_from == b.id}
        on_it = sum(c.board in below if c.kind == "feeder" else c.board == b.id and c.kind != "main" for c in w.circuits)
        part = _board_for(on_it, b.total_rating_a).data
        if part["way_count"] <= b.way_count:
            continue
        now = {"way_count": int(part["way_count"]), "way_rating_a": part["way_rating_a"], "total_rating_a": max(part["total_rating_a"], b.total_rating_a)}
        yield Proposal(
            id=f"resize:{b.id}",
            group="circuits",
            status="change",
            title=b.name,
            what=says("board-with-ways", way_count=now["way_count"]),
            why=[says("circuits-come-to-it", on_it_count=on_it, way_count=b.way_count)],
            assumes=[],
            patch=Remedy.sets("", f"/wiring/boards/{i}", b.id, **now).patch,
        )


def _no_circuits(ctx: Context, worked: list[Worked]) -> Iterator[Proposal]:
    """Cables that are no circuits: missing ones, and those that must grow."""
    others, changed = propose_others(ctx, [w for w in worked if w.part.current_a > 0])
    if others:
        yield Proposal(
            id="other-cables",
            group="circuits",
            status="new",
            title=says("cables-that-no-circuits"),
            what=_listed(others),
            why=[says("from-panels-inlet-and"), MAINS_NOTE],
            assumes=[says("usual-lengths-until-they")],
            patch=[{"op": "add", "path": "/wiring/others/-", "value": o.model_dump(mode="json")} for o in others],
        )
    if changed:
        place = {o.id: i for i, o in enumerate(ctx.design.wiring.others)}
        yield Proposal(
            id="resize:other-cables",
            group="circuits",
            status="change",
            title=says("cables-that-no-circuits"),
            what=_listed(changed),
            why=[says("what-flows-through-them")],
            assumes=[],
            patch=[{"op": "replace", "path": f"/wiring/others/{place[o.id]}", "value": o.model_dump(mode="json")} for o in changed],
        )


def propose_circuits(ctx: Context, boards: list[dict[str, Any]], worked: list[Worked], first_new: int) -> list[Proposal]:
    """Proposals from the worked candidate design; circuits from ``first_new`` on are the missing ones."""
    return [*_once(ctx, worked), *_fuller_boards(ctx, {b["id"] for b in boards}), *_each(ctx, boards, worked, first_new), *_no_circuits(ctx, worked)]


def _listed(others: list[OtherCable]) -> str:
    return "; ".join(f"{o.name.lower()} {size_text(o.area_mm2, o.awg)}" for o in others)[:300]


def propose_panel(ctx: Context, worked: list[Worked]) -> Proposal | None:
    """The switch panel for the circuits that are there; None where there is nothing to switch."""
    plate = propose_plate(ctx, worked)
    if plate is None:
        return None
    return Proposal(
        id="panel",
        group="panel",
        status="new",
        title=says("switch-panel"),
        what=f"{len(plate.things)} parts on {plate.width_mm:g} × {plate.height_mm:g} mm",
        why=[says("switch-dimmer-or-speed")],
        assumes=[says("plate-wide-nothing-known")],
        patch=[{"op": "replace", "path": "/wiring/panel", "value": plate.model_dump(mode="json")}],
    )


def propose_lighting(ctx: Context) -> list[Proposal]:
    """Lighting zones, one a part of the vehicle; nothing with fewer than two lights."""
    zones = propose_zones(ctx)
    if sum(len(z.lights) for z in zones) < 2:
        return []
    words = ", ".join(z.name.lower() for z in zones)
    return [
        Proposal(
            id="lighting",
            group="lighting",
            status="new",
            title=says("lighting-zones"),
            what=says("zones", zones_count=len(zones), words=words),
            why=[says("lights-one-part-vehicle")],
            assumes=[says("nothing-known-yet-where")],
            patch=[{"op": "replace", "path": "/wiring/zones", "value": [z.model_dump(mode="json") for z in zones]}],
        )
    ]

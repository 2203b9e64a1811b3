"""The surfaces that are closed: what runs behind each, how far it is proved, and whether it may be closed."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from bothy.core.build.asked import Asked
from bothy.core.build.from_design import WALL_ZONE, ZONES
from bothy.core.build.gate import SEVERITY, Behind, checked, lacks_of
from bothy.core.build.part import (
    BehindPart,
    GatePart,
)
from bothy.core.build.plan import State
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.report import Report
from bothy.core.words.says import build_says as says

KIND = {"dc": "dc_cable", "mains": "ac_cable", "data": "data_cable", "water": "water_pipe", "waste": "waste_pipe", "gas": "gas_pipe", "duct": "duct"}
"""Service of a run -> what it is at a gate."""
LAID_BY = {
    "dc": ("ff-dc-cables", "surface-dc-cables", "ff-main-cables"),
    "mains": ("ff-ac-cables", "surface-ac-cables"),
    "data": ("ff-data",),
    "water": ("ff-water-pipes", "wet-fresh"),
    "waste": ("ff-water-pipes", "wet-waste"),
    "gas": ("gas-pipework",),
    "duct": ("ff-ducts", "connect-ducts"),
}
STRUCTURE: tuple[tuple[str, str, str, int, tuple[str, ...]], ...] = (
    ("rust", says("rust-treated-and-painted"), "rust_treatment", 1, ("floor", "wall_left", "wall_right", "ceiling")),
    ("deadening", says("sound-deadening"), "deadening", 1, ("floor", "wall_left", "wall_right", "ceiling", "doors")),
    ("insulation", says("insulation"), "insulation", 3, ("wall_left", "wall_right", "ceiling", "doors")),
    ("vapour", says("vapour-barrier"), "vapour_barrier", 4, ("wall_left", "wall_right", "ceiling")),
)
DONE_BY = {
    "rust": ("rust-treat",),
    "deadening": ("sound-deadening",),
    "insulation": ("insulate-walls", "insulate-ceiling", "insulate-spray", "insulate-doors"),
    "vapour": ("vapour-barrier",),
}


def is_done(states: Mapping[str, State], tasks: Iterable[str]) -> bool:
    return any(k in states and states[k].done >= 1 for k in tasks)


def behind_of(d: Design, r: Report, facts: Facts, states: Mapping[str, State], zone: str) -> list[tuple[str, Behind]]:
    """Everything that lies behind a surface, with its name and evidence."""
    seen = {s.id: s for s in facts.seen}
    pictured = {p.subject for p in facts.photos}
    read = {x.circuit for x in facts.readings}
    out: list[tuple[str, Behind]] = []
    have: set[str] = set()

    def put(id: str, name: str, kind: str, layer: int, done: bool, tested: bool) -> None:
        key = f"{zone}:{id}"[:60]
        if key in have:
            return
        have.add(key)
        s = seen.get(key)
        out.append(
            (
                name,
                Behind(
                    key,
                    kind,
                    layer,
                    done or bool(s and s.done),
                    tested or bool(s and s.tested),
                    bool(s and s.labelled),
                    bool(s and s.photo) or key in pictured,
                    bool(s and s.waived),
                ),
            )
        )

    for id, name, kind, layer, zones in STRUCTURE:
        if zone in zones:
            put(id, name, kind, layer, is_done(states, DONE_BY[id]), True)
    for thing in r.roof.things:
        if zone == "ceiling" and thing.cut is not None and thing.cut.hole is not None:
            done = is_done(states, ("fit-roof-fan", "fit-rooflight", "fit-roof-ac", "fit-roof-glands"))
            put(thing.key.replace(":", "-"), says("opening", thing_name=thing.name), "sealed_opening", 1, done, is_done(states, ("roof-water-test",)))
    for wall in r.fit.walls:
        if WALL_ZONE[wall.id] != zone:
            continue
        for row in wall.rows:
            carried = KIND.get(row.service)
            if carried is None:
                continue
            circuit = row.run.partition(":")[2] if row.run.startswith("circuit:") else None
            tested = (
                (circuit in read)
                if circuit is not None
                else bool(facts.water_tests)
                if row.service in ("water", "waste")
                else any(t.signed for t in facts.gas_tests)
                if row.service == "gas"
                else False
            )
            put(row.run.replace(":", "-"), row.name, carried, 2, is_done(states, LAID_BY[row.service]), tested)
    return out


def gates_of(d: Design, r: Report, facts: Facts, a: Asked) -> list[GatePart]:
    closings = {c.id: c for c in facts.closings}
    seen = {s.id: s for s in facts.seen}
    walls = {z: w for w, z in WALL_ZONE.items() if w not in ("under", "front")}
    out = []
    for zone, name in ZONES.items():
        closing = [t for t in a.tasks if any(z == zone and layer == 5 for z, layer in t.template.closes)]
        if not closing:
            continue
        items = behind_of(d, r, facts, a.states, zone)
        found, blocking, _ = checked([x for _, x in items], 5)
        c = closings.get(zone)
        rows = []
        for title, x in items:
            lacks = lacks_of(x)
            worst = next((s for s in ("danger", "fault", "advice") if any(f.severity == s for f in lacks)), "")
            rows.append(
                quick(
                    BehindPart,
                    id=x.id,
                    name=title,
                    kind=x.kind,
                    layer=x.layer,
                    done=x.done,
                    tested=x.tested,
                    labelled=x.labelled,
                    photo=x.photo,
                    waived=seen[x.id].waived if x.id in seen else "",
                    missing=[f.rule.removeprefix("build-gate-") for f in lacks],
                    severity=worst,
                    wants=[s is not None for s in SEVERITY[x.kind]],
                )
            )
        out.append(
            quick(
                GatePart,
                zone=zone,
                name=name,
                wall=walls.get(zone),
                closes=[t.id for t in closing],
                verdict="do_not_close" if blocking else "close_with_notes" if found else "close",
                blocking=len(blocking),
                items=rows,
                closed_on=c.on if c is not None and not c.opened else None,
                closed_by=c.who if c is not None and not c.opened else "",
            )
        )
    return out

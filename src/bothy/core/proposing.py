"""Proposing and accepting: composes the proposals of all fields, as report.py composes their findings."""

from __future__ import annotations

from typing import Any

from bothy.core.context import Context
from bothy.core.design.document import Design
from bothy.core.design.edit import apply_patch
from bothy.core.fit.geometry import settled
from bothy.core.power.supply import work_out
from bothy.core.power.uses import budgets
from bothy.core.proposals.base import GROUPS, Group, Proposal, Reasons
from bothy.core.proposals.circuits import candidate, propose_circuits, propose_lighting, propose_panel, wanted_circuits
from bothy.core.proposals.supply import propose_bank, propose_driving, propose_inverter, propose_shore, propose_solar
from bothy.core.proposals.warmth import PROPOSERS, propose_warmth
from bothy.core.proposals.wet import propose_gas, propose_water
from bothy.core.report import feeds_of
from bothy.core.roof.plan import geometry_with_roof
from bothy.core.roof.worked import shaded_by_roof
from bothy.core.wiring.circuits import work_circuits
from bothy.core.words.said import Reader, names_in, said


def _named(value: Any, reader: Reader, known: set[str]) -> Any:
    """What a proposal adds, with the names that Bothy gives in its reader's terms and units; a part keeps its maker's, and what has a name already keeps it."""
    if isinstance(value, list):
        return [_named(x, reader, known) for x in value]
    if not isinstance(value, dict):
        return value
    out = {k: _named(x, reader, known) for k, x in value.items()}
    name = out.get("name")
    if isinstance(name, str) and name not in known and not out.get("part"):
        out["name"] = said(name, reader)[:120]
    return out


def propose_group(design: Design, group: Group) -> list[Proposal]:
    """The proposals of one group, on the design as it stands; lengths follow from where things stand. What they name is named in the region's terms."""
    found = _proposed(design, group)
    if design.region in ("uk", "eu"):
        return found  # sentences are written in their terms, and who typed nothing reads metric
    reader, known = Reader("us" if design.region == "us" else "metric", design.region), set(names_in(design.model_dump(mode="json")))
    for p in found:
        p.patch = [{**op, "value": _named(op["value"], reader, known)} if isinstance(op.get("value"), dict | list) else op for op in p.patch]
    return found


def _proposed(design: Design, group: Group) -> list[Proposal]:
    geo = geometry_with_roof(design)
    design = shaded_by_roof(settled(design, geo))
    ctx = Context(design, routed=geo.lengths())
    if group in PROPOSERS:
        return propose_warmth(ctx, group)
    if group in ("water", "gas"):
        return propose_water(ctx) if group == "water" else propose_gas(ctx)
    if group == "circuits":
        boards, circuits = wanted_circuits(ctx)
        whole = Context(candidate(design, boards, circuits))
        worked = work_circuits(whole, feeds_of(whole, work_out(whole, budgets(whole))))
        return propose_circuits(whole, boards, worked, len(design.wiring.circuits))
    if (group == "panel" and design.wiring.panel is not None) or (group == "lighting" and design.wiring.zones):
        return []
    if group == "lighting":
        return propose_lighting(ctx)
    uses = budgets(ctx)
    if group == "panel":
        plate = propose_panel(ctx, work_circuits(ctx, feeds_of(ctx, work_out(ctx, uses))))
        return [plate] if plate is not None else []
    if group == "solar":
        return propose_solar(ctx, uses) if design.life.appliances else []
    one = {"inverter": propose_inverter, "bank": propose_bank, "driving": propose_driving, "shore": propose_shore}[group](ctx, uses)
    return [one] if one is not None else []


def propose(design: Design) -> list[Proposal]:
    """All proposals on the design as it stands, in the order in which they are best taken."""
    return [p for g in GROUPS for p in propose_group(design, g)]


def reasons(design: Design, group: Group, id: str) -> Reasons | None:
    """Why one proposal of a group is made, in full; None when it isn't made (any more)."""
    return next((p.told() for p in propose_group(design, group) if p.id == id), None)


MOST_ROUNDS = 6
"""Rounds after which taking stops; proposals settle in two or three."""


def accept(design: Design, ids: list[str] | None = None, groups: list[Group] | None = None) -> tuple[Design, list[str]]:
    """Take proposals (all that ask for something when ``ids`` is None), each on the design the earlier ones made.

    All, or all of some groups, are taken round after round until nothing is left to take, so that the result is the same in
    whatever order they were taken before: a source that is proposed late makes the cables follow. What is only offered is taken
    when it is named. Returns the design and the ids taken. What was typed stays: such proposals have nothing to take.
    """
    taken: list[str] = []
    for _ in range(MOST_ROUNDS if ids is None else 1):
        before = len(taken)
        for group in GROUPS if groups is None else [g for g in GROUPS if g in groups]:
            for p in propose_group(design, group):
                if not p.patch or (p.status == "offer" if ids is None else p.id not in ids):
                    continue
                boards = {b.id for b in design.wiring.boards}
                ops = [op for op in p.patch if not (op["path"] == "/wiring/boards/-" and op["value"]["id"] in boards)]
                design = apply_patch(design, ops, by_proposal=True)
                taken.append(p.id)
        if len(taken) == before:
            break
    return design, list(dict.fromkeys(taken))

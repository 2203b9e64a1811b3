"""From a failing step or a symptom to its case, and on to the cause."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence

from pydantic import BaseModel

from bothy.core.commissioning.source import Source
from bothy.core.contract import BadInput
from bothy.core.faults.case import Answer, Case, FinderPart, search
from bothy.core.faults.electric import electric_case, model_of, observed_of
from bothy.core.faults.symptoms import gas_case, symptoms, table_case, water_case
from bothy.core.words.says import faults_says as says

BY_STEP = {
    "s9-restart": "pump-cycles",
    "s9-hot": "no-hot",
    "s9-gauge": "gauge-stuck",
    "s10-flame": "gas-weak",
    "s10-failure": "flame-out",
    "s11-start": "heater-no-start",
    "s13-fridge": "fridge-warm",
    "s4-idle": "standby",
    "s4-precharge": "inverter-trips",
    "s6-half": "inverter-trips",
    "s8-solar": "solar-low",
    "s8-charge": "driving-idle",
    "s7-residual": "rcd-trips",
}
"""The kind of a failing step -> the symptom that it is."""


class Start(BaseModel):
    """Something that a search can begin with."""

    key: str
    title: str
    field: str


def starts(src: Source) -> list[Start]:
    """Everything that can be searched in this design: its circuits, its outlets of water and gas, then the symptoms of the table."""
    out = [
        Start(key=f"circuit:{c.id}", title=says("dark-weak-or-fuse", code=p.code, c_name=c.name), field="wiring")
        for c, p in src.low
        if c.kind == "load" and model_of(src, c) is not None
    ]
    out += [
        Start(key=f"tap:{r.id}", title=says("too-little-water", r_name=r.name), field="water")
        for r in src.ctx.design.water.runs
        if r.outlet not in ("none", "heater")
    ]
    ends = {p.appliance for p in src.ctx.design.gas.pipes}
    out += [Start(key=f"flame:{a.id}", title=says("weak-flame", a_name=a.name), field="gas") for a in src.ctx.design.gas.appliances if a.id in ends]
    return [*out, *(Start(key=f"symptom:{s.key}", title=s.title, field=s.field) for s in symptoms().values())]


def start_of_step(src: Source, step: str) -> str | None:
    """Where the search for a failing step begins."""
    kind, _, of = step.partition(":")
    if kind in ("s5-circuit", "s1-loop", "s1-apart", "s0-circuit"):
        c = src.ctx.design.circuit(of)
        return f"circuit:{of}" if c is not None and c.kind == "load" and model_of(src, c) is not None else None
    if kind == "s9-flow":
        return f"tap:{of}"
    if kind in BY_STEP:
        return f"symptom:{BY_STEP[kind]}"
    return None


def case_of(src: Source, key: str) -> Case:
    """The case that a search begins with. Raises :class:`BadInput` where the design has no such thing."""
    kind, _, of = key.partition(":")
    made: Case | None = None
    if kind == "circuit":
        c = src.ctx.design.circuit(of)
        made = electric_case(src, c, observed_of(src, c)) if c is not None else None
    elif kind == "tap":
        made = water_case(src, of)
    elif kind == "flame":
        made = gas_case(src, of)
    elif kind == "symptom":
        made = table_case(of)
    if made is None:
        raise BadInput("start", says("nothing-that-can-be", key=key))
    return made


def find(src: Source, key: str, answers: Sequence[Answer], licensed: bool = False) -> FinderPart:
    """Where a search stands after answers; what past repairs taught counts."""
    case = case_of(src, key)
    taught = Counter(r.cause.partition("/")[0] for r in src.ctx.facts.repairs)
    return search(case, answers, taught, licensed)

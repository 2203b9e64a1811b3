"""A case: what could be wrong, and the tests that tell; and what is found by the answers so far (methods prove.diagnosis, prove.next-test)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Literal

from pydantic import BaseModel

from bothy.core.contract import BadInput, quick
from bothy.core.proving.diagnosis import LEAST_GAIN, STOP, Test, entropy, learnt_priors, normalised, ranked, updated
from bothy.core.words.says import faults_says as says

TIED = 0.02
"""Predictions closer than this part of a spread in every test can't be told apart."""


@dataclass(frozen=True, slots=True)
class Hypothesis:
    """A fault: its part of the drawing, its class for learning, what to do, and the earliest stage that mending it touches."""

    id: str
    name: str
    prior: float
    kind: str
    repair: str
    stage: str
    element: str = ""


@dataclass(frozen=True, slots=True)
class Probe:
    """A test as a person does it: between which points of the drawing, with which outcomes, and what a sound circuit gives."""

    test: Test
    title: str
    how: str
    unit: str = ""
    a: str = ""
    b: str = ""
    element: str = ""
    sound: str = ""


@dataclass(frozen=True, slots=True)
class Drawn:
    """An element of the drawing, in a row from source to load and back."""

    id: str
    name: str
    kind: str
    a: str
    b: str
    text: str = ""


@dataclass(slots=True)
class Case:
    """All that is known before the first answer."""

    title: str
    subject: str
    hypotheses: list[Hypothesis]
    probes: list[Probe]
    nodes: dict[str, str] = field(default_factory=dict)
    drawn: list[Drawn] = field(default_factory=list)
    caution: str = ""
    first: list[tuple[str, float]] = field(default_factory=list)
    """Readings that were taken already: test and value."""

    def priors(self, repairs: Mapping[str, int]) -> dict[str, float]:
        """What is likely before any answer, with what past repairs taught."""
        start = normalised({h.id: h.prior for h in self.hypotheses})
        if not repairs:
            return start
        kinds: dict[str, float] = {}
        for h in self.hypotheses:
            kinds[h.kind] = kinds.get(h.kind, 0.0) + start[h.id]
        taught = learnt_priors(kinds, {k: repairs.get(k, 0) for k in kinds})
        return normalised({h.id: start[h.id] * taught[h.kind] / kinds[h.kind] for h in self.hypotheses if kinds[h.kind] > 0})


class Answer(BaseModel):
    """An answer to a test: a reading in its unit, or one of its outcomes."""

    test: str
    reading: float | None = None
    outcome: str | None = None


class CausePart(BaseModel):
    id: str
    name: str
    frac: float
    repair: str
    stage: str
    element: str
    like: list[str]


class TestPart(BaseModel):
    """A test that can be done: ``gain`` in bits, None: done already; ``licensed``: not offered to everybody; ``sound``: what a sound circuit gives."""

    __test__ = False
    id: str
    title: str
    how: str
    unit: str
    outcomes: list[str]
    minutes: float
    licensed: bool
    a: str
    b: str
    element: str
    sound: str
    gain: float | None
    answer: str


class ToldPart(BaseModel):
    """What an answer did: the causes that it made improbable, and the most probable one after it."""

    test: str
    title: str
    answer: str
    out: list[str]
    top: str
    top_frac: float


class NodePart(BaseModel):
    id: str
    name: str


class ElementPart(BaseModel):
    id: str
    name: str
    kind: str
    a: str
    b: str
    text: str


class FinderPart(BaseModel):
    """Where the search stands. ``state``: go on with ``best``, mend the first cause, or nothing tells more."""

    title: str
    subject: str
    caution: str
    state: Literal["search", "found", "stuck"]
    said: str
    best: str | None
    causes: list[CausePart]
    tests: list[TestPart]
    told: list[ToldPart]
    nodes: list[NodePart]
    elements: list[ElementPart]
    bits: float
    minutes: float


def alike(case: Case, id: str) -> list[str]:
    """Faults that no test of the case tells from this one."""
    out = []
    for h in case.hypotheses:
        if h.id == id:
            continue
        same = all(
            abs(p.test.predicted[h.id] - p.test.predicted[id]) <= TIED * p.test.sd if p.test.numeric else p.test.rows[h.id] == p.test.rows[id]
            for p in case.probes
        )
        if same:
            out.append(h.id)
    return out


def shown(p: Probe, a: Answer) -> str:
    """An answer as it is said."""
    return a.outcome or f"{a.reading:.4g} {p.unit}".strip()


def _step(case: Case, p: dict[str, float], a: Answer) -> tuple[dict[str, float], Probe]:
    found = next((x for x in case.probes if x.test.id == a.test), None)
    if found is None:
        raise BadInput("test", says("no-test-this-search", test=a.test))
    if found.test.numeric and a.reading is None:
        raise BadInput("reading", says("required-in", found_title=found.title, unit=found.unit))
    if not found.test.numeric and a.outcome not in found.test.outcomes:
        raise BadInput("outcome", says("must-be-one", found_title=found.title, outcomes=", ".join(found.test.outcomes)))
    if a.reading is not None and abs(a.reading) > 50 * found.test.span:
        raise BadInput("reading", says("far-outside-what-meter", found_title=found.title, unit=found.unit))
    return updated(p, found.test, a.outcome, a.reading)[0], found


def search(case: Case, answers: Sequence[Answer], repairs: Mapping[str, int], licensed: bool = False) -> FinderPart:
    """The state of a search after answers. Raises :class:`BadInput` naming a test or answer that it doesn't have."""
    names = {h.id: h.name for h in case.hypotheses}
    p = case.priors(repairs)
    told: list[ToldPart] = []
    minutes = 0.0
    for n, a in enumerate([*(Answer(test=t, reading=v) for t, v in case.first), *answers]):
        before = p
        p, probe = _step(case, p, a)
        minutes += probe.test.minutes if n >= len(case.first) else 0.0
        top = max(p, key=lambda k: p[k])
        out = [names[k] for k in p if before[k] >= 0.02 and p[k] < 0.005]
        told.append(ToldPart(test=a.test, title=probe.title, answer=shown(probe, a), out=out, top=names[top], top_frac=p[top]))
    done = {a.test for a in answers} | {t for t, _ in case.first}
    open_ = [x for x in case.probes if x.test.id not in done and (licensed or not x.test.licensed)]
    order = {r.id: r for r in ranked(p, [x.test for x in open_])}
    best = next((k for k, r in order.items() if r.gain >= LEAST_GAIN), None)
    causes = sorted(case.hypotheses, key=lambda h: -round(p[h.id], 9))
    first = causes[0]
    group = [first.id, *alike(case, first.id)]
    held = sum(p[k] for k in group)
    state: Literal["search", "found", "stuck"] = "found" if held >= STOP else "search" if best else "stuck"
    if state == "found":
        best = None
    return quick(
        FinderPart,
        title=case.title,
        subject=case.subject,
        caution=case.caution,
        state=state,
        said=_said(case, state, best, causes, p, group),
        best=best,
        causes=[
            quick(
                CausePart,
                id=h.id,
                name=h.name,
                frac=p[h.id],
                repair=h.repair,
                stage=h.stage,
                element=h.element,
                like=[names[k] for k in alike(case, h.id)] if p[h.id] > 0.05 else [],
            )
            for h in causes
        ],
        tests=[_test(x, order[x.test.id].gain if x.test.id in order else None, answers) for x in case.probes if licensed or not x.test.licensed],
        told=told,
        nodes=[NodePart(id=k, name=v) for k, v in case.nodes.items()],
        elements=[ElementPart(id=e.id, name=e.name, kind=e.kind, a=e.a, b=e.b, text=e.text) for e in case.drawn],
        bits=entropy(list(p.values())),
        minutes=minutes,
    )


def _test(x: Probe, gain: float | None, answers: Sequence[Answer]) -> TestPart:
    given = next((a for a in answers if a.test == x.test.id), None)
    return quick(
        TestPart,
        id=x.test.id,
        title=x.title,
        how=x.how,
        unit=x.unit,
        outcomes=list(x.test.outcomes),
        minutes=x.test.minutes,
        licensed=x.test.licensed,
        a=x.a,
        b=x.b,
        element=x.element,
        sound=x.sound,
        gain=gain,
        answer=shown(x, given) if given else "",
    )


def _said(case: Case, state: str, best: str | None, causes: Sequence[Hypothesis], p: Mapping[str, float], group: Sequence[str]) -> str:
    first = causes[0]
    if state == "found":
        if first.kind == "none":
            return says("nothing-wrong-but-expectation")
        others = [h.name for h in causes if h.id in group[1:] and p[h.id] > 0.02]
        more = says("or-meter-doesnt-tell", others=" or ".join(others)) if others else ""
        return says(
            "then-prove-again-from", first_name=first.name[0].upper(), first_name_2=first.name[1:], more=more, repair=first.repair, stage=first.stage.upper()
        )
    if state == "stuck":
        left = " or ".join(h.name for h in causes if p[h.id] > 0.1)
        return says("no-test-tells-more", left=left)
    probe = next(x for x in case.probes if x.test.id == best)
    where = says("red-on-black-on", nodes=case.nodes[probe.a], nodes_2=case.nodes[probe.b]) if probe.a and probe.b else ""
    joined = " " if probe.title.endswith("?") and not where else ": "
    return says("tells-most-for-time", probe_title=probe.title, joined=joined, where=where, minutes_min=probe.test.minutes)

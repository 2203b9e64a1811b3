"""A rig as it is played: which there are, and what one shows after all that was done on it (method prove.practice)."""

from __future__ import annotations

from bothy.core.commissioning.source import Source
from bothy.core.contract import BadInput, quick
from bothy.core.faults.pipe_rig import pipe_rig, pipe_rigs
from bothy.core.faults.practice import MINUTES, ActPart, Guess, Kind, Rig, RigAct, RigAsk, RigPart, RigRow, ScorePart, best_path, score
from bothy.core.faults.rig import wire_rig, wire_rigs
from bothy.core.words.says import faults_says as says


def rigs(src: Source) -> list[RigRow]:
    """What can be practised on: the built-in ones, wires before pipes, then what this vehicle has."""
    wires, own = wire_rigs(src)
    pipes, own_pipes = pipe_rigs(src)
    return [*wires, *pipes, *own, *own_pipes]


def rig_of(src: Source, key: str, seed: int) -> Rig:
    """A rig with the fault that the seed hides. Raises :class:`BadInput` where there is no such rig."""
    found = wire_rig(src, key, seed) or pipe_rig(src, key, seed)
    if found is None:
        raise BadInput("rig", says("no-rig-this-design", key=key))
    return found


def kinds_of(rig: Rig) -> list[Kind]:
    """What can be said to be wrong, each once whatever its size."""
    names = {e.id: e.name for e in rig.elements()}
    out: dict[tuple[str, str], Kind] = {}
    for h in rig.hypotheses:
        k = rig.kind_of(h.id)
        out.setdefault((h.element, k), Kind(element=h.element, element_name=names.get(h.element, h.element), fault=k, name=h.name.split(", about")[0]))
    return list(out.values())


def _done(rig: Rig, acts: list[RigAct]) -> list[ActPart]:
    out: list[ActPart] = []
    hints = 0
    for a in acts:
        if a.act != "hint":
            out.append(rig.do(a))
            continue
        step = next(iter(best_path(rig)[hints:]), None)
        hints += 1
        out.append(ActPart(said=says("measure", step_title=step.title) if step else says("nothing-tells-more"), minutes=MINUTES["hint"], unsafe=""))
    return out


def _scored(rig: Rig, guess: Guess, minutes: float, unsafe: int) -> ScorePart:
    h = rig.hidden
    if not any(k.element == guess.element and k.fault == guess.fault for k in kinds_of(rig)):
        raise BadInput("fault", says("nothing-that-can-be-wrong", fault=guess.fault, element=guess.element))
    right = 0.0 if guess.element != h.element else 1.0 if guess.fault == rig.kind_of(h.id) else 0.5
    path = best_path(rig)
    best = sum(x.minutes for x in path)
    return ScorePart(
        right=right, minutes=minutes, best_minutes=best, unsafe=unsafe, score=score(right, minutes, best, unsafe), truth=h.name, repair=h.repair, path=path
    )


def play(src: Source, ask: RigAsk) -> RigPart:
    """A rig after all that was done on it. Raises :class:`BadInput` naming what it doesn’t have."""
    rig = rig_of(src, ask.rig, ask.seed)
    acts = _done(rig, ask.acts)
    minutes, unsafe = sum(a.minutes for a in acts), sum(bool(a.unsafe) for a in acts)
    return quick(
        RigPart,
        title=rig.title,
        seed=ask.seed,
        level=rig.level,
        medium=rig.medium,
        complaint=rig.complaint(),
        caution=rig.caution,
        nodes=rig.nodes(),
        elements=rig.elements(),
        probed=rig.probed(),
        offers=rig.offers(),
        acts=acts,
        minutes=minutes,
        unsafe=unsafe,
        shut=rig.shut(),
        kinds=kinds_of(rig),
        score=_scored(rig, ask.guess, minutes, unsafe) if ask.guess is not None else None,
    )

"""Symptoms with their causes and the tests that part them, from a table; a weak tap or flame from the very pipes of the design."""

from __future__ import annotations

from collections.abc import Iterable
from functools import cache
from typing import NamedTuple

from bothy.core.catalogue.table import Row, rows, shipped
from bothy.core.commissioning.source import Source
from bothy.core.faults.case import Case, Drawn, Hypothesis, Probe
from bothy.core.proving.diagnosis import Test

OTHER = 0.04
"""What is always left for a cause that the table doesn’t know."""
CAUTIONS = {
    "gas": "A smell of gas: no switch, no flame, shut the bottle, doors open, out. Nothing on the gas is loosened without the licensed person.",
    "wiring": "Mains: no cover is opened. What needs one is the licensed person’s.",
    "warmth": "Burners only with fresh air and a certified CO alarm; what is hot burns.",
    "power": "Batteries drive hundreds of amps: rings off, isolate before anything is loosened. Panels are live in light.",
    "water": "Pump off before a joint is opened; hot water scalds.",
    "life": "Unplug before a cover is opened.",
}


class Symptom(NamedTuple):
    """A symptom: what is seen, its field, and the case that it opens."""

    key: str
    title: str
    field: str


@cache
def _causes() -> dict[str, list[Row]]:
    out: dict[str, list[Row]] = {}
    for r in rows("symptom_causes.csv", shipped("symptom_causes.csv"), "key"):
        out.setdefault(r.text("symptom"), []).append(r)
    return out


@cache
def _tests() -> dict[str, list[Row]]:
    out: dict[str, list[Row]] = {}
    for r in rows("symptom_tests.csv", shipped("symptom_tests.csv"), "key"):
        out.setdefault(r.text("symptom"), []).append(r)
    return out


@cache
def symptoms() -> dict[str, Symptom]:
    """All symptoms of the table."""
    return {k: Symptom(k, rs[0].text("title"), rs[0].text("field")) for k, rs in _causes().items()}


def _row(r: Row, outcomes: tuple[str, ...], text: str) -> dict[str, float]:
    try:
        parts = [float(x) for x in text.split("/")]
    except ValueError:
        raise r.wrong("rows", f"“{text}” is not a number") from None
    if len(parts) == 1 and len(outcomes) == 2:
        parts = [parts[0], 1 - parts[0]]
    if len(parts) != len(outcomes) or abs(sum(parts) - 1) > 0.001:
        raise r.wrong("rows", f"“{text}” must be one part for each of {len(outcomes)} outcomes and add to 1")
    return dict(zip(outcomes, parts, strict=True))


def _probe(r: Row, ids: Iterable[str]) -> Probe:
    outcomes = tuple(r.text("outcomes").split("|"))
    said = dict(x.split("=") for x in r.text("rows").split(";"))
    usual = r.text("else")
    even = {o: 1 / len(outcomes) for o in outcomes}
    table = {i: _row(r, outcomes, said[i]) if i in said else _row(r, outcomes, usual) if usual and i != "other" else even for i in ids}
    licensed = r.text("licensed") == "1"
    return Probe(Test(r.text("test"), r.number("minutes"), licensed, outcomes, table), r.text("title"), r.text("how"), sound=outcomes[0])


def table_case(key: str) -> Case | None:
    """The case of a symptom of the table."""
    causes = _causes().get(key)
    if causes is None:
        return None
    hypotheses = [
        Hypothesis(r.text("cause"), r.text("name"), (1 - OTHER) * r.number("share"), r.text("kind"), r.text("repair"), r.text("stage")) for r in causes
    ]
    hypotheses.append(
        Hypothesis(
            "other", "something that isn’t in this list", OTHER, "other", "Ask somebody who knows it; write down what you found.", causes[0].text("stage")
        )
    )
    ids = [h.id for h in hypotheses]
    field = causes[0].text("field")
    return Case(causes[0].text("title"), key, hypotheses, [_probe(r, ids) for r in _tests().get(key, [])], caution=CAUTIONS.get(field, ""))


class Branch(NamedTuple):
    """A piece of pipe of the tree and what hangs on its end."""

    id: str
    name: str
    parent: str | None
    end: str
    end_name: str


def weak_case(
    title: str, subject: str, branches: list[Branch], common: list[Hypothesis], common_tests: list[Probe], word: str, stage: str, caution: str
) -> Case | None:
    """A weak outlet of a tree of pipes: each piece of its way can be blocked, and what the others on that way do tells which."""
    by_id = {b.id: b for b in branches}
    at = next((b for b in branches if b.end == subject), None)
    if at is None:
        return None
    way: list[Branch] = []
    step: Branch | None = at
    while step is not None and step not in way:
        way.insert(0, step)
        step = by_id.get(step.parent) if step.parent else None
    pieces = [
        Hypothesis(
            f"pipe:{b.id}",
            f"{b.name}: blocked, kinked or a valve half shut",
            0.5 / len(way),
            "blocked",
            "Open it at both ends and look through; straighten the kink.",
            stage,
            b.id,
        )
        for b in way
    ]
    outlet = Hypothesis("outlet", f"{at.end_name}: its own {word}", 0.2, "outlet", "Unscrew and clean it.", stage, at.id)
    hypotheses = [*common, *pieces, outlet]
    shared = {h.id for h in common}

    def upstream(b: Branch) -> set[str]:
        found: set[str] = set()
        now: Branch | None = b
        while now is not None and now.id not in found:
            found.add(now.id)
            now = by_id.get(now.parent) if now.parent else None
        return found

    probes = list(common_tests)
    for b in branches:
        if b.end and b.end != subject:
            over = upstream(b)
            weak = {h.id: 0.92 if h.id in shared or (h.element in over and h.id != "outlet") else 0.04 for h in hypotheses}
            table = {k: {"good": 1 - v, "weak too": v} for k, v in weak.items()}
            probes.append(
                Probe(
                    Test(f"at:{b.end}"[:60], 2.0, outcomes=("good", "weak too"), rows=table),
                    f"Try {b.end_name}",
                    "Alone, fully open.",
                    element=b.id,
                    sound="good",
                )
            )
    clean = {h.id: {"clean": 0.1 if h.id == "outlet" else 0.97, "blocked": 0.9 if h.id == "outlet" else 0.03} for h in hypotheses}
    probes.append(Probe(Test("own", 3.0, outcomes=("clean", "blocked"), rows=clean), f"Look at {at.end_name}’s own {word}", "", element=at.id, sound="clean"))
    drawn = [Drawn(b.id, b.name, "resistor", b.parent or "source", b.id, b.end_name) for b in way]
    nodes = {"source": "source", **{b.id: b.end_name or b.name for b in way}}
    return Case(title, subject, hypotheses, probes, nodes, drawn, caution)


def _all(ids: Iterable[str], good: str, bad: str, **bad_at: float) -> dict[str, dict[str, float]]:
    return {i: {good: 1 - bad_at.get(i, 0.04), bad: bad_at.get(i, 0.04)} for i in ids}


def water_case(src: Source, tap: str) -> Case | None:
    """A tap of the design that gives too little."""
    w = src.ctx.design.water
    branches = [
        Branch(r.id, r.name, r.parent, r.id if r.outlet not in ("none", "heater") else "", r.name if r.outlet not in ("none", "heater") else "") for r in w.runs
    ]
    common = [
        Hypothesis("pump", "the pump is weak or its voltage low", 0.14, "pump", "Measure volts at its plug while it runs; then change it.", "s9"),
        Hypothesis("airlock", "air in the suction pipe", 0.12, "airlock", "Tighten the suction side, open the highest tap.", "s9"),
        Hypothesis("strainer", "the strainer or a filter is blocked", 0.18, "blocked", "Clean the strainer, change the filter.", "s9"),
        Hypothesis("tank", "the tank is nearly empty", 0.16, "empty", "Fill it.", "s9"),
    ]
    at = next((b for b in branches if b.end == tap), None)
    if at is None:
        return None
    ids = [h.id for h in common] + [f"pipe:{b.id}" for b in branches] + ["outlet"]
    tests = [
        Probe(Test("level", 2.0, outcomes=("enough", "low"), rows=_all(ids, "enough", "low", tank=0.97)), "Look into the tank", "", sound="enough"),
        Probe(
            Test("bowl", 4.0, outcomes=("clean", "dirty"), rows=_all(ids, "clean", "dirty", strainer=0.9)),
            "Open the strainer’s bowl",
            "Pump off.",
            sound="clean",
        ),
        Probe(
            Test("bubbles", 2.0, outcomes=("none", "bubbles"), rows=_all(ids, "none", "bubbles", airlock=0.85, tank=0.4)),
            "Bubbles or spitting at the tap?",
            "",
            sound="none",
        ),
        Probe(
            Test("volts", 4.0, outcomes=("as at the board", "low"), rows=_all(ids, "as at the board", "low", pump=0.55)),
            "Volts at the pump while it runs",
            "",
            sound="as at the board",
        ),
    ]
    return weak_case(f"{at.end_name}: too little water", tap, branches, common, tests, "sieve or cartridge", "s9", CAUTIONS["water"])


def gas_case(src: Source, appliance: str) -> Case | None:
    """An appliance of the design whose flame is weak. What opens the gas is only offered to the licensed person."""
    g = src.ctx.design.gas
    names = {a.id: a.name for a in g.appliances}
    branches = [Branch(p.id, p.name, p.parent, p.appliance or "", names.get(p.appliance or "", "")) for p in g.pipes]
    if not any(b.end == appliance for b in branches):
        return None
    common = [
        Hypothesis("bottle", "the bottle is empty or too cold", 0.25, "bottle", "Change or warm it; propane instead of butane in frost.", "s10"),
        Hypothesis("valve", "a valve is half shut, or the hose’s safety valve has tripped", 0.2, "valve", "Shut all, wait, open slowly.", "s10"),
        Hypothesis("regulator", "the regulator is worn or icy", 0.12, "regulator", "The licensed person changes it.", "s10"),
    ]
    ids = [h.id for h in common] + [f"pipe:{b.id}" for b in branches] + ["outlet"]
    tests = [
        Probe(
            Test("weigh", 4.0, outcomes=("gas in it", "empty"), rows=_all(ids, "gas in it", "empty", bottle=0.65)),
            "Weigh the bottle",
            "Its tare is stamped on it.",
            sound="gas in it",
        ),
        Probe(
            Test("frost", 1.0, outcomes=("none", "frost"), rows=_all(ids, "none", "frost", bottle=0.4, regulator=0.4)),
            "Frost on bottle or regulator?",
            "Look only.",
            sound="none",
        ),
        Probe(
            Test("reset", 3.0, outcomes=("still weak", "good again"), rows=_all(ids, "still weak", "good again", valve=0.75)),
            "Shut all, wait a minute, open slowly",
            "",
            sound="still weak",
        ),
        Probe(
            Test("pressure", 10.0, True, ("right", "low"), _all(ids, "right", "low", regulator=0.9, bottle=0.8, valve=0.75)),
            "Pressure behind the regulator with everything burning",
            "The licensed person.",
            sound="right",
        ),
    ]
    return weak_case(f"{names[appliance]}: weak flame", appliance, branches, common, tests, "burner or jet", "s10", CAUTIONS["gas"])

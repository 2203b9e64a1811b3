"""Symptoms with their causes and the tests that part them, from a table; a weak tap or flame from the very pipes of the design."""

from __future__ import annotations

from collections.abc import Iterable
from functools import cache
from typing import NamedTuple

from bothy.core.catalogue.table import Row, rows, shipped
from bothy.core.commissioning.source import Source
from bothy.core.faults.case import Case, Drawn, Hypothesis, Probe
from bothy.core.proving.diagnosis import Test
from bothy.core.words.says import faults_says as says

OTHER = 0.04
"""What is always left for a cause that the table doesn’t know."""
CAUTIONS = {
    "gas": says("smell-gas-no-switch"),
    "wiring": says("mains-no-cover-opened"),
    "warmth": says("burners-only-with-fresh"),
    "power": says("batteries-drive-hundreds-amps"),
    "water": says("pump-off-before-joint"),
    "life": says("unplug-before-cover-opened"),
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
        raise r.wrong("rows", says("not-number", text=text)) from None
    if len(parts) == 1 and len(outcomes) == 2:
        parts = [parts[0], 1 - parts[0]]
    if len(parts) != len(outcomes) or abs(sum(parts) - 1) > 0.001:
        raise r.wrong("rows", says("must-be-one-part", text=text, outcomes_count=len(outcomes)))
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
    hypotheses.append(Hypothesis("other", says("something-that-isnt-in"), OTHER, "other", says("ask-somebody-who-knows"), causes[0].text("stage")))
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
            says("blocked-kinked-or-valve", b_name=b.name),
            0.5 / len(way),
            "blocked",
            says("open-at-both-ends"),
            stage,
            b.id,
        )
        for b in way
    ]
    outlet = Hypothesis("outlet", says("own", end_name=at.end_name, word=word), 0.2, "outlet", says("unscrew-and-clean"), stage, at.id)
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
                    Test(f"at:{b.end}"[:60], 2.0, outcomes=("good", says("weak-too")), rows=table),
                    says("try", end_name=b.end_name),
                    says("alone-fully-open"),
                    element=b.id,
                    sound="good",
                )
            )
    clean = {h.id: {"clean": 0.1 if h.id == "outlet" else 0.97, "blocked": 0.9 if h.id == "outlet" else 0.03} for h in hypotheses}
    probes.append(
        Probe(
            Test("own", 3.0, outcomes=("clean", "blocked"), rows=clean), says("look-at-own", end_name=at.end_name, word=word), "", element=at.id, sound="clean"
        )
    )
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
        Hypothesis("pump", says("pump-weak-or-voltage"), 0.14, "pump", says("measure-volts-at-plug"), "s9"),
        Hypothesis("airlock", says("air-in-suction-pipe"), 0.12, "airlock", says("tighten-suction-side-open"), "s9"),
        Hypothesis("strainer", says("strainer-or-filter-blocked"), 0.18, "blocked", says("clean-strainer-change-filter"), "s9"),
        Hypothesis("tank", says("tank-nearly-empty"), 0.16, "empty", says("fill"), "s9"),
    ]
    at = next((b for b in branches if b.end == tap), None)
    if at is None:
        return None
    ids = [h.id for h in common] + [f"pipe:{b.id}" for b in branches] + ["outlet"]
    tests = [
        Probe(Test("level", 2.0, outcomes=("enough", "low"), rows=_all(ids, "enough", "low", tank=0.97)), says("look-into-tank"), "", sound="enough"),
        Probe(
            Test("bowl", 4.0, outcomes=("clean", "dirty"), rows=_all(ids, "clean", "dirty", strainer=0.9)),
            says("open-strainers-bowl"),
            says("pump-off"),
            sound="clean",
        ),
        Probe(
            Test("bubbles", 2.0, outcomes=("none", "bubbles"), rows=_all(ids, "none", "bubbles", airlock=0.85, tank=0.4)),
            says("bubbles-or-spitting-at"),
            "",
            sound="none",
        ),
        Probe(
            Test("volts", 4.0, outcomes=(says("as-at-board"), "low"), rows=_all(ids, says("as-at-board"), "low", pump=0.55)),
            says("volts-at-pump-while"),
            "",
            sound=says("as-at-board"),
        ),
    ]
    return weak_case(says("too-little-water-2", end_name=at.end_name), tap, branches, common, tests, says("sieve-or-cartridge"), "s9", CAUTIONS["water"])


def gas_case(src: Source, appliance: str) -> Case | None:
    """An appliance of the design whose flame is weak. What opens the gas is only offered to the licensed person."""
    g = src.ctx.design.gas
    names = {a.id: a.name for a in g.appliances}
    branches = [Branch(p.id, p.name, p.parent, p.appliance or "", names.get(p.appliance or "", "")) for p in g.pipes]
    if not any(b.end == appliance for b in branches):
        return None
    common = [
        Hypothesis("bottle", says("bottle-empty-or-too"), 0.25, "bottle", says("change-or-warm-propane"), "s10"),
        Hypothesis("valve", says("valve-half-shut-or"), 0.2, "valve", says("shut-all-wait-open-slowly"), "s10"),
        Hypothesis("regulator", says("regulator-worn-or-icy"), 0.12, "regulator", says("licensed-person-changes"), "s10"),
    ]
    ids = [h.id for h in common] + [f"pipe:{b.id}" for b in branches] + ["outlet"]
    tests = [
        Probe(
            Test("weigh", 4.0, outcomes=(says("gas-in"), "empty"), rows=_all(ids, says("gas-in"), "empty", bottle=0.65)),
            says("weigh-bottle"),
            says("tare-stamped-on"),
            sound=says("gas-in"),
        ),
        Probe(
            Test("frost", 1.0, outcomes=("none", "frost"), rows=_all(ids, "none", "frost", bottle=0.4, regulator=0.4)),
            says("frost-on-bottle-or"),
            says("look-only"),
            sound="none",
        ),
        Probe(
            Test("reset", 3.0, outcomes=(says("still-weak"), says("good-again")), rows=_all(ids, says("still-weak"), says("good-again"), valve=0.75)),
            says("shut-all-wait-minute-open"),
            "",
            sound=says("still-weak"),
        ),
        Probe(
            Test("pressure", 10.0, True, ("right", "low"), _all(ids, "right", "low", regulator=0.9, bottle=0.8, valve=0.75)),
            says("pressure-behind-regulator-with"),
            says("licensed-person"),
            sound="right",
        ),
    ]
    return weak_case(says("weak-flame-2", names=names[appliance]), appliance, branches, common, tests, says("burner-or-jet"), "s10", CAUTIONS["gas"])

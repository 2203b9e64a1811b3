"""Readings that were judged against another design than today's: what was expected then, and what is expected now."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from bothy.core.facts.evidence import Judged
from bothy.core.finding import Finding, finding, rule
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.proving.sheet import SheetRow
from bothy.core.wiring.loop_test import LoopRow
from bothy.core.words.says import proving_says as says

MOVED: dict[str, tuple[float, float, str]] = {
    "expected_a": (0.02, 0.05, "A"),
    "expected_v": (0.0, 0.05, "V"),
    "expected_mohm": (0.03, 1.0, "mΩ"),
}
"""Expected figure -> from which part of it, and from how much at least, it counts as another one; unit. Less than any meter on the sheet tells apart."""

rule("test-outdated", "advice", "prove", Method("prove.verdict") + OwnChoice("a reading proves the circuit that it was taken on"))


def expected_of(row: SheetRow | None, loop: LoopRow | None) -> dict[str, float]:
    """What a reading of a circuit is judged against: A and V with power on, mΩ of the loop."""
    found = {
        "expected_a": row.expected_a if row else None,
        "expected_v": row.expected_v if row else None,
        "expected_mohm": loop.expected_mohm if loop else None,
    }
    return {k: v for k, v in found.items() if v is not None}


def _moved(then: Mapping[str, float], now: Mapping[str, float]) -> list[str]:
    said = []
    for key, (part, least, unit) in MOVED.items():
        if key in then and key in now and abs(now[key] - then[key]) > max(least, part * abs(then[key])):
            said.append(says("were-expected-today", then=then[key], unit=unit, now=now[key]))
    return said


def mark_outdated(rows: list[SheetRow], loops: Mapping[str, LoopRow], judged: Mapping[tuple[str, str], Judged]) -> tuple[list[SheetRow], list[Finding]]:
    """The rows with the revision that each reading was judged against, and a finding for each whose expectation has changed since."""
    out, found = [], []
    for row in rows:
        j = judged.get(("reading", row.circuit))
        if j is not None:
            moved = _moved(j.expected, expected_of(row, loops.get(row.circuit)))
            row = row.model_copy(update={"judged_revision": j.revision, "expected_then": j.expected, "outdated": bool(moved)})
            if moved:
                told = says("this-was-read-on", revision=j.revision, moved="; ".join(moved))
                found.append(finding("test-outdated", row.circuit, f"{row.code} {row.name}", told))
        out.append(row)
    known = {r.circuit for r in rows}
    for circuit, loop in loops.items():
        j = judged.get(("reading", circuit))
        if circuit not in known and j is not None and (moved := _moved(j.expected, {"expected_mohm": loop.expected_mohm})):
            told = says("this-was-read-on", revision=j.revision, moved="; ".join(moved))
            found.append(finding("test-outdated", circuit, f"{loop.code} {loop.name}", told))
    return out, found


VERDICTS = ("test-fail", "test-marginal", "test-current-band", "test-meter-weak", "test-excess-joint", "test-below-prediction", "wire-test-failed")
"""What a reading says of the circuit that it was taken on, and no longer of another one."""


def still_true(found: Iterable[Finding], old: Iterable[Finding]) -> list[Finding]:
    """Findings without the verdicts of readings that are older than their circuit: those are read again, not judged."""
    stale = {f.subject for f in old if f.rule == "test-outdated"}
    return [f for f in found if not (f.subject in stale and f.rule in VERDICTS)]

"""The loop test of the design's circuits: what the ohm-meter should read, and the verdict on what was read (method wiring.loop-test)."""

from __future__ import annotations

from functools import lru_cache
from typing import NamedTuple

from pydantic import BaseModel

from bothy.core.contract import EPS, quick
from bothy.core.design.document import Design
from bothy.core.design.wiring import Circuit
from bothy.core.facts.document import Facts
from bothy.core.finding import Finding, finding, rules
from bothy.core.method.sources import Method
from bothy.core.wiring.circuit import CircuitPart
from bothy.core.wiring.continuity import LoopCircuit, LoopContinuityIn, LoopVerdict, loop_continuity
from bothy.core.words.says import wiring_says as says

rules("prove", (("wire-test-failed", "fault", Method("wiring.buying")),))

CAUSES: dict[str, str] = {
    "high": says("likely-causes-bad-crimp"),
    "short": says("cores-touch-before-far"),
    "open": says("far-ends-arent-joined"),
}


class LoopRow(BaseModel):
    """The loop test of one circuit, power off and far ends twisted together; resistances in mΩ with the meter's leads."""

    circuit: str
    code: str
    name: str
    expected_mohm: float
    low_mohm: float
    high_mohm: float
    resolvable: bool
    loaded_drop_v: float
    measured_mohm: float | None
    verdict: LoopVerdict | None


def testable(c: Circuit, p: CircuitPart) -> bool:
    """Whether a circuit has a loop of its own to measure."""
    return c.sized and not p.ac and c.return_path == "cable" and p.length_m > EPS


class _Loop(NamedTuple):
    expected_mohm: float
    low_mohm: float
    high_mohm: float
    resolvable: bool
    loaded_drop_v: float
    verdict: LoopVerdict | None


@lru_cache(2048)
def _tested(
    size: tuple[float | None, str | None],
    tinned: bool,
    length_m: float,
    current_a: float,
    measured_mohm: float | None,
    meter: tuple[float, float, float],
) -> _Loop:
    """One loop; ``size`` as area and gauge, ``meter`` as copper's temperature, resistance of its leads, and its last digit. A report asks twice for each."""
    temp_c, leads_mohm, resolution_mohm = meter
    one = LoopCircuit.trusted(id="c", area_mm2=size[0], awg=size[1], tinned=tinned, length_m=length_m, current_a=current_a, measured_mohm=measured_mohm)
    out = loop_continuity(LoopContinuityIn.trusted(test_temp_c=temp_c, lead_resistance_mohm=leads_mohm, meter_resolution_mohm=resolution_mohm, circuits=[one]))
    return _Loop(out.expected_mohm["c"], out.low_mohm["c"], out.high_mohm["c"], out.resolvable["c"], out.loaded_drop_v["c"] or 0.0, out.verdict["c"])


def loop_rows(design: Design, facts: Facts, circuits: list[tuple[Circuit, CircuitPart]]) -> list[LoopRow]:
    """The test of every circuit that has a loop, with the verdict where a reading was typed in."""
    read = {r.circuit: r.loop_mohm for r in facts.readings}
    m = design.prove.meter
    meter = (m.loop_temp_c, m.loop_leads_mohm, m.loop_resolution_mohm)
    return [
        quick(
            LoopRow,
            circuit=c.id,
            code=p.code,
            name=c.name,
            measured_mohm=read.get(c.id),
            **_tested((c.area_mm2, c.awg), c.tinned, p.length_m / c.parallel_count, p.current_a, read.get(c.id), meter)._asdict(),
        )
        for c, p in circuits
        if testable(c, p)
    ]


def work_loops(design: Design, facts: Facts, parts: dict[str, CircuitPart]) -> tuple[dict[str, LoopRow], list[Finding]]:
    """Verdicts on the loop readings that were typed in, by circuit, and the findings of those that fail."""
    read = [c for r in facts.readings if r.loop_mohm is not None and (c := design.circuit(r.circuit)) is not None]
    rows = loop_rows(design, facts, [(c, parts[c.id]) for c in read])
    out = []
    for row in rows:
        if row.verdict in ("high", "short", "open"):
            told = says(
                "loop-measured-to-right", measured_mohm=row.measured_mohm or 0, low_mohm=row.low_mohm, high_mohm=row.high_mohm, causes=CAUSES[row.verdict]
            )
            out.append(finding("wire-test-failed", row.circuit, f"{row.code} {row.name}", told))
    return {row.circuit: row for row in rows}, out

"""The loop test of the design's circuits: what the ohm-meter should read, and the verdict on what was read (method wiring.loop-test)."""

from __future__ import annotations

from pydantic import BaseModel

from bothy.core.contract import EPS
from bothy.core.design.document import Design
from bothy.core.design.wiring import Circuit
from bothy.core.facts.document import Facts
from bothy.core.finding import Finding, finding, rules
from bothy.core.method.sources import Method
from bothy.core.wiring.circuit import CircuitPart
from bothy.core.wiring.continuity import LoopCircuit, LoopContinuityIn, LoopVerdict, loop_continuity

rules("prove", (("wire-test-failed", "fault", "The loop test fails", "Find the joint, crimp it anew, measure again.", Method("wiring.buying")),))

CAUSES: dict[str, str] = {
    "high": "A bad crimp, a thinner cable than planned, or a longer way.",
    "short": "The cores touch before the far end, or the cable is shorter than the design says.",
    "open": "Not joined: the far ends are apart, or a conductor is broken.",
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


def loop_rows(design: Design, facts: Facts, circuits: list[tuple[Circuit, CircuitPart]]) -> list[LoopRow]:
    """The test of every circuit that has a loop, with the verdict where a reading was typed in."""
    tested = {c.id: (c, p) for c, p in circuits if testable(c, p)}
    if not tested:
        return []
    read = {r.circuit: r.loop_mohm for r in facts.readings}
    m = design.prove.meter
    out = loop_continuity(
        LoopContinuityIn.trusted(
            test_temp_c=m.loop_temp_c,
            lead_resistance_mohm=m.loop_leads_mohm,
            meter_resolution_mohm=m.loop_resolution_mohm,
            circuits=[
                LoopCircuit.trusted(
                    id=k,
                    area_mm2=c.area_mm2,
                    awg=c.awg,
                    tinned=c.tinned,
                    length_m=p.length_m / c.parallel_count,
                    current_a=p.current_a,
                    measured_mohm=read.get(k),
                )
                for k, (c, p) in tested.items()
            ],
        )
    )
    return [
        LoopRow(
            circuit=k,
            code=p.code,
            name=c.name,
            expected_mohm=out.expected_mohm[k],
            low_mohm=out.low_mohm[k],
            high_mohm=out.high_mohm[k],
            resolvable=out.resolvable[k],
            loaded_drop_v=out.loaded_drop_v[k] or 0.0,
            measured_mohm=read.get(k),
            verdict=out.verdict[k],
        )
        for k, (c, p) in tested.items()
    ]


def work_loops(design: Design, facts: Facts, parts: dict[str, CircuitPart]) -> tuple[dict[str, LoopRow], list[Finding]]:
    """Verdicts on the loop readings that were typed in, by circuit, and the findings of those that fail."""
    read = [c for r in facts.readings if r.loop_mohm is not None and (c := design.circuit(r.circuit)) is not None]
    rows = loop_rows(design, facts, [(c, parts[c.id]) for c in read])
    out = []
    for row in rows:
        if row.verdict in ("high", "short", "open"):
            told = f"{row.measured_mohm or 0:.4g} mΩ measured; {row.low_mohm:.0f} to {row.high_mohm:.0f} mΩ is right. {CAUSES[row.verdict]}"
            out.append(finding("wire-test-failed", row.circuit, f"{row.code} {row.name}", told))
    return {row.circuit: row for row in rows}, out

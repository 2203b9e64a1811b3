"""What the rules of gas say of a design (method gas.lines)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.finding import Finding
from bothy.core.gas.line_rules import appliance_findings, cooking_findings, line_findings, paper_findings, unlisted_findings
from bothy.core.gas.part import Gassed
from bothy.core.gas.store_rules import cold_findings, locker_findings, vessel_findings

PARTS = (paper_findings, vessel_findings, locker_findings, appliance_findings, line_findings, cold_findings, cooking_findings)


def gas_findings(ctx: Context, w: Gassed) -> list[Finding]:
    """Everything that the rules of gas say of a design, little where it has not begun with it; once of each subject."""
    found: dict[str, Finding] = {}
    for part in (unlisted_findings, *(PARTS if ctx.design.gas.begun else ())):
        for f in part(ctx, w):
            found.setdefault(f.id, f)
    return list(found.values())

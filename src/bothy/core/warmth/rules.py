"""What the rules of warmth and air say of a design (method warmth.heat-loss)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.finding import Finding
from bothy.core.warmth.air_rules import air_findings, alarm_findings, alarm_missing, damp_findings
from bothy.core.warmth.heater_rules import heater_findings, missing_findings
from bothy.core.warmth.layout_rules import duct_findings, loop_findings
from bothy.core.warmth.part import Warm
from bothy.core.warmth.shell_rules import shell_findings
from bothy.core.warmth.summer_rules import bay_findings, summer_findings

PARTS = (
    shell_findings,
    damp_findings,
    air_findings,
    alarm_missing,
    alarm_findings,
    heater_findings,
    duct_findings,
    loop_findings,
    summer_findings,
    bay_findings,
)


def warmth_findings(ctx: Context, w: Warm) -> list[Finding]:
    """Everything that the rules of warmth say of a design, little where it has not begun with it; once of each subject, though a build-up may lie in
    two directions."""
    found: dict[str, Finding] = {}
    begun = ctx.design.warmth.begun
    early = (alarm_missing,) if ctx.design.power.generator is not None else ()
    for part in (missing_findings, *(PARTS if begun else early)):
        for f in part(ctx, w):
            found.setdefault(f.id, f)
    return list(found.values())

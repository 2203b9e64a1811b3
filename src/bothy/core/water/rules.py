"""What the rules of water say of a design (method water.care)."""

from __future__ import annotations

from collections.abc import Callable, Iterable

from bothy.core.context import Context
from bothy.core.finding import Finding
from bothy.core.water.electric_rules import electric_findings
from bothy.core.water.part import Wet
from bothy.core.water.pressure_rules import care_findings, hot_findings, pump_findings, tap_findings
from bothy.core.water.store_rules import frost_findings, store_findings, tank_findings, waste_findings
from bothy.core.words.says import water_says as says

PARTS = (store_findings, tank_findings, pump_findings, tap_findings, hot_findings, electric_findings, waste_findings, frost_findings, care_findings)


def _listed(ctx: Context, w: Wet, part: Callable[[Context, Wet], Iterable[Finding]]) -> list[Finding]:
    return list(part(ctx, w))


def water_findings(ctx: Context, w: Wet) -> list[Finding]:
    """Everything that the rules of water say of a design that has begun with it; once of each subject."""
    if not ctx.design.water.begun:
        return []
    found: dict[str, Finding] = {}
    for part in PARTS:
        for f in ctx.part(says("water-findings", name=part.__name__), _listed, w, part):
            found.setdefault(f.id, f)
    return list(found.values())

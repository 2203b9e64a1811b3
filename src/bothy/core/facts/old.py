"""The facts of documents of version 1, where they stood among the plans."""

from __future__ import annotations

import hashlib
from typing import Any

from pydantic import ValidationError

from bothy.core.contract import explain
from bothy.core.design.gas import Gas
from bothy.core.design.upgrades import FACT_PLACES
from bothy.core.facts.document import Facts
from bothy.core.gas.pipework import marks


def _old_marks(g: Gas) -> dict[str, str]:
    """The marks of version 1: of lengths to the last digit."""

    def mark(*values: object) -> str:
        return hashlib.blake2s(repr(values).encode(), digest_size=6).hexdigest()

    out = {f"run:{p.id}": mark(p.parent, p.appliance, p.inner_diameter_mm, p.length_m, sorted(p.fittings.items()), p.material, p.joint) for p in g.pipes}
    out |= {f"appliance:{a.id}": mark(a.kind, a.heat_input_w, a.valve) for a in g.appliances}
    out |= {f"hose:{h.id}": mark(h.high_pressure, h.length_m) for h in g.hoses}
    if g.regulator is not None:
        out["regulator"] = mark(g.regulator.name, g.regulator.nominal_mbar, g.regulator.capacity_kg_h, g.regulator.mount)
    if g.solenoid is not None:
        out["solenoid"] = mark(g.solenoid.normally_closed)
    return out


def _marked(tests: list[Any], gas: dict[str, Any]) -> list[Any]:
    """Leak tests whose marks are today's wherever the part is still as it was tested."""
    try:
        now = Gas.model_validate({k: v for k, v in gas.items() if k not in ("tests", "checks", "pre_trip")})
    except ValidationError:
        return tests
    old, new = _old_marks(now), marks(now)
    return [{**t, "system": {k: new[k] if k in new and old.get(k) == v else v for k, v in t.get("system", {}).items()}} for t in tests]


def facts_of_v1(document: dict[str, Any]) -> Facts:
    """The facts that a document of version 1 held. Raises :class:`bothy.core.contract.BadInput` naming the field."""
    found: dict[str, Any] = {}
    for name, (part, field) in FACT_PLACES.items():
        held = document.get(part)
        if isinstance(held, dict) and field in held:
            found[name] = held[field]
    gas = document.get("gas")
    if isinstance(gas, dict) and isinstance(found.get("gas_tests"), list) and all(isinstance(t, dict) for t in found["gas_tests"]):
        found["gas_tests"] = _marked(found["gas_tests"], gas)
    try:
        return Facts.model_validate(found)
    except ValidationError as exc:
        raise explain(exc) from None

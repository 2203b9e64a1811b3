"""Water: what comes out of the taps for any set of them open."""

from __future__ import annotations

import uuid
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel

from bothy.api.problems import ProblemBody
from bothy.api.state import Cache, Store, standing
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.water.pressure import solve_taps
from bothy.core.words.says import api_says as says

router = APIRouter(prefix="/api/variants", tags=["water"])


class TapsOpen(BaseModel):
    """Flow in L/min, pressure at the end in kPa and velocity in m/s of each run; the pump's flow, pressure and current."""

    open: list[str]
    flow_l_min: dict[str, float]
    end_kpa: dict[str, float]
    velocity_m_s: dict[str, float]
    total_l_min: float
    pump_kpa: float
    pump_a: float
    cycling: bool


@router.get("/{variant_id}/taps", operation_id="getTaps", response_model=TapsOpen, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def get_taps(variant_id: uuid.UUID, revision: int, store: Store, reports: Cache, open: Annotated[list[str] | None, Query(max_length=60)] = None) -> TapsOpen:
    """The pressure side of a revision with these outlets open."""
    design = standing(store, reports, variant_id, revision).head.design
    w, chosen = design.water, list(dict.fromkeys(open or []))
    outlets = {r.id for r in w.runs if r.outlet != "none"}
    for one in chosen:
        if one not in outlets:
            raise BadInput("open", says("no-outlet-this-design", one=one, outlets=", ".join(sorted(outlets)) or "none yet"))
    solved = solve_taps(w, chosen)
    if solved is None or w.pump is None:
        raise BadInput("pump", says("missing-choose-pump-and"))
    p = w.pump
    amps = solved.total_l_min * solved.pump_kpa / (60 * p.efficiency_frac * Context(design).bank_v)
    return TapsOpen(
        open=chosen,
        flow_l_min=solved.flow_l_min,
        end_kpa=solved.end_kpa,
        velocity_m_s=solved.velocity_m_s,
        total_l_min=solved.total_l_min,
        pump_kpa=solved.pump_kpa,
        pump_a=amps,
        cycling=p.cut_out_kpa is not None and solved.total_l_min > 0 and solved.pump_kpa >= p.cut_out_kpa,
    )

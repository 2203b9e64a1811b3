"""Prove: the ladder of commissioning, and the search for a fault."""

from __future__ import annotations

import uuid
from typing import Any

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from bothy.api.problems import ProblemBody
from bothy.api.state import TURNS, Cache, Store, standing
from bothy.core.commissioning.part import CommissioningPart
from bothy.core.faults.case import Answer, FinderPart
from bothy.core.faults.finder import Start, find, start_of_step, starts
from bothy.core.faults.play import play, rigs
from bothy.core.faults.practice import RigAsk, RigPart, RigRow

router = APIRouter(prefix="/api/variants", tags=["prove"])
ERRORS: dict[int | str, dict[str, Any]] = {404: {"model": ProblemBody}, 422: {"model": ProblemBody}}


class FinderAsk(BaseModel):
    """What is searched and what was answered so far; ``licensed``: tests that take a licence are offered too."""

    model_config = ConfigDict(extra="forbid")
    start: str = Field(min_length=1, max_length=80)
    answers: list[Answer] = Field([], max_length=60)
    licensed: bool = False


class StartsPart(BaseModel):
    """What a search can begin with, and where each failing step begins one."""

    starts: list[Start]
    by_step: dict[str, str]


@router.get("/{variant_id}/commissioning", operation_id="getCommissioning", response_model=CommissioningPart, responses=ERRORS)
def get_commissioning(variant_id: uuid.UUID, store: Store, reports: Cache, revision: int | None = None) -> Any:
    """Every step with its state, and the stages as rungs."""
    _, kept = standing(store, reports, variant_id, revision)
    with TURNS:
        return kept.report.commissioned().part()


@router.get("/{variant_id}/finder", operation_id="getStarts", response_model=StartsPart, responses=ERRORS)
def get_starts(variant_id: uuid.UUID, store: Store, reports: Cache) -> Any:
    """What can be searched in this design."""
    _, kept = standing(store, reports, variant_id)
    with TURNS:
        made = kept.report.commissioned()
        by_step = {s.id: start for s in made.steps if (start := start_of_step(made.src, s.id)) is not None}
        return StartsPart(starts=starts(made.src), by_step=by_step)


@router.post("/{variant_id}/finder", operation_id="findFault", response_model=FinderPart, responses=ERRORS)
def find_fault(variant_id: uuid.UUID, body: FinderAsk, store: Store, reports: Cache) -> Any:
    """Causes with their probabilities after the answers, and the next best test."""
    _, kept = standing(store, reports, variant_id)
    with TURNS:
        return find(kept.report.commissioned().src, body.start, body.answers, body.licensed)


@router.get("/{variant_id}/rigs", operation_id="getRigs", response_model=list[RigRow], responses=ERRORS)
def get_rigs(variant_id: uuid.UUID, store: Store, reports: Cache) -> Any:
    """The rigs to practise on: built-in ones of rising difficulty, then this vehicle’s own circuits."""
    _, kept = standing(store, reports, variant_id)
    with TURNS:
        return rigs(kept.report.commissioned().src)


@router.post("/{variant_id}/rigs", operation_id="playRig", response_model=RigPart, responses=ERRORS)
def play_rig(variant_id: uuid.UUID, body: RigAsk, store: Store, reports: Cache) -> Any:
    """A rig after what was done on it: what the meter shows, minutes, unsafe acts; with a guess, the score."""
    _, kept = standing(store, reports, variant_id)
    with TURNS:
        return play(kept.report.commissioned().src, body)

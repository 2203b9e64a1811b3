"""Two variants or revisions beside each other."""

from __future__ import annotations

import uuid
from typing import Annotated, Any

from fastapi import APIRouter, Query
from pydantic import BaseModel

from bothy.api.problems import ProblemBody
from bothy.api.state import TURNS, Cache, Store, standing
from bothy.core.comparing import ComparePart, compare
from bothy.core.region import RegionKey

router = APIRouter(prefix="/api", tags=["projects"])


class SideItem(BaseModel):
    """One of the two: the project, the variant and the revision that was taken."""

    project: str
    variant: str
    revision: int
    region: RegionKey


class CompareItem(BaseModel):
    a: SideItem
    b: SideItem
    differences: ComparePart


@router.get("/compare", operation_id="compareTwo", response_model=CompareItem, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def compare_two(
    a: uuid.UUID,
    b: uuid.UUID,
    store: Store,
    reports: Cache,
    a_revision: Annotated[int | None, Query(ge=1)] = None,
    b_revision: Annotated[int | None, Query(ge=1)] = None,
) -> Any:
    """What differs between two variants, or two revisions: what was said, figures, findings."""
    one, mine = standing(store, reports, a, a_revision)
    two, theirs = standing(store, reports, b, b_revision)
    with TURNS:
        differences = compare((mine.design, mine.report), (theirs.design, theirs.report))
    sides = [SideItem(project=h.project_name, variant=h.variant_name, revision=h.shown, region=v.design.region) for h, v in ((one, mine), (two, theirs))]
    return CompareItem(a=sides[0], b=sides[1], differences=differences)

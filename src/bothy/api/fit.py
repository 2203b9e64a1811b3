"""Layout and weight: places that Bothy proposes, and tables of places that are brought in."""

from __future__ import annotations

import uuid
from collections.abc import Callable
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, Field

from bothy.api.problems import ProblemBody
from bothy.api.state import Cache, Store, standing
from bothy.api.trips import JobOut, JobRunner, JobStarted, JobStore, kept_body, refuse_second
from bothy.api.variants import answer
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.fit.gap_parts import GapPart, parts_in_gap
from bothy.core.fit.propose import SOURCE, propose_places
from bothy.core.method.sources import SourceOut, written
from bothy.core.roof.lay_out import lay_out
from bothy.core.roof.plan import roof_things
from bothy.core.words.says import api_says as says
from bothy.formats import places
from bothy.jobs.bounded import BOUNDED
from bothy.jobs.runner import Between

router = APIRouter(prefix="/api/variants", tags=["fit"])
KIND, WHOLE = "places", 100
gap_router = APIRouter(prefix="/api/fit", tags=["fit"])


class ProposedPlace(BaseModel):
    """A place with its reasons."""

    of: str
    name: str
    why: list[str]


class ProposedPlaces(BaseModel):
    """Places for what had none, bays that they need, what found no place, and the change that takes all of it."""

    source: list[SourceOut]
    places: list[ProposedPlace]
    bays: list[str]
    left: list[str]
    patch: list[dict[str, Any]]


class PlacesText(BaseModel):
    """The text of a table of places."""

    text: str = Field(max_length=2_000_000)


class FoundPlaces(BaseModel):
    """The newest search for places: its job, and what the newest that is done found, with the revision that it was made on."""

    job: JobOut | None
    revision: int | None
    run: ProposedPlaces | None


def _propose(design: Design, only: list[str] | None, between: Callable[[float], None] | None = None) -> ProposedPlaces:
    made = propose_places(design, between, frozenset(only) if only else None)
    places = [ProposedPlace(of=p.thing.key, name=p.thing.name, why=list(p.why)) for p in made.places]
    left, patch = [t.name for t in made.left], made.patch()
    wanted = {t.of for t in roof_things(design) if t.rect is None}
    if wanted if only is None else wanted & set(only):
        roof = lay_out(design)
        if roof.spots:
            places.append(ProposedPlace(of="fit:roof", name=says("roof-things", spots_count=len(roof.spots)), why=list(roof.why)))
        left += [t.name for t in roof.left]
        patch = [*roof.patch(design), *patch]
    return ProposedPlaces(source=written(SOURCE), places=places, bays=[b.name for b in made.bays], left=left, patch=patch)


@router.get(
    "/{variant_id}/fit/places",
    operation_id="proposePlaces",
    response_model=ProposedPlaces,
    responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}},
)
def propose(variant_id: uuid.UUID, revision: int, store: Store, reports: Cache, of: Annotated[list[str] | None, Query(max_length=300)] = None) -> Any:
    """Places for everything that has none, or for the named things; nothing is changed."""
    design = standing(store, reports, variant_id, revision).head.design
    return BOUNDED.run("sum", _propose, design, of)


@router.post("/{variant_id}/fit/jobs", operation_id="startPlaces", status_code=202, responses={409: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def start_places(variant_id: uuid.UUID, store: Store, reports: Cache, jobs: JobStore, runner: JobRunner) -> JobStarted:
    """Search places for everything of the newest revision that has none, beside everything else; nothing is changed."""
    head = standing(store, reports, variant_id).head
    refuse_second(jobs, variant_id, KIND)

    def work(between: Between) -> Any:
        return _propose(head.design, None, lambda share: between(round(WHOLE * share), WHOLE)).model_dump(mode="json")

    return JobStarted(id=runner.start(variant_id, head.revision, KIND, WHOLE, work))


@router.get("/{variant_id}/fit/found", operation_id="getFoundPlaces", response_model=FoundPlaces, responses={404: {"model": ProblemBody}})
def get_found(variant_id: uuid.UUID, store: Store, jobs: JobStore) -> Response:
    """The newest search for places of a variant."""
    return answer(kept_body(jobs, variant_id, KIND), store.head(variant_id).revision)


Metre = Annotated[float, Query(gt=0, le=20)]


@gap_router.get("/gap", operation_id="partsInGap", responses={422: {"model": ProblemBody}})
def parts_in_gap_of(x: Metre, y: Metre, z: Metre, kind: Literal["battery", "inverter", "charger", "controller", "dcdc"] = "battery") -> list[GapPart]:
    """Which parts of the catalogue go into a gap of x by y by z metres."""
    return parts_in_gap(kind, (x, y, z))


@router.post("/{variant_id}/fit/table", operation_id="previewPlaces", responses={422: {"model": ProblemBody}})
def preview_places(variant_id: uuid.UUID, body: PlacesText, store: Store, reports: Cache) -> places.PlacesPreview:
    """What a table of places means for this variant, line by line."""
    design = standing(store, reports, variant_id).head.design
    if not body.text.strip():
        raise BadInput("text", says("empty-paste-table-or"))
    read: places.PlacesPreview = BOUNDED.run("file", places.preview, body.text, design)
    return read

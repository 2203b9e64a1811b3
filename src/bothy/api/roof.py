"""The roof: a layout that Bothy proposes, and templates of its cut-outs."""

from __future__ import annotations

import uuid
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from bothy.api.printing import PrintFailed, to_pdf
from bothy.api.problems import ProblemBody, problem
from bothy.api.projects import attachment
from bothy.api.state import Cache, Store, standing
from bothy.core.catalogue.openings import OpeningPart, openings
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.fit.body import body_of
from bothy.core.method.sources import Method, SourceOut, written
from bothy.core.roof.lay_out import lay_out
from bothy.core.roof.plan import roof_things, shape_of
from bothy.core.roof.template import Template, template_of
from bothy.core.sides.plan import side_things
from bothy.core.sides.worked import side_template
from bothy.core.words.says import api_says as says
from bothy.formats import roof_template
from bothy.formats.papers import size_for
from bothy.formats.pdf import Sheet
from bothy.jobs.bounded import BOUNDED

router = APIRouter(prefix="/api/variants", tags=["fit"])
parts_router = APIRouter(prefix="/api/fit", tags=["fit"])
SOURCE = Method("roof.packing") + Method("roof.plan")


class ProposedRoof(BaseModel):
    """Spots for what had none, with why; how many panels lie and how many could at most; what found no room; the change that takes all of it."""

    source: list[SourceOut]
    why: list[str]
    laid: int
    panels: int
    panels_most: int
    left: list[str]
    patch: list[dict[str, Any]]


@parts_router.get("/openings", operation_id="listOpenings")
def list_openings() -> list[OpeningPart]:
    """Parts that go through roof, walls or floor, with their cut-outs and clamps."""
    return list(openings().values())


def _propose(design: Design) -> ProposedRoof:
    made = lay_out(design)
    return ProposedRoof(
        source=written(SOURCE),
        why=list(made.why),
        laid=len(made.spots),
        panels=made.panels,
        panels_most=made.most,
        left=[t.name for t in made.left],
        patch=made.patch(design),
    )


@router.get(
    "/{variant_id}/fit/roof", operation_id="proposeRoof", response_model=ProposedRoof, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}}
)
def propose(variant_id: uuid.UUID, revision: int, store: Store, reports: Cache) -> Any:
    """Spots for everything on the roof that has none; nothing is changed."""
    return BOUNDED.run("sum", _propose, standing(store, reports, variant_id, revision).head.design)


def _template(design: Design, of: str, below: bool) -> Template:
    thing = next((t for t in roof_things(design) if t.key == of), None)
    if thing is None:
        if any(t.key == of for t in side_things(design)):
            return side_template(design, of, below)
        raise BadInput("of", says("nothing-on-roof-in", of=of))
    return template_of(thing, shape_of(design, body_of(design)), below)


@router.get(
    "/{variant_id}/fit/template/{kind}",
    operation_id="roofTemplate",
    response_class=Response,
    responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}, 503: {"model": ProblemBody}},
)
async def template(
    variant_id: uuid.UUID,
    kind: Literal["svg", "dxf", "pdf"],
    store: Store,
    reports: Cache,
    of: Annotated[str, Query(max_length=80)],
    below: bool = False,
    size: Literal["A4", "letter"] | None = None,
) -> Response:
    """The template of a cut-out of roof, walls or floor at its true size, seen from outside (the floor from above), or mirrored for the other side; a PDF comes
    in sheets to be glued together."""

    def made() -> tuple[Template, str, str]:
        head = standing(store, reports, variant_id).head
        return _template(head.design, of, below), head.project_name, size or size_for(head.design.region)

    t, project, paper = await run_in_threadpool(made)
    name = f"{project} {t.name}{' mirrored' if below else ''}.{kind}"
    if kind == "svg":
        return Response(roof_template.to_svg(t), media_type="image/svg+xml", headers=attachment(name))
    if kind == "dxf":
        return Response(roof_template.to_dxf(t), media_type="image/vnd.dxf", headers=attachment(name))
    try:
        data = await to_pdf([Sheet(None, roof_template.to_html(t, "letter" if paper == "letter" else "A4", project))])
    except PrintFailed as exc:
        return problem(503, "pdf", str(exc))
    return Response(data, media_type="application/pdf", headers=attachment(name))

"""Projects: the list, a new one, import and export of the project file."""

from __future__ import annotations

import datetime as dt
import re
import tempfile
import uuid
from collections.abc import Iterator
from typing import IO, Annotated
from urllib.parse import quote

from fastapi import APIRouter, Request, Response
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import StreamingResponse
from pydantic import AfterValidator, BaseModel, ConfigDict, Field, StringConstraints

from bothy.api.photos import Pictures
from bothy.api.problems import ProblemBody
from bothy.api.state import Store, computed
from bothy.core.contract import BadInput
from bothy.core.design.anew import anew
from bothy.core.design.document import Design
from bothy.core.design.vehicle import Preset, Vehicle
from bothy.core.plain import as_text, not_text
from bothy.core.region import RegionKey
from bothy.core.sound import Sound
from bothy.core.words.says import api_says as says
from bothy.formats import archive, picture, project_file
from bothy.jobs.bounded import BOUNDED
from bothy.store.photos import Photos
from bothy.store.projects import PUT_AWAY_DAYS, Missing, Projects

router = APIRouter(prefix="/api/projects", tags=["projects"])


def _text(value: str) -> str:
    if (why := not_text(value)) is not None:
        raise ValueError(why)
    return value


Title = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120), AfterValidator(_text)]
"""A name: no control characters, nothing that is no character."""


class VariantItem(BaseModel):
    id: uuid.UUID
    name: str
    revision: int


class ProjectItem(BaseModel):
    id: uuid.UUID
    name: str
    demo: bool
    updated_at: dt.datetime
    variants: list[VariantItem]


class NewProject(BaseModel):
    name: Title
    region: RegionKey = "uk"
    preset: Preset = "panel_van"


class Renamed(BaseModel):
    name: Title


class FileText(BaseModel):
    """The text of a project file."""

    text: str = Field(max_length=project_file.MAX_BYTES)


class Made(BaseModel):
    """The new project, and the variant of it to open first."""

    id: uuid.UUID
    variant_id: uuid.UUID


@router.get("", operation_id="listProjects")
def list_projects(store: Store) -> list[ProjectItem]:
    return [ProjectItem.model_validate(p, from_attributes=True) for p in store.all()]


class PutAwayItem(BaseModel):
    """A deleted project, and the days until it is gone for good; None: a demo stays."""

    id: uuid.UUID
    name: str
    days_left: int | None


@router.get("/put-away", operation_id="listPutAway")
def list_put_away(store: Store) -> list[PutAwayItem]:
    """Deleted projects that can still be brought back."""
    now = dt.datetime.now(dt.UTC).replace(tzinfo=None)
    return [PutAwayItem(id=p.id, name=p.name, days_left=None if p.demo else max(0, PUT_AWAY_DAYS - (now - p.at).days)) for p in store.put_away()]


@router.post("", operation_id="createProject", status_code=201)
def create_project(body: NewProject, store: Store) -> Made:
    design = Design(region=body.region, vehicle=Vehicle(preset=body.preset))
    return _opened(store, store.create(body.name, [(says("as-planned"), computed(design))], "you"))


def _opened(store: Store, id: uuid.UUID) -> Made:
    return Made(id=id, variant_id=next(p.variants[0].id for p in store.all() if p.id == id))


@router.patch("/{project_id}", operation_id="renameProject", status_code=204)
def rename_project(project_id: uuid.UUID, body: Renamed, store: Store) -> None:
    store.rename(project_id, body.name)


@router.delete("/{project_id}", operation_id="deleteProject", status_code=204)
def delete_project(project_id: uuid.UUID, store: Store) -> None:
    store.delete(project_id)


@router.post("/{project_id}/restore", operation_id="restoreProject", status_code=204)
def restore_project(project_id: uuid.UUID, store: Store) -> None:
    store.restore(project_id)


@router.post("/import", operation_id="importProject", status_code=201)
def import_project(body: FileText, store: Store) -> Made:
    return _imported(body.text, store)


def _imported(text: str, store: Projects) -> Made:
    file = project_file.read(text)
    checked: list[tuple[str, Sound]] = []
    for i, v in enumerate(file.variants):
        try:
            checked.append((v.name, computed(v.design, file.evidence if v.name == file.building else ())))
        except BadInput as exc:
            raise BadInput(exc.key, exc.message.removeprefix(f"{exc.key}: "), f"variants[{i}].design.{exc.key}") from exc
    building = next(i for i, v in enumerate(file.variants) if v.name == file.building)
    free = _free_name(file.name, {p.name for p in store.all()})
    return _opened(store, store.create(free, checked, "import", building=building, evidence=file.evidence))


class CopyAsked(BaseModel):
    """A copy of a project. ``name`` None: its own with a number. ``facts``: with all that was measured and done; without it is the start of another
    vehicle: nothing measured, no days, no owner, findings to be answered again."""

    model_config = ConfigDict(extra="forbid")
    name: Title | None = None
    facts: bool = True


@router.post("/{project_id}/copy", operation_id="copyProject", status_code=201, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def copy_project(project_id: uuid.UUID, body: CopyAsked, store: Store) -> Made:
    """A project of its own with all variants of another, as they stand now."""
    p = store.whole(project_id)
    evidence = tuple(p.evidence) if body.facts else ()
    designs = [(name, d if body.facts else anew(d)) for name, d in p.variants if isinstance(d, Design)]
    if len(designs) < len(p.variants):
        lost = next(name for name, d in p.variants if not isinstance(d, Design))
        raise BadInput("variants", says("kept-in-form-that", lost=lost))
    building = next((i for i, (name, _) in enumerate(designs) if name == p.building), 0)
    checked = [(name, computed(d, evidence if i == building else ())) for i, (name, d) in enumerate(designs)]
    free = _free_name(body.name or p.name, {x.name for x in store.all()})
    return _opened(store, store.create(free, checked, "copy", building=building, evidence=evidence))


def _free_name(name: str, taken: set[str]) -> str:
    """The name, with a number where it is taken."""
    return next(n for k in range(1, 10_000) if (n := name if k == 1 else f"{name[:112]} {k}") not in taken)


def attachment(name: str) -> dict[str, str]:
    """The header that makes a browser save the answer under a name, which no system takes for a path."""
    safe = re.sub(r'[/\\:*?"<>|]', "-", as_text(name)).strip(". ") or "Bothy"
    return {"content-disposition": f"attachment; filename*=UTF-8''{quote(safe, safe='')}"}


@router.get("/{project_id}/file", operation_id="exportProject", response_class=Response)
def export_project(project_id: uuid.UUID, store: Store) -> Response:
    p = store.whole(project_id)
    return Response(project_file.write(p.name, p.variants, p.building, p.evidence), media_type="application/json", headers=attachment(f"{p.name}.bothy.json"))


IN_MEMORY = 8_000_000
PIECE = 1 << 20


def _pieces(file: IO[bytes]) -> Iterator[bytes]:
    with file:
        file.seek(0)
        while data := file.read(PIECE):
            yield data


def _had(photos: Photos, sha256: str) -> bytes | None:
    try:
        return photos.get(sha256)
    except Missing:
        return None


@router.get("/{project_id}/archive", operation_id="exportArchive", response_class=Response, responses={404: {"model": ProblemBody}})
def export_archive(project_id: uuid.UUID, store: Store, photos: Pictures) -> Response:
    """The project with its photographs, as one zip."""
    p = store.whole(project_id)
    text = project_file.write(p.name, p.variants, p.building, p.evidence)
    out = tempfile.SpooledTemporaryFile(IN_MEMORY)  # noqa: SIM115 - closed once it is sent
    archive.write(out, text, ((h, _had(photos, h)) for h in archive.photos_named(text)))
    return StreamingResponse(_pieces(out), media_type="application/zip", headers=attachment(f"{p.name}.bothy.zip"))


@router.post(
    "/archive",
    operation_id="importArchive",
    status_code=201,
    responses={422: {"model": ProblemBody}},
    openapi_extra={"requestBody": {"required": True, "content": {"application/zip": {"schema": {"type": "string", "format": "binary"}}}}},
)
async def import_archive(request: Request, store: Store, photos: Pictures) -> Made:
    """A project from an archive (zip as the body). Every photograph is looked at before anything is kept; the project comes last, whole."""
    with tempfile.SpooledTemporaryFile(IN_MEMORY) as file:
        async for data in request.stream():
            file.write(data)

        def bring() -> Made:
            file.seek(0)
            found = archive.opened(file)
            project_file.read(found.text)
            for _, data in found.photos():
                BOUNDED.run("file", picture.as_kept, data, most_s=picture.MOST_S)
            for sha256, data in found.photos():
                made: picture.Kept = BOUNDED.run("file", picture.as_kept, data, most_s=picture.MOST_S)
                photos.put(sha256, made.data, made.thumb, made.width, made.height)
            return _imported(found.text, store)

        return await run_in_threadpool(bring)

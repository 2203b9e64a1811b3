"""Photographs: taken in, scaled and stripped, kept by their hash; what each shows is taken down as a fact."""

from __future__ import annotations

from typing import Annotated, cast

from fastapi import APIRouter, Depends, Path, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel

from bothy.api.problems import ProblemBody
from bothy.core.contract import BadInput
from bothy.core.words.says import api_says as says
from bothy.formats import picture
from bothy.jobs.bounded import BOUNDED
from bothy.store.photos import Photos

router = APIRouter(prefix="/api/photos", tags=["photos"])


def _photos(request: Request) -> Photos:
    return cast(Photos, request.app.state.photos)


Pictures = Annotated[Photos, Depends(_photos)]
Hash = Annotated[str, Path(pattern="^[0-9a-f]{64}$")]


class PhotoItem(BaseModel):
    """A photograph that is kept: its hash, and its size in pixels and bytes."""

    sha256: str
    width: int
    height: int
    bytes: int


@router.post(
    "",
    operation_id="addPhoto",
    responses={422: {"model": ProblemBody}},
    openapi_extra={"requestBody": {"required": True, "content": {"image/jpeg": {"schema": {"type": "string", "format": "binary"}}}}},
)
async def add_photo(request: Request, photos: Pictures) -> PhotoItem:
    """Keep a photograph (JPEG, PNG or WebP as the body): upright, at most 1 600 px and 400 kB, without place and camera."""
    data = await request.body()
    if not data:
        raise BadInput("photo", says("empty"))

    def keep() -> PhotoItem:
        made: picture.Kept = BOUNDED.run("file", picture.kept, data, most_s=picture.MOST_S)
        photos.put(made.sha256, made.data, made.thumb, made.width, made.height)
        return PhotoItem(sha256=made.sha256, width=made.width, height=made.height, bytes=len(made.data))

    return await run_in_threadpool(keep)


@router.get("/{sha256}", operation_id="getPhoto", response_class=Response, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def get_photo(sha256: Hash, photos: Pictures, thumb: bool = False) -> Response:
    """A photograph, or its thumbnail. It never changes, so it is kept by the browser."""
    return Response(photos.get(sha256, thumb), media_type="image/jpeg", headers={"cache-control": "private, max-age=31536000, immutable"})

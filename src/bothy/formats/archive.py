"""One project whole, as a zip: its project file, every photograph that its evidence names, and a list of both with their hashes."""

from __future__ import annotations

import hashlib
import json
import re
import zipfile
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import IO, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from bothy.core.contract import BadInput, explain
from bothy.core.words.says import formats_says as says
from bothy.formats import picture, project_file

FORMAT, VERSION = "bothy-archive", 1
MANIFEST, PROJECT = "manifest.json", "project.bothy.json"
MOST_PHOTOS, MOST_MANIFEST = 6000, 2_000_000
MOST_PHOTO = 2 * picture.MOST_BYTES
_HASH = re.compile(r"[0-9a-f]{64}")


class Listed(BaseModel):
    model_config = ConfigDict(extra="forbid")
    sha256: str = Field(pattern="^[0-9a-f]{64}$")
    bytes: int = Field(ge=1, le=MOST_PHOTO)


class Manifest(BaseModel):
    """What an archive holds. ``lost``: photographs that the evidence names and the store no longer had."""

    model_config = ConfigDict(extra="forbid", title="Bothy archive")
    format: Literal["bothy-archive"] = "bothy-archive"
    version: Literal[1] = 1
    project_sha256: str = Field(pattern="^[0-9a-f]{64}$")
    photos: list[Listed] = Field([], max_length=MOST_PHOTOS)
    lost: list[str] = Field([], max_length=MOST_PHOTOS)


def schema() -> dict[str, Any]:
    """The published JSON Schema of the manifest."""
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "$id": "bothy-archive-1", **Manifest.model_json_schema()}


def photos_named(text: str) -> list[str]:
    """The photographs that the evidence of a project file names: of photographs and of signatures, each once."""
    found: dict[str, None] = {}
    for e in json.loads(text)["evidence"]:
        held = e.get("payload") or {}
        for key in ("sha256", "signature"):
            if isinstance(held, dict) and isinstance(held.get(key), str) and _HASH.fullmatch(held[key]):
                found[held[key]] = None
    return list(found)


def write(out: IO[bytes], text: str, photos: Iterable[tuple[str, bytes | None]]) -> None:
    """Write an archive; a photograph that is lost comes as None. One photograph is in memory at a time."""
    listed: list[Listed] = []
    lost: list[str] = []
    with zipfile.ZipFile(out, "w") as z:
        whole = text.encode()
        z.writestr(PROJECT, whole, zipfile.ZIP_DEFLATED)
        for sha256, data in photos:
            if data is None:
                lost.append(sha256)
                continue
            z.writestr(f"photos/{sha256}.jpg", data, zipfile.ZIP_STORED)
            listed.append(Listed(sha256=sha256, bytes=len(data)))
        made = Manifest(project_sha256=hashlib.sha256(whole).hexdigest(), photos=listed, lost=lost)
        z.writestr(MANIFEST, made.model_dump_json(indent=1), zipfile.ZIP_DEFLATED)


@dataclass(frozen=True)
class Archive:
    """An archive that was opened and checked but for its photographs' bytes."""

    text: str
    manifest: Manifest
    file: zipfile.ZipFile

    def photos(self) -> Iterator[tuple[str, bytes]]:
        """Hash and bytes of each photograph. Raises :class:`BadInput` at the first that isn't what it is listed as."""
        for x in self.manifest.photos:
            name = f"photos/{x.sha256}.jpg"
            data = _read(self.file, name, x.bytes)
            if hashlib.sha256(data).hexdigest() != x.sha256:
                raise BadInput("photos", says("damaged-bytes-not-those", name=name))
            yield x.sha256, data


def _read(z: zipfile.ZipFile, name: str, most: int) -> bytes:
    try:
        with z.open(name) as f:
            data = f.read(most + 1)
    except KeyError:
        raise BadInput("file", says("has-no-damaged-or", name=name)) from None
    except (zipfile.BadZipFile, OSError, EOFError, ValueError, NotImplementedError, RuntimeError) as exc:
        raise BadInput("file", says("damaged-at", name=name, exc=str(exc)[:80])) from None
    except Exception as exc:
        if type(exc).__module__ != "zlib":
            raise
        raise BadInput("file", says("damaged-at", name=name, exc=str(exc)[:80])) from None
    if len(data) > most:
        raise BadInput("file", says("larger-than-bytes", name=name, most=f"{most:,}"))
    return data


def opened(file: IO[bytes]) -> Archive:
    """An archive, checked before anything of it is used. Raises :class:`BadInput` naming what is wrong."""
    try:
        z = zipfile.ZipFile(file)
    except (zipfile.BadZipFile, OSError, ValueError, EOFError, NotImplementedError) as exc:
        raise BadInput("file", says("no-bothy-archive-bothy", exc=str(exc)[:80])) from None
    names = z.namelist()
    if len(names) > MOST_PHOTOS + 2 or len(set(names)) != len(names):
        raise BadInput("file", says("holds-too-many-files"))
    raw = _read(z, MANIFEST, MOST_MANIFEST)
    try:
        data = json.loads(raw)
    except (ValueError, RecursionError):
        raise BadInput("manifest", says("not-json-archive-damaged")) from None
    if isinstance(data, dict) and isinstance(data.get("version"), int) and data["version"] > VERSION:
        raise BadInput("version", says("this-bothy-reads-up", data=data["version"], version=VERSION))
    try:
        manifest = Manifest.model_validate(data)
    except ValidationError as exc:
        said = explain(exc)
        raise BadInput("manifest", f"{said.key}: {said.message.partition(': ')[2] or said.message}") from None
    whole = _read(z, PROJECT, project_file.MAX_BYTES)
    if hashlib.sha256(whole).hexdigest() != manifest.project_sha256:
        raise BadInput("project", says("damaged-bytes-not-those-that"))
    try:
        text = whole.decode()
    except UnicodeDecodeError:
        raise BadInput("project", says("not-utf")) from None
    extra = set(names) - {MANIFEST, PROJECT, *(f"photos/{x.sha256}.jpg" for x in manifest.photos)}
    if extra:
        raise BadInput("file", says("holds-which-list-doesnt", extra=sorted(extra)[0][:80]))
    return Archive(text, manifest, z)

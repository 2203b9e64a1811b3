"""The project file: JSON with a published JSON Schema. Out and in again gives the same designs, to the last digit."""

from __future__ import annotations

import json
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field

from bothy.core.contract import BadInput
from bothy.core.design.document import SCHEMA_VERSION, Design, load_design
from bothy.core.plain import not_text

FORMAT = "bothy-project"
MAX_BYTES = 8_000_000


class VariantOut(BaseModel):
    """One variant of the project with its current design."""

    model_config = ConfigDict(extra="forbid")
    name: str = Field(min_length=1, max_length=120)
    design: Design


class ProjectFile(BaseModel):
    """A project with its variants."""

    model_config = ConfigDict(extra="forbid", title="Bothy project file")
    format: Literal["bothy-project"] = "bothy-project"
    schema_version: Literal[1] = 1
    name: str = Field(min_length=1, max_length=120)
    variants: list[VariantOut] = Field(min_length=1, max_length=50)


def schema() -> dict[str, Any]:
    """The published JSON Schema of the project file."""
    made = ProjectFile.model_json_schema()
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "$id": "bothy-project-1", **made}


def write(name: str, variants: list[tuple[str, Design | str]]) -> str:
    """The text of a project file. A design that can't be read any more comes as its stored text, and goes out as it is."""

    def plain(d: Design | str) -> Any:
        if isinstance(d, Design):
            return d.model_dump(mode="json")
        try:
            return json.loads(d)
        except json.JSONDecodeError:
            return d

    file = {"format": FORMAT, "schema_version": SCHEMA_VERSION, "name": name, "variants": [{"name": n, "design": plain(d)} for n, d in variants]}
    return json.dumps(file, indent=1, ensure_ascii=False) + "\n"


def read(text: str) -> ProjectFile:
    """A project file from its text. Raises :class:`BadInput` that says where it is damaged and what would be right."""
    if not text.strip():
        raise BadInput("file", "is empty; choose a Bothy project file (.bothy.json)")
    try:
        data = json.loads(text)
    except json.JSONDecodeError as exc:
        raise BadInput("file", f"is not JSON: {exc.msg} at line {exc.lineno}, column {exc.colno}") from None
    except ValueError as exc:
        raise BadInput("file", f"holds a number that can't be read: {str(exc)[:100]}") from None
    except RecursionError:
        raise BadInput("file", "is nested too deeply to be a Bothy project file") from None
    if isinstance(data, dict):
        for key in ("name", "format"):
            if isinstance(data.get(key), str) and (why := not_text(data[key])):
                raise BadInput(key, why)
    if not isinstance(data, dict) or data.get("format") != FORMAT:
        raise BadInput("format", f"must be “{FORMAT}”; this is not a Bothy project file")
    version = data.get("schema_version")
    if isinstance(version, bool) or not isinstance(version, int):
        raise BadInput("schema_version", "must be a whole number")
    if version > SCHEMA_VERSION:
        raise BadInput("schema_version", f"is {version}; this Bothy reads up to {SCHEMA_VERSION}. Use a newer Bothy for this file")
    name = data.get("name")
    if not isinstance(name, str) or not 1 <= len(name) <= 120:
        raise BadInput("name", "must be a text of 1 to 120 characters")
    variants = data.get("variants")
    if not isinstance(variants, list) or not 1 <= len(variants) <= 50:
        raise BadInput("variants", "must be a list of 1 to 50 variants")
    unknown = sorted(set(data) - {"format", "schema_version", "name", "variants"})
    if unknown:
        raise BadInput(unknown[0], "is not a known key of a project file")
    out: list[VariantOut] = []
    for i, item in enumerate(variants):
        if not isinstance(item, dict) or not isinstance(item.get("name"), str) or not 1 <= len(item["name"]) <= 120:
            raise BadInput("name", "must be a text of 1 to 120 characters", f"variants[{i}].name")
        if why := not_text(item["name"]):
            raise BadInput("name", why, f"variants[{i}].name")
        try:
            out.append(VariantOut.model_construct(name=item["name"], design=load_design(item.get("design"))))
        except BadInput as exc:
            where, _, rest = exc.message.partition(": ")
            raise BadInput(exc.key, rest, f"variants[{i}].design.{where}") from None
    if len({v.name for v in out}) != len(out):
        raise BadInput("name", "two variants have the same name", "variants")
    return ProjectFile.model_construct(format="bothy-project", schema_version=1, name=name, variants=out)

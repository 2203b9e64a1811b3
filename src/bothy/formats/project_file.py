"""The project file: JSON with a published JSON Schema. Out and in again gives the same designs, to the last digit, and the same evidence."""

from __future__ import annotations

import datetime as dt
import json
from collections.abc import Sequence
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from bothy.core.contract import BadInput, explain
from bothy.core.design.document import SCHEMA_VERSION, Design, load_design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Entry, Evidence, added, entries_between, facts_of
from bothy.core.facts.old import facts_of_v1
from bothy.core.plain import check, not_text
from bothy.core.words.says import formats_says as says

FORMAT = "bothy-project"
MAX_BYTES = 8_000_000
MOST_ENTRIES = 20_000


class VariantOut(BaseModel):
    """One variant of the project with its current design."""

    model_config = ConfigDict(extra="forbid")
    name: str = Field(min_length=1, max_length=120)
    design: Design


class ProjectFile(BaseModel):
    """A project with its variants; ``building`` names the one that is being built, and the evidence is of it."""

    model_config = ConfigDict(extra="forbid", title="Bothy project file")
    format: Literal["bothy-project"] = "bothy-project"
    schema_version: Literal[3] = 3
    name: str = Field(min_length=1, max_length=120)
    variants: list[VariantOut] = Field(min_length=1, max_length=50)
    building: str = Field("", max_length=120)
    evidence: list[Evidence] = Field([], max_length=MOST_ENTRIES)


def schema() -> dict[str, Any]:
    """The published JSON Schema of the project file."""
    made = ProjectFile.model_json_schema()
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "$id": "bothy-project-2", **made}


def write(name: str, variants: list[tuple[str, Design | str]], building: str = "", evidence: Sequence[Evidence] = ()) -> str:
    """The text of a project file. A design that can't be read any more comes as its stored text, and goes out as it is."""

    def plain(d: Design | str) -> Any:
        if isinstance(d, Design):
            return d.model_dump(mode="json")
        try:
            return json.loads(d)
        except json.JSONDecodeError:
            return d

    def entry(e: Evidence) -> dict[str, Any]:
        out = e.model_dump(mode="json")
        if out["judged"] is not None:
            out["judged"]["variant"] = building  # ids are the database's own
        return out

    file = {
        "format": FORMAT,
        "schema_version": SCHEMA_VERSION,
        "name": name,
        "building": building or variants[0][0],
        "variants": [{"name": n, "design": plain(d)} for n, d in variants],
        "evidence": [entry(e) for e in evidence],
    }
    return json.dumps(file, indent=1, ensure_ascii=False) + "\n"


def read(text: str) -> ProjectFile:
    """A project file from its text. Raises :class:`BadInput` that says where it is damaged and what would be right."""
    if not text.strip():
        raise BadInput("file", says("empty-choose-bothy-project"))
    try:
        data = json.loads(text)
    except json.JSONDecodeError as exc:
        raise BadInput("file", says("not-json-at-line", msg=exc.msg, lineno=exc.lineno, colno=exc.colno)) from None
    except ValueError as exc:
        raise BadInput("file", says("holds-number-that-cant", exc=str(exc)[:100])) from None
    except RecursionError:
        raise BadInput("file", says("nested-too-deeply-to")) from None
    if isinstance(data, dict):
        for key in ("name", "format"):
            if isinstance(data.get(key), str) and (why := not_text(data[key])):
                raise BadInput(key, why)
    if not isinstance(data, dict) or data.get("format") != FORMAT:
        raise BadInput("format", says("must-be-this-not", format=FORMAT))
    version = data.get("schema_version")
    if isinstance(version, bool) or not isinstance(version, int):
        raise BadInput("schema_version", says("must-be-whole-number"))
    if version > SCHEMA_VERSION:
        raise BadInput("schema_version", says("this-bothy-reads-up-to", version=version, schema_version=SCHEMA_VERSION))
    name = data.get("name")
    if not isinstance(name, str) or not 1 <= len(name) <= 120:
        raise BadInput("name", says("must-be-text-to"))
    variants = data.get("variants")
    if not isinstance(variants, list) or not 1 <= len(variants) <= 50:
        raise BadInput("variants", says("must-be-list-to"))
    unknown = sorted(set(data) - {"format", "schema_version", "name", "variants", *(("building", "evidence") if version > 1 else ())})
    if unknown:
        raise BadInput(unknown[0], says("not-known-key-project"))
    out: list[VariantOut] = []
    for i, item in enumerate(variants):
        if not isinstance(item, dict) or not isinstance(item.get("name"), str) or not 1 <= len(item["name"]) <= 120:
            raise BadInput("name", says("must-be-text-to"), f"variants[{i}].name")
        if why := not_text(item["name"]):
            raise BadInput("name", why, f"variants[{i}].name")
        try:
            out.append(VariantOut.model_construct(name=item["name"], design=load_design(item.get("design"))))
        except BadInput as exc:
            where, _, rest = exc.message.partition(": ")
            raise BadInput(exc.key, rest, f"variants[{i}].design.{where}") from None
    if len({v.name for v in out}) != len(out):
        raise BadInput("name", says("two-variants-have-same"), "variants")
    building, evidence = _old_facts(variants) if version == 1 else _facts(data, {v.name for v in out})
    return ProjectFile.model_construct(name=name, variants=out, building=building or out[0].name, evidence=evidence)


def _old_facts(variants: list[Any]) -> tuple[str, list[Evidence]]:
    """Of a file of version 1, where readings stood in the designs: the variant that holds most of them, and those as evidence."""
    best: tuple[str, list[Entry]] = ("", [])
    for i, item in enumerate(variants):
        try:
            entries = entries_between(Facts(), facts_of_v1(item["design"]))
        except BadInput as exc:
            raise BadInput(exc.key, exc.message.partition(": ")[2] or exc.message, f"variants[{i}].design.{exc.key}") from None
        if len(entries) > len(best[1]):
            best = (item["name"], entries)
    return best[0], list(added((), best[1]))


def _facts(data: dict[str, Any], names: set[str]) -> tuple[str, list[Evidence]]:
    """Which variant is being built, and the evidence. Raises :class:`BadInput`."""
    building, entries = data.get("building", ""), data.get("evidence", [])
    if not isinstance(building, str) or (building and building not in names):
        raise BadInput("building", says("must-be-name-one"))
    if not isinstance(entries, list) or len(entries) > MOST_ENTRIES:
        raise BadInput("evidence", says("must-be-list-at", most_entries=f"{MOST_ENTRIES:,}"))
    out: list[Evidence] = []
    for i, item in enumerate(entries):
        check(item, f"/evidence/{i}")
        try:
            e = Evidence.model_validate(item)
            if e.made_at:
                dt.datetime.fromisoformat(e.made_at)
        except ValidationError as exc:
            said = explain(exc)
            raise BadInput(said.key, said.message.partition(": ")[2] or said.message, f"evidence[{i}].{said.key}") from None
        except ValueError:
            raise BadInput("made_at", says("must-be-date-and"), f"evidence[{i}].made_at") from None
        if e.number != i + 1:
            raise BadInput("number", says("must-be-entries-numbered", i=i + 1), f"evidence[{i}].number")
        out.append(e)
    for i in range(len(out)):
        if out[i].corrects is not None and not 0 < (out[i].corrects or 0) <= i:
            raise BadInput("corrects", says("must-be-number-entry"), f"evidence[{i}].corrects")
    facts_of(out)
    return building, out

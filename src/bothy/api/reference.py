"""What does not belong to a project: calculators, quantities, the catalogue, places, file schema, appliance lists."""

from __future__ import annotations

from collections.abc import Iterator
from functools import cache
from pathlib import Path
from typing import Annotated, Any

from fastapi import APIRouter, Body, Request
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel, Field

from bothy.core.book import WorkingOut
from bothy.core.calculators import CALCULATORS, plain_answer, worked_answer
from bothy.core.catalogue.climates import climates
from bothy.core.catalogue.materials import materials
from bothy.core.catalogue.parts import Part, appliance_fields, parts
from bothy.core.contract import BadInput
from bothy.core.design.fields import field_keys
from bothy.core.design.warmth import BuildUp
from bothy.core.figure import label_of, unit_of
from bothy.core.figure_keys import read_unit
from bothy.core.finding import RULES
from bothy.core.region import REGIONS
from bothy.core.units import parse
from bothy.core.warmth.presets import BUILD_UPS
from bothy.core.warmth.surfaces import worked
from bothy.core.words.choices import words_in
from bothy.core.words.says import api_says as says
from bothy.formats import appliances_csv, archive, project_file
from bothy.formats.method_pages import MethodPage, read_pages
from bothy.formats.workbook import from_xlsx
from bothy.jobs.bounded import BOUNDED

router = APIRouter(prefix="/api", tags=["reference"])


class Word(BaseModel):
    """A key of a contract or a design in words, and its unit."""

    label: str
    unit: str


class CalculatorItem(BaseModel):
    """A calculator: its contract as JSON Schema, an example input, and its keys and choices in words."""

    name: str
    field: str
    title: str
    question: str
    caution: str
    input_schema: dict[str, Any]
    example: dict[str, Any]
    words: dict[str, Word]
    choices: dict[str, str]


class BackupItem(BaseModel):
    """When the last backup was made; None: never, or nobody knows here. ``known`` is False where Bothy runs on a database of its own choosing."""

    known: bool
    last: str | None


class QuantityText(BaseModel):
    text: str = Field(max_length=200)
    dimension: str = Field(max_length=40)
    default_unit: str | None = Field(None, max_length=20)


class QuantityOut(BaseModel):
    value: float
    unit: str
    understood: str
    awg: str | None


class PlaceItem(BaseModel):
    place: str
    name: str
    country: str


class CatalogueItem(Part[dict[str, Any]]):
    """A part; for appliances ``fields`` are those of a new appliance of the design."""

    fields: dict[str, Any] | None = None


class MaterialItem(BaseModel):
    """A material of a build-up: W/(m·K), kg/m³, vapour resistance factor, what the trade says of it."""

    key: str
    name: str
    conductivity_w_mk: float
    density_kg_m3: float
    mu: float
    notes: str


class BuildUpItem(BaseModel):
    """A build-up to start from, with its U-value through a wall (or a floor) and its thickness."""

    build_up: BuildUp
    u_w_m2k: float
    thickness_mm: float
    floor: bool


class TableText(BaseModel):
    """CSV or pasted cells."""

    text: str = Field(max_length=3_000_000)


class ApplianceTable(TableText):
    """A table of appliances; ``columns`` and ``mains`` answer what its preview asked: headings -> fields, lines -> whether on the mains."""

    system_v: float = Field(12.0, ge=6, le=100)
    columns: dict[str, str] = Field({}, max_length=100)
    mains: dict[int, bool] = Field({}, max_length=5000)


class CellText(BaseModel):
    """A text typed into one cell of the appliance ledger; ``appliance`` is the line as it stands."""

    field: appliances_csv.Cell
    text: str = Field(max_length=20_000)
    appliance: dict[str, Any] = {}


class CellOut(BaseModel):
    """The fields that change, and what was understood."""

    fields: dict[str, Any]
    understood: str


class CalcAnswer(BaseModel):
    """Output of a calculator, the working of each output that is a formula, and the titles of the rules that it names, by their ids."""

    output: dict[str, Any]
    working: dict[str, WorkingOut]
    rules: dict[str, str]


class RegionItem(BaseModel):
    key: str
    name: str
    mains_v: float
    wire_series: str
    licensed: str


def _keys(schema: Any) -> Iterator[str]:
    """All property names of a JSON Schema, at any depth."""
    if isinstance(schema, dict):
        yield from schema.get("properties", {})
        for part in schema.values():
            yield from _keys(part)
    elif isinstance(schema, list):
        for part in schema:
            yield from _keys(part)


def _rules(output: Any) -> Iterator[tuple[str, str]]:
    """Id and title of each rule that an output names."""
    if isinstance(output, str):
        if output in RULES:
            yield output, RULES[output].title
    elif isinstance(output, dict | list):
        for part in output.values() if isinstance(output, dict) else output:
            yield from _rules(part)


@cache
def _calculators() -> list[CalculatorItem]:
    out = []
    for c in CALCULATORS.values():
        contract = c.input.model_json_schema()
        answer = c.output.model_json_schema()
        keys = {*_keys(contract), *_keys(answer)}
        words = {k: Word(label=label_of(k), unit=read_unit(f"{c.field}/{k}", unit_of(k))) for k in sorted(keys)}
        out.append(
            CalculatorItem(
                name=c.name,
                field=c.field,
                title=c.title,
                question=c.question,
                caution=c.caution,
                input_schema=contract,
                example=c.example,
                words=words,
                choices=words_in(contract, answer),
            )
        )
    return out


@router.get("/backup", operation_id="getBackup")
def get_backup(request: Request) -> BackupItem:
    """When everything was last backed up by ``./bothy backup``."""
    note = request.app.state.backup_note
    try:
        last = Path(note).read_text(encoding="ascii").strip() if note else None
    except OSError:
        last = None
    return BackupItem(known=bool(note), last=last)


@router.get("/labels", operation_id="labels")
def labels() -> dict[str, Word]:
    """What each field of a design is called, and its unit, by its key."""
    return {key: Word(label=label_of(key), unit=unit_of(key)) for key in sorted(field_keys())}


@router.get("/calculators", operation_id="listCalculators")
def list_calculators() -> list[CalculatorItem]:
    return _calculators()


@router.post("/calc/{name}", operation_id="calculate")
def calc(name: str, body: Annotated[Any, Body()]) -> dict[str, Any]:
    """A calculator's plain output; in a process of its own, so that nothing else waits for a long one."""
    answer: dict[str, Any] = BOUNDED.run("input", plain_answer, name, body)
    return answer


@router.post("/calc/{name}/working", operation_id="calculateWithWorking")
def calc_working(name: str, body: Annotated[Any, Body()]) -> CalcAnswer:
    """A calculator's output with its working."""
    output, working = BOUNDED.run("input", worked_answer, name, body)
    return CalcAnswer(output=output, working=working, rules=dict(_rules(output)))


@router.post("/quantity", operation_id="readQuantity")
def read_quantity(body: QuantityText) -> QuantityOut:
    q = parse(body.text, body.dimension, body.default_unit)
    return QuantityOut(value=q.value, unit=q.unit, understood=q.understood, awg=q.awg)


@router.get("/places", operation_id="listPlaces")
def list_places() -> list[PlaceItem]:
    return [PlaceItem(place=c.place, name=c.name, country=c.country) for c in sorted(climates().values(), key=lambda c: c.name)]


@router.get("/catalogue", operation_id="listParts")
def list_parts() -> list[CatalogueItem]:
    return [CatalogueItem(**p.model_dump(), fields=appliance_fields(p) if p.kind == "appliance" else None) for p in parts().values()]


@router.get("/materials", operation_id="listMaterials")
def list_materials() -> list[MaterialItem]:
    return [
        MaterialItem(key=m.key, name=m.name, conductivity_w_mk=m.conductivity_w_mk, density_kg_m3=m.density_kg_m3, mu=m.mu, notes=m.notes)
        for m in materials().values()
    ]


@router.get("/build-ups", operation_id="listBuildUps")
def list_build_ups() -> list[BuildUpItem]:
    out = []
    for b in BUILD_UPS:
        floor = b.id.startswith("floor")
        w = worked(b, "down" if floor else "horizontal")
        out.append(BuildUpItem(build_up=b, u_w_m2k=w.u_value_w_m2k, thickness_mm=w.thickness_mm, floor=floor))
    return out


@router.get("/regions", operation_id="listRegions")
def list_regions() -> list[RegionItem]:
    return [RegionItem(key=r.key, name=r.name, mains_v=r.mains_v, wire_series=r.wire_series, licensed=r.licensed) for r in REGIONS.values()]


@router.post("/appliances/preview", operation_id="previewAppliances")
def preview_appliances(body: ApplianceTable) -> appliances_csv.Preview:
    read: appliances_csv.Preview = BOUNDED.run("file", appliances_csv.preview, body.text, body.system_v, body.columns, body.mains)
    return read


@router.post("/table/xlsx", operation_id="readWorkbook")
async def read_workbook(request: Request) -> TableText:
    """The first sheet of an XLSX workbook (the body) as text with tabs, ready for a preview."""
    return TableText(text=await run_in_threadpool(BOUNDED.run, "file", from_xlsx, await request.body()))


@router.post("/appliances/cell", operation_id="readApplianceCell")
def read_appliance_cell(body: CellText) -> CellOut:
    known = {k: v for k, v in body.appliance.items() if k in (*appliances_csv.POWER_FORMS, *appliances_csv.USE_FORMS)}
    for key, value in known.items():
        if value is not None and (isinstance(value, bool) or not isinstance(value, (int, float)) or not -1e9 < value < 1e9):
            raise BadInput(key, says("must-be-number-or"))
    try:
        fields, understood = appliances_csv.read_cell(body.field, body.text, known)
    except KeyError:
        raise BadInput("appliance", says("has-no-power-yet")) from None
    return CellOut(fields=fields, understood=understood)


@router.get("/schema/project.json", operation_id="projectSchema")
def project_schema() -> dict[str, Any]:
    return project_file.schema()


@router.get("/schema/archive.json", operation_id="archiveSchema")
def archive_schema() -> dict[str, Any]:
    """The JSON Schema of an archive's list."""
    return archive.schema()


@cache
def _pages(folder: str) -> list[MethodPage]:
    return read_pages(Path(folder))


@router.get("/method", operation_id="getMethod")
def get_method(request: Request) -> list[MethodPage]:
    """How everything is reckoned: the pages of the method with their sections, formulas and worked examples."""
    return _pages(request.app.state.method)

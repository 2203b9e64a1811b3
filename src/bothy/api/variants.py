"""Variants: the design and its report, edits by JSON Patch with If-Match, undo and redo, proposals, history."""

from __future__ import annotations

import datetime as dt
import re
import uuid
from collections.abc import Callable, Mapping, Sequence
from http import HTTPStatus
from typing import Annotated, Any, Literal, NamedTuple

import orjson
from fastapi import APIRouter, Header, Query, Response
from fastapi.responses import JSONResponse
from pydantic import AfterValidator, BaseModel, Field, StringConstraints

from bothy.api.problems import ProblemBody, problem
from bothy.api.projects import Title
from bothy.api.reference import TableText
from bothy.api.state import EDITS, TURNS, Cache, Kept, Reports, Standing, Store, computed, newest, standing
from bothy.core.book import FigureOut, WorkingOut
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.design.edit import PathGone, apply_patch, changed_paths
from bothy.core.facts.document import Facts
from bothy.core.facts.edit import apply_to_facts, of_facts
from bothy.core.facts.evidence import Evidence, entries_between, facts_of
from bothy.core.method.sources import SourceOut
from bothy.core.plain import as_text
from bothy.core.proposals.base import Group, Offered, Proposal, Reasons
from bothy.core.proposing import accept, propose, reasons
from bothy.core.recording import Recorded, record
from bothy.core.report import Report
from bothy.core.sent import Sent, change, fragments, sent
from bothy.core.sound import Sound
from bothy.core.wiring.diagram import Diagram
from bothy.core.wiring.lists import BenchLists, bench_lists
from bothy.core.words.says import api_says as says
from bothy.formats import circuits_table
from bothy.jobs.bounded import BOUNDED
from bothy.store.projects import MadeBefore, MoreFacts, NotBuilding, Projects, Stale, VariantHead

router = APIRouter(prefix="/api/variants", tags=["variants"])


class Trouble(BaseModel):
    """Why the newest revision can't be shown, and which one is shown instead (0: none can, an empty design stands in)."""

    shown: int
    reason: str


class Recordings(BaseModel):
    """What was measured of the variant that is being built: the facts as they stand, the number of their newest entry, and which variant is being built."""

    building: bool
    building_name: str
    number: int
    facts: Facts


class VariantState(BaseModel):
    """A variant at its newest revision, with everything computed from it; where that can't be, as it stood before, and why."""

    project_id: uuid.UUID
    project_name: str
    id: uuid.UUID
    name: str
    revision: int
    can_undo: bool
    can_redo: bool
    trouble: Trouble | None
    design: Design
    recorded: Recordings
    report: Report


class PatchOp(BaseModel):
    """One operation of a JSON Patch (RFC 6902)."""

    op: Literal["add", "remove", "replace", "move", "copy", "test"]
    path: str = Field(max_length=400)
    value: Any = None
    from_: str | None = Field(None, alias="from", max_length=400)


class Edit(BaseModel):
    """A change: operations that are taken together or not at all. Paths under ``/facts`` change what was measured: each item becomes an entry of the
    evidence."""

    ops: list[PatchOp] = Field(min_length=1)
    message: Annotated[str, StringConstraints(max_length=200), AfterValidator(as_text)] = "edit"
    author: Annotated[str, StringConstraints(min_length=1, max_length=80), AfterValidator(as_text)] = "you"

    @property
    def measures(self) -> bool:
        """Whether it changes what was measured. Raises :class:`BadInput` where it changes the design as well."""
        return of_facts([op.model_dump() for op in self.ops])


class ReportChange(BaseModel):
    """What of the report changed."""

    sections: dict[str, Any]
    figures: dict[str, FigureOut]
    gone: list[str]


class Edited(BaseModel):
    """The new revision, its design and the changed part of the report."""

    revision: int
    can_undo: bool
    can_redo: bool
    design: Design
    recorded: Recordings
    change: ReportChange
    taken: list[str] = []


class Previewed(BaseModel):
    """What a change would do to the report. Nothing is saved."""

    change: ReportChange


class Conflict(BaseModel):
    """The design moved on under an edit: what changed since, by path."""

    error: dict[str, str]
    head: int
    changed: list[str]


class AcceptProposals(BaseModel):
    """Proposals to take; all of them when ``ids`` is absent."""

    ids: list[str] | None = Field(None, max_length=500)
    groups: list[Group] | None = None


class HistoryItem(BaseModel):
    number: int
    state: int
    message: str
    author: str
    created_at: dt.datetime


class NewVariant(BaseModel):
    """A copy of a variant, with a change made to it at once."""

    name: Title
    ops: list[PatchOp] = Field([], max_length=200)


class MadeVariant(BaseModel):
    id: uuid.UUID


REVISION = re.compile(r"[0-9]{1,9}")
EditId = Annotated[uuid.UUID | None, Header(alias="Edit-Id", description="the sender's own id of the change: sent again, it is not made again")]
FactsMatch = Annotated[
    int | None, Header(alias="Facts-Match", ge=0, description="the newest entry of evidence that the sender has seen; without it nothing is compared")
]
IfMatch = Annotated[str, Header(alias="If-Match", description="the revision the edit was made on")]
REFUSALS: dict[int | str, dict[str, Any]] = {412: {"model": Conflict}, 422: {"model": ProblemBody}, 503: {"model": ProblemBody}}


def _expected(if_match: str) -> int:
    text = if_match.strip().strip('"')
    if not REVISION.fullmatch(text):
        raise BadInput("If-Match", says("must-be-number-revision"))
    return int(text)


def _conflict(store: Projects, id: uuid.UUID, expected: int, head: int) -> JSONResponse:
    """412 with the paths that changed since the revision the edit was made on."""
    try:
        changed = changed_paths(store.design_at(id, expected).model_dump(mode="json"), store.design_at(id, head).model_dump(mode="json"))
    except (LookupError, BadInput):
        changed = ["/"]
    return problem(412, "revision", says("design-was-changed-meanwhile", head=head, expected=expected), head=head, changed=changed)


def _moved(store: Projects, head: VariantHead, expected: int, seen: int | None) -> JSONResponse | None:
    """The refusal where design or evidence have moved on since the sender saw them."""
    if head.revision != expected:
        return _conflict(store, head.variant_id, expected, head.revision)
    if seen is None or seen == newest(head.evidence):
        return None
    then = facts_of(e for e in head.evidence if e.number <= seen)
    changed = changed_paths({"facts": then.model_dump(mode="json")}, {"facts": facts_of(head.evidence).model_dump(mode="json")})
    told = says("something-was-measured-meanwhile", newest=newest(head.evidence), seen=seen)
    return problem(412, "facts", told, head=head.revision, changed=changed)


def _recorded(head: VariantHead, kept: Kept) -> dict[str, Any]:
    """What was measured, as it goes into an answer."""
    return {"building": head.building, "building_name": head.building_name, "number": kept.facts, "facts": orjson.Fragment(kept.told)}


def _made_before(store: Projects, reports: Reports, id: uuid.UUID, edit: uuid.UUID | None) -> Response | None:
    """The answer to a change that was made already, whose first answer was lost: the design as it stands now. None for a new one."""
    if not store.made_by(id, edit):
        return None
    head, kept = standing(store, reports, id)
    body = {
        "revision": head.revision,
        "can_undo": head.can_undo,
        "can_redo": head.can_redo,
        "design": fragments(kept.sent.document),
        "recorded": _recorded(head, kept),
        "change": change(None, kept.sent),
        "taken": [],
    }
    return answer(body, head.revision)


def _once(store: Projects, reports: Reports, id: uuid.UUID, edit_id: uuid.UUID | None, make: Callable[[], Response]) -> Response:
    """What a change is answered, made once: one of that id that was made is answered again, also where the same was sent twice and the other was quicker.

    A change that was made moved the variant on, so that the same again is refused; only then its id is looked for.
    """
    with EDITS:
        try:
            made = make()
        except MadeBefore:
            made = None
        if made is None or made.status_code == HTTPStatus.PRECONDITION_FAILED:
            made = _made_before(store, reports, id, edit_id) or made
    return made or problem(409, "Edit-Id", says("change-was-made-and"))


class Tried(NamedTuple):
    """What stands, and the design with an edit made on it and computed; ``new`` are the entries where what was measured was edited."""

    now: Standing
    one: Sound
    new: tuple[Evidence, ...]


def _tried(store: Projects, reports: Reports, id: uuid.UUID, expected: int, seen: int | None, body: Edit) -> Tried | JSONResponse:
    """The edit made and computed; or the refusal, when the head has moved on or a path is gone."""
    now = standing(store, reports, id)
    if (refused := _moved(store, now.head, expected, seen)) is not None:
        return refused
    ops = [op.model_dump(by_alias=True, exclude={"from_"} if op.from_ is None else set()) for op in body.ops]
    try:
        if not body.measures:
            return Tried(now, computed(apply_patch(now.head.design, ops), now.head.evidence, now.kept.report), ())
        if not now.head.building:
            raise NotBuilding(now.head.building_name)
        facts = facts_of(now.head.evidence)
        with TURNS:
            made: Recorded = record(
                now.head.design,
                now.head.evidence,
                entries_between(facts, apply_to_facts(facts, ops)),
                variant=str(id),
                revision=expected,
                author=body.author,
                made_at=dt.datetime.now(dt.UTC).isoformat(timespec="seconds"),
                before=now.kept.report,
            )
        return Tried(now, made.one, made.new)
    except PathGone as exc:
        return problem(409, exc.key, exc.message)


def answer(body: Mapping[str, Any] | Sequence[Any], revision: int) -> Response:
    """Plain data as JSON, with the revision as its tag. The data is plain already, so no second validation."""
    return Response(orjson.dumps(body), media_type="application/json", headers={"etag": f'"{revision}"'})


def _edited(
    reports: Reports,
    head: VariantHead,
    new: int,
    one: Sent,
    evidence: tuple[Evidence, ...],
    before: Kept | None,
    *,
    can_undo: bool,
    can_redo: bool,
    taken: list[str] | None = None,
) -> Response:
    kept = reports.keep(head.variant_id, new, one, evidence)
    body = {
        "revision": new,
        "can_undo": can_undo,
        "can_redo": can_redo,
        "design": fragments(one.document),
        "recorded": _recorded(head, kept),
        "change": change(before.sent if before else None, one),
        "taken": taken or [],
    }
    return answer(body, new)


@router.get("/{variant_id}", operation_id="getVariant", response_model=VariantState)
def get_variant(variant_id: uuid.UUID, store: Store, reports: Cache) -> Response:
    with EDITS:
        h, kept = standing(store, reports, variant_id)
    body = {
        "project_id": str(h.project_id),
        "project_name": h.project_name,
        "id": str(h.variant_id),
        "name": h.variant_name,
        "revision": h.revision,
        "can_undo": h.can_undo,
        "can_redo": h.can_redo,
        "trouble": {"shown": h.shown, "reason": h.trouble} if h.trouble else None,
        "design": fragments(kept.sent.document),
        "recorded": _recorded(h, kept),
        "report": {**fragments(kept.sent.sections), "figures": kept.sent.figures},
    }
    return answer(body, h.revision)


@router.get("/{variant_id}/working", operation_id="getWorking", response_model=dict[str, WorkingOut], responses={404: {"model": ProblemBody}})
def get_working(variant_id: uuid.UUID, revision: int, key: Annotated[str, Query(max_length=300)], store: Store, reports: Cache) -> Response:
    """How one figure of a revision was reached: itself and all it was computed from, by key."""
    kept = reports.known(variant_id, revision) or standing(store, reports, variant_id, revision).kept
    try:
        return answer(kept.report.working(key), revision)
    except KeyError:
        return problem(404, "key", says("there-no-figure-at", key=key, revision=revision))


@router.get("/{variant_id}/sources", operation_id="getSources", response_model=list[SourceOut])
def get_sources(variant_id: uuid.UUID, revision: int, store: Store, reports: Cache) -> Response:
    """What the figures and findings of a revision rest on: methods in their order, then standards, makers and own choices."""
    kept = reports.known(variant_id, revision) or standing(store, reports, variant_id, revision).kept
    return answer(kept.report.sources(), revision)


@router.patch("/{variant_id}", operation_id="editVariant", response_model=Edited, responses=REFUSALS)
def edit_variant(
    variant_id: uuid.UUID, body: Edit, if_match: IfMatch, store: Store, reports: Cache, edit_id: EditId = None, facts_match: FactsMatch = None
) -> Response:
    """An edit of the design makes a revision; one of what was measured (``/facts/…``) adds entries to the evidence, which no undo takes back."""
    expected = _expected(if_match)
    if body.measures and (before := _made_before(store, reports, variant_id, edit_id)) is not None:
        return before  # what was measured moves no revision: the same again would be taken down twice
    return _once(store, reports, variant_id, edit_id, lambda: _edit(store, reports, variant_id, expected, facts_match, body, edit_id))


def _edit(store: Projects, reports: Reports, variant_id: uuid.UUID, expected: int, facts_match: int | None, body: Edit, edit_id: uuid.UUID | None) -> Response:
    tried = _tried(store, reports, variant_id, expected, facts_match, body)
    if isinstance(tried, JSONResponse):
        return tried
    now, one, new = tried
    head, written = now.head, sent(one, now.kept.sent)
    try:
        if body.measures:
            store.take_down(variant_id, expected, newest(head.evidence), new, edit_id)
            return _edited(reports, head, expected, written, (*head.evidence, *new), now.kept, can_undo=head.can_undo, can_redo=head.can_redo)
        revision = store.save(variant_id, expected, one, body.message, body.author, edit_id, written.text())
    except Stale as exc:
        return _conflict(store, variant_id, expected, exc.head)
    except MoreFacts:
        refused = _moved(store, store.head(variant_id), expected, newest(head.evidence))
        return refused or problem(412, "facts", says("something-was-measured-meanwhile-2"), head=expected, changed=["/facts"])
    return _edited(reports, head, revision, written, head.evidence, now.kept, can_undo=True, can_redo=False)


@router.post("/{variant_id}/preview", operation_id="previewEdit", response_model=Previewed, responses=REFUSALS)
def preview_edit(variant_id: uuid.UUID, body: Edit, if_match: IfMatch, store: Store, reports: Cache, facts_match: FactsMatch = None) -> Response:
    """What an edit would change, without making it."""
    expected = _expected(if_match)
    tried = _tried(store, reports, variant_id, expected, facts_match, body)
    if isinstance(tried, JSONResponse):
        return tried
    before = tried.now.kept.sent
    return answer({"change": change(before, sent(tried.one, before))}, expected)


@router.put("/{variant_id}/building", operation_id="buildVariant", status_code=204)
def build_variant(variant_id: uuid.UUID, store: Store) -> None:
    """This variant is the one that is being built: what was and will be measured belongs to it."""
    store.build(variant_id)


class EvidenceItem(BaseModel):
    """One entry of the evidence. ``payload`` None: struck."""

    number: int
    kind: str
    subject: str
    payload: dict[str, Any] | None
    corrects: int | None
    revision: int | None
    author: str
    made_at: str


@router.get("/{variant_id}/evidence", operation_id="listEvidence")
def list_evidence(variant_id: uuid.UUID, store: Store) -> list[EvidenceItem]:
    """Every entry of the variant's project, newest first: what was measured, corrected and struck, when and by whom."""
    entries = store.evidence(store.head(variant_id).project_id)
    return [
        EvidenceItem(
            number=e.number,
            kind=e.kind,
            subject=e.subject,
            payload=e.payload,
            corrects=e.corrects,
            revision=e.judged.revision if e.judged else None,
            author=e.author,
            made_at=e.made_at,
        )
        for e in reversed(entries)
    ]


@router.post("/{variant_id}/copy", operation_id="copyVariant", status_code=201)
def copy_variant(variant_id: uuid.UUID, body: NewVariant, store: Store, reports: Cache) -> MadeVariant:
    now = standing(store, reports, variant_id)
    ops = [op.model_dump(by_alias=True, exclude_unset=True) for op in body.ops]
    one = computed(apply_patch(now.head.design, ops))
    id = store.copy_variant(variant_id, body.name, "you", one)
    reports.keep(id, 1, sent(one), ())
    return MadeVariant(id=id)


@router.post("/{variant_id}/{direction}", operation_id="stepVariant", response_model=Edited, responses=REFUSALS)
def step_variant(
    variant_id: uuid.UUID,
    direction: Literal["undo", "redo"],
    if_match: IfMatch,
    store: Store,
    reports: Cache,
    edit_id: EditId = None,
    facts_match: FactsMatch = None,
) -> Response:
    """Undo or redo of the design. What was measured stays measured."""
    expected = _expected(if_match)

    def step() -> Response:
        if (refused := _moved(store, store.head(variant_id), expected, facts_match)) is not None:
            return refused
        before = reports.known(variant_id, expected)
        try:
            new, one = store.step(
                variant_id, expected, direction, "you", edit_id, lambda design, evidence: computed(design, evidence, before and before.report)
            )
        except Stale as exc:
            return _conflict(store, variant_id, expected, exc.head)
        head = store.head(variant_id)
        return _edited(reports, head, new, sent(one, before.sent if before else None), head.evidence, before, can_undo=head.can_undo, can_redo=head.can_redo)

    return _once(store, reports, variant_id, edit_id, step)


@router.get("/{variant_id}/proposals", operation_id="listProposals", response_model=list[Offered])
def list_proposals(variant_id: uuid.UUID, store: Store, reports: Cache) -> list[Proposal]:
    """What Bothy would fit on the design as it stands; the reasons are told one by one."""
    return propose(standing(store, reports, variant_id).head.design)


@router.get("/{variant_id}/proposals/reasons", operation_id="getReasons", response_model=Reasons, responses={404: {"model": ProblemBody}})
def get_reasons(variant_id: uuid.UUID, revision: int, group: Group, id: Annotated[str, Query(max_length=200)], store: Store, reports: Cache) -> Response:
    """Why one proposal is made on the design of a revision, and what was assumed for it."""
    told = reasons(standing(store, reports, variant_id, revision).head.design, group, id)
    if told is None:
        return problem(404, "id", says("there-no-proposal-at", id=id, revision=revision))
    return answer(told.model_dump(mode="json"), revision)


@router.put("/{variant_id}/proposals", operation_id="acceptProposals", response_model=Edited, responses=REFUSALS)
def accept_proposals(
    variant_id: uuid.UUID, body: AcceptProposals, if_match: IfMatch, store: Store, reports: Cache, edit_id: EditId = None, facts_match: FactsMatch = None
) -> Response:
    expected = _expected(if_match)

    def take() -> Response:
        head, before = standing(store, reports, variant_id)
        if (refused := _moved(store, head, expected, facts_match)) is not None:
            return refused
        design, taken = accept(head.design, body.ids, body.groups or None)
        if not taken:
            raise BadInput("ids", says("there-nothing-to-take"))
        one = computed(design, head.evidence, before.report)
        written, told = sent(one, before.sent), says("took-proposals", taken_count=len(taken)) if len(taken) > 1 else says("took-proposal", taken=taken[0])
        try:
            new = store.save(variant_id, expected, one, told, "you", edit_id, written.text())
        except Stale as exc:
            return _conflict(store, variant_id, expected, exc.head)
        return _edited(reports, head, new, written, head.evidence, before, can_undo=True, can_redo=False, taken=taken)

    return _once(store, reports, variant_id, edit_id, take)


@router.get("/{variant_id}/lists", operation_id="getBenchLists")
def get_bench_lists(variant_id: uuid.UUID, store: Store, reports: Cache) -> BenchLists:
    """Labels, cable to buy, terminals, fuses with spares and the loop test, of the newest revision."""
    h, kept = standing(store, reports, variant_id)
    wiring = kept.report.wiring
    return bench_lists(h.design, wiring.circuits, wiring.raceways, wiring.others, facts_of(h.evidence))


@router.post("/{variant_id}/circuits/preview", operation_id="previewCircuits")
def preview_circuits(variant_id: uuid.UUID, body: TableText, store: Store, reports: Cache) -> circuits_table.CircuitPreview:
    """What a table of circuits means for the newest revision, line by line. Nothing is saved."""
    h, kept = standing(store, reports, variant_id)
    parts = kept.report.wiring.circuits
    read: circuits_table.CircuitPreview = BOUNDED.run("file", circuits_table.preview, body.text, h.design, {p.code: id for id, p in parts.items()})
    return read


@router.get("/{variant_id}/history", operation_id="listRevisions")
def list_revisions(variant_id: uuid.UUID, store: Store) -> list[HistoryItem]:
    return [HistoryItem.model_validate(r, from_attributes=True) for r in store.history(variant_id)]


@router.get("/{variant_id}/diagram", operation_id="getDiagram")
def get_diagram(
    variant_id: uuid.UUID,
    revision: int,
    store: Store,
    reports: Cache,
    fold: Annotated[list[str], Query(max_length=60)] = [],  # noqa: B006
) -> Diagram:
    """The single-line diagram of a revision; ``fold`` names boards (board:<id>) or the mains side (power:inverter) to show as one row."""
    kept = reports.known(variant_id, revision) or standing(store, reports, variant_id, revision).kept
    return kept.report.diagram(fold)

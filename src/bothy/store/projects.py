"""Repository of projects, variants and revisions: the only writer of their tables."""

from __future__ import annotations

import datetime as dt
import uuid
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any, NamedTuple

import orjson
from sqlalchemy import Engine, and_, bindparam, exists, func, insert, or_, select, update
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session, aliased

from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.facts.evidence import Evidence, Judged
from bothy.core.sound import Sound, sound
from bothy.core.words.says import store_says as says
from bothy.store.evidence import EvidenceLog, number_of
from bothy.store.tables import EvidenceRow, Project, Revision, Variant

EMPTY = Design()
PLAINLY: dict[str, Any] = {"execution_options": {"synchronize_session": False}}
"""A change in the database alone: nobody reads the object afterwards."""
MOST_BACK = 500
"""So many revisions are looked through for one that can be read."""


class Missing(LookupError):
    """There is no such project, variant or revision."""


class Stale(RuntimeError):
    """The variant moved on: ``head`` is its newest revision."""

    def __init__(self, head: int) -> None:
        super().__init__(says("design-at-revision", head=head))
        self.head = head


class NotBuilding(RuntimeError):
    """Facts belong to the variant that is being built, which is ``building``."""

    def __init__(self, building: str) -> None:
        super().__init__(says("what-measured-belongs-to", building=building))
        self.building = building


class MoreFacts(RuntimeError):
    """Somebody else took something down meanwhile: the evidence is at ``number``."""

    def __init__(self, number: int) -> None:
        super().__init__(says("evidence-at-entry", number=number))
        self.number = number


class MadeBefore(RuntimeError):
    """The change of that id was made already."""


class Damaged(BadInput):
    """A stored revision that today's code can't read."""


class Nothing(RuntimeError):
    """There is nothing to undo or redo."""


@dataclass(frozen=True, slots=True)
class VariantHead:
    """A variant: number of its newest revision, and the design of ``shown``, the newest that can be read (0 and an empty design where none can).

    ``trouble`` says why a newer one can't.
    """

    project_id: uuid.UUID
    project_name: str
    variant_id: uuid.UUID
    variant_name: str
    revision: int
    design: Design
    can_undo: bool
    can_redo: bool
    shown: int
    trouble: str | None
    building: bool
    building_name: str
    evidence: tuple[Evidence, ...]
    """All entries of the project where this is the variant that is being built; a plan that isn't built has none."""


@dataclass(frozen=True, slots=True)
class VariantRow:
    id: uuid.UUID
    name: str
    revision: int


@dataclass(frozen=True, slots=True)
class ProjectRow:
    id: uuid.UUID
    name: str
    demo: bool
    updated_at: dt.datetime
    variants: list[VariantRow]


PUT_AWAY_DAYS = 30
"""How long a deleted project can be brought back."""


class PutAway(NamedTuple):
    """A project that is deleted and not yet gone."""

    id: uuid.UUID
    name: str
    at: dt.datetime
    demo: bool


@dataclass(frozen=True, slots=True)
class Whole:
    """A project with everything in it: name, variants with their newest designs (as stored text where one can't be read), which is being built, and
    the evidence."""

    name: str
    variants: list[tuple[str, Design | str]]
    building: str
    evidence: tuple[Evidence, ...]


@dataclass(frozen=True, slots=True)
class RevisionRow:
    number: int
    state: int
    message: str
    author: str
    created_at: dt.datetime


_FIRST, _LATER = aliased(Revision), aliased(Revision)
_AROUND = (
    select(_FIRST.came_from, select(func.max(_LATER.number)).where(_LATER.variant_id == bindparam("id"), _LATER.came_from == Revision.state).scalar_subquery())
    .select_from(Revision)
    .join(_FIRST, and_(_FIRST.variant_id == Revision.variant_id, _FIRST.number == Revision.state))
    .where(Revision.variant_id == bindparam("id"), Revision.number == bindparam("number"))
)
"""Of a revision: the state that its state was made from, and the newest state that was made from its own. Built once: each leaves circles behind."""


def _text(design: Design) -> str:
    return orjson.dumps(design.model_dump(mode="json")).decode()


def _design(row: Revision) -> Design:
    """The design of a stored revision. Raises :class:`Damaged` where it can't be read."""
    try:
        return load_design(orjson.loads(row.document))
    except orjson.JSONDecodeError as exc:
        raise Damaged("document", says("revision-not-json", number=row.number, exc=exc)) from None
    except BadInput as exc:
        raise Damaged(exc.key, says("revision", number=row.number, message=exc.message.removeprefix(f"{exc.key}: "))) from None


def _now() -> dt.datetime:
    return dt.datetime.now(dt.UTC).replace(tzinfo=None)


class Projects:
    """Reads and writes projects. One transaction a call; a failed call leaves nothing behind."""

    def __init__(self, engine: Engine) -> None:
        self.engine = engine
        self.log = EvidenceLog()

    def all(self) -> list[ProjectRow]:
        """All projects that are not deleted, the latest changed first."""
        with Session(self.engine) as s:
            rows = s.scalars(select(Project).where(Project.deleted_at.is_(None)).order_by(Project.updated_at.desc(), Project.name)).all()
            variants = s.scalars(select(Variant).where(Variant.project_id.in_([p.id for p in rows])).order_by(Variant.created_at)).all()
            return [
                ProjectRow(p.id, p.name, p.demo is not None, p.updated_at, [VariantRow(v.id, v.name, v.head) for v in variants if v.project_id == p.id])
                for p in rows
            ]

    def _project(self, s: Session, id: uuid.UUID, *, deleted: bool = False) -> Project:
        project = s.get(Project, id)
        if project is None or (project.deleted_at is not None) != deleted:
            raise Missing(says("there-no-such-project"))
        return project

    def _variant(self, s: Session, id: uuid.UUID) -> tuple[Project, Variant]:
        found = s.execute(select(Project, Variant).join(Variant, Variant.project_id == Project.id).where(Variant.id == id)).one_or_none()
        if found is None:
            raise Missing(says("there-no-such-variant"))
        if found[0].deleted_at is not None:
            raise Missing(says("there-no-such-project"))
        return found[0], found[1]

    def _locked(self, s: Session, id: uuid.UUID, expected: int) -> Variant:
        """The variant with its row locked until the end of the transaction. Raises :class:`Stale` when it is elsewhere."""
        variant = s.get(Variant, id, with_for_update=True)
        if variant is None:
            raise Missing(says("there-no-such-variant"))
        if variant.head != expected:
            raise Stale(variant.head)
        return variant

    def _revision(self, s: Session, variant: uuid.UUID, number: int) -> Revision:
        row = s.get(Revision, (variant, number))
        if row is None:
            raise Missing(says("there-no-revision", number=number))
        return row

    def create(
        self, name: str, variants: list[tuple[str, Sound]], author: str, demo: str | None = None, building: int = 0, evidence: Sequence[Evidence] = ()
    ) -> uuid.UUID:
        """A new project with its variants at revision 1; that with the number ``building`` is the one that is being built, and the evidence is of it."""
        now = _now()
        project = Project(id=uuid.uuid4(), name=name, demo=demo, created_at=now, updated_at=now, deleted_at=None)
        with Session(self.engine) as s, s.begin():
            s.add(project)
            s.flush()
            made = [
                self._add_variant(s, project.id, title, one.design, author, "made", now + dt.timedelta(microseconds=i))
                for i, (title, one) in enumerate(variants)
            ]
            project.building_id = made[building].id
            here = str(made[building].id)
            of_here = [e.model_copy(update={"judged": Judged(variant=here, revision=1, expected=e.judged.expected) if e.judged else None}) for e in evidence]
            self.log.add(s, project.id, of_here, now)
            return project.id

    def _add_variant(self, s: Session, project: uuid.UUID, name: str, design: Design, author: str, message: str, now: dt.datetime) -> Variant:
        variant = Variant(id=uuid.uuid4(), project_id=project, name=name, head=1, created_at=now)
        s.add(variant)
        s.flush()
        s.add(Revision(variant_id=variant.id, number=1, state=1, came_from=None, document=_text(design), message=message, author=author, created_at=now))
        return variant

    def has_demo(self, demo: str) -> bool:
        """Whether a demo was ever loaded (a deleted one stays deleted)."""
        with Session(self.engine) as s:
            return s.scalar(select(func.count()).select_from(Project).where(Project.demo == demo)) != 0

    def rename(self, id: uuid.UUID, name: str) -> None:
        """Give a project another name."""
        with Session(self.engine) as s, s.begin():
            project = self._project(s, id)
            project.name, project.updated_at = name, _now()

    def delete(self, id: uuid.UUID) -> None:
        """Hide a project; :meth:`restore` brings it back."""
        with Session(self.engine) as s, s.begin():
            self._project(s, id).deleted_at = _now()

    def put_away(self) -> list[PutAway]:
        """Projects that are deleted and not yet gone, the latest first; a demo stays put away."""
        with Session(self.engine) as s:
            rows = s.scalars(select(Project).where(Project.deleted_at.is_not(None)).order_by(Project.deleted_at.desc())).all()
            return [PutAway(p.id, p.name, p.deleted_at, p.demo is not None) for p in rows if p.deleted_at is not None]

    def purge(self, before: dt.datetime) -> int:
        """Delete for good what was put away before a time, with its variants, evidence and jobs; demos stay put away, else they would come back. How many
        went."""
        with Session(self.engine) as s, s.begin():
            rows = s.scalars(select(Project).where(Project.deleted_at < before, Project.demo.is_(None))).all()
            for p in rows:
                s.delete(p)
            return len(rows)

    def restore(self, id: uuid.UUID) -> None:
        """Bring a deleted project back."""
        with Session(self.engine) as s, s.begin():
            self._project(s, id, deleted=True).deleted_at = None

    def copy_variant(self, id: uuid.UUID, name: str, author: str, one: Sound) -> uuid.UUID:
        """A new variant of the same project with a design that was made from this one's."""
        with Session(self.engine) as s, s.begin():
            project, source = self._variant(s, id)
            return self._add_variant(s, project.id, name, one.design, author, says("copied-from", source_name=source.name), _now()).id

    def head(self, id: uuid.UUID, up_to: int | None = None, known: Callable[[int], Design | None] = lambda _: None) -> VariantHead:
        """A variant at its newest revision; its design that of the newest readable one, at most number ``up_to``.

        A design that is ``known`` by its number, for a revision never changes, is not read again.
        """
        with Session(self.engine) as s:
            project, variant = self._variant(s, id)
            before, after = self._around(s, variant.id, variant.head)
            if up_to is not None and up_to > variant.head:
                raise Missing(says("there-no-revision-2", up_to=up_to))
            shown, design, trouble = self._readable(s, variant.id, variant.head if up_to is None else up_to, known)
            building = self._building(s, project)
            mine = building is not None and building.id == variant.id
            return VariantHead(
                project.id,
                project.name,
                variant.id,
                variant.name,
                variant.head,
                design,
                before is not None,
                after is not None,
                shown,
                trouble,
                mine,
                building.name if building else "",
                self.log.read(s, project.id) if mine else (),
            )

    def _building(self, s: Session, project: Project) -> Variant | None:
        """The variant that is being built; the oldest where nobody said."""
        named = s.get(Variant, project.building_id) if project.building_id else None
        return named or s.scalar(select(Variant).where(Variant.project_id == project.id).order_by(Variant.created_at).limit(1))

    def _evidence_of(self, s: Session, project: Project, variant: uuid.UUID) -> tuple[Evidence, ...]:
        building = self._building(s, project)
        return self.log.read(s, project.id) if building is not None and building.id == variant else ()

    def build(self, id: uuid.UUID) -> None:
        """Say that this variant is the one that is being built: what was and will be measured is of it."""
        with Session(self.engine) as s, s.begin():
            project, variant = self._variant(s, id)
            project.building_id, project.updated_at = variant.id, _now()

    def evidence(self, project: uuid.UUID) -> tuple[Evidence, ...]:
        """All entries of a project, oldest first."""
        with Session(self.engine) as s:
            return self.log.read(s, self._project(s, project).id)

    def take_down(self, id: uuid.UUID, expected: int, number: int, new: Sequence[Evidence], edit: uuid.UUID | None = None) -> None:
        """Add entries to the evidence of a variant's project, made on its revision ``expected`` and on entry ``number``.

        Raises :class:`NotBuilding`, :class:`Stale` or :class:`MoreFacts`.
        """
        with Session(self.engine) as s, s.begin():
            variant = self._locked(s, id, expected)
            project = self._project(s, variant.project_id)
            building = self._building(s, project)
            if building is None or building.id != variant.id:
                raise NotBuilding(building.name if building else "")
            if (newest := number_of(s, project.id)) != number:
                raise MoreFacts(newest)
            now = _now()
            self.log.add(s, project.id, new, now, edit)
            project.updated_at = now

    def _readable(self, s: Session, id: uuid.UUID, number: int, known: Callable[[int], Design | None] = lambda _: None) -> tuple[int, Design, str | None]:
        """The newest readable revision up to a number, and why a newer one is not."""
        trouble = None
        for n in range(number, max(0, number - MOST_BACK), -1):
            try:
                return n, known(n) or _design(self._revision(s, id, n)), trouble
            except Damaged as exc:
                trouble = trouble or exc.message
        return 0, EMPTY, trouble

    def document(self, id: uuid.UUID, number: int | None = None) -> str:
        """The stored text of a revision, the newest when no number is given, as it is."""
        with Session(self.engine) as s:
            _, variant = self._variant(s, id)
            return self._revision(s, id, variant.head if number is None else number).document

    def whole(self, id: uuid.UUID) -> Whole:
        """A project with everything in it."""
        with Session(self.engine) as s:
            project = self._project(s, id)
            rows = s.scalars(select(Variant).where(Variant.project_id == id).order_by(Variant.created_at)).all()
            out: list[tuple[str, Design | str]] = []
            for v in rows:
                row = self._revision(s, v.id, v.head)
                try:
                    out.append((v.name, _design(row)))
                except Damaged:
                    out.append((v.name, row.document))
            building = self._building(s, project)
            return Whole(project.name, out, building.name if building else "", self.log.read(s, project.id))

    def siblings(self, id: uuid.UUID) -> list[tuple[str, str, Design]]:
        """Id, name and newest readable design of the other variants of a variant's project."""
        with Session(self.engine) as s:
            project, _ = self._variant(s, id)
            others = s.scalars(select(Variant).where(Variant.project_id == project.id, Variant.id != id).order_by(Variant.created_at)).all()
            return [(str(v.id), v.name, self._readable(s, v.id, v.head)[1]) for v in others]

    def design_at(self, id: uuid.UUID, number: int) -> Design:
        """The design of one revision. Raises :class:`Damaged` where it can't be read."""
        with Session(self.engine) as s:
            self._variant(s, id)
            return _design(self._revision(s, id, number))

    def history(self, id: uuid.UUID, limit: int = 200) -> list[RevisionRow]:
        """The newest revisions, newest first."""
        with Session(self.engine) as s:
            self._variant(s, id)
            rows = s.scalars(select(Revision).where(Revision.variant_id == id).order_by(Revision.number.desc()).limit(limit)).all()
            return [RevisionRow(r.number, r.state, r.message, r.author, r.created_at) for r in rows]

    def _around(self, s: Session, id: uuid.UUID, number: int) -> tuple[int | None, int | None]:
        """The state before the one of a revision, and the newest state that was made from it."""
        found = s.execute(_AROUND, {"id": id, "number": number}).one_or_none()
        if found is None:
            raise Missing(says("there-no-revision", number=number))
        return found[0], found[1]

    def made_by(self, id: uuid.UUID, edit: uuid.UUID | None) -> bool:
        """Whether an edit of that id, of the design or of what was measured, was made already."""
        if edit is None:
            return False
        with Session(self.engine) as s:
            of = select(Variant.project_id).where(Variant.id == id).scalar_subquery()
            design = exists().where(Revision.variant_id == id, Revision.edit_id == edit)
            measured = exists().where(EvidenceRow.project_id == of, EvidenceRow.edit_id == edit)
            return bool(s.scalar(select(or_(design, measured))))

    def _append(
        self, s: Session, variant: Variant, text: str, message: str, author: str, state: int | None, came_from: int | None, edit: uuid.UUID | None
    ) -> int:
        """Add a revision on top of the newest of a variant whose row is locked. Raises :class:`MadeBefore` where the change of that id was made."""
        number, now, id = variant.head + 1, _now(), variant.id
        if not s.execute(update(Project).where(Project.id == variant.project_id, Project.deleted_at.is_(None)).values(updated_at=now), **PLAINLY).rowcount:  # type: ignore[attr-defined]
            raise Missing(says("there-no-such-project"))
        row = {
            "variant_id": id,
            "number": number,
            "state": state or number,
            "came_from": came_from,
            "document": text,
            "message": message[:200],
            "author": author,
            "created_at": now,
            "edit_id": edit,
        }
        try:
            s.execute(insert(Revision).values(row))
        except IntegrityError as exc:
            raise MadeBefore(says("change-was-made-before")) from exc
        s.execute(update(Variant).where(Variant.id == id).values(head=number), **PLAINLY)
        return number

    def save(self, id: uuid.UUID, expected: int, one: Sound, message: str, author: str, edit: uuid.UUID | None = None, text: str | None = None) -> int:
        """Append a revision on top of ``expected``; ``edit`` is the sender's own id of the change, ``text`` the design as JSON where it is written already.

        Raises :class:`Stale` when the variant is elsewhere, :class:`MadeBefore` when the change of that id was made.
        """
        with Session(self.engine) as s, s.begin():
            variant = self._locked(s, id, expected)
            state = s.scalar(select(Revision.state).where(Revision.variant_id == id, Revision.number == expected))
            return self._append(s, variant, text or _text(one.design), message, author, None, state, edit)

    def step(
        self,
        id: uuid.UUID,
        expected: int,
        direction: str,
        author: str,
        edit: uuid.UUID | None = None,
        work: Callable[[Design, tuple[Evidence, ...]], Sound] = sound,
    ) -> tuple[int, Sound]:
        """Undo or redo: append a revision equal to the state before or after, which ``work`` computes. Raises :class:`Nothing` at the end.

        Undo goes past states that can't be computed any more; a redo to one is refused with its :class:`BadInput`.
        """
        with Session(self.engine) as s, s.begin():
            variant = self._locked(s, id, expected)
            evidence = self._evidence_of(s, self._project(s, variant.project_id), id)
            before, after = self._around(s, id, expected)
            target = before if direction == "undo" else after
            while target is not None:
                there = self._revision(s, id, target)
                try:
                    one = work(_design(there), evidence)
                except BadInput:
                    if direction == "redo":
                        raise
                    target = self._around(s, id, target)[0]
                    continue
                return self._append(s, variant, there.document, f"{direction} to {target}", author, there.state, None, edit), one
            raise Nothing(says("there-nothing-to", direction=direction))

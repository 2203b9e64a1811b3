"""Tables. A revision is never changed; a variant points at its newest one."""

from __future__ import annotations

import datetime as dt
import uuid

from sqlalchemy import Boolean, Double, ForeignKey, ForeignKeyConstraint, Index, Integer, String, Text, UniqueConstraint, Uuid
from sqlalchemy.dialects.mysql import DATETIME, LONGTEXT, MEDIUMBLOB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    """Declarative base; microseconds in every time, UTC."""

    type_annotation_map = {dt.datetime: DATETIME(fsp=6)}


class Project(Base):
    """One vehicle being converted. ``demo`` names the demo it was made from; ``deleted_at`` hides it; ``building_id`` is the variant that is being built."""

    __tablename__ = "projects"
    id: Mapped[uuid.UUID] = mapped_column(Uuid, primary_key=True)
    name: Mapped[str] = mapped_column(String(120))
    demo: Mapped[str | None] = mapped_column(String(40), unique=True)
    created_at: Mapped[dt.datetime]
    updated_at: Mapped[dt.datetime]
    deleted_at: Mapped[dt.datetime | None]
    building_id: Mapped[uuid.UUID | None] = mapped_column(Uuid)


class Variant(Base):
    """A named line of revisions; ``head`` is the number of the newest."""

    __tablename__ = "variants"
    id: Mapped[uuid.UUID] = mapped_column(Uuid, primary_key=True)
    project_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("projects.id", ondelete="CASCADE"))
    name: Mapped[str] = mapped_column(String(120))
    head: Mapped[int] = mapped_column(Integer)
    created_at: Mapped[dt.datetime]


class Revision(Base):
    """One immutable design document.

    ``state`` is the number of the revision that first had this content (its own number for a fresh edit);
    ``came_from`` is the state a fresh edit was made on. Undo and redo walk along these two. ``edit_id`` is what the sender called the change.
    """

    __tablename__ = "revisions"
    __table_args__ = (
        ForeignKeyConstraint(["variant_id"], ["variants.id"], ondelete="CASCADE"),
        UniqueConstraint("variant_id", "edit_id", name="one_revision_an_edit"),
    )
    variant_id: Mapped[uuid.UUID] = mapped_column(Uuid, primary_key=True)
    number: Mapped[int] = mapped_column(Integer, primary_key=True)
    state: Mapped[int] = mapped_column(Integer)
    came_from: Mapped[int | None] = mapped_column(Integer)
    document: Mapped[str] = mapped_column(Text(4_000_000), deferred=True)
    message: Mapped[str] = mapped_column(String(200))
    author: Mapped[str] = mapped_column(String(80))
    created_at: Mapped[dt.datetime]
    edit_id: Mapped[uuid.UUID | None] = mapped_column(Uuid)


class EvidenceRow(Base):
    """One entry of what was measured, tested or looked at; never changed. ``payload`` None strikes the entry that it corrects.

    ``variant_id``, ``revision`` and ``expected`` say what it was judged against.
    """

    __tablename__ = "evidence"
    __table_args__ = (Index("evidence_by_edit", "project_id", "edit_id"),)
    project_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("projects.id", ondelete="CASCADE"), primary_key=True)
    number: Mapped[int] = mapped_column(Integer, primary_key=True, autoincrement=False)
    kind: Mapped[str] = mapped_column(String(20))
    subject: Mapped[str] = mapped_column(String(60))
    payload: Mapped[str | None] = mapped_column(LONGTEXT)
    corrects: Mapped[int | None] = mapped_column(Integer)
    variant_id: Mapped[uuid.UUID | None] = mapped_column(Uuid)
    revision: Mapped[int | None] = mapped_column(Integer)
    expected: Mapped[str] = mapped_column(Text)
    author: Mapped[str] = mapped_column(String(80))
    created_at: Mapped[dt.datetime]
    edit_id: Mapped[uuid.UUID | None] = mapped_column(Uuid)


class Job(Base):
    """Long work on one revision of a variant. ``state`` is waiting, running, done, failed or cancelled; ``owner`` names the server that runs it."""

    __tablename__ = "jobs"
    id: Mapped[uuid.UUID] = mapped_column(Uuid, primary_key=True)
    variant_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("variants.id", ondelete="CASCADE"))
    revision: Mapped[int] = mapped_column(Integer)
    kind: Mapped[str] = mapped_column(String(20))
    state: Mapped[str] = mapped_column(String(12))
    done: Mapped[int] = mapped_column(Integer)
    whole: Mapped[int] = mapped_column(Integer)
    cancel_asked: Mapped[bool] = mapped_column(Boolean)
    owner: Mapped[str] = mapped_column(String(60))
    error: Mapped[str | None] = mapped_column(String(500))
    result: Mapped[str | None] = mapped_column(LONGTEXT)
    created_at: Mapped[dt.datetime]
    updated_at: Mapped[dt.datetime]


class Measured(Base):
    """The log that was brought in for a variant, as JSON by the hour; one a variant."""

    __tablename__ = "measured"
    variant_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("variants.id", ondelete="CASCADE"), primary_key=True)
    name: Mapped[str] = mapped_column(String(120))
    data: Mapped[str] = mapped_column(LONGTEXT)
    created_at: Mapped[dt.datetime]


class PhotoRow(Base):
    """A photograph as JPEG with its thumbnail, by the hash of its bytes. What it shows stands among the evidence."""

    __tablename__ = "photos"
    sha256: Mapped[str] = mapped_column(String(64), primary_key=True)
    width: Mapped[int] = mapped_column(Integer)
    height: Mapped[int] = mapped_column(Integer)
    data: Mapped[bytes] = mapped_column(MEDIUMBLOB, deferred=True)
    thumb: Mapped[bytes] = mapped_column(MEDIUMBLOB, deferred=True)
    created_at: Mapped[dt.datetime]


class TelemetryRow(Base):
    """A quantity of a device over a minute or an hour from ``at`` on."""

    __tablename__ = "telemetry"
    variant_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("variants.id", ondelete="CASCADE"), primary_key=True)
    device: Mapped[str] = mapped_column(String(60), primary_key=True)
    key: Mapped[str] = mapped_column(String(40), primary_key=True)
    span_s: Mapped[int] = mapped_column(Integer, primary_key=True, autoincrement=False)
    at: Mapped[dt.datetime] = mapped_column(DATETIME(), primary_key=True)
    simulated: Mapped[bool] = mapped_column(Boolean, primary_key=True)
    kind: Mapped[str] = mapped_column(String(40))
    mean: Mapped[float] = mapped_column(Double)
    low: Mapped[float] = mapped_column(Double)
    high: Mapped[float] = mapped_column(Double)
    value_count: Mapped[int] = mapped_column(Integer)


class Listening(Base):
    """A variant whose devices are listened to although nobody looks."""

    __tablename__ = "listening"
    variant_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("variants.id", ondelete="CASCADE"), primary_key=True)

"""What was measured stands apart from the plans: a table of evidence, and the variant that is being built.

The newest documents of each project are looked through; the variant that holds most of what was measured is the one that is being built,
and its readings, tests and looks become the first entries. Documents stay as they are: they are read as version 2 without their facts.
"""

import json
import uuid

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.mysql import DATETIME, LONGTEXT

from bothy.core.contract import BadInput
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Entry, entries_between
from bothy.core.facts.old import facts_of_v1

revision = "0007"
down_revision = "0006"

PROJECTS = sa.table("projects", sa.column("id", sa.Uuid()), sa.column("building_id", sa.Uuid()))
VARIANTS = sa.table(
    "variants", sa.column("id", sa.Uuid()), sa.column("project_id", sa.Uuid()), sa.column("head", sa.Integer()), sa.column("created_at", DATETIME(fsp=6))
)
REVISIONS = sa.table(
    "revisions",
    sa.column("variant_id", sa.Uuid()),
    sa.column("number", sa.Integer()),
    sa.column("document", sa.Text()),
    sa.column("created_at", DATETIME(fsp=6)),
)


def _entries(text: str) -> list[Entry]:
    """What a document of version 1 holds; nothing where it can't be read."""
    try:
        return entries_between(Facts(), facts_of_v1(json.loads(text)))
    except (BadInput, ValueError, TypeError, AttributeError):
        return []


def upgrade() -> None:
    table = op.create_table(
        "evidence",
        sa.Column("project_id", sa.Uuid(), sa.ForeignKey("projects.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("number", sa.Integer(), primary_key=True, autoincrement=False),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("subject", sa.String(60), nullable=False),
        sa.Column("payload", LONGTEXT(), nullable=True),
        sa.Column("corrects", sa.Integer(), nullable=True),
        sa.Column("variant_id", sa.Uuid(), nullable=True),
        sa.Column("revision", sa.Integer(), nullable=True),
        sa.Column("expected", sa.Text(), nullable=False),
        sa.Column("author", sa.String(80), nullable=False),
        sa.Column("created_at", DATETIME(fsp=6), nullable=False),
        sa.Column("edit_id", sa.Uuid(), nullable=True),
        sa.Index("evidence_by_edit", "project_id", "edit_id"),
    )
    op.add_column("projects", sa.Column("building_id", sa.Uuid(), nullable=True))
    bind = op.get_bind()
    for (project,) in bind.execute(sa.select(PROJECTS.c.id)).all():
        best, held = None, list[Entry]()
        for variant, head in bind.execute(
            sa.select(VARIANTS.c.id, VARIANTS.c.head).where(VARIANTS.c.project_id == project).order_by(VARIANTS.c.created_at)
        ).all():
            row = bind.execute(
                sa.select(REVISIONS.c.document, REVISIONS.c.created_at).where(REVISIONS.c.variant_id == variant, REVISIONS.c.number == head)
            ).first()
            entries = _entries(row.document) if row is not None else []
            if best is None or len(entries) > len(held):
                best, held = (variant, head, row.created_at if row is not None else None), entries
        if best is None:
            continue
        bind.execute(sa.update(PROJECTS).where(PROJECTS.c.id == project).values(building_id=best[0]))
        _fill(table, project, best, held)


def _fill(table: sa.Table, project: uuid.UUID, of: tuple[uuid.UUID, int, object], entries: list[Entry]) -> None:
    rows = [
        {
            "project_id": project,
            "number": i + 1,
            "kind": e.kind,
            "subject": e.subject,
            "payload": json.dumps(e.payload),
            "variant_id": of[0],
            "revision": of[1],
            "expected": "{}",
            "author": "you",
            "created_at": of[2],
        }
        for i, e in enumerate(entries)
    ]
    if rows:
        op.bulk_insert(table, rows)


def downgrade() -> None:
    op.drop_column("projects", "building_id")
    op.drop_table("evidence")

"""Revisions: immutable design documents."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

revision = "0003"
down_revision = "0002"


def upgrade() -> None:
    op.create_table(
        "revisions",
        sa.Column("variant_id", sa.Uuid(), sa.ForeignKey("variants.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("number", sa.Integer(), primary_key=True, autoincrement=False),
        sa.Column("state", sa.Integer(), nullable=False),
        sa.Column("came_from", sa.Integer(), nullable=True),
        sa.Column("document", sa.JSON(), nullable=False),
        sa.Column("message", sa.String(200), nullable=False),
        sa.Column("author", sa.String(80), nullable=False),
        sa.Column("created_at", mysql.DATETIME(fsp=6), nullable=False),
    )
    op.create_index("revisions_came_from", "revisions", ["variant_id", "came_from"])


def downgrade() -> None:
    op.drop_table("revisions")

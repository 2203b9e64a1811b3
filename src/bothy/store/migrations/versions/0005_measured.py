"""Measured: the log that was brought in for a variant, by the hour."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    op.create_table(
        "measured",
        sa.Column("variant_id", sa.Uuid(), sa.ForeignKey("variants.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("name", sa.String(120), nullable=False),
        sa.Column("data", mysql.LONGTEXT(), nullable=False),
        sa.Column("created_at", mysql.DATETIME(fsp=6), nullable=False),
    )


def downgrade() -> None:
    op.drop_table("measured")

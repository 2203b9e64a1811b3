"""Jobs: long work with its progress and what came of it."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

revision = "0004"
down_revision = "0003"


def upgrade() -> None:
    op.create_table(
        "jobs",
        sa.Column("id", sa.Uuid(), primary_key=True),
        sa.Column("variant_id", sa.Uuid(), sa.ForeignKey("variants.id", ondelete="CASCADE"), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("state", sa.String(12), nullable=False),
        sa.Column("done", sa.Integer(), nullable=False),
        sa.Column("whole", sa.Integer(), nullable=False),
        sa.Column("cancel_asked", sa.Boolean(), nullable=False),
        sa.Column("error", sa.String(500), nullable=True),
        sa.Column("result", mysql.LONGTEXT(), nullable=True),
        sa.Column("created_at", mysql.DATETIME(fsp=6), nullable=False),
        sa.Column("updated_at", mysql.DATETIME(fsp=6), nullable=False),
    )
    op.create_index("jobs_of_variant", "jobs", ["variant_id", "kind", "created_at"])


def downgrade() -> None:
    op.drop_table("jobs")

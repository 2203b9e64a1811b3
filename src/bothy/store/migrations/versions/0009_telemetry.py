"""What devices said, by the minute and later by the hour; and which variants are listened to although nobody looks."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

revision = "0009"
down_revision = "0008"


def upgrade() -> None:
    op.create_table(
        "telemetry",
        sa.Column("variant_id", sa.Uuid(), sa.ForeignKey("variants.id", ondelete="CASCADE"), primary_key=True),
        sa.Column("device", sa.String(60), primary_key=True),
        sa.Column("key", sa.String(40), primary_key=True),
        sa.Column("span_s", sa.Integer(), primary_key=True, autoincrement=False),
        sa.Column("at", mysql.DATETIME(), primary_key=True),
        sa.Column("simulated", sa.Boolean(), primary_key=True),
        sa.Column("kind", sa.String(40), nullable=False),
        sa.Column("mean", sa.Double(), nullable=False),
        sa.Column("low", sa.Double(), nullable=False),
        sa.Column("high", sa.Double(), nullable=False),
        sa.Column("value_count", sa.Integer(), nullable=False),
    )
    op.create_table("listening", sa.Column("variant_id", sa.Uuid(), sa.ForeignKey("variants.id", ondelete="CASCADE"), primary_key=True))


def downgrade() -> None:
    op.drop_table("listening")
    op.drop_table("telemetry")

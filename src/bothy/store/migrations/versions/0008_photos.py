"""Photographs: each stored once, by the hash of its bytes, with a thumbnail. What it shows stands among the evidence."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import mysql

revision = "0008"
down_revision = "0007"


def upgrade() -> None:
    op.create_table(
        "photos",
        sa.Column("sha256", sa.String(64), primary_key=True),
        sa.Column("width", sa.Integer(), nullable=False),
        sa.Column("height", sa.Integer(), nullable=False),
        sa.Column("data", mysql.MEDIUMBLOB(), nullable=False),
        sa.Column("thumb", mysql.MEDIUMBLOB(), nullable=False),
        sa.Column("created_at", mysql.DATETIME(fsp=6), nullable=False),
    )


def downgrade() -> None:
    op.drop_table("photos")

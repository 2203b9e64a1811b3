"""An edit carries an id, so that the same one sent twice is made once; a job says which running server owns it."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"


def upgrade() -> None:
    op.add_column("revisions", sa.Column("edit_id", sa.Uuid(), nullable=True))
    op.create_unique_constraint("one_revision_an_edit", "revisions", ["variant_id", "edit_id"])
    op.add_column("jobs", sa.Column("owner", sa.String(60), nullable=False, server_default=""))


def downgrade() -> None:
    op.drop_column("jobs", "owner")
    op.drop_constraint("one_revision_an_edit", "revisions", type_="unique")
    op.drop_column("revisions", "edit_id")

"""Alembic environment: runs the migrations against BOTHY_DATABASE_URL."""

from alembic import context

from bothy.settings import Settings
from bothy.store.engine import make_engine
from bothy.store.tables import Base

engine = make_engine(context.config.attributes.get("url") or Settings().database_url)
with engine.connect() as connection:
    context.configure(connection=connection, target_metadata=Base.metadata)
    with context.begin_transaction():
        context.run_migrations()
engine.dispose()

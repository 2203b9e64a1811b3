"""The application object for the server process."""

from bothy.api.app import create_app, tune_collector
from bothy.jobs.bounded import BOUNDED

app = create_app()
BOUNDED.warm()
tune_collector()

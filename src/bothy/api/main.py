"""The application object for the server process."""

from bothy.api.app import create_app
from bothy.api.collector import Collector
from bothy.jobs.bounded import BOUNDED

app = create_app()
BOUNDED.warm()
Collector().begin()

"""The application object for the server process."""

from bothy.api.app import create_app, tune_collector

app = create_app()
tune_collector()

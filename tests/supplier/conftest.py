"""The client on the whole application, as in the tests of the API."""

from tests.api.conftest import app, client, front_end

__all__ = ["app", "client", "front_end"]

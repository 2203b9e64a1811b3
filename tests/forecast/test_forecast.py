"""The forecast: a real small process answers, the near days of a trip take its weather, and without it everything goes on."""

from __future__ import annotations

import contextlib
import datetime as dt
import http.server
import json
import threading
import urllib.request
from collections.abc import Iterator
from typing import Any

import pytest
from sqlalchemy import Engine
from starlette.testclient import TestClient

from bothy import nearby
from bothy.core.context import Context
from bothy.core.design.document import load_design
from bothy.core.sound import sound
from bothy.core.trips.engine import weather_of
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import plan_of_design
from bothy.forecast.client import AHEAD_DAYS, ask, forecasts_for
from bothy.forecast.standin import Forecast, ForecastDay, week
from bothy.store.projects import Projects
from tests.designs import BANK, LAMP, MPPT, PANELS, lived
from tests.processes import service_of

TODAY = dt.date(2026, 6, 3)


def trip(start: str = "2026-06-01", **trips: Any) -> Any:
    data = lived([LAMP], {"bank": BANK, "arrays": [PANELS], "controller": MPPT})
    data["trips"] = {
        "start_date": start,
        "legs": [{"id": "a", "place": "london", "days_count": 5}, {"id": "b", "place": "cardiff", "days_count": 10}],
        "draw_count": 6,
        "forecast": True,
        **trips,
    }
    return load_design(data)


def dark(lat: float, lon: float, first: dt.date, days: int) -> Forecast:
    """Gloom everywhere."""
    return Forecast(source="gloom", days=[ForecastDay(date=first + dt.timedelta(days=i), clearness=0.06, tmin_c=1.0, tmax_c=3.0) for i in range(days)])


@pytest.fixture(scope="module")
def service() -> Iterator[str]:
    """The stand-in as a process of its own."""
    with service_of("bothy.forecast.standin:app", lambda url: ask(url, 51.5, 0.0, TODAY, 1) is not None) as url:
        yield url


def test_the_service_says_the_same_week_to_everybody(service: str) -> None:
    found = ask(service, 51.5, -0.1, TODAY, 7)
    assert found == week(51.5, -0.1, TODAY, 7)
    assert found is not None
    assert [d.date for d in found.days] == [TODAY + dt.timedelta(days=i) for i in range(7)]
    assert all(d.tmin_c < d.tmax_c and 0 < d.clearness < 0.85 for d in found.days)
    assert "made up for London in June" in found.source
    assert ask(service, 51.5, -0.1, TODAY + dt.timedelta(days=1), 7) != found


def test_a_question_that_makes_no_sense_gets_no_forecast(service: str) -> None:
    assert ask(service, 89.0, 0.0, TODAY, 7) is None
    assert ask(service, 51.0, 0.0, TODAY, 400) is None
    with pytest.raises(urllib.request.HTTPError):  # type: ignore[attr-defined]
        urllib.request.urlopen(f"{service}/elsewhere")


def test_nobody_there_is_no_forecast() -> None:
    assert ask("http://127.0.0.1:9", 51.0, 0.0, TODAY, 7) is None


def test_only_near_days_take_the_forecast() -> None:
    ctx = Context(trip())
    found = forecasts_for(ctx, TODAY, dark)
    assert found is not None
    assert sorted(found.days) == sorted(
        [("london", TODAY + dt.timedelta(days=i)) for i in range(3)] + [("cardiff", TODAY + dt.timedelta(days=i)) for i in range(3, AHEAD_DAYS)]
    )
    plan = plan_of_design(ctx, found)
    weather, plain = weather_of(plan), weather_of(plan_of_design(ctx))
    assert (weather.clear[:, 2:9] == 0.06).all()
    assert (weather.mean_c[:, 2:9] == 2.0).all()
    assert (weather.swing_c[:, 2:9] == 2.0).all()
    for j in (0, 1, 9, 14):
        assert weather.clear[:, j].tolist() == plain.clear[:, j].tolist(), "the other days keep their luck"


def test_a_dark_week_shows_in_the_run_and_is_named() -> None:
    ctx = Context(trip())
    run, plain = run_trip(ctx, forecasts=forecasts_for(ctx, TODAY, dark)), run_trip(ctx)
    assert run.forecast_days == 7
    assert plain.forecast_days == 0
    assert run.sun_wh_day + run.curtailed_wh_day < 0.8 * (plain.sun_wh_day + plain.curtailed_wh_day)
    assert "The weather of 7 days is that of a forecast (gloom)" in run.assumed[0]


def test_a_trip_far_away_in_time_asks_nobody() -> None:
    def never(*_: Any) -> Forecast:
        raise AssertionError("asked")

    assert forecasts_for(Context(trip("2027-01-01")), TODAY, never) is None
    assert forecasts_for(Context(trip()), TODAY, lambda *_: None) is None


def test_a_run_over_http_uses_the_service_that_is_there(service: str, client: TestClient, app: Any, engine: Engine, monkeypatch: pytest.MonkeyPatch) -> None:
    today = dt.date.today()
    Projects(engine).create("Tern", [("a", sound(trip(today.isoformat())))], "test")
    id = client.get("/api/projects").json()[0]["variants"][0]["id"]
    monkeypatch.setitem(app.state._state, "forecast_url", service)
    run = client.get(f"/api/variants/{id}/trip", params={"revision": 1}).json()
    assert run["forecast_days"] == AHEAD_DAYS
    assert run["days"][0]["kt_p50"] == week(51.51, -0.13, today, 5).days[0].clearness
    monkeypatch.setitem(app.state._state, "forecast_url", "http://127.0.0.1:9")
    assert client.get(f"/api/variants/{id}/trip", params={"revision": 1}).json()["forecast_days"] == 0
    client.patch(
        f"/api/variants/{id}", json={"ops": [{"op": "replace", "path": "/trips/forecast", "value": False}]}, headers={"If-Match": "1"}
    ).raise_for_status()
    monkeypatch.setitem(app.state._state, "forecast_url", service)
    assert client.get(f"/api/variants/{id}/trip", params={"revision": 2}).json()["forecast_days"] == 0


def test_the_build_takes_the_days_ahead_and_says_when_nobody_answers(
    service: str, client: TestClient, app: Any, engine: Engine, monkeypatch: pytest.MonkeyPatch
) -> None:
    Projects(engine).create("Tern", [("a", sound(trip(TODAY.isoformat())))], "test")
    id = client.get("/api/projects").json()[0]["variants"][0]["id"]
    monkeypatch.setitem(app.state._state, "forecast_url", service)
    made = client.get(f"/api/variants/{id}/build/forecast", params={"today": TODAY.isoformat()}).json()
    assert made["source"].startswith("stand-in") and len(made["days"]) == AHEAD_DAYS
    assert [d["day"] for d in made["days"]] == [(TODAY + dt.timedelta(days=i)).isoformat() for i in range(AHEAD_DAYS)]
    assert all(d["low_c"] <= d["high_c"] and 0 <= d["rain_frac"] <= 1 for d in made["days"])
    ops = [{"op": "replace", "path": "/build/coming", "value": made["days"]}, {"op": "replace", "path": "/build/coming_from", "value": made["source"]}]
    client.patch(f"/api/variants/{id}", json={"ops": ops}, headers={"If-Match": "1"}).raise_for_status()
    first = made["days"][0]
    weather = client.get(f"/api/variants/{id}/build", params={"today": TODAY.isoformat()}).json()["now"]["weather"]
    assert f"{first['low_c']:.0f} to {first['high_c']:.0f} °C" in weather.replace("−", "-") and "by the forecast" in weather
    monkeypatch.setitem(app.state._state, "forecast_url", "http://127.0.0.1:9")
    gone = client.get(f"/api/variants/{id}/build/forecast", params={"today": TODAY.isoformat()})
    assert gone.status_code == 503 and gone.json()["error"]["key"] == "forecast" and "type what yours says" in gone.json()["error"]["message"]
    assert client.get(f"/api/variants/{id}/build/forecast", params={"today": "soon-ish-x"}).status_code == 422


class Hostile(http.server.BaseHTTPRequestHandler):
    """Answers as its path says: too much, too slowly, elsewhere, nonsense."""

    def do_GET(self) -> None:
        kind = self.path.split("/")[1]
        if kind == "elsewhere":
            self.send_response(302)
            self.send_header("location", "/good/forecast")
            self.end_headers()
            return
        self.send_response(200)
        self.end_headers()
        day = {"date": TODAY.isoformat(), "clearness": 0.5, "tmin_c": 1.0, "tmax_c": 3.0}
        body = {"good": [day], "hot": [{**day, "tmax_c": 900.0}], "bright": [{**day, "clearness": 7.0}], "many": [day] * 5000}.get(kind, [])
        with contextlib.suppress(OSError):
            if kind == "drip":
                for _ in range(200):
                    self.wfile.write(b" ")
                    self.server.slow.wait(0.1)  # type: ignore[attr-defined]
            self.wfile.write(b" " * 5_000_000 if kind == "large" else json.dumps({"source": "x", "days": body}).encode() if kind != "nonsense" else b"{")

    def log_message(self, *_: object) -> None:
        pass


@pytest.fixture(scope="module")
def hostile() -> Iterator[str]:
    server = http.server.ThreadingHTTPServer(("127.0.0.1", 0), Hostile)
    server.slow = threading.Event()  # type: ignore[attr-defined]
    server.daemon_threads = True
    threading.Thread(target=server.serve_forever, daemon=True).start()
    yield f"http://127.0.0.1:{server.server_address[1]}"
    server.slow.set()  # type: ignore[attr-defined]
    server.shutdown()


@pytest.mark.parametrize(("kind", "taken"), [("good", True), *((k, False) for k in ("elsewhere", "hot", "bright", "many", "large", "nonsense", "drip"))])
def test_whatever_answers_at_the_port_is_bounded(hostile: str, kind: str, taken: bool, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(nearby, "WHOLE_S", 0.5)
    assert (ask(f"{hostile}/{kind}", 51.5, 0.0, TODAY, 1) is not None) is taken

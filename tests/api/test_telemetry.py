"""What devices said, in the database: kept by the minute, thinned, listened to always, a table of it, and a log of it beside the run."""

from __future__ import annotations

import datetime as dt
import uuid
from typing import Any

import pytest
from sqlalchemy import Engine
from sqlalchemy.exc import OperationalError
from starlette.testclient import TestClient

from bothy.core.live.kept import HOUR_S, MINUTE_S, Kept
from bothy.store.projects import Missing
from bothy.store.telemetry import HOURS_DAYS, MINUTES_DAYS, Telemetry
from tests.devices.test_live import StandIn, stand, until  # noqa: F401  the fixture

NOW = dt.datetime(2027, 6, 20, 10, 0)


def rows(start: dt.datetime, minutes: int, simulated: bool = False, volts: float = 13.0) -> list[Kept]:
    out = []
    for n in range(minutes):
        at = start + dt.timedelta(minutes=n)
        for key, mean in (("voltage_v", volts), ("current_a", -4.0), ("soc_frac", 0.6)):
            out.append(Kept("shunt-1", "battery_monitor", key, at, MINUTE_S, mean, mean, mean, 60, simulated))
        out.append(Kept("solar-1", "solar_controller", "power_w", at, MINUTE_S, 40.0, 0.0, 90.0, 60, simulated))
    return out


@pytest.fixture
def kept(client: TestClient) -> Telemetry:
    telemetry: Telemetry = client.app.state.lives.telemetry  # type: ignore[attr-defined]
    return telemetry


def test_minutes_stay_once_and_become_hours(kept: Telemetry, curlew_id: str) -> None:
    id = uuid.UUID(curlew_id)
    old = NOW - dt.timedelta(days=MINUTES_DAYS + 1)
    kept.put(id, rows(old, 120))
    kept.put(id, rows(old, 120, volts=99.0))
    kept.put(id, rows(NOW - dt.timedelta(hours=1), 30))
    assert {r.mean for r in kept.get(id) if r.key == "voltage_v"} == {13.0}, "what was kept first stays"
    before = kept.get(id)
    assert kept.thin(NOW) == (480, 0)
    after = kept.get(id)
    assert len([r for r in after if r.span_s == HOUR_S]) == 8
    assert len([r for r in after if r.span_s == MINUTE_S]) == 120
    assert sum(r.value_count for r in after) == sum(r.value_count for r in before), "nothing is lost, nothing is counted twice"
    assert kept.thin(NOW) == (0, 0)
    assert kept.thin(NOW + dt.timedelta(days=HOURS_DAYS + 30)) == (120, 12)
    assert kept.get(id) == []
    with pytest.raises(Missing):
        kept.put(uuid.uuid4(), rows(NOW, 1))


def test_a_log_of_what_the_devices_said(client: TestClient, kept: Telemetry, curlew_id: str) -> None:
    nothing = client.put(f"/api/variants/{curlew_id}/measured/devices")
    assert (nothing.status_code, nothing.json()["error"]["key"]) == (422, "devices")
    head = client.get(f"/api/variants/{curlew_id}").json()
    first = dt.datetime.fromisoformat(head["design"]["trips"]["start_date"])
    kept.put(uuid.UUID(curlew_id), rows(first, 60 * 30))
    made = client.put(f"/api/variants/{curlew_id}/measured/devices")
    assert made.status_code == 200, made.text
    assert made.json()["name"].startswith("Devices, ")
    beside: dict[str, Any] = client.get(f"/api/variants/{curlew_id}/measured", params={"revision": head["revision"]}).json()["beside"]
    assert not beside["simulated"]
    assert {x for x in beside["load_w"] if x is not None} == {92.0}, "40 W of sun and 52 W out of the bank"
    assert beside["takes_over"]


def test_simulated_values_are_shown_and_never_taken_over(client: TestClient, kept: Telemetry, curlew_id: str) -> None:
    head = client.get(f"/api/variants/{curlew_id}").json()
    first = dt.datetime.fromisoformat(head["design"]["trips"]["start_date"])
    kept.put(uuid.UUID(curlew_id), rows(first, 60 * 24 * 9, simulated=True))
    assert client.put(f"/api/variants/{curlew_id}/measured/devices").json()["name"].startswith("Simulated devices, ")
    beside = client.get(f"/api/variants/{curlew_id}/measured", params={"revision": head["revision"]}).json()["beside"]
    assert beside["simulated"] and beside["load_w"]
    assert (beside["patch"], beside["takes_over"], beside["findings"]) == ([], [], [])


def test_a_table_of_it_and_nothing_of_it(client: TestClient, kept: Telemetry, curlew_id: str) -> None:
    kept.put(uuid.UUID(curlew_id), rows(NOW, 2))
    table = client.get(f"/api/variants/{curlew_id}/live/values.csv")
    lines = table.text.splitlines()
    assert len(lines) == 9
    assert lines[1] == "2027-06-20T10:00:00Z,60,shunt-1,battery_monitor,current_a,-4,-4,-4,60,no"
    assert "Curlew%20values.csv" in table.headers["content-disposition"]
    assert client.delete(f"/api/variants/{curlew_id}/live/values").status_code == 204
    assert kept.get(uuid.UUID(curlew_id)) == []
    gone = "/api/variants/00000000-0000-0000-0000-000000000000/live"
    assert client.get(f"{gone}/values.csv").status_code == client.delete(f"{gone}/values").status_code == 404


def test_listening_goes_on_while_nobody_looks_and_after_a_start(client: TestClient, kept: Telemetry, curlew_id: str, stand: tuple[StandIn, int]) -> None:  # noqa: F811
    lives = client.app.state.lives  # type: ignore[attr-defined]
    lives.port = stand[1]
    assert client.put(f"/api/variants/{curlew_id}/live/always", json={"on": True}).status_code == 204
    assert client.get(f"/api/variants/{curlew_id}/live").json()["always"] is True
    assert kept.listening() == [uuid.UUID(curlew_id)]
    lives.close()
    lives._on.clear()
    lives.wake(client.app.state.projects, client.app.state.reports)  # type: ignore[attr-defined]
    assert [x.hub.always for _, x in lives._on.values()] == [True]
    until(lambda: client.get(f"/api/variants/{curlew_id}/live").json()["connected"])
    assert client.put(f"/api/variants/{curlew_id}/live/always", json={"on": False}).status_code == 204
    assert kept.listening() == []
    assert client.put(f"/api/variants/{curlew_id}/live/always", json={"on": "perhaps"}).status_code == 422


def test_a_database_that_is_away_loses_no_minute(kept: Telemetry, curlew_id: str, engine: Engine) -> None:
    from bothy.devices.client import Listener
    from tests.devices.test_live import played

    hub, _ = played(130)
    away = True

    def keep(found: list[Kept]) -> None:
        if away:
            raise OSError("gone")
        kept.put(uuid.UUID(curlew_id), found)

    listener = Listener(hub, 1, keep=keep)
    listener.keep()
    assert any("could not be kept yet" in t for t in hub.part().told)
    away = False
    listener.keep()
    assert {r.key for r in kept.get(uuid.UUID(curlew_id))} >= {"voltage_v", "soc_frac", "temp_c"}


def test_a_start_while_the_database_is_away_is_quiet(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    lives = client.app.state.lives  # type: ignore[attr-defined]
    asked, before = [], dict(lives._on)

    def away() -> list[uuid.UUID]:
        asked.append(1)
        raise OperationalError("select", {}, Exception("gone"))

    monkeypatch.setattr(lives.telemetry, "listening", away)
    lives.wake(client.app.state.projects, client.app.state.reports)  # type: ignore[attr-defined]
    monkeypatch.setattr(lives.telemetry, "listening", lambda: [uuid.uuid4()])
    lives.wake(client.app.state.projects, client.app.state.reports)  # type: ignore[attr-defined]
    assert asked == [1]
    assert lives._on == before, "a variant that is gone is passed over"

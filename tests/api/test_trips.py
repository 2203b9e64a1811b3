"""Trips over HTTP: the quick run at once, the thorough one as a job that says how far it is and can be cancelled."""

from __future__ import annotations

import threading
import uuid
from typing import Any

import pytest
from sqlalchemy import Engine, text
from starlette.testclient import TestClient

from bothy.api.trips import quick_draws
from bothy.core.context import Context
from bothy.core.sound import sound
from bothy.core.trips.of_design import run_trip
from bothy.demo import curlew
from bothy.jobs.runner import AT_ONCE, Between, Runner, Stopped
from bothy.store.jobs import CANCELLED, DONE, FAILED, KEPT, WAITING, Jobs
from bothy.store.projects import Projects


def waited(client: TestClient, job: str) -> dict[str, Any]:
    """The job when it has ended; asks again and again, as the page does."""
    for _ in range(10_000):
        found = client.get(f"/api/jobs/{job}").json()
        if found["state"] != "running":
            return found  # type: ignore[no-any-return]
    raise AssertionError("the job never ends")


def test_the_quick_run_is_the_cores(client: TestClient, curlew_id: str) -> None:
    r = client.get(f"/api/variants/{curlew_id}/trip", params={"revision": 1})
    assert r.status_code == 200
    assert r.json() == run_trip(Context(curlew.design())).model_dump(mode="json")


def test_what_is_missing_is_said(client: TestClient, variant_id: str) -> None:
    r = client.get(f"/api/variants/{variant_id}/trip", params={"revision": 1})
    assert r.status_code == 422
    assert r.json()["error"]["key"] == "legs"
    assert client.post(f"/api/variants/{variant_id}/trip/jobs").status_code == 422


@pytest.mark.parametrize(("days", "asked", "draws"), [(18, 50, 50), (100, 200, 50), (366, 1000, 13), (366, 5, 5)])
def test_long_trips_take_fewer_weathers_for_a_quick_run(days: int, asked: int, draws: int) -> None:
    d = curlew.design()
    leg = d.trips.legs[0].model_copy(update={"days_count": days})
    assert quick_draws(d.model_copy(update={"trips": d.trips.model_copy(update={"legs": [leg], "draw_count": asked})})) == draws


def test_a_thorough_run_leaves_its_result_with_its_revision(client: TestClient, curlew_id: str) -> None:
    url = f"/api/variants/{curlew_id}/trip"
    assert client.get(f"{url}/thorough").json() == {"job": None, "revision": None, "run": None}
    client.patch(
        f"/api/variants/{curlew_id}", json={"ops": [{"op": "replace", "path": "/trips/draw_count", "value": 90}]}, headers={"If-Match": "1"}
    ).raise_for_status()
    job = client.post(f"{url}/jobs")
    assert job.status_code == 202
    ended = waited(client, job.json()["id"])
    assert (ended["state"], ended["done"], ended["whole"], ended["revision"]) == ("done", 90, 90, 2)
    kept = client.get(f"{url}/thorough").json()
    assert kept["revision"] == 2
    assert kept["run"]["draw_count"] == 90
    client.patch(
        f"/api/variants/{curlew_id}", json={"ops": [{"op": "replace", "path": "/life/people", "value": 1}]}, headers={"If-Match": "2"}
    ).raise_for_status()
    assert client.get(f"{url}/thorough").json()["revision"] == 2, "the page sees that the design has moved on"


def test_jobs_that_are_not_there(client: TestClient) -> None:
    nobody = uuid.uuid4()
    assert client.get(f"/api/jobs/{nobody}").status_code == 404
    assert client.post(f"/api/jobs/{nobody}/cancel").status_code == 404


@pytest.fixture
def variant(engine: Engine) -> uuid.UUID:
    projects = Projects(engine)
    projects.create("Curlew", [("as planned", sound(curlew.design()))], "test")
    return projects.all()[0].variants[0].id


def ended(engine: Engine, work: Any, variant: uuid.UUID) -> Any:
    """Run one job to its end and return its row."""
    jobs = Jobs(engine)
    runner = Runner(jobs)
    id = runner.start(variant, 1, "trip", 10, work)
    runner._pool.shutdown(wait=True)
    return jobs.get(id)


def test_a_job_that_fails_says_why(engine: Engine, variant: uuid.UUID) -> None:
    def work(_: Between) -> Any:
        raise ValueError("no such weather")

    row = ended(engine, work, variant)
    assert (row.state, row.error) == (FAILED, "no such weather")


def test_a_job_is_cancelled_while_it_runs(engine: Engine, variant: uuid.UUID) -> None:
    jobs, started, go_on = Jobs(engine), threading.Event(), threading.Event()

    def work(between: Between) -> Any:
        started.set()
        go_on.wait(30)
        for n in range(10_000_000):
            between(n, 10)
        return {}

    runner = Runner(jobs)
    id = runner.start(variant, 1, "trip", 10, work)
    assert started.wait(30)
    jobs.cancel(id)
    go_on.set()
    runner._pool.shutdown(wait=True)
    assert jobs.get(id).state == CANCELLED
    assert jobs.result(variant, "trip") is None


def test_closing_ends_what_runs(engine: Engine, variant: uuid.UUID) -> None:
    jobs, started = Jobs(engine), threading.Event()

    def work(between: Between) -> Any:
        started.set()
        while True:
            between(1, 10)

    runner = Runner(jobs)
    id = runner.start(variant, 1, "trip", 10, work)
    assert started.wait(30)
    runner.close()
    assert jobs.get(id).state == CANCELLED
    assert issubclass(Stopped, Exception)


def test_a_job_whose_server_died_is_seen_as_interrupted_whatever_the_clock_says(engine: Engine, variant: uuid.UUID) -> None:
    jobs, seen = Jobs(engine), Jobs(engine)
    id = jobs.start(variant, 1, "trip", 10)
    assert jobs.begin(id)
    with engine.begin() as c:
        c.execute(text("update jobs set updated_at = updated_at - interval 1 hour"))
    assert [x.get(id).state for x in (jobs, seen)] == ["running", "running"]
    with engine.begin() as c:
        c.execute(text("update jobs set updated_at = updated_at + interval 9 hour"))
    jobs.owner.release()  # as the end of its process does
    row = seen.get(id)
    assert (row.state, row.error) == (FAILED, "was interrupted; start it again")


def test_a_lock_that_went_with_the_database_is_taken_again(engine: Engine, variant: uuid.UUID) -> None:
    jobs, seen = Jobs(engine), Jobs(engine)
    id = jobs.start(variant, 1, "trip", 10)
    with engine.begin() as c:
        holder = c.scalar(text("select is_used_lock(:n)"), {"n": jobs.owner.name})
        c.execute(text(f"kill {int(holder or 0)}"))
    jobs.owner.hold()
    assert seen.get(id).state == WAITING


def test_those_that_wait_say_so_with_their_place_and_ten_at_once_finish(engine: Engine, variant: uuid.UUID) -> None:
    jobs, go_on, begun = Jobs(engine), threading.Event(), threading.Semaphore(0)

    def work(_: Between) -> Any:
        begun.release()
        go_on.wait(60)
        return {}

    runner = Runner(jobs)
    ids = [runner.start(variant, n, f"kind {n}", 1, work) for n in range(10)]
    for _ in range(AT_ONCE):
        assert begun.acquire(timeout=60)
    rows = [jobs.get(id) for id in ids]
    assert [(r.state, r.ahead) for r in rows] == [("running", 0)] * AT_ONCE + [(WAITING, n) for n in range(AT_ONCE, 10)]
    jobs.cancel(ids[-1])
    assert jobs.get(ids[-1]).state == CANCELLED
    go_on.set()
    runner._pool.shutdown(wait=True)
    assert [jobs.get(id).state for id in ids] == [DONE] * 9 + [CANCELLED]
    runner.close()


def test_old_results_are_cleared_away(engine: Engine, variant: uuid.UUID) -> None:
    jobs = Jobs(engine)
    ids = [jobs.start(variant, n, "trip", 1) for n in range(KEPT + 3)]
    for n, id in enumerate(ids):
        jobs.finish(id, DONE, result={"n": n})
    with engine.connect() as c:
        assert c.scalar(text("select count(*) from jobs")) == KEPT
    assert jobs.result(variant, "trip") == (KEPT + 2, {"n": KEPT + 2})

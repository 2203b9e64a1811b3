"""The parts supplier: a real small process quotes for the shopping list; whatever else answers at its port is refused."""

from __future__ import annotations

import contextlib
import datetime as dt
import http.server
import json
import threading
from collections.abc import Iterator
from typing import Any

import pytest
from sqlalchemy import Engine
from starlette.testclient import TestClient

from bothy import nearby
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.store.projects import Projects
from bothy.supplier.client import ask
from bothy.supplier.standin import Enquiry, WantedLine, offer_for
from tests.processes import service_of

DAY = dt.date(2027, 3, 6)
ASKED = Enquiry(
    currency="€",
    on=DAY,
    lines=[WantedLine(key=f"line-{i}", name=f"Line {i}", amount=2, guide=100 if i % 2 else None, unit="m" if i % 3 else "") for i in range(40)],
)


@pytest.fixture(scope="module")
def service() -> Iterator[str]:
    """The stand-in as a process of its own."""
    with service_of("bothy.supplier.standin:app", lambda url: ask(url, ASKED) is not None) as url:
        yield url


def test_everybody_is_quoted_the_same(service: str) -> None:
    offer = ask(service, ASKED)
    assert offer is not None and offer == offer_for(ASKED) and offer.until == DAY + dt.timedelta(days=14)
    assert 0 < len(offer.lines) < len(ASKED.lines), "not everything is carried"
    guide = {x.key: x.guide for x in ASKED.lines}
    assert all(0.85 * g <= x.price <= 1.25 * g for x in offer.lines if (g := guide[x.key]) is not None)
    assert all(x.lead_days <= 5 for x in offer.lines if x.in_stock) and all(x.lead_days >= 6 for x in offer.lines if not x.in_stock)


def test_the_build_takes_quotes_over_and_reckons_with_them(service: str, client: TestClient, app: Any, engine: Engine, monkeypatch: pytest.MonkeyPatch) -> None:
    Projects(engine).create("Tern", [("a", sound(curlew.design()))], "test")
    id = client.get("/api/projects").json()[0]["variants"][0]["id"]
    monkeypatch.setitem(app.state._state, "supplier_url", service)
    day = {"today": DAY.isoformat()}
    before = client.get(f"/api/variants/{id}/build", params=day).json()
    offer = client.get(f"/api/variants/{id}/build/quotes", params=day).json()
    open_lines = {x["key"] for x in before["shopping"] if x["status"] == "planned"}
    assert offer["source"].startswith("Stand-in") and {x["key"] for x in offer["lines"]} <= open_lines
    assert offer["taken"] + len(offer["left"]) == len(open_lines)
    ops = [{"op": "add", "path": "/facts/quotes/-", "value": x["quote"]} for x in offer["lines"]]
    client.patch(f"/api/variants/{id}", json={"ops": ops}, headers={"If-Match": "1"}).raise_for_status()
    after = client.get(f"/api/variants/{id}/build", params=day).json()
    price = {x["key"]: x["quote"]["price"] for x in offer["lines"]}
    assert all(x["price"] == price[x["key"]] and x["quote"]["holds"] for x in after["shopping"] if x["key"] in price)
    assert after["money"]["unknown"] < before["money"]["unknown"]
    later = client.get(f"/api/variants/{id}/build", params={"today": "2027-04-20"}).json()
    assert all(x["price"] == x["guide"] for x in later["shopping"] if x["status"] == "planned"), "two weeks later nothing of it holds"


class Hostile(http.server.BaseHTTPRequestHandler):
    """Answers as its path says."""

    def do_POST(self) -> None:
        self.rfile.read(int(self.headers["content-length"]))
        kind = self.path.split("/")[1]
        line = {"key": "line-1", "price": 5.0, "lead_days": 2}
        lines = {
            "good": [line],
            "free": [{**line, "price": -1}],
            "other": [{**line, "key": "not-asked"}],
            "twice": [line, line],
            "endless": [{**line, "lead_days": 4000}],
            "nan": [{**line, "price": float("nan")}],
        }.get(kind, [])
        body = {"supplier": "x", "currency": "$" if kind == "money" else "€", "until": DAY.isoformat(), "lines": lines}
        self.send_response(500 if kind == "broken" else 200)
        self.end_headers()
        with contextlib.suppress(OSError):
            self.wfile.write(b" " * 5_000_000 if kind == "large" else b"{" if kind == "nonsense" else json.dumps(body).encode())

    def log_message(self, *_: object) -> None:
        pass


@pytest.fixture(scope="module")
def hostile() -> Iterator[str]:
    server = http.server.ThreadingHTTPServer(("127.0.0.1", 0), Hostile)
    server.daemon_threads = True
    threading.Thread(target=server.serve_forever, daemon=True).start()
    yield f"http://127.0.0.1:{server.server_address[1]}"
    server.shutdown()


@pytest.mark.parametrize(
    ("kind", "taken"), [("good", True), *((k, False) for k in ("free", "other", "twice", "endless", "nan", "money", "broken", "large", "nonsense"))]
)
def test_whatever_answers_at_the_port_is_looked_at(hostile: str, kind: str, taken: bool, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(nearby, "WHOLE_S", 20.0)
    assert (ask(f"{hostile}/{kind}", ASKED) is not None) is taken


def test_nobody_there_is_no_quote() -> None:
    assert ask("http://127.0.0.1:9", ASKED) is None

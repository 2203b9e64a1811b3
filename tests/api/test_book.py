"""Hand over over HTTP: the book, its files, a signature, and papers that measure true."""

from __future__ import annotations

import io
from typing import Any

import pytest
from pypdf import PdfReader
from starlette.testclient import TestClient

from tests.api.test_fit import say
from tests.api.test_variants import patch, put
from tests.designs import BANK

DAY = {"today": "2027-06-01"}


@pytest.fixture
def built(client: TestClient, variant_id: str) -> str:
    say(client, variant_id, put("/power/bank", BANK), put("/power/shore", {"name": "Charger", "charger_current_a": 20.0}))
    return variant_id


def test_the_book_and_a_signature(client: TestClient, built: str) -> None:
    made: Any = client.get(f"/api/variants/{built}/book", params=DAY).json()
    assert made["pages"][0]["id"] == "isolation" and made["held_back"]
    revision = client.get(f"/api/variants/{built}").json()["revision"]
    no = patch(client, built, revision, {"op": "add", "path": "/facts/papers/-", "value": {"id": "mains", "name": "E. Lectrician"}})
    assert no.status_code == 422 and "licence" in no.text
    say(client, built, {"op": "add", "path": "/facts/papers/-", "value": {"id": "mains", "name": "E. Lectrician", "licence": "L1"}})
    assert not any(x.startswith("mains") for x in client.get(f"/api/variants/{built}/book", params=DAY).json()["held_back"])


def test_its_files(client: TestClient, built: str) -> None:
    at = f"/api/variants/{built}/book/file"
    page = client.get(f"{at}/book.html", params=DAY)
    assert page.headers["content-type"].startswith("text/html") and "Switch it off" in page.text
    pdf = PdfReader(io.BytesIO(client.get(f"{at}/book.pdf", params=DAY).content))
    made = client.get(f"/api/variants/{built}/book", params=DAY).json()
    assert len(pdf.pages) >= len(made["pages"])
    root = pdf.trailer["/Root"]
    assert root["/MarkInfo"]["/Marked"] and root["/StructTreeRoot"] and root["/Lang"] == "en", "tagged, for who has it read aloud"
    text = "".join(p.extract_text() for p in pdf.pages)
    assert all(p["title"] in text for p in made["pages"])
    cards = PdfReader(io.BytesIO(client.get(f"{at}/cards.pdf", params=DAY).content))
    assert float(cards.pages[0].mediabox.width) == pytest.approx(148 * 72 / 25.4, abs=1) and 2 <= len(cards.pages) <= 4
    assert client.get(f"{at}/book.json", params=DAY).json()["pages"] == made["pages"]
    assert client.get(f"{at}/maintenance.ics", params=DAY).text.startswith("BEGIN:VCALENDAR")
    assert client.get(f"{at}/book.html", params={"today": "soon-enough"}).status_code == 422

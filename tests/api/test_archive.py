"""One project whole, over HTTP: out with its photographs, deleted, and in again; what is damaged leaves nothing behind."""

from __future__ import annotations

import io
import zipfile
from typing import Any

from sqlalchemy import Engine, text
from starlette.testclient import TestClient

from tests.api.test_photos import OWN, sent, taken
from tests.formats.test_picture import photo

ZIP = {**OWN, "content-type": "application/zip"}


def project_of(client: TestClient, variant: str) -> dict[str, Any]:
    found: list[dict[str, Any]] = client.get("/api/projects").json()
    return next(p for p in found if any(v["id"] == variant for v in p["variants"]))


def packed(client: TestClient, id: str) -> bytes:
    made = sent(client, photo(900, 600)).json()
    assert taken(client, id, made, "wall", note="left").status_code == 200
    hand = sent(client, photo(600, 180)).json()
    revision = client.get(f"/api/variants/{id}").json()["revision"]
    paper = {"id": "dc", "name": "B. Uilder", "on": "2027-05-30", "signature": hand["sha256"]}
    signed = client.patch(f"/api/variants/{id}", json={"ops": [{"op": "add", "path": "/facts/papers/-", "value": paper}]}, headers={"If-Match": str(revision)})
    assert signed.status_code == 200, signed.text
    answer = client.get(f"/api/projects/{project_of(client, id)['id']}/archive")
    assert answer.headers["content-type"] == "application/zip"
    assert "Curlew.bothy.zip" in answer.headers["content-disposition"]
    return answer.content


def test_out_and_in_with_every_photograph(client: TestClient, curlew_id: str, engine: Engine) -> None:
    data = packed(client, curlew_id)
    names = zipfile.ZipFile(io.BytesIO(data)).namelist()
    assert len([n for n in names if n.startswith("photos/")]) == 2
    hashes = [n[7:-4] for n in names if n.startswith("photos/")]
    was = [client.get(f"/api/photos/{h}").content for h in hashes]
    with engine.begin() as c:
        c.execute(text("delete from photos"))
    assert client.get(f"/api/photos/{hashes[0]}").status_code == 404
    made = client.post("/api/projects/archive", content=data, headers=ZIP)
    assert made.status_code == 201, made.text
    assert [client.get(f"/api/photos/{h}").content for h in hashes] == was
    assert client.get(f"/api/photos/{hashes[0]}", params={"thumb": True}).status_code == 200
    there = client.get(f"/api/variants/{made.json()['variant_id']}").json()
    assert there["design"] == client.get(f"/api/variants/{curlew_id}").json()["design"]
    facts = client.get(f"/api/variants/{made.json()['variant_id']}").json()["recorded"]["facts"]
    assert facts["photos"][0]["note"] == "left"
    assert facts["papers"][-1]["signature"] in hashes
    assert {p["name"] for p in client.get("/api/projects").json()} >= {"Curlew", "Curlew 2"}


def test_what_is_damaged_leaves_nothing_behind(client: TestClient, curlew_id: str, engine: Engine) -> None:
    data = packed(client, curlew_id)
    with engine.begin() as c:
        c.execute(text("delete from photos"))
    before = client.get("/api/projects").json()
    at = data.index(b"\xff\xd8\xff", data.index(b"photos/"))
    spoilt = data[: at + 200] + bytes([data[at + 200] ^ 1]) + data[at + 201 :]
    for bad, words in ((spoilt, "damaged"), (data[:-100], "no Bothy archive"), (b"", "no Bothy archive"), (b"PK\x03\x04 and so on", "no Bothy archive")):
        answer = client.post("/api/projects/archive", content=bad, headers=ZIP)
        assert answer.status_code == 422
        assert words in answer.json()["error"]["message"]
    assert client.get("/api/projects").json() == before
    with engine.begin() as c:
        assert c.execute(text("select count(*) from photos")).scalar() == 0


def test_a_lost_photograph_is_listed_and_the_rest_comes(client: TestClient, curlew_id: str, engine: Engine) -> None:
    packed(client, curlew_id)
    with engine.begin() as c:
        c.execute(text("delete from photos limit 1"))
    data = client.get(f"/api/projects/{project_of(client, curlew_id)['id']}/archive").content
    with zipfile.ZipFile(io.BytesIO(data)) as z:
        assert b'"lost": [\n' in z.read("manifest.json")
    assert client.post("/api/projects/archive", content=data, headers=ZIP).status_code == 201
    assert client.get("/api/projects/00000000-0000-0000-0000-000000000000/archive").status_code == 404
    assert client.get("/api/schema/archive.json").json()["$id"] == "bothy-archive-1"

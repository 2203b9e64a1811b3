"""What was sent to break it: every answer has words and a key, none is a crash, none takes long or much."""

from __future__ import annotations

import io
import json
import uuid
import zipfile
from collections.abc import Callable
from typing import Any

import pytest
from sqlalchemy import Engine, text
from starlette.testclient import TestClient

from bothy.api import app as app_module
from bothy.api.app import create_app
from bothy.api.guard import host_name
from bothy.core.design.document import Design
from bothy.formats.workbook import to_xlsx
from bothy.settings import Settings
from bothy.store.projects import Projects

JSON = {"content-type": "application/json"}
PEOPLE = {"ops": [{"op": "replace", "path": "/life/people", "value": 3}]}


def refused(answer: Any, *statuses: int) -> dict[str, str]:
    """The key and words of a refusal; it has the one body, and the headers of every answer."""
    assert answer.status_code in statuses, (answer.status_code, answer.text[:300])
    assert set(answer.json()) >= {"error"}
    error: dict[str, str] = answer.json()["error"]
    assert error["key"]
    assert len(error["message"]) > 5
    assert "default-src 'self'" in answer.headers["content-security-policy"]
    assert answer.headers["x-content-type-options"] == "nosniff"
    return error


@pytest.mark.parametrize("match", ["²", "9" * 5000, "-1", "1.5", "", "٣", "0x1"])
def test_a_revision_is_a_plain_number(client: TestClient, variant_id: str, match: str) -> None:
    r = client.patch(f"/api/variants/{variant_id}", json=PEOPLE, headers={"If-Match": match.encode("utf-8")})
    assert refused(r, 422)["key"] == "If-Match"


@pytest.mark.parametrize("origin", ["http://[", "http://[::1", "//", "http://a\\@127.0.0.1:8080", "javascript:1"])
def test_an_origin_that_is_none(client: TestClient, variant_id: str, origin: str) -> None:
    refused(client.patch(f"/api/variants/{variant_id}", json=PEOPLE, headers={"If-Match": "1", "origin": origin}), 403)


@pytest.mark.parametrize(
    ("host", "name"),
    [
        ("127.0.0.1:8191@evil.example", None),
        ("127.0.0.1:8191", "127.0.0.1"),
        ("127.0.0.1:", None),
        ("127.0.0.1:99999", None),
        ("[::1]:80", "[::1]"),
        ("[::1", None),
        ("LocalHost", "localhost"),
        ("127.0.0.1/x", None),
        ("a b", None),
        ("127.0.0.1:80:80", None),
    ],
)
def test_a_host_is_one_name_and_one_port(host: str, name: str | None) -> None:
    assert host_name(host) == name


def nested(deep: int) -> Any:
    value: Any = 1
    for _ in range(deep):
        value = [value]
    return value


@pytest.mark.parametrize("deep", [40, 300, 900])
def test_what_is_nested_too_deeply(client: TestClient, variant_id: str, deep: int) -> None:
    value = json.dumps(nested(deep))
    patch = '{"ops": [{"op": "replace", "path": "/life/people", "value": ' + value + "}]}"
    refused(client.patch(f"/api/variants/{variant_id}", content=patch, headers={**JSON, "If-Match": "1"}), 400, 422)
    refused(client.post("/api/calc/voltage-drop", content='{"area_mm2": ' + value + "}", headers=JSON), 400, 422)
    refused(client.post("/api/projects/import", json={"text": value}), 422)


@pytest.mark.parametrize(
    "ops",
    [
        [{"op": "copy", "from": "/life/appliances", "path": "/life/appliances/-"}] * 24,
        [{"op": "add", "path": "/life/appliances/-", "value": [[0] * 300] * 300}],
        [{"op": "copy", "from": "", "path": "/life/x"}] * 40,
        [{"op": "add", "path": "/life/people", "value": 1}] * 3000,
    ],
)
def test_a_patch_that_grows_without_end_is_stopped_before_it_does(client: TestClient, curlew_id: str, ops: list[dict[str, Any]]) -> None:
    refused(client.patch(f"/api/variants/{curlew_id}", json={"ops": ops}, headers={"If-Match": "1"}), 409, 422)
    assert client.get(f"/api/variants/{curlew_id}").json()["revision"] == 1


@pytest.mark.parametrize(
    ("path", "value", "place"),
    [
        ("/life/note", "a\x07b", "note"),
        ("/vehicle/name", "\ud800", "name"),
        ("/life/appliances/0/name", "Fridge \ufdd0", "name"),
        ("/life/appliances/0/note", "x\u202e", "note"),
    ],
)
def test_what_is_no_text_is_refused_with_its_place(client: TestClient, curlew_id: str, path: str, value: str, place: str) -> None:
    body = json.dumps({"ops": [{"op": "add", "path": path, "value": value}]})
    error = refused(client.patch(f"/api/variants/{curlew_id}", content=body, headers={**JSON, "If-Match": "1"}), 422)
    assert error["key"] == place
    assert "U+" in error["message"]


@pytest.mark.parametrize("name", ["a\x00b", "\ud800", "x\uffff", "\x1b[31m"])
def test_names_of_projects_and_variants_are_texts(client: TestClient, curlew_id: str, name: str) -> None:
    for address, body in (("/api/projects", {"name": name}), (f"/api/variants/{curlew_id}/copy", {"name": name})):
        assert refused(client.post(address, content=json.dumps(body), headers=JSON), 422)["key"] == "name"
    file = json.dumps(
        {"format": "bothy-project", "schema_version": 1, "name": name, "variants": [{"name": "as planned", "design": Design().model_dump(mode="json")}]}
    )
    assert refused(client.post("/api/projects/import", content=json.dumps({"text": file}), headers=JSON), 422)["key"] == "name"


def test_old_names_with_control_characters_are_still_exported(client: TestClient, curlew_id: str, engine: Engine) -> None:
    with engine.begin() as c:
        c.execute(text("update revisions set document = replace(document, 'Fridge', 'Fri\\\\u0007dge')"))
        c.execute(text("update projects set name = 'Up/on \\\\ a: hill'"))
    for kind in ("circuits.xlsx", "lists.xlsx", "circuits.csv", "appliances.csv"):
        r = client.get(f"/api/variants/{curlew_id}/export/{kind}")
        assert r.status_code == 200, (kind, r.text[:200])
        assert "%2F" not in r.headers["content-disposition"]
        assert "%5C" not in r.headers["content-disposition"]


@pytest.mark.parametrize("field", ["power", "use", "windows"])
@pytest.mark.parametrize("line", [{}, {"power_w": "x"}, {"hours_per_day": None}, {"charge_energy_wh": [1]}, {"power_w": 1e300}])
def test_a_cell_of_a_line_that_is_not_there(client: TestClient, field: str, line: dict[str, Any]) -> None:
    r = client.post("/api/appliances/cell", json={"field": field, "text": "5 W" if field == "power" else "2", "appliance": line})
    assert r.status_code in (200, 422), r.text


GPX = '<gpx xmlns="http://www.topografix.com/GPX/1/1"><trk>{}</trk></gpx>'


def track(year: int) -> str:
    return GPX.format("".join(f'<trkseg><trkpt lat="5{n}" lon="-3"><time>{year}-12-3{n}T23:30:00Z</time></trkpt></trkseg>' for n in range(2)))


@pytest.mark.parametrize(
    "file",
    [
        "date,place,nights\n9999-12-31,London,400\n",
        "date,place,nights\n9999-12-30,London,2\n9999-12-31,Edinburgh,1\n",
        "place,nights\nLondon,1e300\n",
        "date,place\n" + "2026-10-12,London\n" * 30_000,
        track(9999),
        track(1),
        GPX.format('<trkseg><trkpt lat="50" lon="-3"/></trkseg>' * 20_000),
        "<" * 5000,
    ],
    ids=["year 9999", "two in 9999", "nights", "many lines", "track of 9999", "track of year 1", "many pieces", "no xml"],
)
def test_itineraries_that_no_calendar_holds(client: TestClient, curlew_id: str, file: str) -> None:
    r = client.post(f"/api/variants/{curlew_id}/itinerary/preview", json={"text": file})
    if r.status_code != 200:
        refused(r, 422)
    else:
        assert {x["status"] for x in r.json()["lines"]} <= {"wrong", "empty"}


@pytest.mark.parametrize(
    ("line", "words"),
    [
        ("0001-01-01T00:00,100,10", "write it like"),
        ("9999-12-31T23:00,100,10", "write it like"),
        ("2025-06-01T12:00,90000,10", "can be"),
        ("2025-06-01T12:00,400,290", "can be"),
    ],
)
def test_weather_outside_of_time_or_physics(client: TestClient, line: str, words: str) -> None:
    body = {"text": "time,ghi,temp_air\n" + line + "\n", "lat_deg": 50, "lon_deg": 0, "marks": "end"}
    assert words in refused(client.post("/api/weather/read", json=body), 422)["message"]


def workbook() -> bytes:
    return to_xlsx([("Sheet", ("name", "power"), [["Lamp", "5 W"], ["Fridge", 45.0]])], "x")


def changed(name: str, content: Callable[[bytes], bytes]) -> bytes:
    """A workbook with one of its parts changed."""
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(workbook())) as old, zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as new:
        for item in old.namelist():
            new.writestr(item, content(old.read(item)) if item == name else old.read(item))
    return out.getvalue()


SHEET = "xl/worksheets/sheet1.xml"
CELL = b'<row><c t="inlineStr"><is><t>x</t></is></c></row>'


@pytest.mark.parametrize(
    ("name", "make"),
    [
        ("content types", lambda: changed("[Content_Types].xml", lambda _: b"<")),
        ("text in a number", lambda: changed(SHEET, lambda x: x.replace(b"<v>45</v>", b"<v>many</v>"))),
        ("flipped bits", lambda: workbook()[:400] + bytes(b ^ 0x55 for b in workbook()[400:600]) + workbook()[600:]),
        ("no zip", lambda: b"PK" + b"\x00" * 500),
        ("one huge cell", lambda: changed(SHEET, lambda x: x.replace(b"</sheetData>", CELL.replace(b">x<", b">" + b"x" * 6_000_000 + b"<") + b"</sheetData>"))),
        ("many rows", lambda: changed(SHEET, lambda x: x.replace(b"</sheetData>", CELL * 60_000 + b"</sheetData>"))),
        ("a bomb", lambda: changed(SHEET, lambda x: x.replace(b"</sheetData>", b" " * 45_000_000 + b"</sheetData>"))),
        ("cut off", lambda: workbook()[:-200]),
        ("nothing", lambda: b""),
    ],
)
def test_workbooks_that_are_none_or_too_much(client: TestClient, name: str, make: Callable[[], bytes]) -> None:
    r = client.post("/api/table/xlsx", content=make(), headers={"content-type": "application/octet-stream", "origin": "http://127.0.0.1:8080"})
    error = refused(r, 422)
    assert error["key"] == "file"
    if name in ("one huge cell", "many rows", "a bomb"):
        assert "too large" in error["message"]


def test_a_whole_workbook_is_read(client: TestClient) -> None:
    r = client.post("/api/table/xlsx", content=workbook(), headers={"content-type": "application/octet-stream", "origin": "http://127.0.0.1:8080"})
    assert r.json()["text"] == "name\tpower\nLamp\t5 W\nFridge\t45"


@pytest.mark.parametrize(
    ("method", "path", "status"),
    [("GET", "/api/teapot", 404), ("DELETE", "/api/health", 405), ("POST", "/api/places", 405), ("PATCH", "/api/projects", 405), ("POST", "/elsewhere", 404)],
)
def test_what_the_framework_refuses_has_the_one_body_too(client: TestClient, method: str, path: str, status: int) -> None:
    refused(client.request(method, path, json={} if method != "GET" else None), status)


def test_an_address_whose_number_is_none(client: TestClient) -> None:
    refused(client.get("/api/variants/none"), 422)
    refused(client.post("/api/projects", content=b"\xff\xfe{", headers=JSON), 400, 422)
    refused(client.post("/api/projects", content=b'{"name": ' + b"1" * 6000 + b"}", headers=JSON), 400, 422)


def test_a_crash_is_an_answer_in_words(client: TestClient, app: Any, monkeypatch: pytest.MonkeyPatch) -> None:
    def fails(*_: Any) -> Any:
        raise ZeroDivisionError("a slip of ours")

    monkeypatch.setattr(app.state.projects, "all", fails)
    error = refused(client.get("/api/projects"), 500)
    assert "slip" not in error["message"]


@pytest.mark.parametrize(("number", "status", "key"), [(1021, 507, "disk"), (1114, 507, "disk"), (2013, 503, "database")])
def test_a_full_disk_is_said_as_such(
    client: TestClient, app: Any, variant_id: str, monkeypatch: pytest.MonkeyPatch, number: int, status: int, key: str
) -> None:
    from pymysql.err import OperationalError as Driver
    from sqlalchemy.exc import OperationalError

    def fails(*_: Any) -> Any:
        raise OperationalError("insert", {}, Driver(number, "no"))

    monkeypatch.setattr(app.state.projects, "save", fails)
    r = client.patch(f"/api/variants/{variant_id}", json=PEOPLE, headers={"If-Match": "1"})
    assert refused(r, status)["key"] == key
    assert ("not known" in r.json()["error"]["message"]) is (status == 503)


# --- the same edit twice ---------------------------------------------------------------------------------


def test_an_edit_sent_again_is_made_once_and_answered_the_same(client: TestClient, curlew_id: str) -> None:
    sent = {"If-Match": "1", "Edit-Id": str(uuid.uuid4())}
    first = client.patch(f"/api/variants/{curlew_id}", json=PEOPLE, headers=sent).json()
    again = client.patch(f"/api/variants/{curlew_id}", json=PEOPLE, headers=sent).json()
    assert (first["revision"], again["revision"]) == (2, 2)
    assert again["design"] == first["design"]
    assert again["change"]["sections"].keys() > first["change"]["sections"].keys(), "all of it, for what was missed"
    later = client.patch(f"/api/variants/{curlew_id}", json=PEOPLE, headers={"If-Match": "2", "Edit-Id": str(uuid.uuid4())}).json()
    third = client.patch(f"/api/variants/{curlew_id}", json=PEOPLE, headers=sent).json()
    assert third["revision"] == later["revision"] == 3, "the design as it stands now"
    assert len(client.get(f"/api/variants/{curlew_id}/history").json()) == 3


@pytest.mark.parametrize("change", ["undo", "proposals"])
def test_undo_and_proposals_too(client: TestClient, variant_id: str, change: str) -> None:
    lamp = {"id": "lamp", "name": "Lamp", "kind": "light", "power_w": 10.0, "hours_per_day": 4.0}
    add = {"ops": [{"op": "add", "path": "/life/appliances/-", "value": lamp}]}
    client.patch(f"/api/variants/{variant_id}", json=add, headers={"If-Match": "1"}).raise_for_status()
    sent = {"If-Match": "2", "Edit-Id": str(uuid.uuid4())}

    def send() -> Any:
        if change == "undo":
            return client.post(f"/api/variants/{variant_id}/undo", headers=sent)
        return client.put(f"/api/variants/{variant_id}/proposals", json={}, headers=sent)

    first, again = send(), send()
    assert (first.status_code, again.status_code) == (200, 200), first.text[:300]
    assert first.json()["revision"] == again.json()["revision"] == 3


@pytest.mark.parametrize("change", ["edit", "fact", "undo", "proposals"])
def test_of_the_same_sent_twice_at_once_the_slower_is_answered_too(client: TestClient, variant_id: str, monkeypatch: pytest.MonkeyPatch, change: str) -> None:
    """As a closing tab and the one that takes over its edits do: both were looked at before either was made."""
    lamp = {"id": "lamp", "name": "Lamp", "kind": "light", "power_w": 10.0, "hours_per_day": 4.0}
    add = {"ops": [{"op": "add", "path": "/life/appliances/-", "value": lamp}]}
    client.patch(f"/api/variants/{variant_id}", json=add, headers={"If-Match": "1"}).raise_for_status()
    name = {"edit": "save", "fact": "take_down", "undo": "step", "proposals": "save"}[change]
    makes = getattr(Projects, name)

    def twice(self: Projects, *args: Any) -> Any:
        makes(self, *args)
        return makes(self, *args)

    monkeypatch.setattr(Projects, name, twice)
    sent = {"If-Match": "2", "Edit-Id": str(uuid.uuid4())}
    url = f"/api/variants/{variant_id}"
    weighing = {"ops": [{"op": "add", "path": "/facts/weighings/-", "value": {"id": "w", "name": "Slip", "front_kg": 1500.0, "rear_kg": 1400.0}}]}
    if change == "undo":
        got = client.post(f"{url}/undo", headers=sent)
    elif change == "proposals":
        got = client.put(f"{url}/proposals", json={}, headers=sent)
    else:
        got = client.patch(url, json=PEOPLE if change == "edit" else weighing, headers=sent)
    assert got.status_code == 200, got.text[:300]
    assert got.json()["revision"] == (2 if change == "fact" else 3)
    assert len(client.get(f"{url}/history").json()) == (2 if change == "fact" else 3)
    assert len(client.get(f"{url}/evidence").json()) == (1 if change == "fact" else 0)


def test_the_same_id_on_another_variant_is_another_edit(client: TestClient, engine: Engine) -> None:
    from bothy.core.sound import sound

    Projects(engine).create("Two", [("a", sound(Design())), ("b", sound(Design()))], "test")
    same = str(uuid.uuid4())
    for v in client.get("/api/projects").json()[0]["variants"]:
        assert client.patch(f"/api/variants/{v['id']}", json=PEOPLE, headers={"If-Match": "1", "Edit-Id": same}).json()["revision"] == 2


# --- a token ---------------------------------------------------------------------------------------------


def test_a_token_is_asked_for_and_kept(migrated_url: str, front_end: Any) -> None:
    app = create_app(Settings(database_url=migrated_url, front_end=str(front_end), log_requests=False, token="sesame"))
    with TestClient(app, base_url="http://127.0.0.1:8080") as c:
        assert c.get("/api/health").status_code == 200
        for path in ("/", "/api/projects", "/?token=open"):
            assert refused(c.get(path), 401)["key"] == "token"
        refused(c.post("/api/projects?token=sesame", json={"name": "x"}), 401)
        let_in = c.get("/v/abc/life?view=x&token=sesame", follow_redirects=False)
        assert (let_in.status_code, let_in.headers["location"]) == (303, "/v/abc/life?view=x")
        assert "HttpOnly" in let_in.headers["set-cookie"]
        assert "SameSite=strict" in let_in.headers["set-cookie"]
        assert c.get("/api/projects").status_code == 200
        c.cookies.set("bothy_token", "wrong", domain="127.0.0.1")
        c.cookies.clear()
        assert not c.get("//evil.example/?token=sesame", follow_redirects=False).headers["location"].startswith("//")


def test_the_log_rotates(migrated_url: str, front_end: Any, tmp_path: Any, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(app_module, "LOG_BYTES", 2000)
    app = create_app(Settings(database_url=migrated_url, front_end=str(front_end), log_file=str(tmp_path / "requests.log")))
    with TestClient(app, base_url="http://127.0.0.1:8080") as c:
        for _ in range(60):
            c.get("/api/health")
    files = sorted(p.name for p in tmp_path.iterdir())
    assert files == ["requests.log", "requests.log.1", "requests.log.2", "requests.log.3"]
    assert all(p.stat().st_size <= 2000 for p in tmp_path.iterdir())
    assert json.loads((tmp_path / "requests.log").read_text().splitlines()[-1])["path"] == "/api/health"

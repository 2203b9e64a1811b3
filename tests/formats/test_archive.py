"""An archive: out and in again is the same; what is damaged, too large or not named is refused by name."""

from __future__ import annotations

import hashlib
import io
import json
import zipfile
from collections.abc import Callable

import pytest
from PIL import Image

from bothy.core.contract import BadInput
from bothy.core.facts.evidence import Entry, Evidence, added
from bothy.demo import curlew
from bothy.formats import archive, picture, project_file


def shot(colour: int) -> picture.Kept:
    out = io.BytesIO()
    Image.effect_noise((400, 300), 40 + colour).convert("RGB").save(out, "JPEG")
    return picture.kept(out.getvalue())


def photo_entry(sha256: str, n: int) -> Entry:
    payload = {"id": f"photo-{n}", "sha256": sha256, "subject": "wall", "width": 400, "height": 300}
    return Entry(kind="photo", subject=f"photo-{n}", payload=payload)


@pytest.fixture
def shots() -> list[picture.Kept]:
    return [shot(n) for n in range(3)]


def text_with(hashes: list[str]) -> str:
    evidence: tuple[Evidence, ...] = added((), [photo_entry(h, n) for n, h in enumerate(hashes)])
    return project_file.write("Curlew", [("as planned", curlew.design())], "as planned", evidence)


def packed(shots: list[picture.Kept], lost: int = 0) -> bytes:
    text = text_with([s.sha256 for s in shots])
    out = io.BytesIO()
    archive.write(out, text, ((s.sha256, None if n < lost else s.data) for n, s in enumerate(shots)))
    return out.getvalue()


def changed(data: bytes, change: Callable[[str, bytes], bytes | None], more: dict[str, bytes] | None = None) -> io.BytesIO:
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(data)) as old, zipfile.ZipFile(out, "w") as new:
        for name in old.namelist():
            made = change(name, old.read(name))
            if made is not None:
                new.writestr(name, made)
        for name, extra in (more or {}).items():
            new.writestr(name, extra)
    out.seek(0)
    return out


def test_out_and_in_is_the_same(shots: list[picture.Kept]) -> None:
    found = archive.opened(io.BytesIO(packed(shots)))
    assert found.text == text_with([s.sha256 for s in shots])
    assert dict(found.photos()) == {s.sha256: s.data for s in shots}
    assert archive.photos_named(found.text) == [s.sha256 for s in shots]
    for s in shots:
        again = picture.as_kept(s.data)
        assert (again.sha256, again.width, again.height, again.data) == (s.sha256, s.width, s.height, s.data)
        assert len(again.thumb) < 40_000


def test_a_lost_photograph_is_listed_as_lost(shots: list[picture.Kept]) -> None:
    found = archive.opened(io.BytesIO(packed(shots, lost=1)))
    assert found.manifest.lost == [shots[0].sha256]
    assert len(list(found.photos())) == 2


@pytest.mark.parametrize(
    ("change", "more", "key", "words"),
    [
        (lambda n, d: d if n != "manifest.json" else None, {}, "file", "has no manifest.json"),
        (lambda n, d: d if n != "project.bothy.json" else d + b" ", {}, "project", "damaged"),
        (lambda n, d: b"{" if n == "manifest.json" else d, {}, "manifest", "not JSON"),
        (lambda n, d: json.dumps({**json.loads(d), "version": 2}).encode() if n == "manifest.json" else d, {}, "version", "newer Bothy"),
        (lambda n, d: json.dumps({**json.loads(d), "photos": "all"}).encode() if n == "manifest.json" else d, {}, "manifest", "photos"),
        (lambda n, d: d, {"../evil.sh": b"#"}, "file", "its list doesn’t name"),
        (lambda n, d: b"\0" * 3_000_000 if n == "manifest.json" else d, {}, "file", "larger than"),
    ],
)
def test_what_is_wrong_is_named(shots: list[picture.Kept], change: Callable[[str, bytes], bytes | None], more: dict[str, bytes], key: str, words: str) -> None:
    with pytest.raises(BadInput) as no:
        archive.opened(changed(packed(shots), change, more))
    assert no.value.key == key
    assert words in no.value.message


def test_a_photograph_that_was_changed_or_cut_is_named(shots: list[picture.Kept]) -> None:
    flipped = archive.opened(changed(packed(shots), lambda n, d: d[:-1] + b"\0" if n.startswith("photos/") else d))
    with pytest.raises(BadInput, match="is damaged"):
        list(flipped.photos())
    missing = archive.opened(changed(packed(shots), lambda n, d: None if n.startswith("photos/") else d))
    with pytest.raises(BadInput, match="has no photos/"):
        list(missing.photos())
    for cut in (0, 10, 500, len(packed(shots)) // 2):
        with pytest.raises(BadInput, match="no Bothy archive"):
            archive.opened(io.BytesIO(packed(shots)[:cut]))


def test_what_bothy_would_not_have_kept_is_refused() -> None:
    out = io.BytesIO()
    exif = Image.Exif()
    exif[0x8769] = {0x9003: "2027:01:01 10:00:00"}
    exif[0x010F] = "maker"
    Image.new("RGB", (40, 30)).save(out, "JPEG", exif=exif)
    with pytest.raises(BadInput, match="more than a picture"):
        picture.as_kept(out.getvalue())
    big = io.BytesIO()
    Image.new("RGB", (1700, 30)).save(big, "JPEG")
    with pytest.raises(BadInput, match="1700 × 30"):
        picture.as_kept(big.getvalue())
    png = io.BytesIO()
    Image.new("RGB", (40, 30)).save(png, "PNG")
    for data in (b"", b"GIF89a", png.getvalue(), out.getvalue()[:100]):
        with pytest.raises(BadInput):
            picture.as_kept(data)


def test_the_schema_of_the_list_is_its_own() -> None:
    made = archive.schema()
    assert made["$id"] == "bothy-archive-1" and set(made["required"]) == {"project_sha256"}
    assert hashlib.sha256(b"").hexdigest() == archive.Manifest(project_sha256=hashlib.sha256(b"").hexdigest()).project_sha256

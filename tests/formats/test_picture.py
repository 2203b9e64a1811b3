"""Photographs as they are kept: upright, small, without place and camera; what is no picture, or a bomb, is refused by name."""

from __future__ import annotations

import io

import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from bothy.core.contract import BadInput
from bothy.formats.picture import LONGEST, MOST_BYTES, THUMB, kept


def photo(width: int = 2400, height: int = 1200, kind: str = "JPEG", exif: Image.Exif | None = None, noisy: bool = False) -> bytes:
    image = Image.effect_noise((width, height), 90).convert("RGB") if noisy else Image.linear_gradient("L").resize((width, height)).convert("RGB")
    out = io.BytesIO()
    image.save(out, kind, **({"exif": exif.tobytes()} if exif else {}))
    return out.getvalue()


def opened(data: bytes) -> Image.Image:
    return Image.open(io.BytesIO(data))


def test_it_is_scaled_and_has_a_thumbnail() -> None:
    made = kept(photo(4000, 2000))
    assert (made.width, made.height) == (LONGEST, LONGEST // 2)
    assert opened(made.data).size == (made.width, made.height)
    assert max(opened(made.thumb).size) == THUMB
    assert made.sha256 == kept(photo(4000, 2000)).sha256, "the same picture is the same"


def test_a_small_one_is_not_blown_up() -> None:
    assert (kept(photo(640, 480)).width, kept(photo(640, 480)).height) == (640, 480)


def test_even_noise_is_small() -> None:
    assert len(kept(photo(2400, 1800, noisy=True)).data) <= MOST_BYTES * 2, "noise is the worst case: the least quality is taken"
    assert len(kept(photo(2400, 1800)).data) <= MOST_BYTES


def test_place_and_camera_are_gone_and_it_stands_upright() -> None:
    exif = Image.Exif()
    exif[0x0112] = 6  # lies on its side
    exif[0x010F] = "Some camera"
    exif.get_ifd(0x8825)[2] = (51.0, 30.0, 0.0)
    made = kept(photo(1200, 800, exif=exif))
    assert (made.width, made.height) == (800, 1200)
    for data in (made.data, made.thumb):
        assert dict(opened(data).getexif()) == {}
        assert b"Some camera" not in data


@pytest.mark.parametrize("kind", ["PNG", "WEBP"])
def test_other_kinds_become_jpeg(kind: str) -> None:
    assert opened(kept(photo(500, 300, kind)).data).format == "JPEG"


@pytest.mark.parametrize("data", [b"", b"hello", b"\xff\xd8\xff\xe0" + b"0" * 100, b"<svg xmlns='http://www.w3.org/2000/svg'/>", photo()[:500]])
def test_what_is_no_picture_is_named(data: bytes) -> None:
    with pytest.raises(BadInput) as refused:
        kept(data)
    assert refused.value.key == "photo"


def test_a_bomb_is_refused_before_it_is_opened() -> None:
    out = io.BytesIO()
    Image.new("1", (30000, 30000)).save(out, "PNG")
    assert len(out.getvalue()) < 200_000
    with pytest.raises(BadInput, match=r"pixels|picture"):
        kept(out.getvalue())


def test_a_file_that_is_too_large_is_refused() -> None:
    with pytest.raises(BadInput, match="MB"):
        kept(b"\0" * 12_000_001)


@given(st.binary(max_size=400), st.integers(0, 300))
def test_damaged_ones_are_refused_or_kept_but_never_stumbled_over(junk: bytes, at: int) -> None:
    data = photo(64, 48)
    broken = data[:at] + junk + data[at + len(junk) :]
    try:
        made = kept(broken)
    except BadInput as exc:
        assert exc.key == "photo"
    else:
        assert opened(made.data).size == (made.width, made.height)

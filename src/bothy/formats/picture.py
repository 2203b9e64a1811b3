"""A photograph as it is kept: turned upright, scaled, without anything about where and with what it was taken; and its thumbnail."""

from __future__ import annotations

import hashlib
import io
import warnings
from typing import NamedTuple

from PIL import Image, ImageOps, UnidentifiedImageError

from bothy.core.contract import BadInput
from bothy.core.words.says import formats_says as says

LONGEST, THUMB = 1600, 320
MOST_BYTES = 400_000
MOST_SENT = 12_000_000
MOST_PIXELS = 60_000_000
MOST_S = 60.0
"""So long a picture may take: an old machine that does other things meanwhile is no reason to refuse one."""
KINDS = ("JPEG", "PNG", "WEBP")
QUALITIES = (85, 75, 65, 55, 45, 35)


class Kept(NamedTuple):
    """A photograph: JPEG bytes, thumbnail, size in pixels, and the hash of its bytes."""

    data: bytes
    thumb: bytes
    width: int
    height: int
    sha256: str


def _jpeg(image: Image.Image, most: int) -> bytes:
    for quality in QUALITIES:
        out = io.BytesIO()
        image.save(out, "JPEG", quality=quality, optimize=True)
        if out.tell() <= most:
            break
    return out.getvalue()


def as_kept(data: bytes) -> Kept:
    """A photograph that was kept before, byte for byte, with a new thumbnail. Raises :class:`BadInput` where it isn't as Bothy keeps them."""
    if len(data) > 2 * MOST_BYTES:
        raise BadInput("photos", says("has-kb-bothy-keeps", data_count=len(data) / 1000.0, most_bytes=2 * MOST_BYTES / 1000.0))
    try:
        image = Image.open(io.BytesIO(data), formats=("JPEG",))
        if max(image.size) > LONGEST:
            raise BadInput("photos", f"has {image.width} × {image.height} pixels; Bothy keeps at most {LONGEST}")
        if image.getexif() or "comment" in image.info:
            raise BadInput("photos", says("holds-more-than-picture"))
        small = image.convert("RGB")
    except BadInput:
        raise
    except (UnidentifiedImageError, Image.DecompressionBombError, OSError, ValueError, SyntaxError, TypeError, KeyError) as exc:
        raise BadInput("photos", says("no-picture-as-bothy", why=_why(exc))) from None
    width, height = small.size
    small.thumbnail((THUMB, THUMB), Image.Resampling.LANCZOS)
    return Kept(data, _jpeg(small, 40_000), width, height, hashlib.sha256(data).hexdigest())


def _why(exc: Exception) -> str:
    """What the reader says of a picture that is broken; of something that is none it only names an object of the program."""
    return "" if isinstance(exc, UnidentifiedImageError) else f": {str(exc)[:80]}"


def kept(data: bytes) -> Kept:
    """A photograph made ready to be kept. Raises :class:`BadInput` where it is no picture, or too large to be opened."""
    if len(data) > MOST_SENT:
        raise BadInput("photo", says("has-mb-at-most", data_count=len(data) / 1000000.0, most_sent=MOST_SENT / 1000000.0))
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            image = Image.open(io.BytesIO(data), formats=KINDS)
            if image.width * image.height > MOST_PIXELS:
                raise BadInput("photo", f"has {image.width} × {image.height} pixels; at most {MOST_PIXELS / 1e6:.0f} million")
            image.draft("RGB", (2 * LONGEST, 2 * LONGEST))
            upright = ImageOps.exif_transpose(image).convert("RGB")
    except BadInput:
        raise
    except (UnidentifiedImageError, Image.DecompressionBombWarning, Image.DecompressionBombError, OSError, ValueError, SyntaxError, TypeError, KeyError) as exc:
        raise BadInput("photo", says("no-picture-that-can", why=_why(exc))) from None
    upright.info.clear()
    upright.thumbnail((LONGEST, LONGEST), Image.Resampling.LANCZOS)
    whole = _jpeg(upright, MOST_BYTES)
    small = upright.copy()
    small.thumbnail((THUMB, THUMB), Image.Resampling.LANCZOS)
    return Kept(whole, _jpeg(small, 40_000), upright.width, upright.height, hashlib.sha256(whole).hexdigest())

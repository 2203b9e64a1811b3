"""How what must be fast is compiled, and where the result is kept."""

from __future__ import annotations

import hashlib
from pathlib import Path

from numba import config, njit

HERE = Path(__file__).parent
FILES = ("build/compiled.py", "trips/cells.py", "trips/kernel.py", "trips/pieces.py", "trips/places.py")
"""All that is compiled, and the names of places that are compiled in."""


def _digest() -> str:
    return hashlib.sha256(b"".join((HERE / name).read_bytes() for name in FILES)).hexdigest()[:12]


# what was compiled is kept by the file of the outermost function alone: it would stay as it was when a piece in another file changes
config.CACHE_DIR = str(Path(config.CACHE_DIR or HERE / "__pycache__") / f"compiled-{_digest()}")  # type: ignore[attr-defined]

compiled = njit(cache=True, nogil=True)
piece = njit(cache=True, nogil=True, forceinline=True, _nrt=False)  # type: ignore[call-overload]
"""Compiled into whatever calls it, without counting who holds which array: counting took twice as long as all sums of a trip's step. So no piece makes an
array of its own."""

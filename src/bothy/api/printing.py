"""PDF in a process of its own: a request waits for it without holding up any other, and ends it when it takes too long."""

from __future__ import annotations

import asyncio
import sys
from asyncio.subprocess import PIPE

from bothy.core.words.says import api_says as says
from bothy.formats.pdf import Sheet, dumped

MOST_S = 90.0
AT_ONCE = 2
_turns = asyncio.Semaphore(AT_ONCE)


class PrintFailed(RuntimeError):
    """The PDF could not be made; the words say why."""


async def to_pdf(sheets: list[Sheet]) -> bytes:
    """The PDF of one sheet, or of several as its layers. Raises :class:`PrintFailed` when it takes too long or its program fails."""
    async with _turns:
        process = await asyncio.create_subprocess_exec(sys.executable, "-m", "bothy.formats.pdf", stdin=PIPE, stdout=PIPE, stderr=PIPE)
        try:
            out, errors = await asyncio.wait_for(process.communicate(dumped(sheets)), MOST_S)
        except TimeoutError:
            raise PrintFailed(says("pdf-was-not-ready", most_s=MOST_S)) from None
        finally:
            if process.returncode is None:
                process.kill()
                await process.wait()
    if process.returncode != 0 or not out.startswith(b"%PDF"):
        last = errors.decode("utf-8", "replace").strip().splitlines()
        raise PrintFailed(says("pdf-could-not-be", last=last[-1][:200]) if last else says("pdf-could-not-be-made"))
    return out

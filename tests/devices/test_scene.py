"""Where the stand-ins get their vehicle from, and what is said when they can't."""

from __future__ import annotations

import socket

import pytest

from bothy.devices import __main__ as devices


def test_a_bothy_that_is_away_and_one_that_is_busy_are_told_apart(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(devices, "PATIENCE_S", 0.2)
    with socket.socket() as silent:
        silent.bind(("127.0.0.1", 0))
        url = f"http://127.0.0.1:{silent.getsockname()[1]}"
        with pytest.raises(SystemExit, match=r"nobody answers.*start Bothy first"):
            devices.scene_from(url, "Curlew")
        silent.listen()
        with pytest.raises(SystemExit, match=r"gave no answer within 0\.2 s; try again"):
            devices.scene_from(url, "Curlew")

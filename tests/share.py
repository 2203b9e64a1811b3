"""Prints the share of the tests in the code, by lines that are not blank."""

from __future__ import annotations

import subprocess
from pathlib import Path

CODE = ("src/*.py", "web/src/*.ts", "web/src/*.tsx")
TESTS = ("tests/*.py", "web/tests/*.ts", "web/tests/*.tsx")


def lines(patterns: tuple[str, ...]) -> int:
    """Lines that are not blank in the tracked files of some patterns."""
    listed = subprocess.run(["git", "ls-files", "-z", "--", *patterns], capture_output=True, text=True, check=True).stdout
    return sum(1 for name in listed.split("\0") if name for line in Path(name).read_text(encoding="utf-8").splitlines() if line.strip())


def main() -> None:
    code, tests = lines(CODE), lines(TESTS)
    print(f"tests: {tests} lines, code: {code} lines, share of the tests: {100 * tests / (code + tests):.1f} %")


if __name__ == "__main__":
    main()

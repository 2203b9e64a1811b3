"""Commands that need no browser: calculators from the shell, migrations and demo projects, the API document."""

from __future__ import annotations

import argparse
import datetime as dt
import json
import sys
from typing import Any, TextIO

from bothy.core.contract import BadInput
from bothy.piped import piped


def _error(exc: BadInput) -> dict[str, Any]:
    return {"error": {"key": exc.key, "message": exc.message}}


def _load(text: str) -> Any:
    try:
        return json.loads(text)
    except (ValueError, RecursionError) as exc:
        raise BadInput("input", f"is not JSON: {str(exc)[:120]}") from None


def _batch(lines: TextIO, out: TextIO) -> int:
    """A line in, a line out, in order."""
    from bothy.core.calculators import calculate

    for line in lines:
        if not line.strip():
            continue
        try:
            item = _load(line)
            if not isinstance(item, dict) or not isinstance(item.get("calc"), str):
                raise BadInput("calc", "each line must be an object with calc and input")
            unknown = sorted(set(item) - {"calc", "input"})
            if unknown:
                raise BadInput(unknown[0], "is not a known key")
            answer: dict[str, Any] = {"output": calculate(item["calc"], item.get("input")).dump()}
        except BadInput as exc:
            answer = _error(exc)
        print(json.dumps(answer, ensure_ascii=False), file=out, flush=True)
    return 0


def calc(args: argparse.Namespace) -> int:
    """`bothy calc NAME < in.json`; exit code 2 and one JSON line on stderr for bad input."""
    from bothy.core.calculators import CALCULATORS, calculate  # the start of the server is a command here too, and needs none of them

    if args.list:
        print("\n".join(CALCULATORS))
        return 0
    if args.batch:
        return _batch(sys.stdin, sys.stdout)
    try:
        if not args.name:
            raise BadInput("calc", f"give a calculator's name: {', '.join(CALCULATORS)}")
        print(json.dumps(calculate(args.name, _load(sys.stdin.read())).dump(), ensure_ascii=False))
    except BadInput as exc:
        print(json.dumps(_error(exc), ensure_ascii=False), file=sys.stderr)
        return 2
    return 0


def prepare(args: argparse.Namespace) -> int:
    """Migrate the database, and delete for good what was put away long ago; with --demo also load the demo projects that were never loaded."""
    from bothy.settings import Settings
    from bothy.store.migrate import NewerDatabase, migrate

    url = Settings().database_url
    try:
        migrate(url)
    except NewerDatabase as exc:
        print(f"bothy: {exc}", file=sys.stderr)
        return 3
    from bothy.store.engine import make_engine
    from bothy.store.photos import Photos
    from bothy.store.projects import PUT_AWAY_DAYS, Projects
    from bothy.store.telemetry import Telemetry

    engine = make_engine(url)
    before = dt.datetime.now(dt.UTC).replace(tzinfo=None) - dt.timedelta(days=PUT_AWAY_DAYS)
    Projects(engine).purge(before)
    Photos(engine).purge(before)
    Telemetry(engine).thin(dt.datetime.now(dt.UTC).replace(tzinfo=None))
    if args.demo:
        from bothy.demo.load import load_demos

        load_demos(Projects(engine))
    engine.dispose()
    return 0


def units(_: argparse.Namespace) -> int:
    """Print the tables of quantities that the front end reads by."""
    from bothy.core.units import grammar

    print(json.dumps(grammar(), indent=2, ensure_ascii=False))
    return 0


def words(_: argparse.Namespace) -> int:
    """Print the terms by region, and the words of choices, that the front end speaks by."""
    from bothy.core.words.pages import for_pages

    print(json.dumps(for_pages(), indent=1, ensure_ascii=False))
    return 0


def figures(_: argparse.Namespace) -> int:
    """Print the keys of figures as a type of the front end."""
    from bothy.core.figure_keys import typescript

    print(typescript(), end="")
    return 0


def openapi(_: argparse.Namespace) -> int:
    """Print the OpenAPI document."""
    from bothy.api.app import create_app

    print(json.dumps(create_app().openapi(), indent=1, ensure_ascii=False))
    return 0


def main(argv: list[str] | None = None) -> int:
    """Run a command; returns its exit code."""
    parser = argparse.ArgumentParser(prog="bothy")
    commands = parser.add_subparsers(dest="command", required=True)
    c = commands.add_parser("calc", help="run a calculator on JSON from standard input")
    c.add_argument("name", nargs="?")
    c.add_argument("--list", action="store_true", help="print the names")
    c.add_argument("--batch", action="store_true", help="a line of JSON for each sum, a line for each answer")
    c.set_defaults(run=calc)
    p = commands.add_parser("prepare", help="migrate the database")
    p.add_argument("--demo", action="store_true")
    p.set_defaults(run=prepare)
    commands.add_parser("units", help="print the units that are understood").set_defaults(run=units)
    commands.add_parser("words", help="print the terms by region").set_defaults(run=words)
    commands.add_parser("figures", help="print the keys of figures as a type").set_defaults(run=figures)
    commands.add_parser("openapi", help="print the API document").set_defaults(run=openapi)
    args = parser.parse_args(argv)
    if args.command == "prepare":
        return int(args.run(args))  # it writes to more than a pipe
    return piped(lambda: int(args.run(args)))


if __name__ == "__main__":
    sys.exit(main())

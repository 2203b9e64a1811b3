"""A small mutation run: ``./bothy mutants wiring/fuses`` changes one thing at a time in a module of the core and sees whether its tests notice.

What is changed lies within functions: a comparison turned about, a sum for a difference, a product for a quotient, the least for the most, a number by a
tenth, a condition to its opposite. The tests run once to see which of them call which function; each mutant then runs in a child of its own, with the
tests that call its function, until one fails. A survivor is printed with its line. Compiled loops (numba) are left out: their twin in C holds them.
"""

from __future__ import annotations

import argparse
import ast
import contextlib
import copy
import gc
import importlib
import os
import random
import signal
import sys
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from types import CodeType, FunctionType
from typing import Any, NamedTuple

import pytest
from _pytest.runner import runtestprotocol

ROOT = Path(__file__).parents[1]
CORE = ROOT / "src" / "bothy" / "core"
SHARED = ["test_worked_examples.py", "test_rules.py", "test_dangers.py", "test_thresholds.py"]
"""Tests of all fields, which run beside the field's own."""
FIELDS = {"design": "", "proving": "prove", "power": "power", "sun": "trips", "sizing": "trips"}
"""Package -> folder of its tests, where it has another name."""
AT_ONCE = 2
WATCH = "__called__"
SLOWER = 10.0
"""A mutant that takes so many times as long as its tests took counts as noticed: nobody would wait for it."""

COMPARE: dict[type[ast.cmpop], type[ast.cmpop]] = {
    ast.Lt: ast.GtE,
    ast.LtE: ast.Gt,
    ast.Gt: ast.LtE,
    ast.GtE: ast.Lt,
    ast.Eq: ast.NotEq,
    ast.NotEq: ast.Eq,
    ast.Is: ast.IsNot,
    ast.IsNot: ast.Is,
    ast.In: ast.NotIn,
    ast.NotIn: ast.In,
}
ARITHMETIC: dict[type[ast.operator], type[ast.operator]] = {ast.Add: ast.Sub, ast.Sub: ast.Add, ast.Mult: ast.Div, ast.Div: ast.Mult, ast.Pow: ast.Mult}
CALLED = {"min": "max", "max": "min", "any": "all", "all": "any", "ceil": "floor", "floor": "ceil"}


class Mutant(NamedTuple):
    """One change: the function it is in (name and first line), its line, what it says, and the whole module with it."""

    function: tuple[str, int]
    line: int
    words: str
    tree: ast.Module


def _changes(node: ast.AST) -> Iterator[tuple[str, Callable[[Any], None]]]:
    """What can be changed at a node, in words, and the change."""
    if isinstance(node, ast.Compare):
        for i, op in enumerate(node.ops):
            if (other := COMPARE.get(type(op))) is not None:
                yield f"{type(op).__name__} to {other.__name__}", lambda n, i=i, other=other: n.ops.__setitem__(i, other())  # type: ignore[misc]
    elif isinstance(node, ast.BinOp) and (swapped := ARITHMETIC.get(type(node.op))) is not None and not isinstance(node.left, (ast.JoinedStr, ast.List)):
        yield f"{type(node.op).__name__} to {swapped.__name__}", lambda n, swapped=swapped: setattr(n, "op", swapped())  # type: ignore[misc]
    elif isinstance(node, ast.BoolOp):
        turned: type[ast.boolop] = ast.Or if isinstance(node.op, ast.And) else ast.And
        yield f"{type(node.op).__name__} to {turned.__name__}", lambda n: setattr(n, "op", turned())
    elif isinstance(node, ast.UnaryOp) and isinstance(node.op, (ast.Not, ast.USub)):
        yield (
            f"{type(node.op).__name__} dropped",
            lambda n: n.__dict__.update(op=ast.UAdd()) if isinstance(n.op, ast.USub) else n.__dict__.update(operand=ast.UnaryOp(ast.Not(), n.operand)),
        )
    elif isinstance(node, ast.Call) and isinstance(node.func, (ast.Name, ast.Attribute)):
        name = node.func.id if isinstance(node.func, ast.Name) else node.func.attr
        if name in CALLED:
            yield f"{name} to {CALLED[name]}", lambda n: setattr(n.func, "id" if isinstance(n.func, ast.Name) else "attr", CALLED[name])
    elif isinstance(node, ast.Constant) and isinstance(node.value, (int, float)) and not isinstance(node.value, bool) and abs(node.value) > 1e-6:
        value = node.value * 1.1 if isinstance(node.value, float) else node.value + 1
        yield f"{node.value!r} to {value!r}", lambda n: setattr(n, "value", value)


def _skipped(node: ast.AST) -> Iterator[ast.AST]:
    """What says something and computes nothing: words, docstrings, annotations, sources."""
    for n in ast.walk(node):
        if isinstance(n, ast.JoinedStr):
            yield from ast.walk(n)
        elif isinstance(n, (ast.AnnAssign, ast.arg)) and n.annotation is not None:
            yield from ast.walk(n.annotation)
        elif isinstance(n, (ast.FunctionDef, ast.Lambda)):
            for d in getattr(n, "decorator_list", []):
                yield from ast.walk(d)
            if isinstance(n, ast.FunctionDef) and n.returns is not None:
                yield from ast.walk(n.returns)
            for default in (*n.args.defaults, *(d for d in n.args.kw_defaults if d)):
                yield from ast.walk(default)
        elif (
            isinstance(n, ast.Call)
            and isinstance(n.func, ast.Name)
            and n.func.id in ("Method", "Standard", "OwnChoice", "Field", "BadInput", "wrong", "lru_cache")
        ):
            yield from ast.walk(n)
        elif isinstance(n, ast.Subscript) and isinstance(n.slice, ast.Constant):
            yield from ast.walk(n.slice)
        elif isinstance(n, ast.BinOp) and _is_tiny(n.right):
            yield n  # a hair's breadth for rounding


def _is_tiny(n: ast.AST) -> bool:
    return (isinstance(n, ast.Name) and n.id == "EPS") or (isinstance(n, ast.Constant) and isinstance(n.value, float) and n.value <= 1e-6)


def _functions(tree: ast.Module) -> Iterator[tuple[str, ast.FunctionDef]]:
    """Functions and methods at the top of a module, with their qualified names; what is nested in them belongs to them."""
    for node in tree.body:
        if isinstance(node, ast.FunctionDef):
            yield node.name, node
        elif isinstance(node, ast.ClassDef):
            yield from ((f"{node.name}.{f.name}", f) for f in node.body if isinstance(f, ast.FunctionDef))


def _first(f: ast.FunctionDef) -> int:
    """The line at which Python says that a function begins: that of its first decorator."""
    return min([f.lineno, *(d.lineno for d in f.decorator_list)])


def mutants_of(source: str) -> list[Mutant]:
    """Every mutant of a module's text."""
    tree = ast.parse(source)
    lines = source.splitlines()
    where = {id(n): i for i, n in enumerate(ast.walk(tree))}
    out: list[Mutant] = []
    for name, f in _functions(tree):
        if any("njit" in ast.unparse(d) for d in f.decorator_list):
            continue
        first = _first(f)
        idle = {id(n) for n in _skipped(f)}
        for node in ast.walk(f):
            if id(node) in idle:
                continue
            for words, change in _changes(node):
                whole = copy.deepcopy(tree)
                change(list(ast.walk(whole))[where[id(node)]])
                line = getattr(node, "lineno", f.lineno)
                out.append(Mutant((name, first), line, f"{words}: {lines[line - 1].strip()}", ast.fix_missing_locations(whole)))
    return out


def _codes(code: CodeType, path: str = "") -> Iterator[tuple[str, CodeType]]:
    for c in code.co_consts:
        if isinstance(c, CodeType):
            name = f"{path}.{c.co_name}" if path else c.co_name
            yield name, c
            yield from _codes(c, name)


def _swap(module_file: str, mutant: Mutant) -> bool:
    """Put the mutant's code into every living function that it is of, whoever holds it."""
    found = dict(_codes(compile(mutant.tree, module_file, "exec"))).get(mutant.function[0])
    hit = False
    for f in gc.get_objects():
        if (
            isinstance(f, FunctionType)
            and f.__code__.co_filename == module_file
            and f.__code__.co_firstlineno == mutant.function[1]
            and f.__code__.co_name == mutant.function[0].rpartition(".")[2]
        ):
            if found is None or len(f.__code__.co_freevars) != len(found.co_freevars):
                return False
            f.__code__ = found
            hit = True
    return hit


def _forget(module: Any) -> None:
    """Drop what caches of the package remember, so that a mutant is asked and not remembered."""
    for m in list(sys.modules.values()):
        if getattr(m, "__name__", "").startswith("bothy.core"):
            for value in list(vars(m).values()):
                if (clear := getattr(value, "cache_clear", None)) is not None and getattr(value, "__module__", "") == module.__name__:
                    clear()


class Run:
    """A session that runs its tests once, then the mutants."""

    def __init__(self, module: str, most: int, seed: int) -> None:
        self.module, self.most, self.seed = module, most, seed
        self.survivors: list[Mutant] = []
        self.tried = self.untested = 0

    @pytest.hookimpl(tryfirst=True)
    def pytest_runtestloop(self, session: pytest.Session) -> bool:
        """In the place of the usual loop."""
        module = importlib.import_module(f"bothy.core.{self.module.replace('/', '.')}")
        file = str(module.__file__)
        called, took, failed = self._baseline(session.items, file, module)
        if failed:
            raise pytest.UsageError(f"{failed} fails without any change; mend it first")
        every = mutants_of(Path(file).read_text(encoding="utf-8"))
        chosen = every if len(every) <= self.most else sorted(random.Random(self.seed).sample(every, self.most), key=lambda m: m.line)
        print(f"{self.module}: {len(every)} mutants, {len(chosen)} tried")
        running: dict[int, tuple[Mutant, float]] = {}
        for m in chosen:
            items = sorted((i for i in session.items if m.function[0] in called[i.nodeid]), key=lambda i: took[i.nodeid])
            if not items:
                self.untested += 1
                self._survived(m, "no test calls it")
                continue
            if len(running) >= AT_ONCE:
                self._wait(running)
            pid = os.fork()
            if pid == 0:
                self._child(file, module, m, items, SLOWER * sum(took[i.nodeid] for i in items) + 5)
            running[pid] = (m, time.monotonic())
        while running:
            self._wait(running)
        tried = max(1, len(chosen))
        print(
            f"{self.module}: {100 * (1 - len(self.survivors) / tried):.1f} % of {len(chosen)} noticed, {len(self.survivors)} survived "
            f"({self.untested} of them in code that no test of the field calls)"
        )
        session.testsfailed = 0
        return True

    def _baseline(self, items: list[pytest.Item], file: str, module: Any) -> tuple[dict[str, set[str]], dict[str, float], str]:
        """Which functions of the module each test calls, and how long it takes; the first that fails."""
        seen: set[str] = set()
        module.__dict__[WATCH] = seen.add
        told = ast.parse(Path(file).read_text(encoding="utf-8"))
        lines = {name: _first(f) for name, f in _functions(told)}
        for name, f in _functions(told):
            f.body.insert(0, ast.Expr(ast.Call(ast.Name(WATCH, ast.Load()), [ast.Constant(name)], [])))
        ast.fix_missing_locations(told)
        for name, first in lines.items():
            _swap(file, Mutant((name, first), first, "", told))
        called: dict[str, set[str]] = {}
        took: dict[str, float] = {}
        for item in items:
            seen.clear()
            start = time.monotonic()
            reports = runtestprotocol(item, log=False, nextitem=None)
            took[item.nodeid], called[item.nodeid] = time.monotonic() - start, set(seen)
            if any(r.failed for r in reports):
                return called, took, item.nodeid
        return called, took, ""

    def _child(self, file: str, module: Any, m: Mutant, items: list[pytest.Item], limit_s: float) -> None:
        """Run the tests on the mutant and end: 1 where one noticed, 0 where none did, 2 where it couldn't be made."""
        with contextlib.suppress(BaseException):
            signal.setitimer(signal.ITIMER_REAL, limit_s)
            null = os.open(os.devnull, os.O_WRONLY)
            os.dup2(null, 1)
            os.dup2(null, 2)
            if not _swap(file, m):
                os._exit(2)
            _forget(module)
            for item in items:
                if any(r.failed for r in runtestprotocol(item, log=False, nextitem=None)):
                    os._exit(1)
            os._exit(0)
        os._exit(1)

    def _wait(self, running: dict[int, tuple[Mutant, float]]) -> None:
        pid, status = os.wait()
        m, _ = running.pop(pid)
        self.tried += 1
        if os.WIFEXITED(status) and os.WEXITSTATUS(status) in (0, 2):
            self._survived(m, "" if os.WEXITSTATUS(status) == 0 else "could not be made")

    def _survived(self, m: Mutant, why: str) -> None:
        self.survivors.append(m)
        print(f"  {self.module}.py:{m.line} {m.function[0]}: {m.words}{f'  ({why})' if why else ''}", flush=True)


def tests_of(module: str) -> list[str]:
    """The tests that a module of the core is held to: its field's, and those of all fields."""
    package = module.split("/")[0]
    folder = FIELDS.get(package, package)
    field = ROOT / "tests" / "core" / folder
    own = [str(field)] if folder and field.is_dir() else [str(ROOT / "tests" / "core")]
    return own + ([str(ROOT / "tests" / "core" / t) for t in SHARED] if own[0] != str(ROOT / "tests" / "core") else [])


def main() -> None:
    """Run the mutants of one module, or of each module of a package. Ends with 1 where fewer than nine in ten are noticed."""
    parser = argparse.ArgumentParser(prog="./bothy mutants", description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("module", help="a module of the core without .py (wiring/fuses), or a package (gas)")
    parser.add_argument("--most", type=int, default=150, help="so many mutants at most, drawn by seed (150)")
    parser.add_argument("--seed", type=int, default=1)
    given = parser.parse_args()
    at = CORE / given.module
    if at.is_dir():
        modules = sorted(f"{given.module}/{p.stem}" for p in at.glob("*.py") if p.stem != "__init__")
    elif at.with_suffix(".py").is_file():
        modules = [given.module]
    else:
        parser.error(f"there is no module or package {given.module} in src/bothy/core")
    poor = 0
    for module in modules:
        run = Run(module, given.most, given.seed)
        pid = os.fork()  # what a run imports and caches is its own
        if pid == 0:
            code = pytest.main(["-p", "no:cacheprovider", "-p", "no:xdist", "-p", "no:terminal", *tests_of(module)], plugins=[run])
            total = max(1, run.tried + run.untested)
            os._exit(0 if code == 0 and len(run.survivors) <= 0.1 * total else 1)
        poor += os.waitstatus_to_exitcode(os.waitpid(pid, 0)[1]) != 0
    sys.exit(1 if poor else 0)


if __name__ == "__main__":
    main()

"""What was measured, against the real MariaDB: only ever added, of the variant that is being built, apart from undo; and old databases give up theirs."""

from __future__ import annotations

import json
import uuid
from typing import Any

import pytest
from alembic import command
from sqlalchemy import Engine, create_engine, text

from bothy.core.design.document import Design, load_design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Entry, facts_of
from bothy.core.recording import record
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.demo.load import demo_of
from bothy.store.migrate import _config
from bothy.store.projects import MoreFacts, NotBuilding, Projects, Stale
from tests.designs import circuit, made, wired


@pytest.fixture
def projects(engine: Engine) -> Projects:
    return Projects(engine)


@pytest.fixture
def variant(projects: Projects) -> uuid.UUID:
    projects.create("Tern", [("as planned", sound(made(wired(circuit())))), ("lead bank", sound(Design()))], "test")
    return projects.all()[0].variants[0].id


def take(projects: Projects, variant: uuid.UUID, amps: float | None, edit: uuid.UUID | None = None) -> None:
    """Take down the current of circuit c1, or strike it."""
    head = projects.head(variant)
    payload = None if amps is None else {"circuit": "c1", "current_a": amps}
    new = record(head.design, head.evidence, [Entry("reading", "c1", payload)], variant=str(variant), revision=head.revision, guarded=False).new
    projects.take_down(variant, head.revision, len(head.evidence), new, edit)


def amps(projects: Projects, variant: uuid.UUID) -> list[Any]:
    return [r.current_a for r in facts_of(projects.head(variant).evidence).readings]


def test_entries_are_added_and_none_is_ever_changed(projects: Projects, variant: uuid.UUID, engine: Engine) -> None:
    for value in (1.0, 1.1, None, 1.2):
        take(projects, variant, value)
    assert amps(projects, variant) == [1.2]
    entries = projects.head(variant).evidence
    assert [(e.number, e.corrects, e.payload and e.payload["current_a"]) for e in entries] == [(1, None, 1.0), (2, 1, 1.1), (3, 2, None), (4, None, 1.2)]
    assert entries[0].judged is not None
    assert (entries[0].judged.variant, entries[0].judged.revision) == (str(variant), 1)
    assert entries[0].judged.expected["expected_a"] > 0
    assert Projects(engine).head(variant).evidence == entries, "a fresh reader finds the same"


def test_undo_takes_back_no_reading(projects: Projects, variant: uuid.UUID) -> None:
    head = projects.head(variant)
    other = head.design.model_copy(update={"life": head.design.life.model_copy(update={"people": 5})})
    projects.save(variant, 1, sound(other), "people", "test")
    take(projects, variant, 1.0)
    projects.step(variant, 2, "undo", "test")
    now = projects.head(variant)
    assert now.design == head.design
    assert amps(projects, variant) == [1.0]
    assert now.evidence[0].judged is not None
    assert now.evidence[0].judged.revision == 2


def test_a_copy_has_no_readings_until_it_is_the_one_being_built(projects: Projects, variant: uuid.UUID) -> None:
    take(projects, variant, 1.0)
    copied = projects.copy_variant(variant, "bigger", "test", sound(projects.head(variant).design))
    head = projects.head(copied)
    assert (head.building, head.building_name, head.evidence) == (False, "as planned", ())
    with pytest.raises(NotBuilding, match="as planned"):
        projects.take_down(copied, 1, 0, ())
    projects.build(copied)
    assert projects.head(copied).building
    assert amps(projects, copied) == [1.0]
    assert projects.head(variant).evidence == ()


def test_nobody_writes_over_anybody(projects: Projects, variant: uuid.UUID) -> None:
    head = projects.head(variant)
    new = record(head.design, (), [Entry("reading", "c1", {"circuit": "c1", "current_a": 9.0})], variant=str(variant), revision=1, guarded=False).new
    take(projects, variant, 1.0)
    with pytest.raises(MoreFacts) as e:
        projects.take_down(variant, 1, 0, new)
    assert e.value.number == 1
    with pytest.raises(Stale):
        projects.take_down(variant, 2, 1, new)
    assert amps(projects, variant) == [1.0]


def test_an_edit_that_was_taken_down_is_known_by_its_id(projects: Projects, variant: uuid.UUID) -> None:
    edit = uuid.uuid4()
    assert not projects.made_by(variant, edit)
    take(projects, variant, 1.0, edit)
    assert projects.made_by(variant, edit)


def test_evidence_goes_with_its_project(projects: Projects, variant: uuid.UUID, engine: Engine) -> None:
    take(projects, variant, 1.0)
    with engine.begin() as c:
        c.execute(text("delete from projects"))
        assert c.scalar(text("select count(*) from evidence")) == 0


def old_document(data: dict[str, Any], **facts: Any) -> str:
    """A document of version 1 as it was stored."""
    old = {**data, "schema_version": 1}
    if "readings" in facts:
        old["prove"] = {**old.get("prove", {}), "readings": facts["readings"]}
    if "gas_tests" in facts:
        old["gas"] = {**old.get("gas", {}), "tests": facts["gas_tests"]}
    return json.dumps(old)


def test_an_old_database_gives_up_its_readings_and_loses_none(database_url: str, worker_id: str) -> None:
    url = database_url.replace(f"bothy_{worker_id}", f"bothy_old_{worker_id}")
    admin = create_engine(database_url)
    with admin.begin() as c:
        c.execute(text(f"drop database if exists bothy_old_{worker_id}"))
        c.execute(text(f"create database bothy_old_{worker_id}"))
    command.upgrade(_config(url), "0006")
    engine = create_engine(url)
    data, facts = curlew.design().model_dump(mode="json"), curlew.facts().model_dump(mode="json")
    project, first, second, bare = (uuid.uuid4() for _ in range(4))
    now = "2026-10-01 10:00:00"
    with engine.begin() as c:
        for p, name in ((project, "Curlew"), (bare, "Bare")):
            c.execute(text("insert into projects (id, name, created_at, updated_at) values (:id, :name, :now, :now)"), {"id": p.hex, "name": name, "now": now})
        texts = {first: old_document(data), second: old_document(data, readings=facts["readings"], gas_tests=facts["gas_tests"])}
        for i, (v, document) in enumerate(texts.items()):
            c.execute(
                text("insert into variants (id, project_id, name, head, created_at) values (:id, :p, :name, 3, :now)"),
                {"id": v.hex, "p": project.hex, "name": f"v{i}", "now": f"2026-10-0{i + 1} 10:00:00"},
            )
            c.execute(
                text("insert into revisions (variant_id, number, state, document, message, author, created_at) values (:v, 3, 3, :d, 'm', 'a', :now)"),
                {"v": v.hex, "d": document, "now": now},
            )
    command.upgrade(_config(url), "head")
    store = Projects(engine)
    head = store.head(second)
    assert (head.building, head.design) == (True, load_design(data))
    assert facts_of(head.evidence) == Facts.model_validate({"readings": facts["readings"], "gas_tests": facts["gas_tests"]})
    assert {(e.judged.variant, e.judged.revision) for e in head.evidence if e.judged} == {(str(second), 3)}
    assert sound(head.design, head.evidence).report.prove.read == sum(r["current_a"] is not None for r in facts["readings"])
    assert store.head(first).evidence == ()
    assert store.whole(bare).variants == []
    engine.dispose()
    with admin.begin() as c:
        c.execute(text(f"drop database bothy_old_{worker_id}"))
    admin.dispose()


def test_a_demo_comes_with_what_was_measured_on_it(projects: Projects) -> None:
    one, evidence = demo_of(curlew)
    projects.create("Curlew", [("as planned", one)], "demo", evidence=evidence)
    head = projects.head(projects.all()[0].variants[0].id)
    assert facts_of(head.evidence) == curlew.facts()
    assert sound(head.design, head.evidence).report.plain() == one.report.plain()

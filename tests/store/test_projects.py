"""The store against the real MariaDB: revisions are immutable, undo reaches back over all of them, nobody overwrites anybody."""

from __future__ import annotations

import json
import threading
import uuid
from typing import Any

import pytest
from alembic.script import ScriptDirectory
from sqlalchemy import Engine, inspect, text

from bothy.core.design.document import Design
from bothy.core.design.edit import apply_patch
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.demo.load import load_demos
from bothy.store.migrate import _config, is_known, migrate, newest
from bothy.store.projects import Missing, Nothing, Projects, Stale
from bothy.store.tables import Base
from tests.designs import lived, made


@pytest.fixture
def projects(engine: Engine) -> Projects:
    return Projects(engine)


@pytest.fixture
def variant(projects: Projects) -> uuid.UUID:
    projects.create("Tern", [("as planned", sound(made(lived())))], "test")
    return projects.all()[0].variants[0].id


def people(projects: Projects, variant: uuid.UUID, n: int) -> int:
    """Save a revision with another number of people; returns its number."""
    head = projects.head(variant)
    return projects.save(variant, head.revision, sound(with_people(head.design, n)), f"{n} people", "test")


def with_people(design: Design, n: int) -> Design:
    return apply_patch(design, [{"op": "replace", "path": "/life/people", "value": n}])


def test_the_database_is_what_the_tables_say(engine: Engine) -> None:
    found = inspect(engine)
    assert set(found.get_table_names()) == {t.name for t in Base.metadata.sorted_tables} | {"alembic_version"}
    for table in Base.metadata.sorted_tables:
        columns = {c["name"]: c for c in found.get_columns(table.name)}
        assert set(columns) == {c.name for c in table.columns}
        for c in table.columns:
            assert columns[c.name]["nullable"] == c.nullable, f"{table.name}.{c.name}"


def test_migrating_again_changes_nothing(migrated_url: str, engine: Engine) -> None:
    migrate(migrated_url)
    with engine.connect() as c:
        assert c.scalar(text("select count(*) from alembic_version")) == 1


def test_the_newest_migration_is_read_off_the_files_as_the_library_finds_it() -> None:
    scripts = ScriptDirectory.from_config(_config())
    assert newest() == scripts.get_current_head()
    assert all(is_known(r.revision) for r in scripts.walk_revisions())
    assert not is_known("9999") and not is_known("")


def test_a_new_project_has_its_variants_at_revision_one(projects: Projects) -> None:
    made_id = projects.create("Tern", [("as planned", sound(made(lived()))), ("lead bank", sound(Design()))], "me")
    row = projects.all()[0]
    assert (row.id, row.name, row.demo) == (made_id, "Tern", False)
    assert [(v.name, v.revision) for v in row.variants] == [("as planned", 1), ("lead bank", 1)]
    assert projects.head(row.variants[0].id).design == made(lived())


@pytest.mark.parametrize("name", ["Café ☕ łódź", "<b>bold</b>", "'; drop table projects; --", "a" * 120, "🚐"])
def test_any_name_comes_back_as_it_was(projects: Projects, name: str) -> None:
    made_id = projects.create(name, [(name, sound(Design()))], "me")
    assert next(p for p in projects.all() if p.id == made_id).name == name
    assert projects.whole(made_id).variants[0][0] == name


@pytest.mark.parametrize("words", ["Café ☕ łódź 230 V ± 10 %", "\\u00e9 \\ \" '", "🚐 im Süden", "plain"])
def test_a_design_comes_back_letter_by_letter(projects: Projects, words: str) -> None:
    design = Design.model_validate({"vehicle": {"description": words}})
    projects.create("Letters", [("x", sound(design))], "me")
    variant = projects.all()[0].variants[0].id
    assert projects.head(variant).design.vehicle.description == words
    assert json.loads(projects.document(variant))["vehicle"]["description"] == words


def test_a_design_comes_back_to_the_last_digit(projects: Projects) -> None:
    design = curlew.design()
    projects.create("Curlew", [("x", sound(design))], "me")
    assert projects.head(projects.all()[0].variants[0].id).design == design


def test_revisions_count_up_and_stay_as_they_were(projects: Projects, variant: uuid.UUID) -> None:
    assert [people(projects, variant, n) for n in (3, 4, 5)] == [2, 3, 4]
    assert [projects.design_at(variant, r).life.people for r in (2, 3, 4)] == [3, 4, 5]
    history = projects.history(variant)
    assert [(h.number, h.message) for h in history] == [(4, "5 people"), (3, "4 people"), (2, "3 people"), (1, "made")]


def test_a_stale_edit_is_refused_and_leaves_nothing(projects: Projects, variant: uuid.UUID) -> None:
    people(projects, variant, 3)
    with pytest.raises(Stale) as caught:
        projects.save(variant, 1, sound(made(lived())), "late", "other")
    assert caught.value.head == 2
    assert len(projects.history(variant)) == 2


def test_of_two_at_once_exactly_one_wins(projects: Projects, variant: uuid.UUID) -> None:
    outcomes: list[Any] = []
    start = threading.Barrier(6)

    def attempt(n: int) -> None:
        design = with_people(made(lived()), n)
        start.wait()
        try:
            outcomes.append(projects.save(variant, 1, sound(design), f"by {n}", str(n)))
        except Stale as exc:
            outcomes.append(exc)

    threads = [threading.Thread(target=attempt, args=(n,)) for n in range(1, 7)]
    for t in threads:
        t.start()
    for t in threads:
        t.join()
    assert outcomes.count(2) == 1
    assert sum(isinstance(o, Stale) for o in outcomes) == 5
    assert len(projects.history(variant)) == 2


def test_undo_reaches_back_to_the_beginning_and_redo_forward_again(projects: Projects, variant: uuid.UUID) -> None:
    for n in (3, 4, 5):
        people(projects, variant, n)
    seen = []
    while projects.head(variant).can_undo:
        head = projects.head(variant)
        projects.step(variant, head.revision, "undo", "me")
        seen.append(projects.head(variant).design.life.people)
    assert seen == [4, 3, None]
    with pytest.raises(Nothing):
        projects.step(variant, projects.head(variant).revision, "undo", "me")
    seen = []
    while projects.head(variant).can_redo:
        projects.step(variant, projects.head(variant).revision, "redo", "me")
        seen.append(projects.head(variant).design.life.people)
    assert seen == [3, 4, 5]
    with pytest.raises(Nothing):
        projects.step(variant, projects.head(variant).revision, "redo", "me")
    assert projects.head(variant).revision == 10, "every step is a revision of its own"


def test_a_new_edit_after_undo_starts_a_new_branch_and_the_old_one_is_kept(projects: Projects, variant: uuid.UUID) -> None:
    people(projects, variant, 3)
    projects.step(variant, 2, "undo", "me")
    people(projects, variant, 7)
    head = projects.head(variant)
    assert head.design.life.people == 7
    assert not head.can_redo
    projects.step(variant, head.revision, "undo", "me")
    assert projects.head(variant).design.life.people is None
    assert projects.head(variant).can_redo
    assert projects.design_at(variant, 2).life.people == 3


def test_undo_on_a_stale_revision_is_refused(projects: Projects, variant: uuid.UUID) -> None:
    people(projects, variant, 3)
    with pytest.raises(Stale):
        projects.step(variant, 1, "undo", "me")


def test_a_variant_is_copied_from_the_newest_design_and_goes_its_own_way(projects: Projects, variant: uuid.UUID) -> None:
    people(projects, variant, 3)
    copied = projects.copy_variant(variant, "lead bank", "me", sound(projects.head(variant).design))
    people(projects, copied, 9)
    assert projects.head(variant).design.life.people == 3
    assert projects.head(copied).design.life.people == 9
    assert [v.name for v in projects.all()[0].variants] == ["as planned", "lead bank"]


def test_put_away_and_taken_back(projects: Projects, variant: uuid.UUID) -> None:
    project = projects.all()[0].id
    projects.delete(project)
    assert projects.all() == []
    with pytest.raises(Missing):
        projects.head(variant)
    with pytest.raises(Missing):
        projects.delete(project)
    projects.restore(project)
    assert projects.all()[0].name == "Tern"
    with pytest.raises(Missing):
        projects.restore(project)


def test_renamed(projects: Projects, variant: uuid.UUID) -> None:
    projects.rename(projects.all()[0].id, "Knot")
    assert projects.head(variant).project_name == "Knot"


def test_what_is_not_there_is_missing(projects: Projects, variant: uuid.UUID) -> None:
    nobody = uuid.uuid4()
    for call in (projects.head, projects.history, projects.whole, projects.delete, projects.restore):
        with pytest.raises(Missing):
            call(nobody)
    with pytest.raises(Missing):
        projects.design_at(variant, 99)
    with pytest.raises(Missing):
        projects.rename(nobody, "x")
    with pytest.raises(Missing):
        projects.save(nobody, 1, sound(Design()), "x", "x")


def test_the_demo_is_loaded_once_and_stays_away_when_put_away(projects: Projects) -> None:
    assert sorted(load_demos(projects)) == ["Curlew", "Fiddlehead", "Saltbush"]
    assert load_demos(projects) == []
    assert projects.all()[0].name == "Curlew", "the main demo comes first"
    projects.delete(projects.all()[0].id)
    assert load_demos(projects) == []
    assert [p.name for p in projects.all()] == ["Fiddlehead", "Saltbush"]


def test_the_latest_changed_comes_first(projects: Projects) -> None:
    for name in ("first", "second", "third"):
        projects.create(name, [("v", sound(Design()))], "me")
    assert [p.name for p in projects.all()] == ["third", "second", "first"]
    people(projects, projects.all()[2].variants[0].id, 3)
    assert projects.all()[0].name == "first"

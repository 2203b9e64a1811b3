"""What rules and sums say stands in catalogues: each has its words, each text is somebody's, and in another language nothing stays behind."""

from __future__ import annotations

import importlib
import pkgutil
import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from fluent.syntax import FluentParser
from fluent.syntax.ast import Junk, Message, Pattern, TextElement

import bothy.core
from bothy.core.calculators import CALCULATORS
from bothy.core.calculators.entry import WORDS as SUMS
from bothy.core.finding import RULES, WORDS, finding
from bothy.core.report import report
from bothy.core.words import catalogues
from bothy.core.words.catalogues import PSEUDO, Catalogue, in_language, language
from bothy.demo import curlew, fiddlehead, saltbush

for found in pkgutil.walk_packages(bothy.core.__path__, "bothy.core."):
    importlib.import_module(found.name)  # all rules there are


def messages(of: Catalogue) -> dict[str, Message]:
    """The texts of a catalogue by key; a line that can't be read or stands twice fails."""
    out: dict[str, Message] = {}
    for entry in FluentParser().parse(of.source()).body:
        assert not isinstance(entry, Junk), entry.content
        if isinstance(entry, Message):
            assert entry.id.name not in out, entry.id.name
            out[entry.id.name] = entry
    return out


RULE_TEXTS, SUM_TEXTS = messages(WORDS), messages(SUMS)


def plain(pattern: Pattern | None) -> str:
    """A text into which nothing is put."""
    assert pattern is not None
    assert all(isinstance(x, TextElement) for x in pattern.elements)
    return "".join(x.value for x in pattern.elements if isinstance(x, TextElement))


def attributes(message: Message) -> dict[str, str]:
    return {a.id.name: plain(a.value) for a in message.attributes}


def test_every_rule_has_its_words_and_every_text_is_a_rules() -> None:
    assert set(RULE_TEXTS) == set(RULES)
    for id, rule in RULES.items():
        said = attributes(RULE_TEXTS[id])
        assert set(said) - {"asked"} == {"remedy"}, id
        assert (rule.title, rule.remedy, rule.asked) == (plain(RULE_TEXTS[id].value), said["remedy"], said.get("asked", rule.title))


@pytest.mark.parametrize("stage", sorted({r.stage for r in RULES.values()}))
def test_a_rule_stands_in_the_catalogue_of_its_stage(stage: str) -> None:
    mine = set(messages(Catalogue("bothy.core.words", [f"rules/{stage}"])))
    assert mine == {r.id for r in RULES.values() if r.stage == stage}


def test_what_is_asked_is_asked() -> None:
    asked = {id: said["asked"] for id, m in RULE_TEXTS.items() if "asked" in (said := attributes(m))}
    assert asked
    assert all(text.endswith("?") for text in asked.values())
    id, text = next(iter(asked.items()))
    assert finding(id, "x", "X", "The design doesn’t say it.", severity="question").title == text
    assert finding(id, "x", "X", "The switch is far away.").title == RULES[id].title != text


def test_every_sum_has_its_words_and_every_text_is_a_sums() -> None:
    warned = {f"caution-{c.warns}" for c in CALCULATORS.values() if c.warns}
    assert set(SUM_TEXTS) == set(CALCULATORS) | warned
    for name, c in CALCULATORS.items():
        assert c.title == plain(SUM_TEXTS[name].value)
        assert attributes(SUM_TEXTS[name]) == {"question": c.question}
        assert c.question.endswith("?"), name
        assert bool(c.caution) == bool(c.warns)


@pytest.mark.parametrize("text", [*(m.id.name for m in RULE_TEXTS.values()), *(m.id.name for m in SUM_TEXTS.values())])
def test_a_text_is_said_as_it_is_printed(text: str) -> None:
    said = RULE_TEXTS.get(text) or SUM_TEXTS[text]
    for words in (plain(said.value), *attributes(said).values()):
        assert words == words.strip()
        assert "  " not in words
        assert not re.search(r"[\"']", words), "quotation marks and apostrophes as they are printed"


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_in_another_language_no_title_and_no_remedy_stays_behind(demo: object) -> None:
    design = demo.design()  # type: ignore[attr-defined]
    english = report(design).findings
    with in_language(PSEUDO):
        other = report(design).findings
    assert len(other) == len(english) > 0
    for old, new in zip(english, other, strict=True):
        assert new.title.startswith("⟦")
        assert new.title.endswith("⟧")
        if old.remedy == RULES[old.rule].remedy:  # some findings know a better one
            assert new.remedy == f"⟦{re.sub('[aeiou]', lambda m: 2 * m[0], old.remedy)}⟧"


def test_sums_speak_the_language_that_is_on() -> None:
    with in_language(PSEUDO):
        assert language() == PSEUDO
        assert all(c.title.startswith("⟦") and c.question.startswith("⟦") for c in CALCULATORS.values())
    assert language() == "en"
    assert not any("⟦" in c.title for c in CALCULATORS.values())


def test_a_language_without_catalogues_is_refused() -> None:
    with pytest.raises(KeyError), in_language("xx"):
        pass
    assert language() == "en"


def test_an_unknown_key_and_a_missing_word_are_told() -> None:
    with pytest.raises(KeyError, match="no-such-rule"):
        WORDS.plain("no-such-rule")
    with pytest.raises(KeyError, match="no-such-rule"):
        WORDS.plain("no-such-rule", "remedy")
    assert WORDS.plain("wire-over-ampacity", "asked") is None


MADE = """
leaks = The pipe leaks { FIX($way_m, digits: 1) } m from { $name }.
taps = { $count ->
    [one] one tap
   *[other] { $count } taps
 }
wet = { $inside ->
    [yes] Inside
   *[no] Outside
 } it is wet.
shares = { PER_CENT($part, digits: 1) }, { SHORT($watts_w) } W, { SHORT($amps_a, digits: 2) } A, { GROUPED($wh_wh) } Wh, { SIGNED($kg_kg, digits: 1) } kg
"""


@pytest.fixture
def made(monkeypatch: pytest.MonkeyPatch) -> Iterator[Catalogue]:
    one = Catalogue("bothy.core.words", ["made-for-a-test"])
    monkeypatch.setattr(one, "source", lambda key="en": MADE)
    yield one
    catalogues._ALL.remove(one)


def test_a_text_writes_its_numbers_and_keeps_the_rest(made: Catalogue) -> None:
    assert made.say("leaks", way_m=2.345, name="the “Tee”") == "The pipe leaks 2.3 m from the “Tee”."
    assert made.say("leaks", way_m=2, name=7) == "The pipe leaks 2.0 m from 7."
    assert made.say("shares", part=0.1234, watts_w=1500.0, amps_a=3.456, wh_wh=12345.6, kg_kg=5) == "12.3%, 1500 W, 3.5 A, 12,346 Wh, +5.0 kg"


def test_what_was_said_before_is_said_again_only_of_the_same(made: Catalogue) -> None:
    assert made.say("leaks", way_m=2, name="3") == "The pipe leaks 2.0 m from 3."
    assert made.say("leaks", name="2", way_m=3) == "The pipe leaks 3.0 m from 2.", "in whatever order it is put in"
    assert made.say("wet", inside=True) != made.say("wet", inside=False)
    assert made.say("leaks", way_m=-0.0, name="x") != made.say("leaks", way_m=0.0, name="x"), "as Python writes it"


@pytest.mark.parametrize(("count", "said"), [(1, "one tap"), (1.0, "one tap"), (2, "2 taps"), (0, "0 taps"), (1500, "1500 taps")])
def test_one_of_several_is_chosen_by_the_number(made: Catalogue, count: float, said: str) -> None:
    assert made.say("taps", count=count) == said


def test_what_is_true_or_not_chooses_words(made: Catalogue) -> None:
    assert made.say("wet", inside=True) == "Inside it is wet."
    assert made.say("wet", inside=False) == "Outside it is wet."


@pytest.mark.parametrize("put", [{"name": "x"}, {"way_m": 1.0}, {}])
def test_a_text_that_lacks_something_is_told(made: Catalogue, put: dict[str, object]) -> None:
    with pytest.raises(ValueError, match="leaks"):
        made.say("leaks", **put)


def test_words_where_a_number_is_due_are_told(made: Catalogue) -> None:
    with pytest.raises(ValueError, match="leaks"):
        made.say("leaks", way_m="far", name="x")


def test_the_pseudo_language_marks_a_text_and_leaves_what_is_put_in(made: Catalogue) -> None:
    with in_language(PSEUDO):
        assert made.say("leaks", way_m=2.0, name="Tee") == "⟦Thee piipee leeaaks 2.0 m froom Tee.⟧"
        assert made.say("taps", count=1) == "⟦oonee taap⟧"


SRC = Path(bothy.core.__file__).parents[1]
COUNTED = re.compile(r"\{ (?:(?:FIX|SHORT|GROUPED)\()?\$(?P<of>\w+)(?:, digits: 0)?\)? \} (?:more |other )?(?P<noun>[a-z]+s)\b")
"""A number before a word that may be more than one of something."""
MESSAGE = re.compile(r"^([a-z][\w-]*) =(.*(?:\n[ \t]+.*)*)", re.M)
NOUNS = re.compile(
    r"circuits|steps|months|dangers|tasks|things|days|years|nights|items|lines|legs|runs|trips|sets|vessels|quotes|openings|panels|places|causes"
    r"|problems|parts|boards|cables|ways|tanks|zones|taps|outlets|bends|holes|straps|strings|arrays|fuses|lugs|hours|rows|findings|figures|appliances"
)
BOUND = re.compile(r"(?:^|_)(?:most|max|least)(?:_|$)|p95|^(?:runs|days|name)$")
"""Bounds are never one, and what is put in as words bends by itself."""


@pytest.mark.parametrize("path", sorted([*SRC.rglob("*.ftl"), *(SRC.parents[1] / "web" / "src" / "words").glob("*.ftl")]), ids=lambda p: p.name)
def test_one_of_a_thing_is_no_ones(path: Path) -> None:
    """“1 day”, not “1 days”: the word beside a count is chosen by it."""
    wrong = [
        f"{key}: {m[0]}"
        for key, body in MESSAGE.findall(path.read_text(encoding="utf-8"))
        for m in COUNTED.finditer(body)
        if NOUNS.fullmatch(m["noun"]) and not BOUND.search(m["of"]) and f"${m['of']} ->" not in body
    ]
    assert not wrong

"""What rules and sums say stands in catalogues: each has its words, each text is somebody's, and in another language nothing stays behind."""

from __future__ import annotations

import importlib
import pkgutil
import re

import pytest
from fluent.syntax import FluentParser
from fluent.syntax.ast import Junk, Message, Pattern, TextElement

import bothy.core
from bothy.core.calculators import CALCULATORS
from bothy.core.calculators.entry import WORDS as SUMS
from bothy.core.finding import RULES, WORDS, finding
from bothy.core.report import report
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

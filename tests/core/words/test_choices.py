"""Each choice that a sentence names has words written by a person, and no words are left of one that is gone."""

from __future__ import annotations

import typing

import pytest
from fluent.syntax import FluentParser
from fluent.syntax.ast import Message

from bothy.core.calculators import CALCULATORS
from bothy.core.design.build import Licence
from bothy.core.design.document import Design
from bothy.core.design.fit import WayTag
from bothy.core.design.panel import PanelKind
from bothy.core.design.roof import BelowKind
from bothy.core.design.warmth import Element
from bothy.core.handover.maintenance import Status
from bothy.core.power.load_budget import InverterUse
from bothy.core.wiring.conductors import Installation
from bothy.core.words.catalogues import PSEUDO, in_language
from bothy.core.words.choices import CHOICES, choices_of, word_of

NAMED = [
    v
    for kind in (Installation, PanelKind, BelowKind, Element, WayTag, Licence, Status, InverterUse.model_fields["mode"].annotation)
    for v in typing.get_args(kind)
] + [v for of in (Design, *(x for c in CALCULATORS.values() for x in (c.input, c.output))) for v in choices_of(of.model_json_schema())]


@pytest.mark.parametrize("choice", sorted(set(NAMED)))
def test_a_choice_has_words(choice: str) -> None:
    assert word_of(choice)
    assert "_" not in word_of(choice)
    with in_language(PSEUDO):
        assert word_of(choice).startswith("⟦")


def test_no_words_are_left_of_a_choice_that_is_gone() -> None:
    keys = {e.id.name for e in FluentParser().parse(CHOICES.source()).body if isinstance(e, Message)}
    assert keys == {c.replace("_", "-") for c in NAMED}


def test_what_is_no_choice_has_no_words() -> None:
    with pytest.raises(KeyError, match="airship"):
        word_of("airship")

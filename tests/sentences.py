"""What is wrong with a sentence that a finding says, by the rules that every text of Bothy keeps."""

from __future__ import annotations

import re

RULES = {
    "begins with a number": re.compile(r"^[-−+±\d]"),
    "begins with a word that stands for something else": re.compile(r"^(It|Its|They|Their|Them)\b"),
    "says how little somebody said": re.compile(r"\bnot said\b|n[’']t said\b|\bis said\b|\bNever said\b|\bnothing is said\b"),
    "a thing that wants or asks": re.compile(r"\bwants?\b|\bwanted\b|\basks? for\b|\basked for\b"),
    "at least, at most": re.compile(r"\bis the most\b|\btimes the least\b|mm and more\b|\bis asked\b"),
    "on average, continuously": re.compile(r"\bin the mean\b|\bfor hours\b|\bfor long\b|\bby night\b|\bmean trip\b"),
    "words of the sums": re.compile(r"\bweathers\b|\bnormals\b|\bdead short\b|\bhang on\b|\bfraction\b"),
    "one of several": re.compile(
        r"(?<![\d.,])\b1 (?:days|nights|hours|things|tasks|circuits|cables|ways|studs|outlets|cylinders|batteries|panels|people|items)\b"
    ),
    "fractions in words": re.compile(r"\bnineteen twentieths\b|\btenths\b"),
    "a straight apostrophe": re.compile(r"[A-Za-z]'[A-Za-z]"),
    "two full stops": re.compile(r"\.\.(?!\.)|\. \.|\s[.,;]|\s\s"),
}
FEWEST_WORDS = 4


def faults(message: str) -> list[str]:
    """The rules that a message breaks; what stands in quotation marks is a name that somebody typed."""
    plain = re.sub(r"“[^”]*”", "“…”", message)
    out = [name for name, pattern in RULES.items() if pattern.search(plain)]
    if not message.rstrip("”)").endswith((".", "!", "?")):
        out.append("no full stop")
    if len(message.split()) < FEWEST_WORDS:
        out.append("not a sentence")
    return out

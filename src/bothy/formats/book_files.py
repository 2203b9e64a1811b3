"""The vehicle's book as files: one HTML page that needs nothing else, paper sheets for a PDF, cards for the wall, JSON, and maintenance as a calendar."""

from __future__ import annotations

import base64
import re
from collections.abc import Mapping
from html import escape

from bothy.core.handover.part import Block, BookPage, BookPart
from bothy.core.handover.words import say
from bothy.core.words.catalogues import language
from bothy.formats.build_files import ics_text

SCREEN = """
:root{color-scheme:light}*{box-sizing:border-box}body{margin:0;font:17px/1.45 system-ui,sans-serif;color:#20261f;background:#f7f8f3}
header,main{max-width:52rem;margin:0 auto;padding:1rem}
h1{font-size:1.5rem;margin:.2rem 0}h2{font-size:1.35rem;border-top:2px solid #20261f;padding-top:.6rem;margin-top:2rem}
h3{font-size:1.05rem;margin:1rem 0 .2rem}nav a{display:block;padding:.55rem .2rem;border-bottom:1px solid #c9cfc2;color:inherit;text-decoration:none}
nav a.first{font-weight:700;background:#f3d9d2}.warn{border-left:4px solid #a8391f;padding-left:.6rem;font-weight:600}.missing{color:#a8391f}
table{border-collapse:collapse;width:100%;font-size:.88rem}
th,td{border-bottom:1px solid #c9cfc2;text-align:left;padding:.25rem .4rem;vertical-align:top}
.wide{overflow-x:auto}svg{max-width:100%;height:auto}
#find{width:100%;font:inherit;padding:.6rem;border:1px solid #20261f}.top{float:right;font-size:.85rem}
"""
PAPER = """
@page{size:%s;margin:14mm 12mm 16mm;
@bottom-right{content:counter(page) "%s" counter(pages);font:8pt sans-serif}@bottom-left{content:"%s";font:8pt sans-serif}}
body{font:9.5pt/1.35 sans-serif;color:#20261f;margin:0}
h1{font-size:18pt}h2{font-size:14pt;break-before:page;border-bottom:1pt solid #20261f}h2.first{break-before:auto}
h3{font-size:11pt;margin:8pt 0 2pt}
.warn{border-left:2pt solid #a8391f;padding-left:6pt;font-weight:bold}.missing{color:#a8391f}
table{border-collapse:collapse;width:100%%;font-size:8.5pt}
th,td{border-bottom:.4pt solid #889;text-align:left;padding:1.5pt 3pt;vertical-align:top}
thead{display:table-header-group}tr{break-inside:avoid}svg{max-width:100%%}
.toc a{text-decoration:none;color:inherit}.toc a::after{content:leader('.') target-counter(attr(href),page)}
"""
SIZES = {"A4": "A4", "letter": "letter", "A5": "A5"}
CARDS = ("isolation", "emergency")


def _block(b: Block, pictures: Mapping[str, str]) -> str:
    if b.kind == "heading":
        return f"<h3>{escape(b.text)}</h3>"
    if b.kind == "text":
        return f"<p>{escape(b.text)}</p>"
    if b.kind == "warning":
        return f"<p class='warn'>{escape(b.text)}</p>"
    if b.kind in ("steps", "points"):
        tag = "ol" if b.kind == "steps" else "ul"
        return f"<{tag}>{''.join(f'<li>{escape(x)}</li>' for x in b.items)}</{tag}>"
    if b.kind == "picture":
        return f"<div class='wide'>{pictures.get(b.text, _lost() if b.text.startswith('photo:') else '')}</div>"
    head = "".join(f"<th scope='col'>{escape(h)}</th>" for h in b.head)
    rows = "".join("<tr>" + "".join(f"<td>{escape(c)}</td>" for c in row) + "</tr>" for row in b.rows)
    return f"<div class='wide'><table><thead><tr>{head}</tr></thead><tbody>{rows}</tbody></table></div>"


def _page(p: BookPage, pictures: Mapping[str, str], first: bool, back: str = "") -> str:
    lacks = "".join(f"<li class='missing'>{escape(say('file-missing', what=m.text))}</li>" for m in p.missing)
    inner = "".join(_block(b, pictures) for b in p.blocks)
    return (
        f"<section id='{p.id}' aria-label='{escape(p.title)}'><h2{' class=first' if first else ''}>{back}{escape(p.title)}</h2>"
        + (f"<ul>{lacks}</ul>" if lacks else "")
        + inner
        + "</section>"
    )


def drawn(svg: str) -> str:
    """A drawing as it stands inside a page: without its declaration and fixed size."""
    body = svg[svg.index("<svg") :]
    return re.sub(r"(<svg[^>]*?) width=(['\"])[^'\"]*\2 height=(['\"])[^'\"]*\3", r"\1", body, count=1)


def photo(data: bytes) -> str:
    """A photograph as it stands inside a page."""
    return f"<img alt='{escape(say('file-photograph'))}' src='data:image/jpeg;base64,{base64.b64encode(data).decode('ascii')}'>"


def _lost() -> str:
    return f"<p class='missing'>{escape(say('file-lost'))}</p>"


def _title(b: BookPart) -> str:
    return say("file-title", name=b.name)


def to_html(b: BookPart, pictures: Mapping[str, str]) -> str:
    """One page for a phone without a network: contents, a field that finds, every page of the book. Nothing is fetched."""
    links = "".join(f"<a href='#{p.id}'{' class=first' if p.id in CARDS else ''}>{escape(p.title)}</a>" for p in b.pages)
    pages = "".join(_page(p, pictures, False, f"<a class='top' href='#top'>{escape(say('file-contents'))}</a>") for p in b.pages)
    script = (
        "const f=document.getElementById('find');f.addEventListener('input',()=>{const q=f.value.toLowerCase();"
        "for(const s of document.querySelectorAll('section')){s.hidden=!!q&&!s.textContent.toLowerCase().includes(q)}});"
    )
    return (
        f"<!doctype html><html lang='{language()}'><head><meta charset='utf-8'><meta name='viewport' content='width=device-width,initial-scale=1'>"
        f"<title>{escape(_title(b))}</title>"
        f"<style>{SCREEN}</style></head><body id='top'><header><h1>{escape(b.name)}</h1><p>{escape(b.variant)}, {b.today}</p>"
        f"<label for='find'>{escape(say('file-find'))}</label><input id='find' type='search' placeholder='{escape(say('file-find-like'))}'>"
        f"<nav aria-label='{escape(say('file-contents-title'))}'>{links}</nav></header>"
        f"<main>{pages}</main><script>{script}</script></body></html>\n"
    )


def to_paper(b: BookPart, pictures: Mapping[str, str], size: str) -> str:
    """Pages with a table of contents for a PDF."""
    toc = "".join(f"<p><a href='#{p.id}'>{escape(p.title)} </a></p>" for p in b.pages)
    pages = "".join(_page(p, pictures, False) for p in b.pages)
    style = PAPER % (SIZES[size], say("file-of"), escape(f"{b.name}, {b.variant}, {b.today}").replace('"', ""))
    return (
        f"<!doctype html><html lang='{language()}'><head><meta charset='utf-8'><title>{escape(_title(b))}</title><style>{style}</style></head><body>"
        f"<h1>{escape(b.name)}</h1><p>{escape(b.variant)}, {b.today}</p><div class='toc'>{toc}</div>{pages}</body></html>"
    )


def to_cards(b: BookPart) -> str:
    """The cards for the wall, at A5: switching off, and emergencies."""
    pages = "".join(_page(p, {}, n == 0) for n, p in enumerate(p for p in b.pages if p.id in CARDS))
    style = PAPER % ("A5", say("file-of"), escape(b.name).replace('"', ""))
    head = f"<meta charset='utf-8'><title>{escape(say('file-cards', name=b.name))}</title><style>{style}</style>"
    return f"<!doctype html><html lang='{language()}'><head>{head}</head><body>{pages}</body></html>"


def to_ics(b: BookPart) -> str:
    """Each item of maintenance as an all-day entry on the day that it is due."""
    rows = [(x.id, x.due or b.today, x.name, say("file-every", how=x.how, every=x.every)) for x in b.care]
    return ics_text(b.name, b.today, [(f"{i}@bothy", day, None, name, about) for i, day, name, about in rows])

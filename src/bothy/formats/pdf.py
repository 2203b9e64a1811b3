"""PDF from HTML. Run as a program of its own (``python -m bothy.formats.pdf < sheets.json > page.pdf``), so that no request waits for it."""

from __future__ import annotations

import io
import json
import sys
from typing import Any, NamedTuple

from bothy.core.words.says import formats_says as says


class Sheet(NamedTuple):
    """HTML for one PDF; with a ``layer`` name it becomes one of the layers of a single drawing."""

    layer: str | None
    html: str


def render(html: str, tagged: bool = False) -> bytes:
    """The PDF of an HTML page, ``tagged`` with its structure for who has it read aloud. Nothing is fetched but data and files of this machine."""
    from weasyprint import HTML
    from weasyprint.urls import URLFetcher

    document: bytes = HTML(string=html, url_fetcher=URLFetcher(allowed_protocols={"file", "data"})).write_pdf(pdf_tags=tagged)
    return document


def layered(sheets: list[Sheet]) -> bytes:
    """One page of several layers, each of which a PDF program can show, hide and export by its name.

    Every sheet is a page of the same size; they are laid over each other as optional content (ISO 32000-1, section 8.11).
    """
    from pypdf import PdfReader, PdfWriter
    from pypdf.generic import ArrayObject, DictionaryObject, NameObject, StreamObject, TextStringObject

    pages = [PdfReader(io.BytesIO(render(s.html))).pages[0] for s in sheets]
    writer = PdfWriter()
    page = writer.add_blank_page(pages[0].mediabox.width, pages[0].mediabox.height)
    groups, forms, properties, content = [], DictionaryObject(), DictionaryObject(), []
    for n, (sheet, source) in enumerate(zip(sheets, pages, strict=True)):
        group = writer._add_object(
            DictionaryObject({NameObject("/Type"): NameObject("/OCG"), NameObject("/Name"): TextStringObject(sheet.layer or says("layer", n=n + 1))})
        )
        form = StreamObject()
        found = source.get_contents()
        form.set_data(found.get_data() if found is not None else b"")
        form.update(
            {
                NameObject("/Type"): NameObject("/XObject"),
                NameObject("/Subtype"): NameObject("/Form"),
                NameObject("/BBox"): source.mediabox,
                NameObject("/Resources"): source["/Resources"].clone(writer),
            }
        )
        forms[NameObject(f"/Fm{n}")] = writer._add_object(form)
        properties[NameObject(f"/Oc{n}")] = group
        groups.append(group)
        content.append(f"/OC /Oc{n} BDC q /Fm{n} Do Q EMC")
    drawn = StreamObject()
    drawn.set_data("\n".join(content).encode("ascii"))
    page[NameObject("/Resources")] = DictionaryObject({NameObject("/XObject"): forms, NameObject("/Properties"): properties})
    page[NameObject("/Contents")] = writer._add_object(drawn)
    writer.root_object[NameObject("/OCProperties")] = DictionaryObject(
        {
            NameObject("/OCGs"): ArrayObject(groups),
            NameObject("/D"): DictionaryObject({NameObject("/Order"): ArrayObject(groups), NameObject("/ON"): ArrayObject(groups)}),
        }
    )
    out = io.BytesIO()
    writer.write(out)
    return out.getvalue()


def made(sheets: list[Sheet]) -> bytes:
    """The PDF of one sheet, or of several as layers."""
    return layered(sheets) if sheets[0].layer is not None else render(sheets[0].html, True)


def dumped(sheets: list[Sheet]) -> bytes:
    """The sheets as this program reads them."""
    return json.dumps([[s.layer, s.html] for s in sheets]).encode("utf-8")


def _main() -> None:
    data: list[Any] = json.loads(sys.stdin.buffer.read())
    sys.stdout.buffer.write(made([Sheet(*x) for x in data]))


if __name__ == "__main__":
    _main()

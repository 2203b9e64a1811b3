"""Papers: HTML with what belongs on it, and PDF that is rendered and looked at."""

from __future__ import annotations

import subprocess
from dataclasses import replace
from http.server import BaseHTTPRequestHandler, HTTPServer
from pathlib import Path
from threading import Thread

import pytest
from PIL import Image
from pypdf import PdfReader

from bothy.core.report import report
from bothy.core.wiring.lists import bench_lists
from bothy.core.words.said import Reader
from bothy.demo import curlew
from bothy.formats import papers
from bothy.formats.bench_lists import tables as bench_tables
from bothy.formats.pdf import Sheet, made, render

FONTS = (Path(__file__).parents[2] / "web" / "node_modules" / "inter-ui" / "web").as_uri()
PAPER = papers.Paper("Curlew łódź", 'as "planned"', 3, "A licensed person.", "A4", FONTS)
DESIGN = curlew.design()
REPORT = report(DESIGN)
LISTS = bench_lists(DESIGN, REPORT.wiring.circuits, REPORT.wiring.raceways, REPORT.wiring.others)


def run(*command: str) -> str:
    return subprocess.run(command, check=True, capture_output=True, text=True).stdout


def pictures(html: str | list[Sheet], folder: Path, dpi: int = 60) -> tuple[Path, list[Image.Image]]:
    """The PDF of a page and its pages as grey pictures."""
    file = folder / "paper.pdf"
    file.write_bytes(made([Sheet(None, html)] if isinstance(html, str) else html))
    run("pdftoppm", "-r", str(dpi), "-png", str(file), str(folder / "page"))
    return file, [Image.open(p).convert("L") for p in sorted(folder.glob("page*.png"))]


def dark(image: Image.Image, box: tuple[int, int, int, int]) -> float:
    """Share of dark pixels in a part of a picture."""
    part = image.crop(box)
    return sum(part.histogram()[:128]) / (part.width * part.height)


def test_the_diagram_fills_its_page_and_says_every_circuit(tmp_path: Path) -> None:
    file, pages = pictures(papers.diagram(PAPER, REPORT), tmp_path)
    assert len(pages) == 1
    w, h = pages[0].size
    assert w > h, "landscape"
    words = run("pdftotext", "-layout", str(file), "-")
    for p in REPORT.wiring.circuits.values():
        if p.kind in ("load", "ac"):
            assert f"{p.code} " in words
    assert "łódź" in words
    assert "A licensed person." in words
    for corner in ((0, h // 4, w // 3, h * 3 // 4), (w // 3, h // 4, w * 2 // 3, h * 3 // 4), (w * 2 // 3, h // 4, w, h * 3 // 4)):
        assert 0.005 < dark(pages[0], corner) < 0.5
    margin = int(w * 5 / 297)
    assert dark(pages[0], (0, 0, margin, h)) == 0, "nothing is cut off at the edge"
    assert dark(pages[0], (w - margin, 0, w, h)) == 0


def test_every_wire_label_is_there_twice_and_the_sheet_is_full(tmp_path: Path) -> None:
    file, pages = pictures(papers.labels(PAPER, LISTS), tmp_path)
    words = " ".join(run("pdftotext", "-raw", str(file), "-").split())
    for label in LISTS.labels:
        for wire in label.wires:
            assert words.count(wire) >= 2, wire
    w, h = pages[0].size
    assert dark(pages[0], (0, h * 3 // 4, w, h * 9 // 10)) > 0.005, "the first page is used to its end"


def test_the_panel_is_one_to_one(tmp_path: Path) -> None:
    _, pages = pictures(papers.panel(PAPER, REPORT), tmp_path, dpi=254)
    image = pages[0]
    unbroken: set[int] = set()
    for y in range(image.height):
        xs = [x for x in range(image.width) if image.getpixel((x, y)) < 128]
        if len(xs) > 500 and len(xs) == xs[-1] - xs[0] + 1:
            unbroken.add(len(xs))
    assert any(n == pytest.approx(1000, abs=4) for n in unbroken), f"the rule measures 100 mm, not one of {unbroken}"


def test_cut_and_engraving_are_layers_of_their_own(tmp_path: Path) -> None:
    sheets = papers.panel(PAPER, REPORT)
    file = tmp_path / "panel.pdf"
    file.write_bytes(made(sheets))
    root = PdfReader(str(file)).root_object
    assert [g.get_object()["/Name"] for g in root["/OCProperties"]["/OCGs"]] == ["CUT", "ENGRAVE", "FRONTS", "NOTES"]
    words = {s.layer: _words(s, tmp_path) for s in sheets}
    assert "Grey tank pump" in words["ENGRAVE"]
    assert "switch panel" in words["NOTES"]
    assert words["CUT"] == words["FRONTS"] == ""


def _words(sheet: Sheet, folder: Path) -> str:
    """What a PDF program reads on one layer."""
    file = folder / f"{sheet.layer}.pdf"
    file.write_bytes(render(sheet.html))
    return " ".join(run("pdftotext", str(file), "-").split())


def test_a_panel_larger_than_the_paper_gets_a_page_of_its_own_size() -> None:
    panel = DESIGN.wiring.panel
    assert panel is not None
    wide = DESIGN.model_copy(update={"wiring": DESIGN.wiring.model_copy(update={"panel": panel.model_copy(update={"width_mm": 700.0})})})
    assert "size: 720mm" in papers.panel(PAPER, report(wide))[0].html
    bare = DESIGN.model_copy(update={"wiring": DESIGN.wiring.model_copy(update={"panel": None})})
    with pytest.raises(LookupError):
        papers.panel(PAPER, report(bare))


def test_schedule_and_lists_name_every_circuit_cable_and_fuse() -> None:
    schedule, lists = papers.circuits(PAPER, DESIGN, REPORT), papers.lists(PAPER, LISTS)
    assert all(p.code in schedule for p in REPORT.wiring.circuits.values())
    assert all(c.size in lists for c in LISTS.cables)
    assert all(f.family in lists for f in LISTS.fuses)
    assert "Left wall trunking" in lists


def test_tables_are_in_the_readers_units_and_copper_stays() -> None:
    american = replace(PAPER, reader=Reader("us", "us"))
    for t in bench_tables(LISTS):
        name, headings, rows = t
        _, told, turned = american.table(t)
        assert len(told) == len(headings) and len(turned) == len(rows)
        for n, (h, w) in enumerate(zip(headings, told, strict=True)):
            assert not w.endswith((" m", " kg")), (name, w)
            for old, new in zip(rows, turned, strict=True):
                if h.endswith(" m") and isinstance(old[n], float | int):
                    assert float(new[n]) == pytest.approx(float(old[n]) / 0.3048, rel=0.006)  # type: ignore[arg-type]
                elif isinstance(old[n], float | int) and h.endswith((" A", " V", " %", "number", "packs")):
                    assert new[n] == old[n]
        assert american.table(t) == american.table(t)
    cable = next(t for t in bench_tables(LISTS) if t[0] == "Cable")
    assert [r[0] for r in american.table(cable)[2]] == [r[0] for r in cable[2]], "a cable is bought in its own size"
    assert PAPER.table(cable) == (cable[0], list(cable[1]), [list(r) for r in cable[2]])
    assert "needed ft" in papers.lists(american, LISTS) and "length one way ft" in papers.circuits(american, DESIGN, REPORT)


def test_what_people_typed_is_text_and_never_markup() -> None:
    evil = papers.Paper("<script>x</script>", 'a"; } body { display: none', 1, "", "A4", FONTS)
    html = papers.labels(evil, LISTS)
    assert "<script>" not in html
    assert 'content: "&lt;script' in html or 'content: "<' not in html


def test_nothing_is_fetched_from_anywhere() -> None:
    asked: list[str] = []

    class Ear(BaseHTTPRequestHandler):
        def do_GET(self) -> None:
            asked.append(self.path)
            self.send_error(404)

    server = HTTPServer(("127.0.0.1", 0), Ear)
    Thread(target=server.serve_forever, daemon=True).start()
    at = f"http://127.0.0.1:{server.server_port}"
    assert render(f"<link rel=stylesheet href='{at}/a.css'><img src='{at}/b.png'><p style='background: url({at}/c.png)'>x</p>").startswith(b"%PDF")
    server.shutdown()
    assert asked == []

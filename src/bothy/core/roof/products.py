"""What bonds and seals on a roof, with strengths, rates and temperatures (typical, the cautious end of each; the data sheet governs). Method roof.adhesive."""

from __future__ import annotations

from typing import NamedTuple

from bothy.core.words.says import roof_says as says


class Product(NamedTuple):
    """MPa in shear and tension (0: it seals and carries nothing), mm cured in the first 24 h at 23 °C and 50 %, hours until handling of a two-part product,
    °C between which it is worked and cured, minutes until it skins, mL in a pack, and what it is for."""

    name: str
    shear_mpa: float
    tension_mpa: float
    cure_mm_24h: float | None
    handling_h: float | None
    min_c: float
    max_c: float
    skin_min: float
    pack_ml: float
    use: str

    @property
    def carries(self) -> bool:
        """Whether a load may hang on it."""
        return self.shear_mpa > 0 and self.tension_mpa > 0


PRODUCTS: dict[str, Product] = {
    "hybrid": Product(says("hybrid-adhesive-one-part"), 1.5, 1.0, 3.0, None, 5, 35, 15, 290, says("feet-profiles-panels-rims")),
    "polyurethane": Product(says("polyurethane-adhesive-one-part"), 2.0, 2.0, 3.5, None, 8, 35, 20, 300, says("windows-and-feet-primer")),
    "silicone": Product(says("neutral-silicone"), 0.0, 0.0, 2.5, None, 5, 40, 15, 310, says("sealing-only-never-under")),
    "epoxy": Product(says("two-part-epoxy"), 12.0, 10.0, None, 16, 10, 35, 30, 50, says("stiff-unlike-materials-at")),
    "butyl_tape": Product(says("butyl-tape"), 0.0, 0.0, None, None, 5, 40, 1000, 250, says("gasket-that-stays-soft")),
    "foam_tape": Product(says("acrylic-foam-tape"), 0.085, 0.085, None, 72, 10, 38, 1, 250, says("smooth-clean-faces-for")),
}
HYGROSCOPIC_PATH_MM = 15.0
"""A one-part bead practically never cures further from the air than this."""

BAD_SURFACES: dict[str, tuple[str, str]] = {
    "loose_paint": (says("loose-paint"), says("take-off-to-sound")),
    "rust": ("rust", says("grind-to-bright-metal")),
    "silicone_residue": (says("traces-silicone"), says("cut-off-use-silicone")),
    "polyethylene": (says("polyethylene-or-polypropylene"), says("fix-with-screws-or")),
}
GOOD_SURFACES: dict[str, str] = {
    "sound_paint": says("cross-cut-hidden-spot"),
    "bare_primed": says("to-wipe-primer-with"),
    "gel_coat": says("to-wipe-with-solvent"),
    "aluminium": says("wipe-primer-within-hour"),
}

EXPANSION_PER_K: dict[str, float] = {"steel": 12e-6, "aluminium": 23e-6, "glass": 9e-6, "grp": 20e-6, "acrylic": 70e-6}
SWING_K = 60.0
"""How much warmer or colder than on the day of the bond it gets, K."""


def bead_least_mm(length_m: float, roof: str, part: str) -> float:
    """The thinnest bead that takes up the movement of two materials: twice the half length's difference, never under 2 mm."""
    move = length_m / 2 * abs(EXPANSION_PER_K[roof] - EXPANSION_PER_K[part]) * SWING_K * 1000
    return max(2.0, 2 * move)

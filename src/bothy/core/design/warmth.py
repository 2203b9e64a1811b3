"""Stage 6, Warmth: the shell's build-ups and openings, heating with its ducts and loop, air, cooling."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.catalogue.materials import materials
from bothy.core.contract import Whole, unique_ids, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note, PartKey
from bothy.core.warmth.coolant import FluidKey
from bothy.core.warmth.heater import FuelKey
from bothy.core.warmth.shell import On, PopTopSize, SlideOutSize
from bothy.core.words.says import design_says as says

Mm = Annotated[float, Field(ge=0, le=5000)]
MaterialKey = Annotated[str, StringConstraints(pattern=r"^[a-z0-9_]{1,40}$")]
ZoneName = Annotated[str, StringConstraints(pattern=r"^[a-z0-9][a-z0-9 _-]{0,29}$")]
Cab = Literal["open", "curtain", "bulkhead", "none"]
Cover = Literal["none", "screen_inside", "cover_outside", "blind", "cassette", "curtain", "plug"]
Colour = Literal["white", "light", "silver", "mid", "dark"]
School = Literal["closed_cell", "barrier", "open", "bagged"]
Element = Literal["single_glass", "single_acrylic", "double_acrylic", "double_rooflight", "fan_lid", "bare_steel", "panel_door", "sandwich"]
AIR_GAP = "air_gap"


class WallLayer(Doc):
    """One layer of a build-up: a material of the table or ``air_gap``, or own values under a name. ``foil``: the gap faces clean foil;
    ``over_ribs``: it passes in front of the ribs."""

    id: Id
    material: MaterialKey | None = None
    name: Annotated[str, Field(max_length=120)] = ""
    thickness_mm: float = Field(ge=0.01, le=300)
    conductivity_w_mk: float | None = Field(None, ge=0.003, le=500)
    density_kg_m3: float | None = Field(None, ge=0, le=20000)
    mu: float | None = Field(None, ge=1, le=1e7)
    coverage_frac: float = Field(1, ge=0.05, le=1)
    foil: bool = False
    over_ribs: bool = False

    @model_validator(mode="after")
    def _known(self) -> Self:
        if self.material is None:
            if self.conductivity_w_mk is None:
                raise wrong("conductivity_w_mk", says("required-for-layer-your"))
            if self.mu is None:
                raise wrong("mu", says("required-for-layer-your-own"))
        elif self.material != AIR_GAP and self.material not in materials():
            raise wrong("material", says("not-material-table", material=self.material))
        if self.material == AIR_GAP and self.thickness_mm < 1:
            raise wrong("thickness_mm", says("air-gap-must-be"))
        return self


class BuildUp(Doc):
    """Layers from the inside to the skin, the skin itself, and the ribs; ``strip_mm`` and ``radius_m`` where flat boards lie on a curve."""

    id: Id
    name: Name
    layers: list[WallLayer] = Field([], max_length=20)
    skin: Literal["steel_skin", "aluminium_skin", "grp_laminate", "none"] = "steel_skin"
    skin_mm: float = Field(0.8, ge=0.1, le=60)
    void_frac: float = Field(0, ge=0, le=0.5)
    rib_spacing_mm: float | None = Field(None, ge=1, le=5000)
    rib_flange_mm: float = Field(50, ge=0.1, le=500)
    rib_depth_mm: float = Field(40, ge=0.1, le=300)
    strip_mm: float | None = Field(None, ge=0.1, le=3000)
    radius_m: float | None = Field(None, ge=0.01, le=100)
    drain_blocked: bool = False
    by: By = "typed"

    @model_validator(mode="after")
    def _sense(self) -> Self:
        unique_ids(x.id for x in self.layers)
        if not self.layers and self.skin == "none":
            raise wrong("layers", says("has-neither-layer-nor", self_name=self.name))
        if self.rib_spacing_mm is not None:
            own = self.rib_flange_mm + 2 * max(13.0, sum(x.thickness_mm for x in self.layers if x.over_ribs))
            if own >= self.rib_spacing_mm:
                raise wrong("rib_spacing_mm", says("must-be-more-than", own_mm=own))
        return self


class SurfaceChoice(Doc):
    """What is said of one surface of the shell, by its key: its build-up or a U-value of its own, a cover at night, the zone that it belongs to."""

    id: Id
    build_up: Id | None = None
    u_value_w_m2k: float | None = Field(None, ge=0.02, le=10)
    cover: Cover = "none"
    shade_transmit_frac: float = Field(1, ge=0, le=1)
    zone: ZoneName | None = None


class Opening(Doc):
    """A hole in a surface: window, rooflight, door or vent, with what closes it. Its U-value is that of the element, or its own."""

    id: Id
    name: Name = "Window"
    on: On = "left"
    kind: Literal["window", "rooflight", "door", "vent"] = "window"
    width_m: float = Field(ge=0.01, le=6)
    height_m: float = Field(ge=0.01, le=4)
    count: Whole = Field(1, ge=1, le=50)
    element: Element = "double_acrylic"
    u_value_w_m2k: float | None = Field(None, ge=0.02, le=10)
    shgc_frac: float = Field(0.7, ge=0, le=1)
    cover: Cover = "none"
    shade_transmit_frac: float = Field(1, ge=0, le=1)
    zone: ZoneName | None = None


class SlideOutDoc(Doc, SlideOutSize):
    """A part of the wall that slides out; ``x_m``: where it begins from the rear (from the right in a rear wall), None: in the middle."""

    id: Id
    x_m: float | None = Field(None, ge=-6, le=25)
    sill_z_m: float = Field(0, ge=0, le=3)


class PopTopDoc(Doc, PopTopSize):
    """A roof that lifts on canvas; ``x_m``: where it begins from the rear, None: in the middle."""

    x_m: float | None = Field(None, ge=-6, le=25)
    lined: bool = False


class Routes(Doc):
    """How a burner's exhaust, intake, fuel and power lie, as measured; None: not said yet."""

    exhaust_length_mm: Mm | None = None
    exhaust_bends_deg: float | None = Field(None, ge=0, le=1000)
    exhaust_end_mm: Mm | None = None
    exhaust_end: Literal["side", "rear", "under", "forward", "up"] | None = None
    exhaust_to_combustible_mm: Mm | None = None
    exhaust_sleeved: bool = False
    exhaust_low_point: bool = False
    exhaust_drain: bool = False
    joint_inside: bool = False
    intake_inside: bool = False
    service_clear_mm: Mm | None = None
    fuel_joint_inside: bool = False
    pump_slope_deg: float | None = Field(None, ge=-90, le=90)
    suction_m: float | None = Field(None, ge=0, le=10)
    feed_switched: bool = False


class Heater(Doc):
    """A heater: its output, fuel and electricity. ``appliance`` is its line in Life, so that its electricity is counted once."""

    id: Id
    name: Name
    part: PartKey | None = None
    kind: Literal["air", "combined", "coolant", "electric", "stove"] = "air"
    fuel: FuelKey = "diesel"
    max_w: float = Field(ge=10, le=50000)
    min_w: float = Field(0, ge=0, le=50000)
    efficiency_frac: float | None = Field(None, ge=0.02, le=6)
    air_flow_m3_h: float | None = Field(None, ge=0.1, le=3000)
    fan_pressure_pa: float = Field(200, ge=1, le=5000)
    outlet_biases: list[Annotated[float, Field(ge=0.01, le=5)]] = Field([1.0], min_length=1, max_length=8)
    run_min_w: float = Field(0, ge=0, le=5000)
    run_max_w: float = Field(0, ge=0, le=5000)
    start_energy_wh: float = Field(0, ge=0, le=500)
    tank_volume_l: float | None = Field(None, ge=0, le=2000)
    tank_mass_kg: float | None = Field(None, ge=0, le=2000)
    tank_usable_frac: float = Field(0.75, ge=0.05, le=1)
    room_sealed: bool = True
    altitude_kit: bool = False
    place: Literal["inside", "outside_box", "underfloor", "engine_bay"] = "inside"
    routes: Routes = Routes()
    mass_kg: float | None = Field(None, ge=0, le=200)
    appliance: Id | None = None
    by: By = "typed"

    @property
    def burns_gas(self) -> bool:
        """Whether it burns what the gas vessels hold."""
        return self.fuel in ("propane", "butane")

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.min_w > self.max_w:
            raise wrong("min_w", says("must-be-at-most"))
        if self.run_min_w > self.run_max_w:
            raise wrong("run_min_w", says("must-be-at-most-electricity"))
        if self.efficiency_frac is not None and self.fuel != "electric" and self.efficiency_frac > 1:
            raise wrong("efficiency_frac", says("must-be-at-most-for"))
        if self.fuel == "wood" and self.tank_volume_l is not None:
            raise wrong("tank_volume_l", says("wood-counted-by-mass"))
        return self


class WarmDuct(Doc):
    """A warm-air run: from a heater's outlet, or from the end of the run that it branches off. ``lies``: where its length lies."""

    id: Id
    name: Name
    parent: Id | None = None
    outlet: Whole = Field(1, ge=1, le=8)
    zone: ZoneName = "living"
    diameter_mm: float = Field(60, ge=20, le=400)
    length_m: float = Field(ge=0.01, le=50)
    bends_90: Whole = Field(0, ge=0, le=20)
    bends_45: Whole = Field(0, ge=0, le=20)
    joint: Literal["none", "tee_branch", "tee_straight", "y_branch"] = "none"
    grille: Literal["none", "grille_open", "grille_directional"] = "grille_open"
    damper: Literal["none", "damper_0", "damper_20", "damper_30", "damper_45", "damper_60"] = "none"
    closable: bool = False
    open: bool = True
    insulation_mm: float = Field(0, ge=0, le=100)
    lies: Literal["inside", "unheated", "outside"] = "inside"
    bend_radius_mm: Mm | None = None
    to_fabric_mm: Mm | None = None
    by: By = "typed"


class LoopZone(Doc):
    """A zone of the coolant loop: an emitter with its pipe, flow and return together."""

    id: Id
    name: Name
    emitter: Literal["fan_coil", "convector", "floor", "exchanger", "calorifier"] = "fan_coil"
    zone: ZoneName = "living"
    rated_w: float = Field(ge=1, le=50000)
    ua_w_k: float | None = Field(None, ge=0.1, le=50000)
    area_m2: float | None = Field(None, ge=0.001, le=50)
    floor_c: float = Field(27, ge=15, le=45)
    pipe_length_m: float = Field(ge=0.01, le=200)
    elbows: Whole = Field(0, ge=0, le=100)
    drop_kpa: float = Field(3, ge=0, le=200)
    open: bool = True


class CoolantLoop(Doc):
    """The coolant loop of a coolant heater: fluid, pipe, pump, header tank; its zones lie beside each other."""

    fluid: FluidKey = "pg50"
    pipe_inner_mm: float = Field(16, ge=4, le=100)
    delta_t_k: float = Field(10, ge=0.5, le=60)
    supply_c: float = Field(70, ge=25, le=95)
    pump_head_max_m: float | None = Field(None, ge=0.01, le=100)
    pump_flow_max_l_min: float | None = Field(None, ge=0.01, le=500)
    volume_l: float = Field(8, ge=0.01, le=200)
    header_space_l: float | None = Field(None, ge=0, le=50)
    high_point_without_bleed: bool = False
    double_wall: bool = False
    mixing_valve: bool = False
    hot_water_l_min: float = Field(2.5, ge=0.01, le=60)
    zones: list[LoopZone] = Field([], max_length=20)

    @model_validator(mode="after")
    def _pump(self) -> Self:
        unique_ids(z.id for z in self.zones)
        if (self.pump_head_max_m is None) != (self.pump_flow_max_l_min is None):
            raise wrong("pump_head_max_m" if self.pump_head_max_m is None else "pump_flow_max_l_min", says("pump-has-largest-head"))
        return self


class Vent(Doc):
    """A way for air: a fan, or a fixed vent. ``free_area_mm2`` is free of mesh and blades; ``at_night``: it runs or stands open while people sleep."""

    id: Id
    name: Name
    kind: Literal["roof_fan", "wall_fan", "extract", "fixed_roof", "fixed_wall_high", "fixed_low", "window"] = "roof_fan"
    free_area_mm2: float = Field(ge=1, le=4e6)
    flow_max_m3_h: float | None = Field(None, ge=0.1, le=20000)
    pressure_max_pa: float = Field(40, ge=1, le=2000)
    power_max_w: float | None = Field(None, ge=0, le=2000)
    speed_frac: float = Field(1, ge=0, le=1)
    at_night: bool = False
    closable: bool = False
    door_gap: bool = True

    @property
    def is_fan(self) -> bool:
        """Whether it moves air by itself."""
        return self.kind in ("roof_fan", "wall_fan", "extract")

    @model_validator(mode="after")
    def _fan(self) -> Self:
        if self.is_fan and self.flow_max_m3_h is None:
            raise wrong("flow_max_m3_h", says("fan-give-free-flow", self_name=self.name))
        return self


class Damp(Doc):
    """What gives off moisture in a day, beside the people; None: not said yet."""

    meals_per_day: float | None = Field(None, ge=0, le=20)
    showers_per_day: float | None = Field(None, ge=0, le=20)
    wet_clothes_kg_per_day: float = Field(0, ge=0, le=50)
    wet_coats_per_day: float = Field(0, ge=0, le=50)
    dogs: Whole = Field(0, ge=0, le=20)
    hob_kw: float = Field(0, ge=0, le=20)
    hob_h_per_day: float = Field(0, ge=0, le=24)
    hob_fuel: Literal["propane", "butane", "ethanol"] = "propane"
    hob_heats: bool = False


class Cooler(Doc):
    """An air conditioner, run between two hours of the day, on a hook-up only or on the bank too; ``appliance`` is its line in Life."""

    name: Name
    part: PartKey | None = None
    capacity_w: float = Field(ge=10, le=20000)
    eer: float = Field(2.6, ge=0.3, le=10)
    supply: Literal["native", "inverter"] = "native"
    compressor: Literal["fixed", "variable"] = "variable"
    hose_flow_m3_h: float = Field(0, ge=0, le=2000)
    fan_power_w: float = Field(20, ge=0, le=1000)
    set_c: float = Field(26, ge=16, le=35)
    hours_wanted: float = Field(8, ge=0, le=24)
    from_h: float = Field(0, ge=0, le=24)
    to_h: float = Field(24, ge=0, le=24)
    hookup_only: bool = False
    mass_kg: float | None = Field(None, ge=0, le=200)
    appliance: Id | None = None
    by: By = "typed"


class Cabinet(Doc):
    """A closed space with something hot in it."""

    id: Id
    name: Name
    heat_w: float = Field(ge=0, le=5000)
    max_c: float = Field(40, ge=-20, le=90)
    stack_height_m: float = Field(0.4, ge=0.01, le=3)
    case_area_m2: float = Field(0, ge=0, le=50)
    low_mm2: float | None = Field(None, ge=0, le=1e6)
    high_mm2: float | None = Field(None, ge=0, le=1e6)
    absorption_fridge: bool = False
    sealed_from_room: bool = True


class Bay(Doc):
    """A space between indoors and outdoors: tank bay, garage. ``water``: it must not freeze."""

    id: Id
    name: Name
    ua_to_living_w_k: float = Field(ge=0, le=1000)
    ua_to_outside_w_k: float = Field(ge=0.01, le=1000)
    heat_w: float = Field(0, ge=0, le=10000)
    water: bool = True


class Drying(Doc):
    """A drying cupboard: water to take out of wet things in some hours, by a fan's air, warmed by a duct or not."""

    name: Name = "Drying cupboard"
    water_g: float = Field(ge=0, le=50000)
    hours: float = Field(ge=0.01, le=24)
    flow_m3_h: float = Field(ge=0.1, le=2000)
    duct: Id | None = None
    vented: Literal["outside", "inside"] = "outside"


class Alarm(Doc):
    """A CO, smoke or gas alarm and where it hangs, as measured in mm."""

    id: Id
    kind: Literal["co", "smoke"]
    mounting: Literal["ceiling", "wall"] = "wall"
    burner_mm: Mm | None = None
    below_ceiling_mm: Mm | None = None
    wall_mm: Mm | None = None
    name: Name = "Alarm"


class Warmth(Doc):
    """Warmth and air. Temperatures in °C; None means: assumed from place and vehicle."""

    indoor_temp_c: float | None = Field(None, ge=5, le=30)
    night_temp_c: float | None = Field(None, ge=0, le=30)
    design_cold_c: float | None = Field(None, ge=-60, le=20)
    design_hot_c: float | None = Field(None, ge=15, le=60)
    leak_per_h: float | None = Field(None, ge=0.05, le=20)
    margin_frac: float = Field(0.2, ge=0, le=2)
    colour: Colour = "white"
    heading_deg: float = Field(0, ge=0, le=360)
    left_alone: bool = False
    school: School = "closed_cell"
    taper_frac: float | None = Field(None, ge=0.5, le=1)
    cab: Cab | None = None
    tallest_m: float | None = Field(None, ge=0.5, le=2.3)
    build_ups: list[BuildUp] = Field([], max_length=40)
    surfaces: list[SurfaceChoice] = Field([], max_length=80)
    openings: list[Opening] = Field([], max_length=80)
    slide_outs: list[SlideOutDoc] = Field([], max_length=4)
    pop_top: PopTopDoc | None = None
    heaters: list[Heater] = Field([], max_length=4)
    ducts: list[WarmDuct] = Field([], max_length=20)
    return_area_mm2: float | None = Field(None, ge=1, le=1e6)
    return_from: Literal["living", "gas_locker", "engine", "outside"] = "living"
    loop: CoolantLoop | None = None
    vents: list[Vent] = Field([], max_length=30)
    damp: Damp = Damp()
    cooler: Cooler | None = None
    cabinets: list[Cabinet] = Field([], max_length=20)
    bays: list[Bay] = Field([], max_length=20)
    drying: Drying | None = None
    alarms: list[Alarm] = Field([], max_length=20)
    note: Note = ""

    @model_validator(mode="after")
    def _links(self) -> Self:
        for items in (
            self.build_ups,
            self.surfaces,
            self.openings,
            self.slide_outs,
            self.heaters,
            self.ducts,
            self.vents,
            self.cabinets,
            self.bays,
            self.alarms,
        ):
            unique_ids(x.id for x in items)
        if self.design_cold_c is not None and self.design_cold_c >= min(self.indoor_temp_c or 20, self.night_temp_c or 16):
            raise wrong("design_cold_c", says("must-be-colder-than"))
        builds = {b.id for b in self.build_ups}
        for s in self.surfaces:
            if s.build_up is not None and s.build_up not in builds:
                raise wrong("build_up", says("surface-names-build-up", s_id=s.id, build_up=s.build_up))
        self._duct_tree()
        return self

    @property
    def blower(self) -> Heater | None:
        """The heater that blows into the ducts."""
        return next((h for h in self.heaters if h.air_flow_m3_h is not None), None)

    def _duct_tree(self) -> None:
        ducts = {d.id: d for d in self.ducts}
        for d in self.ducts:
            seen, at = {d.id}, d
            while at.parent is not None:
                if at.parent not in ducts:
                    raise wrong("parent", says("duct-branches-off-which", at_name=at.name, parent=at.parent))
                if at.parent in seen:
                    raise wrong("parent", says("duct-branches-off-itself", d_name=d.name))
                at = ducts[at.parent]
                seen.add(at.id)
        if self.drying is not None and self.drying.duct is not None and self.drying.duct not in ducts:
            raise wrong("duct", says("names-duct-which-does", drying_name=self.drying.name, duct=self.drying.duct))

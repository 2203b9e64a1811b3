"""Kinds of facts: readings of circuits, pressure tests of water and gas, readings of gas, and the look before a trip."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import Doc, Id, Name, Note
from bothy.core.words.says import facts_says as says

Person = Annotated[str, Field(max_length=120)]
Day = Annotated[str, Field(max_length=40)]
PRE_TRIP = ("shut", "hose", "regulator", "drain", "bubbles", "alarms", "flames", "solenoid", "off")
"""What is looked at before a trip (method gas.lines)."""
PreTrip = Literal["shut", "hose", "regulator", "drain", "bubbles", "alarms", "flames", "solenoid", "off"]


class Reading(Doc):
    """What was measured on one circuit: the loop before power came on; volts and amps at the same moment, load on."""

    circuit: Id
    source_voltage_v: float | None = Field(None, ge=0.5, le=100)
    load_voltage_v: float | None = Field(None, ge=0, le=300)
    current_a: float | None = Field(None, ge=-1000, le=1000)
    loop_mohm: float | None = Field(None, ge=0, le=1e12)
    shunt_a: float | None = Field(None, ge=-2000, le=2000)
    """What the battery monitor changed by when the circuit was switched on."""
    taken_at: str = Field("", max_length=40)
    taken_by: str = Field("", max_length=80)
    note: Note = ""


class HoldTest(Doc):
    """A pressure-hold test as it was done."""

    id: Id
    name: Name = says("pressure-test-2")
    on: Day = ""
    who: Person = ""
    medium: Literal["water", "air"] = "water"
    start_kpa: float = Field(ge=1, le=1000)
    end_kpa: float = Field(ge=0, le=1000)
    duration_min: float = Field(30, ge=0.01, le=1440)
    start_temp_c: float = Field(15, ge=-20, le=60)
    end_temp_c: float | None = Field(None, ge=-20, le=60)
    pipe_type: Literal["rigid", "plastic"] = "plastic"
    gas_volume_l: float | None = Field(None, ge=0.01, le=500)

    @model_validator(mode="after")
    def _volume(self) -> Self:
        if self.medium == "air" and self.gas_volume_l is None:
            raise wrong("gas_volume_l", says("required-for-test-with"))
        return self


class GasTest(Doc):
    """A leak test by pressure drop as it was done; ``system`` is what was tested, a mark for each part."""

    id: Id
    name: Name = says("leak-test-2")
    on: Day = ""
    who: Person = ""
    licence: Person = ""
    signed: bool = False
    instrument: Person = ""
    test_gas: Literal["air", "lpg"] = "air"
    start_mbar: float = Field(ge=1, le=1000)
    end_mbar: float = Field(ge=0, le=1000)
    duration_min: float = Field(5, ge=0.01, le=1440)
    stabilise_min: float = Field(5, ge=0, le=1440)
    start_temp_c: float = Field(15, ge=-20, le=60)
    end_temp_c: float | None = Field(None, ge=-20, le=60)
    baro_start_mbar: float | None = Field(None, ge=500, le=1100)
    baro_end_mbar: float | None = Field(None, ge=500, le=1100)
    gauge_resolution_mbar: float = Field(0.1, ge=0.001, le=50)
    isolated: bool = False
    extra_volume_l: float = Field(0, ge=0, le=100)
    system: dict[str, Annotated[str, Field(max_length=40)]] = {}

    @model_validator(mode="after")
    def _system(self) -> Self:
        if len(self.system) > 100:
            raise wrong("system", says("holds-at-most-parts"))
        return self


class GasCheck(Doc):
    """A reading at working pressure: mbar at the far appliance with everything burning, mbar with all off, or seconds until a flame's valve drops."""

    id: Id
    kind: Literal["working", "lock_up", "flame_failure"] = "working"
    appliance: Id | None = None
    value: float = Field(ge=0, le=1000)
    on: Day = ""
    who: Person = ""


class StepRecord(Doc):
    """A step of commissioning as it was done: a look (``ok``) or a ``value`` in the step's unit, with which meter, by whom; ``cleared`` names who cleared
    a danger. What a simulation gave is no record."""

    id: Annotated[str, Field(min_length=1, max_length=60)]
    ok: bool | None = None
    value: float | None = Field(None, ge=-1e6, le=1e13)
    irradiance_w_m2: float | None = Field(None, ge=0, le=1500)
    ambient_temp_c: float | None = Field(None, ge=-40, le=70)
    meter: Person = ""
    meter_cat_v: float | None = Field(None, ge=0, le=2000)
    accuracy_frac: float | None = Field(None, ge=0, le=0.5)
    resolution: float | None = Field(None, ge=0, le=1e6)
    who: Person = ""
    licence: Person = ""
    on: Day = ""
    note: Note = ""
    accepted: bool = False
    """A marginal reading that was taken as it is, with a note."""
    cleared: Person = ""
    simulated: bool = False

    @model_validator(mode="after")
    def _real(self) -> Self:
        if self.simulated:
            raise wrong("simulated", says("simulated-value-proves-nothing"))
        if self.accepted and not self.note.strip():
            raise wrong("note", says("required-where-marginal-reading"))
        return self


class Repair(Doc):
    """A fault that was found and mended: of what, which cause, and the earliest stage that it touched, from which it is proved again."""

    id: Id
    subject: Annotated[str, Field(min_length=1, max_length=60)]
    cause: Annotated[str, Field(min_length=1, max_length=60)]
    name: Name = "Repair"
    stage: Literal["s0", "s1", "s2", "s3", "s4", "s5", "s6", "s7", "s8", "s9", "s10", "s11", "s12", "s13", "s14", "s15", "s16"] = "s0"
    on: Day = ""
    who: Person = ""
    minutes: float | None = Field(None, ge=0, le=1e5)
    note: Note = ""


class Photo(Doc):
    """A photograph that was taken: of which thing (a task, a step, something behind a wall, a circuit), in which zone, when and by whom."""

    id: Id
    sha256: Annotated[str, Field(pattern="^[0-9a-f]{64}$")]
    subject: Annotated[str, Field(min_length=1, max_length=80)]
    zone: Annotated[str, Field(max_length=40)] = ""
    on: Day = ""
    who: Person = ""
    note: Note = ""
    width: Whole = Field(ge=1, le=20000)
    height: Whole = Field(ge=1, le=20000)


class LogEntry(Doc):
    """A stretch of work on a task: the day, hours of all who worked, how far the task is then (1: done; where that isn't said, the share of its items
    that are ticked, or done where it ticks none), which of its items it ticks, and a note."""

    id: Id
    task: str = Field(min_length=1, max_length=80)
    name: Name = "Work"
    on: Day = ""
    hours: float = Field(ge=0, le=200)
    done_frac: float | None = Field(None, ge=0, le=1)
    items: list[Annotated[str, Field(min_length=1, max_length=80)]] = Field([], max_length=200)
    temp_c: float | None = Field(None, ge=-40, le=60)
    """Air in which a bond, bead or film was made; with ``rh_frac`` its humidity."""
    rh_frac: float | None = Field(None, ge=0.01, le=1)
    who: Person = ""
    note: Note = ""


class Seen(Doc):
    """What was seen of a thing behind a wall: labelled, photographed; a fault that is waived has a reason and a name."""

    id: Annotated[str, Field(min_length=1, max_length=60)]
    done: bool = False
    tested: bool = False
    labelled: bool = False
    photo: bool = False
    waived: Note = ""
    who: Person = ""
    on: Day = ""

    @model_validator(mode="after")
    def _named(self) -> Self:
        if self.waived and not self.who.strip():
            raise wrong("who", says("required-for-waiver-whoever"))
        return self


class Closing(Doc):
    """A surface that was closed at a layer, by whom; ``opened``: it was opened again."""

    id: Annotated[str, Field(min_length=1, max_length=60)]
    on: Day = ""
    who: Person = ""
    opened: bool = False
    note: Note = ""


class Purchase(Doc):
    """A line of the shopping list as it was bought: what it cost, when it was ordered and came, what was short or broken, its serial number."""

    id: Annotated[str, Field(min_length=1, max_length=60)]
    name: Name = "Goods"
    status: Literal["ordered", "received", "fitted", "returned", "spare"] = "ordered"
    supplier: Person = ""
    ordered_on: Day = ""
    received_on: Day = ""
    due_on: Day = ""
    """The day for which it, or what is short of it, is promised."""
    price: float | None = Field(None, ge=0, le=1e6)
    expected: float | None = Field(None, ge=0, le=1e6)
    received: float | None = Field(None, ge=0, le=1e6)
    damaged: float = Field(0, ge=0, le=1e6)
    serial: Person = ""
    warranty_months: float | None = Field(None, ge=0, le=600)
    return_days: Whole | None = Field(None, ge=0, le=366)
    """Days after it came in which the shop takes it back."""
    note: Note = ""


class Stock(Doc):
    """What lies in stock of a line of the shopping list: an offcut (``unit`` m: one piece of that length), a sheet, or so many pieces; and where it lies."""

    id: Id
    line: Annotated[str, Field(min_length=1, max_length=60)]
    name: Name = "Goods"
    amount: float = Field(gt=0, le=1e5)
    unit: Literal["m", "m²", "mL", ""] = "m"
    place: Person = ""
    on: Day = ""
    note: Note = ""


class Quote(Doc):
    """What a supplier asks for a line of the shopping list: the price of all of it, the days until it is here, and until when that holds."""

    id: Annotated[str, Field(min_length=1, max_length=60)]
    supplier: Annotated[str, Field(min_length=1, max_length=120)]
    price: float = Field(ge=0, le=1e6)
    lead_days: Whole | None = Field(None, ge=0, le=365)
    in_stock: bool | None = None
    pack: Annotated[str, Field(max_length=80)] = ""
    on: Day = ""
    until: Day = ""


class Punch(Doc):
    """A small thing that was seen and is still to be mended; ``must``: before it is handed over. ``done_on``: the day it was."""

    id: Id
    name: Name
    zone: Annotated[str, Field(max_length=40)] = ""
    must: bool = False
    on: Day = ""
    done_on: Day = ""
    who: Person = ""
    note: Note = ""


class AsBuilt(Doc):
    """Something that was built otherwise than it was designed: of what, which of its values, what was designed, what was built, and why."""

    id: Id
    of: Annotated[str, Field(min_length=1, max_length=80)]
    name: Name
    value: Annotated[str, Field(min_length=1, max_length=40)]
    designed: Annotated[str, Field(max_length=80)] = ""
    built: Annotated[str, Field(min_length=1, max_length=80)]
    reason: Note = ""
    on: Day = ""
    who: Person = ""


class Paper(Doc):
    """A certificate or declaration as it was signed: by whom, with which licence and number, on which day; ``signature``: a picture of it
    among the photographs, by its hash. Only whoever signed it enters it."""

    id: Annotated[str, Field(min_length=1, max_length=40)]
    name: Annotated[str, Field(min_length=1, max_length=120)]
    licence: Person = ""
    number: Person = ""
    on: Day = ""
    signature: Annotated[str, Field(pattern="^([0-9a-f]{64})?$")] = ""

    @model_validator(mode="after")
    def _licensed(self) -> Self:
        if self.id in ("mains", "gas", "seats") and not self.licence.strip():
            raise wrong("licence", says("required-number-licence-whoever"))
        return self


class Service(Doc):
    """A piece of maintenance that was done; ``count``: what its counter said (hours, litres, cycles)."""

    id: Id
    item: Annotated[str, Field(min_length=1, max_length=40)]
    on: Day = ""
    who: Person = ""
    odometer_km: float | None = Field(None, ge=0, le=1e7)
    count: float | None = Field(None, ge=0, le=1e7)
    cost: float | None = Field(None, ge=0, le=1e6)
    note: Note = ""


class Weighing(Doc):
    """What a weighbridge said, kg; ``left_kg`` where each side was weighed. ``loaded`` is the loading of Fit that it was weighed in.

    ``booked``: what the scale found over the model counts in it from now on.
    """

    id: Id
    name: Name = "Weighbridge"
    on: Day = ""
    who: Person = ""
    front_kg: float = Field(ge=0, le=60000)
    rear_kg: float = Field(ge=0, le=60000)
    left_kg: float | None = Field(None, ge=0, le=60000)
    resolution_kg: float = Field(10, ge=0, le=200)
    loaded: Annotated[str, Field(max_length=40)] | None = None
    booked: bool = False

    @model_validator(mode="after")
    def _some(self) -> Self:
        if self.front_kg + self.rear_kg <= 0:
            raise wrong("front_kg", says("give-what-front-and"))
        if self.left_kg is not None and self.left_kg > self.front_kg + self.rear_kg:
            raise wrong("left_kg", says("one-side-cant-weigh", front_kg=self.front_kg + self.rear_kg))
        return self

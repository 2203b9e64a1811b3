"""What all parts of the design document share."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, StringConstraints

Id = Annotated[str, StringConstraints(pattern=r"^[a-z0-9][a-z0-9_-]{0,39}$")]
Name = Annotated[str, Field(min_length=1, max_length=120)]
Note = Annotated[str, Field(max_length=1000)]
PartKey = Annotated[str, StringConstraints(pattern=r"^[a-z0-9][a-z0-9_-]{0,59}$")]
By = Literal["typed", "proposal"]


class Doc(BaseModel):
    """A part of the design document: SI units, unknown keys and NaN refused, None = not said yet."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, frozen=True)

    @property
    def begun(self) -> bool:
        """Whether anything was said of it."""
        return self != type(self)()

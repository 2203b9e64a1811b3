"""Hand over: the calculators of the field."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.handover import maintenance

TABLE = (
    Calculator(
        "maintenance-due",
        "handover",
        maintenance.MaintenanceDueIn,
        maintenance.MaintenanceDueOut,
        maintenance.maintenance_due,
        {
            "today": "2027-06-01",
            "odometer_km": 48200,
            "km_per_day": 40,
            "items": [{"id": "retorque", "interval_km": 500, "last_date": "2027-05-20", "last_km": 47850}, {"id": "alarms", "interval_months": 1}],
        },
        "maintenance-due",
    ),
)

"""The functional core: `design (+ catalogue, climate, region) -> report`. No web, no database, no clock."""

"""The catalogue: parts of invented makers and the climates; typed readers over data/*.csv."""

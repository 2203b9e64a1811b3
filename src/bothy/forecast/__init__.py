"""Forecasts for the days that are near: a client for a forecast service on this machine, and a small process that stands in for one."""

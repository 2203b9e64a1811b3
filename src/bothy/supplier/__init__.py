"""Quotes for what a design needs: a client for a parts supplier's service on this machine, and a small process that stands in for one."""

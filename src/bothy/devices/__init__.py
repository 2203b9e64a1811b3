"""Devices on this machine: the open protocol, stand-ins that speak it, and the client that listens. See docs/devices.md."""

"""Settings from the environment; every one has a default that works on one machine."""

from __future__ import annotations

from pydantic_settings import BaseSettings, SettingsConfigDict


class Settings(BaseSettings):
    """``BOTHY_DATABASE_URL`` points at an existing server; hosts are the names the server answers to; fonts is the folder of the whole fonts for PDF."""

    model_config = SettingsConfigDict(env_prefix="BOTHY_")

    database_url: str = "mariadb+pymysql://bothy@127.0.0.1:33306/bothy?charset=utf8mb4"
    hosts: str = "127.0.0.1,localhost,[::1]"
    max_body_bytes: int = 32_000_000
    dask: str = ""
    """Address of a Dask scheduler for large sweeps, like ``tcp://127.0.0.1:8786``; empty: threads of this process."""
    forecast_url: str = "http://127.0.0.1:8091"
    """A forecast service on this machine; when nobody answers there, runs do without it."""
    supplier_url: str = "http://127.0.0.1:8092"
    """A parts supplier's service on this machine, asked for quotes at a press."""
    front_end: str = "web/dist"
    method: str = "docs/method"
    """The folder of the method's pages."""
    fonts: str = "web/node_modules/inter-ui/web"
    log_requests: bool = True
    log_file: str = ""
    """Where the lines of requests go; it starts anew at 5 MB and three older ones are kept. Empty: standard output."""
    devices_port: int = 47600
    """Where devices of this machine are listened to, once somebody looks at live values."""
    backup_note: str = ""
    """The file that says when the last backup was made; empty: nobody knows."""
    token: str = ""
    """When set, a browser must have come once by an address that ends in ``?token=…``."""

"""The store: projects, variants and immutable revisions in MariaDB."""

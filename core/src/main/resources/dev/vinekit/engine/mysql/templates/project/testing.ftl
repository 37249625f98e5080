 They need an installed MySQL server: its program `mysqld`
runs on a temporary directory.
 They need an installed MariaDB server: its programs
`mariadb-install-db` and `mariadbd` run on a temporary directory.
<#assign server = {
    "name": "mariadb",
    "title": "MariaDB",
    "installed": "The programs of the server must be installed: {@code mariadb-install-db} and {@code mariadbd}.",
    "installation": "mariadb-install-db",
    "installationOptions": '"--auth-root-authentication-method=normal", "--skip-test-db"',
    "program": "mariadbd",
    "options": '"--secure-file-priv=" + Files.createDirectory(directory.toPath().resolve("nothing"))',
    "withoutUsers": ["DELETE FROM mysql.global_priv WHERE User <> 'mariadb.sys';", "FLUSH PRIVILEGES;"],
    "urlOptions": "&allowLocalInfile=false"
}>

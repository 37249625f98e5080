<#assign server = {
    "name": "mysql",
    "title": "MySQL",
    "installed": "The program of the server must be installed: {@code mysqld}.",
    "installation": "mysqld",
    "installationOptions": '"--initialize-insecure"',
    "program": "mysqld",
    "options": '"--secure-file-priv=NULL", "--mysqlx=OFF", "--performance-schema=OFF", "--loose-restrict-fk-on-non-standard-key=OFF"',
    "withoutUsers": ["DROP USER root@localhost;"],
    "urlOptions": "&openTelemetry=DISABLED"
}>

 That database is one
of yours, made for the tests and empty: `TEST_DB_URL`, `TEST_DB_USER` and `TEST_DB_PASSWORD` name it. Add the JDBC driver to
`pom.xml` first.
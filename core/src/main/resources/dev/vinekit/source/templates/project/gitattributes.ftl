# A line for each table: where two branches each add a table, both lines stay.
src/main/resources/META-INF/services/* merge=union
src/test/java/**/support/Tables.java merge=union
README.md merge=union

# Written anew by each generation: after a merge, generate, and commit what it wrote.
src/main/resources/openapi.json -merge
src/main/resources/db/*.sql -merge

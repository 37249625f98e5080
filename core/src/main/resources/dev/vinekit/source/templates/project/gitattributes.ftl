# A line for each table: where two branches each add a table, both lines stay.
src/main/resources/META-INF/services/* merge=union
src/test/java/**/support/Tables.java merge=union
README.md merge=union

# Written anew by each generation: after a merge, generate, and commit what it wrote.
.vinekit/generated.json.xz binary
.vinekit/schema.json -merge
src/main/resources/openapi.json -merge
src/main/resources/db/*.sql -merge

# ${s.artifact}

A service with create, read, update and delete endpoints for ${s.entities?size} tables and views of ${s.engineTitle} database.
Java 17, Jakarta REST and Jakarta Validation, JDBC. Everything here is plain source code: read it, change it.

## Test

    mvn verify

The tests make a database of their own from `src/main/resources/db/schema.sql` and `seed.sql`, start the service on a
free port, and leave nothing behind.<#include "testing.ftl">

## Run

    DB_URL=${s.exampleUrl} DB_USER=... DB_PASSWORD=... mvn -q compile exec:java

Then open http://localhost:8080${s.basePathText}/.

| variable | default | what |
|---|---|---|
| `DB_URL` | | JDBC URL of the database |
| `DB_USER`, `DB_PASSWORD` | empty | the login |
| `DB_POOL_SIZE` | 10 | connections kept at most |
| `HTTP_HOST` | localhost | address to listen on; 0.0.0.0 for all |
| `HTTP_PORT` | 8080 | port to listen on; 0 picks a free one |
| `HTTP_BASE_PATH` | ${s.basePathText} | what every path begins with |
| `LOG_LEVEL` | INFO | DEBUG, INFO, WARN or ERROR |
| `SQL_LOG` | INFO | DEBUG shows the text of each statement, never its values |

There is no access control: everyone who reaches the port may read and write.

## What there is

| table or view | entity | path | operations |
|---|---|---|---|
<#list s.entities as e>
| ${e.table} | `${e.name}` | `${s.basePathText}/${e.pathText}` | ${e.operationList} |
</#list>

| <#if s.byTable>class<#else>package</#if> | holds |
|---|---|
| `entity` | a record for each table, with a component for each column |
| `dto` | what a client may send, with the rules that the database's constraints imply |
| `repository` | the SQL |
| `service` | transactions, and rules over several fields |
| `controller` | the HTTP interface |
| `support` | what all tables share |
<#if s.remarks?has_content>

## Good to know

<#list s.remarks as r>
- ${r.table}: ${r.text}
</#list>
</#if>

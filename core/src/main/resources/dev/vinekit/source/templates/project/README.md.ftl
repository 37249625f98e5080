# ${s.artifact}

A service with create, read, update and delete endpoints for ${s.entities?size} tables and views of ${s.engineTitle} database.
Java 17, Jakarta REST and Jakarta Validation, JDBC. Everything here is plain source code: read it, change it.

## Test

    mvn verify

The tests make a database of their own from `src/main/resources/db/schema.sql` and `seed.sql`, start the service on a
free port, and leave nothing behind. A build server calls `sh verify.sh`.<#include "testing.ftl">

## Run

    DB_URL=${s.exampleUrl} DB_USER=... DB_PASSWORD=... mvn -q compile exec:java

Then open http://localhost:8080${s.basePathText}/.

| variable | default | what |
|---|---|---|
| `DB_URL` | | JDBC URL of the database |
| `DB_USER`, `DB_PASSWORD` | empty | the login |
| `DB_POOL_SIZE` | 10 | connections kept at most; one more for `/health` |
| `DB_POOL_WAIT_SECONDS` | 5 | how long a request waits for one |
| `DB_STATEMENT_SECONDS` | 30 | how long a statement may take |
| `DB_MAX_SCANS` | half of the pool | lists at a time that search in texts, or count |
| `HTTP_HOST` | localhost | address to listen on; 0.0.0.0 for all |
| `HTTP_PORT` | 8080 | port to listen on; 0 picks a free one |
| `HTTP_BASE_PATH` | ${s.basePathText} | what every path begins with |
| `HTTP_THREADS` | 64 | requests worked on at a time, where Java has no virtual threads |
| `HTTP_MAX_BODY_BYTES`, `HTTP_MAX_URL_BYTES`, `HTTP_MAX_HEADER_BYTES` | 1000000, 8000, 16000 | greater requests are refused |
<#if s.withPage>
| `HTTP_PAGE` | true where only this machine reaches the service | whether there is a page with the rows, forms and requests at `/` |
</#if>
| `HTTP_MAX_BYTES_COMING`, `HTTP_MAX_BYTES_GOING` | a 64th, an 8th of the heap | of all bodies, and of all answers, in work together; beyond it 503 |
| `HTTP_MAX_CONNECTIONS`, `HTTP_MAX_REQUESTS` | by the heap, at most 10000; 1000 | at a time; more requests get 503 |
| `HTTP_REQUEST_SECONDS`, `HTTP_ANSWER_SECONDS` | 30, 60 | within which a request must have come, and an answer must have been read |
| `HTTP_IDLE_SECONDS` | 60 | a client that sends or reads nothing for so long is cut off |
| `HTTP_HOSTS` | those of this machine alone | names that requests may call the service by, with commas between; any where `HTTP_HOST` is another |
| `HTTP_STOP_SECONDS` | 20 | how long running requests may go on when the service is stopped |
| `LOG_LEVEL` | INFO | DEBUG, INFO, WARN or ERROR |
| `SQL_LOG` | INFO | DEBUG shows each statement with its time, TRACE its values too |
| `ACCESS_LOG` | INFO | OFF leaves out the line for each request |
<#if s.secured>
| `AUTH_SECRET` | | the secret that signs tokens (HS256), 32 bytes or more |
| `AUTH_KEYS` | | file or URL of a JSON Web Key Set whose keys sign tokens (RS256, ES256); this or the secret must be set |
| `AUTH_AUDIENCE`, `AUTH_ISSUER` | any | what tokens must say |
| `AUTH_ROLES_CLAIM` | roles | where a token has its roles |
| `AUTH_CLOCK_SKEW_SECONDS` | 30 | by which clocks may differ |

Requests need a bearer token; `support/AccessRight` says which roles may do what.
<#else>

There is no access control: everyone who reaches the port may read and write.
</#if>

`GET ${s.basePathText}/openapi.json` describes the interface. How often a client may ask is left to the proxy in front.

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
| `registration` | what each table adds to the service |
| `support` | what all tables share |
<#if s.remarks?has_content>

## Good to know

<#list s.remarks as r>
- ${r.table}: ${r.text}
</#list>
</#if>

# ${s.artifact}

A service with create, read, update and delete endpoints for ${s.entities?size} tables and views of ${s.engineTitle} database.
Java 17, Jakarta REST and Jakarta Validation, JDBC. Everything here is plain source code: read it, change it.

## Test

    mvn verify

The tests make a database of their own from `src/main/resources/db/schema.sql` and `seed.sql`, start the service<#if s.server> on a
free port<#else>, as the
`ServiceStarter` of your own says</#if>, and leave nothing behind. A build server calls `sh verify.sh`.<#include "testing.ftl">

## Run

<#if s.server>
    DB_URL=${s.exampleUrl} DB_USER=... DB_PASSWORD=... mvn -q compile exec:java

Then open http://localhost:8080${s.basePathText}/.

## Deploy

`mvn package` makes `target/app`: the service's jar, and its libraries in `lib`. Copy the folder to where there is a Java of
version 17 or later, set the variables below, and

    java -jar ${s.artifact}.jar

<#if s.classArchive>
It starts in about half the time with its classes written down, once after each change:
`java -Xlog:disable -XX:ArchiveClassesAtExit=classes.jsa -jar ${s.artifact}.jar rehearse`, and `-XX:SharedArchiveFile=classes.jsa` at each
start.

</#if>
<#if s.container || s.systemd>
<#if s.container>`Containerfile` makes an image of it<#if s.systemd>, and `${s.artifact}.service` runs it under systemd</#if><#else>`${s.artifact}.service` runs it under systemd</#if>.

</#if>
`GET ${s.basePathText}/health/live` answers for as long as the service runs; `GET ${s.basePathText}/health` only while it can do its work and
wants to. On SIGTERM it says that it does not want to for `HTTP_LEAVE_SECONDS`, so that the proxy in front sends no more, then
finishes what it has, and ends. Twice the proxy's interval between checks is a good time.

<#if s.failover>
`DB_URL` may name several hosts in the form of the driver, or be several URLs with blanks between, of which connections are made to
the one that takes changes. A server that ends its connections, or has become a standby, is left at
once; work that was not committed is done again elsewhere, for three seconds, then answered with 503. Where the connection breaks
at the commit itself, the answer says that the change may have been done or not.

</#if>
<#if s.replicas>
With `DB_READ_URL`, the answer to a change has the header `Write-Position`. A client that sends it back as `Read-After` gets what
has at least that change; others get what is at most `DB_READ_LAG_SECONDS` old.

</#if>
## Settings
<#else>
An application of yours runs it: it gives `support/Application` its data source, and its Jakarta REST server the controllers and
providers of that.

    Application service = new Application(dataSource, dataSource, Settings.from(System.getenv()));
</#if>

| variable | default | what |
|---|---|---|
<#if s.server>
| `DB_URL` | | JDBC URL of the database<#if s.failover>; several, with blanks between, where another can take its place</#if> |
| `DB_USER`, `DB_PASSWORD` | empty | the login |
| `DB_POOL_SIZE` | 10 | connections kept at most; one more for `/health` |
| `DB_POOL_WAIT_SECONDS` | 5 | how long a request waits for one |
| `DB_STATEMENT_SECONDS` | 30 | how long a statement may take |
</#if>
<#if s.poolers>
| `DB_POOLER` | false | true behind a pooler that lends a connection for a transaction only, such as PgBouncer with `pool_mode = transaction`: nothing is set for a session, so give the login a limit by `ALTER ROLE ... SET statement_timeout` |
</#if>
<#if s.replicas>
| `DB_READ_URL` | none | JDBC URLs, with blanks between, of databases that follow this one: lists and single rows are read from them in turn, with the same login |
| `DB_READ_LAG_SECONDS` | 10 | how far they may be behind; one that is farther, or does not answer, is passed over |
</#if>
| `DB_MAX_SCANS` | <#if s.server>half of the pool<#else>5</#if> | lists at a time that search in texts, or count |
<#if s.server>
| `HTTP_HOST` | localhost | address to listen on; 0.0.0.0 for all |
| `HTTP_PORT` | 8080 | port to listen on; 0 picks a free one |
</#if>
| `HTTP_BASE_PATH` | ${s.basePathText} | what every path begins with |
<#if s.server>
| `HTTP_THREADS` | 64 | requests worked on at a time, where Java has no virtual threads |
| `HTTP_MAX_BODY_BYTES`, `HTTP_MAX_URL_BYTES`, `HTTP_MAX_HEADER_BYTES` | 1000000, 8000, 16000 | greater requests are refused |
<#else>
| `HTTP_MAX_BODY_BYTES` | 1000000 | greater bodies are refused |
</#if>
<#if s.withPage>
| `HTTP_PAGE` | true where only this machine reaches the service | whether there is a page with the rows, forms and requests at `/` |
</#if>
<#if s.server>
| `HTTP_MAX_BYTES_COMING`, `HTTP_MAX_BYTES_GOING` | a 64th, an 8th of the heap | of all bodies, and of all answers, in work together; beyond it 503 |
| `HTTP_MAX_CONNECTIONS`, `HTTP_MAX_REQUESTS` | by the heap, at most 10000; 1000 | at a time; more requests get 503 |
| `HTTP_MAX_WORKING` | 4 times `DB_POOL_SIZE` | requests worked on at a time; if there are more for longer than a moment, others get 503 at once |
| `HTTP_REQUEST_SECONDS`, `HTTP_ANSWER_SECONDS` | 30, 60 | within which a request must have come, and an answer must have been read |
| `HTTP_IDLE_SECONDS` | 60 | a client that sends or reads nothing for so long is cut off |
| `HTTP_HOSTS` | those of this machine alone | names that requests may call the service by, with commas between; any where `HTTP_HOST` is another |
| `HTTP_LEAVE_SECONDS` | 0 | how long the service goes on, and says that it is not ready, when it is stopped |
| `HTTP_STOP_SECONDS` | 20 | how long running requests may go on then |
| `HTTP_COMPRESSION` | true | whether long answers are compressed for clients that ask for it |
<#if s.cors>
| `HTTP_CORS_ORIGINS` | none | origins whose pages may use the service, with commas between; `*` for any |
</#if>
</#if>
| `LOG_LEVEL` | INFO | DEBUG, INFO, WARN or ERROR |
| `LOG_FORMAT` | text | json: an object on a line, with the identifier of the request |
<#if s.server && s.metrics>
| `METRICS_PORT` | that of the service | another port on which alone `/metrics` is, for Prometheus |
</#if>
| `SQL_LOG` | INFO | DEBUG shows each statement with its time, TRACE its values too |
<#if s.server>
| `ACCESS_LOG` | INFO | OFF leaves out the line for each request |
</#if>
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

import java.util.List;
import java.util.concurrent.Semaphore;
import javax.sql.DataSource;

/** The parts of the service, put together. */
public final class Application {
    private final List<Object> controllers;
    private final Settings settings;
<#if s.secured>
    private final AccessTokens tokens;
</#if>

    /**
     * The service on a database.
     *
     * @param readiness gives connections to see whether the database answers, however busy the others are
     * @param settings for HTTP<#if s.secured> and for tokens</#if>
     */
    public Application(DataSource dataSource, DataSource readiness, Settings settings) {
        this.settings = settings;
<#if s.secured>
        this.tokens = new AccessTokens(settings.access());
</#if>
        SqlErrors errors = new SqlErrors(List.of(
<#list s.constrained as e>
                ${e.name}Repository.CONSTRAINTS<#if e?has_next>,<#else>));</#if>
</#list><#if !s.constrained?has_content>                ));</#if>
        Transactions transactions = new Transactions(dataSource, errors, new Semaphore(settings.database().mostScans()));
<#list s.entities as e>
        ${e.name}Service ${e.serviceVariable} = new ${e.serviceClass}(transactions, new ${e.repositoryClass}());
</#list>
        controllers = List.of(
                new EntryPoint(List.of(<#if !s.listed?has_content>)),</#if>
<#list s.listed as e>
                        ${e.path}<#if e?has_next>,<#else>)),</#if>
</#list>
                new Health(readiness),
                new OpenApi(settings.http().basePath()),
<#list s.entities as e>
                new ${e.name}Controller(${e.serviceVariable}<#list e.childServices as c>, ${c.variable}</#list>)<#if e?has_next>,<#else>);</#if>
</#list>
    }

    /** The controllers: one for each table, and those for the entry point and the health check. */
    public List<Object> controllers() {
        return controllers;
    }

<#if s.secured>
    /** Who verifies tokens. */
    AccessTokens tokens() {
        return tokens;
    }

</#if>
    /** What reads requests, writes answers and reports errors, for any Jakarta REST server. */
    public List<Object> providers() {
        return List.of(new JsonProvider(settings.http().greatestBody()), new ProblemMapper()<#if s.secured>,
                new AccessFilter(tokens, settings.access().everywhere())</#if>, new KeyParameters());
    }
}

<#ftl attributes={"layer": "controller", "class": "*Controller",
    "files": "controllers",
    "locals": "body caller changed created deleted fields found headers included input inputs key limit location offset page parent patch precondition service uri wanted"}>
<#import "/shapes.ftl" as shape>
import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.ws.rs.Consumes;
import jakarta.ws.rs.DELETE;
import jakarta.ws.rs.Encoded;
import jakarta.ws.rs.GET;
import jakarta.ws.rs.PATCH;
import jakarta.ws.rs.POST;
import jakarta.ws.rs.PUT;
import jakarta.ws.rs.Path;
import jakarta.ws.rs.PathParam;
import jakarta.ws.rs.Produces;
import jakarta.ws.rs.core.Context;
import jakarta.ws.rs.core.HttpHeaders;
import jakarta.ws.rs.core.MediaType;
import jakarta.ws.rs.core.Response;
import jakarta.ws.rs.core.SecurityContext;
import jakarta.ws.rs.core.UriInfo;
<#include "/types.ftl">
<#assign caller = (s.secured && e.operations?has_content)?then(", @Context SecurityContext caller", "")>
<#assign passed = (s.secured && e.operations?has_content)?then(", caller", "")>
/** The HTTP face of ${e.title.plural}. */
@Path(${e.path})
@Produces(MediaType.APPLICATION_JSON)
public final class ${e.name}Controller {
<#if e.parts??>
    /** Who may list rows that are found by some fields, and no others. */
    private static final FinderRights FINDERS = FinderRights.unless(AccessRight.${e.parts.whole})
<#list e.parts.findings as f>
            .or(AccessRight.${f.right}, ${f.parameters})<#if f?is_last>;</#if>
</#list>

</#if>
    private final ${e.name}Service service;
<#list e.childServices as c>
    private final ${c.type} ${c.variable};
</#list>

    public ${e.name}Controller(${e.name}Service service<#list e.childServices as c>, ${c.type} ${c.variable}</#list>) {
        this.service = service;
<#list e.childServices as c>
        this.${c.variable} = ${c.variable};
</#list>
    }

<#if e.can("list")>
    @GET
<@shape.requires e.rights("list")/>
<@shape.cached e.cacheSeconds/>
    public Response list(@Context UriInfo uri${caller}) {
<#if e.parts??>
        FINDERS.verify(uri, caller, ${e.name}Repository.FILTERS);
</#if>
        PageRequest page = PageRequest.of(uri${passed}, ${e.name}.class, ${e.name}Repository.FILTERS, <@shape.includes e.includes?has_content e.name/>);
        return page.response(service.list(page.page()), <@shape.embedding e.includes?has_content "service"/>);
    }

</#if>
<#if e.can("create")>
    @POST
<@shape.requires e.rights("create")/>
    @Consumes(MediaType.APPLICATION_JSON)
<#if e.test.transactional>
    public Response create(OneOrMany<${e.name}Input> body, @Context UriInfo uri) {
        if (body.isMany()) {
            return Response.status(Response.Status.CREATED).entity(service.createAll(body.all())).build();
        }
        ${e.name} created = service.create(body.one());
<#else>
    public Response create(${e.name}Input input, @Context UriInfo uri) {
        ${e.name} created = service.create(input);
</#if>
<#if e.can("read")>
        return RowRequest.created(uri, <#if e.key?size == 1>PathKeys.join(${shape.keyOf("created")})<#else>${shape.keyOf("created")}.toString()</#if>, created);
<#else>
        return Response.status(Response.Status.CREATED).entity(created).build();
</#if>
    }

</#if>
<#if e.can("read")>
    @GET
    @Path("{key}")
<@shape.requires e.rights("read")/>
<@shape.cached e.cacheSeconds/>
    public Response read(<@shape.keyParameter/>, @Context UriInfo uri, @Context HttpHeaders headers${caller}) {
        RowRequest wanted = RowRequest.of(uri, headers${passed}, ${e.name}.class, <@shape.includes e.includes?has_content e.name/>);
        return wanted.response(service.find(${e.keyCode.variable}), <@shape.embedding e.includes?has_content "service"/>);
    }

</#if>
<#list e.children as c>
    @GET
    @Path(${c.path})
<@shape.requires c.rights/>
<@shape.cached c.cacheSeconds/>
    public Response ${c.method}(<@shape.keyParameter/>, @Context UriInfo uri${caller}) {
        ${e.name} parent = service.find(${e.keyCode.variable});
        PageRequest page = PageRequest.of(uri${passed}, ${c.type}.class, ${c.type}Repository.FILTERS, <@shape.includes c.included c.type/>);
        return page.response(${c.service}.${c.finder}(${c.values?map(name -> "parent.${name}()")?join(", ")}, page.page()), <@shape.embedding c.included c.service/>);
    }

</#list>
<#if e.can("replace")>
    @PUT
    @Path("{key}")
<@shape.requires e.rights("replace")/>
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(<@shape.keyParameter/>, ${e.name}Input input, @Context HttpHeaders headers) {
        return RowRequest.stored(service.replace(${e.keyCode.variable}, input, Precondition.of(headers)<#if e.guarded>.required()</#if>));
    }

</#if>
<#if e.can("patch")>
    @PATCH
    @Path("{key}")
<@shape.requires e.rights("patch")/>
    @Consumes(MergePatch.MEDIA_TYPE)
    public Response patch(<@shape.keyParameter/>, ObjectNode patch, @Context HttpHeaders headers) {
        return RowRequest.stored(service.patch(${e.keyCode.variable}, patch, Precondition.of(headers)<#if e.guarded>.required()</#if>));
    }

</#if>
<#if e.can("delete")>
    @DELETE
    @Path("{key}")
<@shape.requires e.rights("delete")/>
    public void delete(<@shape.keyParameter/>, @Context HttpHeaders headers) {
        service.delete(${e.keyCode.variable}, Precondition.of(headers)<#if e.guarded>.required()</#if>);
    }

</#if>
<#if e.can("restore")>
    @POST
    @Path("{key}/restoration")
<@shape.requires e.rights("restore")/>
    public Response restore(<@shape.keyParameter/>) {
        return RowRequest.stored(service.restore(${e.keyCode.variable}));
    }

</#if>
}

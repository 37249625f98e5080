<#ftl attributes={"layer": "controller", "class": "*Controller",
    "files": "controllers",
    "locals": "body caller changed created deleted fields found headers included input inputs key limit location offset page parent patch precondition service uri wanted"}>
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
<#if e.permission("list")??>
    ${e.permission("list")}
</#if>
    public Response list(@Context UriInfo uri${caller}) {
        PageRequest page = PageRequest.of(uri${passed}, ${e.name}.class, ${e.name}Repository.FILTERS, ${e.collectionCode.includes});
        return page.response(service.list(page.page()), ${e.collectionCode.embedding});
    }

</#if>
<#if e.can("create")>
    @POST
<#if e.permission("create")??>
    ${e.permission("create")}
</#if>
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
        return RowRequest.created(uri, ${e.keyCode.createdSegment}, created);
<#else>
        return Response.status(Response.Status.CREATED).entity(created).build();
</#if>
    }

</#if>
<#if e.can("read")>
    @GET
    @Path("{key}")
<#if e.permission("read")??>
    ${e.permission("read")}
</#if>
    public Response read(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, @Context UriInfo uri, @Context HttpHeaders headers${caller}) {
        RowRequest wanted = RowRequest.of(uri, headers${passed}, ${e.name}.class, ${e.collectionCode.includes});
        return wanted.response(service.find(${e.keyCode.variable}), ${e.collectionCode.embedding});
    }

</#if>
<#list e.children as c>
    @GET
    @Path(${c.path})
<#if c.permission??>
    ${c.permission}
</#if>
    public Response ${c.method}(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, @Context UriInfo uri${caller}) {
        ${e.name} parent = service.find(${e.keyCode.variable});
        PageRequest page = PageRequest.of(uri${passed}, ${c.type}.class, ${c.type}Repository.FILTERS, ${c.collection.includes});
        return page.response(${c.rows}, ${c.collection.embedding});
    }

</#list>
<#if e.can("replace")>
    @PUT
    @Path("{key}")
<#if e.permission("replace")??>
    ${e.permission("replace")}
</#if>
    @Consumes(MediaType.APPLICATION_JSON)
    public Response replace(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input, @Context HttpHeaders headers) {
        return RowRequest.stored(service.replace(${e.keyCode.variable}, input, Precondition.of(headers)<#if e.guarded>.required()</#if>));
    }

</#if>
<#if e.can("patch")>
    @PATCH
    @Path("{key}")
<#if e.permission("patch")??>
    ${e.permission("patch")}
</#if>
    @Consumes(MergePatch.MEDIA_TYPE)
    public Response patch(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, ObjectNode patch, @Context HttpHeaders headers) {
        return RowRequest.stored(service.patch(${e.keyCode.variable}, patch, Precondition.of(headers)<#if e.guarded>.required()</#if>));
    }

</#if>
<#if e.can("delete")>
    @DELETE
    @Path("{key}")
<#if e.permission("delete")??>
    ${e.permission("delete")}
</#if>
    public void delete(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, @Context HttpHeaders headers) {
        service.delete(${e.keyCode.variable}, Precondition.of(headers)<#if e.guarded>.required()</#if>);
    }

</#if>
}

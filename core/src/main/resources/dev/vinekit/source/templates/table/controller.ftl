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

<#macro answer of rows embedding>
<#if of.keyed>
        return page.answer(${rows}, ${of.toKey}, ${embedding});
<#else>
        return page.answerByOffset(${rows}, ${embedding});
</#if>
</#macro>
<#if e.can.list>
    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<${e.pageKey}> page = PageRequest.of(uri, ${e.pageKey}.class, ${e.name}Repository.FILTERS, ${e.collectionCode.includes});
<@answer e.collectionCode "service.list(page.page())" e.collectionCode.embedding/>
    }

</#if>
<#if e.can.create>
    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(${e.name}Input input, @Context UriInfo uri) {
        ${e.name} created = service.create(input);
<#if e.can.read>
        URI location = uri.getAbsolutePathBuilder().path("{key}").${e.keyCode.locationBuild};
        return Response.created(location).entity(created).build();
<#else>
        return Response.status(Response.Status.CREATED).entity(created).build();
</#if>
    }

</#if>
<#if e.can.read && e.includes?has_content>
    @GET
    @Path("{key}")
    public Object read(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, @Context UriInfo uri) {
        List<String> included = ${e.collectionCode.includes}.asked(uri);
        ${e.name} found = service.find(${e.keyCode.variable});
        return included.isEmpty() ? found : service.including(included, List.of(found)).get(0);
    }

<#elseif e.can.read>
    @GET
    @Path("{key}")
    public ${e.name} read(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}) {
        return service.find(${e.keyCode.variable});
    }

</#if>
<#list e.children as c>
    @GET
    @Path(${c.path})
    public Response ${c.method}(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, @Context UriInfo uri) {
        ${e.name} parent = service.find(${e.keyCode.variable});
        PageRequest<${c.pageKey}> page = PageRequest.of(uri, ${c.pageKey}.class, ${c.type}Repository.FILTERS, ${c.collection.includes});
<@answer c.collection c.rows c.collection.embedding/>
    }

</#list>
<#if e.can.replace>
    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public ${e.name} replace(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input) {
        return service.replace(${e.keyCode.variable}, input);
    }

</#if>
<#if e.can.patch>
    @PATCH
    @Path("{key}")
    @Consumes(MergePatch.MEDIA_TYPE)
    public ${e.name} change(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, ObjectNode patch) {
        return service.change(${e.keyCode.variable}, patch);
    }

</#if>
<#if e.can.delete>
    @DELETE
    @Path("{key}")
    public void delete(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}) {
        service.delete(${e.keyCode.variable});
    }

</#if>
}

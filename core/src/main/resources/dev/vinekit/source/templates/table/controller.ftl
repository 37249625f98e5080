/** The HTTP face of ${e.title.plural}. */
@Path(${e.path})
@Produces(MediaType.APPLICATION_JSON)
public final class ${e.name}Controller {
    private final ${e.name}Service service;

    public ${e.name}Controller(${e.name}Service service) {
        this.service = service;
    }

<#if e.keyed>
    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<${e.keyCode.boxed}> page = PageRequest.of(uri, ${e.keyCode.boxed}.class);
        return page.answer(service.list(page), ${e.keyCode.toKey});
    }
<#else>
    @GET
    public Response list(@Context UriInfo uri) {
        PageRequest<Long> page = PageRequest.of(uri, Long.class);
        return page.answerByOffset(service.list(page));
    }
</#if>
<#if e.can.create>

    @POST
    @Consumes(MediaType.APPLICATION_JSON)
    public Response create(${e.name}Input input, @Context UriInfo uri) {
        ${e.name} created = service.create(input);
<#if e.keyed>
        URI location = uri.getAbsolutePathBuilder().path("{key}").${e.keyCode.locationBuild};
        return Response.created(location).entity(created).build();
<#else>
        return Response.status(Response.Status.CREATED).entity(created).build();
</#if>
    }
</#if>
<#if e.can.read>

    @GET
    @Path("{key}")
    public ${e.name} read(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}) {
        return service.find(${e.keyCode.variable});
    }
</#if>
<#if e.can.replace>

    @PUT
    @Path("{key}")
    @Consumes(MediaType.APPLICATION_JSON)
    public ${e.name} replace(${e.keyCode.pathParam} ${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input) {
        return service.replace(${e.keyCode.variable}, input);
    }

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

<#ftl attributes={"layer": "registration", "class": "*Registration", "files": "registrations"}>
import java.util.List;
import java.util.Optional;

/** Adds ${e.title.plural} to the service. */
public final class ${e.name}Registration implements Registration {
<#if e.can("list")>
    @Override
    public Optional<String> collection() {
        return Optional.of(${e.path});
    }

</#if>
<#if e.constraints?has_content>
    @Override
    public List<Constraint> constraints() {
        return ${e.name}Repository.CONSTRAINTS;
    }

</#if>
    @Override
    public void addServices(Services services) {
        services.add(${e.name}Service.class, new ${e.serviceClass}(services.transactions(), new ${e.repositoryClass}()));
    }

    @Override
    public Object controller(Services services) {
        return new ${e.name}Controller(services.get(${e.name}Service.class)<#list e.childServices as c>, services.get(${c.type}.class)</#list>);
    }
}

package dev.vinekit.source.openapi;

import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vinekit.data.ExampleRows;
import dev.vinekit.data.SampleRows;
import dev.vinekit.json.JsonText;
import dev.vinekit.mapping.Child;
import dev.vinekit.mapping.Entity;
import dev.vinekit.mapping.Field;
import dev.vinekit.mapping.JavaType;
import dev.vinekit.mapping.Limits;
import dev.vinekit.mapping.Mapping;
import dev.vinekit.mapping.Operation;
import dev.vinekit.mapping.Relation;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Describes the HTTP interface of a service (OpenAPI Specification 3.1.0). */
public final class OpenApi {
    static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS).nodeFactory(new JsonNodeFactory(true)).build();


    /** The component of an If-Match that must be given. */
    private static final String GUARD = "If-Match.required";
    private static final int PRECONDITION_FAILED = 412;

    private final Mapping mapping;
    private final ExampleRows examples;
    private final ObjectNode document = MAPPER.createObjectNode();
    private final ObjectNode parameters = MAPPER.createObjectNode();
    private final ObjectNode schemas = MAPPER.createObjectNode();
    private final ObjectNode successes = MAPPER.createObjectNode();

    private OpenApi(Mapping mapping, SampleRows samples, String seed) {
        this.mapping = mapping;
        this.examples = new ExampleRows(mapping, samples, seed);
    }

    /**
     * The document, as text.
     *
     * @param seed the script whose rows its examples go with
     */
    public static String of(Mapping mapping, SampleRows samples, String seed) {
        return JsonText.of(new OpenApi(mapping, samples, seed).document());
    }

    private ObjectNode document() {
        document.put("openapi", "3.1.0");
        document.putObject("info").put("title", mapping.artifact()).put("version", "1.0.0").put("description",
                "HEAD can be used wherever GET can. An answer of an error is a problem (RFC 9457).");
        document.putArray("servers").addObject().put("url", mapping.conventions().basePath());
        if (mapping.hasAccess()) {
            document.putArray("security").addObject().putArray("bearer");
        }
        ObjectNode paths = document.putObject("paths");
        paths.set("/", MAPPER.createObjectNode().set("get", open("entryPoint", "The collections and their links",
                json("The collections by name",
                        MAPPER.createObjectNode().put("type", "object").set("additionalProperties",
                        MAPPER.createObjectNode().put("type", "string").put("format", "uri"))), "503")));
        paths.set("/health", MAPPER.createObjectNode().set("get", open("health", "Whether the service can do its work",
                json("It can", status("up")), "503")));
        paths.withObject("/~1health").withObject("/get").withObject("/responses")
                .set("503", json("The database does not answer", status("down")));
        paths.set("/openapi.json", MAPPER.createObjectNode().set("get", open("openapi", "This description",
                json("OpenAPI 3.1", MAPPER.createObjectNode().put("type", "object")))));
        commonParameters();
        schemas.set("Problem", problem());
        for (Entity entity : mapping.entities()) {
            table(paths, entity);
        }
        for (Child child : mapping.children()) {
            children(paths, child);
        }
        ObjectNode components = document.putObject("components");
        components.set("schemas", schemas);
        components.set("parameters", parameters);
        components.set("responses", successes.setAll(
                new Responses(mapping.hasAccess(), mapping.entities().stream().anyMatch(Entity::guarded)).all()));
        components.set("headers", Responses.headers());
        if (mapping.hasAccess()) {
            components.putObject("securitySchemes").putObject("bearer")
                    .put("type", "http").put("scheme", "bearer").put("bearerFormat", "JWT");
        }
        return document;
    }

    /** An operation that needs no token. */
    private static ObjectNode open(String id, String summary, ObjectNode success, String... statuses) {
        ObjectNode operation = MAPPER.createObjectNode().put("operationId", id).put("summary", summary);
        operation.putArray("security");
        ObjectNode responses = operation.putObject("responses");
        responses.set("200", success);
        Responses.refer(responses, statuses);
        return operation;
    }

    private static ObjectNode status(String status) {
        ObjectNode schema = MAPPER.createObjectNode().put("type", "object");
        schema.putObject("properties").putObject("status").put("const", status);
        return schema;
    }

    private static ObjectNode json(String description, ObjectNode schema) {
        ObjectNode response = MAPPER.createObjectNode().put("description", description);
        response.putObject("content").putObject("application/json").set("schema", schema);
        return response;
    }

    private static ObjectNode problem() {
        ObjectNode problem = MAPPER.createObjectNode().put("type", "object");
        ObjectNode properties = problem.putObject("properties");
        properties.putObject("type").put("type", "string");
        properties.putObject("title").put("type", "string");
        properties.putObject("status").put("type", "integer");
        properties.putObject("detail").put("type", "string");
        properties.putObject("request").put("type", "string").put("description", "Identifier that is also in the log");
        ObjectNode violation = properties.putObject("violations").put("type", "array").putObject("items")
                .put("type", "object");
        ObjectNode of = violation.putObject("properties");
        of.putObject("field").put("type", "string");
        of.putObject("rule").put("type", "string");
        of.putObject("message").put("type", "string");
        violation.putArray("required").add("field").add("rule").add("message");
        problem.putArray("required").add("type").add("title").add("status").add("detail");
        return problem;
    }

    private void commonParameters() {
        query("limit", "The greatest number of rows", MAPPER.createObjectNode().put("type", "integer")
                .put("minimum", 1).put("maximum", Limits.ROWS_OF_A_PAGE).put("default", Limits.USUAL_ROWS_OF_A_PAGE));
        query("after", "A cursor from the Link header of the page before, asked for with the same sort",
                MAPPER.createObjectNode().put("type", "string"));
        query("count", "Whether the header Total-Count tells the number of all rows",
                MAPPER.createObjectNode().put("type", "boolean").put("default", false));
        header("If-Match", "Entity tags, one of which the row must have");
        if (mapping.entities().stream().anyMatch(Entity::guarded)) {
            ObjectNode guard = ((ObjectNode) parameters.get("If-Match")).deepCopy();
            parameters.set(GUARD, guard.put("required", true));
        }
        header("If-None-Match", "Entity tags of the states that the client knows");
    }

    private void query(String name, String description, ObjectNode schema) {
        parameters.set(name, parameter(name, "query", description, schema));
    }

    private void header(String name, String description) {
        parameters.set(name, parameter(name, "header", description, MAPPER.createObjectNode().put("type", "string")));
    }

    static ObjectNode parameter(String name, String in, String description, ObjectNode schema) {
        ObjectNode parameter = MAPPER.createObjectNode().put("name", name).put("in", in)
                .put("description", description);
        parameter.set("schema", schema);
        return parameter;
    }

    private void table(ObjectNode paths, Entity entity) {
        String name = entity.name().value();
        schemas.set(name, stored(entity));
        new ListParameters(entity, mapping.included(entity)).addTo(parameters, schemas);
        ObjectNode collection = MAPPER.createObjectNode();
        ObjectNode item = MAPPER.createObjectNode();
        if (!entity.key().isEmpty()) {
            parameters.set(name + ".key", key(entity));
            item.putArray("parameters").add(reference("parameters", name + ".key"));
        }
        for (Operation operation : Operation.values()) {
            if (entity.can(operation) && operation.below().isEmpty()) {
                (operation.isOfOneRow() ? item : collection).set(operation.method().toLowerCase(Locale.ROOT),
                        described(entity, operation));
            }
        }
        if (!collection.isEmpty()) {
            paths.set("/" + entity.path(), collection);
        }
        if (item.size() > 1) {
            paths.set("/" + entity.path() + "/{key}", item);
        }
        if (entity.can(Operation.RESTORE)) {
            ObjectNode below = MAPPER.createObjectNode();
            below.putArray("parameters").add(reference("parameters", name + ".key"));
            below.set("post", described(entity, Operation.RESTORE));
            paths.set("/" + entity.path() + "/{key}" + Operation.RESTORE.below(), below);
        }
    }

    private ObjectNode described(Entity entity, Operation operation) {
        String name = entity.name().value();
        return switch (operation) {
            case LIST -> inPart(list(entity, "list" + name, entity.path(), "Lists the " + plural(entity)), entity);
            case CREATE -> create(entity);
            case READ -> read(entity);
            case REPLACE -> write(entity, operation, "replace", "Replaces " + article(entity), "Replacement",
                    new Bodies(entity, examples).replaced(), new Bodies(entity, examples).exampleOfReplaced());
            case PATCH -> write(entity, operation, "change", "Changes fields of " + article(entity), "Change",
                    new Bodies(entity, examples).changed(), new Bodies(entity, examples).exampleOfChanged());
            case DELETE -> delete(entity);
            case RESTORE -> answered(operation(entity, "restore" + name, "Brings back " + article(entity)
                    + " that was deleted"), entity, operation, row(entity));
        };
    }

    private ObjectNode read(Entity entity) {
        String name = entity.name().value();
        ObjectNode read = operation(entity, "read" + name, "Reads " + article(entity));
        ArrayNode list = read.putArray("parameters").add(reference("parameters", "If-None-Match"))
                .add(reference("parameters", name + ".fields"));
        if (new ListParameters(entity, mapping.included(entity)).isIncluding()) {
            list.add(reference("parameters", name + ".include"));
        }
        return answered(read, entity, Operation.READ, row(entity));
    }

    private ObjectNode delete(Entity entity) {
        ObjectNode delete = operation(entity, "delete" + entity.name().value(), "Deletes " + article(entity));
        delete.putArray("parameters").add(reference("parameters", ifMatch(entity)));
        return answered(delete, entity, Operation.DELETE, MAPPER.createObjectNode().put("description", "It is gone"));
    }

    /** Adds what may come of an operation, and who may do it. */
    private ObjectNode answered(ObjectNode described, Entity entity, Operation operation, ObjectNode success) {
        ObjectNode responses = described.putObject("responses");
        responses.set(String.valueOf(operation.success()), success);
        Responses.refer(responses, operation.refusals().stream().map(String::valueOf).toArray(String[]::new));
        if (entity.guarded() && operation.refusals().contains(PRECONDITION_FAILED) && operation != Operation.READ) {
            Responses.refer(responses, "428");
        }
        secured(described, operation == Operation.LIST ? entity.listers() : entity.roles(operation));
        return described;
    }

    private ObjectNode operation(Entity entity, String id, String summary) {
        ObjectNode operation = MAPPER.createObjectNode().put("operationId", id).put("summary", summary);
        operation.putArray("tags").add(entity.path());
        return operation;
    }

    /**
     * Names the roles, of each of two lists any one of which will do (OpenAPI 3.1, security requirement object).
     *
     * @param more everybody's where one list says it all
     */
    /**
     * Names the roles that a caller needs: every way to have one of each list.
     *
     * @param rights for each right that is needed, the roles that have it
     */
    @SafeVarargs
    private void secured(ObjectNode operation, List<String>... rights) {
        if (mapping.hasAccess()) {
            Responses.refer(operation.withObject("/responses"), "401", "403");
            List<List<String>> ways = List.of(List.of());
            for (List<String> roles : rights) {
                ways = ways.stream().flatMap(way -> roles.stream()
                        .map(role -> Stream.concat(way.stream(), Stream.of(role)).filter(name -> !name.equals("*"))
                                .distinct().sorted().toList())).distinct().toList();
            }
            ArrayNode security = operation.putArray("security");
            ways.forEach(way -> {
                ArrayNode required = security.addObject().putArray("bearer");
                way.forEach(required::add);
            });
        }
    }

    /** Says who may list a part only. */
    private static ObjectNode inPart(ObjectNode list, Entity entity) {
        String parts = entity.findersByRole().stream().map(finder -> (finder.roles().contains("*") ? "Every token"
                        : String.join(", ", finder.roles())) + ": what is asked for by "
                        + String.join(" and ", finder.parameters()))
                .collect(Collectors.joining("; "));
        return parts.isEmpty() ? list : list.put("description", parts);
    }

    private ObjectNode list(Entity entity, String id, String tag, String summary) {
        ObjectNode list = MAPPER.createObjectNode().put("operationId", id).put("summary", summary);
        list.putArray("tags").add(tag);
        ArrayNode wanted = list.putArray("parameters");
        String name = entity.name().value();
        if (entity.can(Operation.RESTORE)) {
            wanted.add(parameter("deleted", "query", "Whether rows are wanted that were deleted, and no others",
                    MAPPER.createObjectNode().put("type", "boolean")));
        }
        Stream.of("limit", "after", "count", name + ".sort", name + ".fields", name + ".include")
                .filter(parameters::has).forEach(parameter -> wanted.add(reference("parameters", parameter)));
        new ListParameters(entity, mapping.included(entity)).filters().forEach(filter -> wanted.add(reference("parameters", filter)));
        ObjectNode rows = MAPPER.createObjectNode().put("type", "array");
        rows.set("items", reference("schemas", name));
        ObjectNode success = json("The rows of a page", rows);
        ObjectNode headers = success.putObject("headers");
        headers.set("Link", reference("headers", "Link"));
        headers.set("Total-Count", reference("headers", "Total-Count"));
        return answered(list, entity, Operation.LIST, shared(name + ".page", success));
    }

    /** A row as an answer has it. */
    private ObjectNode row(Entity entity) {
        String name = entity.name().value();
        ObjectNode row = withTag(json("The row, as stored", reference("schemas", name)));
        ObjectNode links = row.putObject("links");
        link(links, "self", entity, entity.key());
        for (Relation relation : entity.relations()) {
            Entity target = relation.followed() ? mapping.entity(relation.foreignKey().target()) : null;
            if (target != null && relation.foreignKey().targetColumns().equals(target.keyColumns())) {
                link(links, relation.jsonName(), target, relation.fields());
            }
        }
        return shared(name + ".row", row);
    }

    /** Says which fields of an answer make up the key of a row (OpenAPI 3.1, link object and runtime expressions). */
    private static void link(ObjectNode links, String name, Entity target, List<Field> key) {
        if (target.can(Operation.READ)) {
            String segment = key.stream().map(field -> "$response.body#/"
                    + field.jsonName().replace("~", "~0").replace("/", "~1"))
                    .collect(Collectors.joining("},{", key.size() > 1 ? "{" : "", key.size() > 1 ? "}" : ""));
            ObjectNode link = links.putObject(name).put("operationId", "read" + target.name().value());
            link.putObject("parameters").put("key", segment);
            if (key.stream().anyMatch(field -> field.type() == JavaType.BINARY)) {
                link.put("description", "Bytes stand in a path as base64url, without padding");
            }
        }
    }

    /** A reference to a success that several operations have. */
    private ObjectNode shared(String component, ObjectNode success) {
        successes.set(component, success);
        return reference("responses", component);
    }

    private ObjectNode create(Entity entity) {
        String name = entity.name().value();
        schemas.set(name + "Input", new Bodies(entity, examples).created());
        ObjectNode create = operation(entity, "create" + name, "Creates " + article(entity)
                + (entity.transactional() ? ", or all that an array has" : ""));
        ObjectNode body = MAPPER.createObjectNode();
        ObjectNode one = reference("schemas", name + "Input");
        if (entity.transactional()) {
            ObjectNode many = MAPPER.createObjectNode().put("type", "array").put("maxItems", Limits.ROWS_TO_CREATE);
            many.set("items", one.deepCopy());
            body.putArray("oneOf").add(one).add(many);
        } else {
            body = one;
        }
        requestBody(create, Operation.CREATE, body, new Bodies(entity, examples).exampleOfCreated());
        ObjectNode row = reference("schemas", name);
        ObjectNode answer = row;
        if (entity.transactional()) {
            answer = MAPPER.createObjectNode();
            ObjectNode rows = MAPPER.createObjectNode().put("type", "array");
            rows.set("items", row.deepCopy());
            answer.putArray("oneOf").add(row).add(rows);
        }
        ObjectNode success = json("As stored", answer);
        if (entity.can(Operation.READ)) {
            withTag(success).withObject("/headers").set("Location", reference("headers", "Location"));
        }
        return answered(create, entity, Operation.CREATE, success);
    }

    /** The parameter by which a client says which state of a row it means. */
    private static String ifMatch(Entity entity) {
        return entity.guarded() ? GUARD : "If-Match";
    }

    private ObjectNode write(Entity entity, Operation operation, String verb, String summary, String kind,
            ObjectNode schema, Optional<ObjectNode> example) {
        String name = entity.name().value();
        schemas.set(name + kind, schema);
        ObjectNode write = operation(entity, verb + name, summary);
        write.putArray("parameters").add(reference("parameters", ifMatch(entity)));
        requestBody(write, operation, reference("schemas", name + kind), example);
        return answered(write, entity, operation, row(entity));
    }

    private static void requestBody(ObjectNode described, Operation operation, ObjectNode schema,
            Optional<ObjectNode> example) {
        ObjectNode body = described.putObject("requestBody").put("required", true);
        ObjectNode content = body.putObject("content").putObject(operation.mediaType().orElseThrow());
        content.set("schema", schema);
        example.ifPresent(value -> content.set("example", value));
    }

    private static ObjectNode withTag(ObjectNode response) {
        response.withObject("/headers").set("ETag", reference("headers", "ETag"));
        return response;
    }

    private void children(ObjectNode paths, Child child) {
        String path = "/" + child.parent().path() + "/{key}/" + child.path();
        String id = "list" + Arrays.stream(child.path().split("[^\\p{L}\\p{N}]+")).filter(word -> !word.isEmpty())
                .map(word -> Character.toUpperCase(word.charAt(0)) + word.substring(1)).collect(Collectors.joining())
                + "Of" + child.parent().name().value();
        ObjectNode item = MAPPER.createObjectNode();
        item.putArray("parameters").add(reference("parameters", child.parent().name().value() + ".key"));
        ObjectNode list = list(child.entity(), id, child.parent().path(),
                "Lists the " + plural(child.entity()) + " of " + article(child.parent()));
        Responses.refer(list.withObject("/responses"), "404");
        secured(list, child.parent().roles(Operation.READ), child.entity().roles(Operation.LIST),
                child.link().map(link -> link.entity().roles(link.entity().seeing())).orElse(List.of("*")));
        item.set("get", list);
        paths.set(path, item);
    }

    private ObjectNode stored(Entity entity) {
        ObjectNode schema = MAPPER.createObjectNode().put("type", "object");
        if (!entity.table().comment().isBlank()) {
            schema.put("description", entity.table().comment());
        }
        ObjectNode properties = schema.putObject("properties");
        ArrayNode required = schema.putArray("required");
        for (Field field : entity.told()) {
            ObjectNode property = TypeSchemas.stored(field);
            Bodies.describe(property, field);
            properties.set(field.jsonName(), property);
            required.add(field.jsonName());
        }
        for (Relation relation : mapping.included(entity)) {
            ObjectNode included = MAPPER.createObjectNode();
            included.putArray("anyOf").add(reference("schemas",
                    mapping.entity(relation.foreignKey().target()).name().value()))
                    .add(MAPPER.createObjectNode().put("type", "null"));
            properties.set(relation.jsonName(), included.put("description", "With include only"));
        }
        return schema;
    }

    private ObjectNode key(Entity entity) {
        boolean single = entity.key().size() == 1;
        ObjectNode schema = single ? TypeSchemas.type(entity.key().get(0))
                : MAPPER.createObjectNode().put("type", "string");
        ObjectNode key = parameter("key", "path", single ? "The key of a row"
                : "The key of a row: " + entity.key().stream().map(Field::jsonName).collect(Collectors.joining(", "))
                        + ", each percent-encoded, joined by commas", schema).put("required", true);
        examples.key(entity).ifPresent(parts -> key.set("example", single
                ? TypeSchemas.value(entity.key().get(0), parts.get(0))
                : MAPPER.getNodeFactory().textNode(parts.stream().map(part ->
                        URLEncoder.encode(part, StandardCharsets.UTF_8).replace("+", "%20"))
                        .collect(Collectors.joining(",")))));
        return key;
    }

    static ObjectNode reference(String kind, String name) {
        return MAPPER.createObjectNode().put("$ref", "#/components/" + kind + "/" + name);
    }

    private static String plural(Entity entity) {
        return entity.path().replace('-', ' ');
    }

    private static String article(Entity entity) {
        return ("aeiou".indexOf(entity.title().charAt(0)) >= 0 ? "an " : "a ") + entity.title();
    }
}

<#ftl attributes={"layer": "service", "class": "*Service", "implementation": "Transactional*Service",
    "files": "services",
    "locals": "after before changed connection created current deleted fields input inputs page patch precondition repository transactions"}>
<#import "/shapes.ftl" as shape>
import com.fasterxml.jackson.databind.node.ObjectNode;
<#include "/types.ftl">
<#assign base = e.keyed?then(" extends RowService<" + e.name + ", " + e.keyCode.boxed + ">", "")>
<#assign thrown = e.keyed?then("; {@link RowService} says what they throw", "")>
<#if part == "implementation">
/** {@link ${e.name}Service}, each method in a transaction of its own. */
public final class ${e.serviceClass}${base} implements ${e.name}Service {
<#elseif part == "interface">
/** What can be done with ${e.title.plural}, each in a transaction of its own${thrown}. */
public interface ${e.name}Service {
<#else>
/** What can be done with ${e.title.plural}, each in a transaction of its own${thrown}. */
public final class ${e.name}Service${base} {
</#if>
<#if part != "implementation" && e.includes?has_content>
    /** The rows that ${e.title.withArticle} refers to, which a client can ask to have included. */
    <#if part != "interface">public static final </#if>Includes<${e.name}> INCLUDES = Includes.<${e.name}>none()
<#list e.includes as i>
            .with(${i.json}, ${i.from}, new ${i.repositoryClass}()::${i.lookup}, ${i.key}<#if i.right??>, AccessRight.${i.right}</#if>)<#if i?is_last>;</#if>
</#list>

</#if>
<#if part != "interface">
<#if !e.keyed>
    private final Transactions transactions;
</#if>
    private final ${e.name}Repository repository;

    public ${e.serviceClass}(Transactions transactions, ${e.name}Repository repository) {
<#assign onTable = e.constraints?has_content?then(".on(" + e.name + "Repository.CONSTRAINTS)", "")>
<#if e.keyed>
        super(transactions${onTable}, ${e.titleText}, repository::findById, repository::${e.locks?then("lockById", "findById")});
<#else>
        this.transactions = transactions${onTable};
</#if>
        this.repository = repository;
    }

</#if>
<@shape.method "PageResult<${e.name}> list(PageQuery page)"; piece>
<#if piece == "doc">
    /** The rows of a page. */
<#else>
        return transactions.read(page, connection -> repository.list(connection, page));
</#if>
</@shape.method>
<#if e.keyed>
<@shape.method "${e.name} find(${e.keyCode.type} ${e.keyCode.variable})"; piece>
<#if piece == "doc">
    /** The row with this key. */
<#else>
        return transactions.read(connection -> existing(connection, ${e.keyCode.variable}));
</#if>
</@shape.method>
</#if>
<#list e.finders as f>
<@shape.method "PageResult<${e.name}> ${f.name}(${f.parameters}, PageQuery page)"; piece>
<#if piece == "doc">
    /** The rows of a page ${f.doc}. */
<#else>
        return transactions.read(page, connection -> repository.${f.name}(connection, ${f.arguments}, page));
</#if>
</@shape.method>
</#list>
<#if e.includes?has_content>
<@shape.method "List<ObjectNode> including(List<String> names, List<${e.name}> rows)"; piece>
<#if piece == "doc">
    /** Rows as JSON, each with the rows that it refers to under these names. */
<#else>
        return transactions.read(connection -> INCLUDES.embed(connection, rows, names));
</#if>
</@shape.method>
</#if>
<#if e.can("create")>
<@shape.method "${e.name} create(${e.name}Input input)"; piece>
<#if piece == "doc">
<#if e.keyed>
    /** Creates a row and returns it as stored. */
<#else>
    /**
     * Creates a row and returns it as stored.
     *
     * @throws ProblemException 400 if a rule is broken, 409 for a duplicate, 422 for a reference to a missing row
     */
</#if>
<#else>
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
</#if>
</@shape.method>
</#if>
<#if e.can("create") && e.test.transactional>
<@shape.method "List<${e.name}> createAll(List<${e.name}Input> inputs)"; piece>
<#if piece == "doc">
    /** Creates all rows or, if one cannot be, none, and returns them as stored; a problem names the element. */
<#else>
        Rules.verify(inputs.stream().map(input -> check(input, OnCreate.class)).toList());
<#assign given = e.inserts?filter(input -> e.key?map(part -> "" + part.name)?seq_contains("" + input.name))>
<#if e.sql.readBack?? && e.sql.readBack.numbered>
        return transactions.writeAll(inputs, repository::insertAll, repository::insert);
<#elseif given?size == 0>
        return transactions.writeEach(inputs, repository::insert);
<#elseif given?size == 1>
        return transactions.writeEach(inputs, input -> String.valueOf(input.${given[0].name}()), repository::insert);
<#else>
        return transactions.writeEach(inputs, input -> <#list given as part>input.${part.name}()<#sep> + "," + </#list>, repository::insert);
</#if>
</#if>
</@shape.method>
</#if>
<#if e.can("replace")>
<@shape.method "${e.name} replace(${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input, Precondition precondition)"; piece>
<#if piece == "doc">
    /** Replaces everything but the key and returns the row as stored. */
<#else>
<#if e.keyCode.loose>
        return transactions.write(connection -> {
            ${e.name} current = locked(connection, ${e.keyCode.variable});
            precondition.verify(current);
            checkReplacement(current, input).verify();
            return updated(connection, ${e.keyCode.variable}, repository.update(connection, ${e.keyCode.variable}, input, Update.ALL));
        });
<#else>
        checkReplacement(${e.keyCode.variable}, input).verify();
        return transactions.write(connection -> {
<#if e.ownReferences?has_content>
            precondition.verify(locked(connection, ${e.keyCode.variable}));
<#else>
            verifyState(connection, ${e.keyCode.variable}, precondition);
</#if>
            return updated(connection, ${e.keyCode.variable}, repository.update(connection, ${e.keyCode.variable}, input, Update.ALL));
        });
</#if>
</#if>
</@shape.method>
</#if>
<#if e.can("patch")>
<@shape.method "${e.name} patch(${e.keyCode.type} ${e.keyCode.variable}, ObjectNode patch, Precondition precondition)"; piece>
<#if piece == "doc">
    /** Changes some fields (RFC 7396) and returns the row as stored. */
<#else>
        return transactions.write(connection -> {
            ${e.name} current = locked(connection, ${e.keyCode.variable});
            precondition.verify(current);
            ${e.name}Input before = ${e.name}Input.of(current);
            ${e.name}Input changed = MergePatch.apply(patch, before, ${e.name}Input.class);
            checkReplacement(${e.keyCode.loose?then("current", e.keyCode.variable)}, changed).forgive(check(before, OnReplace.class), patch::has).verify();
            return updated(connection, ${e.keyCode.variable}, repository.update(connection, ${e.keyCode.variable}, changed, patch::has));
        });
</#if>
</@shape.method>
</#if>
<#if e.can("delete")>
<@shape.method "void delete(${e.keyCode.type} ${e.keyCode.variable}, Precondition precondition)"; piece>
<#if piece == "doc">
    /** Deletes the row with this key. */
<#else>
        boolean deleted = transactions.delete(connection -> {
            verifyState(connection, ${e.keyCode.variable}, precondition);
            return repository.delete(connection, ${e.keyCode.variable});
        });
        if (!deleted) {
            throw missing(${e.keyCode.variable});
        }
</#if>
</@shape.method>
</#if>
<#if e.can("restore")>
<@shape.method "${e.name} restore(${e.keyCode.type} ${e.keyCode.variable})"; piece>
<#if piece == "doc">
    /** Brings back a deleted row and returns it as stored. */
<#else>
        return transactions.write(connection -> updated(connection, ${e.keyCode.variable}, repository.restore(connection, ${e.keyCode.variable})));
</#if>
</@shape.method>
</#if>
<#if part != "interface">
<#if e.updatable()>
<#if e.keyCode.loose>
    /** The key in the body must be that of the row; the database may know other ways of writing it. */
    private static Rules checkReplacement(${e.name} current, ${e.name}Input input) {
<#else>
    private static Rules checkReplacement(${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input) {
</#if>
        return check(input, OnReplace.class)
<#list e.key as f>
                .sameKey(${f.json}, input.${f.name}(), <#if e.keyCode.loose>current.${f.name}()<#else>${f.fromKey}</#if>)<#if f?is_last>;</#if>
</#list>
    }

</#if>
<#if e.writable>
    private static Rules check(${e.name}Input input, Class<?> group) {
        return Rules.of(input, group)<#if !e.rules?has_content>;</#if>
<#list e.rules as rule>
                ${rule}<#if rule?is_last>;</#if>
</#list>
    }
</#if>
</#if>
}

/** What can be done with ${e.title.plural}, each in a transaction of its own. */
public final class ${e.name}Service {
    private final Transactions transactions;
    private final ${e.name}Repository repository;

    public ${e.name}Service(Transactions transactions, ${e.name}Repository repository) {
        this.transactions = transactions<#if e.constraints?has_content>.on(${e.name}Repository.CONSTRAINTS)</#if>;
        this.repository = repository;
    }

<#if e.keyed>
    /** The rows of a page, and one more if another page follows. */
    public List<${e.name}> list(PageRequest<${e.keyCode.boxed}> page) {
        return transactions.read(connection -> repository.list(connection, page.after(), page.limit() + 1));
    }

    /**
     * The row with this key.
     *
     * @throws ProblemException 404 if there is none
     */
    public ${e.name} find(${e.keyCode.type} ${e.keyCode.variable}) {
        return transactions.read(connection -> existing(connection, ${e.keyCode.variable}));
    }
<#else>
    /** The rows of a page, and one more if another page follows. */
    public List<${e.name}> list(PageRequest<Long> page) {
        return transactions.read(connection -> repository.list(connection, page.offset(), page.limit() + 1));
    }
</#if>
<#if e.can.create>

    /**
     * Creates a row and returns it as stored.
     *
     * @throws ProblemException 400 if a rule is broken, 409 for a duplicate, 422 for a reference to a missing row
     */
    public ${e.name} create(${e.name}Input input) {
        check(input, OnCreate.class).verify();
        return transactions.write(connection -> repository.insert(connection, input));
    }
</#if>
<#if e.can.replace>

    /**
     * Replaces everything but the key and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row; else as for {@link #create}
     */
    public ${e.name} replace(${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input) {
        checkReplacement(${e.keyCode.variable}, input);
        return transactions.write(connection -> updated(connection, ${e.keyCode.variable}, input));
    }

    /**
     * Changes some fields (RFC 7396) and returns the row as stored.
     *
     * @throws ProblemException 404 if there is no such row; else as for {@link #create}
     */
    public ${e.name} change(${e.keyCode.type} ${e.keyCode.variable}, ObjectNode patch) {
        return transactions.write(connection -> {
            ${e.name}Input current = ${e.name}Input.of(existing(connection, ${e.keyCode.variable}));
            ${e.name}Input changed = MergePatch.apply(patch, current, ${e.name}Input.class);
            checkReplacement(${e.keyCode.variable}, changed);
            return updated(connection, ${e.keyCode.variable}, changed);
        });
    }
</#if>
<#if e.can.delete>

    /**
     * Deletes the row with this key.
     *
     * @throws ProblemException 404 if there is none, 409 if other rows refer to it
     */
    public void delete(${e.keyCode.type} ${e.keyCode.variable}) {
        boolean deleted = transactions.delete(connection -> repository.delete(connection, ${e.keyCode.variable}));
        if (!deleted) {
            throw missing(${e.keyCode.variable});
        }
    }
</#if>
<#if e.keyed>

    private ${e.name} existing(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}) throws SQLException {
        return repository.findById(connection, ${e.keyCode.variable}).orElseThrow(() -> missing(${e.keyCode.variable}));
    }
</#if>
<#if e.can.replace>

    private ${e.name} updated(Connection connection, ${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input) throws SQLException {
        if (!repository.update(connection, ${e.keyCode.variable}, input)) {
            throw missing(${e.keyCode.variable});
        }
        return existing(connection, ${e.keyCode.variable});
    }

    private static void checkReplacement(${e.keyCode.type} ${e.keyCode.variable}, ${e.name}Input input) {
        check(input, OnReplace.class)
<#list e.key as f>
                .sameKey(${f.nameText}, input.${f.name}(), ${f.fromKey})
</#list>
                .verify();
    }
</#if>
<#if e.keyed>

    private static ProblemException missing(${e.keyCode.type} ${e.keyCode.variable}) {
        return ProblemException.notFound(${e.titleText}, ${e.keyCode.text});
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
}

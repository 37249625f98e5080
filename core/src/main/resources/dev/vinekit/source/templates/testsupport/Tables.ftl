/** The tables that tests write to, each after those that it refers to. */
public enum Tables {
<#list s.tables as t>
    ${t.constant}(${t.sql.table}, ${t.keyed?c}, List.of(<#list t.sql.restoreColumns as c>${c}<#sep>, </#list>))<#sep>,</#sep><#if t?is_last>;</#if>
</#list>

    private final String sqlName;
    private final boolean keyed;
    private final List<String> columns;

    Tables(String sqlName, boolean keyed, List<String> columns) {
        this.sqlName = sqlName;
        this.keyed = keyed;
        this.columns = columns;
    }

    /** The table as SQL spells it. */
    public String sqlName() {
        return sqlName;
    }

    /** Whether {@link #columns} are a key. */
    public boolean isKeyed() {
        return keyed;
    }

    /** The columns that tell rows apart: the key, or else all that can be compared. */
    public List<String> columns() {
        return columns;
    }

    /** The condition that picks out one row. */
    public String match() {
        String equals = keyed ? " = ?" : " IS NOT DISTINCT FROM ?";
        return columns.stream().map(column -> column + equals).collect(Collectors.joining(" AND "));
    }
}

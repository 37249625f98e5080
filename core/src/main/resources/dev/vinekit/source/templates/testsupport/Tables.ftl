import java.util.List;

/** The tables that tests write to, each after those that it refers to. */
public enum Tables {
<#list s.tables as t>
    ${t.constant}(${t.sql.rows}, ${t.sql.everything}, List.of(<#list t.sql.tellingColumns as c>${c}<#sep>, </#list>), ${t.sql.tellingMatch}),
</#list>
    ;

    private final String sqlName;
    private final String everything;
    private final List<String> columns;
    private final String match;

    Tables(String sqlName, String everything, List<String> columns, String match) {
        this.sqlName = sqlName;
        this.everything = everything;
        this.columns = columns;
        this.match = match;
    }

    /** The table as SQL spells it. */
    public String sqlName() {
        return sqlName;
    }

    /** The query for every column of every row. */
    public String query() {
        return "SELECT " + everything + " FROM " + sqlName;
    }

    /** The columns that tell rows apart: the key, or else all that can be compared. */
    public List<String> columns() {
        return columns;
    }

    /** The condition that picks out one row by {@link #columns}. */
    public String match() {
        return match;
    }
}

<#ftl attributes={"layer": "entity", "each": "enumeration", "files": "enumerations"}>
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
<#include "/types.ftl">
/** The values of column ${f.columnDoc.code} of ${e.table.code}. */
public enum ${f.enumeration.name} implements CodedEnum {
<#list f.enumeration.constants as c>
    ${c.name}(${c.text})<#sep>,</#sep><#if c?is_last>;</#if>
</#list>

    private final String code;

    ${f.enumeration.name}(String code) {
        this.code = code;
    }

    /** The value as the database stores it and JSON shows it. */
    @Override
    @JsonValue
    public String code() {
        return code;
    }

    /**
     * The value of this code; null for null.
     *
     * @throws IllegalArgumentException if there is none
     */
    @JsonCreator
    public static ${f.enumeration.name} fromString(String code) {
        if (code == null) {
            return null;
        }
        for (${f.enumeration.name} value : values()) {
            if (value.code.equals(code)) {
                return value;
            }
        }
        throw new IllegalArgumentException("no such value: " + code);
    }
}

root = true

[*]
charset = utf-8
end_of_line = lf
insert_final_newline = true
trim_trailing_whitespace = true
indent_style = space
indent_size = 2

[*.java]
<#if s.indent == 0>
indent_style = tab
<#else>
indent_size = ${s.indent}
</#if>
max_line_length = 120

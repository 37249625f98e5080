<configuration>
  <!-- LOG_FORMAT=json: an object on a line, with the identifier of the request and the route under "mdc". -->
  <include resource="logback/${r"${LOG_FORMAT:-text}"}.xml"/>

  <!-- SQL_LOG=DEBUG shows every statement with its time, TRACE its values too. ACCESS_LOG=OFF leaves out requests. -->
  <logger name="${s.basePackage}.support.AccessLog" level="${r"${ACCESS_LOG:-INFO}"}"/>
  <logger name="${s.basePackage}.support.Sql" level="${r"${SQL_LOG:-INFO}"}"/>
  <logger name="com.zaxxer.hikari" level="WARN"/>
  <logger name="org.eclipse.jetty" level="WARN"/>
<#include "_logging.xml.ftl" ignore_missing=true>
  <logger name="org.hibernate.validator" level="WARN"/>
  <logger name="org.jboss" level="WARN"/>
  <root level="${r"${LOG_LEVEL:-INFO}"}">
    <appender-ref ref="console"/>
  </root>
</configuration>

<included>
  <appender name="console" class="ch.qos.logback.core.ConsoleAppender">
    <encoder>
      <pattern>%d{HH:mm:ss.SSS} %-5level %logger{0} %X{request} - %msg%n</pattern>
    </encoder>
  </appender>
</included>

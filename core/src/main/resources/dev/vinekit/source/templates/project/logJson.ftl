<included>
  <appender name="console" class="ch.qos.logback.core.ConsoleAppender">
    <encoder class="ch.qos.logback.classic.encoder.JsonEncoder">
      <withSequenceNumber>false</withSequenceNumber>
      <withNanoseconds>false</withNanoseconds>
      <withContext>false</withContext>
      <withMessage>false</withMessage>
      <withArguments>false</withArguments>
      <withFormattedMessage>true</withFormattedMessage>
    </encoder>
  </appender>
</included>

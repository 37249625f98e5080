  <logger name="io.zonky.test" level="WARN"/>

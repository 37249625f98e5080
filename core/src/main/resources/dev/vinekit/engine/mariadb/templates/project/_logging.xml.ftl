  <!-- The driver would log what the server says about a refused row, values included. -->
  <logger name="org.mariadb.jdbc" level="OFF"/>

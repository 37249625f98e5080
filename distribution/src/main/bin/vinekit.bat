@echo off
rem Runs Vine Kit, with the java of JAVA_HOME or else that of the path. VINEKIT_CLASSPATH adds drivers and engines of
rem one's own, VINEKIT_JAVA_OPTIONS options of the Java machine.
setlocal

set "java=java"
if defined JAVA_HOME set "java=%JAVA_HOME%\bin\java"

set "libraries=%~dp0..\lib\*"
if defined VINEKIT_CLASSPATH set "libraries=%libraries%;%VINEKIT_CLASSPATH%"

"%java%" -XX:+UseSerialGC -XX:TieredStopAtLevel=1 -Dfile.encoding=UTF-8 %VINEKIT_JAVA_OPTIONS% -cp "%libraries%" dev.vinekit.cli.VineKitCommand %*
exit /b %ERRORLEVEL%

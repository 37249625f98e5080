# After `mvn package`:  podman build -t ${s.artifact} .   (docker build -f Containerfile -t ${s.artifact} .)
# Any image with a Java of version 17 or later will do; no shell is needed in it.
ARG JAVA=docker.io/library/eclipse-temurin:25-jre
FROM ${r"${JAVA}"}
WORKDIR /service
COPY target/app/lib/ lib/
COPY target/app/${s.artifact}.jar ./
<#if s.classArchive>
# Which classes a start takes, written down, so that the next one is quicker.
RUN ["java", "-Xlog:disable", "-XX:ArchiveClassesAtExit=classes.jsa", "-jar", "${s.artifact}.jar", "rehearse"]
</#if>
USER 10001:10001
ENV HTTP_HOST=0.0.0.0
EXPOSE 8080
ENTRYPOINT ["java", <#if s.classArchive>"-XX:SharedArchiveFile=classes.jsa", </#if>"-XX:MaxRAMPercentage=75", "-jar", "${s.artifact}.jar"]

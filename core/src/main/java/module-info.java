/**
 * Reads a schema, decides what its tables become, and writes the service: nothing of what the service itself runs on or
 * is tested with comes along.
 */
module dev.vinekit.core {
    requires com.fasterxml.jackson.annotation;
    requires com.fasterxml.jackson.core;
    requires com.fasterxml.jackson.databind;
    requires com.fasterxml.jackson.datatype.jdk8;
    requires re2j;
    requires embedded.postgres;
    requires freemarker;
    requires java.compiler;
    requires java.xml;
    requires net.datafaker;
    requires org.eclipse.jgit;
    requires org.postgresql.jdbc;
    requires org.slf4j;
    requires org.tukaani.xz;
    requires org.yaml.snakeyaml;
    requires rgxgen;
    requires transitive java.sql;

    exports dev.vinekit;
    exports dev.vinekit.cellar;
    exports dev.vinekit.compare;
    exports dev.vinekit.engine;
    exports dev.vinekit.fault;
    exports dev.vinekit.mapping;
    exports dev.vinekit.mapping.file;
    exports dev.vinekit.project;
    exports dev.vinekit.schema;
    exports dev.vinekit.source;
    exports dev.vinekit.sql;

    opens dev.vinekit.schema to com.fasterxml.jackson.databind;
    opens dev.vinekit.project to com.fasterxml.jackson.databind;
    opens dev.vinekit.source.view to freemarker;

    uses dev.vinekit.engine.Engine;
    uses dev.vinekit.engine.RunningServer.Lender;
    provides dev.vinekit.engine.Engine with
            dev.vinekit.engine.h2.H2Engine,
            dev.vinekit.engine.postgresql.PostgresqlEngine,
            dev.vinekit.engine.mariadb.MariadbEngine,
            dev.vinekit.engine.mysql.MysqlEngine,
            dev.vinekit.engine.sqlite.SqliteEngine,
            dev.vinekit.engine.generic.GenericEngine;
}

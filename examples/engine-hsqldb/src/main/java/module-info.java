// An engine of one's own; open, for its templates and the tables of the cellar are resources.
open module dev.vinekit.example.hsqldb {
    requires dev.vinekit.core;
    requires org.hsqldb;

    provides dev.vinekit.engine.Engine with dev.vinekit.example.hsqldb.HsqldbEngine;
}

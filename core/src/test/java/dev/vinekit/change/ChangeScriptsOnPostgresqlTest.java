package dev.vinekit.change;

class ChangeScriptsOnPostgresqlTest extends ChangeScripts {
    ChangeScriptsOnPostgresqlTest() {
        super("postgresql");
    }
}

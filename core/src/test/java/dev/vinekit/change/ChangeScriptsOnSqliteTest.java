package dev.vinekit.change;

class ChangeScriptsOnSqliteTest extends ChangeScripts {
    ChangeScriptsOnSqliteTest() {
        super("sqlite");
    }
}

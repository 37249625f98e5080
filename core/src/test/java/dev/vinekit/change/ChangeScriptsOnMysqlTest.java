package dev.vinekit.change;

class ChangeScriptsOnMysqlTest extends ChangeScripts {
    ChangeScriptsOnMysqlTest() {
        super("mysql");
    }
}

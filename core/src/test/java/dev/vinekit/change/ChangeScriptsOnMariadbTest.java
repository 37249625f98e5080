package dev.vinekit.change;

class ChangeScriptsOnMariadbTest extends ChangeScripts {
    ChangeScriptsOnMariadbTest() {
        super("mariadb");
    }
}

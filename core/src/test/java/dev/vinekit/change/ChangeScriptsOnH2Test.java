package dev.vinekit.change;

class ChangeScriptsOnH2Test extends ChangeScripts {
    ChangeScriptsOnH2Test() {
        super("h2");
    }
}

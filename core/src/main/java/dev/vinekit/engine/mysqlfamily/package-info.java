/** What MySQL and MariaDB have in common: one grew out of the other. */
package dev.vinekit.engine.mysqlfamily;

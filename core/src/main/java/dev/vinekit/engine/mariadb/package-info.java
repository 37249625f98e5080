/** MariaDB, version 10.6 or later. */
package dev.vinekit.engine.mariadb;

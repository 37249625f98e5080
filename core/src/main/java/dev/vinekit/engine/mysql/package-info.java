/** MySQL, version 8.0.17 or later. */
package dev.vinekit.engine.mysql;

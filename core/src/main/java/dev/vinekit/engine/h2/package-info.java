/** H2, embedded or as a server, version 2.0 or later. */
package dev.vinekit.engine.h2;

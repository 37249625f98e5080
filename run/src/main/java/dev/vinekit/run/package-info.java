/** A generated project at work: compiled in process, served, and tested against a scratch database. */
package dev.vinekit.run;

/** The front door: from a database to a tested service, one call a step. */
package dev.vinekit;

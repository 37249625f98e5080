/** What a change of the schema means for the code and for clients of its API. */
package dev.vinekit.compare;

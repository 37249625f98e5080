/**
 * What templates see. No string of a database gets here as it is: only checked names, escaped literals, text made safe
 * for comments, code put together from these, numbers and booleans.
 */
package dev.vinekit.source.view;

/** JSON as text that reads and compares well. */
package dev.vinekit.json;

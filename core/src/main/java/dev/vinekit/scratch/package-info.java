/** What only a database itself can tell: which rows its checks take, and what its triggers do to them. */
package dev.vinekit.scratch;

/** What went wrong, told to the person who can put it right. */
package dev.vinekit.fault;

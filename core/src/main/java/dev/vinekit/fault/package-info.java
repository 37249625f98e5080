/**
 * What went wrong, told to the person who can put it right.
 *
 * <p>A {@link dev.vinekit.fault.Fault} says what was tried and why it failed; its {@link dev.vinekit.fault.Remedy} is
 * a value, which every front words by the handles that it has itself.
 *
 * @since 0.1.0
 */
package dev.vinekit.fault;

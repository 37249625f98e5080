/**
 * The bundled example: the cellar of a made-up winery, on every engine, with seed rows. Use it to try a call, or a
 * template of your own, without a database of your own.
 *
 * @since 0.1.0
 */
package dev.vinekit.cellar;

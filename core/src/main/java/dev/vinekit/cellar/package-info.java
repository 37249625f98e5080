/** The bundled example: the cellar of a made-up winery. */
package dev.vinekit.cellar;

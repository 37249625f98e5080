/** The description of a service's HTTP interface, as OpenAPI 3.1. */
package dev.vinekit.source.openapi;

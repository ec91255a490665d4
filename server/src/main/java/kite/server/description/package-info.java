/**
 * What the addresses of the application take and give, for programs (OpenAPI): written from the
 * controllers, so that clients can be made of it.
 */
package kite.server.description;

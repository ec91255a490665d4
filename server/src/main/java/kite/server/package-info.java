/**
 * The server: accounts, sequences with their edits and journal, models, render jobs and hand-over,
 * behind an HTTP API; it also serves the page. It decides nothing about cameras: the core does.
 */
package kite.server;

/**
 * The bridge from the page to the core: what the page may ask, as exported functions of one
 * WebAssembly module. Text goes across as JSON, numbers as typed arrays. No rule lives here.
 */
package kite.browser;

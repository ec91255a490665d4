/**
 * The bridge from the page to the core: what the page may ask, as exported functions of one
 * WebAssembly module. A class marked {@code @Answers} answers about one subject; {@code KiteCore}
 * and the writer of answers are made from these classes as they compile, and {@code bridge.ts} from
 * them by {@code ./kite types}. Numbers by the thousand go across as typed arrays, records as JSON.
 * No rule lives here.
 */
package kite.browser;

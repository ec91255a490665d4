/** What is handed over together: the list of what a package holds, and its sheets of numbers. */
package kite.exchange.pack;

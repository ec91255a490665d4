/** How a studio begins: its first account, or the demonstration, and how that ends. */
package kite.server.beginning;

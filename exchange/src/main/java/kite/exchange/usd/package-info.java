/** OpenUSD text (.usda): writing baked cameras. */
package kite.exchange.usd;

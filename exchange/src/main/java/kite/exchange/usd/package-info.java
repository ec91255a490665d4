/**
 * OpenUSD text and packages of it (.usda, .usdz): the stage as one tree, sets in and out, cameras
 * out.
 */
package kite.exchange.usd;

/** Camera tracks from OpenUSD text, glTF and tables of numbers. */
package kite.exchange.track;

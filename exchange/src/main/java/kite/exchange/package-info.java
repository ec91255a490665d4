/** Readers and writers of open formats. Files are read with limits on size, depth and count. */
package kite.exchange;

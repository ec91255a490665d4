/**
 * A sequence as one file, {@code .kite.zip}: its document, kept versions, and the models and images
 * they show, each under the SHA-256 of its bytes, with a manifest that says what belongs to it.
 */
package kite.exchange.archive;

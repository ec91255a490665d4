/**
 * Recordings: read, decoded, mixed for films. What is heard when is the core's ({@code cut.Heard}).
 */
package kite.server.sound;

/**
 * Paths: curves in space measured by arc length, so that progress at constant speed is constant
 * speed in metres.
 */
package kite.core.path;

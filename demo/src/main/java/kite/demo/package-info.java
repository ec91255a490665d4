/** The demonstration production Salt Wind: models and sequences built by code from commands. */
package kite.demo;

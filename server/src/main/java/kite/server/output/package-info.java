/** Where pictures and films are kept: a folder that all machines reach, or a store of objects. */
package kite.server.output;

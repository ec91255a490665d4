/** Wavefront OBJ with its materials, turned into glTF so that everything else knows one form. */
package kite.exchange.obj;

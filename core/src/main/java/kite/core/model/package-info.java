/**
 * How an imported model moves: its nodes and animation clips, evaluated the same for the page, for
 * an aim and for the render. Interpolation follows glTF 2.0, section 3.11 and appendix C.
 */
package kite.core.model;

/** The programme: the order of the shots, and which frame of the scene each frame of it shows. */
package kite.core.cut;

/** The tripod: where the stack stands, or what it rides. */
package kite.core.rig.base;

/** A crane or jib. */
package kite.core.rig.arm;

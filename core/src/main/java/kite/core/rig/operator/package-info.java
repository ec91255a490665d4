/** The simulated person holding the camera. */
package kite.core.rig.operator;

/** Follows the part below late: what it follows, sampled, and the spring itself in closed form. */
package kite.core.rig.spring;

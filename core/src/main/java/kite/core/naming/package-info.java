/** A production's naming rules: what breaks them, and the name that would not. */
package kite.core.naming;

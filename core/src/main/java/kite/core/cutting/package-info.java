/** What a hand on the reel asks for, as commands: cutting to cameras, and trimming to a frame. */
package kite.core.cutting;

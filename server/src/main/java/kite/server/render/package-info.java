/** Render jobs: asked for, worked on frame by frame, stopped, and their pictures and films. */
package kite.server.render;

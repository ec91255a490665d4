/** Where samples are taken: points that are spread evenly in as many ways as a ray has choices. */
package kite.render.sample;

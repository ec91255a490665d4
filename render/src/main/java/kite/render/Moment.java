package kite.render;

/**
 * What there is at one moment of an exposure.
 *
 * @param scene what rays meet
 * @param around sun, lamps, air and plates
 * @param view the camera
 */
public record Moment(Scene scene, Surroundings around, CameraView view) {}

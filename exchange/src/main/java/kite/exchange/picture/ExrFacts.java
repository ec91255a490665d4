package kite.exchange.picture;

/**
 * What the header of a picture says of it.
 *
 * @param shot code of the shot, or ""
 * @param camera letter and name
 * @param version the how-manieth render of its name
 * @param frame of the sequence
 * @param timecode of the frame, as hours:minutes:seconds:frames, with ; before the frames where
 *     numbers are dropped
 * @param rate frames a second as a fraction, two numbers
 * @param focalMm focal length
 * @param focusM focus distance along the axis
 * @param shutterDegrees how far the shutter is open
 * @param worldToCamera 16 numbers by columns, to where the camera looks along +Z with +X right and
 *     +Y up; null where there is no camera
 * @param worldToFrame the same to the frame, 0 to 1 from the left and from the top
 */
public record ExrFacts(
    String sequence,
    String shot,
    String camera,
    String version,
    int frame,
    String timecode,
    int[] rate,
    double focalMm,
    double fStop,
    double focusM,
    double shutterDegrees,
    double[] worldToCamera,
    double[] worldToFrame) {}

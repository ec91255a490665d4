package kite.core.document;

/**
 * What holds for a whole sequence.
 *
 * @param displayUnit m, cm, mm, ft or in: how lengths are shown, never what they are
 * @param gridM size of a grid cell in metres
 */
public record Header(
    String code,
    String title,
    int firstFrame,
    int lastFrame,
    Rate rate,
    String displayUnit,
    double gridM,
    CameraPackage cameraPackage) {}

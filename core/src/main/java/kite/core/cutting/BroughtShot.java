package kite.core.cutting;

import kite.core.document.OrNull;

/**
 * A shot as a cut from elsewhere has it, at the rate of the sequence.
 *
 * @param code what it is called there; empty where nobody said
 * @param camera the letter of its camera; empty where nobody said
 * @param isGap whether it shows nothing
 * @param first the frame of the scene it begins with; null where that is not known
 * @param frames its length in the programme
 * @param scene frames of the scene that pass in so many of the {@code programme}
 * @param line of the file it stands in, from 1; 0 where it has no lines
 */
public record BroughtShot(
    String code,
    String camera,
    boolean isGap,
    @OrNull Double first,
    int frames,
    int scene,
    int programme,
    int line) {}

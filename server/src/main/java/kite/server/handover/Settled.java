package kite.server.handover;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import kite.server.render.NewestPictures;

/**
 * What a package is of, beside its document: it stays so however often its file is made.
 *
 * @param approved ids of shots that were
 * @param pictures that were the newest then
 * @param day on which it was asked for
 */
record Settled(
    PackageAsked asked, Set<String> approved, List<NewestPictures.Made> pictures, LocalDate day) {}

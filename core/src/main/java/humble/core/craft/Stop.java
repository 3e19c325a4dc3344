package humble.core.craft;

import humble.core.kit.Caution;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * A caution that says stop: nothing goes on there before somebody has acknowledged it, with a
 * reason. Several at one place are acknowledged one by one.
 *
 * @param key what it is acknowledged under: where it stands, from the second there with its number,
 *     as in {@code power#2}
 * @param caution what it says
 */
public record Stop(String key, Caution caution) {
  /** Gives all of some cautions that say stop, in their order. */
  public static List<Stop> of(List<Caution> cautions) {
    List<Stop> stops = new ArrayList<>();
    for (Caution caution : cautions) {
      if (caution.level() == Caution.Level.STOP) {
        long before = stops.stream().filter(s -> s.caution().at().equals(caution.at())).count();
        String key = before == 0 ? caution.at() : caution.at() + "#" + (before + 1);
        stops.add(new Stop(key, caution));
      }
    }
    return stops;
  }

  /**
   * Gives the first that stands at one of some names and has not been acknowledged; empty when
   * there is none.
   *
   * @param acknowledged the keys of those that were
   */
  public static Optional<Stop> open(
      List<Caution> cautions, Collection<String> names, Collection<String> acknowledged) {
    return of(cautions).stream()
        .filter(stop -> names.contains(stop.caution().at()))
        .filter(stop -> !acknowledged.contains(stop.key()))
        .findFirst();
  }
}

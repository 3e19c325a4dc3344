package humble.core.kit;

import java.util.List;

/**
 * Work that is not the fitting of a part.
 *
 * @param id name within the kit
 * @param kind what kind of work
 * @param title what to do
 * @param minutes how long it takes at the bench
 * @param minutesUnattended how long it then has to be left alone: drying, hardening
 * @param after refs, ids, or {@code soldering}
 * @param before refs or ids
 */
public record Task(
    String id,
    TaskKind kind,
    String title,
    double minutes,
    double minutesUnattended,
    List<String> after,
    List<String> before) {
  public Task {
    after = List.copyOf(after);
    before = List.copyOf(before);
  }
}

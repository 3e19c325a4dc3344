package humble.store;

import humble.core.build.BuildEvent;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Entries that come from another journal get other numbers; what takes an entry back follows the
 * entry it means.
 */
final class Renumbered {
  private Renumbered() {}

  /**
   * Gives the bodies of rows whose numbers here begin at {@code first}.
   *
   * @param formerly the numbers they had elsewhere, empty for new rows, which stay as they are
   */
  static List<String> bodies(List<Appender.Row> rows, List<Long> formerly, long first) {
    if (formerly.isEmpty()) {
      return rows.stream().map(Appender.Row::body).toList();
    }
    Map<Key, Long> now = new HashMap<>();
    for (int i = 0; i < rows.size(); i++) {
      now.put(new Key(rows.get(i).build(), formerly.get(i)), first + i);
    }
    List<String> bodies = new ArrayList<>();
    for (Appender.Row row : rows) {
      BuildEvent event = EventJson.read(row.kind(), row.body());
      if (event instanceof BuildEvent.TookBack back) {
        // An entry that was left out has no number here, and there is no entry of number 0.
        long number = now.getOrDefault(new Key(row.build(), back.number()), 0L);
        bodies.add(EventJson.body(new BuildEvent.TookBack(number)));
      } else {
        bodies.add(row.body());
      }
    }
    return bodies;
  }

  /** An entry of one build elsewhere. */
  private record Key(String build, long number) {}
}

package humble.store;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Walks the chain of a journal from its first event to its tip and finds what is not as it was
 * written.
 */
final class Proof {
  /** So many rows at the most are asked for one by one in a file whose pages are damaged. */
  private static final long MOST_SALVAGED = 1_000_000;

  private static final int MOST_NAMED = 1_000;

  private final Connection connection;
  private final Chain chain = new Chain();
  private final List<Damage> damage = new ArrayList<>();
  private final Set<Long> setAside = new HashSet<>();

  private Proof(Connection connection) {
    this.connection = connection;
  }

  /**
   * What was found.
   *
   * @param rows every event that could be read
   * @param damage what is not as it was written; empty for a sound journal
   */
  record Found(List<StoredEvent> rows, List<Damage> damage) {}

  /** Proves the journal behind {@code connection}. */
  static Found of(Connection connection) {
    return new Proof(connection).found();
  }

  private Found found() {
    List<StoredEvent> rows;
    long tip = 0;
    byte[] tipChain = new byte[0];
    try (Statement statement = connection.createStatement()) {
      try (ResultSet result = statement.executeQuery("SELECT number, chain FROM tip")) {
        if (result.next()) {
          tip = result.getLong(1);
          byte[] stored = result.getBytes(2);
          tipChain = stored == null ? new byte[0] : stored;
        } else {
          whole("The record of the last entry is gone.");
        }
      }
      try (ResultSet result = statement.executeQuery("SELECT number FROM set_aside")) {
        while (result.next()) {
          setAside.add(result.getLong(1));
        }
      }
      rows = Rows.all(connection, true);
    } catch (SQLException e) {
      whole("Parts of the file cannot be read: " + firstLine(e) + ".");
      rows = Rows.salvaged(connection, true, Math.clamp(tip, 10_000, MOST_SALVAGED));
    }
    walk(rows, tip, tipChain);
    return new Found(rows, damage);
  }

  private static String firstLine(SQLException e) {
    return String.valueOf(e.getMessage()).lines().findFirst().orElse("");
  }

  private void whole(String text) {
    damage.add(new Damage(0, "", Damage.Kind.UNREADABLE, text));
  }

  private void walk(List<StoredEvent> rows, long tip, byte[] tipChain) {
    byte[] before = Chain.start();
    long expected = 1;
    boolean gap = false;
    for (int i = 0; i < rows.size(); i++) {
      StoredEvent row = rows.get(i);
      gap |= missing(expected, row.number());
      byte[] reckoned = of(before, row);
      before =
          Arrays.equals(reckoned, row.chain())
              ? reckoned
              : judge(
                  row, reckoned, i + 1 < rows.size() ? rows.get(i + 1) : null, tip, tipChain, gap);
      expected = row.number() + 1;
      gap = false;
    }
    tail(rows, expected, tip, tipChain);
  }

  private byte[] of(byte[] before, StoredEvent row) {
    return chain.of(before, row.number(), row.atMs(), row.build(), row.kind(), row.body());
  }

  /** Names the numbers that are gone; what somebody has set aside is no damage any more. */
  private boolean missing(long from, long to) {
    boolean any = false;
    for (long number = from; number < to; number++) {
      if (!setAside.contains(number)) {
        any = true;
        if (damage.size() >= MOST_NAMED) {
          whole("More entries than can be named are missing.");
          break;
        }
        damage.add(new Damage(number, "", Damage.Kind.MISSING, "Entry " + number + " is missing."));
      }
    }
    return any;
  }

  /**
   * Judges an event whose checksum does not fit: was it the event, its checksum, or what was
   * before? Gives the checksum that the next one is held against.
   */
  private byte[] judge(
      StoredEvent row,
      byte[] reckoned,
      @org.jspecify.annotations.Nullable StoredEvent next,
      long tip,
      byte[] tipChain,
      boolean gap) {
    boolean follows =
        next == null
            ? row.number() == tip && Arrays.equals(reckoned, tipChain)
            : Arrays.equals(of(reckoned, next), next.chain());
    if (follows) {
      add(row, Damage.Kind.CHECKSUM, "The checksum of entry %d was changed; the entry was not.");
      return reckoned;
    }
    if (gap) {
      add(row, Damage.Kind.UNPROVED, "Entry %d stands behind a missing one and cannot be proved.");
    } else {
      add(row, Damage.Kind.CHANGED, "Entry %d is not as it was written.");
    }
    return row.chain();
  }

  private void add(StoredEvent row, Damage.Kind kind, String text) {
    damage.add(
        new Damage(
            row.number(),
            row.buildText(),
            kind,
            String.format(java.util.Locale.ROOT, text, row.number())));
  }

  private void tail(List<StoredEvent> rows, long expected, long tip, byte[] tipChain) {
    if (expected <= tip) {
      missing(expected, tip + 1);
    } else if (expected > tip + 1) {
      whole("The record of the last entry names entry " + tip + ", which is not the last.");
    } else if (!rows.isEmpty()
        && damage.isEmpty()
        && !Arrays.equals(rows.getLast().chain(), tipChain)) {
      whole("The record of the last entry is not as it was written.");
    }
  }
}

package humble.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.build.BuildEvent;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is not as it was written is seen, named, and never read as if it were. */
class DamageTest {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2027-01-14T18:30:00Z"), ZoneOffset.UTC);
  private static final int EVENTS = 60;

  @TempDir Path folder;

  private Path file() {
    return folder.resolve("bench.db");
  }

  private void written() {
    if (Journal.open(file(), CLOCK) instanceof JournalOpen.Opened opened) {
      for (int i = 1; i <= EVENTS; i++) {
        opened.journal().append("b-" + i % 2, new BuildEvent.Counted("r" + i, i));
      }
      opened.journal().close();
    }
  }

  private void sql(String statement) throws SQLException {
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file());
        Statement run = connection.createStatement()) {
      run.execute(statement);
    }
  }

  private List<Damage> damage() {
    return switch (Journal.open(file(), CLOCK)) {
      case JournalOpen.Opened opened -> {
        opened.journal().close();
        yield List.of();
      }
      case JournalOpen.Damaged damaged -> {
        damaged.journal().close();
        yield damaged.damage();
      }
      case JournalOpen.Refused refused ->
          List.of(new Damage(0, "", Damage.Kind.UNREADABLE, refused.why()));
    };
  }

  @Test
  void aChangedReadingIsNamedByItsNumberAlone() throws Exception {
    written();
    sql("UPDATE event SET body = '{\"item\":\"r7\",\"pieces\":8}' WHERE number = 7");
    assertThat(damage())
        .containsExactly(
            new Damage(7, "b-1", Damage.Kind.CHANGED, "Entry 7 is not as it was written."));
  }

  @Test
  void aChangedTimeBuildOrKindIsSeenToo() throws Exception {
    for (String change : List.of("at_ms = at_ms + 1", "build = 'c'", "kind = 'Woke'")) {
      Files.deleteIfExists(file());
      written();
      sql("UPDATE event SET " + change + " WHERE number = 9");
      assertThat(damage()).as(change).extracting(Damage::number).containsExactly(9L);
    }
  }

  @Test
  void aChangedChecksumIsToldFromAChangedEntry() throws Exception {
    written();
    sql("UPDATE event SET chain = zeroblob(32) WHERE number = 7");
    assertThat(damage())
        .singleElement()
        .satisfies(found -> {
          assertThat(found.kind()).isEqualTo(Damage.Kind.CHECKSUM);
          assertThat(found.number()).isEqualTo(7);
        });
    assertThat(((JournalOpen.Damaged) Journal.open(file(), CLOCK)).journal().build("b-1").counted())
        .containsEntry("r7", 7);
  }

  @Test
  void missingEntriesAreNamedAtTheBeginningInTheMiddleAndAtTheEnd() throws Exception {
    for (long number : new long[] {1, 30, EVENTS}) {
      Files.deleteIfExists(file());
      written();
      sql("DELETE FROM event WHERE number = " + number);
      assertThat(damage())
          .as("entry " + number)
          .anySatisfy(found -> {
            assertThat(found.number()).isEqualTo(number);
            assertThat(found.kind()).isEqualTo(Damage.Kind.MISSING);
          })
          .hasSizeLessThanOrEqualTo(2);
    }
  }

  @Test
  void entriesPutInByAnotherHandAreSeen() throws Exception {
    written();
    sql(
        "INSERT INTO event (number, build, at_ms, kind, body) VALUES (61, 'b-1', 0, 'Woke',"
            + " '{\"peripheral\":\"x\"}')");
    assertThat(damage()).isNotEmpty();
  }

  @Test
  void aDamagedJournalIsReadAndNotWritten() throws Exception {
    written();
    sql("UPDATE event SET body = '{}' WHERE number = 7");
    JournalOpen.Damaged damaged = (JournalOpen.Damaged) Journal.open(file(), CLOCK);
    try (Journal journal = damaged.journal()) {
      assertThat(journal.builds()).containsExactly("b-0", "b-1");
      assertThat(journal.build("b-1").counted()).hasSize(EVENTS / 2 - 1).doesNotContainKey("r7");
      assertThat(journal.build("b-1").entries()).hasSize(EVENTS / 2);
      assertThatThrownBy(() -> journal.append("b-1", new BuildEvent.Woke("x")))
          .isInstanceOfSatisfying(
              NotWritten.class, e -> assertThat(e.why()).isEqualTo(NotWritten.Why.UNDECIDED));
      journal.goOnWithoutDamage();
      assertThat(journal.append("b-1", new BuildEvent.Woke("x")).number()).isEqualTo(EVENTS + 1);
      assertThat(journal.build("b-1").counted()).hasSize(EVENTS / 2 - 1);
    }
    assertThat(damage()).as("what was set aside is no damage any more").isEmpty();
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file());
        Statement statement = connection.createStatement();
        var aside = statement.executeQuery("SELECT number, body FROM set_aside")) {
      assertThat(aside.next()).isTrue();
      assertThat(aside.getInt(1)).isEqualTo(7);
      assertThat(aside.getString(2)).isEqualTo("{}");
      assertThat(aside.next()).isFalse();
    }
  }

  /**
   * Journals damaged at random: none opens as if nothing were, unless every entry reads as it was
   * written.
   */
  @Test
  void noRandomDamagePassesForTheTruth() throws IOException {
    written();
    byte[] sound = Files.readAllBytes(file());
    List<String> truth = readings();
    Random random = new Random(11);
    int seen = 0;
    for (int round = 0; round < 150; round++) {
      byte[] hurt = sound.clone();
      int at = random.nextInt(hurt.length);
      switch (round % 3) {
        case 0 -> hurt[at] ^= (byte) (1 << random.nextInt(8));
        case 1 -> {
          for (int i = at; i < Math.min(hurt.length, at + 40); i++) {
            hurt[i] = (byte) random.nextInt(256);
          }
        }
        default -> java.util.Arrays.fill(hurt, at, Math.min(hurt.length, at + 512), (byte) 0);
      }
      for (String ending : List.of("-wal", "-shm")) {
        Files.deleteIfExists(folder.resolve("bench.db" + ending));
      }
      Files.write(file(), hurt);
      if (damage().isEmpty()) {
        assertThat(readings()).as("round " + round + ", byte " + at).isEqualTo(truth);
      } else {
        seen++;
      }
    }
    assertThat(seen).isGreaterThan(90);
  }

  private List<String> readings() {
    if (Journal.open(file(), CLOCK) instanceof JournalOpen.Opened opened) {
      try (Journal journal = opened.journal()) {
        return journal.builds().stream()
            .flatMap(id -> journal.build(id).entries().stream())
            .map(Object::toString)
            .toList();
      }
    }
    return List.of();
  }
}

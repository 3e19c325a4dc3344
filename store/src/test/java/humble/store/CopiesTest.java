package humble.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.build.BuildEvent;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CopiesTest {
  private static final Instant START = Instant.parse("2027-01-14T18:30:00Z");

  @TempDir Path folder;

  private Path file() {
    return folder.resolve("bench.db");
  }

  private Journal open(Instant at) {
    return switch (Journal.open(file(), Clock.fixed(at, ZoneOffset.UTC))) {
      case JournalOpen.Opened opened -> opened.journal();
      case JournalOpen.Damaged damaged -> throw new AssertionError(damaged.damage().toString());
      case JournalOpen.Refused refused -> throw new AssertionError(refused.why());
    };
  }

  private void evening(Instant at, String what) throws IOException {
    try (Journal journal = open(at)) {
      journal.append("b-1", new BuildEvent.Woke(what));
      Copies.of(file()).make(journal);
    }
  }

  @Test
  void oneCopyAnEveningTheLastTenAndOneAMonth() throws IOException {
    for (int day = 0; day < 120; day++) {
      evening(START.plus(Duration.ofDays(day)), "evening " + day);
    }
    List<Copies.Copy> copies = Copies.of(file()).all();
    assertThat(copies).hasSize(10 + 4);
    assertThat(copies.subList(0, 10))
        .extracting(Copies.Copy::at)
        .containsExactlyElementsOf(
            java.util.stream.IntStream.range(0, 10)
                .mapToObj(i -> START.plus(Duration.ofDays(119 - i)))
                .toList());
    assertThat(copies.subList(10, 14))
        .extracting(copy -> copy.at().toString().substring(0, 10))
        .containsExactly("2027-04-30", "2027-03-31", "2027-02-28", "2027-01-31");
    try (var left = Files.list(folder.resolve("backups"))) {
      assertThat(left).as("nothing lies about").hasSize(14);
    }
  }

  @Test
  void nothingNewNeedsNoCopyAndAnEveningThatGoesOnIsNotOver() throws IOException {
    evening(START, "one");
    try (Journal journal = open(START)) {
      assertThat(Copies.of(file()).make(journal)).isEmpty();
      journal.append("b-1", new BuildEvent.Woke("two"));
      Clock soon = Clock.fixed(START.plusSeconds(600), ZoneOffset.UTC);
      Clock tomorrow = Clock.fixed(START.plusSeconds(50_000), ZoneOffset.UTC);
      assertThat(Copies.of(file()).isDue(journal, soon)).isFalse();
      assertThat(Copies.of(file()).isDue(journal, tomorrow)).isFalse();
    }
    try (Journal journal = open(START.plusSeconds(60))) {
      journal.append("b-1", new BuildEvent.Woke("three"));
      Clock tomorrow = Clock.fixed(START.plusSeconds(50_000), ZoneOffset.UTC);
      assertThat(Copies.of(file()).isDue(journal, tomorrow)).isTrue();
    }
  }

  @Test
  void aCopyIsRestoredAndWhatWasThereIsKept() throws Exception {
    evening(START, "one");
    evening(START.plusSeconds(90_000), "two");
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file());
        Statement statement = connection.createStatement()) {
      statement.execute("UPDATE event SET body = '{\"peripheral\":\"zwei\"}' WHERE number = 2");
    }
    assertThat(Journal.open(file(), Clock.systemUTC())).isInstanceOf(JournalOpen.Damaged.class);
    Copies copies = Copies.of(file());
    Path kept = copies.restore(copies.all().getFirst().file()).orElseThrow();
    try (Journal journal = open(START)) {
      assertThat(journal.build("b-1").awake()).containsExactly("one", "two");
      assertThat(journal.append("b-1", new BuildEvent.Woke("three")).number()).isEqualTo(3);
    }
    assertThat(Journal.open(kept, Clock.systemUTC()))
        .as("what was there is as it was")
        .isInstanceOf(JournalOpen.Damaged.class);
  }

  @Test
  void whatIsNoDatabaseAnyMoreIsReplacedByTheCopy() throws IOException {
    evening(START, "one");
    Files.writeString(file(), "coffee");
    Copies copies = Copies.of(file());
    Path kept = copies.restore(copies.all().getFirst().file()).orElseThrow();
    assertThat(kept).hasContent("coffee");
    try (Journal journal = open(START)) {
      assertThat(journal.build("b-1").awake()).containsExactly("one");
    }
  }

  @Test
  void aWindowThatHasTheJournalOpenGoesOnWithWhatWasRestored() throws IOException {
    evening(START, "one");
    evening(START.plusSeconds(90_000), "two");
    Copies copies = Copies.of(file());
    try (Journal other = open(START.plusSeconds(100_000))) {
      assertThat(other.build("b-1").awake()).containsExactly("one", "two");
      copies.restore(copies.all().getLast().file());
      assertThat(other.build("b-1").awake()).containsExactly("one");
      assertThat(other.append("b-1", new BuildEvent.Woke("other")).number()).isEqualTo(2);
    }
    try (Journal journal = open(START)) {
      assertThat(journal.build("b-1").awake()).containsExactly("one", "other");
    }
  }

  @Test
  void whileAnotherWindowWritesNothingIsRestoredAndItsActIsKept() throws Exception {
    evening(START, "one");
    evening(START.plusSeconds(90_000), "two");
    Copies copies = Copies.of(file());
    try (Connection other = DriverManager.getConnection("jdbc:sqlite:" + file());
        Statement statement = other.createStatement()) {
      statement.execute("BEGIN IMMEDIATE");
      statement.execute("UPDATE event SET kind = kind");
      assertThatThrownBy(() -> copies.restore(copies.all().getLast().file()))
          .isInstanceOf(IOException.class)
          .hasMessageContaining("Another window is writing");
      statement.execute("COMMIT");
    }
    try (Journal journal = open(START)) {
      assertThat(journal.build("b-1").awake()).containsExactly("one", "two");
    }
  }

  @Test
  void aDamagedCopyIsNotRestoredAndADamagedJournalIsNotCopied() throws Exception {
    evening(START, "one");
    Copies copies = Copies.of(file());
    Path copy = copies.all().getFirst().file();
    byte[] bytes = Files.readAllBytes(copy);
    Files.write(copy, java.util.Arrays.copyOf(bytes, bytes.length / 2));
    byte[] before = Files.readAllBytes(file());
    assertThatThrownBy(() -> copies.restore(copy)).isInstanceOf(IOException.class);
    assertThat(Files.readAllBytes(file())).isEqualTo(before);
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file());
        Statement statement = connection.createStatement()) {
      statement.execute("UPDATE event SET at_ms = at_ms + 100000000");
    }
    JournalOpen.Damaged damaged = (JournalOpen.Damaged) Journal.open(file(), Clock.systemUTC());
    try (Journal journal = damaged.journal()) {
      assertThat(copies.make(journal)).isEmpty();
    }
    assertThatThrownBy(() -> copies.restore(folder.resolve("none.db")))
        .hasMessageContaining("no copy");
  }

  @Test
  void theJournalBegunBesideADamagedOneIsFoundAgain() throws IOException {
    Files.writeString(file(), "coffee");
    BenchFile.Found first = BenchFile.open(folder, Clock.systemUTC());
    JournalOpen.Refused refused = (JournalOpen.Refused) first.outcome();
    assertThat(refused.beside().getFileName()).hasToString("bench-2.db");
    ((JournalOpen.Opened) Journal.open(refused.beside(), Clock.systemUTC())).journal().close();
    BenchFile.Found again = BenchFile.open(folder, Clock.systemUTC());
    assertThat(again.file().getFileName()).hasToString("bench-2.db");
    assertThat(again.insteadOf()).contains("cannot be opened");
    ((JournalOpen.Opened) again.outcome()).journal().close();
    assertThat(file()).hasContent("coffee");
  }
}

package humble.store;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class JournalLinesTest {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2027-01-14T18:30:00.123Z"), ZoneOffset.UTC);
  private static final String HEAD =
      "{\"format\":\"humble-journal/1\",\"builds\":1,\"entries\":1}\n";

  @TempDir Path folder;

  private Journal open(String name) {
    return switch (Journal.open(folder.resolve(name), CLOCK)) {
      case JournalOpen.Opened opened -> opened.journal();
      case JournalOpen.Damaged damaged -> throw new AssertionError(damaged.damage().toString());
      case JournalOpen.Refused refused -> throw new AssertionError(refused.why());
    };
  }

  private static String written(Journal journal) throws IOException {
    StringWriter out = new StringWriter();
    JournalLines.write(journal, out);
    return out.toString();
  }

  private static JournalLines.TakenIn read(Journal journal, String lines) throws IOException {
    return JournalLines.read(journal, new StringReader(lines), "old.jsonl", Budget.unlimited());
  }

  @Test
  void everyKindOfEntryGoesOutAndComesInAsItWas() throws IOException {
    try (Journal from = open("from.db");
        Journal to = open("to.db")) {
      to.append("b-1", new BuildEvent.Woke("something else"));
      JournalTest.events().forEach(event -> from.append("b-1", event));
      JournalTest.events().forEach(event -> from.append("c-1", event));
      JournalLines.TakenIn taken = read(to, written(from));
      assertThat(taken.problems()).isEmpty();
      assertThat(taken.builds()).containsEntry("b-1", "b-2").containsEntry("c-1", "c-1");
      Build here = to.build("b-2");
      Build there = from.build("b-1");
      assertThat(here.entries()).hasSameSizeAs(there.entries());
      for (int i = 0; i < here.entries().size() - 1; i++) {
        assertThat(here.entries().get(i).event()).isEqualTo(there.entries().get(i).event());
        assertThat(here.entries().get(i).at()).isEqualTo(there.entries().get(i).at());
      }
      assertThat(here.inForce().stream().map(BuildEvent.Entry::event))
          .as("what was taken back there is taken back here")
          .containsExactlyElementsOf(
              there.inForce().stream().map(BuildEvent.Entry::event).toList());
    }
  }

  @Test
  void whatIsHereAlreadyIsNotTakenInTwice() throws IOException {
    try (Journal journal = open("bench.db")) {
      JournalTest.events().forEach(event -> journal.append("b-1", event));
      JournalLines.TakenIn taken = read(journal, written(journal));
      assertThat(taken.same()).containsExactly("b-1");
      assertThat(taken.entries()).isZero();
      assertThat(journal.builds()).containsExactly("b-1");
    }
  }

  @Test
  void allThatIsWrongIsToldAtOnceAndNothingIsTakenIn() throws IOException {
    String good =
        "{\"build\":\"b\",\"number\":1,\"at\":\"2027-01-14T18:30:00Z\",\"kind\":\"Woke\","
            + "\"entry\":{\"peripheral\":\"x\"}}\n";
    try (Journal journal = open("bench.db")) {
      JournalLines.TakenIn taken =
          read(
              journal,
              HEAD
                  + good
                  + "{\"build\":\n"
                  + good.replace("\"b\"", "\"../b\"")
                  + good.replace("Woke", "Danced")
                  + good.replace("2027", "soon")
                  + good.replace("\"number\":1", "\"number\":\"one\"")
                  + good.replace("{\"peripheral\":\"x\"}", "[]"));
      assertThat(taken.problems())
          .extracting(problem -> problem.substring(0, problem.indexOf(':')))
          .containsExactly(
              "old.jsonl line 3",
              "old.jsonl line 4",
              "old.jsonl line 5",
              "old.jsonl line 6",
              "old.jsonl line 7",
              "old.jsonl line 8");
      assertThat(journal.events()).isZero();
      assertThat(read(journal, "{\"format\":\"x\"}\n").problems()).hasSize(1);
      assertThat(read(journal, "").problems()).hasSize(1);
      assertThat(read(journal, "x".repeat(2_000_000)).problems()).hasSize(1);
    }
  }

  @Test
  void damagedEntriesGoOutWithTheReasonAndStayOut() throws Exception {
    try (Journal journal = open("bench.db")) {
      List.of("a", "b", "c").forEach(what -> journal.append("b", new BuildEvent.Woke(what)));
    }
    try (var connection =
            java.sql.DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("bench.db"));
        var statement = connection.createStatement()) {
      statement.execute("UPDATE event SET body = 'no JSON' WHERE number = 2");
    }
    JournalOpen.Damaged damaged =
        (JournalOpen.Damaged) Journal.open(folder.resolve("bench.db"), CLOCK);
    String lines;
    try (Journal journal = damaged.journal()) {
      lines = written(journal);
    }
    assertThat(lines).contains("\"damaged\":\"Entry 2 is not as it was written.\"", "\"no JSON\"");
    try (Journal other = open("other.db")) {
      JournalLines.TakenIn taken = read(other, lines);
      assertThat(taken.leftOut()).singleElement().asString().startsWith("old.jsonl line 3");
      assertThat(other.build("b").awake()).containsExactly("a", "c");
    }
  }

  private static BuildEvent.CameAlong came() {
    return new BuildEvent.CameAlong("kits/here", "moth.hcbuild", true);
  }

  private static String along(Journal journal, String build) throws IOException {
    StringWriter out = new StringWriter();
    JournalLines.write(journal, build, out);
    return out.toString();
  }

  private static JournalLines.TakenIn takeAlong(Journal journal, String lines) throws IOException {
    return JournalLines.takeAlong(
        journal, new StringReader(lines), "moth.hcbuild", Budget.unlimited(), came());
  }

  @Test
  void oneBuildGoesAlongWithoutThePlacesOfItsMachine() throws IOException {
    try (Journal from = open("from.db");
        Journal to = open("to.db")) {
      from.append("b-1", new BuildEvent.Began("Moth", "moth", "/home/somebody/kits/moth", 7));
      from.append("b-1", new BuildEvent.UsesProgrammer("/home/somebody/send %f"));
      BuildEvent.Entry note = from.append("b-1", new BuildEvent.Noted("fit", "one"));
      from.append("c-1", new BuildEvent.Noted("fit", "of another build"));
      from.append("b-1", new BuildEvent.TookBack(note.number()));
      String lines = along(from, "b-1");
      assertThat(lines).doesNotContain("somebody", "another build");
      to.append("b-1", new BuildEvent.Began("Something else", "moth", "kits/moth", 1));
      JournalLines.TakenIn taken = takeAlong(to, lines);
      assertThat(taken.problems()).isEmpty();
      assertThat(taken.builds()).containsEntry("b-1", "b-2");
      Build here = to.build("b-2");
      assertThat(here.entries()).hasSize(5);
      assertThat(here.entries().getLast().event()).isEqualTo(came());
      assertThat(here.began().orElseThrow().kitPath()).isEqualTo("kits/here");
      assertThat(here.inForce())
          .extracting(BuildEvent.Entry::event)
          .as("what was taken back there is taken back here")
          .noneMatch(event -> event instanceof BuildEvent.Noted);
      to.append("b-2", new BuildEvent.Noted("fit", "gone on with here"));
      JournalLines.TakenIn again = takeAlong(to, lines);
      assertThat(again.builds()).isEmpty();
      assertThat(again.same()).containsExactly("b-2");
    }
  }

  @Test
  void onlyOneBuildGoesAlongAtATime() throws IOException {
    try (Journal from = open("from.db");
        Journal to = open("to.db")) {
      from.append("b-1", new BuildEvent.Noted("fit", "one"));
      from.append("c-1", new BuildEvent.Noted("fit", "two"));
      assertThat(takeAlong(to, written(from)).problems())
          .singleElement()
          .asString()
          .contains("more than one build");
      assertThat(to.builds()).isEmpty();
    }
  }

  @Test
  void whatBelongsToTheBenchIsNoBuildAndIsMergedOnce() throws IOException {
    try (Journal from = open("from.db");
        Journal to = open("to.db")) {
      from.append(Journal.BENCH, new BuildEvent.Drilled("codes", true, 3));
      from.append("b-1", new BuildEvent.Noted("fit", "one"));
      to.append(Journal.BENCH, new BuildEvent.Walked(true));
      assertThat(from.builds()).containsExactly("b-1");
      read(to, written(from));
      read(to, written(from));
      assertThat(to.builds()).containsExactly("b-1");
      assertThat(to.bench().entries())
          .extracting(BuildEvent.Entry::event)
          .containsExactly(new BuildEvent.Walked(true), new BuildEvent.Drilled("codes", true, 3));
    }
  }
}

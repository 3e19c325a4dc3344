package humble.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.build.KitChange;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
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
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class JournalTest {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2027-01-14T18:30:00.123456Z"), ZoneOffset.UTC);

  @TempDir Path folder;

  private Path file() {
    return folder.resolve("bench.db");
  }

  private Journal open() {
    return switch (Journal.open(file(), CLOCK)) {
      case JournalOpen.Opened opened -> opened.journal();
      case JournalOpen.Damaged damaged -> throw new AssertionError(damaged.damage().toString());
      case JournalOpen.Refused refused -> throw new AssertionError(refused.why());
    };
  }

  static List<BuildEvent> events() {
    return List.of(
        new BuildEvent.Began("Mira's \"moth\"", "glowmoth", "kits/glowmoth", -7),
        new BuildEvent.Counted("r220", 6),
        new BuildEvent.Measured("r220", 220.5, "inside"),
        new BuildEvent.BandsRead("r220"),
        new BuildEvent.UsesMeter("pocket"),
        new BuildEvent.FedBy("plain"),
        new BuildEvent.SeriesRead("idle", 0.08, true, false),
        new BuildEvent.Checked("plug", true),
        new BuildEvent.GateRead("apart", Double.POSITIVE_INFINITY, "inside", false),
        new BuildEvent.HostRead("HB-4", true),
        new BuildEvent.Surveyed("C9", "burnt"),
        new BuildEvent.HoleSeen("C9.1", "lifted"),
        new BuildEvent.Answered(
            "place:R1",
            "12.7/20.32",
            List.of("package:R1"),
            List.of(new KitChange("places", "R1", "{\"x_mm\":12.7}"))),
        new BuildEvent.LookedOver("main", "outline", false),
        new BuildEvent.Snapped("hdr6"),
        new BuildEvent.Sees("warm", "deutan"),
        new BuildEvent.Moved("fit:C1", "fit:R1"),
        new BuildEvent.Chose("sounder", "soft"),
        new BuildEvent.TookSchool("low"),
        new BuildEvent.Turned("main", "bottom", 90),
        new BuildEvent.MarkSeen("fit:C1", "stripe"),
        new BuildEvent.Acknowledged("U1", "a friend who may looks at it first"),
        new BuildEvent.SaysDangers(List.of("mains", "transmits")),
        new BuildEvent.CameAlong("kits/moth", "moth.hcbuild", true),
        new BuildEvent.SeenFitted(List.of("R1", "R2"), true),
        new BuildEvent.RestsOn("buoy-1", "Buoy"),
        new BuildEvent.PhotoKept("photos/0123456789abcdef.jpg", "fit", "Fit C1"),
        new BuildEvent.Drilled("bands-four", true, 4.5),
        new BuildEvent.Walked(false),
        new BuildEvent.TrimAnew("null"),
        new BuildEvent.TrimTried("null", List.of(0.5, 0.25), 1.37, "less", true),
        new BuildEvent.TrimLeft("null", List.of(0.5, 0.25), 0.02, false, true, false),
        new BuildEvent.Calibrated("zero", 1, List.of(0.1, 0.2), false),
        new BuildEvent.Proved("c10n", 1.01e-8, "inside", false),
        new BuildEvent.Fitted("fit:R1", List.of("R1", "R2"), 4),
        new BuildEvent.FittedSome("fit:LED1", List.of("LED1", "LED2"), 4),
        new BuildEvent.TookOut("remove:BT1@fit:R1", List.of("BT1")),
        new BuildEvent.LeftOut("C9", "not in the bag"),
        new BuildEvent.Replaced("R4", "2k2 for 2k"),
        new BuildEvent.GateRead("rail33", 3.31, "inside", true),
        new BuildEvent.GatePassed("rail33", 3.31),
        new BuildEvent.SettingMade("owner", "…"),
        new BuildEvent.BesideDone("levels", "card", 3, true, false, ""),
        new BuildEvent.RowPut("follow", 3, 0x50),
        new BuildEvent.RowRead("follow", 3, 0x51),
        new BuildEvent.PanelOff("follow"),
        new BuildEvent.ProgramShown("follow", 0x26, true, false),
        new BuildEvent.UsesProgrammer("flash {file}"),
        new BuildEvent.Loaded("lamp", "main", 1754, "ab", true, false),
        new BuildEvent.Loaded(
            "lamp", "main", 9, "cd", false, false, "lamp.hex", 0xffff_ffffL, "a port", "blocks"),
        new BuildEvent.Started("lamp", true, false),
        new BuildEvent.Saw("lamps", Map.of("dark", "3 7"), true),
        new BuildEvent.Saw(
            "screen", new DisplaySetting(new Pose(270, true), true, false, 2, -1).facts(), true),
        new BuildEvent.Woke("lamps"),
        new BuildEvent.ScrewTaken("front", 16, 11.5),
        new BuildEvent.Closed("front"),
        new BuildEvent.Noted("Fit", "ein Öhr, 日本, \n zwei Zeilen"),
        new BuildEvent.Wrong("Power", "rail33"),
        new BuildEvent.PlansEvenings(90),
        new BuildEvent.MarksWeighed("led", "long lead", 0.97, true),
        new BuildEvent.ModuleRead("M1", List.of("GND", "VCC"), "A"),
        new BuildEvent.Wound("L1", "a", 12),
        new BuildEvent.Coiled("tuner", "a", Double.POSITIVE_INFINITY, false, false),
        new BuildEvent.Tried("led-red", "blue"),
        new BuildEvent.JointSeen("R1.1", "dry"),
        new BuildEvent.GateOverridden("rail33", "the meter is out"),
        new BuildEvent.FaultHidden("lamp1", 2, "open:LED1.2", 4),
        new BuildEvent.Observed("lamp1", "V(5V)=4.98", true),
        new BuildEvent.Mended("lamp1", "open:R3.2", 4, false),
        new BuildEvent.Repaired("lamp1", "open:R3.2", List.of("rail33")),
        new BuildEvent.TookBack(3));
  }

  @ParameterizedTest
  @MethodSource("events")
  void everyKindOfEventComesBackAsItWas(BuildEvent event) {
    try (Journal journal = open()) {
      journal.append("b", event);
      assertThat(journal.build("b").entries())
          .singleElement()
          .satisfies(e -> assertThat(e.event()).isEqualTo(event));
    }
  }

  @Test
  void theListAboveHasEveryKind() {
    assertThat(events().stream().<Class<?>>map(Object::getClass).distinct().toList())
        .containsExactlyInAnyOrderElementsOf(
            java.util.Arrays.stream(BuildEvent.class.getPermittedSubclasses())
                .filter(kind -> kind != BuildEvent.Unread.class)
                .toList());
  }

  @Test
  void aBuildIsThereAgainAfterClosing() {
    try (Journal journal = open()) {
      events().subList(0, 3).forEach(e -> journal.append("glowmoth-1", e));
      journal.append("glowmoth-2", events().getFirst());
    }
    try (Journal journal = open()) {
      assertThat(journal.builds()).containsExactly("glowmoth-2", "glowmoth-1");
      Build build = journal.build("glowmoth-1");
      assertThat(build.counted()).containsEntry("r220", 6);
      assertThat(build.entries().getFirst().at())
          .isEqualTo(Instant.parse("2027-01-14T18:30:00.123Z"));
      assertThat(journal.append("glowmoth-1", new BuildEvent.Woke("x")).number()).isEqualTo(5);
    }
  }

  @Test
  void twoWindowsOnOneBenchTakeTurns() {
    try (Journal one = open();
        Journal two = open()) {
      assertThat(one.append("a", new BuildEvent.Woke("1")).number()).isEqualTo(1);
      assertThat(two.append("a", new BuildEvent.Woke("2")).number()).isEqualTo(2);
      assertThat(one.append("a", new BuildEvent.Woke("3")).number()).isEqualTo(3);
      assertThat(two.build("a").awake()).containsExactly("1", "2", "3");
    }
  }

  /** What an append has returned for is on the disk, however the process ends. */
  @Test
  void whatWasAppendedSurvivesAKill() throws IOException, InterruptedException {
    Process child =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "-cp",
                System.getProperty("java.class.path"),
                "humble.store.AppendUntilKilled",
                file().toString())
            .redirectErrorStream(true)
            .start();
    long said = 0;
    try (var reader = child.inputReader(StandardCharsets.UTF_8)) {
      while (said < 40) {
        String line = reader.readLine();
        assertThat(line).as("the child ended early").isNotNull();
        said = line.matches("\\d+") ? Long.parseLong(line) : said;
      }
      child.destroyForcibly().waitFor(10, TimeUnit.SECONDS);
    }
    try (Journal journal = open()) {
      assertThat(journal.build("b").entries().size()).isGreaterThanOrEqualTo((int) said);
    }
  }

  private void database(String... statements) throws SQLException {
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file());
        Statement statement = connection.createStatement()) {
      for (String each : statements) {
        statement.execute(each);
      }
    }
  }

  private JournalOpen.Refused refused() {
    return (JournalOpen.Refused) Journal.open(file(), CLOCK);
  }

  @Test
  void aJournalOfANewerVersionIsLeftAloneAndANewOneOfferedBeside() throws Exception {
    open().close();
    database("PRAGMA user_version = 9");
    byte[] before = Files.readAllBytes(file());
    assertThat(refused().why()).contains("newer").contains("9");
    assertThat(refused().beside().getFileName()).hasToString("bench-2.db");
    assertThat(Files.readAllBytes(file())).isEqualTo(before);
    Files.writeString(folder.resolve("bench-2.db"), "taken");
    assertThat(refused().beside().getFileName()).hasToString("bench-3.db");
  }

  @Test
  void anotherProgramsDatabaseIsLeftAlone() throws Exception {
    database("CREATE TABLE accounts (id INTEGER)", "INSERT INTO accounts VALUES (1)");
    byte[] before = Files.readAllBytes(file());
    assertThat(refused().why()).contains("another program");
    assertThat(Files.readAllBytes(file())).isEqualTo(before);
  }

  @Test
  void whatIsNoDatabaseIsLeftAlone() throws Exception {
    Files.writeString(file(), "This is the shopping list of the harbour library, not a journal.");
    assertThat(refused().why()).contains("cannot be opened");
    assertThat(file()).content().startsWith("This is the shopping list");
  }

  @Test
  void aFolderThatCannotBeMadeIsSaid() throws Exception {
    Files.writeString(folder.resolve("blocked"), "x");
    assertThat(Journal.open(folder.resolve("blocked/bench.db"), CLOCK))
        .isInstanceOfSatisfying(
            JournalOpen.Refused.class,
            r -> {
              assertThat(r.why()).contains("bench.db");
              assertThat(r.reason()).isEqualTo(JournalOpen.Reason.NO_PLACE);
            });
  }

  /** A journal as the first version of the program left it. */
  private void former(String... rows) throws SQLException {
    database(
        "CREATE TABLE event (number INTEGER PRIMARY KEY, build TEXT NOT NULL, at_ms INTEGER NOT"
            + " NULL, kind TEXT NOT NULL, body TEXT NOT NULL)",
        "CREATE TABLE flyway_schema_history (installed_rank INTEGER)",
        "PRAGMA application_id = 1215644521",
        "PRAGMA user_version = 1");
    database(rows);
  }

  private static String row(int number, String kind, String body) {
    return "INSERT INTO event VALUES (" + number + ", 'b', 1000, '" + kind + "', '" + body + "')";
  }

  @Test
  void anEntryThatCannotBeReadStandsInItsPlaceAndTheOthersCount() throws Exception {
    former(
        row(1, "Counted", "{\"item\":\"r220\",\"pieces\":6}"),
        row(2, "Danced", "{}"),
        row(3, "Counted", "{\"item\":"),
        row(4, "Counted", "{\"pieces\":6}"),
        row(5, "Turned", "{\"board\":\"main\",\"side\":\"top\",\"turnDeg\":\"round\"}"),
        row(6, "Counted", "{\"item\":\"r10k\",\"pieces\":3}"));
    try (Journal journal = open()) {
      Build build = journal.build("b");
      assertThat(build.counted()).containsEntry("r220", 6).containsEntry("r10k", 3).hasSize(2);
      assertThat(build.entries().subList(1, 5))
          .allSatisfy(entry -> assertThat(entry.event()).isInstanceOf(BuildEvent.Unread.class));
      assertThat(build.entries().get(1).event())
          .isEqualTo(new BuildEvent.Unread("Danced", "this version knows no such kind of entry"));
      assertThat(build.entries().get(3).event())
          .isEqualTo(new BuildEvent.Unread("Counted", "'item' is missing in it"));
      assertThat(journal.append("b", new BuildEvent.Woke("x")).number()).isEqualTo(7);
    }
  }

  @Test
  void keysOfALaterVersionAreReadOver() throws Exception {
    former(row(1, "Counted", "{\"item\":\"r220\",\"pieces\":6,\"mood\":\"good\"}"));
    try (Journal journal = open()) {
      assertThat(journal.build("b").counted()).containsEntry("r220", 6);
    }
  }

  @Test
  void aJournalOfTheFirstVersionGetsItsChainAtItsFirstOpening() throws Exception {
    former(row(1, "Woke", "{\"peripheral\":\"a\"}"), row(2, "Woke", "{\"peripheral\":\"b\"}"));
    open().close();
    database("UPDATE event SET body = '{\"peripheral\":\"c\"}' WHERE number = 2");
    assertThat(Journal.open(file(), CLOCK))
        .isInstanceOfSatisfying(
            JournalOpen.Damaged.class,
            damaged -> {
              assertThat(damaged.damage())
                  .singleElement()
                  .satisfies(found -> assertThat(found.number()).isEqualTo(2));
              assertThat(damaged.journal().build("b").awake()).containsExactly("a");
              damaged.journal().close();
            });
  }

  @Test
  void wordsOfTheJournalDoNotFollowTheNamesOfClasses() {
    // What is written here stands in journals: a word may be added, none may be changed.
    assertThat(EventJson.kindsWritten())
        .containsExactlyInAnyOrder(
            "Began Answered Counted Measured BandsRead Sees UsesMeter FedBy SeriesRead Checked HostRead Surveyed HoleSeen LookedOver Snapped Chose TookSchool Moved Turned MarkSeen Acknowledged SaysDangers CameAlong SeenFitted RestsOn PhotoKept Drilled Walked PlansEvenings MarksWeighed ModuleRead Wound Coiled Tried JointSeen Fitted FittedSome TookOut LeftOut Replaced GateRead GatePassed GateOverridden FaultHidden Observed Mended Repaired SettingMade BesideDone RowPut RowRead PanelOff ProgramShown UsesProgrammer LoadedBy Started Saw Woke TrimAnew TrimTried TrimLeft Calibrated Proved ScrewTaken Closed Noted Wrong TookBack"
                .split(" "));
  }

  @Test
  void wordsThatNothingIsWrittenByAnyMoreAreStillRead() {
    assertThat(
            EventJson.read(
                "LightsSeen", "{\"peripheral\":\"lamps\",\"dark\":[7,3],\"practice\":true}"))
        .isEqualTo(new BuildEvent.Saw("lamps", Map.of("dark", "3 7"), true));
    DisplaySetting setting = new DisplaySetting(new Pose(270, true), true, false, 2, -1);
    assertThat(
            EventJson.read(
                "DisplaySet",
                "{\"peripheral\":\"screen\",\"setting\":{\"pose\":{\"rotateDeg\":270,\"mirror\":true},"
                    + "\"swapRedBlue\":true,\"invert\":false,\"xOffsetPx\":2,\"yOffsetPx\":-1},"
                    + "\"practice\":false}"))
        .isEqualTo(new BuildEvent.Saw("screen", setting.facts(), false));
    assertThat(DisplaySetting.of(setting.facts())).isEqualTo(setting);
    assertThat(EventJson.read("LightsSeen", "{\"peripheral\":\"lamps\"}"))
        .isInstanceOf(BuildEvent.Unread.class);
    assertThat(EventJson.kindsWritten()).doesNotContain("LightsSeen", "DisplaySet", "Loaded");
  }

  @Test
  void aFirstStartThatWasCutOffIsTakenUp() throws Exception {
    database("CREATE TABLE flyway_schema_history (installed_rank INTEGER)");
    try (Journal journal = open()) {
      assertThat(journal.append("b", new BuildEvent.Woke("x")).number()).isEqualTo(1);
    }
    Files.delete(file());
    database("PRAGMA journal_mode = WAL");
    open().close();
    Files.delete(file());
    database(
        "CREATE TABLE event (number INTEGER PRIMARY KEY, build TEXT NOT NULL, at_ms INTEGER NOT"
            + " NULL, kind TEXT NOT NULL, body TEXT NOT NULL)",
        "PRAGMA application_id = 1215644521");
    open().close();
  }

  @Test
  void windowsThatStartOnNothingTakeTurns() throws Exception {
    try (var pool = java.util.concurrent.Executors.newFixedThreadPool(4)) {
      for (int round = 0; round < 10; round++) {
        Path fresh = folder.resolve("round-" + round + "/bench.db");
        List<java.util.concurrent.Future<JournalOpen>> all =
            pool.invokeAll(java.util.Collections.nCopies(4, () -> Journal.open(fresh, CLOCK)));
        for (var each : all) {
          assertThat(each.get()).isInstanceOf(JournalOpen.Opened.class);
          ((JournalOpen.Opened) each.get()).journal().append("b", new BuildEvent.Woke("x"));
          ((JournalOpen.Opened) each.get()).journal().close();
        }
        assertThat(Journal.open(fresh, CLOCK))
            .isInstanceOfSatisfying(
                JournalOpen.Opened.class,
                opened -> {
                  assertThat(opened.journal().events()).isEqualTo(4);
                  opened.journal().close();
                });
      }
    }
  }

  @Test
  void aHomeWithAQuestionMarkAndAHashIsAHomeLikeAnyOther() {
    Path odd = folder.resolve("what? #1 100% müde;").resolve("bench.db");
    if (!(Journal.open(odd, CLOCK) instanceof JournalOpen.Opened opened)) {
      throw new AssertionError("refused");
    }
    opened.journal().append("b", new BuildEvent.Woke("x"));
    opened.journal().close();
    assertThat(odd).exists();
    assertThat(folder).isDirectoryNotContaining(path -> !path.equals(odd.getParent()));
  }

  /** The database itself says that it is full; room is made, and the same act is written. */
  @Test
  void afterAFullDiskTheSameActIsWritten() throws Exception {
    try (Journal journal = open()) {
      journal.append("b", new BuildEvent.Woke("first"));
      journal.with(connection -> {
        try (Statement statement = connection.createStatement()) {
          return statement.execute("PRAGMA max_page_count = 1");
        }
      });
      BuildEvent large = new BuildEvent.Noted("Fit", "x".repeat(50_000));
      assertThatThrownBy(() -> journal.append("b", large))
          .isInstanceOfSatisfying(
              NotWritten.class, e -> assertThat(e.why()).isEqualTo(NotWritten.Why.FULL));
      assertThat(journal.build("b").entries()).hasSize(1);
      assertThat(journal.append("b", large).number()).isEqualTo(2);
    }
    open().close();
  }

  @Test
  void anActThatMustWaitForAnotherWindowSaysSoSoonAndIsWrittenLater() throws Exception {
    try (Journal journal = open();
        Journal other = open()) {
      journal.append("b", new BuildEvent.Woke("1"));
      other.with(connection -> {
        try (Statement statement = connection.createStatement()) {
          return statement.execute("BEGIN IMMEDIATE");
        }
      });
      assertThatThrownBy(
              () -> journal.append("b", List.of(new BuildEvent.Woke("2")), Journal.BRIEFLY_MS))
          .isInstanceOfSatisfying(
              NotWritten.class, e -> assertThat(e.why()).isEqualTo(NotWritten.Why.BUSY));
      other.with(connection -> {
        try (Statement statement = connection.createStatement()) {
          return statement.execute("ROLLBACK");
        }
      });
      assertThat(
              journal
                  .append("b", List.of(new BuildEvent.Woke("2")), Journal.BRIEFLY_MS)
                  .getFirst()
                  .number())
          .isEqualTo(2);
    }
  }

  @Test
  void actsThatBelongTogetherAreWrittenTogetherOrNotAtAll() throws Exception {
    try (Journal journal = open()) {
      List<BuildEvent> both =
          List.of(new BuildEvent.Woke("a"), new BuildEvent.Noted("Fit", "x".repeat(50_000)));
      journal.with(connection -> {
        try (Statement statement = connection.createStatement()) {
          return statement.execute("PRAGMA max_page_count = 40");
        }
      });
      assertThatThrownBy(() -> journal.append("b", both, Journal.BRIEFLY_MS))
          .isInstanceOf(NotWritten.class);
      assertThat(journal.build("b").entries()).isEmpty();
      assertThat(journal.append("b", both, Journal.BRIEFLY_MS)).hasSize(2);
    }
  }
}

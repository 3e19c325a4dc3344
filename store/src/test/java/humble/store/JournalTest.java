package humble.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
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
import java.util.Set;
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
        new BuildEvent.HostRead("HB-4", true),
        new BuildEvent.LookedOver("main", "outline", false),
        new BuildEvent.Snapped("hdr6"),
        new BuildEvent.Sees("warm", "deutan"),
        new BuildEvent.Moved("fit:C1", "fit:R1"),
        new BuildEvent.Chose("sounder", "soft"),
        new BuildEvent.TookSchool("low"),
        new BuildEvent.Turned("main", "bottom", 90),
        new BuildEvent.MarkSeen("fit:C1", "stripe"),
        new BuildEvent.Acknowledged("U1"),
        new BuildEvent.Fitted("fit:R1", List.of("R1", "R2"), 4),
        new BuildEvent.GateRead("rail33", 3.31, "inside", true),
        new BuildEvent.GatePassed("rail33", 3.31),
        new BuildEvent.Loaded("lamp", "main", 1754, "ab", true, false),
        new BuildEvent.LightsSeen("lamps", Set.of(7, 3), true),
        new BuildEvent.DisplaySet(
            "screen", new DisplaySetting(new Pose(270, true), true, false, 2, -1), true),
        new BuildEvent.Woke("lamps"),
        new BuildEvent.Closed("front"),
        new BuildEvent.Noted("Fit", "ein Öhr, 日本, \n zwei Zeilen"),
        new BuildEvent.Wrong("Power", "rail33"),
        new BuildEvent.PlansEvenings(90),
        new BuildEvent.MarksWeighed("led", "long lead", 0.97, true),
        new BuildEvent.ModuleRead("M1", List.of("GND", "VCC"), "A"),
        new BuildEvent.Wound("L1", "a", 12),
        new BuildEvent.JointSeen("R1.1", "dry"),
        new BuildEvent.GateOverridden("rail33", "the meter is out"),
        new BuildEvent.FaultHidden("lamp1", 2, "open:LED1.2", 4),
        new BuildEvent.Observed("lamp1", "V(5V)=4.98", true),
        new BuildEvent.Mended("lamp1", "open:R3.2", 4, false),
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
    assertThat(events().stream().map(Object::getClass))
        .containsExactlyInAnyOrder((Class<?>[]) BuildEvent.class.getPermittedSubclasses());
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
            JournalOpen.Refused.class, r -> assertThat(r.why()).contains("bench.db"));
  }

  @Test
  void anEventOfAnUnknownKindIsDamageAndIsNamed() throws Exception {
    open().close();
    database(
        "INSERT INTO event (number, build, at_ms, kind, body) VALUES (1, 'b', 0, 'Danced', '{}')");
    try (Journal journal = open()) {
      assertThatThrownBy(() -> journal.build("b"))
          .isInstanceOf(JournalDamage.class)
          .hasMessageContaining("Danced");
    }
  }

  @Test
  void keysOfALaterVersionAreReadOver() throws Exception {
    open().close();
    database(
        "INSERT INTO event (number, build, at_ms, kind, body) VALUES (1, 'b', 0, 'Counted',"
            + " '{\"item\":\"r220\",\"pieces\":6,\"mood\":\"good\"}')");
    try (Journal journal = open()) {
      assertThat(journal.build("b").counted()).containsEntry("r220", 6);
    }
  }
}

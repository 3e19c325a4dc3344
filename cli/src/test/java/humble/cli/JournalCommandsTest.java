package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The commands that look into the journal, as processes of their own: it is found by environment.
 */
class JournalCommandsTest {
  @TempDir Path folder;

  private record Ran(int status, String out, String err) {}

  private Ran run(String... arguments) throws IOException, InterruptedException {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "-cp",
                System.getProperty("java.class.path"),
                "humble.cli.Humble"));
    command.addAll(List.of(arguments));
    ProcessBuilder builder = new ProcessBuilder(command);
    builder.environment().put("HUMBLE_HOME", folder.resolve("bench").toString());
    Path err = folder.resolve("err.txt");
    builder.redirectError(err.toFile());
    Process process = builder.start();
    String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    return new Ran(process.exitValue(), out, Files.readString(err));
  }

  private void journal(BuildEvent... events) {
    if (Journal.open(folder.resolve("bench/bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened) {
      try (Journal journal = opened.journal()) {
        for (BuildEvent event : events) {
          journal.append("glowmoth-1", event);
        }
      }
    }
  }

  @Test
  void buildsAndReportReadTheJournalOfTheWindow() throws IOException, InterruptedException {
    Ran none = run("builds");
    assertThat(none.status()).isEqualTo(2);
    assertThat(none.err()).contains("no journal");
    String kit =
        Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth")
            .toAbsolutePath()
            .toString();
    journal(
        new BuildEvent.Began("Glowmoth lantern badge", "glowmoth", kit, 7),
        new BuildEvent.Counted("r220", 7));
    assertThat(run("builds", "--json").out().strip())
        .isEqualTo(
            "{\"builds\":[{\"id\":\"glowmoth-1\",\"name\":\"Glowmoth lantern badge\",\"kit\":\"glowmoth\","
                + "\"stage\":\"unpack\",\"done\":false}]}");
    Path report = folder.resolve("report.html");
    assertThat(run("report", "glowmoth-1", "-o", report.toString()).status()).isZero();
    assertThat(report).content().contains("Counted <bdi>r220</bdi>: 7");
    Ran again = run("report", "glowmoth-1", "-o", report.toString());
    assertThat(again.status()).isEqualTo(2);
    assertThat(again.err()).contains("--force");
    assertThat(run("report", "glowmoth-1", "-o", report.toString(), "--force").status()).isZero();
    assertThat(run("report", "moth-9", "-o", folder.resolve("x.html").toString()).status())
        .isEqualTo(2);
    assertThat(folder.resolve("x.html")).doesNotExist();
  }

  @Test
  void aReportIsWhatItsNameSaysAndBuildsAreComparedFromWhatPeopleHandIn() throws Exception {
    String kit =
        Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth")
            .toAbsolutePath()
            .toString();
    journal(
        new BuildEvent.Began("Glowmoth lantern badge", "glowmoth", kit, 7),
        new BuildEvent.Fitted("fit:R1", List.of("R1", "R2"), 4),
        new BuildEvent.JointSeen("R1.1", "dry"));
    Path odd = folder.resolve("report.doc");
    Ran not = run("report", "glowmoth-1", "-o", odd.toString());
    assertThat(not.status()).isEqualTo(2);
    assertThat(not.err()).contains(".html, .pdf, .md, .csv or .json");
    for (String ending : List.of("pdf", "md")) {
      Path file = folder.resolve("report." + ending);
      assertThat(run("report", "glowmoth-1", "-o", file.toString()).status()).isZero();
      byte[] bytes = Files.readAllBytes(file);
      assertThat(new String(bytes, StandardCharsets.ISO_8859_1))
          .startsWith(
              switch (ending) {
                case "pdf" -> "%PDF-";
                default -> "# Glowmoth lantern badge";
              });
    }
    assertThat(folder.resolve("report.md")).content().contains("1 of 2 parts");
    Path club = Files.createDirectory(folder.resolve("club"));
    assertThat(run("journal", "export", club.resolve("a.jsonl").toString()).status()).isZero();
    // Another maker's build of the same kit, in which that step went well.
    Files.writeString(
        club.resolve("b.jsonl"),
        Files.readString(club.resolve("a.jsonl"))
            .replace("glowmoth-1", "mine")
            .replace("\"dry\"", "\"good\""));
    Ran both = run("compare", club.toString(), "--json");
    assertThat(both.status()).isZero();
    assertThat(both.out())
        .startsWith("{\"builds\":[{\"id\":")
        .contains("\"first_time_right\":0.5")
        .contains("\"first_time_right\":1.0")
        .contains("\"step\":\"fit:R1\"")
        .contains("\"wrong\":1,\"builds\":2");
    Files.writeString(club.resolve("c.jsonl"), "{\"format\":\"something\"}\n");
    Ran bad = run("compare", club.toString());
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.err()).contains("c.jsonl");
    assertThat(bad.out()).isEmpty();
  }

  @Test
  void theJournalIsCheckedTakenOutAndPutBack() throws Exception {
    journal(
        new BuildEvent.Began("Glowmoth lantern badge", "glowmoth", "nowhere", 7),
        new BuildEvent.Counted("r220", 7));
    assertThat(run("journal", "check", "--json").out().strip())
        .isEqualTo("{\"events\":2,\"damaged\":[]}");
    Path lines = folder.resolve("all.jsonl");
    assertThat(run("journal", "export", lines.toString()).status()).isZero();
    assertThat(Files.readAllLines(lines)).hasSize(3);
    assertThat(run("journal", "export", lines.toString()).status()).isEqualTo(2);
    Ran same = run("journal", "import", lines.toString(), "--json");
    assertThat(same.out()).contains("\"same\":[\"glowmoth-1\"]");
    Files.writeString(lines, Files.readString(lines).replace("\"pieces\":7", "\"pieces\":8"));
    assertThat(run("journal", "import", lines.toString(), "--json").out())
        .contains("\"builds\":{\"glowmoth-1\":\"glowmoth-2\"}");
    Files.writeString(lines, "{\"format\":\"humble-journal/1\"}\n{\"build\":\"../x\"}\n");
    Ran bad = run("journal", "import", lines.toString());
    assertThat(bad.status()).isEqualTo(2);
    assertThat(bad.err()).contains("all.jsonl line 2");
    assertThat(bad.out()).isEmpty();
  }

  @Test
  void aDamagedJournalIsNamedReadAndRestored() throws Exception {
    journal(new BuildEvent.Began("Moth", "glowmoth", "nowhere", 7), new BuildEvent.Woke("a"));
    Path file = folder.resolve("bench/bench.db");
    if (Journal.open(file, Clock.systemUTC()) instanceof JournalOpen.Opened opened) {
      humble.store.Copies.of(file).make(opened.journal());
      opened.journal().close();
    }
    try (var connection = java.sql.DriverManager.getConnection("jdbc:sqlite:" + file);
        var statement = connection.createStatement()) {
      statement.execute("UPDATE event SET body = '{\"peripheral\":\"b\"}' WHERE number = 2");
    }
    Ran check = run("journal", "check", "--json");
    assertThat(check.status()).isEqualTo(1);
    assertThat(check.out()).contains("\"number\":2", "\"kind\":\"changed\"");
    assertThat(run("builds").out()).contains("glowmoth-1");
    String backups = run("journal", "backups", "--json").out();
    assertThat(backups).contains("\"builds\":1");
    String name = humble.store.Copies.of(file).all().getFirst().file().getFileName().toString();
    assertThat(run("journal", "restore", name).status()).isZero();
    assertThat(run("journal", "check").status()).isZero();
    assertThat(folder.resolve("bench/bench.db.aside-1")).exists();
    assertThat(run("journal", "restore", "none.db").status()).isEqualTo(2);
  }
}

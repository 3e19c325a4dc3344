package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A build as one file, on the command line. */
class AlongCommandsTest {
  @TempDir private Path folder;

  private static Path root() {
    Path at = Path.of("").toAbsolutePath();
    while (!Files.exists(at.resolve("kits/glowmoth"))) {
      at = at.getParent();
    }
    return at;
  }

  private Path bench(String name, boolean begun) throws Exception {
    Path home = Files.createDirectories(folder.resolve(name));
    if (begun
        && Journal.open(home.resolve(BenchFile.NAME), Clock.systemUTC())
            instanceof JournalOpen.Opened opened) {
      try (Journal journal = opened.journal()) {
        journal.append(
            "moth-1",
            List.of(
                new BuildEvent.Began(
                    "Evening moth", "glowmoth", root().resolve("kits/glowmoth").toString(), 7),
                new BuildEvent.UsesProgrammer("/home/somebody/bin/send %f"),
                new BuildEvent.Fitted("fit:r", List.of("R1"), 2),
                new BuildEvent.Noted("fit", "<b>bent</b>"),
                new BuildEvent.GatePassed("rails", 3.3)),
            Journal.PATIENTLY_MS);
      }
    }
    return home;
  }

  private static Ran run(Path home, String... arguments) throws Exception {
    return Ran.at(home, arguments);
  }

  @Test
  void aBuildIsWrittenTakenInAndReported() throws Exception {
    Path here = bench("here", true);
    Path there = bench("there", false);
    Path file = folder.resolve("moth.hcbuild");
    Ran written = run(here, "archive", "moth-1", "-o", file.toString(), "--json");
    assertThat(written.status()).isZero();
    assertThat(written.json().path("entries").asInt()).isEqualTo(5);
    assertThat(run(here, "archive", "moth-1", "-o", file.toString()).status())
        .as("a file that is there is not replaced")
        .isEqualTo(2);
    try (ZipFile zip = new ZipFile(file.toFile())) {
      String lines = new String(zip.getInputStream(zip.getEntry("build.jsonl")).readAllBytes());
      assertThat(lines).contains("Began").doesNotContain("/home/somebody", root().toString());
      assertThat(zip.getEntry("kit.json")).isNotNull();
    }
    Ran taken = run(there, "take", file.toString(), "--other-hand", "--json");
    assertThat(taken.status()).isZero();
    assertThat(taken.json().path("build").asString("")).isEqualTo("moth-1");
    assertThat(taken.json().path("same").asBoolean(true)).isFalse();
    Ran again = run(there, "take", file.toString(), "--other-hand", "--json");
    assertThat(again.json().path("same").asBoolean(false)).isTrue();
    Path page = folder.resolve("moth.html");
    assertThat(run(there, "report", "moth-1", "-o", page.toString()).status()).isZero();
    assertThat(Files.readString(page))
        .contains("Another hand built a part of this", "one part that another hand fitted");
    Path direct = folder.resolve("direct.md");
    assertThat(run(there, "report", file.toString(), "-o", direct.toString()).status()).isZero();
    assertThat(Files.readString(direct)).contains("Evening moth");
  }

  @Test
  void whatIsNoBuildIsRefused() throws Exception {
    Path there = bench("there", false);
    Path torn = Files.writeString(folder.resolve("torn.hcbuild"), "torn");
    Ran ran = run(there, "take", torn.toString());
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.err()).contains("torn.hcbuild").doesNotContain("Exception");
    assertThat(run(there, "archive", "moth-1", "-o", "x.zip").status()).isEqualTo(2);
  }

  @Test
  void buildsThatPeopleHandedInAreComparedOnAPage() throws Exception {
    Path here = bench("here", true);
    Path club = Files.createDirectories(folder.resolve("club"));
    run(here, "archive", "moth-1", "-o", club.resolve("one.hcbuild").toString());
    Path page = folder.resolve("club.html");
    Ran ran = run(here, "compare", club.toString(), "-o", page.toString(), "--json");
    assertThat(ran.status()).isZero();
    assertThat(ran.json().path("builds")).hasSize(1);
    assertThat(Files.readString(page))
        .contains("One build of this kit", "Nobody noted anything wrong")
        .doesNotContain("<script", "src=");
    assertThat(run(here, "compare", club.toString(), "-o", page.toString()).status())
        .as("it is not replaced")
        .isEqualTo(2);
  }
}

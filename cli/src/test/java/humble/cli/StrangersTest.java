package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What strangers send: told with one line, never with a stack trace, and nothing leads out. */
@Timeout(value = 60, unit = TimeUnit.SECONDS)
class StrangersTest {
  @TempDir Path folder;

  private static Path corpus() {
    return Path.of(System.getProperty("humble.root", "..")).resolve("corpus");
  }

  static Stream<Path> kits() throws IOException {
    try (Stream<Path> kits = Files.list(corpus().resolve("kit"));
        Stream<Path> archives = Files.list(corpus().resolve("archive"))) {
      return Stream.concat(kits.toList().stream(), archives.toList().stream()).sorted();
    }
  }

  private Path laid(Path file) throws IOException {
    if (file.toString().endsWith(".hckit")) {
      return file;
    }
    return Files.copy(file, folder.resolve("kit.json"));
  }

  @ParameterizedTest
  @MethodSource("kits")
  void checkEndsWithAnAnswer(Path file) throws IOException {
    Ran ran = Ran.run("check", laid(file).toString(), "--json");
    assertThat(ran.status()).isBetween(0, 2);
    assertThat(ran.err()).doesNotContain("Exception", "\tat ");
  }

  @Test
  void whatDidHarmIsRefused() throws IOException {
    for (String name :
        new String[] {
          "id-that-was-a-command", "net-that-was-a-card", "id-that-led-out", "caution-nowhere"
        }) {
      Path kit = Files.createDirectories(folder.resolve(name));
      Files.copy(corpus().resolve("kit").resolve(name + ".json"), kit.resolve("kit.json"));
      assertThat(Ran.run("check", kit.toString()).status()).as(name).isEqualTo(1);
      Ran circuit =
          Ran.run("circuit", kit.toString(), "--state", "rung", "--spice", folder + "/deck.cir");
      assertThat(circuit.status()).as(name).isEqualTo(2);
      assertThat(folder.resolve("deck.cir")).doesNotExist();
    }
  }

  @Test
  void whatStandsInAKitDoesNotMoveTheCursor() throws IOException {
    Path kit = Files.createDirectories(folder.resolve("esc"));
    String text =
        Files.readString(corpus().resolve("kit/battery-toy.json"))
            .replace("\"at\": \"B1\"", "\"at\": \"\\u001b[2J\\u202e\"");
    Files.writeString(kit.resolve("kit.json"), text);
    Ran ran = Ran.run("check", kit.toString());
    assertThat(ran.out()).contains("‹001B›[2J‹202E›").doesNotContain("\u001b", "\u202e");
    assertThat(Ran.run("circuit", kit.toString(), "--state", "rung").err())
        .contains("‹001B›")
        .doesNotContain("\u001b");
  }

  @Test
  void aHugeImageAPipeAndAFolderAreRefusedAtOnce() throws Exception {
    Path huge = folder.resolve("huge.hex");
    try (RandomAccessFile file = new RandomAccessFile(huge.toFile(), "rw")) {
      file.setLength(1_000_000_000);
    }
    Path pipe = folder.resolve("pipe");
    assertThat(new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor()).isZero();
    for (Path odd : new Path[] {huge, pipe, folder, folder.resolve("none"), Path.of("/dev/zero")}) {
      Ran ran = Ran.run("image", "info", odd.toString());
      assertThat(ran.status()).as(odd.toString()).isEqualTo(2);
      assertThat(ran.err().lines()).hasSize(1);
    }
  }

  @Test
  void listsOfEveryKindEndWithAnAnswer() throws IOException {
    for (String reader : new String[] {"csv", "places", "sheet"}) {
      try (Stream<Path> files = Files.list(corpus().resolve(reader))) {
        for (Path file : files.sorted().toList()) {
          Path kit = folder.resolve(reader + "-" + file.getFileName());
          Ran ran =
              switch (reader) {
                case "csv" -> Ran.run("import", "--bom", file.toString(), "-o", kit.toString());
                case "sheet" -> Ran.run("import", "--paste", file.toString(), "-o", kit.toString());
                default ->
                    Ran.run(
                        "import",
                        "--bom",
                        corpus().resolve("csv/plain.csv").toString(),
                        "--places",
                        file.toString(),
                        "-o",
                        kit.toString());
              };
          assertThat(ran.status()).as(file + " " + ran.err()).isBetween(0, 2);
        }
      }
    }
  }

  @Test
  void aSlipOfTheKeysIsOneLineWithTheWholeNameOfTheCommand() {
    Ran ran = Ran.run("wake", "matrix", "--bogus");
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.err().lines())
        .singleElement()
        .asString()
        .endsWith("Try 'humble wake matrix --help'.");
    String kit = corpus().resolveSibling("kits").resolve("glowmoth").toString();
    for (String minutes : new String[] {"-5", "0", "0.5", "NaN"}) {
      Ran plan = Ran.run("plan", kit, "--minutes", minutes);
      assertThat(plan.status()).as(minutes).isEqualTo(2);
      assertThat(plan.err()).contains("--minutes");
    }
    assertThat(Ran.run("read", "code", "00B", "--as", "resistor", "--json").status()).isEqualTo(1);
  }
}

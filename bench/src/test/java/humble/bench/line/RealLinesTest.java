package humble.bench.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.bench.LineTrouble;
import humble.core.words.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The serial code on a pair of pseudo-terminals, with the programs of others at the far end. */
class RealLinesTest {
  @TempDir Path folder = Path.of("");

  private Process pair = null;
  private Path near = Path.of("");
  private Path far = Path.of("");

  private static boolean has(String tool) {
    return Arrays.stream(System.getenv("PATH").split(":"))
        .anyMatch(p -> Files.isExecutable(Path.of(p, tool)));
  }

  @BeforeEach
  void join() throws IOException, InterruptedException {
    assumeTrue(has("socat") && has("sx") && has("rx"), "the launcher installs them where it can");
    near = folder.resolve("near");
    far = folder.resolve("far");
    pair =
        new ProcessBuilder("socat", "pty,raw,echo=0,link=" + near, "pty,raw,echo=0,link=" + far)
            .redirectErrorStream(true)
            .start();
    for (int i = 0; i < 100 && !(Files.exists(near) && Files.exists(far)); i++) {
      Thread.sleep(50);
    }
    assertThat(near).exists();
  }

  @AfterEach
  void part() throws InterruptedException {
    if (pair != null) {
      // It takes its links away as it ends: the folder is cleared after that.
      assertThat(pair.destroyForcibly().waitFor(10, TimeUnit.SECONDS)).isTrue();
    }
  }

  private Process at(Path terminal, String... command) throws IOException {
    return new ProcessBuilder(command)
        .directory(folder.toFile())
        .redirectInput(terminal.toRealPath().toFile())
        .redirectOutput(terminal.toRealPath().toFile())
        .redirectError(ProcessBuilder.Redirect.DISCARD)
        .start();
  }

  private static byte[] bytes(int length) {
    byte[] bytes = new byte[length];
    new Random(length).nextBytes(bytes);
    return bytes;
  }

  /** The far end asks for the CRC or for the checksum, and takes either size of block. */
  @ParameterizedTest
  @ValueSource(strings = {"crc", "checksum", "long"})
  void anotherProgramTakesWhatIsSent(String way) throws IOException, InterruptedException {
    byte[] bytes = bytes(5000);
    String[] command =
        way.equals("checksum")
            ? new String[] {"rx", "-b", "taken"}
            : new String[] {"rx", "-b", "-c", "taken"};
    try (ByteLine line = SerialPorts.open(near.toString(), 57_600)) {
      Process receiver = at(far, command);
      XmodemSender.Outcome sent =
          new XmodemSender(line, way.equals("long"), 20_000, 5_000)
              .send(bytes, share -> {}, () -> false);
      // That program may leave before its last answer is on the line, and when it begins on a busy
      // machine it throws away what came too soon: it is then sent again. What it has in the end
      // counts.
      assertThat(sent).isInstanceOf(XmodemSender.Outcome.Sent.class);
      assertThat(receiver.waitFor(20, TimeUnit.SECONDS)).isTrue();
    }
    byte[] taken = Files.readAllBytes(folder.resolve("taken"));
    assertThat(Arrays.copyOf(taken, bytes.length)).isEqualTo(bytes);
  }

  @ParameterizedTest
  @ValueSource(strings = {"sx", "sx -k"})
  void whatAnotherProgramSendsIsTaken(String command) throws IOException, InterruptedException {
    byte[] bytes = bytes(4096);
    Files.write(folder.resolve("given"), bytes);
    String[] words = (command + " -b given").split(" ");
    try (ByteLine line = SerialPorts.open(near.toString(), 57_600)) {
      Process sender = at(far, words);
      XmodemReceiver.Outcome taken = new XmodemReceiver(line, 3_000, 1 << 20).take(() -> false);
      assertThat(sender.waitFor(20, TimeUnit.SECONDS)).isTrue();
      assertThat(((XmodemReceiver.Outcome.Taken) taken).bytes()).isEqualTo(bytes);
    }
  }

  @Test
  void aLinkAsksAndIsAnsweredAndAWrongSpeedIsToldFromSilence()
      throws IOException, InterruptedException {
    Files.writeString(
        folder.resolve("board.sh"),
        "read a; echo ok; read b; printf '\\200\\377\\n'; read c; printf half; sleep 9\n");
    Process board = at(far, "sh", "board.sh");
    try (ByteLine line = SerialPorts.open(near.toString(), 57_600);
        LineLink link = new LineLink(line, 1_500)) {
      assertThat(link.ask("hello")).isEqualTo("ok");
      assertThat(said(link)).contains("speed");
      assertThat(said(link)).contains("speed");
      assertThat(said(link)).contains("Nothing answers");
    } finally {
      board.destroyForcibly();
    }
  }

  private static String said(LineLink link) {
    try {
      return "answered: " + link.ask("hello");
    } catch (LineTrouble e) {
      return Words.core(Locale.ENGLISH).say(e.phrase());
    } catch (IOException e) {
      return String.valueOf(e.getMessage());
    }
  }

  @Test
  void aCableThatIsPulledIsSaid() throws IOException, InterruptedException {
    try (ByteLine line = SerialPorts.open(near.toString(), 57_600);
        LineLink link = new LineLink(line, 3_000)) {
      pair.destroyForcibly();
      assertThat(pair.waitFor(5, TimeUnit.SECONDS)).isTrue();
      assertThat(said(link)).contains("gone");
    }
  }

  @Test
  void whatIsNoPortIsNotOpened() throws IOException {
    Path file = Files.writeString(folder.resolve("a file"), "x");
    for (String name :
        List.of(file.toString(), folder.toString(), "/dev/nothing-there; touch x", "$(touch x)")) {
      assertThatThrownBy(() -> SerialPorts.open(name, 9600))
          .as(name)
          .isInstanceOf(LineTrouble.class);
    }
    assertThat(Files.readString(file)).isEqualTo("x");
    assertThat(folder.resolve("x")).doesNotExist();
  }

  @Test
  void aNameWithBlanksInItPassesNoShell() throws IOException {
    OwnProgrammer own = OwnProgrammer.of("cp \"{file}\" '{out}'").orElseThrow();
    Path from = Files.writeString(folder.resolve("a b; touch c $(touch d)"), "code");
    Path to = folder.resolve("out {file}");
    OwnProgrammer.Outcome ran =
        own.run(
            java.util.Map.of("file", from.toString(), "out", to.toString()),
            text -> {},
            () -> false);
    assertThat(ran).isEqualTo(new OwnProgrammer.Outcome.Ended(0, ""));
    assertThat(Files.readString(to, StandardCharsets.UTF_8)).isEqualTo("code");
    try (var all = Files.list(folder)) {
      assertThat(all.map(p -> p.getFileName().toString()).toList()).doesNotContain("c", "d");
    }
  }
}

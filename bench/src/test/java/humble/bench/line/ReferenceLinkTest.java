package humble.bench.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.bench.Transfer;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The published reference in C, compiled by the system's compiler, loaded over a serial line. */
class ReferenceLinkTest {
  private static final Path SOURCES = Path.of("../docs/link");

  @TempDir Path folder = Path.of("");

  private static boolean has(String tool) {
    return Arrays.stream(System.getenv("PATH").split(":"))
        .anyMatch(p -> Files.isExecutable(Path.of(p, tool)));
  }

  private static Firmware.Target target(String id) {
    return new Firmware.Target(
        id,
        "U1",
        List.of(new Firmware.Region("flash", 0, 0x7fff)),
        List.of(new Firmware.Region("boot", 0x7e00, 0x7fff)),
        128,
        0xff,
        0L,
        null,
        List.of("page"));
  }

  private static ProgramImage image(long at, int length) {
    byte[] bytes = new byte[length];
    new Random(7).nextBytes(bytes);
    bytes[0] = 0x0c;
    return new ProgramImage.Builder().add(at, bytes).build();
  }

  private Path compiled() throws IOException, InterruptedException {
    Path board = folder.resolve("board");
    Process compiler =
        new ProcessBuilder(
                "cc",
                "-std=c99",
                "-Wall",
                "-Wextra",
                "-Werror",
                "-D_POSIX_C_SOURCE=200809L",
                "-O1",
                "-fsanitize=undefined",
                "-fno-sanitize-recover",
                "-o",
                board.toString(),
                SOURCES.resolve("humble_link.c").toString(),
                SOURCES.resolve("humble_link_host.c").toString())
            .redirectErrorStream(true)
            .start();
    String said = new String(compiler.getInputStream().readAllBytes());
    assertThat(compiler.waitFor()).as(said).isZero();
    return board;
  }

  @Test
  void theReferenceIsLoadedAndReadBackOverASerialLine() throws Exception {
    assumeTrue(has("cc") && has("socat"), "the launcher installs them where it can");
    Path board = compiled();
    Path near = folder.resolve("near");
    Process far =
        new ProcessBuilder("socat", "pty,raw,echo=0,link=" + near, "EXEC:" + board)
            .redirectErrorStream(true)
            .start();
    try {
      for (int i = 0; i < 100 && !Files.exists(near); i++) {
        Thread.sleep(50);
      }
      try (LineLink link = new LineLink(SerialPorts.open(near.toString(), 57_600), 3_000)) {
        Transfer.Outcome sent =
            new Transfer(link, target("main")).send(image(0, 3000), share -> {}, () -> false);
        assertThat(sent).isEqualTo(new Transfer.Outcome.Sent(3000, 0, true, 0));
        assertThat(link.ask("drive U1.1=high")).isEqualTo("ok");
        assertThat(link.ask("crc 0x0 0")).isEqualTo("ok 00000000");

        Transfer.Outcome boot =
            new Transfer(link, target("main")).send(image(0x7e00, 10), s -> {}, () -> false);
        assertThat(said(boot)).contains("boot area");
        Transfer.Outcome other =
            new Transfer(link, target("aux")).send(image(0, 10), s -> {}, () -> false);
        assertThat(said(other)).contains("says it is main");

        nonsense(link);
        assertThat(link.ask("hello")).isEqualTo("ok humble-link/1 main page 128");
      }
      assertThat(far.isAlive()).as("nothing that was said ended it").isTrue();
    } finally {
      assertThat(far.destroyForcibly().waitFor(10, TimeUnit.SECONDS)).isTrue();
    }
  }

  private static String said(Transfer.Outcome outcome) {
    return Words.core(Locale.ENGLISH).say(((Transfer.Outcome.Failed) outcome).why());
  }

  private static void nonsense(LineLink link) throws IOException {
    for (String request :
        List.of(
            "page",
            "page 0x0",
            "page 0x0 zz 00000000",
            "page 0x0 1 00000000",
            "page 0x7fff 0102 b6cc4292",
            "read 0x7fff 2",
            "read 0xffffffff 0xffffffff",
            "erase 99999999999999999999 1",
            "crc 0x0 -1",
            "drive",
            "what",
            "read 0x0",
            "page 0x0 " + "00".repeat(400) + " 00000000")) {
      assertThat(link.ask(request)).as(request).startsWith("err");
    }
    Random random = new Random(3);
    String[] words = {"erase", "page", "read", "crc", "0x0", "0x7fff", "128", "ff", "-", "0x", ""};
    for (int i = 0; i < 300; i++) {
      StringBuilder request = new StringBuilder("x");
      request.setLength(random.nextInt(2));
      for (int k = random.nextInt(5); k >= 0; k--) {
        request.append(words[random.nextInt(words.length)]).append(' ');
      }
      if (!request.toString().isBlank()) {
        assertThat(link.ask(request.toString())).matches("(ok|err).*");
      }
    }
  }
}

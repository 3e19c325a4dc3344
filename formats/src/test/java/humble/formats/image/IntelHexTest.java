package humble.formats.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.firmware.ProgramImage;
import humble.formats.kit.DemoKits;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class IntelHexTest {
  @TempDir Path folder;

  private static ImageRead read(String text) {
    return IntelHex.read("lamp.hex", text.getBytes(StandardCharsets.US_ASCII));
  }

  private static ProgramImage image(String text) {
    return switch (read(text)) {
      case ImageRead.Image image -> image.image();
      case ImageRead.Damaged damaged -> throw new AssertionError(damaged.findings().toString());
    };
  }

  @Test
  void readsDataAddressesAndStart() {
    ProgramImage image =
        image(":020000040800F2\n:04001000DEADBEEFB4\r\n:0400000508000131BD\n:00000001FF\n");
    assertThat(image.segments())
        .singleElement()
        .satisfies(s -> {
          assertThat(s.from()).isEqualTo(0x0800_0010L);
          assertThat(s.bytes()).containsExactly(0xde, 0xad, 0xbe, 0xef);
        });
    assertThat(image.entry()).isEqualTo(0x0800_0131L);
  }

  @Test
  void segmentedAddressesWrapAtSixtyFourKibibytes() {
    // Segment 0x1000, offset 0xFFFF: the second byte wraps to the beginning of the segment.
    ProgramImage image =
        image(":020000021000EC\n:02FFFF000102FD\n:0400000312340010A3\n:00000001FF\n");
    assertThat(image.at(0x1ffff)).hasValue(1);
    assertThat(image.at(0x10000)).hasValue(2);
    assertThat(image.entry()).isEqualTo(0x1234L * 16 + 0x10);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        ":04001000DEADBEEFB5|lamp.hex#1|checksum is B5; the record adds up to B4",
        ":04001000DEADBE|lamp.hex#1|cut off",
        ":04001000DEADBEEXB4|lamp.hex#1|no hexadecimal digit",
        "04001000DEADBEEFB4|lamp.hex#1|begins with ':'",
        ":04001000DEADBEEFB4|lamp.hex#1|without an end record",
        ":00000006FA|lamp.hex#1|no record type 06",
        ":00000001FF\\n:04001000DEADBEEFB4|lamp.hex#2|after the end record",
        ":0100000400FB|lamp.hex#1|two data bytes"
      })
  void aDamagedFileNamesTheLine(String text, String where, String says) {
    assertThat(read(text.replace("\\n", "\n")))
        .isInstanceOfSatisfying(
            ImageRead.Damaged.class,
            damaged ->
                assertThat(damaged.findings())
                    .anySatisfy(f -> {
                      assertThat(f.toString()).startsWith(where + ": ");
                      assertThat(f.text()).contains(says);
                    }));
  }

  @Test
  void nothingLiesBeyondTheLastAddress() {
    ProgramImage last = image(":02000004FFFFFC\n:02FFFE000102FE\n:00000001FF\n");
    assertThat(last.at(0xffff_ffffL)).hasValue(2);
    assertThat(
            ((ImageRead.Damaged) read(":02000004FFFFFC\n:02FFFF000102FD\n:00000001FF\n"))
                .findings())
        .singleElement()
        .satisfies(finding -> assertThat(finding.text()).contains("FFFFFFFF"));
    ProgramImage beyond = new ProgramImage.Builder().add(0xffff_ffffL, new byte[] {1, 2}).build();
    assertThatThrownBy(() -> IntelHex.write(beyond)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aFileCutInTheMiddleNamesTheLineItWasCutIn() throws IOException {
    String whole = Files.readString(DemoKits.glowmoth().resolve("lamp.hex"));
    String cut = whole.substring(0, whole.length() / 2 + 7);
    int line = (int) cut.chars().filter(c -> c == '\n').count() + 1;
    assertThat(((ImageRead.Damaged) read(cut)).findings().getFirst().where())
        .isEqualTo("lamp.hex#" + line);
  }

  @Test
  void allDamageComesAtOnce() {
    assertThat(
            ((ImageRead.Damaged) read(":04001000DEADBEEFB5\n:04001000DEADBEEFB6\n:00000001FF\n"))
                .findings())
        .hasSize(2);
  }

  @Property(tries = 200)
  void whatIsWrittenReadsBack(@ForAll long seed) {
    Random random = new Random(seed);
    ProgramImage.Builder builder = new ProgramImage.Builder();
    for (int i = 0; i < 5; i++) {
      byte[] bytes = new byte[1 + random.nextInt(300)];
      random.nextBytes(bytes);
      builder.add(random.nextInt(0x30000), bytes);
    }
    if (random.nextBoolean()) {
      builder.entry(random.nextInt(0x30000));
    }
    ProgramImage image = builder.build();
    ProgramImage again = image(new String(IntelHex.write(image), StandardCharsets.US_ASCII));
    assertThat(again.sha256()).isEqualTo(image.sha256());
    assertThat(again.entry()).isEqualTo(image.entry());
    assertThat(again.segments()).hasSameSizeAs(image.segments());
    for (int i = 0; i < image.segments().size(); i++) {
      assertThat(again.segments().get(i).from()).isEqualTo(image.segments().get(i).from());
    }
  }

  /** An outside tool reads what we write, and we read what it writes. */
  @Test
  void agreesWithAnOutsideTool() throws IOException, InterruptedException {
    assumeTrue(
        java.util.Arrays.stream(System.getenv("PATH").split(":"))
            .anyMatch(p -> Files.isExecutable(Path.of(p, "srec_cat"))),
        "the launcher installs srecord where it can");
    byte[] bytes = new byte[3000];
    new Random(5).nextBytes(bytes);
    ProgramImage image = new ProgramImage.Builder().add(0xfff0, bytes).build();
    Path ours = folder.resolve("ours.hex");
    Files.write(ours, IntelHex.write(image));
    Path raw = folder.resolve("raw.bin");
    run(
        "srec_cat",
        ours.toString(),
        "-intel",
        "-offset",
        "-0xfff0",
        "-o",
        raw.toString(),
        "-binary");
    assertThat(Files.readAllBytes(raw)).isEqualTo(bytes);
    Path theirs = folder.resolve("theirs.hex");
    run(
        "srec_cat",
        raw.toString(),
        "-binary",
        "-offset",
        "0x12345",
        "-o",
        theirs.toString(),
        "-intel");
    ProgramImage back = image(Files.readString(theirs));
    assertThat(back.sha256()).isEqualTo(image.sha256());
    assertThat(back.segments().getFirst().from()).isEqualTo(0x12345);
  }

  private static void run(String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
    assertThat(process.exitValue()).as(said).isZero();
  }
}
